"""Schema: what migrations make is what the models say; names, upgrades at once, dead servers."""

import os
import socket
import subprocess
import sys
import unittest
import uuid
from unittest import mock

from alembic import command
from alembic.autogenerate import compare_metadata
from alembic.migration import MigrationContext
from sqlalchemy import inspect, select, text
from sqlalchemy.exc import OperationalError

from gauge_well.services import history
from gauge_well.sheet.demo import NAMES
from gauge_well.store import session
from gauge_well.store.models import Base, Build
from gauge_well.store.session import make_engine, migrate, normal_url, transaction
from tests import database
from tests.database import DatabaseCase
from tests.support import watched

OLD = '{"format": "gauge-well-build/1"}'


class Migrations(DatabaseCase):
    def test_models_and_migrations_agree(self) -> None:
        with self.engine.connect() as connection:
            context = MigrationContext.configure(connection, opts={"compare_server_default": False})
            self.assertEqual(compare_metadata(context, Base.metadata), [])

    def test_constraints_are_named(self) -> None:
        found = inspect(self.engine)
        self.assertEqual(found.get_pk_constraint("builds")["name"], "pk_builds")
        self.assertEqual(found.get_foreign_keys("revisions")[0]["name"], "fk_revisions_build_id_builds")

    def test_again_changes_nothing(self) -> None:
        migrate(self.url)
        with self.engine.connect() as connection:
            self.assertEqual(connection.scalar(text("SELECT count(*) FROM alembic_version")), 1)

    def test_downgrading_keeps_what_there_is(self) -> None:
        """It refuses while there are builds, or names of revisions, that it would lose."""
        name = f"t_{uuid.uuid4().hex[:12]}"
        url = database.make(name, database.template(database.SHELF))
        engine = make_engine(url)
        try:
            history.name_revision(engine, "chalk-hare", 1, "As bought")
            # What a program of format 1 could not read is not left to it.
            with self.assertRaisesRegex(RuntimeError, f"{2 * len(NAMES)} documents are of a newer format"):
                command.downgrade(session._config(url), "0003")
            with engine.begin() as connection:
                for table in ("builds", "revisions"):
                    connection.execute(
                        text(f"UPDATE {table} SET document = document || CAST(:old AS jsonb)"), {"old": OLD}
                    )
            for goal, said in (("0001", "1 names"), ("base", f"{len(NAMES)} builds")):
                with self.assertRaisesRegex(RuntimeError, said):
                    command.downgrade(session._config(url), goal)
                history.name_revision(engine, "chalk-hare", 1, "")
            with engine.begin() as connection:
                self.assertEqual(connection.scalar(text("SELECT count(*) FROM builds")), len(NAMES))
                connection.execute(text("DELETE FROM builds"))
            command.downgrade(session._config(url), "base")
        finally:
            engine.dispose()
            database.drop(name)

    def test_a_newer_database_is_told_and_left_alone(self) -> None:
        name = f"t_{uuid.uuid4().hex[:12]}"
        url = database.make(name, database.template(database.BARE))
        engine = make_engine(url)
        try:
            with engine.begin() as connection:
                connection.execute(text("UPDATE alembic_version SET version_num = '9999'"))
            with self.assertRaises(session.Newer) as caught:
                migrate(url)
            self.assertEqual(caught.exception.found, "9999")
        finally:
            engine.dispose()
            database.drop(name)

    def test_two_starts_at_once(self) -> None:
        name = f"t_{uuid.uuid4().hex[:12]}"
        url = database.make(name)
        env = dict(os.environ, DATABASE_URL=url)
        command = [sys.executable, "-m", "gauge_well.cli", "prepare"]
        try:
            starts = [subprocess.Popen(command, env=env, stderr=subprocess.PIPE, text=True) for _ in range(3)]
            for start in starts:
                _, said = start.communicate(timeout=60)
                self.assertEqual(start.returncode, 0, said)
        finally:
            database.drop(name)


class Sessions(DatabaseCase):
    def test_a_failed_block_leaves_nothing(self) -> None:
        with self.assertRaises(RuntimeError), transaction(self.engine) as opened:
            opened.add(Build(id="gone", document={}, revision=1))
            opened.flush()
            raise RuntimeError
        with transaction(self.engine) as opened:
            self.assertIsNone(opened.scalar(select(Build).where(Build.id == "gone")))


class Addresses(unittest.TestCase):
    def test_any_spelling_of_the_scheme(self) -> None:
        for url in ("postgres://h/d", "postgresql://h/d", "postgresql+psycopg://h/d"):
            self.assertEqual(normal_url(url), "postgresql+psycopg://h/d")

    def test_a_dead_server_is_noticed_soon(self) -> None:
        engine = make_engine("postgresql://u:p@127.0.0.1:1/none")
        with self.assertRaisesRegex(OperationalError, "refused"), engine.connect():
            pass
        engine.dispose()

    def test_a_server_that_says_nothing_is_given_up(self) -> None:
        with socket.socket() as silent, mock.patch.object(session, "CONNECT_SECONDS", 2), watched():
            silent.bind(("127.0.0.1", 0))
            silent.listen()
            engine = make_engine(f"postgresql://u:p@127.0.0.1:{silent.getsockname()[1]}/none")
            with self.assertRaisesRegex(OperationalError, "timeout"), engine.connect():
                pass
            engine.dispose()
