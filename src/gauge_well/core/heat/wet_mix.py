"""Hot gas and injected water come to one temperature, with as much steam as that temperature lets the gas hold."""

from __future__ import annotations

import numpy as np

from gauge_well.core.media.combustion import MOLAR_MASS, SPECIES, Products, sensible_enthalpy
from gauge_well.core.media.coolant import saturation_pressure_water
from gauge_well.core.media.seawater import HEAT_CAPACITY, MOLAR_WATER, evaporation_heat
from gauge_well.core.roots import find_root
from gauge_well.core.typing import Array, Value, as_array

WATER = SPECIES.index("H2O")
STEAM_MOST = 0.98  # of the pressure that steam may be of, so that near boiling all water that is left may go


def _steam(gas: Products, fuel: Array, temperature: Array, pressure: Value, water: Value) -> Array:
    """Water that evaporates [kg/s], at most what is injected; below nought where the gas's own condenses."""
    dry = fuel * (gas.moles.sum(axis=-1) - gas.moles[..., WATER])
    own = fuel * gas.moles[..., WATER] * MOLAR_MASS[WATER]
    p = as_array(pressure)
    vapour = np.minimum(saturation_pressure_water(np.minimum(temperature, 640.0)), STEAM_MOST * p)
    return np.asarray(np.minimum(dry * vapour / (p - vapour) * MOLAR_WATER - own, water))


def balance(
    gas: Products, fuel: Value, hot: Value, temperature: Value, water: Value, pressure: Value
) -> tuple[Array, Array, Array]:
    """Heat the gas gives down to a temperature [W], water that evaporates there [kg/s], heat that takes [J/kg]."""
    flow, t = as_array(fuel), as_array(temperature)
    gives = flow * (sensible_enthalpy(gas, hot) - sensible_enthalpy(gas, t))
    return np.asarray(gives), _steam(gas, flow, t, pressure, water), evaporation_heat(t)


def _surplus(
    gas: Products, fuel: Array, hot: Value, temperature: Array, water_in: Value, pressure: Value, water: Value
) -> Array:
    """Heat the gas gives down to ``temperature`` over what water and steam take [W]; falls as that rises."""
    gives, steam, each = balance(gas, fuel, hot, temperature, water, pressure)
    takes = steam * each + as_array(water) * HEAT_CAPACITY * (temperature - water_in)
    return np.asarray(gives - takes)


def mixed_temperature(gas: Products, fuel: Value, hot: Value, water: Value, water_in: Value, pressure: Value) -> Array:
    """Temperature [K] of gas and water once mixed.

    Parameters
    ----------
    gas : Products
        Of a kilogram of fuel.
    fuel : float or array
        Fuel burned [kg/s].
    hot : float or array
        Gas where the water meets it [K].
    water, water_in : float or array
        Injected [kg/s], and its temperature [K].
    pressure : float or array
        [Pa absolute].

    Notes
    -----
    One balance: ``H(T_hot) - H(T) = m_steam h_fg(T) + m_w c (T - T_w)``, the gas saturated at T as long as there is water
    to do it (iapws1992 for the steam). Dry arithmetic is some 20 K too hot with little water. The gas's own water counts:
    what condenses of it gives its heat back.
    """
    fuel_flow, low = as_array(fuel), as_array(water_in)

    def surplus(t: Array) -> Array:
        return _surplus(gas, fuel_flow, hot, t, water_in, pressure, water)

    return find_root(surplus, low, as_array(hot), tolerance=1e-10)


def water_for(
    gas: Products, fuel: Value, hot: Value, limit: Value, water_in: Value, pressure: Value, taken: Value = 0.0
) -> Array:
    """Least water [kg/s] that brings the mix to ``limit`` [K]; without end where it is no warmer than the water.

    ``taken``: heat [W] that the water takes up on its way from ``water_in`` [K], however much there is of it.
    """
    fuel_flow, t = as_array(fuel), as_array(limit)
    gives, steam, each = balance(gas, fuel_flow, hot, t, np.inf, pressure)
    over = t - water_in
    warms = HEAT_CAPACITY * np.maximum(over, 1e-6)
    flow = (gives + taken - steam * each) / warms
    # Where the gas could hold more steam than its heat can make, all of the water goes.
    flow = np.where(flow < steam, (gives + taken) / (each + warms), flow)
    return np.asarray(np.where(over > 0.0, flow, np.inf))
