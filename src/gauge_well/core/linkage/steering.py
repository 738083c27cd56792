"""Steering altered: toe over bump when a rack is moved up or down, what its pump must give."""

from __future__ import annotations

import numpy as np

from gauge_well.core.typing import Array, Value, as_array


def toed(lowered: Value, travel: Value, rod: Value, arm: Value) -> Array:
    """A wheel's toe [rad] as it goes ``travel`` [m] up, the rack moved ``lowered`` [m] down from where the rod went round with its
    suspension arm, by circles: the rod of length ``rod`` [m] asks ``sqrt(L^2 - (z + h)^2)``, the arm leaves ``sqrt(L^2 - z^2)``, each
    less what it is at rest; over the steering arm ``arm`` [m]. About ``h z / (L a)``.
    """
    h, z, long = as_array(lowered), as_array(travel), as_array(rod)

    def across(up: Array) -> Array:
        return np.asarray(np.sqrt(np.maximum(long**2 - up**2, 0.0)))

    asks = across(z + h) - across(h)
    leaves = across(z) - across(np.zeros_like(z))
    return np.asarray(np.arcsin(np.clip((leaves - asks) / as_array(arm), -1.0, 1.0)))


def parked(load: Value, pressure: Value, friction: Value) -> Array:
    """Moment [N m] about its king pin that turns a wheel standing still: ``mu / 3 sqrt(W^3 / p)`` (gough1953).

    Parameters
    ----------
    load, pressure, friction : float or array
        On the wheel [N], in the tyre over the air's [Pa], on the ground.
    """
    return np.asarray(as_array(friction) / 3.0 * np.sqrt(as_array(load) ** 3 / as_array(pressure)))


def pump_gives(swept: Value, speed: Value, kept: Value) -> Array:
    """Flow [m3/s] of a pump sweeping ``swept`` [m3] a turn at ``speed`` [rev/min], of which ``kept`` is left under pressure."""
    return np.asarray(as_array(swept) * as_array(speed) / 60.0 * as_array(kept))
