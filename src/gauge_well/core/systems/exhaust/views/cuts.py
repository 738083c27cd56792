"""The cut list of the run as it is stated."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from gauge_well.core.systems.base import Context, Options
from gauge_well.core.systems.exhaust import cutting, pieces
from gauge_well.core.systems.exhaust.cutting import Cut
from gauge_well.core.systems.exhaust.facts import ExhaustFacts
from gauge_well.core.typing import likely


@dataclass(frozen=True)
class Bought:
    """Tube of a size to buy [m]: its outside, straight length and bends counted by their angle [rad]."""

    outside: float
    straight: float
    bends: float


@dataclass(frozen=True)
class CutsView:
    """Lines of the list, tube to buy by size, welds and loose joints, mass [kg]; ``by_piece``: it is stated piece by piece."""

    cuts: Sequence[Cut]
    buy: Sequence[Bought]
    welds: int
    joints: int
    mass: float
    by_piece: bool


def show(context: Context, facts: ExhaustFacts, options: Options) -> CutsView:
    """Straights, bends, welds."""
    found = cutting.cut_list(pieces.segments_of(facts, context.engine))
    sizes = sorted({c.outside for c in found.cuts})
    buy = [
        Bought(
            size,
            sum(c.count * c.length for c in found.cuts if c.outside == size and c.what == "straight"),
            sum(c.count * (c.angle or 0.0) for c in found.cuts if c.outside == size),
        )
        for size in sizes
    ]
    return CutsView(found.cuts, buy, found.welds, found.joints, likely(found.mass), bool(facts.pieces))
