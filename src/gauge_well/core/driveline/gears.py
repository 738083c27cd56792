"""Gears on the road: speeds, grades, shift points, the time between two speeds."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.duty.road import grade_held, road_power, rolled
from gauge_well.core.engine.model import Engine
from gauge_well.core.engine.torque import RAD_PER_RPM
from gauge_well.core.typing import Array

POINTS = 400


@dataclass(frozen=True)
class Train:
    """A way from the engine to the road: gearbox's ratios, lowest gear first; low range (1: none), final drive, tyre's
    diameter [m]."""

    ratios: Sequence[float]
    low: float
    final: float
    tyre: float

    @property
    def round(self) -> float:
        """Road for one turn of the wheel [m]."""
        return float(rolled(self.tyre))

    @property
    def per_speed(self) -> Array:
        """Engine's rev/min for each m/s, by gear, in high range."""
        return np.asarray([60.0 * r * self.final / self.round for r in self.ratios])


@dataclass(frozen=True)
class Road:
    """What it pulls: mass [kg], drag area [m2], rolling resistance, air [kg/m3], share of the engine's power that reaches the
    road, grip as a force at the driven wheels [N]."""

    mass: float
    drag_area: float
    rolling: float
    density: float
    efficiency: float
    grip: float

    def resists(self, speed: Array, grade: float = 0.0) -> Array:
        """Force [N] on a grade."""
        v = np.maximum(np.asarray(speed, dtype=float), 1e-6)
        return np.asarray(road_power(v, self.mass, self.rolling, grade, self.density, self.drag_area, 1.0) / v)


def torque(engine: Engine, wanted: float, speed: Array) -> Array:
    """Full-load torque [N m] at the wanted power."""
    return np.asarray(engine.full_load_power(speed, wanted) / (np.maximum(speed, 1.0) * RAD_PER_RPM))


def pull(engine: Engine, wanted: float, train: Train, road: Road, speed: Array) -> Array:
    """Force [N] at the wheels in each gear (gear, speed); nought where the engine would stand under idle or past its limit."""
    idle, limit = float(np.ravel(engine.facts.idle_speed)[0]), float(np.ravel(engine.facts.limit_speed)[0])
    by = train.per_speed[:, None]
    turns = by * np.asarray(speed, dtype=float)[None]
    force = torque(engine, wanted, np.clip(turns, idle, limit)) * by * RAD_PER_RPM * road.efficiency
    return np.where((turns >= idle * 0.999) & (turns <= limit * 1.001), np.minimum(force, road.grip), 0.0)


def grade_of(force: float, road: Road, speed: float) -> float:
    """Grade (tan) held by a force at the wheels [N]: ``m g (Crr cos a + sin a) = F - drag`` solved."""
    return grade_held(force - 0.5 * road.density * road.drag_area * speed**2, road.mass, road.rolling)


def shift_points(engine: Engine, wanted: float, train: Train) -> list[float]:
    """Engine speed [rev/min] at which each gear but the last is left: where the next pulls as hard, else the limit."""
    idle, limit = float(np.ravel(engine.facts.idle_speed)[0]), float(np.ravel(engine.facts.limit_speed)[0])
    speed = np.linspace(idle, limit, POINTS)
    found = []
    for now, then in zip(train.ratios[:-1], train.ratios[1:], strict=True):
        share = then / now
        ahead = torque(engine, wanted, speed * share) * share - torque(engine, wanted, speed)
        ahead = np.where(speed * share >= idle, ahead, -1.0)
        over = np.flatnonzero(ahead >= 0.0)
        over = over[over > int(0.4 * POINTS)]
        if not over.size:
            found.append(limit)
            continue
        i = int(over[0])
        a, b = ahead[i - 1], ahead[i]
        found.append(float(speed[i] if b == a else speed[i - 1] - a * (speed[i] - speed[i - 1]) / (b - a)))
    return found


ROTATING = (1.04, 0.0025)  # mass with what turns: 1.04 + 0.0025 N^2, N the whole ratio (gillespie1992, ch. 2)


def seconds(
    engine: Engine,
    wanted: float,
    train: Train,
    road: Road,
    start: float,
    end: float,
    shift: float,
    gears: Sequence[int] | None = None,
) -> float | None:
    """Time [s] between two speeds [m/s] on the level, in the gear that pulls hardest; None where it is not reached.

    ``t = int m' dv / (F - R)``, with ``shift`` [s] for each change, the speed held meanwhile. From rest it begins at the
    speed of the lowest gear at idle, pulling as there, its clutch slipping. ``gears``: only these.
    """
    use = list(range(len(train.ratios))) if gears is None else list(gears)
    only = Train([train.ratios[i] for i in use], train.low, train.final, train.tyre)
    by = only.per_speed
    idle = float(np.ravel(engine.facts.idle_speed)[0])
    low = max(start, idle / by[0] if gears is None else start)
    v = np.linspace(low, end, POINTS) if end > low else np.array([low, low])
    force = pull(engine, wanted, only, road, v)
    best = np.argmax(force, axis=0)
    most = np.take_along_axis(force, best[None], 0)[0]
    spare = most - road.resists(v)
    if np.any(spare <= 0.0) or np.any(most <= 0.0):
        return None
    whole = np.asarray(only.ratios)[best] * only.final
    mass = road.mass * (ROTATING[0] + ROTATING[1] * whole**2)
    found = float(np.trapezoid(mass / spare, v)) if end > low else 0.0
    if start < low:
        found += float(mass[0] / spare[0]) * (min(low, end) - start)
    return found + shift * int(np.count_nonzero(np.diff(best) > 0))
