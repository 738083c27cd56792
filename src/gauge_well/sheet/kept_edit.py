"""Edits of what a builder keeps beside the facts: ``work.field``, ``work.tasks.id.field``, ``readings.taken.id.field``."""

from __future__ import annotations

import re
from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any

from gauge_well.sheet.errors import refuse
from gauge_well.sheet.readings_document import (
    BOOK_MAX,
    FACTORS_MAX,
    MENDS_MAX,
    RECIPES_MAX,
    TAKEN_MAX,
    BookDocument,
    FactorDocument,
    MendDocument,
    ReadingsDocument,
    RecipeDocument,
    TakenDocument,
)
from gauge_well.sheet.start_document import (
    HOLDS_MAX,
    LOOKS_MAX,
    READINGS_MAX,
    RUNS_MAX,
    HoldDocument,
    LookDocument,
    ReadingDocument,
    RunDocument,
    StartDocument,
)
from gauge_well.sheet.work_document import (
    BUYS_MAX,
    ID,
    OPTIONS_MAX,
    TASKS_MAX,
    BuyDocument,
    FastenerDocument,
    OptionDocument,
    TaskDocument,
    WayDocument,
    WaysDocument,
    WorkDocument,
)


@dataclass(frozen=True)
class Kept:
    """A block of the document that holds fields of its own and lists of things with a name each, and at most so many."""

    model: type[Any]
    lists: Mapping[str, tuple[type[Any], int]]


BLOCKS: Mapping[str, Kept] = {
    "work": Kept(
        WorkDocument,
        {
            "tasks": (TaskDocument, TASKS_MAX),
            "buys": (BuyDocument, BUYS_MAX),
            "fasteners": (FastenerDocument, BUYS_MAX),
            "options": (OptionDocument, OPTIONS_MAX),
        },
    ),
    "start": Kept(
        StartDocument,
        {
            "holds": (HoldDocument, HOLDS_MAX),
            "runs": (RunDocument, RUNS_MAX),
            "readings": (ReadingDocument, READINGS_MAX),
            "looks": (LookDocument, LOOKS_MAX),
        },
    ),
    "readings": Kept(
        ReadingsDocument,
        {
            "taken": (TakenDocument, TAKEN_MAX),
            "factors": (FactorDocument, FACTORS_MAX),
            "book": (BookDocument, BOOK_MAX),
            "mends": (MendDocument, MENDS_MAX),
            "recipes": (RecipeDocument, RECIPES_MAX),
        },
    ),
}
WHOLE = ("hands", "count")  # typed as text, kept as a number
ARCS = ("after", "free_of", "holds")  # typed as names parted by commas


def is_kept(path: str) -> bool:
    """Whether a path is of the work, the first start or the readings."""
    return path.partition(".")[0] in BLOCKS and "." in path


def edit_kept(document: dict[str, Any], path: str, text: str | None, action: str) -> None:
    """Make one change. ``remove`` takes a task's, thing's or reading's whole entry out; a field without text is taken out.

    Raises
    ------
    SheetError
    """
    name, *steps = path.split(".")
    kept = BLOCKS[name]
    block = document.setdefault(name, {})
    if len(steps) == 1 and steps[0] not in kept.lists:
        if steps[0] not in kept.model.model_fields:
            raise refuse(path, f"“{path[:60]}” is not a field of the sheet.")
        _put(block, steps[0], text, path)
    elif name == "work" and len(steps) == 5 and steps[0] == "buys" and steps[2] == "ways":
        _way(block, steps, path, text)
    elif len(steps) in (2, 3) and steps[0] in kept.lists:
        _listed(kept, block, steps, path, text, action)
    else:
        raise refuse(path, f"“{path[:60]}” is not a field of the sheet.")
    if not block:
        document.pop(name)


def _listed(kept: Kept, block: dict[str, Any], steps: list[str], path: str, text: str | None, action: str) -> None:
    name, id, *field = steps
    model, most = kept.lists[name]
    entries: list[dict[str, Any]] = block.setdefault(name, [])
    entry = next((e for e in entries if e["id"] == id), None)
    if action == "remove":
        block[name] = [e for e in entries if e["id"] != id]
    elif not field or field[0] not in _fields(model):
        raise refuse(path, f"“{path[:60]}” is not a field of the sheet.")
    else:
        if entry is None:
            if not re.fullmatch(ID, id):
                raise refuse(path, "A short name has small letters, digits and lines below.", "small letters")
            if len(entries) >= most:
                raise refuse(path, f"{most} are the most.", f"{most}")
            entry = {"id": id}
            entries.append(entry)
        _put(entry, field[0], text, path)
        if len(entry) == 1:
            entries.remove(entry)
    if not block[name]:
        block.pop(name)


def _fields(model: type[Any]) -> set[str]:
    """Fields that an edit may set, as a document writes them."""
    return {field.alias or name for name, field in model.model_fields.items()} - {"id", "ways"}


def _way(work: dict[str, Any], steps: list[str], path: str, text: str | None) -> None:
    """A field of one way to come by a thing that is on the list."""
    _, id, _, way, field = steps
    entry = next((e for e in work.get("buys", ()) if e["id"] == id), None)
    if entry is None or way not in WaysDocument.model_fields or field not in WayDocument.model_fields:
        raise refuse(path, f"“{path[:60]}” is not a field of the sheet.")
    ways = entry.setdefault("ways", {})
    holder = ways.setdefault(way, {})
    _put(holder, field, text, path)
    if not holder:
        ways.pop(way)
    if not ways:
        entry.pop("ways")


def _put(holder: dict[str, Any], field: str, text: str | None, path: str) -> None:
    holder.pop(field, None)
    value = (text or "").strip()
    if not value:
        return
    if field in WHOLE:
        if not value.isascii() or not value.isdigit():
            raise refuse(path, f"“{value[:20]}” is no whole number.", "1 to 4")
        holder[field] = int(value)
    elif field in ARCS:
        holder[field] = [name.strip() for name in value.split(",") if name.strip()]
    else:
        holder[field] = value


def standing_kept(document: Mapping[str, Any], path: str) -> Any:
    """What stands at a path of such a block; None where there is nothing."""
    name, *steps = path.split(".")
    block = document.get(name, {})
    if steps[0] not in BLOCKS[name].lists or len(steps) < 2:
        return block.get(steps[0])
    found: Any = next((e for e in block.get(steps[0], ()) if e["id"] == steps[1]), None)
    for step in steps[2:]:
        found = found.get(step) if isinstance(found, Mapping) else None
    return found
