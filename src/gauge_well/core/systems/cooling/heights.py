"""Heights along the coolant's run: where air gathers."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.systems.cooling.facts import CoolingFacts
from gauge_well.core.typing import Value, as_array, likely


@dataclass(frozen=True)
class Spot:
    """A place of the run by height: ``vented`` lets air out by itself."""

    name: str
    height: float
    vented: bool


def spots(facts: CoolingFacts) -> list[Spot]:
    """The run from the engine's outlet to the pump's inlet, as far as heights are given."""
    found: list[Spot] = []

    def add(name: str, height: Value | None, vented: bool = False) -> None:
        if height is not None:
            found.append(Spot(name, likely(height), vented))

    add("the engine's outlet", facts.engine_outlet_height, facts.steam_line == "yes")
    for at, row in enumerate(facts.high_points or ()):
        add(f"hump {at + 1}", row[0], likely(as_array(row[1])) > 0.5)
    add("the core's inlet", facts.core_inlet_height, facts.header == "core")
    if facts.core_foot is not None and facts.core.height is not None:
        top = likely(facts.core_foot) + likely(facts.core.height)
        add("the core's top", top, facts.header in ("core", "core_cold"))
    add("the core's outlet", facts.core_outlet_height, facts.header == "core_cold")
    add("the pump's inlet", facts.pump_inlet_height, facts.header == "remote")
    return found


def bleed_points(run: Sequence[Spot]) -> list[Spot]:
    """Places higher than both neighbours that have no vent: where air gathers and must be let out by hand."""
    found = []
    for at, spot in enumerate(run):
        left = run[at - 1].height if at > 0 else -np.inf
        # From the pump on the way leads up into the engine.
        right = run[at + 1].height if at + 1 < len(run) else np.inf
        if spot.height > left and spot.height >= right and not spot.vented and len(run) > 1:
            found.append(spot)
    return found
