"""The order of work: 200 tasks answered, the solver against trying orders, a build's own board."""

from __future__ import annotations

from datetime import date
from functools import partial

import numpy as np

from benchmarks.timing import Line, median
from gauge_well.core.work.board import board
from gauge_well.core.work.clock import Clock
from gauge_well.core.work.network import Network
from gauge_well.core.work.plan import Plan
from gauge_well.core.work.said import Awaited, Said, Week
from gauge_well.core.work.schedule import Work, serial
from gauge_well.core.work.solver import shortest
from gauge_well.core.work.span import Span
from gauge_well.core.work.task import Arc, Task
from gauge_well.core.work.uncertain import run
from gauge_well.services.order import order_of
from gauge_well.sheet.demo import demo

TODAY = date(2026, 11, 29)
TASKS = 200


def made_up(count: int) -> tuple[Task, ...]:
    """A network as wide as the trade's: each task waits for one or two of the dozen before it."""
    rng = np.random.default_rng(3)
    tasks: list[Task] = []
    for n in range(count):
        before = {int(i) for i in rng.integers(max(0, n - 12), n, rng.integers(1, 3))} if n else set()
        likely = 0.25 * int(rng.integers(1, 24))
        tasks.append(
            Task(
                id=f"t{n}",
                title=f"Task {n}",
                stage="finish",
                hours=Span(0.5 * likely, likely, 2.0 * likely),
                after=tuple(Arc(f"t{i}") for i in sorted(before)),
                hands=2 if rng.random() < 0.15 else 1,
                lift=bool(rng.random() < 0.08),
                lag=24.0 if rng.random() < 0.05 else 0.0,
            )
        )
    return tuple(tasks)


def work() -> list[Line]:
    """Two hundred tasks for two people, then the quarry truck's own."""
    network, week = Network(made_up(TASKS)), Week()
    said = Said(week=week, hands=2)
    given = Work(network.tasks, {t.id: t.hours.likely for t in network.tasks}, {}, 2, Clock(TODAY, week))
    hours = {t.id: t.hours for t in network.tasks}
    late = [Awaited(id="part", label="part", tasks=("t40", "t90"), days=Span(9.0, 14.0, 30.0))]
    return [
        median(f"{TASKS} tasks answered", partial(board, Plan(network, {}), said, late, TODAY), target=1.0),
        median("of it forty orders tried", partial(serial, given)),
        median("of it the solver", partial(shortest, given)),
        median("of it 4096 runs", partial(run, given, hours, {})),
        median("order of work of the quarry truck", partial(order_of, demo("quarry-mule"), TODAY)),
    ]
