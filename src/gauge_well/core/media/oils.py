"""Engine oils: viscosity over temperature and density."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from functools import cached_property

import numpy as np

from gauge_well.core.typing import Array, Value, as_array
from gauge_well.core.validity import Range

T_40, T_100 = 313.15, 373.15
DENSITY_15, EXPANSION = 875.0, 0.65  # kg/m3 at 15 degC; kg/m3 less for each kelvin (oil_tables)
HEAT_CAPACITY = 2100.0  # J/kgK, warm


@dataclass(frozen=True)
class Oil:
    """A grade by its kinematic viscosity at 40 and 100 degC [m2/s]."""

    id: str
    label: str
    at_40: Value
    at_100: Value

    @cached_property
    def line(self) -> Walther:
        """The line through both known points (astm_d341)."""
        z40, z100 = (np.log10(np.log10(as_array(nu) * 1e6 + 0.7)) for nu in (self.at_40, self.at_100))
        slope = (z40 - z100) / float(np.log10(T_100) - np.log10(T_40))
        return Walther(z40 + slope * float(np.log10(T_40)), slope)


@dataclass(frozen=True)
class Walther:
    """A and B of ``log10 log10(nu + 0.7) = A - B log10 T``, nu in mm2/s."""

    intercept: Value
    slope: Value


TEMPERATURE_RANGE = Range(
    "The oil",
    250.0,
    450.0,
    "astm_d341",
    below="So cold it hardly runs: its thickness is a guess.",
    above="So hot its thickness is a guess; few oils stand it.",
    kind="temperature",
)
# Typical oils of each grade (oil_tables); their thickness at 100 degC lies in the grade's band (sae_j300).
OILS: Mapping[str, Oil] = {
    o.id: o
    for o in (
        Oil("0w20", "0W-20", 44e-6, 8.3e-6),
        Oil("0w30", "0W-30", 59e-6, 10.8e-6),
        Oil("0w40", "0W-40", 75e-6, 13.5e-6),
        Oil("5w20", "5W-20", 49e-6, 8.6e-6),
        Oil("5w30", "5W-30", 63e-6, 11e-6),
        Oil("5w40", "5W-40", 84e-6, 14.0e-6),
        Oil("5w50", "5W-50", 108e-6, 17.8e-6),
        Oil("10w30", "10W-30", 70e-6, 10.8e-6),
        Oil("10w40", "10W-40", 96e-6, 14.4e-6),
        Oil("10w60", "10W-60", 160e-6, 23.0e-6),
        Oil("15w40", "15W-40", 105e-6, 14.3e-6),
        Oil("15w50", "15W-50", 130e-6, 18.2e-6),
        Oil("20w50", "20W-50", 155e-6, 17.8e-6),
        Oil("75w90", "75W-90 (gear oil)", 105e-6, 15.5e-6),
        Oil("sae20", "SAE 20", 62e-6, 8.3e-6),
        Oil("sae30", "SAE 30", 93e-6, 10.8e-6),
        Oil("sae40", "SAE 40", 138e-6, 14.4e-6),
        Oil("sae50", "SAE 50", 215e-6, 19.0e-6),
    )
}


def viscosity_walther(oil: Oil, temperature: Value) -> Array:
    """Kinematic viscosity [m2/s] at ``temperature`` [K], 250 to 450 (astm_d341)."""
    z = oil.line.intercept - oil.line.slope * np.log10(as_array(temperature))
    return np.asarray((10.0 ** (10.0**z) - 0.7) * 1e-6)


def density(temperature: Value) -> Array:
    """Density [kg/m3] at ``temperature`` [K]."""
    return np.asarray(DENSITY_15 - EXPANSION * (as_array(temperature) - 288.15))


FUEL_40, FUEL_100 = 2.0e-6, 0.9e-6  # m2/s of the fuel that stays in an oil: its heavy end (common practice)


def diluted(oil: Oil, share: Value) -> Oil:
    """The same with fuel in it, by weight: viscosity blending indices add up, ``14.534 ln(ln(nu + 0.8)) + 10.975``.

    nu in mm2/s (maples2000). Five in a hundred take a fifth off the thickness.
    """

    def blend(thick: Value, thin: float) -> Array:
        index, fuel = (14.534 * np.log(np.log(as_array(nu) * 1e6 + 0.8)) + 10.975 for nu in (thick, thin))
        mixed = as_array(share) * fuel + (1.0 - as_array(share)) * index
        return np.asarray((np.exp(np.exp((mixed - 10.975) / 14.534)) - 0.8) * 1e-6)

    return Oil(oil.id, f"{oil.label} with fuel in it", blend(oil.at_40, FUEL_40), blend(oil.at_100, FUEL_100))
