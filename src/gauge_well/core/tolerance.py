"""How sure a number is: half-range at 95 % by how it is known, and what of the model itself is in doubt.

One table for the whole product. A builder's own tolerance, or the spread of a fact's claims, stands in
place of the table's.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.facts import Spec
from gauge_well.core.typing import Array, Value, as_array, likely

HALF = 1.959963985  # standard deviations in a half-range at 95 %
CUT = 1.5  # half-ranges, beyond which nothing is drawn
EXACT = "exact"
ASKED = "asked"  # exact, for the builder asks it; where nobody did, a supposition as doubtful as its kind


@dataclass(frozen=True)
class Half:
    """Half-range at 95 %: a share of the value, or ``least`` in the fact's SI unit where that is more."""

    share: float = 0.0
    least: float = 0.0

    def of(self, value: Value) -> float:
        """Half-range in SI about a likely value."""
        return max(self.share * abs(likely(value)), self.least)


@dataclass(frozen=True)
class Row:
    """Half-ranges by evidence. ``ratio``: drawn lognormal (positive, by factors), else normal."""

    ratio: bool
    taped: Half
    sheet: Half
    similar: Half
    rule: Half
    guess: Half

    def by(self, evidence: str) -> Half:
        """Half-range for one way of knowing."""
        half: Half = getattr(self, evidence)
        return half


def _ratio(*percent: float) -> Row:
    return Row(True, *(Half(p / 100.0) for p in percent))


def _sum(*steps: float) -> Row:
    return Row(False, *(Half(least=s) for s in steps))


MM = 1e-3
DEGREE = np.pi / 180.0
G = 9.80665

# The product's tolerances. Rows from "gauge" on are ours: what the others leave open.
ROWS: Mapping[str, Row] = {
    EXACT: _ratio(0, 0, 0, 0, 0),
    ASKED: _ratio(0, 0, 0, 0, 0),
    "length": Row(False, Half(0.01, 2 * MM), Half(0.005, 1 * MM), Half(0.05, 5 * MM), Half(0.15), Half(0.30)),
    "area": _ratio(3, 2, 10, 20, 35),
    "volume": _ratio(5, 3, 10, 20, 40),
    "flow": _ratio(5, 5, 15, 30, 50),
    "injector": _ratio(5, 3, 15, 30, 50),
    "pressure": Row(True, Half(0.03, 5e3), Half(0.05), Half(0.15), Half(0.25), Half(0.50)),
    "power": _ratio(4, 5, 10, 20, 30),
    "mass": _ratio(1, 3, 10, 20, 30),
    "temperature": _sum(2, 3, 5, 8, 15),
    "fin_count": _ratio(3, 3, 10, 20, 30),
    "bsfc": _ratio(4, 5, 8, 12, 18),
    "coolant_share": _ratio(8, 10, 15, 20, 30),
    "oil_share": _ratio(8, 10, 15, 35, 50),
    "loss": _ratio(10, 20, 30, 50, 100),
    "angle": _sum(0.5 * DEGREE, 1 * DEGREE, 2 * DEGREE, 4 * DEGREE, 8 * DEGREE),
    "g": _sum(0.05 * G, 0.05 * G, 0.1 * G, 0.2 * G, 0.3 * G),
    "rpm": _ratio(1, 2, 5, 10, 20),
    # A small size taken with a calliper or stamped on the part.
    "gauge": Row(False, Half(0.01, 0.1 * MM), Half(0.005, 0.05 * MM), Half(0.05), Half(0.15), Half(0.30)),
    "ratio": _ratio(3, 5, 8, 10, 15),
    "share": _ratio(5, 5, 10, 15, 30),
    "time": _ratio(5, 10, 15, 20, 30),
    "voltage": _ratio(1, 2, 3, 4, 6),
    "conductance": _ratio(10, 10, 15, 30, 50),
    "speed": _ratio(5, 5, 10, 20, 40),
    "small_pressure": _ratio(5, 5, 15, 25, 50),
    "grade": _ratio(3, 5, 10, 30, 40),
    "stiffness": _ratio(10, 15, 25, 40, 100),
    "friction": _ratio(10, 10, 15, 25, 50),
}
BY_KIND: Mapping[str, str] = {
    **dict.fromkeys(("length", "height", "size", "distance"), "length"),
    **dict.fromkeys(("area", "wire_area"), "area"),
    **dict.fromkeys(("volume", "displacement", "swept"), "volume"),
    **dict.fromkeys(("flow", "flow_fuel", "air_flow", "current"), "flow"),
    "injector_flow": "injector",
    **dict.fromkeys(("pressure_gauge", "pressure_difference", "pressure_absolute"), "pressure"),
    "pressure_small": "small_pressure",
    **dict.fromkeys(("power", "heat", "torque"), "power"),
    **dict.fromkeys(("mass", "mass_small"), "mass"),
    "temperature": "temperature",
    "fin_count": "fin_count",
    "bsfc": "bsfc",
    "angle": "angle",
    "acceleration": "g",
    "speed_rpm": "rpm",
    "ratio": "ratio",
    "share": "share",
    "grade": "grade",
    **dict.fromkeys(("time", "time_short"), "time"),
    "voltage": "voltage",
    "conductance": "conductance",
    "speed": "speed",
    "stiffness": "stiffness",
    "force": "flow",
    "stress": "pressure",
    "frequency": "rpm",
    "resistance": "stiffness",
    "charge": "volume",
}


