"""Guides worth saying of electrics."""

from __future__ import annotations

from collections.abc import Iterator

import numpy as np

from gauge_well.core.electrical import battery, wires
from gauge_well.core.parts.load import WHATS
from gauge_well.core.reads import FANS_DRAW
from gauge_well.core.sentence import Sentence
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.electrics import charging, cranking, notices_signals, runs
from gauge_well.core.systems.electrics.facts import ElectricsFacts
from gauge_well.core.typing import duty_values, likely
from gauge_well.core.validity import Notice

JOINTS = 0.5  # V of a sound way back and its joints while cranking (common practice)
WEEKS = 21.0 * 86400.0
STARVES = 0.05  # of its volts that a system may stand under a charged one (common practice)
AFTER = 60.0  # s of cranking, that charging is reckoned after


def notices(context: Context, facts: ElectricsFacts) -> Iterator[Notice]:
    """Of charging, cranking, glow, run solenoids, fuses' places, relays, what stands against volts handed on."""
    yield from _charge(context, facts)
    yield from _crank(context, facts)
    yield from _loads(facts)
    for run in runs.all_of(facts):
        yield from _run(run)
    yield from notices_signals.notices(context, facts)


def _charge(context: Context, facts: ElectricsFacts) -> Iterator[Notice]:
    gives = charging.able(facts, context.engine.facts.idle_speed)
    found = charging.draws(context, facts)
    if gives is not None and facts.loads:
        asked = likely(charging.total(found, "idle_night"))
        short = asked - likely(gives)
        holds = charging.capacity(facts)
        if short > 0.0:
            minutes = likely(facts.idles_for)
            words = "Idling on a wet night the battery gives {short}: {charge} in {time}"
            values = {"short": (short, "current"), "charge": (short * minutes, "charge"), "time": (minutes, "time")}
            if holds is not None:
                words += "; half of it lasts {lasts}"
                values["lasts"] = (battery.KEPT * likely(holds) / short, "time")
            yield Notice(
                "idle_drains",
                Sentence(words + ". 100 rpm more at idle, or a smaller pulley, is the remedy.", values),
                "engine.idle_speed",
            )
        if likely(charging.rotor(facts, context.engine.facts.idle_speed)) < likely(facts.alternator.cut_in):
            words = "Idling, its rotor turns {n} and begins to charge at {from}: the charge lamp stays lit."
            turns = likely(charging.rotor(facts, context.engine.facts.idle_speed))
            values = {"n": (turns, "speed_rpm"), "from": (likely(facts.alternator.cut_in), "speed_rpm")}
            yield Notice("idle_no_charge", Sentence(words, values), "electrics.alternator.ratio")
    volts = charging.volts_short(context, facts, context.told(FANS_DRAW))
    if volts is not None:
        worst = duty_values(volts, len(context.duties.cases))
        at = int(np.argmax(worst))
        has = charging.charging(facts) - worst[at]
        if worst[at] > STARVES * charging.charging(facts):
            words = (
                "On {duty}, a wet night, the system has {v}: fan and pump turn slower, an ignition coil fills slower."
            )
            values_: dict[str, tuple[float, str] | str] = {
                "duty": context.duties.cases[at].name.lower(),
                "v": (has, "voltage"),
            }
            yield Notice(
                "volts_low", Sentence(words, values_), "electrics.alternator.full", context.duties.cases[at].id
            )
    left = charging.fed_back(context, facts)
    if left is not None and float(np.max(left[..., 0])) > charging.FED_BACK:
        words = "Pump and fan were worked with the fans all on, {v} lower than with the fans as they run."
        yield Notice(
            "volts_cut", Sentence(words, {"v": (float(np.max(left[..., 0])), "voltage")}), "electrics.alternator.full"
        )
    holds, stopped = charging.capacity(facts), likely(charging.total(found, "stopped"))
    if holds is not None and stopped > 0.0 and battery.KEPT * likely(holds) / stopped < WEEKS:
        lasts = battery.KEPT * likely(holds) / stopped
        words = "Stopped, key out, it draws {a}: half the battery lasts {lasts}."
        yield Notice(
            "stands_short", Sentence(words, {"a": (stopped, "current"), "lasts": (lasts, "time")}), "electrics.loads"
        )
    if facts.battery.place in ("boot", "cabin") and facts.battery.amps is not None:
        words = "A battery indoors stands in a closed box vented outside, its fuse within {near} of the post."
        yield Notice(
            "battery_indoors", Sentence(words, {"near": (wires.FUSE_WITHIN, "size")}), "electrics.battery.place"
        )


