"""Coolant from the first turn on: a sound loop and any number of troubled ones, marched side by side."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace

import numpy as np

from gauge_well.core.errors import MissingFact
from gauge_well.core.heat.exchanger import heat_a_kelvin
from gauge_well.core.heat.transient import Body, March, ShedTable, march
from gauge_well.core.media import air, coolant
from gauge_well.core.start.setting import Stood
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.cooling import afloat, gauge, model
from gauge_well.core.systems.cooling.facts import CoolingFacts
from gauge_well.core.systems.cooling.loop import SHUT
from gauge_well.core.typing import Array, as_array, likely

LOW, HIGH, ROWS = 243.15, 453.15, 71  # K
STEP, LONGEST = 4.0, 1800.0  # s
BY_SEA = ("exchanger", "keel")


@dataclass(frozen=True)
class Trouble:
    """What is wrong with a loop, as factors on a sound one's.

    ``shed`` of the core's or exchanger's conductance, ``pumped`` of the coolant, ``fan`` of the fan's speed (0 it stands),
    ``raw`` of the raw water, ``heat`` of what the engine makes; ``lift``: where the thermostat sticks.
    """

    shed: float = 1.0
    pumped: float = 1.0
    fan: float = 1.0
    raw: float = 1.0
    heat: float = 1.0
    lift: float | None = None


@dataclass(frozen=True, eq=False)
class Loop:
    """A loop in one trouble over the draws: heat shed over coolant temperature and the fan's state.

    ``table``, ``core`` (row, state, sample) [W]: all of it, and what the core or exchanger takes; ``flow`` (row, sample) of
    coolant through that [W/K]; ``air`` (state, sample) through the core [W/K], nought afloat; ``comes`` (state, sample)
    [K] of what cools; ``made`` (sample,) [W]; ``outside`` and ``cap`` [Pa];
    ``fan_power`` of all fans at full [W].
    """

    table: Array
    core: Array
    flow: Array
    air: Array
    comes: Array
    made: Array
    body: Body
    switches: tuple[tuple[Array, Array], ...]
    limit: Array
    boiling: Array
    thermostat: Array
    start: Array
    outside: Array
    cap: Array
    glycol: Array
    fan_power: Array

    def boils_at(self, share: float) -> Array:
        """Boiling point [K] with a cap that holds so much of its pressure."""
        return np.asarray(coolant.boiling_point(self.outside + self.cap * share, self.glycol))


def rows() -> Array:
    """Coolant temperatures that heat is tabulated at [K]."""
    return np.linspace(LOW, HIGH, ROWS)


def loop_of(stood: Stood, facts: CoolingFacts, trouble: Trouble) -> Loop:
    """A loop in a trouble; MissingFact names what is not known of it."""
    cooled_by = stood.context.machine.cooled_by
    if stood.context.machine.kind == "boat" and cooled_by in BY_SEA:
        return _afloat(stood, facts, trouble)
    if stood.context.machine.kind == "boat" or cooled_by not in (None, "radiator"):
        raise MissingFact("machine.cooled_by")
    return _ashore(stood, facts, trouble)


def _body(stood: Stood, metal: Array, liquid: Array) -> Body:
    between = stood.context.own_coolant_heat / model.METAL_STANDS
    return Body(*(stood.wide(v) for v in (metal, liquid, between)))


def _ashore(stood: Stood, facts: CoolingFacts, trouble: Trouble) -> Loop:
    context = stood.context
    plant = model.plant_of(context, facts)
    if trouble.pumped != 1.0:
        plant = model.plant_of(context, facts, replace(plant.loop, speed=plant.loop.speed * trouble.pumped))
    if trouble.fan != 1.0:
        # A fan that stands still lets by what it will; the tables need a number over nought.
        turns = max(trouble.fan, 0.02)
        fan = replace(
            plant.fan,
            free_air=as_array(plant.fan.free_air) * turns,
            shut_off=as_array(plant.fan.shut_off) * turns**2,
        )
        plant = replace(plant, fan=fan)
    cooling = model.prepare(context, plant)
    cooling = replace(cooling, ageing=cooling.ageing * trouble.shed)
    at = rows().reshape(-1, 1, 1, 1, 1)
    states = len(model.states_of(plant.fan))
    shape = (ROWS, states, 1, 1, stood.samples)
    lift = None if trouble.lift is None else max(trouble.lift, SHUT)
    core = np.broadcast_to(gauge.core_shed_at(cooling, at, cooling.airs, lift), shape)[:, :, 0, 0]
    beside = cooling.heater * (at - cooling.ambient) + cooling.pull * (at - plant.limit)
    beside = beside + model.still_conductance(context) * (at - cooling.ambient)
    opened = plant.lift(at) if lift is None else as_array(lift)
    fluid = coolant.properties(at - model.FILM, plant.glycol)
    flow = plant.loop.radiator_flow(opened) * fluid.density * fluid.heat_capacity
    wide = (states, 1, 1, stood.samples)
    return Loop(
        table=core + np.broadcast_to(beside, shape)[:, :, 0, 0],
        core=core,
        flow=np.broadcast_to(flow, (ROWS, 1, 1, 1, stood.samples))[:, 0, 0, 0],
        air=np.broadcast_to(cooling.airs.mass_flow * air.CP_AIR, wide)[:, 0, 0],
        comes=np.broadcast_to(cooling.airs.air_in, wide)[:, 0, 0],
        made=stood.wide(model.heat_made(context, cooling, context.mean) * trouble.heat),
        body=_body(stood, plant.metal, plant.liquid),
        switches=tuple((stood.wide(on), stood.wide(off)) for on, off in gauge.thresholds(facts, states - 1)),
        limit=stood.wide(plant.limit),
        boiling=stood.wide(plant.boiling),
        thermostat=stood.wide(plant.thermostat),
        start=stood.wide(cooling.ambient),
        outside=stood.wide(plant.pressure),
        cap=stood.wide(facts.cap_pressure),
        glycol=stood.wide(plant.glycol),
        fan_power=stood.wide(model.fan_power(cooling)),
    )


def _afloat(stood: Stood, facts: CoolingFacts, trouble: Trouble) -> Loop:
    context = stood.context
    found = afloat.solved(context, facts)
    plant, sea = found.plant, found.sea
    at = rows().reshape(-1, 1, 1, 1)
    lift = model.lift_of(at, plant.thermostat) if trouble.lift is None else as_array(max(trouble.lift, SHUT))
    if facts.thermostat_kind == "none":
        lift = np.ones_like(at)
    fluid = coolant.properties(at - model.FILM, plant.glycol)
    flow = plant.loop.radiator_flow(lift) * trouble.pumped * fluid.density * fluid.heat_capacity
    ua = found.conductance_ua * trouble.shed
    raw = np.maximum(found.raw_rate * trouble.raw, 1e-3)
    comes = sea + (found.inlet - sea) / max(trouble.raw, 0.05)
    if bool(np.all(np.isinf(found.raw_rate))):
        rate = flow * -np.expm1(-ua / np.maximum(flow, 1e-6))
    else:
        rate = heat_a_kelvin(facts.exchanger_is, ua, np.maximum(flow, 1e-3), raw)
    shape = (ROWS, 1, 1, stood.samples)
    core = np.broadcast_to(rate * (at - comes), shape)
    beside = found.pull * (at - plant.limit) + model.still_conductance(context) * (at - sea)
    table = core + np.broadcast_to(beside, shape)
    end = (1, 1, 1, stood.samples)
    return Loop(
        table=table[:, 0],
        core=core[:, 0],
        flow=np.broadcast_to(flow, shape)[:, 0, 0],
        air=np.zeros((1, stood.samples)),
        comes=np.broadcast_to(comes, end)[0, 0],
        made=stood.wide(afloat.heat_made(context, plant.limit, context.mean) * trouble.heat),
        body=_body(stood, plant.metal, plant.liquid),
        switches=(),
        limit=stood.wide(plant.limit),
        boiling=stood.wide(plant.boiling),
        thermostat=stood.wide(plant.thermostat),
        start=stood.wide(context.duties.column("ambient")),
        outside=stood.wide(plant.pressure),
        cap=stood.wide(facts.cap_pressure),
        glycol=stood.wide(plant.glycol),
        fan_power=np.zeros(stood.samples),
    )


@dataclass(frozen=True, eq=False)
class Warmed:
    """Loops marched from one start: ``coolant`` [K] and the fan's ``state`` by (time, loop, sample)."""

    time: Array
    coolant: Array
    state: np.ndarray


