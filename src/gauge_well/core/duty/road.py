"""Road load, gear, and whether the engine holds the speed."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from gauge_well.core.duty.facts import DRIVES, MachineFacts
from gauge_well.core.engine.model import Engine
from gauge_well.core.facts import need
from gauge_well.core.media.air import GRAVITY
from gauge_well.core.typing import Array, Value, as_array, clip, likely

TYRE_ROLLING = 0.97  # rolling over unloaded radius, common practice
LOADED = TYRE_ROLLING / 2.0  # of a tyre's diameter: its radius as it rolls, and how high a wheel's centre stands
SPEED_TOP, LEAST_SPEED = 120.0, 0.05  # m/s
CLIMBING = 0.02  # grade from which a gear is taken for climbing
DOWNSHIFTS = 1.15 ** np.arange(12)
# m/s in the lowest gear at rated speed, where the gears are not known (common practice); others.
FIRST_GEAR: Mapping[str, float] = {"off_road": 5.0, "truck": 7.0, "van": 9.0, "hillclimb": 16.0}
FIRST_GEAR_ELSE = 12.0
FIRST_GRADE = 0.33  # climbed in the lowest gear at full power (common practice)
SLIPS = 1.1  # idles, under which the clutch or converter must slip in a gear
LAUNCH = {True: 0.35, False: 0.50}  # of rated speed at which the engine is then held (common practice)
LEAST_THROUGH = 0.02


def road_power(
    speed: Value,
    mass: Value,
    rolling: Value,
    grade: Value,
    density: Value,
    drag_area: Value,
    efficiency: Value,
) -> Array:
    """Engine power [W] to hold a speed (gillespie1992).

    ``P = v [m g (Crr cos a + sin a) + 0.5 rho CdA v^2] / eta`` with ``grade = tan a``; never below
    nought (going down, the engine idles).
    """
    angle = np.arctan(as_array(grade))
    v = as_array(speed)
    force = as_array(mass) * GRAVITY * (rolling * np.cos(angle) + np.sin(angle))
    force = force + 0.5 * as_array(density) * drag_area * v**2
    return np.maximum(v * force / efficiency, 0.0)


def rolled(diameter: Value) -> Array:
    """Road for one turn of a tyre of such a diameter [m]."""
    return np.asarray(np.pi * as_array(diameter) * TYRE_ROLLING)


@dataclass(frozen=True, kw_only=True)
class Vehicle:
    """What road load needs of a machine; numbers may be samples."""

    mass: Value
    drag_area: Value
    rolling: Value
    efficiency: float
    trailer_mass: Value
    trailer_drag_area: Value
    gears: tuple[Value, ...]  # rev/min per m/s, lowest gear first; empty when unknown
    first: float = FIRST_GEAR_ELSE  # m/s in the lowest gear at rated speed, where gears are unknown
    converter: bool = False  # slips by a converter, which turns slip into torque

    def power(self, speed: Value, grade: Value, density: Value, tow: Value) -> Array:
        """Power [W] to hold ``speed`` [m/s]; ``tow`` is 1 with the trailer."""
        return road_power(
            speed,
            self.mass + as_array(tow) * self.trailer_mass,
            self.rolling,
            grade,
            density,
            self.drag_area + as_array(tow) * self.trailer_drag_area,
            self.efficiency,
        )


def vehicle_of(facts: MachineFacts) -> Vehicle:
    """Build from facts; MissingFact names what is absent."""
    gears: tuple[Value, ...] = ()
    if facts.gear_ratios and facts.final_drive is not None and facts.tyre_diameter is not None:
        ratio = facts.final_drive / rolled(facts.tyre_diameter) * 60.0
        gears = tuple(row * ratio for row in sorted((row[0] for row in facts.gear_ratios), reverse=True))

    def number(value: Value | None, name: str) -> Value:
        return need(value, f"machine.{name}")

    return Vehicle(
        mass=number(facts.mass, "mass"),
        drag_area=number(facts.drag_area, "drag_area"),
        rolling=number(facts.rolling_resistance, "rolling_resistance"),
        efficiency=DRIVES[facts.drive or "rear"][1],
        trailer_mass=facts.trailer_mass if facts.trailer_mass is not None else 0.0,
        trailer_drag_area=facts.trailer_drag_area if facts.trailer_drag_area is not None else 0.0,
        gears=gears,
        first=FIRST_GEAR.get(facts.kind or "", FIRST_GEAR_ELSE),
        converter=(facts.gearbox or "manual").startswith("automatic"),
    )


def gear_speeds(engine: Engine, vehicle: Vehicle, speed: Array, climbing: NDArray[np.bool_]) -> Array:
    """Speed [rev/min] at the gearbox's input in every gear, on a new first axis.

    Unknown gearing: 0.40 of rated speed at 100 km/h cruising, 0.55 climbing, by road speed
    between, and gears a step lower each from there to rated speed or the usual lowest gear (common practice).
    """
    v = as_array(speed)
    if vehicle.gears:
        return np.stack([v * gear for gear in vehicle.gears])
    share = np.where(climbing, 0.55, 0.40)
    at_speed = share * engine.rated_speed * clip(v / 27.78, 0.6, 1.6)
    # Whatever the gears are, one a step lower can be had, as far as rated speed and the lowest there is: a weak
    # engine's is geared for its hill.
    hill = vehicle.efficiency * as_array(engine.rated_power) / (as_array(vehicle.mass) * GRAVITY * FIRST_GRADE)
    lowest = engine.rated_speed * np.minimum(v / np.minimum(vehicle.first, hill), 1.0)
    return np.minimum(at_speed * DOWNSHIFTS.reshape((-1,) + (1,) * at_speed.ndim), lowest)


@dataclass(frozen=True)
class Held:
    """How a road duty is met: the speed really held, its engine speed and power.

    ``required`` and ``available`` [W] stand at the speed asked for, at the gearbox's input. ``too_weak`` speaks of the
    likely values; the other numbers may be samples. ``through``: share of the engine's power that the clutch or
    converter passes on.
    """

    speed: Value
    engine_speed: Value
    power: Value
    too_weak: bool
    required: Value
    available: Value
    through: Value = 1.0


@dataclass(frozen=True)
class Choice:
    """Power asked and the gear chosen at a row of speeds; ``through``: share of the engine's power passed on."""

    required: Array
    engine_speed: Array
    available: Array
    most: Array
    through: Array


