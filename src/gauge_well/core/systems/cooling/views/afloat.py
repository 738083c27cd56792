"""A boat's exchanger as it fouls, or its keel cooler by the boat's speed: what the coolant comes to."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace

import numpy as np

from gauge_well.core.heat.exchanger import FOULED, keel_coefficient
from gauge_well.core.systems.base import Context, Options, duty_asked
from gauge_well.core.systems.cooling import afloat
from gauge_well.core.systems.cooling.facts import CoolingFacts
from gauge_well.core.typing import duty_value, likely, likely_or_none

SHARES = np.linspace(0.2, 1.0, 17)
SPEEDS = np.linspace(0.0, 6.0, 25)  # m/s


@dataclass(frozen=True)
class Row:
    """A duty: coolant and its limit, raw water in and behind, sea and the sea it holds to [K]; made and carried [W]; boat's speed
    [m/s]."""

    duty: str
    name: str
    coolant: float
    limit: float
    raw_in: float
    raw_out: float | None
    sea: float
    sea_most: float
    made: float
    carried: float
    speed: float


@dataclass(frozen=True)
class AfloatView:
    """Every duty; of one, coolant [K] over the share of its clean conductance an exchanger has left, or the outside a keel cooler
    needs [m2] over the boat's speed [m/s]; conductance as it runs [W/K]; how it is cooled."""

    keel: bool
    rows: Sequence[Row]
    duty: str
    share: float
    conductance: float
    shares: Sequence[float]
    by_share: Sequence[float]
    speeds: Sequence[float]
    by_speed: Sequence[float]
    area: float | None
    limit: float


def show(context: Context, facts: CoolingFacts, options: Options) -> AfloatView:
    """A boat's cooling; MissingFact names what is absent."""
    index = duty_asked(context, options)
    found = afloat.solved(context, facts)
    made = afloat.heat_made(context, found.plant.limit, context.mean)
    ends, seas = afloat.settles(found, made), afloat.limiting_sea(found, made)
    keel = context.machine.cooled_by == "keel"

    def row(i: int) -> Row:
        def pick(value: object) -> float:
            return duty_value(value, i)  # type: ignore[arg-type]

        case, heat = context.duties.cases[i], pick(made)
        return Row(
            duty=case.id,
            name=case.name,
            coolant=min(pick(ends), pick(found.plant.boiling)),
            limit=pick(found.plant.limit),
            raw_in=pick(found.inlet),
            raw_out=None
            if keel
            else pick(found.inlet) + min(heat, max(pick(found.capacity), 0.0)) / pick(found.raw_rate),
            sea=pick(found.sea),
            sea_most=pick(seas),
            made=heat,
            carried=pick(found.capacity),
            speed=likely(case.asked_speed),
        )

    by_share, by_speed = [], []
    if keel:
        over = duty_value(found.plant.limit, index) - duty_value(found.sea, index)
        by_speed = (duty_value(made, index) / (keel_coefficient(SPEEDS, FOULED) * max(over, 1.0))).tolist()
    else:
        for share in SHARES:
            other = afloat.solved(context, replace(facts, fouled=float(share)), found.plant)
            by_share.append(min(duty_value(afloat.settles(other, made), index), duty_value(found.plant.boiling, index)))
    return AfloatView(
        keel=keel,
        rows=[row(i) for i in range(len(context.duties.cases))],
        duty=context.duties.cases[index].id,
        share=likely(facts.fouled),
        conductance=duty_value(found.conductance_ua, index),
        shares=SHARES.tolist(),
        by_share=by_share,
        speeds=SPEEDS.tolist(),
        by_speed=by_speed,
        area=likely_or_none(facts.keel_area),
        limit=duty_value(found.plant.limit, index),
    )
