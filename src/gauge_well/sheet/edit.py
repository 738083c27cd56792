"""Edits of a document, a field at a time, as the page makes them."""

from __future__ import annotations

import copy
from typing import Any

from gauge_well.sheet.document import DUTIES_MAX
from gauge_well.sheet.errors import Problem, SheetError
from gauge_well.sheet.sections import spec_of


def _refuse(path: str, message: str, allowed: str = "a field of the sheet") -> SheetError:
    return SheetError([Problem(path, path.rsplit(".", 1)[-1], path[:60], allowed, message)])


def apply_edit(
    document: dict[str, Any], path: str, text: str | None, evidence: str | None, tolerance: str | None = None
) -> dict[str, Any]:
    """Return a document with one field changed; ``text`` None takes the field out.

    Paths: ``section.field``, ``duties.<id>.field``, ``duties.<id>`` (None removes the duty,
    a kind adds one), ``wanted``, ``name``, ``notes``, ``units.system``, ``units.power``.
    """
    edited = copy.deepcopy(document)
    parts = path.split(".")
    if path in ("name", "notes"):
        edited[path] = text or ""
        return edited
    if parts[0] == "units" and len(parts) == 2:
        edited.setdefault("units", {})[parts[1]] = text
        return edited
    if parts[0] == "duties" and len(parts) == 2:
        return _edit_duty(edited, parts[1], text)
    spec = spec_of(path)
    if spec is None:
        raise _refuse(path, f"“{path[:60]}” is not a field of the sheet.")
    holder, key = _holder(edited, parts, path)
    if text is None or not text.strip():
        holder.pop(key, None)
    elif spec.kind in ("choice", "text"):
        holder[key] = text
    else:
        before = holder.get(key)
        known = before.get("evidence") if isinstance(before, dict) else None
        entry: dict[str, Any] = {"text": text, "evidence": evidence or known or "guess"}
        if isinstance(before, dict) and before.get("text") == text and "unit" in before and spec.kind != "table":
            # Unchanged text keeps the unit it was read in, whatever the build shows now.
            entry |= {"value": before["value"], "unit": before["unit"]}
        kept = tolerance if tolerance is not None else (before.get("tolerance") if isinstance(before, dict) else None)
        if kept and spec.kind != "table":
            entry["tolerance"] = kept
        holder[key] = entry
    return edited


def _holder(document: dict[str, Any], parts: list[str], path: str) -> tuple[dict[str, Any], str]:
    if len(parts) == 1:
        return document, parts[0]
    if parts[0] == "duties":
        for duty in document.get("duties", []):
            if duty["id"] == parts[1]:
                return duty, parts[2]
        raise _refuse(path, f"There is no duty “{parts[1][:40]}”.", "a duty of the sheet")
    holder: dict[str, Any] = document.setdefault(parts[0], {})
    return holder, parts[1]


def _edit_duty(document: dict[str, Any], key: str, kind: str | None) -> dict[str, Any]:
    duties = document.setdefault("duties", [])
    if kind is None:
        document["duties"] = [duty for duty in duties if duty["id"] != key]
    elif len(duties) >= DUTIES_MAX:
        raise _refuse(f"duties.{key}", f"{DUTIES_MAX} duties are the most.", f"{DUTIES_MAX} duties")
    elif any(duty["id"] == key for duty in duties):
        raise _refuse(f"duties.{key}", "There is a duty of that name.", "a name of its own")
    else:
        duties.append({"id": key, "kind": kind})
    return document
