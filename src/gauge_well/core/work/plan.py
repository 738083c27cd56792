"""A build's own network: the trade's, with what the builder says of it."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from functools import cached_property

from gauge_well.core.errors import CoreError
from gauge_well.core.work.network import Network, chosen, joined
from gauge_well.core.work.said import Said, TaskSaid
from gauge_well.core.work.span import Span
from gauge_well.core.work.task import STAGES, Arc, Task
from gauge_well.core.work.trade import TASKS
from gauge_well.core.work.traits import Traits

OWN = "the builder's own"
OWN_HOURS = Span(1.0, 2.0, 4.0)  # of a task nobody gave hours (common practice)


@dataclass(frozen=True)
class Plan:
    """The network, which of it is done, and which hours somebody gave."""

    network: Network
    said: Mapping[str, TaskSaid]

    @cached_property
    def done(self) -> frozenset[str]:
        """Tasks that are done."""
        return frozenset(id for id, said in self.said.items() if said.done is not None and id in self.network.by_id)

    @property
    def left(self) -> tuple[Task, ...]:
        """Tasks still to be done, in an order of work."""
        done = self.done
        return tuple(task for task in self.network.tasks if task.id not in done)

    def stated(self, id: str) -> bool:
        """Whether its hours are the builder's."""
        said = self.said.get(id)
        return said is not None and said.hours is not None


def planned(traits: Traits, said: Said) -> Plan:
    """Choose the trade's tasks for a build and put the builder's word on top.

    Raises
    ------
    CoreError
        ``ring``, ``unknown_task``, or ``untitled`` for an own task without a title.
    """
    trade = {task.id: task for task in chosen(TASKS, traits)}
    whole = {task.id: task for task in TASKS}
    own = {}
    for id, words in said.tasks.items():
        if id not in whole:
            if not words.title:
                raise CoreError(
                    "untitled", f"work.tasks.{id}.title", "", "a title", "A task of your own needs a title."
                )
            own[id] = Task(
                id=id, title=words.title, stage=words.stage or "mockup", hours=OWN_HOURS, why=words.why or OWN
            )
    every = trade | own
    anywhere = whole | every
    for id, words in said.tasks.items():
        for before in words.after:
            if before not in anywhere:
                raise CoreError(
                    "unknown_task", f"work.tasks.{id}.after", before, "a task", f"There is no task “{before}”."
                )
    kept = [id for id in every if not (id in said.tasks and said.tasks[id].left_out)]
    found = []
    for id in kept:
        words, task = said.tasks.get(id, TaskSaid(id=id)), every[id]
        arcs = [arc for arc in task.after if arc.before not in words.free_of]
        arcs += [Arc(before, OWN) for before in words.after]
        found.append(replace(_with(task, words), after=tuple(joined(arcs, anywhere, kept))))
    return Plan(Network(tuple(found)), said.tasks)


def _with(task: Task, said: TaskSaid) -> Task:
    """A task as the builder has it."""
    return replace(
        task,
        title=said.title or task.title,
        stage=said.stage if said.stage in STAGES else task.stage,
        hours=said.hours or task.hours,
        hands=said.hands or task.hands,
        lift=task.lift if said.lift is None else said.lift,
        lag=task.lag if said.lag is None else said.lag,
    )
