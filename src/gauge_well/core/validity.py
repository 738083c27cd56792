"""Ranges of correlations and the notices that say where a result stands outside them."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from gauge_well.core.sentence import Sentence
from gauge_well.core.typing import Value


@dataclass(frozen=True)
class Notice:
    """Something the builder should know that is not a limit."""

    code: str
    sentence: Sentence
    field: str = ""
    duty: str = ""


@dataclass(frozen=True)
class Range:
    """Where a correlation was fitted."""

    name: str
    low: float
    high: float
    source: str

    def notice(self, value: Value, advice: str, duty: str = "") -> Notice | None:
        """Return a notice when any finite ``value`` lies outside the range, else None."""
        array = np.asarray(value, dtype=np.float64)
        array = array[np.isfinite(array)]
        if array.size == 0 or (array.min() >= self.low and array.max() <= self.high):
            return None
        return Notice(
            "outside_range",
            Sentence(
                "{name} {low} to {high} is outside {lo} to {hi}, where the relation was fitted. {advice}",
                {
                    "name": self.name,
                    "low": f"{array.min():.3g}",
                    "high": f"{array.max():.3g}",
                    "lo": f"{self.low:.3g}",
                    "hi": f"{self.high:.3g}",
                    "advice": advice,
                },
            ),
            duty=duty,
        )
