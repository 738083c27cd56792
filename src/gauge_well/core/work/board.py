"""What to do now: tasks that can be begun, what holds the others, when it ends and what decides that."""

from __future__ import annotations

from collections.abc import Callable, Iterable, Mapping, Sequence
from dataclasses import dataclass, replace
from datetime import date
from functools import partial

import numpy as np

from gauge_well.core.work.broken import Broken, breaks, out_of_order
from gauge_well.core.work.clock import DAY, EVENING, Clock
from gauge_well.core.work.plan import Plan
from gauge_well.core.work.said import Awaited, Said, Week
from gauge_well.core.work.schedule import CLOSE, Schedule, Work, made, serial
from gauge_well.core.work.solver import shortest
from gauge_well.core.work.span import Span, certain
from gauge_well.core.work.task import Task
from gauge_well.core.work.uncertain import Runs, run

MILESTONE = "first_start"
LOW, MIDDLE, HIGH = 0.1, 0.5, 0.9
BINS = 40
SPARE_MOST = 90  # days a late part is followed for
QUICK = 8  # orders that are tried where only the difference is asked
FEW = 5  # parts whose lateness is followed, and movers that are told


@dataclass(frozen=True)
class Held:
    """What keeps a task from being begun today: ``task``s that are open, or a thing that is not there."""

    tasks: tuple[str, ...]
    things: tuple[str, ...]


@dataclass(frozen=True)
class Standing:
    """How a task stands.

    Parameters
    ----------
    task : Task
    done : bool
    ready : bool
        All it waits for is done and there.
    alone : bool
        One pair of hands does it.
    held : Held
    begin, end, dry : float, optional
        Of a task that is left: calendar hours from the clock's midnight at likely times, to the end of its drying; of one that
        is done, ``dry`` where it is not dry yet.
    likely_by : date, optional
        The day on which it is likely to be begun.
    decides, free_decides : float
        Share of runs in which it decides the end; the same were hands no limit.
    slack : float, optional
        Working hours it may begin later, or take longer, without moving the end (drying at the week's pace).
    breaks : tuple of Broken
        What doing it now would go against.
    """

    task: Task
    done: bool
    ready: bool
    alone: bool
    held: Held
    begin: float | None
    end: float | None
    dry: float | None
    likely_by: date | None
    decides: float
    free_decides: float
    slack: float | None
    breaks: tuple[Broken, ...]


@dataclass(frozen=True)
class When:
    """A date with its band: tenth, half and ninetieth of a hundred runs; the same in calendar hours; share of runs by bin."""

    low: date
    likely: date
    high: date
    hours: tuple[float, float, float]
    bins: tuple[float, ...]
    shares: tuple[float, ...]


@dataclass(frozen=True)
class Late:
    """A thing that is awaited: share of runs in which it decides the end, days it may be later without moving it (none: more
    than is followed), days the end moves for a week's delay."""

    thing: Awaited
    decides: float
    spare: int | None
    week: float


@dataclass(frozen=True)
class Mover:
    """A change of the plan and by how many days it brings the first start, or the end, forward; ``kind`` tells which change,
    of the thing ``id``."""

    kind: str
    id: str
    label: str
    sooner: int


@dataclass(frozen=True)
class Board:
    """The answer.

    Parameters
    ----------
    standing : sequence of Standing
        In an order of work, what is left by when it is begun.
    first, end : When, optional
        First start, where it is ahead; the last task.
    left : float
        Working hours left at likely times, and of these ``behind`` wait behind something that is not there.
    shut : int
        Holds not yet proved.
    guessed : int
        Durations of what is left that are usual ones.
    lift_days, lift_held : int
        Days on which the hoist is used; from the first to the last of them.
    proved : bool
        No shorter schedule of these hours exists on the solver's grid.
    """

    standing: Sequence[Standing]
    first: When | None
    end: When | None
    left: float
    behind: float
    shut: int
    guessed: int
    late: Sequence[Late]
    movers: Sequence[Mover]
    against: Sequence[Broken]
    lift_days: int
    lift_held: int
    proved: bool


