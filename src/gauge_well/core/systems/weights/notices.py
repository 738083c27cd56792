"""What is worth saying of weights: guides, and whose word it is."""

from __future__ import annotations

from collections.abc import Iterator

import numpy as np

from gauge_well.core.sentence import Sentence
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.weights.facts import WeightsFacts
from gauge_well.core.systems.weights.flight import Moments
from gauge_well.core.systems.weights.ledger import Ledger, ends
from gauge_well.core.systems.weights.lifting import STEEP, Hung, Legs
from gauge_well.core.typing import likely
from gauge_well.core.validity import Notice

RIDE = 0.012  # m of ride past which it is felt and seen (common practice)
BRAKES = 0.03  # of the whole on the front axle past which brake balance asks for a look (common practice)
TILT = 0.087  # rad: 5 degrees off level, past which it does not go on dowels (common practice)
APART = 0.05  # of its weight by which ledger and stated weight may differ unsaid
ADVISORY = (
    "Arithmetic for your papers, nothing more: whether it may fly, and how it is weighed and loaded, the airworthiness "
    "authority and licensed people decide."
)


def notices(
    context: Context, facts: WeightsFacts, found: Ledger | None, load: Hung, legs: Legs | None, flown: Moments | None
) -> list[Notice]:
    """Ride, brakes, the machine's stated weight, hang, legs; of an aircraft who decides, and what lies outside."""
    told: list[Notice] = []
    if context.machine.kind == "aircraft":
        told.append(Notice("advisory", Sentence(ADVISORY), "machine.kind"))
    if flown is not None:
        told += _outside(flown)
    if found is not None:
        told += [*_ride(facts, found), *_brakes(found), *_claimed(context, found)]
    told += _hang(facts, load, legs)
    return told


def _outside(flown: Moments) -> Iterator[Notice]:
    for state in flown.states:
        if state.inside is False:
            words = "{state}: {m} at {arm} lies outside the envelope stated. Do not fly it so; ask who licenses it."
            values: dict[str, tuple[float, str] | str] = {
                "state": state.name[:1].upper() + state.name[1:],
                "m": (state.mass, "mass"),
                "arm": (state.arm, "length"),
            }
            yield Notice("envelope", Sentence(words, values), "weights.envelope")


def _ride(facts: WeightsFacts, found: Ledger) -> Iterator[Notice]:
    for end in ends(facts, found):
        by = 0.0 if end.sinks is None else likely(end.sinks)
        if abs(by) > RIDE:
            words = f"The {end.name} comes to ride {{by}} {'lower' if by > 0.0 else 'higher'}."
            yield Notice("ride", Sentence(words, {"by": (abs(by), "size")}), f"weights.{end.name}_rate")


def _brakes(found: Ledger) -> Iterator[Notice]:
    before, after = likely(found.front / (found.front + found.rear)), likely(found.front_after / found.mass)
    if abs(after - before) > BRAKES:
        words = "{after} of it stands on the front axle, {before} before: look at the brakes' balance and the tyres."
        yield Notice(
            "brakes", Sentence(words, {"after": (after, "share"), "before": (before, "share")}), "weights.front"
        )


def _claimed(context: Context, found: Ledger) -> Iterator[Notice]:
    mass = context.machine.mass
    if mass is None:
        return
    stated, summed = likely(mass), likely(found.mass)
    if abs(summed / stated - 1.0) > APART:
        words = "The ledger comes to {sum}; the machine's weight stands at {stated}. One of the two is wrong, or it is loaded."
        values: dict[str, tuple[float, str] | str] = {"sum": (summed, "mass"), "stated": (stated, "mass")}
        yield Notice("ledger", Sentence(words, values), "machine.mass")


def _hang(facts: WeightsFacts, load: Hung, legs: Legs | None) -> Iterator[Notice]:
    tilt, shift = likely(load.tilt), likely(load.shift)
    if abs(tilt) > TILT:
        words = f"It hangs {{a}} {'front up' if tilt > 0.0 else 'front down'}: the ring {{by}} farther {'ahead' if shift > 0.0 else 'back'} levels it."
        values: dict[str, tuple[float, str] | str] = {"a": (abs(tilt), "angle"), "by": (abs(shift), "size")}
        yield Notice("hang", Sentence(words, values), "weights.ring_ahead")
    if legs is None:
        return
    if not np.isfinite(likely(legs.most)):
        words = "The ring stands {by} {way} the eyes: it must stand between them."
        front, rear = likely(facts.lift_front or 0.0), likely(facts.lift_rear or 0.0)
        at = likely(load.ring_ahead)
        by, way = (at - front, "ahead of") if at > front else (rear - at, "behind")
        yield Notice("between", Sentence(words, {"by": (by, "size"), "way": way}), "weights.ring_ahead")
    elif legs.steepest > STEEP:
        words = (
            "A leg stands {a} off upright: longer legs, or a spreader; under 45° they pull little more than they carry."
        )
        yield Notice("steep", Sentence(words, {"a": (legs.steepest, "angle")}), "weights.ring")
