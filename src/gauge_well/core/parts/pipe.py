"""A length of exhaust tube, bent as it is."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import Kind, Way, choice, need, quantity
from gauge_well.core.typing import Value

OWN = "own"
# A piece of an exhaust as a builder says it, and its loss factor K on the pipe's own dynamic head (common practice).
PIECES: Mapping[str, tuple[str, float]] = {
    "pipe": ("pipe", 0.0),
    "flex": ("flex", 0.3),
    "straight": ("straight-through silencer", 0.2),  # its length is counted as pipe: two small steps are left
    "catalyst": ("catalyst or filter", 3.5),
    "chambered": ("louvred or chambered silencer", 4.0),
    "reversed": ("reversed-flow silencer", 7.0),
    OWN: ("of a known loss", 0.0),
}


@dataclass(frozen=True)
class PipeFacts:
    """A length of tube, or what is let into one. SI; diameter outside, as tube is sold."""

    piece: str = choice("It is", {k: v[0] for k, v in PIECES.items()}, group="Pipe")

    diameter: Value | None = quantity("Tube, outside", "length", 0.012, 0.4, needed=True, group="Pipe", spread="gauge")
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
    bend_ratio: Value = quantity("Bend radius over diameter", "ratio", 0.1, 12.0, group="Pipe")
    wall: Value = quantity("Wall", "length", 0.0005, 0.008, group="Heat", spread="gauge")
    roughness: Value = quantity("Roughness inside", "length", 1e-6, 1e-3, group="Heat", spread="loss")


WAYS: Mapping[str, Way] = {
    "diameter": Way("under", "A strip of paper round it, divided by 3.14."),
    "length": Way("under", "A string laid along it from flange to tip."),
    "bends": Way("under", "Count them and add their angles: four right angles are 360."),
    "bend_ratio": Way("under", "Radius of the bend's middle line over the diameter."),
    "wall": Way("hand", "Calliper on a cut end."),
    "roughness": Way("under", "Look inside: drawn tube smooth, old steel scaled."),
}

PIPE = Kind("pipe", "Exhaust pipe", PipeFacts, WAYS)


def loss_of(piece: PipeFacts, place: str) -> Value:
    """Loss factor K of what the piece is, bends apart; MissingFact where it is said to be its own and is not given."""
    if piece.piece == OWN:
        return need(piece.loss, f"{place}.loss")
    return PIECES[piece.piece][1]
