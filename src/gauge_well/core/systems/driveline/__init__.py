"""Driveline: block to bearing, clutch, gears, what carries the torque to the road, shafts and half-shafts."""

from __future__ import annotations

from gauge_well.core.duty.facts import ROLLS, MachineFacts
from gauge_well.core.reads import BEARING_STROKE, BELL, COOLANT_LEAST, DRIVEN, RELEASE, declared, hand
from gauge_well.core.systems.base import Caution, Compare, Compared, RowName, System
from gauge_well.core.systems.driveline import facts, refusals, remedies, rules
from gauge_well.core.systems.driveline.handed import released
from gauge_well.core.systems.driveline.judge import solve
from gauge_well.core.systems.driveline.views import VIEWS

PARTS = {
    "clutch": RowName("Clutch"),
    "gearbox": RowName("Gearbox"),
    "stack": RowName("Block to bearing"),
    "flywheel": RowName("Flywheel"),
    "shafts": RowName("Shafts", many=True),
    "halves": RowName("Half-shafts", many=True),
    "members": RowName("Axles and joints", many=True),
    "box_oil": RowName("Gearbox's oil"),
}
COMPARE = Compare(("clutch",), (Compared("clutch_torque_n_m", "Holds", "torque", True),))
CAUTIONS = (
    Caution(
        "burst",
        "Flywheel",
        "A flywheel in pieces comes through floor and feet: nothing welded or drilled in it by guess, balance by a shop, and a scatter shield where rules ask for one.",
    ),
    Caution(
        "under",
        "Shafts' ends",
        "Under the machine only on rated stands, wheels chocked: with a shaft out the parking gear holds nothing.",
    ),
    Caution(
        "turning",
        "Shaft",
        "Nobody near a shaft that turns; a loop under a long one keeps it from digging in. Tight mounts block shafts: turn each a full turn before its bolts are torqued.",
    ),
    Caution(
        "licensed",
        "What carries",
        "Axles, hubs and altered shafts carry the machine: inspected where local rules ask, welds on shafts by those who balance them.",
    ),
)
LYING = "It does not roll on wheels: a boat's shaft is under Boat"


def applies(machine: MachineFacts) -> str | None:
    """What rolls on driven wheels."""
    return None if machine.kind is None or machine.kind in ROLLS[1] else LYING


TAKEN = f"{DRIVEN} {BELL} {BEARING_STROKE} {COOLANT_LEAST}"
DECLARES = declared(
    takes=TAKEN,
    hands=(hand(released, gives=RELEASE),),
    engine="limit_speed rated_power peak_torque torque_curve",
    machine="kind mass drag_area rolling_resistance drive gearbox gear_ratios final_drive tyre_diameter trailer_mass trailer_drag_area",
    installation="engine_pitch",
    duties="ambient altitude",
)
SYSTEM: System = System(
    id="driveline",
    title="Driveline",
    facts=facts.DrivelineFacts,
    fill=rules.fill,
    parts=PARTS,
    asked=14,
    applies=applies,
    refuse=refusals.refuse,
    solve=solve,
    cautions=CAUTIONS,
    declares=DECLARES,
    views=VIEWS,
    ways=facts.WAYS,
    candidates=remedies.candidates,
    compare=COMPARE,
)

__all__ = ["SYSTEM"]
