"""What is stated of clutch pedal and shifter."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.duty.facts import MANUAL
from gauge_well.core.facts import YES_NO, Way, choice, quantity
from gauge_well.core.fittings.thread import THREADS
from gauge_well.core.typing import Value

CLUTCH, SHIFT = "Clutch pedal", "Shifter"
RELEASES: Mapping[str, str] = {
    "fork": "fluid to a fork",
    "bearing": "fluid to a bearing that is its own slave",
    "cable": "a cable",
}
_FLUID, _FORK = ("release", ("fork", "bearing")), ("release", ("fork", "cable"))
SHIFTERS: Mapping[str, str] = {
    "direct": "a lever in the gearbox",
    "rods": "rods",
    "cables": "cables",
    "none": "none: electric or a column",
}
PIVOTS: Mapping[str, str] = {"unit": "on engine and gearbox", "body": "on the body"}
_LINKED, _RODS = ("shifter", ("rods", "cables")), ("shifter", ("rods",))
_LEVER = ("shifter", ("direct", "rods", "cables"))
_T = {k: v.label for k, v in THREADS.items()}


@dataclass(frozen=True)
class HandsFacts:
    """Clutch pedal to bearing; knob to gearbox. SI."""

    release: str = choice("Clutch is let go by", RELEASES, group=CLUTCH, when=MANUAL)
    pad: Value | None = quantity("Pad moves, rest to stop", "size", 0.03, 0.3, group=CLUTCH, when=MANUAL)
    pad_lost: Value = quantity("of it free", "size", 0.0, 0.1, group=CLUTCH, when=MANUAL, follows="pad")
    pedal_ratio: Value | None = quantity("Pad over rod", "ratio", 1.5, 10.0, group=CLUTCH, when=MANUAL, help="Pivot to pad over pivot to rod.")  # fmt: skip
    master: Value | None = quantity("Master's bore", "size", 0.01, 0.04, group=CLUTCH, spread="exact", when=_FLUID)
    slave: Value | None = quantity("Slave's bore", "size", 0.01, 0.06, group=CLUTCH, spread="exact", when=_FLUID, help="A ring's: the bore of a round one of its area.")  # fmt: skip
    fork: Value = quantity("Fork: its end over its bearing", "ratio", 0.8, 5.0, group=CLUTCH, when=_FORK)
    through: Value = quantity("Of the force that comes through", "share", 0.3, 1.0, group=CLUTCH, when=MANUAL)
    gives: Value = quantity("Bracket bends under the whole push", "size", 0.0, 0.02, group=CLUTCH, spread="gauge", when=MANUAL, help="At the master or the cable's end.")  # fmt: skip
    bracket_bears: Value | None = quantity("Bracket bears, at the rod", "force", 100.0, 20e3, group=CLUTCH, when=MANUAL, help="What the old clutch asked of it, or by Mounts' working of a bracket.")  # fmt: skip
    heavy: str = choice("A pedal as heavy as", {"road": "a road car's: 150 N", "heavy": "a truck's or a racer's: 200 N"}, group=CLUTCH, when=MANUAL)  # fmt: skip
    clutch_cable: Value | None = quantity("Sleeve of its cable is long", "length", 0.1, 5.0, group=CLUTCH, when=("release", ("cable",)))  # fmt: skip
    clutch_way: Value | None = quantity("Its way asks ", "length", 0.1, 5.0, group=CLUTCH, when=("release", ("cable",)))
    pipe_end: str | None = choice("Clutch pipe's nut", _T, group=CLUTCH, when=_FLUID)
    slave_port: str | None = choice("Slave's port", _T, group=CLUTCH, when=_FLUID)
    nipple_high: str | None = choice("Bleed nipple is its highest place", YES_NO, group=CLUTCH, when=_FLUID)
    shifter: str = choice("Shifted by", SHIFTERS, group=SHIFT)
    lever_behind: Value | None = quantity(
        "Gearbox's lever behind the bell's face", "length", 0.0, 2.5, group=SHIFT, when=_LEVER
    )
    lever_left: Value = quantity("left of the crank's line", "length", -0.6, 0.6, group=SHIFT, when=_LEVER, follows="lever_behind")  # fmt: skip
    knob_behind: Value | None = quantity(
        "Hand wants it behind the front axle", "length", -1.0, 5.0, group=SHIFT, when=_LEVER
    )
    knob_left: Value = quantity("left of the machine's middle", "length", -1.0, 1.0, group=SHIFT, when=_LEVER, follows="knob_behind")  # fmt: skip
    above: Value | None = quantity("Pivot to knob", "length", 0.03, 1.0, group=SHIFT, when=_LEVER)
    below: Value | None = quantity("Pivot to rod or selector", "size", 0.01, 0.4, group=SHIFT, when=_LEVER)
    throw: Value | None = quantity("Selector goes, neutral to a gear", "size", 0.003, 0.06, group=SHIFT, spread="gauge", when=_LEVER)  # fmt: skip
    gears: Value = quantity("Gears forward", "count", 1.0, 6.0, group=SHIFT, spread="exact", when=_LEVER)
    gate: Value = quantity("Knob goes aside, gate to gate", "size", 0.01, 0.12, group=SHIFT, when=_LEVER)
    rod_off: Value | None = quantity("Rod runs off square to its lever by", "angle", 0.0, 1.0, group=SHIFT, when=_RODS)
    pivot: str = choice("Lever's pivot stands", PIVOTS, group=SHIFT, when=_LEVER)
    rod_over: Value | None = quantity("Rod over the crank's line", "height", -0.5, 0.8, group=SHIFT, when=_RODS)
    shift_cable: Value | None = quantity(
        "Shift cables are long", "length", 0.2, 10.0, group=SHIFT, when=("shifter", ("cables",))
    )
    shift_way: Value | None = quantity(
        "Their way asks", "length", 0.2, 10.0, group=SHIFT, when=("shifter", ("cables",))
    )
    ahead_gap: Value | None = quantity("Knob in neutral to what is ahead", "size", 0.0, 1.0, group=SHIFT, when=_LEVER)
    behind_gap: Value | None = quantity(
        "to what is behind", "size", 0.0, 1.0, group=SHIFT, when=_LEVER, follows="ahead_gap"
    )
    left_gap: Value | None = quantity(
        "to what is left", "size", 0.0, 1.0, group=SHIFT, when=_LEVER, follows="ahead_gap"
    )
    right_gap: Value | None = quantity(
        "to what is right", "size", 0.0, 1.0, group=SHIFT, when=_LEVER, follows="ahead_gap"
    )


WAYS: Mapping[str, Way] = {
    "pad": Way("above", "A rule at the pad, rest to stop."),
    "pad_lost": Way("above", "A rule at the pad until the rod just pushes."),
    "pedal_ratio": Way("above", "Rule from the pivot to the pad's middle over pivot to the rod."),
    "master": Way("hand", "Cast on it, or calliper its piston."),
    "slave": Way("hand", "Cast on it, or calliper its piston; a ring: root of outside squared less inside squared."),
    "fork": Way("hand", "Pivot to where the slave pushes over pivot to the bearing."),
    "gives": Way("above", "A dial or a rule at the master, a helper's whole push."),
    "bracket_bears": Way(
        "papers", "Old clutch's force at the pad times pad over rod; or by the working of a bracket under Mounts."
    ),
    "clutch_cable": Way("hand", "A tape along its sleeve."),
    "clutch_way": Way("above", "A string laid as it will lie."),
    "lever_behind": Way("hand", "Rule along the gearbox, bell's face to the lever's pivot."),
    "lever_left": Way("hand", "Rule across from the crank's line."),
    "knob_behind": Way("above", "Seated, where the hand falls: a plumb line to the floor, a tape to the axle's chalk."),
    "knob_left": Way("above", "A tape from the chalked middle."),
    "above": Way("hand", "Rule along the lever."),
    "below": Way("hand", "Rule along the lever."),
    "throw": Way("hand", "Calliper at the selector's rod, neutral to engaged."),
    "gears": Way("above", "Counted on the knob."),
    "gate": Way("hand", "Rule at the knob, one gate to the next."),
    "rod_off": Way("under", "A protractor between rod and lever, less 90°."),
    "rod_over": Way("under", "Rule from the crank's line."),
    "shift_cable": Way("hand", "A tape along its sleeve."),
    "shift_way": Way("under", "A string laid as they will lie, in wide bends."),
    "ahead_gap": Way("above", "Rule from the knob, neutral."),
    "behind_gap": Way("above", "Rule from the knob, neutral, the seat where it is used."),
    "left_gap": Way("above", "Rule from the knob, neutral."),
    "right_gap": Way("above", "Rule from the knob, neutral."),
}
