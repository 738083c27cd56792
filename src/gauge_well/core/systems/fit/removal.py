"""The way in and out: straight legs and one that tilts, from above or below, with the gearbox or after it.

A straight leg of a convex solid is the hull of both its ends: exact in one call. A turning leg is looked at every few
degrees. Of each way the gap to everything that stands is kept apart, so that one pass tells what must be off.
"""

from __future__ import annotations

import itertools
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace

import numpy as np

from gauge_well.core.geometry import gjk
from gauge_well.core.geometry.convex import Convex, near
from gauge_well.core.geometry.separating import depth
from gauge_well.core.systems.fit.facts import FitFacts
from gauge_well.core.systems.fit.gaps import Scene, placed_unit
from gauge_well.core.systems.fit.shapes import Thing
from gauge_well.core.typing import Array, likely

NEEDED = 0.010  # m kept on the way (common practice)
FAR = 0.10  # m: farther is as good
OUT = 0.15  # m beyond its own height at which it is out
FORWARD = (0.0, 0.1, 0.2, 0.3, 0.4)  # m along the machine, towards the panel
LIFT = (0.15, 0.30)  # m of rise while it tilts
FARTHER = (0.0, 0.15)  # m beyond its input shaft that an engine is drawn off its gearbox
RAISE = (0.0, 0.07, 0.15)  # m by which engine and gearbox are raised together before they part
TILT = (-30.0, -15.0, 15.0, 30.0)  # degrees, nose up
TURNS = 6  # looks at a turning leg
# The machine itself; all else comes off with spanners.
STAYS = frozenset({"bulkhead", "tunnel", "rail_left", "rail_right", "wing_left", "wing_right", "hull"})
GEARBOX = frozenset({"bell", "gearbox"})


@dataclass(frozen=True)
class Leg:
    """One leg: ahead, left and up [m], nose up [rad]; ``whole``: the gearbox goes with it and is left there."""

    ahead: float
    up: float
    pitch: float = 0.0
    left: float = 0.0
    whole: bool = False

    @property
    def by(self) -> Array:
        """Its shift (3)."""
        return np.array([self.ahead, self.left, self.up])


@dataclass(frozen=True)
class Way:
    """A way out, and in: from ``above`` or ``below``, with the gearbox on or off; legs; what must be off; gap to what
    stays [m] and what it passes so near, and whether it goes at all."""

    side: str
    gearbox: bool
    legs: Sequence[Leg]
    off: Sequence[str]
    gap: float
    nearest: str
    goes: bool
    tried: int = 0


def ways(scene: Scene, facts: FitFacts) -> Iterator[tuple[int, int, Way]]:
    """The best way of each kind: (done, of, way)."""
    kinds = [(side, box) for side in ("above", "below") for box in (True, False)]
    if facts.gearcase.there != "yes":
        kinds = [("above", True), ("below", True)]
    for n, (side, box) in enumerate(kinds, 1):
        yield n, len(kinds), best_way(scene, facts, side, box)


def _starts(facts: FitFacts, scene: Scene, side: str, box: bool) -> Iterator[list[Leg]]:
    """With the gearbox on: towards the open end. Alone: raised together or not, then off the gearbox along the crank."""
    if box:
        toward = 1.0 if opens_ahead(scene) else -1.0
        yield from ([Leg(toward * ahead, 0.0)] if ahead else [] for ahead in FORWARD)
        return
    sign, draw = 1.0 if side == "above" else -1.0, likely(facts.gearcase.spigot)
    for raised, farther in itertools.product(RAISE, FARTHER):
        x, y, z = (float(v) for v in scene.pose.rotation[:, 0] * (draw + farther))
        start = [Leg(0.0, sign * raised, whole=True)] if raised else []
        yield [*start, Leg(x, z, left=y)] if draw + farther > 0.0 else start


def _paths(facts: FitFacts, scene: Scene, side: str, box: bool, height: float) -> Iterator[list[Leg]]:
    sign = 1.0 if side == "above" else -1.0
    up = sign * height
    for start in _starts(facts, scene, side, box):
        yield [*start, Leg(0.0, up)]
        if box and start:
            yield from ([Leg(0.0, sign * lift), *start, Leg(0.0, up)] for lift in LIFT)
        for lift in LIFT:
            for tilt in TILT:
                yield [*start, Leg(0.0, sign * lift, float(np.deg2rad(tilt))), Leg(0.0, up)]


