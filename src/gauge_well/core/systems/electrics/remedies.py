"""Changes of alternator, battery, leads and wires worth trying."""

from __future__ import annotations

from collections.abc import Iterator

import numpy as np

from gauge_well.core.electrical import wires
from gauge_well.core.electrical.signals import SIGNALS
from gauge_well.core.parts.signal import DROPPED, MIMICKED, REAL
from gauge_well.core.sentence import Sentence
from gauge_well.core.systems.base import Candidate, Context
from gauge_well.core.systems.electrics import runs, senders, speed, wanted
from gauge_well.core.systems.electrics.facts import ElectricsFacts
from gauge_well.core.systems.electrics.need import SOLD
from gauge_well.core.typing import likely, likely_or_none

IDLE = 100.0  # rev/min more
GEARED = 1.15
STRONGER = 1.3


def candidates(context: Context, facts: ElectricsFacts) -> list[Candidate]:
    """Each a step from what is there."""
    return [
        *_school(facts),
        *_charge(context, facts),
        *_crank(facts),
        *_runs(facts),
        *_signals(facts),
        *_senders(facts),
        *_speed(facts),
    ]


def _school(facts: ElectricsFacts) -> Iterator[Candidate]:
    """Judged by the other school, nothing changed."""
    if facts.runs and facts.wires_by == "volts":
        yield Candidate(
            "by_amps", "runs", Sentence("Wires judged by amps alone"), {"electrics.wires_by": "amps"}, school=True
        )


def _charge(context: Context, facts: ElectricsFacts) -> Iterator[Candidate]:
    own = facts.alternator
    if own.full is None or not facts.loads:
        return
    now, low = likely(own.full), likely(own.low)
    larger = next((s for s in SOLD if s > now), None)
    if larger is not None:
        words = Sentence("Alternator {a} → {b}", {"a": (now, "current"), "b": (larger, "current")})
        changes = {"electrics.alternator.full": larger, "electrics.alternator.low": low * larger / now}
        yield Candidate("alternator", "charge", words, changes)
    idle = likely(context.engine.facts.idle_speed)
    words = Sentence("Idle {a} → {b}", {"a": (idle, "speed_rpm"), "b": (idle + IDLE, "speed_rpm")})
    yield Candidate("idle", "charge", words, {"engine.idle_speed": idle + IDLE}, of="electrics")
    if own.ratio is not None:
        ratio = likely(own.ratio)
        words = Sentence(
            "Alternator's pulley smaller: {a} → {b} turns", {"a": (ratio, "ratio"), "b": (ratio * GEARED, "ratio")}
        )
        yield Candidate("pulley", "charge", words, {"electrics.alternator.ratio": round(ratio * GEARED, 2)})


def _crank(facts: ElectricsFacts) -> Iterator[Candidate]:
    own = facts.battery
    if own.amps is None:
        return
    amps = likely(own.amps)
    words = Sentence("Battery {a} → {b}", {"a": (amps, "current"), "b": (STRONGER * amps, "current")})
    yield Candidate("battery", "crank", words, {"electrics.battery.amps": round(STRONGER * amps, -1)})
    more = likely(own.count) + 1.0
    words = Sentence("{n} batteries in parallel", {"n": (more, "count")})
    yield Candidate("parallel", "crank", words, {"electrics.battery.count": more})
    if facts.lead.area is not None:
        area = likely(facts.lead.area)
        thicker = next((s * 1e-6 for s in wires.METRIC if s * 1e-6 > area * 1.01), None)
        if thicker is not None:
            words = Sentence("Starter lead {a} → {b}", {"a": (area, "wire_area"), "b": (thicker, "wire_area")})
            yield Candidate("lead", "crank", words, {"electrics.lead.area": thicker})
    if facts.back == "body":
        yield Candidate(
            "back",
            "crank",
            Sentence("A return cable to the battery"),
            {"electrics.back": "cable", "electrics.body": 0.4e-3},
        )
    if facts.starter.resistance is None:
        power = likely(facts.starter.power)
        words = Sentence("Starter {a} → {b}", {"a": (power, "power"), "b": (STRONGER * power, "power")})
        yield Candidate("starter", "crank", words, {"electrics.starter.power": STRONGER * power})


def _runs(facts: ElectricsFacts) -> Iterator[Candidate]:
    for run in runs.all_of(facts):
        place, now = f"electrics.runs.{run.id}", likely(run.facts.area if run.facts.area is not None else 0.0)
        size = runs.needed(facts, run)
        fuse = likely_or_none(run.facts.fuse)
        if size is not None and size.area > now * 1.01:
            changes: dict[str, float | str | tuple[tuple[float, ...], ...] | None] = {f"{place}.area": size.area}
            if fuse is not None and not likely(run.low) <= fuse <= size.bears:
                changes[f"{place}.fuse"] = size.fuses[0]
            words = Sentence(f"{run.name}: {{a}} → {{b}}", {"a": (now, "wire_area"), "b": (size.area, "wire_area")})
            yield Candidate(f"area_{run.id}", "runs", words, changes)
        if fuse is not None and run.fuses and fuse not in run.fuses:
            words = Sentence(
                f"{run.name}: fuse {{a}} → {{b}}", {"a": (fuse, "current"), "b": (run.fuses[0], "current")}
            )
            yield Candidate(f"fuse_{run.id}", "runs", words, {f"{place}.fuse": run.fuses[0]})


def _signals(facts: ElectricsFacts) -> Iterator[Candidate]:
    """The real thing where it is missing, or made up and may not be."""
    for id, pin in facts.signals:
        made_up = pin.what is not None and SIGNALS[pin.what].never and pin.source in (MIMICKED, DROPPED)
        if pin.what is None or not (made_up or wanted.pin_state(pin) == wanted.LOST):
            continue
        label = SIGNALS[pin.what].label
        changes: dict[str, float | str | tuple[tuple[float, ...], ...] | None] = {
            f"electrics.signals.{id}.source": REAL,
            f"electrics.signals.{id}.state": "works",
        }
        yield Candidate(f"signal_{id}", "signals", Sentence(f"The real {label}, proved"), changes)


def _senders(facts: ElectricsFacts) -> Iterator[Candidate]:
    """Resistors that bring a gauge nearer."""
    for sender in senders.all_of(facts):
        now = senders.reads(sender)
        if now is None or abs(now.worst) <= sender.tells.allowed:
            continue
        best = senders.matched(sender)
        if best is None or abs(best.read.worst) > 0.8 * abs(now.worst):
            continue
        place = f"electrics.senders.{sender.id}"
        across = best.parallel if np.isfinite(best.parallel) else None
        words = Sentence(f"{sender.name}: resistors to match its gauge")
        yield Candidate(f"match_{sender.id}", "senders", words, {f"{place}.series": best.series, f"{place}.parallel": across})  # fmt: skip


def _speed(facts: ElectricsFacts) -> Iterator[Candidate]:
    """The plainest converter that serves."""
    best, own = speed.serving(facts), speed.of(facts)
    if best is None or own is None or abs(likely(own.ratio) - best.times / best.by) < 1e-6:
        return
    words = Sentence("A converter that gives {times} for {by}", {"times": (float(best.times), "count"), "by": (float(best.by), "count")})  # fmt: skip
    yield Candidate("converter", "speed", words, {"electrics.speed.times": float(best.times), "electrics.speed.by": float(best.by)})  # fmt: skip
