"""A logger's CSV, of any columns and units: each second's mean of each, however many rows it has."""

from __future__ import annotations

import csv
import io
import re
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass
from datetime import UTC, datetime
from itertools import islice

import numpy as np

from gauge_well.formats.errors import FormatError
from gauge_well.units import KINDS, UNITS

BYTES_MAX = 64 * 1024 * 1024
COLUMNS_MAX, CELL_MAX = 80, 60
SECONDS_MAX = 48 * 3600  # of a drive
HEAD_ROWS = 12  # within which its head stands
BOM = b"\xef\xbb\xbf"


@dataclass(frozen=True)
class Channel:
    """Something that is logged: what it is called, its kind, words its column goes by."""

    label: str
    kind: str
    words: tuple[str, ...]


# In the order in which a head is matched: the narrower name before the wider.
CHANNELS: Mapping[str, Channel] = {
    "time": Channel("Time", "time", ("time", "timestamp", "t", "seconds", "elapsed", "utc")),
    "latitude": Channel("Latitude", "angle", ("latitude", "lat")),
    "longitude": Channel("Longitude", "angle", ("longitude", "long", "lon", "lng")),
    "height": Channel("Height", "distance", ("altitude", "elevation", "height", "alt", "ele")),
    "rpm": Channel("Engine speed", "speed_rpm", ("engine speed", "rpm", "revs", "engine rpm", "n")),
    "speed": Channel("Road speed", "speed", ("vehicle speed", "gps speed", "speed", "velocity")),
    "oil_temperature": Channel("Oil temperature", "temperature", ("oil temperature", "oil temp", "eot")),
    "oil_pressure": Channel("Oil pressure", "pressure_gauge", ("oil pressure", "oil press", "oil p", "eop")),
    "rail": Channel("Fuel pressure at the rail", "pressure_gauge", ("fuel pressure", "fuel press", "rail pressure", "rail")),
    "intake": Channel("Intake air", "temperature", ("intake temperature", "intake air", "iat", "charge temp", "intake temp")),
    "outlet": Channel("Radiator's outlet", "temperature", ("radiator outlet", "rad out", "outlet temp")),
    "coolant": Channel(
        "Coolant", "temperature", ("coolant temperature", "coolant temp", "coolant", "water temp", "ect", "clt", "engine temp")
    ),
    "ambient": Channel("Air outside", "temperature", ("ambient temperature", "ambient", "outside air", "air temp")),
    "manifold": Channel("Manifold pressure", "pressure_absolute", ("manifold pressure", "map", "boost")),
    "volts": Channel("Volts", "voltage", ("battery voltage", "voltage", "volts", "battery", "batt")),
    "throttle": Channel("Throttle", "share", ("throttle position", "throttle", "tps", "pedal")),
    "fan": Channel("Fan", "share", ("fan duty", "fan")),
}  # fmt: skip


@dataclass(frozen=True)
class Column:
    """A column as its head says: its place, its head, the channel it is taken for (empty: none), the unit of its numbers."""

    at: int
    head: str
    channel: str
    unit: str


@dataclass(frozen=True, eq=False)
class Log:
    """Each second's mean of each channel, SI, not a number where nothing was logged; rows read and rows left out, channels that
    never moved."""

    time: np.ndarray
    channels: Mapping[str, np.ndarray]
    columns: Sequence[Column]
    rows: int
    left_out: int
    dead: tuple[str, ...]
    begins: datetime | None


_UNIT = re.compile(r"[\[(]\s*([^\])]*?)\s*[\])]\s*$")


def guessed(heads: Sequence[str], units: Sequence[str] = ()) -> list[Column]:
    """What each column is by its head; a unit in brackets, or in a row of units under the heads. A channel is taken once."""
    taken: set[str] = set()
    found = []
    for at, head in enumerate(heads[:COLUMNS_MAX]):
        own = _UNIT.search(head)
        said = own.group(1) if own else (units[at].strip() if at < len(units) else "")
        words = re.sub(r"[^a-z0-9]+", " ", _UNIT.sub("", head).lower()).strip()
        channel = next((id for id, c in CHANNELS.items() if id not in taken and words in c.words), "")
        if not channel:
            channel = next(
                (
                    id
                    for id, c in CHANNELS.items()
                    if id not in taken and any(len(w) > 3 and w in words for w in c.words)
                ),
                "",
            )
        unit = unit_of(channel, said) if channel else ""
        if channel:
            taken.add(channel)
        found.append(Column(at, head.strip()[:CELL_MAX], channel, unit))
    return found


def unit_of(channel: str, said: str) -> str:
    """The unit of a channel's numbers by what its head says; its kind's own where that says none that fits."""
    kind = KINDS[CHANNELS[channel].kind]
    plain = said.strip().strip("°").lower()
    for id, unit in UNITS.items():
        fits = unit.dimension == kind.dimension
        if fits and plain and (id.lower() == plain or plain in (s.lower().strip("°") for s in unit.spellings)):
            return id
    if channel in ("latitude", "longitude"):
        return "deg"
    return kind.metric


def read_log(raw: bytes, columns: Sequence[Column] | None = None) -> Log:
    """Read a log, row by row into its seconds: memory goes with how long it lasts, not with its rows.

    Raises
    ------
    FormatError
        Where it is no such file, has no time, or lasts too long.
    """
    rows = _rows(raw)
    first = list(islice(rows, HEAD_ROWS))
    at, own = _head(first)
    columns = own if columns is None else columns
    clock = next((c for c in columns if c.channel == "time"), None)
    if clock is None:
        raise FormatError("time", "No column of the log is its time: name it.")
    used = [c for c in columns if c.channel and c.channel != "time"]
    if not used:
        raise FormatError("columns", "No column of the log is one that is known here: name one at least.")
    return _binned((*first[at + 1 :],), rows, clock, used, columns)


