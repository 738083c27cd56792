"""A length of exhaust tube, bent and pressed as it is, or what is let into one."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import Kind, Way, choice, need, quantity
from gauge_well.core.typing import Value


@dataclass(frozen=True)
class Piece:
    """What a piece of an exhaust can be.

    Parameters
    ----------
    label : str
    loss : float
        K on its own dynamic head, beside what its bore and its bends lose (common practice).
    quiets : int
        Steps quieter that it makes the whole.
    body : float
        Its outside over the tube it is let into; 1 a tube.
    mass : float
        Its weight over that of plain tube as long.
    """

    label: str
    loss: float
    quiets: int = 0
    body: float = 1.0
    mass: float = 1.0


OWN = "own"
PIECES: Mapping[str, Piece] = {
    "pipe": Piece("pipe", 0.0),
    "primaries": Piece("primaries", 0.0),
    "collector": Piece("collector", 0.3),
    "turbine": Piece("turbine outlet", 0.3),
    "cone": Piece("cone", 0.0),
    "flex": Piece("flex", 0.3, mass=1.5),
    # A particle filter half way to its next burning off.
    "catalyst": Piece("catalyst", 3.5, quiets=1, body=1.8, mass=3.0),
    "filter": Piece("particle filter", 6.0, quiets=1, body=2.2, mass=4.0),
    "crossover": Piece("crossover", 0.1),
    "merge": Piece("merge", 0.3),
    # Its length is counted as pipe: two small steps are left.
    "straight": Piece("straight-through silencer", 0.2, quiets=1, body=1.7, mass=3.0),
    "chambered": Piece("louvred or chambered silencer", 4.0, quiets=2, body=2.5, mass=4.0),
    "reversed": Piece("reversed-flow silencer", 7.0, quiets=3, body=2.5, mass=5.0),
    "tip": Piece("tip", 0.0),
    OWN: Piece("of a known loss", 0.0),
}
SHAPES: Mapping[str, str] = {"round": "round", "oval": "pressed flat: oval"}
PRESSED = ("shape", ("oval",))


@dataclass(frozen=True)
class Material:
    """Density [kg/m3] and expansion [1/K] of what a tube is made of."""

    label: str
    density: float
    expansion: float


# Handbook figures (incropera2007, table A.1; common practice).
MATERIALS: Mapping[str, Material] = {
    "mild": Material("mild steel", 7850.0, 1.2e-5),
    "aluminised": Material("aluminised steel", 7850.0, 1.2e-5),
    "stainless": Material("stainless steel", 7900.0, 1.75e-5),
}


@dataclass(frozen=True)
class Covering:
    """Resistance [m2K/W] and emissivity of what lies on a tube."""

    label: str
    resistance: float
    emissivity: float


# 12 mm of wrap at 0.09 W/mK; a quarter of a millimetre of ceramic at 1 W/mK, pale (common practice).
COVERINGS: Mapping[str, Covering] = {
    "bare": Covering("bare", 0.0, 0.8),
    "wrapped": Covering("wrapped", 0.012 / 0.09, 0.8),
    "coated": Covering("ceramic coating", 2.5e-4, 0.6),
}
# How a piece is joined to the one before it, and what leaks there of each once it has run for years [m2] (common practice).
JOINTS: Mapping[str, tuple[str, float]] = {
    "welded": ("welded", 0.0),
    "flange": ("flange with a gasket", 0.5e-6),
    "band": ("band clamp over a cone", 0.5e-6),
    "slip": ("slip joint, clamped", 3e-6),
}
BANKS: Mapping[str, str] = {"left": "left bank only", "right": "right bank only"}


@dataclass(frozen=True)
class PipeFacts:
    """A length of tube, or what is let into one. SI; diameter outside, as tube is sold."""

    piece: str = choice("It is", {k: v.label for k, v in PIECES.items()}, group="Pipe")

    diameter: Value | None = quantity("Tube, outside", "length", 0.012, 0.4, needed=True, group="Pipe", spread="gauge")
    end: Value | None = quantity(
        "and at its far end", "length", 0.012, 0.4, group="Pipe", spread="gauge", when=("piece", ("cone",))
    )
    length: Value | None = quantity("Whole length", "length", 0.05, 30.0, needed=True, group="Pipe")
    bends: Value = quantity(
        "Bends, all together", "angle", 0.0, 40.0, group="Pipe", help="Sum of their angles: four right angles are 360."
    )
    loss: Value | None = quantity(
        "Its loss, K",
        "ratio",
        0.0,
        100.0,
        group="Pipe",
        help="On the pipe's own dynamic head.",
        spread="loss",
        when=("piece", (OWN,)),
    )
    bend_ratio: Value | None = quantity("Bend radius over diameter", "ratio", 0.1, 12.0, group="Pipe")
    turn: Value | None = quantity(
        "Its bend turned against the one before",
        "angle",
        -6.3,
        6.3,
        group="Pipe",
        help="Looking along the gas: 0 bends on the same way, 180 back.",
    )
    shape: str | None = choice("Section", SHAPES, group="Pipe", help="Round where nothing is said.")
    height: Value | None = quantity(
        "Pressed to, outside", "length", 0.012, 0.4, group="Pipe", spread="gauge", when=PRESSED
    )
    body: Value | None = quantity(
        "Its body, outside",
        "length",
        0.02,
        0.6,
        group="Pipe",
        help="Of a silencer, catalyst or filter, upright.",
    )
    bank: str | None = choice("Carries the gas of", BANKS, group="Pipe", help="Both alike where nothing is said.")
    joint: str | None = choice(
        "Joined to the one before", {k: v[0] for k, v in JOINTS.items()}, group="Pipe", help="Welded where not said."
    )
    wall: Value | None = quantity("Wall", "length", 0.0005, 0.008, group="Heat", spread="gauge")
    material: str | None = choice(
        "Made of", {k: v.label for k, v in MATERIALS.items()}, group="Heat", help="Mild steel where nothing is said."
    )
    covering: str | None = choice("On it", {k: v.label for k, v in COVERINGS.items()}, group="Heat")
    roughness: Value = quantity("Roughness inside", "length", 1e-6, 1e-3, group="Heat", spread="loss")


WAYS: Mapping[str, Way] = {
    "diameter": Way("under", "A strip of paper round it, divided by 3.14."),
    "end": Way("under", "A strip of paper round its far end, divided by 3.14."),
    "length": Way("under", "A string laid along it from flange to tip."),
    "bends": Way("under", "Count them and add their angles: four right angles are 360."),
    "bend_ratio": Way("under", "Radius of the bend's middle line over the diameter."),
    "turn": Way("under", "A level across each bend in turn: the angle between them."),
    "height": Way("under", "Calliper across the flat."),
    "body": Way("under", "Calliper over its body, upright."),
    "wall": Way("hand", "Calliper on a cut end."),
    "roughness": Way("under", "Look inside: drawn tube smooth, old steel scaled."),
}

PIPE = Kind("pipe", "Exhaust pipe", PipeFacts, WAYS, parts_in_two=("length", "bends"))


def loss_of(piece: PipeFacts, place: str) -> Value:
    """Loss factor K of what the piece is, bends and bores apart; MissingFact where it is said to be its own and is not given."""
    if piece.piece == OWN:
        return need(piece.loss, f"{place}.loss")
    return PIECES[piece.piece].loss
