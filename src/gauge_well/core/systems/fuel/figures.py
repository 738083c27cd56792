"""The fuel's figures by duty, under the names the report keeps."""

from __future__ import annotations

import numpy as np

from gauge_well.core.systems.base import Context
from gauge_well.core.systems.fuel import guard, tank
from gauge_well.core.systems.fuel import injectors as inj
from gauge_well.core.systems.fuel.circuit import Circuit, asked_pressure, burned, demand, has_injectors
from gauge_well.core.systems.fuel.network import Point
from gauge_well.core.typing import Array, Value, as_array


def figures(context: Context, circuit: Circuit, point: Point | None) -> dict[str, Array]:
    """Everything known of each duty at its peak, SI; each of the duties' shape."""
    peak, facts = context.peak, circuit.facts
    shape = peak.fuel_mass_flow.shape
    taken = demand(peak, circuit)
    found: dict[str, Value] = {
        "fuel_mass_flow_kg_s": peak.fuel_mass_flow,
        "fuel_volume_flow_m3_s": burned(peak, circuit.fuel),
        "rail_pressure_pa": asked_pressure(circuit, peak) if point is None else point.rail,
    }
    if point is not None:
        found |= _network(circuit, point)
    found["line_pressure_drop_pa"] = circuit.line_drop(taken if point is None else point.in_line)
    if has_injectors(circuit):
        now = inj.injectors(context, circuit, peak, None if point is None else point.rail)
        idle = inj.idle_pulse(context, circuit)
        found |= {
            "injector_flow_m3_s": now.flow,
            "injector_duty": np.minimum(now.share, 9.99),
            "injector_pressure_pa": now.pressure,
            "idle_pulse_s": idle.open,
            "lean_cut_pa": guard.cut_pressure(circuit, peak),
        }
    pull = circuit.suction_drop(taken if point is None else point.drawn)
    found |= {
        "suction_pressure_pa": circuit.left_of(pull),
        "vapour_margin_pa": circuit.over_boiling(pull),
        "vapour_pressure_pa": circuit.vapour_pressure(),
    }
    if facts.tank.volume is not None:
        found |= {
            "endurance_s": tank.endurance(context, circuit, context.mean),
            "unusable_m3": tank.unusable(circuit),
        }
        if point is not None:
            found["tank_end_k"] = tank.tank_end(context, circuit, tank.heat_back(point))
    return {
        name: np.broadcast_to(as_array(value), np.broadcast_shapes(np.shape(value), shape))
        for name, value in found.items()
    }


def _network(circuit: Circuit, point: Point) -> dict[str, Value]:
    found: dict[str, Value] = {
        "return_flow_m3_s": point.returned + point.spilled,
        "return_temperature_k": tank.return_temperature(point),
        "tank_heat_w": tank.heat_back(point),
    }
    if circuit.pumped:
        found |= {
            "pump_capacity_m3_s": point.able,
            "pump_pressure_pa": point.able_across,
            "pump_voltage_v": point.able_volts,
            "pump_current_a": point.able_amps,
            # What it may still wear before the peak goes without its reserve, and then lean.
            "pump_may_wear": 1.0 - point.taken / np.maximum(point.able, 1e-12),
        }
    if circuit.facts.lift == "pot":
        found |= {"lift_flow_m3_s": point.lifted, "overflow_m3_s": point.overflow}
    primed = guard.prime_time(point.network)
    if primed is not None:
        found["prime_s"] = primed
    return found
