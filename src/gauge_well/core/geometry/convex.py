"""Convex solids: the hull of a few points, and a radius round it."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from functools import cached_property, lru_cache

import numpy as np
from numpy.typing import NDArray
from scipy.spatial import ConvexHull, QhullError

from gauge_well.core.typing import Array

Spot = Sequence[float] | Array
SIDES = 16  # of a cylinder: circumscribed, so that it is 2 % fat and never thin
FLAT = 1e-5  # m: thinner is no solid
SAME = 1e-9  # of two unit directions


@dataclass(frozen=True, eq=False)
class Convex:
    """The hull of ``points`` (n, 3) [m] grown by ``radius`` [m]."""

    points: Array
    radius: float = 0.0

    @cached_property
    def _facets(self) -> tuple[Array, Array]:
        return _facets_of(self.points.tobytes())

    @property
    def normals(self) -> Array:
        """Unit normals of its faces (k, 3), one of each two that are opposed; none for a line or a point."""
        return self._facets[0]

    @property
    def edges(self) -> Array:
        """Unit directions of its edges (k, 3), one of each two that are opposed."""
        return self._facets[1]

    def moved(self, rotation: Array, shift: Array) -> Convex:
        """The same turned by a matrix (3, 3), which may also grow it alike all ways, and then shifted [m]."""
        return _with_facets(self, self.points @ rotation.T + shift, rotation)

    def shifted(self, by: Array) -> Convex:
        """The same elsewhere [m]: no face of it turns."""
        return _with_facets(self, self.points + by, np.eye(3)) if by.any() else self

    def swept(self, by: Array) -> Convex:
        """All that it passes on a straight way ``by`` [m]: the hull of both ends."""
        return Convex(np.concatenate([self.points, self.points + by]), self.radius)

    def grown(self) -> Array:
        """Corners (n, 3) of the solid with its radius in them [m]: what is round is held by what is many-sided."""
        if not self.radius:
            return self.points
        ends = np.concatenate([ball(self.radius) + p for p in self.points])
        return hull_of(ends).points

    @property
    def low(self) -> Array:
        """Least corner of its bounding box [m]."""
        return np.asarray(self.points.min(axis=0) - self.radius)

    @property
    def high(self) -> Array:
        """Greatest corner of its bounding box [m]."""
        return np.asarray(self.points.max(axis=0) + self.radius)


def _with_facets(of: Convex, points: Array, rotation: Array) -> Convex:
    # What was found of its faces turns with it.
    found = Convex(points, of.radius)
    if "_facets" in of.__dict__:
        unit = rotation.T / np.linalg.norm(rotation[0])
        found.__dict__["_facets"] = tuple(d @ unit for d in of.__dict__["_facets"])
    return found


@lru_cache(maxsize=512)
def _facets_of(corners: bytes) -> tuple[Array, Array]:
    # The same things are asked for at every edit.
    return facets(np.frombuffer(corners).reshape(-1, 3))


def _unlike(directions: Array) -> Array:
    """Unit directions without repeats, opposed ones counted once."""
    kept: list[Array] = []
    for d in directions:
        if all(abs(abs(float(d @ k)) - 1.0) > SAME for k in kept):
            kept.append(d)
    return np.array(kept).reshape(-1, 3)


def facets(points: Array) -> tuple[Array, Array]:
    """Unit normals of the faces and unit directions of the edges of a hull; a line has one edge and no face."""
    spread = points - points.mean(axis=0)
    _, sizes, axes = np.linalg.svd(spread, full_matrices=True)
    rank = int((sizes > FLAT).sum())
    none = np.zeros((0, 3))
    if rank == 0:
        return none, none
    if rank == 1:
        return none, axes[:1]
    if rank == 2:
        flat = spread @ axes[:2].T
        order = ConvexHull(flat).vertices
        sides = points[np.roll(order, -1)] - points[order]
        return axes[2:], _unlike(sides / np.linalg.norm(sides, axis=1, keepdims=True))
    hull = ConvexHull(points)
    normals = hull.equations[:, :3]
    # An edge stands between two triangles that do not lie in one face.
    found: list[Array] = []
    for i, (simplex, beside) in enumerate(zip(hull.simplices, hull.neighbors, strict=True)):
        for k, j in enumerate(beside):
            if j > i and normals[i] @ normals[j] < 1.0 - SAME:
                a, b = points[np.delete(simplex, k)]
                found.append((b - a) / np.linalg.norm(b - a))
    return _unlike(normals), _unlike(np.array(found))


def box(low: Spot, high: Spot) -> Convex:
    """A box between two corners [m], whichever of them is the lower."""
    a, b = np.asarray(low, dtype=float), np.asarray(high, dtype=float)
    at = np.array([[i, j, k] for i in (0, 1) for j in (0, 1) for k in (0, 1)], dtype=float)
    return Convex(a + at * (b - a))


def capsule(start: Spot, end: Spot, radius: float) -> Convex:
    """A round bar between two points [m], its ends round."""
    return Convex(np.array([start, end], dtype=float), radius)


def prism(outline: Array, start: float, end: float, axis: int = 0) -> Convex:
    """An outline (n, 2) carried along an axis from ``start`` to ``end`` [m]; its coordinates are the other two axes'."""
    others = [k for k in range(3) if k != axis]
    points = np.empty((2 * len(outline), 3))
    points[:, others] = np.tile(outline, (2, 1))
    points[:, axis] = np.repeat([start, end], len(outline))
    return Convex(points)


