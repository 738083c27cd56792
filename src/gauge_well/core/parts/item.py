"""A thing that comes out of a machine or goes into it: what it weighs, in which state of dress, and where."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import Kind, Way, choice, quantity
from gauge_well.core.typing import Value

GROUP = "Thing"
WHATS: Mapping[str, str] = {
    "engine": "engine",
    "gearbox": "gearbox, with clutch or converter",
    "driveline": "shaft, axle, transfer box",
    "cooling": "radiator, fans, coolant",
    "exhaust": "exhaust",
    "battery": "battery, cables",
    "tank": "tank with its fuel",
    "body": "bonnet, seats, trim",
    "ballast": "ballast, anchor, tools",
    "person": "person",
    "load": "load",
    "other": "other",
}
OUT, IN, ABOARD, BURNED = "out", "in", "aboard", "burned"
GOES: Mapping[str, str] = {
    OUT: "comes out",
    IN: "goes in",
    ABOARD: "comes aboard to use it",
    BURNED: "fuel aboard, burned on the way",
}


@dataclass(frozen=True)
class Dress:
    """A state of dress and by how much the thing weighs more as it runs (common practice)."""

    label: str
    more: float


DRESSES: Mapping[str, Dress] = {
    "bare": Dress("bare: block and head", 1.32),
    "long": Dress("with pan, covers and manifolds", 1.18),
    "dry": Dress("dressed, drained", 1.05),
    "wet": Dress("as it runs, filled", 1.0),
}
HEAVY = ("engine", "gearbox")


@dataclass(frozen=True)
class ItemFacts:
    """A thing. SI; arms behind the front axle, or the datum of an aircraft's papers."""

    what: str | None = choice("What it is", WHATS, needed=True, group=GROUP)
    goes: str | None = choice("It", GOES, needed=True, group=GROUP)
    mass: Value | None = quantity("Weight", "mass", 0.05, 50e3, needed=True, group=GROUP)
    dress: str = choice("Weighed", {k: v.label for k, v in DRESSES.items()}, group=GROUP, when=("what", HEAVY))
    arm: Value | None = quantity(
        "Behind the front axle",
        "length",
        -5.0,
        20.0,
        needed=True,
        group=GROUP,
        help="Its balance point, along the machine; ahead of the axle negative. Of an aircraft behind the datum.",
    )
    height: Value | None = quantity("Over the ground", "height", -1.0, 6.0, group=GROUP, help="Its balance point.")


WAYS: Mapping[str, Way] = {
    "mass": Way("hand", "A crane scale under the hoist; bathroom scales under both ends of a beam."),
    "arm": Way("above", "Plumb its balance point to the floor; tape to the axle's chalk line."),
    "height": Way("above", "Floor to its balance point."),
}

ITEM = Kind("item", "Thing taken out or put in", ItemFacts, WAYS)
