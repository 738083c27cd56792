"""The oil solved, ready to be asked at any power, and what it hands on."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

import numpy as np

from gauge_well.core.checks import Check, Unknown
from gauge_well.core.engine.model import Operation
from gauge_well.core.errors import MissingFact
from gauge_well.core.facts import at_likely, fact
from gauge_well.core.reads import (
    OIL_PULL,
    OIL_SHARE,
    OIL_WARM,
)
from gauge_well.core.systems.base import Context, Result
from gauge_well.core.systems.oil import checks, covering, facts, feeding, need, notices, ranges, warmth, working
from gauge_well.core.systems.oil.figures import figures
from gauge_well.core.systems.oil.pan import Pan, pan_of
from gauge_well.core.typing import Array, likely


def _pan(given: facts.OilFacts) -> tuple[Pan | None, tuple[str, ...]]:
    """The pan, or the fields it lacks."""
    try:
        return pan_of(given), ()
    except MissingFact:
        pass
    names = ["pan.shape", "pickup.x"]
    if given.pan.shape == "outline":
        names += ["pan.outline"] + (["pan.width"] if given.pan.widths is None else [])
    else:
        names += ["pan.length", "pan.width", "pan.depth"]
        names += ["pan.well_length", "pan.shallow_depth"] if given.pan.shape in ("rear_well", "front_well") else []
    return None, tuple(f"oil.{n}" for n in names if fact(given, n) is None)


def brings(context: Context, given: facts.OilFacts) -> Mapping[str, Array]:
    """What of the oil's heat reaches the coolant."""
    pan, _ = _pan(at_likely(given))
    found = warmth.hand_over(warmth.ways_out(context, given, pan))
    return {OIL_SHARE: found.share, OIL_WARM: found.warmth, OIL_PULL: found.pull}


def solve(context: Context, given: facts.OilFacts) -> Result:
    """Solve oil for the context's duties; a missing part leaves its check unknown."""
    pan, missing = _pan(given)
    cool = warmth.ways_out(context, given, pan)
    ways, leak = warmth.with_coolant(context, cool, context.mean), feeding.leak_of(context, given)
    gates: list[Check] = [*checks.room_checks(context), *checks.cold_check(context, given, leak)]
    unknown: list[Unknown] = []
    coverage, limits = None, None
    if pan is None:
        unknown.append(Unknown("pickup", "Pickup", "pan", missing))
    else:
        coverage = covering.coverage(context, given, pan)
        limits = covering.effective(given, coverage.covered)
        gates.insert(0, checks.volume_check(given, pan))
        pickup = checks.pickup_check(context, coverage, limits)
        if likely(pickup.fill) > 1.0 and given.pan.baffle == "unknown" and likely(pickup.capacity) > 0.0:
            # A maker's pan may well have a trap door: without knowing, it is not called short. It helps none that is
            # bare at rest.
            unknown.append(Unknown("pickup", "Pickup", "pan", ("oil.pan.baffle",)))
        else:
            gates.insert(0, pickup)
    hot = warmth.temperature(ways, context.mean.heat_to_oil)
    gates += checks.drain_checks(given, hot)
    if given.cooler.into in ("air", "water") and given.cooler.conductance is None:
        unknown.append(Unknown("oil_temperature", "Oil temperature", "cooler", ("oil.cooler.conductance",)))
    elif given.cooler.into is None and _too_hot(context, given, ways, hot):
        # The engine may well have a cooler of its own: without knowing, it is not called short.
        unknown.append(Unknown("oil_temperature", "Oil temperature", "cooler", ("oil.cooler.into",)))

    nothing_asked = given.pressure_school == "maker" and given.least_pressure is None
    if nothing_asked:
        unknown.append(Unknown("oil_pressure", "Oil pressure", "pressure", ("oil.least_pressure",)))

    def judge(mean: Operation, peak: Operation) -> Sequence[Check]:
        then = warmth.with_coolant(context, cool, mean)
        at = warmth.temperature(then, mean.heat_to_oil)
        found = [*gates, checks.suction_check(context, given, leak, at, mean.speed)]
        if not any(u.part == "cooler" for u in unknown):
            found.append(checks.temperature_check(context, given, then, at))
        pressure = None if nothing_asked else checks.pressure_check(context, given, leak, at, mean.speed)
        return found if pressure is None else [*found, pressure]

    return Result(
        checks=judge,
        unknown=unknown,
        figures=lambda: figures(context, given, leak, hot, coverage, limits),
        needs=lambda: need.needs(context, given, coverage, ways),
        notices=lambda: list(notices.notices(given, coverage)),
        working=lambda index: working.steps(context, given, coverage, ways, index),
        looks=lambda: ranges.looks(hot),
    )


def _too_hot(context: Context, given: facts.OilFacts, ways: warmth.Ways, hot: Array) -> bool:
    """Over the limit in any duty at the likely values."""
    fill = checks.temperature_check(context, given, ways, hot).fill
    return bool(np.max(fill[..., 0]) > 1.0)
