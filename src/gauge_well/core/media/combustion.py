"""Products of combustion: composition, unreleased energy, enthalpy."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cached_property

import numpy as np

from gauge_well.core.media.fuels import M_C, M_H, M_O, N2_PER_O2, Fuel
from gauge_well.core.typing import Array, Value, as_array, clip

R_UNIVERSAL = 8.31446261815324
T_REFERENCE = 298.15
WATER_GAS_K = 3.5  # heywood1988, ch. 4
HEAT_CO = 282.98e3  # J/mol, heat of combustion at 25 degC
HEAT_H2 = 241.83e3
UNBURNED = 0.015  # share of fuel energy in hydrocarbons, heywood1988 ch. 4

SPECIES = ("CO2", "H2O", "CO", "H2", "O2", "N2")
MOLAR_MASS = np.array([M_C + 2 * M_O, 2 * M_H + M_O, M_C + M_O, 2 * M_H, 2 * M_O, 28.16]) / 1000.0
# gri30: a1..a6 below 1000 K, then above. Atmospheric nitrogen is taken as N2.
_LOW = np.array(
    [
        [2.35677352, 0.00898459677, -7.12356269e-06, 2.45919022e-09, -1.43699548e-13, -48371.9697],
        [4.19864056, -0.0020364341, 6.52040211e-06, -5.48797062e-09, 1.77197817e-12, -30293.7267],
        [3.57953347, -0.00061035368, 1.01681433e-06, 9.07005884e-10, -9.04424499e-13, -14344.086],
        [2.34433112, 0.00798052075, -1.9478151e-05, 2.01572094e-08, -7.37611761e-12, -917.935173],
        [3.78245636, -0.00299673416, 9.84730201e-06, -9.68129509e-09, 3.24372837e-12, -1063.94356],
        [3.298677, 0.0014082404, -3.963222e-06, 5.641515e-09, -2.444854e-12, -1020.8999],
    ]
)
_HIGH = np.array(
    [
        [3.85746029, 0.00441437026, -2.21481404e-06, 5.23490188e-10, -4.72084164e-14, -48759.166],
        [3.03399249, 0.00217691804, -1.64072518e-07, -9.7041987e-11, 1.68200992e-14, -30004.2971],
        [2.71518561, 0.00206252743, -9.98825771e-07, 2.30053008e-10, -2.03647716e-14, -14151.8724],
        [3.3372792, -4.94024731e-05, 4.99456778e-07, -1.79566394e-10, 2.00255376e-14, -950.158922],
        [3.28253784, 0.00148308754, -7.57966669e-07, 2.09470555e-10, -2.16717794e-14, -1088.45772],
        [2.92664, 0.0014879768, -5.68476e-07, 1.0097038e-10, -6.753351e-15, -922.7977],
    ]
)


@dataclass(frozen=True)
class Products:
    """Burned gas of one kilogram of fuel; ``moles`` has the species on a last, extra axis."""

    moles: Array
    chemical_loss: Array

    @property
    def mass(self) -> Array:
        """Mass of gas per mass of fuel [kg/kg]."""
        return np.asarray(self.moles @ MOLAR_MASS)

    @cached_property
    def polynomials(self) -> tuple[tuple[Array, ...], tuple[Array, ...]]:
        """Coefficients of the whole gas, J/K for the powers of T and J for the constant; below and
        above 1000 K."""
        low, high = (self.moles @ table * R_UNIVERSAL for table in (_LOW, _HIGH))
        return (
            tuple(low[..., k] for k in range(6)),
            tuple(high[..., k] for k in range(6)),
        )

    @cached_property
    def reference(self) -> Array:
        """Enthalpy at 25 degC [J/kg fuel]."""
        return _horner(self.polynomials[0], as_array(T_REFERENCE))[0]


def products(fuel: Fuel, excess_air: Value) -> Products:
    """Composition of the burned gas and the share of heating value it still holds.

    Parameters
    ----------
    fuel : Fuel
    excess_air : float or array
        Lambda, 0.6 and more.

    Returns
    -------
    Products

    Notes
    -----
    Lean: complete. Rich: element balances with the water-gas equilibrium
    ``[CO][H2O]/([CO2][H2]) = 3.5``, a quadratic in CO2 (heywood1988, ch. 4). Unburned
    hydrocarbons are counted apart.
    """
    lam = as_array(excess_air)
    c, h, o = fuel.carbon, fuel.hydrogen, fuel.oxygen
    stoich = c + h / 4.0 - o / 2.0
    supplied = lam * stoich
    # Rich: y = CO2, CO = c - y, H2O = W - y with W the oxygen atoms left after CO, H2 the rest.
    atoms = np.minimum(2.0 * supplied + o, 2.0 * c + h / 2.0)
    w = atoms - c
    hydrogen = h / 2.0
    # (c - y)(w - y) = K y (hydrogen - w + y)
    qa = 1.0 - WATER_GAS_K
    qb = -(c + w + WATER_GAS_K * (hydrogen - w))
    qc = c * w
    disc = np.sqrt(np.maximum(qb * qb - 4.0 * qa * qc, 0.0))
    co2 = clip(2.0 * qc / (-qb + disc), 0.0, c)
    h2o = clip(w - co2, 0.0, hydrogen)
    co = c - co2
    h2 = hydrogen - h2o
    oxygen = np.maximum(supplied - stoich, 0.0)
    moles = np.stack([co2, h2o, co, h2, oxygen, N2_PER_O2 * supplied], axis=-1)
    loss = (co * HEAT_CO + h2 * HEAT_H2) / fuel.lhv
    return Products(moles, np.where(lam >= 1.0, 0.0, loss))


def _horner(c: tuple[Array, ...], t: Array) -> tuple[Array, Array]:
    """Enthalpy and heat capacity from one set of coefficients."""
    cp = c[0] + t * (c[1] + t * (c[2] + t * (c[3] + t * c[4])))
    h = c[5] + t * (c[0] + t * (c[1] / 2 + t * (c[2] / 3 + t * (c[3] / 4 + t * c[4] / 5))))
    return h, cp


def _enthalpy_and_cp(gas: Products, temperature: Array) -> tuple[Array, Array]:
    low, high = gas.polynomials
    if temperature.ndim == 0:
        return _horner(low if temperature < 1000.0 else high, temperature)
    h_low, cp_low = _horner(low, temperature)
    h_high, cp_high = _horner(high, temperature)
    cold = temperature < 1000.0
    return np.where(cold, h_low, h_high), np.where(cold, cp_low, cp_high)


def heat_capacity(gas: Products, temperature: Value) -> Array:
    """Heat capacity of the gas of a kilogram of fuel [J/K per kg fuel], 200 to 3500 K."""
    return _enthalpy_and_cp(gas, as_array(temperature))[1]


def sensible_enthalpy(gas: Products, temperature: Value) -> Array:
    """Sensible enthalpy over 25 degC of the gas of a kilogram of fuel [J/kg fuel]."""
    return np.asarray(_enthalpy_and_cp(gas, as_array(temperature))[0] - gas.reference)


def temperature_of(gas: Products, enthalpy: Value) -> Array:
    """Temperature [K] at which the gas holds ``enthalpy`` [J/kg fuel] over 25 degC.

    Newton on the NASA polynomials from a constant-cp start; enthalpy is smooth and convex enough
    that three steps reach rounding between 250 and 3000 K.
    """
    target = as_array(enthalpy) + gas.reference
    t = clip(T_REFERENCE + as_array(enthalpy) / (gas.mass * 1200.0), 250.0, 3000.0)
    for _ in range(3):
        h, cp = _enthalpy_and_cp(gas, t)
        t = clip(t - (h - target) / cp, 230.0, 3400.0)
    return np.asarray(t)
