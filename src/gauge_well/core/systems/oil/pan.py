"""The pan as a body of liquid, and where its pickup lies."""

from __future__ import annotations

from dataclasses import dataclass, replace
from functools import cached_property, lru_cache

import numpy as np

from gauge_well.core.errors import CoreError
from gauge_well.core.facts import need
from gauge_well.core.geometry.free_surface import Body, check_polygon, prism, volume_below
from gauge_well.core.systems.oil.facts import OilFacts
from gauge_well.core.typing import Array, Value, as_array, clip, likely

CRANKCASE = 0.13  # m over the rail in which oil may pile up before it meets the crank (common practice)
LEVEL = np.array([0.0, 0.0, 1.0])
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


def outline_of(facts: OilFacts) -> Array:
    """Corners of the side view below the rail, round from the flywheel end; z up; samples on a last axis."""
    if facts.pan.shape == "outline":
        rows = need(facts.pan.outline, "oil.pan.outline")  # type: ignore[arg-type]
        points = _corners(*((row[0], -row[1]) for row in rows))  # type: ignore[union-attr]
        check_polygon(_likely(points), "oil.pan.outline")
        return points
    length, depth = (as_array(need(getattr(facts.pan, n), f"oil.pan.{n}")) for n in ("length", "depth"))
    if facts.pan.shape == "box":
        return _corners((0.0, 0.0), (0.0, -depth), (length, -depth), (length, 0.0))
    well, shallow = (as_array(need(getattr(facts.pan, n), f"oil.pan.{n}")) for n in ("well_length", "shallow_depth"))
    if likely(well) >= likely(length) or likely(shallow) >= likely(depth):
        long = likely(well) >= likely(length)
        raise CoreError(
            "well_too_large",
            "oil.pan.well_length" if long else "oil.pan.shallow_depth",
            likely(well) if long else likely(shallow),
            "shorter and shallower than the pan",
            "The deep part must be shorter than the pan and the shallow part shallower.",
        )
    # Doubts of two lengths may cross; a step is a step all the same.
    well, shallow = np.minimum(well, STEP_MOST * length), np.minimum(shallow, STEP_MOST * depth)
    if facts.pan.shape == "front_well":
        start = length - well
        return _corners(
            (0.0, 0.0), (0.0, -shallow), (start, -shallow), (start, -depth), (length, -depth), (length, 0.0)
        )
    return _corners((0.0, 0.0), (0.0, -depth), (well, -depth), (well, -shallow), (length, -shallow), (length, 0.0))


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
    outline = outline_of(facts)
    stations: list[tuple[Value, Value]]
    if facts.pan.widths is not None:
        stations = sorted(((row[0], row[1]) for row in facts.pan.widths), key=lambda s: likely(s[0]))
    else:
        width = need(facts.pan.width, "oil.pan.width")
        stations = [(outline[:, 0].min(axis=0), width), (outline[:, 0].max(axis=0), width)]
    x, y = need(facts.pickup.x, "oil.pickup.x"), facts.pickup.y
    clearance = facts.pickup.clearance
    oil = likely(facts.oil_quantity)
    plain = tuple((likely(p), likely(q)) for p, q in stations)
    corners = tuple((float(p), float(q)) for p, q in _likely(outline))
    pan = _build(corners, plain, likely(x), likely(y), likely(clearance))
    if oil > pan.body.volume:
        raise CoreError(
            "more_than_it_holds",
            "oil.oil_quantity",
            oil,
            f"{pan.body.volume * 1e3:.1f} L, crankcase included",
            f"{oil * 1e3:.1f} L is more than pan and crankcase hold.",
        )
    if max(np.size(v) for v in (outline[0, 0], x, y, clearance, *(v for s in stations for v in s))) == 1:
        return pan
    return _sampled(pan, outline, stations, as_array(x), as_array(y), as_array(clearance))


def _sampled(
    pan: Pan, outline: Array, stations: list[tuple[Value, Value]], x: Array, y: Array, clearance: Array
) -> Pan:
    """The pan with doubts of its sizes; a pickup that would lie outside is held at the wall."""
    low, high = outline[:, 0].min(axis=0), outline[:, 0].max(axis=0)
    x = clip(x, low, high)
    half = 0.5 * np.min(np.broadcast_arrays(*(w for _, w in stations)), axis=0)
    many = np.broadcast_shapes(np.shape(x), np.shape(y), np.shape(clearance), np.shape(half), outline.shape[2:])
    points = np.broadcast_to(outline if outline.ndim == 3 else outline[..., None], (*outline.shape[:2], *many))
    floor = _floor(points, x)
    pickup = np.stack(np.broadcast_arrays(x, clip(y, -half, half), floor + clearance), axis=-1)
    return replace(pan, body=prism(_with_crankcase(points), stations), pickup=pickup, floor=floor)


@lru_cache(maxsize=64)
def _build(
    corners: tuple[tuple[float, float], ...],
    stations: tuple[tuple[float, float], ...],
    x: float,
    y: float,
    clearance: float,
) -> Pan:
    """The same pan is asked for several times in a sizing, and at every move of an instrument."""
    outline = np.array(corners)
    low, high = float(outline[:, 0].min()), float(outline[:, 0].max())
    half = 0.5 * float(np.interp(x, [s[0] for s in stations], [s[1] for s in stations]))
    if not low <= x <= high or abs(y) > half:
        raise CoreError(
            "pickup_outside",
            "oil.pickup.x" if not low <= x <= high else "oil.pickup.y",
            x if not low <= x <= high else y,
            f"{low * 1e3:.0f} to {high * 1e3:.0f} mm along, {half * 1e3:.0f} mm either side",
            "The pickup lies outside the pan.",
        )
    floor = likely(_floor(outline[..., None], np.array([x])))
    body = prism(_with_crankcase(outline), stations)
    return Pan(outline, stations, body, np.array([x, y, floor + clearance]), floor)


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
