"""A pin list as somebody's table has it: read line by line, what is odd named, nothing lost."""

from __future__ import annotations

import csv
import io
import re
from collections.abc import Mapping, Sequence

from pydantic import BaseModel

from gauge_well.core.electrical.signals import SIGNALS, named
from gauge_well.sheet import Problem, SheetError
from gauge_well.sheet.listing import ROWS_MAX

TEXT_MAX = 40_000  # characters that are read
CELL_MAX = 60
# A head's words, by the column they mean; the longest that is found in a cell stands.
HEADS: Mapping[str, tuple[str, ...]] = {
    "plug": ("plug", "connector", "conn", "socket", "header"),
    "pin": ("pin", "terminal", "cavity", "no.", "number", "position"),
    "colour": ("colour", "color", "wire", "cable"),
    "says": ("function", "description", "signal", "name", "called", "use", "circuit", "what"),
    "state": ("state", "proved", "tested", "works", "status"),
    "source": ("source", "comes from", "from", "kept"),
}
_STATES = {"works": ("works", "ok", "yes", "good", "tested"), "broken": ("does not", "broken", "no", "dead", "bad"), "untested": ("untested", "?", "not tested")}  # fmt: skip
_SOURCES = {"real": ("real", "kept", "wired"), "mimicked": ("mimic", "made up", "resistor"), "dropped": ("dropped", "programmed out", "deleted", "coded out"), "missing": ("missing", "nothing", "absent"), "stand": ("stand", "fuse in its place")}  # fmt: skip
_PIN = re.compile(r"^[a-z]{0,2}\d{1,3}[a-z]?$", re.I)
_COLOURS = [
    "black",
    "brown",
    "red",
    "orange",
    "yellow",
    "green",
    "blue",
    "violet",
    "purple",
    "grey",
    "gray",
    "white",
    "pink",
]
_COLOUR = re.compile(rf"^({'|'.join(_COLOURS)}|[a-z]{{2}})([ /-]+({'|'.join(_COLOURS)}|[a-z]{{2}}))*$", re.I)


class PinOut(BaseModel):
    """One line that was kept: what it is taken to be, and what is odd about it."""

    line: int
    plug: str = ""
    pin: str = ""
    colour: str = ""
    says: str = ""
    what: str
    label: str
    source: str = ""
    state: str = ""
    odd: list[str]


class PinsOut(BaseModel):
    """A list as it was read; ``csv`` puts it on the sheet."""

    pins: list[PinOut]
    lines: int
    blank: int
    head: list[str]
    odd: list[str]
    csv: str


def read(raw: bytes) -> PinsOut:
    """Read a pin list: comma, semicolon, tab or bars between cells, with a head or without.

    Raises
    ------
    SheetError
        Where it is too long, or has no line with anything in it.
    """
    text = raw.decode("utf-8", "replace").lstrip("\ufeff")
    if len(text) > TEXT_MAX:
        raise _refused(f"{len(text)} characters are too many.", f"{TEXT_MAX} at most")
    rows = list(csv.reader(io.StringIO(text, newline=""), delimiter=_delimiter(text)))
    cells = [[" ".join(cell.split())[:CELL_MAX] for cell in row] for row in rows]
    filled = [(n, row) for n, row in enumerate(cells, 1) if any(row)]
    if not filled:
        raise _refused("That list has no lines.", "a pin a line")
    columns, headed = _columns([row for _, row in filled])
    body = filled[1:] if headed else filled
    if len(body) > ROWS_MAX:
        raise _refused(f"{len(body)} pins are too many.", f"{ROWS_MAX} at most")
    pins = [_pin(n, row, columns) for n, row in body]
    _twice(pins)
    head = [f"{name}: column {i + 1}" for i, name in enumerate(columns) if name]
    return PinsOut(
        pins=pins,
        lines=len(cells),
        blank=len(cells) - len(filled),
        head=head,
        odd=_said(pins, len(cells) - len(filled)),
        csv=_csv(pins),
    )


def _refused(message: str, allowed: str) -> SheetError:
    return SheetError([Problem("electrics.signals", "Pin list", "", allowed, message)])


def _delimiter(text: str) -> str:
    lines = [line for line in text.splitlines() if line.strip()][:20]
    return max("\t;|,", key=lambda mark: sum(line.count(mark) for line in lines))


