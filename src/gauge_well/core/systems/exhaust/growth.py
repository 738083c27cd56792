"""How a hot pipe grows, and where flex, first rigid point and hangers go."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.parts.pipe import MATERIALS
from gauge_well.core.reads import ROCK
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.exhaust.model import Marched, Piece
from gauge_well.core.typing import Array, as_array, likely

COLD = 293.15  # K
ARM = 0.25  # m from the line an engine rocks about to its flange, where nobody says (common practice)
HANGER = 1.0  # m between hangers (common practice)
FLEX_WITHIN = 0.3  # m of the turbine or the collector (common practice)


def metal(piece: Piece) -> Array:
    """Its metal [K]: bare where its outside is, under a covering nearer the gas by the share that lies over it."""
    over = piece.segment.resistance / piece.resistance
    return np.asarray(piece.surface + (piece.warm - piece.surface) * over)


def grown(piece: Piece) -> Array:
    """Longer hot than cold [m]: ``alpha L (T - 20 C)`` of its metal."""
    s = piece.segment
    return np.asarray(MATERIALS[s.material].expansion * as_array(s.length) * np.maximum(metal(piece) - COLD, 0.0))


@dataclass(frozen=True)
class Hung:
    """Growth of the whole [m] in the hottest duty; how far the flange moves as the engine
    rocks [m], None where mounts do not tell; where flex, first rigid point and hangers go, from the flange [m]."""

    whole: float
    flange_moves: float | None
    flex_at: float | None
    flex_wanted: float
    rigid_from: float
    hangers: Sequence[float]


def hung(context: Context, found: Marched) -> Hung:
    """Where the run is held."""
    run = [p for p in found.pieces if p.segment.bank in ("", "left")]
    lengths = [likely(p.segment.length) for p in run]
    ends = np.cumsum(lengths)
    growth = [float(np.max(grown(p)[..., 0])) for p in run]
    flex = next((i for i, p in enumerate(run) if p.segment.kind == "flex"), None)
    before = 0.0
    for p, length in zip(run, lengths, strict=True):
        if p.segment.kind not in ("turbine", "primaries", "collector"):
            break
        before += length
    rigid = float(ends[flex]) if flex is not None else before + FLEX_WITHIN
    total = float(ends[-1])
    count = max(int(np.ceil((total - rigid) / HANGER)), 1)
    rock = context.told(ROCK)
    moves = None if rock is None else ARM * abs(likely(rock))
    return Hung(
        whole=sum(growth),
        flange_moves=moves,
        flex_at=None if flex is None else float(ends[flex] - lengths[flex]),
        flex_wanted=before,
        rigid_from=rigid,
        hangers=[rigid + (total - rigid) * k / count for k in range(count + 1)] if total > rigid else [],
    )
