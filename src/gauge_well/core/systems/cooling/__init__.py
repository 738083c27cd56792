"""Cooling: radiator, fan, air path and coolant."""

from __future__ import annotations

from gauge_well.core.duty.facts import MachineFacts
from gauge_well.core.reads import (
    CHARGE_CORE,
    COOLANT_FREE,
    COOLANT_LEAST,
    COOLANT_MOST,
    COOLANT_PER_WATT,
    CORE_AIR,
    CORE_HEAT,
    FAN_DROP,
    FANS_DRAW,
    FANS_FULL,
    LOST_COOLANT,
    LOST_REQUEST,
    OIL_PULL,
    OIL_SHARE,
    OIL_WARM,
    RAW_FLOW,
    RAW_HEAT,
    RAW_IN,
    ROOMS,
    SAG,
    declared,
    hand,
)
from gauge_well.core.systems.base import (
    Caution,
    Compare,
    Compared,
    RowName,
    System,
)
from gauge_well.core.systems.cooling import (
    facts,
    remedies,
    rules,
)
from gauge_well.core.systems.cooling.afloat import overboard
from gauge_well.core.systems.cooling.judge import draws, leaves, solve, warms
from gauge_well.core.systems.cooling.refusals import refuse
from gauge_well.core.systems.cooling.views import VIEWS

PARTS = {
    "core_fan": RowName("Core and fan", many=True),
    "exchanger": RowName("Exchanger or keel cooler"),
    "stack": RowName("Room for core and fan"),
    "loop": RowName("Pump, hoses, header", many=True),
}
COMPARE = Compare(
    ("core", "fan"),
    (
        Compared("heat_carried_w", "Carries", "heat", True),
        Compared("heat_made_w", "of", "heat", False),
        Compared("limiting_ambient_k", "Holds to", "temperature", True),
        Compared("core_air_mass_flow_kg_s", "Air", "mass_flow_s", True),
        Compared("core_air_pressure_drop_pa", "Air drop", "pressure_small", False),
        Compared("coolant_out_k", "Settles at", "temperature", False),
    ),
)
CAUTIONS = (
    Caution(
        "hot_coolant",
        "Coolant",
        "Hot coolant is under pressure and scalds. Let it cool until the top hose can be squeezed, "
        "then turn the cap to its first stop under a cloth.",
    ),
    Caution(
        "fan_starts",
        "Fan",
        "An electric fan can start by itself with the ignition off. Unplug it before hands go near.",
    ),
    Caution("glycol", "Coolant", "Glycol is poisonous and tastes sweet. Catch it, keep it from animals, hand it in."),
)


def applies(machine: MachineFacts) -> str | None:
    """Why cooling is not judged here, or None."""
    if machine.kind == "boat" and machine.cooled_by == "direct":
        return "raw water runs through the block: Boat judges it"
    return None


OF_OIL, OF_SEA = f"{OIL_SHARE} {OIL_WARM} {OIL_PULL}", f"{RAW_FLOW} {RAW_IN}"
OF_FANS = f"{LOST_COOLANT} {LOST_REQUEST}"
DECLARES = declared(
    takes=f"{OF_OIL} {OF_SEA} {ROOMS['depth_available']} {SAG} {FAN_DROP} {OF_FANS}",
    hands=(
        hand(
            leaves,
            gives=f"{COOLANT_FREE} {COOLANT_PER_WATT} {COOLANT_LEAST} {COOLANT_MOST}",
            takes=f"{OF_OIL} {OF_SEA} {OF_FANS}",
        ),
        hand(overboard, gives=RAW_HEAT, takes=OF_OIL),
        hand(warms, gives=f"{CORE_HEAT} {CORE_AIR} {CHARGE_CORE}", takes=f"{OF_OIL} {OF_FANS}"),
        hand(draws, gives=f"{FANS_DRAW} {FANS_FULL}", takes=f"{OF_OIL} {OF_FANS}"),
    ),
    engine="dry_mass material thermostat coolant_limit",
    machine="kind gearbox cooled_by",
    installation="depth_available depth_ahead opening_width opening_height",
    duties="air_speed duration start after sea speed speed_share",
)
SYSTEM: System = System(
    id="cooling",
    title="Cooling",
    facts=facts.CoolingFacts,
    fill=rules.fill,
    parts=PARTS,
    asked=1,
    applies=applies,
    refuse=refuse,
    solve=solve,
    cautions=CAUTIONS,
    declares=DECLARES,
    views=VIEWS,
    ways=facts.WAYS,
    candidates=remedies.candidates,
    compare=COMPARE,
    lays={"hose": "coolant"},
)

__all__ = ["SYSTEM"]
