"""A half-shaft between a joint that stands and one that goes with the wheel: its angle and length over the travel."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from gauge_well.core.typing import Array, Value, as_array


@dataclass(frozen=True)
class Swing:
    """Where the joints lie as the wheel stands laden [m]: inner joint left or right of the middle, over and behind the wheel's
    centre; outer joint out from the middle, level with the wheel; the arm that carries it, its pivot over the wheel's centre
    and its length, without end where the wheel goes straight up and down."""

    inner_out: Value
    inner_over: Value
    inner_behind: Value
    outer_out: Value
    arm: Value
    arm_over: Value


@dataclass(frozen=True)
class Travelled:
    """Over the wheel's travel: length between joints [m], angle at the inner joint and of the shaft to the wheel's axis [rad]."""

    length: Array
    inner: Array


def travelled(swing: Swing, travel: Array) -> Travelled:
    """Length and angle at each place of ``travel`` [m], up positive, on its first axis; samples on the next.

    The outer joint goes round the arm's pivot: ``out = pivot + sqrt(arm^2 - (z - pivot_over)^2)``.
    """
    z = np.asarray(travel, dtype=float)
    out = as_array(swing.outer_out)
    shape = np.broadcast_shapes(*(np.shape(v) for v in vars(swing).values()))
    z = z.reshape(z.shape + (1,) * (len(shape) + 1 - z.ndim))
    arm, over = as_array(swing.arm), as_array(swing.arm_over)
    stiff = np.isfinite(arm)
    length = np.where(stiff, arm, 1.0)
    reach = np.where(stiff, np.sqrt(np.maximum(length**2 - (z - over) ** 2, 0.0)) - np.sqrt(length**2 - over**2), 0.0)
    across = out + reach - as_array(swing.inner_out)
    up = z - as_array(swing.inner_over)
    along = as_array(swing.inner_behind)
    found = np.sqrt(across**2 + up**2 + along**2)
    return Travelled(np.asarray(found), np.asarray(np.arccos(np.clip(across / found, -1.0, 1.0))))
