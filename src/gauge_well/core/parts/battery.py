"""A starting battery: what its label says."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.electrical.battery import STANDARDS
from gauge_well.core.facts import Kind, Way, choice, quantity
from gauge_well.core.typing import Value

PLACES: Mapping[str, str] = {
    "bay": "engine space",
    "cabin": "under a seat",
    "boot": "boot or bed",
    "bilge": "engine room, low",
}


@dataclass(frozen=True)
class BatteryFacts:
    """Cranking amps, capacity, how many side by side. SI."""

    amps: Value | None = quantity(
        "Cranking amps", "current", 50.0, 3000.0, needed=True, group="Battery", count_field="count"
    )
    standard: str = choice(
        "By", {k: v.label for k, v in STANDARDS.items()}, group="Battery", help="Asked: nothing said is EN."
    )
    capacity: Value | None = quantity("Capacity", "charge", 3600.0, 3600.0 * 1000.0, group="Battery", help="Each.")
    count: Value = quantity("In parallel", "count", 1.0, 6.0, group="Battery", spread="exact")
    place: str = choice("Stands in", PLACES, group="Battery")


WAYS: Mapping[str, Way] = {
    "amps": Way("papers", "On its label, with the standard beside it."),
    "standard": Way("papers", "On its label: EN, SAE, DIN, IEC, MCA."),
    "capacity": Way("papers", "On its label, Ah at 20 hours."),
}

BATTERY = Kind("battery", "Battery", BatteryFacts, WAYS)
