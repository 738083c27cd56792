"""Runs and joints solved; no power wanted changes them."""

from __future__ import annotations

from collections.abc import Sequence

from gauge_well.core.checks import Check, Unknown
from gauge_well.core.engine.model import Operation
from gauge_well.core.systems.base import Context, Result
from gauge_well.core.systems.routes import checks, figures, need, notices, working
from gauge_well.core.systems.routes.facts import RoutesFacts


def _unknown(facts: RoutesFacts) -> list[Unknown]:
    """Runs and joints of which nobody said what they are; all of them, where none is listed."""
    if not facts.routes and not facts.joints:
        return [Unknown("length", "Routes", "routes", ("routes.routes",))]
    runs = [(f"length_{id}", "Route", "routes", run.what) for id, run in facts.routes]
    held = [(f"fits_{id}", "Joint", "joints", joint.what) for id, joint in facts.joints]
    ids = [f"routes.routes.{id}" for id, _ in facts.routes] + [f"routes.joints.{id}" for id, _ in facts.joints]
    return [
        Unknown(id, name, part, (f"{path}.what",))
        for (id, name, part, what), path in zip([*runs, *held], ids, strict=True)
        if what is None
    ]


def solve(context: Context, facts: RoutesFacts) -> Result:
    """Judge what is stated; nothing stated asks nothing."""
    judged: list[Check] = [*checks.route_checks(context, facts), *checks.joint_checks(facts)]

    def judge(mean: Operation, peak: Operation) -> Sequence[Check]:
        return judged

    return Result(
        checks=judge,
        unknown=_unknown(facts),
        figures=lambda: figures.figures(context, facts),
        needs=lambda: need.needs(context, facts),
        notices=lambda: list(notices.notices(context, facts)),
        working=lambda index: working.steps(context, facts, index),
    )
