"""A drawn build worked at its wanted power: every limit over the samples."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field
from functools import cached_property, partial

import numpy as np
from numpy.typing import NDArray

from gauge_well.core.checks import Check, CheckClass, Scales
from gauge_well.core.engine import report as engine_report
from gauge_well.core.reads import ENGINE
from gauge_well.core.run.contexts import make_context
from gauge_well.core.run.graph import asked, judged
from gauge_well.core.run.memory import ANSWERS, MEMORY, Memory
from gauge_well.core.run.sampling import Drawn
from gauge_well.core.run.solved import Solved
from gauge_well.core.systems.base import Context
from gauge_well.core.typing import Array, as_array

Key = tuple[str, str, str]  # system, check, duty (empty for a gate)


def percentile(values: Array, share: float) -> float:
    """Order statistic: the smallest value that at least ``share`` of the samples do not pass.

    No interpolation, so that samples above every scan (+inf) and below it (0) keep their place.
    """
    rank = int(np.ceil(share * values.size)) - 1
    return float(np.partition(values, rank)[rank])


@dataclass(frozen=True)
class Limit:
    """One limit check for one duty over the samples, the likely one first."""

    system: str
    check: str
    part: str
    duty: str
    fill: Array
    of: Check
    column: int

    def end(self, name: str, share: float) -> float | None:
        """Percentile of its ``demand`` or ``capacity``; None where it is not finite."""
        value = wide(as_array(getattr(self.of, name)))
        spread = np.broadcast_to(value, (*value.shape[:-1], self.fill.size))
        picked = spread[0, min(self.column, spread.shape[1] - 1)]
        found = percentile(picked[1:], share)
        return found if np.isfinite(found) else None

    @property
    def key(self) -> Key:
        """What it is known by."""
        return self.system, self.check, self.duty


def over_of(limits: Sequence[Limit]) -> dict[str, NDArray[np.bool_]]:
    """Whether each system has a limit over the brim, by sample."""
    found: dict[str, NDArray[np.bool_]] = {}
    for limit in limits:
        over = limit.fill > 1.0
        found[limit.system] = found[limit.system] | over if limit.system in found else over
    return found


@dataclass(frozen=True)
class Run:
    """A drawn build worked once at the wanted power."""

    drawn: Drawn
    context: Context
    solved: Mapping[str, Solved]
    limits: Sequence[Limit]
    costs: Sequence[Limit] = field(default_factory=tuple)

    @cached_property
    def over(self) -> Mapping[str, NDArray[np.bool_]]:
        """Whether each system has a limit over the brim, by sample."""
        return over_of(self.limits)


def wide(fill: Array) -> Array:
    """A fill on all three axes, whatever it does not depend on left out."""
    return fill.reshape((1,) * (3 - fill.ndim) + fill.shape) if fill.ndim < 3 else fill


@dataclass(frozen=True)
class Judged:
    """The limits of one system over the samples, and what only costs."""

    limits: Sequence[Limit]
    costs: Sequence[Limit]


def _judged(system: str, checks: Sequence[Check], context: Context, count: int) -> Judged:
    limits: list[Limit] = []
    costs: list[Limit] = []
    cases = context.duties.cases
    for check in checks:
        target = limits if check.check_class is CheckClass.LIMIT else costs
        gate = check.scales is Scales.GATE
        fill = np.broadcast_to(wide(as_array(check.fill)), (1, 1 if gate else len(cases), 1 + count))
        for i in range(fill.shape[1]):
            if check.judged is None or check.judged[i]:
                target.append(Limit(system, check.id, check.part, "" if gate else cases[i].id, fill[0, i], check, i))
    return Judged(limits, costs)


def run(drawn: Drawn, memory: Memory = MEMORY) -> Run:
    """Work a drawn build at its wanted power; what was worked for the same values is taken from ``memory``.

    Raises
    ------
    MissingFact
        When not enough is known of the engine to size anything.
    """
    case, count = drawn.case, drawn.count
    context, _ = make_context(case, doubts=drawn.doubts, memory=memory, columns=1 + count)
    enough = engine_report.enough(context.duties)
    found = [] if enough is None else [_judged(ENGINE, [enough], context, count)]
    solved = {id: s for id, s in judged(context, case, memory, 1 + count).items() if s.refusal is None}
    for id, system in solved.items():
        found.append(system.once(("judged", count), partial(_judged, id, system.checks, system.context, count)))
    limits = [limit for own in found for limit in own.limits]
    costs = [limit for own in found for limit in own.costs]
    return Run(drawn, context, solved, limits, costs)


def verdicts(drawn: Drawn, memory: Memory = MEMORY, answers: Memory = ANSWERS) -> dict[str, NDArray[np.bool_]]:
    """Whether each system of a drawn build has a limit over the brim, by sample: all that a verdict asks, and all that
    is kept of it.

    Raises
    ------
    MissingFact
        When not enough is known of the engine to size anything.
    """
    case, count = drawn.case, drawn.count
    context, _ = make_context(case, doubts=drawn.doubts, memory=memory, columns=1 + count)
    enough = engine_report.enough(context.duties)
    found = {} if enough is None else over_of(_judged(ENGINE, [enough], context, count).limits)

    def ask(solved: Solved) -> dict[str, NDArray[np.bool_]]:
        if solved.refusal is not None:
            return {}
        return over_of(_judged(solved.system.id, solved.checks, solved.context, count).limits)

    for own in asked(context, case, memory, answers, ("over", count), ask).values():
        found |= own
    return found
