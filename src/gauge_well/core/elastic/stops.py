"""Springs with stops: soft up to a travel, many times stiffer beyond, the least energy sought by Newton's steps.

The energy of such springs is convex and of pieces that are quadratic: a full step that lowers it is taken, else half of
it, and once no spring passes its stop either way the answer is exact.
"""

from __future__ import annotations

import numpy as np

from gauge_well.core.elastic.mounted import moved, stiffness
from gauge_well.core.typing import Array, Value, as_array

STEPS, HALVINGS = 40, 12
SETTLED = 1e-9  # of the load: what is left over when it is at rest


def energy(u: Array, rates: Array, stop: Array, harder: Value) -> Array:
    """Energy [J] in springs (..., 3 m) moved ``u`` [m]: ``k u^2 / 2 + (h - 1) k (|u| - s)^2 / 2`` past the stop."""
    over = np.maximum(np.abs(u) - stop, 0.0)
    return np.asarray((0.5 * rates * (u**2 + (harder - 1.0) * over**2)).sum(axis=-1))


def forces(u: Array, rates: Array, stop: Array, harder: Value) -> Array:
    """Force [N] of each spring on the body (..., 3 m), against its move."""
    over = np.abs(u) - stop
    return np.asarray(-rates * (u + (harder - 1.0) * np.sign(u) * np.maximum(over, 0.0)))


def _left(b: Array, u: Array, rates: Array, stop: Array, harder: Array, load: Array) -> Array:
    """What is not held (n, 6), of springs moved ``u`` (n, 3 m)."""
    return np.asarray(load + (forces(u, rates, stop, harder)[:, None, :] @ b)[:, 0])


def settle(b: Array, rates: Array, stop: Array, harder: Value, load: Array) -> Array:
    """Shift and turn of a body under loads on springs with stops.

    Parameters
    ----------
    b : array (n, 3 m, 6)
        Arms of the springs, n bodies.
    rates, stop : array (n, 3 m)
        Stiffness [N/m] and travel to the stop [m] along each axis.
    harder : float or array (n,)
        How many times stiffer a spring is past its stop.
    load : array (n, c, 6)
        c loads on each body [N, N m].

    Returns
    -------
    array (n, c, 6)
        Where the load's work and the springs' energy are least.
    """
    q = moved(stiffness(b, rates), load)
    body, case = np.nonzero((np.abs(q @ np.swapaxes(b, -1, -2)) > stop[:, None]).any(axis=-1))
    bb, kk, ss, ff, at = b[body], rates[body], stop[body], load[body, case], q[body, case]
    size = np.linalg.norm(ff, axis=-1)
    times = np.broadcast_to(as_array(harder), (len(b),))[body][:, None]
    rows = np.arange(len(body))
    for _ in range(STEPS):
        if not rows.size:
            break
        own, k, s, f, now, h = bb[rows], kk[rows], ss[rows], ff[rows], at[rows], times[rows]
        u = (own @ now[..., None])[..., 0]
        left = _left(own, u, k, s, h, f)
        far = np.linalg.norm(left, axis=-1) > SETTLED * size[rows]
        if not far.all():
            rows, own, k, s, f, now, h, u, left = (a[far] for a in (rows, own, k, s, f, now, h, u, left))
            if not rows.size:
                break
        step = np.linalg.solve(stiffness(own, np.where(np.abs(u) > s, h, 1.0) * k), left[..., None])[..., 0]
        by = (own @ step[..., None])[..., 0]
        gained = (f * step).sum(axis=-1)
        before = energy(u, k, s, h)
        share = np.ones(len(rows))
        for _ in range(HALVINGS):
            worse = energy(u + share[:, None] * by, k, s, h) - share * gained > before * (1.0 + 1e-12)
            if not worse.any():
                break
            share[worse] *= 0.5
        at[rows] = now + share[:, None] * step
    q[body, case] = at
    return q
