"""A belt's way: its pulleys in order, its length, where the arm stands, what is to be bought."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace
from functools import cached_property

import numpy as np
from numpy.typing import NDArray

from gauge_well.core.errors import MissingFact
from gauge_well.core.geometry.belt import Route, clearance, route
from gauge_well.core.parts.belt import SECTIONS, BeltFacts
from gauge_well.core.parts.pulley import BELTS, WHATS, PulleyFacts
from gauge_well.core.sentence import numbered
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.belts.facts import PLACES, BeltsFacts
from gauge_well.core.typing import Array, Value, as_array, likely

BACK = 1.2e-3  # m from the back to the cord (common practice)
THICK = 4.5e-3  # m of belt past its cord (common practice)
STEP = 5e-3  # m between lengths sold
MADE = 4e-3  # m that a length is off as made (common practice)
KEPT = 0.15  # of an arm's travel kept at either end (common practice)
LEVER = 0.6  # of arm x 2 sin(wrap/2) that the length answers an arm by; under it the arm is near its dead point (common practice)
DEAD = 0.2  # of that, under which it takes up none worth the name
CLEAR = 4e-3  # m a span keeps from what it does not touch (common practice)
STEPS = 41  # places of an arm that are followed


@dataclass(frozen=True)
class Way:
    """One belt: its place, facts, pulleys in order with their ids, and the route through them; samples on the last axis."""

    place: str
    facts: BeltFacts
    ids: Sequence[str]
    pulleys: Sequence[PulleyFacts]
    route: Route

    @property
    def crank(self) -> int:
        """Place of the crank in the order."""
        return next(i for i, p in enumerate(self.pulleys) if p.what == "crank")

    @property
    def arm(self) -> int | None:
        """Place of the tensioner; None where there is none."""
        return next((i for i, p in enumerate(self.pulleys) if p.what == "tensioner"), None)

    @cached_property
    def swings(self) -> Arm | None:
        """Its arm about where it is stated; None where there is none or its pivot is not stated."""
        return arm_of(self)

    @property
    def cord(self) -> float:
        """Cord outside a grooved pulley's stated diameter [m]."""
        return SECTIONS[self.facts.section].cord

    @property
    def effective(self) -> Array:
        """Length as belts are sold [m]: at the grooved pulleys' stated diameter, not at the cord."""
        return np.asarray(self.route.length - 2.0 * np.pi * self.cord)

    @property
    def closes(self) -> bool:
        """Whether there is such a belt."""
        return bool(self.route.closes.flat[0])

    @property
    def ratios(self) -> Array:
        """Turns of each pulley to one of the crank."""
        return np.asarray(self.route.radius[self.crank] / self.route.radius)

    def name(self, at: int) -> str:
        """A pulley as it is said; with a number where several are alike."""
        label = WHATS[self.pulleys[at].what or "other"].label
        alike = [i for i, p in enumerate(self.pulleys) if p.what == self.pulleys[at].what]
        return numbered(label, alike, at)

    @property
    def said(self) -> str:
        """The belt as it is said."""
        return BELTS[self.place]


def lacks(facts: BeltsFacts, place: str) -> tuple[str, ...]:
    """What is not stated of a belt's pulleys: two of them, the crank among them, each with place and size."""
    own = [(id, p) for id, p in facts.pulleys if p.on == place]
    found = []
    for id, pulley in own:
        for name in ("what", "right", "up", "diameter"):
            if getattr(pulley, name) is None and not (pulley.what == "crank" and name in ("right", "up")):
                found.append(f"belts.pulleys.{id}.{name}")
    if not found and (len(own) < 2 or not any(p.what == "crank" for _, p in own)):
        found.append("belts.pulleys")
    return tuple(found)


def places(facts: BeltsFacts) -> tuple[str, ...]:
    """The belts there are."""
    return PLACES[facts.count]


def way_of(context: Context, facts: BeltsFacts, place: str) -> Way:
    """A belt through its pulleys; MissingFact names what is absent."""
    missing = lacks(facts, place)
    if missing:
        raise MissingFact(missing[0])
    belt: BeltFacts = getattr(facts, place)
    return context.remember(f"way_{place}", (facts.pulleys, belt), lambda: _worked(facts, belt, place))


def ways(context: Context, facts: BeltsFacts) -> list[Way]:
    """Every belt that is told of."""
    return [way_of(context, facts, place) for place in places(facts) if not lacks(facts, place)]


def _worked(facts: BeltsFacts, belt: BeltFacts, place: str) -> Way:
    own = [(id, p) for id, p in facts.pulleys if p.on == place]
    return placed(place, belt, [id for id, _ in own], [p for _, p in own])


def _stacked(values: Sequence[Value]) -> Array:
    return np.stack(np.broadcast_arrays(*(np.ravel(as_array(v)) for v in values)))


def placed(place: str, belt: BeltFacts, ids: Sequence[str], pulleys: Sequence[PulleyFacts]) -> Way:
    """A belt through pulleys whose places and sizes are all stated."""
    cord = SECTIONS[belt.section].cord
    inside = [p.side == "grooved" for p in pulleys]
    x = _stacked([0.0 if p.right is None else p.right for p in pulleys])
    y = _stacked([0.0 if p.up is None else p.up for p in pulleys])
    half = [0.5 * as_array(0.1 if p.diameter is None else p.diameter) for p in pulleys]
    radius = _stacked([d + (cord if i else BACK) for d, i in zip(half, inside, strict=True)])
    sense = _stacked([1.0 if i else -1.0 for i in inside])
    return Way(place, belt, ids, pulleys, route(x, y, radius, sense))


