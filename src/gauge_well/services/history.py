"""History of a build: what was kept, named, looked at, and which of it is kept for long."""

from __future__ import annotations

from typing import Any

from sqlalchemy import Engine, delete, exists, func, select, update
from sqlalchemy.orm import Session, aliased

from gauge_well.services.errors import NotFound
from gauge_well.services.shelf import stamp, there
from gauge_well.sheet.format_1 import path_now
from gauge_well.store.models import Revision
from gauge_well.store.session import transaction

LAST_KEPT = 50
COMPACT_EVERY = 10  # writes
LISTED = 500
RULE = f"Kept: the last {LAST_KEPT} changes, of older ones the last of each day, the first, and those you gave a name."


def compact(session: Session, id: str, newest: int) -> None:
    """Take out revisions older than the last fifty, but the first, named ones and each day's last."""
    later = aliased(Revision)
    day = func.date_trunc("day", func.timezone("UTC", Revision.created_at))
    same_day = func.date_trunc("day", func.timezone("UTC", later.created_at)) == day
    after = exists().where(later.build_id == Revision.build_id, later.revision > Revision.revision, same_day)
    session.execute(
        delete(Revision)
        .where(Revision.build_id == id, Revision.revision <= newest - LAST_KEPT, Revision.revision > 1)
        .where(Revision.name.is_(None), after)
        .execution_options(synchronize_session=False)
    )


def revisions(engine: Engine, id: str) -> dict[str, Any]:
    """History of a build, newest first, with the rule by which it is kept."""
    columns = (Revision.revision, Revision.note, Revision.name, Revision.verdict, Revision.created_at)
    with transaction(engine) as session:
        there(session, id)
        rows = session.execute(
            select(*columns).where(Revision.build_id == id).order_by(Revision.revision.desc()).limit(LISTED)
        ).all()
    listed = [
        {
            "revision": r.revision,
            "note": _said_now(r.note),
            "name": r.name or "",
            "verdict": r.verdict or "",
            "created_at": stamp(r.created_at),
        }
        for r in rows
    ]
    return {"revisions": listed, "rule": RULE}


def _said_now(note: str) -> str:
    """A note with the fact it begins with by the path it has today."""
    path, mark, rest = note.partition(":")
    return f"{path_now(path)}{mark}{rest}" if mark else note


def document_of(engine: Engine, id: str, revision: int) -> dict[str, Any]:
    """Raw document of one revision; NotFound when there is none of that number."""
    with transaction(engine) as session:
        there(session, id)
        found = session.get(Revision, (id, revision))
    if found is None:
        raise NotFound("revision")
    return dict(found.document)


def name_revision(engine: Engine, id: str, revision: int, name: str) -> dict[str, Any]:
    """Name a revision, which keeps it for good; an empty name takes it off. Gives the history."""
    with transaction(engine) as session:
        there(session, id)
        where = (Revision.build_id == id) & (Revision.revision == revision)
        found = session.execute(
            update(Revision).where(where).values(name=name.strip() or None).returning(Revision.revision)
        )
        if found.first() is None:
            raise NotFound("revision")
    return revisions(engine, id)
