"""The window: over fore-aft and up-down, how much is to spare and what stops it."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from gauge_well.core.geometry.convex import near
from gauge_well.core.geometry.shifted import shifts_of
from gauge_well.core.systems.fit.gaps import Posed, Scene, gaps
from gauge_well.core.systems.fit.pose import least, moved
from gauge_well.core.typing import Array

WIDE, HIGH = 41, 33
REACH = (0.040, 0.032)  # m either way: ahead, up
BRIM = 0.005  # m of slack either side of nought within which a cell is worked exactly
EXACT = 24  # cells so worked at most
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
    for i, j, n in _near(scene, posed, max(reach) + bounce):
        name = f"{scene.unit[i].name} and {scene.machine[j].name.lower()}"
        if name not in names:
            names.append(name)
        for k in range(STANCES):
            for solid in posed.machine[j]:
                found = shifts_of(posed.unit[k][i], solid)
                gap = found.gaps(flat)
                if k == 0 and bounce:
                    lift = np.array([0.0, 0.0, bounce])
                    gap = np.minimum(gap, np.minimum(found.gaps(flat + lift), found.gaps(flat - lift)))
                own = gap - scene.keep[n]
                less = own < slack
                slack = np.where(less, own, slack)
                binds = np.where(less, names.index(name), binds)
    slack = np.minimum(slack, 1.0)
    _repair(scene, flat, slack)
    return Window(ahead, up, slack.reshape(HIGH, WIDE), binds.reshape(HIGH, WIDE), names)


def _near(scene: Scene, posed: Posed, reach: float) -> list[tuple[int, int, int]]:
    """Pairs that may bind somewhere in the window: those no farther, box to box, than the tightest at its own far end."""
    low = np.array([[s.low for s in own] for own in posed.unit]).min(axis=0)
    high = np.array([[s.high for s in own] for own in posed.unit]).max(axis=0)
    other_low = np.array([np.min([s.low for s in own], axis=0) for own in posed.machine])
    other_high = np.array([np.max([s.high for s in own], axis=0) for own in posed.machine])
    within = 2.0 * reach + float(scene.keep.max(initial=0.0))
    close = near(low, high, other_low, other_high, within)
    return [(i, j, n) for n, (i, j) in enumerate(scene.pairs) if close[i, j]]


def _repair(scene: Scene, flat: Array, slack: Array) -> None:
    """Cells by the brim, where a bound may be low against a corner, worked exactly; the nearest to the brim first."""
    doubtful = np.flatnonzero((slack < 0.0) & (slack > -BRIM))
    for k in doubtful[np.argsort(-slack[doubtful])][:EXACT]:
        x, y, z = flat[k]
        slack[k] = max(slack[k], least(gaps(scene, moved(scene.pose, np.array([x, y, z, 0.0, 0.0, 0.0])))))
