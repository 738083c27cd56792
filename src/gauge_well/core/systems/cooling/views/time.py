"""A duty through time, what follows it, and what breaks in it."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.heat.transient import March
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.cooling import time
from gauge_well.core.systems.cooling.facts import CoolingFacts
from gauge_well.core.systems.cooling.model import Starts, plant_of, prepare
from gauge_well.core.typing import likely

SHOWN = 140  # points of a curve


@dataclass(frozen=True)
class Curve:
    """A course in time [s]: coolant and metal [K], share of the fans that run."""

    time: Sequence[float]
    coolant: Sequence[float]
    metal: Sequence[float]
    fan: Sequence[float]


@dataclass(frozen=True)
class FailureEntry:
    """Something that breaks in the duty: seconds until the limit, and until it boils."""

    id: str
    name: str
    to_limit: float | None
    to_boil: float | None


@dataclass(frozen=True)
class TimeView:
    """The duty traced, the soak after it, a warm-up in it and its failures; times [s], temperatures [K]."""

    duty: str
    trace: Curve
    fan_starts: int
    soak: Curve
    soak_peak: float
    warm_up: Curve
    to_thermostat: float | None
    failures: Sequence[FailureEntry]
    limit: float
    boiling: float
    thermostat: float


def _thin(done: March) -> Curve:
    rows = np.unique(np.linspace(0, done.time.size - 1, SHOWN).astype(int))
    return Curve(
        time=done.time[rows].tolist(),
        coolant=done.coolant[rows, 0].tolist(),
        metal=done.metal[rows, 0].tolist(),
        fan=done.state[rows, 0].tolist(),
    )


def _finite(seconds: float) -> float | None:
    return seconds if np.isfinite(seconds) else None


def show(context: Context, facts: CoolingFacts, starts: Starts | None = None) -> TimeView:
    """The duty traced, the soak after it, a warm-up in it and its failures; times in s, temperatures in K.

    ``starts`` where the duty follows another.
    """
    cooling = prepare(context, plant_of(context, facts), starts=starts)
    course = time.course(context, cooling)
    thermostat = likely(cooling.plant.thermostat)
    return TimeView(
        duty=context.duties.cases[0].id,
        trace=_thin(course.trace),
        fan_starts=int(np.sum(np.diff(course.trace.state[:, 0]) > 0)),
        soak=_thin(course.soak),
        soak_peak=float(course.soak.coolant.max()),
        warm_up=_thin(course.warm_up),
        to_thermostat=_finite(float(course.warm_up.first_over(thermostat)[0])),
        failures=[
            FailureEntry(id=f.id, name=f.name, to_limit=_finite(f.to_limit), to_boil=_finite(f.to_boil))
            for f in course.failures
        ],
        limit=likely(cooling.plant.limit),
        boiling=likely(cooling.plant.boiling),
        thermostat=thermostat,
    )
