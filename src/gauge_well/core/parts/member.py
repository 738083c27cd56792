"""Something else that the engine's torque goes through, by what its maker lets it carry."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import Kind, Way, choice, quantity
from gauge_well.core.typing import Value

GROUP = "Carries"
WHATS: Mapping[str, str] = {
    "differential": "differential",
    "joint": "joint of a shaft",
    "outer": "outer joint of a half-shaft",
    "transfer": "transfer box",
    "hub": "hub and wheel bearing",
    "box": "gearbox's output",
    "other": "something else",
}
PLACES: Mapping[str, str] = {
    "shaft": "at the shaft before the axle",
    "axle": "at both wheels of the axle together",
    "wheel": "at one wheel",
}
AXLES: Mapping[str, str] = {"rear": "rear", "front": "front"}


@dataclass(frozen=True)
class MemberFacts:
    """A thing of which a torque is known. SI."""

    what: str | None = choice("It is", WHATS, needed=True, group=GROUP)
    axle: str = choice("Axle", AXLES, group=GROUP)
    at: str = choice("Its torque is told", PLACES, group=GROUP)
    rated: Value | None = quantity("Carries for a moment", "torque", 10.0, 2e5, needed=True, group=GROUP)


WAYS: Mapping[str, Way] = {"rated": Way("papers", "Its maker's sheet: the most, not what it bears for good.")}

MEMBER = Kind("member", "Thing that carries", MemberFacts, WAYS)
