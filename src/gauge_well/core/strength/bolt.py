"""Bolts: preload, torque, slip, opening, thread (shigley2004, ch. 8; iso898_1)."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

import numpy as np

from gauge_well.core.typing import Array, Value, as_array

# Thread -> diameter [m], stress area [m2] of coarse threads (iso898_1).
THREADS: Mapping[str, tuple[float, float]] = {
    "m6": (6e-3, 20.1e-6),
    "m8": (8e-3, 36.6e-6),
    "m10": (10e-3, 58.0e-6),
    "m12": (12e-3, 84.3e-6),
    "m14": (14e-3, 115e-6),
    "m16": (16e-3, 157e-6),
}
# Grade -> proof stress [Pa] (iso898_1; of 8.8 up to M16).
GRADES: Mapping[str, float] = {"5.8": 380e6, "8.8": 580e6, "10.9": 830e6, "12.9": 970e6}
TAKEN = 0.7  # of proof, to which a bolt is drawn (common practice)
NUT = {"dry": 0.20, "oiled": 0.14}  # T = K F d


@dataclass(frozen=True)
class Thread:
    """What a thread is cut into: diameters of it wanted (common practice)."""

    label: str
    wanted: float


INTO: Mapping[str, Thread] = {
    "nut": Thread("a nut, right through", 0.8),
    "iron": Thread("iron or steel", 1.25),
    "alloy": Thread("light alloy", 2.0),
    "captive": Thread("a captive plate on sheet", 1.0),
}


def preload(thread: str, grade: str) -> float:
    """Force [N] a bolt is drawn to: ``.7 proof As``."""
    return TAKEN * GRADES[grade] * THREADS[thread][1]


def torque(thread: str, grade: str, nut: str = "dry") -> float:
    """Torque [N m] that gives the preload: ``K F d``."""
    return NUT[nut] * preload(thread, grade) * THREADS[thread][0]


def slip_fill(force: Value, count: Value, each: Value, pull: Value, friction: Value) -> Array:
    """A joint's shear [N] against what friction holds: ``F / (mu (n F0 - Ft))``; 9.99 where the pull leaves nothing."""
    clamped = as_array(friction) * (as_array(count) * each - as_array(pull))
    return np.asarray(np.where(clamped > 0.0, as_array(force) / np.where(clamped > 0.0, clamped, 1.0), 9.99))


def prised(force: Value, arm: Value, spread: Value, count: Value) -> Array:
    """Pull [N] in each of the bolts at the far edge, of a force [N] on an arm [m] over bolts ``spread`` [m] apart: half of
    them pull, the bracket's other edge presses."""
    return np.asarray(as_array(force) * arm / (as_array(spread) * 0.5 * as_array(count)))
