"""Slings and hoists: what each leg pulls, how a load hangs, what a plate allows at a reach."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np

from gauge_well.core.media.air import GRAVITY
from gauge_well.core.typing import Array, Value, as_array


def legs(mass: Value, front: Value, rear: Value) -> tuple[Array, Array]:
    """Pull [N] in the front and the rear leg of a sling, each so far from upright [rad]: their level parts balance, their
    upright parts carry. Even legs: ``W / (2 cos a)``. Both on one side of the hook carry nothing so: without end."""
    a, b = as_array(front), as_array(rear)
    together = np.sin(a + b)
    there = (together > 1e-6) & (a >= 0.0) & (b >= 0.0)
    safe = np.where(there, together, 1.0)
    w = as_array(mass) * GRAVITY
    return (
        np.asarray(np.where(there, w * np.sin(b) / safe, np.inf)),
        np.asarray(np.where(there, w * np.sin(a) / safe, np.inf)),
    )


def hangs(aside: Value, over: Value) -> Array:
    """How far a load tilts [rad] with its hook ``aside`` [m] of the balance point and ``over`` it [m]: the hook comes to
    stand right over it. Front up where the hook stands ahead."""
    return np.asarray(np.arctan2(as_array(aside), as_array(over)))


def allowed(plate: Sequence[tuple[float, ...]], reach: float) -> float | None:
    """Mass [kg] a hoist's plate allows at a reach [m]: of its rows (reach, mass) the next farther one; None beyond all."""
    rows = sorted((float(as_array(r).flat[0]), float(as_array(m).flat[0])) for r, m in plate)
    return next((mass for at, mass in rows if at >= reach - 1e-9), None)
