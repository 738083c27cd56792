"""A machine taken along a track second by second: gear, power, coolant, oil, fuel and charge."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace

import numpy as np

from gauge_well.core.case import BuildCase
from gauge_well.core.drive.march import Body, Heats, Marched, Tables, march
from gauge_well.core.drive.track import Track
from gauge_well.core.duty.facts import DutyFacts
from gauge_well.core.duty.model import ALTERNATOR_EFFICIENCY, STEERING
from gauge_well.core.duty.road import ROTATING, choose_gear, vehicle_of
from gauge_well.core.engine.model import Engine, operate
from gauge_well.core.errors import MissingFact
from gauge_well.core.facts import need
from gauge_well.core.media import air, oils
from gauge_well.core.media.air import GRAVITY
from gauge_well.core.run.contexts import make_context
from gauge_well.core.run.memory import MEMORY
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.cooling import gauge, model
from gauge_well.core.systems.electrics import charging
from gauge_well.core.systems.oil import judge, warmth
from gauge_well.core.typing import Array, likely

AIR_SPEEDS = np.array([0.0, 2.0, 4.0, 7.0, 11.0, 16.0, 22.0, 30.0, 42.0])  # m/s that the core is tabulated at
LOW, HIGH, ROWS = 243.15, 433.15, 77  # K of coolant
OIL_OVER, COLD, WARM = 10.0, "cold", "warm"  # K of oil over the thermostat as a drive begins warm
PROPELLED = 3.0  # power of the speed through the water that a hull takes, where nobody says


@dataclass(frozen=True)
class Day:
    """What a drive is made in: air [K], height of its start [m], warm or from cold, the trailer on (1) or not."""

    ambient: float
    altitude: float = 0.0
    start: str = WARM
    tow: float = 0.0


@dataclass(frozen=True, eq=False)
class Course:
    """What a drive comes to each second: power at the crank [W] and engine speed [rev/min], whether it is ``weak`` (it would
    not hold that speed), coolant and oil [K], the fan's state, fuel burned so far [kg], charge left of what the battery had
    [C], None where the alternator or what draws is not known. ``limit``, ``oil_limit`` [K]."""

    track: Track
    power: Array
    engine_speed: Array
    weak: np.ndarray
    marched: Marched
    fuel: Array
    charge: Array | None
    limit: float
    oil_limit: float | None


def along(case: BuildCase, track: Track, day: Day) -> Course:
    """Take a build along a track.

    Raises
    ------
    MissingFact
        Where engine, machine or cooling are not known enough.
    """
    context, _ = make_context(_standing(case, day), memory=MEMORY)
    engine = context.engine
    pressure = float(air.pressure_isa(day.altitude + float(np.mean(track.height - track.height[0]))))
    power, speed, weak = _powers(case, context, track, day, pressure)
    done = operate(engine, context.wanted, power, speed, day.ambient, pressure)
    tables = tables_of(case, track, speed, day)
    oil = _oil(case, context, track)
    limit = tables.limit
    begin = day.ambient if day.start == COLD else tables.thermostat + model.START_OVER_THERMOSTAT
    begin_oil = day.ambient if day.start == COLD else tables.thermostat + OIL_OVER
    heats = Heats(
        coolant=np.ravel(done.heat_to_coolant) + _gearbox(case, context, power),
        oil=np.ravel(done.heat_to_oil),
        air_speed=track.speed,
        oil_to_air=oil.to_air,
    )
    marched = march(tables, oil.body(tables.body), heats, (begin, begin_oil), day.ambient)
    fuel = np.concatenate([[0.0], np.cumsum(np.ravel(done.fuel_mass_flow))[:-1]])
    oil_limit = case.systems["oil"].oil_limit
    return Course(
        track=track,
        power=power,
        engine_speed=speed,
        weak=weak,
        marched=marched,
        fuel=fuel,
        charge=_charge(context, case, speed, track),
        limit=limit,
        oil_limit=None if oil_limit is None else likely(oil_limit),
    )


def _standing(case: BuildCase, day: Day, speeds: Array | None = None, turns: Array | None = None) -> BuildCase:
    """The build with a duty for each air speed, its engine turned so fast; one that stands where none is given."""
    speeds = np.zeros(1) if speeds is None else speeds
    turns = np.full(speeds.size, likely(need(case.engine.idle_speed, "engine.idle_speed"))) if turns is None else turns
    sea = min(max(day.ambient, 275.15), 305.15) if case.machine.kind == "boat" else None
    duties = tuple(
        (
            f"at_{k}",
            DutyFacts(
                name=f"{v:g} m/s", kind="typed", speed=float(v), engine_power=1.0, engine_speed=float(n), air_speed=float(v),
                ambient=day.ambient, sea=sea, altitude=day.altitude, start="warm", air_conditioning="no",
                braking=0.0, cornering=0.0, pulling=0.0, heel=0.0,
            ),
        )
        for k, (v, n) in enumerate(zip(speeds, turns, strict=True))
    )  # fmt: skip
    return replace(case, duties=duties)


def _powers(
    case: BuildCase, context: Context, track: Track, day: Day, pressure: float
) -> tuple[Array, Array, np.ndarray]:
    """Power at the crank [W], engine speed [rev/min], and where it would not hold the track's speed."""
    engine = context.engine
    electrical = case.machine.electrical_load
    accessories = (0.0 if electrical is None else likely(electrical)) / ALTERNATOR_EFFICIENCY + STEERING
    able = context.wanted * float(np.ravel(engine.breathing(day.ambient, pressure))[0])
    idle = likely(engine.facts.idle_speed)
    if case.machine.kind == "boat":
        return _afloat(case, engine, track, able, accessories, idle)
    vehicle = vehicle_of(case.machine)
    density = likely(air.density(day.ambient, pressure))
    moving = track.speed > 0.0
    # What speeding up takes is a hill more; slowing down is a hill less.
    angle = np.arctan(track.grade)
    pushed = np.sin(angle) + ROTATING * track.acceleration / GRAVITY
    grade = np.tan(np.arcsin(np.clip(pushed, -0.9, 0.9)))
    at = choose_gear(engine, vehicle, able, np.maximum(track.speed, 0.05), grade, density, day.tow, accessories, None)
    weak = moving & (at.available < at.required)
    power = np.where(moving, np.minimum(at.required, at.available) / at.through, accessories)
    return np.maximum(power, accessories), np.where(moving, at.engine_speed, idle), weak


