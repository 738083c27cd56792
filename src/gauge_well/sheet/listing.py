"""A place that several parts fill, as CSV and from it: one part a row, one fact a column, texts as they were typed."""

from __future__ import annotations

import csv
import io
from collections.abc import Mapping, Sequence
from typing import Any

from gauge_well.core.facts import Spec
from gauge_well.sheet.errors import refuse
from gauge_well.sheet.sections import Place
from gauge_well.units import ReadingError, read

ROWS_MAX = 250
NAME = "name"


def written(document: Mapping[str, Any], place: Place) -> str:
    """The parts of a place: a head of facts' names, those that none of them states left out."""
    parts = [part for part in document.get("parts", []) if part.get("role") == place.path]
    names = [n for n in place.role.names if any(n in part.get("facts", {}) for part in parts)]
    named = any(part.get("name") for part in parts)
    out = io.StringIO()
    writer = csv.writer(out, lineterminator="\r\n")
    writer.writerow([NAME, *names] if named else names)
    for part in parts:
        facts = part.get("facts", {})
        cells = [_text(facts.get(name)) for name in names]
        writer.writerow([part.get("name") or "", *cells] if named else cells)
    return out.getvalue()


def _text(fact: object) -> str:
    return "" if fact is None else fact if isinstance(fact, str) else str(fact["text"])  # type: ignore[index]


def taken(place: Place, text: str, evidence: str = "sheet") -> list[dict[str, Any]]:
    """Parts from CSV with a head: facts by their names or as the page calls them, a unit in brackets for bare numbers; all known
    alike.

    Raises
    ------
    SheetError
        Names the row and the column: a column nobody knows, a choice that is none of its list, more rows than a place holds.
    """
    lines = [row for row in csv.reader(io.StringIO(text.lstrip("\ufeff"))) if any(cell.strip() for cell in row)]
    if len(lines) < 2:
        raise refuse(place.path, "That list has no rows.", "a head, and a row for each part")
    if len(lines) - 1 > ROWS_MAX:
        raise refuse(place.path, f"{len(lines) - 1} rows are too many.", f"{ROWS_MAX} rows at most")
    columns = [_column(place, cell) for cell in lines[0]]
    return [_part(place, columns, row, i, evidence) for i, row in enumerate(lines[1:], start=1)]


def _column(place: Place, head: str) -> tuple[str, str]:
    """(fact's name, unit of bare numbers) of a head's cell."""
    said, _, rest = head.partition("[")
    said, unit = said.strip().lower(), rest.rstrip("] ").strip()
    if said == NAME:
        return NAME, ""
    for name in place.role.names:
        if said in (name, place.role.own(name).label.strip().lower()):
            return name, unit
    raise refuse(place.path, f"The column “{head.strip()[:40]}” is not known.", ", ".join(place.role.names))


def _part(
    place: Place, columns: Sequence[tuple[str, str]], row: Sequence[str], number: int, evidence: str
) -> dict[str, Any]:
    if len(row) > len(columns):
        raise refuse(
            place.path, f"Row {number} has {len(row)} cells, the head {len(columns)}.", "a cell for each column"
        )
    part: dict[str, Any] = {"facts": {}}
    for (name, unit), cell in zip(columns, row, strict=False):
        text = cell.strip()
        if not text:
            continue
        if name == NAME:
            part["name"] = text[:60]
            continue
        spec = place.role.own(name)
        if spec.kind == "choice":
            part["facts"][name] = _choice(place, spec, name, text, number)
        elif spec.kind == "text":
            part["facts"][name] = text
        else:
            bare = unit and text[-1].isdigit()
            part["facts"][name] = {"text": f"{text} {unit}" if bare else text, "evidence": evidence}
    return part


def _choice(place: Place, spec: Spec, name: str, text: str, number: int) -> str:
    choices = spec.choices or {}
    found = next((id for id, label in choices.items() if text.lower() in (id, label.lower())), None)
    if found is None:
        words = f"Row {number}, {name}: “{text[:40]}” is none of the list."
        raise refuse(place.path, words, ", ".join(choices))
    return found


def halved(spec: Spec, fact: Mapping[str, Any], path: str) -> dict[str, Any]:
    """A fact of half its value, in the unit it was typed in, known as it was.

    Raises
    ------
    SheetError
        Where its text cannot be read.
    """
    try:
        found = read(str(fact["text"]), spec.kind, fact.get("unit"))
    except ReadingError as error:
        raise refuse(path, error.message, error.allowed) from error
    return {"text": f"{0.5 * found.value:.5g} {found.unit}", "evidence": fact["evidence"]}