def choose_gear(
    engine: Engine,
    vehicle: Vehicle,
    wanted: Value,
    speeds: Array,
    grade: Value,
    density: Value,
    tow: float,
    accessories: Value,
    pinned: float | None,
) -> Choice:
    """Pick the gear at each of ``speeds`` [m/s].

    The lowest rpm with at least 0.25 of rated speed (diesel 0.45) and 15 % torque in hand;
    failing that, the gear with most power there (common practice). Slower than a gear goes at idle the clutch slips:
    the engine is held at 0.35 of rated speed (diesel 0.50) and its torque is passed on at the gear's own speed; a
    converter adds torque, ``2 - slip ratio`` times (common practice).
    """
    limit = engine.facts.limit_speed
    floor = (0.25 if engine.fuel.spark else 0.45) * engine.rated_speed
    required = vehicle.power(speeds, grade, density, tow) + accessories
    idle = as_array(engine.facts.idle_speed)
    if pinned is not None:
        rpm = np.full((1, *required.shape), pinned)
        slips, through = np.zeros(rpm.shape, dtype=bool), np.ones_like(rpm)
    else:
        turns = gear_speeds(engine, vehicle, speeds, as_array(grade) > CLIMBING)
        slips = turns < SLIPS * idle
        launch = np.minimum(np.maximum(LAUNCH[engine.fuel.spark] * engine.rated_speed, SLIPS * idle), limit)
        ratio = turns / launch
        passed = clip(ratio * (2.0 - ratio) if vehicle.converter else ratio, LEAST_THROUGH, 1.0)
        rpm, through = np.where(slips, launch, np.maximum(turns, idle)), np.where(slips, passed, 1.0)
    available = engine.full_load_power(np.minimum(rpm, limit), wanted) * through
    usable = rpm <= as_array(limit) * 1.0001
    comfortable = usable & ~slips & (rpm >= floor) & (available >= 1.15 * required)
    score = np.where(comfortable, 1e12 - rpm, np.where(usable, available, -rpm))
    best = np.argmax(score, axis=0)[None]

    def take(array: Array) -> Array:
        return np.asarray(np.take_along_axis(np.broadcast_to(array, score.shape), best, 0)[0])

    reached = np.where(usable, available, 0.0)
    most = np.asarray(reached.max(axis=0))
    return Choice(required, np.minimum(take(rpm), limit), take(reached), most, take(through))


SPEED_POINTS, SPEED_POINTS_SAMPLED = 240, 24
ROUNDS, ROUNDS_SAMPLED = 2, 3


def balance_speed(pick: Callable[[Array], Choice], top: Value, samples: int = 1) -> Array:
    """Highest speed [m/s] up to ``top`` at which the engine still pulls, by scans; 0 if none.

    One speed for each of ``samples``; many are scanned in coarser rows and once more.
    """
    points, rounds = (SPEED_POINTS, ROUNDS) if samples == 1 else (SPEED_POINTS_SAMPLED, ROUNDS_SAMPLED)
    low, high = np.full(samples, LEAST_SPEED), np.full(samples, top)
    never = np.zeros(samples, dtype=bool)
    for _ in range(rounds):
        grid = np.linspace(low, high, points)
        at = pick(grid)
        holding = np.broadcast_to(at.available >= at.required, grid.shape)
        never |= ~holding.any(axis=0)
        last = points - 1 - np.argmax(holding[::-1], axis=0)
        row = np.minimum(np.stack([last, last + 1]), points - 1)
        low, high = np.take_along_axis(grid, row, 0)
    return np.where(never, 0.0, low)


