"""Gaps between engine and machine over all they do: rock, bounce, steering lock, bump; in one batch."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, fields
from functools import cached_property

import numpy as np
from numpy.typing import NDArray

from gauge_well.core.facts import need
from gauge_well.core.geometry import gjk
from gauge_well.core.geometry.convex import Convex, near, padded
from gauge_well.core.geometry.frames import engine_to_vehicle
from gauge_well.core.geometry.separating import depth
from gauge_well.core.installation import LIES, Lie
from gauge_well.core.systems.fit import shapes
from gauge_well.core.systems.fit.facts import FitFacts
from gauge_well.core.systems.fit.shapes import Thing
from gauge_well.core.typing import Array, likely

LOOKED_AT = 0.15  # m over what is kept, beyond which a pair's boxes are of no interest
MATTERS, ARM = 0.08, 0.7  # m of slack at rest, and as much more as its far ends move on their arm
GROWTH = 12e-6 * 80.0  # iron and light alloy from cold to hot: a share of each length
HUNG = "hung"


@dataclass(frozen=True)
class Pose:
    """Where the bell's face stands on the crank's line [m, machine's axes], and how the engine is turned [rad]."""

    x: float
    y: float
    z: float
    yaw: float
    pitch: float
    roll: float

    @property
    def rotation(self) -> Array:
        """From engine to machine axes (3, 3)."""
        return engine_to_vehicle(self.yaw, self.pitch, self.roll)

    @property
    def shift(self) -> Array:
        """Its place (3)."""
        return np.array([self.x, self.y, self.z])

    def to(
        self, dx: float = 0.0, dy: float = 0.0, dz: float = 0.0, pitch: float = 0.0, yaw: float = 0.0, roll: float = 0.0
    ) -> Pose:
        """The same moved [m] and turned [rad]."""
        return Pose(self.x + dx, self.y + dy, self.z + dz, self.yaw + yaw, self.pitch + pitch, self.roll + roll)


@dataclass(frozen=True)
class Swing:
    """The line the engine rocks about: along the crank, or across it where it ``nods``; ahead of the bell's face and left of
    the crank [m], None ahead where nobody says."""

    nods: bool = False
    ahead: float | None = None
    left: float = 0.0


@dataclass(frozen=True)
class Turned:
    """How the engine lies in the machine [rad], the ground kept [m], the preset, and what it rocks about."""

    lie: str
    yaw: float
    pitch: float
    roll: float
    ground: float
    swing: Swing = Swing()


def pose_of(facts: FitFacts, turned: Turned) -> Pose:
    """Where the bell's face is, from the place of the pulley's front.

    Raises
    ------
    MissingFact
        Without the engine's length or the space's.
    """
    lie: Lie = LIES[turned.lie]
    faced, toward = shapes.faced(facts, lie)
    at = np.array([faced - toward * likely(facts.from_panel), likely(facts.crank_left), likely(facts.crank_height)])
    length = likely(need(facts.unit.length, "fit.unit.length"))
    turn = engine_to_vehicle(turned.yaw, turned.pitch, turned.roll)
    x, y, z = at - turn @ np.array([length, 0.0, 0.0])
    return Pose(float(x), float(y), float(z), turned.yaw, turned.pitch, turned.roll)


@dataclass(frozen=True)
class Stance:
    """One position of the engine on its mounts: turned [rad] about the elastic axis, then lifted [m]."""

    name: str
    rock: float
    lift: float


def stances(facts: FitFacts) -> list[Stance]:
    """At rest, full torque in first, the same in reverse, sunk and lifted on the mounts."""
    rock, bounce = likely(facts.rock or 0.0), likely(facts.bounce or 0.0)
    return [
        Stance("at rest", 0.0, 0.0),
        Stance("rocked in first", rock, 0.0),
        Stance("rocked in reverse", -rock, 0.0),
        Stance("sunk on its mounts", 0.0, -bounce),
        Stance("lifted on its mounts", 0.0, bounce),
    ]


@dataclass(frozen=True)
class Place:
    """One position of a thing of the machine: shifted [m]."""

    name: str
    shift: tuple[float, float, float]


STILL = (Place("", (0.0, 0.0, 0.0)),)


def places(facts: FitFacts, moves: str) -> Sequence[Place]:
    """What a group of the machine does."""
    if moves == "steer":
        travel = likely(facts.steering.travel)
        return (*STILL, Place("full lock left", (0.0, travel, 0.0)), Place("full lock right", (0.0, -travel, 0.0)))
    if moves == "unsprung":
        return (*STILL, Place("full bump", (0.0, 0.0, likely(facts.bay.bump))))
    if moves == "ground_bump":
        return (Place("full bump", (0.0, 0.0, likely(facts.bay.bump))),)
    return STILL


# Gap kept, by what the engine's thing is and what the machine's.
SOFT = ("hose", "brakes", "tank", "battery")


def kept(facts: FitFacts, ground: float, unit: Thing, machine: Thing) -> float:
    """Gap kept between two things [m]: the first that speaks of them."""
    what, other = unit.what, machine.what
    hot = "manifold" in (what, other) or "pipe" in (what, other)
    if machine.moves == "ground":
        return ground
    if machine.moves == "ground_bump" or other == "axle":
        return likely(facts.keep_bump)
    if other == "steering":
        return likely(facts.keep_steering)
    if hot:
        return likely(facts.keep_hot_soft if other in SOFT or what in SOFT else facts.keep_hot)
    if other == "hose" or what == "hose":
        return likely(facts.keep_hose)
    if what == "fan" and other == "core":
        return likely(facts.keep_core)
    if what in ("belt", "fan"):
        return likely(facts.keep_belt)
    if other == "bonnet":
        return likely(facts.keep_bonnet)
    if what == "pan" and other == "member":
        return likely(facts.keep_member)
    return likely(facts.keep_metal)


@dataclass(frozen=True, eq=False)
class Scene:
    """All that stands and moves, ready to be posed: the engine's things in its axes, the machine's in its own."""

    unit: Sequence[Thing]
    machine: Sequence[Thing]
    pose: Pose
    stances: Sequence[Stance]
    pivot: Array  # a point of the elastic axis, engine axes
    pairs: Sequence[tuple[int, int]]
    keep: Array  # (pair)
    of: FitFacts
    lie: str
    nods: bool = False

    @cached_property
    def ids(self) -> Sequence[str]:
        """Of all things, the engine's first."""
        return [t.id for t in (*self.unit, *self.machine)]

    def drawn_off(self, pair: int) -> bool:
        """Whether a pair is of something that draws off, which nobody does while the engine moves."""
        return self.unit[self.pairs[pair][0]].drawn

    def rocked(self, stance: Stance) -> tuple[Array, Array]:
        """Matrix and shift of a position on the mounts, in engine axes, grown by heat."""
        c, s = np.cos(stance.rock), np.sin(stance.rock)
        rolled = [[1.0, 0.0, 0.0], [0.0, c, -s], [0.0, s, c]]
        nodded = [[c, 0.0, s], [0.0, 1.0, 0.0], [-s, 0.0, c]]
        turn = np.array(nodded if self.nods else rolled) * (1.0 + GROWTH)
        return turn, self.pivot - turn @ self.pivot


def scene_of(facts: FitFacts, turned: Turned, like: Scene | None = None) -> Scene:
    """Everything in its place; MissingFact names what is not measured. ``like``: of the same things, sizes apart."""
    lie = LIES[turned.lie]
    pose = pose_of(facts, turned)
    own = shapes.own_things(facts)
    off = shapes.draw_off(facts)
    own += [shapes.swept(t, off[t.id]) for t in own if t.id in off]
    unit = [*shapes.unit_things(facts), *(t for t in own if t.moves == "unit")]
    machine = [*shapes.machine_things(facts, lie), *(t for t in own if t.moves not in ("unit", HUNG))]
    machine += [_bumped(t) for t in machine if t.moves == "ground" and likely(facts.bay.bump)]
    hung = [t for t in own if t.moves == HUNG]
    unit += hung
    length = likely(need(facts.unit.length, "fit.unit.length"))
    swing = turned.swing
    ahead = 0.4 * length if swing.ahead is None else swing.ahead
    pivot = np.array([ahead, swing.left, likely(facts.rock_height or 0.0)])
    if like is not None and like.ids == [t.id for t in (*unit, *machine)]:
        return Scene(unit, machine, pose, stances(facts), pivot, like.pairs, like.keep, facts, turned.lie, swing.nods)
    pairs = [
        (i, j)
        for i, a in enumerate(unit)
        for j, b in enumerate(machine)
        # What draws off is judged against what stands, not as it rocks over the road.
        if not (a.drawn and b.moves == "ground_bump")
    ]
    keep = np.array([_keep(facts, turned, unit[i], machine[j]) for i, j in pairs])
    return Scene(unit, machine, pose, stances(facts), pivot, pairs, keep, facts, turned.lie, swing.nods)


def _bumped(ground: Thing) -> Thing:
    return Thing("ground_bump", "Ground at full bump", "ground_bump", "ground", ground.solid)


def _keep(facts: FitFacts, turned: Turned, unit: Thing, machine: Thing) -> float:
    return likely(facts.keep_draw) if unit.drawn else kept(facts, turned.ground, unit, machine)


def placed_unit(scene: Scene, at: tuple[Array, Array], stance: Stance) -> list[Convex]:
    """The engine's things in the machine's axes at a pose (its matrix and shift), in a position on its mounts."""
    turn, shift = scene.rocked(stance)
    matrix, way = at[0] @ turn, at[0] @ shift + at[1] + (0.0, 0.0, stance.lift)
    return [
        _hung(scene, thing, matrix, way) if thing.moves == HUNG else thing.solid.moved(matrix, way)
        for thing in scene.unit
    ]


def _hung(scene: Scene, thing: Thing, matrix: Array, way: Array) -> Convex:
    """First end with the engine, last where the body holds it: that does not follow the pose."""
    first, last = thing.solid.points
    end = scene.pose.rotation @ first + scene.pose.shift + (last - first)
    return Convex(np.array([matrix @ first + way, end]), thing.solid.radius)


@dataclass(frozen=True)
class Gaps:
    """Every pair near enough to matter, in each of its positions.

    Of each (row): which pair, which stance, which place; gap [m], below nought by how deep they are in each other;
    direction (3) from the engine's thing to the machine's, and the nearest points (3) of both; of those that meet the
    deepest ones.
    """

    pair: NDArray[np.int_]
    stance: NDArray[np.int_]
    place: NDArray[np.int_]
    gap: Array
    direction: Array
    at: Array
    other: Array
    keep: Array

    @property
    def slack(self) -> Array:
        """Gap over what is kept [m]."""
        return np.asarray(self.gap - self.keep)


def gaps(scene: Scene, pose: Pose | None = None) -> Gaps:
    """Gaps of a scene at a pose, its own where none is given.

    At rest all pairs whose boxes come near, with all the machine's things do; on the mounts those that can matter then.
    """
    posed = Posed(scene, pose or scene.pose)
    rest = solve(scene, posed.rows(posed.near(LOOKED_AT), [0]))
    moves = max(ARM * abs(s.rock) + abs(s.lift) for s in scene.stances)
    close = [n for n in np.unique(rest.pair[rest.slack < MATTERS + moves]).tolist() if not scene.drawn_off(n)]
    moved = solve(scene, posed.rows([(*scene.pairs[n], n) for n in close], range(1, len(scene.stances))))
    return _joined(rest, moved)


def again(scene: Scene, pose: Pose, found: Gaps, rows: NDArray[np.intp]) -> Gaps:
    """Some rows of gaps at another pose."""
    posed = Posed(scene, pose)
    own = []
    for k in rows:
        i, j = scene.pairs[int(found.pair[k])]
        stance, place = int(found.stance[k]), int(found.place[k])
        own.append(Row(int(found.pair[k]), stance, place, posed.unit[stance][i], posed.machine[j][place]))
    return solve(scene, own)


def _joined(a: Gaps, b: Gaps) -> Gaps:
    return Gaps(*(np.concatenate([getattr(a, f.name), getattr(b, f.name)]) for f in fields(Gaps)))


def solve(scene: Scene, rows: Sequence[Row]) -> Gaps:
    """Gaps of some rows in one batch; those that meet by how deep they are in each other."""
    if not rows:
        no = np.zeros(0)
        index = np.zeros(0, dtype=int)
        spots = np.zeros((0, 3))
        return Gaps(index, index, index, no, spots, spots, spots, no)
    a, ra = padded([r.first for r in rows])
    b, rb = padded([r.second for r in rows])
    apart = gjk.distance(a, b)
    gap = apart.distance - ra - rb
    direction, at = apart.direction.copy(), apart.first + apart.direction * ra[:, None]
    other = apart.second - apart.direction * rb[:, None]
    for k in np.flatnonzero(apart.distance <= 0.0).tolist():
        deep, way = depth(rows[k].first, rows[k].second)
        gap[k], direction[k] = -deep, way
        points = rows[k].first.points
        at[k] = points[int(np.argmax(points @ way))] + way * ra[k]
        points = rows[k].second.points
        other[k] = points[int(np.argmin(points @ way))] - way * rb[k]
    pair, stance, place = (np.array([getattr(r, n) for r in rows]) for n in ("pair", "stance", "place"))
    return Gaps(pair, stance, place, gap, direction, at, other, scene.keep[pair])


@dataclass(frozen=True)
class Row:
    """A pair in one of its positions."""

    pair: int
    stance: int
    place: int
    first: Convex
    second: Convex


class Posed:
    """A scene at a pose: the engine's things where each position on the mounts puts them, the machine's where they go."""

    def __init__(self, scene: Scene, pose: Pose, faces: bool = False) -> None:
        self.scene = scene
        if faces:
            for thing in (*scene.unit, *scene.machine):
                _ = thing.solid.normals  # found once, and turned with each
        at = pose.rotation, pose.shift
        self.unit = [placed_unit(scene, at, stance) for stance in scene.stances]
        self.machine = [
            [thing.solid.shifted(np.array(p.shift)) for p in places(scene.of, thing.moves)] for thing in scene.machine
        ]

    def near(self, within: float) -> list[tuple[int, int, int]]:
        """Pairs whose boxes come within a distance of what they keep, whatever they do: (engine's, machine's, pair)."""
        low = np.array([[s.low for s in own] for own in self.unit]).min(axis=0)
        high = np.array([[s.high for s in own] for own in self.unit]).max(axis=0)
        other_low = np.array([np.min([s.low for s in own], axis=0) for own in self.machine])
        other_high = np.array([np.max([s.high for s in own], axis=0) for own in self.machine])
        close = near(low, high, other_low, other_high, within + float(self.scene.keep.max(initial=0.0)))
        return [(i, j, n) for n, (i, j) in enumerate(self.scene.pairs) if close[i, j]]

    def rows(self, pairs: Sequence[tuple[int, int, int]], stances: Sequence[int]) -> list[Row]:
        """Those pairs in some positions on the mounts, and in all the machine's thing has."""
        return [
            Row(n, k, m, self.unit[k][i], solid)
            for i, j, n in pairs
            for k in stances
            for m, solid in enumerate(self.machine[j])
        ]


@dataclass(frozen=True)
class Close:
    """The worst position of one pair."""

    unit: Thing
    machine: Thing
    gap: float
    keep: float
    position: str
    direction: Array
    at: Array
    other: Array
    row: int

    @property
    def slack(self) -> float:
        """Gap over what is kept [m]."""
        return self.gap - self.keep

    @property
    def name(self) -> str:
        """As a builder says it."""
        return f"{self.unit.name} and {self.machine.name.lower()}"


def worst(scene: Scene, found: Gaps) -> list[Close]:
    """Each pair at its worst, the tightest first; things of one name are one, a bulkhead's parts among them."""
    best: dict[tuple[str, str], Close] = {}
    for row in np.argsort(found.slack, kind="stable"):
        item = close_of(scene, found, int(row))
        best.setdefault((item.unit.name, item.machine.name), item)
    return list(best.values())


def close_of(scene: Scene, found: Gaps, row: int) -> Close:
    """One position of a pair in words."""
    i, j = scene.pairs[int(found.pair[row])]
    unit, machine = scene.unit[i], scene.machine[j]
    place = places(scene.of, machine.moves)[int(found.place[row])].name
    position = ", ".join(part for part in (scene.stances[int(found.stance[row])].name, place) if part)
    gap, keep = float(found.gap[row]), float(found.keep[row])
    return Close(unit, machine, gap, keep, position, found.direction[row], found.at[row], found.other[row], row)
