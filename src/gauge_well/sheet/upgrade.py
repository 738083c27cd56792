"""Versions of the document. An older one is carried up a version at a time."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from typing import Any

from gauge_well.sheet.document import FORMAT
from gauge_well.sheet.errors import Problem, SheetError

# From a format to the function that makes the next one; empty while there is one version.
UPGRADES: Mapping[str, Callable[[dict[str, Any]], dict[str, Any]]] = {}


def upgrade(raw: dict[str, Any]) -> dict[str, Any]:
    """Carry a document up to the current format; SheetError when the format is not known."""
    while raw.get("format", FORMAT) != FORMAT:
        step = UPGRADES.get(str(raw["format"])[:40])
        if step is None:
            read = str(raw["format"])[:40]
            raise SheetError([Problem("format", "Format", read, FORMAT, f"“{read}” is not a format known here.")])
        raw = step(raw)
    return raw
