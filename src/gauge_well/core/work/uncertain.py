"""When it ends, with bands: the work run through thousands of times with hours and arrivals drawn.

The order that hands and hoist were shared out in is kept; only how long things take is drawn. The share of runs in which
a task lies on the way that decides the end takes the place of "critical or not". Merging ways make the mean end later
than the end of the means.

Source: vanslyke1963.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from graphlib import TopologicalSorter

import numpy as np

from gauge_well.core.typing import Array
from gauge_well.core.work.schedule import Work
from gauge_well.core.work.span import Span
from gauge_well.core.work.task import Task

RUNS = 4096
SEED = 41
CLOSE = 1e-6


@dataclass(frozen=True)
class Runs:
    """Calendar hours of the end of each task, by run, the likely one first; ``decides``: share of runs in which each task lies
    on the way that decides the end; ``awaits``: in which each thing that is awaited does."""

    ends: Mapping[str, Array]
    end: Array
    decides: Mapping[str, float]
    awaits: Mapping[str, float]

    def percentile(self, share: float, of: str | None = None) -> float:
        """A percentile of the end [calendar h], of the whole or of one task."""
        return float(np.percentile(self.end if of is None else self.ends[of], 100.0 * share))


def run(
    work: Work,
    hours: Mapping[str, Span],
    arrivals: Mapping[str, Mapping[str, Span]],
    extra: Sequence[tuple[str, str]] = (),
    runs: int = RUNS,
) -> Runs:
    """Draw hours and arrivals and pass forward through the work.

    Parameters
    ----------
    work : Work
    hours : mapping of Span
    arrivals : mapping task -> thing -> Span
        Calendar hours from the clock's midnight at which what a task cannot begin without is there.
    extra : pairs of tasks
        Those that follow each other for want of hands or hoist: on the end of the one before, not on its drying.
    """
    rng = np.random.default_rng(SEED)
    clock, tasks, handed = work.clock, _order(work, extra), _handed(extra)
    drawn = {task.id: hours[task.id].drawn(rng, runs) for task in tasks}
    things = {thing: span for found in arrivals.values() for thing, span in found.items()}
    there = {thing: span.drawn(rng, runs) for thing, span in things.items()}
    ends: dict[str, Array] = {}
    begins: dict[str, Array] = {}
    free: dict[str, Array] = {}
    for task in tasks:
        begin = np.full(runs, work.now)
        for before in work.waits[task.id]:
            begin = np.maximum(begin, free[before])
        for before in handed.get(task.id, ()):
            begin = np.maximum(begin, ends[before])
        for thing in arrivals.get(task.id, ()):
            begin = np.maximum(begin, there[thing])
        begins[task.id] = begin
        ends[task.id] = clock.after(begin, drawn[task.id])
        free[task.id] = ends[task.id] + task.lag
    end = np.max([free[task.id] for task in tasks], axis=0) if tasks else np.full(runs, work.now)
    forward = _Forward(begins, ends, free, there)
    decides, awaits = _deciding(work, tasks, handed, arrivals, forward, end)
    return Runs(ends, end, decides, awaits)


@dataclass(frozen=True)
class _Forward:
    """Calendar hours by task and run, and of what is awaited."""

    begins: Mapping[str, Array]
    ends: Mapping[str, Array]
    free: Mapping[str, Array]
    there: Mapping[str, Array]


def _handed(extra: Sequence[tuple[str, str]]) -> dict[str, list[str]]:
    found: dict[str, list[str]] = {}
    for before, id in extra:
        found.setdefault(id, []).append(before)
    return found


def _order(work: Work, extra: Sequence[tuple[str, str]]) -> list[Task]:
    handed = _handed(extra)
    waits = {id: (*before, *handed.get(id, ())) for id, before in work.waits.items()}
    return [work.by_id[id] for id in TopologicalSorter(waits).static_order()]


def _deciding(
    work: Work,
    tasks: Sequence[Task],
    handed: Mapping[str, Sequence[str]],
    arrivals: Mapping[str, Mapping[str, Span]],
    forward: _Forward,
    end: Array,
) -> tuple[dict[str, float], dict[str, float]]:
    """Backward from what ends last: of what each waited for, the one it really waited for decides too.

    Two that are free within one pause of work decide alike: neither would have let it begin sooner.
    """
    begun = work.clock.begun
    on = {task.id: forward.free[task.id] >= end - CLOSE for task in tasks}
    late = {thing: np.zeros(end.shape[0], bool) for thing in forward.there}
    for task in reversed(tasks):
        mine, at = on[task.id], begun(forward.begins[task.id]) - CLOSE
        for before in work.waits[task.id]:
            on[before] = on[before] | (mine & (begun(forward.free[before]) >= at))
        for before in handed.get(task.id, ()):
            on[before] = on[before] | (mine & (begun(forward.ends[before]) >= at))
        for thing in arrivals.get(task.id, ()):
            late[thing] |= mine & (begun(forward.there[thing]) >= at)
    return (
        {task.id: float(on[task.id].mean()) for task in tasks},
        {thing: float(found.mean()) for thing, found in late.items()},
    )
