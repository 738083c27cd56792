"""Edits made on an older revision: taken where nobody else touched what they touch."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import Any

from gauge_well.core.facts import ADDED
from gauge_well.sheet.edit import Edit
from gauge_well.sheet.sections import spec_of


def _named(items: Sequence[Mapping[str, Any]], id: str) -> Mapping[str, Any] | None:
    return next((item for item in items if item.get("id") == id), None)


def standing(document: Mapping[str, Any], path: str) -> Any:
    """What stands at a path of an edit; None where there is nothing."""
    parts = path.split(".")
    if parts[0] in ("duties", "candidates"):
        head = 2 if parts[0] == "duties" else 3
        if len(parts) < head:
            return document.get(parts[0])
        listed = document.get("duties", ()) if head == 2 else document.get("candidates", {}).get(parts[1], ())
        found = _named(listed, parts[head - 1])
        if found is None or len(parts) == head:
            return found
        own = found if head == 2 or parts[3] in ("name", "price") else found.get("facts", {})
        return own.get(parts[head])
    if len(parts) == 1:
        return document.get(path)
    held = document.get(parts[0])
    return held.get(parts[1]) if isinstance(held, Mapping) else None


def _touches(edit: Edit) -> list[str]:
    """Paths an edit sets: its own, and the count that is typed with a quantity (2x 11 in)."""
    spec = spec_of(edit.path)
    counts = (
        [edit.path.rsplit(".", 1)[0] + "." + spec.count_field]
        if spec is not None and spec.count_field not in ("", ADDED)
        else []
    )
    return [edit.path, *counts]


def _reads_units(edit: Edit) -> bool:
    spec = spec_of(edit.path)
    return spec is not None and spec.kind not in ("choice", "text")


def apart(edits: Sequence[Edit], base: Mapping[str, Any] | None, now: Mapping[str, Any]) -> bool:
    """Whether edits made on ``base`` (None: no longer kept) can be taken on ``now``.

    They can where each fact they touch stands as it did, and bare numbers are still read in the same units.
    """
    if base is None:
        return False
    if base.get("units") != now.get("units") and any(_reads_units(e) for e in edits):
        return False
    prices = base.get("prices", {}), now.get("prices", {})
    return all(
        prices[0].get(e.path) == prices[1].get(e.path)
        if e.action == "price"
        else all(standing(base, p) == standing(now, p) for p in _touches(e))
        for e in edits
    )
