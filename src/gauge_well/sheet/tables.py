"""Tables typed or pasted: one row a line, with or without a header that names columns and units."""

from __future__ import annotations

import re
from collections.abc import Container, Mapping, Sequence
from dataclasses import dataclass

from gauge_well.core.facts import Spec
from gauge_well.units import ReadingError, read, unit_for
from gauge_well.units.printing import Preference
from gauge_well.units.table import UNITS

_COLUMNS = re.compile(r"\s*(?:,\s|;|\t|\||=)\s*")
_BRACKETED = re.compile(r"[\[(]([^\])]*)[\])]")
_BARE = re.compile(r"[\d.,+-]+")
_DIGIT = re.compile(r"\d")
_UNIT = re.compile(r"[a-z%°'\"′″]", re.IGNORECASE)


@dataclass(frozen=True)
class Column:
    """One column as it stands in the text: its place in the row, its name, kind, and the unit bare numbers are in."""

    place: int
    name: str
    kind: str
    unit: str


def split(line: str, count: int) -> list[str]:
    """Cells of a line: parted by a comma and a space, a semicolon, tab or bar; by bare commas as a file has them
    where that gives just the columns asked."""
    cells = [cell for cell in _COLUMNS.split(line) if cell]
    plain = [cell.strip() for cell in line.split(",")]
    return plain if len(cells) == 1 < count == len(plain) else cells


def read_table(spec: Spec, text: str, prefer: Preference) -> tuple[tuple[tuple[float, ...], ...], list[str]]:
    """Rows in SI and the lines kept.

    Raises
    ------
    ReadingError
        Names the row and the column: too few cells, a unit that is not known, a number without a unit in a column
        whose other numbers have one.
    """
    lines = [line.strip() for line in text.splitlines() if line.strip()]
    if not lines:
        raise ReadingError("empty", "The table is empty.", "", "one row a line")
    head, rows = _header(spec, lines[0], prefer)
    body = lines[1:] if head else lines
    if not body:
        raise ReadingError("empty", "The table has a header and no rows.", lines[0], "one row a line")
    if len(body) > spec.rows:
        raise ReadingError("too_long", f"{len(body)} rows are too many.", str(len(body)), f"{spec.rows} rows at most")
    cells = [_cells(spec, line, i + 1) for i, line in enumerate(body)]
    for column in rows:
        _same_units(column, cells, head, spec.words or ())
    return tuple(_row(spec, rows, row, i + 1, prefer) for i, row in enumerate(cells)), lines


def columned(
    text: str, columns: tuple[tuple[str, str], ...], words: Mapping[str, object], prefer: Preference
) -> list[list[str]] | None:
    """Cells of a table as typed, in the order of ``columns``, each with the unit it was read in; None where it cannot
    be read. A last cell that is one of ``words`` stays as it is."""
    spec = Spec("", "table", columns=columns, words=dict.fromkeys(words, 0.0))
    lines = [line.strip() for line in text.splitlines() if line.strip()]
    try:
        read_table(spec, text, prefer)
    except ReadingError:
        return None
    head, places = _header(spec, lines[0], prefer)
    found = []
    for line in lines[1:] if head else lines:
        cells = split(line, len(columns))
        found.append([_with_unit(cells[c.place], c) for c in places])
    return found


def _with_unit(cell: str, column: Column) -> str:
    symbol = UNITS[column.unit].symbol
    bare = _BARE.fullmatch(cell.strip())
    return f"{cell.strip()} {symbol}".strip() if bare else cell.strip()


def _header(spec: Spec, line: str, prefer: Preference) -> tuple[bool, list[Column]]:
    """Whether the first line is a header, and the columns in the order the table is kept."""
    usual = [Column(i, name, kind, unit_for(kind, prefer).id) for i, (name, kind) in enumerate(spec.columns)]
    cells = split(line, len(usual))
    words = set(spec.words or ())
    bare = [_BRACKETED.sub("", cell) for cell in cells]
    if len(cells) != len(usual) or any(_DIGIT.search(cell) or cell.lower() in words for cell in bare):
        return False, usual
    named = [next((i for i, cell in enumerate(cells) if c.name.lower() in cell.lower()), c.place) for c in usual]
    places = named if len(set(named)) == len(named) else [c.place for c in usual]
    return True, [
        Column(place, c.name, c.kind, _unit_of(cells[place], c, prefer)) for place, c in zip(places, usual, strict=True)
    ]


def _unit_of(cell: str, column: Column, prefer: Preference) -> str:
    """Unit a header's cell names: in brackets, or as its last word; the build's own where it names none."""
    match = _BRACKETED.search(cell)
    word = match.group(1).strip() if match else cell.split()[-1]
    try:
        return read(f"1 {word}", column.kind, column.unit).unit
    except ReadingError as error:
        if match and word:
            message = f"The header, {column.name}: {error.message}"
            raise ReadingError(error.code, message, word, error.allowed) from error
        return column.unit


def _cells(spec: Spec, line: str, number: int) -> list[str]:
    cells = split(line, len(spec.columns))
    if len(cells) != len(spec.columns):
        names = " and ".join(name for name, _ in spec.columns)
        example = spec.help.split("`")[1] if "`" in spec.help else names
        message = f"Row {number} has {len(cells)} columns; {names} are asked."
        raise ReadingError("columns", message, line, f"for instance {example}")
    return cells


def _same_units(column: Column, rows: Sequence[Sequence[str]], headed: bool, words: Container[str]) -> None:
    """Refuse a bare number in a column whose other numbers have units: which of them it is in, nobody can tell."""
    if headed:
        return
    own = [row[column.place] for row in rows]
    stated = [cell for cell in own if _UNIT.search(cell) and cell.strip().lower() not in words]
    for i, cell in enumerate(own):
        if stated and not _UNIT.search(cell) and cell.strip(" 0.,"):
            raise ReadingError(
                "mixed_units",
                f"Row {i + 1}, {column.name}: {cell} has no unit; other rows of it have one ({stated[0]}).",
                cell,
                "a unit in every row, or in none",
            )


def _row(
    spec: Spec, columns: Sequence[Column], cells: Sequence[str], number: int, prefer: Preference
) -> tuple[float, ...]:
    values = []
    for i, column in enumerate(columns):
        cell = cells[column.place]
        word = cell.strip().lower()
        if spec.words and i == len(columns) - 1 and word in spec.words:
            values.append(spec.words[word])
            continue
        where = f"Row {number}, {column.name}"
        try:
            reading = read(cell, column.kind, column.unit)
        except ReadingError as error:
            raise ReadingError(error.code, f"{where}: {error.message}", error.read, error.allowed) from error
        if reading.si < 0.0 and not spec.signed:
            raise ReadingError("range", f"{where} is below nought.", cell, "nought or more")
        values.append(reading.si)
    return tuple(values)
