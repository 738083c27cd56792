"""The raw water's, shaft's and room's demands against their capacities."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np

from gauge_well.core.checks import Check, CheckClass, Scales, gate, ratio_fill
from gauge_well.core.engine.model import Operation
from gauge_well.core.errors import MissingFact
from gauge_well.core.facts import need
from gauge_well.core.flow import propeller
from gauge_well.core.flow.propeller import SAFETY, SHAFTS
from gauge_well.core.sentence import Sentence
from gauge_well.core.strength import coupling
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.boat import raw, safety, shafting
from gauge_well.core.systems.boat.facts import BoatFacts
from gauge_well.core.typing import Array, as_array, duty_values, likely


def _hot(
    context: Context, id: str, name: str, part: str, hot: Array, limit: Array | float, words: str, danger: bool = False
) -> Check:
    """A temperature over the sea's against its limit over that, duty by duty, going with power."""
    sea = context.duties.column("sea")
    demand, capacity = np.asarray(hot - sea), np.asarray(as_array(limit) - sea)
    count = len(context.duties.cases)

    def said() -> Sequence[Sentence]:
        most = likely(limit)
        return tuple(
            Sentence(words, {"t": (t, "temperature"), "limit": (most, "temperature"), "sea": (s, "temperature")})
            for t, s in zip(duty_values(hot, count), duty_values(sea, count), strict=True)
        )

    return Check(
        id=id,
        name=name,
        part=part,
        check_class=CheckClass.LIMIT,
        scales=None,
        kind="temperature_difference",
        demand=demand,
        capacity=capacity,
        fill=ratio_fill(demand, capacity),
        sentences=said,
        danger=danger,
    )


def raw_checks(context: Context, facts: BoatFacts, op: Operation) -> list[Check]:
    """How warm the raw water leaves, and how warm its mix with the gas is."""
    found = []
    try:
        leaves = raw.out(context, facts, op)
    except MissingFact:
        return []
    cooled = context.machine.cooled_by
    if cooled != "keel":
        direct = cooled == "direct"
        limit = raw.DIRECT_MOST if direct else raw.OUT_MOST
        words = "Raw water leaves at {t}, from a sea at {sea}; over {limit} its salt scales."
        found.append(_hot(context, "raw_out", "Raw water out", "raw", leaves, limit, words))
    if context.machine.exhaust == "wet":
        words = "Gas and water come to {t} in the hose; it stands {limit}."
        found.append(
            _hot(
                context,
                "mix",
                "Gas and water in the hose",
                "raw",
                raw.mixed(context, facts, op),
                facts.hose_limit,
                words,
            )
        )
    return found


def suction_check(context: Context, facts: BoatFacts) -> list[Check]:
    """What the pump must draw with its strainer half blocked, against what an impeller still fills at."""
    try:
        moves = raw.flow(context, facts)
        found = raw.suction(facts, moves)
    except MissingFact:
        return []
    demand = np.asarray(found.total)
    most = raw.air_pushes(context)
    count = len(context.duties.cases)
    beyond = demand >= most
    worst = int(np.argmax(duty_values(demand, count)))
    # What no air can push leaves no capacity at all.
    capacity = np.where(beyond, 0.0, raw.SUCKS)
    fill = ratio_fill(np.maximum(demand, 0.0), capacity)

    def said() -> Sequence[Sentence]:
        rows = zip(duty_values(demand, count), duty_values(found.clean, count), duty_values(most, count), strict=True)
        sentences = []
        for asks, clean, pushes in rows:
            words = "The raw-water pump draws {asks} with its strainer so far blocked, {clean} clean; past {limit} it starves."
            if asks >= pushes:
                words = (
                    "The pump would have to draw {asks}; the air outside pushes {pushes} at most: no such flow comes."
                )
            if clean >= pushes:
                words = (
                    "Even with a clean strainer it would have to draw {clean}; the air outside pushes {pushes} at most."
                )
            sentences.append(
                Sentence(
                    words,
                    {
                        "asks": (asks, "pressure_difference"),
                        "clean": (clean, "pressure_difference"),
                        "limit": (raw.SUCKS, "pressure_difference"),
                        "pushes": (pushes, "pressure_difference"),
                    },
                )
            )
        return tuple(sentences)

    return [
        Check(
            id="suction",
            name="Raw-water suction",
            part="suction",
            check_class=CheckClass.LIMIT,
            scales=Scales.GATE,
            kind="pressure_difference",
            demand=np.maximum(demand, 0.0)[..., worst : worst + 1, :],
            capacity=capacity[..., worst : worst + 1, :],
            fill=fill[..., worst : worst + 1, :],
            code="cannot_suck" if bool(np.any(beyond[..., 0])) else "",
            sentences=lambda: (said()[worst],),
        )
    ]


