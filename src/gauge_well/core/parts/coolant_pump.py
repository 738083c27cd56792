"""A coolant pump: what drives it, its pressure shut off, how fast it turns."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import Kind, Way, choice, quantity
from gauge_well.core.typing import Value

PUMPS: Mapping[str, str] = {"belt": "driven by the engine", "electric": "electric, always at full"}


@dataclass(frozen=True)
class CoolantPumpFacts:
    """Its drive and its pressure. SI."""

    drive: str = choice("Pump", PUMPS, group="Loop")
    pressure: Value | None = quantity(
        "Pump's pressure, shut off",
        "pressure_difference",
        5e3,
        5e5,
        group="Loop",
        help="At the speed the flow is stated at, nothing flowing.",
    )
    ratio: Value = quantity(
        "Pump's speed over its usual",
        "ratio",
        0.3,
        3.0,
        group="Loop",
        spread="exact",
        help="Old pump pulley over new, for the same crank pulley. 1 as standard.",
    )


WAYS: Mapping[str, Way] = {
    "pressure": Way("papers", "The pump's curve where it meets no flow."),
}

COOLANT_PUMP = Kind("coolant_pump", "Coolant pump", CoolantPumpFacts, WAYS)
