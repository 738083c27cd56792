"""What cools a drive, tabulated once: a core by the air's speed, a boat's exchanger or keel cooler by the engine's."""

from __future__ import annotations

from dataclasses import dataclass, replace

import numpy as np

from gauge_well.core.case import BuildCase
from gauge_well.core.drive.march import Body, Tables
from gauge_well.core.drive.track import Track
from gauge_well.core.duty.facts import DutyFacts
from gauge_well.core.errors import MissingFact
from gauge_well.core.facts import need
from gauge_well.core.fitted.doing import sea_of
from gauge_well.core.heat.exchanger import heat_a_kelvin
from gauge_well.core.media import coolant
from gauge_well.core.run.contexts import make_context
from gauge_well.core.run.memory import MEMORY
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.cooling import afloat, gauge, model
from gauge_well.core.typing import Array, likely

AIR_SPEEDS = np.array(
    [0.0, 2.0, 4.0, 7.0, 10.0, 14.0, 18.0, 22.0, 26.0, 31.0, 36.0, 42.0]
)  # m/s that the core is tabulated at
TURNS = np.array([0.0, 0.25, 0.4, 0.55, 0.7, 0.85, 1.0])  # from idle to rated speed that an exchanger is tabulated at
LOW, HIGH, ROWS = 243.15, 433.15, 77  # K of coolant
COLD, WARM = "cold", "warm"


@dataclass(frozen=True)
class Day:
    """What a drive is made in: air and sea [K], height of its start [m], warm or from cold, the trailer on (1) or not."""

    ambient: float
    altitude: float = 0.0
    start: str = WARM
    tow: float = 0.0
    sea: float | None = None


LOADS = np.array(
    [0.0, 0.1, 0.2, 0.35, 0.5, 0.7, 1.0]
)  # of what is wanted, at which it is worked what warms the air in front
IDLES = 1.0  # W


def standing(
    case: BuildCase, day: Day, speeds: Array | None = None, turns: Array | None = None, powers: Array | None = None
) -> BuildCase:
    """The build with a duty for each speed [m/s], its engine turned so fast at a power [W]; one that stands where none is given."""
    speeds = np.zeros(1) if speeds is None else speeds
    turns = np.full(speeds.size, likely(need(case.engine.idle_speed, "engine.idle_speed"))) if turns is None else turns
    powers = np.full(speeds.size, IDLES) if powers is None else powers
    duties = tuple(
        (
            f"at_{k}",
            DutyFacts(
                name=f"{v:g} m/s", kind="typed", speed=float(v), engine_power=float(p), engine_speed=float(n), air_speed=float(v),
                ambient=day.ambient, sea=sea_of(case, day.ambient, day.sea), altitude=day.altitude, start="warm",
                air_conditioning="no", braking=0.0, cornering=0.0, pulling=0.0, heel=0.0,
            ),
        )
        for k, (v, n, p) in enumerate(zip(speeds, turns, powers, strict=True))
    )  # fmt: skip
    return replace(case, duties=duties)


def tables_of(case: BuildCase, track: Track, turns: Array, day: Day) -> Tables:
    """What is shed over coolant temperature, fans by their states; MissingFact names what is not known."""
    return _afloat(case, track, turns, day) if case.machine.kind == "boat" else _ashore(case, track, turns, day)


def across(case: BuildCase, track: Track, turns: Array) -> Array:
    """Where among the tables' columns each second lies."""
    return turns if case.machine.kind == "boat" else track.speed


