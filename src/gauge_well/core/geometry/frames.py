"""Axes: the vehicle's (x forward, y left, z up) and the engine's (x to its front, z up the bores' mean)."""

from __future__ import annotations

import numpy as np

from gauge_well.core.typing import Array, Value, as_array


def engine_to_vehicle(yaw: Value, pitch: Value, roll: Value) -> Array:
    """Rotation matrix (..., 3, 3) from engine to vehicle axes.

    Parameters
    ----------
    yaw : float or array
        [rad]; 0 lengthwise, pi/2 transverse (engine's front to the left), pi rear-facing.
    pitch : float or array
        [rad]; the engine's front up is positive.
    roll : float or array
        [rad]; the engine's left side up is positive.
    """
    a, b, c = np.broadcast_arrays(as_array(yaw), -as_array(pitch), as_array(roll))
    ca, sa, cb, sb, cc, sc = np.cos(a), np.sin(a), np.cos(b), np.sin(b), np.cos(c), np.sin(c)
    rows = [
        [ca * cb, ca * sb * sc - sa * cc, ca * sb * cc + sa * sc],
        [sa * cb, sa * sb * sc + ca * cc, sa * sb * cc - ca * sc],
        [-sb, cb * sc, cb * cc],
    ]
    return np.stack([np.stack(row, axis=-1) for row in rows], axis=-2)


def apparent_up(forward: Value, left: Value, up: Value, grade: Value = 0.0, heel: Value = 0.0) -> Array:
    """Unit normal of a free surface in vehicle axes (..., 3).

    Parameters
    ----------
    forward, left, up : float or array
        Acceleration of the vehicle along its axes [g]; braking is negative ``forward``.
    grade : float or array
        Tangent of the slope climbed.
    heel : float or array
        [rad]; left side down is positive.

    Notes
    -----
    The surface stands square to ``a - g``: quasi-static, the oil has had time to move.
    """
    climb = np.arctan(as_array(grade))
    h = as_array(heel)
    x = np.sin(climb) + as_array(forward)
    y = -np.sin(h) * np.cos(climb) + as_array(left)
    z = np.cos(h) * np.cos(climb) + as_array(up)
    x, y, z = np.broadcast_arrays(x, y, z)
    n = np.stack([x, y, z], axis=-1)
    return np.asarray(n / np.linalg.norm(n, axis=-1, keepdims=True))


def to_engine(normal: Array, rotation: Array) -> Array:
    """A direction of the vehicle in engine axes: the rotation's transpose."""
    return np.asarray(np.einsum("...ji,...j->...i", rotation, normal))
