"""Weights solved: the same at any power."""

from __future__ import annotations

from collections.abc import Mapping

import numpy as np

from gauge_well.core.checks import Check, Unknown
from gauge_well.core.duty.facts import ROLLS
from gauge_well.core.errors import MissingFact
from gauge_well.core.facts import fact
from gauge_well.core.reads import (
    AXLE_FRONT,
    AXLE_REAR,
    HOOK_AHEAD,
    HOOK_OVER,
    UNIT_AHEAD,
    UNIT_LEFT,
    UNIT_MASS,
    UNIT_OVER,
)
from gauge_well.core.systems.base import Context, Result
from gauge_well.core.systems.weights import checks, figures, need, notices, working
from gauge_well.core.systems.weights.facts import WeightsFacts
from gauge_well.core.systems.weights.flight import Moments, moments
from gauge_well.core.systems.weights.ledger import Ledger, ledger, unit_arm, unit_of
from gauge_well.core.systems.weights.lifting import hung, legs_of
from gauge_well.core.typing import Array, as_array

WEIGHED = ("front", "rear")
PLATES = ("front_plate", "rear_plate")
HOISTED = ("hoist.plate", "hoist.reach")


def hangs(context: Context, facts: WeightsFacts) -> Mapping[str, Array]:
    """What hangs on the mounts and from the hook, for others to take."""
    unit, load = unit_of(context, facts), hung(context, facts)
    found = {
        UNIT_MASS: unit.mass,
        UNIT_AHEAD: unit.ahead,
        UNIT_LEFT: unit.left,
        UNIT_OVER: unit.over,
        HOOK_AHEAD: load.ring_ahead,
        HOOK_OVER: load.ring_over,
    }
    return {figure: np.asarray(value) for figure, value in found.items()}


def stands(context: Context, facts: WeightsFacts) -> Mapping[str, Array]:
    """What stands on each axle after the swap; without end where nobody weighed."""
    found = ledger_of(context, facts)
    if found is None:
        return {AXLE_FRONT: as_array(np.inf), AXLE_REAR: as_array(np.inf)}
    return {AXLE_FRONT: np.asarray(found.front_after), AXLE_REAR: np.asarray(found.rear_after)}


def ledger_of(context: Context, facts: WeightsFacts) -> Ledger | None:
    """The ledger; None where the machine has no axles, or not enough was weighed."""
    if context.machine.kind not in ROLLS[1]:
        return None
    try:
        return ledger(context, facts)
    except MissingFact:
        return None


def _flown(context: Context, facts: WeightsFacts) -> Moments | None:
    if context.machine.kind != "aircraft":
        return None
    try:
        return moments(context, facts)
    except MissingFact:
        return None


def unknowns(context: Context, facts: WeightsFacts) -> list[Unknown]:
    """What was begun and cannot be told; where nothing was, what begins it."""

    def missing(names: tuple[str, ...]) -> tuple[str, ...]:
        return tuple(f"weights.{n}" for n in names if fact(facts, n) is None)

    found = []
    rolls, flies = context.machine.kind in ROLLS[1], context.machine.kind == "aircraft"
    if rolls:
        lacks = missing(WEIGHED)
        if not lacks and unit_arm(context, facts) is None:
            lacks = ("weights.unit_arm",)
        if lacks or len(missing(PLATES)) == len(PLATES):
            found.append(Unknown("axles", "Axle loads", "axles", (*lacks, *missing(PLATES))))
    elif flies and missing(("empty", "empty_arm")):
        found.append(Unknown("moments", "Moments", "axles", missing(("empty", "empty_arm"))))
    lacks = missing(HOISTED)
    begun = len(lacks) < len(HOISTED)
    if lacks and (begun or not (rolls or flies)):
        found.append(Unknown("hoist", "Hoist", "lifting", lacks))
    return found


def solve(context: Context, facts: WeightsFacts) -> Result:
    """Axles against plates, hoist, sling and stands against ratings; of an aircraft the moments, which nobody here judges."""
    found, flown = ledger_of(context, facts), _flown(context, facts)
    load = hung(context, facts)
    legs = legs_of(facts, load)
    judged: list[Check] = []
    if found is not None:
        judged += [*checks.axle_checks(facts, found), *checks.stands_check(facts, found)]
    judged += checks.lifting_checks(facts, load, legs)
    return Result(
        checks=lambda mean, peak: judged,
        unknown=unknowns(context, facts),
        figures=lambda: figures.figures(context, facts, found, load, legs),
        needs=lambda: need.needs(context, facts, found),
        notices=lambda: notices.notices(context, facts, found, load, legs, flown),
        working=lambda index: working.steps(context, facts, found, load, legs, index),
    )
