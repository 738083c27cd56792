"""The stack as a section along the crank's line, to scale, and its chains with how sure they are."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.systems.base import Context, Options
from gauge_well.core.systems.driveline import stack
from gauge_well.core.systems.driveline.facts import DrivelineFacts
from gauge_well.core.systems.driveline.judge import stroke
from gauge_well.core.systems.driveline.stack import Chain
from gauge_well.core.typing import Array, Value, as_array, likely, likely_or, likely_or_none

SURE = (2.5, 97.5)  # percent between which it lies in 95 of 100
FLANGE, SHAFT, WHEEL, FINGER, RIM = (
    0.05,
    0.0125,
    0.14,
    0.045,
    0.004,
)  # m, half as high as drawn where not taped (common practice)


@dataclass(frozen=True)
class Piece:
    """A ring round the crank's line: from and to behind the block's face, its inside and outside radius [m]; ``taped``: its
    radii are stated."""

    id: str
    name: str
    start: float
    end: float
    inside: float
    outside: float


@dataclass(frozen=True)
class LinkView:
    """One length of a chain [m]; ``sign``: counts for or against."""

    name: str
    path: str
    sign: float
    value: float | None


@dataclass(frozen=True)
class ChainView:
    """A chain that adds up to a gap [m]: likely, in 95 of 100 between, worst case either way, wanted between."""

    id: str
    name: str
    links: Sequence[LinkView]
    total: float | None
    low: float | None
    high: float | None
    least: float
    most: float | None
    words: str


@dataclass(frozen=True)
class StackView:
    """Pieces to draw, chains, what the pedal moves the bearing by, the spacer with which it is right [m]."""

    automatic: bool
    pieces: Sequence[Piece]
    chains: Sequence[ChainView]
    stroke: float | None
    spacer: float | None
    has_spacer: float
    make: str


def _band(value: Array | None) -> tuple[float | None, float | None, float | None]:
    if value is None:
        return None, None, None
    flat = np.ravel(value)
    low, high = np.percentile(flat, SURE) if flat.size > 1 else (flat[0], flat[0])
    return float(flat[0]), float(low), float(high)


def _chain(id: str, name: str, chain: Chain, least: float, most: float | None, words: str) -> ChainView:
    links = [LinkView(link.name, link.path, link.sign, likely_or_none(link.value)) for link in chain.links]
    total, low, high = _band(chain.total)
    return ChainView(id, name, links, total, low, high, least, most, words)


def _chains(context: Context, facts: DrivelineFacts) -> list[ChainView]:
    if stack.automatic(context):
        low, high = stack.CONVERTER
        return [
            _chain(
                "converter",
                "Converter pulled forward",
                stack.converter_room(facts),
                low,
                high,
                "from fully home on the pump",
            )
        ]
    rides = facts.bearing_kind == "rides"
    low, high = (-stack.PRELOAD[1], -stack.PRELOAD[0]) if rides else stack.PLAY
    words = "below nought the fingers push it back, as they must" if rides else "free before the fingers"
    return [
        _chain("bearing", "Release bearing", stack.play(facts), low, high, words),
        _chain("tip", "Input shaft's tip", stack.tip_room(facts), stack.SHORT_OF, None, "short of the hole's bottom"),
    ]


def show(context: Context, facts: DrivelineFacts, options: Options) -> StackView:
    """Of whatever is stated."""
    moved = stroke(context, facts)
    wanted = None if stack.automatic(context) else stack.spacer_for(facts)
    return StackView(
        stack.automatic(context), _pieces(context, facts), _chains(context, facts), likely_or_none(moved),
        likely_or_none(wanted), likely(facts.spacer), facts.flywheel.make,
    )  # fmt: skip


def _pieces(context: Context, facts: DrivelineFacts) -> list[Piece]:
    found: list[Piece] = []

    def ring(id: str, name: str, start: Value | None, end: Value | None, inside: float, outside: float) -> None:
        if start is None or end is None:
            return
        a, b = sorted((likely(as_array(start)), likely(as_array(end))))
        if b - a > 1e-5:
            found.append(Piece(id, name, a, b, inside, outside))

    wheel, own = facts.flywheel, facts.clutch
    circle = 0.5 * likely_or(facts.crank_circle, 2.0 * 0.8 * FLANGE) + 0.01
    radius = 0.5 * likely_or(wheel.across, 2.0 * WHEEL)
    hole = 0.5 * likely_or(wheel.hole, 0.03)
    adapter = likely(facts.adapter)
    flange, seat, face = facts.crank_flange, stack.seat(facts), stack.friction(facts)
    bell = adapter + likely_or(facts.bell, 0.0)
    shell = radius + 0.03
    ring("adapter", "adapter", 0.0, facts.adapter, shell - 0.012, shell + 0.02)
    if facts.bell is not None:
        ring("bell", "bell", adapter, bell, shell - RIM, shell + RIM)
        ring("carrier", "bearing's seat", bell, bell + 0.008, SHAFT + 0.006, shell + RIM)
    if flange is not None:
        ring("crank", "crank's flange", likely(flange) - 0.03, flange, 0.012, circle)
        ring("spacer", "spacer", flange, seat, hole, circle)
    if seat is not None and face is not None:
        ring("flywheel", "flywheel", seat, face, hole, radius)
    if seat is not None and wheel.pads is not None and wheel.make == "plate":
        ring(
            "flywheel",
            "flexplate",
            likely(seat) + likely(wheel.pads) - 0.003,
            likely(seat) + likely(wheel.pads),
            hole,
            radius,
        )
    if seat is not None and wheel.ring_at is not None and wheel.ring_width is not None:
        start = likely(seat) + likely(wheel.ring_at)
        ring(
            "ring",
            "ring gear",
            start,
            start + likely(wheel.ring_width),
            radius,
            0.5 * likely_or(wheel.ring_across, 2.0 * radius + 0.02),
        )
    if face is not None:
        lining = 0.5 * likely_or(own.outer, 1.6 * WHEEL)
        ring("disc", "disc", face, likely(face) + 0.008, 0.5 * likely_or(own.inner, 1.36 * lining), lining)
        if own.height is not None:
            ring(
                "cover",
                "cover and fingers",
                likely(face) + 0.008,
                likely(face) + likely(own.height),
                FINGER * 0.6,
                min(lining + 0.015, radius),
            )
        if own.hub_behind is not None and own.hub_long is not None:
            rear = likely(face) + likely(own.hub_behind)
            ring("hub", "disc's hub", rear - likely(own.hub_long), rear, SHAFT, SHAFT + 0.008)
    if facts.bell is not None and facts.bearing is not None:
        ring("bearing", "release bearing", bell - likely(facts.bearing), bell, SHAFT + 0.004, FINGER)
    if facts.reach is not None:
        tip, thick = adapter - likely(facts.reach), 0.5 * likely_or(facts.spline_across, 2.0 * SHAFT)
        nose = likely_or(facts.nose, 0.0)
        ring("nose", "nose", tip, tip + nose, 0.0, 0.6 * thick)
        ring("shaft", "input shaft", tip + nose, max(bell + 0.02, tip + nose + 0.05), 0.0, thick)
    if flange is not None and facts.pilot_in is not None and facts.pilot_long is not None:
        rear = likely(flange) - likely(facts.pilot_in)
        ring("pilot", "pilot", rear - likely(facts.pilot_long), rear, 0.6 * SHAFT, 0.012)
    if facts.pinion_out is not None and facts.pinion_rest is not None:
        mount = adapter if facts.starts_on == "bell" else 0.0
        at, out = mount + likely(facts.pinion_rest), mount + likely(facts.pinion_out)
        tip_radius = 0.5 * likely_or(facts.pinion_across, 0.03)
        middle = likely_or(
            facts.pinion_from, 0.5 * likely_or(wheel.ring_across, 2.0 * radius + 0.02) + tip_radius - 0.004
        )
        ring(
            "pinion",
            "starter, thrown",
            out - 0.018 if out >= at else out,
            out if out >= at else out + 0.018,
            middle - tip_radius,
            middle + tip_radius,
        )
    if stack.automatic(context) and facts.converter_in is not None:
        pads = adapter + likely(facts.converter_in)
        ring("converter", "converter, fully home", pads, pads + 0.12, SHAFT, radius - 0.01)
    return found
