"""What no exhaust can be."""

from __future__ import annotations

import numpy as np

from gauge_well.core.errors import CoreError
from gauge_well.core.parts.pipe import PipeFacts
from gauge_well.core.systems.exhaust.facts import WALL, ExhaustFacts
from gauge_well.core.typing import likely

BEND_LEAST = 0.6  # of the outside diameter: tighter, the inside of the bend folds
BORE_LEFT = 0.1  # of a tube, least: less is a slip of the tape, not a tube


def refuse(facts: ExhaustFacts) -> None:
    """Raise :class:`CoreError` for a bend tighter than its tube, a tube thinner than its walls, an oval taller than its
    tube, a cabin that ends before it begins."""
    tubes = [("pipe", facts.pipe), *((f"pieces.{id}", piece) for id, piece in facts.pieces)]
    for name, tube in tubes:
        wall = facts.pipe.wall if tube.wall is None else tube.wall
        _tube(f"exhaust.{name}", tube, WALL if wall is None else likely(wall))
    begins, ends = facts.cabin_from, facts.cabin_to
    if begins is not None and ends is not None and likely(ends) <= likely(begins):
        raise CoreError(
            "cabin_reversed",
            "exhaust.cabin_to",
            likely(ends),
            "beyond where it begins",
            "The cabin ends before it begins.",
        )


def _tube(place: str, tube: PipeFacts, wall: float) -> None:
    if tube.bend_ratio is not None and np.any(np.asarray(tube.bend_ratio) < BEND_LEAST):
        raise CoreError(
            "bend_too_tight",
            f"{place}.bend_ratio",
            tube.bend_ratio,
            f"{BEND_LEAST:g} diameters or more",
            "A bend of that radius is tighter than its tube.",
        )
    for name in ("diameter", "end"):
        width = getattr(tube, name)
        if width is not None and likely(width) * (1.0 - BORE_LEFT) <= 2.0 * wall:
            raise CoreError(
                "no_bore",
                f"{place}.{name}",
                likely(width),
                "wider than both its walls",
                "A piece has no bore left inside its walls.",
            )
    if tube.shape == "oval" and tube.height is not None:
        low = likely(tube.height) * (1.0 - BORE_LEFT) <= 2.0 * wall
        if low or (tube.diameter is not None and likely(tube.height) > likely(tube.diameter)):
            raise CoreError(
                "oval_height",
                f"{place}.height",
                likely(tube.height),
                "over both its walls, at most its tube",
                "A tube is pressed flatter than it was, and not shut.",
            )
