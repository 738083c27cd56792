"""What is stated of the raw water: through the hull to where it is put into the exhaust."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import YES_NO, Way, choice, quantity, role
from gauge_well.core.parts.line import LINE, LineFacts
from gauge_well.core.parts.raw_pump import RAW_PUMP, RawPumpFacts
from gauge_well.core.typing import Value

GROUP = "Raw water"
BORES = {"bore": (0.008, 0.15), "length": (0.0, 20.0)}


@dataclass(frozen=True)
class RawFacts:
    """Sea cock, strainer, hoses, pump, what it cools on its way. SI; heights over the waterline."""

    raw_pump: RawPumpFacts = role(RAW_PUMP, "Raw-water pump", row="raw", needs=("displacement",))
    pump_over: Value = quantity("Raw-water pump over the waterline", "height", -2.0, 3.0, group=GROUP)
    intake: LineFacts = role(
        LINE,
        "Skin fitting and sea cock",
        row="raw",
        group=GROUP,
        asks=("bore", "loss"),
        labels={"bore": "Skin fitting and sea cock, inside", "loss": "its mouth, grating and cock, K"},
        limits={"bore": BORES["bore"]},
        needs=(),
    )
    suction: LineFacts = role(
        LINE,
        "Suction hose",
        row="raw",
        group=GROUP,
        asks=("bore", "length", "loss"),
        labels={"bore": "Suction hose, inside", "length": "its run, hull to pump", "loss": "its bends, K"},
        limits=BORES,
        needs=("bore",),
    )
    strainer_loss: Value = quantity("Strainer, clean, K", "ratio", 0.0, 50.0, group=GROUP, spread="loss")
    strainer_blocked: Value = quantity(
        "Judged with so much of it blocked",
        "share",
        0.0,
        0.9,
        group=GROUP,
        spread="exact",
        help="Weed, a bag, a season.",
    )
    delivery: LineFacts = role(
        LINE,
        "Hose from the pump to the injection",
        row="raw",
        group=GROUP,
        asks=("bore", "length", "loss"),
        labels={"bore": "Pump to injection, inside", "length": "its run", "loss": "its bends, K"},
        limits=BORES,
        needs=(),
    )
    exchanger_drop: Value | None = quantity(
        "Heat exchanger takes, raw side", "pressure_difference", 100.0, 3e5, group=GROUP, help="At full revs."
    )
    gear_cooled: str | None = choice("Gear's oil cooled by raw water", YES_NO, group=GROUP)
    injected: Value = quantity(
        "Of it put into the exhaust", "share", 0.05, 1.0, group=GROUP, help="The rest goes overboard by itself."
    )


WAYS: Mapping[str, Way] = {
    "pump_over": Way("stand", "A clear hose full of water from the sea cock: level to the pump's middle."),
    "intake.bore": Way("hand", "Calliper through the open cock: the narrowest counts."),
    "intake.loss": Way("under", "0.5 a plain mouth, 1.5 with a grating, 0.2 a full-bore cock."),
    "suction.bore": Way("hand", "Calliper in a cut end."),
    "suction.length": Way("under", "A string along it."),
    "suction.loss": Way("under", "Count them: 0.3 a bend, 1 an elbow."),
    "strainer_loss": Way("papers", "Its sheet's loss over the head in its own bore; 1.5 is usual."),
    "delivery.bore": Way("hand", "Calliper in a cut end."),
    "delivery.length": Way("under", "A string along it."),
    "delivery.loss": Way("under", "Count them: 0.3 a bend, 1 an elbow."),
    "exchanger_drop": Way("running", "A gauge each side of it at full revs."),
    "injected": Way("running", "Bucket and watch at both outlets."),
}
