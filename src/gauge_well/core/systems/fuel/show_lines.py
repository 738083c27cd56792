"""Every line with its flow, speed and loss; the margin to boiling hot and high; priming; heat into the tank."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

import numpy as np

from gauge_well.core.media import air, fuels
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.fuel import guard, tank
from gauge_well.core.systems.fuel.change import line_volume, mixing_volume
from gauge_well.core.systems.fuel.circuit import Circuit, demand
from gauge_well.core.systems.fuel.facts_supply import LINE_SPEED, SUCTION_SPEED
from gauge_well.core.systems.fuel.network import at_peak
from gauge_well.core.systems.fuel.show_circuit import at_duty, parts_of
from gauge_well.core.typing import likely

ALTITUDES = (0.0, 1000.0, 2500.0)
TEMPERATURES = np.linspace(273.15, 343.15, 36)
SUCKS = ("suction", "pot_hose")


def show(context: Context, circuit: Circuit, index: int, options: Mapping[str, float]) -> dict[str, Any]:
    """Lines as drawn, the margin at the first pump's inlet over fuel temperature at three heights [Pa]."""
    count = len(context.duties.cases)
    point = at_peak(context, circuit)
    pull = circuit.suction_drop(demand(context.peak, circuit) if point is None else point.drawn)
    lost = at_duty(pull, index, count)
    reid = circuit.facts.reid_pressure
    out: dict[str, Any] = {
        "lines": [
            p | {"guide": SUCTION_SPEED if p["id"] in SUCKS else LINE_SPEED}
            for p in (() if point is None else parts_of(point, lambda value: at_duty(value, index, count)))
            if "speed" in p
        ],
        "lost": lost,
        "lift": likely(circuit.fact("suction_lift")),
        "temperature": likely(circuit.temperature),
        "margins": [],
        "stands": likely(line_volume(circuit) + mixing_volume(circuit)),
        "strokes": guard.prime_strokes(circuit),
    }
    if circuit.fuel.rvp > 0.0:
        vapour = fuels.vapour_pressure(circuit.fuel, TEMPERATURES, None if reid is None else likely(reid))
        out["temperatures"] = [float(t) for t in TEMPERATURES]
        for height in ALTITUDES:
            margin = float(air.pressure_isa(height)) - lost - vapour - circuit.vapour_margin
            out["margins"].append({"altitude": height, "margin": [float(m) for m in margin]})
        out["holds_to"] = at_duty(tank.hottest_allowed(circuit, pull), index, count)
    if point is not None:
        primed = guard.prime_time(point.network)
        out |= {
            "return_temperature": at_duty(tank.return_temperature(point), index, count),
            "heat": at_duty(tank.heat_back(point), index, count),
            "returned": at_duty(point.returned + point.spilled, index, count),
            "prime": None if primed is None else likely(primed),
        }
    return out
