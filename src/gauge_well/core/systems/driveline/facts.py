"""What the driveline needs to know."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import Several, Way, choice, quantity, several, ways_of
from gauge_well.core.parts.gearset import GEARSET, GearsetFacts
from gauge_well.core.parts.halfshaft import HALFSHAFT, HalfshaftFacts
from gauge_well.core.parts.member import MEMBER, MemberFacts
from gauge_well.core.parts.propshaft import PROPSHAFT, PropshaftFacts
from gauge_well.core.systems.driveline import facts_stack
from gauge_well.core.systems.driveline.facts_stack import StackFacts
from gauge_well.core.typing import Value

GEARS, LINES, CARRIES, HEAT = "Gears", "Shafts' ends", "What carries", "Gearbox's oil"


@dataclass(frozen=True)
class Lock:
    """How a differential shares torque: the most of its axle's that one wheel gets (common practice)."""

    label: str
    share: float


LOCKS: Mapping[str, Lock] = {
    "open": Lock("open: both the same", 0.5),
    "slip": Lock("limited slip", 0.7),
    "locked": Lock("locked or welded", 1.0),
}
CENTRES: Mapping[str, str] = {
    "part": "none: the second axle is put in by hand",
    "open": "a differential, open",
    "locked": "a differential, locked",
}
AXLES_OUT: Mapping[str, str] = {"none": "none", "front": "the front one", "rear": "the rear one"}
COOLERS: Mapping[str, str] = {"none": "none", "tank": "in the radiator's tank", "air": "a core in the air"}
_FOUR = ("machine.drive", ("four",))
_COOLED = ("box_cooler", ("tank", "air"))
# What is kept of a clutch over the torque, by school (common practice).
RESERVES: Mapping[str, tuple[str, float]] = {
    "light": ("a fifth: light machine, soft starts", 1.2),
    "road": ("three tenths: road", 1.3),
    "tow": ("a half: towing, hard starts", 1.5),
}
FELT = "An inclinometer on its flange, the machine laden."


@dataclass(frozen=True)
class DrivelineFacts(StackFacts):
    """The stack, gears, shafts, what carries, the gearbox's oil. SI."""

    reserve: str = choice("Clutch holds over the torque", {k: v[0] for k, v in RESERVES.items()}, group=GEARS)
    rating: Value | None = quantity("Gearbox may be given", "torque", 10.0, 5e4, group=GEARS, help="Its maker's most at the input.")  # fmt: skip
    low: Value = quantity("Low range", "ratio", 1.0, 10.0, group=GEARS, spread="exact", help="1: none.")
    driven_to: Value | None = quantity(
        "Driven no faster than", "speed", 3.0, 120.0, group=GEARS, spread="exact", help="Its top speed where open."
    )
    shift: Value = quantity("A change of gear takes", "time", 0.0, 3.0, group=GEARS)
    centre: str = choice("Between the axles", CENTRES, group=GEARS, when=_FOUR)
    axle_out: str = choice("Axle whose shaft is left out", AXLES_OUT, group=GEARS, when=_FOUR)
    boxes: Several[GearsetFacts] = several(GEARSET, "Gearbox to compare", row="gearbox")
    out_falls: Value | None = quantity("Gearbox's output falls by", "angle", -0.5, 0.5, group=LINES, help="From the gearbox on; as the engine lies where open.")  # fmt: skip
    out_left: Value = quantity("Gearbox's output bears left by", "angle", -0.5, 0.5, group=LINES)
    pinion_falls: Value | None = quantity("Rear axle's input falls by", "angle", -0.5, 0.5, group=LINES, help="In the same direction: its nose up is falling.")  # fmt: skip
    pinion_left: Value = quantity("Rear axle's input bears left by", "angle", -0.5, 0.5, group=LINES)
    front_falls: Value | None = quantity("Front axle's input falls by", "angle", -0.5, 0.5, group=LINES, when=_FOUR, help="Along the shaft, from the transfer box forward.")  # fmt: skip
    front_left: Value = quantity("Front axle's input bears left by", "angle", -0.5, 0.5, group=LINES, when=_FOUR)  # fmt: skip
    shafts: Several[PropshaftFacts] = several(PROPSHAFT, "Shaft", row="shafts")
    halves: Several[HalfshaftFacts] = several(HALFSHAFT, "Half-shaft", row="halves")
    locks: str = choice("Differential", {k: v.label for k, v in LOCKS.items()}, group=CARRIES)
    shared: Value = quantity("Most of the torque on one axle", "share", 0.3, 1.0, group=CARRIES, when=_FOUR)
    members: Several[MemberFacts] = several(MEMBER, "Thing that carries", row="members")
    box_cooler: str = choice("Gearbox oil's cooler", COOLERS, group=HEAT)
    cooler_gives: Value | None = quantity("The cooler gives", "conductance", 1.0, 2000.0, group=HEAT, when=_COOLED, help="In its maker's units: watts for each kelvin over what cools it.")  # fmt: skip
    case_gives: Value = quantity("Its case gives", "conductance", 0.5, 300.0, group=HEAT)
    box_most: Value = quantity("Oil is kept under", "temperature", 330.0, 450.0, group=HEAT, spread="exact")
    box_flow: Value = quantity("Oil through the cooler", "flow", 1e-6, 2e-3, group=HEAT, when=_COOLED)
    line_bore: Value | None = quantity(
        "Cooler lines' bore", "size", 0.003, 0.03, group=HEAT, when=_COOLED, spread="gauge"
    )
    line_long: Value | None = quantity("Lines there and back", "length", 0.2, 20.0, group=HEAT, when=_COOLED, follows="line_bore")  # fmt: skip


WAYS: Mapping[str, Way] = ways_of(
    DrivelineFacts,
    {
        **facts_stack.WAYS,
        "rating": Way("papers", "Its maker's sheet."),
        "low": Way("papers", "Its plate, or turns counted with it in and out."),
        "driven_to": Way("papers", "What its owner, its tyres or the law hold it to."),
        "shift": Way("running", "A stopwatch, lift to full pedal."),
        "out_falls": Way("under", FELT),
        "out_left": Way("under", "Plumb its flange and the gearbox's nose to the floor."),
        "pinion_falls": Way("under", FELT),
        "pinion_left": Way("under", "Plumb the flange and the axle to the floor."),
        "front_falls": Way("under", FELT),
        "front_left": Way("under", "Plumb the flange and the axle to the floor."),
        "shared": Way("papers", "By weight on a climb: six tenths are usual."),
        "cooler_gives": Way("papers", "Its maker's sheet."),
        "case_gives": Way("running", "Its oil's steady warmth over the air, on a drive of known power."),
        "box_most": Way("papers", "Its maker's sheet."),
        "box_flow": Way("running", "A line into a can for ten seconds, warm, at 1,500."),
        "line_bore": Way("hand", "Calliper in a cut end."),
        "line_long": Way("under", "A tape along both."),
    },
)
