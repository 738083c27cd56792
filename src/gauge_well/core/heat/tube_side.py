"""Heat transfer inside tubes, laminar to turbulent without a jump."""

from __future__ import annotations

import numpy as np

from gauge_well.core.typing import Array, Value, as_array, clip
from gauge_well.core.validity import Range

RE_LAMINAR, RE_TURBULENT = 2300.0, 4000.0
TURBULENT = Range(
    "Gas in the pipe, as a Reynolds number,",
    3000.0,
    5e6,
    "gnielinski1976",
    below="So slow that its heat loss is a guess: the tip may be hotter or colder than said.",
)


def friction_petukhov(reynolds: Value) -> Array:
    """Darcy friction factor of a smooth tube: ``(0.790 ln Re - 1.64)^-2`` (incropera2007, ch. 8)."""
    return np.asarray((0.790 * np.log(as_array(reynolds)) - 1.64) ** -2)


def nusselt_gnielinski(reynolds: Value, prandtl: Value) -> Array:
    """Turbulent Nusselt number (gnielinski1976), 3000 < Re < 5e6, 0.5 < Pr < 2000."""
    re, pr = as_array(reynolds), as_array(prandtl)
    f8 = friction_petukhov(re) / 8.0
    return np.asarray(f8 * (re - 1000.0) * pr / (1.0 + 12.7 * np.sqrt(f8) * (pr ** (2.0 / 3.0) - 1.0)))


def nusselt_rectangle_shah_london(aspect: Value) -> Array:
    """Fully developed laminar Nusselt number of a rectangle, constant wall temperature.

    ``aspect`` is short side over long side, 0 to 1 (shah1978): 7.541 for plates, 2.98 for a square.
    """
    a = as_array(aspect)
    return np.asarray(7.541 * (1.0 - a * (2.610 - a * (4.970 - a * (5.119 - a * (2.702 - 0.548 * a))))))


def nusselt_laminar_entry(developed: Value, graetz: Value) -> Array:
    """Mean laminar Nusselt number with a developing thermal layer.

    Cube-root sum of the developed value and Leveque's ``1.615 Gz^(1/3)``, with
    ``Gz = Re Pr D/L`` (the form of the VDI Heat Atlas; from memory).
    """
    return np.asarray((as_array(developed) ** 3 + 1.615**3 * as_array(graetz)) ** (1.0 / 3.0))


def nusselt_tube(reynolds: Value, prandtl: Value, developed: Value, diameter_over_length: Value) -> Array:
    """Nusselt number over the whole range, blended linearly between Re 2300 and 4000.

    Parameters
    ----------
    reynolds, prandtl : float or array
        On the hydraulic diameter.
    developed : float or array
        Fully developed laminar value of the passage's shape.
    diameter_over_length : float or array
        Hydraulic diameter over the length of one pass.
    """
    re, pr = as_array(reynolds), as_array(prandtl)
    laminar = nusselt_laminar_entry(developed, np.minimum(re, RE_LAMINAR) * pr * diameter_over_length)
    turbulent = nusselt_gnielinski(np.maximum(re, RE_TURBULENT), pr)
    w = clip((re - RE_LAMINAR) / (RE_TURBULENT - RE_LAMINAR), 0.0, 1.0)
    return np.asarray((1.0 - w) * laminar + w * turbulent)
