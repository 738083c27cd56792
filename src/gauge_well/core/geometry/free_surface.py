"""Liquid in a body cut into tetrahedra: exact volume under any plane, and the plane that holds a volume."""

from __future__ import annotations

import itertools
from collections.abc import Sequence
from dataclasses import dataclass
from functools import cached_property

import numpy as np

from gauge_well.core.errors import CoreError
from gauge_well.core.roots import find_root
from gauge_well.core.typing import Array, Value, as_array, clip

SURFACE_TOLERANCE = 1e-12  # m


@dataclass(frozen=True)
class Body:
    """Tetrahedra (n, 4, 3) that fill a vessel, or (sample, n, 4, 3) of a vessel known in samples; metres."""

    tetrahedra: Array

    @cached_property
    def volumes(self) -> Array:
        """Volume of each tetrahedron [m3], (n,) or (sample, n)."""
        edges = self.tetrahedra[..., 1:, :] - self.tetrahedra[..., :1, :]
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
    """How far ``d`` stands between two heights: 0 to 1 in the branch that is taken, anything in the others."""
    return np.asarray((d - low) / np.maximum(high - low, 1e-300))


def share_below(heights: Array, d: Array) -> Array:
    """Share of a tetrahedron below a plane.

    Parameters
    ----------
    heights : array (4, ...)
        Heights of its corners along the plane's normal, rising along the first axis.
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
    h0, h1, h2, h3 = heights
    with np.errstate(over="ignore", invalid="ignore"):
        a, b = _between(d, h0, h2), _between(d, h0, h3)
        c, e = _between(d, h1, h2), _between(d, h1, h3)
        one = _between(d, h0, h1) * a * b
        two = c * e + a * (1.0 - c) * e + a * b * (1.0 - e)
        three = 1.0 - (1.0 - b) * (1.0 - e) * (1.0 - _between(d, h2, h3))
    found = np.where(d <= h1, one, np.where(d <= h2, two, three))
    return np.asarray(np.where(d <= h0, 0.0, np.where(d >= h3, 1.0, found)))


def corner_heights(body: Body, normal: Array) -> Array:
    """Heights (4, ..., n) of every tetrahedron's corners along ``normal`` (..., 3), rising [m].

    Four values are put in order by five comparisons, which on many samples beats a general sort; so does one product
    of all corners, where they have no samples, beat a sum over each.
    """
    corners = body.tetrahedra
    if corners.ndim == 3:
        flat = as_array(normal) @ corners.reshape(-1, 3).T
        heights = flat.reshape(*flat.shape[:-1], len(corners), 4)
        a, b, c, d = (heights[..., k] for k in range(4))
    else:
        a, b, c, d = np.einsum("...nkc,...c->k...n", corners, normal)
    a, b = np.minimum(a, b), np.maximum(a, b)
    c, d = np.minimum(c, d), np.maximum(c, d)
    a, c = np.minimum(a, c), np.maximum(a, c)
    b, d = np.minimum(b, d), np.maximum(b, d)
    return np.stack([a, np.minimum(b, c), np.maximum(b, c), d])


def _sum_of(shares: Array, body: Body) -> Array:
    return np.asarray(np.einsum("...n,...n->...", shares, body.volumes))


def volume_below(body: Body, normal: Array, d: Array) -> Array:
    """Volume [m3] of the body where ``normal . r <= d``.

    Parameters
    ----------
    body : Body
    normal : array (..., 3)
        Unit vectors; the last axis before the components is the sample's where the body has samples.
    d : array (...)
        [m].
    """
    return _sum_of(share_below(corner_heights(body, normal), as_array(d)[..., None]), body)


def surface_height(body: Body, normal: Array, volume: Array) -> Array:
    """Height d [m] of the plane that holds ``volume`` [m3] under it, for each normal (..., 3); bodies without samples.

    The volume is a piecewise cubic of d with knots at the corners: the interval is found by looking at
    the knots, the root in it by bracketing. Volumes beyond the body give its lowest or highest point.
    """
    n = as_array(normal)
    shape = np.broadcast_shapes(n.shape[:-1], np.shape(volume))
    n = np.broadcast_to(n, (*shape, 3))
    want = np.broadcast_to(as_array(volume), shape)
    knots = np.sort(np.einsum("mc,...c->...m", body.vertices, n), axis=-1)
    heights = corner_heights(body, n)
    held = _sum_of(share_below(heights[..., None, :], knots[..., None]), body)
    i = np.clip(np.sum(held < want[..., None], axis=-1), 1, knots.shape[-1] - 1)[..., None]
    low, high = (np.take_along_axis(knots, j, -1)[..., 0] for j in (i - 1, i))
    v_low, v_high = (np.take_along_axis(held, j, -1)[..., 0] for j in (i - 1, i))
    return find_root(
        lambda d: _sum_of(share_below(heights, d[..., None]), body) - want,
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


def prism(outline: Array, stations: Sequence[tuple[Value, Value]], offset: Value = 0.0) -> Body:
    """Fill an upright outline (k, 2) of (x, z) whose width changes along x.

    Parameters
    ----------
    outline : array (k, 2) or (k, 2, sample)
        Simple polygon [m].
    stations : sequence of (x, width)
        Rising in x [m]; linear between, held beyond the ends.
    offset : float or array (sample)
        Of the middle plane along y [m].

    Returns
    -------
    Body

    Notes
    -----
    The outline is cut at every corner's and station's x; between two cuts all sides are straight and
    the width linear, so that each piece is convex where the outline is simple. Each triangle between
    the two side planes is a wedge of three tetrahedra. How it is cut follows from the likely outline;
    samples move its corners and must keep their order.
    """
    many = outline.ndim == 3
    points = outline if many else outline[..., None]
    widths = [(np.atleast_1d(as_array(x)), np.atleast_1d(as_array(w))) for x, w in stations]
    cuts = [*points[:, 0], *(x for x, _ in widths)]
    first, last = points[:, 0, 0].min() - 1e-12, points[:, 0, 0].max() + 1e-12
    likely_x, where = np.unique(np.array([cut[0] for cut in cuts]).round(12), return_index=True)
    kept = [cuts[i] for x, i in zip(likely_x, where, strict=True) if first <= x <= last]
    pieces: list[Array] = []
    for left, right in itertools.pairwise(kept):
        for triangle in _slab(points, left, right):
            near, far = [], []
            for x, z in triangle:
                half = 0.5 * _width_at(widths, x)
                corner = np.broadcast_arrays(x, offset - half, z)
                near.append(np.stack(corner))
                far.append(np.stack([corner[0], np.broadcast_to(offset + half, corner[0].shape), corner[2]]))
            pieces += [
                np.stack([near[0], near[1], near[2], far[2]]),
                np.stack([near[0], near[1], far[1], far[2]]),
                np.stack([near[0], far[0], far[1], far[2]]),
            ]
    whole = np.moveaxis(np.stack(np.broadcast_arrays(*pieces)), -1, 0)
    body = Body(whole[:, Body(whole[0]).volumes > 1e-15])
    return body if many else Body(body.tetrahedra[0])


def _width_at(stations: Sequence[tuple[Array, Array]], x: Array) -> Array:
    """Width at ``x``: linear between stations, held beyond the ends."""
    found = stations[0][1]
    for (x0, w0), (x1, w1) in itertools.pairwise(stations):
        share = clip((x - x0) / np.maximum(x1 - x0, 1e-12), 0.0, 1.0)
        found = np.where(x >= x0, w0 + share * (w1 - w0), found)
    return np.asarray(found)


def _slab(points: Array, left: Array, right: Array) -> list[list[tuple[Array, Array]]]:
    """Triangles, three (x, z) each, of the outline (k, 2, sample) between two upright lines that no corner parts."""
    sides: list[tuple[Array, Array]] = []
    for p, q in zip(points, np.roll(points, -1, axis=0), strict=True):
        low, high = sorted((float(p[0, 0]), float(q[0, 0])))
        if low <= left[0] + 1e-12 and high >= right[0] - 1e-12 and high > low:
            slope = (q[1] - p[1]) / (q[0] - p[0])
            sides.append((p[1] + (left - p[0]) * slope, p[1] + (right - p[0]) * slope))
    sides.sort(key=lambda z: float(z[0][0] + z[1][0]))
    triangles = []
    for below, above in zip(sides[::2], sides[1::2], strict=False):
        a, b, c, d = (left, below[0]), (right, below[1]), (right, above[1]), (left, above[0])
        triangles += [[a, b, c], [a, c, d]]
    return triangles
