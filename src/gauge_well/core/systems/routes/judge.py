"""Runs and joints solved; no power wanted changes them."""

from __future__ import annotations

from collections.abc import Sequence

from gauge_well.core.checks import Check, Unknown
from gauge_well.core.engine.model import Operation
from gauge_well.core.systems.base import Context, Result
from gauge_well.core.systems.routes import checks, figures, need, notices, working
from gauge_well.core.systems.routes.facts import RoutesFacts


def _unknown(facts: RoutesFacts) -> list[Unknown]:
    """Runs and joints of which nobody said what they are."""
    found = [Unknown(f"length_{id}", "Route", "routes", (f"routes.routes.{id}.what",)) for id, r in facts.routes if r.what is None]  # fmt: skip
    return found + [Unknown(f"fits_{id}", "Joint", "joints", (f"routes.joints.{id}.what",)) for id, j in facts.joints if j.what is None]  # fmt: skip


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
