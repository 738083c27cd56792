"""A whole build, resolved: what the core is given."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field, replace
from typing import Any

from gauge_well.core.duty.facts import DutyFacts, MachineFacts
from gauge_well.core.engine.facts import EngineFacts
from gauge_well.core.facts import Spec
from gauge_well.core.installation import InstallationFacts
from gauge_well.core.tolerance import Known


@dataclass(frozen=True)
class BuildCase:
    """SI facts, nothing of sheets or units; ``known`` says how each is known, by path."""

    name: str
    engine: EngineFacts
    machine: MachineFacts
    installation: InstallationFacts
    duties: Sequence[tuple[str, DutyFacts]]
    systems: Mapping[str, Any]
    wanted: float | None
    known: Mapping[str, Known] = field(default_factory=dict)


def fact_at(case: BuildCase, path: str) -> Any:
    """One fact of a case by its dotted path; KeyError where there is no such duty."""
    parts = path.split(".")
    if parts[0] == "duties":
        return getattr(dict(case.duties)[parts[1]], parts[2])
    holder = case.systems[parts[0]] if parts[0] in case.systems else getattr(case, parts[0])
    return getattr(holder, parts[1])


def has_meaning(case: BuildCase, path: str, spec: Spec) -> bool:
    """Whether a field applies where the choice it hangs on stands; that may be another section's."""
    if spec.when is None:
        return True
    name, choices = spec.when
    return fact_at(case, name if "." in name else f"{path.rsplit('.', 1)[0]}.{name}") in choices


def with_value(case: BuildCase, path: str, value: Any) -> BuildCase:
    """The case with one fact set."""
    return with_values(case, {path: value})


def with_values(case: BuildCase, values: Mapping[str, Any]) -> BuildCase:
    """The case with some facts set, by their paths."""
    changes: dict[str, dict[str, Any]] = {}
    for path, value in values.items():
        holder, name = path.rsplit(".", 1)
        changes.setdefault(holder, {})[name] = value
    found: dict[str, Any] = {}
    systems = dict(case.systems)
    duties = list(case.duties)
    for holder, change in changes.items():
        if holder.startswith("duties."):
            duties = [(id, replace(d, **change) if f"duties.{id}" == holder else d) for id, d in duties]
        elif holder in systems:
            systems[holder] = replace(systems[holder], **change)
        else:
            found[holder] = replace(getattr(case, holder), **change)
    return replace(case, duties=tuple(duties), systems=systems, **found)
