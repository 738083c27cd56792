"""Where everything lies, to scale, from the side, the front and above; every gap in its worst position."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
from scipy.spatial import ConvexHull, QhullError

from gauge_well.core.geometry.convex import Convex, ring
from gauge_well.core.systems.base import Context, Options, option
from gauge_well.core.systems.fit import pose as search
from gauge_well.core.systems.fit.facts import FitFacts
from gauge_well.core.systems.fit.figures import lowest, ramp
from gauge_well.core.systems.fit.gaps import Close, Pose, Posed, Scene, Stance, gaps, worst
from gauge_well.core.systems.fit.place import sets_of
from gauge_well.core.systems.fit.rooms import solved
from gauge_well.core.systems.fit.shapes import Thing
from gauge_well.core.systems.fit.spread import Spread, half
from gauge_well.core.typing import Array, likely

Point = tuple[float, float]
Spot = tuple[float, float, float]
SHOWN = 14
FAR = 0.5  # m by which it may be dragged from where it lies
TURN = 0.6  # rad


@dataclass(frozen=True)
class Outline:
    """A thing as it is seen [m]: from the side (ahead, over), from the front (left, over), from above (ahead, left)."""

    id: str
    name: str
    moves: str
    what: str
    side: Sequence[Point]
    front: Sequence[Point]
    plan: Sequence[Point]


@dataclass(frozen=True)
class Gap:
    """A pair in its worst position: gap, how far it may be off at 95 %, what is kept [m]; nearest points of both [m]."""

    id: str
    name: str
    unit: str
    machine: str
    gap: float
    off: float | None
    keep: float
    slack: float
    position: str
    stance: int
    at: Spot
    other: Spot


@dataclass(frozen=True)
class LieView:
    """The engine in its space at a pose moved by so much, and in one position on its mounts.

    ``sets``: facts by path that put it there. ``moved``: forward, left, up [m], pitch, yaw, roll [rad] from where it is
    stated to lie.
    """

    things: Sequence[Outline]
    ghost: Sequence[Outline]
    crank: tuple[Spot, Spot]
    pivot: Spot
    gaps: Sequence[Gap]
    stances: Sequence[Stance]
    stance: int
    placed: bool
    moved: tuple[float, float, float, float, float, float]
    lowest: float
    ramp: float | None
    rock: float
    lie: str
    sets: dict[str, float]


def show(context: Context, facts: FitFacts, options: Options) -> LieView:
    """Where everything lies.

    Options
    -------
    ahead, left, up : moved from where it lies [m]; pitch, yaw, roll : turned [rad].
    stance : which position on the mounts is drawn dashed; that of the tightest gap by default.
    """
    found = solved(context, facts)
    scene = found.scene
    moved = _asked(options)
    pose = search.moved(scene.pose, moved)
    close = _gaps(scene, pose) if any(moved) else _doubted(found)
    usual = close[0].stance if close else 1
    stance = int(option(options, "stance", usual, 0, len(scene.stances) - 1))
    posed = Posed(scene, pose)
    turn, at = pose.rotation, pose.shift
    long = likely(facts.unit.length or 0.0)
    return LieView(
        things=[_outline(t.id, t.name, t.moves, t.what, s) for t, s in _all(scene, posed, 0)],
        ghost=[_outline(t.id, t.name, t.moves, t.what, s) for t, s in _all(scene, posed, stance) if t.moves == "unit"],
        crank=(_spot(at), _spot(at + turn @ [long, 0.0, 0.0])),
        pivot=_spot(at + turn @ scene.pivot),
        gaps=close[:SHOWN],
        stances=scene.stances,
        stance=stance,
        placed=facts.placed == "stated",
        moved=moved,
        lowest=lowest(scene)[0] + moved[2],
        ramp=ramp(facts, scene),
        rock=abs(likely(scene.of.rock or 0.0)),
        lie=context.installation.lie,
        sets=sets_of(scene, pose),
    )


def _asked(options: Options) -> tuple[float, float, float, float, float, float]:
    lengths = [option(options, name, 0.0, -FAR, FAR, "m") for name in search.MOVES[:3]]
    turns = [option(options, name, 0.0, -TURN, TURN, "rad") for name in search.MOVES[3:]]
    x, y, z = lengths
    pitch, yaw, roll = turns
    return x, y, z, pitch, yaw, roll


def _all(scene: Scene, posed: Posed, stance: int) -> list[tuple[Thing, Convex]]:
    unit = list(zip(scene.unit, posed.unit[stance], strict=True))
    machine = [(t, own[0]) for t, own in zip(scene.machine, posed.machine, strict=True)]
    return [*((t, s) for t, s in machine if t.id != "ground_bump"), *unit]


def _gaps(scene: Scene, pose: Pose) -> list[Gap]:
    found = gaps(scene, pose)
    return [_gap(item, int(found.stance[item.row]), None) for item in worst(scene, found)]


def _doubted(found: Spread) -> list[Gap]:
    """At the stated place: with how far each gap may be off."""
    off = dict(zip(found.rows.tolist(), half(found.gap).tolist(), strict=True))
    return [
        _gap(item, int(found.found.stance[item.row]), off.get(item.row)) for item in worst(found.scene, found.found)
    ]


def _gap(item: Close, stance: int, off: float | None) -> Gap:
    return Gap(
        id=f"{item.unit.id}-{item.machine.id}",
        name=item.name,
        unit=item.unit.id,
        machine=item.machine.id,
        gap=item.gap,
        off=off,
        keep=item.keep,
        slack=item.slack,
        position=item.position,
        stance=stance,
        at=_spot(item.at),
        other=_spot(item.other),
    )


def _spot(at: Array) -> Spot:
    x, y, z = (float(v) for v in at)
    return x, y, z


def _outline(id: str, name: str, moves: str, what: str, solid: Convex) -> Outline:
    side, front, plan = (_seen(solid, axes) for axes in ((0, 2), (1, 2), (0, 1)))
    return Outline(id, name, moves, what, side, front, plan)


def _seen(solid: Convex, axes: tuple[int, int]) -> list[Point]:
    """The outline of a solid seen along the third axis."""
    points = solid.points[:, axes]
    if solid.radius > 0.0:
        points = (points[:, None] + ring(solid.radius)[None]).reshape(-1, 2)
    try:
        points = points[ConvexHull(points).vertices]
    except QhullError:
        pass
    return [(round(float(x), 5), round(float(y), 5)) for x, y in np.asarray(points)]
