"""A sender against its gauge over the range; resistors tried; its thread and place. The speed signal and its converters."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.electrical import pulses
from gauge_well.core.electrical import sender as curves
from gauge_well.core.errors import MissingFact
from gauge_well.core.fittings.thread import THREADS
from gauge_well.core.parts.sender import SITS
from gauge_well.core.systems.base import Context, Options, option
from gauge_well.core.systems.electrics import senders, speed
from gauge_well.core.systems.electrics.facts import ElectricsFacts
from gauge_well.core.typing import likely, likely_or_none


@dataclass(frozen=True)
class SenderRow:
    """A sender in short: where it goes, worst error with its sign in the unit of ``off``, None where not known; what its thread does."""

    id: str
    name: str
    goes: str
    kind: str
    off: str
    worst: float | None
    allowed: float
    contrary: bool
    sits: str
    thread: str
    thread_goes: bool | None
    series: float
    parallel: float | None


@dataclass(frozen=True)
class Trace:
    """One way of wiring: true readings and what is read (n,), resistors [ohm] (no parallel: open)."""

    name: str
    true: Sequence[float]
    reads: Sequence[float]
    series: float
    parallel: float | None
    worst: float
    rms: float
    watts: float | None


@dataclass(frozen=True)
class SendersView:
    """All senders; the picked one's traces (as wired, as matched, as tried); its error where no resistors match, as a share of the range."""

    senders: Sequence[SenderRow]
    picked: int
    traces: Sequence[Trace]
    constant: float | None


def show(context: Context, facts: ElectricsFacts, options: Options) -> SendersView:
    """Options: ``sender`` by its place, ``series`` and ``parallel`` [ohm] tried."""
    found = senders.all_of(facts)
    if not found:
        raise MissingFact("electrics.senders")
    picked = int(option(options, "sender", 0, 0, len(found) - 1))
    sender = found[picked]
    traces = []
    now = senders.reads(sender)
    series, parallel = sender.network
    if now is not None:
        traces.append(_trace("as it is wired", now, series, parallel, facts, sender))
    best = senders.matched(sender)
    if best is not None:
        traces.append(_trace("matched, resistors as sold", best.read, best.series, best.parallel, facts, sender))
    if best is not None and ("series" in options or "parallel" in options):
        line = option(options, "series", series, 0.0, 1e6, "ohm")
        across = option(options, "parallel", parallel if np.isfinite(parallel) else 1e7, 0.1, 1e7, "ohm")
        assert sender.own is not None and sender.gauge is not None
        tried = curves.reads(sender.own, sender.gauge, line, across)
        traces.append(_trace("tried", tried, line, across, facts, sender))
    known = sender.own is not None and sender.gauge is not None and curves.span(sender.own, sender.gauge).size
    constant = curves.constant(sender.own, sender.gauge) if known and sender.contrary and sender.own and sender.gauge else None  # fmt: skip
    return SendersView([_row(s) for s in found], picked, traces, constant)


def _row(sender: senders.Sender) -> SenderRow:
    read, goes, own = senders.reads(sender), senders.threads(sender), sender.facts
    series, parallel = sender.network
    words = ""
    if goes is not None:
        words = f"{THREADS[own.thread or ''].label} in {THREADS[own.hole or ''].label}: {goes.words}"
    return SenderRow(
        id=sender.id,
        name=sender.name,
        goes=own.goes,
        kind=sender.tells.kind,
        off=sender.tells.off,
        worst=None if read is None else read.worst,
        allowed=sender.tells.allowed,
        contrary=sender.contrary,
        sits="" if own.sits is None else f"{SITS[own.sits].label}: {SITS[own.sits].reads}",
        thread=words,
        thread_goes=None if goes is None else goes.goes,
        series=series,
        parallel=parallel if np.isfinite(parallel) else None,
    )


def _trace(
    name: str, read: curves.Read, series: float, parallel: float, facts: ElectricsFacts, sender: senders.Sender
) -> Trace:
    watts = max(senders.heat(facts, sender, series, parallel)) if sender.facts.goes == "gauge" else None
    open_ = not np.isfinite(parallel) or parallel >= 1e7
    return Trace(
        name, read.true.tolist(), read.reads.tolist(), series, None if open_ else parallel, read.worst, read.rms, watts
    )


@dataclass(frozen=True)
class RatioRow:
    """A converter: so many out for so many in, shown over true with it, whether it stays in the band."""

    times: int
    by: int
    shown: float
    serves: bool


@dataclass(frozen=True)
class SpeedView:
    """Pulses a kilometre there and wanted; speeds [m/s] true, as shown now (None where the converter or what is wanted is not known), the
    most that may be shown; converters."""

    there: float
    wants: float | None
    true: Sequence[float]
    shown: Sequence[float] | None
    most: Sequence[float]
    ratio: float | None
    ratios: Sequence[RatioRow]


def show_speed(context: Context, facts: ElectricsFacts, options: Options) -> SpeedView:
    """Of a speed signal of which teeth, gearing and tyre are known."""
    there = speed.there_km(facts)
    if there is None:
        lacks = next((n for n in ("teeth", "final", "radius") if getattr(facts.speed, n) is None), "teeth")
        raise MissingFact(f"electrics.speed.{lacks}")
    found = speed.of(facts)
    true = np.linspace(0.0, 160.0, 9) / 3.6
    return SpeedView(
        there=likely(there),
        wants=likely_or_none(facts.speed.wants),
        true=true.tolist(),
        shown=None if found is None else (likely(found.shown) * true).tolist(),
        most=pulses.allowed(true).tolist(),
        ratio=None if found is None else likely(found.shown),
        ratios=[_ratio(r) for r in speed.dividers(facts)],
    )


def _ratio(ratio: pulses.Ratio) -> RatioRow:
    shown = (1.0 + pulses.AIM) * (1.0 + ratio.error)
    fits = shown >= 1.0 and bool(np.all(shown * pulses.TRIED <= pulses.allowed(pulses.TRIED)))
    return RatioRow(ratio.times, ratio.by, shown, fits)
