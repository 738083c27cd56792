"""Heat transfer: correlations, cores and lumped masses."""
