"""Fuel: tank, pumps, lines, rail, injectors and return as one network; suction, tank, guards."""

from __future__ import annotations

from collections.abc import Sequence

from gauge_well.core.checks import Check
from gauge_well.core.duty.facts import MachineFacts
from gauge_well.core.engine.model import Operation
from gauge_well.core.reads import declared
from gauge_well.core.systems.base import Beside, Caution, Compare, Compared, Context, Result, System, gives_nothing
from gauge_well.core.systems.fuel import facts, figures, gas, judge, need, notices, pump, remedies, working
from gauge_well.core.systems.fuel.circuit import circuit_of
from gauge_well.core.systems.fuel.network import Point, at_peak
from gauge_well.core.systems.fuel.views import VIEWS
from gauge_well.core.typing import likely

PARTS = {
    "pump": "Fuel pump",
    "lift": "Lift pump and pot",
    "injectors": "Injectors",
    "line": "Fuel lines",
    "suction": "Fuel suction",
    "tank": "Tank",
    "bowl": "Float bowl",
    "guard": "Fuel guards",
    gas.PART: "Gas parts",
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


def solve(context: Context, given: facts.FuelFacts) -> Result:
    """Solve fuel for the context's duties; a missing part leaves its check unknown."""
    if context.engine.fuel.gas:
        return gas.result(context, given)
    circuit = circuit_of(context, given)
    unknown = judge.unknown_of(circuit)
    base = at_peak(context, circuit)
    network = None if base is None else base.network

    fixed: list[Check] = []

    def judged(mean: Operation, peak: Operation) -> Sequence[Check]:
        # What stands at every power is worked once, when it is first asked for.
        if not fixed:
            fixed.extend(judge.standing(context, circuit, network))
        point = base if peak is context.peak or network is None else network.at(peak)
        return [*judge.judged(context, circuit, point, peak), *fixed]

    return Result(
        checks=judged,
        unknown=unknown,
        figures=lambda: figures.figures(context, circuit, base),
        needs=lambda: need.needs(context, circuit),
        notices=lambda: notices.notices(circuit, context, base),
        working=lambda index: working.steps(circuit, base, context, index),
        beside=lambda: _beside(base),
    )


def _beside(point: Point | None) -> Sequence[Beside]:
    if point is None:
        return ()
    draws = likely(point.amps) + likely(point.lift_amps)
    return (Beside("pump_current", "pumps draw", draws, "current"),) if draws > 0.0 else ()


# The tank's pickup is thrown about as the oil's is.
DECLARES = declared(duties="air_speed duration braking cornering pulling heel")
SYSTEM: System = System(
    id="fuel",
    title="Fuel",
    facts=facts.FuelFacts,
    fill=facts.fill,
    parts=PARTS,
    applies=applies,
    refuse=pump.refuse,
    solve=solve,
    cautions=CAUTIONS,
    declares=DECLARES,
    gives=gives_nothing,
    views=VIEWS,
    ways=facts.WAYS,
    candidates=remedies.candidates,
    compare=COMPARE,
)

__all__ = ["SYSTEM"]
