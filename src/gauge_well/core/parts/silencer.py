"""A silencer."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import Kind, choice
from gauge_well.core.parts.pipe import PIECES

SILENCERS: Mapping[str, tuple[str, float]] = {
    "none": ("none", 0.0),
    "straight": ("straight-through", PIECES["straight"].loss),
    "chambered": ("louvred or chambered", PIECES["chambered"].loss),
    "reversed": ("reversed flow", PIECES["reversed"].loss),
}


@dataclass(frozen=True)
class SilencerFacts:
    """What kind it is."""

    type: str = choice("Silencer", {k: v[0] for k, v in SILENCERS.items()}, group="Pipe")


SILENCER = Kind("silencer", "Silencer", SilencerFacts, {})
