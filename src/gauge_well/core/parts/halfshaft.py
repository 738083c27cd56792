"""A half-shaft: its joints, where they lie, how thick it is, how it goes in."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.driveline.shaft import STEELS
from gauge_well.core.facts import YES_NO, Kind, Way, choice, quantity
from gauge_well.core.typing import Value

GROUP = "Half-shaft"


@dataclass(frozen=True)
class Joint:
    """An inner joint: how far it bends for good, and at most [rad]; how far its rollers slide [m] (common practice)."""

    label: str
    runs: float
    most: float
    slides: float


D = 0.017453292519943295
JOINTS: Mapping[str, Joint] = {
    "tripod": Joint("tripod, slides", 8.0 * D, 20.0 * D, 0.040),
    "ball": Joint("six balls, slides", 10.0 * D, 22.0 * D, 0.045),
    "fixed": Joint("fixed, slides nowhere", 10.0 * D, 45.0 * D, 0.0),
    "cross": Joint("a cross, its shaft slides", 5.0 * D, 25.0 * D, 0.060),
}
AXLES: Mapping[str, str] = {"front": "front", "rear": "rear"}
TAPED: Mapping[str, str] = {"machine": "in the machine", "unit": "on the unit: Fit tells where that lies"}
SIDES: Mapping[str, str] = {"left": "left", "right": "right"}
OUTER_MOST = 45.0 * D


@dataclass(frozen=True)
class HalfshaftFacts:
    """One half-shaft, as the wheel stands laden. SI."""

    side: str = choice("Side", SIDES, group=GROUP)
    axle: str = choice("Axle", AXLES, group=GROUP)
    taped: str = choice("Its inner joint is taped", TAPED, group=GROUP, help="On the unit: from the bell's face and the crank's line, as it will lie.")  # fmt: skip
    inner: str = choice("Inner joint", {k: v.label for k, v in JOINTS.items()}, group=GROUP)
    inner_out: Value | None = quantity("Inner joint out from the middle", "length", -0.5, 1.5, needed=True, group=GROUP, help="Joint's centre, from the middle or the crank's line; past it is minus.")  # fmt: skip
    inner_over: Value = quantity(
        "over the wheel's centre, or the crank", "length", -0.5, 0.5, group=GROUP, follows="inner_out"
    )
    inner_behind: Value = quantity("behind the wheel's centre, or the bell's face", "length", -0.6, 0.6, group=GROUP, follows="inner_out", help="Ahead is minus.")  # fmt: skip
    outer_out: Value | None = quantity("Outer joint out from the middle", "length", 0.1, 2.0, needed=True, group=GROUP)
    arm: Value | None = quantity("Arm's pivot to the outer joint, across", "length", 0.05, 2.0, group=GROUP, help="Open: the wheel goes straight up and down.")  # fmt: skip
    arm_over: Value = quantity("its pivot over the wheel's centre", "length", -0.4, 0.4, group=GROUP, follows="arm")
    up: Value | None = quantity("Wheel rises to the stop by", "length", 0.0, 0.6, needed=True, group=GROUP)
    down: Value | None = quantity("Wheel drops by", "length", 0.0, 0.6, group=GROUP, follows="up")
    steers: str = choice("Its wheel steers", YES_NO, group=GROUP)
    lock: Value | None = quantity("Full steering lock", "angle", 0.1, 1.0, group=GROUP, when=("steers", ("yes",)))
    owned: Value | None = quantity("The one I have, joint to joint, half slid", "length", 0.1, 2.0, group=GROUP)
    slides: Value = quantity("Inner joint slides, end to end", "size", 0.0, 0.2, group=GROUP)
    thick: Value | None = quantity("Thinnest place", "size", 0.01, 0.08, group=GROUP, spread="gauge")
    steel: str = choice("Steel", {k: v.label for k, v in STEELS.items()}, group=GROUP)
    stub: Value | None = quantity("Must be drawn out by, to come free", "size", 0.0, 0.4, group=GROUP)
    room: Value | None = quantity("Room beside its flange, the engine in", "length", 0.0, 1.5, group=GROUP)


TAPE = "A plumb line from the joint's centre to the floor, a tape from the chalked middle."
WAYS: Mapping[str, Way] = {
    "inner_out": Way("under", TAPE),
    "inner_over": Way("under", "Floor to the joint's centre less floor to the wheel's, laden."),
    "inner_behind": Way("under", "Between the two plumb lines, along the machine."),
    "outer_out": Way("under", TAPE),
    "arm": Way("under", "The lower arm's inner bush to its ball, across."),
    "arm_over": Way("under", "Floor to the bush less floor to the wheel's centre."),
    "up": Way("under", "Rule at the hub, laden, to the bump stop's rubber half squeezed."),
    "down": Way("under", "Rule at the hub, laden, then with the wheel hanging."),
    "lock": Way("under", "A protractor at the wheel, lock to straight."),
    "owned": Way("hand", "Joint's centre to joint's centre, the inner one half way."),
    "slides": Way("hand", "Pulled out and pushed in, without its clip's last."),
    "thick": Way("hand", "Calliper at its thinnest."),
    "stub": Way("hand", "Its spline's length, or the flange's spigot."),
    "room": Way("under", "From the flange outward to the first thing in the way, the engine in."),
}

HALFSHAFT = Kind("halfshaft", "Half-shaft", HalfshaftFacts, WAYS)
