"""A flat-tube louvred-fin core: areas, air side, coolant side, conductance, heat shed."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from functools import cached_property

import numpy as np

from gauge_well.core.heat.effectiveness import crossflow_unmixed_mason
from gauge_well.core.heat.louvred_fin import LouvredFin, f_chang, fin_efficiency, j_chang_wang
from gauge_well.core.heat.tube_side import nusselt_flat_tube
from gauge_well.core.media import air, coolant
from gauge_well.core.typing import Array, Value, as_array

J_FACTOR = 0.85  # real cores against the correlation; +-15 %
AGEING = 0.9  # on the conductance; +-8 %
PRANDTL_AIR = 0.71
FIT_LOW, FIT_HIGH = 2.0, 8.0  # m/s face velocity, where the drop is matched
FACE_VELOCITY_MIN = 0.05

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
class RadiatorCore:
    """A core as built; metres and W/mK, arrays allowed."""

    width: Value
    height: Value
    depth: Value
    passes: Value
    rows: Value
    down_flow: Value
    fin: LouvredFin
    wall: Value
    conductivity: Value

    @cached_property
    def face(self) -> Array:
        """Face area [m2]."""
        return as_array(self.width) * self.height

    @cached_property
    def sigma(self) -> Array:
        """Least free area over face area: between tubes and fins."""
        fin = self.fin
        return as_array(fin.fin_length) / fin.tube_pitch * (1.0 - fin.fin_thickness / as_array(fin.fin_pitch))

    @cached_property
    def fin_area(self) -> Array:
        """Both faces of all fins [m2]."""
        fin = self.fin
        return 2.0 * as_array(fin.fin_length) / (as_array(fin.fin_pitch) * fin.tube_pitch) * self.face * self.depth

    @cached_property
    def tube_area(self) -> Array:
        """Tube surface left bare between fins [m2]."""
        fin = self.fin
        bare = 1.0 - as_array(fin.fin_thickness) / fin.fin_pitch
        return 2.0 / as_array(fin.tube_pitch) * bare * self.face * self.depth

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
        return across / self.fin.tube_pitch * self.rows / self.passes

    @cached_property
    def _passage(self) -> tuple[Array, Array]:
        high = as_array(self.fin.tube_height) - 2.0 * as_array(self.wall)
        gap = 0.0015  # m between rows, common practice
        wide = (as_array(self.depth) - gap * (as_array(self.rows) - 1.0)) / self.rows - 2.0 * as_array(self.wall)
        return high, wide

    @cached_property
    def aspect(self) -> Array:
        """Short over long side of a tube's passage."""
        high, wide = self._passage
        return high / wide

    @cached_property
    def hydraulic_diameter(self) -> Array:
        """Of a tube's passage [m]: four areas over the wetted perimeter."""
        high, wide = self._passage
        return 2.0 * high * wide / (high + wide)

    @cached_property
    def coolant_area(self) -> Array:
        """Flow area of one pass [m2]."""
        high, wide = self._passage
        return high * wide * self.tubes_in_pass

    @cached_property
    def coolant_surface(self) -> Array:
        """Inside surface of all tubes [m2]."""
        high, wide = self._passage
        return 2.0 * (high + wide) * self.tube_length * self.tubes_in_pass * self.passes


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
    least = 1.2 * FACE_VELOCITY_MIN * core.face
    m = np.maximum(np.abs(as_array(mass_flow)), least)
    g = m / (core.sigma * core.face)
    re = g * core.fin.louvre_pitch / air.viscosity(film_temperature)
    # Below the fitted range j is held, which leaves h falling in proportion to the flow.
    h = j_factor * j_chang_wang(re, core.fin) * g * air.CP_AIR * PRANDTL_AIR ** (-2.0 / 3.0)
    eta = fin_efficiency(h, core.fin, core.conductivity)
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
    re = g * core.fin.louvre_pitch / air.viscosity(film_temperature)
    f = f_factor * f_chang(re, core.fin, dh)
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
    low, high = (
        pressure_drop(core, u, density_in, density_out, film_temperature, f_factor) for u in (FIT_LOW, FIT_HIGH)
    )
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
    nu = nusselt_flat_tube(re, cp * mu / k, core.aspect, d / core.tube_length)
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
    series; ``Q = eps Cmin (Tin - Tair)``. Multi-pass cores side by side: the tubes of a pass are
    fewer, the air of the passes is in parallel; the mean over passes is taken as one exchanger.
    """
    wall = as_array(core.wall) / (as_array(core.conductivity) * core.coolant_surface)
    ua = ageing / (1.0 / airs.conductance + wall + 1.0 / fluid.conductance)
    least = np.minimum(airs.capacity_rate, fluid.capacity_rate)
    most = np.maximum(airs.capacity_rate, fluid.capacity_rate)
    ntu = ua / least
    eps = crossflow_unmixed_mason(ntu, least / most)
    return Shed(eps * least * (as_array(temperature_in) - air_in), ua, ntu, eps)
