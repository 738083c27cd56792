"""Liquid in a body cut into tetrahedra: exact volume under any plane, and the plane that holds a volume."""

from __future__ import annotations

import itertools
from collections.abc import Sequence
from dataclasses import dataclass
from functools import cached_property

import numpy as np

from gauge_well.core.errors import CoreError
from gauge_well.core.roots import find_root
from gauge_well.core.typing import Array, as_array, clip

SURFACE_TOLERANCE = 1e-12  # m


@dataclass(frozen=True)
class Body:
    """Tetrahedra (n, 4, 3) that fill a vessel; metres, engine axes."""

    tetrahedra: Array

    @cached_property
    def volumes(self) -> Array:
        """Volume of each tetrahedron [m3]."""
        edges = self.tetrahedra[:, 1:] - self.tetrahedra[:, :1]
        return np.asarray(np.abs(np.linalg.det(edges)) / 6.0)

    @property
    def volume(self) -> float:
        """Volume of the whole [m3]."""
        return float(self.volumes.sum())

    @cached_property
    def vertices(self) -> Array:
        """Distinct corners (m, 3)."""
        return np.unique(self.tetrahedra.reshape(-1, 3).round(12), axis=0)


def _between(d: Array, low: Array, high: Array) -> Array:
    """How far ``d`` stands between two heights, 0 to 1; equal heights are never the branch taken."""
    return clip((d - low) / np.maximum(high - low, 1e-300), 0.0, 1.0)


def share_below(heights: Array, d: Array) -> Array:
    """Share of a tetrahedron below a plane.

    Parameters
    ----------
    heights : array (..., 4)
        Heights of its corners along the plane's normal, rising along the last axis.
    d : array (...)
        Height of the plane.

    Returns
    -------
    array (...)

    Notes
    -----
    One corner below: product of the three edge shares. Two below: the wedge cut into three
    tetrahedra, ``c e + a (1 - c) e + a b (1 - e)`` with a, b the shares of the lowest corner's edges
    and c, e those of the next: all terms positive, so that nothing cancels. Three below: one less
    the corner above. By determinants of barycentric coordinates; exact.
    """
    h0, h1, h2, h3 = (heights[..., i] for i in range(4))
    a, b = _between(d, h0, h2), _between(d, h0, h3)
    c, e = _between(d, h1, h2), _between(d, h1, h3)
    one = _between(d, h0, h1) * a * b
    two = c * e + a * (1.0 - c) * e + a * b * (1.0 - e)
    three = 1.0 - (1.0 - b) * (1.0 - e) * (1.0 - _between(d, h2, h3))
    found = np.where(d <= h1, one, np.where(d <= h2, two, three))
    return np.asarray(np.where(d <= h0, 0.0, np.where(d >= h3, 1.0, found)))


def corner_heights(body: Body, normal: Array) -> Array:
    """Heights (..., n, 4) of every tetrahedron's corners along ``normal`` (..., 3), rising [m]."""
    return np.sort(np.einsum("nkc,...c->...nk", body.tetrahedra, normal), axis=-1)


def volume_below(body: Body, normal: Array, d: Array) -> Array:
    """Volume [m3] of the body where ``normal . r <= d``.

    Parameters
    ----------
    body : Body
    normal : array (..., 3)
        Unit vectors.
    d : array (...)
        [m].
    """
    return np.asarray(share_below(corner_heights(body, normal), as_array(d)[..., None]) @ body.volumes)


def surface_height(body: Body, normal: Array, volume: Array) -> Array:
    """Height d [m] of the plane that holds ``volume`` [m3] under it, for each normal (..., 3).

    The volume is a piecewise cubic of d with knots at the corners: the interval is found by looking at
    the knots, the root in it by bracketing. Volumes beyond the body give its lowest or highest point.
    """
    n = as_array(normal)
    shape = np.broadcast_shapes(n.shape[:-1], np.shape(volume))
    n = np.broadcast_to(n, (*shape, 3))
    want = np.broadcast_to(as_array(volume), shape)
    knots = np.sort(np.einsum("mc,...c->...m", body.vertices, n), axis=-1)
    heights = corner_heights(body, n)
    held = share_below(heights[..., None, :, :], knots[..., None]) @ body.volumes
    i = np.clip(np.sum(held < want[..., None], axis=-1), 1, knots.shape[-1] - 1)[..., None]
    low, high = (np.take_along_axis(knots, j, -1)[..., 0] for j in (i - 1, i))
    v_low, v_high = (np.take_along_axis(held, j, -1)[..., 0] for j in (i - 1, i))
    return find_root(
        lambda d: share_below(heights, d[..., None]) @ body.volumes - want,
        low,
        high,
        tolerance=SURFACE_TOLERANCE,
        values=(v_low - want, v_high - want),
    )


