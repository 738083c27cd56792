"""A whole start: what is watched comes back, what ends ends all, what is kept is kept, and who may do what."""

import json
import os
import re
import signal
import socket
import subprocess
import tempfile
import time
import unittest
import unittest.mock
import urllib.error
import urllib.request
from pathlib import Path
from typing import Any

from sqlalchemy import create_engine, text

from gauge_well.launch import serving
from gauge_well.launch.cluster import DATABASE, ROLE, Cluster, free_port
from gauge_well.launch.processes import Log
from gauge_well.launch.setup import USER
from gauge_well.sheet.demo import NAMES
from gauge_well.store.session import make_engine, normal_url
from tests.support import ROOT, until, watched

PATIENCE = 180.0
SECRET = "the red coupe in the barn"


class Start(unittest.TestCase):
    """``./gw demo`` on a state folder of its own."""

    def setUp(self) -> None:
        holder = tempfile.TemporaryDirectory(prefix="gauge-well-run-")
        self.addCleanup(holder.cleanup)
        Path(holder.name).chmod(0o755)
        self.folder = Path(holder.name) / "state"
        self.cluster = Cluster(self.folder)
        self.port = free_port()
        self.env = {k: v for k, v in os.environ.items() if k not in ("DATABASE_URL", "PYTHONPATH")}
        self.env["GAUGE_WELL_STATE"] = str(self.folder)

    def begin(self, *arguments: str) -> subprocess.Popen[str]:
        command = [str(ROOT / "gw"), *(arguments or ("demo",)), "--port", str(self.port)]
        process = subprocess.Popen(
            command, env=self.env, stdout=subprocess.PIPE, stderr=subprocess.STDOUT, text=True, start_new_session=True
        )
        self.addCleanup(self.finish, process)
        return process

    def finish(self, process: subprocess.Popen[str]) -> str:
        """End it if it still runs; what it said."""
        if process.poll() is None:
            process.send_signal(signal.SIGTERM)
        said, _ = process.communicate(timeout=PATIENCE) if process.stdout and not process.stdout.closed else ("", "")
        return said or ""

    def gw(self, *arguments: str, **env: str) -> subprocess.CompletedProcess[str]:
        return subprocess.run(
            [str(ROOT / "gw"), *arguments],
            env=self.env | env,
            capture_output=True,
            text=True,
            check=False,
            timeout=PATIENCE,
        )

    def ask(self, path: str, method: str = "GET", body: Any = None, **headers: str) -> Any:
        data = None if body is None else json.dumps(body).encode()
        headers |= {"Content-Type": "application/json"} if data else {}
        request = urllib.request.Request(f"http://127.0.0.1:{self.port}{path}", data, headers, method=method)
        with urllib.request.urlopen(request, timeout=20) as response:
            answer = response.read()
        return json.loads(answer) if answer else None

    def well(self) -> bool:
        try:
            return bool(self.ask("/api/health")["ok"])
        except (OSError, urllib.error.HTTPError):
            return False

    def ours(self) -> list[str]:
        """Command lines of every process that speaks of this state folder or port, or serves on its socket."""
        found = []
        for folder in Path("/proc").iterdir():
            try:
                said = (folder / "cmdline").read_bytes().replace(b"\0", b" ").decode(errors="replace")
                cwd = os.readlink(folder / "cwd")
            except (OSError, ValueError):
                continue
            if folder.name != str(os.getpid()) and (str(self.folder) in said + cwd or f"--port {self.port}" in said):
                found.append(said.strip())
        return found

    def edit(self, note: str, revision: int) -> Any:
        body = {"edits": [{"path": "notes", "text": note}]}
        return self.ask("/api/builds/chalk-hare", "PATCH", body, **{"If-Match": f'"{revision}"'})

    def test_watched_kept_and_ended(self) -> None:
        """One start, so that the minute is spent once: who serves, a killed database, logs, backup, restore, SIGKILL."""
        with watched(900):
            process = self.begin()
            until(self.well)
            self._who_may_what()
            self.edit(SECRET, 1)
            self._a_killed_database_comes_back(process)
            self.assertEqual(self.ask("/api/builds/chalk-hare")["document"]["notes"], SECRET)
            self._backup_while_it_runs()
            self.edit("changed after the backup", 2)
            second = self.gw("demo", "--port", str(free_port()))
            self.assertEqual(second.returncode, 3)
            self.assertIn(f"http://127.0.0.1:{self.port}/", second.stderr)
            self._nothing_typed_is_logged()
            process.kill()  # as the kernel does when memory runs out
            until(lambda: not self.ours())
            self._restored()

    def _who_may_what(self) -> None:
        url = self.gw("db").stdout.strip()
        self.assertIn(f"//{ROLE}:", url)
        engine = make_engine(url)
        with engine.connect() as connection:
            row = connection.execute(
                text("SELECT rolsuper, rolcreatedb, rolcreaterole FROM pg_roles WHERE rolname = current_user")
            ).one()
            self.assertEqual(tuple(row), (False, False, False))
            owned = connection.scalar(text("SELECT count(*) FROM pg_tables WHERE tableowner = current_user"))
            self.assertEqual(owned, 0)
        engine.dispose()
        if os.geteuid() == 0:
            import pwd

            serving_ids = [
                p.stat().st_uid
                for p in Path("/proc").iterdir()
                if p.name.isdigit()
                and b"gauge_well.web.serve" in _cmdline(p)
                and str(self._launcher()).encode() in _cmdline(p)
            ]
            self.assertEqual(set(serving_ids), {pwd.getpwnam(USER).pw_uid})
            self.assertGreaterEqual(len(serving_ids), 3)

    def _launcher(self) -> int:
        pid = self.cluster.holder()
        assert pid is not None
        return pid

    def _a_killed_database_comes_back(self, process: subprocess.Popen[str]) -> None:
        found = self.cluster.running()
        assert found is not None
        os.kill(found[0], signal.SIGKILL)
        until(lambda: (self.cluster.running() or found)[0] != found[0])
        until(self.well)
        self.assertEqual((self.cluster.running() or (0, 0))[1], found[1], "at the address it had")
        self.assertIsNone(process.poll())

    def _contents(self, url: str) -> dict[str, str]:
        """A sum of every row of every table."""
        tables = [r[0] for r in _rows(url, "SELECT tablename FROM pg_tables WHERE schemaname = 'public'")]
        return {t: _rows(url, f"SELECT md5(string_agg(t::text, '' ORDER BY t::text)) FROM {t} t")[0][0] for t in tables}

    def _backup_while_it_runs(self) -> None:
        self.before = self._contents(self.gw("db").stdout.strip())
        self.assertLessEqual({"builds", "revisions", "alembic_version"}, set(self.before))
        self.file = self.folder.parent / "builds.backup"
        done = self.gw("backup", str(self.file))
        self.assertEqual(done.returncode, 0, done.stderr)
        again = self.gw("backup", str(self.file))
        self.assertEqual(again.returncode, 2)
        self.assertIn("is there already", again.stderr)
        busy = self.gw("restore", str(self.file))
        self.assertIn("./gw stop", busy.stderr)

    def _nothing_typed_is_logged(self) -> None:
        for file in (self.folder / "log").iterdir():
            self.assertNotIn(SECRET, file.read_text(), file.name)

    def _restored(self) -> None:
        """Put back, it is what it was when it was backed up; what was there since is kept beside it."""
        done = self.gw("restore", str(self.file))
        self.assertEqual(done.returncode, 0, done.stderr)
        self.assertIn(f"{len(NAMES)} builds", done.stdout)
        wrong = self.folder.parent / "wrong.backup"
        wrong.write_text("not a backup")
        refused = self.gw("restore", str(wrong))
        self.assertEqual(refused.returncode, 2)
        with self.cluster.alone(self.port):
            owner = self.cluster.start()
            try:
                self.assertEqual(self._contents(owner + DATABASE), self.before)
                rows = _rows(owner + DATABASE, "SELECT document->>'notes' FROM builds WHERE id = 'chalk-hare'")
                self.assertEqual(rows, [(SECRET,)])
                kept = _rows(owner + DATABASE + "_before", "SELECT revision FROM builds WHERE id = 'chalk-hare'")
                self.assertEqual(kept, [(3,)])
                self.assertEqual(_rows(owner + DATABASE, "SELECT count(*) FROM revisions"), [(len(NAMES) + 1,)])
                self._newer(owner)
            finally:
                self.cluster.stop()
        newer = self.begin()
        until(self.well)
        self.assertTrue(self.ask("/api/health")["read_only"])
        self.assertEqual(len(self.ask("/api/builds")["builds"]), len(NAMES))
        with self.assertRaises(urllib.error.HTTPError) as caught:
            self.edit("not taken", 2)
        self.assertEqual(caught.exception.code, 503)
        caught.exception.close()
        self.assertIn("newer", self.finish(newer))

    def _newer(self, owner: str) -> None:
        """As a newer program would leave it: its backup is refused, and nothing is touched."""
        _rows(owner + DATABASE, "UPDATE alembic_version SET version_num = '9999' RETURNING version_num")
        file = self.folder.parent / "newer.backup"
        env = {"DATABASE_URL": owner + DATABASE}
        self.assertEqual(self.gw("backup", str(file), **env).returncode, 0)
        refused = self.gw("restore", str(file), **env)
        self.assertEqual(refused.returncode, 2)
        self.assertIn("9999", refused.stderr)
        names = _rows(owner + "postgres", "SELECT datname FROM pg_database WHERE datname LIKE '%restoring'")
        self.assertEqual(names, [])

    def test_signals_while_it_starts_and_runs(self) -> None:
        """Wherever it is, a signal to end leaves nothing behind."""
        with watched(500):
            for number, wait in ((signal.SIGTERM, 0.4), (signal.SIGINT, 1.2), (signal.SIGHUP, 2.2)):
                process = self.begin()
                time.sleep(wait)
                process.send_signal(number)
                self.assertEqual(process.wait(PATIENCE), 0, self.finish(process))
                until(lambda: not self.ours())
            process = self.begin()
            until(self.well)
            # The terminal it was started from is closed: nobody reads what it says.
            assert process.stdout is not None
            process.stdout.close()
            process.send_signal(signal.SIGHUP)
            self.assertEqual(process.wait(PATIENCE), 0)
            until(lambda: not self.ours())

    def test_two_first_starts_at_once_and_stop(self) -> None:
        with watched(500):
            starts = [self.begin() for _ in range(2)]
            until(lambda: any(s.poll() is not None for s in starts))
            loser = next(s for s in starts if s.poll() is not None)
            self.assertEqual(loser.returncode, 3)
            said = self.finish(loser)
            self.assertIn("is being started", said)
            self.assertNotIn("rm -r", said)
            until(self.well)
            with urllib.request.urlopen(f"http://127.0.0.1:{self.port}/builds/quarry-mule", timeout=20) as page:
                self.assertIn('id="app"', page.read().decode())
            stopped = self.gw("stop")
            self.assertEqual((stopped.returncode, stopped.stdout.strip()), (0, "Stopped."))
            until(lambda: not self.ours())
            self.assertIn("Nothing runs", self.gw("stop").stdout)
            serving.listen(self.port).close()

    def test_what_an_earlier_start_left_behind(self) -> None:
        """A server nobody holds is stopped; a number in its file that is a stranger's by now is left alone."""
        with watched(60):
            with self.cluster.alone(self.port):
                self.cluster.make()
                self.cluster.start()
            left = self.cluster.process
            assert left is not None
            other = Cluster(self.folder)
            self.assertIsNone(other.holder())
            self.assertEqual((other.running() or (0,))[0], left.pid)
            done = self.gw("stop")
            self.assertIn("left behind", done.stdout)
            left.wait(PATIENCE)
            stranger = subprocess.Popen(["sleep", "60"])
            self.addCleanup(lambda: (stranger.kill(), stranger.wait()))
            (self.cluster.data / "postmaster.pid").write_text(
                f"{stranger.pid}\n{self.cluster.data}\n0\n5432\n\n\n\nready\n"
            )
            self.assertIsNone(other.running())
            other.start()
            self.assertIsNone(stranger.poll())
            other.stop()

    def test_ports_that_are_none(self) -> None:
        for port in ("0", "-1", "65536", "99999"):
            found = self.gw("demo", "--port", port)
            self.assertEqual(found.returncode, 2, found.stderr)
            self.assertIn("is no port", found.stderr)
        with socket.create_server(("127.0.0.1", 0)) as taken:
            port = taken.getsockname()[1]
            found = self.gw("demo", "--port", str(port), DATABASE_URL="")
        self.assertEqual(found.returncode, 3)
        self.assertIn(f"Port {port} is taken", found.stderr)
        self.assertTrue(self.folder.exists(), "an empty DATABASE_URL is none")


