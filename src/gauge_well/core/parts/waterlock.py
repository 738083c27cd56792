"""A lift silencer: a box that holds the water of its hose when the engine stops."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import Kind, Way, quantity
from gauge_well.core.typing import Value


@dataclass(frozen=True)
class WaterlockFacts:
    """Its inside, and the lip of its inlet. SI."""

    length: Value | None = quantity(
        "Lift silencer, along the boat", "length", 0.05, 2.0, needed=True, group="Silencer", help="Inside."
    )
    width: Value | None = quantity("across it", "length", 0.05, 2.0, needed=True, group="Silencer", follows="length")
    height: Value | None = quantity("high", "length", 0.05, 2.0, needed=True, group="Silencer", follows="length")
    lip: Value | None = quantity(
        "Its inlet's lowest lip over the floor",
        "length",
        0.02,
        2.0,
        needed=True,
        group="Silencer",
        help="Over it water runs back to the engine.",
    )
    lip_left: Value = quantity("Inlet, left of its middle", "length", -1.0, 1.0, group="Silencer")
    lip_ahead: Value = quantity("Inlet, ahead of its middle", "length", -1.0, 1.0, group="Silencer")


WAYS: Mapping[str, Way] = {
    "length": Way("hand", "A rule outside, less its walls."),
    "width": Way("hand", "A rule outside, less its walls."),
    "height": Way("hand", "A rule outside, less its walls."),
    "lip": Way("hand", "A bent wire through the inlet: floor to the lip's lowest place."),
    "lip_left": Way("hand", "A rule from the box's middle to the inlet's."),
    "lip_ahead": Way("hand", "A rule from the box's middle to the inlet's."),
}

WATERLOCK = Kind("waterlock", "Lift silencer", WaterlockFacts, WAYS)
