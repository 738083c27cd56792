"""The network of a build's work: tasks chosen by what it is, arcs kept through those it has not, rings refused by name."""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from functools import cached_property
from graphlib import CycleError, TopologicalSorter

from gauge_well.core.errors import CoreError
from gauge_well.core.work.span import Span
from gauge_well.core.work.task import Arc, Task
from gauge_well.core.work.traits import Traits, size_factor


@dataclass(frozen=True)
class Network:
    """Tasks in an order in which each comes after all it waits for.

    Raises
    ------
    CoreError
        ``ring`` where a task waits for itself through others, naming them; ``unknown_task`` where an arc leads nowhere.
    """

    tasks: tuple[Task, ...]

    def __post_init__(self) -> None:
        known = {task.id for task in self.tasks}
        for task in self.tasks:
            for arc in task.after:
                if arc.before not in known:
                    limit = "a task of this build"
                    raise CoreError(
                        "unknown_task",
                        f"work.tasks.{task.id}.after",
                        arc.before,
                        limit,
                        f"“{task.title}” waits for a task that is not there.",
                    )
        order = _ordered(self.tasks)
        place = {id: n for n, id in enumerate(order)}
        object.__setattr__(self, "tasks", tuple(sorted(self.tasks, key=lambda task: place[task.id])))

    @cached_property
    def by_id(self) -> Mapping[str, Task]:
        """Tasks by their id."""
        return {task.id: task for task in self.tasks}

    @cached_property
    def before(self) -> Mapping[str, tuple[str, ...]]:
        """What each task waits for."""
        return {task.id: tuple(arc.before for arc in task.after) for task in self.tasks}

    @cached_property
    def following(self) -> Mapping[str, tuple[str, ...]]:
        """What waits for each task."""
        found: dict[str, list[str]] = {task.id: [] for task in self.tasks}
        for task in self.tasks:
            for arc in task.after:
                found[arc.before].append(task.id)
        return {id: tuple(ids) for id, ids in found.items()}

    def upstream(self, id: str) -> frozenset[str]:
        """All that a task waits for, through others too."""
        return _reached(id, self.before)

    def downstream(self, id: str) -> frozenset[str]:
        """All that waits for a task, through others too."""
        return _reached(id, self.following)


def _reached(id: str, arcs: Mapping[str, Sequence[str]]) -> frozenset[str]:
    found: set[str] = set()
    waiting = list(arcs[id])
    while waiting:
        at = waiting.pop()
        if at not in found:
            found.add(at)
            waiting += arcs[at]
    return frozenset(found)


def _ordered(tasks: Sequence[Task]) -> list[str]:
    """An order of work, the table's own where it is free; CoreError names the ring where there is none."""
    sorter: TopologicalSorter[str] = TopologicalSorter()
    for task in tasks:
        sorter.add(task.id, *(arc.before for arc in task.after))
    try:
        return list(sorter.static_order())
    except CycleError as error:
        titles = {task.id: task.title for task in tasks}
        # The library names the ring from a task on to what waits for it, its first at both ends.
        ring = [str(id) for id in error.args[1]]
        words = " → ".join(f"“{titles[id]}”" for id in ring)
        limit = "no task that waits for itself"
        raise CoreError(
            "ring", f"work.tasks.{ring[-1]}.after", ring[:-1], limit, f"These wait for each other in a ring: {words}."
        ) from error


def chosen(table: Iterable[Task], traits: Traits) -> tuple[Task, ...]:
    """Tasks that a build has, their hours by the engine's size; what waited for one it has not waits for what that waited for."""
    table = tuple(table)
    factor = size_factor(traits)
    table = tuple(task.varies(task, traits) if task.varies else task for task in table)
    have = {task.id for task in table if task.when is None or task.when(traits)}
    by_id = {task.id: task for task in table}
    return tuple(
        replace(
            task,
            hours=_quarters(task.hours.scaled(factor)) if task.sized else task.hours,
            after=tuple(joined(task.after, by_id, have)),
        )
        for task in table
        if task.id in have
    )


def _quarters(hours: Span) -> Span:
    """To the quarter hour: nobody plans finer."""
    return Span(*(round(4.0 * point) / 4.0 for point in (hours.low, hours.likely, hours.high)))


def joined(arcs: Sequence[Arc], by_id: Mapping[str, Task], have: Iterable[str]) -> Iterator[Arc]:
    """Arcs that lead to tasks that are there: through one that is not, to what it waited for itself, with its own reason."""
    there = set(have)
    seen: set[str] = set()
    waiting = list(arcs)
    while waiting:
        arc = waiting.pop(0)
        if arc.before in seen:
            continue
        seen.add(arc.before)
        if arc.before in there:
            yield arc
        elif arc.before in by_id:
            waiting += by_id[arc.before].after
