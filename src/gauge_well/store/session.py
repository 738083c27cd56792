"""Connections: one engine a process, short transactions."""

from __future__ import annotations

from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path

from alembic import command
from alembic.config import Config
from alembic.script import ScriptDirectory
from sqlalchemy import Engine, create_engine, inspect, text
from sqlalchemy.orm import Session

CONNECT_SECONDS = 5
STATEMENT_MILLISECONDS = 10000


def normal_url(url: str) -> str:
    """Accept ``postgres://`` and ``postgresql://`` and name the driver."""
    scheme, separator, rest = url.partition("://")
    return "postgresql+psycopg://" + rest if separator and scheme in ("postgres", "postgresql") else url


def make_engine(url: str, *, read_only: bool = False) -> Engine:
    """Engine that notices a dead server quickly and reconnects when it is back."""
    only = " -c default_transaction_read_only=on" if read_only else ""
    return create_engine(
        normal_url(url),
        pool_pre_ping=True,
        pool_size=8,
        max_overflow=4,
        pool_timeout=CONNECT_SECONDS,
        # What an error says of a statement goes to the log: never what was typed.
        hide_parameters=True,
        connect_args={
            "connect_timeout": CONNECT_SECONDS,
            "options": f"-c statement_timeout={STATEMENT_MILLISECONDS}{only}",
        },
    )


@contextmanager
def transaction(engine: Engine) -> Iterator[Session]:
    """A session that commits at the end of the block, so that an answer follows a durable write."""
    with Session(engine, expire_on_commit=False) as session, session.begin():
        yield session


class Newer(RuntimeError):
    """The database was made by a newer program; ``found`` is its schema, ``known`` the newest known here."""

    def __init__(self, found: str, known: str) -> None:
        super().__init__(f"schema {found} of the database is newer than {known}, the newest this program knows")
        self.found, self.known = found, known


def _config(url: str) -> Config:
    config = Config()
    config.set_main_option("script_location", str(Path(__file__).parent / "migrations"))
    config.set_main_option("sqlalchemy.url", normal_url(url).replace("%", "%%"))
    return config


def migrate(url: str) -> None:
    """Bring the schema up to date; Newer, with nothing changed, where the database is ahead of this program."""
    config = _config(url)
    scripts = ScriptDirectory.from_config(config)
    engine = create_engine(normal_url(url), connect_args={"connect_timeout": CONNECT_SECONDS})
    try:
        with engine.connect() as connection:
            there = inspect(connection).has_table("alembic_version")
            found = connection.scalar(text("SELECT version_num FROM alembic_version")) if there else None
    finally:
        engine.dispose()
    if found is not None and found not in {script.revision for script in scripts.walk_revisions()}:
        raise Newer(str(found), str(scripts.get_current_head()))
    command.upgrade(config, "head")
