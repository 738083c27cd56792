"""What the engine computer wants, of which what is there, lost or not said: what the engine does with it, and the least that is missing."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from gauge_well.core.duty.facts import task_kind
from gauge_well.core.electrical import chain, signals
from gauge_well.core.electrical.chain import Chain, Way
from gauge_well.core.electrical.signals import DOES, SIGNALS
from gauge_well.core.parts.signal import DROPPED, MIMICKED, MISSING, REAL, STAND, SignalFacts
from gauge_well.core.reads import LOST_COOLANT, LOST_REQUEST
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.electrics.facts import ElectricsFacts
from gauge_well.core.typing import Array, as_array

THERE, OPEN, LOST = "there", "open", "lost"
MIMIC_HOURS, FLASH_HOURS = 0.5, 8.0  # to make one up; to have a controller's program changed (common practice)
FLASH = "a changed program"
# Supplies and the sensors of which two controllers may not share one: what both drive, what both read by a pull-up of their own.
DRIVEN = (
    "starter",
    "pump",
    "injectors",
    "coils",
    "fan",
    "glow",
    "run_solenoid",
    "boost",
    "idle_valve",
    "purge",
    "alternator",
)
PULLED = ("coolant_temperature", "air_temperature", "oil_temperature")


@dataclass(frozen=True)
class Line:
    """A signal with its pins: how it stands, and why.

    ``state`` there, open or lost; ``proved`` all of it works; ``unsaid`` nobody listed it.
    """

    id: str
    pins: Sequence[tuple[str, SignalFacts]]
    state: str
    proved: bool

    @property
    def unsaid(self) -> bool:
        """Whether no pin is listed for it."""
        return not self.pins


def pin_state(own: SignalFacts) -> str:
    """How one pin's signal stands."""
    if own.source == MISSING or own.state == "broken":
        return LOST
    return OPEN if own.source is None else THERE


def ids(context: Context) -> tuple[str, ...]:
    """Signals that a usual controller of this engine asks for, and on the road what the machine's own units do."""
    return signals.wanted(
        "spark" if context.engine.fuel.spark else "glow", task_kind(context.machine.kind or "") == "road"
    )


def lines(context: Context, facts: ElectricsFacts) -> list[Line]:
    """Every signal it wants, and what else is listed."""
    own = [(id, pin) for id, pin in facts.signals if pin.what is not None]
    asked = dict.fromkeys([*ids(context), *(str(pin.what) for _, pin in own)])
    found = []
    for signal in asked:
        pins = [(id, pin) for id, pin in own if pin.what == signal]
        states = [pin_state(pin) for _, pin in pins]
        state = next((s for s in (LOST, OPEN, THERE) if s in states), OPEN)
        found.append(Line(signal, pins, state, bool(pins) and all(pin.state == "works" for _, pin in pins)))
    return found


def loses(context: Context, facts: ElectricsFacts) -> Mapping[str, Array]:
    """Whether what a controller's fan goes by is missing: said to be, not only unsaid."""
    lost = {pin.what for _, pin in facts.signals if pin.what is not None and pin_state(pin) == LOST}
    by = {LOST_COOLANT: "coolant_temperature", LOST_REQUEST: "air_conditioning"}
    return {figure: as_array(float(signal in lost)) for figure, signal in by.items()}


@dataclass(frozen=True)
class Does:
    """What the engine does: surely with what is there, perhaps if all that is open is; of it what is missing."""

    id: str
    surely: bool
    perhaps: bool


def does(context: Context, found: Sequence[Line]) -> list[Does]:
    """Cranks, fires, runs as it should, with no lamp lit."""
    ways = signals.chain(tuple(line.id for line in found))
    there = chain.on(ways, {line.id for line in found if line.state == THERE})
    perhaps = chain.on(ways, {line.id for line in found if line.state != LOST})
    return [Does(id, id in there, id in perhaps) for id in DOES]


def on_the_stand(facts: ElectricsFacts) -> bool:
    """Whether a fuse or a wire stands in for something: it starts on the stand, not in the machine."""
    return any(pin.source == STAND for _, pin in facts.signals)


Acts = Sequence[tuple[str, str]]  # signal and what is done for it


@dataclass(frozen=True)
class LeastSet:
    """The least that would bring one thing on: what is done for each signal, in all so many hours."""

    does: str
    acts: Acts
    hours: float


