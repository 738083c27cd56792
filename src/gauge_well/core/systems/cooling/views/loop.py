"""The loop with its flows and pressures, and what a restrictor does in each of its three places."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import dataclass, fields, replace

import numpy as np

from gauge_well.core.flow.pipe import bore_area, orifice_flow
from gauge_well.core.media import coolant
from gauge_well.core.systems.base import Context, Options
from gauge_well.core.systems.cooling.bench_run import TAP, TAP_PRESSURE
from gauge_well.core.systems.cooling.circuit import circuit_of
from gauge_well.core.systems.cooling.facts import CoolingFacts
from gauge_well.core.systems.cooling.loop import SHUT, narrowest, pressures
from gauge_well.core.systems.cooling.model import Cooling, heat_made, plant_of, prepare
from gauge_well.core.typing import Value, likely

RESTRICTOR, OUTLET = 0.55, 0.005  # of the narrowest bore; m: where no hole is stated
WARMING = 0.05  # thermostat's lift while an engine warms up


@dataclass(frozen=True)
class LoopPressures:
    """Absolute pressures round the loop [Pa]."""

    pump_inlet: float
    pump_outlet: float
    block: float
    engine_outlet: float
    core_inlet: float
    core_outlet: float


@dataclass(frozen=True)
class LoopFlows:
    """Flows of the loop's branches [m3/s]."""

    core: float
    engine: float
    bypass: float
    heater: float


@dataclass(frozen=True)
class PumpInlet:
    """Coolant at the pump's inlet: vapour pressure and what the pump needs there [Pa], temperature [K]."""

    vapour: float
    needed: float
    temperature: float


@dataclass(frozen=True)
class RestrictorPlace:
    """A hole in one of its three places, without it and with it: heat carried [W], flow through the core [m3/s], pressure
    in the block [Pa], flow round a cold engine [m3/s]; of a total-loss outlet the hole [m], its flow, what leaves [K]."""

    place: str
    flow: Sequence[float]
    carries: Sequence[float] | None = None
    block: Sequence[float] | None = None
    warming: Sequence[float] | None = None
    hole: float | None = None
    outlet: float | None = None


@dataclass(frozen=True)
class LoopView:
    """Flows [m3/s] and absolute pressures [Pa] with the coolant at its limit, at a thermostat's lift from 0 to 1."""

    lift: float
    header: str | None
    pump: str | None
    pump_speed_share: float
    pressures: LoopPressures
    flows: LoopFlows
    air_outside: float
    held: float
    inlet: PumpInlet
    boiling_margin: float
    restrictors: Sequence[RestrictorPlace]
    hole: float


def show(context: Context, facts: CoolingFacts, options: Options) -> LoopView:
    """Flows [m3/s] and absolute pressures [Pa] with the coolant at its limit, at a thermostat's lift from 0 to 1."""
    plant = plant_of(context, facts)
    cooling = prepare(context, plant, only_on=True)
    trip = circuit_of(cooling)
    lift = float(np.clip(options.get("lift", 1.0), SHUT, 1.0))
    around = trip.pressures if lift == 1.0 else pressures(plant.loop, facts, trip.held, lift)
    return LoopView(
        lift=lift,
        header=facts.header,
        pump=facts.pump.drive,
        pump_speed_share=likely(plant.loop.speed),
        pressures=LoopPressures(*(likely(getattr(around, f.name)) for f in fields(LoopPressures))),
        flows=LoopFlows(
            core=likely(around.radiator_flow),
            engine=likely(around.whole_flow),
            bypass=likely(around.bypass_flow),
            heater=likely(around.heater_flow),
        ),
        air_outside=likely(plant.pressure),
        held=likely(trip.held),
        inlet=PumpInlet(
            vapour=likely(trip.vapour),
            needed=likely(trip.needed),
            temperature=likely(trip.inlet_temperature),
        ),
        boiling_margin=likely(trip.margin),
        restrictors=[*_restrictors(context, facts), _outlet(context, cooling)],
        hole=_hole(facts),
    )


def _hole(facts: CoolingFacts) -> float:
    bore = facts.restrictor_bore
    return likely(bore) if bore is not None else RESTRICTOR * likely(narrowest(facts))


def _restrictors(context: Context, facts: CoolingFacts) -> list[RestrictorPlace]:
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

    def place_of(place: str) -> RestrictorPlace:
        flow = pair(place, lambda p: around[p].radiator_flow)
        return RestrictorPlace(place, flow, carries=pair(place, lambda p: solved[p].capacity))

    block = pair("main", lambda p: around[p].block)
    warming = pair("bypass", lambda p: cases[p].loop.solve(WARMING)[2])
    return [replace(place_of("main"), block=block), replace(place_of("bypass"), warming=warming)]


def _outlet(context: Context, cooling: Cooling) -> RestrictorPlace:
    """At a total-loss outlet, fed from a tap: the hole sets the flow, and so the water's temperature."""
    water = coolant.properties(TAP + 40.0, 0.0)
    heat = likely(heat_made(context, cooling, context.mean))
    stated = cooling.plant.facts.restrictor_bore
    hole = OUTLET if stated is None else likely(stated)
    flow = likely(orifice_flow(TAP_PRESSURE, bore_area(hole), water.density))
    rise = heat / (likely(water.density) * likely(water.heat_capacity) * flow)
    return RestrictorPlace("outlet", [flow], hole=hole, outlet=TAP + rise)