def _columns(rows: Sequence[Sequence[str]]) -> tuple[list[str], bool]:
    """What each column holds, by the first line's words, else by what stands in it; whether there is a head."""
    width = max(len(row) for row in rows)
    first = [cell.lower() for cell in rows[0]]
    found = [""] * width
    for i, cell in enumerate(first):
        fits = [(len(word), name) for name, words in HEADS.items() for word in words if word in cell]
        name = max(fits, default=(0, ""))[1]
        if name and name not in found:
            found[i] = name
    if sum(bool(name) for name in found) >= 2 and not any(_PIN.match(cell) for cell in first):
        return found, True
    found = [""] * width
    columns = [[row[i] for row in rows if i < len(row) and row[i]] for i in range(width)]
    long = [sum(map(len, cells)) / max(len(cells), 1) for cells in columns]
    found[int(max(range(width), key=long.__getitem__))] = "says"
    for name, looks in (("pin", _PIN), ("colour", _COLOUR)):
        share = [0.0 if found[i] else _share(cells, looks) for i, cells in enumerate(columns)]
        best = max(range(width), key=share.__getitem__)
        if share[best] > 0.5:
            found[best] = name
    return found, False


def _share(cells: Sequence[str], looks: re.Pattern[str]) -> float:
    return sum(bool(looks.match(cell)) for cell in cells) / len(cells) if cells else 0.0


def _pin(line: int, row: Sequence[str], columns: Sequence[str]) -> PinOut:
    own = {name: cell for name, cell in zip(columns, row, strict=False) if name and cell}
    # Cells beside the columns known go with what it is called: nothing is lost.
    rest = [cell for i, cell in enumerate(row) if cell and (i >= len(columns) or not columns[i])]
    says = ", ".join([*([own["says"]] if "says" in own else []), *rest])[:CELL_MAX]
    what, odd = named(says), list[str]()
    if not says:
        odd.append("says nothing of what it is for")
    elif what == "other":
        odd.append("is not known by that name: kept as another")
    if not own.get("pin"):
        odd.append("has no pin")
    state, source = (_word(own.get(n, ""), table) for n, table in (("state", _STATES), ("source", _SOURCES)))
    for name, read_as in (("state", state), ("source", source)):
        if own.get(name) and not read_as:
            odd.append(f"{name} “{own[name]}” is not understood")
            says = f"{says}, {own[name]}"[:CELL_MAX]
    return PinOut(
        line=line, plug=own.get("plug", ""), pin=own.get("pin", ""), colour=own.get("colour", ""), says=says, what=what,
        label=SIGNALS[what].label, source=source, state=state, odd=odd,
    )  # fmt: skip


def _word(text: str, table: Mapping[str, Sequence[str]]) -> str:
    """The longest of a table's words that a cell begins with or is."""
    said = text.lower()
    fits = [(len(word), id) for id, words in table.items() for word in words if said == word or (len(word) > 3 and word in said)]  # fmt: skip
    return max(fits, default=(0, ""))[1]


def _twice(pins: Sequence[PinOut]) -> None:
    """Name pins that stand more than once."""
    first: dict[tuple[str, str], int] = {}
    for pin in pins:
        key = (pin.plug.lower(), pin.pin.lower())
        if not pin.pin:
            continue
        if key in first:
            pin.odd.append(f"is pin {pin.pin} again, as on line {first[key]}")
        first.setdefault(key, pin.line)


def _said(pins: Sequence[PinOut], blank: int) -> list[str]:
    """What is odd, in counts."""
    kinds = (("again", "with a pin that stands twice"), ("not known", "by a name not known"), ("no pin", "without a pin"), ("says nothing", "without a name"), ("not understood", "with a word not understood"))  # fmt: skip
    found = [f"{n} {words}" for mark, words in kinds if (n := sum(any(mark in o for o in pin.odd) for pin in pins))]
    return [*found, *([f"{blank} blank {'line' if blank == 1 else 'lines'} left out"] if blank else [])]


def _csv(pins: Sequence[PinOut]) -> str:
    """As the sheet takes it."""
    out = io.StringIO()
    writer = csv.writer(out, lineterminator="\r\n")
    writer.writerow(["what", "source", "state", "plug", "pin", "colour", "says"])
    for pin in pins:
        writer.writerow([pin.what, pin.source, pin.state, pin.plug, pin.pin, pin.colour, pin.says])
    return out.getvalue()
