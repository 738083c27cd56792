"""What the station draws, by view: circuit, pumps, speed range, lines, tank, change and guards."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from typing import Any

from gauge_well.core.errors import CoreError, MissingFact
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.fuel import gas, show_change, show_circuit, show_lines, show_pumps, show_speed, show_tank
from gauge_well.core.systems.fuel.circuit import Circuit, circuit_of
from gauge_well.core.systems.fuel.facts import FuelFacts

Show = Callable[[Context, Circuit, int, Mapping[str, float]], dict[str, Any]]
# Views in the order of their numbers.
VIEWS: tuple[Show, ...] = (
    show_circuit.show,
    show_pumps.show,
    show_speed.show,
    show_lines.show,
    show_tank.show,
    show_change.show,
)
VOLTS = (4.0, 60.0)


def instrument(context: Context, facts: FuelFacts, options: Mapping[str, float]) -> dict[str, Any]:
    """One view of the station, for one duty.

    Options
    -------
    view : place in :data:`VIEWS`; the circuit by default.
    duty : index of the duty.
    voltage : volts at the main pump, in place of what the wiring gives; of the circuit and the pumps.
    idle : 1 for the engine idling in that duty's air, in place of the duty's peak; of the circuit.

    Returns
    -------
    dict
        What the view draws, with ``duty``; or ``unknown`` naming what is missing.
    """
    cases = context.duties.cases
    index, view = int(options.get("duty", 0)), int(options.get("view", 0))
    if not 0 <= index < len(cases):
        raise CoreError("out_of_range", "duty", index, f"0 to {len(cases) - 1}", "There is no such duty.")
    if not 0 <= view < len(VIEWS):
        raise CoreError("out_of_range", "view", view, f"0 to {len(VIEWS) - 1}", "There is no such view.")
    if "voltage" in options and not VOLTS[0] <= float(options["voltage"]) <= VOLTS[1]:
        raise CoreError("out_of_range", "voltage", options["voltage"], "4 to 60 V", "Voltage is out of range.")
    if context.engine.fuel.gas:
        raise CoreError(
            "not_judged", "engine.fuel", context.engine.fuel.label, "a liquid fuel", f"No drawing: {gas.WHY}."
        )
    try:
        found = VIEWS[view](context, circuit_of(context, facts), index, options)
    except MissingFact as error:
        return {"unknown": [error.field]}
    return {"duty": cases[index].id, **found}
