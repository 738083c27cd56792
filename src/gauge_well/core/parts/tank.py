"""A tank: what it holds, its box, where its pickup stands, vent and filler."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import ADDED, Kind, Way, choice, quantity
from gauge_well.core.typing import Value

PICKUPS: Mapping[str, str] = {"open": "in the open tank", "pot": "in a pot or box in the tank"}


@dataclass(frozen=True)
class TankFacts:
    """What it holds, its box, its pickup, vent and filler. SI. The box is measured inside, along (x, forward), across (y, left) and up."""

    volume: Value | None = quantity(
        "Tank holds", "volume", 2e-4, 20.0, group="Tank", help="Two of 40 L as 2x 40 L.", count_field=ADDED
    )
    length: Value | None = quantity("Tank's length", "length", 0.05, 6.0, group="Tank", help="Along the machine.")
    width: Value | None = quantity("Tank's width", "length", 0.05, 4.0, group="Tank", help="Across the machine.")
    height: Value | None = quantity("Tank's height", "length", 0.03, 3.0, group="Tank")
    pickup_x: Value = quantity(
        "Pickup ahead of its middle", "height", -3.0, 3.0, group="Tank", help="Behind it is negative."
    )
    pickup_y: Value = quantity(
        "Pickup left of its middle", "height", -2.0, 2.0, group="Tank", help="To the right is negative."
    )
    pickup_height: Value = quantity("Pickup over its floor", "height", 0.0, 1.0, group="Tank")
    pickup_in: str = choice("Pickup stands", PICKUPS, group="Tank")
    vent_bore: Value | None = quantity("Vent bore", "length", 0.0005, 0.05, group="Tank", spread="gauge")
    filler_bore: Value | None = quantity("Filler bore", "length", 0.01, 0.15, group="Tank", spread="gauge")
    filler_length: Value = quantity("Filler length", "length", 0.0, 2.0, group="Tank")


WAYS: Mapping[str, Way] = {
    "volume": Way("papers", "Plate or handbook; or fill it from empty at a metered pump."),
    "length": Way("tank", "Inside where it can be reached; outside less the sheet."),
    "width": Way("tank", "Inside where it can be reached; outside less the sheet."),
    "height": Way("tank", "Dipped from the filler to the floor, top to floor."),
    "pickup_x": Way("tank", "From the tank's middle to the pickup, along the machine."),
    "pickup_y": Way("tank", "From the tank's middle to the pickup, across the machine."),
    "pickup_height": Way("tank", "Pickup's mouth over the floor, sender out."),
    "vent_bore": Way("hand", "Drill shank that just enters, at the narrowest place."),
    "filler_bore": Way("hand", "Calliper in the neck, restrictor taken into account."),
    "filler_length": Way("under", "Neck to tank."),
}

TANK = Kind("tank", "Tank", TankFacts, WAYS)
