"""The oil solved, ready to be asked at any power, and what it hands on."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

import numpy as np

from gauge_well.core.checks import Check, Unknown
from gauge_well.core.engine.model import Operation
from gauge_well.core.errors import MissingFact
from gauge_well.core.facts import at_likely, fact
from gauge_well.core.parts.pan import WELLS
from gauge_well.core.reads import (
    OIL_PULL,
    OIL_SHARE,
    OIL_WARM,
)
from gauge_well.core.systems.base import Context, Result
from gauge_well.core.systems.oil import (
    checks,
    checks_dry,
    checks_flow,
    covering,
    drysump,
    facts,
    feeding,
    need,
    notices,
    ranges,
    surge,
    warmth,
    working,
)
from gauge_well.core.systems.oil.covering import Covered
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
        names += ["pan.well_length", "pan.shallow_depth"] if given.pan.shape in WELLS else []
        names += ["pan.well_start"] if given.pan.shape == "centre_well" else []
        names += ["pan.kick_width", "pan.kick_height"] if given.pan.shape == "kicked" else []
    return None, tuple(f"oil.{n}" for n in names if fact(given, n) is None)


def pan_or_none(given: facts.OilFacts) -> Pan | None:
    """The pan where it is known."""
    return _pan(given)[0]


def brings(context: Context, given: facts.OilFacts) -> Mapping[str, Array]:
    """What of the oil's heat reaches the coolant."""
    pan, _ = _pan(at_likely(given))
    found = warmth.hand_over(warmth.ways_out(context, given, pan))
    return {OIL_SHARE: found.share, OIL_WARM: found.warmth, OIL_PULL: found.pull}


def _covering(context: Context, given: facts.OilFacts, pan: Pan) -> tuple[Covered, list[Check], list[Unknown]]:
    """A wet pan: what stays covered, what is checked of it, and what is not known."""
    coverage = covering.coverage(context, given, pan)
    limits = covering.effective(given, coverage.covered)
    pickup, ride = checks.pickup_check(context, coverage, limits), surge.ride(context, given)
    found = [*checks.mouth_checks(given, pan), checks.volume_check(given, pan)]
    found += [*checks.dip_checks(context, given, coverage), *checks.enters_check(context, given, pan)]
    unknown: list[Unknown] = []
    helped = likely(pickup.fill) > 1.0 and likely(pickup.capacity) > 0.0
    if helped and ride is not None and given.thrown is not None:
        found.insert(0, checks.ride_check(context, pickup, coverage, limits, ride, given.thrown))
    elif helped and given.pan.baffle == "unknown":
        # A maker's pan may well have a trap door: without knowing, it is not called short. It helps none that is
        # bare at rest.
        unknown.append(Unknown("pickup", "Pickup", "pan", ("oil.pan.baffle",)))
    elif helped and given.pan.baffle == "trap" and given.pan.held is None:
        unknown.append(Unknown("pickup", "Pickup", "pan", ("oil.pan.held",)))
    else:
        found.insert(0, pickup)
    return Covered(coverage, limits), found, unknown


def _dry(context: Context, given: facts.OilFacts) -> tuple[Covered | None, list[Check], list[Unknown]]:
    """A dry sump: its stages, its tank, and whether the tank's outlet stays covered."""
    found, unknown = [*checks_dry.vacuum_checks(given)], []
    scavenge = checks_dry.scavenge_check(context, given)
    if scavenge is None:
        names = [f"oil.scavenge.{n}" for n in ("stages", "displacement") if getattr(given.scavenge, n) is None]
        unknown.append(Unknown("scavenge", "Scavenge stages", "scavenge", tuple(names)))
    else:
        found.append(scavenge)
    try:
        coverage = drysump.coverage(context, given)
    except MissingFact:
        sizes = ("shape", "across", "height", *(("along",) if given.tank.shape == "box" else ()))
        names = [f"oil.tank.{n}" for n in sizes if getattr(given.tank, n) is None]
        unknown.append(Unknown("tank_outlet", "Tank", "tank", tuple(names)))
        return None, found, unknown
    found.insert(0, checks.pickup_check(context, coverage, coverage.covered, "tank_outlet"))
    found += [checks_dry.residence_check(context, given), checks_dry.filling_check(given)]
    return Covered(coverage, coverage.covered), found, unknown


def solve(context: Context, given: facts.OilFacts) -> Result:
    """Solve oil for the context's duties; a missing part leaves its check unknown."""
    pan, missing = _pan(given)
    cool = warmth.ways_out(context, given, pan)
    ways, leak = warmth.with_coolant(context, cool, context.mean), feeding.leak_of(context, given)
    gates: list[Check] = [*checks.room_checks(context), *checks_flow.cold_check(context, given, leak)]
    unknown: list[Unknown] = []
    covered: Covered | None = None
    if drysump.is_dry(given):
        covered, found, unknown = _dry(context, given)
        gates = [*found, *gates]
    elif pan is None:
        unknown.append(Unknown("pickup", "Pickup", "pan", missing))
    else:
        covered, found, unknown = _covering(context, given, pan)
        gates = [*found, *gates]
    hot = warmth.temperature(ways, context.mean.heat_to_oil)
    gates += [*checks_flow.drain_checks(given, hot), *checks_flow.head_check(given, hot)]
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
        found = [*gates, checks_flow.suction_check(context, given, leak, at, mean.speed)]
        found += checks_flow.breather_checks(context, given, peak)
        if not any(u.part == "cooler" for u in unknown):
            found.append(checks_flow.temperature_check(context, given, then, at))
        pressure = None if nothing_asked else checks_flow.pressure_check(context, given, leak, at, mean.speed)
        return found if pressure is None else [*found, pressure]

    wet = None if covered is None or drysump.is_dry(given) else covered.coverage
    return Result(
        checks=judge,
        unknown=unknown,
        figures=lambda: figures(context, given, leak, hot, pan, covered),
        needs=lambda: need.needs(context, given, wet, ways),
        notices=lambda: list(notices.notices(context, given, pan, hot)),
        working=lambda index: working.steps(context, given, pan, covered, ways, index),
        looks=lambda: ranges.looks(hot),
    )


def _too_hot(context: Context, given: facts.OilFacts, ways: warmth.Ways, hot: Array) -> bool:
    """Over the limit in any duty at the likely values."""
    fill = checks_flow.temperature_check(context, given, ways, hot).fill
    return bool(np.max(fill[..., 0]) > 1.0)