def board(plan: Plan, said: Said, awaited: Sequence[Awaited], today: date) -> Board:
    """Schedule what is left and say what follows."""
    clock = Clock(today, said.week)
    work = _work(plan, said, awaited, clock)
    found = shortest(work)
    schedule = made(work, found.begins)
    hours = {task.id: task.hours for task in work.tasks}
    arrivals = _arrivals(awaited)
    runs = run(work, hours, arrivals, schedule.extra)
    free = run(work, hours, arrivals)
    standing = _standing(plan, work, arrivals, schedule, runs, free)
    lifts = _lift_days(work, schedule)
    return Board(
        standing=standing,
        first=_when(clock, runs, MILESTONE) if MILESTONE in work.by_id else None,
        end=_when(clock, runs) if work.tasks else None,
        left=sum(work.hours.values()),
        behind=_behind(plan, work, arrivals),
        shut=sum(bool(task.hold) for task in work.tasks),
        guessed=sum(not plan.stated(task.id) for task in work.tasks),
        late=_late(work, hours, arrivals, schedule, runs, awaited),
        movers=_movers(plan, said, awaited, today),
        against=out_of_order(plan.network, plan.done),
        lift_days=len(lifts),
        lift_held=(lifts[-1] - lifts[0]).days + 1 if lifts else 0,
        proved=found.proved,
    )


def _work(plan: Plan, said: Said, awaited: Sequence[Awaited], clock: Clock) -> Work:
    ready: dict[str, float] = {}
    for before, free in drying(plan, clock).items():
        for id in plan.network.following[before]:
            ready[id] = max(ready.get(id, 0.0), free)
    for thing in awaited:
        for id in thing.tasks:
            ready[id] = max(ready.get(id, 0.0), DAY * thing.days.likely)
    left = plan.left
    return Work(left, {task.id: task.hours.likely for task in left}, ready, said.hands, clock)


def drying(plan: Plan, clock: Clock) -> dict[str, float]:
    """What is done and not dry yet: calendar hours at which what waits for it may begin. It was done by the evening,
    and not after today."""
    found = {}
    for id in plan.done:
        done = plan.said[id].done
        if done is not None and plan.network.by_id[id].lag > 0.0:
            found[id] = DAY * min((done - clock.start).days, 0) + EVENING + plan.network.by_id[id].lag
    return {id: free for id, free in found.items() if free > 0.0}


def _arrivals(awaited: Sequence[Awaited]) -> dict[str, dict[str, Span]]:
    found: dict[str, dict[str, Span]] = {}
    for thing in awaited:
        for id in thing.tasks:
            found.setdefault(id, {})[thing.id] = thing.days.scaled(DAY)
    return found


def _standing(
    plan: Plan,
    work: Work,
    arrivals: Mapping[str, Mapping[str, Span]],
    schedule: Schedule,
    runs: Runs,
    free: Runs,
) -> list[Standing]:
    done = plan.done
    slack, wet = slacks(work, schedule), drying(plan, work.clock)
    order = [task.id for task in plan.network.tasks if task.id in done] + list(schedule.slots)
    found = []
    for id in order:
        task, slot = plan.network.by_id[id], schedule.slots.get(id)
        open_ = tuple(b for b in plan.network.before[id] if b not in done or b in wet)
        held = Held(open_, tuple(arrivals.get(id, ())))
        left = slot is not None
        found.append(
            Standing(
                task=task,
                done=not left,
                ready=left and not held.tasks and not held.things,
                alone=task.hands == 1,
                held=held,
                begin=slot.begin if slot else None,
                end=slot.end if slot else None,
                dry=slot.free if slot else wet.get(id),
                likely_by=work.clock.day(slot.begin) if slot else None,
                decides=runs.decides.get(id, 0.0),
                free_decides=free.decides.get(id, 0.0),
                slack=slack.get(id),
                breaks=tuple(breaks(plan.network, done, id)) if held.tasks and left else (),
            )
        )
    return found


def _lift_days(work: Work, schedule: Schedule) -> list[date]:
    """Days on which the hoist is used, in order."""
    slots = [schedule.slots[task.id] for task in work.tasks if task.lift]
    return sorted({work.clock.day(at) for slot in slots for at in (slot.begin, slot.end)})


def slacks(work: Work, schedule: Schedule) -> dict[str, float]:
    """Working hours each task may be later without moving the end, in the order hands were shared out in."""
    clock = work.clock
    last = float(clock.worked(schedule.end))
    handed: dict[str, list[str]] = {}
    for before, id in schedule.extra:
        handed.setdefault(before, []).append(id)
    latest: dict[str, float] = {}
    for id in reversed(list(schedule.slots)):
        ends = [last - _pause(work, id)]
        ends += [latest[other] - work.hours[other] - _pause(work, id) for other in work.following[id]]
        ends += [latest[other] - work.hours[other] for other in handed.get(id, ())]
        latest[id] = min(ends)
    return {id: max(latest[id] - float(clock.worked(schedule.slots[id].end)), 0.0) for id in latest}


