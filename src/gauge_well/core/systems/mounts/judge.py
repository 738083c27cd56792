"""Mounts solved, ready to be asked at any power."""

from __future__ import annotations

from collections.abc import Sequence

from gauge_well.core.checks import Check, Unknown
from gauge_well.core.engine.model import Operation
from gauge_well.core.errors import CoreError
from gauge_well.core.reads import UNIT_MASS
from gauge_well.core.sentence import Sentence
from gauge_well.core.systems.base import Context, Result
from gauge_well.core.systems.mounts import checks, figures, need, notices, working
from gauge_well.core.systems.mounts.brackets import braced, lacks, sheet_lacks
from gauge_well.core.systems.mounts.facts import MountsFacts
from gauge_well.core.systems.mounts.model import held
from gauge_well.core.systems.mounts.stand import IN_LINE
from gauge_well.core.validity import Notice

PLACE = ("ahead", "left", "over")


def solve(context: Context, facts: MountsFacts) -> Result:
    """Mounts and brackets; without what hangs on them nothing is told."""
    if UNIT_MASS not in context.given:
        return _untold(("weights.gearbox",))
    try:
        found = held(context, facts)
    except CoreError as error:
        return _loose(error)
    unknown = []
    for item in braced(facts.brackets, len(found.stood.feet)):
        own, sheet = lacks(item), sheet_lacks(item)
        if own:
            unknown.append(Unknown(f"bracket_{item.id}", item.name, "brackets", own))
        if sheet:
            unknown.append(Unknown(f"bends_{item.id}", f"Sheet round the plate of {item.said}", "brackets", sheet))
    untold = tuple(f"mounts.mounts.{id}.{n}" for id, m in facts.mounts for n in PLACE if getattr(m, n) is None)
    if untold or not facts.mounts:
        # Until somebody states them the usual ones stand in: for the rock, for what is needed, for no verdict.
        unknown.append(Unknown("mounts", "Mounts", "mounts", untold or ("mounts.mounts",)))

    def judge(mean: Operation, peak: Operation) -> Sequence[Check]:
        at = checks.turned(context, found, peak)
        return [*checks.mount_checks(context, facts, found, at), *checks.bracket_checks(context, facts, found, at)]

    return Result(
        checks=judge,
        unknown=unknown,
        figures=lambda: figures.figures(context, facts, found),
        needs=lambda: need.needs(context, facts, found),
        notices=lambda: notices.notices(context, facts, found),
        working=lambda index: working.steps(context, facts, found, index),
    )


def _loose(error: CoreError) -> Result:
    """Of mounts that hold nothing: too few are not told of yet, a line of them is a danger."""
    said = Notice(error.code, Sentence(error.message), error.field)
    line = error.code == IN_LINE
    judged = [checks.in_line(error.message)] if line else []
    few = [] if line else [Unknown("mounts", "Mounts", "mounts", ("mounts.mounts",))]
    return Result(
        checks=lambda mean, peak: judged,
        unknown=few,
        figures=dict,
        needs=list,
        notices=lambda: [] if line else [said],
        working=lambda index: [],
    )


def _untold(missing: tuple[str, ...]) -> Result:
    return Result(
        checks=lambda mean, peak: [],
        unknown=[Unknown("mounts", "Mounts", "mounts", missing)],
        figures=dict,
        needs=list,
        notices=list,
        working=lambda index: [],
    )
