"""Fuel: demand, pump, line, rail, injectors, suction."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np

from gauge_well.core.checks import Check, Unknown
from gauge_well.core.duty.facts import MachineFacts
from gauge_well.core.engine.model import Operation
from gauge_well.core.errors import MissingFact
from gauge_well.core.systems.base import Beside, Caution, Compare, Compared, Context, Result, System, gives_nothing
from gauge_well.core.systems.fuel import checks, facts, model, need, pump, remedies, working
from gauge_well.core.systems.fuel.instrument import instrument
from gauge_well.core.typing import Array, likely

PARTS = {"pump": "Fuel pump", "injectors": "Injectors", "suction": "Fuel suction"}
COMPARE = Compare(
    "Pumps and injectors side by side",
    (
        "pump_flow",
        "pump_pressure",
        "pump_flow_2",
        "pump_pressure_2",
        "pump_count",
        "pump_current",
        "injector_flow",
        "injector_pressure",
        "dead_time",
        "rail_pressure",
    ),
    (
        Compared("pump_capacity_m3_s", "Pump gives", "flow_fuel", True),
        Compared("pump_pressure_pa", "against", "pressure_gauge", False),
        Compared("pump_voltage_v", "Volts at it", "voltage", True),
        Compared("injector_duty", "Injectors open", "share", False),
        Compared("vapour_margin_pa", "Over boiling", "pressure_difference", True),
    ),
)
CAUTIONS = (
    Caution(
        "fuel_vapour",
        "Line",
        "Fuel vapour burns. Work in the open, no flame or spark, battery off and away from fuel parts, "
        "an extinguisher within reach; let the rail's pressure down first.",
    ),
    Caution(
        "pump_cut_off",
        "Pump",
        "Fit a cut-off that stops the pump when the engine stops, on lost oil pressure or on impact. "
        "Local rules decide what is required.",
    ),
    Caution("old_tank", "Suction", "Never cut, grind or weld a used fuel tank."),
)


def applies(machine: MachineFacts) -> str | None:
    """Fuel is judged on every machine."""
    return None


def solve(context: Context, given: facts.FuelFacts) -> Result:
    """Solve fuel for the context's duties; a missing part leaves its check unknown."""
    circuit = model.circuit_of(context, given)
    count = len(context.duties.cases)
    unknown: list[Unknown] = []
    curve: model.PumpCurve | None = None
    try:
        curve = model.curve_of(given)
    except MissingFact:
        missing = tuple(f"fuel.{n}" for n in ("pump_flow", "pump_pressure") if getattr(given, n) is None)
        unknown.append(Unknown("pump_flow", "Pump flow", "pump", missing))
    has_injectors = circuit.way.injectors and given.injector_flow is not None
    if circuit.way.injectors and not has_injectors:
        unknown.append(Unknown("injector_duty", "Injector opening", "injectors", ("fuel.injector_flow",)))

    delivery = model.delivery_of(circuit, curve) if curve is not None else None
    base = delivery.at(context.peak) if delivery is not None else None

    def judge(mean: Operation, peak: Operation) -> Sequence[Check]:
        found: list[Check] = []
        point = base if peak is context.peak or delivery is None else delivery.at(peak)
        if point is not None:
            found.append(checks.pump_check(circuit, point, peak, count))
        if has_injectors:
            found.append(checks.injector_check(circuit, context, peak, count))
        found.append(checks.suction_check(circuit, point, peak, count))
        return found

    return Result(
        checks=judge,
        unknown=unknown,
        figures=lambda: _figures(context, circuit, base, has_injectors),
        needs=lambda: need.needs(context, circuit),
        notices=lambda: checks.notices(circuit, context, curve, base),
        working=lambda index: working.steps(circuit, curve, base, context, index),
        beside=lambda: _beside(circuit, base),
    )


def _beside(circuit: model.Circuit, point: model.PumpPoint | None) -> Sequence[Beside]:
    if point is None or circuit.facts.pump_drive != "electric":
        return ()
    return (Beside("pump_current", "pumps draw", likely(point.current), "current"),)


def _figures(
    context: Context, circuit: model.Circuit, point: model.PumpPoint | None, has_injectors: bool
) -> dict[str, Array]:
    peak = context.peak
    shape = peak.fuel_mass_flow.shape
    flow = model.drawn(circuit, point, peak)
    figures: dict[str, Array] = {
        "fuel_mass_flow_kg_s": peak.fuel_mass_flow,
        "fuel_volume_flow_m3_s": model.burned(peak, circuit.fuel),
        "rail_pressure_pa": np.broadcast_to(circuit.rail_gauge + model.manifold_lift(circuit, peak), shape),
    }
    if point is not None:
        figures |= {
            "pump_capacity_m3_s": point.flow,
            "pump_pressure_pa": point.pressure,
            "pump_voltage_v": np.broadcast_to(point.voltage, shape),
            "pump_current_a": np.broadcast_to(point.current, shape),
            "return_flow_m3_s": np.maximum(flow - model.burned(peak, circuit.fuel), 0.0),
        }
    figures["line_pressure_drop_pa"] = model.line_drop(circuit, flow)
    if has_injectors:
        found = model.injectors(circuit, peak, context)
        figures |= {"injector_flow_m3_s": np.broadcast_to(found.flow, shape), "injector_duty": found.share}
    at = model.suction(circuit, flow)
    figures |= {
        "suction_pressure_pa": np.broadcast_to(at.inlet, shape),
        "vapour_margin_pa": np.broadcast_to(at.inlet - at.least, shape),
        "vapour_pressure_pa": np.broadcast_to(model.vapour_pressure(circuit), shape),
    }
    return figures


SYSTEM: System = System(
    id="fuel",
    title="Fuel",
    facts=facts.FuelFacts,
    fill=facts.fill,
    parts=PARTS,
    applies=applies,
    refuse=pump.refuse,
    solve=solve,
    cautions=CAUTIONS,
    gives=gives_nothing,
    instrument=instrument,
    ways=facts.WAYS,
    candidates=remedies.candidates,
    compare=COMPARE,
)

__all__ = ["SYSTEM"]
