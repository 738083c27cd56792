"""What it costs to go against the order: said when a task is ticked before what must come first."""

from __future__ import annotations

from collections.abc import Iterator, Set
from dataclasses import dataclass

from gauge_well.core.work.network import Network
from gauge_well.core.work.task import Arc, Task


@dataclass(frozen=True)
class Broken:
    """A task done, or about to be, before one it waits for.

    Parameters
    ----------
    task, missing : Task
    why : str
        Why the missing one comes first; empty where it does so only through others.
    undo : float
        Hours more at likely times: to take apart what is in its way and do it again, or to do it where it stands by then.
    redone : tuple of Task
        What is done again, the last first; none where it is done as it stands.
    """

    task: Task
    missing: Task
    why: str
    undo: float
    redone: tuple[Task, ...]


def breaks(network: Network, done: Set[str], id: str) -> list[Broken]:
    """Arcs that are broken by doing a task now: what it waits for and is open, the dearest first.

    Of what lies in a row only the nearest are told, and those whose arc leads straight to the task.
    """
    task = network.by_id[id]
    straight = {arc.before: arc for arc in task.after}
    nearest = set(_nearest(network, done, id)) | (straight.keys() - done)
    found = [_broken(network, done | {id}, task, straight.get(before, Arc(before))) for before in nearest]
    return sorted(found, key=lambda b: (-b.undo, b.missing.id))


def _nearest(network: Network, done: Set[str], id: str) -> Iterator[str]:
    """Open tasks upstream with nothing open between them and the task."""
    seen: set[str] = set()
    waiting = list(network.before[id])
    while waiting:
        at = waiting.pop()
        if at in seen:
            continue
        seen.add(at)
        if at in done:
            waiting += network.before[at]
        else:
            yield at


def _broken(network: Network, done: Set[str], task: Task, arc: Arc) -> Broken:
    """To do the missing one after all it is done where it stands by then, or what is in its way comes undone: the less of
    the two."""
    missing = network.by_id[arc.before]
    order = {t.id: n for n, t in enumerate(network.tasks)}
    redone = [network.by_id[id] for id in network.downstream(task.id) & done] + [task]
    redone = sorted((t for t in redone if t.again > 0.0), key=lambda t: -order[t.id])
    undo = sum(t.again * t.hours.likely for t in redone)
    poorer = float("inf") if missing.later is None else (missing.later - 1.0) * missing.hours.likely
    if poorer < undo:
        return Broken(task, missing, arc.why, poorer, ())
    return Broken(task, missing, arc.why, undo, tuple(redone))


def out_of_order(network: Network, done: Set[str]) -> list[Broken]:
    """What was done before what it waits for itself, the dearest first."""
    found = [b for id in done if id in network.by_id for b in breaks(network, done - {id}, id) if b.why]
    return sorted(found, key=lambda b: (-b.undo, b.task.id, b.missing.id))