def hold(
    engine: Engine,
    vehicle: Vehicle,
    wanted: Value,
    speed: Value,
    grade: Value,
    density: Value,
    tow: float,
    accessories: Value,
    pinned: float | None,
) -> Held:
    """Find the gear, or the speed at which a too weak engine balances."""

    def pick(speeds: Array) -> Choice:
        return choose_gear(engine, vehicle, wanted, speeds, grade, density, tow, accessories, pinned)

    at = pick(np.atleast_1d(as_array(speed)))
    weak = at.available < at.required
    samples = weak.size
    required, available = at.required, at.available
    held, rpm, through = np.broadcast_to(speed, weak.shape), at.engine_speed, at.through
    power = np.minimum(required, np.where(weak, available, required)) / through
    moves = likely(speed) > 0.0
    if moves and bool(weak.any()):
        v = balance_speed(pick, speed, samples)
        there = pick(np.maximum(v, LEAST_SPEED))
        held = np.where(weak, v, speed)
        rpm = np.where(weak, there.engine_speed, rpm)
        through = np.where(weak, there.through, through)
        power = np.where(weak, np.minimum(there.required, there.available) / there.through, power)

    def out(value: Array) -> Value:
        return float(value[0]) if samples == 1 else np.broadcast_to(value, (samples,))

    too_weak = moves and bool(weak.flat[0])
    return Held(out(held), out(rpm), out(power), too_weak, out(required), out(available), out(through))


def top_speeds(engine: Engine, vehicle: Vehicle, wanted: float, density: Value, accessories: Value) -> Array:
    """Highest level speed [m/s] the engine can hold, of every sample."""

    def pick(speeds: Array) -> Choice:
        return choose_gear(engine, vehicle, wanted, speeds, 0.0, density, 0.0, accessories, None)

    tried = pick(np.array([LEAST_SPEED]))
    return balance_speed(pick, SPEED_TOP, max(tried.available.size, tried.required.size))


def top_speed(engine: Engine, vehicle: Vehicle, wanted: float, density: float, accessories: float) -> float:
    """Highest level speed [m/s] the engine can hold, likely values."""
    return float(top_speeds(engine, vehicle, wanted, density, accessories)[0])


def grade_held(force: Value, mass: Value, rolling: Value) -> float:
    """Grade (tan) on which a force [N], drag taken off, holds a mass [kg]; nought when not even the level is."""
    share = force / (mass * GRAVITY) / np.hypot(1.0, rolling)
    angle = float(np.arcsin(clip(share, -1.0, 1.0)) - np.arctan(rolling))
    return max(float(np.tan(min(angle, 1.4))), 0.0)


def steepest_grade(
    engine: Engine,
    vehicle: Vehicle,
    wanted: float,
    speed: float,
    density: float,
    tow: float,
    accessories: float,
) -> float:
    """Steepest grade (tan) held at ``speed`` [m/s] in the gear with most power there.

    ``Crr cos a + sin a = F / (m g)`` solved for a; nought when not even the level is held.
    """
    at = choose_gear(engine, vehicle, wanted, np.array([speed]), 0.10, density, tow, accessories, None)
    mass = vehicle.mass + tow * vehicle.trailer_mass
    drag = 0.5 * density * (vehicle.drag_area + tow * vehicle.trailer_drag_area) * speed**2
    force = (float(at.most[0]) - accessories) * vehicle.efficiency / speed - drag
    return grade_held(force, mass, vehicle.rolling)


TRACTION = 0.5  # of the weight at most, common practice
ROTATING = 1.05  # mass with what turns, common practice
ROLLING_START = 0.5  # m/s


def time_to_speed(
    engine: Engine, vehicle: Vehicle, wanted: float, speed: float, density: float, accessories: float
) -> float | None:
    """Time [s] from standstill to ``speed`` [m/s] on the level, or None when it is never reached.

    ``t = int 1.05 m dv / (F - F_road)`` with F the most any gear gives, half the weight at most;
    gear changes are not counted (gillespie1992).
    """
    v = np.linspace(ROLLING_START, speed, SPEED_POINTS)
    at = choose_gear(engine, vehicle, wanted, v, 0.0, density, 0.0, accessories, None)
    pull = np.minimum((at.most - accessories) * vehicle.efficiency / v, TRACTION * vehicle.mass * GRAVITY)
    spare = pull - vehicle.power(v, 0.0, density, 0.0) * vehicle.efficiency / v
    if np.any(spare <= 0.0):
        return None
    return float(np.trapezoid(ROTATING * vehicle.mass / spare, v))
