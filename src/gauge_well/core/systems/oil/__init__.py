"""Oil: pan and pickup, temperature, pressure, suction."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

import numpy as np

from gauge_well.core.checks import Check, Unknown
from gauge_well.core.duty.facts import MachineFacts
from gauge_well.core.engine.model import Operation
from gauge_well.core.errors import MissingFact
from gauge_well.core.facts import at_likely, fact
from gauge_well.core.media import oils
from gauge_well.core.reads import (
    COOLANT_FREE,
    COOLANT_LEAST,
    COOLANT_MOST,
    COOLANT_PER_WATT,
    OIL_BACK,
    OIL_SHARE,
    declared,
)
from gauge_well.core.systems.base import Caution, Context, Result, System
from gauge_well.core.systems.oil import checks, facts, model, need, ranges, remedies, working
from gauge_well.core.systems.oil.pan import Pan, pan_of
from gauge_well.core.systems.oil.views import VIEWS
from gauge_well.core.typing import Array, likely

PARTS = {
    "pan": "Oil pan and pickup",
    "cooler": "Oil temperature",
    "pressure": "Oil pressure",
    "suction": "Oil suction",
    "drain": "Turbo's oil return",
    "room": "Room round the pan",
}
CAUTIONS = (
    Caution(
        "hot_oil",
        "Oil",
        "Hot oil burns and used oil harms skin: gloves, a tray that holds it all, and hand it in.",
    ),
    Caution(
        "hanging_engine",
        "Pan",
        "Never reach under an engine that hangs from a hoist: set it on rated stands or mounts first.",
    ),
)


def applies(machine: MachineFacts) -> str | None:
    """Oil is judged on every machine."""
    return None


def refuse(given: facts.OilFacts) -> None:
    """Raise CoreError for a pan that cannot be; one not given whole is fine."""
    if given.pan.shape is None:
        return
    try:
        pan_of(given)
    except MissingFact:
        return


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


def gives(context: Context, given: facts.OilFacts) -> Mapping[str, Array]:
    """What of the oil's heat reaches the coolant."""
    pan, _ = _pan(at_likely(given))
    share, back = model.hand_over(model.ways_out(context, given, pan))
    return {OIL_SHARE: share, OIL_BACK: back}


def solve(context: Context, given: facts.OilFacts) -> Result:
    """Solve oil for the context's duties; a missing part leaves its check unknown."""
    pan, missing = _pan(given)
    cool = model.ways_out(context, given, pan)
    ways, leak = model.with_coolant(cool, context, context.mean), model.leak_of(context, given)
    gates: list[Check] = [*checks.room_checks(context), *checks.cold_check(context, given, leak)]
    unknown: list[Unknown] = []
    coverage, limits = None, None
    if pan is None:
        unknown.append(Unknown("pickup", "Pickup", "pan", missing))
    else:
        coverage = model.coverage(context, given, pan)
        limits = model.effective(given, coverage.covered)
        gates.insert(0, checks.volume_check(given, pan))
        pickup = checks.pickup_check(context, coverage, limits)
        if likely(pickup.fill) > 1.0 and given.pan.baffle == "unknown" and likely(pickup.capacity) > 0.0:
            # A maker's pan may well have a trap door: without knowing, it is not called short. It helps none that is
            # bare at rest.
            unknown.append(Unknown("pickup", "Pickup", "pan", ("oil.pan.baffle",)))
        else:
            gates.insert(0, pickup)
    hot = model.temperature(ways, context.mean.heat_to_oil)
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
        then = model.with_coolant(cool, context, mean)
        at = model.temperature(then, mean.heat_to_oil)
        found = [*gates, checks.suction_check(context, given, leak, at, mean.speed)]
        if not any(u.part == "cooler" for u in unknown):
            found.append(checks.temperature_check(context, given, then, at))
        pressure = None if nothing_asked else checks.pressure_check(context, given, leak, at, mean.speed)
        return found if pressure is None else [*found, pressure]

    return Result(
        checks=judge,
        unknown=unknown,
        figures=lambda: _figures(context, given, leak, hot, coverage, limits),
        needs=lambda: need.needs(context, given, coverage, ways),
        notices=lambda: list(checks.notices(given, coverage)),
        working=lambda index: working.steps(context, given, coverage, ways, index),
        looks=lambda: ranges.looks(hot),
    )


def _too_hot(context: Context, given: facts.OilFacts, ways: model.Ways, hot: Array) -> bool:
    """Over the limit in any duty at the likely values."""
    fill = checks.temperature_check(context, given, ways, hot).fill
    return bool(np.max(fill[..., 0]) > 1.0)


def _figures(
    context: Context,
    given: facts.OilFacts,
    leak: model.Leak,
    hot: Array,
    coverage: model.Coverage | None,
    limits: Array | None,
) -> dict[str, Array]:
    flow = model.drawn_flow(given, leak, context.mean.speed, hot)
    oil = model.oil_of(given)
    figures = {
        "oil_in_sump_m3": model.in_sump(given),
        "oil_temperature_k": hot,
        "oil_viscosity_m2_s": oils.viscosity_walther(oil, hot),
        "oil_flow_m3_s": flow,
        "oil_suction_pa": context.duties.column("pressure") - model.suction_drop(given, flow, hot),
    }
    pressure = model.gauge_pressure(given, leak, context.mean.speed, hot)
    if pressure is not None:
        figures["oil_pressure_pa"] = pressure
    drain = model.turbo_drain(given, hot)
    if drain is not None:
        figures["drain_flow_m3_s"] = drain
    if context.installation.pan_ground is not None:
        figures["pan_ground_clearance_m"] = np.asarray(context.installation.pan_ground, dtype=float)
    if coverage is not None and limits is not None:
        figures["oil_over_pickup_m"] = coverage.head.min(axis=1)[None, :, None]
        figures["pickup_clearance_m"] = np.asarray(coverage.pan.pickup[2] - coverage.pan.floor)
        for i, name in enumerate(("forward", "aft", "left", "right")):
            figures[f"g_limit_{name}"] = limits[:, i][None, :, None]
    return figures


DECLARES = declared(
    takes=f"{COOLANT_FREE} {COOLANT_PER_WATT} {COOLANT_LEAST} {COOLANT_MOST}",
    gives=f"{OIL_SHARE} {OIL_BACK}",
    hands="",
    engine="thermostat idle_speed dry_mass material",
    installation="engine_yaw engine_pitch engine_roll pan_ground ground_needed pan_crossmember pan_steering",
    duties="air_speed duration start after braking cornering pulling heel",
)
SYSTEM: System = System(
    id="oil",
    title="Oil",
    facts=facts.OilFacts,
    fill=facts.fill,
    parts=PARTS,
    applies=applies,
    refuse=refuse,
    solve=solve,
    cautions=CAUTIONS,
    declares=DECLARES,
    gives=gives,
    views=VIEWS,
    ways=facts.WAYS,
    candidates=remedies.candidates,
)

__all__ = ["SYSTEM"]
