"""Tables: a build is a document with a revision number; every revision is kept."""

from __future__ import annotations

from datetime import datetime
from typing import Any

from sqlalchemy import DateTime, ForeignKey, Index, Integer, LargeBinary, MetaData, String, func, text
from sqlalchemy.dialects.postgresql import JSONB
from sqlalchemy.orm import DeclarativeBase, Mapped, mapped_column

NAMING = {
    "ix": "ix_%(column_0_label)s",
    "uq": "uq_%(table_name)s_%(column_0_name)s",
    "ck": "ck_%(table_name)s_%(constraint_name)s",
    "fk": "fk_%(table_name)s_%(column_0_name)s_%(referred_table_name)s",
    "pk": "pk_%(table_name)s",
}


class Base(DeclarativeBase):
    """Declarative base with named constraints."""

    metadata = MetaData(naming_convention=NAMING)


class Build(Base):
    """A build as it stands."""

    __tablename__ = "builds"
    __table_args__ = (Index("ix_builds_shelf", "updated_at", "id", postgresql_where=text("deleted_at IS NULL")),)

    id: Mapped[str] = mapped_column(String(40), primary_key=True)
    document: Mapped[dict[str, Any]] = mapped_column(JSONB)
    revision: Mapped[int] = mapped_column(Integer)
    created_at: Mapped[datetime] = mapped_column(DateTime(timezone=True), server_default=func.now())
    updated_at: Mapped[datetime] = mapped_column(DateTime(timezone=True), server_default=func.now())
    deleted_at: Mapped[datetime | None] = mapped_column(DateTime(timezone=True))
    # The shelf's card, worked when the build was written, and by which state of the program.
    card: Mapped[dict[str, Any] | None] = mapped_column(JSONB)
    card_made: Mapped[str | None] = mapped_column(String(20))


class Revision(Base):
    """One accepted write."""

    __tablename__ = "revisions"

    build_id: Mapped[str] = mapped_column(ForeignKey("builds.id", ondelete="CASCADE"), primary_key=True)
    revision: Mapped[int] = mapped_column(Integer, primary_key=True)
    document: Mapped[dict[str, Any]] = mapped_column(JSONB)
    note: Mapped[str] = mapped_column(String(200))
    name: Mapped[str | None] = mapped_column(String(80))
    verdict: Mapped[str | None] = mapped_column(String(500))
    created_at: Mapped[datetime] = mapped_column(DateTime(timezone=True), server_default=func.now())


class Belonging(Base):
    """Something kept beside a build, that goes with it."""

    __abstract__ = True

    id: Mapped[str] = mapped_column(String(20), primary_key=True)
    build_id: Mapped[str] = mapped_column(ForeignKey("builds.id", ondelete="CASCADE"))
    created_at: Mapped[datetime] = mapped_column(DateTime(timezone=True), server_default=func.now())


class Photograph(Belonging):
    """A photograph of something of a build, as it is kept: no larger than a screen, without where it was taken."""

    __tablename__ = "photographs"
    __table_args__ = (Index("ix_photographs_build", "build_id", "created_at"),)

    subject: Mapped[str] = mapped_column(String(100))
    note: Mapped[str] = mapped_column(String(200))
    width: Mapped[int] = mapped_column(Integer)
    height: Mapped[int] = mapped_column(Integer)
    content: Mapped[bytes] = mapped_column(LargeBinary, deferred=True)
    small: Mapped[bytes] = mapped_column(LargeBinary, deferred=True)


class Recording(Belonging):
    """A log or a track of a build, each second's channels in SI, packed."""

    __tablename__ = "recordings"
    __table_args__ = (Index("ix_recordings_build", "build_id", "created_at"),)

    name: Mapped[str] = mapped_column(String(80))
    kind: Mapped[str] = mapped_column(String(8))
    begins: Mapped[datetime | None] = mapped_column(DateTime(timezone=True))
    seconds: Mapped[int] = mapped_column(Integer)
    channels: Mapped[list[str]] = mapped_column(JSONB)
    content: Mapped[bytes] = mapped_column(LargeBinary, deferred=True)
