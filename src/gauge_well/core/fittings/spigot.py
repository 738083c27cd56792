"""A hose over a spigot: how far it may be stretched, how loose a clamp still takes up."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.typing import Array, Value, as_array

# Spigots of tees, joiners and reducers as they are sold [mm] (common practice).
SOLD = (4.0, 5.0, 6.0, 8.0, 10.0, 12.0, 13.0, 16.0, 19.0, 22.0, 25.0, 28.0, 30.0, 32.0, 35.0, 38.0, 40.0, 42.0, 45.0, 48.0, 50.0, 54.0, 57.0, 60.0, 63.0, 70.0, 76.0, 80.0, 89.0, 102.0)  # fmt: skip
LOOSE = 0.03  # of the spigot that a clamp takes up (common practice)


@dataclass(frozen=True)
class Hose:
    """A kind of hose: its label, by how much of its bore it may be stretched (common practice)."""

    label: str
    stretch: float


HOSES: Mapping[str, Hose] = {
    "rubber": Hose("rubber, with a layer of cord", 0.08),
    "silicone": Hose("silicone, layered", 0.04),
    "fuel": Hose("fuel hose", 0.06),
    "wire": Hose("suction hose with a wire in it", 0.01),
    "bare": Hose("plain tube without cord", 0.20),
}


def stretch(spigot: Value, bore: Value) -> Array:
    """By how much of its bore a hose is stretched; below nought it is loose."""
    spread: Array = as_array(spigot) / bore - 1.0
    return spread


def sold(bore: float, most: float) -> float | None:
    """The spigot sold [m] that sits best in a hose of a bore [m]: stretched least, never looser than a clamp takes up; None where none
    does."""
    fits = [size * 1e-3 for size in SOLD if -LOOSE <= size * 1e-3 / bore - 1.0 <= most]
    return min(fits, key=lambda size: (size < bore, abs(size - bore)), default=None)
