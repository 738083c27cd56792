"""Gear, shaft and propeller: what reaches the shaft, what the propeller takes, how the coupling lies, where beds go."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from gauge_well.core.duty.hull import HULLS
from gauge_well.core.facts import need
from gauge_well.core.flow import propeller
from gauge_well.core.roots import find_root
from gauge_well.core.strength import coupling
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.boat.facts import BoatFacts
from gauge_well.core.typing import Array, Value, as_array

REACHED = 0.97  # of its rated revs that an engine reaches, laden (common practice)
WORKS = 0.92  # of its power that a propeller should take there, else it is for nothing (common practice)
STEEP = np.radians(14.0)  # of a shaft, past which thrust and oil suffer (common practice)
OFFSET = 1e-4  # m of a coupling's rim off its mate (common practice)
PITCH_POWER = 1.5  # by which what a propeller takes follows its pitch, 1.2 to 1.7 (common practice)


def shaft_speed(context: Context, facts: BoatFacts) -> Array:
    """Shaft at the engine's rated speed [rev/min]; MissingFact names the gear's ratio."""
    return np.asarray(context.engine.rated_speed / as_array(need(facts.gear_ratio, "boat.gear_ratio")))


def shaft_power(facts: BoatFacts, power: Value) -> Array:
    """Power at the shaft [W] of one at the engine."""
    return np.asarray(as_array(power) * facts.through)


@dataclass(frozen=True)
class Repower:
    """The old engine's shaft beside the new one's: power [W], speed [rev/min], torque [N m]."""

    old_power: Array
    old_speed: Array
    new_power: Array
    new_speed: Array

    @property
    def old_torque(self) -> Array:
        """[N m]."""
        return propeller.torque(self.old_power, self.old_speed)

    @property
    def new_torque(self) -> Array:
        """[N m]."""
        return propeller.torque(self.new_power, self.new_speed)


def repower(context: Context, facts: BoatFacts) -> Repower | None:
    """None where the old engine, its gear or the new one's is not stated."""
    if facts.old_power is None or facts.old_speed is None or facts.old_ratio is None or facts.gear_ratio is None:
        return None
    return Repower(
        old_power=shaft_power(facts, facts.old_power),
        old_speed=np.asarray(as_array(facts.old_speed) / facts.old_ratio),
        new_power=shaft_power(facts, context.wanted),
        new_speed=shaft_speed(context, facts),
    )


@dataclass(frozen=True)
class Loaded:
    """A known propeller behind the new engine: what it takes at the shaft at rated revs [W], the revs reached [rev/min], by
    whether the old engine's own revs were read."""

    takes: Array
    reached: Array
    by_reading: bool


def loaded(context: Context, facts: BoatFacts) -> Loaded | None:
    """By what the propeller took of the old engine and the cubic law; at the revs that engine really reached where they were
    read, else at its rated ones. None where the old engine or a gear is not stated."""
    both = repower(context, facts)
    if both is None:
        return None
    power, speed = both.old_power, both.old_speed
    if facts.old_reached is not None:
        share = as_array(facts.old_reached) / need(facts.old_speed, "boat.old_speed")
        # Its torque hardly changes near its rated speed, so that its power goes with its revs.
        power, speed = power * np.minimum(share, 1.0), speed * share
    takes = propeller.taken(power, speed, both.new_speed)
    engine = context.engine
    rated = as_array(engine.rated_speed)

    def spare(n: Array) -> Array:
        makes = shaft_power(facts, engine.full_load_power(n, context.wanted))
        return np.asarray(makes - takes * (n / rated) ** 3)

    top = 1.15 * rated
    if engine.facts.limit_speed is not None:
        top = np.minimum(top, as_array(engine.facts.limit_speed))
    shape = np.broadcast_shapes(takes.shape, rated.shape, np.shape(top), np.shape(spare(rated)))
    reached = find_root(spare, np.broadcast_to(0.25 * rated, shape), np.broadcast_to(top, shape), tolerance=0.5)
    return Loaded(np.asarray(takes), reached, facts.old_reached is not None)


@dataclass(frozen=True)
class Wished:
    """A propeller for this power, shaft speed and hull: diameter and pitch [m], slip, speed it was made for [m/s]."""

    diameter: Array
    pitch: Array
    slip: Array
    speed: Array


