"""Guides and assumptions worth saying of the oil."""

from __future__ import annotations

from collections.abc import Sequence

from gauge_well.core.sentence import Sentence
from gauge_well.core.systems.oil.covering import Coverage
from gauge_well.core.systems.oil.facts import OilFacts
from gauge_well.core.typing import likely
from gauge_well.core.validity import Notice

CLEARANCE = (0.006, 0.010)  # m, pickup over the floor


def notices(facts: OilFacts, coverage: Coverage | None) -> Sequence[Notice]:
    """Guides and what stands behind the answer."""
    found: list[Notice] = []
    if facts.hot_pressure is None:
        found.append(
            Notice(
                "pressure_not_judged",
                Sentence("Oil pressure is not judged: give one hot reading with its engine speed."),
                "oil.hot_pressure",
            )
        )
    if coverage is None:
        return found
    gap = likely(coverage.pan.pickup[..., 2] - coverage.pan.floor)
    if not CLEARANCE[0] <= gap <= CLEARANCE[1]:
        found.append(
            Notice(
                "pickup_clearance",
                Sentence(
                    "The pickup stands {gap} over the floor; {low} to {high} is usual.",
                    {"gap": (gap, "length"), "low": (CLEARANCE[0], "length"), "high": (CLEARANCE[1], "length")},
                ),
                "oil.pickup.clearance",
            )
        )
    found.append(
        Notice(
            "quasi_static",
            Sentence(
                "Coverage is for steady acceleration: the oil has had time to move. An uncovering shorter than "
                "about half a second may be ridden out."
            ),
        )
    )
    return found
