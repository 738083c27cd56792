"""Sections of a sheet, taken from the core's facts classes: nothing is listed twice."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass
from typing import Any

from gauge_well.core import installation
from gauge_well.core.duty import facts as duty_facts
from gauge_well.core.engine import facts as engine_facts
from gauge_well.core.facts import Role, Rule, Spec, lists, roles, spec_at, specs
from gauge_well.core.parts import KINDS
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


@dataclass(frozen=True)
class Place:
    """A place in a section that a part fills, or several in order; its path is ``section.name``."""

    section: str
    name: str
    role: Role
    many: bool

    @property
    def path(self) -> str:
        """As a part names it."""
        return f"{self.section}.{self.name}"


PLACES: Mapping[str, Place] = {
    place.path: place
    for section in SECTIONS.values()
    for many, found in ((False, roles(section.facts)), (True, lists(section.facts)))
    for place in (Place(section.id, name, role, many) for name, role in found.items())
}
DUTY = _section("duties", "Duties", duty_facts.DutyFacts, duty_facts.fill_duty)
WANTED = Spec("Power wanted", "power", 500.0, 3e6, help="What the builder sizes for; rated power otherwise.")


def place_of(path: str) -> Place | None:
    """The place a fact of the sheet lies in: of ``fuel.main.flow`` the main pump's; None where it is no part's."""
    return PLACES.get(".".join(path.split(".", 2)[:2]))


def spec_of(path: str, kind: str = "") -> Spec | None:
    """Specification of a dotted path such as ``cooling.core.width``, ``duties.grade.speed``, ``exhaust.pieces.a.length``.

    ``kind``: of the part, for ``parts.id.fact``.
    """
    if path == "wanted":
        return WANTED
    section, _, name = path.partition(".")
    if section == "duties":
        return DUTY.specs.get(name.partition(".")[2])
    if section == "parts":
        return specs(KINDS[kind].facts).get(name.partition(".")[2]) if kind in KINDS else None
    return spec_at(SECTIONS[section].facts, name) if section in SECTIONS else None
