"""What is proved and signed before it is started: each with how, and the task of the work that it is."""

from __future__ import annotations

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass, field

from gauge_well.core.case import BuildCase
from gauge_well.core.sentence import Sentence
from gauge_well.core.start.setting import Setting
from gauge_well.core.typing import likely, likely_or_none

FUEL_AIR, FUEL_FALLS, FUEL_WAITS = 35e3, 1e3, 300.0  # Pa of air, Pa it may fall by, s (common practice)
COOLANT_WAITS, COOLANT_FALLS = 600.0, 5e3
# What is measured for a hold, by its name.
KIND: Mapping[str, str] = {"oil": "volume", "coolant": "pressure_gauge", "fuel": "pressure_gauge"}
GASES = ("lpg", "cng")
MACHINE, STAND = ("machine",), ("dry", "hose")
ANYWHERE = (*MACHINE, *STAND)


@dataclass(frozen=True)
class Hold:
    """One hold.

    ``proof``: how it is proved. ``kind``: of what is measured for it, with the ``target`` [SI] and, where it is timed,
    ``waits`` [s]; ``least``, ``most``: what it must come to. ``task``: the task of the order of work that is signed with it.
    """

    id: str
    label: str
    proof: Sentence
    task: str = ""
    kind: str = ""
    target: float | None = None
    least: float | None = None
    most: float | None = None
    waits: float = 0.0
    caution: str = ""


@dataclass(frozen=True)
class _Rule:
    make: Callable[[BuildCase], Hold]
    places: Sequence[str] = ANYWHERE
    when: Callable[[BuildCase], bool] = field(default=lambda _: True)


def _diesel(case: BuildCase) -> bool:
    return case.engine.fuel == "diesel"


def _oil(case: BuildCase) -> Hold:
    quantity = likely_or_none(case.systems["oil"].oil_quantity)
    values = {} if quantity is None else {"v": (quantity, "volume")}
    words = "Poured by measure, filter filled first: {v}. Then the stick, ten minutes later."
    return Hold(
        "oil",
        "Oil in, by measure",
        Sentence(
            words if values else "Poured by measure, filter filled first; then the stick, ten minutes later.", values
        ),
        kind=KIND["oil"],
        target=quantity,
        least=None if quantity is None else 0.93 * quantity,
        most=None if quantity is None else 1.1 * quantity,
    )


def _coolant(case: BuildCase) -> Hold:
    cap = likely_or_none(case.systems["cooling"].cap_pressure)
    holds = cap if cap is not None and cap > COOLANT_FALLS else None
    words = "Pumped to {p} cold, ten minutes; then bled, heater open, nose up."
    if holds is None:
        words = "Filled, bled, heater open, nose up; every joint dry."
    return Hold(
        "coolant",
        "Cooling filled, tight, bled",
        Sentence(words, {} if holds is None else {"p": (holds, "pressure_gauge")}),
        "coolant",
        kind="" if holds is None else KIND["coolant"],
        target=holds,
        least=None if holds is None else holds - COOLANT_FALLS,
        waits=0.0 if holds is None else COOLANT_WAITS,
    )


def _fuel(case: BuildCase) -> Hold:
    values = {"p": (FUEL_AIR, "pressure_gauge"), "fall": (FUEL_FALLS, "pressure_gauge")}
    air = "New lines by air alone: {p}, tank shut off, five minutes, {fall} lost at most, soap at each joint."
    fuel = " Then fuel at its working pressure, ignition off, a dry cloth at each joint."
    return Hold(
        "fuel",
        "Fuel circuit tight",
        Sentence(air + fuel, values),
        "fuel_tight",
        kind=KIND["fuel"],
        target=FUEL_AIR,
        least=FUEL_AIR - FUEL_FALLS,
        waits=FUEL_WAITS,
        caution="Never air on a line or a tank that has held fuel: what is left in it burns. No spark, no lamp under it.",
    )


def _gas(case: BuildCase) -> Hold:
    return Hold(
        "fuel",
        "Gas circuit tight",
        Sentence("Leak-tested at its own pressure by whoever is licensed for it; soap at each joint, ignition off."),
        "fuel_tight",
        caution="Gas gathers in pits and under roofs: doors open, no flame, no lamp.",
    )