def _ashore(case: BuildCase, track: Track, turns: Array, day: Day) -> Tables:
    """By the speed of the air; the pump turns as the engine does at that speed on this drive, in its middle."""
    near = np.argmin(np.abs(track.speed[:, None] - AIR_SPEEDS), axis=1)
    usual = float(np.median(turns))
    own = np.array([np.median(turns[near == k]) if np.any(near == k) else usual for k in range(AIR_SPEEDS.size)])
    context, _ = make_context(standing(case, day, AIR_SPEEDS, own), memory=MEMORY)
    facts = case.systems["cooling"]
    plant = model.plant_of(context, facts)
    cooling = model.prepare(context, plant)
    at = _rows().reshape(-1, 1, 1, 1, 1)
    states = len(model.states_of(plant.fan))
    shape = (ROWS, states, 1, AIR_SPEEDS.size, 1)
    core = np.broadcast_to(gauge.core_shed_at(cooling, at, cooling.airs), shape)[:, :, 0, :, 0]
    powers = np.maximum(LOADS * context.wanted, IDLES)
    count = (powers.size, AIR_SPEEDS.size)
    loaded, _ = make_context(
        standing(case, day, np.tile(AIR_SPEEDS, count[0]), np.tile(own, count[0]), np.repeat(powers, count[1])),
        memory=MEMORY,
    )
    warmed = model.prepare(loaded, model.plant_of(loaded, facts)).airs.air_in
    comes = np.broadcast_to(warmed, (states, 1, powers.size * AIR_SPEEDS.size, 1))[:, 0, :, 0].reshape(states, *count)
    cold = np.broadcast_to(cooling.airs.air_in, (states, 1, AIR_SPEEDS.size, 1))[:, 0, :, 0]
    over = np.maximum(at[:, :, 0, 0, 0][:, :, None] - cold[None], 1.0)
    switches = tuple((likely(on), likely(off)) for on, off in gauge.thresholds(facts, states - 1))
    return Tables(
        low=LOW,
        step=_step(),
        across=AIR_SPEEDS,
        conductance=np.ascontiguousarray(core / over),
        powers=powers,
        comes=np.ascontiguousarray(comes.transpose(1, 0, 2)),
        # What a running engine's skin gives away is not in the coolant's share; it would be told twice.
        beside=likely(cooling.heater),
        switches=switches if facts.fan.drive not in (None, "none") else (),
        body=_body(context, plant.metal, plant.liquid),
        limit=likely(plant.limit),
        boiling=likely(plant.boiling),
        thermostat=likely(plant.thermostat),
    )


def _afloat(case: BuildCase, track: Track, turns: Array, day: Day) -> Tables:
    """By the engine's speed, which turns both pumps; the boat as fast as this drive has it then."""
    idle, rated = likely(case.engine.idle_speed), likely(need(case.engine.rated_speed, "engine.rated_speed"))
    own = idle + (rated - idle) * TURNS
    near = np.argmin(np.abs(turns[:, None] - own), axis=1)
    fastest = float(track.speed.max())
    speeds = np.array(
        [np.median(track.speed[near == k]) if np.any(near == k) else fastest * TURNS[k] for k in range(own.size)]
    )
    context, _ = make_context(standing(case, day, speeds, own), memory=MEMORY)
    facts = case.systems["cooling"]
    if case.machine.cooled_by == "direct":
        raise MissingFact("machine.cooled_by")
    found = afloat.solved(context, facts)
    plant = found.plant
    at = _rows().reshape(-1, 1, 1, 1)
    lift = np.ones_like(at) if facts.thermostat_kind == "none" else model.lift_of(at, plant.thermostat)
    fluid = coolant.properties(at - model.FILM, plant.glycol)
    flow = plant.loop.radiator_flow(lift) * fluid.density * fluid.heat_capacity
    if bool(np.all(np.isinf(found.raw_rate))):
        rate = flow * -np.expm1(-found.conductance_ua / np.maximum(flow, 1e-6))
    else:
        raw = np.maximum(found.raw_rate, 1e-3)
        rate = heat_a_kelvin(facts.exchanger_is, found.conductance_ua, np.maximum(flow, 1e-3), raw)
    conductance = np.broadcast_to(rate, (ROWS, 1, own.size, 1))[:, :, :, 0]
    comes = np.broadcast_to(found.inlet, (1, own.size, 1))[:, :, 0]
    return Tables(
        low=LOW,
        step=_step(),
        across=own,
        conductance=np.ascontiguousarray(conductance),
        powers=np.array([IDLES]),
        comes=np.ascontiguousarray(comes[None]),
        beside=0.0,
        switches=(),
        body=_body(context, plant.metal, plant.liquid),
        limit=likely(plant.limit),
        boiling=likely(plant.boiling),
        thermostat=likely(plant.thermostat),
    )


def _rows() -> Array:
    return np.linspace(LOW, HIGH, ROWS)


def _step() -> float:
    return (HIGH - LOW) / (ROWS - 1)


def _body(context: Context, metal: Array, liquid: Array) -> Body:
    """Metal and coolant; the oil is another's."""
    between = likely(context.own_coolant_heat) / model.METAL_STANDS
    return Body(likely(metal), likely(liquid), between, oil=1.0, oil_to_coolant=0.0)
