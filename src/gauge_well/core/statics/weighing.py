"""Weighing with what a workshop has: two scales under a beam, one axle raised."""

from __future__ import annotations

import numpy as np

from gauge_well.core.typing import Array, Value, as_array


def on_beam(first: Value, second: Value, apart: Value) -> tuple[Array, Array]:
    """Mass [kg] on two scales that read ``first`` and ``second`` [kg], and how far its balance point lies from the first
    towards the second [m]: moments about the first, ``x = r2 d / (r1 + r2)``."""
    a, b = as_array(first), as_array(second)
    return a + b, np.asarray(b * apart / (a + b))


def height_raised(front: Value, raised: Value, mass: Value, wheelbase: Value, by: Value, radius: Value) -> Array:
    """Height [m] of a machine's balance point over the ground, from its front axle's load [kg] level and with the rear axle
    raised ``by`` [m]: ``h = r + (F' - F) sqrt(L^2 - b^2) L / (m b)`` (gillespie1992, ch. 1); springs wedged."""
    rise = as_array(by)
    level = np.sqrt(as_array(wheelbase) ** 2 - rise**2)
    return np.asarray(as_array(radius) + (as_array(raised) - front) * level * wheelbase / (as_array(mass) * rise))
