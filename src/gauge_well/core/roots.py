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

    Returns
    -------
    array
    """
    a, b = (np.array(v) for v in np.broadcast_arrays(as_array(high), as_array(low)))
    fa, fb = function(a), function(b)
    shape = np.broadcast_shapes(a.shape, np.shape(fa))
    a, b, fa, fb = (np.array(np.broadcast_to(v, shape)) for v in (a, b, fa, fb))
    none = np.sign(fa) == np.sign(fb)
    nearer = np.where(np.abs(fa) < np.abs(fb), a, b)
    t = np.full(shape, 0.5)
    best = nearer
    for _ in range(iterations):
        x = a + t * (b - a)
        fx = function(x)
        same = np.sign(fx) == np.sign(fa)
        c, fc = np.where(same, a, b), np.where(same, fa, fb)
        b, fb = np.where(same, b, a), np.where(same, fb, fa)
        a, fa = x, fx
        best = np.where(np.abs(fb) < np.abs(fa), b, a)
        span = np.maximum(np.abs(b - a), 1e-300)
        limit = (0.5 * tolerance + 2.0 * np.finfo(float).eps * np.abs(best)) / span
        done = (limit > 0.5) | (fa == 0.0) | (fb == 0.0) | none
        if bool(np.all(done)):
            break
        with np.errstate(divide="ignore", invalid="ignore"):
            xi, phi = (a - b) / (c - b), (fa - fb) / (fc - fb)
            quadratic = (phi**2 < xi) & ((1.0 - phi) ** 2 < 1.0 - xi)
            step = fa / (fb - fa) * fc / (fb - fc) + (c - a) / (b - a) * fa / (fc - fa) * fb / (fc - fb)
        t = np.where(quadratic & np.isfinite(step), step, 0.5)
        t = clip(t, np.minimum(limit, 0.5), np.maximum(1.0 - limit, 0.5))
    return np.asarray(np.where(none, nearer, best))
