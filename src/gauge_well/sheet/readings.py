"""What was read of a build that runs, read: quantities in SI, moments, factors, the logbook."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from datetime import date, datetime
from typing import Any

from gauge_well.core.fitted.kept import Kept, is_sound
from gauge_well.core.fitted.predict import HALVES
from gauge_well.sheet.errors import Problem
from gauge_well.sheet.start import COLDEST, WARMEST, moment_of, usual_unit
from gauge_well.sheet.work import Reader, date_of
from gauge_well.units import ReadingError, read
from gauge_well.units.printing import Preference

AIR = 293.15  # K of a drive's day, where nobody says (common practice)
# What a field of a reading is, and between what it may lie [SI].
FIELDS: Mapping[str, tuple[str, str, float, float]] = {
    "value": ("Reading", "temperature", 223.15, 523.15),
    "half": ("How far the gauge may be off", "temperature_difference", 0.2, 30.0),
    "speed": ("Speed", "speed", 0.0, 120.0),
    "grade": ("Grade", "grade", -0.4, 0.6),
    "engine_speed": ("Engine speed", "speed_rpm", 100.0, 22000.0),
    "power": ("Power", "power", 0.0, 3e6),
    "air": ("Air outside", "temperature", COLDEST, WARMEST),
    "altitude": ("Height", "distance", -400.0, 6000.0),
    "sea": ("Sea", "temperature", 270.15, 310.15),
    "rises": ("Rises in a minute", "temperature_difference", -30.0, 30.0),
    "coolant_rises": ("Coolant rises in a minute", "temperature_difference", -30.0, 30.0),
}
BOOK: Mapping[str, tuple[str, str, float, float]] = {
    "distance": ("Distance on the counter", "distance", 0.0, 1e10),
    "hours": ("Hours on the counter", "time", 0.0, 1e9),
    "fuel": ("Fuel put in", "volume", 0.0, 20.0),
    "hottest": ("The most the coolant showed", "temperature", 223.15, 523.15),
}


@dataclass(frozen=True)
class TakenSaid:
    """A reading: its value and gauge's half-range [K], what the machine did [SI], None where nobody said; how fast it and the coolant
    moved [K/s]."""

    id: str
    what: str
    text: str
    value: float | None
    half: float
    at: datetime | None
    duty: str
    speed: float | None
    grade: float
    engine_speed: float | None
    power: float | None
    air: float | None
    altitude: float
    sea: float | None
    rises: float
    coolant_rises: float
    tow: bool
    note: str
    recording: str
    left_out: bool
    homes: Mapping[str, str]


@dataclass(frozen=True)
class BookSaid:
    """A line of the logbook: its counters [m, s], fuel put in [m3], the most the coolant showed [K]."""

    id: str
    kind: str
    at: date | None
    distance: float | None
    hours: float | None
    fuel: float | None
    hottest: float | None
    text: str


@dataclass(frozen=True)
class MendSaid:
    """Something to be mended."""

    id: str
    text: str
    system: str
    gains: str
    done: date | None


@dataclass(frozen=True)
class RecipeSaid:
    """How the columns of a logger's files are read."""

    id: str
    heads: str
    columns: str


@dataclass(frozen=True)
class ReadingsFacts:
    """All of it. ``air`` [K] None where nobody said."""

    air: float | None
    begins: str
    tow: bool
    applied: datetime | None
    taken: tuple[TakenSaid, ...]
    factors: tuple[Kept, ...]
    book: tuple[BookSaid, ...]
    mends: tuple[MendSaid, ...]
    recipes: tuple[RecipeSaid, ...]


def _quantity(
    reader: Reader,
    path: str,
    of: tuple[str, str, float, float],
    text: str | None,
    prefer: Preference,
) -> float | None:
    label, kind, low, high = of

    def one(typed: str) -> float:
        found = read(typed, kind, usual_unit(kind, prefer)).si
        if not low <= found <= high:
            raise ReadingError("range", f"{label}: {typed[:30]} is past what can be.", typed[:30], "less")
        return found

    return reader.read(path, label, text, one)


