"""Drives: a track turned into speed, grade and power, and the machine taken along it second by second."""
