"""Gaps in doubt: how far each fact moves each close gap, once, and then all draws as one product.

A fact is moved to the middle of its draws on either side and the gaps there are worked, all facts and gaps in one batch;
what meets there by a bound along the directions found at the likely place. The least over gaps is taken draw by draw.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from functools import lru_cache

import numpy as np
from numpy.typing import NDArray

from gauge_well.core.facts import at_likely, entries, with_facts
from gauge_well.core.geometry import gjk
from gauge_well.core.geometry.convex import Convex, padded
from gauge_well.core.geometry.separating import bound, stacked
from gauge_well.core.systems.fit.facts import FitFacts
from gauge_well.core.systems.fit.gaps import Gaps, Posed, Scene, Swing, Turned, gaps, places, scene_of
from gauge_well.core.typing import Array, Value, likely

CLOSE = 0.06  # m of slack within which a pair may come to decide in some draw
POSITIONS = 0.012  # m over its tightest, within which another position of a pair may be its worst in some draw
KEPT, MOST = 48, 2_000  # builds of which gaps are remembered, and values of their facts
ALONE = 130  # trial values of one fact that are worked one by one


@dataclass(frozen=True)
class Lies:
    """How the engine lies, as it is known: angles [rad] and ground kept [m] may be draws."""

    lie: str
    yaw: Value
    pitch: Value
    roll: Value
    ground: Value
    swing: Swing = Swing()

    @property
    def likely(self) -> Turned:
        """At its likely values."""
        return Turned(
            self.lie, likely(self.yaw), likely(self.pitch), likely(self.roll), likely(self.ground), self.swing
        )


@dataclass(frozen=True)
class Spread:
    """A scene with the gaps that may decide, over the draws: ``gap`` (row, draw) [m], likely first."""

    scene: Scene
    found: Gaps
    rows: NDArray[np.int_]
    gap: Array

    @property
    def keep(self) -> Array:
        """What each row keeps [m], (row, 1)."""
        return self.found.keep[self.rows][:, None]

    def of_machine(self) -> Mapping[str, NDArray[np.int_]]:
        """Rows against each thing of the machine, by its id; the tightest first."""
        by: dict[str, list[int]] = {}
        order = np.argsort(self.found.slack[self.rows], kind="stable")
        for k in order:
            _, j = self.scene.pairs[int(self.found.pair[self.rows[k]])]
            by.setdefault(self.scene.machine[j].whole, []).append(int(k))
        return {id: np.array(rows) for id, rows in by.items()}


def spread(facts: FitFacts, lies: Lies) -> Spread:
    """All close gaps over the draws of the facts; MissingFact names what is not measured."""
    plain, turned = at_likely(facts), lies.likely
    scene, found, rows = _likely(plain, turned)
    base = found.gap[rows][:, None]
    moves = _moves(facts, lies)
    if not moves or not len(rows):
        return Spread(scene, found, rows, base)
    count = len(next(iter(moves.values())))
    if len(moves) == 1 and count <= ALONE:
        ((name, values),) = moves.items()
        each = _moved(plain, turned, [(name, float(v)) for v in values[1:]])
        return Spread(scene, found, rows, np.concatenate([base, each.T], axis=1))
    steps = [(name, values, step) for name, values in moves.items() for step in _steps(values)]
    there = _moved(plain, turned, [(name, float(values[0]) + step) for name, values, step in steps])
    size = np.array([step for _, _, step in steps])[:, None]
    off = np.stack([values - values[0] for _, values, _ in steps])
    rates = ((there - base[:, 0]) / size).T
    return Spread(scene, found, rows, base + rates @ np.where(off * size > 0.0, off, 0.0))


@lru_cache(maxsize=KEPT)
def _likely(facts: FitFacts, turned: Turned) -> tuple[Scene, Gaps, NDArray[np.int_]]:
    """Scene and gaps at the likely place, and the rows that may decide: the same for every draw of it."""
    scene = scene_of(facts, turned)
    found = gaps(scene)
    return scene, found, _deciding(scene, found)


@lru_cache(maxsize=KEPT)
def _known(facts: FitFacts, turned: Turned) -> dict[tuple[str, float], Array]:
    """Gaps (row) of a build with one fact at another value, by its name and that: filled as they are asked for."""
    return {}


def _moved(facts: FitFacts, turned: Turned, each: Sequence[tuple[str, float]]) -> Array:
    """Gaps (case, row) with one fact at another value in each case: draws that hold one fact ask for all others again."""
    known = _known(facts, turned)
    fresh = [case for case in dict.fromkeys(each) if case not in known]
    if fresh:
        if len(known) > MOST:
            known.clear()
            fresh = list(dict.fromkeys(each))
        scene, found, rows = _likely(facts, turned)
        known.update(zip(fresh, _At(scene, found, rows).with_facts(fresh, facts, turned), strict=True))
    return np.array([known[case] for case in each])


def _steps(values: Array) -> list[float]:
    """The middle of the draws above the likely one, and of those below it, as steps from it."""
    off = values - values[0]
    sides = (off[off > 0.0], off[off < 0.0])
    return [float(np.sign(side[0]) * np.sqrt(np.mean(side**2))) for side in sides if side.size]


def _deciding(scene: Scene, found: Gaps) -> NDArray[np.int_]:
    """Rows that may be the least against some thing in some draw: close ones, and each thing's tightest."""
    slack = found.slack
    tightest = np.full(len(scene.pairs), np.inf)
    np.minimum.at(tightest, found.pair, slack)
    # A pair's positions part by rock and bounce, which no tape changes by much.
    near = (slack < CLOSE) & (slack < tightest[found.pair] + POSITIONS)
    whole = [scene.machine[scene.pairs[int(p)][1]].whole for p in found.pair]
    least: dict[str, int] = {}
    for k in np.argsort(slack, kind="stable"):
        least.setdefault(whole[k], int(k))
    # What a tape would read, at rest, must be told of too.
    for k in np.argsort(slack, kind="stable"):
        if found.stance[k] == 0:
            unit, machine = (
                group[i] for group, i in zip((scene.unit, scene.machine), scene.pairs[int(found.pair[k])], strict=True)
            )
            least.setdefault(f"{unit.what} {machine.whole}", int(k))
    return np.array(sorted({*np.flatnonzero(near).tolist(), *least.values()}), dtype=int)


