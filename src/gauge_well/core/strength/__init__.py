"""Strength of small metal parts: sections, welds, fatigue, bolts, sheet. One published relation each."""
