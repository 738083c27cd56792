"""A gearbox's outside with its bell, taken by tape from the bell's face."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import YES_NO, Kind, Way, choice, quantity
from gauge_well.core.typing import Value

GROUP = "Gearbox"


@dataclass(frozen=True)
class GearcaseFacts:
    """Bell and case. SI; along the crank from the bell's face, across and upright from its line."""

    there: str = choice("Gearbox on the engine", YES_NO, group=GROUP)
    bell_length: Value = quantity("Bell's length", "length", 0.0, 1.0, group=GROUP, when=("there", ("yes",)))
    length: Value = quantity(
        "Gearbox behind the bell", "length", 0.02, 3.0, group=GROUP, help="To its rear face.", when=("there", ("yes",))
    )
    half: Value = quantity("Half its width", "length", 0.02, 1.0, group=GROUP, when=("there", ("yes",)))
    up: Value = quantity("Crank's line to its top", "length", 0.0, 1.0, group=GROUP, when=("there", ("yes",)))
    down: Value = quantity("Crank's line to its underside", "length", 0.0, 1.0, group=GROUP, when=("there", ("yes",)))
    tail: Value = quantity(
        "Tail's half width", "length", 0.02, 1.0, group=GROUP, help="At its rear end.", when=("there", ("yes",))
    )
    spigot: Value = quantity(
        "Draws back to come off",
        "length",
        0.0,
        0.6,
        group=GROUP,
        help="Input shaft and dowels: a manual's shaft and 20 mm, an automatic's dowels and 10.",
        when=("there", ("yes",)),
    )


WAYS: Mapping[str, Way] = {
    "bell_length": Way("stand", "Bell's face to the case behind it."),
    "length": Way("stand", "Case behind the bell to the rear flange."),
    "half": Way("stand", "Half the width at its widest, selector and lines too."),
    "up": Way("stand", "From the input shaft's centre up to the highest place, selector too."),
    "down": Way("stand", "From the input shaft's centre down to the lowest place, mount too."),
    "tail": Way("stand", "Half the width of the rear end."),
    "spigot": Way("stand", "Bell's face to the input shaft's tip."),
}

GEARCASE = Kind("gearcase", "Gearbox's outside", GearcaseFacts, WAYS)
