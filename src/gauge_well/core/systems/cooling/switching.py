"""Who switches the fan, and what becomes of the coolant in a jam when a signal, a sensor, a relay is missing."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.heat.transient import Body, March, ShedTable, march
from gauge_well.core.parts.fan import ELECTRIC
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.cooling.facts import CoolingFacts
from gauge_well.core.systems.cooling.gauge import shed_at, thresholds
from gauge_well.core.systems.cooling.model import HELD, METAL_STANDS, Cooling, heat_made, plant_of, prepare
from gauge_well.core.typing import Array, likely

# A jam: so long standing, so long creeping on, with these shares of the duty's heat; their mean is the duty's [s].
STANDS, CREEPS = (40.0, 0.6), (20.0, 1.8)
LASTS, STEP = 1800.0, 2.0
LOW, HIGH, ROWS = 263.15, 443.15, 91
HALF = HELD["half"] ** 2  # speed squared at half speed
HALF_STATE = 1  # off, half speed, then the stages


@dataclass(frozen=True)
class Case:
    """What is missing: its name, how the fan then runs (a state held, -1: as it is switched), who says so."""

    id: str
    name: str
    state: int
    stated: bool


@dataclass(frozen=True)
class Jam:
    """A jam traced for each case; states: off, half speed, stages."""

    cases: Sequence[Case]
    done: March
    limit: float
    boiling: float
    states: int


def _cases(facts: CoolingFacts, full: int) -> list[Case]:
    """As it is; then each thing that may be missing, by who switches it."""
    states = {"full": full, "half": HALF_STATE, "off": 0, "as_ever": -1}
    by = facts.fan_by or "controller"
    if by == "hand":
        return [
            Case("fitted", "switched on by hand in time", full, True),
            Case("forgotten", "forgotten", 0, True),
            Case("fuse", "fuse or relay gone", 0, True),
        ]
    found = [Case("fitted", "as it is switched", -1, True)]
    if by == "controller":
        # Half speed is what controllers commonly fall back to.
        lost, request = facts.fan_sensor_lost or "half", facts.fan_request_lost or "half"
        found += [
            Case("sensor", "controller's sensor lost", states[lost], facts.fan_sensor_lost is not None),
            Case("request", "air-conditioning's signal lost", states[request], facts.fan_request_lost is not None),
        ]
    else:
        found += [
            Case("switch_open", "switch stays open", 0, True),
            Case("switch_shut", "switch stays shut: runs on with the engine off", full, True),
        ]
    if facts.fan_line_switch is not None:
        found.append(Case("line", "switch in its line stays open", 0, True))
    if full > HALF_STATE + 1:
        found.append(Case("stage", "second fan gone", HALF_STATE + 1, True))
    return [*found, Case("fuse", "fuse or relay gone", 0, True)]


def jam(context: Context, facts: CoolingFacts) -> Jam | None:
    """The context's one duty as a jam; None where no electric fan is there. MissingFact where core or fan are not known.

    Heat goes up and down about the duty's, its air stays; half speed is a state of its own, by the fan laws.
    """
    if facts.fan.drive not in ELECTRIC:
        return None
    plant = plant_of(context, facts)
    stages = len(plant.fan.stages)
    states = ((0.0, 1.0), (HALF, 1.0), *((1.0, running) for running in plant.fan.stages))
    cooling = prepare(context, plant, states=states)
    full = len(states) - 1
    cases = _cases(facts, full)
    count = len(cases)
    rows = np.linspace(LOW, HIGH, ROWS).reshape(-1, 1, 1, 1, 1)
    shed = np.reshape(shed_at(cooling, rows, cooling.airs)[..., :1], (ROWS, len(states), 1))
    table = ShedTable(LOW, (HIGH - LOW) / (ROWS - 1), np.ascontiguousarray(np.repeat(shed, count, axis=2)))
    body = _body(context, cooling, count)
    made = likely(heat_made(context, cooling, context.mean))
    steps = int(LASTS / STEP)
    at = (np.arange(steps) * STEP) % (STANDS[0] + CREEPS[0])
    heat = made * np.where(at < STANDS[0], STANDS[1], CREEPS[1])
    switches = _switches(facts, stages)
    begin = (np.full(count, likely(cooling.start_metal)), np.full(count, likely(cooling.start)))
    held = np.array([case.state for case in cases], dtype=np.int64)
    done = march(table, body, np.repeat(heat[:, None], count, axis=1), begin, LASTS, STEP, switches, held)
    return Jam(cases, done, likely(plant.limit), likely(plant.boiling), len(states))


def _switches(facts: CoolingFacts, stages: int) -> list[tuple[float, float]]:
    """On and off of each state above the one before; half speed is only ever held, so that it is passed at once."""
    own = [(likely(on), likely(off)) for on, off in thresholds(facts, stages)]
    return [own[0], own[0], *own[1:]]


def _body(context: Context, cooling: Cooling, count: int) -> Body:
    between = likely(context.own_coolant_heat) / METAL_STANDS
    return Body(*(np.full(count, v) for v in (likely(cooling.plant.metal), likely(cooling.plant.liquid), between)))


@dataclass(frozen=True)
class Told:
    """What a case came to: hottest coolant [K], boiling at most, starts an hour, share of the time it runs, longest run [s], seconds to the
    limit and to boiling, None where it does not get there."""

    peak: float
    starts: float
    share: float
    longest: float
    to_limit: float | None
    to_boil: float | None


def told(found: Jam, point: int) -> Told:
    """One case in figures."""
    state, coolant = found.done.state[:, point], found.done.coolant[:, point]
    on = state > 0
    starts = int(np.sum(on[1:] & ~on[:-1]))
    ends = [float(found.done.first_over(v)[point]) for v in (found.limit, found.boiling)]
    return Told(
        peak=min(float(coolant.max()), found.boiling),
        starts=starts * 3600.0 / LASTS,
        share=float(np.mean(on)),
        longest=_longest(on) * STEP,
        to_limit=ends[0] if np.isfinite(ends[0]) else None,
        to_boil=ends[1] if np.isfinite(ends[1]) else None,
    )


def _longest(on: Array | np.ndarray) -> int:
    """Most steps in a row."""
    best = run = 0
    for value in on:
        run = run + 1 if value else 0
        best = max(best, run)
    return best
