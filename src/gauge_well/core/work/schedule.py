"""Who follows whom: hands and the hoist shared out over the work that is left.

The parallel scheme: time goes from one end of a task to the next, and of what may begin then the foremost in an order of
preference is taken as far as hands and hoist reach. Of several preferences the one that ends first is kept: a schedule
that can be worked, not the best there is; :mod:`solver` looks for that. Times are working hours here; what dries passes
through the calendar.

Source: kolisch1996.
"""

from __future__ import annotations

import heapq
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass
from functools import cached_property
from itertools import pairwise

import numpy as np

from gauge_well.core.work.clock import Clock
from gauge_well.core.work.task import Task

TRIES = 40
SEED = 20
CLOSE = 1e-9


@dataclass(frozen=True)
class Work:
    """What is to be scheduled.

    Parameters
    ----------
    tasks : sequence of Task
        Those left, in an order of work; arcs to others are done.
    hours : mapping
        Working hours of each.
    ready : mapping
        Calendar hours at which a task may begin, where that is not at once.
    hands : int
    clock : Clock
    now : float
        Calendar hours from the clock's midnight.
    """

    tasks: Sequence[Task]
    hours: Mapping[str, float]
    ready: Mapping[str, float]
    hands: int
    clock: Clock
    now: float = 0.0

    def takes(self, task: Task) -> int:
        """Hands a task takes of those there are: one that wants more takes all, and a helper is fetched."""
        return min(task.hands, self.hands)

    @cached_property
    def by_id(self) -> Mapping[str, Task]:
        """Tasks left."""
        return {task.id: task for task in self.tasks}

    @cached_property
    def waits(self) -> Mapping[str, tuple[str, ...]]:
        """What each task left waits for that is left too."""
        return {task.id: tuple(a.before for a in task.after if a.before in self.by_id) for task in self.tasks}

    @cached_property
    def following(self) -> Mapping[str, Sequence[str]]:
        """What waits for each."""
        found: dict[str, list[str]] = {task.id: [] for task in self.tasks}
        for id, waits in self.waits.items():
            for before in waits:
                found[before].append(id)
        return found

    @cached_property
    def earliest(self) -> Mapping[str, float]:
        """Working hours from the clock's midnight before which a task cannot begin."""
        return {id: float(self.clock.worked(max(self.now, self.ready.get(id, 0.0)))) for id in self.by_id}

    def free(self, id: str, end: float) -> float:
        """Working hours at which what waits for a task may begin, when it ends at ``end``: later where it dries."""
        lag = self.by_id[id].lag
        return end if lag <= 0.0 else float(self.clock.worked(self.clock.done(end) + lag))

    @cached_property
    def behind(self) -> Mapping[str, float]:
        """Working hours that wait behind each task, its own with them, along the longest way; drying at the week's pace."""
        pace = self.clock.week.pace
        found: dict[str, float] = {}
        for task in reversed(self.tasks):
            rest = max((found[id] for id in self.following[task.id]), default=0.0)
            found[task.id] = self.hours[task.id] + pace * task.lag + rest
        return found


@dataclass(frozen=True)
class Slot:
    """When a task is worked: begin and end, and when what follows may begin [calendar h]."""

    begin: float
    end: float
    free: float


@dataclass(frozen=True)
class Schedule:
    """Slots by task in the order they begin; ``extra``: pairs that follow each other for want of hands or hoist alone."""

    slots: Mapping[str, Slot]
    extra: tuple[tuple[str, str], ...]

    @property
    def end(self) -> float:
        """When all is done and dry [calendar h]."""
        return max((slot.free for slot in self.slots.values()), default=0.0)


def made(work: Work, begins: Mapping[str, float]) -> Schedule:
    """A schedule from the working hours at which tasks begin."""
    order = sorted(begins, key=lambda id: (begins[id], list(work.by_id).index(id)))
    starts = np.array([begins[id] for id in order])
    ends = starts + np.array([work.hours[id] for id in order])
    first, last = work.clock.begun(work.clock.done(starts)), work.clock.done(ends)
    slots = {
        id: Slot(float(b), float(e), float(e) + work.by_id[id].lag) for id, b, e in zip(order, first, last, strict=True)
    }
    return Schedule(slots, tuple(_extra(work, order, begins)))


