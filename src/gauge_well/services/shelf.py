"""The shelf: cards kept with their builds, a page at a time; the bin."""

from __future__ import annotations

import hashlib
import logging
from collections.abc import Mapping, Sequence
from contextlib import suppress
from datetime import UTC, datetime, timedelta
from functools import cache
from importlib import resources
from importlib.resources.abc import Traversable
from typing import Any

from sqlalchemy import Engine, Row, delete, func, select, tuple_, update
from sqlalchemy.exc import DBAPIError
from sqlalchemy.orm import Session

from gauge_well.core.systems import SYSTEMS
from gauge_well.services import sizing
from gauge_well.services.errors import NotFound, Refused
from gauge_well.sheet import SheetError
from gauge_well.sheet.demo import NAMES
from gauge_well.store.models import Build
from gauge_well.store.session import transaction

log = logging.getLogger("gauge_well.services")
PAGE = 60
BIN_DAYS = 30
WORKS = ("core", "units", "sheet", "services")  # what a card follows from, besides its document


@cache
def fingerprint() -> str:
    """Which state of the program works cards: one made by another is worked again."""
    total = hashlib.sha256()

    def take(folder: Traversable) -> None:
        for item in sorted(folder.iterdir(), key=lambda i: i.name):
            if item.is_dir():
                take(item)
            elif item.name.endswith(".py"):
                total.update(item.read_bytes())

    for name in WORKS:
        take(resources.files("gauge_well") / name)
    return total.hexdigest()[:20]


def there(session: Session, build: str) -> None:
    """NotFound where there is no such build, or it lies in the bin."""
    if session.scalar(select(Build.id).where(Build.id == build, Build.deleted_at.is_(None))) is None:
        raise NotFound


def stamp(moment: datetime) -> str:
    """A moment as it is given out."""
    return moment.isoformat(timespec="seconds")


def card_of(document: Mapping[str, Any], report: Mapping[str, Any]) -> dict[str, Any]:
    """What the shelf shows of a build that was sized."""
    wells = {id: b["fill"] for id, b in report["systems"].items() if b["checks"] or b["unknown"]}
    return _named(document) | {"sentence": report["headline"]["sentence"], "state": report["state"], "wells": wells}


def _in_order(card: Mapping[str, Any]) -> dict[str, Any]:
    """A card with its wells in the order of work, which the database does not keep."""
    wells = card.get("wells", {})
    return {**card, "wells": {id: wells[id] for id in ("engine", *SYSTEMS) if id in wells}}


def _named(document: Mapping[str, Any]) -> dict[str, Any]:
    machine = document.get("machine")
    return {
        "name": str(document.get("name", ""))[:80],
        "notes": str(document.get("notes", ""))[:4000],
        "kind": str(machine.get("kind", "")) if isinstance(machine, Mapping) else "",
    }


def _worked(document: Mapping[str, Any]) -> dict[str, Any]:
    """Card of a stored document, whatever it holds: one that does not stand today must not hide the others."""
    try:
        return card_of(document, sizing.size_document(document, explain="none"))
    except SheetError as error:
        said = error.problems[0].message
    except Exception:
        log.exception("a build's card could not be worked")
        said = "The program fails on this build; its document and history can be opened."
    return _named(document) | {"sentence": said, "state": "unknown", "wells": {}}


def _cursor(text: str) -> tuple[datetime, str]:
    """Where the last page ended."""
    moment, _, id = text.partition("~")
    try:
        return datetime.fromisoformat(moment), id
    except ValueError as error:
        raise Refused("after", text[:60], "what a page gave as `more`", "There is no such page.") from error


def shelf(engine: Engine, after: str = "", limit: int = PAGE) -> dict[str, Any]:
    """A page of cards, last changed first; ``more`` leads to the next one, empty at the end."""
    columns = (Build.id, Build.revision, Build.updated_at, Build.card, Build.card_made)
    query = select(*columns).where(Build.deleted_at.is_(None))
    query = query.order_by(Build.updated_at.desc(), Build.id.desc()).limit(limit + 1)
    if after:
        query = query.where(tuple_(Build.updated_at, Build.id) < tuple_(*_cursor(after)))
    with transaction(engine) as session:
        rows = session.execute(query).all()
        count = session.scalar(select(func.count()).where(Build.deleted_at.is_(None)))
    page, last = rows[:limit], rows[limit - 1] if len(rows) > limit else None
    fresh = _fresh(engine, [r for r in page if r.card is None or r.card_made != fingerprint()])
    return {
        "builds": [
            {"id": r.id, "revision": r.revision, "updated_at": stamp(r.updated_at)}
            | _in_order(fresh.get(r.id) or r.card or {})
            for r in page
        ],
        "more": f"{last.updated_at.isoformat()}~{last.id}" if last is not None else "",
        "count": count,
    }


def _fresh(engine: Engine, rows: Sequence[Row[Any]]) -> dict[str, dict[str, Any]]:
    """Cards that another state of the program made, or none did, worked again and kept."""
    if not rows:
        return {}
    with transaction(engine) as session:
        documents = session.execute(select(Build.id, Build.document).where(Build.id.in_([r.id for r in rows]))).all()
    cards = {id: _worked(document) for id, document in documents}
    # A shelf that cannot be written to is still read.
    with suppress(DBAPIError), transaction(engine) as session:
        for row in rows:
            if row.id in cards:
                same = (Build.id == row.id) & (Build.revision == row.revision)
                session.execute(update(Build).where(same).values(card=cards[row.id], card_made=fingerprint()))
    return cards


def _kept_since() -> datetime:
    return datetime.now(UTC) - timedelta(days=BIN_DAYS)


def in_bin(engine: Engine) -> list[dict[str, Any]]:
    """Deleted builds that can still be brought back, last deleted first."""
    query = select(Build.id, Build.deleted_at, Build.document["name"].astext.label("name"))
    with transaction(engine) as session:
        rows = session.execute(
            query.where(Build.deleted_at >= _kept_since()).order_by(Build.deleted_at.desc()).limit(200)
        ).all()
    return [
        {
            "id": r.id,
            "name": r.name or "",
            "deleted_at": stamp(r.deleted_at),
            "kept_until": stamp(r.deleted_at + timedelta(days=BIN_DAYS)),
        }
        for r in rows
    ]


def empty_bin(engine: Engine) -> int:
    """Take out for good what was deleted over :data:`BIN_DAYS` ago; how many.

    Of a demo build the row stays, so that it is not put on the shelf again.
    """
    with transaction(engine) as session:
        gone = session.execute(
            delete(Build).where(Build.deleted_at < _kept_since(), Build.id.not_in(NAMES)).returning(Build.id)
        )
        return len(gone.all())
