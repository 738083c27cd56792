"""The best place: least slack made as great as it can be, by small steps that a linear programme chooses.

Each step asks for the shift and turn within a trust region that lifts the least slack most, every close gap in every
position taken to first order: ``slack + u . (dt + w x r) >= sigma``. Its dual weights add to one and say what holds the
engine: each is the slack that a millimetre of ease at that pair buys. Best poses lie apart from each other: several starts
are made from the best of many random ones.
"""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass, fields

import numpy as np
from numpy.typing import NDArray
from scipy.optimize import linprog

from gauge_well.core.geometry.convex import padded
from gauge_well.core.geometry.separating import bound, stacked
from gauge_well.core.systems.fit.gaps import Close, Gaps, Pose, Posed, Scene, again, close_of, gaps
from gauge_well.core.typing import Array

STEP, TURN = 0.020, 0.0175  # trust region at first: m, rad (1 degree)
LEAST = 2e-5  # m by which a step must lift the least slack to be worth another
ROUNDS = 24
CLOSE = 0.04  # m over the least slack within which a pair has a say in a step
FAR, LOOK = 0.04, 3  # m over the least slack that is followed step by step; steps after which all is looked at again
STARTS, RANDOM = 5, 240
SEED = 7
# How far it may go from where it lies: ahead, left, up [m]; pitch, yaw, roll [rad] (common practice: shafts and pickups
# take no more without being made anew).
LIMITS = np.array([0.10, 0.04, 0.08, 0.052, 0.0175, 0.035])
MOVES = ("ahead", "left", "up", "pitch", "yaw", "roll")


@dataclass(frozen=True)
class Weighed:
    """A pair with the share it has in holding the engine where it is."""

    pair: Close
    weight: float


@dataclass(frozen=True)
class Best:
    """The best pose found: how it is moved (ahead, left, up [m], pitch, yaw, roll [rad]), its least slack [m] and
    what holds it there, the heaviest first."""

    moved: Array
    slack: float
    weights: Sequence[Weighed] = ()


def moved(pose: Pose, by: Iterable[float]) -> Pose:
    """A pose moved by (ahead, left, up, pitch, yaw, roll)."""
    return pose.to(*(float(v) for v in by))


def least(found: Gaps) -> float:
    """The least slack of a pose [m]; that of the widest looked at where nothing is near."""
    return float(found.slack.min()) if len(found.slack) else CLOSE


def _rates(scene: Scene, pose: Pose, found: Gaps) -> Array:
    """By how much each gap grows with each of the six moves (row, 6): the engine's point runs along the way to it."""
    # The machine lies along ``direction``: moved that way the gap shrinks.
    way = -found.direction
    arm = found.at - pose.shift
    turn = np.cross(arm, way)  # w . (r x u)
    c, s = np.cos(pose.yaw), np.sin(pose.yaw)
    # Axes of pitch (nose up), yaw and roll at this pose, in the machine's axes.
    pitch = np.array([s, -c, 0.0])
    yaw = np.array([0.0, 0.0, 1.0])
    roll = pose.rotation[:, 0]
    rates = np.concatenate([way, np.stack([turn @ pitch, turn @ yaw, turn @ roll], axis=1)], axis=1)
    free = np.array([scene.unit[scene.pairs[int(p)][0]].moves != "hung" for p in found.pair])
    # What hangs between engine and body follows by half.
    rates[~free] *= 0.5
    return np.asarray(rates)


@dataclass(frozen=True)
class _Step:
    by: Array
    rows: NDArray[np.intp]
    weights: Array
    promised: float


def _step(scene: Scene, pose: Pose, found: Gaps, at: Array, trust: float, limits: Array) -> _Step:
    """One linear programme: how to move, and the dual weights of the rows that hold it."""
    slack = found.slack
    rows = np.flatnonzero(slack < slack.min() + CLOSE)
    rates = _rates(scene, pose, _picked(found, rows))
    region = trust * np.array([STEP] * 3 + [TURN] * 3)
    low = np.maximum(-region, -limits - at)
    high = np.minimum(region, limits - at)
    # Turns in units that move a far corner as far as a shift does keep the programme well scaled.
    scale = np.array([1.0] * 3 + [0.5] * 3)
    answer = linprog(
        c=[0.0] * 6 + [-1.0],
        A_ub=np.concatenate([-rates * scale, np.ones((len(rows), 1))], axis=1),
        b_ub=slack[rows],
        bounds=[*zip(np.minimum(low, 0.0) / scale, np.maximum(high, 0.0) / scale, strict=True), (None, None)],
        method="highs",
    )
    if answer.x is None:
        return _Step(np.zeros(6), rows, np.zeros(len(rows)), float(slack.min()))
    return _Step(answer.x[:6] * scale, rows, -np.asarray(answer.ineqlin.marginals), float(answer.x[6]))


