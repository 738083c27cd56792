"""Fuels and blends: density, heating value, elements, vapour pressure."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

import numpy as np

from gauge_well.core.typing import Array, Value, as_array, likely

M_C, M_H, M_O, M_N2_AIR = 12.011, 1.008, 15.999, 28.16
N2_PER_O2 = 3.773  # atmospheric nitrogen with its argon, mol/mol (heywood1988, ch. 3)


@dataclass(frozen=True)
class Fuel:
    """A fuel as sold or blended.

    Attributes
    ----------
    density : float
        [kg/m3] at 15 degC.
    lhv : float
        Lower heating value of the liquid [J/kg].
    carbon, hydrogen, oxygen : float
        [mol/kg].
    rvp : float
        Reid vapour pressure [Pa]; nought where it does not matter.
    rvp_true : float
        True vapour pressure over the Reid figure at 37.8 degC: 1.07 for mixtures, whose light ends fill
        the test's air space; 1 for a pure liquid.
    rvp_slope : float
        B of ``exp(-B (1/T - 1/310.9))`` [K].
    spark : bool
        True for spark ignition.
    lean_limit : float
        Share of vapour in air by volume under which nothing lights (lower flammability limit); nought where
        vapour does not decide the start.
    heat_capacity : float
        Of the liquid [J/kgK], near 25 degC.
    """

    id: str
    label: str
    density: float
    lhv: float
    carbon: float
    hydrogen: float
    oxygen: float
    rvp: float
    rvp_true: float
    rvp_slope: float
    spark: bool
    lean_limit: float = 0.0
    heat_capacity: float = 2000.0
    gas: bool = False  # held under pressure in its tank, a gas at the engine

    @property
    def stoichiometric_air_ratio(self) -> float:
        """Mass of air to burn a unit mass of fuel completely."""
        oxygen = self.carbon + self.hydrogen / 4.0 - self.oxygen / 2.0
        return oxygen * (2.0 * M_O + N2_PER_O2 * M_N2_AIR) / 1000.0


def _elements(hydrogen_ratio: float, oxygen_ratio: float) -> tuple[float, float, float]:
    mol = 1000.0 / (M_C + hydrogen_ratio * M_H + oxygen_ratio * M_O)
    return mol, mol * hydrogen_ratio, mol * oxygen_ratio


MIXTURE = 1.07

# source: fuel_tables; hydrogen ratios chosen so that the stoichiometric ratios are the usual ones. Lower limits of
# flammability 1.4 % petrol (its light ends), 3.3 ethanol, 6.0 methanol (zabetakis1965).
PETROL = Fuel(
    "petrol", "petrol, no ethanol", 745.0, 43.2e6, *_elements(1.87, 0.0), 60e3, MIXTURE, 3500.0, True, 0.014, 2200.0
)
ETHANOL = Fuel("ethanol", "ethanol", 794.0, 26.8e6, *_elements(3.0, 0.5), 16e3, 1.0, 5090.0, True, 0.033, 2440.0)
METHANOL = Fuel("methanol", "methanol", 796.0, 19.9e6, *_elements(4.0, 1.0), 32e3, 1.0, 4500.0, True, 0.060, 2530.0)
DIESEL = Fuel("diesel", "diesel", 835.0, 42.8e6, *_elements(1.80, 0.0), 0.0, MIXTURE, 4500.0, False)
LPG = Fuel("lpg", "LPG, liquid", 508.0, 46.3e6, *_elements(8.0 / 3.0, 0.0), 0.0, 1.0, 3000.0, True, gas=True)
# Density at 200 bar and 15 degC.
CNG = Fuel("cng", "natural gas, compressed", 168.0, 49.0e6, *_elements(3.85, 0.0), 0.0, 1.0, 3000.0, True, gas=True)


def blend(ethanol_share: float, label: str = "", id: str = "blend", rvp: float | None = None) -> Fuel:
    """Petrol with ethanol by volume share at 15 degC.

    Parameters
    ----------
    ethanol_share : float
        0 to 1.
    rvp : float, optional
        Reid vapour pressure [Pa]; otherwise through the usual points of blends.

    Returns
    -------
    Fuel
        Density by volume share, the rest by mass share.

    Notes
    -----
    Vapour pressure of blends peaks near a tenth of ethanol (fuel_tables).
    """
    mass_e = ethanol_share * ETHANOL.density
    mass_p = (1.0 - ethanol_share) * PETROL.density
    we = mass_e / (mass_e + mass_p)

    def mix(name: str) -> float:
        a: float = getattr(PETROL, name)
        b: float = getattr(ETHANOL, name)
        return a * (1.0 - we) + b * we

    if rvp is None:
        rvp = float(np.interp(ethanol_share, [0.0, 0.1, 0.5, 0.85, 1.0], [60e3, 65e3, 58e3, 45e3, 16e3]))
    return Fuel(
        id,
        label or f"petrol with {100 * ethanol_share:.0f} % ethanol",
        mass_e + mass_p,
        mix("lhv"),
        mix("carbon"),
        mix("hydrogen"),
        mix("oxygen"),
        rvp,
        float(np.interp(ethanol_share, [0.85, 1.0], [MIXTURE, 1.0])),
        mix("rvp_slope"),
        True,
        # What lights first is the petrol's light ends as long as there is petrol: by its share of the vapour.
        float(np.interp(ethanol_share, [0.0, 0.85, 1.0], [PETROL.lean_limit, 0.021, ETHANOL.lean_limit])),
        mix("heat_capacity"),
    )


FUELS: Mapping[str, Fuel] = {
    "petrol": PETROL,
    "petrol_e10": blend(0.10, "petrol E10", "petrol_e10"),
    "e85": blend(0.85, "E85", "e85"),
    "ethanol": ETHANOL,
    "methanol": METHANOL,
    "diesel": DIESEL,
    "lpg": LPG,
    "cng": CNG,
}


def burning(fuel_id: str, ethanol_share: Value | None) -> Fuel:
    """The fuel in the tank: one of :data:`FUELS`, or the blend measured in it (spark fuels only)."""
    fuel = FUELS[fuel_id]
    if ethanol_share is None or not fuel.spark:
        return fuel
    return blend(likely(ethanol_share))


VAPOUR_LOW, VAPOUR_HIGH = 250.0, 350.0  # K, between which the slope holds: no hotter fuel is taken


def vapour_pressure(fuel: Fuel, temperature: Value, rvp: Value | None = None) -> Array:
    """Vapour pressure [Pa] of ``fuel`` at ``temperature`` [K].

    ``1.07 RVP exp(-B (1/T - 1/310.9))``: the Reid test stands at 37.8 degC with an air space,
    hence 1.07 for mixtures and 1 for pure liquids (fuel_tables). Range 250 to 350 K.
    """
    base = fuel.rvp if rvp is None else rvp
    return fuel.rvp_true * as_array(base) * np.exp(-fuel.rvp_slope * (1.0 / as_array(temperature) - 1.0 / 310.9))


def boiling_temperature(fuel: Fuel, pressure: Value, rvp: Value | None = None) -> Array:
    """Temperature [K] at which the vapour pressure is ``pressure`` [Pa]; the inverse of :func:`vapour_pressure`.

    Infinite for a fuel whose vapour does not matter.
    """
    base = as_array(fuel.rvp if rvp is None else rvp)
    if not np.any(base > 0.0):
        return np.full(np.broadcast_shapes(base.shape, np.shape(pressure)), np.inf)
    ratio = np.log(np.maximum(as_array(pressure), 1.0) / (fuel.rvp_true * base))
    return np.asarray(1.0 / np.maximum(1.0 / 310.9 - ratio / fuel.rvp_slope, 1e-4))


def coldest_start(fuel: Fuel, pressure: Value, rvp: Value | None = None) -> Array:
    """Temperature [K] under which the fuel gives off too little vapour for air at ``pressure`` [Pa] to light.

    The flash point's criterion: vapour pressure over the liquid at the lower limit of flammability
    (zabetakis1965). More fuel while cranking wets the walls and does not help below it. 0 where vapour does not
    decide the start (diesel, gas).
    """
    if fuel.lean_limit <= 0.0 or fuel.rvp <= 0.0:
        return np.asarray(0.0 * as_array(pressure))
    return boiling_temperature(fuel, fuel.lean_limit * as_array(pressure), rvp)


def kinematic_viscosity(fuel: Fuel, temperature: Value) -> Array:
    """Kinematic viscosity [m2/s] of the liquid, for line losses (fuel_tables, +-20 %).

    Petrol 0.6, ethanol 1.5, diesel 3.5 mm2/s at 20 degC, falling 1 (diesel 2.5) % a kelvin.
    """
    base, rate = (3.5e-6, 0.025) if not fuel.spark else (0.6e-6 + 0.9e-6 * _ethanol_like(fuel), 0.01)
    return base * np.exp(-rate * (as_array(temperature) - 293.15))


def _ethanol_like(fuel: Fuel) -> float:
    return fuel.oxygen / ETHANOL.oxygen if fuel.oxygen < ETHANOL.oxygen else 1.0
