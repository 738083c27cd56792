"""A gearbox that might be fitted: its ratios, what may go into it, the axle behind it."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import Kind, Way, quantity, table, text
from gauge_well.core.typing import Value

GROUP = "Gearbox"


@dataclass(frozen=True)
class GearsetFacts:
    """Ratios, final drive and tyre where they go with it. SI."""

    called: str | None = text("Called", group=GROUP)
    ratios: tuple[tuple[float, ...], ...] | None = table("Gear ratios", (("ratio", "ratio"),), needed=True, group=GROUP, help="One a line, first gear first.", spread="exact")  # fmt: skip
    low: Value = quantity("Low range", "ratio", 1.0, 10.0, group=GROUP, spread="exact", help="1: none.")
    final: Value | None = quantity("Final drive with it", "ratio", 0.5, 60.0, group=GROUP, spread="exact")
    tyre: Value | None = quantity("Tyre with it", "length", 0.15, 3.0, group=GROUP)
    rating: Value | None = quantity("Torque it may be given", "torque", 10.0, 5e4, group=GROUP)
    length: Value | None = quantity("Bell's face to its tail", "length", 0.1, 3.0, group=GROUP)
    mass: Value | None = quantity("Weighs", "mass", 3.0, 1500.0, group=GROUP)


WAYS: Mapping[str, Way] = {
    "low": Way("papers", "Its plate, or turns counted."),
    "final": Way("papers", "Teeth counted, or turns of the shaft for one of the wheels."),
    "tyre": Way("under", "One turn of the wheel rolled along the floor, divided by 3.14."),
    "rating": Way("papers", "Its maker's sheet."),
    "length": Way("hand", "Rule along it."),
    "mass": Way("hand", "Scales under both ends."),
}

GEARSET = Kind("gearset", "Gearbox to compare", GearsetFacts, WAYS)
