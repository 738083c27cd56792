"""Gas that carries water up a pipe."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from gauge_well.core.flow.pipe import bore_area, friction_factor_churchill
from gauge_well.core.media.air import GRAVITY
from gauge_well.core.media.seawater import DENSITY, VISCOSITY
from gauge_well.core.typing import Array, Value, as_array

HOSE = 3e-6  # m, roughness of rubber inside a hose (common practice)
GAS_VISCOSITY = 2.0e-5  # Pa s of wet exhaust gas
SPREAD, DRIFT = 1.2, 0.35  # of a slug flow: profile, drift of its bubbles (zuber1965)
SURGES = 0.5  # Wallis number of the gas under which water runs back between slugs (wallis1969)


@dataclass(frozen=True)
class Lifted:
    """Pressure [Pa] that a riser takes: weight of what stands in it, friction, acceleration; share that is gas; Wallis number
    of the gas."""

    weight: Array
    friction: Array
    acceleration: Array
    void: Array
    wallis: Array

    @property
    def total(self) -> Array:
        """All three [Pa]."""
        return np.asarray(self.weight + self.friction + self.acceleration)


def void_zuber(gas: Value, both: Value, bore: Value) -> Array:
    """Share of an upright pipe that is gas: ``j_g / (1.2 j + 0.35 sqrt(g D))`` (zuber1965).

    ``gas``, ``both``: volume flow of gas, of gas and water, over the pipe's bore [m/s]; ``bore`` [m].
    """
    return np.asarray(as_array(gas) / (SPREAD * as_array(both) + DRIFT * np.sqrt(GRAVITY * as_array(bore)) + 1e-12))


def friction_muller(gas: Value, density: Value, water: Value, bore: Value, length: Value) -> Array:
    """Friction [Pa] of gas and water [kg/s] together: ``(A + 2 (B - A) x) (1 - x)^(1/3) + B x^3``, A and B the friction of all of
    it as water and as gas, x the share that is gas (muller1986)."""
    area, d = bore_area(bore), as_array(bore)
    both = as_array(gas) + water
    flux, share = both / area, as_array(gas) / np.maximum(both, 1e-12)

    def alone(rho: Value, viscosity: float) -> Array:
        factor = friction_factor_churchill(flux * d / viscosity, HOSE / d)
        return np.asarray(factor * as_array(length) / d * flux**2 / (2.0 * as_array(rho)))

    a, b = alone(DENSITY, VISCOSITY * DENSITY), alone(density, GAS_VISCOSITY)
    return np.asarray((a + 2.0 * (b - a) * share) * np.cbrt(1.0 - share) + b * share**3)


def lift(gas: Value, density: Value, water: Value, bore: Value, height: Value, length: Value) -> Lifted:
    """What gas [kg/s] of a density [kg/m3] pays to carry water [kg/s] through a riser [m].

    Drift flux for what stands in it (zuber1965); friction of both (muller1986), a tenth to a third under that of one
    homogeneous fluid; acceleration by the momentum of both at that share of gas, which the water follows more slowly.
    """
    area = bore_area(bore)
    of_gas, of_water = as_array(gas) / density / area, as_array(water) / DENSITY / area
    both = of_gas + of_water
    void = void_zuber(of_gas, both, bore)
    stands = void * density + (1.0 - void) * DENSITY
    return Lifted(
        weight=np.asarray(stands * GRAVITY * np.maximum(as_array(height), 0.0)),
        friction=friction_muller(gas, density, water, bore, length),
        acceleration=np.asarray(density * of_gas**2 / np.maximum(void, 1e-6) + DENSITY * of_water**2 / (1.0 - void)),
        void=void,
        wallis=np.asarray(of_gas * np.sqrt(as_array(density) / (GRAVITY * as_array(bore) * DENSITY))),
    )


def full_column(height: Value) -> Array:
    """Pressure [Pa] of a riser full of water, as it stands when the engine starts."""
    return np.asarray(DENSITY * GRAVITY * np.maximum(as_array(height), 0.0))
