"""A piece of a steering column between two joints."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import Kind, Way, quantity
from gauge_well.core.typing import Value

GROUP = "Column"


@dataclass(frozen=True)
class ColumnFacts:
    """How it runs, from the wheel to the rack. SI."""

    falls: Value | None = quantity(
        "Falls along its way by", "angle", -0.3, 1.5, needed=True, group=GROUP, help="From the wheel on."
    )
    bears_left: Value = quantity(
        "In plan it bears left by", "angle", -1.2, 1.2, group=GROUP, help="From the wheel on; right is minus."
    )
    forks: Value = quantity(
        "Its forks are out of line by", "angle", 0.0, 1.58, group=GROUP, help="Of a piece with a joint at either end."
    )


WAYS: Mapping[str, Way] = {
    "falls": Way("above", "An inclinometer laid along it."),
    "bears_left": Way("above", "Plumb both ends to the floor: how far sideways over how far along."),
    "forks": Way("hand", "One fork's ears upright, an inclinometer on the other's."),
}

COLUMN = Kind("column", "Piece of column", ColumnFacts, WAYS)