def wished(context: Context, facts: BoatFacts) -> Wished | None:
    """By the handbook's rules; None where the gear's ratio or the boat's speed is not known."""
    speed = context.machine.top_speed
    if facts.gear_ratio is None or speed is None:
        return None
    n = shaft_speed(context, facts)
    power = shaft_power(facts, context.wanted)
    slip = propeller.slip_gerr(speed)
    return Wished(propeller.diameter_gerr(power, n), propeller.pitch_for(speed, n, slip), slip, as_array(speed))


def slips(context: Context, facts: BoatFacts) -> tuple[Array, tuple[float, float]] | None:
    """Apparent slip of the propeller there is at top speed, and what such a hull's usually is."""
    speed = context.machine.top_speed
    if facts.pitch is None or facts.gear_ratio is None or speed is None:
        return None
    found = propeller.slip_of(speed, shaft_speed(context, facts), facts.pitch)
    return found, HULLS[context.machine.hull or "displacement"].slip


def pitch_to_reach(found: Loaded, facts: BoatFacts, power: Value) -> float | None:
    """Pitch [m] with which the propeller takes just the power; None where its own is not stated."""
    if facts.pitch is None:
        return None
    share = as_array(power) / np.maximum(found.takes, 1e-9)
    return float(np.ravel(as_array(facts.pitch) * share ** (1.0 / PITCH_POWER))[0])


@dataclass(frozen=True)
class Aligned:
    """How the engine's half of the coupling lies, upright and in plan, and what front and back feet are moved by [m]: up, and to
    the left; None where their place is not stated."""

    upright: coupling.Lies
    plan: coupling.Lies | None
    front: Array | None
    back: Array | None
    front_left: Array | None
    back_left: Array | None


def aligned(facts: BoatFacts) -> Aligned | None:
    """None where the upright readings are not all there."""
    read = (facts.face_top, facts.face_bottom, facts.rim_top, facts.rim_bottom, facts.felt_at)
    given = [v for v in read if v is not None]
    if len(given) != len(read):
        return None
    face_top, face_bottom, rim_top, rim_bottom, across = given
    upright = coupling.lies(face_top, face_bottom, rim_top, rim_bottom, across, facts.sag)
    sides = (facts.face_left, facts.face_right, facts.rim_left, facts.rim_right, facts.felt_at)
    beside = [v for v in sides if v is not None]
    plan = coupling.lies(*beside) if len(beside) == len(sides) else None
    front, back = facts.feet_front, facts.feet_back
    return Aligned(
        upright,
        plan,
        None if front is None else coupling.move(upright, front),
        None if back is None else coupling.move(upright, back),
        None if front is None or plan is None else coupling.move(plan, front),
        None if back is None or plan is None else coupling.move(plan, back),
    )


def coupling_missing(facts: BoatFacts) -> tuple[str, ...]:
    """Of readings that were begun, those that are missing."""
    names = ("felt_at", "face_top", "face_bottom", "rim_top", "rim_bottom")
    begun = [n for n in names if getattr(facts, n) is not None]
    return tuple(f"boat.{n}" for n in names if getattr(facts, n) is None) if begun else ()


@dataclass(frozen=True)
class Bed:
    """Where a bed's top lies under a pair of feet [m]: ahead of the coupling along the shaft's line, over the waterline, under
    that line; what a bracket must reach across from the bed's middle to the foot."""

    name: str
    ahead: float
    over: float | None
    under: float
    reach: float | None


def beds(context: Context, facts: BoatFacts) -> list[Bed]:
    """Under front and back feet; nothing where feet are not stated."""
    found = []
    angle = as_array(
        facts.shaft_angle
        if facts.shaft_angle is not None
        else need(context.installation.engine_pitch, "installation.engine_pitch")
    )
    for name, ahead in (("Front feet", facts.feet_front), ("Back feet", facts.feet_back)):
        if ahead is None or facts.feet_under is None:
            continue
        under = as_array(facts.feet_under) + facts.mount_height
        over = None
        if facts.coupling_over is not None:
            over = float(
                np.ravel(as_array(facts.coupling_over) + as_array(ahead) * np.sin(angle) - under * np.cos(angle))[0]
            )
        reach = None
        if facts.feet_apart is not None and facts.beds_apart is not None:
            reach = float(np.ravel(0.5 * (as_array(facts.beds_apart) - facts.feet_apart))[0])
        found.append(Bed(name, float(np.ravel(as_array(ahead))[0]), over, float(np.ravel(under)[0]), reach))
    return found
