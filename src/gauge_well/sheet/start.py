"""A first start's record, read: moments, places, what was typed of readings still in its own words."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from datetime import UTC, datetime
from typing import Any

from gauge_well.core.start.expected import KIND
from gauge_well.core.start.holds import KIND as HOLD_KIND
from gauge_well.sheet.errors import Problem
from gauge_well.sheet.work import FIRST_DAY, LAST_DAY, Reader
from gauge_well.units import KINDS, ReadingError, read
from gauge_well.units.printing import Preference

COLDEST, WARMEST = 233.15, 323.15  # K of a day


@dataclass(frozen=True)
class HoldSaid:
    """A hold: who signed, when; ``text`` of what was measured; ``began``: its wait."""

    id: str
    signed: str
    at: datetime | None
    text: str
    began: datetime | None
    note: str


@dataclass(frozen=True)
class RunSaid:
    """One go at a step; ``pace``: times as fast as a clock, of the simulated engine."""

    id: str
    step: str
    began: datetime | None
    ended: datetime | None
    pace: int
    note: str


@dataclass(frozen=True)
class ReadingSaid:
    """A reading as typed, of a reading by its name, in a run."""

    id: str
    what: str
    text: str
    at: datetime | None
    run: str
    made_up: bool


@dataclass(frozen=True)
class LookSaid:
    """A check done: its group and name, as typed."""

    id: str
    group: str
    check: str
    text: str
    at: datetime | None


@dataclass(frozen=True)
class StartFacts:
    """All of a first start's record; ``air`` [K] None where nobody said."""

    place: str
    air: float | None
    symptom: str
    holds: tuple[HoldSaid, ...]
    runs: tuple[RunSaid, ...]
    readings: tuple[ReadingSaid, ...]
    looks: tuple[LookSaid, ...]
    note: str


def usual_unit(kind: str, prefer: Preference) -> str:
    """Unit that a bare number is read in."""
    return KINDS[kind].imperial if prefer.system == "imperial" else KINDS[kind].metric


def moment_of(text: str) -> datetime:
    """A moment as a record writes it; ReadingError where there is none such."""
    try:
        found = datetime.fromisoformat(text).astimezone(UTC)
    except ValueError:
        raise ReadingError("moment", f"“{text[:30]}” is no moment.", text[:30], "2026-11-29T09:14:03Z") from None
    if not FIRST_DAY <= found.date() <= LAST_DAY:
        raise ReadingError("moment", f"{text} is no day of such a build.", text[:30], f"{FIRST_DAY} to {LAST_DAY}")
    return found


def read_start(raw: Mapping[str, Any] | None, prefer: Preference) -> tuple[StartFacts, dict[str, Any], list[Problem]]:
    """Read it; with it the normal form that is kept, and what was wrong."""
    raw = raw or {}
    reader = Reader("start")

    def air(text: str) -> float:
        found = read(text, "temperature", usual_unit("temperature", prefer)).si
        if not COLDEST <= found <= WARMEST:
            raise ReadingError("range", f"{text} is no day to start an engine in.", text, "-40 to 50 °C")
        return found

    def proved(path: str, label: str, text: str | None, kind: str) -> None:
        """Whether what was typed reads as such a quantity; it is kept as typed."""
        if kind:
            reader.read(path, label, text, lambda t: read(t, kind, usual_unit(kind, prefer)).si)

    def hold(reader: Reader, entry: Mapping[str, Any]) -> HoldSaid:
        path = f"start.holds.{entry['id']}"
        proved(f"{path}.value", "Measured for it", entry.get("value"), HOLD_KIND.get(entry["id"].partition("_")[2], ""))
        at, began = (reader.read(f"{path}.{n}", "When", entry.get(n), moment_of) for n in ("at", "began"))
        return HoldSaid(
            entry["id"], entry.get("signed") or "", at, entry.get("value") or "", began, entry.get("note") or ""
        )

    def run(reader: Reader, entry: Mapping[str, Any]) -> RunSaid:
        path = f"start.runs.{entry['id']}"
        began, ended = (reader.read(f"{path}.{n}", "When", entry.get(n), moment_of) for n in ("began", "ended"))
        return RunSaid(
            entry["id"], entry.get("step") or "", began, ended, int(entry.get("pace") or 1), entry.get("note") or ""
        )

    def reading(reader: Reader, entry: Mapping[str, Any]) -> ReadingSaid:
        at = reader.read(f"start.readings.{entry['id']}.at", "When", entry.get("at"), moment_of)
        what, text = entry.get("what") or "", entry.get("value") or ""
        proved(f"start.readings.{entry['id']}.value", "Reading", text, KIND.get(what, ""))
        return ReadingSaid(entry["id"], what, text, at, entry.get("run") or "", entry.get("made_up") == "yes")

    def look(reader: Reader, entry: Mapping[str, Any]) -> LookSaid:
        at = reader.read(f"start.looks.{entry['id']}.at", "When", entry.get("at"), moment_of)
        group, _, check = entry["id"].partition("__")
        return LookSaid(entry["id"], group, check, entry.get("value") or "", at)

    facts = StartFacts(
        place=raw.get("place") or "",
        air=reader.read("start.air", "Air of the day", raw.get("air"), air),
        symptom=raw.get("symptom") or "",
        holds=reader.listed(raw, "holds", hold),
        runs=reader.listed(raw, "runs", run),
        readings=reader.listed(raw, "readings", reading),
        looks=reader.listed(raw, "looks", look),
        note=raw.get("note") or "",
    )
    normal = {name: value for name, value in raw.items() if value not in (None, "", [])}
    return facts, normal, reader.problems
