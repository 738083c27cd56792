"""A catalogue of parts: rows of a spreadsheet, each column mapped to what it says of a part."""

from __future__ import annotations

import re
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass
from functools import cache
from importlib import resources
from typing import Any, Literal

from gauge_well.core.facts import Spec, specs
from gauge_well.core.parts import KINDS
from gauge_well.formats.errors import FormatError
from gauge_well.formats.sheets import rows_of
from gauge_well.services.errors import Refused
from gauge_well.services.models_report import Model
from gauge_well.sheet import SheetError, load
from gauge_well.sheet.parts import fresh_id
from gauge_well.sheet.sections import PLACES

PARTS_MAX = 2000
# What a column may say besides a part's facts, and other words for it.
PLAIN: Mapping[str, tuple[str, ...]] = {
    "kind": ("kind", "type", "category"),
    "name": ("name", "part", "title", "article", "description"),
    "price": ("price", "cost", "amount"),
    "from": ("from", "seller", "source", "shop", "supplier"),
    "place": ("place", "for", "goes in"),
    "lead": ("lead", "lead time", "delivery"),
}


class ColumnOut(Model):
    """A column of a catalogue: its head, one of its cells, what it is taken to say; empty where it is left out."""

    head: str
    example: str
    says: str
    unit: str


class CatalogueKeep(Model):
    """How a part of a catalogue is kept with it."""

    price: str = ""
    source: str = ""
    lead: str = ""


class CataloguePart(Model):
    """A part of a catalogue; ``place``: the one it is for, where it is for one alone."""

    id: str
    kind: str
    name: str
    place: str = ""
    keep: CatalogueKeep
    facts: dict[str, str]


class RowProblem(Model):
    """A row that is left out, and why."""

    row: int
    message: str


class CatalogueOut(Model):
    """A catalogue as it was understood; ``says``: what columns may be mapped to, with their words."""

    columns: list[ColumnOut]
    parts: list[CataloguePart]
    problems: list[RowProblem]
    says: dict[str, str]


@dataclass(frozen=True)
class Column:
    """What a column says, and the unit of its bare numbers."""

    says: str
    unit: str


@cache
def sample() -> bytes:
    """The catalogue that ships: parts of our own invention."""
    return (resources.files("gauge_well.sheet.demo") / "catalogue.csv").read_bytes()


@cache
def sayings() -> Mapping[str, str]:
    """All a column may say: what is kept with a part, and every fact that any kind has but tables."""
    found = {
        "kind": "Kind of part",
        "name": "Name",
        "price": "Price",
        "from": "From",
        "lead": "Lead time",
        "place": "Goes in",
    }
    for kind in KINDS.values():
        for name, spec in specs(kind.facts).items():
            if spec.kind != "table":
                found.setdefault(name, spec.label.strip())
    return found


@cache
def _by_words() -> Mapping[str, str]:
    words = {word: name for name, own in PLAIN.items() for word in own}
    # A fact's own name before what some other is called.
    words |= {name.replace("_", " "): name for name in sayings() if name not in PLAIN}
    for name, label in sayings().items():
        words.setdefault(label.lower(), name)
    return words


def _column(head: str) -> Column:
    match = re.match(r"^(.*?)\s*[\[(]([^\])]*)[\])]\s*$", head)
    said, unit = (match[1], match[2]) if match else (head, "")
    return Column(_by_words().get(said.strip().lower().replace("_", " "), ""), unit.strip())


@cache
def _kinds() -> Mapping[str, str]:
    return {id.replace("_", " "): id for id in KINDS} | {kind.label.lower(): id for id, kind in KINDS.items()}


@cache
def _places() -> Mapping[str, str]:
    return {path: path for path in PLACES} | {place.role.label.lower(): path for path, place in PLACES.items()}


