"""All of the fuel's checks for one state of the engine."""

from __future__ import annotations

from collections.abc import Sequence

from gauge_well.core.checks import Check, Unknown
from gauge_well.core.engine.model import Operation
from gauge_well.core.systems.base import Beside, Context, Result
from gauge_well.core.systems.fuel import (
    checks,
    checks_beside,
    facts,
    figures,
    gas,
    judge,
    need,
    notices,
    working,
)
from gauge_well.core.systems.fuel.circuit import Circuit, circuit_of, demand, has_injectors
from gauge_well.core.systems.fuel.network import Network, Point, at_peak, missing_of
from gauge_well.core.typing import likely

NAMES = {"pump": ("pump_flow", "Pump flow"), "lift": ("lift_flow", "Lift pump flow")}


def standing(context: Context, circuit: Circuit, network: Network | None) -> list[Check]:
    """Checks that are the same at every power."""
    found = [] if network is None else [*checks.stage_check(network), *checks.return_check(context, network)]
    if has_injectors(circuit):
        found.append(checks.idle_check(context, circuit))
    return found + checks_beside.standing(context, circuit, network)


def judged(context: Context, circuit: Circuit, point: Point | None, peak: Operation) -> list[Check]:
    """Checks of every duty that follow the power; ``point`` is the network's state at ``peak``, None where a pump is
    not known."""
    count = len(context.duties.cases)
    found: list[Check] = []
    if point is not None:
        found.append(checks.pump_check(point, count))
        if circuit.facts.lift == "pot":
            found.append(checks.lift_check(point, count))
            found += checks.pot_check(point, count)
    if has_injectors(circuit):
        found.append(checks.injector_check(context, circuit, peak, count))
    found += checks.suction_checks(circuit, point, demand(peak, circuit), count)
    return found + checks_beside.judged(context, circuit, point, peak, count)


def unknown_of(circuit: Circuit) -> list[Unknown]:
    """What cannot be judged, and the facts that are missing."""
    found = [Unknown(*NAMES[part], part, missing) for part, missing in missing_of(circuit).items()]
    if circuit.way.injectors and circuit.facts.injectors.flow is None:
        found.append(Unknown("injector_duty", "Injector opening", "injectors", ("fuel.injectors.flow",)))
    if circuit.facts.lift == "pot" and circuit.facts.pot.volume is None:
        found.append(Unknown("pot_holds", "Surge pot", "lift", ("fuel.pot.volume",)))
    return found


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
        notices=lambda: notices.notices(context, circuit, base),
        working=lambda index: working.steps(context, circuit, base, index),
        beside=lambda: _beside(base),
    )


def _beside(point: Point | None) -> Sequence[Beside]:
    if point is None:
        return ()
    draws = likely(point.amps) + likely(point.lift_amps)
    return (Beside("pump_current", "pumps draw", draws, "current"),) if draws > 0.0 else ()
