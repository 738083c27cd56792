"""Connections: one engine a process, short transactions."""

from __future__ import annotations

from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path

from alembic import command
from alembic.config import Config
from sqlalchemy import Engine, create_engine
from sqlalchemy.orm import Session

CONNECT_SECONDS = 5
STATEMENT_MILLISECONDS = 10000


def normal_url(url: str) -> str:
    """Accept ``postgres://`` and ``postgresql://`` and name the driver."""
    scheme, separator, rest = url.partition("://")
    return "postgresql+psycopg://" + rest if separator and scheme in ("postgres", "postgresql") else url


def make_engine(url: str) -> Engine:
    """Engine that notices a dead server quickly and reconnects when it is back."""
    return create_engine(
        normal_url(url),
        pool_pre_ping=True,
        pool_size=8,
        max_overflow=4,
        pool_timeout=CONNECT_SECONDS,
        connect_args={
            "connect_timeout": CONNECT_SECONDS,
            "options": f"-c statement_timeout={STATEMENT_MILLISECONDS}",
        },
    )


@contextmanager
def transaction(engine: Engine) -> Iterator[Session]:
    """A session that commits at the end of the block, so that an answer follows a durable write."""
    with Session(engine, expire_on_commit=False) as session, session.begin():
        yield session


def migrate(url: str) -> None:
    """Bring the schema up to date."""
    config = Config()
    config.set_main_option("script_location", str(Path(__file__).parent / "migrations"))
    config.set_main_option("sqlalchemy.url", normal_url(url).replace("%", "%%"))
    command.upgrade(config, "head")
