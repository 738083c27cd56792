"""Effectiveness of heat exchangers."""

from __future__ import annotations

import numpy as np

from gauge_well.core.typing import Array, Value, as_array, clip

NTU_CAP = 30.0
TERMS = 60


def crossflow_unmixed_mason(ntu: Value, capacity_ratio: Value) -> Array:
    """Cross-flow, both streams unmixed, by the exact series (mason1955).

    ``eps = 1/(C N) sum P(n, N) P(n, C N)`` with ``P(n+1, x) = P(n, x) - x^n e^-x / n!`` and
    ``P(0, x) = 1 - e^-x``. The usual approximate form is up to 3.3 % off.

    Parameters
    ----------
    ntu : float or array
        Number of transfer units on the smaller stream; capped at 30.
    capacity_ratio : float or array
        Smaller over larger capacity rate, 0 to 1. Below 1e-6 the one-stream form.

    Returns
    -------
    array
        Effectiveness, 0 to 1.
    """
    n, c = np.broadcast_arrays(clip(as_array(ntu), 1e-9, NTU_CAP), clip(as_array(capacity_ratio), 0.0, 1.0))
    x, y = n, np.maximum(c, 1e-6) * n
    p, q = -np.expm1(-x), -np.expm1(-y)
    term_x, term_y = np.exp(-x), np.exp(-y)
    total = p * q
    negligible = 1e-12 * float(y.min())
    # Past the larger argument the terms fall faster than geometrically.
    last = int(min(TERMS + 2 * NTU_CAP, float(x.max()) + 12.0 * np.sqrt(float(x.max())) + 12.0))
    for k in range(1, last):
        term_x = term_x * x / k
        term_y = term_y * y / k
        p, q = np.maximum(p - term_x, 0.0), np.maximum(q - term_y, 0.0)
        product = p * q
        total = total + product
        if k % 4 == 0 and float(product.max()) < negligible:
            break
    series = total / y
    return np.asarray(np.where(c < 1e-6, -np.expm1(-n), np.minimum(series, 1.0)))
