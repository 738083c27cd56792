"""Versions of the document. An older one is carried up a version at a time."""

from __future__ import annotations

import re
from collections.abc import Callable, Mapping
from typing import Any

from gauge_well.sheet.document import FORMAT
from gauge_well.sheet.errors import Problem, SheetError
from gauge_well.sheet.format_1 import FORMAT_1, from_1, speaks_1

# From a format to the function that makes the next one.
UPGRADES: Mapping[str, Callable[[dict[str, Any]], dict[str, Any]]] = {FORMAT_1: from_1}


def upgrade(raw: dict[str, Any]) -> dict[str, Any]:
    """Carry a document up to the current format; SheetError when the format is not known, or newer than this program.

    One that names no format is of the current one, unless it holds what only an older one did.
    """
    if raw.get("format") is None and speaks_1(raw):
        raw = raw | {"format": FORMAT_1}
    while raw.get("format", FORMAT) != FORMAT:
        read = str(raw["format"])[:40]
        step = UPGRADES.get(read)
        if step is None:
            raise SheetError([Problem("format", "Format", read, FORMAT, _unknown(read))])
        raw = step(raw)
    return _moved(raw)


# Facts that stand elsewhere now: section and name, from where to where.
MOVED: Mapping[tuple[str, str], tuple[str, str]] = {("fit", "mounts"): ("mounts", "school")}


def _moved(raw: dict[str, Any]) -> dict[str, Any]:
    for (section, name), (to, as_) in MOVED.items():
        own = raw.get(section)
        if isinstance(own, dict) and name in own:
            there = raw.get(to)
            left = {k: v for k, v in own.items() if k != name}
            raw = raw | {section: left, to: {as_: own[name], **(there if isinstance(there, dict) else {})}}
    return raw


def _unknown(read: str) -> str:
    stem, _, ours = FORMAT.partition("/")
    found = re.fullmatch(stem + r"/(\d{1,4})", read)
    if found and int(found[1]) > int(ours):
        return f"“{read}” is of a newer program; this one knows up to {FORMAT}: open it with that one."
    return f"“{read}” is not a format known here."
