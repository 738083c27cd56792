"""Mounts: what holds the engine, how far it rocks, what its brackets stand."""

from __future__ import annotations

from gauge_well.core.duty.facts import MachineFacts
from gauge_well.core.reads import AXLE_FRONT, AXLE_REAR, DRIVEN, MOTION, UNIT, declared, hand
from gauge_well.core.systems.base import Caution, RowName, System
from gauge_well.core.systems.mounts import facts, refusals, remedies, rules
from gauge_well.core.systems.mounts.judge import solve
from gauge_well.core.systems.mounts.loads import handed
from gauge_well.core.systems.mounts.model import motion
from gauge_well.core.systems.mounts.views import VIEWS

PARTS = {"mounts": RowName("Mounts", many=True), "brackets": RowName("Brackets", many=True)}
CAUTIONS = (
    Caution(
        "structure",
        "Bracket",
        "A bracket or a mount on the frame is structure: welds by someone who is tested for it, an inspection where local "
        "rules ask for one. A crash is not judged here.",
    ),
    Caution(
        "undone",
        "Cushion",
        "Never undo a mount with the weight on it: hang or prop the unit on rated gear first, nobody under it.",
    ),
    Caution(
        "bolts", "Bolts", "Threads into the block dry and clean, to the torque given; oiled ones to seven tenths of it."
    ),
)


def applies(machine: MachineFacts) -> str | None:
    """Mounts are judged on every machine."""
    return None


TAKEN = f"{UNIT} {AXLE_FRONT} {AXLE_REAR}"
MACHINE = "kind mass drive gearbox"
DECLARES = declared(
    takes=TAKEN,
    hands=(hand(motion, gives=MOTION, takes=TAKEN), hand(handed, gives=DRIVEN, takes=f"{AXLE_FRONT} {AXLE_REAR}")),
    engine="cylinders cycle",
    machine=MACHINE,
    installation="lie engine_yaw engine_pitch engine_roll",
)
SYSTEM: System = System(
    id="mounts",
    title="Mounts",
    facts=facts.MountsFacts,
    fill=rules.fill,
    parts=PARTS,
    asked=10,
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
