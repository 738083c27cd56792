"""A task of the work, what must be done before it and why."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass

from gauge_well.core.work.span import Span
from gauge_well.core.work.traits import Traits

# Stretches of the work, in their order.
STAGES: Mapping[str, str] = {
    "decide": "Decide",
    "donor": "Donor and bench",
    "strip": "Strip",
    "mockup": "Mock-up",
    "finish": "Finish",
    "install": "Install",
    "first": "First start",
    "road": "On the road",
}


@dataclass(frozen=True)
class Arc:
    """What must be done before a task, and the reason."""

    before: str
    why: str = ""


@dataclass(frozen=True, kw_only=True)
class Task:
    """One task.

    Parameters
    ----------
    id, title, stage : str
        Stage: one of :data:`STAGES`.
    hours : Span
        Working time [h] of as many hands as it takes, for an engine of :data:`USUAL_SIZE`.
    after : tuple of Arc
    why : str
        What it is for.
    hands : int
    lift : bool
        Takes the hoist.
    lag : float
        Calendar hours that pass by themselves before what follows may begin; ``lag_why``: for what.
    hold : str
        What proves it, where it is a hold: proved and signed before going on.
    tools, materials, parts : tuple of str
        Parts: places of the sheet that must be filled with something that is there.
    covers : str
        What nobody sees again once it is done.
    again : float
        Time to undo it and do it again, as a share of its own.
    later : float, optional
        Time it takes where it stands once what should have waited is done, as a multiple of its own; none: what is in its
        way must be undone.
    lost : str
        What going on without it loses besides hours.
    caution : str
    sized : bool
        It takes longer on a large engine.
    when : callable, optional
        Whether a build has it.
    varies : callable, optional
        How the task is on a build that does it otherwise.
    branch : str
        Of several that are worked side by side in its stretch: which.
    """

    id: str
    title: str
    stage: str
    hours: Span
    after: tuple[Arc, ...] = ()
    why: str = ""
    hands: int = 1
    lift: bool = False
    lag: float = 0.0
    lag_why: str = ""
    hold: str = ""
    tools: tuple[str, ...] = ()
    materials: tuple[str, ...] = ()
    parts: tuple[str, ...] = ()
    covers: str = ""
    again: float = 1.5
    later: float | None = None
    lost: str = ""
    caution: str = ""
    sized: bool = False
    when: Callable[[Traits], bool] | None = None
    varies: Callable[[Task, Traits], Task] | None = None
    branch: str = ""


def after(*named: str, **why: str) -> tuple[Arc, ...]:
    """Arcs: names alone, then names with their reason."""
    return (*(Arc(id) for id in named), *(Arc(id, reason) for id, reason in why.items()))


def hours(low: float, likely: float, high: float) -> Span:
    """Working hours, least, likely, most (common practice)."""
    return Span(low, likely, high)
