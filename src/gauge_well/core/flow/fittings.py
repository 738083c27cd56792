"""Where a bore changes: steps, cones; a pressed tube's bore."""

from __future__ import annotations

import numpy as np

from gauge_well.core.typing import Array, Value, as_array

CONE_MOST = np.pi / 4.0  # full angle over which the gas leaves a widening cone's wall, as from a step (crane410)


def step_loss_borda(narrow: Value, wide: Value) -> Array:
    """Loss of a sudden widening on the narrow bore's dynamic head: ``(1 - (d/D)^2)^2`` (crane410).

    Parameters
    ----------
    narrow, wide : float or array
        Bores [m].
    """
    return np.asarray((1.0 - (as_array(narrow) / wide) ** 2) ** 2)


def widening_loss_crane(narrow: Value, wide: Value, angle: Value) -> Array:
    """Loss of a widening cone on the narrow bore's head: ``2.6 sin(a/2)`` of the step's up to 45 degrees, the step's over that.

    Parameters
    ----------
    narrow, wide : float or array
        Bores [m].
    angle : float or array
        Full angle of the cone [rad].
    """
    return np.asarray(step_loss_borda(narrow, wide) * np.minimum(2.6 * np.sin(0.5 * as_array(angle)), 1.0))


def narrowing_loss_crane(narrow: Value, wide: Value, angle: Value = np.pi) -> Array:
    """Loss of a narrowing on the narrow bore's head, ``0.8 sin(a/2) (1 - (d/D)^2)`` up to 45 degrees, then
    ``0.5 sqrt(sin(a/2)) (1 - (d/D)^2)``; half the step's area lost at a square edge (crane410).

    Parameters as :func:`widening_loss_crane`; 180 degrees is a square edge.
    """
    half = np.sin(0.5 * as_array(angle))
    rate = np.where(as_array(angle) <= CONE_MOST, 0.8 * half, 0.5 * np.sqrt(half))
    return np.asarray(rate * (1.0 - (as_array(narrow) / wide) ** 2))


def cone_angle(first: Value, last: Value, length: Value) -> Array:
    """Full angle [rad] of a cone from one bore to another over a length [m]."""
    apart = 0.5 * np.abs(as_array(last) - first)
    return np.asarray(2.0 * np.arctan2(apart, as_array(length)))


def pressed(bore: Value, height: Value) -> tuple[Array, Array]:
    """A round tube pressed to flat sides with round ends: bore of the same area, and how much faster it rubs and cools.

    Parameters
    ----------
    bore, height : float or array
        Inside, round and pressed [m]; its circumference stays, ``pi D = pi h + 2 s``.

    Returns
    -------
    (array, array)
        Round bore of the same area ``pi h^2/4 + h s`` [m]; that bore over the hydraulic diameter ``4 A/P``, 1 of a
        round one: by it a length counts more, for friction and for heat alike.
    """
    d, h = as_array(bore), np.minimum(as_array(height), bore)
    flat = 0.5 * np.pi * (d - h)
    area = np.pi / 4.0 * h**2 + h * flat
    same = np.sqrt(4.0 * area / np.pi)
    return np.asarray(same), np.asarray(same * np.pi * d / (4.0 * area))
