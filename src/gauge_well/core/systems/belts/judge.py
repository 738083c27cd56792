"""The belts solved; no power wanted changes them."""

from __future__ import annotations

from collections.abc import Sequence

from gauge_well.core.checks import Check, Unknown
from gauge_well.core.engine.model import Operation
from gauge_well.core.systems.base import Context, Result
from gauge_well.core.systems.belts import checks, figures, need, notices, working
from gauge_well.core.systems.belts import way as ways
from gauge_well.core.systems.belts.facts import BeltsFacts


def _unknown(facts: BeltsFacts) -> list[Unknown]:
    """What each belt lacks; of an arm that is among its pulleys, where it turns."""
    found = []
    for place in ways.places(facts):
        name = checks.NAMES[place]
        lacks = ways.lacks(facts, place)
        if lacks:
            found.append(Unknown(f"{place}_grip", f"{name}'s grip", place, lacks))
            continue
        arms = [(id, p) for id, p in facts.pulleys if p.on == place and p.what == "tensioner"]
        turns = tuple(
            f"belts.pulleys.{id}.{n}" for id, p in arms for n in ("pivot_right", "pivot_up") if getattr(p, n) is None
        )
        if turns:
            found.append(Unknown(f"{place}_length", f"{name}'s length", place, turns))
    return found


def solve(context: Context, facts: BeltsFacts) -> Result:
    """Judge every belt that is stated; nothing stated asks nothing."""
    found = ways.ways(context, facts)
    judged: list[Check] = [check for way in found for check in checks.belt_checks(context, facts, way)]

    def judge(mean: Operation, peak: Operation) -> Sequence[Check]:
        return judged

    return Result(
        checks=judge,
        unknown=_unknown(facts),
        figures=lambda: figures.figures(context, facts, found),
        needs=lambda: need.needs(context, facts),
        notices=lambda: list(notices.notices(context, facts, found)),
        working=lambda index: working.steps(context, facts, found, index),
    )
