"""Wet, with an accumulator, or dry: beside each other in what they cover, weigh, cost, and how low the engine may sit."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace

import numpy as np

from gauge_well.core.errors import MissingFact
from gauge_well.core.facts import at_likely, with_facts
from gauge_well.core.systems.base import Candidate, Context, Options, duty_asked
from gauge_well.core.systems.oil import covering, drysump, feeding, remedies, surge
from gauge_well.core.systems.oil.facts import OilFacts
from gauge_well.core.systems.oil.pan import Pan, pan_of
from gauge_well.core.typing import Array, duty_value, likely

FLAT = 0.055  # m of a dry pan below the rail (common practice)
# kg and what it takes in parts, low to high, of a wet pan with a baffle's; over the wet pan as it is (common practice).
ADDS = {"wet": (0.0, 0.0, 0.0), "accumulator": (4.5, 200.0, 500.0), "dry": (12.0, 1200.0, 3500.0)}
SIGHTS = 8


@dataclass(frozen=True)
class Sump:
    """One way to keep the oil: covered acceleration [g] by direction; seconds ridden out beyond [s]; depth below the rail
    and how much lower the engine may sit [m]; mass added [kg], parts from and to, in pounds, euros or dollars alike."""

    id: str
    name: str
    fitted: bool
    covered: Sequence[float]
    rides_out: float | None
    depth: float
    lower: float
    mass: float
    cost_low: float
    cost_high: float


@dataclass(frozen=True)
class Sight:
    """A mark of a tank's sight tube: height over its floor [m], volume [m3]."""

    height: float
    volume: float


@dataclass(frozen=True)
class SumpsView:
    """The ways beside each other for a duty, what it asks [g]; the tank's marks, and where it stands filled and running
    [m3]; what is lacking."""

    unknown: Sequence[str]
    ways: Sequence[str]
    asked: Sequence[float]
    sumps: Sequence[Sump]
    sights: Sequence[Sight]
    tank_holds: float | None
    in_tank: float | None
    residence: float | None
    residence_wanted: float
    scavenge_ratio: float | None


def show(context: Context, given: OilFacts, options: Options) -> SumpsView:
    """Each as it is fitted, or as one usual would be."""
    index, facts = duty_asked(context, options), at_likely(given)
    case = context.duties.cases[index]
    asked = [likely(v) for v in (case.pulling, case.braking, case.cornering, case.cornering)]
    found = SumpsView((), covering.WAYS, asked, (), (), None, None, None, drysump.RESIDENCE, None)
    try:
        pan = pan_of(replace(facts, sump=None)).likely
    except MissingFact as error:
        return _told(context, facts, index, replace(found, unknown=[error.field]))
    depth = -float(pan.outline[:, 1].min())
    sumps = [way(context, facts, pan, index, depth) for way in (_wet, _held, _dry)]
    return _told(context, facts, index, replace(found, sumps=sumps))


def _told(context: Context, facts: OilFacts, index: int, view: SumpsView) -> SumpsView:
    """With the tank's marks, where it is known."""
    if not drysump.is_dry(facts):
        return view
    moved = drysump.scavenged(facts, np.asarray(context.engine.rated_speed))
    drawn = duty_value(feeding.hot_flow(context, facts), index)
    inside = likely(drysump.in_tank(facts))
    try:
        tank = drysump.tank_of(facts)
    except MissingFact:
        return view
    return replace(
        view,
        sights=[Sight(h, v) for h, v in drysump.sight(facts, SIGHTS)],
        tank_holds=tank.body.volume,
        in_tank=inside,
        residence=inside / max(drawn, 1e-9),
        scavenge_ratio=None
        if moved is None
        else likely(moved) / likely(feeding.pump_flow(facts, context.engine.rated_speed)),
    )


def _limits(context: Context, facts: OilFacts, pan: Pan, index: int) -> list[float]:
    bare = covering.coverage(context, facts, pan).covered
    return _ways(covering.effective(facts, bare), index)


def _ways(limits: Array, index: int) -> list[float]:
    """Likely covered acceleration of one duty by direction [g]."""
    return [float(g) for g in limits[index].reshape(len(covering.WAYS), -1)[:, 0]]


def _with(facts: OilFacts, change: Candidate) -> OilFacts:
    """The facts with a change made."""
    return with_facts(facts, {path.removeprefix("oil."): value for path, value in change.changes.items()})


def _wet(context: Context, facts: OilFacts, pan: Pan, index: int, depth: float) -> Sump:
    own = with_facts(facts, {"accumulator.volume": None})
    ride = surge.ride(context, own)
    lasts = None if ride is None else duty_value(ride.seconds, index)
    here = not drysump.is_dry(facts) and facts.accumulator.volume is None
    return Sump("wet", "Wet", here, _limits(context, own, pan, index), lasts, depth, 0.0, *ADDS["wet"])


def _held(context: Context, facts: OilFacts, pan: Pan, index: int, depth: float) -> Sump:
    fitted = facts.accumulator.volume is not None
    own = facts if fitted else _with(facts, remedies.accumulator())
    ride = surge.ride(context, own)
    lasts = None if ride is None else duty_value(ride.seconds, index)
    here = fitted and not drysump.is_dry(facts)
    limits = _limits(context, own, pan, index)
    return Sump("accumulator", "Wet with an accumulator", here, limits, lasts, depth, 0.0, *ADDS["accumulator"])


def _dry(context: Context, facts: OilFacts, pan: Pan, index: int, depth: float) -> Sump:
    here = drysump.is_dry(facts)
    own = facts
    if not here or facts.tank.shape is None:
        own = _with(facts, remedies.dry_sump(context, replace(facts, sump=None)))
    found = drysump.coverage(context, own).covered
    flat = depth if here else min(FLAT, depth)
    return Sump("dry", "Dry, with a tank", here, _ways(found, index), None, flat, depth - flat, *ADDS["dry"])
