"""Where things lie."""
