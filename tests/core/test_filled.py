"""What a facts class says is always there is there, in every build that can be sized."""

import dataclasses
import typing
import unittest
from collections.abc import Iterator
from functools import cache

from gauge_well.core.facts import lists, roles
from gauge_well.sheet.demo import NAMES
from gauge_well.sheet.starter import FUELS, MACHINES, starter, task_kind
from tests.support import ROAD, case_of, changed, demo_document

BARE = changed(ROAD, cooling={}, fuel={}, oil={}, exhaust={})
NO_MACHINE = changed(ROAD, machine={})
TASKS = {"road": "800 kg", "boat": "70 %", "work": "42 C"}


@cache
def always(facts_class: type) -> frozenset[str]:
    """Fields that a class says are never None."""
    hints = typing.get_type_hints(facts_class)
    return frozenset(
        f.name
        for f in dataclasses.fields(facts_class)
        if "spec" in f.metadata and type(None) not in typing.get_args(hints[f.name])
    )


def absent(where: str, facts: object, names: typing.Collection[str]) -> Iterator[str]:
    for name in names:
        if name in always(type(facts)) and getattr(facts, name) is None:
            yield f"{where}.{name}"


def all_absent(raw: dict) -> list[str]:
    case = case_of(raw)
    found: list[str] = []
    sections = {"engine": case.engine, "machine": case.machine, "installation": case.installation, **case.systems}
    for section, facts in sections.items():
        found += absent(section, facts, always(type(facts)))
        # What a place does not ask of its part is not filled, and not read there.
        for place, role in roles(type(facts)).items():
            found += absent(f"{section}.{place}", getattr(facts, place), role.names)
        for place, role in lists(type(facts)).items():
            for id, part in getattr(facts, place):
                found += absent(f"{section}.{place}.{id}", part, role.names)
    for id, duty in case.duties:
        found += absent(f"duties.{id}", duty, always(type(duty)))
    return found


class Filled(unittest.TestCase):
    def test_most_is(self) -> None:
        """Classes do say so: the test below would pass of classes that promise nothing."""
        classes = {type(facts) for facts in case_of(ROAD).systems.values()}
        classes |= {role.kind.facts for found in list(classes) for role in roles(found).values()}
        self.assertGreater(sum(len(always(found)) for found in classes), 80)

    def test_of_demo_builds_and_of_bare_ones(self) -> None:
        for raw in (*map(demo_document, NAMES), ROAD, BARE, NO_MACHINE):
            self.assertEqual(all_absent(raw), [], raw["name"])

    def test_of_every_machine_on_every_fuel(self) -> None:
        for kind in MACHINES:
            for fuel in FUELS:
                raw = starter(
                    name="",
                    kind=kind,
                    fuel=fuel,
                    power="55 kW",
                    speed="3600 rpm",
                    displacement="2.6 L",
                    mass="1500 kg",
                    task=TASKS[task_kind(kind)],
                )
                self.assertEqual(all_absent(raw), [], f"{kind} on {fuel}")
