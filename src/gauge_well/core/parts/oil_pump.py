"""An oil pump."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import Kind, Way, choice, quantity
from gauge_well.core.typing import Value

RETURNS: Mapping[str, str] = {"inlet": "to the pump's inlet", "sump": "into the sump"}


@dataclass(frozen=True)
class OilPumpFacts:
    """What it moves and where its relief opens. SI."""

    displacement: Value = quantity("Oil pump, each turn of the crank", "swept", 5e-7, 3e-4, group="Pickup")
    relief_returns: str = choice("Relief lets back", RETURNS, group="Pickup")
    relief: Value = quantity("Relief opens", "pressure_gauge", 5e4, 1.5e6, group="Pressure")


WAYS: Mapping[str, Way] = {
    "displacement": Way("stand", "One slow turn with a drill, caught in a measuring glass."),
    "relief": Way("running", "Cold, raise the speed until the gauge stops climbing."),
}

OIL_PUMP = Kind("oil_pump", "Oil pump", OilPumpFacts, WAYS)
