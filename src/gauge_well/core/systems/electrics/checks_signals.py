"""Signals, senders and the speed signal against what they must be."""

from __future__ import annotations

from collections.abc import Iterator
from functools import partial

import numpy as np

from gauge_well.core.checks import Check, gate, never
from gauge_well.core.electrical import pulses
from gauge_well.core.electrical.signals import FIRES, LIMITS, RUNS, SIGNALS, START
from gauge_well.core.fittings.thread import THREADS
from gauge_well.core.parts.signal import CONTROLLERS
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.electrics import senders, speed, wanted
from gauge_well.core.systems.electrics.facts import ElectricsFacts
from gauge_well.core.typing import as_array, likely

TRUE = 0.02  # of what it may be off, under which it reads true
NAMED = 3  # signals that a sentence names


def signal_checks(context: Context, facts: ElectricsFacts) -> Iterator[Check]:
    """Whether it starts and runs with what is lost; what may never be made up; two controllers in each other's way."""
    if not facts.signals or facts.computer == "none":
        return
    found = wanted.lines(context, facts)
    for loss, target, id, name in ((START, FIRES, "signals_start", "Signals to start"), (LIMITS, RUNS, "signals_run", "Signals to run well")):  # fmt: skip
        asked = [line for line in found if SIGNALS[line.id].lost == loss]
        lost = [line for line in asked if line.state == wanted.LOST]
        words = "{capacity} of {demand} that it wants are there or may be."
        more: dict[str, tuple[float, str] | str] = {}
        if lost:
            words, more = "{what}: {does}.", {"what": said(lost), "does": SIGNALS[lost[0].id].missing}
        yield gate(
            id, name, "signals", float(len(asked)), float(len(asked) - len(lost)), "count", words, partial(dict, more),
            fill=as_array(1.0 + len(lost) / len(asked) if lost else 0.0), cost=target == RUNS,
        )  # fmt: skip
    for pin, what, why in wanted.forbidden(facts):
        own = SIGNALS[what]
        yield never(f"never_{pin}", f"{own.label.capitalize()}, made up", "signals", f"The {own.label} may not be made up or programmed out: {why}.", danger=True)  # fmt: skip
    for what, why in wanted.conflicts(facts):
        label = SIGNALS[what].label
        both = f"{CONTROLLERS['first'].capitalize()} and {CONTROLLERS['second']}"
        yield never(f"conflict_{what}", f"{label.capitalize()}, two controllers", "signals", f"{both}: {why}.")


def said(found: list[wanted.Line]) -> str:
    """Signals by name, the first few."""
    names = [SIGNALS[line.id].label for line in found]
    more = "" if len(names) <= NAMED else f" and {len(names) - NAMED} more"
    listed = ", ".join(names[:NAMED]) + more
    return f"{listed[0].upper()}{listed[1:]} {'is' if len(names) == 1 else 'are'} missing"


def sender_checks(facts: ElectricsFacts) -> Iterator[Check]:
    """What each gauge is off by, whether it hides heat, whether its thread goes in."""
    for sender in senders.all_of(facts):
        what, tells = sender.name.lower(), sender.tells
        if sender.contrary:
            turn = "fall" if sender.own is not None and sender.own.falls else "rise"
            words = f"Its ohms {turn} where its gauge wants the other way: no resistors turn that round. The gauge's own sender, or a converter."  # fmt: skip
            yield never(f"gauge_{sender.id}", f"Gauge, {what}", "senders", words, cost=True)
        found = senders.reads(sender)
        if found is not None:
            way = "high" if found.worst > 0.0 else "low"
            at = float(found.true[int(np.argmax(np.abs(found.error)))])
            true = abs(found.worst) < TRUE * tells.allowed
            words = "It reads true" if true else f"It reads {{demand}} {way} at {{at}}"
            yield gate(
                f"gauge_{sender.id}", f"Gauge, {what}", "senders", abs(found.worst), tells.allowed, tells.off,
                words + "; {capacity} off may be.",
                partial(dict, {"at": (at, tells.kind)}), cost=True,
            )  # fmt: skip
            if tells.low_hides:
                yield gate(
                    f"hides_{sender.id}", f"Reads low, {what}", "senders", senders.low_at_the_top(found),
                    senders.HIDES * tells.allowed, tells.off,
                    "Where it matters it reads up to {demand} low; past {capacity} it hides what it is there for.", danger=True,
                )  # fmt: skip
        goes = senders.threads(sender)
        if goes is not None and not goes.goes:
            yield never(f"thread_{sender.id}", f"Thread, {what}", "senders", f"{thread_words(sender)}: {goes.words}.")


def thread_words(sender: senders.Sender) -> str:
    """Its thread in its hole, as said."""
    own = sender.facts
    return f"{THREADS[own.thread or ''].label} in a hole of {THREADS[own.hole or ''].label}"


def speed_checks(facts: ElectricsFacts) -> Iterator[Check]:
    """Never under the true speed, never more over it than the law lets, at the speeds it is tried at. Costs: nothing gives out by it."""
    found = speed.of(facts)
    if found is None:
        return
    over = [likely(found.shown) * v / float(pulses.allowed(v)) for v in pulses.TRIED]
    true = float(pulses.TRIED[int(np.argmax(over))])
    shown = np.asarray(found.shown * true)
    at = {"true": (true, "speed")}
    yield gate(
        "speed_under", "Speedometer, under", "speed", true, shown, "speed",
        "At {demand} it shows {capacity}; it may never show less than the true speed.", cost=True,
    )  # fmt: skip
    yield gate(
        "speed_over", "Speedometer, over", "speed", shown, pulses.allowed(true), "speed",
        "At {true} it shows {demand}; {capacity} at most may be shown.", lambda: dict(at), cost=True,
    )  # fmt: skip