def _extra(work: Work, order: Sequence[str], begins: Mapping[str, float]) -> Iterator[tuple[str, str]]:
    """Arcs that hands and hoist make: each pair of hands goes on from the task it has done last."""
    free: list[tuple[float, str | None]] = [(-1.0, None)] * work.hands
    for id in order:
        # Hands that came free last go on, so that those that have waited stay free for what comes.
        free.sort(key=lambda item: item[0], reverse=True)
        able = [n for n, (since, _) in enumerate(free) if since <= begins[id] + CLOSE]
        for n in able[: work.takes(work.by_id[id])]:
            before = free[n][1]
            if before is not None:
                yield before, id
            free[n] = (begins[id] + work.hours[id], id)
    yield from pairwise([id for id in order if work.by_id[id].lift])


def placed(work: Work, order: Sequence[str], patient: bool = False) -> dict[str, float]:
    """The parallel scheme for one order of preference: working hours at which each task begins.

    ``patient``: nothing is begun past what comes before it in the order and waits for hands.
    """
    rank = {id: n for n, id in enumerate(order)}
    missing = {id: len(waits) for id, waits in work.waits.items()}
    open_at = dict(work.earliest)
    begins: dict[str, float] = {}
    # What may begin from a time on, and what ends then.
    coming = [(open_at[id], rank[id], id) for id, count in missing.items() if not count]
    heapq.heapify(coming)
    able: list[tuple[int, str]] = []
    running: list[tuple[float, str]] = []
    hands, hoist = work.hands, True
    while coming or able or running:
        now = min([at for at, *_ in coming[:1]] + [at for at, _ in running[:1]])
        while coming and coming[0][0] <= now + CLOSE:
            _, n, id = heapq.heappop(coming)
            able.append((n, id))
        while running and running[0][0] <= now + CLOSE:
            end, id = heapq.heappop(running)
            hands += work.takes(work.by_id[id])
            hoist |= work.by_id[id].lift
            free = work.free(id, end)
            for after in work.following[id]:
                missing[after] -= 1
                open_at[after] = max(open_at[after], free)
                if not missing[after]:
                    heapq.heappush(coming, (open_at[after], rank[after], after))
        while coming and coming[0][0] <= now + CLOSE:
            _, n, id = heapq.heappop(coming)
            able.append((n, id))
        able.sort()
        waiting: list[tuple[int, str]] = []
        for n, id in able:
            task = work.by_id[id]
            stuck = work.takes(task) > hands or (task.lift and not hoist)
            if stuck or (patient and waiting):
                waiting.append((n, id))
                continue
            begins[id] = now
            hands -= work.takes(task)
            hoist &= not task.lift
            heapq.heappush(running, (now + work.hours[id], id))
        able = waiting
    return begins


def preferences(work: Work, count: int) -> Iterator[list[str]]:
    """Orders to try: what most hours wait behind first, then that shaken by chance of a fixed seed."""
    ids = list(work.by_id)
    yield sorted(ids, key=lambda id: -work.behind[id])
    rng = np.random.default_rng(SEED)
    for _ in range(count - 1):
        shaken = dict(zip(ids, rng.uniform(0.6, 1.4, len(ids)), strict=True))
        yield sorted(ids, key=lambda id: -work.behind[id] * shaken[id])


def ends_at(work: Work, begins: Mapping[str, float]) -> float:
    """Working hours by which all is done."""
    return max((begin + work.hours[id] for id, begin in begins.items()), default=0.0)


def serial(work: Work, tries: int = TRIES) -> dict[str, float]:
    """The one that ends first of so many schedules: half of them patient."""
    tried = (placed(work, order, patient) for order in preferences(work, tries // 2) for patient in (False, True))
    return min(tried, key=lambda begins: ends_at(work, begins))
