"""Fuel: tank, pumps, lines, rail, injectors and return as one network; suction, tank, guards."""

from __future__ import annotations

from gauge_well.core.duty.facts import MachineFacts
from gauge_well.core.reads import SAG, declared
from gauge_well.core.systems.base import Caution, Compare, Compared, RowName, System
from gauge_well.core.systems.fuel import (
    facts,
    gas,
    refusals,
    remedies,
    rules,
)
from gauge_well.core.systems.fuel.judge import solve
from gauge_well.core.systems.fuel.views import VIEWS

PARTS = {
    "pump": RowName("Fuel pump"),
    "lift": RowName("Lift pump and pot"),
    "injectors": RowName("Injectors", many=True),
    "line": RowName("Fuel lines", many=True),
    "suction": RowName("Fuel suction"),
    "tank": RowName("Tank"),
    "bowl": RowName("Float bowl"),
    "guard": RowName("Fuel guards", many=True),
    gas.PART: RowName("Gas parts", many=True),
}
COMPARE = Compare(
    ("main", "injectors", "lift_pump", "line"),
    (
        Compared("pump_capacity_m3_s", "Pump gives", "flow_fuel", True),
        Compared("pump_pressure_pa", "against", "pressure_gauge", False),
        Compared("pump_voltage_v", "Volts at it", "voltage", True),
        Compared("pump_may_wear", "May wear by", "share", True),
        Compared("injector_duty", "Injectors open", "share", False),
        Compared("idle_pulse_s", "Open at idle", "time_short", True),
        Compared("vapour_margin_pa", "Over boiling", "pressure_difference", True),
    ),
)
CAUTIONS = (
    Caution(
        "fuel_vapour",
        "Line",
        "Fuel vapour burns. Work in the open, no flame or spark, battery off and away from fuel parts, "
        "an extinguisher within reach; let the rail's pressure down first.",
    ),
    Caution(
        "catch",
        "Catch test",
        "Catch fuel into a closed can on the ground with a bonding wire, hose tied down, nobody smoking, "
        "battery charger off.",
    ),
    Caution(
        "pump_cut_off",
        "Guards",
        "Fit a cut-off that stops the pump when the engine stops, on lost oil pressure or on impact. "
        "Local rules decide what is required.",
    ),
    Caution(
        "jet",
        "Diesel",
        "A jet of diesel from an open union goes through skin and glove: keep hands away, and never open a common "
        "rail's pipes. Go to hospital at once if it has.",
    ),
    Caution(
        "old_tank", "Tank", "Never cut, grind or weld a used fuel tank. Boats: sealed from the cabin, vented outboard."
    ),
)


def applies(machine: MachineFacts) -> str | None:
    """Fuel is judged on every machine."""
    return None


# The tank's pickup is thrown about as the oil's is.
DECLARES = declared(takes=SAG, duties="air_speed duration braking cornering pulling heel")
SYSTEM: System = System(
    id="fuel",
    title="Fuel",
    facts=facts.FuelFacts,
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
    lays={
        "line": "fuel",
        "return_line": "fuel",
        "suction": "fuel",
        "lift_line": "fuel",
        "overflow": "vent",
        "wire": "wire",
    },
)

__all__ = ["SYSTEM"]
