"""Benchmarks: medians and ratios in one run, never timed tests."""
