"""The unrolled pipe: bores, temperature, speed and pressure from flange to tip, of each bank; where it grows and is held."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import Any

import numpy as np

from gauge_well.core.sizes import TUBES
from gauge_well.core.systems.base import Context, Options, duty_asked, option
from gauge_well.core.systems.exhaust import costs, cutting, growth, model, noise, pieces
from gauge_well.core.systems.exhaust.facts import ExhaustFacts
from gauge_well.core.typing import duty_value, likely, likely_or_none


@dataclass(frozen=True)
class PipePiece:
    """A piece between two places along the pipe [m]: ``id`` of the part, where it is one; outside across and upright, body
    upright [m], share of the gas, whose bank alone; temperatures [K], speed [m/s], pressures over the air outside at its
    ends [Pa], what it grows by [m] and weighs [kg]."""

    id: str
    name: str
    kind: str
    bank: str
    start: float
    end: float
    outside: float
    height: float
    body: float
    share: float
    covering: str
    oval: bool
    bends: float
    turn: float | None
    warm: float
    cool: float
    surface: float
    speed: float
    up: float
    down: float
    grows: float
    mass: float


@dataclass(frozen=True)
class PipeView:
    """One duty's pipe unrolled: pressures [Pa], the fastest gas, power lost [W]; all bores times ``bore_scale``. ``worst``:
    place of the piece that loses most. Growth, flex, first rigid point and hangers [m]; ``bends_long``: the first piece
    whose bends are longer than itself; ``tubes`` as they are sold [m]."""

    duty: str
    pieces: Sequence[PipePiece]
    worst: int
    back_pressure: float
    banks: Sequence[float]
    tip: float
    limit: float
    makers: bool
    mach: float
    cost: float
    bore_scale: float
    mass: float
    noise: str
    grows: float
    flex_at: float | None
    flex_wanted: float
    rigid_from: float
    hangers: Sequence[float]
    flange_moves: float | None
    bends_long: int | None
    tubes: Sequence[float]


def show(context: Context, facts: ExhaustFacts, options: Options) -> PipeView:
    """Profile of one duty's pipe."""
    index, cases = duty_asked(context, options), context.duties.cases
    scale = option(options, "bore_scale", 1.0, 0.5, 2.0)
    own = pieces.segments_of(facts, context.engine)
    segments = [replace(s, bore=np.asarray(s.bore) * scale) for s in own]
    found = model.march(context, facts, segments, context.peak)
    limit, makers = costs.limit_of(context.engine, facts)

    def pick(value: Any) -> float:
        return duty_value(value, index)

    outside = pick(context.duties.column("pressure"))
    ends = {"": 0.0, "left": 0.0, "right": 0.0}
    drawn = []
    for piece in found.pieces:
        s = piece.segment
        length = pick(s.length)
        # What is common begins where the longer bank ends.
        x = ends[s.bank] if s.bank else max(ends.values())
        drawn.append(
            PipePiece(
                id=s.place.split(".")[2] if s.place.count(".") == 2 else "",
                name=s.name,
                kind=s.kind,
                bank=s.bank,
                start=x,
                end=x + length,
                outside=pick(s.bore) + 2.0 * likely(s.wall) if scale != 1.0 else likely(s.outside),
                height=likely(s.height) * scale,
                body=s.upright * scale,
                share=s.share,
                covering=s.covering,
                oval=likely(s.height) < likely(s.outside) * 0.999,
                bends=likely(s.angle),
                turn=likely_or_none(s.turn),
                warm=pick(piece.warm),
                cool=pick(piece.cool),
                surface=pick(piece.surface),
                speed=pick(piece.pressure.speed),
                up=pick(piece.pressure.upstream) - outside,
                down=pick(piece.downstream) - outside,
                grows=pick(growth.grown(piece)),
                mass=s.mass,
            )
        )
        for bank in ends:
            if not s.bank or s.bank == bank:
                ends[bank] = x + length
    hangs = growth.hung(context, found)
    return PipeView(
        duty=cases[index].id,
        pieces=drawn,
        worst=int(np.argmax([p.up - p.down for p in drawn])),
        back_pressure=pick(found.back_pressure),
        banks=[pick(b) for b in found.banks],
        tip=pick(found.tip),
        limit=limit,
        makers=makers,
        mach=pick(found.mach),
        cost=pick(costs.power_cost(context.engine, found.mean_pressure, context.peak.power)),
        bore_scale=scale,
        mass=pieces.weight(segments),
        noise=noise.noise(context.engine, segments),
        grows=hangs.whole,
        flex_at=hangs.flex_at,
        flex_wanted=hangs.flex_wanted,
        rigid_from=hangs.rigid_from,
        hangers=hangs.hangers,
        flange_moves=hangs.flange_moves,
        bends_long=cutting.too_tight(segments),
        tubes=TUBES.tolist(),
    )
