"""The controls solved; no power wanted changes them."""

from __future__ import annotations

from collections.abc import Sequence

from gauge_well.core.checks import Check, Unknown
from gauge_well.core.duty.facts import MANUAL
from gauge_well.core.engine.model import Operation
from gauge_well.core.systems.base import Context, Result
from gauge_well.core.systems.controls import checks, checks_hands, figures, model, need, notices, working
from gauge_well.core.systems.controls.facts import ControlsFacts
from gauge_well.core.systems.controls.facts_throttle import ON_WHEELS


def _lacks(facts: ControlsFacts, names: Sequence[str]) -> tuple[str, ...]:
    return tuple(f"controls.{n}" for n in names if getattr(facts, n) is None)


def _begun(facts: ControlsFacts, names: Sequence[str]) -> tuple[str, ...]:
    """What is missing of some that go together, where one of them is stated."""
    lacks = _lacks(facts, names)
    return lacks if len(lacks) < len(names) else ()


def _unknown(context: Context, facts: ControlsFacts) -> list[Unknown]:
    """Throttle and vacuum, which every machine has that has them; of the rest what was begun."""
    found = []

    def add(id: str, name: str, part: str, missing: tuple[str, ...]) -> None:
        if missing:
            found.append(Unknown(id, name, part, missing))

    if facts.throttle == "pedal":
        add("sensor_tracks", "Pedal's sensor", "throttle", _lacks(facts, ("tracks",)))
    else:
        add("throttle_full", "Full throttle", "throttle", _lacks(facts, ("pedal_moves", "wheel")))
    if context.machine.kind in ON_WHEELS[1] and facts.booster == "vacuum" and not model.vacuumless(facts):
        add("applications", "Brake vacuum", "vacuum", _lacks(facts, ("depth",)))
    if (context.machine.gearbox or "manual") in MANUAL[1]:
        names = ("pad", "pedal_ratio", *(() if facts.release == "cable" else ("master", "slave")))
        add("clutch_way", "Clutch pedal", "clutch_pedal", _begun(facts, names))
    add("throw", "Knob's throw", "shifter", _begun(facts, ("above", "below", "throw")))
    add("bump_steer", "Bump-steer", "steering", _begun(facts, ("lowered", "rod", "steer_arm")))
    for id, aid in facts.aids:
        missing = tuple(f"controls.aids.{id}.{n}" for n in ("what", "has") if getattr(aid, n) is None)
        add(f"aid_{id}", "Small control", "aids", missing)
    return found


def solve(context: Context, facts: ControlsFacts) -> Result:
    """Judge what is stated."""
    judged: list[Check] = [*checks.throttle_checks(context, facts), *checks.aid_checks(context, facts)]
    if context.machine.kind in ON_WHEELS[1]:
        judged += [*checks.brake_checks(context, facts), *checks_hands.steer_checks(context, facts)]
    if (context.machine.gearbox or "manual") in MANUAL[1]:
        judged += checks_hands.clutch_checks(context, facts)
    judged += checks_hands.shift_checks(context, facts)

    def judge(mean: Operation, peak: Operation) -> Sequence[Check]:
        return judged

    return Result(
        checks=judge,
        unknown=_unknown(context, facts),
        figures=lambda: figures.figures(context, facts),
        needs=lambda: need.needs(context, facts),
        notices=lambda: list(notices.notices(context, facts)),
        working=lambda index: working.steps(context, facts, index),
    )
