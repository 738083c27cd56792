"""The window: over fore-aft and up-down, how much is to spare and what stops it."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from gauge_well.core.geometry.convex import Convex
from gauge_well.core.geometry.shifted import shifts_of
from gauge_well.core.systems.fit.gaps import Posed, Scene, gaps, solve
from gauge_well.core.systems.fit.pose import least, moved
from gauge_well.core.typing import Array

WIDE, HIGH = 41, 33
REACH = (0.040, 0.032)  # m either way: ahead, up
BRIM = 0.005  # m of slack either side of nought within which a cell is worked exactly
EXACT = 8  # cells so worked at most
STANCES = 3  # at rest and rocked either way; sinking and lifting are shifts of their own


@dataclass(frozen=True)
class Window:
    """Slack [m] by (up, ahead), what binds there (an index into ``pairs``), and the shifts of both axes [m]."""

    ahead: Array
    up: Array
    slack: Array
    binds: NDArray[np.int_]
    pairs: Sequence[str]

    @property
    def share(self) -> float:
        """Share of the map in which all holds."""
        return float(np.mean(self.slack >= 0.0))


def window(scene: Scene, reach: tuple[float, float] = REACH) -> Window:
    """Slack over shifts in the machine's plane of symmetry, with what it is stopped by."""
    ahead, up = np.linspace(-reach[0], reach[0], WIDE), np.linspace(-reach[1], reach[1], HIGH)
    shifts = np.zeros((HIGH, WIDE, 3))
    shifts[..., 0], shifts[..., 2] = ahead[None], up[:, None]
    flat = shifts.reshape(-1, 3)
    slack = np.full(len(flat), np.inf)
    binds = np.zeros(len(flat), dtype=int)
    names: list[str] = []
    posed = Posed(scene, scene.pose)
    bounce = scene.stances[-1].lift
    # No shift of the window brings a pair nearer than by its own length.
    far = float(np.hypot(*reach)) + bounce
    for gap, n, k, m in _nearest(scene, posed):
        if gap - far - scene.keep[n] > float(slack.max()):
            break
        if k and scene.drawn_off(n):
            continue
        i, j = scene.pairs[n]
        name = f"{scene.unit[i].name} and {scene.machine[j].name.lower()}"
        if name not in names:
            names.append(name)
        own = (
            _gap(posed.unit[k][i], posed.machine[j][m], flat, 0.0 if k or scene.drawn_off(n) else bounce)
            - scene.keep[n]
        )
        less = own < slack
        slack = np.where(less, own, slack)
        binds = np.where(less, names.index(name), binds)
    slack = np.minimum(slack, 1.0)
    _repair(scene, flat, slack)
    return Window(ahead, up, slack.reshape(HIGH, WIDE), binds.reshape(HIGH, WIDE), names)


def _gap(first: Convex, second: Convex, flat: Array, bounce: float) -> Array:
    found = shifts_of(first, second)
    gap = found.gaps(flat)
    if not bounce:
        return gap
    lift = np.array([0.0, 0.0, bounce])
    return np.minimum(gap, np.minimum(found.gaps(flat + lift), found.gaps(flat - lift)))


def _nearest(scene: Scene, posed: Posed) -> list[tuple[float, int, int, int]]:
    """Gap at the stated place of every pair in every position, (gap, pair, stance, place), the tightest first."""
    found = solve(scene, posed.rows([(*pair, n) for n, pair in enumerate(scene.pairs)], range(STANCES)))
    order = np.argsort(found.slack, kind="stable")
    rows = zip(found.gap[order], found.pair[order], found.stance[order], found.place[order], strict=True)
    return [(float(gap), int(n), int(k), int(m)) for gap, n, k, m in rows]


def _repair(scene: Scene, flat: Array, slack: Array) -> None:
    """Cells by the brim, where a bound may be low against a corner, worked exactly; the nearest to the brim first."""
    doubtful = np.flatnonzero((slack < 0.0) & (slack > -BRIM))
    for k in doubtful[np.argsort(-slack[doubtful])][:EXACT]:
        x, y, z = flat[k]
        slack[k] = max(slack[k], least(gaps(scene, moved(scene.pose, np.array([x, y, z, 0.0, 0.0, 0.0])))))
