"""The fuel circuit for the station's drawing: pump curve against line and rail."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

import numpy as np

from gauge_well.core.errors import CoreError, MissingFact
from gauge_well.core.roots import where_falling
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.fuel import model
from gauge_well.core.systems.fuel.facts import FuelFacts
from gauge_well.core.typing import likely

POINTS = 61


def instrument(context: Context, facts: FuelFacts, options: Mapping[str, float]) -> dict[str, Any]:
    """Curves of pressure [Pa] over flow [m3/s] for one duty, and the circuit's numbers.

    Options
    -------
    duty : index of the duty.
    voltage : volts at the pump, in place of what the wiring gives.
    """
    index = int(options.get("duty", 0))
    cases = context.duties.cases
    if not 0 <= index < len(cases):
        raise CoreError("out_of_range", "duty", index, f"0 to {len(cases) - 1}", "There is no such duty.")
    circuit = model.circuit_of(context, facts)

    def pick(value: Any) -> float:
        array = np.broadcast_to(value, np.broadcast_shapes(np.shape(value), (1, len(cases), 1)))
        return float(array[0, index, 0])

    moved = pick(model.demand(context.peak, circuit.fuel, facts))
    asked = moved * (1.0 + circuit.reserve)
    rail = pick(circuit.rail_gauge + model.manifold_lift(circuit, context.peak))
    out: dict[str, Any] = {
        "duty": cases[index].id,
        "asked": asked,
        "moved": moved,
        "rail": rail,
        "injection": facts.injection,
        "rail_kind": facts.rail,
        "place": facts.pump_place,
    }
    if circuit.way.injectors and facts.injector_flow is not None:
        found = model.injectors(circuit, context.peak, context)
        out["injector"] = {"share": pick(found.share), "ceiling": circuit.ceiling, "flow": pick(found.flow)}
    try:
        curve = model.curve_of(facts)
    except MissingFact as error:
        return out | {"unknown": [error.field]}
    volts = None
    if "voltage" in options and facts.pump_drive == "electric":
        volts = float(options["voltage"])
        if not 4.0 <= volts <= 60.0:
            raise CoreError("out_of_range", "voltage", volts, "4 to 60 V", "Voltage is out of range.")
    delivery = model.delivery_of(circuit, curve, volts)
    ratio = likely(delivery.ratio)
    point = likely(where_falling(delivery.flow, delivery.rail, rail))
    flow = np.linspace(0.0, 1.05 * max(likely(delivery.flow[-1]), asked), POINTS)
    resists = rail + model.resistance(circuit, flow)
    pressures = np.linspace(0.0, max(float(curve.pressure[-1]) * ratio, 1.3 * rail), POINTS)
    given = curve.flow_at(pressures, ratio)
    return out | {
        "flow": [float(x) for x in flow],
        "resists": [float(x) for x in resists],
        "pump": [[float(q), float(p)] for q, p in zip(given, pressures, strict=True)],
        "point": {"flow": point, "pressure": float(np.interp(point, flow, resists))},
        "voltage": likely(delivery.voltage),
        "current": likely(delivery.current),
        "line_drop": likely(model.line_drop(circuit, point)),
    }