def least(context: Context, found: Sequence[Line], target: str, flashed: bool) -> LeastSet | None:
    """The cheapest way to what is missing for ``target``: each signal real, made up or programmed out, where it may be."""
    ways: dict[str, Sequence[Way]] = dict(signals.chain(tuple(line.id for line in found)))
    costs: dict[str, float] = {FLASH: FLASH_HOURS}
    there = {line.id for line in found if line.state == THERE}
    for line in found:
        own = SIGNALS[line.id]
        if line.id in there:
            continue
        costs[f"{REAL} {line.id}"] = own.hours
        choices = [Way(frozenset({f"{REAL} {line.id}"}))]
        if own.mimic and not own.never:
            costs[f"{MIMICKED} {line.id}"] = MIMIC_HOURS
            choices.append(Way(frozenset({f"{MIMICKED} {line.id}"})))
        if own.drops and not own.never:
            choices.append(Way(frozenset({FLASH})))
        ways[line.id] = choices
    known = {*there, *((FLASH,) if flashed else ())}
    best = chain.least(ways, target, known, costs)
    if best is None:
        return None
    acts = []
    programmed = FLASH in best.leaves or flashed
    for line in found:
        how = next((k for k in (REAL, MIMICKED) if f"{k} {line.id}" in best.leaves), None)
        if (
            how is None
            and programmed
            and line.id not in there
            and SIGNALS[line.id].drops
            and _needed(ways, target, line.id)
        ):
            how = DROPPED
        if how is not None:
            acts.append((line.id, how))
    return LeastSet(target, acts, best.cost)


def _needed(ways: Chain, target: str, node: str) -> bool:
    """Whether a target hangs on a node at all."""
    seen, asked = set[str](), [target]
    while asked:
        now = asked.pop()
        if now == node:
            return True
        if now not in seen:
            seen.add(now)
            asked += [n for w in ways.get(now, ()) for n in w.needs]
    return False


def conflicts(facts: ElectricsFacts) -> list[tuple[str, str]]:
    """Signals at which two controllers are in each other's way: (signal, why)."""
    found = []
    by: dict[str, set[str]] = {}
    for _, pin in facts.signals:
        if pin.what is not None and pin.source == REAL:
            by.setdefault(pin.what, set()).add(pin.controller)
    for what, at in by.items():
        if len(at) > 1 and what in DRIVEN:
            found.append((what, "both drive it: one must be let go"))
        elif len(at) > 1 and what in PULLED:
            found.append((what, "both feed it by a pull-up of their own: each reads it hot; a sensor for each"))
    return found


def forbidden(facts: ElectricsFacts) -> list[tuple[str, str, str]]:
    """What is made up or programmed out that never may be: (pin's id, signal, why)."""
    return [
        (id, pin.what, SIGNALS[pin.what].never)
        for id, pin in facts.signals
        if pin.what is not None and SIGNALS[pin.what].never and pin.source in (MIMICKED, DROPPED)
    ]


@dataclass(frozen=True)
class Loom:
    """A way to a loom: hours of one's own, to begin with and for each pin; weeks one waits; what it costs (common practice)."""

    label: str
    start: float
    each: float
    weeks: float
    costs: str
    mind: str


LOOMS: Mapping[str, Loom] = {
    "thinned": Loom("the donor's, thinned", 8.0, 0.25, 0.0, "tape, sleeve, solder: 50 to 150 € or so", "every wire that goes is one that was labelled first"),
    "merged": Loom("the donor's into the machine's", 12.0, 0.45, 0.0, "plugs, terminals: 100 to 300 €", "gauges and lamps live on; two diagrams are needed"),
    "standalone": Loom("a standalone controller with its loom", 14.0, 0.15, 2.0, "the controller and its loom: 900 to 2,500 €, and its mapping", "every signal it asks for is a real one; mapping before any load"),
    "own": Loom("all new, own work", 12.0, 0.7, 1.0, "wire, plugs, a crimp tool for its terminals: 250 to 600 €", "drawn first; the right crimp, pulled by hand"),
    "sent": Loom("sent out to be thinned", 4.0, 0.02, 4.0, "500 to 1,000 €", "label, photograph, say what stays; the car stands meanwhile"),
}  # fmt: skip
EVENING = 3.0  # h
