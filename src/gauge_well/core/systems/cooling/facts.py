"""What cooling needs to know, and its defaults by rule."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import Way, ways_of
from gauge_well.core.systems.cooling import facts_afloat, facts_air, facts_front, facts_loop
from gauge_well.core.systems.cooling.facts_afloat import AfloatFacts
from gauge_well.core.systems.cooling.facts_air import AirFacts
from gauge_well.core.systems.cooling.facts_front import FrontFacts
from gauge_well.core.systems.cooling.facts_loop import LoopFacts


@dataclass(frozen=True)
class CoolingFacts(LoopFacts, FrontFacts, AirFacts, AfloatFacts):
    """Radiator, fan, air path, what stands in front, and the coolant's loop; afloat a heat exchanger or keel cooler. SI."""


# How each is measured in a workshop.
WAYS: Mapping[str, Way] = ways_of(
    CoolingFacts, {**facts_air.WAYS, **facts_front.WAYS, **facts_loop.WAYS, **facts_afloat.WAYS}
)
