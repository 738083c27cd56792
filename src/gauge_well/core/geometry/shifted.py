"""Gaps over many shifts of one solid past another: the hull of their differences, once, then a product."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from scipy.spatial import ConvexHull, QhullError

from gauge_well.core.geometry.convex import Convex
from gauge_well.core.typing import Array


@dataclass(frozen=True)
class Shifts:
    """Facets of {second - first}: unit normals (k, 3) and offsets (k) [m]; both radii together [m]."""

    normals: Array
    offsets: Array
    radius: float

    def gaps(self, shifts: Array) -> Array:
        """Gap at shifts (n, 3) of the first [m]: below nought the least overlap, exact; above it exact against faces,
        up to some millimetres low against edges and corners."""
        return np.asarray((shifts @ self.normals.T + self.offsets).max(axis=1) - self.radius)


def shifts_of(first: Convex, second: Convex) -> Shifts:
    """The hull of the differences of two solids.

    Notes
    -----
    Shifted by t, the first keeps from the second what the point t keeps from {b - a}.
    """
    points = (second.points[:, None] - first.points[None]).reshape(-1, 3)
    try:
        hull = ConvexHull(points)
    except QhullError:
        # Two bars, or points in one plane: some thickness makes a hull of them.
        hull = ConvexHull(np.concatenate([points + d for d in 1e-6 * np.eye(3)] + [points]))
    equations = np.unique(np.round(hull.equations, 12), axis=0)
    return Shifts(equations[:, :3], equations[:, 3], first.radius + second.radius)