def moved(way: Way, at: int, right: Value, up: Value) -> Way:
    """The same with a pulley elsewhere; an arm's pivot goes with its pulley's bracket, so stays."""
    pulleys = [replace(p, right=right, up=up) if i == at else p for i, p in enumerate(way.pulleys)]
    return placed(way.place, way.facts, way.ids, pulleys)


def elsewhere(way: Way, at: int, x: Array, y: Array) -> Route:
    """Routes with one pulley at many places [m], all else at its likely value."""
    xs = np.repeat(way.route.x[:, :1], x.size, axis=1)
    ys = np.repeat(way.route.y[:, :1], x.size, axis=1)
    xs[at], ys[at] = x, y
    return route(xs, ys, way.route.radius[:, :1], way.route.sense[:, :1])


def no_way(way: Way) -> str:
    """Why a belt has no way, in words; empty where it has."""
    found = way.route
    if way.closes:
        return ""
    x, y, signed = found.x[:, 0], found.y[:, 0], (found.sense * found.radius)[:, 0]
    count = len(x)
    for i in range(count):
        j = (i + 1) % count
        if np.hypot(x[j] - x[i], y[j] - y[i]) <= abs(signed[i] - signed[j]) + 1e-9:
            return f"Between {way.name(i)} and {way.name(j)} no belt can pass: they lie too near for the sides they turn it to"
    turns = float(np.sum(found.sense[:, 0] * found.wraps[:, 0])) / (2.0 * np.pi)
    if turns > 1.5:
        full = int(np.argmax(found.wraps[:, 0]))
        return f"In this order the belt would have to wind {turns:.0f} times; look at {way.name(full)}: order counter-clockwise, its side"
    return "In this order the belt crosses itself: list its pulleys counter-clockwise as seen from the front"


def least_gap(way: Way) -> tuple[Array, str] | None:
    """Least gap of a span to a pulley it does not touch [m] with the pulley's name; None where there are only two."""
    if len(way.pulleys) < 3:
        return None
    gaps = clearance(way.route, THICK)
    flat = gaps.reshape(-1, gaps.shape[-1])
    worst = int(np.argmin(flat[:, 0]))
    return np.asarray(flat.min(axis=0)), way.name(worst % len(way.pulleys))


@dataclass(frozen=True)
class Arm:
    """A tensioner's arm about where it is stated: angles [rad] (step, sample), effective lengths the belt has there [m], which
    close; how the length answers the arm [m/rad], and the most that it could."""

    angles: Array
    lengths: Array
    closes: NDArray[np.bool_]
    answers: Array
    most: Array
    reach: float
    stands: float

    def window(self, section: str) -> tuple[Array, Array]:
        """Effective lengths to buy [m], least and most: new and worn, the arm keeps a share of its travel at either end."""
        half = np.max(np.abs(self.angles), axis=0)
        inside = (np.abs(self.angles) <= (1.0 - 2.0 * KEPT) * half + 1e-9) & self.closes
        low = np.min(np.where(inside, self.lengths, np.inf), axis=0)
        high = np.max(np.where(inside, self.lengths, -np.inf), axis=0)
        none = ~inside.any(axis=0)
        low, high = np.where(none, 0.0, low), np.where(none, 0.0, high)
        return low + MADE, high / (1.0 + SECTIONS[section].stretch) - MADE


def arm_of(way: Way) -> Arm | None:
    """The arm as it stands, half way through its travel; None where there is none or its pivot is not stated."""
    at = way.arm
    if at is None:
        return None
    pulley = way.pulleys[at]
    if pulley.pivot_right is None or pulley.pivot_up is None:
        return None
    px, py = np.ravel(as_array(pulley.pivot_right)), np.ravel(as_array(pulley.pivot_up))
    x, y = way.route.x, way.route.y
    reach, stands = np.hypot(x[at] - px, y[at] - py), np.arctan2(y[at] - py, x[at] - px)
    half = 0.5 * np.ravel(as_array(pulley.travel))
    n = max(x.shape[1], reach.size, half.size)
    share = np.linspace(-1.0, 1.0, STEPS)[:, None]
    angles = np.broadcast_to(share * half, (STEPS, n))
    xs = np.broadcast_to(x[:, None], (len(x), STEPS, n)).copy()
    ys = np.broadcast_to(y[:, None], (len(x), STEPS, n)).copy()
    xs[at], ys[at] = px + reach * np.cos(stands + angles), py + reach * np.sin(stands + angles)
    found = route(xs, ys, way.route.radius[:, None], way.route.sense[:, None])
    mid = STEPS // 2
    slope = (found.length[mid + 1] - found.length[mid - 1]) / (angles[mid + 1] - angles[mid - 1])
    most = 2.0 * np.sin(0.5 * way.route.wraps[at]) * reach
    lengths = np.broadcast_to(found.length - 2.0 * np.pi * way.cord, (STEPS, n))
    closes = np.broadcast_to(found.closes, (STEPS, n))
    return Arm(angles, lengths, closes, np.asarray(slope), np.asarray(most), likely(reach), likely(stands))


def window(way: Way) -> tuple[Array, Array] | None:
    """Effective lengths to buy [m], least and most, the first over the second where none will do; None where an arm's pivot is not
    stated."""
    stretch = SECTIONS[way.facts.section].stretch
    if way.arm is None:
        now = way.effective
        takes = as_array(way.facts.slot)
        return np.asarray(now - 0.5 * takes + MADE), np.asarray((now + 0.5 * takes) / (1.0 + stretch) - MADE)
    arm = way.swings
    return None if arm is None else arm.window(way.facts.section)


def sold(low: float, high: float) -> list[float]:
    """Lengths sold between two [m]."""
    first, last = int(np.ceil(low / STEP - 1e-9)), int(np.floor(high / STEP + 1e-9))
    return [round(k * STEP, 6) for k in range(first, last + 1)]
