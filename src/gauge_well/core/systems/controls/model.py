"""Controls worked: how far a throttle opens, what vacuum holds, what a pedal moves, where a knob stands, what steering does."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from gauge_well.core.driveline import joints
from gauge_well.core.facts import need
from gauge_well.core.linkage import pedal, steering, throttle, vacuum
from gauge_well.core.linkage.pedal import Linked
from gauge_well.core.media.air import GRAVITY, pressure_isa
from gauge_well.core.reads import (
    BEARING_FREE,
    BELL_AHEAD,
    BELL_LEFT,
    RELEASE_FORCE,
    RELEASE_WAY,
    ROCK,
    ROCK_LEFT,
    ROCK_OVER,
)
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.controls.facts import ControlsFacts
from gauge_well.core.typing import Array, Value, as_array, likely

SEA = 101325.0  # Pa
LEAST_DEPTH = 35e3  # Pa a booster still helps at (common practice)
WISHED = 3.0  # whole applications held without the engine (common practice)
WORKS = 50e3  # Pa of idle under which a pump of one's own is usual (common practice)
FULL_AGAIN = 65e3  # Pa to which recovery is told (common practice)
TOLD = 1.1  # times where it begins to help, past which its recovery is told (common practice)
# Expected idling at sea level [Pa], by what empties it (common practice).
EXPECTED = {"mild": 65e3, "long": 38e3, "pump": 85e3}
VE_IDLE = 0.9  # of its swept volume that an idling engine takes out of its manifold, at the manifold's density (common practice)
PUMP_KEEPS = 0.85  # of its flow a steering pump keeps under pressure (common practice)
ON_TARMAC = 0.8  # friction of a standing tyre (common practice)


def opening(facts: ControlsFacts) -> Array | None:
    """Angle the cable opens the throttle to [rad], slack taken off; None where pedal or wheel is not stated."""
    if facts.pedal_moves is None or facts.wheel is None:
        return None
    drawn = np.maximum(as_array(facts.pedal_moves) - facts.slack, 0.0)
    return throttle.opened(drawn, facts.wheel, facts.lever_before)


def wheel_for(facts: ControlsFacts) -> Array | None:
    """Radius [m] at which the pedal's way just opens it; None where the pedal's is not stated."""
    if facts.pedal_moves is None:
        return None
    whole = throttle.drawn_for(facts.opens, 1.0, facts.lever_before)
    return np.asarray(np.maximum(as_array(facts.pedal_moves) - facts.slack, 1e-6) / whole)


def over_travel(facts: ControlsFacts) -> Array | None:
    """Way the pedal has left when the throttle is full open [m]: below nought it is not."""
    if facts.pedal_moves is None or facts.wheel is None:
        return None
    asks = throttle.drawn_for(facts.opens, facts.wheel, facts.lever_before)
    return np.asarray(as_array(facts.pedal_moves) - facts.slack - asks)


def returns(facts: ControlsFacts) -> tuple[Array, Value] | None:
    """What is left of the spring behind the sleeve's bends [N], and what pedal and cable ask to come back; None where not
    stated."""
    if facts.spring is None or facts.bends is None:
        return None
    return throttle.eased(facts.spring, facts.bends, facts.rubs), facts.drags


def rocks(context: Context, facts: ControlsFacts) -> Array | None:
    """How far the throttle moves from the body as the engine rocks [m]; None where it matters not or is not known."""
    if facts.sleeve_ends != "body" or facts.end_over is None:
        return None
    rock, left, over = (context.told(n) for n in (ROCK, ROCK_LEFT, ROCK_OVER))
    if rock is None or left is None or over is None:
        return None
    return np.asarray(
        np.abs(np.ravel(rock))
        * np.hypot(as_array(facts.end_left) - np.ravel(left), as_array(facts.end_over) - np.ravel(over))
    )


def depth_at(facts: ControlsFacts, depth: Value, altitude: Value) -> Array:
    """Depth [Pa] at an altitude: a manifold keeps its own pressure, a pump the share it reaches."""
    air = pressure_isa(altitude)
    at_sea = as_array(depth)
    manifold = np.maximum(at_sea - (SEA - air), 0.0)
    return np.asarray(manifold if facts.source == "manifold" else at_sea * air / SEA)


@dataclass(frozen=True)
class Held:
    """A booster's vacuum: depth where it is driven [Pa], whole applications before it helps no more, seconds back to
    full help; the deepest it is drawn to then."""

    depth: Array
    applications: Array
    recovers: Array
    to: Array


def volume(facts: ControlsFacts) -> Array:
    """Booster and reservoir [m3]."""
    return np.asarray(as_array(facts.holds) + facts.reservoir)


def held_at(context: Context, facts: ControlsFacts, depth: Value, altitude: Value, more: float = 0.0) -> Held:
    """Of a depth idling at sea level [Pa], with ``more`` reservoir [m3]."""
    air = pressure_isa(altitude)
    own = depth_at(facts, depth, altitude)
    held = volume(facts) + more
    each = vacuum.lets_in(facts.bore, facts.stroke)
    uses = vacuum.applications(own, held, each, LEAST_DEPTH)
    back = np.minimum(FULL_AGAIN, 0.93 * own)
    flow = swallows(context) if facts.source == "manifold" else as_array(facts.pump_flow)
    # Of one that hardly reaches where it begins to help there is nothing to wait for.
    time = np.where(back > TOLD * LEAST_DEPTH, vacuum.pumped(held, flow, own, LEAST_DEPTH, back, air), np.inf)
    return Held(own, uses, time, back)


def swallows(context: Context) -> Array:
    """What the idling engine takes out of its manifold [m3/s]."""
    engine = context.engine
    idle = need(engine.facts.idle_speed, "engine.idle_speed")
    return np.asarray(as_array(engine.displacement) * idle * engine.swept_rate_factor * VE_IDLE)


def vacuumless(facts: ControlsFacts) -> str:
    """Why there is no vacuum for the brakes at all; empty where there may be."""
    if facts.booster != "vacuum":
        return ""
    if facts.source == "none":
        return "Nothing makes vacuum for the booster: the brakes work unaided"
    if facts.source == "manifold" and facts.plate == "no":
        return "A manifold without a throttle plate, a diesel's, makes no vacuum: a pump, or help by fluid"
    return ""


def link_of(facts: ControlsFacts) -> Linked | None:
    """Pedal to bearing; None where not stated."""
    if facts.pad is None or facts.pedal_ratio is None:
        return None
    areas: Value = 1.0
    if facts.release != "cable":
        if facts.master is None or facts.slave is None:
            return None
        areas = pedal.areas(facts.slave, facts.master)
    fork: Value = 1.0 if facts.release == "bearing" else facts.fork
    return Linked(facts.pad, facts.pad_lost, facts.pedal_ratio, areas, fork, facts.through)


@dataclass(frozen=True)
class Pedalled:
    """A clutch pedal: bearing moved [m], way asked of it, None where the driveline does not say; slave's way; force at pad and
    rod [N], None where the cover's is not known; pressure in the line [Pa]."""

    moves: Array
    asked: Array | None
    slave: Array
    pad: Array | None
    rod: Array | None
    pressure: Array | None


