"""Oil: pan and pickup, temperature, pressure, suction."""

from __future__ import annotations

from gauge_well.core.duty.facts import MachineFacts
from gauge_well.core.reads import (
    COOLANT_FREE,
    COOLANT_LEAST,
    COOLANT_MOST,
    COOLANT_PER_WATT,
    OIL_40,
    OIL_100,
    OIL_PULL,
    OIL_SHARE,
    OIL_WARM,
    ROOMS,
    declared,
    hand,
)
from gauge_well.core.systems.base import Caution, Compare, Compared, RowName, System
from gauge_well.core.systems.oil import facts, remedies, rules
from gauge_well.core.systems.oil.feeding import thickness
from gauge_well.core.systems.oil.judge import brings, solve
from gauge_well.core.systems.oil.refusals import refuse
from gauge_well.core.systems.oil.views import VIEWS

PARTS = {
    "pan": RowName("Oil pan and pickup"),
    "cooler": RowName("Oil temperature"),
    "pressure": RowName("Oil pressure"),
    "suction": RowName("Oil suction"),
    "drain": RowName("Oil returns", many=True),
    "breather": RowName("Breather"),
    "tank": RowName("Dry-sump tank"),
    "scavenge": RowName("Scavenge stages", many=True),
    "room": RowName("Room round the pan"),
}
COMPARE = Compare(
    ("pan", "cooler", "tank"),
    (
        Compared("g_limit_aft", "Covered braking", "ratio", True),
        Compared("g_limit_left", "turning left", "ratio", True),
        Compared("oil_over_pickup_m", "Over the pickup", "size", True),
        Compared("pickup_clearance_m", "Mouth over the floor", "size", True),
        Compared("pan_holds_m3", "Holds", "volume", True),
        Compared("oil_temperature_k", "Oil reaches", "temperature", False),
    ),
)
CAUTIONS = (
    Caution(
        "hot_oil",
        "Oil",
        "Hot oil burns and used oil harms skin: gloves, a tray that holds it all, and hand it in.",
    ),
    Caution(
        "prime_clear",
        "Priming",
        "Plugs or injectors out: injection and ignition off, nobody in line with the holes. A diesel: stop held, glow off.",
    ),
    Caution(
        "accumulator_gas",
        "Accumulator",
        "An accumulator keeps its pressure with the engine stopped: let it down before a line is opened.",
    ),
    Caution(
        "hanging_engine",
        "Pan",
        "Never reach under an engine that hangs from a hoist: set it on rated stands or mounts first.",
    ),
)


def applies(machine: MachineFacts) -> str | None:
    """Oil is judged on every machine."""
    return None


DECLARES = declared(
    takes=f"{COOLANT_FREE} {COOLANT_PER_WATT} {COOLANT_LEAST} {COOLANT_MOST} "
    f"{ROOMS['pan_ground']} {ROOMS['pan_crossmember']} {ROOMS['pan_steering']}",
    hands=(
        hand(brings, gives=f"{OIL_SHARE} {OIL_WARM} {OIL_PULL}"),
        hand(thickness, gives=f"{OIL_40} {OIL_100}"),
    ),
    engine="thermostat idle_speed dry_mass material stroke",
    installation="engine_yaw engine_pitch engine_roll pan_ground ground_needed pan_crossmember pan_steering",
    duties="air_speed duration start after braking cornering pulling heel",
)
SYSTEM: System = System(
    id="oil",
    title="Oil",
    facts=facts.OilFacts,
    fill=rules.fill,
    parts=PARTS,
    asked=3,
    applies=applies,
    refuse=refuse,
    solve=solve,
    cautions=CAUTIONS,
    declares=DECLARES,
    views=VIEWS,
    ways=facts.WAYS,
    candidates=remedies.candidates,
    compare=COMPARE,
    lays={"cooler_line": "oil", "tank_line": "oil", "scavenge_line": "oil", "drain": "oil", "breather": "vent"},
)

__all__ = ["SYSTEM"]
