"""The pan as a body of liquid, and where its pickup lies."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cached_property, lru_cache

import numpy as np

from gauge_well.core.errors import CoreError
from gauge_well.core.facts import need, need_number
from gauge_well.core.geometry.free_surface import Body, check_polygon, prism, volume_below
from gauge_well.core.systems.oil.facts import OilFacts
from gauge_well.core.typing import Array

CRANKCASE = 0.13  # m over the rail in which oil may pile up before it meets the crank (common practice)
LEVEL = np.array([0.0, 0.0, 1.0])


@dataclass(frozen=True)
class Pan:
    """Outline (k, 2) of the side view in (x, z) with the rail at z = 0, the body to its crankcase, the pickup."""

    outline: Array
    stations: tuple[tuple[float, float], ...]
    body: Body
    pickup: Array
    floor: float

    @cached_property
    def holds(self) -> float:
        """Volume to the rail [m3]."""
        return float(volume_below(self.body, LEVEL, np.asarray(0.0)))

    @cached_property
    def wetted(self) -> float:
        """Outside of the pan below the rail, about [m2]: floor and walls of its mean depth."""
        length = float(np.ptp(self.outline[:, 0]))
        width = float(np.mean([w for _, w in self.stations]))
        depth = self.holds / max(length * width, 1e-9)
        return length * width + 2.0 * depth * (length + width)


def outline_of(facts: OilFacts) -> Array:
    """Corners of the side view below the rail, round from the flywheel end; z up."""
    if facts.pan_shape == "outline":
        rows = need(facts.pan_outline, "oil.pan_outline")  # type: ignore[arg-type]
        points = np.array([[row[0], -row[1]] for row in rows])  # type: ignore[union-attr]
        check_polygon(points, "oil.pan_outline")
        return points
    length, depth = need_number(facts.pan_length, "oil.pan_length"), need_number(facts.pan_depth, "oil.pan_depth")
    if facts.pan_shape == "box":
        return np.array([[0.0, 0.0], [0.0, -depth], [length, -depth], [length, 0.0]])
    well, shallow = (
        need_number(facts.well_length, "oil.well_length"),
        need_number(facts.shallow_depth, "oil.shallow_depth"),
    )
    if well >= length or shallow >= depth:
        raise CoreError(
            "well_too_large",
            "oil.well_length" if well >= length else "oil.shallow_depth",
            well if well >= length else shallow,
            "shorter and shallower than the pan",
            "The deep part must be shorter than the pan and the shallow part shallower.",
        )
    step = np.array([[0.0, 0.0], [0.0, -depth], [well, -depth], [well, -shallow], [length, -shallow], [length, 0.0]])
    if facts.pan_shape == "front_well":
        step[:, 0] = length - step[:, 0]
        step = step[::-1]
    return step


def _with_crankcase(outline: Array) -> Array:
    """The outline with walls carried up from both ends of its rail.

    The rail is the side that joins the outline's highest corners; where there is none (a pan drawn to a
    point) the body ends where it is drawn.
    """
    top = float(outline[:, 1].max())
    at_top = np.isclose(outline[:, 1], top)
    ends = outline[at_top, 0].min(), outline[at_top, 0].max()
    for i, (p, q) in enumerate(zip(outline, np.roll(outline, -1, axis=0), strict=True)):
        if {float(p[0]), float(q[0])} == {float(x) for x in ends} and np.isclose(p[1], top) and np.isclose(q[1], top):
            walls = np.array([[p[0], top + CRANKCASE], [q[0], top + CRANKCASE]])
            return np.vstack([outline[: i + 1], walls, outline[i + 1 :]])
    return outline


def pan_of(facts: OilFacts) -> Pan:
    """Build the pan; MissingFact names what is absent, CoreError what cannot be.

    Raises
    ------
    CoreError
        For an outline that crosses itself, a pickup outside the pan, more oil than it holds.
    """
    need(None if facts.pan_shape is None else 1.0, "oil.pan_shape")
    outline = outline_of(facts)
    if facts.pan_widths is not None:
        stations = tuple(sorted((row[0], row[1]) for row in facts.pan_widths))
    else:
        width = need_number(facts.pan_width, "oil.pan_width")
        stations = ((float(outline[:, 0].min()), width), (float(outline[:, 0].max()), width))
    x, y = need_number(facts.pickup_x, "oil.pickup_x"), need_number(facts.pickup_y, "oil.pickup_y")
    corners = tuple((float(p), float(q)) for p, q in outline)
    pan = _build(corners, stations, x, y, need_number(facts.pickup_clearance, "oil.pickup_clearance"))
    oil = need_number(facts.oil_quantity, "oil.oil_quantity")
    if oil > pan.body.volume:
        raise CoreError(
            "more_than_it_holds",
            "oil.oil_quantity",
            oil,
            f"{pan.body.volume * 1e3:.1f} L, crankcase included",
            f"{oil * 1e3:.1f} L is more than pan and crankcase hold.",
        )
    return pan


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
            "oil.pickup_x" if not low <= x <= high else "oil.pickup_y",
            x if not low <= x <= high else y,
            f"{low * 1e3:.0f} to {high * 1e3:.0f} mm along, {half * 1e3:.0f} mm either side",
            "The pickup lies outside the pan.",
        )
    floor = _floor(outline, x)
    body = prism(_with_crankcase(outline), stations)
    return Pan(outline, stations, body, np.array([x, y, floor + clearance]), floor)


def _floor(outline: Array, x: float) -> float:
    """Lowest z of the outline at ``x``."""
    found = []
    for p, q in zip(outline, np.roll(outline, -1, axis=0), strict=True):
        if min(p[0], q[0]) <= x <= max(p[0], q[0]):
            share = 0.0 if p[0] == q[0] else (x - p[0]) / (q[0] - p[0])
            found += [float(p[1] + share * (q[1] - p[1]))] if p[0] != q[0] else [float(p[1]), float(q[1])]
    return min(found)
