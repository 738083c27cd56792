"""The oil's figures, duty by duty."""

from __future__ import annotations

import numpy as np

from gauge_well.core.media import oils
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.oil import (
    breathing,
    circuit,
    covering,
    drysump,
    facts,
    feeding,
    levels,
    priming,
    returns,
    surge,
)
from gauge_well.core.systems.oil.pan import Pan, over_floor
from gauge_well.core.typing import Array, as_array

WORKSHOP = 293.15  # K


def figures(
    context: Context,
    given: facts.OilFacts,
    leak: feeding.Leak,
    hot: Array,
    pan: Pan | None,
    covered: covering.Covered | None,
) -> dict[str, Array]:
    """Figures of every duty: the oil, its heat, its pressure, and how far the pan covers its pickup."""
    flow = feeding.drawn_flow(given, leak, context.mean.speed, hot)
    oil = feeding.oil_of(given)
    figures = {
        "oil_in_sump_m3": covering.in_sump(given),
        "oil_temperature_k": hot,
        "oil_viscosity_m2_s": oils.viscosity_walther(oil, hot),
        "oil_flow_m3_s": flow,
        "oil_suction_pa": context.duties.column("pressure") - feeding.suction_drop(given, flow, hot),
    }
    pressure = feeding.gauge_pressure(given, leak, context.mean.speed, hot)
    if pressure is not None:
        figures["oil_pressure_pa"] = pressure
    drain = returns.turbo_drain(given, hot)
    if drain is not None:
        figures["drain_flow_m3_s"] = drain
    if context.room("pan_ground") is not None:
        figures["pan_ground_clearance_m"] = np.asarray(context.room("pan_ground"), dtype=float)
    if pan is not None and not drysump.is_dry(given):
        figures["pan_holds_m3"] = pan.holds
        figures["pickup_clearance_m"] = np.asarray(over_floor(given, pan))
        stick = levels.marks(context, given, pan)
        if stick is not None:
            figures |= {"dipstick_full_m": as_array(stick.full), "dipstick_low_m": as_array(stick.low)}
    if covered is not None:
        figures["oil_over_pickup_m"] = covered.coverage.head.min(axis=1)[None, :, None]
        for i, name in enumerate(("forward", "aft", "left", "right")):
            figures[f"g_limit_{name}"] = covered.limits[:, i][None, :, None]
    ride = surge.ride(context, given)
    if ride is not None:
        figures |= {"accumulator_oil_m3": ride.given, "rides_out_s": ride.seconds}
    figures |= _circuit(context, given, hot)
    figures |= _back(context, given, hot)
    primed = priming.primed(context, given, coldest(context))
    figures |= {"prime_s": as_array(primed.seconds), "prime_turns": as_array(primed.turns)}
    if primed.gauge is not None:
        figures["crank_pressure_pa"] = as_array(primed.gauge)
    return figures


def coldest(context: Context) -> float:
    """Oil before a first start [K]: air of the coldest duty, a workshop's at most."""
    return min(WORKSHOP, *(c.ambient for c in context.duties.cases))


def _circuit(context: Context, given: facts.OilFacts, hot: Array) -> dict[str, Array]:
    """Where the oil goes on its way."""
    way = circuit.way(context, given, context.mean.speed, hot)
    if way is None:
        return {}
    found = {"oil_filter_drop_pa": way.filter}
    if given.cooler.into in ("air", "water"):
        found["cooler_bypass_share"] = 1.0 - way.cooled
    return found


def _back(context: Context, given: facts.OilFacts, hot: Array) -> dict[str, Array]:
    """What comes back and what blows by."""
    found = {"blow_by_m3_s": breathing.blow_by(given, context.peak, worn=False)}
    drained = returns.head_drain(given, hot)
    if drained is not None:
        found["head_drain_flow_m3_s"] = drained
    over = breathing.crankcase(given, breathing.blow_by(given, context.peak, worn=True))
    if over is not None:
        found["crankcase_pressure_pa"] = over
    if drysump.is_dry(given):
        drawn = feeding.hot_flow(context, given)
        found["tank_residence_s"] = drysump.residence(given, drawn)
        found["tank_gross_m3"] = drysump.gross(drawn, drysump.filled(given))
        moved = drysump.scavenged(given, context.mean.speed)
        if moved is not None:
            found |= {"scavenge_flow_m3_s": moved, "scavenge_ratio": moved / np.maximum(drawn, 1e-9)}
    return found
