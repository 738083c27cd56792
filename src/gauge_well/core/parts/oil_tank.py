"""A dry sump's tank."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import Kind, Way, choice, quantity
from gauge_well.core.typing import Value

TANKS: Mapping[str, str] = {"upright": "round, upright", "lying": "round, lying along", "box": "box"}


@dataclass(frozen=True)
class OilTankFacts:
    """Its shape inside and its outlet. SI."""

    shape: str | None = choice("Tank is", TANKS, needed=True, group="Dry sump")
    across: Value | None = quantity(
        "Tank across", "length", 0.05, 0.6, needed=True, group="Dry sump", help="Diameter; a box's width."
    )
    height: Value | None = quantity(
        "Tank's height or length",
        "length",
        0.05,
        1.2,
        needed=True,
        group="Dry sump",
        help="Inside; of a lying one, along.",
    )
    along: Value | None = quantity(
        "Tank along", "length", 0.05, 1.0, group="Dry sump", when=("shape", ("box",)), help="Of a box."
    )
    outlet: Value | None = quantity(
        "Outlet over its floor", "length", 0.0, 0.3, group="Dry sump", help="On the floor where nothing is said."
    )
    filled: Value | None = quantity("Filled to", "share", 0.3, 0.95, group="Dry sump", spread="exact")


WAYS: Mapping[str, Way] = {
    "across": Way("hand", "Inside; or outside less twice the sheet."),
    "height": Way("hand", "Inside, dipped with a rod."),
    "along": Way("hand", "Inside; or outside less twice the sheet."),
    "outlet": Way("hand", "Floor to the middle of the outlet."),
}

OIL_TANK = Kind("oil_tank", "Dry-sump tank", OilTankFacts, WAYS)
