"""The boat's figures, duty by duty."""

from __future__ import annotations

from collections.abc import Callable

from gauge_well.core.errors import MissingFact
from gauge_well.core.facts import need
from gauge_well.core.flow import propeller
from gauge_well.core.flow.pipe import bore_area
from gauge_well.core.media.seawater import DENSITY
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.boat import raw, safety, shafting, wet
from gauge_well.core.systems.boat.facts import BoatFacts
from gauge_well.core.typing import Array, as_array


def figures(context: Context, facts: BoatFacts) -> dict[str, Array]:
    """Figures of what is stated; what is not known is left out."""
    found: dict[str, Array] = {
        "raw_water_rule_m3_s": raw.by_rule(context),
        "raw_water_for_heat_m3_s": raw.for_heat(context, facts, context.mean),
        "raw_water_heat_w": raw.heat(context, facts, context.mean),
    }
    rows: list[Callable[[], dict[str, Array]]] = [
        lambda: _raw(context, facts),
        lambda: _suction(context, facts),
        lambda: _shaft(context, facts),
        lambda: _room(context, facts),
    ]
    if context.machine.exhaust == "wet":
        rows += [
            lambda: _heights(context, facts),
            lambda: {"drain_back_m3": wet.drain_back(facts), "silencer_usable_m3": wet.usable(context, facts).value},
            lambda: {"crank_flood_s": wet.crank_time(context, facts)},
            lambda: _back(context, facts),
        ]
    for row in rows:
        try:
            found |= row()
        except MissingFact:
            continue
    return found


def _raw(context: Context, facts: BoatFacts) -> dict[str, Array]:
    found = {
        "raw_water_flow_m3_s": raw.flow(context, facts),
        "raw_water_out_k": raw.out(context, facts, context.mean),
    }
    if context.machine.exhaust == "wet":
        found["mixed_gas_k"] = raw.mixed(context, facts, context.mean)
        found["water_for_limit_kg_s"] = DENSITY * raw.for_mix(context, facts, context.mean)
    return found


def _suction(context: Context, facts: BoatFacts) -> dict[str, Array]:
    moves = raw.flow(context, facts)
    found = raw.suction(facts, moves)
    bore = facts.suction.bore
    assert bore is not None
    return {"suction_velocity_m_s": moves / bore_area(bore), "suction_loss_pa": found.total}


def _heights(context: Context, facts: BoatFacts) -> dict[str, Array]:
    found = {"riser_height_heeled_m": wet.least(context, wet.crest(facts)[1]).value}
    if facts.siphon == "fitted" and facts.siphon_over is not None:
        found["siphon_break_height_heeled_m"] = wet.least(context, wet.point(facts, "siphon")).value
    return found


def _back(context: Context, facts: BoatFacts) -> dict[str, Array]:
    found = wet.back(context, facts, context.peak)
    return {
        "lift_pressure_pa": found.total,
        "lift_start_pressure_pa": found.start,
        "wallis": found.lifted.wallis,
        "lift_gas_share": found.lifted.void,
    }


def _shaft(context: Context, facts: BoatFacts) -> dict[str, Array]:
    n = shafting.shaft_speed(context, facts)
    power = shafting.shaft_power(facts, context.wanted)
    found = {"propeller_power_w": power, "shaft_torque_n_m": propeller.torque(power, n)}
    if facts.propeller is not None:
        found["tip_speed_m_s"] = propeller.tip_speed(facts.propeller, n)
    if facts.shaft_angle is not None:
        pitch = need(context.installation.engine_pitch, "installation.engine_pitch")
        found["shaft_off_tilt_rad"] = as_array(facts.shaft_angle) - pitch
    lies = shafting.aligned(facts)
    if lies is not None and lies.front is not None and lies.back is not None:
        found |= {"shim_front_m": lies.front, "shim_back_m": lies.back}
    return found


def _room(context: Context, facts: BoatFacts) -> dict[str, Array]:
    found: dict[str, Array] = {}
    warm = safety.room(context, facts, context.mean)
    if warm is not None:
        found["engine_room_k"] = warm.temperature
    if facts.room_volume is not None and context.engine.fuel.spark:
        found["blower_m3_s"] = safety.blower_needed(facts.room_volume)
    bore = safety.widest(facts)
    if bore is not None:
        found["open_fitting_m3_s"] = as_array(safety.inflow(bore, facts.depth))
    return found
