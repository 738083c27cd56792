"""A quantity given by three points: least, likely, most."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from gauge_well.core.errors import CoreError
from gauge_well.core.typing import Array

WEIGHT = 4.0  # of the likely value in the mean (PERT: Malcolm, Roseboom, Clark and Fazar 1959)


@dataclass(frozen=True)
class Span:
    """Three points of a beta distribution whose mean is ``(low + 4 likely + high) / 6``; one value where they are equal.

    Raises
    ------
    CoreError
        Where they are not finite, below nought or not in order.

    Source: pert1959; the variance is that of the beta itself, not the rule of a sixth.
    """

    low: float
    likely: float
    high: float

    def __post_init__(self) -> None:
        points = (self.low, self.likely, self.high)
        if not np.isfinite(points).all() or not 0.0 <= self.low <= self.likely <= self.high:
            limit = "nought or more, least first"
            raise CoreError("span", "work", points, limit, "Give the least, the likely and the most, in that order.")

    @property
    def mean(self) -> float:
        """Expected value."""
        return (self.low + WEIGHT * self.likely + self.high) / (WEIGHT + 2.0)

    @property
    def variance(self) -> float:
        """Of the beta distribution: ``(mean - low) (high - mean) / 7``."""
        return (self.mean - self.low) * (self.high - self.mean) / (WEIGHT + 3.0)

    def scaled(self, by: float) -> Span:
        """All three points times a factor."""
        return Span(self.low * by, self.likely * by, self.high * by)

    def drawn(self, rng: np.random.Generator, count: int) -> Array:
        """Samples of it, the likely value first."""
        if self.high <= self.low:
            return np.full(count, self.likely)
        width = self.high - self.low
        first, second = (1.0 + WEIGHT * part / width for part in (self.likely - self.low, self.high - self.likely))
        found = self.low + width * rng.beta(first, second, count)
        found[0] = self.likely
        return found


def certain(value: float) -> Span:
    """A value without a band."""
    return Span(value, value, value)
