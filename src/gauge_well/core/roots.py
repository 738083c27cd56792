"""Bracketed roots of many equations at once.

SciPy's elementwise finder hands the function a shrinking, flattened set of points, so that every
coefficient must travel as an argument; physics written on (power, duty, sample) axes keeps its
shape here instead. Tests hold this against SciPy's.
"""

from __future__ import annotations

from collections.abc import Callable

import numpy as np

from gauge_well.core.typing import Array, Value, as_array, clip


def find_root(
    function: Callable[[Array], Array],
    low: Value,
    high: Value,
    *,
    tolerance: float,
    iterations: int = 60,
    values: tuple[Array, Array] | None = None,
) -> Array:
    """Root of an elementwise function by Chandrupatla's bracketing method (scherer2010).

    Parameters
    ----------
    function : callable
        Array to array of the same shape, signs differing at ``low`` and ``high``.
    low, high : float or array
        Bracket; where both ends have one sign the end nearer to nought is returned.
    tolerance : float
        Absolute tolerance on the root.
    iterations : int
        Most steps; bisection alone needs about 40 for a bracket of 600 K.
    values : pair of arrays, optional
        The function at ``low`` and ``high``, where they are known already.

    Returns
    -------
    array
    """
    a, b = (np.array(v) for v in np.broadcast_arrays(as_array(high), as_array(low)))
    fb, fa = values if values is not None else (function(b), function(a))
    shape = np.broadcast_shapes(a.shape, np.shape(fa))
    a, b, fa, fb = (np.array(np.broadcast_to(v, shape)) for v in (a, b, fa, fb))
    positive = fa > 0.0
    none = positive == (fb > 0.0)
    nearer = np.where(np.abs(fa) < np.abs(fb), a, b)
    # The first step is the chord; the method halves wherever its parabola cannot be trusted.
    with np.errstate(divide="ignore", invalid="ignore"):
        t = np.where(none, 0.5, clip(fa / (fa - fb), 0.01, 0.99))
    for _ in range(iterations):
        x = a + t * (b - a)
        fx = function(x)
        above = fx > 0.0
        same = above == positive
        c, fc = np.where(same, a, b), np.where(same, fa, fb)
        b, fb = np.where(same, b, a), np.where(same, fb, fa)
        a, fa, positive = x, fx, above
        limit = 0.5 * tolerance / np.maximum(np.abs(b - a), 1e-300)
        if bool(((limit > 0.5) | (fa == 0.0) | none).all()):
            break
        with np.errstate(divide="ignore", invalid="ignore"):
            xi, phi = (a - b) / (c - b), (fa - fb) / (fc - fb)
            quadratic = (phi * phi < xi) & ((1.0 - phi) ** 2 < 1.0 - xi)
            rise = fb - fa
            step = fa / rise * (fc / (fb - fc)) + (c - a) / (b - a) * (fa / (fc - fa)) * (fb / (fc - fb))
        t = np.where(quadratic & np.isfinite(step), step, 0.5)
        limit = np.minimum(limit, 0.5)
        t = clip(t, limit, 1.0 - limit)
    best = np.where(np.abs(fb) < np.abs(fa), b, a)
    return np.asarray(np.where(none, nearer, best))


def where_falling(x: Array, y: Array, at: Value) -> Array:
    """``x`` at which a falling ``y`` passes ``at``: linear between the rows of a table.

    Parameters
    ----------
    x, y : array
        Rows on the first axis; x rises and y falls along it. The other axes broadcast with ``at``.
    at : float or array
        Looked-up values of y; beyond the ends the end's x is returned.

    Returns
    -------
    array
    """
    return along(-y, x, -as_array(at))


def along(x: Array, y: Array, at: Value) -> Array:
    """``y`` at a place of rising ``x``: linear between the rows of a table, the ends held.

    Parameters
    ----------
    x, y : array
        Rows on the first axis, x rising along it. The other axes broadcast with ``at``, so that every sample
        may have a table of its own.
    at : float or array

    Returns
    -------
    array
    """
    want = as_array(at)
    if x.size == len(x) and y.size == len(y):
        # One table for all: a twentieth of the time, and most of what a report without samples asks.
        return np.asarray(np.interp(want, x.ravel(), y.ravel()))
    shape = np.broadcast_shapes(x.shape[1:], y.shape[1:], want.shape)
    rows = (x.shape[0], *shape)
    xs, ys = (np.broadcast_to(v.reshape(rows[0], *(1,) * (len(rows) - v.ndim), *v.shape[1:]), rows) for v in (x, y))
    i = clip(np.sum(xs < want, axis=0), 1, x.shape[0] - 1).astype(np.intp)[None]
    x0, x1 = np.take_along_axis(xs, i - 1, 0)[0], np.take_along_axis(xs, i, 0)[0]
    y0, y1 = np.take_along_axis(ys, i - 1, 0)[0], np.take_along_axis(ys, i, 0)[0]
    rise = np.maximum(x1 - x0, 1e-300)
    return np.asarray(y0 + (y1 - y0) * clip((want - x0) / rise, 0.0, 1.0))


def polyline(x: Array, y: Array, at: Value) -> Array:
    """Straight lines through points, the end slopes carried on beyond them.

    Parameters
    ----------
    x, y : array
        Points on the first axis, x rising; further axes broadcast with ``at``.
    at : float or array
        Where it is asked.

    Returns
    -------
    array

    Notes
    -----
    ``y = y0 + s0 (x - x0) + sum (s_k - s_k-1) max(x - x_k, 0)``, so that every sample may have points of
    its own.
    """
    slope = np.diff(y, axis=0) / np.diff(x, axis=0)
    p = as_array(at)
    found = y[0] + slope[0] * (p - x[0])
    for k in range(1, len(slope)):
        found = found + (slope[k] - slope[k - 1]) * np.maximum(p - x[k], 0.0)
    return np.asarray(found)
