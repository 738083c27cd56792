"""A hose over a spigot: how far it may be stretched, how loose a clamp still takes up."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.typing import Array, Value, as_array

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
