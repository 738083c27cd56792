"""A wire: how long one way, of what size."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

import numpy as np

from gauge_well.core.facts import Kind, Way, need, quantity
from gauge_well.core.typing import Array, Value, as_array

# ohm m at 20 degC, and its rise for each kelvin (iec60028); what joints and plugs add (common practice).
COPPER, COPPER_RISE, JOINTS = 1.724e-8, 3.93e-3, 1.03


@dataclass(frozen=True)
class WireFacts:
    """One run of wire. SI."""

    length: Value | None = quantity("Wire, one way", "length", 0.1, 40.0, group="Wiring")
    area: Value | None = quantity("Wire size", "wire_area", 0.2e-6, 100e-6, group="Wiring")


WAYS: Mapping[str, Way] = {
    "length": Way("under", "Along the loom from battery to pump."),
    "area": Way("hand", "Calliper on the bared strands' bundle; or read the sheath."),
}

WIRE = Kind("wire", "Wire", WireFacts, WAYS)


def resistance(wire: WireFacts, temperature: Value, place: str) -> Array:
    """Resistance there and back [ohm] at a temperature [K]: ``rho 2 L / A``, copper (iec60028).

    MissingFact names what is not known of the wire in its ``place``.
    """
    resistivity = COPPER * (1.0 + COPPER_RISE * (as_array(temperature) - 293.15)) * JOINTS
    length, area = need(wire.length, f"{place}.length"), need(wire.area, f"{place}.area")
    return np.asarray(2.0 * resistivity * as_array(length) / area)
