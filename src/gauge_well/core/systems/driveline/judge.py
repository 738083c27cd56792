"""The driveline solved: what goes with torque at every power, the rest once."""

from __future__ import annotations

from collections.abc import Sequence

from gauge_well.core.checks import Check, Unknown
from gauge_well.core.engine.model import Operation
from gauge_well.core.reads import BEARING_STROKE
from gauge_well.core.systems.base import Context, Result
from gauge_well.core.systems.driveline import (
    carried,
    checks,
    checks_stack,
    figures,
    halves,
    lines,
    need,
    notices,
    stack,
    working,
)
from gauge_well.core.systems.driveline.facts import DrivelineFacts
from gauge_well.core.typing import Value


def stroke(context: Context, facts: DrivelineFacts) -> Value | None:
    """What the pedal moves the release bearing by [m]: stated, else as Controls has it."""
    return facts.stroke if facts.stroke is not None else context.told(BEARING_STROKE)


def _unknown(context: Context, facts: DrivelineFacts) -> list[Unknown]:
    """What was begun and lacks something; the clutch where nothing is."""
    found = []
    chain = stack.converter_room(facts) if stack.automatic(context) else stack.play(facts)
    if chain.begun and chain.missing:
        found.append(Unknown("stack", "Block to bearing", "stack", chain.missing))
    if not stack.automatic(context):
        tip = stack.tip_room(facts)
        if tip.begun and tip.missing and facts.reach is not None:
            found.append(Unknown("shaft_room", "Input shaft's tip", "stack", tip.missing))
        if carried.held(facts) is None:
            lacks = tuple(f"driveline.clutch.{n}" for n in ("outer", "clamp") if getattr(facts.clutch, n) is None)
            found.append(Unknown("clutch", "Clutch", "clutch", lacks))
    for which in ("rear", "front"):
        absent = lines.missing(facts, which)
        if absent:
            found.append(Unknown(f"line_{which}", f"Shafts to the {which} axle", "shafts", absent))
    if facts.shafts and lines.speed_missing(context):
        found.append(Unknown("shaft_speed", "How fast the shafts turn", "shafts", lines.speed_missing(context)))
    for id, own in facts.halves:
        absent = halves.lacks(context, id, own)
        if absent:
            found.append(Unknown(f"half_{id}", halves.called(facts, id, own), "halves", absent))
    for id, member in facts.members:
        absent = tuple(f"driveline.members.{id}.{n}" for n in ("what", "rated") if getattr(member, n) is None)
        if absent:
            found.append(Unknown(f"member_{id}", "Thing that carries", "members", absent))
    if stack.automatic(context) and not found and facts.rating is None:
        found.append(Unknown("rating", "Gearbox's input", "gearbox", ("driveline.rating",)))
    return found


def solve(context: Context, facts: DrivelineFacts) -> Result:
    """Judge what is stated; torque at the power that is asked."""
    still: list[Check] = [
        *checks_stack.stack_checks(context, facts, stroke(context, facts)),
        *checks.still_checks(context, facts),
        *checks.oil_checks(context, facts, context.mean),
    ]

    def judge(mean: Operation, peak: Operation) -> Sequence[Check]:
        return [*checks.torque_checks(context, facts, peak), *still]

    return Result(
        checks=judge,
        unknown=_unknown(context, facts),
        figures=lambda: figures.figures(context, facts),
        needs=lambda: need.needs(context, facts),
        notices=lambda: list(notices.notices(context, facts)),
        working=lambda index: working.steps(context, facts, index),
    )