TURNS = ("yaw", "pitch", "roll")


def _moves(facts: FitFacts, lies: Lies) -> dict[str, Array]:
    """Draws of each fact in doubt, by its name; how the engine lies among them."""
    found = {
        name: value
        for name, _, value in entries(facts)
        if isinstance(value, np.ndarray) and value.size > 1 and np.ptp(value) > 0.0
    }
    for name in TURNS:
        value = getattr(lies, name)
        if isinstance(value, np.ndarray) and value.size > 1 and np.ptp(value) > 0.0:
            found[name] = value
    return found


class _At:
    """The deciding rows, to be bounded with other facts along the directions found."""

    def __init__(self, scene: Scene, found: Gaps, rows: NDArray[np.int_]) -> None:
        self.scene, self.found, self.rows = scene, found, rows
        base = self._solids(scene, range(len(rows)), faces=True)
        own = found.direction[rows]
        both = [
            np.concatenate([u[None], a.normals, -a.normals, b.normals, -b.normals])
            for u, (a, b) in zip(own, base, strict=True)
        ]
        self.directions = stacked(both)

    def _solids(self, scene: Scene, which: Sequence[int], faces: bool = False) -> list[tuple[Convex, Convex]]:
        posed = Posed(scene, scene.pose, faces)
        found = []
        for k in self.rows[list(which)]:
            i, j = self.scene.pairs[int(self.found.pair[k])]
            found.append((posed.unit[int(self.found.stance[k])][i], posed.machine[j][int(self.found.place[k])]))
        return found

    def _touched(self, scene: Scene) -> list[int]:
        """Rows of which either thing is, stands or moves otherwise than at the likely place."""
        was = self.scene
        moved = scene.pose != was.pose or scene.stances != was.stances or bool(np.any(scene.pivot != was.pivot))
        unit = [moved or not _same(a.solid, b.solid) for a, b in zip(scene.unit, was.unit, strict=True)]
        machine = [
            not _same(a.solid, b.solid) or places(scene.of, a.moves) != places(was.of, b.moves)
            for a, b in zip(scene.machine, was.machine, strict=True)
        ]
        pairs = [was.pairs[p] for p in self.found.pair[self.rows].tolist()]
        return [row for row, (i, j) in enumerate(pairs) if unit[i] or machine[j]]

    def with_facts(self, each: Sequence[tuple[str, float]], facts: FitFacts, turned: Turned) -> Array:
        """Gaps (case, row) [m] with one fact at another value, case by case; no thing comes or goes by a size."""
        found = np.repeat(self.found.gap[self.rows][None], len(each), axis=0)
        at: list[tuple[int, int]] = []
        pairs: list[tuple[Convex, Convex]] = []
        for k, (name, value) in enumerate(each):
            if name in TURNS:
                scene = scene_of(facts, replace(turned, **{name: value}), self.scene)  # type: ignore[arg-type]
            else:
                scene = scene_of(with_facts(facts, {name: value}), turned, self.scene)
            if scene.ids != self.scene.ids:
                continue  # a size at which a thing is gone (no bell left): what it was near is as it was
            touched = self._touched(scene)
            at += [(k, row) for row in touched]
            pairs += self._solids(scene, touched) if touched else []
        if pairs:
            a, ra = padded([first for first, _ in pairs])
            b, rb = padded([second for _, second in pairs])
            cases, rows = np.array(at).T
            gap = gjk.distance(a, b).distance
            meets = np.flatnonzero(gap <= 0.0)
            gap[meets] = bound(a[meets], b[meets], self.directions[rows[meets]])
            found[cases, rows] = gap - ra - rb
        return found


def _same(a: Convex, b: Convex) -> bool:
    return a.radius == b.radius and bool(np.array_equal(a.points, b.points))


def half(draws: Array) -> Array:
    """Half-range at 95 % of draws (row, draw) about the likely one [m]; nought where there are none."""
    if draws.shape[-1] < 8:
        return np.zeros(draws.shape[0])
    return np.asarray(1.96 * np.sqrt(np.mean((draws[:, 1:] - draws[:, :1]) ** 2, axis=1)))


def tightest(of: Spread) -> Sequence[int]:
    """Rows, the least slack first."""
    order: list[int] = np.argsort(of.found.slack[of.rows], kind="stable").tolist()
    return order
