"""A boat's coolant: through a heat exchanger to raw water, or through a keel cooler to the sea; judged as a radiator's is, the
same loop, limit and duration."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace

import numpy as np

from gauge_well.core.engine.model import Operation
from gauge_well.core.errors import MissingFact
from gauge_well.core.facts import need
from gauge_well.core.heat.exchanger import FOULED, heat_a_kelvin, keel_coefficient
from gauge_well.core.heat.two_node import TwoNode, respond
from gauge_well.core.media import coolant
from gauge_well.core.media.seawater import HEAT_CAPACITY
from gauge_well.core.reads import (
    COOLANT_FREE,
    COOLANT_LEAST,
    COOLANT_MOST,
    COOLANT_PER_WATT,
    OIL_PULL,
    RAW_FLOW,
    RAW_HEAT,
    RAW_IN,
)
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.cooling import front
from gauge_well.core.systems.cooling.facts import CoolingFacts
from gauge_well.core.systems.cooling.loop import Loop, Solved, loop_of
from gauge_well.core.systems.cooling.model import (
    COOLANT_HEAT,
    FILM,
    METAL_SHARE,
    METAL_STANDS,
    boiling_and_limit,
    coolant_flow,
    start_temperatures,
)
from gauge_well.core.typing import Array, as_array

HALF_OPEN = 6.0  # K over its first lift at which a thermostat under load is half open
PAINTED = 2e-3  # m2K/W more of paint or thick growth on a keel cooler (common practice)


@dataclass(frozen=True, kw_only=True)
class Afloat:
    """What depends neither on power nor on the sea; axes (power step, duty, sample)."""

    facts: CoolingFacts
    loop: Loop
    open_loop: Solved
    glycol: Array
    pressure: Array
    boiling: Array
    limit: Array
    metal: Array
    liquid: Array
    thermostat: Array


@dataclass(frozen=True)
class Exchanged:
    """Heat shed with the coolant at its limit [W]."""

    heat: Array


@dataclass(frozen=True, kw_only=True)
class Marine:
    """A boat's cooling in the sea of its duties, ready to be asked at any power.

    ``inlet``: raw water as it comes [K], the sea's own at a keel cooler; ``raw_rate`` its capacity rate [W/K], without end
    there; ``clean`` and ``conductance_ua``: of the cooler, new and as fouled as it runs; ``rate`` heat for each kelvin of
    coolant over raw water [W/K]; ``pull`` what the oil brings less for each kelvin.
    """

    plant: Afloat
    sea: Array
    inlet: Array
    raw_rate: Array
    coolant_rate: Array
    clean: Array
    conductance_ua: Array
    rate: Array
    at_limit: Exchanged
    sink: Array
    start: Array
    start_metal: Array
    response: TwoNode
    capacity: Array
    conductance: Array
    pull: Array
    duration: Array


def afloat(context: Context, facts: CoolingFacts) -> Afloat:
    """Loop, coolant and its limit in each duty."""
    duties = context.duties
    pressure = duties.column("pressure")
    glycol, boiling, limit = boiling_and_limit(context, facts, pressure)
    flow_at, at_speed, known = coolant_flow(context, facts, glycol)
    loop = loop_of(
        None,
        facts,
        glycol,
        limit - FILM,
        (flow_at, at_speed),
        context.engine.rated_speed,
        duties.column("engine_speed"),
        known == "here",
    )
    litres = 1e3 * as_array(facts.coolant_volume)
    return Afloat(
        facts=facts,
        loop=loop,
        open_loop=loop.solve(1.0),
        glycol=glycol,
        pressure=pressure,
        boiling=boiling,
        limit=limit,
        metal=METAL_SHARE * context.engine.body_capacity,
        liquid=litres * COOLANT_HEAT,
        thermostat=as_array(context.engine.facts.thermostat),
    )


def _cooler(context: Context, facts: CoolingFacts) -> tuple[Array, Array, Array, Array]:
    """Conductance clean and fouled [W/K], capacity rate of the raw water [W/K], where it comes at [K]."""
    sea = context.duties.column("sea")
    if context.machine.cooled_by == "keel":
        area = as_array(need(facts.keel_area, "cooling.keel_area"))
        speed = context.duties.column("asked_speed")
        foul = PAINTED if facts.keel_painted == "yes" else 0.0
        clean = area * keel_coefficient(speed, 0.0)
        return clean, np.asarray(area * keel_coefficient(speed, FOULED + foul)), np.asarray(np.inf), sea
    clean = as_array(need(facts.exchanger.conductance, "cooling.exchanger.conductance"))
    moves, comes = context.told(RAW_FLOW), context.told(RAW_IN)
    if moves is None or comes is None:
        raise MissingFact("boat.raw_pump.displacement")
    return clean, np.asarray(clean * facts.fouled), np.asarray(moves * HEAT_CAPACITY), comes


def solved(context: Context, facts: CoolingFacts, plant: Afloat | None = None) -> Marine:
    """The cooling of a boat; MissingFact names what is absent."""
    cooler = _cooler(context, facts)
    return prepare(context, afloat(context, facts) if plant is None else plant, *cooler)


def prepare(context: Context, plant: Afloat, clean: Array, fouled: Array, raw_rate: Array, inlet: Array) -> Marine:
    """Capacity for each duty's duration, with a cooler of a conductance on water of a capacity rate [W/K] that comes at ``inlet``
    [K]."""
    limit, facts = plant.limit, plant.facts
    fluid = coolant.properties(limit - FILM, plant.glycol)
    coolant_rate = np.maximum(plant.open_loop[1] * fluid.density * fluid.heat_capacity, 1e-3)
    if bool(np.all(np.isinf(raw_rate))):
        rate = coolant_rate * -np.expm1(-fouled / coolant_rate)
    else:
        rate = heat_a_kelvin(facts.exchanger_is, fouled, coolant_rate, np.maximum(raw_rate, 1e-3))
    rate = np.maximum(rate, 1e-3)
    pull = as_array(context.given.get(OIL_PULL, 0.0))
    conductance = rate + pull
    sink = (rate * inlet + pull * limit) / conductance
    sea = context.duties.column("sea")
    begin = start_temperatures(context, limit, context.duties.column("ambient"))
    duration = context.duties.column("duration")
    between = context.own_coolant_heat / METAL_STANDS
    response = respond(duration, plant.metal, plant.liquid, between, conductance)
    free = response.weight_metal * begin.metal + response.weight_coolant * begin.coolant + response.weight_sink * sink
    return Marine(
        plant=plant,
        sea=sea,
        inlet=np.asarray(inlet),
        raw_rate=raw_rate,
        coolant_rate=coolant_rate,
        clean=np.asarray(clean),
        conductance_ua=np.asarray(fouled),
        rate=rate,
        at_limit=Exchanged(np.asarray(np.maximum(rate * (limit - inlet), 0.0))),
        sink=sink,
        start=begin.coolant,
        start_metal=begin.metal,
        response=response,
        capacity=np.asarray((limit - free) / response.per_watt),
        conductance=conductance,
        pull=pull,
        duration=duration,
    )


def heat_made(context: Context, limit: Array, mean: Operation) -> Array:
    """Heat that lands in the coolant at its limit [W]: the engine's, and what the oil brings it."""
    return np.asarray(np.maximum(mean.heat_to_coolant + front.oil_to_coolant(context, mean, limit), 0.0))


