"""Sections of a sheet, taken from the core's facts classes: nothing is listed twice."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass
from typing import Any

from gauge_well.core import installation
from gauge_well.core.duty import facts as duty_facts
from gauge_well.core.engine import facts as engine_facts
from gauge_well.core.facts import Rule, Spec, specs
from gauge_well.core.systems import SYSTEMS

Fill = Callable[[Mapping[str, Any], Mapping[str, Mapping[str, Any]]], dict[str, Rule]]


@dataclass(frozen=True)
class Section:
    """One block of the sheet."""

    id: str
    title: str
    facts: type[Any]
    fill: Fill
    specs: Mapping[str, Spec]


def _section(id: str, title: str, facts: type[Any], fill: Fill) -> Section:
    return Section(id, title, facts, fill, specs(facts))


# In the order they are filled: later rules may look at earlier sections.
SECTIONS: Mapping[str, Section] = {
    s.id: s
    for s in (
        _section("machine", "Machine", duty_facts.MachineFacts, duty_facts.fill_machine),
        _section("engine", "Engine", engine_facts.EngineFacts, engine_facts.fill),
        _section("installation", "Installation", installation.InstallationFacts, installation.fill),
        *(_section(s.id, s.title, s.facts, s.fill) for s in SYSTEMS.values()),
    )
}
DUTY = _section("duties", "Duties", duty_facts.DutyFacts, duty_facts.fill_duty)
WANTED = Spec("Power wanted", "power", 500.0, 3e6, help="What the builder sizes for; rated power otherwise.")
EVIDENCE: Mapping[str, str] = {
    "taped": "measured, weighed or tested here",
    "sheet": "maker's literature",
    "similar": "a like part or build",
    "rule": "supplied by the program",
    "guess": "a guess",
}
EVIDENCE_ALIASES = {"weighed": "taped", "tested": "taped", "measured": "taped"}


def spec_of(path: str) -> Spec | None:
    """Specification of a dotted path such as ``cooling.core_width`` or ``duties.grade.speed``."""
    parts = path.split(".")
    if path == "wanted":
        return WANTED
    if len(parts) == 3 and parts[0] == "duties":
        return DUTY.specs.get(parts[2])
    if len(parts) == 4 and parts[0] == "candidates" and parts[1] in SECTIONS:
        return SECTIONS[parts[1]].specs.get(parts[3])
    if len(parts) == 2 and parts[0] in SECTIONS:
        return SECTIONS[parts[0]].specs.get(parts[1])
    return None
