"""Hands and tools with the engine in its place."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from gauge_well.core.systems.base import Context, Options
from gauge_well.core.systems.fit.access import NEEDED, reached
from gauge_well.core.systems.fit.facts import FitFacts
from gauge_well.core.systems.fit.rooms import solved


@dataclass(frozen=True)
class Hand:
    """One thing to reach: with what, how far that stays clear [m], what it meets; ``reach``: now, raised or no."""

    id: str
    name: str
    tool: str
    gap: float
    by: str
    raised_gap: float
    raised_by: str
    reach: str


@dataclass(frozen=True)
class HandsView:
    """All that is serviced; what is kept round a tool [m]."""

    items: Sequence[Hand]
    keep: float


def show(context: Context, facts: FitFacts, options: Options) -> HandsView:
    """At the stated place; no options."""
    found = reached(solved(context, facts).scene, facts)
    return HandsView(
        [Hand(r.id, r.name, r.tool, r.gap, r.by, r.raised_gap, r.raised_by, r.reach) for r in found], NEEDED
    )
