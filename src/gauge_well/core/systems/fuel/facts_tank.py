"""What is stated of the tank: what it holds, where its pickup stands, vent and filler, what was in it before."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import ADDED, Way, choice, quantity
from gauge_well.core.media.fuels import FUELS
from gauge_well.core.systems.fuel.ruling import Ruling
from gauge_well.core.typing import Value, likely

AIR_SPACE = 0.05  # of a tank's room left for the fuel to swell (common practice)


PICKUPS: Mapping[str, str] = {"open": "in the open tank", "pot": "in a pot or box in the tank"}


@dataclass(frozen=True)
class TankFacts:
    """Tank; SI. Its box is measured inside, along (x, forward), across (y, left) and up."""

    tank_volume: Value | None = quantity(
        "Tank holds", "volume", 2e-4, 20.0, group="Tank", help="Two of 40 L as 2x 40 L.", count_field=ADDED
    )
    tank_length: Value | None = quantity("Tank's length", "length", 0.05, 6.0, group="Tank", help="Along the machine.")
    tank_width: Value | None = quantity("Tank's width", "length", 0.05, 4.0, group="Tank", help="Across the machine.")
    tank_height: Value | None = quantity("Tank's height", "length", 0.03, 3.0, group="Tank")
    tank_pickup_x: Value | None = quantity(
        "Pickup ahead of its middle", "height", -3.0, 3.0, group="Tank", help="Behind it is negative."
    )
    tank_pickup_y: Value | None = quantity(
        "Pickup left of its middle", "height", -2.0, 2.0, group="Tank", help="To the right is negative."
    )
    tank_pickup_height: Value | None = quantity("Pickup over its floor", "height", 0.0, 1.0, group="Tank")
    pickup_in: str | None = choice("Pickup stands", PICKUPS, group="Tank")
    tank_reserve: Value | None = quantity("Refuelled with this left", "share", 0.0, 0.6, group="Tank", spread="exact")
    vent_bore: Value | None = quantity("Vent bore", "length", 0.0005, 0.05, group="Tank", spread="gauge")
    filler_bore: Value | None = quantity("Filler bore", "length", 0.01, 0.15, group="Tank", spread="gauge")
    filler_length: Value | None = quantity("Filler length", "length", 0.0, 2.0, group="Tank")
    coldest_start: Value | None = quantity(
        "Must start from cold at", "temperature", 223.15, 303.15, group="Change of fuel", help="Vapour decides it."
    )
    previous_fuel: str | None = choice(
        "Before, there was", {k: f.label for k, f in FUELS.items() if not f.gas}, group="Change of fuel"
    )
    tank_left: Value | None = quantity(
        "Left in it when drained", "volume", 0.0, 0.2, group="Change of fuel", help="What the drain does not reach."
    )
    filter_volume: Value | None = quantity("Filter holds", "volume", 0.0, 0.02, group="Change of fuel")


# How each is measured in a workshop.
WAYS: Mapping[str, Way] = {
    "tank_volume": Way("papers", "Plate or handbook; or fill it from empty at a metered pump."),
    "tank_length": Way("tank", "Inside where it can be reached; outside less the sheet."),
    "tank_width": Way("tank", "Inside where it can be reached; outside less the sheet."),
    "tank_height": Way("tank", "Dipped from the filler to the floor, top to floor."),
    "tank_pickup_x": Way("tank", "From the tank's middle to the pickup, along the machine."),
    "tank_pickup_y": Way("tank", "From the tank's middle to the pickup, across the machine."),
    "tank_pickup_height": Way("tank", "Pickup's mouth over the floor, sender out."),
    "vent_bore": Way("hand", "Drill shank that just enters, at the narrowest place."),
    "filler_bore": Way("hand", "Calliper in the neck, restrictor taken into account."),
    "filler_length": Way("under", "Neck to tank."),
    "tank_left": Way("tank", "Drain, then mop or pump out what is left into a glass."),
    "filter_volume": Way("hand", "Fill it from a measuring glass."),
}


def fill_tank(rules: Ruling) -> None:
    """Defaults of pickup and filler; the tank itself has none, but its box says what it holds."""
    get, rule = rules.get, rules.rule
    box = [rules.given.get(n) for n in ("tank_length", "tank_width", "tank_height")]
    if all(side is not None for side in box):
        length, width, height = (likely(side) for side in box)  # type: ignore[arg-type]
        rule("tank_volume", length * width * height * (1.0 - AIR_SPACE), "its box, less room to swell", "arithmetic")
    rule("tank_pickup_x", 0.0, "in the middle")
    rule("tank_pickup_y", 0.0, "in the middle")
    rule("tank_pickup_height", 0.008, "8 mm")
    inside = get("pump_place") == "tank"
    rule("pickup_in", "pot" if inside else "open", "a pump in the tank has one" if inside else "as many are")
    rule("tank_reserve", 0.15, "a seventh left")
    rule("filler_length", 0.4, "usual")
    volume = get("tank_volume")
    if volume is not None:
        rule("tank_left", 0.02 * likely(volume), "a fiftieth of the tank")
    rule("filter_volume", 0.4e-3, "usual")
