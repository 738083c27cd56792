"""What is said of the work, read: to the core's types, every date, hour and price found allowed."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass
from datetime import date
from typing import Any, TypeVar

from gauge_well.core.work.said import Said, TaskSaid, Week
from gauge_well.core.work.span import Span
from gauge_well.core.work.traits import CHOICES
from gauge_well.sheet.errors import Problem
from gauge_well.sheet.spans import hours_of, lead_of, money_of, pause_of
from gauge_well.units import ReadingError

T = TypeVar("T")
DAY_MOST = 16.0  # h


@dataclass(frozen=True, kw_only=True)
class Buy:
    """A thing on the list that is no part of a system; ``lead`` in days."""

    id: str
    title: str
    kind: str
    state: str
    source: str
    price: Span | None
    price_text: str
    lead: Span | None
    lead_text: str
    due: date | None
    task: str
    note: str


@dataclass(frozen=True, kw_only=True)
class WorkFacts:
    """All that is said of the work; ``stated``: which of its own fields somebody gave."""

    said: Said
    buys: tuple[Buy, ...]
    limit: float | None
    rate: float | None
    start: date | None
    stated: frozenset[str]


class _Reader:
    def __init__(self) -> None:
        self.problems: list[Problem] = []

    def read(self, path: str, label: str, text: str | None, reading: Callable[[str], T]) -> T | None:
        """What was typed, read; None where nothing was, or where it is a problem."""
        if text is None or not text.strip():
            return None
        try:
            return reading(text)
        except ReadingError as error:
            self.problems.append(Problem(path, label, error.read or text[:40], error.allowed, error.message))
            return None


def date_of(text: str) -> date:
    """A date as a sheet writes it; ReadingError where there is no such day."""
    try:
        return date.fromisoformat(text)
    except ValueError:
        raise ReadingError("date", f"“{text[:20]}” is no day of the calendar.", text[:20], "2026-11-24") from None


def _a_day(text: str) -> float:
    hours = hours_of(text).likely
    if hours > DAY_MOST:
        raise ReadingError("range", f"{text} is more than a day has.", text, f"up to {DAY_MOST:g} h")
    return hours


def read_work(raw: Mapping[str, Any] | None) -> tuple[WorkFacts, dict[str, Any], list[Problem]]:
    """Read it; with it the normal form that is kept, and what was wrong."""
    raw = raw or {}
    reader = _Reader()
    tasks: dict[str, TaskSaid] = {}
    for entry in raw.get("tasks", ()):
        id = entry["id"]
        if id in tasks:
            reader.problems.append(
                Problem(f"work.tasks.{id}", "Task", id, "a name of its own", "Two tasks have one id.")
            )
        tasks[id] = _task(reader, entry)
    buys: dict[str, Buy] = {}
    for entry in raw.get("buys", ()):
        id = entry["id"]
        if id in buys:
            reader.problems.append(
                Problem(f"work.buys.{id}", "Thing", id, "a name of its own", "Two things have one id.")
            )
        buys[id] = _buy(reader, entry)
    usual = Week()
    weekday = reader.read("work.weekday", "Hours of a weekday", raw.get("weekday"), _a_day)
    weekend = reader.read("work.weekend", "Hours of a day of the weekend", raw.get("weekend"), _a_day)
    week = Week(
        weekday=usual.weekday if weekday is None else weekday, weekend=usual.weekend if weekend is None else weekend
    )
    if week.weekday <= 0.0 and week.weekend <= 0.0:
        message = "There are no working hours in the whole week."
        reader.problems.append(Problem("work.weekday", "Working hours", "0 h", "over nought on some day", message))
    said = Said(
        choices={name: raw[name] for name in CHOICES if raw.get(name)},
        tasks=tasks,
        week=week,
        hands=raw.get("hands") or 1,
    )
    limit = reader.read("work.limit", "Limit", raw.get("limit"), money_of)
    rate = reader.read("work.rate", "An hour is worth", raw.get("rate"), money_of)
    facts = WorkFacts(
        said=said,
        buys=tuple(buys.values()),
        limit=None if limit is None else limit.likely,
        rate=None if rate is None else rate.likely,
        start=reader.read("work.start", "No work before", raw.get("start"), date_of),
        stated=frozenset(name for name, value in raw.items() if value not in (None, "", [])),
    )
    normal = {name: value for name, value in raw.items() if value not in (None, "", [])}
    return facts, normal, reader.problems


def _task(reader: _Reader, entry: Mapping[str, Any]) -> TaskSaid:
    id = entry["id"]
    path = f"work.tasks.{id}"
    return TaskSaid(
        id=id,
        title=entry.get("title") or "",
        stage=entry.get("stage") or "",
        why=entry.get("why") or "",
        hours=reader.read(f"{path}.hours", "Hours", entry.get("hours"), hours_of),
        hands=entry.get("hands"),
        lift=None if entry.get("lift") is None else entry["lift"] == "yes",
        lag=reader.read(f"{path}.dries", "Dries", entry.get("dries"), pause_of),
        after=tuple(entry.get("after") or ()),
        free_of=tuple(entry.get("free_of") or ()),
        done=reader.read(f"{path}.done", "Done", entry.get("done"), date_of),
        signed=entry.get("signed") or "",
        note=entry.get("note") or "",
        left_out=entry.get("left_out") == "yes",
    )


def _buy(reader: _Reader, entry: Mapping[str, Any]) -> Buy:
    path = f"work.buys.{entry['id']}"
    return Buy(
        id=entry["id"],
        title=entry["title"],
        kind=entry.get("kind") or "part",
        state=entry.get("state") or "",
        source=entry.get("from") or "",
        price=reader.read(f"{path}.price", "Price", entry.get("price"), money_of),
        price_text=entry.get("price") or "",
        lead=reader.read(f"{path}.lead", "Lead time", entry.get("lead"), lead_of),
        lead_text=entry.get("lead") or "",
        due=reader.read(f"{path}.due", "Due", entry.get("due"), date_of),
        task=entry.get("task") or "",
        note=entry.get("note") or "",
    )
