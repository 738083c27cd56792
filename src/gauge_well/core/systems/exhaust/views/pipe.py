"""The unrolled pipe: bores, temperature and pressure from flange to tip."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import Any

import numpy as np

from gauge_well.core.systems.base import Context, Options, duty_asked, option
from gauge_well.core.systems.exhaust import model
from gauge_well.core.systems.exhaust.facts import ExhaustFacts
from gauge_well.core.typing import duty_value, likely


@dataclass(frozen=True)
class PipePiece:
    """A piece between two places along the pipe [m]: outside [m], share of the gas, temperatures [K], speed [m/s], pressures
    over the air outside at its ends [Pa]."""

    name: str
    start: float
    end: float
    outside: float
    share: float
    lagged: bool
    warm: float
    cool: float
    surface: float
    speed: float
    up: float
    down: float


@dataclass(frozen=True)
class PipeView:
    """One duty's pipe unrolled: pressures [Pa], the fastest gas, power lost [W]; all bores times ``bore_scale``."""

    duty: str
    pieces: Sequence[PipePiece]
    back_pressure: float
    tip: float
    limit: float
    makers: bool
    mach: float
    cost: float
    bore_scale: float


def show(context: Context, facts: ExhaustFacts, options: Options) -> PipeView:
    """Profile of one duty's pipe."""
    index, cases = duty_asked(context, options), context.duties.cases
    scale = option(options, "bore_scale", 1.0, 0.5, 2.0)
    segments = [replace(s, bore=np.asarray(s.bore) * scale) for s in model.segments_of(facts)]
    found = model.march(context, facts, segments, context.peak)
    limit, makers = model.limit_of(context.engine, facts)

    def pick(value: Any) -> float:
        return duty_value(value, index)

    outside = pick(context.duties.column("pressure"))
    x, pieces = 0.0, []
    for piece in found.pieces:
        length = pick(piece.segment.length)
        pieces.append(
            PipePiece(
                name=piece.segment.name,
                start=x,
                end=x + length,
                outside=pick(piece.segment.bore) + 2.0 * likely(piece.segment.wall),
                share=piece.segment.share,
                lagged=piece.segment.lagged,
                warm=pick(piece.warm),
                cool=pick(piece.cool),
                surface=pick(piece.surface),
                speed=pick(piece.pressure.speed),
                up=pick(piece.pressure.upstream) - outside,
                down=pick(piece.downstream) - outside,
            )
        )
        x += length
    return PipeView(
        duty=cases[index].id,
        pieces=pieces,
        back_pressure=pick(found.back_pressure),
        tip=pick(found.tip),
        limit=limit,
        makers=makers,
        mach=pick(found.mach),
        cost=pick(model.power_cost(context.engine, found.back_pressure, context.peak.power)),
        bore_scale=scale,
    )
