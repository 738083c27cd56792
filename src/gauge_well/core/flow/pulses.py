"""Gas in pulses: how much more it rubs than the same gas flowing evenly."""

from __future__ import annotations

from collections.abc import Sequence
from functools import lru_cache

import numpy as np

PULSE = 240.0  # degrees of crank one cylinder blows for, as half a sine (common practice)
CROSS_PLANE = (0.0, 90.0, 270.0, 540.0)  # degrees at which one bank of a cross-plane eight fires (heywood1988)


def even(count: int, cycle: float) -> tuple[float, ...]:
    """Degrees at which ``count`` cylinders fire evenly within a ``cycle`` [deg]."""
    return tuple(i * cycle / count for i in range(count))


@lru_cache(maxsize=64)
def form_factor(starts: Sequence[float], cycle: float = 720.0, pulse: float = PULSE) -> float:
    """Mean square of the flow over its mean squared: what friction and fittings of a pulsing pipe are multiplied by.

    Parameters
    ----------
    starts : tuple of float
        Crank angles at which cylinders begin to blow into the pipe [deg].
    cycle : float
        720 four-stroke, 360 two-stroke.
    pulse : float
        Each blows half a sine of that length [deg].

    Notes
    -----
    Two half sines ``d`` apart share ``w/2 ((1 - d/w) cos(pi d/w) + sin(pi d/w)/pi)`` of each other's square; what runs
    past the cycle's end begins it again. 1 where they follow closely enough to add up to an even flow.
    """
    at = np.array(starts, dtype=float)
    apart = (at[:, None] - at[None, :]) % cycle
    shared = sum(_shared(np.abs(apart - turn), pulse) for turn in (0.0, cycle))
    square = float(np.sum(shared)) / cycle
    mean = len(at) * 2.0 * pulse / np.pi / cycle
    return square / mean**2


def _shared(apart: np.ndarray, pulse: float) -> np.ndarray:
    share = np.minimum(apart / pulse, 1.0)
    return np.asarray(0.5 * pulse * ((1.0 - share) * np.cos(np.pi * share) + np.sin(np.pi * share) / np.pi))
