"""A migrated database of its own for a test class, on the server that ``./gw test`` started."""

from __future__ import annotations

import os
import unittest
import uuid

from sqlalchemy import Engine, create_engine

from gauge_well.store.session import make_engine, migrate, normal_url


def server() -> str:
    """Address of the test server, closing in a slash."""
    return os.environ["GAUGE_WELL_TEST_SERVER"]


def make(name: str) -> str:
    """Make a database; returns its URL."""
    admin = create_engine(normal_url(server() + "postgres"), isolation_level="AUTOCOMMIT")
    with admin.connect() as connection:
        connection.exec_driver_sql(f'CREATE DATABASE "{name}"')
    admin.dispose()
    return server() + name


def drop(name: str) -> None:
    """Drop a database, whoever is connected."""
    admin = create_engine(normal_url(server() + "postgres"), isolation_level="AUTOCOMMIT")
    with admin.connect() as connection:
        connection.exec_driver_sql(f'DROP DATABASE IF EXISTS "{name}" WITH (FORCE)')
    admin.dispose()


class DatabaseCase(unittest.TestCase):
    """Tests that share one migrated database."""

    url: str
    engine: Engine
    _name: str

    @classmethod
    def setUpClass(cls) -> None:
        cls._name = f"t_{uuid.uuid4().hex[:12]}"
        cls.url = make(cls._name)
        migrate(cls.url)
        cls.engine = make_engine(cls.url)

    @classmethod
    def tearDownClass(cls) -> None:
        cls.engine.dispose()
        drop(cls._name)
