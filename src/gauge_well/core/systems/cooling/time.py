"""Cooling through time: duties traced, one after another, soaking, and with something broken."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.heat.enclosure import BAY_STANDING
from gauge_well.core.heat.transient import Body, March, ShedTable, march
from gauge_well.core.parts.fan import ELECTRIC
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.cooling.bench_run import IN_ENGINE
from gauge_well.core.systems.cooling.gauge import Shown, core_shed_at, shed_at, thresholds
from gauge_well.core.systems.cooling.loop import SHUT
from gauge_well.core.systems.cooling.model import (
    METAL_STANDS,
    Cooling,
    Starts,
    heat_made,
    start_temperatures,
    still_conductance,
)
from gauge_well.core.typing import Array, Value, as_array, likely

LOW, HIGH, ROWS = 243.15, 453.15, 106  # K; every 2 K, so that the thermostat's range has six pieces
STEP = 2.0  # s
LONGEST = 1800.0  # s traced of a duty that never ends
SOAK = 900.0


def _points(context: Context, value: Value, samples: int) -> Array:
    """An array on (power, duty, sample) as one row of points, duties outermost."""
    a = as_array(value)
    count = len(context.duties.cases)
    return np.array(np.broadcast_to(a, (*a.shape[:-2], count, samples) if a.ndim > 1 else (count, samples))).reshape(-1)


def shed_table(context: Context, cooling: Cooling, samples: int = 1, lift: float | None = None) -> ShedTable:
    """Heat shed by each duty over temperature and state of the fans; a thermostat may be held at a ``lift``."""
    rows = np.linspace(LOW, HIGH, ROWS).reshape(-1, 1, 1, 1, 1)
    shed = shed_at(cooling, rows, cooling.airs) if lift is None else core_shed_at(cooling, rows, cooling.airs, lift)
    states = 1 + len(cooling.plant.fan.stages)
    count = len(context.duties.cases)
    values = np.broadcast_to(shed, (ROWS, states, 1, count, samples)).reshape(ROWS, states, count * samples)
    return ShedTable(LOW, (HIGH - LOW) / (ROWS - 1), np.array(values))


def body_of(context: Context, cooling: Cooling, samples: int = 1) -> Body:
    """Metal and coolant of every duty's point."""
    between = context.own_coolant_heat / METAL_STANDS
    values = (cooling.plant.metal, cooling.plant.liquid, between)
    return Body(*(_points(context, v, samples) for v in values))


def traces(
    context: Context, cooling: Cooling, duration: float, starts: Starts, samples: int = 1, until: Array | None = None
) -> March:
    """Every duty marched from its start with the fans as their thresholds control them."""
    return march(
        shed_table(context, cooling, samples),
        body_of(context, cooling, samples),
        _points(context, heat_made(context, cooling, context.mean), samples),
        (_points(context, starts.metal, samples), _points(context, starts.coolant, samples)),
        duration,
        STEP,
        thresholds(cooling.plant.facts, len(cooling.plant.fan.stages)),
        until=until,
    )


def boils_after(context: Context, cooling: Cooling, seen: Shown) -> Array:
    """After how long each duty boils [s], marched from its start; infinite where it does not within half an hour or its
    own time."""
    boiling = np.broadcast_to(cooling.plant.boiling, np.shape(seen.steady))[..., :1]
    over = (seen.steady[..., :1] > boiling) & (seen.end[..., :1] > boiling)
    if not bool(over.any()):
        return np.full(boiling.shape, np.inf)
    starts = Starts(*(np.broadcast_to(v, boiling.shape)[..., :1] for v in (cooling.start, cooling.start_metal)))
    trace = traces(context, cooling, LONGEST, starts, until=np.ravel(np.where(over, boiling, -np.inf)))
    return np.where(over, trace.first_over(np.ravel(boiling)).reshape(boiling.shape), np.inf)


def chained(context: Context, cooling: Cooling) -> Starts:
    """Where every duty starts, those that follow another at its end; duties follow each other in no ring."""
    cases = context.duties.cases
    place = {case.id: at for at, case in enumerate(cases)}
    starts = start_temperatures(context, cooling.plant.limit, cooling.ambient)
    samples = max(np.shape(v)[-1] for v in (starts.coolant, cooling.capacity, cooling.plant.metal[..., None]))
    shape = (1, len(cases), samples)
    metal, coolant = (np.array(np.broadcast_to(v, shape)) for v in (starts.metal, starts.coolant))
    before = {at: place[case.after] for at, case in enumerate(cases) if case.after in place}
    settled = {at for at in range(len(cases)) if at not in before}
    while len(settled) < len(cases):
        ready = [at for at, first in before.items() if at not in settled and first in settled]
        if not ready:
            break
        longest = max(min(cases[before[at]].duration, LONGEST) for at in ready)
        done = traces(context, cooling, longest, Starts(coolant, metal), samples)
        for at in ready:
            end = min(cases[before[at]].duration, LONGEST)
            row = min(int(end / STEP), done.time.size - 2)
            share = end / STEP - row
            for kept, found in ((metal, done.metal), (coolant, done.coolant)):
                ended = found[row] + share * (found[row + 1] - found[row])
                kept[0, at] = ended.reshape(len(cases), samples)[before[at]]
            settled.add(at)
    return Starts(coolant, metal)


