"""The run: order, memory, reach, bands, changes."""
