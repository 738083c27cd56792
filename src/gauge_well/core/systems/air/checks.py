"""The air's demands against its capacities."""

from __future__ import annotations

from collections.abc import Callable, Sequence

import numpy as np

from gauge_well.core.checks import Check, CheckClass, Scales, gap_fill, hot_gate, power_cost, ratio_fill
from gauge_well.core.engine.model import Operation
from gauge_well.core.sentence import Sentence
from gauge_well.core.systems.air import intake, wading, warmth
from gauge_well.core.systems.air.facts import AirFacts
from gauge_well.core.systems.base import Context
from gauge_well.core.typing import Array, Value, duty_values, likely


def intake_checks(context: Context, facts: AirFacts, found: intake.Drawn, op: Operation) -> list[Check]:
    """What the intake takes at service against what the engine's maker allows; nothing where nobody allows a figure."""
    limit = facts.allowed
    if limit is None or found.filter is None:
        return []
    count = len(context.duties.cases)

    def said() -> Sequence[Sentence]:
        words = "At service the intake takes {takes}, new {new}; {limit} are allowed."
        rows = zip(duty_values(found.service, count), duty_values(found.total, count), strict=True)
        kind = "pressure_difference"
        return tuple(
            Sentence(words, {"takes": (a, kind), "new": (b, kind), "limit": (likely(limit), kind)}) for a, b in rows
        )

    return [
        Check(
            id="restriction",
            name="Intake's restriction",
            part="intake",
            check_class=CheckClass.LIMIT,
            scales=None,
            kind="pressure_difference",
            demand=found.service,
            capacity=limit,
            fill=ratio_fill(found.service, limit),
            sentences=said,
        )
    ]


def cost_check(context: Context, facts: AirFacts, found: intake.Drawn, warm: Array, op: Operation) -> Check:
    """Power lost to the intake's pressure and to the warmth of what it draws, against a tenth of it."""
    ambient = context.duties.column("ambient")
    heat = warmth.heat_cost(context.engine, warm, ambient)
    both = warmth.power_lost(context, found.cost, warm, op)
    count = len(context.duties.cases)

    def said() -> Sequence[Sentence]:
        words = "New, the intake takes {takes}, which costs {pressure}; drawn at {warm} instead of {cold}, warm air costs {heat}."
        rows = zip(
            *(duty_values(v, count) for v in (found.total, found.cost * op.power, warm, ambient, heat * op.power)),
            strict=True,
        )
        return tuple(
            Sentence(
                words,
                {
                    "takes": (takes, "pressure_difference"),
                    "pressure": (pressure, "power"),
                    "warm": (at, "temperature"),
                    "cold": (cold, "temperature"),
                    "heat": (lost, "power"),
                },
            )
            for takes, pressure, at, cold, lost in rows
        )

    return power_cost("intake_cost", "Power lost on the way in", "intake", both, op.power, said)


def charge_check(context: Context, found: intake.Charge, op: Operation) -> list[Check]:
    """What charge pipes and cooler take of the boost: a cost, at the same boost in front of them."""
    taken = found.lost
    if taken is None:
        return []
    rate = intake.PRESSURE_COST[False]
    cost = np.asarray(rate * taken / found.pressure * op.power)
    count = len(context.duties.cases)

    def said() -> Sequence[Sentence]:
        rows = zip(duty_values(taken, count), duty_values(cost, count), strict=True)
        words = "Charge pipes and cooler take {takes} of the boost, about {cost}."
        return tuple(
            Sentence(words, {"takes": (takes, "pressure_difference"), "cost": (lost, "power")}) for takes, lost in rows
        )

    return [power_cost("charge_cost", "Power lost in charge pipes", "charge", cost, op.power, said)]


