"""Controls: throttle, clutch pedal, shifter, brake vacuum, steering, small controls: whether the pedals and levers reach."""

from __future__ import annotations

from gauge_well.core.duty.facts import MachineFacts
from gauge_well.core.reads import (
    AXLE_FRONT,
    BEARING_STROKE,
    BELL_AHEAD,
    BELL_LEFT,
    RELEASE,
    ROCK,
    ROCK_LEFT,
    ROCK_OVER,
    declared,
    hand,
)
from gauge_well.core.systems.base import Caution, RowName, System
from gauge_well.core.systems.controls import facts, refusals, remedies, rules
from gauge_well.core.systems.controls.handed import stroke
from gauge_well.core.systems.controls.judge import solve
from gauge_well.core.systems.controls.views import VIEWS

PARTS = {
    "throttle": RowName("Throttle"),
    "vacuum": RowName("Brake vacuum"),
    "clutch_pedal": RowName("Clutch pedal"),
    "shifter": RowName("Shifter"),
    "steering": RowName("Steering"),
    "brakes": RowName("Brakes", many=True),
    "aids": RowName("Small controls", many=True),
}
CAUTIONS = (
    Caution(
        "licensed",
        "Steering",
        "Steering and brakes that are altered are inspected by somebody licensed before the machine goes on a road; local rules may forbid welds on a column, a rack or a pedal.",
    ),
    Caution(
        "vacuum",
        "Brake vacuum",
        "Brake help that depends on vacuum goes with the engine: try three whole applications with it stopped, and that the pedal sinks as it starts, before it moves.",
    ),
    Caution(
        "throttle",
        "Throttle",
        "A tight cable opens the throttle as the engine rocks: lock to lock and full to shut by hand, engine off, before every first start.",
    ),
    Caution(
        "lines",
        "Brakes",
        "Brake pipes are flared and joined by those who are trained for it; no compression joint, no copper where rules forbid it.",
    ),
)


def applies(machine: MachineFacts) -> str | None:
    """Every machine has a throttle."""
    return None


DECLARES = declared(
    takes=f"{RELEASE} {ROCK} {ROCK_LEFT} {ROCK_OVER} {BELL_AHEAD} {BELL_LEFT} {AXLE_FRONT}",
    hands=(hand(stroke, gives=BEARING_STROKE),),
    engine="idle_speed displacement cycle",
    machine="kind gearbox",
)
SYSTEM: System = System(
    id="controls",
    title="Controls",
    facts=facts.ControlsFacts,
    fill=rules.fill,
    parts=PARTS,
    asked=15,
    applies=applies,
    refuse=refusals.refuse,
    solve=solve,
    cautions=CAUTIONS,
    declares=DECLARES,
    views=VIEWS,
    ways=facts.WAYS,
    candidates=remedies.candidates,
)

__all__ = ["SYSTEM"]
