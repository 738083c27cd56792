"""Whom a fact reaches, by what the systems declare."""

from __future__ import annotations

from collections.abc import Collection, Mapping
from functools import cache

from gauge_well.core.reads import ENGINE, ENGINE_DECLARES, OPERATION, Declared, key_of
from gauge_well.core.systems import SYSTEMS


@cache
def declarations() -> Mapping[str, Declared]:
    """Every step's, the engine's first."""
    return {ENGINE: ENGINE_DECLARES, **{id: system.declares for id, system in SYSTEMS.items()}}


def readers(path: str) -> frozenset[str]:
    """Steps that read a fact themselves."""
    key = key_of(path)
    own = key.split(".")[0]
    return frozenset(id for id, d in declarations().items() if key in d.reads or (id == own and id in SYSTEMS))


def takers(figures: Collection[str]) -> frozenset[str]:
    """Steps that take any of some figures."""
    return frozenset(id for id, d in declarations().items() if not d.takes.isdisjoint(figures))


@cache
def affected(path: str) -> frozenset[str]:
    """Steps that a fact reaches, by its readers and by what they hand on."""
    found: frozenset[str] = frozenset()
    more = readers(path)
    while not more <= found:
        found |= more
        more = takers([figure for id in found for figure in declarations()[id].gives])
    return found


def moves_operation(path: str) -> bool:
    """Whether the engine in its duties is another for a fact; wanted power is one."""
    return path == "wanted" or OPERATION in {f for id in readers(path) for f in declarations()[id].gives}