def overboard(context: Context, facts: CoolingFacts) -> Mapping[str, Array]:
    """What a boat's raw water has to take of coolant and oil; without end ashore."""
    if context.machine.kind != "boat":
        return {RAW_HEAT: as_array(np.inf)}
    limit = boiling_and_limit(context, facts, context.duties.column("pressure"))[2]
    return {RAW_HEAT: heat_made(context, limit, context.mean)}


def leaves(context: Context, facts: CoolingFacts) -> Mapping[str, Array]:
    """Where each duty leaves the coolant, linear in the heat; nothing where the cooler is not known."""
    try:
        found = solved(context, facts)
    except MissingFact:
        return {}
    limit, per_watt = found.plant.limit, found.response.per_watt
    made = heat_made(context, limit, context.mean)
    standing = front.oil_standing(context, limit)
    jacket, follows = context.mean.heat_to_coolant, per_watt * (made - standing)
    each = np.divide(follows, jacket, out=np.zeros_like(follows), where=jacket > 0)
    return {
        COOLANT_FREE: np.asarray(limit - found.capacity * per_watt + per_watt * standing),
        COOLANT_PER_WATT: each,
        COOLANT_LEAST: np.asarray(np.minimum(found.plant.thermostat + HALF_OPEN, limit)),
        COOLANT_MOST: limit,
    }


def settles(found: Marine, made: Array) -> Array:
    """Coolant at the end of each duty [K]: held by its thermostat while more is shed than made, past that up with the heat."""
    end = found.plant.limit + (made - found.capacity) * found.response.per_watt
    return np.asarray(np.maximum(end, np.minimum(found.plant.thermostat + HALF_OPEN, found.plant.limit)))


def limiting_sea(found: Marine, made: Array) -> Array:
    """Sea up to which each duty holds [K]: the capacity falls with it in a straight line."""
    falls = found.response.weight_sink * found.rate / found.conductance / found.response.per_watt
    return np.asarray(found.sea + (found.capacity - made) / np.maximum(falls, 1e-9))


def with_fouling(context: Context, facts: CoolingFacts, left: float) -> Marine:
    """The same with so much of its clean conductance left."""
    return solved(context, replace(facts, fouled=left))
