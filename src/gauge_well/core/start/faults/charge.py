"""Why it does not charge: alternator, belt and wires against what draws, with something wrong."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.case import BuildCase
from gauge_well.core.electrical import alternator, battery
from gauge_well.core.errors import MissingFact
from gauge_well.core.start import setting
from gauge_well.core.start.faults.cause import SOUND, SOUND_AS_OFTEN, Cause, Check, Effort, Gauge, When, Worked, gauged
from gauge_well.core.start.faults.group import Group
from gauge_well.core.start.setting import Stood
from gauge_well.core.systems.electrics import charging
from gauge_well.core.systems.electrics.facts import ElectricsFacts
from gauge_well.core.typing import Array, as_array

SET, SPREAD = 14.2, 0.2  # V that a regulator holds, and how they differ (common practice)
AFTER_START = 8.0  # A that a battery takes after a start (common practice)
FASTER = 2.5  # times its idle
WIRE = 0.05  # V an ampere's hundred of a sound wire from alternator to battery: 50 mV at 100 A (common practice)


@dataclass(frozen=True)
class Trouble:
    """Times its turns, its amps; ohms in its wire; volts off what it holds; does not wake at idle."""

    turns: float = 1.0
    amps: float = 1.0
    wire: float = 0.0
    holds: float = 0.0
    asleep: bool = False


# At full size (common practice).
TROUBLES: Mapping[str, Trouble] = {
    SOUND: Trouble(),
    "dead": Trouble(amps=0.0),
    "phase": Trouble(amps=0.35),
    "belt": Trouble(turns=0.45),
    "wire": Trouble(wire=60e-3),
    "over": Trouble(holds=1.6),
    "under": Trouble(holds=-1.1),
    "asleep": Trouble(asleep=True),
    "battery": Trouble(),
}
BELTS = "Belts and fan turn: loose clothes and hair away."
OPEN_CIRCUIT = "Never take a battery off a running engine: the volts that follow kill computers."

VOLTS = Gauge("voltage", 0.1)  # half-ranges of what is read by


def causes(case: BuildCase) -> Sequence[Cause]:
    """What goes wrong with charging."""
    return [
        Cause(SOUND, "Nothing is wrong with it", "Nothing: it reads as it should.", SOUND_AS_OFTEN, whole=True),
        Cause("dead", "Alternator gives nothing", "Brushes, regulator; another alternator.", 2.0, True),
        Cause(
            "asleep", "Not woken: warning lamp's wire or resistor missing", "Its lamp or 50 ohm in its wire.", 3.0, True
        ),
        Cause("belt", "Belt slips, or its pulley is too large", "Tension; wrap and ratio under Belts.", 3.0),
        Cause("wire", "Bad joint from alternator to battery", "Joints bright and tight; the wire's size.", 2.0),
        Cause("phase", "Alternator gives a part only", "A diode or a phase: another alternator.", 1.0, True),
        Cause("under", "Regulator holds too little", "Sense wire at the battery; another regulator.", 1.0),
        Cause("over", "Regulator holds too much", "Its ground and sense wire; another regulator.", 1.0),
    ]


def checks(case: BuildCase) -> Sequence[Check]:
    """What can be read."""
    return [
        gauged(Check("idle", "Battery's posts, idling, lamps off", "Two minutes after the start.", 1.0), VOLTS),
        Check("lamp", "Warning lamp, key on, engine off", "Look.", 0.3, When.OFF, outcomes=("lights", "dark")),
        gauged(Check("fast", "Battery's posts, two and a half times idle", "Held ten seconds.", 1.0), VOLTS),
        gauged(Check(
            "loaded", "Battery's posts, idling, lamps and blower on", "After a minute.", 2.0
        ), VOLTS),
        Check("squeal", "Belt as the lamps are switched on", "Listen; press it with the engine off.", 1.0,
            outcomes=("quiet, firm", "squeals or slack")),
        gauged(Check(
            "stud", "Alternator's own stud to its case, idling, lamps on", "Meter's tip on the stud; belts turn.", 2.0,
            effort=Effort.TOOL, danger=BELTS
        ), VOLTS),
        Check(
            "ripple", "Ripple at the posts, meter on AC, lamps on", "Under .1 V is sound.", 1.0, effort=Effort.TOOL,
            outcomes=("under .1 V", "over .3 V"),
        ),
        Check(
            "amps", "Alternator's amps at 2.5 times idle, all on, by a clamp", "Round its thick wire.", 4.0,
            effort=Effort.TOOL, kind="current", error=2.0, share=0.06, danger=BELTS,
        ),
    ]  # fmt: skip


def work(case: BuildCase, air: float, count: int = setting.DRAWS) -> Mapping[tuple[str, float], Worked]:
    """Every cause at every size over the draws; MissingFact where the alternator's plate or what draws is not known."""
    own: ElectricsFacts = case.systems["electrics"]
    if own.alternator.full is None:
        raise MissingFact("electrics.alternator.full")
    if not own.loads:
        raise MissingFact("electrics.loads")
    stood = setting.stand(setting.idle_case(case, air), count)
    return {(c.id, size): _worked(stood, c.id, size) for c in causes(case) for size in c.sizes}


