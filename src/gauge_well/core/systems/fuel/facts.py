"""What fuel needs to know, and its defaults by rule."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import Way, ways_of
from gauge_well.core.systems.fuel import facts_guard, facts_lift, facts_supply, facts_tank
from gauge_well.core.systems.fuel.facts_guard import GuardFacts
from gauge_well.core.systems.fuel.facts_lift import LiftFacts
from gauge_well.core.systems.fuel.facts_supply import SupplyFacts
from gauge_well.core.systems.fuel.facts_tank import FuelTankFacts


@dataclass(frozen=True)
class FuelFacts(GuardFacts, FuelTankFacts, LiftFacts, SupplyFacts):
    """Supply, lift pump and pot, tank, guards. SI; pressures over the air outside."""


# How each is measured in a workshop.
WAYS: Mapping[str, Way] = ways_of(
    FuelFacts, {**facts_supply.WAYS, **facts_lift.WAYS, **facts_tank.WAYS, **facts_guard.WAYS}
)
