"""Parts of a raw document: found by their paths, added, copied, fitted, taken out to the yard."""

from __future__ import annotations

import itertools
import re
from collections.abc import Container, Mapping
from typing import Any

from gauge_well.core.parts import KINDS
from gauge_well.sheet.document import PARTS_MAX, copied
from gauge_well.sheet.errors import refuse
from gauge_well.sheet.listing import halved, taken
from gauge_well.sheet.sections import PLACES, Place, place_of
from gauge_well.sheet.work_document import STATES

PART_ACTIONS = ("add", "remove", "copy", "fit", "take", "move", "repeat", "split", "list")
Raw = dict[str, Any]
KEPT = ("state", "from", "price", "lead", "due", "note")


def fresh_id(stem: str, taken: Container[str]) -> str:
    """A short name that no part has: the stem, else the stem and a number."""
    stem = re.sub(r"[^a-z0-9_]", "_", stem.lower())[:30] or "part"
    others = (f"{stem}_{n}" for n in itertools.count(2))
    return next(id for id in itertools.chain((stem,), others) if id not in taken)


def named(raw: dict[str, Any]) -> dict[str, Any]:
    """The same with each part's kind and id, where its role says them."""
    if not isinstance(raw.get("parts"), list):
        return raw
    found: list[Any] = []
    ids = {part["id"] for part in raw["parts"] if isinstance(part, dict) and isinstance(part.get("id"), str)}
    for part in raw["parts"]:
        place = PLACES.get(str(part.get("role"))) if isinstance(part, dict) else None
        if place is not None:
            part = {"kind": place.role.kind.id} | part
        if isinstance(part, dict) and part.get("id") is None:
            part = {"id": fresh_id(_stem(place, part), ids)} | part
            ids.add(part["id"])
        found.append(part)
    return raw | {"parts": found}


def _stem(place: Place | None, part: Mapping[str, Any]) -> str:
    if place is None or place.many:
        return str(part.get("kind", "part"))
    return place.name


def listed(document: Mapping[str, Any]) -> list[Raw]:
    """Parts of a document, as they stand."""
    found: list[Raw] = document.get("parts", [])
    return found


def by_id(document: Mapping[str, Any], id: str) -> Raw | None:
    """The part of that id."""
    return next((part for part in listed(document) if part["id"] == id), None)


def in_place(document: Mapping[str, Any], place: Place) -> list[Raw]:
    """What fills a place, in order."""
    return [part for part in listed(document) if part.get("role") == place.path]


def is_part(path: str) -> bool:
    """Whether a path is of a part's fact."""
    return path.startswith("parts.") or place_of(path) is not None


def at_path(document: Mapping[str, Any], path: str) -> tuple[Raw | None, str]:
    """The part a fact's path speaks of, where it is there, and the fact's own name."""
    steps = path.split(".")
    if steps[0] == "parts":
        return by_id(document, steps[1]), ".".join(steps[2:])
    place = PLACES[".".join(steps[:2])]
    found = in_place(document, place)
    if place.many:
        return next((part for part in found if part["id"] == steps[2:3][0]), None), ".".join(steps[3:])
    return (found[0] if found else None), ".".join(steps[2:])


def kind_at(document: Mapping[str, Any], path: str) -> str:
    """Kind of the part that ``parts.id.fact`` speaks of; empty for other paths."""
    part = by_id(document, path.split(".")[1]) if path.startswith("parts.") else None
    return "" if part is None else str(part["kind"])


def holder_of(document: Raw, path: str) -> tuple[Raw, str]:
    """Facts in which a path's value stands, and its name there; a place that is empty is given a part.

    Raises
    ------
    SheetError
        Where a list has no such part.
    """
    part, name = at_path(document, path)
    if part is None:
        place = place_of(path)
        if place is None or place.many:
            raise refuse(path, "There is no such part.", "a part of the sheet")
        part = _new(document, place.name, place.role.kind.id, place.path)
    facts: Raw = part.setdefault("facts", {})
    return facts, name


def said_of(document: Raw, path: str, text: str | None) -> None:
    """Set a part's name (``parts.id.name``) or how it stands with its builder (``parts.id.keep.field``)."""
    _, id, *rest = path.split(".")
    part = _there(document, id, path)
    value = (text or "").strip()
    if rest == ["name"]:
        part.pop("name", None)
        part |= {"name": value} if value else {}
        return
    field = rest[-1]
    if field not in KEPT:
        raise refuse(path, f"A part is kept with {', '.join(KEPT)}.", ", ".join(KEPT))
    if field == "state" and value and value not in STATES:
        raise refuse(path, "Not one of the list.", ", ".join(STATES))
    keep = part.setdefault("keep", {})
    keep.pop(field, None)
    keep |= {field: value} if value else {}
    if not keep:
        part.pop("keep")


