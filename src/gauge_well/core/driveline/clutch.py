"""A clutch: what it holds."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

import numpy as np

from gauge_well.core.typing import Array, Value, as_array


@dataclass(frozen=True)
class Lining:
    """What faces a disc: its name and its friction, warm (common practice)."""

    label: str
    friction: float


LININGS: Mapping[str, Lining] = {
    "organic": Lining("organic", 0.30),
    "kevlar": Lining("aramid", 0.32),
    "puck": Lining("metal pucks", 0.40),
}


def holds(faces: Value, friction: Value, clamp: Value, outside: Value, inside: Value) -> Array:
    """Torque [N m] a worn-in clutch holds: ``faces mu F (Do + Di) / 4``, wear even (shigley2004, ch. 16)."""
    return np.asarray(as_array(faces) * friction * clamp * (as_array(outside) + inside) / 4.0)
