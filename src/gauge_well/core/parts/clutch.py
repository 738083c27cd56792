"""A clutch: disc and cover as they are measured on the bench, what holds, what lets go."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.driveline.clutch import LININGS
from gauge_well.core.facts import Kind, Way, choice, quantity
from gauge_well.core.typing import Value

GROUP = "Clutch"


@dataclass(frozen=True)
class ClutchFacts:
    """Friction faces, clamp, the cover's height and fingers, the disc's hub. SI."""

    outer: Value | None = quantity("Lining's outside", "size", 0.08, 0.45, needed=True, group=GROUP)
    inner: Value | None = quantity("its inside", "size", 0.04, 0.35, group=GROUP, follows="outer")
    clamp: Value | None = quantity(
        "Cover clamps with",
        "force",
        300.0,
        60e3,
        needed=True,
        group=GROUP,
        help="At the disc's own thickness: its maker's sheet.",
    )
    discs: Value = quantity("Discs", "count", 1.0, 4.0, group=GROUP, spread="exact")
    lining: str = choice("Lining", {k: v.label for k, v in LININGS.items()}, group=GROUP)
    friction: Value = quantity("It grips with", "ratio", 0.15, 0.6, group=GROUP, spread="friction")
    height: Value | None = quantity(
        "Friction face to the fingers, bolted down",
        "size",
        0.015,
        0.12,
        group=GROUP,
        spread="gauge",
        help="A new disc under it.",
    )
    release: Value | None = quantity(
        "Bearing must move it", "size", 0.004, 0.03, group=GROUP, help="8 to 12 mm to free the disc."
    )
    force: Value | None = quantity("Force at the bearing to let go", "force", 100.0, 20e3, group=GROUP)
    hub_behind: Value | None = quantity(
        "Friction face to the hub's rear end", "size", -0.02, 0.08, group=GROUP, spread="gauge", help="Rearward."
    )
    hub_long: Value | None = quantity("Hub is long", "size", 0.008, 0.06, group=GROUP, spread="gauge")
    splines: Value | None = quantity("Hub's splines", "count", 4.0, 40.0, group=GROUP, spread="exact")
    bore: Value | None = quantity("Over the hub's splines", "size", 0.01, 0.06, group=GROUP, spread="gauge")


BENCH = "Cover and a new disc bolted to the flywheel on the bench, a straight edge and a depth gauge."
WAYS: Mapping[str, Way] = {
    "outer": Way("hand", "Rule across the lining."),
    "inner": Way("hand", "Rule across the lining's hole."),
    "clamp": Way("papers", "Its maker's sheet, for that disc's thickness."),
    "discs": Way("hand", "Counted."),
    "friction": Way("papers", "Its maker's sheet, warm and worn in."),
    "height": Way("hand", BENCH),
    "release": Way("papers", "Its maker's sheet; or a press on the fingers until the disc is free, plus 1 mm."),
    "force": Way("papers", "Its maker's sheet; or a press with a gauge on the fingers, the most of it."),
    "hub_behind": Way("hand", BENCH),
    "hub_long": Way("hand", "Calliper along the splines."),
    "splines": Way("hand", "Counted, in the hub."),
    "bore": Way("hand", "Calliper across the deepest of its splines."),
}

CLUTCH = Kind("clutch", "Clutch", ClutchFacts, WAYS)
