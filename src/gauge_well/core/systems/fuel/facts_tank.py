"""What is stated of the tank: what it holds, where its pickup stands, vent and filler, what was in it before."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import Way, choice, quantity, role
from gauge_well.core.media.fuels import FUELS
from gauge_well.core.parts.tank import TANK, TankFacts
from gauge_well.core.typing import Value

AIR_SPACE = 0.05  # of a tank's room left for the fuel to swell (common practice)


@dataclass(frozen=True)
class FuelTankFacts:
    """Tank; SI. Its box is measured inside, along (x, forward), across (y, left) and up."""

    tank: TankFacts = role(TANK, "Fuel tank", row="tank")
    tank_reserve: Value = quantity("Refuelled with this left", "share", 0.0, 0.6, group="Tank", spread="exact")
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
