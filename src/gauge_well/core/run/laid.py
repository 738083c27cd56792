"""Runs of hose, pipe and wire that somebody stated, in whichever system: what must be laid."""

from __future__ import annotations

from collections.abc import Iterator
from typing import Any

from gauge_well.core.case import BuildCase
from gauge_well.core.evidence import RULE
from gauge_well.core.facts import lists, roles
from gauge_well.core.parts.load import WHATS
from gauge_well.core.run.scope import judging
from gauge_well.core.systems.base import Laid, System
from gauge_well.core.typing import likely_or_none


def laid(case: BuildCase) -> tuple[Laid, ...]:
    """Every run of which somebody stated anything, in the order of work; what rules make up is none."""
    stated = {path.rpartition(".")[0] for path, known in case.known.items() if known.evidence != RULE}
    return tuple(run for system in judging(case) for run in _of(system, case.systems[system.id], stated))


def _of(system: System, facts: Any, stated: set[str]) -> Iterator[Laid]:
    for place, what in system.lays.items():
        path = f"{system.id}.{place}"
        if place in roles(system.facts):
            if path in stated:
                yield _run(path, roles(system.facts)[place].label, what, getattr(facts, place))
            continue
        label = lists(system.facts)[place].label
        own = [(id, part) for id, part in getattr(facts, place) if f"{path}.{id}" in stated]
        for number, (id, part) in enumerate(own, 1):
            fed = WHATS.get(getattr(part, "feeds", None) or "")
            name = f"Wire of {fed.label}" if fed else f"{label} {number}" if len(own) > 1 else label
            yield _run(f"{path}.{id}", name, what, part)


def _run(path: str, name: str, what: str, part: Any) -> Laid:
    length, bore = getattr(part, "length", None), getattr(part, "bore", None)
    return Laid(path, name, what, likely_or_none(length), likely_or_none(bore))
