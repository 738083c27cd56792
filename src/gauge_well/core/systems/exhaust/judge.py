"""The exhaust solved, ready to be asked at any power, and what it hands on."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from functools import cache

import numpy as np

from gauge_well.core.checks import Check, Unknown
from gauge_well.core.engine.model import Operation
from gauge_well.core.errors import MissingFact
from gauge_well.core.facts import fact
from gauge_well.core.reads import EXHAUST_SHEDS
from gauge_well.core.systems.base import Beside, Context, Need, Result
from gauge_well.core.systems.exhaust import (
    checks,
    costs,
    facts,
    ground,
    model,
    need,
    notices,
    pieces,
    ranges,
    warmth,
    working,
)
from gauge_well.core.systems.exhaust.figures import figures
from gauge_well.core.typing import Array, as_array


def sheds(context: Context, given: facts.ExhaustFacts) -> Mapping[str, Array]:
    """What it gives the engine space; without end where the run is not known."""
    try:
        _, found = model.marched(context, given)
    except MissingFact:
        return {EXHAUST_SHEDS: as_array(np.inf)}
    return {EXHAUST_SHEDS: warmth.shed_ahead(given, found)}


def _neighbours(context: Context, given: facts.ExhaustFacts, found: model.Marched) -> tuple[bool, list[Unknown]]:
    """Whether a loom's or a hose's heat is worked, and what of neighbours is not stated."""
    worked, unknown = False, []
    for at in warmth.placed(context, given, found):
        if isinstance(at, warmth.Placed):
            worked |= not at.what.fuel
        else:
            unknown.append(Unknown(f"heat_{at[0]}", "Neighbour of the pipe", "neighbour", (at[1],)))
    return worked, unknown


def solve(context: Context, given: facts.ExhaustFacts) -> Result:
    """Solve the exhaust for the context's duties; a missing pipe leaves its check unknown."""

    def needs() -> Sequence[Need]:
        return need.needs(context, given)

    try:
        segments, base = model.marched(context, given)
    except MissingFact as error:
        names = ("pipe.diameter", "pipe.length")
        missing = tuple(f"exhaust.{n}" for n in names if fact(given, n) is None) or (error.field,)
        gates = checks.room_checks(context, given, False)
        return Result(
            checks=lambda mean, peak: gates,
            unknown=[Unknown("back_pressure", "Back pressure", "pipe", missing)],
            figures=dict,
            needs=needs,
            notices=list,
            working=lambda index: [],
        )
    worked, unknown = _neighbours(context, given, base)
    under = ground.ground(context, given, segments)
    still: list[Check] = [*checks.room_checks(context, given, worked), *checks.ramp_check(given, under)]
    still += checks.neighbour_checks(context, given, base)

    @cache
    def gain() -> Array:
        """What the next size of tube gives back [W]."""
        next_size = model.march(context, given, pieces.wider(segments), context.peak)
        lost = [
            costs.power_cost(context.engine, m.mean_pressure, context.peak.power)[..., :1] for m in (base, next_size)
        ]
        return np.asarray(lost[0] - lost[1])

    def judge(mean: Operation, peak: Operation) -> Sequence[Check]:
        own = peak is context.peak
        found = base if own else model.march(context, given, segments, peak)
        judged = [*still, *checks.pressure_checks(context, given, found, peak)]
        # What only costs has no reach.
        return [*judged, checks.cost_check(context, found, peak, gain)] if own else judged

    return Result(
        checks=judge,
        unknown=unknown,
        figures=lambda: figures(context, given, segments, base, gain(), under),
        needs=needs,
        notices=lambda: list(notices.notices(context, given, segments, base, under)),
        working=lambda index: working.steps(context, given, base, index),
        beside=lambda: _beside(context, segments, base),
        looks=lambda: ranges.looks(given, base),
    )


def _beside(context: Context, segments: Sequence[pieces.Segment], base: model.Marched) -> Sequence[Beside]:
    """Weight; power lost to back pressure in the worst duty."""
    cost = float(costs.power_cost(context.engine, base.mean_pressure, context.peak.power)[..., 0].max())
    return (
        Beside("power_cost", "back pressure costs", cost, "power"),
        Beside("pipe_mass", "exhaust's weight", pieces.weight(segments), "mass"),
    )
