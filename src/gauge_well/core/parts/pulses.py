"""A speed signal: teeth that pass a pick-up, and what the speedometer wants."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import Kind, Way, choice, quantity
from gauge_well.core.typing import Value

FROM: Mapping[str, str] = {
    "shaft": "a ring on the shaft, before the final drive",
    "gearbox": "the gearbox's own, before the final drive",
    "hub": "a ring at the wheel, the brake unit's",
}
GROUP = "Speed signal"


@dataclass(frozen=True)
class PulsesFacts:
    """Teeth, where, gearing, tyre, what is wanted, the divider. SI."""

    teeth: Value | None = quantity(
        "Teeth, or pulses a turn", "count", 1.0, 200.0, needed=True, group=GROUP, spread="exact"
    )
    source: str = choice("Taken from", FROM, group=GROUP)
    final: Value | None = quantity("Turns of it to one of the wheel", "ratio", 0.2, 20.0, group=GROUP, spread="exact")  # fmt: skip
    radius: Value | None = quantity(
        "Tyre's rolling radius", "length", 0.1, 1.5, group=GROUP, help="Road of one turn, over 6.283."
    )
    wants: Value | None = quantity(
        "Speedometer wants, pulses a km", "count", 50.0, 200000.0, group=GROUP, spread="exact"
    )
    times: Value = quantity("Converter gives", "count", 1.0, 4096.0, group=GROUP, spread="exact")
    by: Value = quantity("for so many in", "count", 1.0, 4096.0, group=GROUP, spread="exact", follows="times")  # fmt: skip


WAYS: Mapping[str, Way] = {
    "teeth": Way("under", "Counted; or a lamp on the pick-up, one turn by hand."),
    "radius": Way("under", "Rolled along the floor, laden: road of ten turns over 62.83."),
    "wants": Way("papers", "On its dial or in its papers."),
}

PULSES = Kind("pulses", "Speed signal", PulsesFacts, WAYS)