def _cmdline(folder: Path) -> bytes:
    try:
        return (folder / "cmdline").read_bytes().replace(b"\0", b" ")
    except OSError:
        return b""


def _rows(url: str, statement: str) -> list[tuple[Any, ...]]:
    engine = create_engine(normal_url(url), isolation_level="AUTOCOMMIT")
    with engine.connect() as connection:
        found = [tuple(row) for row in connection.execute(text(statement))]
    engine.dispose()
    return found


class FullDisk(unittest.TestCase):
    """A database with no room for a while is tried on until there is some."""

    def test_it_comes_back_when_there_is_room(self) -> None:
        cluster = unittest.mock.Mock(spec=Cluster)
        full = serving.say.Stop(f"The database did not start: FATAL: could not write: {serving.NO_ROOM}")
        cluster.start.side_effect = [full] * (3 * serving.TRIES) + ["url"]
        with unittest.mock.patch("time.sleep"), unittest.mock.patch.object(serving.say, "line") as line:
            serving._bring_back(cluster)
        said = " ".join(str(call.args[0]) for call in line.call_args_list)
        self.assertEqual(said.count("the disk is full"), 1)
        self.assertIn("is back", said)

    def test_one_that_cannot_be_started_ends_it_saying_why(self) -> None:
        cluster = unittest.mock.Mock(spec=Cluster)
        cluster.start.side_effect = serving.say.Stop("The database did not start: FATAL: it is broken", "More is in x.")
        with (
            unittest.mock.patch("time.sleep"),
            unittest.mock.patch.object(serving.say, "line"),
            self.assertRaises(serving.say.Stop) as caught,
        ):
            serving._bring_back(cluster)
        self.assertIn("it is broken", caught.exception.what)
        self.assertEqual(cluster.start.call_count, serving.TRIES)


class Logs(unittest.TestCase):
    def test_bounded(self) -> None:
        with (
            tempfile.TemporaryDirectory() as name,
            unittest.mock.patch("gauge_well.launch.processes.LOG_BYTES", 10_000),
        ):
            log = Log(Path(name) / "log" / "web.log")
            descriptor = log.pipe()
            with os.fdopen(descriptor, "w") as pipe:
                for number in range(4000):
                    pipe.write(f"line {number}\n")
            until(lambda: re.search(r"line 3999$", log.tail()))
            sizes = [file.stat().st_size for file in log.file.parent.iterdir()]
            self.assertLessEqual(sum(sizes), 3 * 10_000)