def _fuel_stand(case: BuildCase) -> Hold:
    return Hold(
        "fuel",
        "Fuel can, line and clamps tight",
        Sentence("Can shut and below the exhaust's reach, every joint wiped dry and looked at with the pump on."),
        caution="No spark, no lamp; a metal can on the ground, not on the stand.",
    )


def _stop(case: BuildCase) -> Hold:
    way = "Key off shuts fuel and spark: heard and seen, twice. A second person has a hand on it."
    if _diesel(case):
        way = "Lever pulled by hand shuts the rack; key off does too. A second person has a hand on it."
    return Hold("stop", "Stop by hand works", Sentence(way))


RULES: Sequence[_Rule] = (
    _Rule(_oil),
    _Rule(_coolant, MACHINE),
    _Rule(_fuel, MACHINE, lambda case: case.engine.fuel not in GASES),
    _Rule(_gas, when=lambda case: case.engine.fuel in GASES),
    _Rule(_fuel_stand, STAND, lambda case: case.engine.fuel not in GASES),
    _Rule(_stop),
    _Rule(
        lambda _: Hold(
            "air_shut", "Air shut-off at hand",
            Sentence("A flat board over the intake's mouth, or a valve: tried on, at hand, known to whoever stands there."),
            caution="A diesel that runs on its own oil stops by nothing else. Never a hand, never a rag that is drawn in.",
        ),
        when=_diesel,
    ),
    _Rule(
        lambda _: Hold(
            "throttle", "Throttle full and free",
            Sentence("Pedal to the floor opens it whole; let go it snaps shut, engine rocked by hand too."), "controls_free",
        ),
        MACHINE,
    ),
    _Rule(
        lambda _: Hold(
            "throttle", "Throttle or lever snaps shut", Sentence("Opened whole and let go, three times; its spring twice."),
        ),
        STAND,
    ),
    _Rule(
        lambda _: Hold(
            "sensors", "Sensors swept",
            Sentence("Pedal 0 to 100 %, temperatures show the day's air, pressures nought, crank sensor counts."), "circuits",
        ),
        MACHINE, lambda case: case.systems["electrics"].computer not in (None, "none"),
    ),
    _Rule(
        lambda _: Hold(
            "neutral", "In neutral, chocked, brakes hold",
            Sentence("Gear felt by hand at the box, wheels chocked both ways, pedal firm."), "brakes",
        ),
        MACHINE, lambda case: case.machine.kind not in ("boat", "generator", "aircraft", "locomotive"),
    ),
    _Rule(
        lambda _: Hold(
            "afloat", "Made fast, seacock open, gear in neutral",
            Sentence("Four lines, lever felt at the gear, raw water seen in the strainer; blower run four minutes."),
            caution="Petrol vapour lies in a bilge: blower first, nose last.",
        ),
        MACHINE, lambda case: case.machine.kind == "boat",
    ),
    _Rule(
        lambda _: Hold(
            "propeller", "Tied to the ground, propeller's circle clear",
            Sentence("Tail tied, chocks, a rope round the circle; one voice, at the switch."),
            caution="A propeller is always live: nobody in its circle, magnetos off and grounded until the call.",
        ),
        MACHINE, lambda case: case.machine.kind == "aircraft",
    ),
    _Rule(
        lambda _: Hold(
            "stand", "Stand braced off the block", Sentence("Not by its pan; wide feet, on the flat, nothing loose on it."),
        ),
        STAND,
    ),
    _Rule(lambda _: Hold("outdoors", "Outdoors, exhaust led away", Sentence("Doors wide at least; nobody behind the pipe."))),
    _Rule(
        lambda _: Hold(
            "extinguisher", "Extinguisher at hand",
            Sentence("Pin known, upwind, in somebody's hand who does nothing else; a cloth and sand for fuel."),
        )
    ),
)  # fmt: skip


def holds(case: BuildCase, where: Setting) -> list[Hold]:
    """What is proved before a first start there."""
    return [r.make(case) for r in RULES if where.place in r.places and r.when(case)]


def comes_to(hold: Hold, value: float) -> bool | None:
    """Whether what was measured proves it; None where nothing is asked of it."""
    if hold.least is None and hold.most is None:
        return None
    over = hold.least is None or likely(value) >= hold.least
    return over and (hold.most is None or likely(value) <= hold.most)
