"""Radiator cores: areas, air side, coolant side, conductance, heat shed; one interface for every kind of core."""

from __future__ import annotations

from abc import ABC, abstractmethod
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from functools import cached_property

import numpy as np

from gauge_well.core.heat.effectiveness import crossflow_unmixed_mason
from gauge_well.core.heat.tube_side import nusselt_tube
from gauge_well.core.media import air, coolant
from gauge_well.core.typing import Array, Value, as_array
from gauge_well.core.validity import Range

J_FACTOR = 0.85  # real cores against the correlation; +-15 %
AGEING = 0.9  # on the conductance; +-8 %
PRANDTL_AIR = 0.71
FIT_LOW, FIT_HIGH = 2.0, 8.0  # m/s face velocity, where the drop is matched
LEAST_MASS_FLUX = 0.06  # kg/(m2 s) of face, 0.05 m/s: still air is taken to move that much

# k [W/mK] of fin stock, from handbooks (incropera2007, app. A).
FIN_MATERIALS: Mapping[str, tuple[str, float]] = {
    "aluminium": ("aluminium", 190.0),
    "copper": ("copper fins, brass tubes", 380.0),
}
FLOW_DIRECTIONS: Mapping[str, str] = {
    "cross_flow": "cross-flow (tubes lie flat)",
    "down_flow": "down-flow (tubes upright)",
}


@dataclass(frozen=True)
class RadiatorCore(ABC):
    """A core as built; metres and W/mK, arrays allowed. Kinds differ in fins and tubes."""

    width: Value
    height: Value
    depth: Value
    passes: Value
    rows: Value
    down_flow: Value
    wall: Value
    conductivity: Value

    @cached_property
    def face(self) -> Array:
        """Face area [m2]."""
        return as_array(self.width) * self.height

    @property
    @abstractmethod
    def reynolds(self) -> Range:
        """Where its fins' relations were fitted."""

    @property
    @abstractmethod
    def built(self) -> Sequence[tuple[Range, Value, str]]:
        """What of its build the fins' relations depend on: range, value, name of the fact."""

    @property
    @abstractmethod
    def tube_pitch(self) -> Value:
        """Tube to tube across the air [m]."""

    @property
    @abstractmethod
    def sigma(self) -> Array:
        """Least free area over face area: between tubes and fins."""

    @property
    @abstractmethod
    def fin_area(self) -> Array:
        """Both faces of all fins [m2]."""

    @property
    @abstractmethod
    def tube_area(self) -> Array:
        """Tube surface left bare between fins [m2]."""

    @property
    @abstractmethod
    def reynolds_length(self) -> Value:
        """Length the air side's Reynolds number stands on [m]."""

    @property
    @abstractmethod
    def hydraulic_diameter(self) -> Array:
        """Of a tube's passage [m]: four areas over the wetted perimeter."""

    @property
    @abstractmethod
    def tube_passage(self) -> Array:
        """Flow area of one tube [m2]."""

    @property
    @abstractmethod
    def nusselt_laminar(self) -> Array:
        """Fully developed laminar Nusselt number in a tube, constant wall temperature."""

    @abstractmethod
    def j(self, reynolds: Value) -> Array:
        """Colburn factor of the air side."""

    @abstractmethod
    def f(self, reynolds: Value, hydraulic_diameter: Value) -> Array:
        """Fanning friction factor of the air side."""

    @abstractmethod
    def fin_efficiency(self, coefficient: Value) -> Array:
        """Fin efficiency at an air-side coefficient [W/m2K]."""

    @cached_property
    def air_area(self) -> Array:
        """Whole air-side surface [m2]."""
        return self.fin_area + self.tube_area

    @cached_property
    def tube_length(self) -> Array:
        """Length of one tube [m]."""
        return np.where(as_array(self.down_flow) > 0.5, self.height, self.width)

    @cached_property
    def tubes_in_pass(self) -> Array:
        """Tubes side by side in one pass, all rows counted."""
        across = np.where(as_array(self.down_flow) > 0.5, self.width, self.height)
        return across / self.tube_pitch * self.rows / self.passes

    @cached_property
    def coolant_area(self) -> Array:
        """Flow area of one pass [m2]."""
        return self.tube_passage * self.tubes_in_pass

    @cached_property
    def coolant_surface(self) -> Array:
        """Inside surface of all tubes [m2]."""
        perimeter = 4.0 * self.tube_passage / self.hydraulic_diameter
        return np.asarray(perimeter * self.tube_length * self.tubes_in_pass * self.passes)


@dataclass(frozen=True)
class AirSide:
    """Air side at a face velocity."""

    reynolds: Array
    coefficient: Array
    fin_efficiency: Array
    conductance: Array
    capacity_rate: Array
    mass_flow: Array


def air_side(core: RadiatorCore, mass_flow: Value, film_temperature: Value, j_factor: Value = J_FACTOR) -> AirSide:
    """Heat transfer on the air side.

    Parameters
    ----------
    core : RadiatorCore
    mass_flow : float or array
        Air through the core [kg/s]; its size counts, not its direction.
    film_temperature : float or array
        [K], for properties.

    Returns
    -------
    AirSide
        ``h = j G cp Pr^(-2/3)`` with G on the least free area; conductance is ``eta0 h A`` [W/K].
    """
    least = LEAST_MASS_FLUX * core.face
    m = np.maximum(np.abs(as_array(mass_flow)), least)
    g = m / (core.sigma * core.face)
    re = g * core.reynolds_length / air.viscosity(film_temperature)
    # Below the fitted range j is held, which leaves h falling in proportion to the flow.
    h = j_factor * core.j(re) * g * air.CP_AIR * PRANDTL_AIR ** (-2.0 / 3.0)
    eta = core.fin_efficiency(h)
    surface = 1.0 - core.fin_area / core.air_area * (1.0 - eta)
    return AirSide(re, h, eta, surface * h * core.air_area, m * air.CP_AIR, m)


