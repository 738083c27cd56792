"""How each fact of a build is measured in a workshop."""

from __future__ import annotations

from collections.abc import Mapping
from functools import lru_cache

from gauge_well.core import installation
from gauge_well.core.case import parted
from gauge_well.core.duty import facts as duty_facts
from gauge_well.core.engine import facts as engine_facts
from gauge_well.core.facts import Way, lists
from gauge_well.core.systems import SYSTEMS


@lru_cache(maxsize=8192)
def way_of(path: str) -> Way | None:
    """How a fact is measured; None for what no tape or gauge tells."""
    section, name = parted(path)
    tables: Mapping[str, Mapping[str, Way]] = {
        "engine": engine_facts.WAYS,
        "machine": duty_facts.WAYS,
        "duties": duty_facts.DUTY_WAYS,
        "installation": installation.WAYS,
        **{id: system.ways for id, system in SYSTEMS.items()},
    }
    if name.count(".") == 2 and section in SYSTEMS:
        place, _, name = name.split(".")
        return lists(SYSTEMS[section].facts)[place].kind.ways.get(name)
    return tables[section].get(name) if section in tables else None
