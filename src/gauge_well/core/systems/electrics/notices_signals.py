"""Guides worth saying of signals, senders and the speed signal."""

from __future__ import annotations

from collections.abc import Iterator

import numpy as np

from gauge_well.core.electrical import pulses
from gauge_well.core.electrical.signals import KEPT, LAMP, SIGNALS
from gauge_well.core.parts.sender import SITS
from gauge_well.core.parts.signal import DROPPED, MIMICKED
from gauge_well.core.sentence import Sentence
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.electrics import need_signals, senders, speed, wanted
from gauge_well.core.systems.electrics.facts import ElectricsFacts
from gauge_well.core.typing import likely
from gauge_well.core.validity import Notice

RESISTOR = 0.25  # W of a usual resistor (common practice)
LACKING = 6  # signals without a pin that are named


def notices(context: Context, facts: ElectricsFacts) -> Iterator[Notice]:
    """Of what is made up, on the stand, untested, not listed; of senders' places and resistors; of the speed signal."""
    if facts.signals and facts.computer != "none":
        yield from _signals(context, facts)
    if facts.oil_light == "one":
        words = "One oil switch for lamp and computer: through the lamp the computer's pin sees the battery. A diode in each line, or two switches on a tee."
        yield Notice("oil_light", Sentence(words), "electrics.oil_light")
    if facts.computer == "both":
        words = "Two controllers side by side: each output to one of them alone, each resistive sensor its own, one earth point for both."
        yield Notice("two_controllers", Sentence(words), "electrics.computer")
    for sender in senders.all_of(facts):
        yield from _sender(facts, sender)
    yield from _speed(facts)


def _signals(context: Context, facts: ElectricsFacts) -> Iterator[Notice]:
    for id, pin in facts.signals:
        own = SIGNALS[pin.what or "other"]
        if own.never or pin.source not in (MIMICKED, DROPPED):
            continue
        if pin.source == MIMICKED:
            words = f"The {own.label} is made up" + (f": {own.mimic}." if own.mimic else "; how is not common practice: by its maker.")  # fmt: skip
            yield Notice(f"mimicked_{id}", Sentence(words), f"electrics.signals.{id}.source")
        elif not own.drops or facts.computer not in need_signals.FLASHED:
            words = f"The {own.label} is programmed out: only a changed program does that, and some do not offer it."
            yield Notice(f"dropped_{id}", Sentence(words), f"electrics.signals.{id}.source")
    if wanted.on_the_stand(facts):
        words = "A fuse or a wire stands in for the key: it runs on the stand and is taken out before the machine is driven."
        yield Notice("on_the_stand", Sentence(words), "electrics.signals")
    found = wanted.lines(context, facts)
    lamps = [SIGNALS[line.id].label for line in found if line.state == wanted.LOST and SIGNALS[line.id].lost == LAMP]
    if lamps:
        yield Notice("only_lamps", Sentence("Only a lamp is lit without: " + ", ".join(lamps) + "."), "electrics.signals")  # fmt: skip
    dead = [line for line in found if line.state == wanted.LOST and SIGNALS[line.id].lost == KEPT]
    for line in dead:
        words = f"The machine's own electrics lack the {SIGNALS[line.id].label}: {SIGNALS[line.id].missing}."
        yield Notice(f"kept_{line.id}", Sentence(words), "electrics.signals")
    bare = [SIGNALS[line.id].label for line in found if line.unsaid and SIGNALS[line.id].lost != KEPT]
    if bare:
        more = f" and {len(bare) - LACKING} more" if len(bare) > LACKING else ""
        words = "A usual controller wants these too, and no pin is listed: " + ", ".join(bare[:LACKING]) + f"{more}."
        yield Notice("not_listed", Sentence(words), "electrics.signals")
    untested = sum(not line.proved for line in found if line.pins)
    if untested:
        words = "{n} of the signals listed are not proved: each swept by hand with the key on, before any fuel."
        yield Notice("untested", Sentence(words, {"n": (float(untested), "count")}), "electrics.signals")


def _sender(facts: ElectricsFacts, sender: senders.Sender) -> Iterator[Notice]:
    place = f"electrics.senders.{sender.id}"
    if sender.facts.sits is not None:
        sits = SITS[sender.facts.sits]
        if sender.facts.what not in sits.tells:
            words = f"{sender.name}, {sits.label}: such a place tells nothing of it."
            yield Notice(f"sits_{sender.id}", Sentence(words), f"{place}.sits")
        else:
            yield Notice(f"reads_{sender.id}", Sentence(f"{sender.name}, {sits.label}: it reads {sits.reads}."), f"{place}.sits")  # fmt: skip
    pull, table = sender.facts.pull_own, sender.facts.pull_table
    if pull is not None and table is not None and likely(pull) != likely(table):
        way = (
            "hot: the fan early, the mixture thin when cold"
            if likely(pull) > likely(table)
            else "cold, which is the dangerous side"
        )
        words = f"{sender.name} hangs on {{own}} and its table is for {{table}}: it reads {way}. The right pull-up is the remedy."
        yield Notice(f"pull_{sender.id}", Sentence(words, {"own": (likely(pull), "ohms"), "table": (likely(table), "ohms")}), f"{place}.pull_own")  # fmt: skip
    if sender.own is None:
        return
    series, parallel = sender.network
    if series > 0.0 or np.isfinite(parallel):
        watts = max(senders.heat(facts, sender, series, parallel))
        if watts > RESISTOR:
            words = f"{sender.name}: at worst a resistor turns {{watts}} to heat; a usual one stands {{stands}}. One of twice that, in free air."
            yield Notice(f"watts_{sender.id}", Sentence(words, {"watts": (watts, "power_small"), "stands": (RESISTOR, "power_small")}), f"{place}.series")  # fmt: skip


def _speed(facts: ElectricsFacts) -> Iterator[Notice]:
    found = speed.of(facts)
    if found is None:
        return
    over = likely(found.shown) - 1.0
    if 0.0 <= over < 0.5 * pulses.AIM:
        words = "It shows {over} over the true speed: new tyres of another make may bring it under, which is not allowed at any speed."
        yield Notice("speed_bare", Sentence(words, {"over": (over, "share")}), "electrics.speed.times")