def _crank(context: Context, facts: ElectricsFacts) -> Iterator[Notice]:
    found = cranking.cold(context, facts, facts.coldest)
    if found is None:
        return
    lost = likely(found.turned.at_battery) - likely(found.turned.at_starter)
    copper = likely(found.leads) - likely(facts.body)
    words = "Cranking, leads and way back cost {lost}, joints and body {body} of it."
    values = {"lost": (lost, "voltage"), "body": (likely(facts.body) * likely(found.turned.amps), "voltage")}
    if lost > JOINTS:
        yield Notice(
            "lead_drop",
            Sentence(words, values),
            "electrics.lead.area" if copper > likely(facts.body) else "electrics.body",
        )
    warm = cranking.cold(context, facts, 293.15)
    posts = None if warm is None else likely(warm.turned.at_battery)
    least = cranking.POSTS * charging.nominal(facts) / 12.0
    if posts is not None and posts < least:
        words = "Even warm its posts fall to {v} while cranking; {least} is a sound battery's."
        yield Notice(
            "posts_low",
            Sentence(words, {"v": (posts, "voltage"), "least": (least, "voltage")}),
            "electrics.battery.amps",
        )
    out = likely(found.turned.amps) * AFTER
    gives = charging.able(facts, context.engine.facts.idle_speed)
    found_draws = charging.draws(context, facts)
    if gives is not None and likely(gives) > likely(charging.total(found_draws, "idle")):
        spare = likely(gives) - likely(charging.total(found_draws, "idle"))
        words = "A minute of cranking takes {out}: idling brings it back in {time}. Rest a starter half a minute after ten seconds."
        values = {"out": (out, "charge"), "time": (out / spare, "time")}
        yield Notice("after_cranking", Sentence(words, values), "electrics.battery.capacity")


def _loads(facts: ElectricsFacts) -> Iterator[Notice]:
    for id, load in facts.loads:
        if load.what == "glow":
            total = likely(load.amps) * likely(load.count)
            words = "Glow plugs draw {all} hot and {first} in their first second: a relay and a wire of their own, 5 s before, 30 to 180 s after."
            values = {"all": (total, "current"), "first": (total * WHATS["glow"].surge, "current")}
            yield Notice("glow", Sentence(words, values), f"electrics.loads.{id}.amps")
        if load.what == "run":
            words = "A run solenoid with two coils pulls in with 30 to 60 A for under a second and burns if that stays on: a timer, then its hold coil. One that must be energised to run fails safe."
            yield Notice("run_solenoid", Sentence(words), f"electrics.loads.{id}.amps")


def _run(run: runs.Run) -> Iterator[Notice]:
    place = f"electrics.runs.{run.id}"
    what = WHATS[run.facts.feeds or "other"]
    if run.facts.fuse_from is not None and likely(run.facts.fuse_from) > wires.FUSE_WITHIN:
        words = f"{run.name}: its fuse stands {{from}} from the source; within {{near}}, for what lies before it is not protected."
        values = {"from": (likely(run.facts.fuse_from), "size"), "near": (wires.FUSE_WITHIN, "size")}
        yield Notice("fuse_far", Sentence(words, values), f"{place}.fuse_from")
    amps = likely(run.amps)
    if run.facts.switched == "switch" and amps > 10.0:
        words = f"{run.name}: {{amps}} through a switch; a relay, its coil with a diode, takes the load."
        yield Notice("switch_loaded", Sentence(words, {"amps": (amps, "current")}), f"{place}.switched")
    if run.facts.switched == "relay" and amps > runs.RELAY:
        words = f"{run.name}: {{amps}}; a relay of 40 A switches {{hot}} hot: two, or a larger one."
        yield Notice(
            "relay_small",
            Sentence(words, {"amps": (amps, "current"), "hot": (runs.RELAY, "current")}),
            f"{place}.switched",
        )
    if run.facts.fuse is not None and what.surge >= 2.0:
        words = f"{run.name}: it draws {{surge}} as it comes on: a slow fuse."
        yield Notice("slow_fuse", Sentence(words, {"surge": (amps * what.surge, "current")}), f"{place}.fuse")
