"""Where one pulley may lie: places that keep the wraps, the room and a length sold, and the line of the belt that is there."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from gauge_well.core.geometry.belt import clearance
from gauge_well.core.geometry.level import level_lines
from gauge_well.core.parts.belt import SECTIONS
from gauge_well.core.parts.pulley import FREE, WHATS
from gauge_well.core.reads import BONNET_OVER
from gauge_well.core.systems.base import Context, Options
from gauge_well.core.systems.belts import checks
from gauge_well.core.systems.belts import way as ways
from gauge_well.core.systems.belts.facts import BeltsFacts
from gauge_well.core.systems.belts.views.route import asked
from gauge_well.core.systems.belts.way import Way
from gauge_well.core.typing import Array, likely, likely_or_none

SIDE = 57  # places either way: 3,249
HALF = 0.14  # m to each side of where it stands
ROOM = 0.004  # m between pulleys


@dataclass(frozen=True)
class PlacesView:
    """A grid about where a pulley stands [m]: which places serve (row by row from below), how many in a hundred; effective lengths
    there, least and most of those that serve [m]; pieces of line along which the belt that is there still takes it; the length that
    the line stands for [m], None where no belt is stated; the place nearest that serves."""

    id: str
    name: str
    xs: Sequence[float]
    ys: Sequence[float]
    serves: Sequence[Sequence[bool]]
    share: float
    least: float | None
    most: float | None
    line: Sequence[tuple[float, float, float, float]]
    length: float | None
    nearest: tuple[float, float] | None


def show(context: Context, facts: BeltsFacts, options: Options) -> PlacesView:
    """Of the pulley asked for, else the first that is driven."""
    way, _ = asked(context, facts, {k: v for k, v in options.items() if k not in ("right", "up")})
    driven = [i for i, p in enumerate(way.pulleys) if p.what not in ("crank", *FREE)]
    at = int(options.get("pulley", driven[0] if driven else 0))
    x, y = float(way.route.x[at, 0]), float(way.route.y[at, 0])
    xs, ys = np.linspace(x - HALF, x + HALF, SIDE), np.linspace(y - HALF, y + HALF, SIDE)
    gx, gy = (v.ravel() for v in np.meshgrid(xs, ys))
    serves, lengths = serving(context, way, at, gx, gy)
    owned = way.facts.owned
    line = []
    if owned is not None:
        closed = np.where(np.isfinite(lengths), lengths, np.nan).reshape(SIDE, SIDE)
        line = level_lines(xs, ys, closed, likely(owned) + _middle(way))
    kept = lengths[serves]
    reached = np.where(serves, np.hypot(gx - x, gy - y), np.inf)
    near = int(np.argmin(reached))
    return PlacesView(
        id=way.ids[at],
        name=way.name(at),
        xs=xs.tolist(),
        ys=ys.tolist(),
        serves=serves.reshape(SIDE, SIDE).tolist(),
        share=float(serves.mean()),
        least=float(kept.min()) if kept.size else None,
        most=float(kept.max()) if kept.size else None,
        line=line,
        length=likely_or_none(owned),
        nearest=(float(gx[near]), float(gy[near])) if kept.size else None,
    )


def _middle(way: Way) -> float:
    """By how much the length as it stands lies over the middle of what serves [m]: the line is where a belt lies in the middle."""
    found = ways.window(way)
    if found is None:
        return 0.0
    return likely(way.effective) - 0.5 * (likely(found[0]) + likely(found[1]))


def serving(context: Context, way: Way, at: int, gx: Array, gy: Array) -> tuple[NDArray[np.bool_], Array]:
    """Which places serve one pulley, and the effective lengths there [m]; no number where there is no way.

    A place serves where the belt closes, every wrap keeps its guide or what it had where that was less, no span comes near a pulley
    it does not touch, no two pulleys touch, and ground and bonnet are kept.
    """
    found = ways.elsewhere(way, at, gx, gy)
    wished = np.radians(
        [100.0 if p.side == "back" and p.what == "water_pump" else WHATS[p.what or "other"].wrap for p in way.pulleys]
    )
    now = way.route.wraps[:, 0] if way.closes else np.full(len(wished), np.inf)
    keeps = (found.wraps >= np.minimum(wished, now)[:, None] - 1e-9).all(axis=0)
    serves = found.closes & keeps
    if len(way.pulleys) > 2:
        serves &= clearance(found, ways.THICK).min(axis=(0, 1)) >= ways.CLEAR
    for j in range(len(way.pulleys)):
        if j != at:
            apart = np.hypot(gx - way.route.x[j, 0], gy - way.route.y[j, 0])
            serves &= apart >= float(way.route.radius[at, 0] + way.route.radius[j, 0]) + ROOM
    heights = checks.over_floor(context, way)
    needed, bonnet = context.installation.ground_needed, context.told(BONNET_OVER)
    if heights is not None:
        floor = float(heights[0][at, 0]) - float(way.route.y[at, 0])
        if needed is not None:
            serves &= floor + gy >= likely(needed)
        if bonnet is not None:
            serves &= floor + gy + 2.0 * likely(checks.outside(way, at)) <= likely(bonnet) - checks.BONNET
    cord = SECTIONS[way.facts.section].cord
    lengths = np.asarray(np.where(found.closes, found.length - 2.0 * np.pi * cord, np.nan))
    return np.asarray(serves), lengths
