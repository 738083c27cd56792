"""A plate on thin sheet: how far the sheet bends round it, and how it bears on the bolts (timoshenko1959, ch. 3)."""

from __future__ import annotations

import numpy as np

from gauge_well.core.typing import Array, Value, as_array

POISSON = 0.3


def ring_stress(force: Value, thick: Value, inner: Value, outer: Value) -> Array:
    """Bending stress [Pa] of sheet clamped at ``outer`` [m] and to a stiff round plate at ``inner`` [m], pulled through by
    a force [N].

    Notes
    -----
    ``w' = P/(8 pi D) (2 r ln r + r) + 2 c2 r + c3 / r`` is nought at both edges; the moment is greatest at the inner one,
    ``sigma = 6 M / t^2``. Small bends of thin sheet; an oblong plate is taken as a round one of the same edge.
    """
    p, a, b = as_array(force), as_array(outer), as_array(inner)
    # Lengths over the outer radius; P / (8 pi) times the curves, D drops out of the moment.
    k = b / a

    def slope(r: Array) -> Array:
        return np.asarray(2.0 * r * np.log(r) + r)

    # 2 c2 r + c3 / r = -slope(r) at r = 1 and r = k.
    at_one, at_k = -slope(np.ones_like(k)), -slope(k)
    c3 = (at_k - at_one * k) / (1.0 / k - k)
    c2 = 0.5 * (at_one - c3)
    curve = 2.0 * np.log(k) + 3.0 + 2.0 * c2 - c3 / k**2
    moment = p / (8.0 * np.pi) * np.abs(curve)  # w' is nought there: M = D w''
    return np.asarray(6.0 * moment / as_array(thick) ** 2)


def bearing(force: Value, count: Value, diameter: Value, thick: Value) -> Array:
    """Pressure [Pa] of bolts on the edge of their holes: ``F / (n d t)``."""
    return np.asarray(as_array(force) / (as_array(count) * diameter * thick))
