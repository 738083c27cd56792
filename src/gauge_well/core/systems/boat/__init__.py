"""A boat's own: raw water, the wet exhaust that keeps the sea out, shaft and propeller, engine room, flooding."""

from __future__ import annotations

from gauge_well.core.duty.facts import MachineFacts
from gauge_well.core.reads import RAW_FLOW, RAW_HEAT, RAW_IN, declared, hand
from gauge_well.core.systems.base import Caution, Compare, Compared, RowName, System
from gauge_well.core.systems.boat import facts, refusals, remedies, rules
from gauge_well.core.systems.boat.judge import solve
from gauge_well.core.systems.boat.raw import serves
from gauge_well.core.systems.boat.views import VIEWS

PARTS = {
    "raw": RowName("Raw-water pump"),
    "suction": RowName("Raw-water suction"),
    "riser": RowName("Riser and injection"),
    "siphon": RowName("Siphon break"),
    "silencer": RowName("Lift silencer"),
    "hose": RowName("Exhaust hose"),
    "shaft": RowName("Propeller shaft"),
    "propeller": RowName("Propeller"),
    "coupling": RowName("Coupling"),
    "room": RowName("Engine room"),
    "bilge": RowName("Bilge pumps", many=True),
}
COMPARE = Compare(
    ("raw_pump", "silencer"),
    (
        Compared("raw_water_flow_m3_s", "Raw water", "flow", True),
        Compared("raw_water_out_k", "leaves at", "temperature", False),
        Compared("mixed_gas_k", "Mix in the hose", "temperature", False),
        Compared("suction_loss_pa", "Draws", "pressure_difference", False),
        Compared("silencer_usable_m3", "Holds, leaning", "volume", True),
        Compared("crank_flood_s", "May crank", "time", True),
        Compared("lift_pressure_pa", "Back pressure", "pressure_difference", False),
    ),
)
CAUTIONS = (
    Caution(
        "back_flooding",
        "Siphon break",
        "A siphon fills an engine overnight. Sea cock shut whenever the boat is left; shut it for long cranking, open it as it fires.",
    ),
    Caution(
        "petrol_aboard",
        "Engine room",
        "Petrol vapour aboard explodes. Blower four minutes and a nose in the bilge before every start; ignition-protected parts; "
        "petrol and gas work by licensed people.",
    ),
    Caution(
        "gas_aboard",
        "Exhaust hose",
        "Exhaust gas kills without a smell, and a following wind brings it aboard. An alarm in every closed space.",
    ),
    Caution(
        "propeller_turns",
        "Propeller",
        "Nobody in the water while the engine can be turned; key out before hands go near shaft or coupling.",
    ),
    Caution(
        "fire_aboard",
        "Engine room",
        "Fire: engine and blower stopped, fuel shut at the tank, an extinguisher through its port; the hatch stays shut. Its shut-offs "
        "within reach from outside the room.",
    ),
    Caution(
        "standards",
        "Flooding",
        "Boat standards, insurers and a surveyor decide on skin fittings, exhausts, fuel and pumps. This is arithmetic beside their "
        "rules.",
    ),
)


def applies(machine: MachineFacts) -> str | None:
    """Only what floats."""
    return None if machine.kind == "boat" else "it is no boat"


DECLARES = declared(
    takes=RAW_HEAT,
    hands=(hand(serves, gives=f"{RAW_FLOW} {RAW_IN}"),),
    machine="kind cooled_by exhaust heel trim sinkage top_speed hull",
    installation="engine_pitch",
    duties="heel sea",
)
SYSTEM: System = System(
    id="boat",
    title="Boat",
    facts=facts.BoatFacts,
    fill=rules.fill,
    parts=PARTS,
    asked=2,
    applies=applies,
    refuse=refusals.refuse,
    solve=solve,
    cautions=CAUTIONS,
    declares=DECLARES,
    views=VIEWS,
    ways=facts.WAYS,
    candidates=remedies.candidates,
    compare=COMPARE,
    lays={"suction": "raw_water", "delivery": "raw_water", "hose": "exhaust_hose"},
)

__all__ = ["SYSTEM"]
