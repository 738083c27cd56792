"""All of the fuel's checks for one state of the engine."""

from __future__ import annotations

from gauge_well.core.checks import Check, Unknown
from gauge_well.core.engine.model import Operation
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.fuel import checks, checks_beside
from gauge_well.core.systems.fuel.circuit import Circuit, demand
from gauge_well.core.systems.fuel.network import Network, Point, missing_of

NAMES = {"pump": ("pump_flow", "Pump flow"), "lift": ("lift_flow", "Lift pump flow")}


def standing(context: Context, circuit: Circuit, network: Network | None) -> list[Check]:
    """Checks that are the same at every power."""
    found = [] if network is None else [*checks.stage_check(network), *checks.return_check(network, context)]
    if has_injectors(circuit):
        found.append(checks.idle_check(circuit, context))
    return found + checks_beside.standing(circuit, context, network)


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
        found.append(checks.injector_check(circuit, context, peak, count))
    found += checks.suction_checks(circuit, point, demand(peak, circuit), count)
    return found + checks_beside.judged(circuit, context, point, peak, count)


def has_injectors(circuit: Circuit) -> bool:
    """Whether injectors are judged here and known."""
    return circuit.way.injectors and circuit.facts.injectors.flow is not None


def unknown_of(circuit: Circuit) -> list[Unknown]:
    """What cannot be judged, and the facts that are missing."""
    found = [Unknown(*NAMES[part], part, missing) for part, missing in missing_of(circuit).items()]
    if circuit.way.injectors and circuit.facts.injectors.flow is None:
        found.append(Unknown("injector_duty", "Injector opening", "injectors", ("fuel.injectors.flow",)))
    if circuit.facts.lift == "pot" and circuit.facts.pot.volume is None:
        found.append(Unknown("pot_holds", "Surge pot", "lift", ("fuel.pot.volume",)))
    return found
