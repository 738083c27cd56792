"""The server as it is started: slow clients hold nothing, long work is capped, processes come back and all end."""

import http.client
import json
import os
import select
import signal
import socket
import subprocess
import sys
import threading
import unittest
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from multiprocessing import get_context
from pathlib import Path
from tempfile import TemporaryDirectory
from typing import Any
from unittest import TestCase, mock

from waitress import wasyncore

from gauge_well.sheet import Problem, SheetError
from gauge_well.web import bench, channel
from gauge_well.web.bench import Bench, Broken, Busy, Here
from tests.database import SHELF, DatabaseCase
from tests.support import ROAD, ROOT, until, watched

PATIENCE = 20.0


def children(pid: int) -> list[int]:
    """Processes that a process started and that live."""
    found = []
    for folder in Path("/proc").iterdir():
        try:
            state, parent = (folder / "stat").read_text().rpartition(")")[2].split()[:2]
        except (OSError, ValueError):
            continue
        if int(parent) == pid and state != "Z":
            found.append(int(folder.name))
    return found


def plain(environ: dict[str, Any], start: Callable[..., Any]) -> Iterator[bytes]:
    """An application that says how much it was sent."""
    body = environ["wsgi.input"].read()
    start("200 OK", [("Content-Type", "text/plain")])
    yield str(len(body)).encode()


class SlowClients(TestCase):
    """Two threads, and many times as many clients that never end what they say."""

    def setUp(self) -> None:
        for name, value in (("THREADS", 2), ("READ_SECONDS", 1.0)):
            patched = mock.patch.object(channel, name, value)
            patched.start()
            self.addCleanup(patched.stop)
        listening = socket.create_server(("127.0.0.1", 0))
        self.port = listening.getsockname()[1]
        self.server = channel.server_of(plain, listening)
        self.thread = threading.Thread(target=self._run, daemon=True)
        self.thread.start()
        self.addCleanup(self._stop)

    def _run(self) -> None:
        self.server.run()

    def _stop(self) -> None:
        listening = self.server.socket
        self.server.trigger.pull_trigger(lambda: wasyncore.close_all(self.server._map, ignore_all=True))
        self.thread.join(10)
        self.server.task_dispatcher.shutdown()
        listening.close()

    def open(self, said: bytes) -> socket.socket:
        client = socket.create_connection(("127.0.0.1", self.port))
        self.addCleanup(client.close)
        client.sendall(said)
        return client

    def ask(self) -> str:
        connection = http.client.HTTPConnection("127.0.0.1", self.port, timeout=PATIENCE)
        connection.request("POST", "/", b"four")
        answer = connection.getresponse().read().decode()
        connection.close()
        return answer

    def test_they_hold_no_thread_and_are_cut_off(self) -> None:
        with watched(40):
            slow = [self.open(b"GET / HTTP/1.1\r\nHost: lo") for _ in range(32)]
            slow += [self.open(b"POST / HTTP/1.1\r\nHost: l\r\nContent-Length: 400\r\n\r\nfew") for _ in range(32)]
            self.assertEqual(self.ask(), "4")
            for client in slow:
                client.settimeout(PATIENCE)
                # A drop now and then does not buy more time.
                try:
                    client.sendall(b"x")
                    while client.recv(100):
                        pass
                except (ConnectionResetError, BrokenPipeError):
                    pass
            self.assertEqual(self.ask(), "4")

    def test_a_request_in_pieces_that_comes_in_time_is_answered(self) -> None:
        client = self.open(b"POST / HTTP/1.1\r\nHost: l\r\nConn")
        client.sendall(b"ection: close\r\nContent-Length: 6\r\n\r\nabc")
        client.sendall(b"def")
        client.settimeout(PATIENCE)
        answer = b""
        while part := client.recv(1000):
            answer += part
        self.assertTrue(answer.endswith((b"6\r\n0\r\n\r\n", b"6")), answer)


