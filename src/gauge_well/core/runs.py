"""A drawn build worked at its wanted power: every limit over the samples."""

from __future__ import annotations

from collections.abc import Collection, Mapping, Sequence
from dataclasses import dataclass, field, replace
from functools import cached_property

import numpy as np
from numpy.typing import NDArray

from gauge_well.core.affected import moves_operation, readers, takers
from gauge_well.core.checks import Check, CheckClass, Scales
from gauge_well.core.contexts import hand_on, make_context
from gauge_well.core.duty import model as duty_model
from gauge_well.core.engine import report as engine_report
from gauge_well.core.engine.model import engine_of
from gauge_well.core.errors import CoreError
from gauge_well.core.reads import ENGINE
from gauge_well.core.sampling import Drawn
from gauge_well.core.systems import SYSTEMS
from gauge_well.core.systems.base import Context, Result
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


@dataclass(frozen=True)
class Run:
    """A drawn build worked once at the wanted power."""

    drawn: Drawn
    context: Context
    results: Mapping[str, Result]
    checks: Mapping[str, Sequence[Check]]
    limits: Sequence[Limit]
    costs: Sequence[Limit] = field(default_factory=tuple)

    @cached_property
    def over(self) -> Mapping[str, NDArray[np.bool_]]:
        """Whether each system has a limit over the brim, by sample."""
        found: dict[str, NDArray[np.bool_]] = {}
        for limit in self.limits:
            over = limit.fill > 1.0
            found[limit.system] = found[limit.system] | over if limit.system in found else over
        return found


def _limits(system: str, checks: Sequence[Check], context: Context, count: int) -> tuple[list[Limit], list[Limit]]:
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
    return limits, costs


def wide(fill: Array) -> Array:
    """A fill on all three axes, whatever it does not depend on left out."""
    return fill.reshape((1,) * (3 - fill.ndim) + fill.shape) if fill.ndim < 3 else fill


def run(drawn: Drawn, changed: Collection[str] | None = None, like: Run | None = None) -> Run:
    """Work a drawn build at its wanted power.

    Parameters
    ----------
    drawn : Drawn
    changed : collection of str, optional
        Paths of all facts in which it differs from ``like``, of the same draws: only what they reach is worked, by
        what the systems declare; the rest is taken over.
    like : Run, optional

    Raises
    ------
    MissingFact
        When not enough is known of the engine to size anything.
    """
    case = drawn.case
    if changed is None or like is None:
        only: Collection[str] = list(SYSTEMS)
        context, _ = make_context(case, engine_of(case.engine), drawn.doubts)
        like = None
    else:
        context, only = _again(drawn, like, changed)
    results, checks, limits, costs = _engine_checks(context, drawn.count)
    if like is not None:
        results = {id: r for id, r in like.results.items() if id not in only}
        checks |= {id: c for id, c in like.checks.items() if id not in only and id != ENGINE}
        limits += [limit for limit in like.limits if limit.system not in only and limit.system != ENGINE]
        costs = [limit for limit in like.costs if limit.system not in only]
    for system in SYSTEMS.values():
        if system.id not in only or system.applies(case.machine) is not None:
            continue
        try:
            result = system.solve(context, case.systems[system.id])
            own = list(result.checks(context.mean, context.peak))
        except CoreError:
            continue
        results[system.id], checks[system.id] = result, own
        found, paid = _limits(system.id, own, context, drawn.count)
        limits += found
        costs += paid
    return Run(drawn, context, results, checks, limits, costs)


def _again(drawn: Drawn, like: Run, changed: Collection[str]) -> tuple[Context, frozenset[str]]:
    """The context of a build that differs from ``like`` in some facts, and the systems to be worked in it."""
    case = drawn.case
    if any(moves_operation(path) for path in changed):
        return make_context(case, engine_of(case.engine), drawn.doubts)[0], frozenset(SYSTEMS)
    only = frozenset(id for path in changed for id in readers(path))
    before = like.context
    context = replace(before, machine=case.machine, installation=case.installation)
    sections = {path.split(".")[0] for path in changed}
    if "engine" in sections:
        context = replace(context, engine=replace(before.engine, facts=case.engine))
    if sections & {"duties", "machine"}:
        duties, _ = duty_model.solve(case.duties, case.machine, context.engine, before.wanted)
        context = replace(context, duties=duties)
    context, moved = hand_on(context, case, only)
    return context, only | takers(moved)


def _engine_checks(
    context: Context, count: int
) -> tuple[dict[str, Result], dict[str, Sequence[Check]], list[Limit], list[Limit]]:
    enough = engine_report.enough(context.duties)
    if enough is None:
        return {}, {}, [], []
    limits, costs = _limits(ENGINE, [enough], context, count)
    return {}, {ENGINE: [enough]}, limits, costs