def pressure_drop(
    core: RadiatorCore,
    face_velocity: Value,
    density_in: Value,
    density_out: Value,
    film_temperature: Value,
    f_factor: Value = 1.0,
) -> Array:
    """Air pressure drop across a core [Pa] (kays1984, with entrance and exit losses).

    ``G^2/(2 rho1) [Kc + 1 - s^2 + 2 (rho1/rho2 - 1) + f A/Ac rho1/rho_m - (1 - s^2 - Ke) rho1/rho2]``

    ``face_velocity`` [m/s] stands at the inlet density; Kc and Ke are those of parallel plates.
    """
    s = core.sigma
    g = as_array(density_in) * face_velocity / s
    mean = 2.0 / (1.0 / as_array(density_in) + 1.0 / as_array(density_out))
    minimum_area = s * core.face
    dh = 4.0 * minimum_area * core.depth / core.air_area
    re = g * core.reynolds_length / air.viscosity(film_temperature)
    f = f_factor * core.f(re, dh)
    contraction, expansion = 0.4 * (1.0 - s**2), (1.0 - s) ** 2
    ratio = as_array(density_in) / density_out
    bracket = (
        contraction
        + 1.0
        - s**2
        + 2.0 * (ratio - 1.0)
        + f * core.air_area / minimum_area * density_in / mean
        - (1.0 - s**2 - expansion) * ratio
    )
    return np.asarray(g**2 / (2.0 * as_array(density_in)) * bracket)


def resistance(
    core: RadiatorCore,
    density_in: Value,
    density_out: Value,
    film_temperature: Value,
    f_factor: Value = 1.0,
) -> tuple[Array, Array]:
    """Coefficients (a, b) of ``dp = a u + b u |u|`` matched at 2 and 8 m/s face velocity."""
    given = (as_array(v) for v in (density_in, density_out, film_temperature, f_factor))
    axes = np.broadcast_shapes(np.shape(core.face), np.shape(core.depth), *(np.shape(v) for v in given))
    speeds = np.array([FIT_LOW, FIT_HIGH]).reshape(2, *(1,) * len(axes))
    low, high = pressure_drop(core, speeds, density_in, density_out, film_temperature, f_factor)
    b = (high / FIT_HIGH - low / FIT_LOW) / (FIT_HIGH - FIT_LOW)
    return low / FIT_LOW - b * FIT_LOW, b


@dataclass(frozen=True)
class CoolantSide:
    """Coolant side at a flow and temperature."""

    reynolds: Array
    nusselt: Array
    coefficient: Array
    conductance: Array
    capacity_rate: Array
    speed: Array


def coolant_side(core: RadiatorCore, volume_flow: Value, temperature: Value, glycol: Value) -> CoolantSide:
    """Heat transfer in the tubes; ``volume_flow`` [m3/s], ``glycol`` mass share."""
    fluid = coolant.properties(temperature, glycol)
    rho, cp, k, mu = fluid.density, fluid.heat_capacity, fluid.conductivity, fluid.viscosity
    flow = np.maximum(as_array(volume_flow), 1e-7)
    speed = flow / core.coolant_area
    d = core.hydraulic_diameter
    re = rho * speed * d / mu
    nu = nusselt_tube(re, cp * mu / k, core.nusselt_laminar, d / core.tube_length)
    h = nu * k / d
    return CoolantSide(re, nu, h, h * core.coolant_surface, flow * rho * cp, speed)


@dataclass(frozen=True)
class Shed:
    """Heat shed by a core."""

    heat: Array
    ua: Array
    ntu: Array
    effectiveness: Array


def shed(
    core: RadiatorCore,
    airs: AirSide,
    fluid: CoolantSide,
    temperature_in: Value,
    air_in: Value,
    ageing: Value = AGEING,
) -> Shed:
    """Heat [W] from coolant entering at ``temperature_in`` to air entering at ``air_in`` [K].

    ``1/UA = 1/(eta0 h A) + wall + 1/(h A)``, times the ageing factor; effectiveness by the exact
    series. Passes side by side share the air in parallel and take the coolant in series: each is a
    cross-flow exchanger with a P-th of the conductance and of the air, and leaves ``(1 - e)`` of the
    inlet difference to the next, so that ``Q = Cc (1 - (1 - e)^P) (Tin - Tair)``.
    """
    wall = as_array(core.wall) / (as_array(core.conductivity) * core.coolant_surface)
    ua = ageing / (1.0 / airs.conductance + wall + 1.0 / fluid.conductance)
    passes = as_array(core.passes)
    each = airs.capacity_rate / passes
    least = np.minimum(each, fluid.capacity_rate)
    most = np.maximum(each, fluid.capacity_rate)
    ntu = ua / passes / least
    eps = crossflow_unmixed_mason(ntu, least / most)
    if np.all(passes == 1.0):
        return Shed(eps * least * (as_array(temperature_in) - air_in), ua, ntu, eps)
    taken = eps * least / fluid.capacity_rate
    whole = fluid.capacity_rate * -np.expm1(passes * np.log1p(-np.minimum(taken, 1.0 - 1e-12)))
    effectiveness = whole / np.minimum(airs.capacity_rate, fluid.capacity_rate)
    return Shed(whole * (as_array(temperature_in) - air_in), ua, ntu, effectiveness)