def heads_of(raw: bytes) -> tuple[list[Column], list[str], str]:
    """What its columns are taken for by their heads, the cells of the first row under them, and its heads as one line, by which
    such a file is known again. FormatError as :func:`read_log`'s."""
    first = list(islice(_rows(raw), HEAD_ROWS))
    at, columns = _head(first)
    heads = ";".join(c.head for c in columns)
    return columns, list(first[at + 1]) if at + 1 < len(first) else [], heads


def _rows(raw: bytes) -> Iterator[list[str]]:
    if len(raw) > BYTES_MAX:
        raise FormatError("size", f"The log has {len(raw) // 1024**2} MB: {BYTES_MAX // 1024**2} MB are the most.")
    if b"\0" in raw[:4096]:
        raise FormatError("csv", "This is no CSV file: it holds bytes that are no text.")
    text = io.TextIOWrapper(io.BytesIO(raw.removeprefix(BOM)), encoding="utf-8", errors="replace", newline="")
    lines = list(islice(text, HEAD_ROWS))
    text.seek(0)
    try:
        for row in csv.reader(text, delimiter=_parted(lines)):
            if any(row):
                yield row[:COLUMNS_MAX]
    except csv.Error as error:
        raise FormatError("csv", f"The log cannot be read: {error}.") from None


def _parted(lines: Sequence[str]) -> str:
    """What parts the columns: the first that stands as often in most lines; a comma last, for it may be in a number."""
    for mark in (";", "\t", "|"):
        counts = [line.count(mark) for line in lines]
        if sum(n > 0 for n in counts) * 2 > len(lines):
            return mark
    return ","


def _head(rows: Sequence[Sequence[str]]) -> tuple[int, list[Column]]:
    """The row of heads, the first in which a time is named; a row of units may follow it."""
    for at, row in enumerate(rows):
        under = rows[at + 1] if at + 1 < len(rows) else []
        units = under if under and not any(_number(cell) is not None for cell in under) else []
        found = guessed(row, units)
        if any(c.channel == "time" for c in found):
            return at + bool(units), found
    raise FormatError("head", "No row of the log's first dozen names its columns with a time among them.")


def _number(cell: str) -> float | None:
    try:
        value = float(cell.strip().replace(",", "."))
    except ValueError:
        return None
    return value if np.isfinite(value) else None


_CLOCK = re.compile(r"^(?:(\d{1,3}):)?(\d{1,2}):(\d{1,2}(?:[.,]\d+)?)$")


def _seconds(cell: str, unit: str) -> tuple[float | None, datetime | None]:
    """A moment as seconds: a number in its unit, h:mm:ss, or a date with a time."""
    text = cell.strip()
    number = _number(text)
    if number is not None:
        return number * UNITS[unit].factor, None
    clock = _CLOCK.match(text)
    if clock:
        hours, minutes, seconds = (float((g or "0").replace(",", ".")) for g in clock.groups())
        return 3600.0 * hours + 60.0 * minutes + seconds, None
    try:
        moment = datetime.fromisoformat(text)
    except ValueError:
        return None, None
    moment = as_utc(moment)
    return moment.timestamp(), moment


def as_utc(moment: datetime) -> datetime:
    """A moment in UTC; one without a zone is taken to be in it."""
    return moment.replace(tzinfo=UTC) if moment.tzinfo is None else moment.astimezone(UTC)


def _binned(
    first: Sequence[Sequence[str]],
    rest: Iterator[list[str]],
    clock: Column,
    used: Sequence[Column],
    columns: Sequence[Column],
) -> Log:
    sums: list[dict[int, tuple[float, int]]] = [{} for _ in used]
    factors = [(UNITS[c.unit].factor, UNITS[c.unit].offset) for c in used]
    began: float | None = None
    begins: datetime | None = None
    count = left_out = last = 0
    for row in _both(first, rest):
        count += 1
        seconds, moment = _seconds(row[clock.at], clock.unit) if clock.at < len(row) else (None, None)
        if seconds is None:
            left_out += 1
            continue
        if began is None:
            began, begins = seconds, moment
        second = int(seconds - began)
        if not 0 <= second <= SECONDS_MAX:
            left_out += 1
            continue
        last = max(last, second)
        for own, column, (factor, offset) in zip(sums, used, factors, strict=True):
            value = _number(row[column.at]) if column.at < len(row) else None
            if value is not None:
                total, n = own.get(second, (0.0, 0))
                own[second] = (total + value * factor + offset, n + 1)
    if began is None or last == 0:
        raise FormatError("time", "No two rows of the log have a time that can be read.")
    time = np.arange(last + 1, dtype=np.float64)
    channels = {}
    for own, column in zip(sums, used, strict=True):
        values = np.full(last + 1, np.nan)
        for second, (total, n) in own.items():
            values[second] = total / n
        channels[column.channel] = values
    return Log(time, channels, tuple(columns), count, left_out, dead_of(channels), begins)


def _both(first: Sequence[Sequence[str]], rest: Iterator[list[str]]) -> Iterator[Sequence[str]]:
    yield from first
    yield from rest


def dead_of(channels: Mapping[str, np.ndarray]) -> tuple[str, ...]:
    """Channels that say the same all the way, or nothing: a sensor off, a wire broken."""
    found = []
    for id, values in channels.items():
        seen = values[np.isfinite(values)]
        if seen.size < 2 or float(np.ptp(seen)) == 0.0:
            found.append(id)
    return tuple(found)