@dataclass(frozen=True)
class Known:
    """How one fact is known: its evidence, and a half-range that stands in place of the table's."""

    evidence: str
    half: Half | None = None


@dataclass(frozen=True)
class ModelFactor:
    """A doubt of the model itself, kept apart from facts: what it multiplies is drawn up to ``factor`` off."""

    id: str
    label: str
    factor: float


# louvred j 0.85 +-15 %, f half-spread x1.45, ageing 0.9 +-8 %, fan derate 0.75 +-20 %, oil to block +-40 %, oil over a pickup +-50 %; ram as a
# loss factor of a like machine.
MODEL_FACTORS: Sequence[ModelFactor] = (
    ModelFactor("louvred_j", "how well a real core's fins do", 1.15),
    ModelFactor("louvred_f", "what a real core's fins cost the air", 1.45),
    ModelFactor("ageing", "how far a core has aged", 1.08),
    ModelFactor("fan_derate", "what an advertised fan really moves", 1.20),
    ModelFactor("ram", "how much of the wind reaches the core", 1.30),
    ModelFactor("oil_to_block", "how freely oil heat passes to the coolant", 1.40),
    ModelFactor("pickup_cover", "how much oil a pickup wants over it", 1.50),
)


def row_of(spec: Spec) -> Row:
    """Which row of the table a field goes by."""
    return ROWS[spec.spread or BY_KIND.get(spec.kind, EXACT)]


def supposed(spec: Spec) -> Half:
    """Half-range of a value that a rule supplied, where what is asked counts as a supposition too."""
    return ROWS[
        BY_KIND.get(spec.kind, EXACT) if spec.spread == ASKED else spec.spread or BY_KIND.get(spec.kind, EXACT)
    ].rule


def half_of(spec: Spec, known: Known) -> Half:
    """Half-range of a fact: the builder's own, else the table's by how it is known."""
    return known.half if known.half is not None else row_of(spec).by(known.evidence)


def spread(spec: Spec, known: Known, value: float, z: Array) -> Array | None:
    """Samples of a fact about its likely value; None where there is no doubt.

    Parameters
    ----------
    spec : Spec
    known : Known
    value : float
        Likely value, SI.
    z : array
        Standard normal draws, cut at 1.5 half-ranges.

    Notes
    -----
    Normal about the likely value for lengths, angles, temperatures, accelerations; lognormal, with the
    likely value as its median, for what is positive and known by a share of itself. Held to the field's
    range.
    """
    half = half_of(spec, known).of(value)
    if half <= 0.0:
        return None
    drawn = _by_ratio(value, half, z) if row_of(spec).ratio and value > 0.0 else value + half / HALF * z
    return np.minimum(np.maximum(drawn, min(spec.low, value)), max(spec.high, value))


def _by_ratio(value: float, half: float, z: Array) -> Array:
    return np.asarray(value * np.exp(np.log1p(half / value) / HALF * z))


def factor_samples(factor: ModelFactor, z: Array) -> Array:
    """Samples of a model factor about 1."""
    return np.asarray(np.exp(np.log(factor.factor) / HALF * as_array(z)))
