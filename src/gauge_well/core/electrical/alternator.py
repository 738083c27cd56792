"""An alternator by its plate: what it gives by its rotor's speed."""

from __future__ import annotations

import numpy as np

from gauge_well.core.typing import Array, Value, as_array

CUT_IN = 1100.0  # rev/min of the rotor at which it begins to give (common practice)
FULL_AT = 6000.0  # rev/min of its full figure (ISO 8854)
HOT = 0.85  # of its plate that a hot one gives (common practice)


def rise(low: Value, full: Value, low_at: Value, cut_in: Value) -> Array:
    """Speed constant [rev/min] of ``I = Im (1 - exp(-(n - n0) / tau))`` through its plate's two figures.

    ``Im`` stands so far over the full figure that both are met: solved by fixed point, which settles within a ten-thousandth.
    """
    top = as_array(full)
    tau = as_array(1500.0)
    for _ in range(60):
        tau = (low_at - cut_in) / -np.log(np.maximum(1.0 - as_array(low) / top, 1e-6))
        top = full / (1.0 - np.exp(-(FULL_AT - cut_in) / tau))
    return np.asarray(tau)


def gives(speed: Value, low: Value, full: Value, low_at: Value, cut_in: Value = CUT_IN) -> Array:
    """Amps, cold, at a rotor speed [rev/min], by the plate's figures at ``low_at`` and at 6,000 (ISO 8854: 1,500; older 1,800)."""
    tau = rise(low, full, low_at, cut_in)
    top = full / (1.0 - np.exp(-(FULL_AT - cut_in) / tau))
    return np.asarray(np.where(as_array(speed) > cut_in, top * (1.0 - np.exp(-(speed - cut_in) / tau)), 0.0))
