"""Wire by its size: resistance, amps it bears, fuses sold."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.typing import Array, Value, as_array

# Area [mm2] -> most resistance at 20 degC [mohm/m] (iso6722), and amps of one alone, insulation good for 105 degC (iso10133 class).
METRIC: Mapping[float, tuple[float, float]] = {
    0.5: (37.1, 12.0),
    0.75: (24.7, 16.0),
    1.0: (18.5, 20.0),
    1.5: (12.7, 25.0),
    2.5: (7.60, 35.0),
    4.0: (4.71, 45.0),
    6.0: (3.14, 60.0),
    10.0: (1.82, 90.0),
    16.0: (1.16, 130.0),
    25.0: (0.743, 170.0),
    35.0: (0.527, 210.0),
    50.0: (0.368, 270.0),
    70.0: (0.259, 330.0),
    95.0: (0.196, 390.0),
}
# AWG -> area [mm2] (astm b258), amps (abyc e-11 class).
AWG: Mapping[str, tuple[float, float]] = {
    "16 AWG": (1.31, 25.0),
    "14 AWG": (2.08, 35.0),
    "12 AWG": (3.31, 45.0),
    "10 AWG": (5.26, 60.0),
    "8 AWG": (8.37, 80.0),
    "6 AWG": (13.3, 120.0),
    "4 AWG": (21.1, 160.0),
    "2 AWG": (33.6, 210.0),
    "1 AWG": (42.4, 245.0),
    "1/0 AWG": (53.5, 285.0),
    "2/0 AWG": (67.4, 330.0),
}
SIZES = np.array(list(METRIC))
_MOHM = np.array([row[0] for row in METRIC.values()])
_AMPS = np.array([row[1] for row in METRIC.values()])
RISE = 3.93e-3  # of its resistance for each kelvin (iec60028)
WARM = 353.15  # K that a loaded wire in a warm place stands at (common practice)
FUSES: Sequence[float] = (
    1,
    2,
    3,
    5,
    7.5,
    10,
    15,
    20,
    25,
    30,
    40,
    50,
    60,
    70,
    80,
    100,
    125,
    150,
    175,
    200,
    225,
    250,
    300,
    400,
    500,
)
LOADED = 0.75  # of its figure that a fuse carries for good (common practice)
FUSE_WITHIN = 0.18  # m of wire from its source (common practice, abyc e-11)


@dataclass(frozen=True)
class Place:
    """Where a wire lies: share of its amps that it bears there (common practice)."""

    label: str
    share: float


PLACES: Mapping[str, Place] = {
    "cabin": Place("cabin or open air", 1.0),
    "engine": Place("engine space", 0.85),
    "hot": Place("by the exhaust, shielded", 0.6),
}
BUNDLES: Sequence[tuple[float, float]] = (
    (1.0, 1.0),
    (2.0, 0.8),
    (3.0, 0.7),
    (6.0, 0.6),
    (24.0, 0.5),
)  # most wires, share


def per_metre(area: Value, temperature: Value = WARM) -> Array:
    """Resistance of a metre [ohm/m] of a wire of an area [m2] at a temperature [K]; between sizes as their copper goes."""
    size = as_array(area) * 1e6
    # Of one conductor's copper: resistance times area hardly moves from size to size.
    rho = np.interp(size, SIZES, _MOHM * SIZES)
    return np.asarray(rho / size * 1e-3 * (1.0 + RISE * (as_array(temperature) - 293.15)))


def bundled(count: Value) -> Array:
    """Share of its amps that a wire bears among so many loaded ones."""
    most = np.array([row[0] for row in BUNDLES])
    shares = np.array([row[1] for row in BUNDLES])
    return np.asarray(shares[np.minimum(np.searchsorted(most, as_array(count) - 1e-9), len(shares) - 1)])


def bears(area: Value, place: str, count: Value) -> Array:
    """Amps that a wire of an area [m2] bears where it lies, among so many; between sizes straight in logarithms."""
    size = np.log(np.maximum(as_array(area) * 1e6, 1e-3))
    alone = np.exp(np.interp(size, np.log(SIZES), np.log(_AMPS)))
    return np.asarray(alone * PLACES[place].share * bundled(count))


def gauge_bears(name: str, place: str, count: Value) -> Array:
    """The same of a gauge, by its own table."""
    return np.asarray(AWG[name][1] * PLACES[place].share * bundled(count))


def fuses(low: float, high: float) -> list[float]:
    """Fuses sold between two figures [A]."""
    return [f for f in FUSES if low - 1e-9 <= f <= high + 1e-9]
