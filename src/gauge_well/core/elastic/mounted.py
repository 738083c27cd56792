"""A stiff body on springs: stiffness about its centre of mass, how it lies under a load, what each spring carries.

Small moves throughout: ``u = d + w x r`` at a spring that stands at ``r`` from the centre of mass, so that with
``B = [I, -[r]]`` the stiffness of all is ``K = sum B' k B`` and a load is answered by ``K q = F`` (thomson1993, ch. 6).
Springs' axes stand one under another: of m springs there are 3 m.
"""

from __future__ import annotations

import numpy as np

from gauge_well.core.typing import Array

LEAST = 1e-6  # of the largest: a stiffness below which the springs leave a way free


def arms(at: Array) -> Array:
    """``B = [I, -[r]]`` of springs (..., 3 m, 6), of their places ``at`` (..., m, 3) from the centre of mass [m]."""
    x, y, z = np.moveaxis(at, -1, 0)
    found = np.zeros((*at.shape, 6))
    found[..., 0, 0] = found[..., 1, 1] = found[..., 2, 2] = 1.0
    found[..., 0, 4], found[..., 0, 5] = z, -y
    found[..., 1, 3], found[..., 1, 5] = -z, x
    found[..., 2, 3], found[..., 2, 4] = y, -x
    return found.reshape(*at.shape[:-2], -1, 6)


def stiffness(b: Array, rates: Array) -> Array:
    """Stiffness (..., 6, 6) of springs of arms ``b`` (..., 3 m, 6) and ``rates`` (..., 3 m) [N/m]: forces and moments for
    shifts [m] and turns [rad] of the centre of mass."""
    return np.asarray(np.swapaxes(b * rates[..., None], -1, -2) @ b)


def free(k: Array, size: float) -> bool:
    """Whether some way of moving is held by nothing: mounts in a line, or too few. ``size``: how far the springs stand
    apart [m], by which turns are weighed against shifts."""
    scale = np.array([1.0, 1.0, 1.0, 1.0 / size, 1.0 / size, 1.0 / size])
    values = np.linalg.eigvalsh(k * scale[:, None] * scale)
    return bool((values[..., 0] <= LEAST * values[..., -1]).any())


def moved(k: Array, load: Array) -> Array:
    """Shift and turn (..., c, 6) of the centre of mass under loads (..., c, 6) [N, N m] on a stiffness (..., 6, 6)."""
    return np.asarray(np.swapaxes(np.linalg.solve(k, np.swapaxes(load, -1, -2)), -1, -2))


def roll_axis(k: Array) -> tuple[Array, Array]:
    """The line about which a moment along x turns the body: how far to the left and over its centre of mass it lies [m].

    Of the turn a moment alone gives, the point in the plane across x that stays where it is.
    """
    q = moved(k, np.array([[0.0, 0.0, 0.0, 1.0, 0.0, 0.0]]))[..., 0, :]
    return -q[..., 2] / q[..., 3], q[..., 1] / q[..., 3]


def pitch_axis(k: Array) -> tuple[Array, Array]:
    """The same of a moment along y: how far ahead of its centre of mass and over it the line lies [m]."""
    q = moved(k, np.array([[0.0, 0.0, 0.0, 0.0, 1.0, 0.0]]))[..., 0, :]
    return q[..., 2] / q[..., 4], -q[..., 0] / q[..., 4]
