"""Fit solved: the same at any power."""

from __future__ import annotations

from gauge_well.core.checks import Unknown
from gauge_well.core.errors import MissingFact
from gauge_well.core.facts import fact
from gauge_well.core.systems.base import Context, Result
from gauge_well.core.systems.fit import checks, figures, need, notices, working
from gauge_well.core.systems.fit.facts import FitFacts
from gauge_well.core.systems.fit.rooms import solved

FIVE = ("unit.length", "unit.cover", "bay.length", "bay.rails", "bay.edge")


def solve(context: Context, facts: FitFacts) -> Result:
    """Gaps in the worst position of each pair; unknown until five sizes are taped."""
    try:
        found = solved(context, facts)
    except MissingFact as error:
        missing = tuple(f"fit.{name}" for name in FIVE if fact(facts, name) is None) or (error.field,)
        return Result(
            checks=lambda mean, peak: [],
            unknown=[Unknown("gaps", "Room round the engine", "place", missing)],
            figures=dict,
            needs=lambda: need.needs(context, facts),
            notices=list,
            working=lambda index: [],
        )
    judged = checks.checks(found)
    return Result(
        checks=lambda mean, peak: judged,
        unknown=[],
        figures=lambda: figures.figures(facts, found),
        needs=lambda: need.needs(context, facts),
        notices=lambda: notices.notices(context, facts, found),
        working=lambda index: working.steps(facts, found, index),
    )
