"""Work counted, not timed: calls by the profiler and bytes, which a noisy machine does not move."""

from __future__ import annotations

import cProfile
import json
import pstats
from collections.abc import Callable, Iterator, Mapping
from contextlib import contextmanager
from dataclasses import dataclass, replace
from functools import partial
from typing import Any
from unittest import mock

from gauge_well.core.case import BuildCase, with_value
from gauge_well.core.facts import fact
from gauge_well.core.run import contexts, graph
from gauge_well.core.run.memory import ANSWERS, MEMORY, Memory
from gauge_well.core.run.sizing import outline, size
from gauge_well.core.systems import SYSTEMS
from gauge_well.core.systems.base import Context
from gauge_well.services.builds import Worked, _work
from gauge_well.services.difference import given, stands_on
from gauge_well.services.explore import explore
from gauge_well.sheet import load, resolve
from gauge_well.sheet.demo import demo
from gauge_well.sheet.edit import Edit, apply_edit

CLONES = 10
CLONED = "exhaust"  # hands nothing on, so that ten of it stand beside each other


@dataclass(frozen=True)
class Count:
    """One count: what, how many, and what is aimed at."""

    name: str
    number: int
    unit: str = "calls"
    aim: int | None = None


def calls(work: Callable[[], object]) -> int:
    """Python and C calls of one run, by the profiler."""
    profile = cProfile.Profile()
    profile.enable()
    work()
    profile.disable()
    return int(pstats.Stats(profile).total_calls)  # type: ignore[attr-defined]


@contextmanager
def cloned(count: int) -> Iterator[list[str]]:
    """The house with ``count`` systems more."""
    found = SYSTEMS[CLONED]
    more = {f"{CLONED}_{n}": replace(found, id=f"{CLONED}_{n}") for n in range(count)}
    with mock.patch.dict(SYSTEMS, more):
        graph.forget()
        yield list(more)
    graph.forget()


def _with(case: BuildCase, ids: list[str]) -> BuildCase:
    return replace(case, systems={**case.systems, **dict.fromkeys(ids, case.systems[CLONED])})


def _edited(case: BuildCase, memory: Memory, step: float) -> Callable[[], object]:
    flow = fact(case.systems["fuel"], "injectors.flow")
    return lambda: outline(with_value(case, "fuel.injectors.flow", step * flow), memory)


def _answer_of(worked: Worked) -> dict[str, Any]:
    mark = stands_on(worked.document)
    return {"document": worked.document, "facts": worked.facts, "report": worked.report, "stands_on": mark}


def _bytes(answer: Mapping[str, Any]) -> int:
    return len(json.dumps(answer, separators=(",", ":")).encode())


def _alone(system: str, context: Context, case: BuildCase) -> None:
    """One system solved, checked, and all that is told of it."""
    result = SYSTEMS[system].solve(context, case.systems[system])
    for check in result.checks(context.mean, context.peak):
        check.sentences()
    for part in (result.figures, result.needs, result.notices, result.looks):
        list(part())
    result.working(0)


def counts() -> list[Count]:
    """A whole report, an edit that one system reads, the same among fourteen, an exploration before and after."""
    document = load(demo("quarry-mule")).document
    case = resolve(load(document)).case
    edited = apply_edit(document, Edit("fuel.injectors.flow", "500 cc/min"))
    MEMORY.forget()
    ANSWERS.forget()
    found = [
        Count("whole report quarry-mule, core", calls(lambda: size(case)), aim=15_000),
        Count("the same again", calls(lambda: size(case))),
        Count("after an edit that one system reads, core", calls(lambda: size(resolve(load(edited)).case)), aim=5_000),
    ]
    oil = resolve(load(apply_edit(document, Edit("oil.oil_limit", "125 C")))).case
    size(case)
    found.append(Count("after an edit of one oil fact, core", calls(lambda: size(oil)), aim=5_000))
    found.append(Count("of that the oil alone", calls(partial(_alone, "oil", contexts.make_context(oil)[0], oil))))
    again = apply_edit(document, Edit("fuel.injectors.flow", "510 cc/min"))
    worked = []
    found.append(Count("the same, document to all that is answered", calls(lambda: worked.append(_work(again)))))
    found.append(Count("the whole of it", _bytes(_answer_of(worked[0])), "bytes"))
    before, after = (_answer_of(w) for w in (_work(document), worked[0]))
    given(before)
    found.append(Count("answered to the edit", _bytes(given(after, before["stands_on"])), "bytes", 40_000))
    memory = Memory(40_000)
    outline(case, memory)
    found.append(Count("outline after such an edit, 4 systems", calls(_edited(case, memory, 1.01))))
    with cloned(CLONES) as ids:
        wide = _with(case, ids)
        memory = Memory(40_000)
        outline(wide, memory)
        found.append(Count(f"outline after such an edit, {4 + CLONES} systems", calls(_edited(wide, memory, 1.01))))
    for name, raw in (("explored", document), ("explored after the edit", edited)):
        found.append(Count(name, calls(lambda r=raw: list(explore(r, samples=256)))))  # type: ignore[misc]
    return found


def counted(found: list[Count]) -> str:
    """Counts as a table for people."""
    rows = [f"{'what':56} {'count':>11} {'aim':>9}"]
    for line in found:
        aim = "" if line.aim is None else f"{line.aim:,} {'ok' if line.number <= line.aim else 'OVER'}"
        rows.append(f"{line.name:56} {line.number:>11,} {line.unit} {aim:>9}")
    return "\n".join(rows)
