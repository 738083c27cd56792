"""An accumulator: oil kept under gas, given back when the pressure falls."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

import numpy as np

from gauge_well.core.facts import Kind, Way, quantity
from gauge_well.core.media.air import P_SEA_LEVEL
from gauge_well.core.typing import Array, Value, as_array

SLOW, FAST = 1.0, 1.4  # exponent of the gas: given back over minutes, or in a second or two (incropera2007, ch. 1)


@dataclass(frozen=True)
class AccumulatorFacts:
    """Its whole volume, its gas before any oil is in, and the pressure under which what it gives serves no more. SI."""

    volume: Value | None = quantity("Accumulator's volume", "volume", 1e-4, 0.02, needed=True, group="Accumulator")
    precharge: Value | None = quantity("Charged with gas to", "pressure_gauge", 0.0, 1e6, group="Accumulator")
    spent: Value | None = quantity(
        "Spent at", "pressure_gauge", 2e4, 8e5, group="Accumulator", help="Least pressure that still serves."
    )


WAYS: Mapping[str, Way] = {
    "volume": Way("papers", "Its plate or sheet; or its inside, length by bore."),
    "precharge": Way("hand", "A tyre gauge on its gas valve, drained of oil."),
    "spent": Way("papers", "Its maker's, or what the bearings want at the speeds of a bend."),
}

ACCUMULATOR = Kind("accumulator", "Oil accumulator", AccumulatorFacts, WAYS)


def oil_given(volume: Value, precharge: Value, high: Value, low: Value, exponent: float) -> Array:
    """Oil it gives from one pressure down to another [m3]: ``V p0/p1 ((p1/p2)^(1/n) - 1)``, the gas law.

    Parameters
    ----------
    volume : float or array
        Whole [m3].
    precharge, high, low : float or array
        Gauge [Pa]: of the gas alone, charged, spent. Nothing is given where it is spent under its gas or over what
        charges it; below its own gas it holds no oil.
    exponent : float
        Polytropic, :data:`SLOW` to :data:`FAST`.
    """
    p0, p1, p2 = (as_array(p) + P_SEA_LEVEL for p in (precharge, high, low))
    p1, p2 = np.maximum(p1, p0), np.maximum(p2, p0)
    return np.asarray(as_array(volume) * p0 / p1 * np.maximum((p1 / p2) ** (1.0 / exponent) - 1.0, 0.0))


def oil_held(volume: Value, precharge: Value, high: Value) -> Array:
    """Oil in it when charged [m3]: slow, at its own temperature."""
    p0, p1 = (as_array(p) + P_SEA_LEVEL for p in (precharge, high))
    return np.asarray(as_array(volume) * np.maximum(1.0 - p0 / p1, 0.0))