def read(raw: bytes, kind: Literal["csv", "xlsx"], mapping: str = "", of_kind: str = "") -> dict[str, Any]:
    """A catalogue from a file's bytes.

    Parameters
    ----------
    mapping : str
        What columns say where the heads do not: ``flow; price; ; name``, one for each; empty: by its head.
    of_kind : str
        Kind of every part, where no column says it.

    Raises
    ------
    Refused
        Where it is no such file, or says nothing of any part.
    """
    try:
        rows = rows_of(raw, kind)
    except FormatError as error:
        raise Refused("catalogue", error.code, "CSV, or an XLSX workbook", error.message) from error
    if len(rows) < 2:
        raise Refused("catalogue", f"{len(rows)} rows", "a head, and a row for each part", "That list has no rows.")
    columns = _mapped([_column(head) for head in rows[0]], mapping)
    if not of_kind and not any(column.says == "kind" for column in columns):
        raise Refused(
            "kind", "no such column", "a column of kinds, or one kind for all", "Say what kind of parts these are."
        )
    parts, problems = [], []
    ids: set[str] = set()
    for n, row in enumerate(rows[1 : PARTS_MAX + 1], start=2):
        try:
            part = _part(columns, row, of_kind, ids)
        except (Refused, SheetError) as error:
            message = error.problems[0].message if isinstance(error, SheetError) else error.message
            problems.append(RowProblem(row=n, message=message))
            continue
        ids.add(part.id)
        parts.append(part)
    heads = rows[0]
    shown = [
        ColumnOut(
            head=head, example=next((r[i] for r in rows[1:] if len(r) > i and r[i]), ""), says=c.says, unit=c.unit
        )
        for i, (head, c) in enumerate(zip(heads, columns, strict=True))
    ]
    return CatalogueOut(columns=shown, parts=parts, problems=problems, says=dict(sayings())).model_dump()


def _mapped(columns: Sequence[Column], mapping: str) -> list[Column]:
    said = [entry.strip() for entry in mapping.split(";")] if mapping else []
    found = list(columns)
    for i, entry in enumerate(said[: len(found)]):
        if entry == "-":
            found[i] = Column("", "")
        elif entry:
            if entry not in sayings():
                raise Refused("mapping", entry[:40], "a name of the list", "A column says something nobody knows.")
            found[i] = Column(entry, found[i].unit)
    return found


def _part(columns: Sequence[Column], row: Sequence[str], of_kind: str, ids: set[str]) -> CataloguePart:
    cells = dict(_cells(columns, row))
    said = cells.pop("kind", Column("", "")).says.lower()
    kind = of_kind or _kinds().get(said, "")
    if kind not in KINDS:
        raise Refused("kind", said[:40], "a kind of part", f"“{said[:40]}” is no kind of part.")
    plain = {name: cells.pop(name, Column("", "")).says for name in ("name", "price", "from", "lead", "place")}
    place = _places().get(plain["place"].lower(), "")
    if plain["place"] and (not place or PLACES[place].role.kind.id != kind):
        raise Refused(
            "place", plain["place"][:40], "a place of such a part", f"“{plain['place'][:40]}” is no place for it."
        )
    own = specs(KINDS[kind].facts)
    facts = {name: _text(own[name], cell) for name, cell in cells.items() if name in own}
    if not facts:
        raise Refused("facts", "", "a fact of such a part", "Nothing is said of it that is known of such a part.")
    name = plain["name"][:60] or KINDS[kind].label
    keep = {key: plain[key] for key in ("price", "from", "lead") if plain[key]}
    # Read as a part on the yard would be: what cannot be understood is refused in the same words.
    load({"parts": [{"id": "row", "kind": kind, "name": name, "facts": facts, "keep": keep}]})
    kept = CatalogueKeep(price=plain["price"], source=plain["from"], lead=plain["lead"])
    return CataloguePart(id=fresh_id(name, ids), kind=kind, name=name, place=place, keep=kept, facts=facts)


def _cells(columns: Sequence[Column], row: Sequence[str]) -> Iterator[tuple[str, Column]]:
    for column, cell in zip(columns, row, strict=False):
        if column.says and cell:
            yield column.says, Column(cell, column.unit)


def _text(spec: Spec, cell: Column) -> str:
    """A cell as it is typed: a choice by its id, a bare number with its head's unit."""
    if spec.kind == "choice":
        by_label = {label.lower(): id for id, label in (spec.choices or {}).items()}
        return by_label.get(cell.says.lower(), cell.says.lower().replace(" ", "_"))
    bare = re.fullmatch(r"[\d.,\s-]+", cell.says)
    return f"{cell.says} {cell.unit}" if bare and cell.unit else cell.says