def read_readings(
    raw: Mapping[str, Any] | None, prefer: Preference
) -> tuple[ReadingsFacts, dict[str, Any], list[Problem]]:
    """Read it; with it the normal form that is kept, and what was wrong."""
    raw = raw or {}
    reader = Reader("readings")

    def taken(reader: Reader, entry: Mapping[str, Any]) -> TakenSaid:
        path = f"readings.taken.{entry['id']}"
        found = {n: _quantity(reader, f"{path}.{n}", of, entry.get(n), prefer) for n, of in FIELDS.items()}
        what = entry.get("what") or ""
        half = found["half"]
        return TakenSaid(
            id=entry["id"],
            what=what,
            text=entry.get("value") or "",
            value=found["value"],
            half=HALVES.get(what, 3.0) if half is None else half,
            at=reader.read(f"{path}.at", "When", entry.get("at"), moment_of),
            duty=entry.get("duty") or "",
            speed=found["speed"],
            grade=found["grade"] or 0.0,
            engine_speed=found["engine_speed"],
            power=found["power"],
            air=found["air"],
            altitude=found["altitude"] or 0.0,
            sea=found["sea"],
            rises=(found["rises"] or 0.0) / 60.0,
            coolant_rises=(found["coolant_rises"] or 0.0) / 60.0,
            tow=entry.get("tow") == "yes",
            note=entry.get("note") or "",
            recording=entry.get("recording") or "",
            left_out=entry.get("left_out") == "yes",
            homes=_homes(entry.get("homes") or ""),
        )

    def factor(reader: Reader, entry: Mapping[str, Any]) -> Kept:
        path = f"readings.factors.{entry['id']}"
        mode = reader.read(f"{path}.mode", "Factor", entry.get("mode"), _number)
        row = reader.read(f"{path}.row", "Factor's row", entry.get("row"), lambda t: tuple(map(_number, t.split())))
        return Kept(entry["id"], mode or 0.0, row or (), entry.get("home") or "")

    def line(reader: Reader, entry: Mapping[str, Any]) -> BookSaid:
        path = f"readings.book.{entry['id']}"
        found = {n: _quantity(reader, f"{path}.{n}", of, entry.get(n), prefer) for n, of in BOOK.items()}
        at = reader.read(f"{path}.at", "When", entry.get("at"), date_of)
        return BookSaid(entry["id"], entry.get("kind") or "note", at, text=entry.get("text") or "", **found)

    def mend(reader: Reader, entry: Mapping[str, Any]) -> MendSaid:
        done = reader.read(f"readings.mends.{entry['id']}.done", "Done", entry.get("done"), date_of)
        return MendSaid(entry["id"], entry.get("text") or "", entry.get("system") or "", entry.get("gains") or "", done)

    def recipe(reader: Reader, entry: Mapping[str, Any]) -> RecipeSaid:
        return RecipeSaid(entry["id"], entry.get("heads") or "", entry.get("columns") or "")

    facts = ReadingsFacts(
        air=_quantity(reader, "readings.air", FIELDS["air"], raw.get("air"), prefer),
        begins=raw.get("begins") or "warm",
        tow=raw.get("tow") == "yes",
        applied=reader.read("readings.applied", "Applied", raw.get("applied"), moment_of),
        taken=reader.listed(raw, "taken", taken),
        factors=reader.listed(raw, "factors", factor),
        book=reader.listed(raw, "book", line),
        mends=reader.listed(raw, "mends", mend),
        recipes=reader.listed(raw, "recipes", recipe),
    )
    if facts.factors and not is_sound(facts.factors):
        said = "The factors do not make a whole: fit the readings again."
        reader.problems.append(Problem("readings.factors", "Factors", "a row", "as a fit wrote them", said))
    normal = {name: value for name, value in raw.items() if value not in (None, "", [])}
    return facts, normal, reader.problems


def homes_text(homes: Mapping[str, str]) -> str:
    """The parts that a reading was read with, as they are kept in it."""
    return " ".join(f"{id}:{home}" for id, home in homes.items())


def _homes(text: str) -> dict[str, str]:
    """What :func:`homes_text` wrote."""
    return dict(pair.split(":", 1) for pair in text.split() if ":" in pair)


def _number(text: str) -> float:
    try:
        return float(text)
    except ValueError:
        raise ReadingError("number", f"“{text[:20]}” is no number.", text[:20], "a number") from None
