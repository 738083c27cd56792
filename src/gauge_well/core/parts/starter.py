"""A starter: its plate and its pinion."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import Kind, Way, quantity
from gauge_well.core.typing import Value


@dataclass(frozen=True)
class StarterFacts:
    """Rated power, resistance, ring gear over pinion. SI."""

    power: Value = quantity("Rated power", "power", 100.0, 15e3, group="Starter")
    resistance: Value | None = quantity(
        "Its resistance",
        "resistance",
        0.5e-3,
        0.1,
        group="Starter",
        help="Volts at it over amps, pinion held: a bench's figure.",
    )
    ratio: Value = quantity("Ring gear over pinion, teeth", "ratio", 4.0, 30.0, group="Starter")


WAYS: Mapping[str, Way] = {
    "power": Way("papers", "On its plate, kW."),
    "ratio": Way("hand", "Teeth of the ring over teeth of the pinion."),
}

STARTER = Kind("starter", "Starter", StarterFacts, WAYS)
