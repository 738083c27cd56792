"""The wet exhaust in its lie, as it stands or as it is dragged: heights over the sea in a position, and what each change does."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Any

import numpy as np

from gauge_well.core.checks import Check
from gauge_well.core.errors import MissingFact
from gauge_well.core.facts import at_likely, need, with_facts
from gauge_well.core.geometry.afloat import Position, height_over
from gauge_well.core.systems.base import Context, Options, option
from gauge_well.core.systems.boat import checks_wet, raw, wet
from gauge_well.core.systems.boat.facts import BoatFacts
from gauge_well.core.typing import likely, likely_or_none

FURTHEST = 30.0
DRAGGED = {
    "riser": "riser_over",
    "high": "high_over",
    "high_aft": "high_aft",
    "silencer": "silencer_over",
    "silencer_aft": "silencer_aft",
}


@dataclass(frozen=True)
class Spot:
    """A point: aft of the middle, left, over the waterline as taped, over the sea in the position drawn and where that is least
    [m]."""

    id: str
    name: str
    aft: float
    left: float
    over: float
    now: float
    least: float
    position: str
    stated: bool


@dataclass(frozen=True)
class Box:
    """The silencer: corners aft of the middle and over the sea [m], its lip there, what it holds leaning and at rest, what runs
    back, what a third over that is [m3], how high that stands in it at rest over its floor [m]."""

    corners: Sequence[tuple[float, float]]
    lip: tuple[float, float]
    holds: float
    rest: float
    position: str
    runs_back: float | None
    needed: float | None
    stands: float | None


@dataclass(frozen=True)
class Answer:
    """What a check comes to as drawn: its value and what is kept or allowed, by its kind; ``danger`` where it is one."""

    id: str
    name: str
    actual: float
    kept: float
    fill: float
    kind: str
    danger: bool
    most: bool


@dataclass(frozen=True)
class WetView:
    """Points that are stated, the silencer, hose and answers; heel and trim drawn and the most of each [rad]; every position by
    name with its heel and trim; whether an injection so low asks a siphon break, and where one is."""

    spots: Sequence[Spot]
    silencer: Box | None
    answers: Sequence[Answer]
    heel: float
    trim: float
    heel_most: float
    trim_most: float
    positions: Sequence[tuple[str, float, float]]
    bore: float | None
    length: float
    crank: float | None
    crank_needed: float
    breaks: bool | None
    sits: str | None
    top: str | None
    mix: float | None
    lacks: Sequence[str]


def show(context: Context, facts: BoatFacts, options: Options) -> WetView:
    """As it stands, or as it is dragged."""
    own = at_likely(facts)
    moved: dict[str, Any] = {
        field: option(options, name, 0.0, -FURTHEST, FURTHEST, "m")
        for name, field in DRAGGED.items()
        if name in options
    }
    if moved:
        own = with_facts(own, moved)
    leans = wet.leans(context)
    heel_most, trim_most = likely(np.abs(leans[1].heel)), likely(np.abs(leans[1].trim))
    heel = option(options, "heel", 0.0, -0.9, 0.9, "rad")
    trim = option(options, "trim", 0.0, -0.35, 0.35, "rad")
    at = Position(heel, trim, "")
    sunk = likely(wet.sinks(context))
    spots = []
    for name, called in wet.POINTS.items():
        if name == "siphon" and own.siphon != "fitted":
            continue
        try:
            point = wet.point(own, name)
        except MissingFact:
            continue
        found = wet.least(context, point)
        spots.append(
            Spot(
                id=name,
                name=called,
                aft=likely(point.aft),
                left=likely(point.left),
                over=likely(point.over),
                now=likely(height_over(point.aft, point.left, point.over, at, sunk)),
                least=likely(found.value),
                position=found.position,
                stated=True,
            )
        )
    answers = _answers(context, own)
    breaks = None
    if own.injection_over is not None:
        breaks = bool(likely(wet.breaks_needed(wet.least(context, wet.point(own, "injection")))))
    return WetView(
        spots=spots,
        silencer=_box(context, own, at, sunk),
        answers=[_answer(check) for check in answers],
        heel=heel,
        trim=trim,
        heel_most=heel_most,
        trim_most=trim_most,
        positions=[(p.name, likely(p.heel), likely(p.trim)) for p in leans],
        bore=likely_or_none(own.hose.bore),
        length=likely(need(own.hose.length, "boat.hose.length")),
        crank=_maybe(lambda: likely(wet.crank_time(context, own))),
        crank_needed=wet.CRANK_LEAST,
        breaks=breaks,
        sits=own.siphon_sits if own.siphon == "fitted" else None,
        top=own.siphon_top if own.siphon == "fitted" else None,
        mix=_maybe(lambda: float(raw.mixed(context, own, context.mean)[..., 0].max())),
        lacks=[field for unknown in checks_wet.unknowns(context, own) for field in unknown.missing],
    )


def _maybe(work: Any) -> Any:
    try:
        return work()
    except MissingFact:
        return None


def _answers(context: Context, own: BoatFacts) -> list[Check]:
    return [
        *checks_wet.riser_checks(context, own),
        *checks_wet.siphon_checks(context, own)[0],
        *checks_wet.hose_checks(context, own),
        *checks_wet.silencer_checks(context, own),
        *checks_wet.back_checks(context, own, context.peak),
    ]


def _answer(check: Check) -> Answer:
    most = check.kind in ("volume", "pressure_difference")
    demand, capacity = np.broadcast_arrays(check.demand, check.capacity)
    fill = np.broadcast_to(check.fill, np.broadcast_shapes(np.shape(check.fill), demand.shape))
    worst = int(np.argmax(fill.reshape(-1, fill.shape[-1])[:, 0])) if fill.ndim > 1 else 0
    d, c, f = (
        np.reshape(np.broadcast_to(v, fill.shape), (-1, fill.shape[-1] if fill.ndim else 1))[worst, 0]
        for v in (demand, capacity, fill)
    )
    actual, kept = (d, c) if most else (c, d)
    return Answer(check.id, check.name, float(actual), float(kept), float(f), check.kind, check.danger, most)


def _box(context: Context, own: BoatFacts, at: Position, sunk: float) -> Box | None:
    box = own.silencer
    sizes = [v for v in (box.length, box.width, box.height, box.lip) if v is not None]
    if len(sizes) < 4 or own.silencer_over is None:
        return None
    length, width, height, lip = (likely(v) for v in sizes)
    aft, left, floor = likely(own.silencer_aft), likely(own.silencer_left), likely(own.silencer_over)

    def over(x: float, y: float, z: float) -> float:
        return likely(height_over(aft + x, left + y, floor + z, at, sunk))

    corners = [
        (aft + x * length, over(x * length, y * width, z * height))
        for x in (-0.5, 0.5)
        for y in (-0.5, 0.5)
        for z in (0.0, 1.0)
    ]
    lip_at = (-likely(box.lip_ahead), likely(box.lip_left), lip)
    held = wet.usable(context, own)
    back = _maybe(lambda: likely(wet.drain_back(own)))
    return Box(
        corners=corners,
        lip=(aft + lip_at[0], over(*lip_at)),
        holds=likely(held.value),
        rest=likely(held.rest),
        position=held.position,
        runs_back=back,
        needed=None if back is None else wet.SPARE * back,
        stands=None if back is None else min(back / (length * width), height),
    )
