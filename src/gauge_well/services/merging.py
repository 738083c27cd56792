"""Edits made on an older revision: taken where nobody else touched what they touch."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import Any

from gauge_well.core.facts import ADDED
from gauge_well.sheet.edit import Edit
from gauge_well.sheet.kept_edit import is_kept, standing_kept
from gauge_well.sheet.parts import PART_ACTIONS, at_path, in_place, is_part, kind_at
from gauge_well.sheet.sections import PLACES, spec_of


def standing(document: Mapping[str, Any], path: str) -> Any:
    """What stands at a path of an edit; None where there is nothing. Of a place: its parts, in order."""
    steps = path.split(".")
    if path in PLACES:
        return [part["id"] for part in in_place(document, PLACES[path])]
    if is_kept(path):
        return standing_kept(document, path)
    if is_part(path):
        part, name = at_path(document, path)
        if part is None or not name:
            return part
        head, _, inner = name.partition(".")
        if head in ("name", "keep") and steps[0] == "parts":
            return part.get("keep", {}).get(inner) if inner else part.get(head)
        return part.get("facts", {}).get(name)
    if steps[0] == "duties":
        if len(steps) < 2:
            return document.get("duties")
        found = next((duty for duty in document.get("duties", ()) if duty.get("id") == steps[1]), None)
        return found if found is None or len(steps) == 2 else found.get(steps[2])
    if len(steps) == 1:
        return document.get(path)
    held = document.get(steps[0])
    return held.get(steps[1]) if isinstance(held, Mapping) else None


def _touches(edit: Edit, document: Mapping[str, Any]) -> list[str]:
    """Paths an edit sets: its own, and the count that is typed with a quantity (2x 11 in); of parts, both that move."""
    if edit.action == "add" and edit.path not in PLACES:
        return []
    if edit.action in PART_ACTIONS:
        return [edit.path, f"parts.{edit.text}"] if edit.action == "fit" else [edit.path]
    spec = spec_of(edit.path, kind_at(document, edit.path))
    counted = spec is not None and spec.count_field not in ("", ADDED)
    if spec is None or not counted:
        return [edit.path]
    holder = edit.path.rsplit(".", 1)[0] if edit.path.startswith("parts.") else edit.path.split(".", 1)[0]
    return [edit.path, f"{holder}.{spec.count_field}"]


def _reads_units(edit: Edit, document: Mapping[str, Any]) -> bool:
    spec = spec_of(edit.path, kind_at(document, edit.path))
    return spec is not None and spec.kind not in ("choice", "text")


def apart(edits: Sequence[Edit], base: Mapping[str, Any] | None, now: Mapping[str, Any]) -> bool:
    """Whether edits made on ``base`` (None: no longer kept) can be taken on ``now``.

    They can where each fact they touch stands as it did, and bare numbers are still read in the same units.
    """
    if base is None:
        return False
    if base.get("units") != now.get("units") and any(_reads_units(e, now) for e in edits):
        return False
    prices = base.get("prices", {}), now.get("prices", {})
    return all(
        prices[0].get(e.path) == prices[1].get(e.path)
        if e.action == "price"
        else all(standing(base, p) == standing(now, p) for p in _touches(e, now))
        for e in edits
    )
