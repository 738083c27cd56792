"""Belts against what they stand: a way at all, grip, speeds, a length to buy, an arm that works, room round them."""

from __future__ import annotations

from collections.abc import Iterator

import numpy as np

from gauge_well.core.checks import Check, gap_fill, gate, never
from gauge_well.core.parts.pulley import FREE
from gauge_well.core.reads import BONNET_OVER, BUMP, PULLEY_OVER
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.belts import way as ways
from gauge_well.core.systems.belts.facts import BeltsFacts
from gauge_well.core.systems.belts.grip import MARGIN, SPEED_MOST, Grip, worked
from gauge_well.core.systems.belts.way import Way
from gauge_well.core.typing import Array, as_array, likely

DEGREE = np.pi / 180.0
BUMPED = 0.015  # m kept over what comes up at the bump stop (common practice)
BONNET = 0.020  # m kept under a bonnet (common practice)
NAMES = {"first": "Belt", "second": "Second belt", "third": "Third belt"}


def belt_checks(context: Context, facts: BeltsFacts, way: Way) -> list[Check]:
    """All that is judged of one belt; of one without a way only that."""
    why = ways.no_way(way)
    if why:
        return [never(f"{way.place}_way", f"{NAMES[way.place]}'s way", way.place, f"{why}.", code="no_way")]
    found = worked(context, facts, way)
    return [
        _grip(way, found),
        *_speeds(way, found),
        *_length(way),
        *_arm(way),
        *_clash(way),
        *_room(context, way),
        *_brackets(way, found),
    ]


def slips_at(way: Way, found: Grip) -> tuple[str, float, float]:
    """Pulley that holds least over what it carries, the engine's speed there [rev/min], its margin."""
    i, j = found.worst
    return way.name(i), float(found.engine[j]), float(found.margins[i, j, 0])


def _grip(way: Way, found: Grip) -> Check:
    name, speed, _ = slips_at(way, found)
    least = found.margins.min(axis=(0, 1))
    words = "The {name} holds {capacity} times what it carries at {speed}, spun up; {demand} are kept."
    if likely(least) <= 0.0:
        words = "The belt hangs slack behind the {name} at {speed}: it slips."
    return gate(
        f"{way.place}_grip", f"{NAMES[way.place]}'s grip", way.place, MARGIN, least, "ratio", words,
        lambda: {"name": name, "speed": (speed, "speed_rpm")},
    )  # fmt: skip


def _speeds(way: Way, found: Grip) -> Iterator[Check]:
    top = float(found.engine[-1])
    rows = [i for i in range(len(way.pulleys)) if i != way.crank]
    fills = [found.speeds[i, -1] / way.pulleys[i].most for i in rows]
    at = rows[int(np.argmax([likely(f) for f in fills]))]
    yield gate(
        f"{way.place}_driven", f"Speed of what {way.said} turns", way.place, found.speeds[at, -1], way.pulleys[at].most,
        "speed_rpm", "The {name} turns {demand} at {top}; it may turn {capacity}.",
        lambda: {"name": way.name(at), "top": (top, "speed_rpm")},
    )  # fmt: skip
    yield gate(
        f"{way.place}_speed", f"{NAMES[way.place]}'s speed", way.place, found.belt[-1], SPEED_MOST, "speed_m_s",
        "It runs {demand} at {top}; {capacity} is as fast as a belt goes.", lambda: {"top": (top, "speed_rpm")},
    )  # fmt: skip


def _length(way: Way) -> Iterator[Check]:
    found = ways.window(way)
    if found is None:
        return
    low, high = found
    room = np.maximum(high - low, 0.0)
    id, name = f"{way.place}_length", f"{NAMES[way.place]}'s length"
    owned = way.facts.owned
    ends = {"low": (likely(low), "length"), "high": (likely(high), "length")}
    if likely(room) <= 0.0:
        takes = "the arm swings too little" if way.arm is not None else "the slot takes up too little"
        yield never(id, name, way.place, f"No length serves: as made and as it stretches, {takes}.", code="no_length")
    elif owned is not None:
        words = "The one there is {owned}; {low} to {high} serve."
        off = np.abs(as_array(owned) - 0.5 * (low + high))
        yield gate(
            id, name, way.place, off, 0.5 * room, "length", words, lambda: {**ends, "owned": (likely(owned), "length")}
        )
    else:
        lengths = ways.sold(likely(low), likely(high))
        said = "{low} to {high} serve: " + (", ".join(f"{1000 * v:.0f}" for v in lengths[:3]) + " mm are sold." if lengths else
                                            "none is sold between them, lengths go by 5 mm.")  # fmt: skip
        yield gate(id, name, way.place, ways.STEP, room, "length", said, lambda: dict(ends))


