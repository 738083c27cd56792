"""Engine room by duty; every hose that can let the sea in, with what it must be; bilge pumps against an open skin fitting."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from gauge_well.core.parts.bilge_pump import SWITCHES
from gauge_well.core.systems.base import Context, Options, duty_asked
from gauge_well.core.systems.boat import safety
from gauge_well.core.systems.boat.facts import BoatFacts
from gauge_well.core.systems.boat.facts_safety import LININGS
from gauge_well.core.typing import duty_value, likely, likely_or_none


@dataclass(frozen=True)
class Warm:
    """A duty's engine room: its temperature and the air outside [K], heat into it [W], air through it [kg/s]."""

    duty: str
    name: str
    temperature: float
    outside: float
    heat: float
    air: float


@dataclass(frozen=True)
class Hose:
    """A hose: its way, bore [m], what it must be, clamps at each end, what shuts it."""

    name: str
    way: str
    bore: float | None
    grade: str
    clamps: int
    shut: str


@dataclass(frozen=True)
class Pump:
    """A bilge pump: how it is worked, what it moves as it is piped [m3/s], speed in its hose [m/s]; None where not known."""

    id: str
    worked: str
    moves: float | None
    speed: float | None


@dataclass(frozen=True)
class SafetyView:
    """Room by duty, where its skin is stated, with what it may reach [K]; petrol's blower as it is and as it is asked [m3/s];
    hoses; bilge pumps, what an open skin fitting lets in [m3/s] and how deep it lies [m]."""

    rooms: Sequence[Warm]
    room_most: float
    lining: str
    lining_stated: bool
    vapour: bool
    blower: float | None
    blower_needed: float | None
    blows_first: float
    ignition_protected: str | None
    hoses: Sequence[Hose]
    pumps: Sequence[Pump]
    comes: float | None
    bore: float | None
    depth: float


def show(context: Context, facts: BoatFacts, options: Options) -> SafetyView:
    """Room, hoses, pumps."""
    duty_asked(context, options)
    warm = safety.room(context, facts, context.mean)
    rooms = []
    if warm is not None:
        for i, case in enumerate(context.duties.cases):
            values = (warm.temperature, context.duties.column("ambient"), warm.heat, warm.air)
            rooms.append(Warm(case.id, case.name, *(duty_value(v, i) for v in values)))
    bore = safety.widest(facts)
    spark = context.engine.fuel.spark
    return SafetyView(
        rooms=rooms,
        room_most=safety.ROOM_MOST,
        lining=LININGS[facts.lining or "lined"][0],
        lining_stated=facts.lining is not None,
        vapour=spark,
        blower=likely_or_none(facts.blower),
        blower_needed=likely(safety.blower_needed(facts.room_volume))
        if spark and facts.room_volume is not None
        else None,
        blows_first=safety.BLOWS_FIRST,
        ignition_protected=facts.ignition_protected,
        hoses=[Hose(h.name, h.way, h.bore, h.grade, h.clamps, h.shut) for h in safety.hoses(context, facts)],
        pumps=[Pump(p.id, SWITCHES[p.worked], p.moves, p.speed) for p in safety.pumped(facts)],
        comes=None if bore is None else likely(safety.inflow(bore, facts.depth)),
        bore=bore,
        depth=likely(facts.depth),
    )
