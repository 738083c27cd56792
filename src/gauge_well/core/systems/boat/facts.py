"""What a boat's own systems need to know."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import Way, ways_of
from gauge_well.core.systems.boat import facts_raw, facts_safety, facts_shaft, facts_wet
from gauge_well.core.systems.boat.facts_raw import RawFacts
from gauge_well.core.systems.boat.facts_safety import SafetyFacts
from gauge_well.core.systems.boat.facts_shaft import ShaftFacts
from gauge_well.core.systems.boat.facts_wet import WetFacts


@dataclass(frozen=True)
class BoatFacts(SafetyFacts, ShaftFacts, WetFacts, RawFacts):
    """Raw water, wet exhaust, shaft and coupling, engine room and flooding. SI."""


# How each is measured in a workshop.
WAYS: Mapping[str, Way] = ways_of(
    BoatFacts, {**facts_raw.WAYS, **facts_wet.WAYS, **facts_shaft.WAYS, **facts_safety.WAYS}
)
