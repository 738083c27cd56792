"""The electrics solved; no power wanted changes them."""

from __future__ import annotations

from collections.abc import Sequence

from gauge_well.core.checks import Check, Unknown
from gauge_well.core.electrical.signals import SIGNALS, START
from gauge_well.core.engine.model import Operation
from gauge_well.core.systems.base import Beside, Context, Result
from gauge_well.core.systems.electrics import (
    charging,
    checks,
    checks_signals,
    figures,
    need,
    notices,
    runs,
    speed,
    wanted,
    working,
)
from gauge_well.core.systems.electrics.facts import ElectricsFacts
from gauge_well.core.typing import likely


def _unknown(context: Context, facts: ElectricsFacts) -> list[Unknown]:
    """What charging, cranking and runs lack."""
    found = []
    begins = [
        *(() if facts.alternator.full is not None else ("electrics.alternator.full",)),
        *(() if facts.loads else ("electrics.loads",)),
    ]
    unsaid = [f"electrics.loads.{id}.what" for id, load in facts.loads if load.what is None]
    if begins or unsaid:
        found.append(Unknown("charge_cruise", "Charging under way", "charge", (*begins, *unsaid)))
    if facts.battery.amps is None:
        found.append(Unknown("crank_speed", "Cranking cold", "crank", ("electrics.battery.amps",)))
    lacks = runs.lacks(facts)
    if lacks:
        found.append(Unknown("drop", "Wires", "runs", lacks))
    found += _signals_unknown(context, facts)
    return found


def _signals_unknown(context: Context, facts: ElectricsFacts) -> list[Unknown]:
    """Signals of which nobody said where they come from, senders without points, a speed signal half stated."""
    found = []
    if facts.signals and facts.computer != "none":
        unsaid = [
            line
            for line in wanted.lines(context, facts)
            if line.state == wanted.OPEN and SIGNALS[line.id].lost == START
        ]
        if unsaid:
            pins = [f"electrics.signals.{id}.source" for line in unsaid for id, pin in line.pins if pin.source is None]
            found.append(
                Unknown("signals_proved", "Signals to start", "signals", tuple(pins) or ("electrics.signals",))
            )
    for id, own in facts.senders:
        if own.what is None:
            found.append(Unknown(f"gauge_{id}", "Sender", "senders", (f"electrics.senders.{id}.what",)))
    own_speed = facts.speed
    if own_speed.teeth is not None and speed.of(facts) is None:
        names = ("final", "radius", "wants")
        lacks = tuple(f"electrics.speed.{n}" for n in names if getattr(own_speed, n) is None)
        found.append(Unknown("speed_under", "Speedometer", "speed", lacks))
    return found


def solve(context: Context, facts: ElectricsFacts) -> Result:
    """Judge what is stated; nothing stated asks nothing."""
    judged: list[Check] = [
        *checks.charge_checks(context, facts),
        *checks.crank_checks(context, facts),
        *checks.run_checks(facts),
        *checks_signals.signal_checks(context, facts),
        *checks_signals.sender_checks(facts),
        *checks_signals.speed_checks(facts),
    ]

    def judge(mean: Operation, peak: Operation) -> Sequence[Check]:
        return judged

    return Result(
        checks=judge,
        unknown=_unknown(context, facts),
        figures=lambda: figures.figures(context, facts),
        needs=lambda: need.needs(context, facts),
        notices=lambda: list(notices.notices(context, facts)),
        working=lambda index: working.steps(context, facts, index),
        beside=lambda: _beside(context, facts),
    )


def _beside(context: Context, facts: ElectricsFacts) -> Sequence[Beside]:
    """What it draws under way on a wet night."""
    found = charging.draws(context, facts)
    return (
        (Beside("night_amps", "drawn on a wet night", likely(charging.total(found, "cruise_night")), "current"),)
        if found
        else ()
    )
