"""What comes back and what blows by: returns over the oil's temperature, breather by its hose."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.facts import at_likely, with_facts
from gauge_well.core.systems.base import Context, Options, duty_asked
from gauge_well.core.systems.oil import breathing, covering, returns
from gauge_well.core.systems.oil.facts import OilFacts
from gauge_well.core.systems.oil.need import HOSES
from gauge_well.core.typing import as_array, likely, likely_or_none, over_duties

POINTS, FROM, TO = 24, 273.15, 393.15


@dataclass(frozen=True)
class Drained:
    """A return over oil temperature [K]: what it lets down, and what comes [m3/s]; from which temperature it keeps up [K]."""

    name: str
    flow: Sequence[float]
    comes: float
    from_temperature: float | None


@dataclass(frozen=True)
class HoseRow:
    """A breather hose: bore [m], crankcase over the air new and worn [Pa]."""

    bore: float
    new: float
    worn: float


@dataclass(frozen=True)
class ReturnsView:
    """Temperatures [K] and the returns that are known over them; blow-by new and worn [m3/s], hoses; speed in the can [m/s];
    acceleration from which the head's returns stand dry, turning left and right [g]."""

    temperature: Sequence[float]
    drains: Sequence[Drained]
    blow_by: float
    blow_by_worn: float
    measured: bool
    hoses: Sequence[HoseRow]
    bore: float | None
    most: float
    can_speed: float | None
    head_left: float | None
    head_right: float | None


def show(context: Context, given: OilFacts, options: Options) -> ReturnsView:
    """All of it; the duty decides nothing here but that it is one of them."""
    duty_asked(context, options)
    facts = at_likely(given)
    t = np.linspace(FROM, TO, POINTS)
    drains = []
    head = returns.head_drain(facts, t)
    if head is not None:
        drains.append(Drained("Head", head.tolist(), likely(returns.head_feed(facts)), returns.drains_from(facts)))
    turbo = returns.turbo_drain(facts, t)
    if turbo is not None and facts.turbo_oil_flow is not None:
        drains.append(Drained("Turbo", turbo.tolist(), likely(facts.turbo_oil_flow), None))
    gas = [likely(over_duties(breathing.blow_by(given, context.peak, worn))) for worn in (False, True)]
    bores = with_facts(facts, {"breather.bore": np.array(HOSES)})
    new, worn = (breathing.crankcase(bores, as_array(g)) for g in gas)
    assert new is not None and worn is not None
    can = breathing.can_speed(facts, as_array(gas[1]))
    thrown = returns.head_pan(facts)
    sides: list[float | None] = [None, None]
    if thrown is not None:
        pan, volume = thrown
        rotation = covering.likely_rotation(context)
        sides = [float(covering.covered(pan, rotation, volume, 0.0, s)) for s in (1.0, -1.0)]
    return ReturnsView(
        temperature=t.tolist(),
        drains=drains,
        blow_by=gas[0],
        blow_by_worn=gas[1],
        measured=facts.blow_by is not None,
        hoses=[HoseRow(*row) for row in zip(HOSES, new.tolist(), worn.tolist(), strict=True)],
        bore=likely_or_none(facts.breather.bore),
        most=breathing.CRANKCASE_MOST,
        can_speed=likely_or_none(can),
        head_left=sides[0],
        head_right=sides[1],
    )
