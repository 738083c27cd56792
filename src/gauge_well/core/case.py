"""A whole build, resolved: what the core is given."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field
from typing import Any

from gauge_well.core.duty.facts import DutyFacts, MachineFacts
from gauge_well.core.engine.facts import EngineFacts
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
