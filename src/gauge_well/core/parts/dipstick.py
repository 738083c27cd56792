"""A dipstick: where it enters and how it leans."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import Kind, Way, quantity
from gauge_well.core.typing import Value


@dataclass(frozen=True)
class DipstickFacts:
    """Its seat, its lean, and what it showed. SI; engine axes, x from the pan's flywheel end, heights over the rail."""

    x: Value | None = quantity("Stick's seat from the flywheel end", "height", -0.5, 2.5, needed=True, group="Dipstick")
    y: Value | None = quantity(
        "Seat off centre, left", "height", -1.0, 1.0, group="Dipstick", help="In the middle where nothing is said."
    )
    seat: Value | None = quantity("Seat over the rail", "height", -0.2, 1.5, needed=True, group="Dipstick")
    lean_front: Value | None = quantity(
        "Leans, its foot to the front", "angle", -1.2, 1.2, group="Dipstick", help="Upright where nothing is said."
    )
    lean_left: Value | None = quantity(
        "Leans, its foot to the left", "angle", -1.2, 1.2, group="Dipstick", help="Upright where nothing is said."
    )
    between: Value | None = quantity(
        "Between its marks", "volume", 1e-4, 0.01, group="Dipstick", help="A litre where nothing is said."
    )
    wetted: Value | None = quantity(
        "Seat to oil, filled and waited",
        "length",
        0.02,
        2.0,
        group="Dipstick",
        help="Pour the full quantity, wait ten minutes, read.",
    )


WAYS: Mapping[str, Way] = {
    "x": Way("stand", "From the flywheel end of the rail to the stick's seat, along the engine."),
    "y": Way("stand", "From the middle line to the seat, across."),
    "seat": Way("stand", "From the rail up to where the stick's stop rests."),
    "lean_front": Way("stand", "An inclinometer on the tube, seen from the side; the engine level."),
    "lean_left": Way("stand", "An inclinometer on the tube, seen from the end; the engine level."),
    "between": Way("stand", "Pour from the low mark to the full one from a measuring glass."),
    "wetted": Way("above", "Filled by measure, ten minutes later: from the stop to the wet edge."),
}

DIPSTICK = Kind("dipstick", "Dipstick", DipstickFacts, WAYS)
