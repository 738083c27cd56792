"""What is missing to start, the resistors a gauge asks, the converter a speedometer asks."""

from __future__ import annotations

import numpy as np

from gauge_well.core.electrical.signals import FIRES, SIGNALS
from gauge_well.core.parts.signal import DROPPED, MIMICKED
from gauge_well.core.sentence import Sentence
from gauge_well.core.systems.base import Context, Need
from gauge_well.core.systems.electrics import senders, speed, wanted
from gauge_well.core.systems.electrics.facts import ElectricsFacts
from gauge_well.core.typing import likely

FLASHED = ("flashed", "standalone")
ACTS = {MIMICKED: "made up", DROPPED: "programmed out"}


def signals(context: Context, facts: ElectricsFacts) -> list[Need]:
    """The least that lets it fire, where signals are listed and some are lost or not said."""
    if not facts.signals or facts.computer == "none":
        return []
    best = wanted.least(context, wanted.lines(context, facts), FIRES, facts.computer in FLASHED)
    if best is None or not best.acts:
        return []
    words = "To fire it lacks " + listed(best.acts) + "; some {time} of work (common practice)."
    hours = best.hours * 3600.0
    return [Need("signals", "signals_time", hours, "time", Sentence(words, {"time": (hours, "time")}))]


def listed(acts: wanted.Acts) -> str:
    """Signals and what is done for each, in words."""
    return ", ".join(SIGNALS[id].label + (f" ({ACTS[how]})" if how in ACTS else "") for id, how in acts)


def resistors(facts: ElectricsFacts) -> list[Need]:
    """Of every gauge that is off the resistors, as sold, that bring it nearest."""
    found = []
    for sender in senders.all_of(facts):
        now = senders.plain(sender)
        if now is None or abs(now.worst) <= sender.tells.allowed:
            continue
        best = senders.matched(sender)
        if best is None:
            continue
        off = sender.tells.off
        values = {"now": (abs(now.worst), off), "then": (abs(best.read.worst), off), "series": (best.series, "ohms"), "across": (best.parallel, "ohms")}  # fmt: skip
        parts = [*(["{series} in its line"] if best.series > 0.0 else []), *(["{across} across both"] if np.isfinite(best.parallel) else [])]  # fmt: skip
        if not parts:
            continue
        words = (
            f"{sender.name}: "
            + " and ".join(parts)
            + (" bring" if len(parts) > 1 else " brings")
            + " the gauge from {now} off to {then}."
        )
        worth = best.parallel if np.isfinite(best.parallel) else best.series
        found.append(Need("senders", f"gauge_{sender.id}", worth, "ohms", Sentence(words, values)))
    return found


def converter(facts: ElectricsFacts) -> list[Need]:
    """A converter for the speed signal, where what comes does not serve as it is."""
    there, wants = speed.there_km(facts), facts.speed.wants
    best = speed.serving(facts)
    if there is None or wants is None or best is None or (best.times, best.by) == (1, 1):
        return []
    words = "{there} pulses a km come, {wants} are wanted: a converter that gives {times} for {by} shows {over} over the true speed."
    over = (1.0 + 0.02) * (1.0 + best.error) - 1.0
    values = {
        "there": (likely(there), "count"), "wants": (likely(wants), "count"), "times": (float(best.times), "count"), "by": (float(best.by), "count"), "over": (over, "share"),
    }  # fmt: skip
    return [Need("speed", "pulse_factor", best.times / best.by, "ratio", Sentence(words, values))]
