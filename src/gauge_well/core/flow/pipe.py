"""Pipe friction, fittings and orifices."""

from __future__ import annotations

import numpy as np

from gauge_well.core.media.air import GRAVITY
from gauge_well.core.typing import Array, Value, as_array
from gauge_well.core.validity import Range

DRAWN_TUBE_ROUGHNESS = 1.5e-6  # m, crane410
ROUGHNESS_RANGE = Range(
    "Roughness over bore of the pipe",
    0.0,
    0.05,
    "churchill1977",
    above="So rough that its loss is a guess: clean it, or measure the back pressure.",
)


def friction_factor_churchill(reynolds: Value, relative_roughness: Value) -> Array:
    """Darcy friction factor, laminar to turbulent in one continuous form (churchill1977).

    Parameters
    ----------
    reynolds : float or array
        Above 0; clipped at 1e-3.
    relative_roughness : float or array
        Roughness over bore, 0 to 0.05.
    """
    re = np.maximum(as_array(reynolds), 1e-3)
    with np.errstate(over="ignore"):
        a = (2.457 * np.log(1.0 / ((7.0 / re) ** 0.9 + 0.27 * as_array(relative_roughness)))) ** 16
        b = (37530.0 / re) ** 16
        return np.asarray(8.0 * ((8.0 / re) ** 12 + (a + b) ** -1.5) ** (1.0 / 12.0))


def bore_area(bore: Value) -> Array:
    """Area [m2] of a round bore [m]."""
    return np.pi / 4.0 * as_array(bore) ** 2


def gravity_flow(bore: Value, slope: Value, viscosity: Value) -> Array:
    """Flow [m3/s] a full bore lets down by its weight alone, laminar: ``pi g sin(th) D^4 / (128 nu)``.

    Hagen-Poiseuille (incropera2007, ch. 8) with the fall as the pressure.

    Parameters
    ----------
    bore : float or array
        [m].
    slope : float or array
        Angle below the level [rad], 0 to pi / 2.
    viscosity : float or array
        Kinematic [m2/s].
    """
    return np.asarray(np.pi * GRAVITY * np.sin(slope) * as_array(bore) ** 4 / (128.0 * as_array(viscosity)))


def pressure_drop(
    volume_flow: Value,
    bore: Value,
    length: Value,
    density: Value,
    viscosity: Value,
    loss_factor: Value = 0.0,
    roughness: Value = DRAWN_TUBE_ROUGHNESS,
    slow_factor: float = 0.0,
) -> Array:
    """Pressure drop [Pa] of a line: Darcy-Weisbach with fittings.

    Parameters
    ----------
    volume_flow : float or array
        [m3/s], either sign.
    bore, length : float or array
        [m].
    density, viscosity : float or array
        [kg/m3], kinematic [m2/s].
    loss_factor : float or array
        Sum of K on the line's own dynamic head (crane410).
    slow_factor : float
        What fittings lose over and above in slow thick flow, ``K + K1 / Re`` (hooper1981).
    """
    q, d = as_array(volume_flow), as_array(bore)
    speed = q / bore_area(d)
    reynolds = np.abs(speed) * d / as_array(viscosity)
    factor = friction_factor_churchill(reynolds, as_array(roughness) / d)
    head = 0.5 * as_array(density) * speed * np.abs(speed)
    fittings = as_array(loss_factor) + slow_factor / np.maximum(reynolds, 1e-3)
    return (factor * as_array(length) / d + fittings) * head


def orifice_flow(pressure: Value, area: Value, density: Value, coefficient: Value = 0.62) -> Array:
    """Volume flow [m3/s] through a sharp hole: ``Cd A sqrt(2 dp / rho)`` (crane410)."""
    dp = as_array(pressure)
    speed = np.sign(dp) * np.sqrt(2.0 * np.abs(dp) / as_array(density))
    return np.asarray(as_array(coefficient) * as_array(area) * speed)