@dataclass(frozen=True)
class Failure:
    """Something that breaks in the middle of a duty, with the time to the coolant's limit and to boiling [s]."""

    id: str
    name: str
    to_limit: float
    to_boil: float


@dataclass(frozen=True)
class Course:
    """One duty through time: as it goes, from cold, switched off hot at its end, and with parts that fail there."""

    trace: March
    warm_up: March
    soak: March
    failures: tuple[Failure, ...]


def _still(conductance: Array, air: Array) -> ShedTable:
    """Nothing flows: what the engine gives to the air round it."""
    rows = np.linspace(LOW, HIGH, ROWS)[:, None, None]
    values = conductance * (rows - np.ravel(air))
    return ShedTable(LOW, (HIGH - LOW) / (ROWS - 1), np.ascontiguousarray(values))


def _beside(tables: Sequence[ShedTable]) -> ShedTable:
    """Tables side by side as points; a table of fewer states goes on as its last."""
    states = max(t.values.shape[1] for t in tables)
    wide = [np.concatenate([t.values, *[t.values[:, -1:]] * (states - t.values.shape[1])], axis=1) for t in tables]
    return ShedTable(tables[0].low, tables[0].step, np.concatenate(wide, axis=2))


def _one(done: March, point: int, until: float) -> March:
    rows = done.time <= until + 1e-6
    only = (rows, slice(point, point + 1))
    return March(done.time[rows], done.metal[only], done.coolant[only], done.state[only])


def course(context: Context, cooling: Cooling) -> Course:
    """The context's one duty through time, in two marches: as it goes and from cold, then all that may follow.

    Switched off: no heat, no pump, no fan, in a bay 30 K over the air outside. Fan dead: the air that ram brings.
    Belt gone: nothing moves the coolant, so that what stands in the block is all there is.
    """
    case = context.duties.cases[0]
    body, table = body_of(context, cooling), shed_table(context, cooling)
    heat = _points(context, heat_made(context, cooling, context.mean), 1)
    ambient = _points(context, cooling.ambient, 1)
    switches = thresholds(cooling.plant.facts, len(cooling.plant.fan.stages))
    begin = [np.concatenate([_points(context, v, 1), ambient]) for v in (cooling.start_metal, cooling.start)]
    twice = Body(*(np.repeat(v, 2) for v in (body.metal, body.coolant, body.between)))
    until = min(case.duration, LONGEST)
    step = until / np.ceil(until / STEP)
    both = march(_beside([table, table]), twice, np.repeat(heat, 2), (begin[0], begin[1]), LONGEST, step, switches)
    trace = _one(both, 0, until)
    broken = _broken(context, cooling, table)
    skin = still_conductance(context)
    tables = [_still(skin, ambient + BAY_STANDING), *(b.table for b in broken)]
    bodies = Body(
        np.repeat(body.metal, len(tables)),
        np.concatenate([body.coolant, *(b.share * body.coolant for b in broken)]),
        np.repeat(body.between, len(tables)),
    )
    made = np.concatenate([0.0 * heat, *(heat for _ in broken)])
    held = np.array([0, *(b.state for b in broken)], dtype=np.int64)
    hot = (np.repeat(trace.metal[-1], len(tables)), np.repeat(trace.coolant[-1], len(tables)))
    after = march(_beside(tables), bodies, made, hot, LONGEST, STEP, switches, held)
    limit, boils = (after.first_over(likely(v)) for v in (cooling.plant.limit, cooling.plant.boiling))
    return Course(
        trace,
        _one(both, 1, LONGEST),
        _one(after, 0, SOAK),
        tuple(Failure(b.id, b.name, float(limit[at]), float(boils[at])) for at, b in enumerate(broken, start=1)),
    )


@dataclass(frozen=True)
class _Broken:
    """A part that fails: what is then shed, with which fans (-1: as they are switched), and the share of coolant left."""

    id: str
    name: str
    table: ShedTable
    state: int = 0
    share: float = 1.0


def _broken(context: Context, cooling: Cooling, table: ShedTable) -> list[_Broken]:
    facts = cooling.plant.facts
    still = _still(still_conductance(context), _points(context, cooling.ambient, 1))
    found: list[_Broken] = []
    if facts.fan.drive in ELECTRIC:
        found.append(_Broken("fan", "fan stops", table))
    belted = facts.fan.drive == "belt"
    if facts.pump.drive != "electric":
        name = "belt goes: pump and fan stop" if belted else "pump's belt goes"
        found.append(_Broken("belt", name, still, share=IN_ENGINE))
    elif belted:
        found.append(_Broken("belt", "fan's belt goes", table))
    if facts.thermostat_kind != "none":
        shut = shed_table(context, cooling, lift=SHUT)
        found.append(_Broken("thermostat", "thermostat stays shut", shut, state=-1))
    return found
