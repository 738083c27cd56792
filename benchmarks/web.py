"""Over loopback, on the server as it is shipped: one client, then twenty users at once; a bounded number of requests."""

from __future__ import annotations

import http.client
import json
import os
import random
import socket
import statistics
import subprocess
import sys
import tempfile
import threading
import time
import uuid
from collections.abc import Iterator
from contextlib import contextmanager
from functools import partial
from pathlib import Path

from sqlalchemy import insert

from benchmarks.timing import Line, median
from gauge_well.launch.cluster import Cluster
from gauge_well.services import builds, shelf
from gauge_well.sheet.demo import NAMES, demo
from gauge_well.store.models import Build
from gauge_well.store.session import make_engine, migrate, transaction

REQUESTS = 60
START_SECONDS = 30


def _wait(port: int) -> None:
    deadline = time.monotonic() + START_SECONDS
    while time.monotonic() < deadline:
        try:
            connection = http.client.HTTPConnection("127.0.0.1", port, timeout=2)
            connection.request("GET", "/api/health")
            if connection.getresponse().status == 200:
                return
        except OSError:
            time.sleep(0.1)
    raise RuntimeError("the web server did not start")


@contextmanager
def cluster() -> Iterator[str]:
    """A database of its own with the demo builds on its shelf, durable as it is shipped; its address."""
    with tempfile.TemporaryDirectory(prefix="gauge-well-speed-") as name:
        Path(name).chmod(0o755)
        own = Cluster(Path(name) / "state")
        try:
            own.make()
            url = own.start() + "postgres"
            migrate(url)
            engine = make_engine(url)
            builds.load_demos(engine)
            engine.dispose()
            yield url
        finally:
            own.remove()


@contextmanager
def server(url: str) -> Iterator[int]:
    """The application on a free port of loopback; its port."""
    listening = socket.create_server(("127.0.0.1", 0))
    os.set_inheritable(listening.fileno(), True)
    command = [sys.executable, "-m", "gauge_well.web.serve", "--socket", str(listening.fileno())]
    env = os.environ | {"DATABASE_URL": url}
    running = subprocess.Popen([*command, "--parent", str(os.getpid())], env=env, pass_fds=[listening.fileno()])
    try:
        _wait(listening.getsockname()[1])
        yield listening.getsockname()[1]
    finally:
        running.terminate()
        running.wait(timeout=20)
        listening.close()


def _send(connection: http.client.HTTPConnection, method: str, path: str, body: str | None, revision: int = 0) -> bytes:
    """Send, read the whole answer; it must be a good one."""
    headers = {"Content-Type": "application/json"} if body else {}
    connection.request(method, path, body, headers | ({"If-Match": f'"{revision}"'} if revision else {}))
    answer = connection.getresponse()
    content = answer.read()
    if answer.status not in (200, 201):
        raise RuntimeError(f"{method} {path}: answer {answer.status} {content[:200]!r}")
    return content


def size_over_http() -> list[Line]:
    """Median of a whole request, one demo a line; the shelf; an edit kept."""
    with cluster() as url, server(url) as port:
        connection = http.client.HTTPConnection("127.0.0.1", port, timeout=10)
        lines = []
        for name in NAMES:
            body = json.dumps({"sheet": demo(name)})
            lines.append(
                median(
                    f"POST /api/size {name}, loopback",
                    partial(_send, connection, "POST", "/api/size", body),
                    repeats=REQUESTS,
                    target=0.060,
                )
            )
        live = json.dumps({"sheet": demo(NAMES[0]), "samples": 256})
        lines.append(
            median(
                "POST /api/size, 256 draws, loopback", lambda: _send(connection, "POST", "/api/size", live), repeats=20
            )
        )
        revision = 1

        def edit() -> None:
            nonlocal revision
            body = {"edits": [{"path": "notes", "text": f"note {revision}"}]}
            _send(connection, "PATCH", f"/api/builds/{NAMES[0]}", json.dumps(body), revision)
            revision += 1

        lines.append(median("an edit, kept and answered, loopback", edit, repeats=REQUESTS, target=0.100))
        return lines


SHELF = 10_000


def big_shelf() -> list[Line]:
    """The first page and the last of a shelf of ten thousand builds."""
    with cluster() as url, server(url) as port:
        engine = make_engine(url)
        with transaction(engine) as session:
            like = session.get(Build, NAMES[0])
            assert like is not None
            same = {"document": like.document, "revision": 1, "card": like.card, "card_made": like.card_made}
            rows = [{"id": uuid.uuid4().hex[:12]} | same for _ in range(SHELF)]
            session.execute(insert(Build), rows)
        after = shelf.shelf(engine, limit=200)["more"]
        engine.dispose()
        connection = http.client.HTTPConnection("127.0.0.1", port, timeout=10)
        return [
            median(f"shelf of {SHELF} builds, {what}", partial(_send, connection, "GET", path, None), target=0.200)
            for what, path in (
                ("first page", "/api/builds"),
                ("a later page", f"/api/builds?after={after.replace('+', '%2B')}"),
            )
        ]