def ring(radius: float) -> Array:
    """Corners (16, 2) of a polygon that holds a circle."""
    turns = (np.arange(SIDES) + 0.5) * (2.0 * np.pi / SIDES)
    return np.asarray(radius / np.cos(np.pi / SIDES) * np.stack([np.cos(turns), np.sin(turns)], axis=1))


def ball(radius: float) -> Array:
    """Corners (50, 3) of a body that holds a ball, a twelfth fat at most [m]."""
    along = np.linspace(-1.0, 1.0, 5)[1:-1] * (np.pi / 2)
    rings = [np.column_stack([np.cos(a) * ring(1.0), np.full(SIDES, np.sin(a))]) for a in along]
    poles = np.array([[0.0, 0.0, 1.0], [0.0, 0.0, -1.0]])
    return np.asarray(radius * np.concatenate([*rings, poles]) / np.cos(np.pi / 8))


def cylinder(start: Spot, end: Spot, radius: float, tip: float | None = None) -> Convex:
    """A round thing with flat ends between two points [m], tapering to ``tip`` where that is given."""
    a, b = np.asarray(start, dtype=float), np.asarray(end, dtype=float)
    along = (b - a) / np.linalg.norm(b - a)
    across = np.cross(along, [0.0, 0.0, 1.0] if abs(along[2]) < 0.9 else [1.0, 0.0, 0.0])
    across /= np.linalg.norm(across)
    frame = np.stack([across, np.cross(along, across)])
    return Convex(np.concatenate([a + ring(radius) @ frame, b + ring(radius if tip is None else tip) @ frame]))


def hull_of(points: Array) -> Convex:
    """The corners of the hull of many points.

    Raises
    ------
    ValueError
        Where they lie in one plane: no solid.
    """
    try:
        hull = ConvexHull(points)
    except QhullError as error:
        raise ValueError("flat") from error
    found = np.asarray(points[hull.vertices], dtype=float)
    if float(np.linalg.svd(found - found.mean(axis=0), compute_uv=False)[2]) < FLAT:
        raise ValueError("flat")
    return Convex(found)


def padded(solids: Sequence[Convex]) -> tuple[Array, Array]:
    """Points of several (k, most, 3), the last of each repeated, and their radii (k)."""
    most = max(len(s.points) for s in solids)
    found = np.empty((len(solids), most, 3))
    for row, solid in zip(found, solids, strict=True):
        row[: len(solid.points)] = solid.points
        row[len(solid.points) :] = solid.points[-1]
    return found, np.array([s.radius for s in solids])


def near(low: Array, high: Array, other_low: Array, other_high: Array, within: float) -> NDArray[np.bool_]:
    """Which of two rows of bounding boxes (k, 3), (m, 3) come within a distance [m] of each other: (k, m)."""
    apart = np.maximum(other_low[None] - high[:, None], low[:, None] - other_high[None])
    return np.asarray((np.maximum(apart, 0.0) ** 2).sum(axis=-1) <= within**2)
