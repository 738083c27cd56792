"""A machine taken along a track second by second: gear, power, coolant, oil, fuel and charge."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace

import numpy as np

from gauge_well.core.case import BuildCase
from gauge_well.core.drive.march import Body, Heats, Marched, march
from gauge_well.core.drive.tables import COLD, Day, across, standing, tables_of
from gauge_well.core.drive.track import Track
from gauge_well.core.duty.facts import CRUISES, MachineFacts
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
from gauge_well.core.systems.cooling import model
from gauge_well.core.systems.electrics import charging
from gauge_well.core.systems.oil import judge, warmth
from gauge_well.core.typing import Array, likely

OIL_OVER = 10.0  # K of oil over the thermostat as a drive begins warm
PROPELLED = 3.0  # power of its revs that a propeller takes
PAST = 1.05  # of its top speed that a boat may be said to go before it is said not to


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


def along(case: BuildCase, track: Track, day: Day, turns: Array | None = None) -> Course:
    """Take a build along a track.

    Parameters
    ----------
    case : BuildCase
    track : Track
    day : Day
    turns : array, (second,), optional
        Engine speed as it was logged [rev/min], in place of the gearbox's; afloat and aloft the power goes by it.

    Raises
    ------
    MissingFact
        Where engine, machine or cooling are not known enough.
    """
    # The air of the height it is made at in the mean.
    day = replace(day, altitude=day.altitude + float(np.mean(track.height - track.height[0])))
    context, _ = make_context(standing(case, day), memory=MEMORY)
    engine = context.engine
    pressure = float(air.pressure_isa(day.altitude))
    power, speed, weak = _powers(case, context, track, day, pressure, turns)
    done = operate(engine, context.wanted, power, speed, day.ambient, pressure)
    tables = tables_of(case, track, speed, day)
    oil = _oil(case, context, track)
    limit = tables.limit
    begin = day.ambient if day.start == COLD else tables.thermostat + model.START_OVER_THERMOSTAT
    begin_oil = day.ambient if day.start == COLD else tables.thermostat + OIL_OVER
    heats = Heats(
        coolant=np.ravel(done.heat_to_coolant) + _gearbox(case, context, power),
        oil=np.ravel(done.heat_to_oil),
        power=power,
        across=across(case, track, speed),
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


def _powers(
    case: BuildCase, context: Context, track: Track, day: Day, pressure: float, turns: Array | None
) -> tuple[Array, Array, np.ndarray]:
    """Power at the crank [W], engine speed [rev/min], and where it would not hold the track's speed."""
    engine = context.engine
    electrical = case.machine.electrical_load
    accessories = (0.0 if electrical is None else likely(electrical)) / ALTERNATOR_EFFICIENCY + STEERING
    able = context.wanted * float(np.ravel(engine.breathing(day.ambient, pressure))[0])
    idle = likely(engine.facts.idle_speed)
    if case.machine.kind in ("boat", "aircraft"):
        return _propelled(case, engine, track, able, accessories, turns)
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
    speed = np.where(moving, at.engine_speed, idle) if turns is None else np.maximum(turns, 1.0)
    return np.maximum(power, accessories), speed, weak


def _propelled(
    case: BuildCase, engine: Engine, track: Track, able: float, accessories: float, turns: Array | None
) -> tuple[Array, Array, np.ndarray]:
    """By the propeller's law from its revs, which go by the boat's speed where none were logged."""
    rated, idle = likely(engine.rated_speed), likely(engine.facts.idle_speed)
    if turns is None:
        if case.machine.kind != "boat":
            raise MissingFact("engine_speed")
        share = share_of_revs(case.machine, track.speed)
        speed = np.where(track.speed > 0.0, np.maximum(np.minimum(share, 1.0) * rated, idle), idle)
    else:
        speed, share = np.maximum(turns, 1.0), turns / rated
    power = np.where(track.speed + (turns is not None) > 0.0, able * np.minimum(speed / rated, 1.0) ** PROPELLED, 0.0)
    return np.maximum(power, accessories), speed, share > PAST


def share_of_revs(machine: MachineFacts, speed: Array) -> Array:
    """Share of full revs at a speed [m/s]: a power's law through top speed and the speed it cruises at on 70 % of them.

    MissingFact names what is not known.
    """
    top = likely(need(machine.top_speed, "machine.top_speed"))
    cruise = min(likely(need(machine.cruise_speed, "machine.cruise_speed")), 0.98 * top)
    law = np.log(cruise / top) / np.log(CRUISES)
    return np.asarray((np.maximum(speed, 0.0) / top) ** (1.0 / law))


def _gearbox(case: BuildCase, context: Context, power: Array) -> Array:
    """What the gearbox's cooler in the radiator's tank brings [W]."""
    if case.systems["cooling"].gearbox_cooler != "yes":
        return np.zeros_like(power)
    own = np.ravel(context.duties.column("gearbox_heat"))[0] / max(float(np.ravel(context.mean.power)[0]), 1e-9)
    return np.asarray(power * own)


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
