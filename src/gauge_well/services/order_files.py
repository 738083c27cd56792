"""The order of work as files: CSV for a spreadsheet, iCalendar for a calendar."""

from __future__ import annotations

import csv
import hashlib
import io
from collections.abc import Mapping
from datetime import date, datetime, timedelta
from typing import Any

from icalendar import Calendar, Event

from gauge_well.services.order import order_of

TASK_HEADS = (
    "Task",
    "Stretch",
    "State",
    "Done",
    "Signed",
    "People",
    "Least h",
    "Likely h",
    "Most h",
    "Likely begin",
    "Likely end",
    "Hours to spare",
    "Comes after",
    "Proved by",
    "Note",
)
THING_HEADS = ("Thing", "For", "State", "From", "Price", "Lead time", "Due", "Likely there", "Waits for it", "Note")
STEP = timedelta(minutes=15)  # events end on it


def _safe(text: str) -> str:
    """Text that a spreadsheet does not take for a formula."""
    return f"'{text}" if text[:1] in ("=", "+", "-", "@", "\t", "\r") else text


def _written(heads: tuple[str, ...], rows: list[list[Any]]) -> str:
    out = io.StringIO()
    writer = csv.writer(out)
    writer.writerow(heads)
    for row in rows:
        writer.writerow([_safe(cell) if isinstance(cell, str) else cell for cell in row])
    return out.getvalue()


def _at(order: Mapping[str, Any], hours: float | None) -> datetime | None:
    """A time of the order, local, to the quarter hour."""
    if hours is None:
        return None
    return datetime.fromisoformat(order["today"]) + STEP * round(hours / 0.25)


def tasks_csv(raw: Mapping[str, Any], today: date) -> str:
    """Tasks, what is done first, then by when they are begun."""
    order = order_of(raw, today)
    rows = []
    for task in order["tasks"]:
        begin, end = _at(order, task["begin_h"]), _at(order, task["end_h"])
        rows.append(
            [
                task["title"],
                order["stages"][task["stage"]],
                task["state"],
                task["done"],
                task["signed"],
                task["hands"],
                *(round(task["hours"][name], 2) for name in ("low", "likely", "high")),
                f"{begin:%Y-%m-%d %H:%M}" if begin else "",
                f"{end:%Y-%m-%d %H:%M}" if end else "",
                "" if task["slack_h"] is None else round(task["slack_h"], 1),
                "; ".join(arc["title"] for arc in task["after"]),
                task["hold"],
                task["note"],
            ]
        )
    return _written(TASK_HEADS, rows)


def things_csv(raw: Mapping[str, Any], today: date) -> str:
    """Parts and what else is bought."""
    order = order_of(raw, today)
    titles = {task["id"]: task["title"] for task in order["tasks"]}
    rows = [
        [
            thing["label"],
            thing["system"] or thing["kind"],
            thing["state"],
            thing["source"],
            thing["price"],
            thing["lead"],
            thing["due"],
            thing["arrives"],
            "; ".join(titles[id] for id in thing["tasks"]),
            thing["note"],
        ]
        for thing in order["things"]
    ]
    return _written(THING_HEADS, rows)


def calendar(raw: Mapping[str, Any], today: date) -> bytes:
    """Tasks that are left, at their likely times, and the days on which things are likely there; times are local ones."""
    order = order_of(raw, today)
    name = str(raw.get("name", ""))
    made = Calendar()
    made.add("prodid", "-//Gauge Well//order of work//EN")
    made.add("version", "2.0")
    made.add("x-wr-calname", f"{name}: order of work")
    for task in order["tasks"]:
        begin, end = _at(order, task["begin_h"]), _at(order, task["end_h"])
        if begin is None or end is None:
            continue
        told = [task["why"], f"To prove: {task['hold']}" if task["hold"] else "", task["caution"]]
        event = _event(name, f"task-{task['id']}", task["title"], "\n".join(line for line in told if line))
        event.add("dtstart", begin)
        event.add("dtend", max(end, begin + STEP))
        made.add_component(event)
    for thing in order["things"]:
        if thing["awaited"] and thing["arrives"]:
            event = _event(name, f"thing-{thing['id']}", f"{thing['label']}: likely there", thing["source"])
            event.add("dtstart", date.fromisoformat(thing["arrives"]))
            made.add_component(event)
    return bytes(made.to_ical())


def _event(build: str, id: str, title: str, told: str) -> Event:
    event = Event()
    # The same task of the same build is the same event when it is read in again.
    event.add("uid", f"{hashlib.sha256(f'{build} {id}'.encode()).hexdigest()[:24]}@gauge-well")
    event.add("dtstamp", datetime(2000, 1, 1))
    event.add("summary", title)
    if told:
        event.add("description", told)
    return event
