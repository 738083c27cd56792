"""Axle loads, ride and springs by moments; what stands on one axle's two wheels is not told by statics."""

from __future__ import annotations

import numpy as np

from gauge_well.core.media.air import GRAVITY
from gauge_well.core.typing import Array, Value, as_array


def on_front(mass: Value, arm: Value, wheelbase: Value) -> Array:
    """Share of a mass [kg] on the front axle: ``m (1 - x / L)``, ``arm`` [m] behind that axle."""
    return np.asarray(as_array(mass) * (1.0 - as_array(arm) / wheelbase))


def sinks(more: Value, rate: Value) -> Array:
    """How far an axle sinks [m] under so much more [kg]: ``m g / 2 k``, ``rate`` [N/m] at each wheel."""
    return np.asarray(as_array(more) * GRAVITY / (2.0 * as_array(rate)))


def same_frequency(rate: Value, before: Value, after: Value, unsprung: Value) -> Array:
    """Rate [N/m] that keeps an axle's frequency: it goes with what is sprung, axle loads [kg] less what is not."""
    return np.asarray(as_array(rate) * (as_array(after) - unsprung) / (as_array(before) - unsprung))


def inside(points: Array, x: float, y: float) -> bool:
    """Whether (x, y) lies inside a polygon of corners (n, 2) in order, its edge included."""
    a, b = points, np.roll(points, -1, axis=0)
    on = np.abs((b[:, 0] - a[:, 0]) * (y - a[:, 1]) - (b[:, 1] - a[:, 1]) * (x - a[:, 0])) < 1e-9
    between = (np.minimum(a, b) - 1e-9 <= [x, y]) & ([x, y] <= np.maximum(a, b) + 1e-9)
    if bool((on & between.all(axis=1)).any()):
        return True
    crosses = (a[:, 1] > y) != (b[:, 1] > y)
    with np.errstate(divide="ignore", invalid="ignore"):
        at = a[:, 0] + (y - a[:, 1]) * (b[:, 0] - a[:, 0]) / (b[:, 1] - a[:, 1])
    return bool(np.count_nonzero(crosses & (x < at)) % 2)
