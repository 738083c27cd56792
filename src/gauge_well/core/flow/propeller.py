"""Propeller and shaft: sizes by the handbook's rules, what a known one takes, shaft by its stress."""

from __future__ import annotations

from collections.abc import Mapping

import numpy as np

from gauge_well.core.duty.hull import HORSE, KNOT
from gauge_well.core.typing import Array, Value, as_array

INCH = 0.0254
TIP_MOST = 38.0  # m/s of a blade's tip before it cavitates, 35 to 40 (common practice)
# Shear at yield [Pa] of what shafts are made of (gerr1989, from memory).
SHAFTS: Mapping[str, tuple[str, float]] = {
    "bronze": ("bronze", 140e6),
    "steel": ("carbon steel", 140e6),
    "stainless": ("stainless, 304 or 316", 140e6),
    "nickel": ("nickel-copper alloy", 275e6),
    "strong": ("high-strength stainless", 345e6),
}
SAFETY = 3.0  # on that yield, pleasure craft under power (gerr1989, from memory)


def diameter_gerr(power: Value, rpm: Value) -> Array:
    """Diameter [m] of a three-bladed propeller by shaft power [W] and shaft speed [rev/min]: ``632.7 SHP^0.2 / RPM^0.6``
    inches (gerr1989, from memory)."""
    return np.asarray(632.7 * (as_array(power) / HORSE) ** 0.2 / as_array(rpm) ** 0.6 * INCH)


def slip_gerr(speed: Value) -> Array:
    """Apparent slip by the boat's speed [m/s]: ``1.4 / knots^0.57`` (gerr1989, from memory)."""
    return np.asarray(np.minimum(1.4 / np.maximum(as_array(speed) / KNOT, 0.5) ** 0.57, 0.8))


def pitch_for(speed: Value, rpm: Value, slip: Value) -> Array:
    """Pitch [m] with which a boat goes ``speed`` [m/s] at shaft speed [rev/min] and slip."""
    return np.asarray(as_array(speed) / (as_array(rpm) / 60.0 * (1.0 - as_array(slip))))


def slip_of(speed: Value, rpm: Value, pitch: Value) -> Array:
    """Apparent slip: ``1 - V / (n P)``."""
    return np.asarray(1.0 - as_array(speed) / (as_array(rpm) / 60.0 * as_array(pitch)))


def taken(power: Value, rpm: Value, at: Value) -> Array:
    """Shaft power [W] at another shaft speed by the cubic law, of a propeller that takes ``power`` at ``rpm``."""
    return np.asarray(as_array(power) * (as_array(at) / rpm) ** 3)


def tip_speed(diameter: Value, rpm: Value) -> Array:
    """Speed of the blades' tips [m/s]."""
    return np.asarray(np.pi * as_array(diameter) * as_array(rpm) / 60.0)


def torque(power: Value, rpm: Value) -> Array:
    """Torque [N m] of a power [W] at a speed [rev/min]."""
    return np.asarray(as_array(power) / (as_array(rpm) * np.pi / 30.0))


def shaft_stress(torque_: Value, diameter: Value) -> Array:
    """Shear at the skin of a round shaft [Pa]: ``16 T / (pi d^3)``."""
    return np.asarray(16.0 * as_array(torque_) / (np.pi * as_array(diameter) ** 3))


def shaft_for(torque_: Value, material: str) -> Array:
    """Diameter [m] at which that shear is a third of what the material yields at (gerr1989, from memory)."""
    return np.asarray(np.cbrt(16.0 * as_array(torque_) * SAFETY / (np.pi * SHAFTS[material][1])))