def best_way(scene: Scene, facts: FitFacts, side: str, box: bool) -> Way:
    """Of all paths tried the one that needs least off, then with most room."""
    unit = [k for k, t in enumerate(scene.unit) if not t.drawn and t.moves == "unit" and (box or t.id not in GEARBOX)]
    still = placed_unit(scene, (scene.pose.rotation, scene.pose.shift), scene.stances[0])
    own = [still[k] for k in unit]
    whole = [s for s, t in zip(still, scene.unit, strict=True) if not t.drawn and t.moves == "unit"]
    stands = [t for t in scene.machine if t.moves not in ("ground", "ground_bump") and t.whole != "bonnet"]
    names = sorted({t.whole for t in stands})
    low = min(float(s.low[2]) for s in own)
    high = max(float(s.high[2]) for s in own)
    tops = max(float(t.solid.points[:, 2].max()) for t in stands if t.whole != "bulkhead")
    height = max(tops - low, high - low) + OUT
    first: dict[tuple[float, ...], Array] = {}
    best: Way | None = None
    tried = 0
    for path in _paths(facts, scene, side, box, height):
        tried += 1
        gap = np.full(len(names), FAR)
        at = own
        where: tuple[float, ...] = (0.0, 0.0, 0.0, 0.0)
        for leg in path:
            key = (*where, leg.ahead, leg.left, leg.up, leg.pitch, float(leg.whole))
            if key not in first:
                first[key] = _leg(whole if leg.whole else at, leg, stands, names, scene.pose.shift)
            gap = np.minimum(gap, first[key])
            at = _moved(at, leg, scene.pose.shift)
            where = (where[0] + leg.ahead, where[1] + leg.left, where[2] + leg.up, where[3] + leg.pitch)
        way = _way(side, box, path, gap, names)
        if best is None or _rank(way) < _rank(best):
            best = way
    assert best is not None
    return replace(best, tried=tried)


def opens_ahead(scene: Scene) -> bool:
    """Whether the open end of the space lies ahead of the engine."""
    panel = next(t for t in scene.machine if t.id == "panel")
    return bool(panel.solid.points[:, 0].mean() > scene.pose.shift[0])


def _way(side: str, box: bool, path: Sequence[Leg], gap: Array, names: Sequence[str]) -> Way:
    # What the builder stated was put there and can be taken away.
    off = [name for name, g in zip(names, gap, strict=True) if g < NEEDED and name not in STAYS]
    stays = [(float(g), name) for name, g in zip(names, gap, strict=True) if name not in off]
    least, nearest = min(stays, default=(1.0, ""))
    return Way(side, box, path, off, least, nearest, least >= NEEDED)


def _rank(way: Way) -> tuple[float, ...]:
    return (not way.goes, -way.gap if not way.goes else 0.0, len(way.off), len(way.legs), -way.gap)


def carried(point: Array, legs: Sequence[Leg], about: Array) -> list[Array]:
    """Where a point of the engine (3) is at the end of each leg."""
    found = []
    for leg in legs:
        point = about + _nose_up(leg.pitch) @ (point - about) + leg.by
        found.append(point)
    return found


def _nose_up(pitch: float) -> Array:
    c, s = np.cos(pitch), np.sin(pitch)
    return np.array([[c, 0.0, -s], [0.0, 1.0, 0.0], [s, 0.0, c]])  # nose up is positive for one that faces ahead


def _turned(solids: Sequence[Convex], pitch: float, about: Array) -> list[Convex]:
    turn = _nose_up(pitch)
    return [solid.moved(turn, about - turn @ about) for solid in solids]


def _moved(solids: Sequence[Convex], leg: Leg, about: Array) -> list[Convex]:
    turned = _turned(solids, leg.pitch, about) if leg.pitch else list(solids)
    return [s.shifted(leg.by) for s in turned]


def _leg(own: Sequence[Convex], leg: Leg, stands: Sequence[Thing], names: Sequence[str], about: Array) -> Array:
    """Least gap to each thing over one leg."""
    if leg.pitch:
        shares = np.linspace(0.0, 1.0, TURNS)
        looks = [_moved(own, Leg(f * leg.ahead, f * leg.up, f * leg.pitch, f * leg.left), about) for f in shares]
        return _gaps([solid for look in looks for solid in look], stands, names)
    return _gaps([s.swept(leg.by) for s in own], stands, names)


def _gaps(solids: Sequence[Convex], stands: Sequence[Thing], names: Sequence[str]) -> Array:
    found = np.full(len(names), FAR)
    low, high = (np.array([getattr(s, n) for s in solids]) for n in ("low", "high"))
    other_low, other_high = (np.array([getattr(t.solid, n) for t in stands]) for n in ("low", "high"))
    close = near(low, high, other_low, other_high, FAR)
    pairs = [(solids[i], stands[j]) for i, j in zip(*np.nonzero(close), strict=True)]
    if not pairs:
        return found
    gap = gjk.gaps([s for s, _ in pairs], [t.solid for _, t in pairs])
    for (solid, thing), g in zip(pairs, gap, strict=True):
        k = names.index(thing.whole)
        if g <= 0.0:
            # How deep is asked only where it tells two blocked ways apart.
            g = -depth(solid, thing.solid)[0] if found[k] > 0.0 else 0.0
        found[k] = min(found[k], g)
    return found