class WholeServer(DatabaseCase):
    """``python -m gauge_well.web.serve`` with one long job at a time."""

    template_kind = SHELF

    @contextmanager
    def serving(self, *options: str) -> Iterator[subprocess.Popen[bytes]]:
        listening = socket.create_server(("127.0.0.1", 0))
        self.port = listening.getsockname()[1]
        os.set_inheritable(listening.fileno(), True)
        command = [sys.executable, "-m", "gauge_well.web.serve", "--socket", str(listening.fileno())]
        command += ["--parent", str(os.getpid()), *options]
        env = os.environ | {"DATABASE_URL": self.url, "PYTHONPATH": str(ROOT / "src")}
        server = subprocess.Popen(command, env=env, pass_fds=[listening.fileno()], stderr=subprocess.DEVNULL)
        listening.close()
        try:
            until(lambda: self.status("GET", "/api/health") == 200)
            yield server
        finally:
            server.kill()
            server.wait()

    def send(self, method: str, path: str, body: Any = None) -> http.client.HTTPConnection:
        connection = http.client.HTTPConnection("127.0.0.1", self.port, timeout=PATIENCE)
        self.addCleanup(connection.close)
        data = None if body is None else json.dumps(body)
        connection.request(method, path, data, {"Content-Type": "application/json"} if data else {})
        return connection

    def status(self, method: str, path: str, body: Any = None) -> int:
        try:
            answer = self.send(method, path, body).getresponse()
            answer.read()
            return answer.status
        except OSError:
            return 0

    def test_long_work_is_capped_and_light_routes_go_on(self) -> None:
        with watched(100), self.serving("--web", "1", "--jobs", "1") as server:
            body = {"sheet": ROAD, "parts": ["changes", "measure"]}
            # Each is begun before the next, so that it is known who runs and who waits.
            begun = [self.send("POST", "/api/explore", body)]
            until(lambda: len([c for p in children(server.pid) for c in children(p)]) == 1)
            begun += [self.send("POST", "/api/explore", body) for _ in range(7)]
            # One runs and four wait: three are told when to come again.
            refused: list[http.client.HTTPConnection] = []

            def told() -> bool:
                refused[:] = [c for c in begun if select.select([c.sock], [], [], 0.0)[0]]
                return len(refused) == 3

            until(told)
            for connection in refused:
                answer = connection.getresponse()
                self.assertEqual((answer.status, json.loads(answer.read())["code"]), (503, "busy"))
                self.assertGreater(int(answer.headers["Retry-After"]), 0)
            for path in ("/api/health", "/api/builds", "/api/builds/quarry-mule", "/"):
                self.assertEqual(self.status("GET", path), 200, path)
            self.assertEqual(self.status("POST", "/api/size", {"sheet": ROAD}), 200)
            # Whoever hangs up makes room: with all gone a new one is begun.
            for connection in begun:
                connection.close()
            small = {"sheet": ROAD, "parts": ["bands"], "samples": 256}
            until(lambda: self.status("POST", "/api/explore", small) == 200)
            until(lambda: not [c for p in children(server.pid) for c in children(p)])

    def test_a_process_that_dies_comes_back_and_none_outlives_its_parent(self) -> None:
        with watched(60), self.serving("--web", "2") as server:
            first = children(server.pid)
            self.assertEqual(len(first), 3)
            os.kill(first[0], signal.SIGKILL)
            until(lambda: len(set(children(server.pid)) - set(first)) == 1)
            until(lambda: self.status("GET", "/api/health") == 200)
            last = children(server.pid)
            server.kill()
            server.wait()
            until(lambda: not any(Path(f"/proc/{pid}").exists() for pid in last))
        with watched(60), self.serving() as server:
            last = children(server.pid)
            server.terminate()
            self.assertEqual(server.wait(PATIENCE), 0)
            self.assertFalse(any(Path(f"/proc/{pid}").exists() for pid in last))


ENDED_WHILE_FORKING = """
import os, signal
from gauge_well.web import serve
signal.signal(signal.SIGTERM, serve._stop)
os.register_at_fork(after_in_parent=lambda: os.kill(os.getpid(), signal.SIGTERM))
family = serve.Family.__new__(serve.Family)
family.works, family.children = [signal.pause, signal.pause], {}
try:
    family.start()
except SystemExit:
    known = len(family.children)
    family.end()
    os._exit(known)
os._exit(99)
"""


class Forking(unittest.TestCase):
    def test_a_signal_that_comes_while_it_forks_is_heard_and_every_child_is_known(self) -> None:
        env = os.environ | {"PYTHONPATH": str(ROOT / "src")}
        ended = subprocess.run([sys.executable, "-c", ENDED_WHILE_FORKING], env=env, timeout=60, check=False)
        self.assertEqual(ended.returncode, 2)


class Odd(Exception):
    """An error that does not pass from one process to another."""

    def __init__(self, a: int, b: int) -> None:
        super().__init__(f"{a} and {b}")


def refused() -> Iterator[int]:
    """A job that names a field."""
    yield 1
    raise SheetError([Problem("machine.mass", "Weight", "x", "a mass", "No.")])


def odd() -> Iterator[int]:
    """A job that fails in a way of its own."""
    raise Odd(1, 2)
    yield 1


def ended() -> Iterator[int]:
    """A job whose process is ended."""
    yield 1
    os._exit(1)


