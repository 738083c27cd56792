"""What the station draws: circuit, pumps, speed range, lines, tank, change and guards.

Options: ``duty`` by its place; ``voltage`` at the main pump in place of what the wiring gives (circuit, pumps); ``idle`` 1
for the engine idling in that duty's air in place of its peak (circuit).
"""

from __future__ import annotations

from collections.abc import Callable, Mapping
from typing import Any

from gauge_well.core.errors import CoreError
from gauge_well.core.systems.base import Context, Offer, Options, View, duty_asked, offers_nothing, option
from gauge_well.core.systems.fuel import gas
from gauge_well.core.systems.fuel.circuit import Circuit, circuit_of
from gauge_well.core.systems.fuel.facts import FuelFacts
from gauge_well.core.systems.fuel.views import change, circuit, lines, pumps, speed, tank

Show = Callable[[Context, Circuit, int, Options], Any]
VOLTS = (4.0, 60.0)


def _view(gives: type[Any], show: Show, offer: Callable[[FuelFacts], Offer | None] = offers_nothing) -> View:
    def shown(context: Context, facts: FuelFacts, options: Options) -> Any:
        index = duty_asked(context, options)
        option(options, "voltage", VOLTS[1], *VOLTS, "V")
        if context.engine.fuel.gas:
            label = context.engine.fuel.label
            raise CoreError("not_judged", "engine.fuel", label, "a liquid fuel", f"No drawing: {gas.WHY}.")
        return show(context, circuit_of(context, facts), index, options)

    return View(gives, shown, offer)


VIEWS: Mapping[str, View] = {
    "circuit": _view(circuit.CircuitView, circuit.show),
    "pumps": _view(pumps.PumpsView, pumps.show, pumps.offer),
    "speed": _view(speed.SpeedView, speed.show),
    "lines": _view(lines.LinesView, lines.show),
    "tank": _view(tank.TankView, tank.show),
    "change": _view(change.ChangeView, change.show),
}

__all__ = ["VIEWS"]
