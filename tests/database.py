"""A database of its own for a test class, copied from a template on the server that ``./gw test`` started."""

from __future__ import annotations

import os
import unittest
import uuid

from sqlalchemy import Connection, Engine, create_engine

from gauge_well.services import builds
from gauge_well.store.session import make_engine, migrate, normal_url

BARE, SHELF = "bare", "shelf"  # migrated; migrated, with the demo builds
TEMPLATE_LOCK = 7120  # two workers may want a template at once: one makes it


def server() -> str:
    """Address of the test server, closing in a slash."""
    return os.environ["GAUGE_WELL_TEST_SERVER"]


def _admin() -> Engine:
    return create_engine(normal_url(server() + "postgres"), isolation_level="AUTOCOMMIT")


def make(name: str, template: str = "template1") -> str:
    """Make a database, as a copy of another; returns its URL."""
    admin = _admin()
    with admin.connect() as connection:
        connection.exec_driver_sql(f'CREATE DATABASE "{name}" TEMPLATE "{template}" STRATEGY file_copy')
    admin.dispose()
    return server() + name


def drop(name: str) -> None:
    """Drop a database, whoever is connected."""
    admin = _admin()
    with admin.connect() as connection:
        connection.exec_driver_sql(f'DROP DATABASE IF EXISTS "{name}" WITH (FORCE)')
    admin.dispose()


def template(kind: str) -> str:
    """Name of the template of a kind, made by whoever asks first."""
    name = f"template_{kind}"
    admin = _admin()
    with admin.connect() as connection:
        connection.exec_driver_sql(f"SELECT pg_advisory_lock({TEMPLATE_LOCK})")
        if not _there(connection, name):
            url = make(f"{name}_making")
            migrate(url)
            if kind == SHELF:
                engine = make_engine(url)
                builds.load_demos(engine)
                engine.dispose()
            connection.exec_driver_sql(f'ALTER DATABASE "{name}_making" RENAME TO "{name}"')
    admin.dispose()
    return name


def _there(connection: Connection, name: str) -> bool:
    found = connection.exec_driver_sql(f"SELECT count(*) FROM pg_database WHERE datname = '{name}'").scalar()
    return bool(found)


class DatabaseCase(unittest.TestCase):
    """Tests that share one migrated database; ``template_kind`` says what it starts with."""

    template_kind = BARE
    url: str
    engine: Engine
    _name: str

    @classmethod
    def setUpClass(cls) -> None:
        cls._name = f"t_{uuid.uuid4().hex[:12]}"
        cls.url = make(cls._name, template(cls.template_kind))
        cls.engine = make_engine(cls.url)

    @classmethod
    def tearDownClass(cls) -> None:
        cls.engine.dispose()
        drop(cls._name)
