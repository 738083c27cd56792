"""The pan as a body of liquid, and where its pickup lies."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace
from functools import cached_property, lru_cache

import numpy as np

from gauge_well.core.errors import CoreError
from gauge_well.core.facts import at_likely, need
from gauge_well.core.geometry.free_surface import Body, check_polygon, prism, volume_below
from gauge_well.core.parts.pan import PanFacts
from gauge_well.core.systems.oil.facts import OilFacts
from gauge_well.core.typing import Array, Value, as_array, clip, likely, likely_or_none

CRANKCASE = 0.13  # m over the rail in which oil may pile up before it meets the crank (common practice)
LEVEL = np.array([0.0, 0.0, 1.0])
BESIDE = 0.015  # m either side of the pickup, within which its floor's slope is taken
TOUCHING = 1e-3  # m over the floor at which a mouth that would lie in it is drawn
STEP_MOST = 0.97  # of a pan's length and depth that a step may take where both are in doubt


@dataclass(frozen=True)
class Pan:
    """Outline (k, 2) of the side view in (x, z) with the rail at z = 0, the body to its crankcase, the pickup.

    Where the pan is known in samples, body, pickup (sample, 3) and floor carry them; outline and stations
    are the likely ones.
    """

    outline: Array
    stations: tuple[tuple[float, float], ...]
    body: Body
    pickup: Array
    floor: Value

    @cached_property
    def holds(self) -> Array:
        """Volume to the rail [m3]."""
        return volume_below(self.body, LEVEL, np.asarray(0.0))

    @cached_property
    def wetted(self) -> float:
        """Outside of the likely pan below the rail, about [m2]: floor and walls of its mean depth."""
        length = float(np.ptp(self.outline[:, 0]))
        width = float(np.mean([w for _, w in self.stations]))
        depth = likely(self.holds) / max(length * width, 1e-9)
        return length * width + 2.0 * depth * (length + width)

    @cached_property
    def slope(self) -> float:
        """How the likely floor under the pickup rises to the front [rad]."""
        x = likely(self.pickup[..., 0])
        low, high = float(self.outline[:, 0].min()), float(self.outline[:, 0].max())
        ends = clip(np.array([x - BESIDE, x + BESIDE]), low, high)
        under = _floor(self.outline[..., None], ends)
        step = abs(float(under[1] - under[0])) > 2.0 * BESIDE  # the wall of a well beside it is no slope
        return 0.0 if step else float(np.arctan2(under[1] - under[0], ends[1] - ends[0]))

    @property
    def likely(self) -> Pan:
        """The likely pan of its samples."""
        if self.pickup.ndim == 1:
            return self
        return replace(self, body=Body(self.body.tetrahedra[0]), pickup=self.pickup[0], floor=likely(self.floor))

    def over_pickup(self, normal: Array) -> Array:
        """Height of the pickup along ``normal`` (..., 3) [m]."""
        return np.asarray(np.einsum("...c,...c->...", normal, self.pickup))


def _corners(*points: tuple[Value, Value]) -> Array:
    """(k, 2), or (k, 2, sample) where any coordinate has samples."""
    flat = np.broadcast_arrays(*(as_array(c) for point in points for c in point))
    return np.stack([np.stack(flat[i : i + 2]) for i in range(0, len(flat), 2)])


def outline_of(pan: PanFacts, place: str = "oil.pan") -> Array:
    """Corners of the side view below the rail, round from the flywheel end; z up; samples on a last axis.

    ``place``: where its facts stand, for what is said of them.
    """
    if pan.shape == "outline":
        rows = need(pan.outline, f"{place}.outline")  # type: ignore[arg-type]
        points = _corners(*((row[0], -row[1]) for row in rows))  # type: ignore[union-attr]
        check_polygon(_likely(points), f"{place}.outline")
        return points

    def size(name: str) -> Array:
        return as_array(need(getattr(pan, name), f"{place}.{name}"))

    length, depth = size("length"), size("depth")
    if pan.shape == "box":
        return _corners((0.0, 0.0), (0.0, -depth), (length, -depth), (length, 0.0))
    well, shallow = size("well_length"), size("shallow_depth")
    start = size("well_start") if pan.shape == "centre_well" else as_array(0.0)
    long = likely(well) + likely(start) >= likely(length)
    if long or likely(shallow) >= likely(depth):
        raise CoreError(
            "well_too_large",
            f"{place}.well_length" if long else f"{place}.shallow_depth",
            likely(well) if long else likely(shallow),
            "shorter and shallower than the pan",
            "The deep part must be shorter than the pan and the shallow part shallower.",
        )
    # Doubts of two lengths may cross; a step is a step all the same.
    well, shallow = np.minimum(well, STEP_MOST * length), np.minimum(shallow, STEP_MOST * depth)
    if pan.shape == "centre_well":
        start = np.minimum(start, STEP_MOST * (length - well))
        end = start + well
        return _corners(
            *((0.0, 0.0), (0.0, -shallow), (start, -shallow), (start, -depth)),
            *((end, -depth), (end, -shallow), (length, -shallow), (length, 0.0)),
        )
    if pan.shape == "front_well":
        start = length - well
        return _corners(
            (0.0, 0.0), (0.0, -shallow), (start, -shallow), (start, -depth), (length, -depth), (length, 0.0)
        )
    return _corners((0.0, 0.0), (0.0, -depth), (well, -depth), (well, -shallow), (length, -shallow), (length, 0.0))


def widths_of(pan: PanFacts, outline: Array, place: str = "oil.pan") -> list[tuple[Value, Value]]:
    """Widths along it, (x, width) [m], rising in x."""
    if pan.widths is not None:
        return sorted(((row[0], row[1]) for row in pan.widths), key=lambda s: likely(s[0]))
    width = need(pan.width, f"{place}.width")
    return [(outline[:, 0].min(axis=0), width), (outline[:, 0].max(axis=0), width)]


def _kicks(pan: PanFacts, width: Value, place: str) -> list[tuple[Array, list[tuple[Value, Value]], float]]:
    """Side boxes of a kicked-out pan: outline, widths, and on which side of the middle they stand."""
    if pan.shape != "kicked":
        return []
    across, high, depth, well = (
        as_array(need(getattr(pan, n), f"{place}.{n}")) for n in ("kick_width", "kick_height", "depth", "well_length")
    )
    roof = np.minimum(high, STEP_MOST * depth) - depth
    outline = _corners((0.0, roof), (0.0, -depth), (well, -depth), (well, roof))
    return [(outline, [(0.0, across), (well, across)], side) for side in (-0.5, 0.5)]


def body_of(pan: PanFacts, outline: Array, stations: Sequence[tuple[Value, Value]], place: str = "oil.pan") -> Body:
    """The pan and its crankcase cut into tetrahedra; its kick-outs and the lean of its floor with it."""
    whole = prism(_with_crankcase(outline), stations)
    kicks = _kicks(pan, stations[0][1], place)
    if kicks:
        boxes = [prism(o, w, offset=side * (as_array(stations[0][1]) + as_array(w[0][1]))) for o, w, side in kicks]
        whole = Body(_joined([whole.tetrahedra, *(b.tetrahedra for b in boxes)]))
    return whole if pan.floor_roll is None else Body(_leaned(whole.tetrahedra, pan.floor_roll, outline))


def _joined(pieces: Sequence[Array]) -> Array:
    """Tetrahedra of several bodies, whether one of them has samples or not."""
    many = max((p.shape[0] for p in pieces if p.ndim == 4), default=0)
    wide = [p if p.ndim == 4 or not many else np.broadcast_to(p, (many, *p.shape)) for p in pieces]
    return np.concatenate(wide, axis=-3)


def _leaned(corners: Array, roll: Value, outline: Array) -> Array:
    """Corners [m] of a pan whose deepest floor leans, its left side up: what lies higher leans less, the rail not at all."""
    deep = -outline[:, 1].min(axis=0)
    lean, deep = np.tan(as_array(roll)), as_array(deep)
    if corners.ndim == 4:
        lean, deep = (v.reshape(-1, 1, 1) if v.ndim else v for v in (lean, deep))
    elif lean.ndim or deep.ndim:
        corners = np.broadcast_to(corners, (max(lean.size, deep.size), *corners.shape))
        lean, deep = (v.reshape(-1, 1, 1) if v.ndim else v for v in (lean, deep))
    x, y, z = corners[..., 0], corners[..., 1], corners[..., 2]
    down = np.maximum(-z, 0.0) / deep
    return np.stack([x, y, z + y * lean * down], axis=-1)


def _likely(points: Array) -> Array:
    return points if points.ndim == 2 else points[..., 0]


def _with_crankcase(outline: Array) -> Array:
    """The outline with walls carried up from both ends of its rail.

    The rail is the side that joins the outline's highest corners; where there is none (a pan drawn to a
    point) the body ends where it is drawn.
    """
    sides = _likely(outline)
    top = float(sides[:, 1].max())
    at_top = np.isclose(sides[:, 1], top)
    ends = sides[at_top, 0].min(), sides[at_top, 0].max()
    lift = np.array([0.0, CRANKCASE]).reshape((2,) + (1,) * (outline.ndim - 2))
    for i, (p, q) in enumerate(zip(sides, np.roll(sides, -1, axis=0), strict=True)):
        if {float(p[0]), float(q[0])} == {float(x) for x in ends} and np.isclose(p[1], top) and np.isclose(q[1], top):
            walls = np.stack([outline[i] + lift, np.roll(outline, -1, axis=0)[i] + lift])
            return np.concatenate([outline[: i + 1], walls, outline[i + 1 :]])
    return outline


def pan_of(facts: OilFacts) -> Pan:
    """Build the pan; MissingFact names what is absent, CoreError what cannot be.

    Raises
    ------
    CoreError
        For an outline that crosses itself, a pickup outside the pan, more oil than it holds.
    """
    need(None if facts.pan.shape is None else 1.0, "oil.pan.shape")
    outline = outline_of(facts.pan)
    stations = widths_of(facts.pan, outline)
    x, y = need(facts.pickup.x, "oil.pickup.x"), facts.pickup.y
    over = facts.pickup.clearance if facts.pickup.drop is None else None
    mouth = None if facts.pickup.drop is None else gasket_of(facts) - facts.pickup.drop
    plain = tuple((likely(p), likely(q)) for p, q in stations)
    pan = _build(
        at_likely(facts.pan),
        tuple((float(p), float(q)) for p, q in _likely(outline)),
        plain,
        likely(x),
        likely(y),
        likely_or_none(over),
        likely_or_none(mouth),
    )
    # A dry sump keeps its oil in the tank.
    oil = likely(facts.oil_quantity) if facts.sump != "dry" else 0.0
    if oil > pan.body.volume:
        raise CoreError(
            "more_than_it_holds",
            "oil.oil_quantity",
            oil,
            f"{pan.body.volume * 1e3:.1f} L, crankcase included",
            f"{oil * 1e3:.1f} L is more than pan and crankcase hold.",
        )
    own = (facts.pan.floor_roll, facts.pan.kick_width, facts.pan.kick_height, over, mouth)
    sizes = (outline[0, 0], x, y, *(v for v in own if v is not None), *(v for s in stations for v in s))
    if max(np.size(v) for v in sizes) == 1:
        return pan
    return _sampled(facts, pan, outline, stations, (as_array(x), as_array(y)), over, mouth)


def _sampled(
    facts: OilFacts,
    pan: Pan,
    outline: Array,
    stations: list[tuple[Value, Value]],
    at: tuple[Array, Array],
    over: Value | None,
    mouth: Value | None,
) -> Pan:
    """The pan with doubts of its sizes; a pickup that would lie outside is held at the wall."""
    low, high = outline[:, 0].min(axis=0), outline[:, 0].max(axis=0)
    x, y = clip(at[0], low, high), at[1]
    half = 0.5 * np.min(np.broadcast_arrays(*(w for _, w in stations)), axis=0)
    lean = as_array(0.0 if facts.pan.floor_roll is None else facts.pan.floor_roll)
    shapes = (np.shape(v) for v in (x, y, half, lean, 0.0 if over is None else over, 0.0 if mouth is None else mouth))
    many = np.broadcast_shapes(*shapes, outline.shape[2:])
    points = np.broadcast_to(outline if outline.ndim == 3 else outline[..., None], (*outline.shape[:2], *many))
    y = clip(y, -half, half)
    floor = _floor(points, x) + y * np.tan(lean)
    z = (
        floor + over
        if over is not None
        else np.maximum(as_array(mouth if mouth is not None else 0.0), floor + TOUCHING)
    )
    pickup = np.stack(np.broadcast_arrays(x, y, z), axis=-1)
    return replace(pan, body=body_of(facts.pan, points, stations), pickup=pickup, floor=floor)


@lru_cache(maxsize=64)
def _build(
    pan: PanFacts,
    corners: tuple[tuple[float, float], ...],
    stations: tuple[tuple[float, float], ...],
    x: float,
    y: float,
    over: float | None,
    mouth: float | None,
) -> Pan:
    """The same pan is asked for several times in a sizing, and at every move of an instrument.

    The pickup stands so far ``over`` the floor, or its ``mouth`` at a height of its own [m].
    """
    outline = np.array(corners)
    low, high = float(outline[:, 0].min()), float(outline[:, 0].max())
    half = 0.5 * float(np.interp(x, [s[0] for s in stations], [s[1] for s in stations]))
    kick = 0.0 if pan.shape != "kicked" or pan.kick_width is None else likely(pan.kick_width)
    if not low <= x <= high or abs(y) > half + kick:
        raise CoreError(
            "pickup_outside",
            "oil.pickup.x" if not low <= x <= high else "oil.pickup.y",
            x if not low <= x <= high else y,
            f"{low * 1e3:.0f} to {high * 1e3:.0f} mm along, {(half + kick) * 1e3:.0f} mm either side",
            "The pickup lies outside the pan.",
        )
    lean = 0.0 if pan.floor_roll is None else float(np.tan(likely(pan.floor_roll)))
    floor = likely(_floor(outline[..., None], np.array([x]))) + y * lean
    # A mouth that would lie in the floor is drawn on it, and said by its own check.
    z = floor + over if over is not None else max(mouth if mouth is not None else floor, floor + TOUCHING)
    return Pan(outline, stations, body_of(pan, outline, stations), np.array([x, y, z]), floor)


def gasket_of(facts: OilFacts) -> Array:
    """What holds the pan's rail off the block [m]."""
    return as_array(0.0 if facts.gasket is None else facts.gasket)


def over_floor(facts: OilFacts, pan: Pan) -> Array:
    """Pickup's mouth over the floor [m]; below nought where it would lie in it."""
    if facts.pickup.drop is None:
        return as_array(facts.pickup.clearance)
    return np.asarray(gasket_of(facts) - facts.pickup.drop - pan.floor)


def _floor(outline: Array, x: Array) -> Array:
    """Lowest z of the outline (k, 2, sample) at ``x`` (sample)."""
    found = np.full(np.broadcast_shapes(x.shape, outline.shape[2:]), np.inf)
    for p, q in zip(outline, np.roll(outline, -1, axis=0), strict=True):
        low, high = np.minimum(p[0], q[0]), np.maximum(p[0], q[0])
        upright = high - low < 1e-12
        share = np.where(upright, 0.0, (x - p[0]) / np.where(upright, 1.0, q[0] - p[0]))
        z = np.where(upright, np.minimum(p[1], q[1]), p[1] + share * (q[1] - p[1]))
        found = np.where((x >= low) & (x <= high), np.minimum(found, z), found)
    return found
