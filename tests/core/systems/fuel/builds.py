"""Builds the fuel tests share."""

from __future__ import annotations

from typing import Any

from gauge_well.core.systems.base import Context
from gauge_well.core.systems.fuel.circuit import Circuit, circuit_of
from gauge_well.core.systems.fuel.presets import PRESETS
from tests.support import ROAD, changed, context_of, facts_of

# The worked example: 200 kW turbo five, 340 g/kWh, 550 cc/min at 3 bar each. 13.8 V less 0.3 in the loom is 13.5.
FIVE = changed(
    ROAD,
    engine={
        "fuel": "petrol",
        "aspiration": "turbo",
        "displacement": "2.5 L",
        "cylinders": "5",
        "rated_power": "200 kW",
        "rated_speed": "6000 rpm",
        "bsfc": "340 g/kWh",
        "boost": "0.8 bar",
    },
    fuel__injectors__flow="550 cc/min",
    fuel__injectors__pressure="3 bar",
    fuel__regulator__pressure="3 bar",
)
DIESEL = changed(
    ROAD,
    engine={
        "fuel": "diesel",
        "displacement": "3.9 L",
        "stroke": "115 mm",
        "rated_power": "52 kW",
        "rated_speed": "2200 rpm",
    },
    duties=[{"id": "w", "kind": "work"}],
    fuel={
        "injection": "mechanical",
        "burned_share": "45 %",
        "main.flow": "78 L/h",
        "main.pressure": "20 kPa",
        "main.flow_2": "46 L/h",
        "main.pressure_2": "48 kPa",
    },
)
POT = {
    **PRESETS["pot"].choices,
    "lift_pump.flow": "150 L/h",
    "lift_pump.pressure": "0.2 bar",
    "lift_pump.flow_2": "90 L/h",
    "lift_pump.pressure_2": "0.4 bar",
    "pot.volume": "1.5 L",
}


def circuit(raw: dict[str, Any]) -> tuple[Context, Circuit]:
    """Context and circuit of a raw sheet."""
    context = context_of(raw)
    return context, circuit_of(context, facts_of(raw, "fuel"))


def with_fuel(raw: dict[str, Any], **facts: Any) -> dict[str, Any]:
    """A copy with fuel facts set; None takes one out."""
    return changed(raw, **{f"fuel__{name}": value for name, value in facts.items()})
