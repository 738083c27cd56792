"""Friction and pumping mean effective pressures."""

from __future__ import annotations

import numpy as np

from gauge_well.core.typing import Array, Value, as_array
from gauge_well.core.validity import Range

PMEP_DIESEL = 0.2e5
SPEED_RANGE = Range(
    "Engine speed",
    500.0,
    6000.0,
    "heywood1988, ch. 13",
    below="Friction was not measured so slow; it hardly matters there.",
    above="Friction was not measured so fast and is carried on: fuel and heat may be off by some percent.",
    kind="speed_rpm",
)


def fmep_petrol(speed: Value) -> Array:
    """Friction mep [Pa] of a motored petrol engine, pumping included (heywood1988, ch. 13).

    ``0.97 + 0.15 k + 0.05 k^2`` bar with k in 1000 rev/min; older engines, 500 to 6000 rev/min.
    """
    k = as_array(speed) / 1000.0
    return np.asarray((0.97 + 0.15 * k + 0.05 * k**2) * 1e5)


def fmep_diesel(speed: Value, piston_speed: Value, constant: float = 75.0) -> Array:
    """Friction mep [Pa] of a diesel: ``C + 48 k + 0.4 Sp^2`` kPa, C 75 with direct injection, 110 with its chamber
    in the head (heywood1988, ch. 13)."""
    k = as_array(speed) / 1000.0
    return np.asarray((constant + 48.0 * k + 0.4 * as_array(piston_speed) ** 2) * 1e3)


def pmep_petrol(bmep: Value) -> Array:
    """Pumping mep [Pa] of a throttled engine: ``max(0, 0.75 - 0.07 bmep)`` bar (from memory)."""
    return np.asarray(np.maximum(0.0, 0.75e5 - 0.07 * as_array(bmep)))
