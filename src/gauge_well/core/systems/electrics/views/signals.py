"""What the engine computer wants, by what is lost without it: each with its pins; what the engine does, the least that is missing;
the ways to a loom."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from gauge_well.core.electrical.signals import DOES, LOSSES, QUIET, RUNS, SIGNALS
from gauge_well.core.errors import MissingFact
from gauge_well.core.parts.signal import CONTROLLERS, SOURCES, STATES
from gauge_well.core.systems.base import Context, Options
from gauge_well.core.systems.electrics import need_signals, wanted
from gauge_well.core.systems.electrics.facts import ElectricsFacts


@dataclass(frozen=True)
class PinRow:
    """One pin, in words as stated; empty where not said."""

    id: str
    plug: str
    pin: str
    colour: str
    says: str
    source: str
    state: str
    controller: str


@dataclass(frozen=True)
class SignalRow:
    """A signal: how it stands (there, open, lost, none listed), what is lost without it, whether it may be made up and how."""

    id: str
    label: str
    stands: str
    proved: bool
    missing: str
    never: str
    mimic: str
    hours: float
    pins: Sequence[PinRow]


@dataclass(frozen=True)
class Group:
    """Signals by what is lost without them, the lost first; so many of them wanted, there, lost, open."""

    id: str
    title: str
    rows: Sequence[SignalRow]
    there: int
    lost: int
    open: int


@dataclass(frozen=True)
class DoesRow:
    """What the engine does: ``surely`` by what is there, ``perhaps`` with all that is open; the least that is missing, [h]."""

    id: str
    label: str
    surely: bool
    perhaps: bool
    acts: Sequence[tuple[str, str]]
    hours: float | None


@dataclass(frozen=True)
class LoomRow:
    """A way to a loom: own hours, evenings, weeks one waits, what it costs, what to mind; the one picked."""

    id: str
    label: str
    hours: float
    evenings: int
    weeks: float
    costs: str
    mind: str
    picked: bool


@dataclass(frozen=True)
class SignalsView:
    """All signals in groups; whether two controllers, a stand; pins listed in all."""

    groups: Sequence[Group]
    does: Sequence[DoesRow]
    looms: Sequence[LoomRow]
    pins: int
    stand: bool
    forbidden: Sequence[tuple[str, str]]
    conflicts: Sequence[tuple[str, str]]


ORDER = (wanted.LOST, wanted.OPEN, wanted.THERE)


def show(context: Context, facts: ElectricsFacts, options: Options) -> SignalsView:
    """Of an engine with a computer; nothing listed shows what it would want."""
    if facts.computer == "none":
        raise MissingFact("electrics.computer")
    found = wanted.lines(context, facts)
    return SignalsView(
        groups=[_group(loss, title, found) for loss, title in LOSSES.items()],
        does=[_does(context, facts, found, one) for one in wanted.does(context, found)],
        looms=[_loom(id, loom, len(facts.signals) or len(found), facts) for id, loom in wanted.LOOMS.items()],
        pins=len(facts.signals),
        stand=wanted.on_the_stand(facts),
        forbidden=[(SIGNALS[what].label, why) for _, what, why in wanted.forbidden(facts)],
        conflicts=[(SIGNALS[what].label, why) for what, why in wanted.conflicts(facts)],
    )


def _group(loss: str, title: str, found: Sequence[wanted.Line]) -> Group:
    own = sorted((line for line in found if SIGNALS[line.id].lost == loss), key=lambda line: ORDER.index(line.state))
    count = [sum(line.state == state for line in own) for state in (wanted.THERE, wanted.LOST, wanted.OPEN)]
    return Group(loss, title, [_row(line) for line in own], *count)


def _row(line: wanted.Line) -> SignalRow:
    own = SIGNALS[line.id]
    pins = [
        PinRow(
            id,
            pin.plug or "",
            pin.pin or "",
            pin.colour or "",
            pin.says or "",
            SOURCES.get(pin.source or "", ""),
            STATES.get(pin.state or "", ""),
            CONTROLLERS[pin.controller],
        )
        for id, pin in line.pins
    ]
    stands = "none" if line.unsaid else line.state
    return SignalRow(line.id, own.label, stands, line.proved, own.missing, own.never, own.mimic, own.hours, pins)


def _does(context: Context, facts: ElectricsFacts, found: Sequence[wanted.Line], one: wanted.Does) -> DoesRow:
    flashed = facts.computer in need_signals.FLASHED
    best = None if one.surely or one.id in (RUNS, QUIET) else wanted.least(context, found, one.id, flashed)
    acts = [] if best is None else [(SIGNALS[id].label, need_signals.ACTS.get(how, "")) for id, how in best.acts]
    return DoesRow(one.id, DOES[one.id], one.surely, one.perhaps, acts, None if best is None else best.hours)


def _loom(id: str, loom: wanted.Loom, pins: int, facts: ElectricsFacts) -> LoomRow:
    hours = loom.start + loom.each * pins
    return LoomRow(
        id, loom.label, hours, round(hours / wanted.EVENING), loom.weeks, loom.costs, loom.mind, facts.loom == id
    )
