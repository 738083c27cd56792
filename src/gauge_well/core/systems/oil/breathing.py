"""What blows by the rings, and the pressure at which it leaves the crankcase."""

from __future__ import annotations

import numpy as np

from gauge_well.core.engine.model import Operation
from gauge_well.core.flow.pipe import bore_area, pressure_drop
from gauge_well.core.media import air
from gauge_well.core.systems.oil.facts import OilFacts
from gauge_well.core.typing import Array, as_array

BLOW_BY, WORN = 0.008, 3.0  # of the air breathed, 0.5 to 1 %; a worn engine two to three times (common practice)
HOT = 353.15  # K of what leaves the crankcase
LOSS = 8.0  # K of baffle, bends and filter where nobody says, 3 to 15 (common practice)
CRANKCASE_MOST = 1e3  # Pa gauge, worn, at full load (common practice)
CAN_SPEED = 0.4  # m/s in a catch can, from which drops are carried on (common practice)


def density() -> float:
    """Of what leaves the crankcase [kg/m3]: hot air."""
    return float(air.density(HOT, air.P_SEA_LEVEL))


def blow_by(facts: OilFacts, operation: Operation, worn: bool) -> Array:
    """Gas past the rings [m3/s], hot: as measured, else a share of the air breathed."""
    if facts.blow_by is not None:
        return as_array(facts.blow_by)
    share = BLOW_BY * (WORN if worn else 1.0)
    return np.asarray(share * operation.air_mass_flow / density())


def crankcase(facts: OilFacts, flow: Array) -> Array | None:
    """Crankcase over the air outside [Pa]: ``(f L/D + K) rho u^2/2`` through the breather (churchill1977).

    None where the hose is not known.
    """
    hose = facts.breather
    if hose.bore is None:
        return None
    length = 1.0 if hose.length is None else hose.length
    loss = LOSS if hose.loss is None else hose.loss
    thick = air.viscosity(HOT) / density()
    return pressure_drop(flow, hose.bore, length, density(), thick, as_array(loss) + 1.0)


def can_speed(facts: OilFacts, flow: Array) -> Array | None:
    """Speed of the gas up a catch can [m/s]; None where there is none."""
    return None if facts.catch_can is None else np.asarray(flow / bore_area(facts.catch_can))
