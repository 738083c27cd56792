"""Air: what the engine breathes through and at what warmth, water at its inlet, engine space, box and closed room."""

from __future__ import annotations

from gauge_well.core.duty.facts import MachineFacts
from gauge_well.core.reads import CHARGE_CORE, CORE_AIR, CORE_HEAT, EXHAUST_SHEDS, declared
from gauge_well.core.systems.air import facts, refusals, remedies, rules
from gauge_well.core.systems.air.judge import solve
from gauge_well.core.systems.air.views import VIEWS
from gauge_well.core.systems.base import Caution, Compare, Compared, RowName, System

PARTS = {
    "intake": RowName("Intake"),
    "throttle": RowName("Throttle"),
    "charge": RowName("Charge pipes", many=True),
    "water": RowName("Inlet's height"),
    "bay": RowName("Engine space"),
    "box": RowName("Electronics box"),
    "room": RowName("Closed room's opening"),
}
COMPARE = Compare(
    ("filter",),
    (
        Compared("filter_drop_pa", "Takes, new", "pressure_small", False),
        Compared("inlet_cost_w", "The way in costs", "power", False),
    ),
)
CAUTIONS = (
    Caution(
        "water_in",
        "Water",
        "An engine that stopped in water may be full of it: plugs or injectors out before it is turned, by hand first.",
    ),
    Caution(
        "closed_room",
        "Closed room",
        "A room that is sucked empty draws exhaust back in and stops hatches: open before running, an alarm inside.",
    ),
    Caution(
        "open_intake", "Intake", "Never a hand near an open intake of a running engine; a mesh over it on the stand."
    ),
)


def applies(machine: MachineFacts) -> str | None:
    """Every engine breathes."""
    return None


DECLARES = declared(
    takes=f"{CORE_HEAT} {CORE_AIR} {CHARGE_CORE} {EXHAUST_SHEDS}",
    machine="kind",
    engine="charge_cooler cylinders",
    duties="air_speed",
)
SYSTEM: System = System(
    id="air",
    title="Air",
    facts=facts.AirFacts,
    fill=rules.fill,
    parts=PARTS,
    asked=5,
    applies=applies,
    refuse=refusals.refuse,
    solve=solve,
    cautions=CAUTIONS,
    declares=DECLARES,
    views=VIEWS,
    ways=facts.WAYS,
    candidates=remedies.candidates,
    compare=COMPARE,
    lays={"snorkel": "air", "charge_pipe": "air"},
)

__all__ = ["SYSTEM"]
