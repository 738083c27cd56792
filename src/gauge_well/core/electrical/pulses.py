"""Speed as pulses: how many a kilometre, the divider that brings them to what is wanted, the band a speedometer may show in."""

from __future__ import annotations

from dataclasses import dataclass
from fractions import Fraction

import numpy as np

from gauge_well.core.typing import Array, Value, as_array

OVER, MORE = 0.1, 4.0 / 3.6  # of the true speed, and 4 km/h: what a speedometer may show above it (unr39)
TRIED = np.array([40.0, 80.0, 120.0]) / 3.6  # m/s at which it is tried (unr39)
AIM = 0.02  # over the true speed, worn tyres and all (common practice)
TERMS = (8, 16, 32, 64, 128, 256)  # largest number of a divider's two


def per_metre(teeth: Value, final: Value, radius: Value) -> Array:
    """Pulses a metre of road: ``teeth final / (2 pi r)``, ``final`` 1 at the wheel itself."""
    return np.asarray(as_array(teeth) * final / (2.0 * np.pi * as_array(radius)))


@dataclass(frozen=True)
class Ratio:
    """A divider: so many of out for so many in, and what the speed shown is over what it should be."""

    times: int
    by: int
    error: float


def dividers(factor: float) -> list[Ratio]:
    """Dividers by continued fractions, each closer than the one before; ``factor``: pulses wanted over pulses there."""
    found: list[Ratio] = []
    for most in TERMS:
        near = Fraction(factor).limit_denominator(most)
        if near == 0:
            continue
        ratio = Ratio(near.numerator, near.denominator, float(near) / factor - 1.0)
        if not found or (ratio.times, ratio.by) != (found[-1].times, found[-1].by):
            found.append(ratio)
    return found


def allowed(true: Value) -> Array:
    """Most that may be shown at a true speed [m/s] (unr39); never less than true."""
    return np.asarray((1.0 + OVER) * as_array(true) + MORE)
