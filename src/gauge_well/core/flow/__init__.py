"""Flow in pipes and through holes."""