def warm(loops: Sequence[Loop], start: Array | None = None, lasts: float = LONGEST) -> Warmed:
    """All loops through time from the cold, or from a ``start`` (loop, sample) of coolant [K].

    Coolant does not pass its boiling point: what is made then leaves as steam.
    """
    states = max(loop.table.shape[1] for loop in loops)
    tables = [np.concatenate([t.table, *[t.table[:, -1:]] * (states - t.table.shape[1])], axis=1) for t in loops]
    samples = loops[0].made.size
    body = Body(*(np.concatenate([getattr(t.body, n) for t in loops]) for n in ("metal", "coolant", "between")))
    switches = [
        (
            np.concatenate([t.switches[k][0] for t in loops]),
            np.concatenate([t.switches[k][1] for t in loops]),
        )
        for k in range(len(loops[0].switches))
    ]
    begin = np.concatenate([t.start for t in loops]) if start is None else start.reshape(-1)
    done: March = march(
        ShedTable(LOW, (HIGH - LOW) / (ROWS - 1), np.concatenate(tables, axis=2)),
        body,
        np.concatenate([t.made for t in loops]),
        (begin, begin),
        lasts,
        STEP,
        switches,
    )
    shape = (done.time.size, len(loops), samples)
    boiling = np.stack([t.boiling for t in loops])
    return Warmed(done.time, np.minimum(done.coolant.reshape(shape), boiling), done.state.reshape(shape))


