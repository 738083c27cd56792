"""Spaces that hold heat: an engine space with air through it, a draught by its own warmth, a box of electronics."""

from __future__ import annotations

import numpy as np

from gauge_well.core.flow.pipe import orifice_flow
from gauge_well.core.media.air import CP_AIR, GRAVITY, P_SEA_LEVEL, density
from gauge_well.core.typing import Array, Value, as_array

DISCHARGE = 0.6  # of an opening with sharp edges (crane410)
FILM = 13.3  # W/m2K of a box's wall to air, in and out alike, radiation with it (incropera2007, ch. 9)
PLASTIC = 0.2  # W/mK (incropera2007, table A.3)
# Engine space over the air outside, on the move and at rest, where nobody works or states it [K] (common practice).
BAY_MOVING, BAY_STANDING = 15.0, 30.0
SUCTION = 60.0  # Pa that a closed room may stand under the air outside (common practice)


def carried(heat: Value, mass_flow: Value) -> Array:
    """How much air that carries heat [W] away at a flow [kg/s] warms [K]; without end where none flows."""
    flow = as_array(mass_flow)
    return np.asarray(np.where(flow > 0.0, as_array(heat) / (np.where(flow > 0.0, flow, 1.0) * CP_AIR), np.inf))


def both_openings(low: Value, high: Value) -> Array:
    """One opening [m2] that resists as a low and a high one in turn: ``A1 A2 / sqrt(A1^2 + A2^2)``."""
    a, b = as_array(low), as_array(high)
    return np.asarray(a * b / np.sqrt(a**2 + b**2))


def draught(heat: Value, opening: Value, height: Value, ambient: Value) -> tuple[Array, Array]:
    """Air that heat moves by itself between a low and a high opening: (how much it warms [K], flow [kg/s]).

    Parameters
    ----------
    heat : float or array
        [W].
    opening : float or array
        Both openings as one [m2].
    height : float or array
        Between them [m].
    ambient : float or array
        [K].

    Notes
    -----
    ``V = Cd A sqrt(2 g h dT / T)`` and ``Q = rho cp V dT``, so that dT goes with the two thirds' power of the heat
    (incropera2007, ch. 9, the stack's balance).
    """
    t = as_array(ambient)
    rate = (
        density(t, P_SEA_LEVEL) * CP_AIR * DISCHARGE * as_array(opening) * np.sqrt(2.0 * GRAVITY * as_array(height) / t)
    )
    warms = (np.maximum(as_array(heat), 0.0) / rate) ** (2.0 / 3.0)
    return np.asarray(warms), np.asarray(as_array(heat) / (CP_AIR * np.maximum(warms, 1e-9)))


def box_conductance(area: Value, wall: Value = 0.0, fan: Value = 0.0, around: Value = 300.0) -> Array:
    """What a box gives away for each kelvin [W/K]: through its wall, two films in series with a plastic wall between, and by
    the air a fan or its vents move.

    Parameters
    ----------
    area : float or array
        Outside [m2].
    wall : float or array
        Of plastic [m]; nought of metal.
    fan : float or array
        Air through it [m3/s].
    around : float or array
        Air round it [K].
    """
    through = as_array(area) / (2.0 / FILM + as_array(wall) / PLASTIC)
    return np.asarray(through + density(around, P_SEA_LEVEL) * CP_AIR * as_array(fan))


def room_opening(flow: Value, temperature: Value) -> Array:
    """Opening [m2] through which a flow [kg/s] enters a closed room with 60 Pa across it: ``V/(Cd sqrt(2 dp/rho))``."""
    rho = density(temperature, P_SEA_LEVEL)
    return np.asarray(as_array(flow) / rho / orifice_flow(SUCTION, 1.0, rho, DISCHARGE))
