"""Pressure along the oil's way, cold to hot: what filter and cooler take, what gauge and switch read, when to be warned."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from gauge_well.core.errors import MissingFact
from gauge_well.core.systems.base import Context, Options, duty_asked
from gauge_well.core.systems.oil import circuit, feeding, judge, warmth
from gauge_well.core.systems.oil.facts import TAPS, OilFacts
from gauge_well.core.typing import duty_value, likely

COLD, WARM = 293.15, 333.15  # K
FAST_IDLE = 2.0  # of idle, as an engine warms
WARNED_FROM, CUT = 0.3, 0.5  # of rated speed; of the least wanted at which it is stopped (common practice)


@dataclass(frozen=True)
class Stage:
    """One state: oil temperature [K], engine speed [rev/min]; pressure behind the pump, before the filter, in the gallery
    and at the far end [Pa gauge]; what filter and cooler take [Pa]; share through the cooler; gauge and switch [Pa]."""

    name: str
    temperature: float
    speed: float
    pump: float
    sandwich: float
    gallery: float
    far: float
    filter: float
    cooler: float
    cooled: float
    gauge: float
    switch: float | None


@dataclass(frozen=True)
class Threshold:
    """At an engine speed [rev/min]: warned under one pressure, stopped under another [Pa gauge]."""

    speed: float
    warn: float
    stop: float


@dataclass(frozen=True)
class CircuitView:
    """States from cold to hot, thresholds; empty without a reading. ``cooler``: there is one. Where the gauge reads, in
    words."""

    stages: Sequence[Stage]
    thresholds: Sequence[Threshold]
    cooler: bool
    gauge_at: str
    switch_at: str


def show(context: Context, facts: OilFacts, options: Options) -> CircuitView:
    """Cold and warming at a fast idle, hot at idle, at the duty's speed and at rated; the duty's own oil is the hot one."""
    index = duty_asked(context, options)
    idle, rated = likely(context.engine.facts.idle_speed), likely(context.engine.rated_speed)
    pan = judge.pan_or_none(facts)
    ways = warmth.with_coolant(context, warmth.ways_out(context, facts, pan), context.mean)
    hot = duty_value(warmth.temperature(ways, context.mean.heat_to_oil), index)
    speed = likely(context.duties.cases[index].engine_speed)
    states = (
        ("Cold", COLD, FAST_IDLE * idle),
        ("Warming", WARM, FAST_IDLE * idle),
        ("Hot idle", hot, idle),
        ("On the duty", hot, speed),
        ("Rated speed", hot, rated),
    )
    gauge, switch = facts.gauge_at or "gallery", facts.switch_at or "gallery"
    stages = []
    for name, t, n in states:
        way = circuit.way(context, facts, n, t)
        if way is None:
            break
        lit = None if facts.switch_opens is None and facts.switch_at is None else likely(way.at(switch))
        stages.append(
            Stage(
                name=name,
                temperature=t,
                speed=n,
                pump=likely(way.pump),
                sandwich=likely(way.sandwich),
                gallery=likely(way.gallery),
                far=likely(way.far),
                filter=likely(way.filter),
                cooler=likely(way.cooler),
                cooled=likely(way.cooled),
                gauge=likely(way.at(gauge)),
                switch=lit,
            )
        )
    return CircuitView(
        stages,
        _thresholds(facts, rated) if stages else (),
        facts.cooler.into in ("air", "water"),
        TAPS[gauge],
        TAPS[switch],
    )


def _thresholds(facts: OilFacts, rated: float) -> list[Threshold]:
    found = []
    for share in (WARNED_FROM, 0.5, 0.75, 1.0):
        try:
            least = likely(feeding.least_pressure(facts, share * rated, rated))
        except MissingFact:
            return []
        found.append(Threshold(share * rated, least, CUT * least))
    return found
