"""Why it does not crank, or only for an instant: battery, leads and starter against the engine, with something wrong."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.case import BuildCase
from gauge_well.core.electrical import battery, starter
from gauge_well.core.errors import MissingFact
from gauge_well.core.start import setting
from gauge_well.core.start.faults.cause import SOUND, SOUND_AS_OFTEN, Cause, Check, Effort, Gauge, When, Worked, gauged
from gauge_well.core.start.faults.group import Group
from gauge_well.core.systems.electrics import charging, cranking
from gauge_well.core.systems.electrics.facts import ElectricsFacts
from gauge_well.core.typing import Array


@dataclass(frozen=True)
class Trouble:
    """What is wrong: volts off a battery at rest, times its resistance, ohms in the lead and in the way back, times the
    starter's resistance and the engine's drag; ``silent``: nothing draws; ``locked``: it stalls."""

    rest: float = 0.0
    battery: float = 1.0
    lead: float = 0.0
    back: float = 0.0
    own: float = 1.0
    drag: float = 1.0
    silent: bool = False
    locked: bool = False


# At full size (common practice).
TROUBLES: Mapping[str, Trouble] = {
    SOUND: Trouble(),
    "flat": Trouble(rest=0.9, battery=2.0),
    "weak": Trouble(battery=3.5),
    "lead": Trouble(lead=20e-3),
    "ground": Trouble(back=20e-3),
    "starter": Trouble(own=2.5),
    "tight": Trouble(drag=2.5),
    "no_signal": Trouble(silent=True),
    "solenoid": Trouble(silent=True),
    "hydraulic": Trouble(locked=True),
}
BODY = 0.4  # of what the leads lose that the way back has, where it is no cable's length (common practice)

SPARKS = "Battery gas burns and a spanner across it melts: negative off first, on last; eyes covered."
WATER = "Water in a cylinder breaks rods: plugs or injectors out before it is turned again, by hand first."

VOLTS = Gauge("voltage", 0.15)  # half-ranges of what is read by


def causes(case: BuildCase) -> Sequence[Cause]:
    """What keeps it from turning."""
    return [
        Cause(SOUND, "Nothing is wrong with it", "Nothing: it turns as it should.", SOUND_AS_OFTEN, whole=True),
        Cause("flat", "Battery is flat", "Charge it, then find what empties it.", 3.0),
        Cause("weak", "Battery is worn or too small", "A load test; another battery.", 2.0),
        Cause("lead", "Bad joint in the lead to the starter", "Off, bright, tight, greased.", 2.0),
        Cause("ground", "Engine's ground strap missing or bad", "A strap from block to body and battery.", 3.0),
        Cause("no_signal", "No signal at the solenoid", "Key, inhibitor, relay, immobiliser; its wire.", 3.0, True),
        Cause("solenoid", "Solenoid does not pull through", "Its contacts; another solenoid.", 1.5, True),
        Cause("starter", "Starter is worn", "Brushes and bushes; another starter.", 1.0),
        Cause("tight", "Engine turns hard", "By hand with plugs out; oil's grade; gearbox, pump, belt.", 1.0),
        Cause("hydraulic", "Locked: liquid in a cylinder, or starter out of line", WATER, 0.7, True),
    ]


def checks(case: BuildCase) -> Sequence[Check]:
    """What can be heard and measured."""
    return [
        Check(
            "sound", "What is heard with the key at start", "Someone at the key, gearbox in neutral.", 0.5, When.CRANK,
            outcomes=("turns well", "turns slowly", "one clack", "clicks in a row", "nothing"),
        ),
        gauged(Check("rest", "Battery's posts at rest", "An hour after charging, all off.", 1.0, When.OFF), VOLTS),
        Check("lamps", "Head lamps while it is cranked", "From the front.", 0.5, When.CRANK,
            outcomes=("stay bright", "dim", "go out")),
        gauged(Check("posts", "Battery's posts, cranking", "On the posts, not the clamps; 5 s.", 2.0, When.CRANK), VOLTS),
        gauged(Check(
            "positive", "Drop from positive post to the starter's stud, cranking", "Meter between both; 5 s.", 3.0,
            When.CRANK, Effort.TOOL
        ), VOLTS),
        gauged(Check(
            "back", "Drop from engine block to negative post, cranking", "Meter between both; 5 s.", 2.0, When.CRANK,
            Effort.TOOL
        ), VOLTS),
        Check(
            "signal", "Volts at the solenoid's small wire, key at start", "To the block.", 3.0, When.CRANK, Effort.TOOL,
            kind="voltage", error=0.5,
        ),
        Check(
            "speed", "Cranking speed", "Rev counter, or a mark on the pulley filmed; 5 s, kept from firing.", 3.0,
            When.CRANK, Effort.TOOL, kind="speed_rpm", error=8.0, share=0.06,
        ),
        Check(
            "by_hand", "Crank turned by a bar, gearbox in neutral", "A full turn, slowly. Stop where it stops.", 4.0,
            When.OFF, outcomes=("turns", "turns hard", "stops dead"), danger=WATER,
        ),
    ]  # fmt: skip


def work(case: BuildCase, air: float, count: int = setting.DRAWS) -> Mapping[tuple[str, float], Worked]:
    """Every cause at every size over the draws; MissingFact where battery or leads are not known."""
    own: ElectricsFacts = case.systems["electrics"]
    for name, value in (
        ("battery.amps", own.battery.amps),
        ("lead.length", own.lead.length),
        ("lead.area", own.lead.area),
    ):
        if value is None:
            raise MissingFact(f"electrics.{name}")
    stood = setting.stand(setting.idle_case(case, air), count)
    facts: ElectricsFacts = stood.drawn.case.systems["electrics"]
    found = cranking.cold(stood.context, facts, air)
    assert found is not None
    nominal = charging.nominal(facts)
    by = nominal / 12.0
    plain = {n: stood.wide(getattr(found, n)) for n in ("torque", "battery", "leads", "own")}
    ratio = stood.wide(facts.starter.ratio)
    result = {}
    for cause in causes(case):
        for size in cause.sizes:
            t = TROUBLES[cause.id]
            volts = battery.OPEN * by - t.rest * size * by
            source = plain["battery"] * (1.0 + (t.battery - 1.0) * size)
            leads = plain["leads"] + (t.lead + t.back) * size * by
            torque = plain["torque"] * (1.0 + (t.drag - 1.0) * size) * (30.0 if t.locked else 1.0)
            motor = plain["own"] * (1.0 + (t.own - 1.0) * size)
            turned = starter.cranks(torque, ratio, motor, source, leads, volts, nominal)
            amps = 0.0 * turned.amps if t.silent else turned.amps
            back = amps * (BODY * plain["leads"] + t.back * size * by)
            speed = 0.0 * turned.speed if t.silent else turned.speed
            readings = {
                "speed": speed,
                "rest": np.full(stood.samples, volts) + REST * np.random.default_rng(29).normal(size=stood.samples),
                "posts": volts - amps * source,
                "positive": amps * ((1.0 - BODY) * plain["leads"] + t.lead * size * by),
                "back": back,
                "signal": np.where(cause.id == "no_signal", 0.0, volts - amps * source - 0.5 * by),
            }
            result[cause.id, size] = Worked(readings, _seen(cause.id, speed, stood.wide(facts.needs_speed)))
    return result


REST = 0.1  # V by which charged batteries differ at rest (common practice)


def _seen(id: str, speed: Array, needs: Array) -> Mapping[str, Sequence[float]]:
    """How it sounds goes by how fast it turns."""
    share = speed[1:] / needs[1:]
    well, stalls = float(np.mean(share > 1.4)), float(np.mean(share <= 0.2))
    heard: tuple[float, ...] = (well, 1.0 - well - stalls, 0.5 * stalls, 0.5 * stalls, 0.0)
    if id in ("no_signal", "solenoid"):
        heard = (0.0, 0.0, 0.05, 0.05, 0.9) if id == "no_signal" else (0.0, 0.0, 0.85, 0.05, 0.1)
    elif id == "hydraulic":
        heard = (0.0, 0.05, 0.9, 0.05, 0.0)
    hand = {"tight": (0.2, 0.75, 0.05), "hydraulic": (0.05, 0.1, 0.85)}
    lamps = {"no_signal": (0.97, 0.03, 0.0), "solenoid": (0.85, 0.14, 0.01), "flat": (0.02, 0.33, 0.65)}
    lamps |= {"weak": (0.02, 0.6, 0.38), "ground": (0.6, 0.38, 0.02), "lead": (0.6, 0.38, 0.02)}
    return {
        "sound": heard,
        "lamps": lamps.get(id, (0.2, 0.75, 0.05)),
        "by_hand": hand.get(id, (0.93, 0.06, 0.01)),
    }


CRANKING = Group("cranking", "Cranking", causes, checks, work)
