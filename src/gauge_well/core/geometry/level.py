"""Lines along which a quantity on a grid stands at a level."""

from __future__ import annotations

import numpy as np

from gauge_well.core.typing import Array


def level_lines(x: Array, y: Array, values: Array, level: float) -> list[tuple[float, float, float, float]]:
    """Straight pieces (x1, y1, x2, y2) of the line at a level, two triangles to a cell; nothing where a corner is not known.

    Parameters
    ----------
    x : array (m,)
    y : array (n,)
    values : array (n, m)
    level : float
    """
    xx, yy = np.meshgrid(x, y)
    points = np.stack([xx, yy], axis=-1)
    corner = [(slice(0, -1), slice(0, -1)), (slice(0, -1), slice(1, None)), (slice(1, None), slice(1, None))]
    other = [corner[0], corner[2], (slice(1, None), slice(0, -1))]
    found: list[tuple[float, float, float, float]] = []
    for three in (corner, other):
        over = np.stack([values[c].ravel() - level for c in three])
        at = np.stack([points[c].reshape(-1, 2) for c in three])
        known = np.isfinite(over).all(axis=0)
        over, at = over[:, known], at[:, known]
        ends: list[list[tuple[float, float]]] = [[] for _ in range(over.shape[1])]
        for i, j in ((0, 1), (1, 2), (2, 0)):
            cuts = np.flatnonzero((over[i] < 0.0) != (over[j] < 0.0))
            share = over[i, cuts] / (over[i, cuts] - over[j, cuts])
            where = at[i, cuts] + share[:, None] * (at[j, cuts] - at[i, cuts])
            for cell, (px, py) in zip(cuts.tolist(), where.tolist(), strict=True):
                ends[cell].append((px, py))
        found += [(*pair[0], *pair[1]) for pair in ends if len(pair) == 2]
    return found
