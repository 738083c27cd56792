"""The unit on its mounts, side and end on, at rest and in a load case: what each mount carries, how far it goes."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.systems.base import Context, Options, option
from gauge_well.core.systems.mounts.facts import MountsFacts
from gauge_well.core.systems.mounts.model import DENSE, Held, held
from gauge_well.core.typing import Array, likely

Point = tuple[float, float]


@dataclass(frozen=True)
class Mount:
    """A mount: place ahead of the bell's face, left of the crank and over it [m]; what it carries at rest and in the case
    shown, upright [N]; the most in any case [N] and which; how far it goes in the case shown [m], and its travel [m]."""

    id: str
    name: str
    at: tuple[float, float, float]
    rest: float
    load: float
    most: float
    worst: str
    moved: float
    travel: float


@dataclass(frozen=True)
class LoadCase:
    """A load case by name: turn about the line it rocks about [rad], how far the balance point goes up, and towards the
    engine's front [m]."""

    name: str
    rock: float
    lift: float
    along: float


@dataclass(frozen=True)
class LoadsView:
    """Mounts, the balance point and a point of the line it rocks about (engine axes, from bell's face and crank [m]), ``nods``: which lies
    across the crank; a box as large as such
    a unit, seen from the side and from the flywheel's end, at rest and moved as in the case shown; all cases; torque that
    is reacted [N m], whether the tyres cap it; thrust [N], mass [kg], sink [m]; ``stated``: the mounts are."""

    mounts: Sequence[Mount]
    balance: tuple[float, float, float]
    axis: tuple[float, float, float]
    nods: bool
    side: Sequence[Point]
    end: Sequence[Point]
    side_moved: Sequence[Point]
    end_moved: Sequence[Point]
    cases: Sequence[LoadCase]
    case: int
    torque: float
    capped: bool
    thrust: float
    mass: float
    sink: float
    stated: bool


def show(context: Context, facts: MountsFacts, options: Options) -> LoadsView:
    """Options: ``case`` by its place; pulling away in first by default."""
    found = held(context, facts)
    shocks, torques = found.shocked, found.torqued
    names = [*shocks.names, *torques.names]
    k = int(option(options, "case", len(shocks.names), 0, len(names) - 1))
    q = np.concatenate([shocks.q[0], torques.q[0]])
    carried = np.concatenate([shocks.carried[0], torques.carried[0]])
    size = np.linalg.norm(carried, axis=-1)
    gone = np.concatenate([shocks.moved[0], torques.moved[0]])
    mounts = [
        Mount(
            id=foot.id,
            name=foot.name,
            at=(likely(foot.ahead), likely(foot.left), likely(foot.over)),
            rest=float(carried[0, n, 2]),
            load=float(carried[k, n, 2]),
            most=float(size[:, n].max()),
            worst=names[int(size[:, n].argmax())],
            moved=float(np.abs(gone[k, n]).max()),
            travel=likely(foot.travel),
        )
        for n, foot in enumerate(found.stood.feet)
    ]
    ahead, left, over = (float(v[0]) for v in found.axis)
    side, end = _box(found)
    x, y, z = (float(v) for v in found.stood.centre[0])
    return LoadsView(
        mounts=mounts,
        balance=(x, y, z),
        axis=(ahead, left, over),
        nods=found.nods,
        side=_seen(side, (0, 2)),
        end=_seen(end, (1, 2)),
        side_moved=_seen(_moved(found, side, q[k]), (0, 2)),
        end_moved=_seen(_moved(found, end, q[k]), (1, 2)),
        cases=[
            LoadCase(name[:1].upper() + name[1:], float(by[4 if found.nods else 3]), float(by[2]), float(by[0]))
            for name, by in zip(names, q, strict=True)
        ],
        case=k,
        torque=float(np.minimum(found.torque.output, found.torque.cap)[0]),
        capped=found.torque.capped,
        thrust=float(abs(found.thrust[0, 0])),
        mass=float(found.stood.mass[0]),
        sink=likely(found.sink),
        stated=bool(facts.mounts),
    )


def _box(found: Held) -> tuple[Array, Array]:
    """Corners, seen from the side and from an end, of a box as large as such a unit, about its balance point."""
    wide = float(np.cbrt(0.5 * found.stood.mass[0] / DENSE))
    x, y, z = found.stood.centre[0]
    a, b = wide, 0.5 * wide
    side = np.array([[x - a, y, z - b], [x + a, y, z - b], [x + a, y, z + b], [x - a, y, z + b]])
    end = np.array([[x, y - b, z - b], [x, y + b, z - b], [x, y + b, z + b], [x, y - b, z + b]])
    return side, end


def _moved(found: Held, points: Array, q: Array) -> Array:
    """Points of the unit, it moved and turned ``q`` about its balance point."""
    arm = points - found.stood.centre[0]
    return np.asarray(points + q[:3] + np.cross(q[3:], arm))


def _seen(points: Array, axes: tuple[int, int]) -> list[Point]:
    return [(round(float(p[axes[0]]), 5), round(float(p[axes[1]]), 5)) for p in points]
