"""Cranking over temperature: as it is, with another battery beside it, with thicker leads; one temperature picked."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.errors import MissingFact
from gauge_well.core.systems.base import Context, Options, option
from gauge_well.core.systems.electrics import charging, cranking
from gauge_well.core.systems.electrics.facts import ElectricsFacts
from gauge_well.core.typing import likely, likely_or, likely_or_none

LOW, HIGH = 243.15, 308.15  # K
THICKER = 2.0


@dataclass(frozen=True)
class Trial:
    """One way: engine speed at each temperature [rev/min], and at the one picked."""

    name: str
    speeds: Sequence[float]
    picked: float


@dataclass(frozen=True)
class ColdView:
    """Temperatures [K] with what each way gives; at the one picked amps, volts at the posts and at the starter, drag [N m], where volts
    go [V]; what it starts from [rev/min], what a computer asks [V], None where none is said; amps by EN that would just do, None where none does."""

    temperatures: Sequence[float]
    trials: Sequence[Trial]
    temperature: float
    needs: float
    resets: float | None
    amps: float
    posts: float
    pin: float
    at_starter: float
    torque: float
    lost: Sequence[tuple[str, float]]
    least: float | None
    stated: float


def show(context: Context, facts: ElectricsFacts, options: Options) -> ColdView:
    """Cranked at a temperature, and over all."""
    at = option(options, "temperature", likely(facts.coldest), LOW - 10.0, HIGH + 5.0, "K")
    over = np.linspace(LOW, HIGH, 27)
    count = likely(facts.battery.count)
    ways = (
        ("as it is", 1.0, 1.0),
        (f"{count + 1:.0f} batteries in parallel", (count + 1.0) / count, 1.0),
        ("twice the copper to the starter", 1.0, THICKER),
    )
    found = cranking.cold(context, facts, at)
    if found is None:
        raise MissingFact("electrics.battery.amps")
    trials = []
    for name, many, lead in ways:
        speeds = [_speed(context, facts, float(t), many, lead) for t in over]
        trials.append(Trial(name, speeds, _speed(context, facts, at, many, lead)))
    amps = likely(found.turned.amps)
    copper = likely(found.leads) - likely(facts.body)
    return ColdView(
        temperatures=over.tolist(),
        trials=trials,
        temperature=at,
        needs=likely(facts.needs_speed),
        resets=likely_or_none(facts.resets),
        amps=amps,
        posts=likely(found.turned.at_battery),
        pin=likely(found.turned.at_battery) - cranking.AT_PIN,
        at_starter=likely(found.turned.at_starter),
        torque=likely(found.torque),
        lost=[
            ("in the battery", amps * likely(found.battery)),
            ("in the leads", amps * copper),
            ("in joints and body", amps * likely(facts.body)),
        ],
        least=cranking.battery_for(context, facts),
        stated=likely_or(charging.resistance(facts, at)),
    )


def _speed(context: Context, facts: ElectricsFacts, t: float, many: float, lead: float) -> float:
    found = cranking.cold(context, facts, t, many, lead)
    return 0.0 if found is None else likely(found.turned.speed)