def shaft_checks(context: Context, facts: BoatFacts, op: Operation) -> list[Check]:
    """The shaft's shear at the wanted power against a third of what it yields at; power follows the duty's share of it."""
    if facts.shaft_diameter is None or facts.gear_ratio is None:
        return []
    n = np.asarray(context.duties.column("engine_speed") / as_array(facts.gear_ratio))
    stress = propeller.shaft_stress(propeller.torque(shafting.shaft_power(facts, op.power), n), facts.shaft_diameter)
    metal = facts.shaft_metal or "stainless"
    allowed = SHAFTS[metal][1] / SAFETY
    count = len(context.duties.cases)

    def said() -> Sequence[Sentence]:
        words = "A {d} shaft of " + SHAFTS[metal][0] + " is sheared by {s}; {allowed} leave it a safety of three."
        return tuple(
            Sentence(
                words,
                {
                    "d": (likely(need(facts.shaft_diameter, "boat.shaft_diameter")), "size"),
                    "s": (s, "stress"),
                    "allowed": (allowed, "stress"),
                },
            )
            for s in duty_values(stress, count)
        )

    return [
        Check(
            id="shaft",
            name="Shaft's strength",
            part="shaft",
            check_class=CheckClass.LIMIT,
            scales=None,
            kind="stress",
            demand=stress,
            capacity=allowed,
            fill=ratio_fill(stress, allowed),
            sentences=said,
        )
    ]


def propeller_check(context: Context, facts: BoatFacts) -> list[Check]:
    """Revs the engine reaches with the propeller there is, against all but a little of its rated ones."""
    found = shafting.loaded(context, facts)
    if found is None:
        return []
    wanted = shafting.REACHED * as_array(context.engine.rated_speed)

    def said() -> Sequence[Sentence]:
        reached, rated = likely(found.reached), likely(context.engine.rated_speed)
        words = "With this propeller it reaches {reached} of {rated}: rated revs should just be reached, laden."
        if reached < likely(wanted):
            words = "This propeller holds it at {reached} of {rated}: overloaded, it smokes and runs hot. Less pitch."
        values = {"reached": (reached, "speed_rpm"), "rated": (rated, "speed_rpm")}
        return (Sentence(words, values),)

    return [
        Check(
            id="propeller",
            name="Propeller's load",
            part="propeller",
            check_class=CheckClass.LIMIT,
            scales=Scales.GATE,
            kind="speed_rpm",
            demand=wanted,
            capacity=found.reached,
            fill=ratio_fill(wanted, found.reached),
            sentences=said,
        )
    ]


def coupling_checks(facts: BoatFacts) -> list[Check]:
    """Face and rim of the coupling against what a shaft and its gland stand."""
    found = shafting.aligned(facts)
    if found is None:
        return []
    angle, offset = np.abs(found.upright.angle), np.abs(found.upright.offset)
    if found.plan is not None:
        angle, offset = np.hypot(angle, found.plan.angle), np.hypot(offset, found.plan.offset)
    across = as_array(facts.felt_at if facts.felt_at is not None else 0.1)
    return [
        gate(
            "coupling_face",
            "Coupling's face",
            "coupling",
            angle * across,
            coupling.GOOD * across,
            "size",
            "The faces stand {demand} open over their width; {capacity} are let pass. Judge it afloat, a day after launching.",
        ),
        gate(
            "coupling_rim",
            "Coupling's rim",
            "coupling",
            offset,
            shafting.OFFSET,
            "size",
            "The halves lie {demand} off each other; {capacity} are let pass.",
        ),
    ]


def room_checks(context: Context, facts: BoatFacts) -> list[Check]:
    """Petrol vapour's blower; how hot the engine room gets."""
    found: list[Check] = []
    if context.engine.fuel.spark and facts.blower is not None and facts.room_volume is not None:
        found.append(
            gate(
                "blower",
                "Blower",
                "room",
                safety.blower_needed(facts.room_volume),
                as_array(facts.blower),
                "air_flow",
                "{demand} are asked of a petrol engine room of that size, it moves {capacity}. Advisory: local rules decide.",
                danger=True,
            )
        )
    warm = safety.room(context, facts, context.mean)
    if warm is not None:
        hot = np.asarray(warm.temperature)
        ambient = context.duties.column("ambient")
        demand, capacity = np.broadcast_arrays(hot - ambient, safety.ROOM_MOST - ambient)
        fill = ratio_fill(demand, capacity)
        at = int(np.argmax(fill.reshape(-1, *fill.shape[-2:])[0, :, 0]))
        values: dict[str, tuple[float, str] | str] = {
            "t": (duty_values(hot, len(context.duties.cases))[at], "temperature"),
            "limit": (safety.ROOM_MOST, "temperature"),
            "duty": context.duties.cases[at].name.lower(),
        }
        found.append(
            Check(
                id="room_hot",
                name="Engine room's warmth",
                part="room",
                check_class=CheckClass.LIMIT,
                scales=Scales.GATE,
                kind="temperature_difference",
                demand=demand[..., at : at + 1, :],
                capacity=capacity[..., at : at + 1, :],
                fill=fill[..., at : at + 1, :],
                sentences=lambda: (
                    Sentence("The engine room reaches {t} on {duty}; hoses and fuel stand {limit}.", values),
                ),
            )
        )
    return found