def _afloat(
    case: BuildCase, engine: Engine, track: Track, able: float, accessories: float, idle: float
) -> tuple[Array, Array, np.ndarray]:
    """By the propeller's law from the top speed at all revs; MissingFact without it."""
    top = likely(need(case.machine.top_speed, "machine.top_speed"))
    share = track.speed / top
    power = able * np.minimum(share, 1.0) ** PROPELLED
    speed = np.maximum(np.minimum(share, 1.0) * likely(engine.rated_speed), idle)
    return np.maximum(power, accessories), speed, share > 1.05


def _gearbox(case: BuildCase, context: Context, power: Array) -> Array:
    """What the gearbox's cooler in the radiator's tank brings [W]."""
    if case.systems["cooling"].gearbox_cooler != "yes":
        return np.zeros_like(power)
    own = np.ravel(context.duties.column("gearbox_heat"))[0] / max(float(np.ravel(context.mean.power)[0]), 1e-9)
    return np.asarray(power * own)


def tables_of(case: BuildCase, track: Track, turns: Array, day: Day) -> Tables:
    """What core, heater and skin shed over coolant and air speed, fans by their states; MissingFact names what is not known.

    The pump turns as the engine does at that speed on this drive, in its middle.
    """
    near = np.argmin(np.abs(track.speed[:, None] - AIR_SPEEDS), axis=1)
    usual = float(np.median(turns))
    own = np.array([np.median(turns[near == k]) if np.any(near == k) else usual for k in range(AIR_SPEEDS.size)])
    context, _ = make_context(_standing(case, day, AIR_SPEEDS, own), memory=MEMORY)
    facts = case.systems["cooling"]
    if case.machine.kind == "boat":
        raise MissingFact("machine.cooled_by")
    plant = model.plant_of(context, facts)
    cooling = model.prepare(context, plant)
    at = np.linspace(LOW, HIGH, ROWS).reshape(-1, 1, 1, 1, 1)
    states = len(model.states_of(plant.fan))
    shape = (ROWS, states, 1, AIR_SPEEDS.size, 1)
    core = np.broadcast_to(gauge.core_shed_at(cooling, at, cooling.airs), shape)[:, :, 0, :, 0]
    comes = np.broadcast_to(cooling.airs.air_in, (states, 1, AIR_SPEEDS.size, 1))[:, 0, :, 0]
    over = np.maximum(at[:, :, 0, 0, 0][:, :, None] - comes[None], 1.0)
    beside = likely(cooling.heater) + likely(model.still_conductance(context))
    switches = tuple((likely(on), likely(off)) for on, off in gauge.thresholds(facts, states - 1))
    return Tables(
        low=LOW,
        step=(HIGH - LOW) / (ROWS - 1),
        air_speeds=AIR_SPEEDS,
        conductance=np.ascontiguousarray(core / over),
        comes=np.ascontiguousarray(comes),
        beside=beside,
        switches=switches if facts.fan.drive not in (None, "none") else (),
        body=Body(
            metal=likely(plant.metal),
            coolant=likely(plant.liquid),
            between=likely(context.own_coolant_heat) / model.METAL_STANDS,
            oil=1.0,
            oil_to_coolant=0.0,
        ),
        limit=likely(plant.limit),
        boiling=likely(plant.boiling),
        thermostat=likely(plant.thermostat),
    )


