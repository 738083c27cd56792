"""The loop with its flows and pressures, and what a restrictor does in each of its three places."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import replace
from typing import Any

import numpy as np

from gauge_well.core.flow.pipe import bore_area, orifice_flow
from gauge_well.core.media import coolant
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.cooling.circuit import Circuit, circuit_of
from gauge_well.core.systems.cooling.facts import CoolingFacts
from gauge_well.core.systems.cooling.loop import SHUT, narrowest, pressures
from gauge_well.core.systems.cooling.model import Cooling, heat_made, plant_of, prepare
from gauge_well.core.typing import likely

RESTRICTOR, OUTLET = 0.55, 0.005  # of the narrowest bore; m: where no hole is stated
TAP_PRESSURE, TAP_TEMPERATURE = 200e3, 288.15  # water main over the air outside, and its water (common practice)
WARMING = 0.05  # thermostat's lift while an engine warms up


def _one(value: Any) -> float:
    return float(np.ravel(np.asarray(value))[0])


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
        "pump": facts.pump_drive,
        "pump_speed_share": _one(plant.loop.speed),
        "pressures": {
            name: _one(getattr(around, name))
            for name in ("pump_inlet", "pump_outlet", "block", "engine_outlet", "core_inlet", "core_outlet")
        },
        "flows": {
            "core": _one(around.radiator_flow),
            "engine": _one(around.whole_flow),
            "bypass": _one(around.bypass_flow),
            "heater": _one(around.heater_flow),
        },
        "air_outside": _one(plant.pressure),
        "held": _one(trip.held),
        "inlet": {
            "vapour": _one(trip.vapour),
            "needed": _one(trip.needed),
            "temperature": _one(trip.inlet_temperature),
        },
        "boiling_margin": _one(trip.margin),
        "restrictors": [
            _main(context, facts, cooling, trip),
            _bypass(context, facts, cooling),
            _outlet(context, cooling),
        ],
        "hole": _hole(facts),
    }


def _hole(facts: CoolingFacts) -> float:
    bore = facts.restrictor_bore
    return likely(bore) if bore is not None else RESTRICTOR * likely(narrowest(facts))


def _with(context: Context, facts: CoolingFacts, place: str) -> tuple[Cooling, Circuit]:
    """The build with that hole in one place, and its loop; the pump stays what it is."""
    plain = plant_of(context, replace(facts, restrictor="none"))
    held = replace(facts, restrictor=place, restrictor_bore=_hole(facts))
    loop = plain.loop
    through = replace(plant_of(context, held).loop, head=loop.head, own=loop.own, engine=loop.engine)
    cooling = prepare(context, plant_of(context, held, through), only_on=True)
    return cooling, circuit_of(cooling)


def _main(context: Context, facts: CoolingFacts, cooling: Cooling, trip: Circuit) -> dict[str, Any]:
    """In the main loop: never sheds more; the block stands higher."""
    plain, before = _with(context, facts, "none")
    after, around = _with(context, facts, "main")
    return {
        "place": "main",
        "carries": [_one(plain.capacity), _one(after.capacity)],
        "flow": [_one(before.pressures.radiator_flow), _one(around.pressures.radiator_flow)],
        "block": [_one(before.pressures.block), _one(around.pressures.block)],
    }


def _bypass(context: Context, facts: CoolingFacts, cooling: Cooling) -> dict[str, Any]:
    """In the bypass: a cold engine's coolant goes round more slowly past the core's branch, a hot one's more through it."""
    found: dict[str, list[float]] = {"carries": [], "flow": [], "warming": []}
    for place in ("none", "bypass"):
        solved, around = _with(context, facts, place)
        found["carries"].append(_one(solved.capacity))
        found["flow"].append(_one(around.pressures.radiator_flow))
        found["warming"].append(_one(solved.plant.loop.solve(WARMING)[2]))
    return {"place": "bypass", **found}


def _outlet(context: Context, cooling: Cooling) -> dict[str, Any]:
    """At a total-loss outlet, fed from a tap: the hole sets the flow, and so the water's temperature."""
    water = coolant.properties(TAP_TEMPERATURE + 40.0, 0.0)
    heat = _one(heat_made(cooling, context, context.mean))
    stated = cooling.plant.facts.restrictor_bore
    hole = OUTLET if stated is None else likely(stated)
    flow = _one(orifice_flow(TAP_PRESSURE, bore_area(hole), water.density))
    rise = heat / (_one(water.density) * _one(water.heat_capacity) * flow)
    return {"place": "outlet", "hole": hole, "flow": [flow], "outlet": TAP_TEMPERATURE + rise}
