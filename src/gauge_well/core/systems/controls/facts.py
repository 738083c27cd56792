"""What the controls need to know."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import YES_NO, Several, Way, choice, quantity, several, ways_of
from gauge_well.core.fittings.thread import THREADS
from gauge_well.core.parts.aid import AID, AidFacts
from gauge_well.core.parts.column import COLUMN, ColumnFacts
from gauge_well.core.systems.controls import facts_hands, facts_throttle
from gauge_well.core.systems.controls.facts_hands import HandsFacts
from gauge_well.core.systems.controls.facts_throttle import ON_WHEELS, ThrottleFacts
from gauge_well.core.typing import Value

STEERING, BRAKES = "Steering", "Brakes"
STEERS: Mapping[str, str] = {
    "hand": "by hand",
    "donor": "the donor's pump",
    "own": "the machine's pump on a new bracket",
    "electric": "electric help",
}
_PUMP = ("steers", ("donor", "own"))
MASTERS: Mapping[str, str] = {"front_left": "front left", "front_right": "front right", "middle": "in the middle", "rear": "at the rear"}  # fmt: skip
SPLITS: Mapping[str, str] = {"axles": "front and rear apart", "corners": "crosswise", "one": "all in one"}
_T = {k: v.label for k, v in THREADS.items()}


@dataclass(frozen=True)
class ControlsFacts(ThrottleFacts, HandsFacts):
    """Throttle, vacuum, clutch pedal, shifter, steering, brakes, small controls. SI."""

    steers: str = choice("Steered", STEERS, group=STEERING, also=ON_WHEELS)
    columns: Several[ColumnFacts] = several(COLUMN, "Piece of column", row="steering", also=ON_WHEELS)
    column_gap: Value | None = quantity("Column to the nearest thing, lock to lock", "size", 0.0, 0.5, group=STEERING, also=ON_WHEELS, help="Exhaust, engine as it rocks, looms.")  # fmt: skip
    collapses: str | None = choice("It still collapses as it was made to", YES_NO, group=STEERING, also=ON_WHEELS)
    lowered: Value | None = quantity("Rack moved down by", "size", -0.1, 0.1, group=STEERING, spread="gauge", also=ON_WHEELS, help="From where the maker had it; up is minus.")  # fmt: skip
    rod: Value | None = quantity("Track rod, joint to joint", "size", 0.05, 1.0, group=STEERING, also=ON_WHEELS)
    steer_arm: Value | None = quantity("Steering arm", "size", 0.03, 0.4, group=STEERING, also=ON_WHEELS, help="King pin's line to the rod's joint.")  # fmt: skip
    bump: Value = quantity("Wheel rises over a bump by", "size", 0.005, 0.3, group=STEERING, also=ON_WHEELS)
    pump_swept: Value | None = quantity(
        "Pump sweeps a turn", "swept", 1e-6, 1e-4, group=STEERING, when=_PUMP, also=ON_WHEELS
    )
    pump_ratio: Value = quantity(
        "It turns, of the crank", "ratio", 0.2, 4.0, group=STEERING, when=_PUMP, also=ON_WHEELS
    )
    box_swept: Value | None = quantity("Rack or box takes, lock to lock", "swept", 1e-5, 2e-3, group=STEERING, when=_PUMP, also=ON_WHEELS)  # fmt: skip
    turns: Value = quantity("Turns of the wheel, lock to lock", "ratio", 0.5, 8.0, group=STEERING, spread="exact", when=_PUMP, also=ON_WHEELS)  # fmt: skip
    quick: Value = quantity(
        "Turned as quick as, turns a second", "ratio", 0.3, 3.0, group=STEERING, when=_PUMP, also=ON_WHEELS
    )
    relief: Value | None = quantity("Pump's relief opens at", "pressure_gauge", 1e6, 25e6, group=STEERING, when=_PUMP, also=ON_WHEELS)  # fmt: skip
    box_most: Value | None = quantity("Rack or box may be given", "pressure_gauge", 1e6, 25e6, group=STEERING, when=_PUMP, also=ON_WHEELS)  # fmt: skip
    piston: Value | None = quantity(
        "Rack's piston area", "area", 1e-4, 0.02, group=STEERING, when=_PUMP, also=ON_WHEELS
    )
    tyre: Value | None = quantity(
        "Front tyres' pressure", "pressure_gauge", 5e4, 1e6, group=STEERING, when=_PUMP, also=ON_WHEELS
    )
    hose_end: str | None = choice("Pressure hose's end", _T, group=STEERING, when=_PUMP, also=ON_WHEELS)
    box_port: str | None = choice("Rack's port", _T, group=STEERING, when=_PUMP, also=ON_WHEELS)
    lines_moved: str = choice("Brake lines or master moved", YES_NO, group=BRAKES, also=ON_WHEELS)
    master_at: str = choice("Master sits", MASTERS, group=BRAKES, when=("lines_moved", ("yes",)), also=ON_WHEELS)
    split: str = choice("Circuits", SPLITS, group=BRAKES, when=("lines_moved", ("yes",)), also=ON_WHEELS)
    inspected: str | None = choice(
        "Steering and brakes inspected by somebody licensed", YES_NO, group=BRAKES, also=ON_WHEELS
    )
    aids: Several[AidFacts] = several(AID, "Small control", row="aids")


WAYS: Mapping[str, Way] = ways_of(
    ControlsFacts,
    {
        **facts_throttle.WAYS,
        **facts_hands.WAYS,
        "column_gap": Way("above", "A rule or a finger's width all along, a helper from lock to lock."),
        "lowered": Way("under", "Rack's bar to the crossmember, old and new."),
        "rod": Way("under", "Middle of one joint to the middle of the other."),
        "steer_arm": Way("under", "Square from the line through both ball joints to the rod's."),
        "bump": Way("under", "Half of what the wheel has to its stop."),
        "pump_swept": Way("papers", "Its maker's sheet: 8 cm³ is usual."),
        "pump_ratio": Way("above", "Crank's pulley over the pump's."),
        "box_swept": Way("papers", "Piston's area times the rack's travel."),
        "turns": Way("above", "Counted, lock to lock."),
        "quick": Way("papers", "1.3 in a hurry."),
        "relief": Way("papers", "Stamped on its valve."),
        "box_most": Way("papers", "Its maker's sheet."),
        "piston": Way("papers", "Its maker's sheet; or by what it takes over the rack's travel."),
        "tyre": Way("papers", "As it is run."),
    },
)