def cross(a: Array, b: Array) -> float:
    """z of the cross product of two plane vectors."""
    return float(a[0] * b[1] - a[1] * b[0])


def check_polygon(points: Array, field: str) -> None:
    """Raise :class:`CoreError` for a polygon that has too few corners or crosses itself."""
    n = len(points)
    if n < 3:
        raise CoreError("outline_short", field, n, "three corners or more", "The outline needs three corners or more.")
    for i in range(n):
        for j in range(i + 1, n):
            if j in (i, (i + 1) % n) or i == (j + 1) % n:
                continue
            p, q = points[i], points[(i + 1) % n]
            r, s = points[j], points[(j + 1) % n]
            one = cross(q - p, r - p) * cross(q - p, s - p)
            two = cross(s - r, p - r) * cross(s - r, q - r)
            if one < 0.0 and two < 0.0:
                raise CoreError(
                    "outline_crossed",
                    field,
                    [float(x) for x in p],
                    "an outline that does not cross itself",
                    f"The outline crosses itself: side {i + 1} and side {j + 1}.",
                )


def prism(outline: Array, stations: Sequence[tuple[float, float]], offset: float = 0.0) -> Body:
    """Fill an upright outline (k, 2) of (x, z) whose width changes along x.

    Parameters
    ----------
    outline : array (k, 2)
        Simple polygon [m].
    stations : sequence of (x, width)
        Rising in x [m]; linear between, held beyond the ends.
    offset : float
        Of the middle plane along y [m].

    Returns
    -------
    Body

    Notes
    -----
    The outline is cut at every corner's and station's x; between two cuts all sides are straight and
    the width linear, so that each piece is convex where the outline is simple. Each triangle between
    the two side planes is a wedge of three tetrahedra.
    """
    points = as_array(outline)
    xs = np.unique(np.concatenate([points[:, 0], [s[0] for s in stations]]).round(12))
    xs = xs[(xs >= points[:, 0].min() - 1e-12) & (xs <= points[:, 0].max() + 1e-12)]
    where, widths = np.array([s[0] for s in stations]), np.array([s[1] for s in stations])
    pieces: list[Array] = []
    for left, right in itertools.pairwise(xs):
        for triangle in _slab(points, float(left), float(right)):
            half = 0.5 * np.interp(triangle[:, 0], where, widths)
            near = np.column_stack([triangle[:, 0], offset - half, triangle[:, 1]])
            far = np.column_stack([triangle[:, 0], offset + half, triangle[:, 1]])
            pieces += [
                np.array([near[0], near[1], near[2], far[2]]),
                np.array([near[0], near[1], far[1], far[2]]),
                np.array([near[0], far[0], far[1], far[2]]),
            ]
    body = Body(np.array(pieces))
    return Body(body.tetrahedra[body.volumes > 1e-15])


def _slab(points: Array, left: float, right: float) -> list[Array]:
    """Triangles of the outline between two upright lines that no corner parts."""
    middle = 0.5 * (left + right)
    sides = []
    for p, q in zip(points, np.roll(points, -1, axis=0), strict=True):
        low, high = min(p[0], q[0]), max(p[0], q[0])
        if low <= left + 1e-12 and high >= right - 1e-12 and high > low:
            z = [p[1] + (x - p[0]) / (q[0] - p[0]) * (q[1] - p[1]) for x in (left, middle, right)]
            sides.append(z)
    sides.sort(key=lambda z: z[1])
    triangles = []
    for below, above in zip(sides[::2], sides[1::2], strict=False):
        a, b = np.array([left, below[0]]), np.array([right, below[2]])
        c, d = np.array([right, above[2]]), np.array([left, above[0]])
        triangles += [np.array([a, b, c]), np.array([a, c, d])]
    return triangles
