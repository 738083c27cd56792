"""Gauge Well: sizes the systems that support a transplanted engine."""

__version__ = "0.4.0"
