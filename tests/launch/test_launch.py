"""Starting and stopping: state folders, ports, one start at a time, failures in plain words."""

import json
import os
import re
import signal
import socket
import subprocess
import sys
import tempfile
import time
import unittest
import urllib.request
import uuid
from pathlib import Path
from unittest import mock

from gauge_well.launch import say, serving, setup
from gauge_well.launch.cluster import FORMAT, Cluster, free_port
from gauge_well.launch.places import environment
from gauge_well.sheet.demo import NAMES
from tests import database
from tests.support import ROOT


class StateFolder(unittest.TestCase):
    def setUp(self) -> None:
        holder = tempfile.TemporaryDirectory(prefix="gauge-well-launch-")
        self.addCleanup(holder.cleanup)
        Path(holder.name).chmod(0o755)
        self.folder = Path(holder.name) / "state"

    def test_absent_and_empty(self) -> None:
        self.assertEqual(Cluster(self.folder).inspect(), "absent")
        self.folder.mkdir()
        self.assertEqual(Cluster(self.folder).inspect(), "absent")

    def test_foreign_is_left_alone(self) -> None:
        self.folder.mkdir()
        (self.folder / "holiday.txt").write_text("photos")
        cluster = Cluster(self.folder)
        self.assertEqual(cluster.inspect(), "foreign")
        with self.assertRaises(say.Stop) as caught:
            cluster.make()
        self.assertIn("not Gauge Well's", caught.exception.what)
        self.assertIn("GAUGE_WELL_STATE", caught.exception.advice)
        self.assertEqual((self.folder / "holiday.txt").read_text(), "photos")

    def test_a_marker_of_something_else_is_foreign(self) -> None:
        self.folder.mkdir()
        for content in ("{}", "[]", "not json", json.dumps({"format": "other/1", "ready": True})):
            (self.folder / "gauge-well-state.json").write_text(content)
            self.assertEqual(Cluster(self.folder).inspect(), "foreign", content)

    def test_half_made_is_made_anew(self) -> None:
        """Whoever makes it holds the folder, so nobody else is at it: nothing of anybody's is in it."""
        self.folder.mkdir()
        (self.folder / "gauge-well-state.json").write_text(json.dumps({"format": FORMAT, "ready": False}))
        (self.folder / "pg").mkdir()
        (self.folder / "pg" / "half").write_text("")
        cluster = Cluster(self.folder, durable=False)
        self.assertEqual(cluster.inspect(), "half")
        with mock.patch("gauge_well.launch.say.line"):
            cluster.make()
        self.assertEqual(cluster.inspect(), "ready")
        self.assertFalse((self.folder / "pg" / "half").exists())

    def test_a_database_that_is_gone_is_not_made_over(self) -> None:
        self.folder.mkdir()
        (self.folder / "gauge-well-state.json").write_text(json.dumps({"format": FORMAT, "ready": True}))
        cluster = Cluster(self.folder)
        self.assertEqual(cluster.inspect(), "lost")
        with self.assertRaises(say.Stop) as caught:
            cluster.make()
        self.assertNotIn("rm -r", caught.exception.advice)

    def test_held_while_it_is_made(self) -> None:
        cluster, other = Cluster(self.folder), Cluster(self.folder)
        self.assertIsNone(cluster.holder())
        with cluster.alone(8765):
            self.assertEqual(cluster.inspect(), "absent")
            self.assertEqual(other.holder(), os.getpid())
            with self.assertRaises(say.Stop) as caught, other.alone(8766):
                pass
            self.assertIn("http://127.0.0.1:8765/", caught.exception.what)
            self.assertNotIn("rm", caught.exception.advice)
        with other.alone(8766):
            pass

    def test_a_folder_that_cannot_be_made(self) -> None:
        for path in ("/proc/nothing/state", "/dev/null/state"):
            with self.assertRaises(say.Stop) as caught, Cluster(Path(path)).alone(8765):
                pass
            self.assertIn("cannot be written", caught.exception.what)
            self.assertIn("GAUGE_WELL_STATE", caught.exception.advice)


class Rights(unittest.TestCase):
    def test_no_right_to_install(self) -> None:
        with (
            mock.patch("os.geteuid", return_value=1000),
            mock.patch("shutil.which", side_effect=lambda n: "/usr/bin/apt-get" if n == "apt-get" else None),
            self.assertRaises(say.Stop) as caught,
        ):
            setup.install_packages(["postgresql"])
        self.assertIn("may not install", caught.exception.what)
        self.assertIn("apt-get install -y postgresql", caught.exception.advice)

    def test_not_a_debian_machine(self) -> None:
        with mock.patch("shutil.which", return_value=None), self.assertRaises(say.Stop) as caught:
            setup.install_packages(["chromium"])
        self.assertIn("not a Debian machine", caught.exception.what)

    def test_old_or_no_node(self) -> None:
        with mock.patch("shutil.which", return_value=None), self.assertRaises(say.Stop) as caught:
            setup._npm()
        self.assertIn("Node.js", caught.exception.what)
        old = subprocess.CompletedProcess([], 0, "v16.1.0\n", "")
        with (
            mock.patch("shutil.which", return_value="/usr/bin/node"),
            mock.patch("subprocess.run", return_value=old),
            self.assertRaises(say.Stop) as caught,
        ):
            setup._npm()
        self.assertIn("too old", caught.exception.what)

    def test_nothing_missing_installs_nothing(self) -> None:
        with mock.patch("gauge_well.launch.say.run") as run:
            setup.install_packages([])
        run.assert_not_called()


