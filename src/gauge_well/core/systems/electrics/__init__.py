"""Electrics: what draws, what charges, whether it starts cold, wires and their fuses."""

from __future__ import annotations

from gauge_well.core.duty.facts import MachineFacts
from gauge_well.core.reads import (
    CHARGE,
    FAN_DROP,
    FANS_DRAW,
    FANS_FULL,
    LOST_COOLANT,
    LOST_REQUEST,
    OIL_40,
    OIL_100,
    SAG,
    declared,
    hand,
)
from gauge_well.core.systems.base import Caution, Compare, Compared, RowName, System
from gauge_well.core.systems.electrics import facts, refusals, remedies, rules
from gauge_well.core.systems.electrics.charging import charges, sags
from gauge_well.core.systems.electrics.judge import solve
from gauge_well.core.systems.electrics.views import VIEWS
from gauge_well.core.systems.electrics.wanted import loses

PARTS = {
    "charge": RowName("Alternator"),
    "crank": RowName("Battery and starter"),
    "runs": RowName("Wires", many=True),
    "signals": RowName("Signals", many=True),
    "senders": RowName("Senders", many=True),
    "speed": RowName("Speedometer"),
}
COMPARE = Compare(
    ("battery", "alternator", "starter"),
    (
        Compared("crank_speed_rpm", "Turned cold", "speed_rpm", True),
        Compared("crank_battery_v", "Posts while cranking", "voltage", True),
        Compared("alternator_current_a", "Gives", "current", True),
        Compared("battery_drain_a", "Battery gives at idle", "current", False),
    ),
)
CAUTIONS = (
    Caution("vapour", "Battery", "A battery gives off hydrogen: no spark near it; the earth off first and on last, glasses on."),
    Caution("main_fuse", "Supply", "A main fuse or breaker by the battery; a live lead that chafes on steel burns a machine down."),
    Caution("welding", "Supply", "Before welding: battery off, alternator and engine computer unplugged."),
    Caution("fuel_near", "Battery", "No battery, relay or bare joint beside fuel parts or in a boat's petrol engine room."),
)  # fmt: skip


def applies(machine: MachineFacts) -> str | None:
    """Every machine that is started has them."""
    return None


DECLARES = declared(
    takes=f"{FANS_DRAW} {FANS_FULL} {OIL_40} {OIL_100}",
    hands=(
        hand(sags, gives=f"{SAG} {FAN_DROP}", takes=FANS_FULL),
        hand(charges, gives=CHARGE, takes=FANS_DRAW),
        hand(loses, gives=f"{LOST_COOLANT} {LOST_REQUEST}"),
    ),
    machine="electrical_load kind",
    engine="idle_speed displacement fuel",
    duties="engine_speed air_speed kind",
)
SYSTEM: System = System(
    id="electrics",
    title="Electrics",
    facts=facts.ElectricsFacts,
    fill=rules.fill,
    parts=PARTS,
    asked=12,
    applies=applies,
    refuse=refusals.refuse,
    solve=solve,
    cautions=CAUTIONS,
    declares=DECLARES,
    views=VIEWS,
    ways=facts.WAYS,
    candidates=remedies.candidates,
    compare=COMPARE,
    lays={"lead": "battery", "runs": "wire"},
)

__all__ = ["SYSTEM"]
