"""What fuel needs to know, and its defaults by rule."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any

from gauge_well.core.facts import Rule, Way, ways_of
from gauge_well.core.systems.fuel import facts_guard, facts_lift, facts_supply, facts_tank
from gauge_well.core.systems.fuel.facts_guard import GuardFacts, fill_guard
from gauge_well.core.systems.fuel.facts_lift import LiftFacts, fill_lift
from gauge_well.core.systems.fuel.facts_supply import SupplyFacts, fill_supply
from gauge_well.core.systems.fuel.facts_tank import FuelTankFacts, fill_tank
from gauge_well.core.systems.fuel.ruling import Ruling


@dataclass(frozen=True)
class FuelFacts(GuardFacts, FuelTankFacts, LiftFacts, SupplyFacts):
    """Supply, lift pump and pot, tank, guards. SI; pressures over the air outside."""


# How each is measured in a workshop.
WAYS: Mapping[str, Way] = ways_of(
    FuelFacts, {**facts_supply.WAYS, **facts_lift.WAYS, **facts_tank.WAYS, **facts_guard.WAYS}
)


def fill(given: Mapping[str, Any], context: Mapping[str, Mapping[str, Any]]) -> dict[str, Rule]:
    """Defaults of every part; a fitted part (pump, injectors, lift pump, tank) has none."""
    rules = Ruling(given, context)
    for part in (fill_lift, fill_supply, fill_tank, fill_guard):
        part(rules)
    return rules.rules


@dataclass(frozen=True)
class Preset:
    """A usual circuit: the choices it is made of; sizes then follow by rule."""

    label: str
    choices: Mapping[str, str]


PRESETS: Mapping[str, Preset] = {
    "returned": Preset(
        "Petrol, returned",
        {
            "injection": "port",
            "regulator.place": "returned",
            "lift": "none",
            "main.drive": "electric",
            "pump_place": "tank",
        },
    ),
    "dead_headed": Preset(
        "Petrol, dead-headed",
        {
            "injection": "port",
            "regulator.place": "dead_headed",
            "lift": "none",
            "main.drive": "electric",
            "pump_place": "tank",
        },
    ),
    "pot": Preset(
        "Petrol, surge pot",
        {
            "injection": "port",
            "regulator.place": "returned",
            "lift": "pot",
            "main.drive": "electric",
            "pump_place": "outside",
        },
    ),
    "carburettor": Preset(
        "Carburettor",
        {
            "injection": "carburettor",
            "regulator.place": "free",
            "lift": "none",
            "main.drive": "engine",
            "pump_place": "outside",
        },
    ),
    "mechanical": Preset(
        "Mechanical diesel, lift pump",
        {
            "injection": "mechanical",
            "regulator.place": "free",
            "lift": "none",
            "main.drive": "engine",
            "pump_place": "outside",
        },
    ),
    "siphon": Preset(
        "Mechanical diesel, own suction",
        {
            "injection": "mechanical",
            "regulator.place": "free",
            "lift": "none",
            "main.drive": "none",
            "pump_place": "outside",
        },
    ),
    "common_rail": Preset(
        "Common-rail supply",
        {
            "injection": "common_rail",
            "regulator.place": "free",
            "lift": "none",
            "main.drive": "electric",
            "pump_place": "tank",
        },
    ),
    "gravity": Preset(
        "Gravity to a carburettor",
        {
            "injection": "carburettor",
            "regulator.place": "free",
            "lift": "none",
            "main.drive": "none",
            "pump_place": "outside",
        },
    ),
}
