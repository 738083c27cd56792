"""The loop with its flows and pressures, and what a restrictor does in each of its three places."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import replace
from typing import Any

import numpy as np

from gauge_well.core.flow.pipe import bore_area, orifice_flow
from gauge_well.core.media import coolant
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.cooling.bench_run import TAP, TAP_PRESSURE
from gauge_well.core.systems.cooling.circuit import circuit_of
from gauge_well.core.systems.cooling.facts import CoolingFacts
from gauge_well.core.systems.cooling.loop import SHUT, narrowest, pressures
from gauge_well.core.systems.cooling.model import Cooling, heat_made, plant_of, prepare
from gauge_well.core.typing import Value, likely

RESTRICTOR, OUTLET = 0.55, 0.005  # of the narrowest bore; m: where no hole is stated
WARMING = 0.05  # thermostat's lift while an engine warms up


def show(context: Context, facts: CoolingFacts, options: Mapping[str, float]) -> dict[str, Any]:
    """Flows [m3/s] and absolute pressures [Pa] with the coolant at its limit, at a thermostat's lift from 0 to 1."""
    plant = plant_of(context, facts)
    cooling = prepare(context, plant, only_on=True)
    trip = circuit_of(cooling)
    lift = float(np.clip(options.get("lift", 1.0), SHUT, 1.0))
    around = trip.pressures if lift == 1.0 else pressures(plant.loop, facts, trip.held, lift)
    return {
        "lift": lift,
        "header": facts.header,
        "pump": facts.pump.drive,
        "pump_speed_share": likely(plant.loop.speed),
        "pressures": {
            name: likely(getattr(around, name))
            for name in ("pump_inlet", "pump_outlet", "block", "engine_outlet", "core_inlet", "core_outlet")
        },
        "flows": {
            "core": likely(around.radiator_flow),
            "engine": likely(around.whole_flow),
            "bypass": likely(around.bypass_flow),
            "heater": likely(around.heater_flow),
        },
        "air_outside": likely(plant.pressure),
        "held": likely(trip.held),
        "inlet": {
            "vapour": likely(trip.vapour),
            "needed": likely(trip.needed),
            "temperature": likely(trip.inlet_temperature),
        },
        "boiling_margin": likely(trip.margin),
        "restrictors": [*_restrictors(context, facts), _outlet(context, cooling)],
        "hole": _hole(facts),
    }


def _hole(facts: CoolingFacts) -> float:
    bore = facts.restrictor_bore
    return likely(bore) if bore is not None else RESTRICTOR * likely(narrowest(facts))


def _restrictors(context: Context, facts: CoolingFacts) -> list[dict[str, Any]]:
    """That hole in the main loop and in the bypass against none at all; the pump stays what it is.

    In the main loop it never sheds more, and the block stands higher. In the bypass a cold engine's coolant goes
    round more slowly past the core's branch, a hot one's more through it.
    """
    free = plant_of(context, replace(facts, restrictor="none"))
    cases = {"none": free}
    for place in ("main", "bypass"):
        held = replace(facts, restrictor=place, restrictor_bore=_hole(facts))
        loop = plant_of(context, held).loop.with_pump_of(free.loop)
        cases[place] = plant_of(context, held, loop)
    solved = {place: prepare(context, plant, only_on=True) for place, plant in cases.items()}
    around = {place: circuit_of(cooling).pressures for place, cooling in solved.items()}

    def pair(place: str, read: Callable[[str], Value]) -> list[float]:
        return [likely(read("none")), likely(read(place))]

    found: list[dict[str, Any]] = [
        {
            "place": place,
            "carries": pair(place, lambda p: solved[p].capacity),
            "flow": pair(place, lambda p: around[p].radiator_flow),
        }
        for place in ("main", "bypass")
    ]
    found[0]["block"] = pair("main", lambda p: around[p].block)
    found[1]["warming"] = pair("bypass", lambda p: cases[p].loop.solve(WARMING)[2])
    return found


def _outlet(context: Context, cooling: Cooling) -> dict[str, Any]:
    """At a total-loss outlet, fed from a tap: the hole sets the flow, and so the water's temperature."""
    water = coolant.properties(TAP + 40.0, 0.0)
    heat = likely(heat_made(cooling, context, context.mean))
    stated = cooling.plant.facts.restrictor_bore
    hole = OUTLET if stated is None else likely(stated)
    flow = likely(orifice_flow(TAP_PRESSURE, bore_area(hole), water.density))
    rise = heat / (likely(water.density) * likely(water.heat_capacity) * flow)
    return {"place": "outlet", "hole": hole, "flow": [flow], "outlet": TAP + rise}
