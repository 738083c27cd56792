"""The air solved, ready to be asked at any power."""

from __future__ import annotations

from collections.abc import Sequence

from gauge_well.core.checks import Check, Unknown
from gauge_well.core.engine.model import Operation
from gauge_well.core.systems.air import checks, figures, intake, need, notices, warmth, working
from gauge_well.core.systems.air.facts import AirFacts
from gauge_well.core.systems.base import Beside, Context, Result
from gauge_well.core.typing import duty_values


def _unknown(facts: AirFacts, space: warmth.Bay) -> list[Unknown]:
    """What begins it; of what was begun, what it lacks."""
    found = []
    own = facts.filter
    if own.area is None and own.drop is None and own.medium != "none":
        begins = ("air.filter.area", *(("air.pipe.bore",) if facts.pipe.bore is None else ()))
        found.append(Unknown("intake", "Intake", "intake", begins))
    if (facts.box_watts is None) != (facts.box_area is None):
        lacks = "air.box_area" if facts.box_area is None else "air.box_watts"
        found.append(Unknown("box", "Electronics box", "box", (lacks,)))
    elif facts.box_watts is not None and facts.box_place != "outside" and not space.worked:
        # What no air is known to move has no temperature to judge a box by.
        found.append(Unknown("box", "Electronics box", "box", ("air.blower",)))
    return found


def solve(context: Context, facts: AirFacts) -> Result:
    """Judge what is stated of intake, water, engine space, box and room; nothing stated asks nothing."""
    base, space = intake.drawn(context, facts, context.peak), warmth.bay(context, facts, context.mean)
    judged_box = facts.box_place == "outside" or space.worked
    boxed = warmth.box(context, facts, space) if judged_box else None
    still: list[Check] = [
        *checks.wading_checks(facts),
        *checks.bay_checks(context, facts, space),
        *checks.box_check(context, boxed),
    ]
    breathes = base.filter is not None

    def judge(mean: Operation, peak: Operation) -> Sequence[Check]:
        own = peak is context.peak
        found = base if own else intake.drawn(context, facts, peak)
        judged = [*still, *checks.intake_checks(context, facts, found, peak), *checks.room_check(context, facts, peak)]
        if own and breathes:
            # What only costs has no reach.
            judged.append(checks.cost_check(context, facts, found, warmth.inlet(context, facts, space), peak))
        charge = intake.charge(context, facts, peak) if own else None
        return judged if charge is None else [*judged, *checks.charge_check(context, charge, peak)]

    return Result(
        checks=judge,
        unknown=_unknown(facts, space),
        figures=lambda: figures.figures(context, facts, base, space),
        needs=lambda: need.needs(context, facts),
        notices=lambda: list(notices.notices(context, facts, base, space)),
        working=lambda index: working.steps(context, facts, base, space, index) if breathes else [],
        beside=lambda: _beside(context, facts, base, space),
    )


def _beside(context: Context, facts: AirFacts, base: intake.Drawn, space: warmth.Bay) -> Sequence[Beside]:
    """Power lost on the way in, in the worst duty."""
    warm = warmth.inlet(context, facts, space)
    lost = duty_values(warmth.power_lost(context, base.cost, warm, context.peak), len(context.duties.cases))
    return (Beside("intake_cost", "the way in costs", max(lost), "power"),)
