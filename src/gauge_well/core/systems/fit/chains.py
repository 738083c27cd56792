"""Chains of measures: what is left of a length when all on the way are taken off, and how sure that is.

Worst case all errors add; by 95 % of draws they add as squares, which holds for measures taken each for itself.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.facts import fact
from gauge_well.core.installation import LIES
from gauge_well.core.systems.fit.facts import FitFacts
from gauge_well.core.typing import Value, as_array, likely

HOOK = 0.001  # m: a tape's hook, common to all it takes and so added straight (common practice)
AT_95 = 1.96


@dataclass(frozen=True)
class Link:
    """One measure of a chain: fact, sign, length [m], half-range at 95 % [m]."""

    path: str
    sign: int
    length: float
    off: float


@dataclass(frozen=True)
class Chain:
    """What a chain comes to [m]: worst case and by squares, the hook of the tape in both; ``slot``: how long a foot's
    slot must be to take that up, both ways by squares."""

    id: str
    name: str
    links: Sequence[Link]
    left: float
    worst: float
    rss: float
    slot: float


def half_of(value: Value) -> float:
    """Half-range at 95 % of draws about the likely one; nought of one number."""
    drawn = as_array(value)
    if drawn.size < 8:
        return 0.0
    flat = drawn.ravel()
    return float(AT_95 * np.sqrt(np.mean((flat[1:] - flat[0]) ** 2)))


def chain(facts: FitFacts, id: str, name: str, links: Sequence[tuple[int, str, float]]) -> Chain | None:
    """A chain of fit's facts: (sign, name, times); None where one is not known."""
    found = []
    for sign, path, times in links:
        value = fact(facts, path)
        if value is None:
            return None
        found.append(Link(f"fit.{path}", sign, times * likely(value), times * half_of(value)))
    left = sum(link.sign * link.length for link in found)
    common = HOOK if any(link.off for link in found) else 0.0
    worst = sum(link.off for link in found) + common
    rss = float(np.sqrt(sum(link.off**2 for link in found))) + common
    return Chain(id, name, found, left, worst, rss, 2.0 * rss)


def chains(facts: FitFacts, lie: str) -> list[Chain]:
    """Along, upright and across: what a builder adds up on the back of a card."""
    along = LIES[lie]
    found: list[Chain | None] = []
    if lie != "front_trans":
        before = [(-1, "bay.stack_depth", 1.0)] if along.panel else []
        found.append(chain(facts, "front", "Pulley to what is before it", [(1, "from_panel", 1.0), *before]))
        rear = [(1, "bay.length", 1.0), (-1, "from_panel", 1.0), (-1, "unit.length", 1.0)]
        if not along.panel and facts.gearcase.there == "yes":
            rear += [(-1, "gearcase.bell_length", 1.0), (-1, "gearcase.length", 1.0)]
        found.append(chain(facts, "rear", "Behind the bell's face" if along.panel else "Behind the gearbox", rear))
    else:
        found.append(
            chain(
                facts,
                "front",
                "Engine to what is before it",
                [(1, "from_panel", 1.0), (-1, "unit.right", 1.0), (-1, "bay.stack_depth", 1.0)],
            )
        )
        across = [(1, "bay.rails", 1.0), (-1, "unit.length", 1.0)]
        if facts.gearcase.there == "yes":
            across += [(-1, "gearcase.bell_length", 1.0), (-1, "gearcase.length", 1.0)]
        found.append(chain(facts, "across", "Rail to rail, over both ends", across))
    top = [(1, "bay.edge", 1.0), (1, "bay.bonnet_rear", 1.0), (-1, "crank_height", 1.0), (-1, "unit.cover", 1.0)]
    found.append(chain(facts, "top", "Cover to the bonnet at the wall", top))
    if "member" in along.has:
        low = [(1, "crank_height", 1.0), (-1, "unit.pan_shallow", 1.0), (-1, "bay.member_top", 1.0)]
        found.append(chain(facts, "low", "Shallow pan to the crossmember", low))
    found.append(chain(facts, "ground", "Well to the floor", [(1, "crank_height", 1.0), (-1, "unit.pan", 1.0)]))
    if lie != "front_trans":
        for side, sign in (("left", -1), ("right", 1)):
            beside = [(1, "bay.rails", 0.5), (sign, "crank_left", 1.0), (-1, f"unit.{side}", 1.0)]
            found.append(chain(facts, side, f"Widest place to the rail, {side}", beside))
    return [c for c in found if c is not None]