class AtTheBench(TestCase):
    """What jobs do comes back as they did it; each in a process of its own."""

    def setUp(self) -> None:
        holder = TemporaryDirectory(prefix="gauge-well-bench-")
        self.addCleanup(holder.cleanup)
        listener = bench.listen(Path(holder.name))
        jobs = {"count": lambda n: iter(range(n)), "refused": refused, "odd": odd, "ended": ended}
        self.process = get_context("fork").Process(target=bench.serve, args=(listener, jobs, 1))
        with mock.patch.object(bench.log, "error"):
            self.process.start()
        listener.close()
        self.addCleanup(self.process.join)
        self.addCleanup(self.process.terminate)
        self.bench = Bench(f"{holder.name}/bench")

    def items(self, name: str, *args: Any) -> list[Any]:
        with watched(30):
            return list(self.bench.stream(name, args, lambda: False))

    def test_what_comes_back(self) -> None:
        self.assertEqual(self.items("count", 3), [0, 1, 2])
        with self.assertRaises(SheetError) as caught:
            self.items("refused")
        self.assertEqual(caught.exception.problems[0].field, "machine.mass")
        with self.assertRaisesRegex(RuntimeError, "1 and 2"):
            self.items("odd")
        with self.assertRaises(Broken):
            self.items("ended")
        with self.assertRaises(KeyError):
            self.items("nothing")
        self.assertEqual(self.items("count", 1), [0], "it goes on")


class WarmUp(DatabaseCase):
    """Once warm, nothing of the program's own files is read any more: who serves may not be allowed to."""

    template_kind = SHELF

    def test_no_file_of_ours_is_opened_afterwards(self) -> None:
        code = """if True:
            import sys
            from gauge_well.sheet.demo import demo
            from gauge_well.web.app import create_app
            from gauge_well.web.warming import _workbook, _pictures, warm_up
            from gauge_well.services.catalogue import sample
            app = create_app(sys.argv[1])
            sheet = demo("chalk-hare")
            warm_up(app)
            files = _workbook(), list(_pictures())
            opened = []
            def watch(event, args):
                if event == "open" and str(args[0]).endswith((".py", ".pyc", ".so")):
                    opened.append((event, str(args[0])))
                if event in ("open", "os.listdir", "os.scandir", "import") and "gauge_well" in str(args[0]):
                    opened.append((event, str(args[0])))
            sys.addaudithook(watch)
            client = app.test_client()
            fence = {"If-Match": '"1"'}
            build = "/api/builds/quarry-mule"
            edit = {"edits": [{"path": "machine.mass", "text": "1500 kg"}]}
            solve = {"sheet": sheet, "path": "fuel.injectors.flow"}
            heat = {"sheet": sheet, "duty": "run", "kind": "speed_power"}
            found = [
                client.get("/api/builds"), client.get("/api/bin"), client.get("/api/export"), client.get("/"),
                client.get("/api/schema"), client.get("/api/openapi.json"), client.get(build),
                client.post("/api/builds", json={"sheet": sheet}), client.patch(build, json=edit, headers=fence),
                client.post(build + "/copy", json={}), client.get(build + "/revisions"),
                client.post(build + "/revisions/1/bring-back", headers={"If-Match": '"2"'}),
                client.delete(build, headers={"If-Match": '"3"'}), client.post(build + "/undelete"),
                client.post("/api/solve", json=solve), client.post("/api/need.csv", json={"sheet": sheet}),
                client.post("/api/round", json={"sheet": sheet}), client.post("/api/map", json=heat),
                client.post("/api/compare/fuel.main", json={"sheet": sheet}),
                client.post("/api/explore", json={"sheet": sheet, "samples": 256}),
                *(client.post(f"/api/view/{s}", json={"sheet": sheet}) for s in ("oil/pan", "fuel/circuit", "cooling/air", "exhaust/pipe", "engine/curves")),
            ]
            raw = {"content_type": "application/octet-stream"}
            day = {"sheet": sheet, "today": "2026-11-29"}
            found = [
                *(client.post(f"/api/order{e}", json=day) for e in ("", ".csv", "/things.csv", ".ics")), client.post("/api/options", json=day),
                client.get("/api/catalogue/sample"), client.post("/api/catalogue?kind=csv", data=sample(), **raw),
                client.post("/api/catalogue?kind=xlsx", data=files[0], **raw),
                *(client.post("/api/photographs?build=quarry-mule&subject=tasks.pickup", data=p, **raw) for p in files[1]),
                *found,
            ]
            assert all(f.status_code < 300 for f in found), [f.status_code for f in found]
            found[-6].get_data()
            assert not opened, opened
        """
        env = os.environ | {"PYTHONPATH": str(ROOT / "src")}
        ran = subprocess.run(
            [sys.executable, "-c", code, self.url], env=env, capture_output=True, text=True, check=False
        )
        self.assertEqual(ran.returncode, 0, ran.stderr[-1500:])


class Runners(TestCase):
    def test_in_this_process(self) -> None:
        jobs = {"count": lambda n: iter(range(n))}
        self.assertEqual(list(Here(lambda: jobs).stream("count", (3,), lambda: False)), [0, 1, 2])

    def test_no_bench_is_said(self) -> None:
        with self.assertRaises(Broken):
            next(Bench("/nowhere/bench").stream("count", (3,), lambda: False))

    def test_busy_says_when(self) -> None:
        self.assertGreater(Busy().seconds, 0)