def wading_checks(facts: AirFacts) -> list[Check]:
    """What must stay dry over the bow wave: the inlet by 150 mm, computer and vents by 50."""
    found = wading.wades(facts)
    if found is None:
        return []
    rows = (
        ("wading_inlet", "Inlet over the water", found.inlet, facts.inlet_height, wading.INLET_SPARE, True),
        (
            "wading_computer",
            "Engine computer over the water",
            found.computer,
            facts.computer_height,
            wading.PLUG_SPARE,
            False,
        ),
        ("wading_vents", "Axle vents over the water", found.vents, facts.vents_height, wading.PLUG_SPARE, False),
    )
    return [
        Check(
            id=id,
            name=name,
            part="water",
            check_class=CheckClass.LIMIT,
            scales=Scales.GATE,
            kind="height",
            demand=spare,
            capacity=left,
            fill=gap_fill(left, spare),
            sentences=_wades(found, height, left, spare),
            danger=danger,
        )
        for id, name, left, height, spare, danger in rows
        if left is not None and height is not None
    ]


def _wades(found: wading.Wades, height: Value, left: Array, spare: float) -> Callable[[], Sequence[Sentence]]:
    words = "{still} of still water stand {stands} high at the front; at {height} it stays {left} over that, {spare} are kept."
    if likely(left) < 0.0:
        words = "{still} of still water stand {stands} high at the front: over it at {height}."
    values = {
        "still": (likely(found.still), "height"),
        "stands": (likely(found.stands), "height"),
        "height": (likely(height), "height"),
        "left": (likely(left), "height"),
        "spare": (spare, "height"),
    }
    return lambda: (Sentence(words, values),)


def bay_checks(context: Context, facts: AirFacts, space: warmth.Bay) -> list[Check]:
    """What is said to sit in the engine space, over the air outside against what it may reach there."""
    if not space.worked:
        return []
    rows = (
        ("bay_fuel", "Fuel lines in the engine space", facts.fuel_line_in, warmth.FUEL_LINE),
        ("bay_alternator", "Alternator's air", facts.alternator_in, warmth.ALTERNATOR),
        ("bay_computer", "Engine computer in the engine space", facts.computer_in, warmth.COMPUTER),
    )
    return [_hot(context, id, name, "bay", space.temperature, limit) for id, name, said, limit in rows if said == "yes"]


def box_check(context: Context, found: warmth.Box | None) -> list[Check]:
    """A box's inside over the air outside against what is in it."""
    if found is None:
        return []
    return [_hot(context, "box", "Electronics box", "box", found.inside, found.limit)]


def _hot(context: Context, id: str, name: str, part: str, hot: Array, limit: Value) -> Check:
    count = len(context.duties.cases)

    def said(at: int) -> Sentence:
        words = "Reaches {t} on {duty}; it may reach {limit}."
        values: dict[str, tuple[float, str] | str] = {
            "t": (duty_values(hot, count)[at], "temperature"),
            "limit": (likely(limit), "temperature"),
            "duty": context.duties.cases[at].name.lower(),
        }
        return Sentence(words, values)

    return hot_gate(id, name, part, hot, context.duties.column("ambient"), limit, said)


def room_check(context: Context, facts: AirFacts, op: Operation) -> list[Check]:
    """A closed room's opening against what burning alone asks: less, and the room is sucked empty."""
    if facts.room_opening is None:
        return []
    asked = warmth.room(context, op)
    opening = facts.room_opening
    count = len(context.duties.cases)

    def said() -> Sequence[Sentence]:
        words = "{has} are open; the engine alone breathes through {burning}, {wanted} also keep the room 15 K over outside."
        rows = zip(duty_values(asked.burning, count), duty_values(asked.wanted, count), strict=True)
        return tuple(
            Sentence(words, {"has": (likely(opening), "area"), "burning": (a, "area"), "wanted": (b, "area")})
            for a, b in rows
        )

    return [
        Check(
            id="room",
            name="Closed room's opening",
            part="room",
            check_class=CheckClass.LIMIT,
            scales=None,
            kind="area",
            demand=asked.burning,
            capacity=opening,
            fill=ratio_fill(asked.burning, opening),
            sentences=said,
        )
    ]
