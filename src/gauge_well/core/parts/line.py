"""A line: of fuel, of oil, of coolant."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import Kind, Way, quantity
from gauge_well.core.typing import Value


@dataclass(frozen=True)
class LineFacts:
    """Bore, length, fittings and fall. SI."""

    bore: Value | None = quantity("Line bore", "length", 0.002, 0.06, group="Line", spread="gauge")
    length: Value | None = quantity("Line length", "length", 0.0, 60.0, group="Line")
    loss: Value | None = quantity("Bends and fittings, K", "ratio", 0.0, 200.0, group="Line", spread="loss")
    slope: Value | None = quantity(
        "Falls at",
        "angle",
        0.0,
        1.5708,
        group="Turbo's oil return",
        help="Its flattest run, from level.",
    )


WAYS: Mapping[str, Way] = {
    "bore": Way("hand", "Calliper in a cut end."),
    "length": Way("under", "Along the line from pump to rail."),
    "loss": Way("under", "Count bends and fittings: 0.3 a bend, 1 an elbow, 2 a banjo."),
    "slope": Way("stand", "An inclinometer along the flattest run, as installed."),
}

LINE = Kind("line", "Line or hose", LineFacts, WAYS)
