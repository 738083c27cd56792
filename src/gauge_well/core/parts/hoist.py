"""A hoist or engine crane: what its plate allows at each reach, and how far it reaches here."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import Kind, Way, quantity, table
from gauge_well.core.typing import Value

GROUP = "Hoist"


@dataclass(frozen=True)
class HoistFacts:
    """A hoist by its plate. SI."""

    plate: tuple[tuple[float, ...], ...] | None = table(
        "Its plate: reach and weight",
        (("reach", "length"), ("allows", "mass")),
        needed=True,
        group=GROUP,
        help="One hole of the boom a line, as `0.9 m, 500 kg`. Between two holes the farther one counts.",
        spread="exact",
        rows=8,
    )
    reach: Value | None = quantity(
        "Reach here",
        "length",
        0.05,
        12.0,
        needed=True,
        group=GROUP,
        help="From its mast or post to the hook, the legs under the machine.",
    )
    highest: Value | None = quantity("Hook's highest place over the floor", "height", 0.2, 20.0, group=GROUP)


WAYS: Mapping[str, Way] = {
    "plate": Way("papers", "The plate on its boom."),
    "reach": Way("above", "Mast to hook, along the floor, the legs as far in as they go."),
    "highest": Way("above", "Floor to the hook, the boom up."),
}

HOIST = Kind("hoist", "Hoist", HoistFacts, WAYS)
