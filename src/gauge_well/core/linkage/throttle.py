"""A throttle: how far a cable opens it, what flows at each share of the pedal, what a sleeve's bends cost its return."""

from __future__ import annotations

import numpy as np

from gauge_well.core.typing import Array, Value, as_array

SHUT = np.radians(5.0)  # of its plate when shut (common practice)


def opened(drawn: Value, radius: Value, before: Value = 0.0) -> Array:
    """Angle [rad] a cable drawn so far [m] turns its wheel or lever: ``drawn / radius`` on a wheel; a lever that starts ``before``
    [rad] it is square to its cable turns ``before + asin(drawn / radius - sin before)`` (a lever: before over nought)."""
    pulled = as_array(drawn) / as_array(radius)
    start = as_array(before)
    lever = start + np.arcsin(np.clip(pulled - np.sin(start), -1.0, 1.0))
    return np.asarray(np.where(start > 0.0, lever, pulled))


def drawn_for(angle: Value, radius: Value, before: Value = 0.0) -> Array:
    """Cable [m] that turns it so far [rad]: the inverse."""
    start, turned = as_array(before), as_array(angle)
    lever = np.sin(start) + np.sin(turned - start)
    return np.asarray(as_array(radius) * np.where(start > 0.0, lever, turned))


def flows(angle: Value) -> Array:
    """Share of the bore that a plate opens at so far from shut [rad]: ``1 - cos(a + a0) / cos a0`` (heywood1988, ch. 7)."""
    return np.asarray(1.0 - np.cos(np.minimum(as_array(angle) + SHUT, np.pi / 2.0)) / np.cos(SHUT))


def eased(force: Value, bends: Value, friction: Value) -> Array:
    """What of a pull [N] is left behind a sleeve bent through ``bends`` [rad]: ``F e^(-mu a)`` (shigley2004, ch. 16)."""
    return np.asarray(as_array(force) * np.exp(-as_array(friction) * as_array(bends)))
