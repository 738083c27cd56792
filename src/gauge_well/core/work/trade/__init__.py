"""The trade's network: every task it knows, stretch by stretch. Hours are usual ones for who has done it before (common practice)."""

from __future__ import annotations

from collections.abc import Mapping

from gauge_well.core.work.task import Task
from gauge_well.core.work.trade import decide, donor, finish, first, install, mockup, strip

TASKS: tuple[Task, ...] = (
    *decide.TASKS,
    *donor.TASKS,
    *strip.TASKS,
    *mockup.TASKS,
    *finish.TASKS,
    *install.TASKS,
    *first.TASKS,
)

TRADE = frozenset(task.id for task in TASKS)
# The task that cannot begin without a part of a system, where no task names its place; the first that a build has.
OF_SYSTEM: Mapping[str, tuple[str, ...]] = {
    "oil": ("pan_on",),
    "exhaust": ("manifold", "riser"),
    "cooling": ("core", "raw_water"),
    "fuel": ("fuel_lines",),
    "air": ("intake",),
    "boat": ("raw_water", "riser"),
    "belts": ("accessories",),
    "electrics": ("cables",),
    "driveline": ("shafts_in",),
    "controls": ("controls_trial",),
    "mounts": ("tack",),
}


def task_for(place: str, have: Mapping[str, Task]) -> str | None:
    """The task of a build that cannot begin without what fills a place (``section.name``); none where nothing waits for it."""
    named = next((id for id, task in have.items() if place in task.parts), None)
    return named or next((id for id in OF_SYSTEM.get(place.partition(".")[0], ()) if id in have), None)
