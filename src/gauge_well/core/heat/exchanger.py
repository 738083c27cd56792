"""Exchangers of water to water, and coolers in the open sea."""

from __future__ import annotations

from collections.abc import Callable, Mapping

import numpy as np

from gauge_well.core.media.seawater import CONDUCTIVITY, PRANDTL, VISCOSITY
from gauge_well.core.typing import Array, Value, as_array

KEEL_LENGTH = 1.5  # m along which water passes a keel cooler (common practice)
AT_REST = 350.0  # W/m2K, free convection round pipes and skins in still water, 200 to 600 (common practice)
INSIDE = 3000.0  # W/m2K of coolant in pipes and channels at its usual speed (common practice)
FOULED = 5e-4  # m2K/W of growth and scale on a keel cooler (common practice)


def counterflow_kays(ntu: Value, ratio: Value) -> Array:
    """Effectiveness of counterflow: ``(1 - e) / (1 - C e)``, ``e = exp(-N (1 - C))`` (kays1984)."""
    n, c = as_array(ntu), np.minimum(as_array(ratio), 1.0)
    near = c > 1.0 - 1e-6
    e = np.exp(-n * (1.0 - np.where(near, 0.0, c)))
    return np.asarray(np.where(near, n / (1.0 + n), (1.0 - e) / (1.0 - np.where(near, 0.0, c) * e)))


def shell_kays(ntu: Value, ratio: Value) -> Array:
    """Effectiveness of one shell pass and two of the tubes (kays1984)."""
    n, c = as_array(ntu), as_array(ratio)
    root = np.sqrt(1.0 + c**2)
    e = np.exp(-n * root)
    return np.asarray(2.0 / (1.0 + c + root * (1.0 + e) / np.maximum(1.0 - e, 1e-12)))


PATTERNS: Mapping[str, tuple[str, Callable[[Value, Value], Array]]] = {
    "tube": ("tubes in a shell", shell_kays),
    "plate": ("plates, counterflow", counterflow_kays),
}


def heat_a_kelvin(pattern: str, conductance: Value, one: Value, other: Value) -> Array:
    """Heat [W/K] exchanged for each kelvin between both inlets, by conductance and both capacity rates [W/K]."""
    a, b = as_array(one), as_array(other)
    least = np.maximum(np.minimum(a, b), 1e-6)
    ratio = least / np.maximum(np.maximum(a, b), 1e-6)
    return np.asarray(PATTERNS[pattern][1](as_array(conductance) / least, ratio) * least)


def keel_coefficient(speed: Value, fouling: Value = FOULED, inside: Value = INSIDE) -> Array:
    """Heat [W/m2K] a keel cooler gives by the boat's speed [m/s]: ``Nu = 0.037 Re^0.8 Pr^(1/3)`` outside, at rest free
    convection (incropera2007, ch. 7), growth, coolant inside."""
    reynolds = as_array(speed) * KEEL_LENGTH / VISCOSITY
    moving = 0.037 * reynolds**0.8 * PRANDTL ** (1.0 / 3.0) * CONDUCTIVITY / KEEL_LENGTH
    return np.asarray(1.0 / (1.0 / np.maximum(moving, AT_REST) + as_array(fouling) + 1.0 / as_array(inside)))
