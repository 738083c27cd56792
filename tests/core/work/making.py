"""Small networks for the tests of the work."""

from datetime import date

from gauge_well.core.work.clock import Clock
from gauge_well.core.work.network import Network
from gauge_well.core.work.said import Week
from gauge_well.core.work.schedule import Work
from gauge_well.core.work.span import Span, certain
from gauge_well.core.work.task import Arc, Task

SUNDAY = date(2026, 11, 29)
ALWAYS = Clock(SUNDAY, Week(weekday=24.0, weekend=24.0))  # hours of work are hours of the day
WEEKLY = Clock(SUNDAY, Week(weekday=2.0, weekend=8.0))


def task(id: str, hours: float | Span, *after: str, hands: int = 1, lift: bool = False, lag: float = 0.0) -> Task:
    span = hours if isinstance(hours, Span) else certain(hours)
    arcs = tuple(Arc(before, f"{before} first") for before in after)
    return Task(id=id, title=id.title(), stage="strip", hours=span, after=arcs, hands=hands, lift=lift, lag=lag)


def work(*tasks: Task, hands: int = 1, clock: Clock = ALWAYS, ready: dict[str, float] | None = None) -> Work:
    ordered = Network(tuple(tasks)).tasks
    return Work(ordered, {t.id: t.hours.likely for t in ordered}, ready or {}, hands, clock)