def pedalled(context: Context, facts: ControlsFacts) -> Pedalled | None:
    """None where the pedal is not stated."""
    link = link_of(facts)
    if link is None:
        return None
    force, way, free = (context.told(n) for n in (RELEASE_FORCE, RELEASE_WAY, BEARING_FREE))
    asked = None if way is None else np.asarray(np.ravel(way) + (np.ravel(free) if free is not None else 0.0))
    bearing = None if force is None else np.ravel(force)
    rod = None if bearing is None else pedal.rod_force(link, bearing)
    pressure = None
    if rod is not None and facts.master is not None and facts.release != "cable":
        pressure = np.asarray(rod / (np.pi / 4.0 * as_array(facts.master) ** 2))
    pad = None if bearing is None else pedal.pad_force(link, bearing)
    return Pedalled(pedal.moves(link, facts.gives), asked, pedal.slave(link, facts.gives), pad, rod, pressure)


@dataclass(frozen=True)
class Shifted:
    """A shifter: lever over selector, knob's way neutral to gear [m], how far the gearbox puts it behind and left of where the
    hand wants it [m]; None where not stated."""

    ratio: Array | None
    throw: Array | None
    behind: Array | None
    left: Array | None


def shifted(context: Context, facts: ControlsFacts) -> Shifted:
    """By lever, gearbox and where Fit has the bell's face."""
    ratio = None if facts.above is None or facts.below is None else np.asarray(as_array(facts.above) / facts.below)
    throw = None if ratio is None or facts.throw is None else np.asarray(ratio * facts.throw)
    ahead, left = context.told(BELL_AHEAD), context.told(BELL_LEFT)
    behind = aside = None
    if facts.lever_behind is not None and facts.knob_behind is not None and ahead is not None and left is not None:
        behind = np.asarray(as_array(facts.lever_behind) - np.ravel(ahead) - facts.knob_behind)
        aside = np.asarray(np.ravel(left) + facts.lever_left - facts.knob_left)
    return Shifted(ratio, throw, behind, aside)


def rod_jumps(context: Context, facts: ControlsFacts) -> Array | None:
    """How far engine rock moves a rod against a lever on the body [m]; None where it does not, or is not known."""
    if facts.shifter != "rods" or facts.pivot != "body" or facts.rod_over is None:
        return None
    rock, over = context.told(ROCK), context.told(ROCK_OVER)
    if rock is None or over is None:
        return None
    return np.asarray(np.abs(np.ravel(rock)) * np.abs(as_array(facts.rod_over) - np.ravel(over)))


