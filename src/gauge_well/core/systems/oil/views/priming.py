"""From dry to pressure: how much, how long, by which way, what the gauge shows, when to stop."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace

from gauge_well.core.facts import at_likely
from gauge_well.core.systems.base import Context, Options, duty_asked
from gauge_well.core.systems.oil import priming
from gauge_well.core.systems.oil.facts import PRIMINGS, OilFacts
from gauge_well.core.systems.oil.figures import coldest
from gauge_well.core.typing import likely


@dataclass(frozen=True)
class WayToPrime:
    """A way: cranking speed [rev/min], None for the pot; seconds, turns of the crank, tries of 15 s; what the gauge shows
    cranking [Pa gauge], None without a reading."""

    id: str
    name: str
    chosen: bool
    speed: float | None
    seconds: float
    turns: float | None
    tries: int
    gauge: float | None


@dataclass(frozen=True)
class PrimingView:
    """What is filled before and behind the pump [m3], with oil so cold [K]; the ways; a try, its rest [s], how many; the
    pressure of the pot [Pa gauge]; whether plugs (spark) or injectors are out, and petrol lies open to the holes."""

    temperature: float
    suction: float
    dry: float
    ways: Sequence[WayToPrime]
    try_seconds: float
    rest_seconds: float
    tries: int
    pot: float
    spark: bool


def show(context: Context, given: OilFacts, options: Options) -> PrimingView:
    """Every way, with oil as cold as the coldest duty's air."""
    duty_asked(context, options)
    facts, air = at_likely(given), coldest(context)
    chosen = facts.priming or "plugs_out"
    ways = []
    for id in priming.CRANKS:
        own = replace(facts, priming=id, crank_speed=facts.crank_speed if id == chosen else None)
        found = priming.primed(context, own, air)
        ways.append(
            WayToPrime(
                id, PRIMINGS[id], id == chosen, found.speed, found.seconds, found.turns, found.tries, found.gauge
            )
        )
    flow = priming.pot_flow(facts, air)
    ways.append(
        WayToPrime(
            "pot", PRIMINGS["pot"], chosen == "pot", None, (found.suction + found.dry) / flow, None, 1, priming.POT
        )
    )
    return PrimingView(
        temperature=air,
        suction=found.suction,
        dry=likely(found.dry),
        ways=ways,
        try_seconds=priming.TRY,
        rest_seconds=priming.REST,
        tries=priming.TRIES,
        pot=priming.POT,
        spark=context.engine.fuel.spark,
    )
