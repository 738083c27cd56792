"""A belt from the front, to scale: its outline, wraps, grip, spans, the arm, lengths sold; a pulley where it is dragged to."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.errors import MissingFact
from gauge_well.core.parts.belt import SECTIONS
from gauge_well.core.reads import BONNET_OVER
from gauge_well.core.systems.base import Context, Options, option
from gauge_well.core.systems.belts import checks
from gauge_well.core.systems.belts import way as ways
from gauge_well.core.systems.belts.facts import BeltsFacts
from gauge_well.core.systems.belts.grip import MARGIN, SPEED_MOST, Grip, grip, worked
from gauge_well.core.systems.belts.way import Way
from gauge_well.core.typing import as_array, likely, likely_or, likely_or_none

ARC = np.radians(6.0)  # of outline drawn in one
REACH = (-2.0, 2.0)


@dataclass(frozen=True)
class PulleyDrawn:
    """A pulley: middle and radius over its seat [m], wrap [rad], grip over need at its least, speeds at idle, half way and the top
    [rev/min], load on its hub [N], what it takes at rated speed [W]."""

    id: str
    name: str
    what: str
    right: float
    up: float
    radius: float
    inside: bool
    wrap: float
    margin: float
    speeds: Sequence[float]
    most: float
    hub: float
    takes: float


@dataclass(frozen=True)
class SpanDrawn:
    """A free span: its ends [m], length [m], note plucked at rest [Hz], tension at the top speed [N], gap to what it passes
    [m] or None."""

    ends: tuple[float, float, float, float]
    length: float
    note: float
    between: tuple[str, str]


@dataclass(frozen=True)
class ArmDrawn:
    """A tensioner's arm: pivot and middle of its pulley [m], swing either way [rad], what it takes up against the most it could
    [m/rad]; what bears on its pulley as it stands, and at the stops kept [N]."""

    pivot: tuple[float, float]
    at: tuple[float, float]
    half: float
    answers: float
    most: float
    pulls: float


@dataclass(frozen=True)
class Bought:
    """Lengths: as it stands, least and most that serve, those sold between and around, the one there [m]; where a length leaves the
    arm or the slot, new and worn, as a share of its travel."""

    now: float
    low: float
    high: float
    sold: Sequence[float]
    around: Sequence[float]
    owned: float | None


@dataclass(frozen=True)
class Room:
    """Heights from the crank's middle [m]: the ground kept, the bonnet; None where fit does not say."""

    ground: float | None
    bonnet: float | None


@dataclass(frozen=True)
class RouteView:
    """One belt. ``why``: what stands against a way, in words; then there is no outline. ``slips``: pulley, engine speed, margin where
    it is least; ``keeps`` the least that is kept."""

    belt: str
    belts: Sequence[str]
    why: str
    outline: Sequence[tuple[float, float]]
    pulleys: Sequence[PulleyDrawn]
    spans: Sequence[SpanDrawn]
    arm: ArmDrawn | None
    bought: Bought | None
    engine: Sequence[float]
    slips: tuple[str, float, float] | None
    keeps: float
    belt_speed: float
    belt_speed_most: float
    clash: tuple[str, float] | None
    room: Room
    ribs: float
    section: str


def asked(context: Context, facts: BeltsFacts, options: Options) -> tuple[Way, bool]:
    """The belt asked for, and whether a pulley of it is dragged."""
    names = ways.places(facts)
    if not names:
        raise MissingFact("belts.count")
    place = names[int(option(options, "belt", 0, 0, len(names) - 1))]
    way = ways.way_of(context, facts, place)
    if "pulley" not in options:
        return way, False
    at = int(option(options, "pulley", 0, 0, len(way.pulleys) - 1))
    if "right" not in options and "up" not in options:
        return way, False
    x, y = float(way.route.x[at, 0]), float(way.route.y[at, 0])
    right, up = option(options, "right", x, *REACH, "m"), option(options, "up", y, *REACH, "m")
    return ways.moved(way, at, right, up), True


