"""Heat, ground and gas: the pipe's outside along its way, what stands beside it, what it hangs over, what leaks."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.heat import neighbour
from gauge_well.core.parts.pipe import COVERINGS
from gauge_well.core.systems.base import Context, Options, duty_asked
from gauge_well.core.systems.exhaust import gas, ground, model, warmth
from gauge_well.core.systems.exhaust.facts import ExhaustFacts
from gauge_well.core.systems.exhaust.gas import Source
from gauge_well.core.systems.exhaust.ground import Raised
from gauge_well.core.systems.exhaust.warmth import Eased
from gauge_well.core.typing import duty_value, likely, likely_or_none

GAPS = np.array([0.010, 0.025, 0.050, 0.075, 0.100, 0.150, 0.250])


@dataclass(frozen=True)
class Skin:
    """A piece's outside [K] along the pipe [m]: on the move, standing, three minutes after a stop."""

    name: str
    start: float
    end: float
    moving: float
    standing: float
    stopped: float


@dataclass(frozen=True)
class Beside:
    """A neighbour in one duty: what, where [m], its gap and the one it needs in every duty [m], temperatures [K] running, after a stop, of
    its shield, the most it may reach; what a rule of thumb keeps [m]; temperature over :data:`GAPS` bare; what would ease it."""

    id: str
    name: str
    along: float
    gap: float
    gap_needed: float | None
    rule: float
    running: float
    stopped: float
    sheet: float | None
    limit: float
    fuel: bool
    by_gap: Sequence[float]
    eased: Sequence[Eased]


@dataclass(frozen=True)
class Under:
    """The lowest place over the ground standing and at the bump stop [m], ramp and approach it clears [rad], what would raise
    it."""

    height: float
    bumped: float
    ramp: float | None
    asked: float | None
    approach: float | None
    raised: Sequence[Raised]


@dataclass(frozen=True)
class HeatView:
    """One duty; ``bay`` air round the pipe [K]; ``test`` and ``stop``: mole shares of carbon
    monoxide; ``leaks`` ranked, ``tests`` in order."""

    duty: str
    bay: float
    skin: Sequence[Skin]
    gaps: Sequence[float]
    beside: Sequence[Beside]
    under: Under | None
    leaks: Sequence[Source]
    tests: Sequence[str]
    cabin_stated: bool
    test: float
    stop: float


STOPPED_FOR = 180.0  # s


def show(context: Context, facts: ExhaustFacts, options: Options) -> HeatView:
    """Heat round one duty's pipe; gas at idle counts as that duty's."""
    index = duty_asked(context, options)
    segments, found = model.marched(context, facts)
    bay = duty_value(warmth.bay(context, facts), index)
    under = ground.ground(context, facts, segments)
    ranked = gas.sources(context, facts, found, index)
    return HeatView(
        duty=context.duties.cases[index].id,
        bay=bay,
        skin=_skin(context, facts, found, index),
        gaps=GAPS.tolist(),
        beside=[_beside(context, at, index) for at in warmth.known(context, facts, found)],
        under=None
        if under is None
        else Under(
            likely(under.height),
            likely(under.bumped),
            likely_or_none(under.ramp),
            likely_or_none(facts.ramp),
            likely_or_none(under.approach),
            under.raised,
        ),
        leaks=ranked,
        tests=gas.tests(facts, ranked),
        cabin_stated=facts.cabin_from is not None,
        test=gas.TEST,
        stop=gas.STOP,
    )


def _skin(context: Context, facts: ExhaustFacts, found: model.Marched, index: int) -> list[Skin]:
    x, skins = 0.0, []
    ambient = duty_value(context.duties.column("ambient"), index) + likely(warmth.rests(facts))
    for piece in found.pieces:
        if piece.segment.bank == "right":
            continue
        length = likely(piece.segment.length)
        moving, still = (duty_value(warmth.surface(context, piece, s), index) for s in (False, True))
        capacity = warmth.STEEL_HEAT * likely(piece.segment.wall)
        skins.append(Skin(piece.segment.name, x, x + length, moving, still, _cooled(moving, ambient, capacity, piece)))
        x += length
    return skins


def _cooled(begins: float, ambient: float, capacity: float, piece: model.Piece) -> float:
    """Outside three minutes after a stop in still air [K]."""
    t = np.asarray(begins)
    for _ in range(int(STOPPED_FOR / neighbour.SOAK_STEP)):
        t = neighbour.cools(t, ambient, warmth.STILL, capacity, neighbour.SOAK_STEP, piece.segment.emissivity)
    return float(t)


def _beside(context: Context, at: warmth.Placed, index: int) -> Beside:
    got = warmth.warmed(context, at)
    still = bool(context.duties.standing[index, 0])
    film = neighbour.STANDING if still else neighbour.MOVING
    pipe, bay = duty_value(got.pipe, index), duty_value(got.bay, index)
    swept = neighbour.Thing(likely(at.thing.radius), GAPS, likely(at.thing.size), at.thing.plate, at.thing.sheet)
    emits = COVERINGS[at.piece.segment.covering].emissivity
    return Beside(
        id=at.id,
        name=at.what.label,
        along=likely(at.facts.along) if at.facts.along is not None else 0.0,
        gap=likely(at.thing.gap),
        gap_needed=warmth.gap_wanted(context, at),
        rule=at.what.bare if at.dull is None else at.what.shielded,
        running=duty_value(got.running, index),
        stopped=duty_value(got.stopped, index),
        sheet=None if got.sheet is None else duty_value(got.sheet, index),
        limit=likely(at.limit),
        fuel=at.what.fuel,
        by_gap=neighbour.beside(swept, pipe, bay, film, emits).tolist(),
        eased=warmth.eases(context, at),
    )
