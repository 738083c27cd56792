"""Lines of shafts between gearbox and axles: bends, how unevenly they turn, how fast, how far they slide."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cached_property

import numpy as np

from gauge_well.core.driveline import joints, shaft
from gauge_well.core.duty.road import rolled, top_speeds, vehicle_of
from gauge_well.core.errors import MissingFact
from gauge_well.core.media import air
from gauge_well.core.parts.propshaft import PropshaftFacts
from gauge_well.core.sentence import numbered
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.driveline.facts import DrivelineFacts
from gauge_well.core.typing import Array, as_array, likely

DRIVING, COASTING = 400.0, 1000.0  # rad/s2 of a line's end, and of one shaft in it, before it is felt (common practice)
BEARS = 15000.0  # rev/min times degrees of a joint, for its needles' life (common practice)
LEAST = np.radians(0.5)  # a joint's needles must roll (common practice)
WHIRLS = 0.7  # of its first whirling speed that a shaft may turn: flexible ends, balance (common practice)
SPARE = 15e-3  # m of slip kept at either end (common practice)
ENGAGED = 2.0 / 3.0  # of a spline (common practice)


@dataclass(frozen=True)
class Line:
    """Shafts one behind another to an axle, their ends' directions: unit vectors (3, ...) from gearbox to axle."""

    axle: str
    shafts: tuple[tuple[str, PropshaftFacts], ...]
    ways: tuple[Array, ...]

    @cached_property
    def bends(self) -> Array:
        """At each joint, as :func:`joints.bends`."""
        return joints.bends(self.ways)

    @cached_property
    def angles(self) -> Array:
        """At each joint [rad]."""
        return np.abs(self.bends)

    @cached_property
    def residual(self) -> Array:
        """[rad]."""
        return joints.residual(self.bends, [own.forks for _, own in self.shafts])

    @property
    def name(self) -> str:
        """As a builder says it."""
        return f"line to the {self.axle} axle"


def called(facts: DrivelineFacts, id: str, which: str) -> str:
    """A shaft by its axle, with its number where several drive that."""
    return numbered(f"{which.capitalize()} shaft", [i for i, s in facts.shafts if s.line == which], id)


def missing(facts: DrivelineFacts, which: str) -> tuple[str, ...]:
    """What a line that has shafts lacks."""
    own = [(id, s) for id, s in facts.shafts if s.line == which]
    if not own:
        return ()
    end = "front_falls" if which == "front" else "pinion_falls"
    lacks = [f"driveline.{end}"] if getattr(facts, end) is None else []
    lacks += [f"driveline.shafts.{id}.{n}" for id, s in own for n in ("length", "falls") if getattr(s, n) is None]
    return tuple(lacks)


def lines(facts: DrivelineFacts) -> list[Line]:
    """Those of which everything is stated."""
    return [line for which in ("rear", "front") if (line := _line(facts, which)) is not None]


def _line(facts: DrivelineFacts, which: str) -> Line | None:
    own = tuple((id, s) for id, s in facts.shafts if s.line == which)
    ends = (facts.front_falls, facts.front_left) if which == "front" else (facts.pinion_falls, facts.pinion_left)
    if not own or missing(facts, which) or facts.out_falls is None or ends[0] is None:
        return None
    # A line that runs forward meets the gearbox's own line from its other end.
    back = -1.0 if which == "front" else 1.0
    ways = [joints.direction(back * as_array(facts.out_falls), back * as_array(facts.out_left))]
    ways += [joints.direction(s.falls if s.falls is not None else 0.0, s.bears_left) for _, s in own]
    ways.append(joints.direction(ends[0], ends[1]))
    return Line(which, own, tuple(joints.together(ways)))


def speed_missing(context: Context) -> tuple[str, ...]:
    """What the shafts' speed on the road lacks."""
    return tuple(f"machine.{n}" for n in ("final_drive", "tyre_diameter") if getattr(context.machine, n) is None)


def fastest(context: Context, facts: DrivelineFacts) -> Array | None:
    """Speed [rev/min] of a shaft before an axle at the fastest it is driven, or at red line in top gear where that is less; None
    where final drive or tyre is not stated."""
    machine = context.machine
    if speed_missing(context) or machine.final_drive is None or machine.tyre_diameter is None:
        return None
    try:
        vehicle = vehicle_of(machine)
    except MissingFact:
        return None
    case = context.duties.cases[0]
    density = air.density(case.ambient, case.pressure)
    top = context.remember(
        "top_speed", (context.machine, context.engine, context.mean), lambda: top_speeds(context.engine, vehicle, context.wanted, density, likely(case.accessories.total))
    )  # fmt: skip
    if facts.driven_to is not None:
        top = np.minimum(as_array(facts.driven_to), top)
    found = top / rolled(machine.tyre_diameter) * 60.0 * as_array(machine.final_drive)
    if machine.gear_ratios:
        highest = min(likely(row[0]) for row in machine.gear_ratios)
        found = np.minimum(found, as_array(context.engine.facts.limit_speed) / highest)
    return np.asarray(found)


def whirls(own: PropshaftFacts) -> Array | None:
    """First whirling speed [rev/min]; None where its tube is not stated."""
    if own.length is None or own.tube is None or own.wall is None:
        return None
    return shaft.critical(own.length, own.tube, np.maximum(as_array(own.tube) - 2.0 * as_array(own.wall), 0.0))


@dataclass(frozen=True)
class Slid:
    """What a shaft's length does as its axle end goes up and down [m], longer positive; the most either of
    its joints bends there [rad]."""

    up: Array
    down: Array
    bends: Array


def slid(line: Line) -> Slid | None:
    """Of the last shaft of a line, its axle going straight up and down with its input's angle kept (common practice)."""
    _, own = line.shafts[-1]
    if own.length is None or own.up is None or own.down is None:
        return None
    way = line.ways[-2]
    length = as_array(own.length)
    found = []
    for rise in (as_array(own.up), -as_array(own.down)):
        shape = np.broadcast_shapes(way.shape[1:], length.shape, rise.shape)
        flat = [np.broadcast_to(length * way[i], shape) for i in range(3)]
        moved = np.stack([flat[0], flat[1], flat[2] + rise])
        long = np.sqrt((moved**2).sum(axis=0))
        unit = moved / long
        bent = [joints.between(joints.widened(line.ways[i], shape), unit) for i in (-3, -1)]
        found.append((np.asarray(long - length), np.maximum(*bent)))
    (up, rising), (down, dropping) = found
    return Slid(up, down, np.maximum(rising, dropping))


def uneven(line: Line) -> tuple[list[float], list[float]]:
    """Turned [rad] and speed out over speed in of a line over one turn, by exact kinematics, likely values."""
    ways = [np.asarray([float(np.ravel(axis)[0]) for axis in way]) for way in line.ways]
    return joints.uneven(ways, [likely(s.forks) for _, s in line.shafts])