def opens_after(loop: Loop, found: Warmed, at: int = 0) -> Array:
    """Time until the thermostat lifts [s] (sample,), straight between steps; infinite where it does not."""
    over = found.coolant[:, at] > loop.thermostat
    row = np.argmax(over, axis=0)
    before = np.maximum(row - 1, 0)
    each = np.arange(over.shape[1])
    low, high = found.coolant[before, at, each], found.coolant[row, at, each]
    with np.errstate(divide="ignore", invalid="ignore"):
        share = np.where(high > low, (loop.thermostat - low) / (high - low), 0.0)
    time = found.time[before] + share * (found.time[row] - found.time[before])
    return np.where(over.any(axis=0), time, np.inf)


def _between(values: Array, temperature: Array) -> Array:
    """A table (row, sample) at a temperature of each draw [K]."""
    place = np.clip((temperature - LOW) / (HIGH - LOW) * (ROWS - 1), 0.0, ROWS - 1.000001)
    index = place.astype(int)
    each = np.arange(values.shape[1])
    return np.asarray(values[index, each] + (place - index) * (values[index + 1, each] - values[index, each]))


@dataclass(frozen=True)
class Felt:
    """What a hand or an infrared gun finds at a loop whose coolant is at a temperature (sample,): what leaves the core, and the
    air behind it [K]."""

    leaves: Array
    behind: Array


def felt(loop: Loop, temperature: Array, state: np.ndarray) -> Felt:
    """Of a loop at a coolant temperature [K] and a state of its fan (sample,)."""
    each = np.arange(temperature.size)
    core = np.zeros_like(temperature)
    for k in range(loop.core.shape[1]):
        core = np.where(state == k, _between(loop.core[:, k], temperature), core)
    state = np.minimum(state, loop.core.shape[1] - 1)
    comes = loop.comes[state, each]
    flow = np.maximum(_between(loop.flow, temperature), 1e-3)
    leaves = np.maximum(temperature - core / flow, comes)
    through = loop.air[state, each]
    behind = comes + np.where(through > 0.0, core / np.maximum(through, 1e-3), 0.0)
    return Felt(leaves, np.minimum(behind, temperature))


def hottest_allowed(context: Context, loop: Loop) -> float:
    """Coolant at which the engine is stopped [K]: 5 K under its limit (common practice)."""
    return likely(loop.limit) - STOP_UNDER


STOP_UNDER = 5.0  # K
