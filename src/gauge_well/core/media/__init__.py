"""Properties of air, coolant, fuels and combustion gas."""
