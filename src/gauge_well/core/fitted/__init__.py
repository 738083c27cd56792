"""The model fitted to readings: what a build's own factors are, how well they are learned, what to read next."""
