"""Weights by moments: axles, slings, hoists."""
