"""How deep convex solids are in each other, and safe bounds of how far they are apart: by directions that part them."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np

from gauge_well.core.geometry.convex import Convex
from gauge_well.core.typing import Array

SMALL = 1e-9  # of a cross product of unit directions: they are one


def parting(first: Convex, second: Convex) -> Array:
    """Directions (k, 3) among which is the one by which two solids are least in each other: the normals of both and all
    squares to an edge of each; these are the facets of the hull of their differences (gottschalk1996)."""
    crossed = np.cross(first.edges[:, None], second.edges[None]).reshape(-1, 3)
    size = np.linalg.norm(crossed, axis=1)
    crossed = crossed[size > SMALL] / size[size > SMALL, None]
    return np.concatenate([first.normals, second.normals, crossed])


def depth(first: Convex, second: Convex) -> tuple[float, Array]:
    """How far two solids that meet must be moved to touch [m], and the direction (3) from the first to the second.

    Exact: the least overlap over :func:`parting`, with their radii.
    """
    directions = parting(first, second)
    directions = np.concatenate([directions, -directions])
    if not len(directions):
        return first.radius + second.radius, np.array([0.0, 0.0, 1.0])
    overlap = (first.points @ directions.T).max(axis=0) - (second.points @ directions.T).min(axis=0)
    i = int(np.argmin(overlap))
    return float(overlap[i]) + first.radius + second.radius, directions[i]


def bound(first: Array, second: Array, directions: Array) -> Array:
    """Distance that is never more than the true one: the widest parting of corners along any of some directions [m].

    Parameters
    ----------
    first, second : array (..., n, 3), (..., m, 3)
        Corners of both.
    directions : array (..., k, 3)
        Unit; a row of noughts says nothing.

    Returns
    -------
    array (...)
        Below nought where no direction parts them.
    """
    turned = np.swapaxes(directions, -1, -2)
    reach = (first @ turned).max(axis=-2)
    starts = (second @ turned).min(axis=-2)
    said = np.einsum("...kd,...kd->...k", directions, directions) > 0.5
    return np.asarray(np.where(said, starts - reach, -np.inf).max(axis=-1))


def stacked(directions: Sequence[Array]) -> Array:
    """Rows of directions of unequal length as one array (k, most, 3), filled by noughts."""
    most = max((len(d) for d in directions), default=0)
    found = np.zeros((len(directions), most, 3))
    for row, own in zip(found, directions, strict=True):
        row[: len(own)] = own
    return found
