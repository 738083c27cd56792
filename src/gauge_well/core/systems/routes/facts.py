"""What the routing ledger needs to know."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import Several, Way, quantity, several, ways_of
from gauge_well.core.parts.joint import JOINT, JointFacts
from gauge_well.core.parts.route import ROUTE, RouteFacts
from gauge_well.core.typing import Value

LANES = "Lanes"


@dataclass(frozen=True)
class RoutesFacts:
    """Runs through the machine, joints, and how far its lanes lie apart. SI."""

    apart: Value = quantity(
        "Left lane to the middle",
        "length",
        0.1,
        4.0,
        group=LANES,
        help="Half of what lies between sills, rails or sides.",
    )
    routes: Several[RouteFacts] = several(ROUTE, "Route", row="routes")
    joints: Several[JointFacts] = several(JOINT, "Joint", row="joints")


WAYS: Mapping[str, Way] = ways_of(
    RoutesFacts, {"apart": Way("under", "A tape across between sills, rails or sides, halved.")}
)
