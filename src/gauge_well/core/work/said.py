"""What the builder says of the work: what is done, own tasks and arcs, what is bought, the hours there are."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field
from datetime import date

from gauge_well.core.work.span import Span


@dataclass(frozen=True, kw_only=True)
class TaskSaid:
    """Of one task; one that the network has not is the builder's own, and has a title.

    Parameters
    ----------
    after : tuple of str
        Tasks that must be done before it, besides those it waits for anyhow.
    free_of : tuple of str
        Tasks that it need not wait for on this build.
    done : date, optional
    signed : str
        Who proved a hold.
    left_out : bool
        Not done on this build.
    """

    id: str
    title: str = ""
    stage: str = ""
    why: str = ""
    hours: Span | None = None
    hands: int | None = None
    lift: bool | None = None
    lag: float | None = None
    after: tuple[str, ...] = ()
    free_of: tuple[str, ...] = ()
    done: date | None = None
    signed: str = ""
    note: str = ""
    left_out: bool = False


@dataclass(frozen=True, kw_only=True)
class Awaited:
    """Something a task cannot begin without that is not there yet.

    Parameters
    ----------
    days : Span
        Days from today until it is there.
    dated : bool
        Its day is stated.
    ordered : bool
        It is on its way, or in the making.
    late : int
        Days it was due before today.
    """

    id: str
    label: str
    tasks: tuple[str, ...]
    days: Span
    dated: bool = False
    ordered: bool = False
    late: int = 0


@dataclass(frozen=True, kw_only=True)
class Week:
    """Working hours there are: on a weekday from the evening on, and on a day of the weekend."""

    weekday: float = 2.0
    weekend: float = 8.0

    @property
    def pace(self) -> float:
        """Working hours that pass in a calendar hour, over a whole week."""
        return (5.0 * self.weekday + 2.0 * self.weekend) / 168.0


@dataclass(frozen=True, kw_only=True)
class Said:
    """All of it."""

    choices: Mapping[str, str] = field(default_factory=dict)
    tasks: Mapping[str, TaskSaid] = field(default_factory=dict)
    week: Week = field(default_factory=Week)
    hands: int = 1
