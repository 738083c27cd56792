"""Hot gas in a pipe: heat lost on the way, pressure lost, piece by piece."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from gauge_well.core.flow.pipe import bore_area, friction_factor_churchill
from gauge_well.core.heat.tube_side import RE_LAMINAR, nusselt_gnielinski
from gauge_well.core.media import air
from gauge_well.core.typing import Array, Value, as_array
from gauge_well.core.validity import Range

GAMMA = 1.33
PULSATION = 1.6  # on inside heat transfer in an exhaust (heywood1988, ch. 12)
OUTSIDE = 25.0  # W/m2K, air under a moving vehicle (common practice)
EMISSIVITY = 0.8
STEFAN_BOLTZMANN = 5.670374e-8
PRANDTL = 0.71
NEWTON_STEPS = 5
PRESSURE_STEPS = 4
SLOPE_LEAST = 0.2  # keeps a step in hand where the gas nears the speed of sound


BEND_RANGE = Range(
    "Radius over diameter of the bends",
    1.0,
    8.0,
    "crane410",
    below="Tighter bends are counted as that tight: they lose more than said. A mitred or pressed bend counts double.",
    above="Wider bends are counted as that wide; it hardly matters.",
)


def bend_loss_crane(angle: Value, ratio: Value, friction: Value) -> Array:
    """Loss factor of a smooth bend: 90 degree figures ``n f_T`` by radius over diameter, in proportion to angle.

    ``n`` is 20, 14, 12, 12, 14, 17, 24 at ratios 1, 1.5, 2, 3, 4, 6, 8 (crane410); ratios beyond are held.
    """
    n = np.interp(as_array(ratio), [1.0, 1.5, 2.0, 3.0, 4.0, 6.0, 8.0], [20.0, 14.0, 12.0, 12.0, 14.0, 17.0, 24.0])
    return np.asarray(n * as_array(friction) * as_array(angle) / (np.pi / 2.0))


def friction_rough(relative_roughness: Value) -> Array:
    """Darcy friction factor of complete turbulence: ``0.25 / log10((e/D) / 3.7)^2`` (crane410)."""
    return np.asarray(0.25 / np.log10(as_array(relative_roughness) / 3.7) ** 2)


@dataclass(frozen=True)
class HeatLoss:
    """Gas temperature at the end of a piece and its outside surface at the start [K]; heat lost [W]; Reynolds number there;
    resistance from gas to the outside [m2K/W]."""

    end: Array
    surface: Array
    heat: Array
    reynolds: Array
    resistance: Array


def surface_at(gas: Value, resistance: Value, ambient: Value, outside: Value, emissivity: Value = EMISSIVITY) -> Array:
    """Outside of a hot pipe [K]: what comes through its wall is what air and radiation take, by Newton (one root, convex).

    Parameters
    ----------
    gas, ambient : float or array
        [K].
    resistance : float or array
        From the gas to the outside, on the outside [m2K/W].
    outside : float or array
        To the air [W/m2K].
    emissivity : float or array
    """
    t = as_array(ambient + 0.7 * (gas - as_array(ambient)))
    radiates = as_array(emissivity) * STEFAN_BOLTZMANN
    conducts = 1.0 / as_array(resistance) + outside
    driven = gas / as_array(resistance) + outside * as_array(ambient) + radiates * as_array(ambient) ** 4
    for _ in range(NEWTON_STEPS):
        cube = radiates * t * t * t
        t = (driven + 3.0 * cube * t) / (conducts + 4.0 * cube)
    return np.asarray(t)


def lose_heat(
    mass_flow: Array,
    heat_capacity: Array,
    start: Array,
    bore: Value,
    wall: Value,
    length: Value,
    ambient: Array,
    lagging: Value = 0.0,
    emissivity: Value = EMISSIVITY,
) -> HeatLoss:
    """March a piece's heat loss.

    Parameters
    ----------
    mass_flow : array
        [kg/s], of one pipe.
    heat_capacity : array
        [J/kgK].
    start : array
        Gas temperature where it enters [K].
    bore, wall, length : float or array
        [m].
    ambient : array
        [K].
    lagging : float or array
        Resistance of lagging on the outside [m2K/W].
    emissivity : float or array
        Of the outside.

    Notes
    -----
    Inside Gnielinski times 1.6 for the pulsing flow, outside 25 W/m2K and radiation. The outer
    surface's balance is solved by Newton (one root, convex), then the gas falls exponentially towards
    the air: ``T = Ta + (T0 - Ta) exp(-U pi Do L / (m cp))``.
    """
    area = bore_area(bore)
    mu, k = air.viscosity(start), air.conductivity(start)
    re = mass_flow / area * bore / mu
    inner = PULSATION * nusselt_gnielinski(np.maximum(re, RE_LAMINAR), PRANDTL) * k / bore
    outside = as_array(bore) + 2.0 * as_array(wall)
    resistance = outside / (inner * bore) + lagging
    t = surface_at(start, resistance, ambient, OUTSIDE, emissivity)
    flux = (start - t) / resistance
    u = np.maximum(flux / np.maximum(start - ambient, 1e-6), 0.0)
    end = ambient + (start - ambient) * np.exp(-u * np.pi * outside * length / (mass_flow * heat_capacity))
    shed = np.asarray(mass_flow * heat_capacity * (start - end))
    return HeatLoss(np.asarray(end), np.asarray(t), shed, re, np.asarray(resistance))


@dataclass(frozen=True)
class PressureLoss:
    """Pressure at the upstream end of a piece [Pa absolute], mean density, friction factor, speed, Mach number."""

    upstream: Array
    density: Array
    friction: Array
    speed: Array
    mach: Array
    acceleration: Array


def lose_pressure(
    mass_flow: Array,
    warm: Array,
    cool: Array,
    downstream: Array,
    bore: Value,
    length: Value,
    loss: Value,
    roughness: Value,
) -> PressureLoss:
    """March a piece against the flow, from its downstream end.

    ``dp = (f L/D + K) G^2 / (2 rho) + G^2 (1/rho_down - 1/rho_up)``: density at the mean of both ends,
    the second term the gas speeding up or slowing as it cools (incropera2007, ch. 8; momentum balance).
    Newton on the upstream pressure; below the speed of sound it has one root.
    """
    g = mass_flow / bore_area(bore)
    re = g * bore / air.viscosity(0.5 * (warm + cool))
    f = friction_factor_churchill(re, as_array(roughness) / bore)
    rho_down = downstream / (air.R_AIR * cool)
    warmth, drag = air.R_AIR * warm, (f * length / bore + loss) * g**2
    spread, least = g**2 * warmth, 0.2 * downstream
    known = downstream + g**2 / rho_down
    up = downstream + drag / (2.0 * rho_down)
    for _ in range(PRESSURE_STEPS):
        both = up / warmth + rho_down
        dragged, thrust = drag / both, spread / up
        slope = 1.0 + dragged / (warmth * both) - thrust / up
        up = np.maximum(up - (up - known - dragged + thrust) / np.maximum(slope, SLOPE_LEAST), least)
    rho_up = up / warmth
    rho = 0.5 * (rho_up + rho_down)
    acceleration = g**2 * (1.0 / rho_down - 1.0 / rho_up)
    fast = np.maximum(g / rho_up, g / rho_down)
    sound = np.sqrt(GAMMA * air.R_AIR * np.where(g / rho_up > g / rho_down, warm, cool))
    return PressureLoss(
        np.asarray(up), np.asarray(rho), f, np.asarray(fast), np.asarray(fast / sound), np.asarray(acceleration)
    )


def sonic_pressure(mass_flow: Array, temperature: Array, bore: Value) -> Array:
    """Pressure [Pa] at which a flow runs at the speed of sound, ``G sqrt(R T / gamma)``: under it no end of a pipe
    stands, and with less outside it chokes."""
    g = mass_flow / bore_area(bore)
    return np.asarray(g * np.sqrt(air.R_AIR * temperature / GAMMA))
