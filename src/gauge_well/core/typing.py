"""Types the core shares.

Every number of a case is a float or an array. Arrays are broadcast on the axes
(power step, duty, sample); a size-one axis means "does not depend on it". Where there are samples the
first one holds the likely values, so that whatever is decided once for all samples is decided there.
"""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

Array = NDArray[np.float64]
Value = float | Array


def as_array(value: Value) -> Array:
    """Return ``value`` as a float array, without copying when it is one."""
    return value if type(value) is np.ndarray else np.asarray(value, dtype=np.float64)


def clip(value: Value, low: Value, high: Value) -> Array:
    """Hold ``value`` between ``low`` and ``high``; a fifth of the time of ``np.clip`` on small arrays."""
    return np.asarray(np.minimum(np.maximum(value, low), high))


def likely(value: Value) -> float:
    """The likely value: the number itself, or the first of an array's samples."""
    return float(value) if isinstance(value, float | int) else float(value.flat[0])


def likely_or(value: Value | None, other: float = 0.0) -> float:
    """The likely value, or another where there is none."""
    return other if value is None else likely(value)


def likely_or_none(value: Value | None) -> float | None:
    """The likely value, where there is one."""
    return None if value is None else likely(value)


def settled(value: Value) -> Value:
    """A float where ``value`` is one number, else the array."""
    return float(value) if np.ndim(value) == 0 else value


def largest(value: Value) -> float:
    """Largest number of ``value``; itself where it is one number."""
    return float(value) if isinstance(value, float | int) else float(value.max())


def over_duties(value: Value) -> Array:
    """Largest over the duties (and power steps), for each sample."""
    a = as_array(value)
    return a if a.ndim < 2 else a.reshape(-1, a.shape[-1]).max(axis=0)


def duty_value(value: Value, duty: int) -> float:
    """The likely number of one duty, of an array that ends in (duty, sample); the first power step where there are more."""
    a = as_array(value)
    return float(a.flat[0] if a.ndim < 2 else a[..., duty if a.shape[-2] > 1 else 0, 0].flat[0])


def duty_values(array: Array, count: int) -> list[float]:
    """Numbers of an array on the duty axis at the first power step and sample."""
    a = np.asarray(array, dtype=np.float64)
    if a.ndim < 2:
        return [float(a.flat[0])] * count
    picked: list[float] = a.reshape(-1, *a.shape[-2:])[0, :, 0].tolist()
    return picked * count if len(picked) == 1 else picked[:count]


def drawn(value: Value, count: int) -> Array:
    """A number or its samples as (sample,), as many as are asked for; one number stands for all."""
    return np.broadcast_to(np.ravel(as_array(value)), (count,))
