"""What the exhaust's relations were fitted on, looked at where they are used."""

from __future__ import annotations

from collections.abc import Iterator

import numpy as np

from gauge_well.core.flow import gas_pipe
from gauge_well.core.flow.pipe import ROUGHNESS_RANGE
from gauge_well.core.heat.tube_side import TURBULENT
from gauge_well.core.media import air
from gauge_well.core.systems.exhaust.facts import ExhaustFacts
from gauge_well.core.systems.exhaust.model import Marched
from gauge_well.core.typing import likely
from gauge_well.core.validity import Look

PART = "pipe"


def looks(facts: ExhaustFacts, found: Marched) -> Iterator[Look]:
    """Bends, the narrowest piece's roughness, the slowest gas, the hottest."""
    pieces, where = found.pieces, "exhaust.pipe.diameter"
    if any(likely(p.segment.bend) > 0.0 for p in pieces):
        bent = [p.segment for p in pieces if likely(p.segment.bend) > 0.0]
        tightest = min(bent, key=lambda s: likely(s.ratio))
        own = any(piece.bend_ratio is not None for _, piece in facts.pieces)
        place = f"{tightest.place}.bend_ratio" if own else "exhaust.pipe.bend_ratio"
        yield Look(gas_pipe.BEND_RANGE, likely(tightest.ratio), PART, place)
    rough = likely(facts.pipe.roughness) / min(likely(p.segment.bore) for p in pieces)
    yield Look(ROUGHNESS_RANGE, rough, PART, "exhaust.pipe.roughness")
    slowest = np.min(np.broadcast_arrays(*(p.reynolds for p in pieces)), axis=0)
    yield Look(TURBULENT, slowest, PART, where)
    yield Look(air.CONDUCTIVITY_RANGE, pieces[0].warm, PART, where)
