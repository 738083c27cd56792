"""Edits of a document, a field at a time, as the page makes them."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any

from gauge_well.core.evidence import GUESS, RULE, TAPED
from gauge_well.core.facts import Spec
from gauge_well.core.systems import SYSTEMS
from gauge_well.sheet.document import CLAIMS_MAX, DUTIES_MAX, copied
from gauge_well.sheet.errors import refuse
from gauge_well.sheet.kept_edit import edit_kept, is_kept
from gauge_well.sheet.parts import PART_ACTIONS, edit_part, holder_of, is_part, kind_at, said_of
from gauge_well.sheet.reading import BY_CLAIMS
from gauge_well.sheet.sections import spec_of


@dataclass(frozen=True)
class Edit:
    """One change of a document.

    ``action``: ``set`` a field (``text`` None takes it out); ``measure`` sets it as taped and keeps what the
    builder had stated as a claim; ``claim`` adds a claim; ``use`` puts claim ``index`` in use in place of the
    one that is; ``drop`` takes claim ``index`` out; ``tolerance`` sets the half-range (None: the table's);
    ``price`` sets what a change would cost, ``path`` being its id. Of parts: ``add`` one (``text`` is its kind, or the
    name of one to be listed in a place), ``remove``, ``copy`` (``text`` its new name), ``fit`` the part ``text`` into the
    place ``path``, ``take`` out what fills it, ``move`` to ``index`` in its place, ``repeat`` or ``split`` it
    there, ``list`` all of a place's parts from CSV.
    """

    path: str
    text: str | None = None
    evidence: str | None = None
    tolerance: str | None = None
    action: str = "set"
    index: int = 0
    source: str | None = None
    date: str | None = None


def apply_edit(document: dict[str, Any], edit: Edit) -> dict[str, Any]:
    """Return a document with one change made.

    Paths: ``section.field``, of a part ``section.place.field``, ``section.place.id.field`` or ``parts.id.field``,
    ``parts.id.name`` and ``parts.id.keep.field``; ``duties.<id>.field``, ``duties.<id>`` (None removes the duty, a kind
    adds one); ``scope.<system>``; ``work.field``, ``work.tasks.<id>.field`` and ``work.buys.<id>.field``; ``start.field``,
    ``start.readings.<id>.field``, ``readings.taken.<id>.field`` and their like; ``wanted``, ``name``, ``notes``, ``units.system``, ``units.power``.
    """
    edited = copied(document)
    path, text = edit.path, edit.text
    parts = path.split(".")
    if edit.action == "price":
        return _price(edited, path, text)
    if path in ("name", "notes"):
        edited[path] = text or ""
        return edited
    if parts[0] == "units" and len(parts) == 2:
        edited.setdefault("units", {})[parts[1]] = text
        return edited
    if is_kept(path):
        edit_kept(edited, path, text, edit.action)
        return edited
    if parts[0] == "scope" and len(parts) == 2:
        return _edit_scope(edited, parts[1], text)
    if parts[0] == "duties" and len(parts) == 2:
        return _edit_duty(edited, parts[1], text)
    if edit.action in PART_ACTIONS:
        return edit_part(edited, edit.action, path, text, edit.index, edit.evidence)
    if parts[0] == "parts" and (parts[2:] == ["name"] or parts[2:3] == ["keep"]):
        said_of(edited, path, text)
        return edited
    spec = spec_of(path, kind_at(edited, path))
    if spec is None:
        raise refuse(path, f"“{path[:60]}” is not a field of the sheet.")
    holder, key = _holder(edited, parts, path)
    if edit.action in ("claim", "use", "drop", "tolerance"):
        if spec.kind in ("choice", "text", "table"):
            raise refuse(path, "Only a quantity has claims and a tolerance.", "a quantity")
        _CLAIMS[edit.action](holder, key, edit)
    elif text is None or not text.strip():
        holder.pop(key, None)
    elif spec.kind in ("choice", "text"):
        holder[key] = text
    else:
        _set(holder, key, edit, spec)
    return edited


def _set(holder: dict[str, Any], key: str, edit: Edit, spec: Spec) -> None:
    before = holder.get(key)
    old: dict[str, Any] = before if isinstance(before, dict) else {}
    measured = edit.action == "measure"
    same = old.get("text") == edit.text
    # Another number is no longer what was taped or read off a sheet; one that is typed is no supposition any more.
    before_known = old.get("evidence") if same and old.get("evidence") != RULE else None
    known = TAPED if measured else edit.evidence or before_known or GUESS
    entry: dict[str, Any] = {"text": edit.text, "evidence": known}
    if same and "unit" in old and spec.kind != "table":
        # Unchanged text keeps the unit it was read in, whatever the build shows now.
        entry |= {"value": old["value"], "unit": old["unit"]}
    if spec.kind != "table":
        # A value that changed is no longer what its source said; claims stay, and a typed tolerance with them.
        kept = old if same and not measured else {}
        entry |= _present({"source": edit.source or kept.get("source"), "date": edit.date or kept.get("date")})
        claims = list(old.get("claims", ()))
        if measured and old and not same:
            claims = [_claim_of(old), *claims][:CLAIMS_MAX]
        tolerance = edit.tolerance or (None if measured else old.get("tolerance"))
        entry |= _present({"claims": claims, "tolerance": tolerance})
    holder[key] = entry


def _present(entry: Mapping[str, Any]) -> dict[str, Any]:
    return {name: value for name, value in entry.items() if value}


def _claim_of(fact: Mapping[str, Any]) -> dict[str, Any]:
    return {name: fact[name] for name in ("text", "evidence", "value", "unit", "source", "date") if name in fact}


def _in_use(holder: dict[str, Any], key: str, path: str) -> dict[str, Any]:
    found = holder.get(key)
    if not isinstance(found, dict):
        raise refuse(path, "There is no value in use yet: give one first.", "a value")
    return found


def _add_claim(holder: dict[str, Any], key: str, edit: Edit) -> None:
    claim = _present({"text": (edit.text or "").strip(), "evidence": edit.evidence or GUESS})
    claim |= _present({"source": edit.source, "date": edit.date})
    if not claim.get("text"):
        raise refuse(edit.path, "A claim needs a value.", "a value")
    if holder.get(key) is None:
        holder[key] = claim
        return
    fact = _in_use(holder, key, edit.path)
    claims = fact.setdefault("claims", [])
    if len(claims) >= CLAIMS_MAX:
        raise refuse(edit.path, f"{CLAIMS_MAX} claims are the most.", f"{CLAIMS_MAX} claims")
    claims.append(claim)


def _claim_at(holder: dict[str, Any], key: str, edit: Edit) -> tuple[dict[str, Any], list[dict[str, Any]]]:
    fact = _in_use(holder, key, edit.path)
    claims = fact.get("claims", [])
    if not 0 <= edit.index < len(claims):
        raise refuse(edit.path, "There is no such claim.", f"1 to {len(claims)}")
    return fact, claims


def _use_claim(holder: dict[str, Any], key: str, edit: Edit) -> None:
    fact, claims = _claim_at(holder, key, edit)
    picked = claims.pop(edit.index)
    holder[key] = picked | _present({"claims": [_claim_of(fact), *claims], "tolerance": fact.get("tolerance")})


def _drop_claim(holder: dict[str, Any], key: str, edit: Edit) -> None:
    fact, claims = _claim_at(holder, key, edit)
    claims.pop(edit.index)
    if not claims:
        fact.pop("claims", None)
        if fact.get("tolerance") == BY_CLAIMS:
            fact.pop("tolerance")


def _set_tolerance(holder: dict[str, Any], key: str, edit: Edit) -> None:
    fact = _in_use(holder, key, edit.path)
    fact.pop("tolerance", None)
    fact |= _present({"tolerance": (edit.text or "").strip()})


_CLAIMS = {"claim": _add_claim, "use": _use_claim, "drop": _drop_claim, "tolerance": _set_tolerance}


def _price(document: dict[str, Any], id: str, text: str | None) -> dict[str, Any]:
    prices = document.setdefault("prices", {})
    prices.pop(id, None)
    if text and text.strip():
        prices[id] = text.strip()
    if not prices:
        document.pop("prices")
    return document


def _holder(document: dict[str, Any], parts: list[str], path: str) -> tuple[dict[str, Any], str]:
    if len(parts) == 1:
        return document, parts[0]
    if parts[0] == "duties":
        for duty in document.get("duties", []):
            if duty["id"] == parts[1]:
                return duty, parts[2]
        raise refuse(path, f"There is no duty “{parts[1][:40]}”.", "a duty of the sheet")
    if is_part(path):
        return holder_of(document, path)
    holder: dict[str, Any] = document.setdefault(parts[0], {})
    return holder, parts[1]


def _edit_scope(document: dict[str, Any], system: str, text: str | None) -> dict[str, Any]:
    if system not in SYSTEMS:
        raise refuse(f"scope.{system}", "There is no such system.", ", ".join(SYSTEMS))
    said = document.setdefault("scope", {})
    said.pop(system, None)
    said |= {system: text} if text else {}
    return document


def _edit_duty(document: dict[str, Any], key: str, kind: str | None) -> dict[str, Any]:
    duties = document.setdefault("duties", [])
    if kind is None:
        document["duties"] = [duty for duty in duties if duty["id"] != key]
    elif len(duties) >= DUTIES_MAX:
        raise refuse(f"duties.{key}", f"{DUTIES_MAX} duties are the most.", f"{DUTIES_MAX} duties")
    elif any(duty["id"] == key for duty in duties):
        raise refuse(f"duties.{key}", "There is a duty of that name.", "a name of its own")
    else:
        duties.append({"id": key, "kind": kind})
    return document
