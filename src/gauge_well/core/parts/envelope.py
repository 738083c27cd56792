"""An engine's outside, taken by tape on its stand from the crank's centre and the bell's face."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import Kind, Way, choice, quantity
from gauge_well.core.typing import Value

GROUP = "Engine on its stand"
WELLS: Mapping[str, str] = {"rear": "at the flywheel end", "front": "at the front", "whole": "all along"}


@dataclass(frozen=True)
class EnvelopeFacts:
    """Sizes of an engine from outside. SI; engine axes, from the crank's centre line and the bell's face."""

    length: Value | None = quantity(
        "Pulley's front to the bell's face",
        "length",
        0.05,
        4.0,
        needed=True,
        group=GROUP,
        help="Along the crank, to the foremost of pulley and damper.",
    )
    cover: Value | None = quantity(
        "Crank to the highest cover",
        "length",
        0.05,
        3.0,
        needed=True,
        group=GROUP,
        help="Along the bores: rocker cover, coils or plenum, whatever is highest.",
    )
    pan: Value = quantity("Crank to the pan's floor, at the well", "length", 0.02, 2.0, group=GROUP)
    pan_shallow: Value = quantity("Crank to the pan's floor, shallow", "length", 0.02, 2.0, group=GROUP)
    well: str = choice("The well lies", WELLS, group=GROUP)
    well_length: Value = quantity("Well's length", "length", 0.02, 4.0, group=GROUP)
    pickup: Value | None = quantity(
        "Oil pickup's mouth ahead of the bell's face",
        "length",
        -1.0,
        4.0,
        group=GROUP,
        help="For what a tilt does to it.",
    )
    block: Value = quantity(
        "Crank to the block's side", "length", 0.03, 2.0, group=GROUP, help="The wider side, at the heads of a V."
    )
    left: Value = quantity(
        "Crank to the widest place, left",
        "length",
        0.03,
        2.0,
        group=GROUP,
        help="Manifold, starter, alternator; seen from the flywheel.",
    )
    left_height: Value = quantity("its height over the crank", "height", -1.0, 2.0, follows="left", group=GROUP)
    right: Value = quantity("Crank to the widest place, right", "length", 0.03, 2.0, group=GROUP)
    right_height: Value = quantity("its height over the crank ", "height", -1.0, 2.0, follows="right", group=GROUP)
    pulley: Value = quantity("Crank pulley's radius", "length", 0.01, 0.5, group=GROUP)
    belt_height: Value = quantity(
        "Highest belt pulley over the crank", "height", -0.3, 2.0, group=GROUP, help="Its centre."
    )
    fan: Value | None = quantity(
        "Fan on its nose, diameter",
        "length",
        0.05,
        2.0,
        group=GROUP,
        help="One that the engine drives itself; none where an electric one stands by the core.",
    )
    fan_ahead: Value = quantity("Fan's front ahead of the pulley", "length", 0.0, 1.0, group=GROUP)
    bell: Value = quantity("Bell's radius", "length", 0.03, 1.0, group=GROUP)


WAYS: Mapping[str, Way] = {
    "length": Way("stand", "A straight edge across the bell's face; a rule along the crank to the pulley's front."),
    "cover": Way("stand", "Level over the highest place; rule down to the crank bolt's centre."),
    "pan": Way("stand", "Straight edge under the pan; rule up to the crank bolt's centre."),
    "pan_shallow": Way("stand", "The same under the shallow part."),
    "well_length": Way("stand", "Along the engine, the deep part outside."),
    "pickup": Way("stand", "Along the engine, bell's face to the mouth's middle."),
    "block": Way("stand", "Square against the block; rule across to the crank bolt's centre."),
    "left": Way("stand", "Square against the widest place; rule across to the crank bolt's centre."),
    "left_height": Way("stand", "Its middle, over or under the crank bolt's centre."),
    "right": Way("stand", "Square against the widest place; rule across to the crank bolt's centre."),
    "right_height": Way("stand", "Its middle, over or under the crank bolt's centre."),
    "pulley": Way("stand", "Half its diameter over the belt."),
    "belt_height": Way("stand", "Crank bolt's centre to that pulley's centre, upright."),
    "fan": Way("stand", "Blade tip to blade tip."),
    "fan_ahead": Way("stand", "A straight edge across the blades; rule back to the pulley's front."),
    "bell": Way("stand", "Crank's centre to the farthest of the bell's flange, starter too."),
}

ENVELOPE = Kind("envelope", "Engine's outside", EnvelopeFacts, WAYS)
