"""A heat exchanger known by its conductance: an oil cooler, a heater."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import Kind, Way, choice, quantity
from gauge_well.core.typing import Value

COOLERS: Mapping[str, str] = {"none": "none", "air": "into air", "water": "into the coolant"}
PLATES: Mapping[str, str] = {"none": "none", "plate": "opens at 80 °C"}


@dataclass(frozen=True)
class ExchangerFacts:
    """By its conductance. SI."""

    into: str | None = choice("Oil cooler", COOLERS, needed=True, group="Cooler")
    conductance: Value | None = quantity(
        "Cooler's conductance",
        "conductance",
        1.0,
        5000.0,
        group="Cooler",
        help="An air cooler's core, given under Cooling, says it too.",
    )
    drop: Value | None = quantity(
        "Oil loses in it, hot", "pressure_difference", 1e3, 5e5, group="Cooler", help="At rated speed, 100 °C."
    )
    bypass: Value | None = quantity(
        "Its bypass opens at", "pressure_difference", 2e4, 6e5, group="Cooler", help="100 to 200 kPa is usual."
    )
    plate: str | None = choice("Thermostat plate", PLATES, group="Cooler")
    count: Value = quantity("Heater cores", "count", 0, 4, group="Heater", spread="exact")


WAYS: Mapping[str, Way] = {
    "conductance": Way("papers", "The maker's heat at a stated temperature difference, divided by it."),
    "drop": Way("running", "Gauge before and behind it, hot, at rated speed."),
    "bypass": Way("papers", "The plate's or the cooler's sheet; stamped on the valve."),
}

EXCHANGER = Kind("exchanger", "Heat exchanger", ExchangerFacts, WAYS)
