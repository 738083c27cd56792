"""A lead battery: open volts, resistance from what its label says it cranks, by temperature."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

import numpy as np

from gauge_well.core.typing import Array, Value, as_array

OPEN = 12.5  # V of one charged and rested (common practice)
FALLS = 12.6 - 7.5  # V that its rating's amps pull it down by, at -18 degC (EN 50342-1)
COLD, WARM = 255.15, 298.15  # K
COOLER = 0.52  # of its resistance at -18 degC that is left at +25 (common practice)
KEPT = 0.5  # of its capacity that a lead battery for starting may give (common practice)


@dataclass(frozen=True)
class Standard:
    """How cranking amps are stated: ``share`` of the same battery's by EN."""

    label: str
    share: float


# EN 50342-1: 7.5 V after 10 s at -18 degC; the others by their volts and seconds (ratios common practice).
STANDARDS: Mapping[str, Standard] = {
    "en": Standard("EN", 1.0),
    "sae": Standard("SAE, CCA", 1.05),
    "din": Standard("DIN", 0.60),
    "iec": Standard("IEC", 0.65),
    "mca": Standard("MCA, at 0 °C", 1.25),
}


def resistance(amps: Value, standard: str, temperature: Value) -> Array:
    """Of one 12 V battery [ohm] at a temperature [K], from its cranking amps: ``(12.6 - 7.5) / I`` at -18 degC, exponential to .52 of
    that at +25."""
    own = FALLS / (as_array(amps) / STANDARDS[standard].share)
    return np.asarray(own * COOLER ** ((as_array(temperature) - COLD) / (WARM - COLD)))
