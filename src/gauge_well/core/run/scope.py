"""Which systems a build is judged by: what its machine has, what the builder puts off or leaves out, what is begun."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.case import BuildCase
from gauge_well.core.evidence import RULE
from gauge_well.core.facts import spec_at
from gauge_well.core.systems import SYSTEMS
from gauge_well.core.systems.base import System

JUDGED, LATER, LEFT_OUT = "judged", "later", "left_out"
# What a builder may say of a system.
CHOICES: Mapping[str, str] = {JUDGED: "judged", LATER: "later", LEFT_OUT: "left out"}
WHYS: Mapping[str, str] = {LATER: "put off until later", LEFT_OUT: "left out of this build"}


@dataclass(frozen=True)
class Scope:
    """Whether a system is judged in a build, and why where it is not; ``foreign``: such a machine has none of it, or another
    system judges it, so that nothing is left unsaid."""

    state: str
    why: str = ""
    foreign: bool = False


def scope_of(system: System, case: BuildCase) -> Scope:
    """By the builder's own word, else by the kind of machine; what cannot be worked for a machine is left out of it."""
    why = system.applies(case.machine)
    if why is not None:
        return Scope(LEFT_OUT, why, True)
    said = case.scope.get(system.id, JUDGED)
    return Scope(said, WHYS.get(said, ""))


def judging(case: BuildCase) -> list[System]:
    """Systems that are judged, in the order of work."""
    return [system for system in SYSTEMS.values() if scope_of(system, case).state == JUDGED]


def begun(case: BuildCase) -> frozenset[str]:
    """Systems of which a part is known by what somebody stated: one of the facts it cannot be told without, or a piece."""
    found = set()
    for path, known in case.known.items():
        section, _, name = path.partition(".")
        if known.evidence == RULE or section not in SYSTEMS or section in found:
            continue
        spec = spec_at(SYSTEMS[section].facts, name)
        if spec is not None and (spec.part or name.count(".") == 2):
            found.add(section)
    return frozenset(found)
