"""What is done to a whole database: made, opened to the application's role, backed up, restored."""

from __future__ import annotations

import os
import subprocess
from collections.abc import Callable
from pathlib import Path

from psycopg import sql
from sqlalchemy import URL, Connection, Engine, create_engine, make_url, text

from gauge_well.store.session import CONNECT_SECONDS, normal_url

RESTORING, BEFORE = "_restoring", "_before"


class Refused(RuntimeError):
    """A backup that cannot be taken or restored, in plain words."""


def _engine(address: URL) -> Engine:
    return create_engine(
        address, isolation_level="AUTOCOMMIT", connect_args={"connect_timeout": CONNECT_SECONDS}, hide_parameters=True
    )


def _said(url: URL) -> str:
    return url.render_as_string(hide_password=False)


def _there(connection: Connection, name: str) -> bool:
    return connection.scalar(text("SELECT 1 FROM pg_database WHERE datname = :n"), {"n": name}) is not None


def _do(connection: Connection, statement: str, *names: str) -> None:
    """A statement with names of databases or roles in it, quoted."""
    filled = sql.SQL(statement).format(*(sql.Identifier(n) for n in names))
    connection.exec_driver_sql(filled.as_string())


def made(server: str, name: str) -> str:
    """Address of a database on a server, made where it is not there."""
    address = make_url(normal_url(server))
    engine = _engine(address)
    with engine.connect() as connection:
        if not _there(connection, name):
            _do(connection, "CREATE DATABASE {}", name)
    engine.dispose()
    return _said(address.set(database=name))


def open_to(url: str, role: str, password: str) -> None:
    """Let a role, made where it is not there, read and write what is in a database, and nothing more."""
    address = make_url(normal_url(url))
    engine = _engine(address)
    with engine.connect() as connection:
        if connection.scalar(text("SELECT 1 FROM pg_roles WHERE rolname = :n"), {"n": role}) is None:
            _do(connection, "CREATE ROLE {}", role)
        secret = sql.SQL("ALTER ROLE {} LOGIN NOSUPERUSER NOCREATEDB NOCREATEROLE PASSWORD {}")
        connection.exec_driver_sql(secret.format(sql.Identifier(role), sql.Literal(password)).as_string())
        _do(connection, "GRANT CONNECT ON DATABASE {} TO {}", str(address.database), role)
        _do(connection, "GRANT USAGE ON SCHEMA public TO {}", role)
        _do(connection, "GRANT SELECT, INSERT, UPDATE, DELETE ON ALL TABLES IN SCHEMA public TO {}", role)
    engine.dispose()


def _tool(program: Path, address: URL, *arguments: str) -> None:
    """Run one of the database's own tools; Refused with its words where it fails."""
    plain = address.set(drivername="postgresql", password=None).render_as_string(hide_password=False)
    env = os.environ | {"PGPASSWORD": str(address.password or ""), "PGCONNECT_TIMEOUT": str(CONNECT_SECONDS)}
    found = subprocess.run(
        [str(program), f"--dbname={plain}", *arguments], env=env, capture_output=True, text=True, check=False
    )
    if found.returncode != 0:
        raise Refused(f"{program.name}: {found.stderr.strip()[-400:]}")


def backup(url: str, file: Path, tools: Path) -> None:
    """Write a database to a file in the database's own archive format; a file that is there is left alone."""
    if file.exists():
        raise Refused(f"{file} is there already: name another file.")
    part = file.with_name(file.name + ".part")
    try:
        _tool(
            tools / "pg_dump", make_url(normal_url(url)), "--format=custom", "--no-owner", "--no-acl", f"--file={part}"
        )
        part.replace(file)
    except OSError as error:
        raise Refused(f"{file} cannot be written: {error.strerror}.") from error
    finally:
        part.unlink(missing_ok=True)


def restore(url: str, file: Path, tools: Path, check: Callable[[str], int]) -> int:
    """Put a backup in a database's place; what was there is kept beside it. Gives how many builds there are.

    ``check`` is given the address of what was restored, brings it up to date, and counts or refuses it. Until it has
    passed nothing of what stands is touched.
    """
    if not file.is_file():
        raise Refused(f"{file} is not there.")
    address = make_url(normal_url(url))
    name = str(address.database)
    scratch, before = name + RESTORING, name + BEFORE
    server = _engine(address.set(database="postgres"))
    try:
        with server.connect() as connection:
            _do(connection, "DROP DATABASE IF EXISTS {} WITH (FORCE)", scratch)
            _do(connection, "CREATE DATABASE {}", scratch)
            try:
                target = address.set(database=scratch)
                _tool(tools / "pg_restore", target, "--no-owner", "--no-acl", "--exit-on-error", str(file))
                count = check(_said(target))
            except BaseException:
                _do(connection, "DROP DATABASE IF EXISTS {} WITH (FORCE)", scratch)
                raise
            _do(connection, "DROP DATABASE IF EXISTS {} WITH (FORCE)", before)
            if _there(connection, name):
                _do(connection, "ALTER DATABASE {} RENAME TO {}", name, before)
            _do(connection, "ALTER DATABASE {} RENAME TO {}", scratch, name)
    finally:
        server.dispose()
    return count