def _picked(found: Gaps, rows: NDArray[np.intp]) -> Gaps:
    return Gaps(*(getattr(found, f.name)[rows] for f in fields(Gaps)))


def climb(scene: Scene, start: Array | None = None, limits: Array = LIMITS) -> Best:
    """The best place that small steps from a start come to; ``start``: moved so far from where it lies."""
    at = np.zeros(6) if start is None else start.copy()
    pose = moved(scene.pose, at)
    found = gaps(scene, pose)
    if not len(found.slack):
        return Best(at, CLOSE)
    trust, since = 1.0, 0
    for _ in range(ROUNDS):
        step = _step(scene, pose, found, at, trust, limits)
        if step.promised - found.slack.min() < LEAST:
            break
        tried = moved(scene.pose, at + step.by)
        then = again(scene, tried, found, np.flatnonzero(found.slack < found.slack.min() + FAR))
        if least(then) > float(found.slack.min()) + 0.1 * LEAST:
            at, pose, found, since = at + step.by, tried, then, since + 1
            if since == LOOK:
                # What was far may have come near.
                found, since = gaps(scene, pose), 0
        else:
            trust *= 0.5
            if trust < 1e-2:
                break
    found = gaps(scene, pose)
    return Best(at, least(found), _weights(scene, pose, found, at, limits))


def _weights(scene: Scene, pose: Pose, found: Gaps, at: Array, limits: Array) -> list[Weighed]:
    """What holds it where it is: dual weights of a step too small to change what is near, summed over each pair's
    positions."""
    step = _step(scene, pose, found, at, 0.05, limits)
    held: dict[str, Weighed] = {}
    for row, weight in zip(step.rows, step.weights, strict=True):
        if weight > 1e-3:
            item = close_of(scene, found, int(row))
            before = held.get(item.name)
            held[item.name] = Weighed(before.pair if before else item, weight + (before.weight if before else 0.0))
    return sorted(held.values(), key=lambda w: -w.weight)


def search(
    scene: Scene, limits: Array = LIMITS, starts: int = STARTS, count: int = RANDOM
) -> Iterator[tuple[int, Best]]:
    """The best place so far, after each start: where it lies, then the best of many random ones."""
    best = climb(scene, None, limits)
    yield 1, best
    rng = np.random.default_rng(SEED)
    tried = np.concatenate([np.zeros((1, 6)), rng.uniform(-1.0, 1.0, (count, 6)) * limits])
    worth = screened(scene, tried)
    for n, k in enumerate(np.argsort(-worth)[: starts - 1], 2):
        other = climb(scene, tried[k], limits)
        if other.slack > best.slack + LEAST:
            best = other
        yield n, best


def screened(scene: Scene, moves: Array) -> Array:
    """A bound of the least slack at many poses (k) [m], along the directions of where it lies and all faces of what
    stands: never above it, but for a pair that was out of sight where it lies."""
    found = gaps(scene)
    if not len(found.slack):
        return np.full(len(moves), CLOSE)
    rows = np.flatnonzero(found.slack < found.slack.min() + 5.0 * CLOSE)
    posed = Posed(scene, scene.pose, faces=True)
    a, b, ways = [], [], []
    for k in rows:
        i, j = scene.pairs[int(found.pair[k])]
        one, two = posed.unit[int(found.stance[k])][i], posed.machine[j][int(found.place[k])]
        a.append(one)
        b.append(two)
        ways.append(np.concatenate([found.direction[k][None], two.normals, -two.normals]))
    first_points, ra = padded(a)
    second_points, rb = padded(b)
    directions = stacked(ways)
    turn, at = scene.pose.rotation, scene.pose.shift
    own = (first_points - at) @ turn  # back to the engine's axes
    worth = np.empty(len(moves))
    for n, by in enumerate(moves):
        pose = moved(scene.pose, by)
        points = own @ pose.rotation.T + pose.shift
        worth[n] = (bound(points, second_points, directions) - ra - rb - found.keep[rows]).min()
    return worth