@dataclass(frozen=True)
class _Oil:
    capacity: float
    to_coolant: float
    to_air: Array

    def body(self, plain: Body) -> Body:
        return replace(plain, oil=self.capacity, oil_to_coolant=self.to_coolant)


def _oil(case: BuildCase, context: Context, track: Track) -> _Oil:
    """Oil's capacity [J/K], its way to the coolant, and to the air each second [W/K]."""
    facts = case.systems["oil"]
    pan = judge.pan_or_none(facts)
    quantity = likely(need(facts.oil_quantity, "oil.oil_quantity"))
    ways = warmth.ways_out(context, facts, pan)
    still, moved = float(np.ravel(ways.pan)[0]), float(np.ravel(ways.air)[0])
    pan_moves = still * warmth.PAN_MOVING / warmth.PAN_STILL
    cooler = 0.0 if facts.cooler.conductance is None else likely(facts.cooler.conductance)
    blown = warmth.COOLER_STILL + (1.0 - warmth.COOLER_STILL) * np.minimum(track.speed / warmth.COOLER_SPEED, 1.0)
    to_air = still + pan_moves * np.sqrt(warmth.PAN_AIR * track.speed)
    to_air = to_air + (cooler * blown if facts.cooler.into == "air" else moved)
    capacity = quantity * likely(oils.density(oils.T_100)) * oils.HEAT_CAPACITY
    capacity += warmth.WITH_OIL * likely(context.engine.body_capacity)
    return _Oil(capacity, float(np.ravel(ways.block)[0] + np.ravel(ways.water)[0]), to_air)


def _charge(context: Context, case: BuildCase, speed: Array, track: Track) -> Array | None:
    """Charge left of what the battery had [C]: what draws idling or under way, less what the alternator gives."""
    facts = case.systems["electrics"]
    whole = charging.capacity(facts)
    if facts.alternator.full is None or not facts.loads or whole is None:
        return None
    found = [d for d in charging.draws(context, facts) if d.id]
    idle, cruise = (likely(charging.total(found, state)) for state in ("idle", "cruise"))
    gives = charging.able(facts, speed)
    assert gives is not None
    short = np.where(track.speed > 0.0, cruise, idle) - np.ravel(gives)
    left, most = float(likely(whole)), float(likely(whole))
    kept = np.empty(short.size)
    for at, amps in enumerate(short):
        kept[at] = left
        left = min(left - amps, most) if amps > 0.0 else min(left - max(amps, -CHARGES_WITH * most / 3600.0), most)
    return kept


CHARGES_WITH = 0.2  # of its capacity an hour that a battery takes (common practice)


def worst(course: Course) -> Mapping[str, int]:
    """Seconds at which coolant and oil stand highest, power is greatest, and it first is too weak."""
    found = {
        "coolant": int(np.argmax(course.marched.coolant)),
        "oil": int(np.argmax(course.marched.oil)),
        "power": int(np.argmax(course.power)),
    }
    if course.weak.any():
        found["weak"] = int(np.argmax(course.weak))
    return found
