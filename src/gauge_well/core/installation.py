"""Where things lie: one block that every system reads."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any

from gauge_well.core.facts import Rule, quantity
from gauge_well.core.typing import Value


@dataclass(frozen=True)
class InstallationFacts:
    """Room and heights; SI."""

    depth_available: Value | None = quantity(
        "Room ahead of the pulley",
        "length",
        0.0,
        3.0,
        group="Room",
        help="From the front face of the core to the first moving thing.",
    )
    opening_width: Value | None = quantity("Opening width", "length", 0.05, 4.0, group="Room")
    opening_height: Value | None = quantity("Opening height", "length", 0.05, 3.0, group="Room")


def fill(given: Mapping[str, Any], context: Mapping[str, Mapping[str, Any]]) -> dict[str, Rule]:
    """Nothing here has an honest general default: room is measured."""
    return {}
