"""What is stated from the block's rear face to the release bearing, and round the crank's flange."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.duty.facts import AUTOMATIC, MANUAL
from gauge_well.core.facts import Way, choice, quantity, role
from gauge_well.core.parts.clutch import CLUTCH, ClutchFacts
from gauge_well.core.parts.flywheel import BALANCES, FLYWHEEL, SEALS, FlywheelFacts
from gauge_well.core.typing import Value

BLOCK, BELL, INPUT, STARTER, FLANGE, CONVERTER = (
    "Block and spacer", "Bell and bearing", "Input shaft and pilot", "Starter", "Crank's flange", "Converter",
)  # fmt: skip
BEARINGS: Mapping[str, str] = {"free": "returns clear of the fingers", "rides": "always rides on them, sprung"}
SPACERS: Mapping[str, str] = {"steel": "steel", "alloy": "light alloy"}
STARTS_ON: Mapping[str, str] = {"block": "the block or adapter's front", "bell": "the bell's face"}
FROM = "A straight edge over the block's rear face, a depth gauge."


@dataclass(frozen=True)
class StackFacts:
    """Everything along the crank's line, rearward, from the block's rear face. SI."""

    crank_flange: Value | None = quantity("Crank's flange behind the block's face", "size", -0.1, 0.2, group=BLOCK, spread="gauge", help="Inside it is minus.")  # fmt: skip
    spacer: Value = quantity("Spacer under the flywheel", "size", 0.0, 0.15, group=BLOCK, spread="gauge")
    spacer_metal: str = choice("Spacer of", SPACERS, group=BLOCK)
    adapter: Value = quantity("Adapter plate", "size", 0.0, 0.2, group=BLOCK, spread="gauge")
    flywheel: FlywheelFacts = role(FLYWHEEL, "Flywheel", row="flywheel")
    clutch: ClutchFacts = role(CLUTCH, "Clutch", row="clutch", also=MANUAL)
    bell: Value | None = quantity(
        "Bell's face to the bearing's seat", "size", 0.02, 0.5, group=BELL, spread="gauge", when=MANUAL
    )
    bearing: Value | None = quantity("Bearing's face ahead of its seat, at rest", "size", 0.0, 0.3, group=BELL, spread="gauge", when=MANUAL)  # fmt: skip
    bearing_kind: str = choice("The bearing", BEARINGS, group=BELL, when=MANUAL)
    stroke: Value | None = quantity("Pedal moves it by", "size", 0.001, 0.06, group=BELL, when=MANUAL, help="As Controls has it from pedal, master and slave where open.")  # fmt: skip
    bell_round: Value | None = quantity("Bell's hole off the crank, whole reading", "size", 0.0, 0.005, group=BELL, spread="gauge")  # fmt: skip
    bell_square: Value | None = quantity("Bell's face out of square, whole reading", "size", 0.0, 0.005, group=BELL, spread="gauge")  # fmt: skip
    reach: Value | None = quantity("Input shaft's tip ahead of the bell's face", "size", -0.2, 0.3, group=INPUT, spread="gauge", when=MANUAL)  # fmt: skip
    nose: Value | None = quantity(
        "Tip to where its splines begin", "size", 0.0, 0.15, group=INPUT, spread="gauge", when=MANUAL
    )
    spline_long: Value | None = quantity(
        "Its splines are long", "size", 0.005, 0.2, group=INPUT, spread="gauge", when=MANUAL
    )
    spline_across: Value | None = quantity(
        "Over its splines", "size", 0.01, 0.06, group=INPUT, spread="gauge", when=MANUAL
    )
    splines: Value | None = quantity(
        "Input shaft's splines", "count", 4.0, 40.0, group=INPUT, spread="exact", when=MANUAL
    )
    pilot_in: Value | None = quantity("Pilot's rear end inside the flange", "size", -0.1, 0.1, group=INPUT, spread="gauge", when=MANUAL, help="Standing out behind it is minus: an extended pilot.")  # fmt: skip
    pilot_long: Value | None = quantity("Pilot is long", "size", 0.004, 0.06, group=INPUT, spread="gauge", when=MANUAL)
    hole: Value | None = quantity(
        "Hole in the crank, from its flange", "size", 0.0, 0.2, group=INPUT, spread="gauge", when=MANUAL
    )
    starts_on: str = choice("Starter bolts to", STARTS_ON, group=STARTER)
    pinion_rest: Value | None = quantity("Pinion's near end behind that face, at rest", "size", -0.15, 0.2, group=STARTER, spread="gauge", help="The end that meets the teeth first.")  # fmt: skip
    pinion_out: Value | None = quantity(
        "and thrown", "size", -0.15, 0.2, group=STARTER, follows="pinion_rest", spread="gauge"
    )
    pinion_teeth: Value | None = quantity("Pinion's teeth", "count", 6.0, 30.0, group=STARTER, spread="exact")
    pinion_across: Value | None = quantity(
        "Across the pinion's tips", "size", 0.015, 0.1, group=STARTER, spread="gauge"
    )
    pinion_from: Value | None = quantity(
        "Pinion's middle from the crank's", "size", 0.05, 0.5, group=STARTER, spread="gauge"
    )
    bolt: Value | None = quantity(
        "Crank's bolts", "size", 0.006, 0.016, group=FLANGE, spread="exact", help="Thread's diameter."
    )
    bolt_long: Value | None = quantity("Bolts under the head", "size", 0.01, 0.2, group=FLANGE, spread="gauge")
    bolt_hole: Value | None = quantity("Full thread in the crank", "size", 0.005, 0.1, group=FLANGE, spread="gauge")
    crank_seal: str | None = choice("Block has a", SEALS, group=FLANGE)
    crank_bolts: Value | None = quantity("Crank's bolts in all", "count", 3.0, 12.0, group=FLANGE, spread="exact")
    crank_circle: Value | None = quantity("Crank's bolts on a circle of", "size", 0.03, 0.2, group=FLANGE, spread="gauge")  # fmt: skip
    crank_balance: str | None = choice("Engine is balanced by", BALANCES, group=FLANGE)
    converter_in: Value | None = quantity("Converter's pads behind the bell's face, fully home", "size", -0.1, 0.15, group=CONVERTER, spread="gauge", when=AUTOMATIC)  # fmt: skip


WAYS: Mapping[str, Way] = {
    "crank_flange": Way("stand", FROM),
    "spacer": Way("hand", "Calliper at four places: it must be even to 0.05 mm."),
    "adapter": Way("hand", "Calliper at four places."),
    "bell": Way("hand", "A straight edge over the bell's face, a depth gauge to where the bearing's carrier sits."),
    "bearing": Way("hand", "Pushed right back (a riding one: let out by its spring), from its seat to its face."),
    "stroke": Way("running", "A helper on the pedal, a rule at the bearing or the fork."),
    "bell_round": Way("stand", "A dial on the crank, its finger round the bell's hole, one turn."),
    "bell_square": Way(
        "stand", "A dial on the crank, its finger on the bell's face, one turn; mind the crank's float."
    ),
    "reach": Way("hand", "A straight edge over the bell's face, a rule up the input shaft to its tip."),
    "nose": Way("hand", "Calliper along the tip."),
    "spline_long": Way("hand", "Calliper along the teeth."),
    "spline_across": Way("hand", "Calliper over the teeth."),
    "splines": Way("hand", "Counted, from a mark."),
    "pilot_in": Way("stand", "Depth gauge from the crank's flange."),
    "pilot_long": Way("hand", "Calliper along the bush or bearing."),
    "hole": Way("stand", "Depth gauge from the crank's flange to the bottom."),
    "pinion_rest": Way("hand", "A straight edge over the starter's mounting face, a depth gauge to the pinion."),
    "pinion_out": Way("hand", "The same with the solenoid pulled, the motor's lead off."),
    "pinion_teeth": Way("hand", "Counted."),
    "pinion_across": Way("hand", "Calliper across the tips."),
    "pinion_from": Way("stand", "Starter's hole to the crank's middle, two tapes on the plate."),
    "bolt": Way("hand", "A thread gauge."),
    "bolt_long": Way("hand", "Calliper, head not counted."),
    "bolt_hole": Way("stand", "A bolt screwed in by hand without anything under it, less what stands out."),
    "crank_bolts": Way("stand", "Counted."),
    "crank_circle": Way("stand", "Centre to centre of two opposite bolts."),
    "converter_in": Way(
        "hand", "Turned and pushed until it drops on the pump twice; a straight edge over the bell's face."
    ),
}
