"""Exhaust: back pressure, temperature, clearance, pipe by pipe from flange to tip."""

from __future__ import annotations

from gauge_well.core.duty.facts import MachineFacts
from gauge_well.core.reads import BUMP, EXHAUST_SHEDS, ROCK, ROOMS, WHEELBASE, declared, hand
from gauge_well.core.systems.base import Caution, Compare, Compared, RowName, System
from gauge_well.core.systems.exhaust import (
    facts,
    refusals,
    remedies,
    rules,
)
from gauge_well.core.systems.exhaust.judge import sheds, solve
from gauge_well.core.systems.exhaust.views import VIEWS

PARTS = {
    "pipe": RowName("Exhaust pipe"),
    "neighbour": RowName("Room beside the pipe"),
    "room": RowName("Room round the exhaust"),
}
COMPARE = Compare(
    ("pipe", "silencer"),
    (
        Compared("back_pressure_cost_w", "Costs", "power", False),
        Compared("exhaust_back_pressure_pa", "Back pressure", "pressure_difference", False),
        Compared("exhaust_mass_kg", "Weighs", "mass", False),
        Compared("exhaust_velocity_max_m_s", "Gas", "speed_m_s", False),
    ),
)
CAUTIONS = (
    Caution(
        "carbon_monoxide",
        "Pipe",
        "Exhaust gas kills without a smell. Run the engine outdoors; mend every leak ahead of and under the cabin.",
    ),
    Caution(
        "cabin_meter",
        "Cabin",
        "Carry a carbon monoxide alarm on the first drives. Over 30 ppm find the leak; over 100 ppm, or with a headache: "
        "windows open, stop, out.",
    ),
    Caution(
        "hot_pipe",
        "Heat",
        "Pipes stay hot for half an hour. Keep looms, hoses and fuel away by the gaps given, or shield them.",
    ),
    Caution("noise_and_emission", "Limit", "Local rules decide on noise, catalysts and type approval."),
)


def applies(machine: MachineFacts) -> str | None:
    """Why the exhaust is not judged here, or None."""
    if machine.kind == "boat" and machine.exhaust != "dry":
        return "it is wet: Boat judges it"
    return None


DECLARES = declared(
    takes=f"{ROOMS['exhaust_ground']} {ROOMS['exhaust_loom']} {ROOMS['exhaust_fuel']} {ROCK} {WHEELBASE} {BUMP}",
    hands=(hand(sheds, gives=EXHAUST_SHEDS),),
    engine="wastegate cylinders",
    machine="kind exhaust",
    installation="exhaust_ground ground_needed exhaust_loom exhaust_fuel",
    duties="air_speed duration",
)
SYSTEM: System = System(
    id="exhaust",
    title="Exhaust",
    facts=facts.ExhaustFacts,
    fill=rules.fill,
    parts=PARTS,
    asked=4,
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