def _arm(way: Way) -> Iterator[Check]:
    arm = way.swings
    if arm is None:
        return
    answers, most = np.abs(arm.answers) * DEGREE, arm.most * DEGREE
    id, name = f"{way.place}_dead", "Tensioner's arm"
    if likely(answers) < ways.DEAD * ways.LEVER * likely(most):
        words = "The arm lies at its dead point, along the belt: swinging, it takes up none, and keeps nothing tight."
        yield never(id, name, way.place, words, code="dead_point")
        return
    words = (
        "Each degree it swings takes up {capacity} of belt; under {demand} it lies near its dead point, along the belt."
    )
    yield gate(id, name, way.place, ways.LEVER * most, answers, "size", words)


def _clash(way: Way) -> Iterator[Check]:
    found = ways.least_gap(way)
    if found is None:
        return
    gap, name = found
    words = "A span passes the {name} by {capacity}; keep {demand}."
    if likely(gap) < 0.0:
        words = "A span runs through the {name}; keep {demand}."
    yield gate(
        f"{way.place}_clash", "Belt past its pulleys", way.place, ways.CLEAR, gap, "size", words,
        lambda: {"name": name}, fill=gap_fill(gap, ways.CLEAR),
    )  # fmt: skip


def _brackets(way: Way, found: Grip) -> Iterator[Check]:
    for i, pulley in enumerate(way.pulleys):
        if pulley.bracket is not None:
            yield gate(
                f"{way.place}_bracket_{way.ids[i]}", f"Bracket of the {way.name(i)}", way.place, found.hubs[i].max(axis=0), pulley.bracket,
                "force", "The belt pulls {demand} on it; it bears {capacity} at the pulley.",
            )  # fmt: skip


def outside(way: Way, at: int) -> Array:
    """Radius over all of a pulley with its belt [m]."""
    return np.asarray(way.route.radius[at] + ways.THICK)


def over_floor(context: Context, way: Way) -> tuple[Array, Array] | None:
    """Lowest and highest of each pulley with its belt (pulley, sample) [m] over the floor; None where fit does not say."""
    crank = context.told(PULLEY_OVER)
    if crank is None:
        return None
    # Pulleys are told from the crank as the engine stands; a rolled engine's are taped as they lie.
    own = np.stack([outside(way, i) for i in range(len(way.pulleys))])
    middle = np.ravel(crank)[None] + way.route.y
    return np.asarray(middle - own), np.asarray(middle + own)


def ground_spare(context: Context, way: Way) -> Array | None:
    """What the lowest thing hung on the engine keeps over the ground that is kept [m]; None where fit does not say."""
    found, needed = over_floor(context, way), context.installation.ground_needed
    hung = [i for i, p in enumerate(way.pulleys) if p.what not in ("crank", *FREE)]
    if found is None or needed is None or not hung:
        return None
    return np.asarray(found[0][hung].min(axis=0) - needed)


def _room(context: Context, way: Way) -> Iterator[Check]:
    found = over_floor(context, way)
    if found is None:
        return
    lows, highs = found
    needed, bonnet = context.installation.ground_needed, context.told(BONNET_OVER)
    hung = [i for i, p in enumerate(way.pulleys) if p.what not in ("crank", *FREE)]
    if not hung:
        return
    if needed is not None:
        at = min(hung, key=lambda i: float(lows[i, 0]))
        if float(way.route.y[at, 0]) < 0.0:
            yield _kept(way, "ground", "over the ground", at, lows[at], as_array(needed))
    bump = context.told(BUMP)
    if bump is not None:
        at = min(hung, key=lambda i: float(lows[i, 0]))
        if float(way.route.y[at, 0]) < 0.0:
            yield _kept(
                way, "bump", "over axle or ground at the bump stop", at, lows[at] - np.ravel(bump), as_array(BUMPED)
            )
    if bonnet is not None:
        at = max(hung, key=lambda i: float(highs[i, 0]))
        if float(way.route.y[at, 0]) > 0.0:
            yield _kept(way, "bonnet", "under the bonnet", at, np.ravel(bonnet) - highs[at], as_array(BONNET))


def _kept(way: Way, id: str, where: str, at: int, gap: Array, kept: Array) -> Check:
    name = way.name(at)
    return gate(
        f"{way.place}_{id}", f"{name.capitalize()} {where}", way.place, kept, gap, "height",
        f"The pulley of the {name} stands {{capacity}} {where}; keep {{demand}}.", fill=gap_fill(gap, kept),
    )  # fmt: skip
