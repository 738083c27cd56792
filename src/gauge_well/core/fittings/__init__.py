"""Threads, spigots and tees: what goes in what."""
