"""A jam, with the fan as it is switched, and with what may be missing."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.systems.base import Context
from gauge_well.core.systems.cooling import switching
from gauge_well.core.systems.cooling.facts import CoolingFacts
from gauge_well.core.systems.cooling.facts_air import SWITCHED_BY
from gauge_well.core.systems.cooling.gauge import thresholds
from gauge_well.core.typing import likely, likely_or_none

SHOWN = 226  # every eighth second


@dataclass(frozen=True)
class JamCase:
    """A case: its coolant [K] and state over the view's time, hottest, starts an hour, share of the time it runs, longest run,
    seconds to limit and boiling; ``stated``: somebody said that the controller does so."""

    id: str
    name: str
    stated: bool
    coolant: Sequence[float]
    state: Sequence[int]
    peak: float
    starts: float
    share: float
    longest: float
    to_limit: float | None
    to_boil: float | None


@dataclass(frozen=True)
class JamView:
    """A duty as a jam over time [s]: cases, limits [K], thresholds [K] of each stage, who switches; ``states``: off, half speed
    and so many stages. Nothing where no electric fan is there."""

    duty: str
    time: Sequence[float]
    cases: Sequence[JamCase]
    limit: float | None
    boiling: float | None
    on: Sequence[float]
    off: Sequence[float]
    by: str
    line_switch: float | None
    stands: float
    creeps: float


def show(context: Context, facts: CoolingFacts) -> JamView:
    """The context's one duty."""
    found = switching.jam(context, facts)
    case = context.duties.cases[0]
    cycle = (switching.STANDS[0], switching.CREEPS[0])
    by = SWITCHED_BY[facts.fan_by or "controller"]
    line = likely_or_none(facts.fan_line_switch)
    if found is None:
        return JamView(case.id, [], [], None, None, [], [], by, line, *cycle)
    rows = np.unique(np.linspace(0, found.done.time.size - 1, SHOWN).astype(int))
    switches = thresholds(facts, max(found.states - 2, 1))
    cases = []
    for point, own in enumerate(found.cases):
        told = switching.told(found, point)
        cases.append(
            JamCase(
                id=own.id,
                name=own.name,
                stated=own.stated,
                coolant=np.minimum(found.done.coolant[rows, point], found.boiling).tolist(),
                state=found.done.state[rows, point].tolist(),
                peak=told.peak,
                starts=told.starts,
                share=told.share,
                longest=told.longest,
                to_limit=told.to_limit,
                to_boil=told.to_boil,
            )
        )
    return JamView(
        duty=case.id,
        time=found.done.time[rows].tolist(),
        cases=cases,
        limit=found.limit,
        boiling=found.boiling,
        on=[likely(on) for on, _ in switches],
        off=[likely(off) for _, off in switches],
        by=by,
        line_switch=line,
        stands=cycle[0],
        creeps=cycle[1],
    )
