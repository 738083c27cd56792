"""Hands and tools with the engine in its place."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from gauge_well.core.systems.base import Context, Options
from gauge_well.core.systems.fit.access import NEEDED, Reached, reached
from gauge_well.core.systems.fit.facts import FitFacts
from gauge_well.core.systems.fit.rooms import solved


@dataclass(frozen=True)
class HandsView:
    """All that is serviced; what is kept round a tool [m]."""

    items: Sequence[Reached]
    keep: float


def show(context: Context, facts: FitFacts, options: Options) -> HandsView:
    """At the stated place; no options."""
    return HandsView(reached(solved(context, facts).scene, facts), NEEDED)
