"""Cooling's demands against its capacities."""

from __future__ import annotations

from collections.abc import Callable, Sequence

import numpy as np

from gauge_well.core.checks import Check, CheckClass, Scales, gap_fill, ratio_fill
from gauge_well.core.engine.model import Operation
from gauge_well.core.geometry.stack import MOVING_PARTS
from gauge_well.core.sentence import Sentence
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.cooling import front
from gauge_well.core.systems.cooling.facts import CoolingFacts
from gauge_well.core.systems.cooling.model import Cooling, heat_made
from gauge_well.core.systems.cooling.stack import Layer, layers, room_left
from gauge_well.core.typing import Array, Value, as_array, duty_values, likely


def heat_check(
    context: Context, cooling: Cooling, mean: Operation, weather: Callable[[], tuple[Array, Array]] | None = None
) -> Check:
    """Heat made against heat shed with the coolant at its limit, for as long as the duty lasts.

    ``weather``: limiting ambient of each duty [K], and after how long it boils [s], for the sentences.
    """
    heat = heat_made(context, cooling, mean)
    carried = cooling.capacity
    if mean is not context.mean:
        carried = cooling.capacity_at(front.heat_in_front(context, cooling.plant.facts, mean, cooling.plant.limit))

    def said() -> Sequence[Sentence]:
        if weather is None:
            return ()
        count = len(context.duties.cases)
        limiting, boils = weather()
        columns = (limiting, cooling.ambient, heat, cooling.capacity, boils)
        return tuple(_sentence(*row) for row in zip(*(duty_values(c, count) for c in columns), strict=True))

    return Check(
        id="heat",
        name="Heat",
        part="core_fan",
        check_class=CheckClass.LIMIT,
        scales=None,
        kind="heat",
        demand=heat,
        capacity=carried,
        fill=ratio_fill(heat, carried),
        code="" if np.all(carried > 0.0) else "ambient_over_limit",
        sentences=said,
    )


def _sentence(limiting: float, asked: float, made: float, carried: float, boils: float) -> Sentence:
    found = _weather(limiting, asked, made, carried)
    if not np.isfinite(boils):
        return found
    return Sentence(found.template + " Boils after {boils}.", {**found.values, "boils": (boils, "time")})


def _weather(limiting: float, asked: float, made: float, carried: float) -> Sentence:
    values: dict[str, tuple[float, str] | str] = {
        "to": (limiting, "temperature"),
        "asked": (asked, "temperature"),
        "made": (made, "heat"),
        "carried": (max(carried, 0.0), "heat"),
    }
    if carried <= 0.0:
        return Sentence("The air or the start is already over the coolant's limit.", values)
    if limiting >= 348.15:
        return Sentence("Makes {made} of the {carried} it can carry; no weather is too hot for it.", values)
    if limiting <= 233.15:
        return Sentence("Makes {made}, carries {carried}: too little in any weather.", values)
    return Sentence("Holds to {to}; you asked for {asked}. Makes {made}, carries {carried}.", values)


def stack_checks(context: Context, facts: CoolingFacts) -> list[Check]:
    """Room between the stack and the first moving thing, and ahead of the core where that was measured apart."""
    found, ahead = layers(facts), context.installation.depth_ahead
    core = next((i for i, layer in enumerate(found) if layer.kind == "core"), 0)
    if ahead is None:
        return _behind(context, found)
    return [*_ahead(ahead, found[:core]), *_behind(context, found[core:])]


def _ahead(room: Value, found: Sequence[Layer]) -> list[Check]:
    """What stands before the core against the room there."""
    if not found:
        return []
    deep = sum((as_array(layer.depth) for layer in found), start=np.asarray(0.0))
    values = {"deep": (likely(deep), "length"), "room": (likely(room), "length")}
    words = "What stands ahead of the core is {deep} deep; {room} is there."
    return [
        Check(
            id="stack_ahead",
            name="Depth ahead of the core",
            part="stack",
            check_class=CheckClass.LIMIT,
            scales=Scales.GATE,
            kind="length",
            demand=deep,
            capacity=room,
            fill=ratio_fill(deep, room),
            sentences=lambda: (Sentence(words, values),),
        )
    ]


def _behind(context: Context, found: Sequence[Layer]) -> list[Check]:
    room = context.room("depth_available")
    if room is None or not found:
        return []
    left = room_left(room, found)

    def said() -> Sequence[Sentence]:
        number = likely(left)
        template = (
            "{left} left to the first moving thing; keep {keep}."
            if number >= 0
            else "The stack is {over} deeper than the room; keep {keep} clear besides."
        )
        sizes = {"left": number, "over": -number, "keep": MOVING_PARTS}
        return (Sentence(template, {k: (v, "length") for k, v in sizes.items()}),)

    # A gap is drawn the other way round: what is needed is the capacity to be kept.
    return [
        Check(
            id="stack",
            name="Depth to the pulley",
            part="stack",
            check_class=CheckClass.LIMIT,
            scales=Scales.GATE,
            kind="length",
            demand=MOVING_PARTS,
            capacity=left,
            fill=gap_fill(left, MOVING_PARTS),
            sentences=said,
        )
    ]


def opening_check(context: Context, facts: CoolingFacts) -> Check | None:
    """What stands widest and highest against the opening, the tighter way; None when either was not measured."""
    pairs = [
        (layer.name, way, as_array(size), as_array(room))
        for layer in layers(facts)
        if layer.kind != "fan"
        for way, size, room in (
            ("wide", layer.width, context.installation.opening_width),
            ("high", layer.height, context.installation.opening_height),
        )
        if size is not None and room is not None
    ]
    if not pairs:
        return None
    name, way, size, room = max(pairs, key=lambda pair: likely(pair[2] / pair[3]))
    values: dict[str, tuple[float, str] | str] = {"name": name, "size": (likely(size), "length"), "way": way}
    template = "The {name} is {size} {way}, the opening {room}; the tanks want room besides."
    return Check(
        id="opening",
        name="Core in its opening",
        part="stack",
        check_class=CheckClass.LIMIT,
        scales=Scales.GATE,
        kind="length",
        demand=size,
        capacity=room,
        fill=ratio_fill(size, room),
        sentences=lambda: (Sentence(template, values | {"room": (likely(room), "length")}),),
    )