def posts(
    stood: Stood, speed: Array, asked: Array, trouble: Trouble, size: float, holds: Array
) -> tuple[Array, Array, Array]:
    """Volts at the battery's posts and at the alternator's stud, and its amps, at an engine speed [rev/min].

    While it can, it holds its volts and the wire's drop is lost on the way; short of amps the battery makes up the rest,
    at what it gives at rest less its own drop.
    """
    facts: ElectricsFacts = stood.drawn.case.systems["electrics"]
    by = charging.nominal(facts) / 12.0
    plate = facts.alternator
    assert plate.full is not None
    turns = charging.rotor(facts, speed) * (1.0 + (trouble.turns - 1.0) * size)
    cold = alternator.gives(turns, plate.low, plate.full, float(plate.plate), plate.cut_in)
    able = stood.wide(cold * plate.hot) * (1.0 + (trouble.amps - 1.0) * size)
    if trouble.asleep:
        able = np.where(speed < 2.0 * stood.wide(stood.context.engine.facts.idle_speed), 0.0, able)
    given = np.minimum(able, asked + AFTER_START)
    wire = (WIRE / 100.0 + trouble.wire * size) * by
    held = holds + trouble.holds * size * by
    own = charging.resistance(facts, battery.WARM)
    resistance = stood.wide(as_array(0.01) if own is None else own)
    # A thin wire lets through no more than its drop leaves between the volts held and the battery's own.
    passes = np.minimum(given, np.maximum(held - battery.OPEN * by, 0.0) / np.maximum(wire, 1e-6))
    flat = battery.OPEN * by - np.maximum(asked - passes, 0.0) * resistance
    at_posts = np.where(passes >= asked, np.maximum(held - passes * wire, flat), flat)
    return at_posts, at_posts + passes * wire, passes


def _worked(stood: Stood, id: str, size: float) -> Worked:
    facts: ElectricsFacts = stood.drawn.case.systems["electrics"]
    by = charging.nominal(facts) / 12.0
    trouble = TROUBLES[id]
    found = [d for d in charging.draws(stood.context, facts) if d.id]
    quiet = stood.wide(charging.total(found, "idle"))
    lit = stood.wide(charging.total(found, "idle_night"))
    idle = stood.wide(stood.context.engine.facts.idle_speed)
    holds = by * (SET + SPREAD / 2.0 * np.random.default_rng(30).normal(size=stood.samples))

    def at(speed: Array, asked: Array) -> tuple[Array, Array, Array]:
        return posts(stood, speed, asked, trouble, size, holds)

    fast = at(FASTER * idle, quiet)
    night = at(idle, lit)
    readings = {
        "idle": at(idle, quiet)[0],
        "fast": fast[0],
        "loaded": night[0],
        "stud": night[1],
        "amps": at(FASTER * idle, lit)[2],
    }
    slack = min(0.9 * size + 0.05, 0.95) if id == "belt" else 0.05
    ripple = 0.92 if id == "phase" else 0.03
    return Worked(
        readings,
        {
            "lamp": (0.08, 0.92) if id == "asleep" else (0.5, 0.5) if id == "dead" else (0.96, 0.04),
            "squeal": (1.0 - slack, slack),
            "ripple": (1.0 - ripple, ripple),
        },
    )


CHARGE = Group("charge", "Charging", causes, checks, work)
