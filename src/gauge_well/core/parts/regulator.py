"""A fuel pressure regulator."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import Kind, Way, choice, quantity
from gauge_well.core.typing import Value

RAILS: Mapping[str, str] = {
    "returned": "past the rail, rest returns",
    "dead_headed": "at the tank, rail dead-headed",
    "free": "none: the pump's own pressure",
}

REFERENCES: Mapping[str, str] = {"manifold": "manifold", "atmosphere": "air outside"}

REGULATED = ("returned", "dead_headed")


@dataclass(frozen=True)
class RegulatorFacts:
    """Where it stands, what it holds against what. SI."""

    place: str = choice("Regulator stands", RAILS, group="System")
    pressure: Value = quantity(
        "Pressure at the engine's inlet",
        "pressure_gauge",
        -60e3,
        1.2e6,
        group="System",
        help="What the regulator is set to, its hose off; without one the least the engine wants there.",
    )
    reference: str = choice(
        "Regulator referenced to", REFERENCES, group="System", when=("place", ("returned", "dead_headed"))
    )


WAYS: Mapping[str, Way] = {
    "pressure": Way("running", "A gauge on the rail, reference hose off."),
}

REGULATOR = Kind("regulator", "Regulator", RegulatorFacts, WAYS)
