"""Water of a sea or a river, as far as cooling, pumping and steam ask."""

from __future__ import annotations

import numpy as np

from gauge_well.core.typing import Array, Value, as_array

DENSITY = 1020.0  # kg/m3, sea warm to fresh cold within 2.5 %
HEAT_CAPACITY = 4000.0  # J/kgK of the sea; a river's 4180, so that the sea's is the careful one (common practice)
VISCOSITY = 0.9e-6  # m2/s kinematic, near 28 degC
CONDUCTIVITY, PRANDTL = 0.61, 5.9
MOLAR_WATER = 0.018015268  # kg/mol
ZERO = 273.15


def evaporation_heat(temperature: Value) -> Array:
    """Heat that water takes to evaporate [J/kg], 0 to 100 degC within 0.3 %: a straight line through the steam tables'
    2500.9 kJ/kg at 0 and 2256.5 at 100 degC (iapws1992)."""
    return np.asarray(2.5009e6 - 2.444e3 * (as_array(temperature) - ZERO))
