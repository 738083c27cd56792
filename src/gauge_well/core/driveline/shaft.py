"""A shaft: what it stands in twisting, how fast it may turn; a disc that bursts."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

import numpy as np

from gauge_well.core.typing import Array, Value, as_array

STEEL_E, STEEL_DENSITY = 207e9, 7850.0  # Pa, kg/m3


@dataclass(frozen=True)
class Steel:
    """A steel as shafts are made of it: its name and yield in tension [Pa] (shigley2004, appendix; common practice)."""

    label: str
    yields: float


STEELS: Mapping[str, Steel] = {
    "tube": Steel("drawn tube, mild", 350e6),
    "carbon": Steel("medium carbon, hardened skin", 620e6),
    "alloy": Steel("alloy, through hardened", 900e6),
    "best": Steel("best alloy, race shafts", 1500e6),
}
SHEARS = 0.577  # yield in shear over that in tension (von Mises)


def twisting(torque: Value, outside: Value, inside: Value = 0.0) -> Array:
    """Shear [Pa] at the skin: ``16 T D / (pi (D^4 - d^4))`` (shigley2004, ch. 3)."""
    d, e = as_array(outside), as_array(inside)
    return np.asarray(16.0 * as_array(torque) * d / (np.pi * (d**4 - e**4)))


def critical(length: Value, outside: Value, inside: Value) -> Array:
    """First whirling speed [rev/min] of a uniform shaft on two hinges: ``(30/pi) (pi/L)^2 sqrt(E I / rho A)``
    (thomson1993, ch. 9)."""
    d, e = as_array(outside), as_array(inside)
    gyration = np.sqrt(d**2 + e**2) / 4.0
    return np.asarray(30.0 / np.pi * (np.pi / as_array(length)) ** 2 * np.sqrt(STEEL_E / STEEL_DENSITY) * gyration)


def rim(outside: Value, inside: Value, speed: Value, density: float, poisson: float) -> Array:
    """Greatest stress [Pa] in a flat ring that turns, at its bore: ``rho w^2 / 4 ((3 + nu) b^2 + (1 - nu) a^2)``
    (shigley2004, ch. 3)."""
    b, a = as_array(outside) / 2.0, as_array(inside) / 2.0
    w = as_array(speed) * np.pi / 30.0
    return np.asarray(density * w**2 / 4.0 * ((3.0 + poisson) * b**2 + (1.0 - poisson) * a**2))