def edit_part(document: Raw, action: str, path: str, text: str | None, index: int, evidence: str | None = None) -> Raw:
    """Add, remove, copy, fit, take out or move a part; repeat or split one in its list; a whole list at once, its facts known
    as ``evidence`` says, off a sheet where nothing is said."""
    if action in ("fit", "take", "list") or (action == "add" and path in PLACES):
        if path not in PLACES:
            raise refuse(path, "There is no such place.", "a place of the sheet")
        if action == "list":
            _list(document, PLACES[path], text, evidence or "sheet")
        else:
            _PLACED[action](document, PLACES[path], text)
        return document
    id = path.removeprefix("parts.")
    if action == "add":
        if text is None or text not in KINDS:
            raise refuse(path, "There is no such kind of part.", ", ".join(KINDS))
        _new(document, id, text)
        return document
    part = _there(document, id, path)
    if action == "remove":
        document["parts"].remove(part)
    elif action == "copy":
        made = _new(document, f"{part['kind']}", part["kind"])
        name = (text or f"{part.get('name') or KINDS[part['kind']].label} (copy)")[:60]
        made |= {"name": name, "facts": copied(part.get("facts", {}))}
    elif action in ("repeat", "split"):
        _twice(document, part, path, action == "split")
    else:
        _move(document, part, index)
    return document


def _twice(document: Raw, part: Raw, path: str, split: bool) -> None:
    """One more like it right behind it in its list; split, each has half of what such a part can share."""
    place = PLACES.get(str(part.get("role")))
    if place is None or not place.many:
        raise refuse(path, "Only one of several parts in order is repeated or split.", "a part of a list")
    if split and not place.role.kind.parts_in_two:
        raise refuse(path, "That cannot be cut in two.", "a length of something")
    made = _new(document, part["kind"], part["kind"], part["role"])
    facts = part.setdefault("facts", {})
    for name in place.role.kind.parts_in_two if split else ():
        if isinstance(facts.get(name), Mapping):
            spec = place.role.own(name)
            facts[name] = halved(spec, facts[name], f"{path}.{name}")
    made["facts"] = copied(facts)
    if split:
        # Turned or joined otherwise it may be; what lies between two halves is a cut.
        for name in ("turn", "joint"):
            made["facts"].pop(name, None)
    document["parts"].remove(made)
    document["parts"].insert(document["parts"].index(part) + 1, made)


def _list(document: Raw, place: Place, text: str | None, evidence: str) -> None:
    """What fills a place of several, all of it from CSV."""
    if not place.many:
        raise refuse(place.path, "One part fills that place.", "a place of several")
    made = taken(place, text or "", evidence)
    for part in in_place(document, place):
        document["parts"].remove(part)
    for row in made:
        part = _new(document, place.role.kind.id, place.role.kind.id, place.path)
        part |= row


def _there(document: Raw, id: str, path: str) -> Raw:
    part = by_id(document, id)
    if part is None:
        raise refuse(path, f"There is no part “{id[:40]}”.", "a part of the sheet")
    return part


def _new(document: Raw, stem: str, kind: str, role: str | None = None) -> Raw:
    parts = document.setdefault("parts", [])
    if len(parts) >= PARTS_MAX:
        raise refuse("parts", f"{PARTS_MAX} parts are the most.", f"{PARTS_MAX} parts")
    part: Raw = {"id": fresh_id(stem, {p["id"] for p in parts}), "kind": kind}
    part |= ({} if role is None else {"role": role}) | {"facts": {}}
    parts.append(part)
    return part


def _add(document: Raw, place: Place, text: str | None) -> None:
    """One more part in a place that several fill, named ``text`` where that is given."""
    if not place.many and in_place(document, place):
        raise refuse(place.path, "There is a part in that place: take it out first.", "an empty place")
    part = _new(document, place.role.kind.id, place.role.kind.id, place.path)
    part |= {"name": text[:60]} if text else {}


def _take(document: Raw, place: Place, text: str | None) -> None:
    """What fills a place goes to the yard; of several the one of id ``text``."""
    for part in in_place(document, place):
        if not place.many or part["id"] == text:
            part.pop("role")
            part.setdefault("name", place.role.label)


def _fit(document: Raw, place: Place, text: str | None) -> None:
    """A part of the yard into a place; what was there goes to the yard."""
    part = _there(document, text or "", place.path)
    if part["kind"] != place.role.kind.id:
        raise refuse(place.path, f"A {KINDS[part['kind']].label.lower()} does not go there.", place.role.kind.label)
    if not place.many:
        _take(document, place, None)
    part["role"] = place.path


def _move(document: Raw, part: Raw, index: int) -> None:
    """To another place in the order of its list."""
    others = [p for p in listed(document) if p.get("role") == part.get("role") and p is not part]
    parts = document["parts"]
    parts.remove(part)
    at = parts.index(others[index]) if 0 <= index < len(others) else len(parts)
    parts.insert(at, part)


_PLACED = {"add": _add, "take": _take, "fit": _fit}
