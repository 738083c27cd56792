"""What is stated of the tank: what it holds, where its pickup stands, vent and filler, what was in it before."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import Way, choice, quantity, role
from gauge_well.core.media.fuels import FUELS
from gauge_well.core.parts.tank import TANK, TankFacts
from gauge_well.core.systems.fuel.ruling import Ruling
from gauge_well.core.typing import Value, likely

AIR_SPACE = 0.05  # of a tank's room left for the fuel to swell (common practice)


@dataclass(frozen=True)
class FuelTankFacts:
    """Tank; SI. Its box is measured inside, along (x, forward), across (y, left) and up."""

    tank: TankFacts = role(TANK, "Fuel tank", row="tank")
    tank_reserve: Value | None = quantity("Refuelled with this left", "share", 0.0, 0.6, group="Tank", spread="exact")
    coldest_start: Value | None = quantity(
        "Must start from cold at", "temperature", 223.15, 303.15, group="Change of fuel", help="Vapour decides it."
    )
    previous_fuel: str | None = choice(
        "Before, there was", {k: f.label for k, f in FUELS.items() if not f.gas}, group="Change of fuel"
    )
    tank_left: Value | None = quantity(
        "Left in it when drained", "volume", 0.0, 0.2, group="Change of fuel", help="What the drain does not reach."
    )


# How each is measured in a workshop.
WAYS: Mapping[str, Way] = {
    "tank_left": Way("tank", "Drain, then mop or pump out what is left into a glass."),
}


def fill_tank(rules: Ruling) -> None:
    """Defaults of pickup and filler; the tank itself has none, but its box says what it holds."""
    get, rule = rules.get, rules.rule
    box = [rules.given.get(n) for n in ("tank.length", "tank.width", "tank.height")]
    if all(side is not None for side in box):
        length, width, height = (likely(side) for side in box)  # type: ignore[arg-type]
        rule("tank.volume", length * width * height * (1.0 - AIR_SPACE), "its box, less room to swell", "arithmetic")
    rule("tank.pickup_x", 0.0, "in the middle")
    rule("tank.pickup_y", 0.0, "in the middle")
    rule("tank.pickup_height", 0.008, "8 mm")
    inside = get("pump_place") == "tank"
    rule("tank.pickup_in", "pot" if inside else "open", "a pump in the tank has one" if inside else "as many are")
    rule("tank_reserve", 0.15, "a seventh left")
    rule("tank.filler_length", 0.4, "usual")
    volume = get("tank.volume")
    if volume is not None:
        rule("tank_left", 0.02 * likely(volume), "a fiftieth of the tank")
    rule("filter.volume", 0.4e-3, "usual")
