"""Runs of wire: drop, amps they bear, the band of fuses, sizes beside each other."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.electrical import wires
from gauge_well.core.parts.load import WHATS
from gauge_well.core.parts.run import RunFacts
from gauge_well.core.sentence import numbered
from gauge_well.core.systems.electrics.facts import ElectricsFacts
from gauge_well.core.typing import Array, Value, as_array, likely

CHARGED = 13.5  # V of a 12 V system, that drops are shares of (common practice)
WEAK = 0.10  # of the volts, past which a device is starved whatever it is (common practice)
RELAY = 30.0  # A that a relay of 40 switches hot (common practice)


@dataclass(frozen=True)
class Run:
    """A run by its place and name: amps, volts it costs and may cost, amps it bears; the fuse's band, from what the load asks to what
    the wire bears [A]."""

    id: str
    name: str
    facts: RunFacts
    amps: Array
    drop: Array
    allowed: float
    bears: Array
    low: Array

    @property
    def share(self) -> float:
        """Share of the volts that its wire may cost."""
        return WHATS[self.facts.feeds or "other"].drop

    @property
    def fuses(self) -> list[float]:
        """Fuses sold in its band."""
        return wires.fuses(likely(self.low), likely(self.bears))


def amps_of(facts: ElectricsFacts, run: RunFacts) -> Array | None:
    """Amps in a run: stated, else of the loads of its kind, else of one of them."""
    if run.amps is not None:
        return as_array(run.amps)
    if run.feeds is None:
        return None
    own = [as_array(load.amps) * load.count for _, load in facts.loads if load.what == run.feeds]
    usual = WHATS[run.feeds].amps / (float(facts.system) / 12.0)
    return np.asarray(sum(own[1:], own[0])) if own else as_array(usual)


def lacks(facts: ElectricsFacts) -> tuple[str, ...]:
    """What runs are not told by."""
    names = ("feeds", "length", "area")
    return tuple(f"electrics.runs.{id}.{n}" for id, run in facts.runs for n in names if getattr(run, n) is None)


def volts(run: RunFacts, amps: Value, area: Value) -> Array:
    """Volts that a run costs, there and, by a wire, back again, warm."""
    ways = 2.0 if run.back == "wire" else 1.0
    length = as_array(run.length if run.length is not None else 0.0)
    return np.asarray(as_array(amps) * wires.per_metre(area) * length * ways)


def named(facts: ElectricsFacts, id: str) -> str:
    """A run by what it feeds; with a number where several feed the like."""
    feeds = dict(facts.runs)[id].feeds or "other"
    alike = [other for other, run in facts.runs if run.feeds == feeds]
    label = WHATS[feeds].label.capitalize()
    return numbered(label, alike, id)


def worked(facts: ElectricsFacts, id: str, run: RunFacts) -> Run | None:
    """A run; None where something of it is missing."""
    amps = amps_of(facts, run)
    if amps is None or run.length is None or run.area is None or run.feeds is None:
        return None
    what = WHATS[run.feeds]
    return Run(
        id=id,
        name=named(facts, id),
        facts=run,
        amps=amps,
        drop=volts(run, amps, run.area),
        allowed=what.drop * CHARGED * float(facts.system) / 12.0,
        bears=wires.bears(run.area, run.lies, run.bundle),
        low=np.asarray(amps / wires.LOADED),
    )


def all_of(facts: ElectricsFacts) -> list[Run]:
    """Every run that is told."""
    found = (worked(facts, id, run) for id, run in facts.runs)
    return [run for run in found if run is not None]


def fan_drop(facts: ElectricsFacts) -> Array:
    """Volts that the worst of the fans' runs costs."""
    drops = [run.drop for run in all_of(facts) if run.facts.feeds == "fan"]
    return np.asarray(np.maximum.reduce(np.broadcast_arrays(*drops))) if drops else as_array(0.0)


@dataclass(frozen=True)
class Size:
    """A size for a run: area [m2], drop [V], amps it bears, fuses in its band, whether both hold."""

    area: float
    drop: float
    bears: float
    fuses: Sequence[float]
    serves: bool


def sizes(run: Run, by_volts: bool = True) -> list[Size]:
    """Every size sold: by volts and amps, else by amps and what starves a device."""
    found = []
    for mm2 in wires.METRIC:
        area = mm2 * 1e-6
        drop = likely(volts(run.facts, run.amps, area))
        bears = likely(wires.bears(area, run.facts.lies, run.facts.bundle))
        fuses = wires.fuses(likely(run.low), bears)
        spare = drop <= (run.allowed if by_volts else WEAK * run.allowed / run.share)
        found.append(Size(area, drop, bears, fuses, spare and bool(fuses)))
    return found


def needed(facts: ElectricsFacts, run: Run) -> Size | None:
    """The smallest size that serves by the school chosen; None where none sold does."""
    return next((s for s in sizes(run, facts.wires_by == "volts") if s.serves), None)