def show(context: Context, facts: BeltsFacts, options: Options) -> RouteView:
    """A belt as it stands, or with a pulley dragged."""
    way, dragged = asked(context, facts, options)
    names = ways.places(facts)
    why = ways.no_way(way)
    own = None if why else (grip(context, facts, way) if dragged else worked(context, facts, way))
    gap = None if why else ways.least_gap(way)
    arm = None if why else way.swings
    top = None if own is None else likely(own.belt[-1])
    return RouteView(
        belt=way.place,
        belts=[checks.NAMES[name] for name in names],
        why=why,
        outline=[] if why else outline(way),
        pulleys=[_pulley(way, own, i) for i in range(len(way.pulleys))],
        spans=[] if own is None else _spans(way, own),
        arm=None if arm is None or own is None else _arm(way, arm, own),
        bought=None if why else _bought(way),
        engine=[] if own is None else [float(own.engine[k]) for k in (0, len(own.engine) // 2, -1)],
        slips=None if own is None else checks.slips_at(way, own),
        keeps=MARGIN,
        belt_speed=0.0 if top is None else top,
        belt_speed_most=SPEED_MOST,
        clash=None if gap is None else (gap[1], likely(gap[0])),
        room=_room(context, way),
        ribs=likely(way.facts.ribs),
        section=SECTIONS[way.facts.section].label,
    )


def outline(way: Way) -> list[tuple[float, float]]:
    """The belt's cord as points [m], round once."""
    found = way.route
    points = []
    count = len(way.pulleys)
    leaves, meets = found.leaves, found.meets
    for i in range(count):
        x, y, r = (float(v[i, 0]) for v in (found.x, found.y, found.radius))
        sense, wrap = float(found.sense[i, 0]), float(found.wraps[i, 0])
        before = (i - 1) % count
        start = np.arctan2(float(meets[1][before, 0]) - y, float(meets[0][before, 0]) - x)
        steps = max(int(np.ceil(wrap / ARC)), 1)
        for k in range(steps + 1):
            at = start + sense * wrap * k / steps
            points.append((float(x + r * np.cos(at)), float(y + r * np.sin(at))))
        points.append((float(leaves[0][i, 0]), float(leaves[1][i, 0])))
    return points


def _pulley(way: Way, own: Grip | None, i: int) -> PulleyDrawn:
    pulley, found = way.pulleys[i], way.route
    inside = bool(found.sense[i, 0] > 0.0)
    ends = (0, -1) if own is None else (0, len(own.engine) // 2, -1)
    return PulleyDrawn(
        id=way.ids[i],
        name=way.name(i),
        what=pulley.what or "other",
        right=float(found.x[i, 0]),
        up=float(found.y[i, 0]),
        radius=0.5 * likely(0.1 if pulley.diameter is None else pulley.diameter),
        inside=inside,
        wrap=float(found.wraps[i, 0]),
        margin=0.0 if own is None else float(own.margins[i, :, 0].min()),
        speeds=[] if own is None else [float(own.speeds[i, k, 0]) for k in ends],
        most=likely(pulley.most),
        hub=0.0 if own is None else float(own.hubs[i, :, 0].max()),
        takes=0.0 if own is None else float(own.powers[i, -1, 0]),
    )


def _spans(way: Way, own: Grip) -> list[SpanDrawn]:
    found, count = way.route, len(way.pulleys)
    (ax, ay), (bx, by) = found.leaves, found.meets
    string = float(np.sqrt(likely(own.static) / likely(own.mass)))
    return [
        SpanDrawn(
            ends=(float(ax[i, 0]), float(ay[i, 0]), float(bx[i, 0]), float(by[i, 0])),
            length=float(found.spans[i, 0]),
            note=string / (2.0 * max(float(found.spans[i, 0]), 1e-3)),
            between=(way.name(i), way.name((i + 1) % count)),
        )
        for i in range(count)
    ]


def _arm(way: Way, arm: ways.Arm, own: Grip) -> ArmDrawn:
    at = way.arm
    assert at is not None
    pulley = way.pulleys[at]
    bears = float(own.ahead[at, 0, 0] - own.mass.flat[0] * own.belt[0, 0] ** 2)
    return ArmDrawn(
        pivot=(likely_or(pulley.pivot_right), likely_or(pulley.pivot_up)),
        at=(float(way.route.x[at, 0]), float(way.route.y[at, 0])),
        half=0.5 * likely(pulley.travel),
        answers=abs(likely(arm.answers)),
        most=likely(arm.most),
        pulls=bears,
    )


def _bought(way: Way) -> Bought | None:
    window = ways.window(way)
    if window is None:
        return None
    low, high = likely(window[0]), likely(window[1])
    now = likely(way.effective)
    ends = sorted((low, high, now, *(() if way.facts.owned is None else (likely(way.facts.owned),))))
    return Bought(
        now=now,
        low=low,
        high=high,
        sold=ways.sold(low, high),
        around=ways.sold(ends[0] - 0.02, ends[-1] + 0.02)[:60],
        owned=likely_or_none(way.facts.owned),
    )


def _room(context: Context, way: Way) -> Room:
    found = checks.over_floor(context, way)
    if found is None:
        return Room(None, None)
    lows, _ = found
    floor = float(lows[0, 0]) + likely(checks.outside(way, 0)) - float(way.route.y[0, 0])
    needed, bonnet = context.installation.ground_needed, context.told(BONNET_OVER)
    return Room(
        ground=None if needed is None else likely(needed) - floor,
        bonnet=None if bonnet is None else likely(as_array(bonnet)) - checks.BONNET - floor,
    )
