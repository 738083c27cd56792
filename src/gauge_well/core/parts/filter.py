"""A filter or a sieve: what it takes at rated power, what it holds."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import Kind, Way, quantity
from gauge_well.core.typing import Value


@dataclass(frozen=True)
class FilterFacts:
    """What it takes and holds. SI."""

    drop: Value = quantity("Filter, at rated power", "pressure_difference", 0.0, 2e5, group="Line", spread="loss")
    volume: Value = quantity("Filter holds", "volume", 0.0, 0.02, group="Change of fuel")


WAYS: Mapping[str, Way] = {
    "drop": Way("running", "Gauge before and behind the filter at full flow."),
    "volume": Way("hand", "Fill it from a measuring glass."),
}

FILTER = Kind("filter", "Filter", FilterFacts, WAYS)
