"""A whole build, resolved: what the core is given."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field, replace
from typing import Any

from gauge_well.core.duty.facts import DutyFacts, MachineFacts
from gauge_well.core.engine.facts import EngineFacts
from gauge_well.core.facts import Spec, When, fact, with_facts
from gauge_well.core.installation import InstallationFacts
from gauge_well.core.measured import Measured
from gauge_well.core.tolerance import Known


@dataclass(frozen=True, kw_only=True)
class BuildCase:
    """SI facts, nothing of sheets or units; ``known`` says how each is known, by path; ``scope`` what the builder says of a system;
    ``measured`` what readings taught of it."""

    name: str
    engine: EngineFacts
    machine: MachineFacts
    installation: InstallationFacts
    duties: Sequence[tuple[str, DutyFacts]]
    systems: Mapping[str, Any]
    wanted: float | None
    known: Mapping[str, Known] = field(default_factory=dict)
    scope: Mapping[str, str] = field(default_factory=dict)
    measured: Measured | None = None


def parted(path: str) -> tuple[str, str]:
    """Section and name of a fact's path; of a duty's its field, whichever duty it is."""
    section, _, name = path.partition(".")
    return section, name.rpartition(".")[2] if section == "duties" else name


def fact_at(case: BuildCase, path: str) -> Any:
    """One fact of a case by its dotted path; KeyError where there is no such duty."""
    section, _, name = path.partition(".")
    if section == "duties":
        id, _, name = name.partition(".")
        return getattr(dict(case.duties)[id], name)
    return fact(case.systems[section] if section in case.systems else getattr(case, section), name)


def has_meaning(case: BuildCase, path: str, spec: Spec) -> bool:
    """Whether a field applies where the choices it hangs on stand; they may be another section's."""
    return all(_stands(case, path, when) for when in (spec.when, spec.also) if when is not None)


def _stands(case: BuildCase, path: str, when: When) -> bool:
    name, choices = when
    head, *more = name.split(".")
    if more and (head in case.systems or hasattr(case, head)):
        return fact_at(case, name) in choices
    section, *rest = path.split(".")
    holder = f"{section}.{rest[0]}" if section == "duties" else section
    return fact_at(case, f"{holder}.{name}") in choices


def with_value(case: BuildCase, path: str, value: Any) -> BuildCase:
    """The case with one fact set."""
    return with_values(case, {path: value})


def with_values(case: BuildCase, values: Mapping[str, Any]) -> BuildCase:
    """The case with some facts set, by their paths."""
    changes: dict[str, dict[str, Any]] = {}
    for path, value in values.items():
        section, _, name = path.partition(".")
        if section == "duties":
            id, _, name = name.partition(".")
            section = f"duties.{id}"
        changes.setdefault(section, {})[name] = value
    found: dict[str, Any] = {}
    systems = dict(case.systems)
    duties = list(case.duties)
    for holder, change in changes.items():
        if holder.startswith("duties."):
            duties = [(id, replace(d, **change) if f"duties.{id}" == holder else d) for id, d in duties]
        elif holder in systems:
            systems[holder] = with_facts(systems[holder], change)
        else:
            found[holder] = replace(getattr(case, holder), **change)
    return replace(case, duties=tuple(duties), systems=systems, **found)