GEAR_PLACES = ((-1, 1), (-1, -1), (0, 1), (0, -1), (1, 1), (1, -1))  # gate to the left counted minus; forward plus


def knob_places(count: int) -> list[tuple[str, int, int]]:
    """Gears of an H and where the knob stands: gates aside and forward of neutral; reverse back where no gear is (common
    practice)."""
    found = [(str(n + 1), gate, ahead) for n, (gate, ahead) in enumerate(GEAR_PLACES[: min(count, 6)])]
    return [*found, ("reverse", 1 if count < 6 else 2, -1)]


@dataclass(frozen=True)
class Gap:
    """A knob in a gear against what is there [m]."""

    gear: str
    against: str
    left: Array


def knob_gaps(context: Context, facts: ControlsFacts) -> list[Gap]:
    """Least room of the knob in every gear to each side that is stated."""
    throw = shifted(context, facts).throw
    if throw is None:
        return []
    found = []
    sides = (
        (facts.ahead_gap, "ahead", 0, 1),
        (facts.behind_gap, "behind", 0, -1),
        (facts.left_gap, "left", 1, -1),
        (facts.right_gap, "right", 1, 1),
    )
    for gear, gate, ahead in knob_places(round(likely(facts.gears))):
        for gap, name, aside, sign in sides:
            if gap is None:
                continue
            moved = as_array(facts.gate) * gate if aside else throw * ahead
            found.append(Gap(gear, name, np.asarray(as_array(gap) - np.maximum(sign * moved, 0.0))))
    return found


@dataclass(frozen=True)
class Column:
    """A steering column: bend at each joint [rad], how unevenly it turns as a share either way, over the likely values and
    samples."""

    angles: Array
    ripple: Array


def column(facts: ControlsFacts) -> Column | None:
    """None where fewer than two pieces are stated."""
    own = [c for _, c in facts.columns]
    if len(own) < 2 or any(c.falls is None for c in own):
        return None
    ways = [joints.direction(c.falls if c.falls is not None else 0.0, c.bears_left) for c in own]
    bends = joints.bends(joints.together(ways))
    left = joints.residual(bends, [c.forks for c in own[1:-1]])
    return Column(np.abs(bends), np.asarray(0.5 * left**2))


def toed(facts: ControlsFacts) -> Array | None:
    """Toe of a wheel over the bump stated [rad], the worse of up and down; None where rack, rod or arm is not."""
    if facts.lowered is None or facts.rod is None or facts.steer_arm is None:
        return None
    both = [
        np.abs(steering.toed(facts.lowered, s * as_array(facts.bump), facts.rod, facts.steer_arm)) for s in (1.0, -1.0)
    ]
    return np.asarray(np.maximum(*both))


def pump_flow(context: Context, facts: ControlsFacts) -> tuple[Array, Array] | None:
    """What the steering pump gives idling and what a quick turn asks [m3/s]; None where not stated."""
    if facts.pump_swept is None or facts.box_swept is None:
        return None
    idle = as_array(context.engine.facts.idle_speed) * facts.pump_ratio
    return steering.pump_gives(facts.pump_swept, idle, PUMP_KEEPS), np.asarray(
        as_array(facts.box_swept) / facts.turns * facts.quick
    )


def pressure_asked(context: Context, facts: ControlsFacts, front: Array | None) -> Array | None:
    """Pressure [Pa] that turns the standing wheels, by what is on the front axle [kg]; None where something is not stated."""
    if front is None or facts.tyre is None or facts.steer_arm is None or facts.piston is None:
        return None
    wheel = np.ravel(front) * GRAVITY / 2.0
    moment = steering.parked(wheel, as_array(facts.tyre), ON_TARMAC)
    return np.asarray(2.0 * moment / as_array(facts.steer_arm) / as_array(facts.piston))


BLEEDS = {
    "front_left": ("rear right", "rear left", "front right", "front left"),
    "front_right": ("rear left", "rear right", "front left", "front right"),
    "middle": ("rear right", "rear left", "front right", "front left"),
    "rear": ("front right", "front left", "rear right", "rear left"),
}
CROSSED = {
    "front_left": ("rear right", "front left", "rear left", "front right"),
    "front_right": ("rear left", "front right", "rear right", "front left"),
    "middle": ("rear right", "front left", "rear left", "front right"),
    "rear": ("front right", "rear left", "front left", "rear right"),
}


def bleeds(facts: ControlsFacts) -> tuple[str, ...]:
    """Wheels in the order they are bled: the longest pipe first, circuit by circuit where they run crosswise (common practice)."""
    return (CROSSED if facts.split == "corners" else BLEEDS)[facts.master_at]
