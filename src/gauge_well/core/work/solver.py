"""The shortest schedule: a solver of constraints on a grid of quarter hours.

Tasks are intervals of working hours; hands are shared, the hoist is one; what dries passes through the calendar as a
table from each quarter hour to the one at which what follows may begin. Of schedules that end alike the one that holds
the hoist for the shortest time is taken. What it starts from is :mod:`schedule`'s; where it finds nothing better in the
work it is given, that one stands.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from math import ceil
from typing import Any

import numpy as np
from ortools.sat.python import cp_model

from gauge_well.core.work.schedule import CLOSE, Work, ends_at, serial

GRID = 0.25  # h
EFFORT = 0.35  # the solver's own measure of work, the same on any machine


@dataclass(frozen=True)
class Found:
    """Working hours at which tasks begin; ``proved``: on the grid none ends sooner."""

    begins: Mapping[str, float]
    proved: bool


def grid(hours: float) -> int:
    """Quarter hours that hold so much."""
    return ceil(hours / GRID - CLOSE)


def shortest(work: Work, effort: float = EFFORT) -> Found:
    """Search from the best of :func:`schedule.serial`; hours off the grid are searched rounded up, and settled as they are."""
    start = serial(work)
    if len(start) < 2:
        return Found(start, True)
    searched, proved = _Search(work, start).run(effort)
    better = _settled(work, searched)
    return Found(start if _measure(work, start) <= _measure(work, better) else better, proved)


def _measure(work: Work, begins: Mapping[str, float]) -> tuple[float, float]:
    return round(ends_at(work, begins), 6), round(held(work, begins), 6)


def held(work: Work, begins: Mapping[str, float]) -> float:
    """Working hours from the first lift to the end of the last: how long the hoist is kept."""
    lifts = [id for id in begins if work.by_id[id].lift]
    return max(begins[id] + work.hours[id] for id in lifts) - min(begins[id] for id in lifts) if lifts else 0.0


class _Search:
    """A model of one schedule, searched twice: for the end, then at that end for the hoist."""

    def __init__(self, work: Work, start: Mapping[str, float]) -> None:
        self.work = work
        self.size = {id: grid(work.hours[id]) for id in start}
        whole = all(abs(size * GRID - work.hours[id]) < CLOSE for id, size in self.size.items())
        # Where all hours lie on the grid the start does too, and nothing later need be looked at.
        self.start = _settled(_rounded(work, self.size), start) if not whole else dict(start)
        self.most = max(grid(self.start[id]) + self.size[id] for id in start)
        self.model = model = cp_model.CpModel()
        first, last = self._window()
        self.window = {id: (first[id], max(last[id], grid(self.start[id]))) for id in start}
        self.begin = {id: model.new_int_var(low, high, id) for id, (low, high) in self.window.items()}
        task = {id: model.new_fixed_size_interval_var(self.begin[id], self.size[id], id) for id in start}
        self._wait()
        self._share(task)
        self.end = model.new_int_var(0, self.most, "end")
        for id in start:
            model.add(self.end >= self.begin[id] + self.size[id])

    def _window(self) -> tuple[dict[str, int], dict[str, int]]:
        """Quarter hours between which each task begins, by what it waits for and what waits for it."""
        first = {id: grid(at) for id, at in self.work.earliest.items()}
        for task in self.work.tasks:
            for before in self.work.waits[task.id]:
                dry = grid(self.work.free(before, GRID * (first[before] + self.size[before])))
                first[task.id] = max(first[task.id], dry)
        last: dict[str, int] = {}
        for task in reversed(self.work.tasks):
            after = [last[id] for id in self.work.following[task.id]]
            last[task.id] = min(after, default=self.most) - self.size[task.id]
        return first, last

    def _wait(self) -> None:
        for id in self.begin:
            after = self.work.following[id]
            if self.work.by_id[id].lag <= 0.0:
                for other in after:
                    self.model.add(self.begin[other] >= self.begin[id] + self.size[id])
            elif after:
                dry = self.model.new_int_var(0, 2 * self.most, f"dry {id}")
                low, high = self.window[id]
                at = np.arange(low, high + 1, dtype=np.float64)
                free = self.work.clock.worked(
                    self.work.clock.done(GRID * (at + self.size[id])) + self.work.by_id[id].lag
                )
                table = [int(n) for n in np.ceil(free / GRID - CLOSE)]
                self.model.add_element(self.begin[id] - low, table, dry)
                for other in after:
                    self.model.add(self.begin[other] >= dry)

    def _share(self, task: Mapping[str, Any]) -> None:
        takes = {id: self.work.takes(self.work.by_id[id]) for id in task}
        if self.work.hands == 1:
            self.model.add_no_overlap(list(task.values()))
        else:
            self.model.add_cumulative(list(task.values()), [takes[id] for id in task], self.work.hands)
        lifts = [task[id] for id in task if self.work.by_id[id].lift]
        self.model.add_no_overlap(lifts)

    def run(self, effort: float) -> tuple[dict[str, float], bool]:
        """Begins in working hours, and whether the end is proved."""
        found = {id: grid(at) for id, at in self.start.items()}
        self.model.minimize(self.end)
        better, proved = self._solve(found, 0.8 * effort)
        found = better or found
        lifts = [id for id in found if self.work.by_id[id].lift]
        if len(lifts) > 1:
            self.model.add(self.end <= max(at + self.size[id] for id, at in found.items()))
            fetched, back = (self.model.new_int_var(0, self.most, name) for name in ("fetched", "given back"))
            for id in lifts:
                self.model.add(fetched <= self.begin[id])
                self.model.add(back >= self.begin[id] + self.size[id])
            self.model.minimize(back - fetched)
            better, _ = self._solve(found, 0.2 * effort)
            found = better or found
        return {id: GRID * at for id, at in found.items()}, proved

    def _solve(self, hint: Mapping[str, int], effort: float) -> tuple[dict[str, int] | None, bool]:
        self.model.clear_hints()  # type: ignore[no-untyped-call]
        for id, at in hint.items():
            self.model.add_hint(self.begin[id], at)
        solver = cp_model.CpSolver()
        solver.parameters.num_workers = 1
        solver.parameters.max_deterministic_time = effort
        solver.parameters.random_seed = 1
        status = solver.solve(self.model)
        if status not in (cp_model.OPTIMAL, cp_model.FEASIBLE):
            return None, False
        return {id: solver.value(at) for id, at in self.begin.items()}, bool(status == cp_model.OPTIMAL)


def _rounded(work: Work, size: Mapping[str, int]) -> Work:
    return replace(work, hours={id: GRID * quarters for id, quarters in size.items()})


def _settled(work: Work, begins: Mapping[str, float]) -> dict[str, float]:
    """The order that was found, on real hours: each task as early as what it waits for and its hands allow."""
    order = sorted(begins, key=lambda id: (begins[id], -work.behind[id]))
    free = [0.0] * work.hands
    hoist = 0.0
    open_at = dict(work.earliest)
    found: dict[str, float] = {}
    for id in order:
        task = work.by_id[id]
        free.sort()
        takes = work.takes(task)
        at = max(open_at[id], free[takes - 1], hoist if task.lift else 0.0)
        end = at + work.hours[id]
        found[id] = at
        # Hands that are free longest are not spent on what others can take up.
        for n in sorted((n for n, since in enumerate(free) if since <= at + CLOSE), key=lambda n: -free[n])[:takes]:
            free[n] = end
        hoist = end if task.lift else hoist
        for after in work.following[id]:
            open_at[after] = max(open_at[after], work.free(id, end))
    return found
