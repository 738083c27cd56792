"""What draws in each state, against the alternator; how long the battery makes up what is short."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.electrical import battery
from gauge_well.core.errors import MissingFact
from gauge_well.core.parts.load import STATES
from gauge_well.core.reads import FANS_DRAW
from gauge_well.core.systems.base import Context, Options, option
from gauge_well.core.systems.electrics import charging
from gauge_well.core.systems.electrics.facts import ElectricsFacts
from gauge_well.core.typing import duty_values, likely, likely_or_none


@dataclass(frozen=True)
class StateRow:
    """A state: amps drawn; amps of the hot alternator, None where it stands still or its plate is unknown; amps the battery gives; how
    long half of it lasts so [s], None where it is charged or its capacity unknown."""

    id: str
    name: str
    draws: float
    gives: float | None
    battery: float
    lasts: float | None


@dataclass(frozen=True)
class LoadRow:
    """One thing that draws: amps by state, in the states' order."""

    id: str
    name: str
    amps: Sequence[float]


@dataclass(frozen=True)
class DutyRow:
    """A duty: engine and rotor speed [rev/min], amps the hot alternator gives, volts the system has."""

    name: str
    engine: float
    rotor: float
    gives: float
    volts: float


@dataclass(frozen=True)
class LoadsView:
    """The load table. ``idle`` tried [rev/min] between ``low`` and ``high``; ``curve``: amps hot over engine speed; ``idled``: charge out
    of the battery while it idles so long [C, s]."""

    states: Sequence[StateRow]
    loads: Sequence[LoadRow]
    duties: Sequence[DutyRow]
    idle: float
    low: float
    high: float
    slow: float
    slow_in: str
    curve: Sequence[tuple[float, float]]
    idled: float | None
    idles_for: float
    stands: float | None


def show(context: Context, facts: ElectricsFacts, options: Options) -> LoadsView:
    """Draws and what feeds them, at the idle that is tried."""
    found = charging.draws(context, facts)
    if not found:
        raise MissingFact("electrics.loads")
    own = likely(context.engine.facts.idle_speed)
    low, high = 0.6 * own, 1.8 * own
    idle = option(options, "idle", own, low, high, "rev/min")
    slow, name = charging.slowest(context)
    holds = charging.capacity(facts)
    half = None if holds is None else battery.KEPT * likely(holds)
    states = []
    for id, label in STATES.items():
        speed = idle if id in charging.STANDING else slow if id.startswith("cruise") else None
        gives = None if speed is None else charging.able(facts, speed)
        draws = likely(charging.total(found, id))
        short = max(draws - (0.0 if gives is None else likely(gives)), 0.0)
        lasts = half / short if half is not None and short > 0.0 else None
        states.append(StateRow(id, label, draws, likely_or_none(gives), short, lasts))
    night = next(s for s in states if s.id == "idle_night")
    idles = likely(facts.idles_for)
    return LoadsView(
        states=states,
        loads=[LoadRow(d.id, d.name, [likely(d.amps[s]) for s in STATES]) for d in found],
        duties=_duties(context, facts),
        idle=idle,
        low=low,
        high=high,
        slow=slow,
        slow_in=name,
        curve=_curve(context, facts),
        idled=None if night.gives is None else night.battery * idles,
        idles_for=idles,
        stands=states[-1].lasts,
    )


def _curve(context: Context, facts: ElectricsFacts) -> list[tuple[float, float]]:
    top = likely(context.engine.facts.limit_speed)
    speeds = np.linspace(0.4 * likely(context.engine.facts.idle_speed), top, 41)
    return [(float(n), likely(gives)) for n in speeds if (gives := charging.able(facts, float(n))) is not None]


def _duties(context: Context, facts: ElectricsFacts) -> list[DutyRow]:
    speed = context.duties.column("engine_speed")
    gives, short = charging.able(facts, speed), charging.volts_short(context, facts, context.told(FANS_DRAW))
    if gives is None or short is None:
        return []
    count = len(context.duties.cases)
    rows = zip(
        context.duties.cases,
        *(
            duty_values(v, count)
            for v in (speed, charging.rotor(facts, speed), gives, charging.charging(facts) - short)
        ),
        strict=True,
    )
    return [DutyRow(case.name, *row) for case, *row in rows]
