"""What is said of the work, read: to the core's types, every date, hour and price found allowed."""

from __future__ import annotations

from collections.abc import Callable, Iterator, Mapping
from dataclasses import dataclass
from datetime import date
from typing import Any, TypeVar

from gauge_well.core.work.money import Way
from gauge_well.core.work.said import Said, TaskSaid, Week
from gauge_well.core.work.span import Span, certain
from gauge_well.core.work.traits import CHOICES
from gauge_well.sheet.errors import Problem
from gauge_well.sheet.spans import hours_of, lead_of, money_of, pause_of, share_of
from gauge_well.sheet.work_document import OPTION_FACTS
from gauge_well.units import ReadingError, read

T = TypeVar("T")
DAY_MOST = 16.0  # h
FIRST_DAY, LAST_DAY = date(1990, 1, 1), date(2099, 12, 31)


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
    kit: str
    holds: frozenset[str]
    ways: tuple[Way, ...]


@dataclass(frozen=True, kw_only=True)
class Fastener:
    """A fastener, or several alike: as typed, its torque read [N m]."""

    id: str
    title: str
    count: int
    thread: str
    length: str
    grade: str
    torque: float | None
    torque_text: str
    sealant: str
    gauged: bool
    state: str
    task: str


@dataclass(frozen=True, kw_only=True)
class Option:
    """An engine that could be taken instead; ``facts``: of the engine section, as typed."""

    id: str
    title: str
    price: Span | None
    parts: Span | None
    facts: Mapping[str, str]
    fits: str
    note: str


@dataclass(frozen=True, kw_only=True)
class WorkFacts:
    """All that is said of the work; ``stated``: which of its own fields somebody gave."""

    said: Said
    buys: tuple[Buy, ...]
    fasteners: tuple[Fastener, ...]
    options: tuple[Option, ...]
    limit: float | None
    rate: float | None
    start: date | None
    stated: frozenset[str]


class Reader:
    """Reads what a block of the document keeps, gathering what is wrong."""

    def __init__(self, block: str) -> None:
        self.block = block
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

    def listed(self, raw: Mapping[str, Any], name: str, one: Callable[[Reader, Mapping[str, Any]], T]) -> tuple[T, ...]:
        """A list of things with a name each."""
        seen: set[str] = set()
        found = []
        for entry in raw.get(name, ()):
            id = entry["id"]
            if id in seen:
                path = f"{self.block}.{name}.{id}"
                self.problems.append(Problem(path, "Name", id, "a name of its own", "Two of a list have one id."))
            seen.add(id)
            found.append(one(self, entry))
        return tuple(found)


def date_of(text: str) -> date:
    """A date as a sheet writes it; ReadingError where there is no such day."""
    try:
        found = date.fromisoformat(text)
    except ValueError:
        raise ReadingError("date", f"“{text[:20]}” is no day of the calendar.", text[:20], "2026-11-24") from None
    if not FIRST_DAY <= found <= LAST_DAY:
        allowed = f"{FIRST_DAY} to {LAST_DAY}"
        raise ReadingError("date", f"{text} is no day of such a build.", text[:20], allowed)
    return found


def _a_day(text: str) -> float:
    hours = hours_of(text).likely
    if hours > DAY_MOST:
        raise ReadingError("range", f"{text} is more than a day has.", text, f"up to {DAY_MOST:g} h")
    return hours


def read_work(raw: Mapping[str, Any] | None) -> tuple[WorkFacts, dict[str, Any], list[Problem]]:
    """Read it; with it the normal form that is kept, and what was wrong."""
    raw = raw or {}
    reader = Reader("work")
    tasks = {task.id: task for task in reader.listed(raw, "tasks", _task)}
    buys = reader.listed(raw, "buys", _buy)
    fasteners = reader.listed(raw, "fasteners", _fastener)
    options = reader.listed(raw, "options", _option)
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
        buys=buys,
        fasteners=fasteners,
        options=options,
        limit=None if limit is None else limit.likely,
        rate=None if rate is None else rate.likely,
        start=reader.read("work.start", "No work before", raw.get("start"), date_of),
        stated=frozenset(name for name, value in raw.items() if value not in (None, "", [])),
    )
    normal = {name: value for name, value in raw.items() if value not in (None, "", [])}
    return facts, normal, reader.problems


def _task(reader: Reader, entry: Mapping[str, Any]) -> TaskSaid:
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


def _buy(reader: Reader, entry: Mapping[str, Any]) -> Buy:
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
        kit=entry.get("kit") or "",
        holds=frozenset(entry.get("holds") or ()),
        ways=tuple(_ways(reader, f"{path}.ways", entry.get("ways") or {})),
    )


# What is done over again where nobody says (common practice): one's own work most, a kit least.
REDO: Mapping[str, Span] = {"make": Span(0.0, 0.1, 0.5), "buy": Span(0.0, 0.02, 0.15), "send": Span(0.0, 0.05, 0.25)}
WAYS: Mapping[str, str] = {"make": "made here", "buy": "bought ready", "send": "sent out"}


def _ways(reader: Reader, path: str, ways: Mapping[str, Mapping[str, str]]) -> Iterator[Way]:
    """Ways of which the money is said; nothing typed for hours or days is none of them."""
    for id, way in ways.items():
        cost = reader.read(f"{path}.{id}.cost", "Cost", way.get("cost"), money_of)
        hours = reader.read(f"{path}.{id}.hours", "Hours", way.get("hours"), hours_of)
        redo = reader.read(f"{path}.{id}.redo", "Done over again", way.get("redo"), share_of)
        wait = reader.read(f"{path}.{id}.wait", "Days", way.get("wait"), lead_of)
        if cost is not None:
            none = certain(0.0)
            yield Way(id, WAYS[id], cost, hours or none, redo or REDO[id], wait or none)


def _newton_metres(text: str) -> float:
    return read(text, "torque", "Nm").si


def _fastener(reader: Reader, entry: Mapping[str, Any]) -> Fastener:
    path = f"work.fasteners.{entry['id']}"
    return Fastener(
        id=entry["id"],
        title=entry["title"],
        count=entry.get("count") or 1,
        thread=entry.get("thread") or "",
        length=entry.get("length") or "",
        grade=entry.get("grade") or "",
        torque=reader.read(f"{path}.torque", "Torque", entry.get("torque"), _newton_metres),
        torque_text=entry.get("torque") or "",
        sealant=entry.get("sealant") or "",
        gauged=entry.get("gauged") == "yes",
        state=entry.get("state") or "",
        task=entry.get("task") or "",
    )


ENGINE = (*OPTION_FACTS, "aspiration", "fuel")


def _option(reader: Reader, entry: Mapping[str, Any]) -> Option:
    path = f"work.options.{entry['id']}"
    return Option(
        id=entry["id"],
        title=entry["title"],
        price=reader.read(f"{path}.price", "Price", entry.get("price"), money_of),
        parts=reader.read(f"{path}.parts", "Parts", entry.get("parts"), money_of),
        facts={name: entry[name] for name in ENGINE if entry.get(name)},
        fits=entry.get("fits") or "unknown",
        note=entry.get("note") or "",
    )
