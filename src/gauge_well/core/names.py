"""Facts as a builder names them."""

from __future__ import annotations

from gauge_well.core.case import parted
from gauge_well.core.duty.facts import DutyFacts
from gauge_well.core.facts import lists, spec_at
from gauge_well.core.run.sampling import SECTIONS
from gauge_well.core.sentence import inside


def named(path: str) -> str:
    """Label of a fact in the middle of a sentence; the path itself where there is no such field."""
    section, name = parted(path)
    facts = DutyFacts if section == "duties" else SECTIONS.get(section)
    spec = spec_at(facts, name) if facts is not None else None
    if spec is None and facts is not None and name in lists(facts):
        return lists(facts)[name].label.lower()
    if spec is None:
        return path.replace("_", " ")
    label = spec.label.strip()
    return label if label[:2].isupper() else inside(label)
