"""The cut list: straights, bends with their turn, welds, mass; a run as it would be ordered."""

from __future__ import annotations

import itertools
from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.parts.pipe import MATERIALS, PIECES
from gauge_well.core.systems.exhaust.pieces import Segment
from gauge_well.core.typing import likely, likely_or_none

STRAIGHT_LEAST = 0.001  # m: less is no straight
TUBES_ONLY = ("pipe", "tip", "primaries")


@dataclass(frozen=True)
class Cut:
    """A line of the list: what, how many, outside and wall [m], length or the middle line of a bend [m], the bend's angle
    and turn against the one before [rad], its radius [m], mass of all [kg]."""

    number: int
    piece: int
    what: str
    count: int
    outside: float
    wall: float
    material: str
    length: float
    angle: float | None
    radius: float | None
    turn: float | None
    mass: float


@dataclass(frozen=True)
class CutList:
    """All lines; welds round tubes, tube of each size to buy [m], mass [kg]."""

    cuts: Sequence[Cut]
    welds: int
    joints: int
    mass: float


def arc(segment: Segment) -> tuple[float, float]:
    """Middle line of all its bends, and their radius [m]."""
    radius = likely(segment.ratio) * likely(segment.outside)
    return likely(segment.angle) * radius, radius


def cut_list(segments: Sequence[Segment]) -> CutList:
    """What is cut and bent for a run; a piece's bends stand at its end, its straight before them."""
    cuts: list[Cut] = []
    for i, s in enumerate(segments):
        count = round(s.tubes)
        tube = s.kind in TUBES_ONLY
        length, (bent, radius) = likely(s.length), arc(s)
        each = s.mass / max(length, 1e-9)
        own = (count, likely(s.outside), likely(s.wall), MATERIALS[s.material].label)
        straight = max(length - bent, 0.0)
        if straight > STRAIGHT_LEAST or not bent:
            what = "straight" if tube else PIECES[s.kind].label
            cuts.append(Cut(len(cuts) + 1, i + 1, what, *own, straight, None, None, None, each * straight))
        if bent > 0.0:
            turn = likely_or_none(s.turn)
            what = "bend" if tube else f"bend at the {PIECES[s.kind].label}"
            cuts.append(
                Cut(
                    len(cuts) + 1, i + 1, what, *own, min(bent, length), likely(s.angle), radius, turn,
                    each * min(bent, length),
                )
            )  # fmt: skip
    welds = joints = 0
    for first, then in itertools.pairwise(cuts):
        loose = first.piece != then.piece and segments[then.piece - 1].joint != "welded"
        ends = max(first.count, then.count)
        welds, joints = (welds, joints + ends) if loose else (welds + ends, joints)
    return CutList(cuts, welds, joints, float(np.sum([c.mass for c in cuts])))


def too_tight(segments: Sequence[Segment]) -> int | None:
    """Place of the first piece whose bends are longer than itself."""
    return next((i for i, s in enumerate(segments) if arc(s)[0] > likely(s.length) + 1e-6), None)
