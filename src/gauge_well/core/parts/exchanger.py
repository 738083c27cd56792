"""A heat exchanger known by its conductance: an oil cooler, a heater."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import Kind, Way, choice, quantity
from gauge_well.core.typing import Value

COOLERS: Mapping[str, str] = {"none": "none", "air": "into air", "water": "into the coolant"}


@dataclass(frozen=True)
class ExchangerFacts:
    """By its conductance. SI."""

    into: str | None = choice("Oil cooler", COOLERS, needed=True, group="Cooler")
    conductance: Value | None = quantity("Cooler's conductance", "conductance", 1.0, 5000.0, group="Cooler")
    count: Value = quantity("Heater cores", "count", 0, 4, group="Heater", spread="exact")


WAYS: Mapping[str, Way] = {
    "conductance": Way("papers", "The maker's heat at a stated temperature difference, divided by it."),
}

EXCHANGER = Kind("exchanger", "Heat exchanger", ExchangerFacts, WAYS)
