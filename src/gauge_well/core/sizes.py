"""Sizes as they are sold."""

from __future__ import annotations

from collections.abc import Iterable


def above(sizes: Iterable[float], now: float, count: int) -> list[float]:
    """Next ``count`` standard sizes above ``now``; one within a fiftieth of it is the same size."""
    return [float(s) for s in sorted(sizes) if s > 1.02 * now][:count]


def below(sizes: Iterable[float], now: float, count: int) -> list[float]:
    """Next ``count`` standard sizes below ``now``, the nearest first."""
    return [float(s) for s in sorted(sizes, reverse=True) if s < 0.98 * now][:count]
