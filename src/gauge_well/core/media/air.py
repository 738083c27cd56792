"""Air: standard atmosphere and transport properties."""

from __future__ import annotations

import numpy as np

from gauge_well.core.typing import Array, Value, as_array
from gauge_well.core.validity import Range

R_AIR = 287.05287  # J/kgK, ISO 2533
CP_AIR = 1006.0  # J/kgK near room temperature
CP_RANGE = Range(
    "Air out of the compressor",
    200.0,
    500.0,
    "incropera2007, table A.4: within 2.5 %",
    above="Its heat is counted as that of cooler air: the charge cooler has a few percent more to do.",
    kind="temperature",
)
CONDUCTIVITY_RANGE = Range(
    "Gas into the pipe",
    200.0,
    1300.0,
    "iso2533; incropera2007, table A.4: within 3 %",
    above="So hot that the heat it loses on its way is estimated low.",
    kind="temperature",
)
GRAVITY = 9.80665
P_SEA_LEVEL = 101325.0
T_SEA_LEVEL = 288.15
LAPSE = 0.0065


def pressure_isa(altitude: Value) -> Array:
    """Standard-atmosphere pressure below 11 km.

    Parameters
    ----------
    altitude : float or array
        Geopotential altitude [m], -500 to 11000.

    Returns
    -------
    array
        Pressure [Pa].

    References
    ----------
    iso2533: ``p0 (1 - L h / T0)^(g / (R L))``.
    """
    ratio = 1.0 - LAPSE * as_array(altitude) / T_SEA_LEVEL
    return np.power(ratio, GRAVITY / (R_AIR * LAPSE)) * P_SEA_LEVEL


def density(temperature: Value, pressure: Value) -> Array:
    """Ideal-gas density [kg/m3] at ``temperature`` [K] and ``pressure`` [Pa]."""
    return as_array(pressure) / (R_AIR * as_array(temperature))


COMPRESSOR_EFFICIENCY = 0.70  # of turbos and blowers of a usual size (heywood1988, ch. 6)
KAPPA = 0.2857


def compressed(temperature: Value, ratio: Value) -> Array:
    """Temperature [K] behind a compressor: ``T (1 + (PR^0.2857 - 1) / 0.7)`` (heywood1988, ch. 6)."""
    return np.asarray(as_array(temperature) * (1.0 + (as_array(ratio) ** KAPPA - 1.0) / COMPRESSOR_EFFICIENCY))


def viscosity(temperature: Value) -> Array:
    """Dynamic viscosity [Pa s] of air by Sutherland's formula (iso2533), 100 to 1900 K."""
    t = as_array(temperature)
    return 1.458e-6 * t**1.5 / (t + 110.4)


def conductivity(temperature: Value) -> Array:
    """Thermal conductivity [W/mK] of air (iso2533), 200 to 1300 K, where it is 2.5 % under measured air."""
    t = as_array(temperature)
    return 2.648151e-3 * t**1.5 / (t + 245.4 * np.power(10.0, -12.0 / t))
