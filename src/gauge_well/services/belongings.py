"""What is kept beside a build and goes with it: how many it may have, the newest first, deleted, copied."""

from __future__ import annotations

import secrets
from collections.abc import Iterable
from typing import TypeVar

from sqlalchemy import Engine, delete, func, inspect, select
from sqlalchemy.orm import Session, undefer

from gauge_well.services.errors import NotFound, Refused
from gauge_well.services.shelf import there
from gauge_well.store.models import Belonging, Photograph, Recording
from gauge_well.store.session import transaction

Kept = TypeVar("Kept", bound=Belonging)
TABLES: tuple[type[Belonging], ...] = (Photograph, Recording)
OWN = ("id", "build_id", "created_at")  # columns that a copy does not share


def new_id() -> str:
    """An id nobody guesses."""
    return secrets.token_hex(10)


def has_room(session: Session, table: type[Kept], build: str, most: int, noun: str) -> None:
    """NotFound where there is no such build, Refused where it has as many as it may."""
    there(session, build)
    count = session.scalar(select(func.count()).where(table.build_id == build)) or 0
    if count >= most:
        raise Refused(noun, str(count), f"{most} of a build", f"{most} {noun}s are the most.")


def added(session: Session, kept: Kept) -> Kept:
    """Kept, with the moment at which it was."""
    session.add(kept)
    session.flush()
    session.refresh(kept, ["created_at"])
    return kept


def newest(session: Session, table: type[Kept], build: str) -> Iterable[Kept]:
    """All of a build, the newest first; NotFound where there is no such build."""
    there(session, build)
    return session.scalars(select(table).where(table.build_id == build).order_by(table.created_at.desc(), table.id))


def drop(engine: Engine, table: type[Kept], id: str, noun: str) -> None:
    """Delete one; NotFound where there is none."""
    with transaction(engine) as session:
        if session.scalar(delete(table).where(table.id == id).returning(table.id)) is None:
            raise NotFound(noun)


def copied(session: Session, build: str, to: str) -> None:
    """All that is kept beside a build, for a copy of it too."""
    for table in TABLES:
        names = [column.key for column in inspect(table).column_attrs if column.key not in OWN]
        query = select(table).where(table.build_id == build).options(undefer("*"))
        for kept in session.scalars(query).all():
            session.add(table(id=new_id(), build_id=to, **{name: getattr(kept, name) for name in names}))
