"""How each fact of a build is measured in a workshop."""

from __future__ import annotations

from collections.abc import Mapping

from gauge_well.core import installation
from gauge_well.core.duty import facts as duty_facts
from gauge_well.core.engine import facts as engine_facts
from gauge_well.core.facts import Way
from gauge_well.core.systems import SYSTEMS


def way_of(path: str) -> Way | None:
    """How a fact is measured; None for what no tape or gauge tells."""
    parts = path.split(".")
    tables: Mapping[str, Mapping[str, Way]] = {
        "engine": engine_facts.WAYS,
        "machine": duty_facts.WAYS,
        "duties": duty_facts.DUTY_WAYS,
        "installation": installation.WAYS,
        **{id: system.ways for id, system in SYSTEMS.items()},
    }
    return tables[parts[0]].get(parts[-1]) if parts[0] in tables else None
