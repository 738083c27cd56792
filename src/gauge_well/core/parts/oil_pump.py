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

    displacement: Value = quantity("Oil pump, each turn", "swept", 5e-7, 3e-4, group="Pickup", help="Of its own.")
    ratio: Value | None = quantity(
        "Its turns for each of the crank", "ratio", 0.2, 3.0, group="Pickup", help="One where nothing is said."
    )
    worn: Value | None = quantity(
        "Still moves, of new", "share", 0.3, 1.0, group="Pickup", help="All of it where nothing is said."
    )
    relief_returns: str = choice("Relief lets back", RETURNS, group="Pickup")
    relief: Value = quantity("Relief opens", "pressure_gauge", 5e4, 1.5e6, group="Pressure")


WAYS: Mapping[str, Way] = {
    "displacement": Way("stand", "One slow turn with a drill, caught in a measuring glass."),
    "ratio": Way("stand", "Turn the crank once by hand and count the pump's."),
    "worn": Way("stand", "Clearances by feeler gauge against its maker's; at their limit four fifths."),
    "relief": Way("running", "Cold, raise the speed until the gauge stops climbing."),
}

OIL_PUMP = Kind("oil_pump", "Oil pump", OilPumpFacts, WAYS)
