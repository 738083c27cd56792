"""Currents and volts: batteries, starters, alternators, wire."""
