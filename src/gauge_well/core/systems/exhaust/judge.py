"""The exhaust solved, ready to be asked at any power."""

from __future__ import annotations

from collections.abc import Sequence
from functools import cache

import numpy as np

from gauge_well.core.checks import Check, Unknown
from gauge_well.core.engine.model import Operation
from gauge_well.core.errors import MissingFact
from gauge_well.core.facts import fact
from gauge_well.core.systems.base import Beside, Context, Need, Result
from gauge_well.core.systems.exhaust import (
    checks,
    facts,
    model,
    need,
    notices,
    ranges,
    working,
)
from gauge_well.core.systems.exhaust.figures import figures
from gauge_well.core.typing import Array


def solve(context: Context, given: facts.ExhaustFacts) -> Result:
    """Solve the exhaust for the context's duties; a missing pipe leaves its check unknown."""
    gates: list[Check] = checks.room_checks(context, given)

    def needs() -> Sequence[Need]:
        return need.needs(context, given)

    try:
        segments = model.segments_of(given)
    except MissingFact as error:
        names = ("pipe.diameter", "pipe.length")
        missing = tuple(f"exhaust.{n}" for n in names if fact(given, n) is None) or (error.field,)
        return Result(
            checks=lambda mean, peak: gates,
            unknown=[Unknown("back_pressure", "Back pressure", "pipe", missing)],
            figures=dict,
            needs=needs,
            notices=list,
            working=lambda index: [],
        )
    base = model.march(context, given, segments, context.peak)

    @cache
    def gain() -> Array:
        """What the next size of tube gives back [W]."""
        next_size = model.march(context, given, model.wider(segments), context.peak)
        costs = [
            model.power_cost(context.engine, m.back_pressure, context.peak.power)[..., :1] for m in (base, next_size)
        ]
        return np.asarray(costs[0] - costs[1])

    def judge(mean: Operation, peak: Operation) -> Sequence[Check]:
        if peak is not context.peak:
            # What only costs has no reach.
            return [*gates, *checks.pressure_checks(context, given, model.march(context, given, segments, peak), peak)]
        return [
            *gates,
            *checks.pressure_checks(context, given, base, peak),
            checks.cost_check(context, given, base, peak, gain),
        ]

    return Result(
        checks=judge,
        unknown=[],
        figures=lambda: figures(context, segments, base, gain()),
        needs=needs,
        notices=lambda: list(notices.notices(context, given, base)),
        working=lambda index: working.steps(context, given, base, index),
        beside=lambda: _beside(context, segments, base),
        looks=lambda: ranges.looks(given, base),
    )


def _beside(context: Context, segments: Sequence[model.Segment], base: model.Marched) -> Sequence[Beside]:
    """Weight of plain tube; power lost to back pressure in the worst duty."""
    cost = float(model.power_cost(context.engine, base.back_pressure, context.peak.power)[..., 0].max())
    return (
        Beside("power_cost", "back pressure costs", cost, "power"),
        Beside("pipe_mass", "tube's weight", model.weight(segments), "mass"),
    )
