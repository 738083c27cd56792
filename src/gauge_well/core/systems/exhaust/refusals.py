"""What no exhaust can be."""

from __future__ import annotations

import numpy as np

from gauge_well.core.errors import CoreError
from gauge_well.core.systems.exhaust.facts import ExhaustFacts
from gauge_well.core.typing import likely

BEND_LEAST = 0.6  # of the outside diameter: tighter, the inside of the bend folds
BORE_LEFT = 0.1  # of a tube, least: less is a slip of the tape, not a tube


def refuse(facts: ExhaustFacts) -> None:
    """Raise :class:`CoreError` for a bend tighter than its tube or a tube thinner than its walls."""
    ratio = facts.pipe.bend_ratio
    if ratio is not None and np.any(np.asarray(ratio) < BEND_LEAST):
        raise CoreError(
            "bend_too_tight",
            "exhaust.pipe.bend_ratio",
            ratio,
            f"{BEND_LEAST:g} diameters or more",
            "A bend of that radius is tighter than its tube.",
        )
    wall = likely(facts.pipe.wall)
    tubes = [("pipe", facts.pipe), *((f"pieces.{id}", piece) for id, piece in facts.pieces)]
    outside = [(f"{place}.diameter", likely(tube.diameter)) for place, tube in tubes if tube.diameter is not None]
    for name, width in outside:
        if width * (1.0 - BORE_LEFT) <= 2.0 * wall:
            raise CoreError(
                "no_bore",
                f"exhaust.{name}",
                width,
                "wider than both its walls",
                "A piece has no bore left inside its walls.",
            )