class Locked(unittest.TestCase):
    """Every package by its hash, what each needs too; where they came from stands nowhere."""

    def pins(self, name: str) -> dict[str, str]:
        lines = (ROOT / name).read_text().splitlines()
        found = [re.match(r"([A-Za-z0-9_.-]+)(?:\[[a-z,]+\])?==([^ \\]+)", line) for line in lines]
        return {re.sub(r"[_.]", "-", m[1].lower()): m[2] for m in found if m}

    def test_what_is_pinned_is_locked(self) -> None:
        for lock, files in (
            ("requirements.lock", ["requirements.txt"]),
            ("requirements-dev.lock", ["requirements.txt", "requirements-dev.txt"]),
        ):
            locked = self.pins(lock)
            for file in files:
                pinned = self.pins(file)
                self.assertLessEqual(pinned.items(), locked.items(), f"{lock}: run ./gw lock")
            text = (ROOT / lock).read_text()
            for block in re.split(r"\n(?=[A-Za-z])", text.rpartition("\n# The following")[0] or text):
                self.assertIn("--hash=sha256:", block)
            self.assertIsNone(re.search(r"://|index-url|find-links|trusted-host", text), lock)


class Steps(unittest.TestCase):
    def test_a_failed_step_shows_its_own_words(self) -> None:
        code = "import sys; print('the reason'); sys.exit(3)"
        with mock.patch("gauge_well.launch.say.line") as line, self.assertRaises(say.Stop) as caught:
            say.run("Trying", [sys.executable, "-c", code], advice="do this")
        self.assertIn("exit 3", caught.exception.what)
        self.assertEqual(caught.exception.advice, "do this")
        self.assertIn("the reason", " ".join(str(c.args[0]) for c in line.call_args_list))


class Answers(unittest.TestCase):
    def test_only_what_was_asked_for_goes_to_standard_output(self) -> None:
        """A step on the way to ``./gw size -`` must not stand in its JSON."""
        code = "from gauge_well.launch import say; say.run('Step', ['true']); say.line('line'); say.answer('{}')"
        found = subprocess.run(
            [sys.executable, "-c", code], env=environment(), capture_output=True, text=True, check=False
        )
        self.assertEqual(found.stdout, "{}\n")
        self.assertIn("Step", found.stderr)
        self.assertIn("line", found.stderr)

    def test_a_terminal_that_was_closed(self) -> None:
        code = "import os; os.close(1); os.close(2); from gauge_well.launch import say; say.line('x'); say.answer('y')"
        found = subprocess.run([sys.executable, "-c", code], env=environment(), check=False)
        self.assertEqual(found.returncode, 0)


class Ports(unittest.TestCase):
    def test_taken(self) -> None:
        with socket.socket() as other:
            other.bind(("127.0.0.1", 0))
            other.listen()
            port = other.getsockname()[1]
            with self.assertRaises(say.Stop) as caught:
                serving.listen(port)
        self.assertIn(f"Port {port} is taken", caught.exception.what)
        self.assertIn("--port", caught.exception.advice)
        serving.listen(free_port()).close()


class WholeStart(unittest.TestCase):
    """./gw demo against a state folder of its own: starts, serves, keeps data, stops what it started."""

    def setUp(self) -> None:
        holder = tempfile.TemporaryDirectory(prefix="gauge-well-demo-")
        self.addCleanup(holder.cleanup)
        Path(holder.name).chmod(0o755)
        self.folder = Path(holder.name) / "state"
        self.port = free_port()

    def start(self, extra: dict[str, str] | None = None) -> subprocess.Popen[str]:
        env = {k: v for k, v in os.environ.items() if k not in ("DATABASE_URL", "PYTHONPATH")}
        env |= {"GAUGE_WELL_STATE": str(self.folder)} | (extra or {})
        process = subprocess.Popen(
            [str(ROOT / "gw"), "demo", "--port", str(self.port)],
            env=env,
            stdout=subprocess.PIPE,
            stderr=subprocess.STDOUT,
            text=True,
        )
        self.addCleanup(lambda: process.poll() is None and process.kill())
        deadline = time.monotonic() + 120
        lines = []
        assert process.stdout is not None
        while time.monotonic() < deadline:
            line = process.stdout.readline()
            lines.append(line)
            if "Gauge Well is at" in line:
                return process
            if not line and process.poll() is not None:
                break
        raise AssertionError("did not start: " + "".join(lines))

    def stop(self, process: subprocess.Popen[str]) -> int:
        process.send_signal(signal.SIGINT)
        code = process.wait(timeout=40)
        assert process.stdout is not None
        process.stdout.close()
        return code

    def ask(self, path: str, method: str = "GET") -> dict:
        fence = {"If-Match": '"1"'}
        request = urllib.request.Request(f"http://127.0.0.1:{self.port}{path}", headers=fence, method=method)
        with urllib.request.urlopen(request, timeout=20) as response:
            body = response.read()
        return json.loads(body) if body else {}

    def test_a_server_of_ones_own(self) -> None:
        name = f"t_{uuid.uuid4().hex[:12]}"
        url = database.make(name)
        self.addCleanup(database.drop, name)
        process = self.start({"DATABASE_URL": url})
        self.assertEqual(len(self.ask("/api/builds")["builds"]), len(NAMES))
        self.assertEqual(self.stop(process), 0)
        self.assertFalse(self.folder.exists())

    def test_a_server_that_is_not_there(self) -> None:
        env = os.environ | {"DATABASE_URL": "postgresql://u:p@127.0.0.1:1/none"}
        found = subprocess.run(
            [str(ROOT / "gw"), "demo", "--port", str(self.port)], env=env, capture_output=True, text=True, check=False
        )
        self.assertEqual(found.returncode, 2)
        self.assertIn("The database does not answer", found.stderr)
        self.assertIn("Check DATABASE_URL", found.stderr)
        self.assertNotIn("Traceback", found.stdout + found.stderr)
