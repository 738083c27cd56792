"""Heights over the water of what lies in a boat that heels and trims, and what a box in it holds."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from gauge_well.core.geometry.free_surface import Body, volume_below
from gauge_well.core.typing import Array, Value, as_array

# Corners of a box and the five tetrahedra that fill it.
_CORNERS = np.array([[x, y, z] for x in (0, 1) for y in (0, 1) for z in (0, 1)], dtype=float)
_FIVE = np.array([[0, 1, 2, 4], [3, 1, 2, 7], [5, 1, 4, 7], [6, 2, 4, 7], [1, 2, 4, 7]])


@dataclass(frozen=True)
class Position:
    """How a boat lies: heel [rad], its left side up positive; trim [rad], its stern up positive; in words."""

    heel: Value
    trim: Value
    name: str


def positions(heel: Value, trim: Value) -> list[Position]:
    """At rest, then every corner of heel and trim."""
    found = [Position(0.0, 0.0, "at rest")]
    for side, leans in ((1.0, "heeled to starboard"), (-1.0, "heeled to port")):
        for end, tips in ((1.0, "bow down"), (-1.0, "stern down")):
            found.append(Position(side * as_array(heel), end * as_array(trim), f"{leans}, {tips}"))
    return found


def height_over(aft: Value, left: Value, over: Value, at: Position, sinkage: Value = 0.0) -> Array:
    """Height over the water [m] of a point of a boat that heels and trims about the middle of its waterline.

    ``z' = (z cos h + y sin h) cos t + x sin t - s``, x aft of the middle, y left of the centreline, z over the waterline as
    it was taped, s how much deeper it sits laden.
    """
    h, t = as_array(at.heel), as_array(at.trim)
    heeled = as_array(over) * np.cos(h) + as_array(left) * np.sin(h)
    return np.asarray(heeled * np.cos(t) + as_array(aft) * np.sin(t) - sinkage)


def up_in(at: Position) -> Array:
    """The upward direction in the boat's own axes (aft, left, up) (..., 3)."""
    h, t = np.broadcast_arrays(as_array(at.heel), as_array(at.trim))
    return np.stack([np.sin(t), np.sin(h) * np.cos(t), np.cos(h) * np.cos(t)], axis=-1)


def box(length: Value, width: Value, height: Value) -> Body:
    """A box about its floor's middle, axes (aft, left, up); (sample, 5, 4, 3) where its sizes are samples."""
    sizes = np.stack(np.broadcast_arrays(as_array(length), as_array(width), as_array(height)), axis=-1)
    corners = (_CORNERS - np.array([0.5, 0.5, 0.0])) * sizes[..., None, :]
    return Body(corners[..., _FIVE, :])


def held_to_lip(length: Value, width: Value, height: Value, lip: tuple[Value, Value, Value], at: Position) -> Array:
    """Water [m3] that a box holds before it runs out over a lip at (aft, left, up) of its floor's middle [m]: exact, by
    cutting the box with the level through the lip."""
    all_of = (length, width, height, *lip, at.heel, at.trim)
    sizes = np.broadcast_arrays(*(np.ravel(as_array(v)) for v in all_of))
    up = up_in(Position(sizes[6], sizes[7], at.name))
    level = np.sum(up * np.stack(sizes[3:6], axis=-1), axis=-1)
    return volume_below(box(*sizes[:3]), up, level)