USERS, EACH = 20, 15
# s between a user's edits: busy, and hardly to be kept up by hand.
BUSY, HECTIC = (1.0, 2.0), (0.5, 1.0)


def _user(port: int, seed: int, pause: tuple[float, float], times: list[float], errors: list[str]) -> None:
    """One user: an edit, its sizing, a pause; a bounded number of times."""
    chance = random.Random(seed)
    connection = http.client.HTTPConnection("127.0.0.1", port, timeout=20)
    body = json.dumps({"sheet": demo(NAMES[seed % len(NAMES)])})
    time.sleep(chance.uniform(0.0, pause[1]))
    for _ in range(EACH):
        started = time.perf_counter()
        try:
            _send(connection, "POST", "/api/size", body)
        except (OSError, RuntimeError) as error:
            errors.append(str(error))
            connection = http.client.HTTPConnection("127.0.0.1", port, timeout=20)
        times.append(time.perf_counter() - started)
        time.sleep(chance.uniform(*pause))


def _spread(times: list[float], said: str, target: float | None) -> list[Line]:
    hundredths = statistics.quantiles(times, n=100)
    spread = hundredths[74] - hundredths[24]
    return [
        Line(f"{said}: median", hundredths[49], spread),
        Line(f"{said}: 95th percentile", hundredths[94], spread, target=target),
    ]


def twenty_users() -> list[Line]:
    """Twenty users at once on the server as it is shipped, sizing after every edit; to loopback only.

    Each sends fifteen requests, one to two seconds apart, then as many twice as fast: three hundred in all, twice.
    """
    lines = []
    with cluster() as url, server(url) as port:
        for pause, said, target in ((BUSY, "1 to 2 s apart", 0.250), (HECTIC, "0.5 to 1 s apart", None)):
            times: list[float] = []
            errors: list[str] = []
            users = [threading.Thread(target=_user, args=(port, n, pause, times, errors)) for n in range(USERS)]
            for user in users:
                user.start()
            for user in users:
                user.join(120)
            if errors:
                raise RuntimeError(f"{len(errors)} of {len(times)} failed: {errors[0]}")
            lines += _spread(times, f"{USERS} users, {said}, no error", target)
    return lines


SECONDS, EXPLORERS = 120.0, 2


def _light(port: int, seed: int, end: float, times: dict[str, list[float]], errors: list[str]) -> None:
    """One user for two minutes: an edit kept, its build read, the shelf, the house's health, a pause."""
    chance = random.Random(seed)
    connection = http.client.HTTPConnection("127.0.0.1", port, timeout=60)
    made = json.loads(_send(connection, "POST", "/api/builds", json.dumps({"sheet": demo(NAMES[seed % len(NAMES)])})))
    path, revision = f"/api/builds/{made['id']}", 1
    while time.monotonic() < end:
        edit = json.dumps({"edits": [{"path": "notes", "text": f"note {revision}"}]})
        for name, method, address, body, fence in (
            ("edit", "PATCH", path, edit, revision),
            ("build", "GET", path, None, 0),
            ("shelf", "GET", "/api/builds", None, 0),
            ("health", "GET", "/api/health", None, 0),
        ):
            started = time.perf_counter()
            try:
                _send(connection, method, address, body, fence)
            except (OSError, RuntimeError) as error:
                errors.append(str(error))
                connection = http.client.HTTPConnection("127.0.0.1", port, timeout=60)
            times.setdefault(name, []).append(time.perf_counter() - started)
        revision += 1
        time.sleep(chance.uniform(2.0, 4.0))


def _explorer(port: int, end: float, done: list[int]) -> None:
    """One who has everything explored, again and again."""
    body = json.dumps({"sheet": demo(NAMES[0])})
    while time.monotonic() < end:
        connection = http.client.HTTPConnection("127.0.0.1", port, timeout=120)
        _send(connection, "POST", "/api/explore", body)
        done.append(1)


def long_and_light(port: int, seconds: float = SECONDS) -> list[Line]:
    """Twenty users on a server, two of whom have everything explored all the while; light routes' times."""
    end = time.monotonic() + seconds
    times: dict[str, list[float]] = {}
    errors: list[str] = []
    done: list[int] = []
    work = [threading.Thread(target=_explorer, args=(port, end, done)) for _ in range(EXPLORERS)]
    work += [threading.Thread(target=_light, args=(port, n, end, times, errors)) for n in range(USERS)]
    for one in work:
        one.start()
    for one in work:
        one.join(seconds + 180)
    if errors:
        raise RuntimeError(f"{len(errors)} failed: {errors[0]}")
    said = f"beside {EXPLORERS} explorers ({len(done)} done)"
    return [line for name, own in times.items() for line in _spread(own, f"{name} {said}", None)]


def starvation() -> list[Line]:
    """Light routes while long work is done."""
    with cluster() as url, server(url) as port:
        return long_and_light(port)
