"""A shaft between two joints: how it runs, its tube, how it slides."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.driveline.shaft import STEELS
from gauge_well.core.facts import Kind, Way, choice, quantity
from gauge_well.core.typing import Value

GROUP = "Shaft"
LINES: Mapping[str, str] = {"rear": "the rear axle", "front": "the front axle"}


@dataclass(frozen=True)
class PropshaftFacts:
    """Angles by an inclinometer, from gearbox to axle; tube; slip. SI."""

    line: str = choice("Drives", LINES, group=GROUP)
    length: Value | None = quantity("Joint to joint", "length", 0.1, 4.0, needed=True, group=GROUP)
    falls: Value | None = quantity("Falls along its way by", "angle", -0.8, 0.8, needed=True, group=GROUP, help="From the gearbox on; rising is minus.")  # fmt: skip
    bears_left: Value = quantity("In plan it bears left by", "angle", -0.8, 0.8, group=GROUP, help="From the gearbox on; right is minus.")  # fmt: skip
    forks: Value = quantity("Its forks are out of line by", "angle", 0.0, 1.58, group=GROUP, help="Arrows or flats at both ends in line: none.")  # fmt: skip
    tube: Value | None = quantity("Tube across", "size", 0.015, 0.2, group=GROUP, spread="gauge")
    wall: Value | None = quantity("its wall", "size", 0.0005, 0.1, group=GROUP, follows="tube", spread="gauge", help="Half the tube where it is solid.")  # fmt: skip
    steel: str = choice("Steel", {k: v.label for k, v in STEELS.items()}, group=GROUP)
    joint_most: Value = quantity("Its joints bend, at most", "angle", 0.02, 0.9, group=GROUP)
    up: Value | None = quantity("Axle end rises to the stop by", "length", 0.0, 0.6, group=GROUP)
    down: Value | None = quantity("and drops by", "length", 0.0, 0.6, group=GROUP, follows="up")
    slides_in: Value | None = quantity("As it stands it can slide in by", "size", 0.0, 0.4, group=GROUP)
    spline: Value | None = quantity("Spline's whole length", "size", 0.01, 0.4, group=GROUP)
    engaged: Value | None = quantity("of it engaged as it stands", "size", 0.0, 0.4, group=GROUP, follows="spline")


CLIP = "An inclinometer on the tube or on a bar across its joint, the machine laden on its wheels."
WAYS: Mapping[str, Way] = {
    "length": Way("under", "Middle of one cross to the middle of the other, laden."),
    "falls": Way("under", CLIP),
    "bears_left": Way("under", "Plumb both joints to the floor: how far sideways over how far along."),
    "forks": Way("under", "Inclinometer on one fork's cap, then on the other's, the shaft not turned."),
    "tube": Way("under", "Calliper."),
    "wall": Way("papers", "Its maker's sheet, or a cut end."),
    "joint_most": Way("hand", "Bend it until it binds, an inclinometer on the fork."),
    "up": Way("under", "Rule at the axle, laden, to the bump stop's rubber half squeezed."),
    "down": Way("under", "Rule at the axle, laden, then with the wheels hanging."),
    "slides_in": Way("under", "Chalk at the seal, push it in until it stops."),
    "spline": Way("hand", "Calliper along the teeth."),
    "engaged": Way("under", "Its whole length less what shows at the seal as it stands."),
}

PROPSHAFT = Kind("propshaft", "Shaft", PropshaftFacts, WAYS)
