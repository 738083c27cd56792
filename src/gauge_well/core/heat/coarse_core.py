"""Charge and oil coolers: flat tubes with fins coarser than a radiator's, what an oil cooler of that build conducts, what a charge cooler
does."""

from __future__ import annotations

import numpy as np

from gauge_well.core.heat.effectiveness import crossflow_unmixed_mason
from gauge_well.core.heat.louvred_core import LouvredCore
from gauge_well.core.heat.louvred_fin import LouvredFin
from gauge_well.core.heat.radiator import AGEING, air_side
from gauge_well.core.media.air import CP_AIR, P_SEA_LEVEL, density
from gauge_well.core.typing import Array, Value, as_array

# Fins of a usual charge or oil cooler (common practice): coarser than a radiator's.
FIN_PITCH, FIN_LENGTH, FIN_THICKNESS = 2.0e-3, 8.0e-3, 0.1e-3
LOUVRE_PITCH, LOUVRE_LENGTH, LOUVRE_ANGLE, TUBE_HEIGHT = 1.4e-3, 6.4e-3, 25.0, 3.0e-3
WALL, CONDUCTIVITY = 0.5e-3, 190.0
OIL_CONDUCTIVITY = 0.137  # W/mK of engine oil at 100 degC (incropera2007, app. A)
TURBULATORS = 4.0  # times a smooth tube's laminar exchange: what fills an oil cooler's tubes (common practice)
FILM = 353.15  # K of the air on the fins


def coarse_core(width: Value, height: Value, depth: Value) -> LouvredCore:
    """A cooler's core by its face and depth [m]."""
    fin = LouvredFin(
        fin_pitch=FIN_PITCH,
        fin_length=FIN_LENGTH,
        fin_thickness=FIN_THICKNESS,
        louvre_pitch=LOUVRE_PITCH,
        louvre_length=LOUVRE_LENGTH,
        louvre_angle=LOUVRE_ANGLE,
        tube_height=TUBE_HEIGHT,
        tube_depth=depth,
    )
    return LouvredCore(width, height, depth, 1.0, 1.0, 0.0, WALL, CONDUCTIVITY, fin)


def charge_effectiveness(core: LouvredCore, face_speed: Value, charge_flow: Value) -> Array:
    """Effectiveness of a charge cooler, both streams unmixed (mason1955).

    Parameters
    ----------
    core : LouvredCore
    face_speed : float or array
        Air on its face [m/s].
    charge_flow : float or array
        Charge through it [kg/s].

    Notes
    -----
    Outside fins as :func:`oil_conductance`; inside as much again, such tubes being finned to match (common practice).
    """
    mass = np.maximum(as_array(face_speed), 0.05) * core.face * density(FILM, P_SEA_LEVEL)
    side = air_side(core, mass, FILM)
    charge = np.maximum(as_array(charge_flow), 1e-4) * CP_AIR
    least, most = np.minimum(side.capacity_rate, charge), np.maximum(side.capacity_rate, charge)
    through = crossflow_unmixed_mason(0.5 * AGEING * side.conductance / least, least / most)
    return np.asarray(through * least / charge)


def oil_conductance(core: LouvredCore, face_speed: Value) -> Array:
    """Conductance from oil to air [W/K]: fins (chang1997) and turbulated tubes in series, aged as a radiator.

    Parameters
    ----------
    core : LouvredCore
    face_speed : float or array
        Air on its face [m/s].

    Notes
    -----
    Oil in such tubes is laminar at every speed, so that its side does not go by flow. ``NTU`` on the air side takes its
    capacity into account: ``C (1 - exp(-UA / C))``, the oil's own being several times the air's.
    """
    mass = as_array(face_speed) * core.face * density(FILM, P_SEA_LEVEL)
    side = air_side(core, mass, FILM)
    h = TURBULATORS * core.nusselt_laminar * OIL_CONDUCTIVITY / core.hydraulic_diameter
    both = AGEING / (1.0 / side.conductance + 1.0 / (h * core.coolant_surface))
    return np.asarray(side.capacity_rate * -np.expm1(-both / side.capacity_rate))
