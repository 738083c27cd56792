"""A mount: a cushion between engine and machine, by its place on the engine, its stuff and its stiffness."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import Kind, Way, choice, quantity
from gauge_well.core.typing import Value

PLACE, CUSHION = "Where it stands on the engine", "Cushion"


@dataclass(frozen=True)
class Stuff:
    """What a cushion is made of.

    Parameters
    ----------
    label : str
    sink : float
        How far one chosen for its load sinks under it [m].
    quick : float
        How many times stiffer it is when shaken than when it is pressed.
    travel : float
        To its stop [m].
    """

    label: str
    sink: float
    quick: float
    travel: float


# (common practice): sinks of cushions chosen for their load, and what the makers draw them to.
STUFFS: Mapping[str, Stuff] = {
    "soft": Stuff("soft rubber", 0.0055, 1.25, 0.010),
    "firm": Stuff("firm rubber", 0.0026, 1.30, 0.008),
    "poly": Stuff("polyurethane", 0.0010, 1.50, 0.005),
    "solid": Stuff("solid metal", 0.00005, 1.00, 0.002),
}


@dataclass(frozen=True)
class MountFacts:
    """A mount. SI; engine axes, from the bell's face and the crank's line."""

    ahead: Value | None = quantity(
        "Ahead of the bell's face",
        "length",
        -4.0,
        5.0,
        needed=True,
        group=PLACE,
        help="Along the crank, the cushion's middle; one at the gearbox's tail lies behind the face: negative.",
    )
    left: Value | None = quantity(
        "Left of the crank",
        "length",
        -2.0,
        2.0,
        needed=True,
        group=PLACE,
        help="Seen from the flywheel; to the right negative.",
    )
    over: Value | None = quantity("Over the crank", "height", -2.0, 2.0, needed=True, group=PLACE)
    stuff: str = choice("Made of", {k: v.label for k, v in STUFFS.items()}, group=CUSHION)
    rate: Value = quantity(
        "Upright stiffness",
        "stiffness",
        1e3,
        1e9,
        group=CUSHION,
        help="Weight on it over how far it sinks under that; by rule of such a stuff, chosen for its load.",
    )
    side: Value = quantity(
        "Sideways over upright stiffness",
        "ratio",
        0.02,
        5.0,
        group=CUSHION,
        help="A third to two thirds of rubber in shear, more of bushes.",
        spread="stiffness",
    )
    lean: Value = quantity(
        "Leans in at the top", "angle", -1.6, 1.6, group=CUSHION, help="Its axis off upright, towards the crank's line."
    )
    travel: Value = quantity("Travel to its stop", "size", 0.0, 0.1, group=CUSHION)
    rated: Value | None = quantity(
        "Rated for", "mass", 0.5, 20e3, group=CUSHION, help="By its maker: weight at rest it is made for."
    )
    free: Value | None = quantity(
        "Rubber's free length",
        "size",
        0.002,
        0.5,
        group=CUSHION,
        help="Of a cushion clamped on a sleeve.",
        spread="gauge",
    )
    sleeve: Value | None = quantity(
        "Sleeve's length",
        "size",
        0.002,
        0.5,
        group=CUSHION,
        help="The tube through it, on which the bolt clamps.",
        spread="gauge",
    )


WAYS: Mapping[str, Way] = {
    "ahead": Way("stand", "Rule along the crank, from the bell's face to the cushion's bolt."),
    "left": Way("stand", "Square across, from the crank bolt's centre to the cushion's bolt."),
    "over": Way("stand", "Crank bolt's centre to the cushion's middle, upright."),
    "rate": Way(
        "hand", "Its height with and without the weight of a helper or of the unit on it: weight over the difference."
    ),
    "side": Way("hand", "The same push sideways, by a spring scale."),
    "lean": Way("stand", "An inclinometer along its bolt."),
    "travel": Way("above", "Feelers between the snubber and its stop, the unit hanging in it."),
    "rated": Way("papers", "The maker's sheet, or its hardness and size beside a like one."),
    "free": Way("hand", "Calliper over the rubber, unclamped."),
    "sleeve": Way("hand", "Calliper over the sleeve."),
}

MOUNT = Kind("mount", "Mount", MountFacts, WAYS)
