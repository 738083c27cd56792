"""Senders: their curves against their gauges', what is read as they are wired, the resistors that would match them."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from gauge_well.core.electrical import sender as curves
from gauge_well.core.electrical.sender import Curve, Match, Read
from gauge_well.core.fittings.thread import THREADS, Fits, fits
from gauge_well.core.parts.sender import TELLS, Points, SenderFacts, Tells
from gauge_well.core.sentence import numbered
from gauge_well.core.systems.electrics.facts import ElectricsFacts
from gauge_well.core.typing import Array, likely

STABILISED = 10.0  # V of an instrument supply; a gauge without has the machine's (common practice)
HIDES = 2.0  # of what a gauge may be off, reading low where it matters, that is a danger (common practice)


@dataclass(frozen=True)
class Sender:
    """A sender by its place and name, with its curve and its gauge's; None where their points are not stated or are none."""

    id: str
    name: str
    facts: SenderFacts
    tells: Tells
    own: Curve | None
    gauge: Curve | None

    @property
    def contrary(self) -> bool:
        """Whether its ohms rise where its gauge wants them to fall."""
        return self.own is not None and self.gauge is not None and curves.contrary(self.own, self.gauge)

    @property
    def network(self) -> tuple[float, float]:
        """Resistor in its line and across both [ohm] as fitted; none and an open end where nothing is said."""
        series, parallel = self.facts.series, self.facts.parallel
        return (0.0 if series is None else likely(series)), (np.inf if parallel is None else likely(parallel))


def named(facts: ElectricsFacts, id: str) -> str:
    """A sender by what it tells; with a number where several tell the like."""
    what = dict(facts.senders)[id].what or "coolant"
    alike = [other for other, sender in facts.senders if sender.what == what]
    label = TELLS[what].label.capitalize()
    return numbered(label, alike, id)


def curve(points: Points | None, warm: bool) -> Curve | None:
    """A curve of points; None where there are not two, or its ohms turn back."""
    if points is None or len(points) < 2:
        return None
    rows = np.array(sorted(points), dtype=float)
    steps = np.diff(rows[:, 1])
    if np.any(np.diff(rows[:, 0]) <= 0.0) or np.any(rows[:, 1] <= 0.0) or not (np.all(steps > 0) or np.all(steps < 0)):
        return None
    return Curve(rows[:, 0], rows[:, 1], warm)


def all_of(facts: ElectricsFacts) -> list[Sender]:
    """Every sender of which it is said what it tells."""
    found = []
    for id, own in facts.senders:
        if own.what is None:
            continue
        tells = TELLS[own.what]
        mine: Points | None = getattr(own, tells.points)
        asked: Points | None = getattr(own, f"gauge_{tells.points}") if own.goes == "gauge" else None
        found.append(Sender(id, named(facts, id), own, tells, curve(mine, tells.warm), curve(asked, tells.warm)))
    return found


def reads(sender: Sender) -> Read | None:
    """What is read as it is wired: of a gauge through its resistors, of a controller by the wrong pull-up; None where that is not
    known."""
    own = sender.own
    if own is None:
        return None
    if sender.facts.goes == "computer":
        pull, table = sender.facts.pull_own, sender.facts.pull_table
        if pull is None or table is None:
            return None
        at = np.linspace(own.readings[0], own.readings[-1], curves.POINTS)
        return Read(at, curves.through_pull_up(own, at, likely(pull), likely(table)))
    if sender.gauge is None or sender.contrary or not curves.span(own, sender.gauge).size:
        return None
    return curves.reads(own, sender.gauge, *sender.network)


def matched(sender: Sender) -> Match | None:
    """Resistors, as they are sold, that bring it and its gauge together; None where none can."""
    if sender.own is None or sender.gauge is None:
        return None
    best = curves.match(sender.own, sender.gauge)
    if best is None:
        return None
    series, parallel = curves.sold(best.series), curves.sold(best.parallel)
    return Match(series, parallel, curves.reads(sender.own, sender.gauge, series, parallel))


def plain(sender: Sender) -> Read | None:
    """What the gauge reads without any resistor."""
    if sender.own is None or sender.gauge is None or sender.contrary or not curves.span(sender.own, sender.gauge).size:
        return None
    return curves.reads(sender.own, sender.gauge)


def low_at_the_top(read: Read) -> float:
    """By how much it reads low at the upper third of its range, at most; nought where it reads high."""
    top = read.true >= read.true[0] + 2.0 / 3.0 * (read.true[-1] - read.true[0])
    return float(max(0.0, -np.min(read.error[top])))


def heat(facts: ElectricsFacts, sender: Sender, series: float, parallel: float) -> tuple[float, float]:
    """Heat in the two resistors at worst [W]."""
    assert sender.own is not None
    ohms: Array = sender.own.ohms
    return curves.heats(ohms, series, parallel, STABILISED * float(facts.system) / 12.0)


def threads(sender: Sender) -> Fits | None:
    """Whether its thread goes in its hole; None where either is not said."""
    own = sender.facts
    return None if own.thread is None or own.hole is None else fits(THREADS[own.thread], THREADS[own.hole])