def _pause(work: Work, id: str) -> float:
    """Working hours that pass while it dries, at the week's pace."""
    return work.by_id[id].lag * work.clock.week.pace


def _when(clock: Clock, runs: Runs, of: str | None = None) -> When:
    """Of one task, or of the whole."""
    low, middle, high = (runs.percentile(share, of) for share in (LOW, MIDDLE, HIGH))
    ends = runs.end if of is None else runs.ends[of]
    counts, edges = np.histogram(ends, BINS)
    return When(
        low=clock.day(low),
        likely=clock.day(middle),
        high=clock.day(high),
        hours=(low, middle, high),
        bins=tuple(float(e) for e in edges),
        shares=tuple(float(c) / ends.size for c in counts),
    )


def _behind(plan: Plan, work: Work, waiting: Iterable[str]) -> float:
    """Working hours of tasks that wait for something to arrive, and of what waits for them."""
    stuck: set[str] = set()
    for id in work.by_id.keys() & set(waiting):
        stuck |= {id} | (plan.network.downstream(id) & work.by_id.keys())
    return sum(work.hours[id] for id in stuck)


def _late(
    work: Work,
    hours: Mapping[str, Span],
    arrivals: Mapping[str, Mapping[str, Span]],
    schedule: Schedule,
    runs: Runs,
    awaited: Sequence[Awaited],
) -> list[Late]:
    """What each awaited thing does to the end, those that decide most first."""

    def moved(thing: Awaited, days: float) -> float:
        """Calendar hours by which the end moves when a thing comes later."""
        later = {id: dict(things) for id, things in arrivals.items()}
        for id in thing.tasks:
            later[id][thing.id] = certain(DAY * (thing.days.likely + days))
        return float(run(work, hours, later, schedule.extra, runs=1).end[0]) - float(runs.end[0])

    on_list = [thing for thing in awaited if any(id in work.by_id for id in thing.tasks)]
    on_list.sort(key=lambda thing: -runs.awaits.get(thing.id, 0.0))
    found = []
    for n, thing in enumerate(on_list):
        followed = n < FEW
        spare = _spare(partial(moved, thing)) if followed else None
        week = moved(thing, 7.0) / DAY if followed else 0.0
        found.append(Late(thing, runs.awaits.get(thing.id, 0.0), spare, week))
    return found


def _spare(moved: Callable[[float], float]) -> int | None:
    """Most days that move nothing; none where more than are followed do not."""
    low, high = 0, SPARE_MOST
    if moved(float(high)) <= CLOSE:
        return None
    while high - low > 1:
        middle = (low + high) // 2
        low, high = (middle, high) if moved(float(middle)) <= CLOSE else (low, middle)
    return low


def _movers(plan: Plan, said: Said, awaited: Sequence[Awaited], today: date) -> list[Mover]:
    """Changes of the plan that bring the first start (the end, once that is past) sooner, the most first."""
    clock = Clock(today, said.week)
    now = _ends(_work(plan, said, awaited, clock))

    def tried(kind: str, id: str, label: str, said: Said, awaited: Sequence[Awaited]) -> Mover:
        clock = Clock(today, said.week)
        sooner = clock.day(now) - clock.day(_ends(_work(plan, said, awaited, clock)))
        return Mover(kind, id, label, sooner.days)

    week = said.week
    more = [
        tried("hands", "", "A helper throughout", replace(said, hands=said.hands + 1), awaited),
        tried(
            "weekend",
            "",
            "Two hours more on each day of the weekend",
            replace(said, week=Week(weekday=week.weekday, weekend=week.weekend + 2.0)),
            awaited,
        ),
        tried(
            "weekday",
            "",
            "An hour more on each weekday",
            replace(said, week=Week(weekday=week.weekday + 1.0, weekend=week.weekend)),
            awaited,
        ),
    ]
    for thing in awaited:
        week_sooner = max(thing.days.likely - 7.0, 0.0)
        sooner = [replace(t, days=certain(week_sooner)) if t.id == thing.id else t for t in awaited]
        more.append(tried("thing", thing.id, f"{thing.label} a week sooner", said, sooner))
    return sorted((m for m in more if m.sooner > 0), key=lambda m: -m.sooner)[:FEW]


def _ends(work: Work) -> float:
    """Calendar hours of the first start in a quick schedule; of the end where it is past."""
    schedule = made(work, serial(work, QUICK))
    return schedule.slots[MILESTONE].end if MILESTONE in schedule.slots else schedule.end
