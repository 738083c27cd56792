"""``POST /api/size`` over loopback: one client, then twenty users at once; a bounded number of requests."""

from __future__ import annotations

import http.client
import json
import os
import random
import statistics
import subprocess
import sys
import threading
import time
from collections.abc import Iterator
from contextlib import contextmanager

from benchmarks.timing import Line, median
from gauge_well.launch.cluster import free_port
from gauge_well.launch.serving import options
from gauge_well.sheet.demo import NAMES, demo

REQUESTS = 60
START_SECONDS = 30


def _wait(port: int) -> None:
    deadline = time.monotonic() + START_SECONDS
    while time.monotonic() < deadline:
        try:
            connection = http.client.HTTPConnection("127.0.0.1", port, timeout=2)
            connection.request("GET", "/api/schema")
            if connection.getresponse().status == 200:
                return
        except OSError:
            time.sleep(0.1)
    raise RuntimeError("the web server did not start")


@contextmanager
def _server(*arguments: str) -> Iterator[int]:
    """The application on a free port of loopback; its port. Sizing asks no database: none is started."""
    port = free_port()
    command = [sys.executable, "-m", "gunicorn", "--bind", f"127.0.0.1:{port}", "--log-level", "error", *arguments]
    env = os.environ | {"DATABASE_URL": "postgresql://127.0.0.1:1/none"}
    server = subprocess.Popen([*command, "gauge_well.web.app:create_app()"], env=env)
    try:
        _wait(port)
        yield port
    finally:
        server.terminate()
        server.wait(timeout=20)


def _post(connection: http.client.HTTPConnection, path: str, body: str) -> int:
    """Send, read the whole answer; its status."""
    connection.request("POST", path, body, {"Content-Type": "application/json"})
    answer = connection.getresponse()
    answer.read()
    return answer.status


def size_over_http() -> list[Line]:
    """Median of a whole request, one demo a line."""
    with _server() as port:
        connection = http.client.HTTPConnection("127.0.0.1", port, timeout=10)
        lines = []
        for name in NAMES:
            body = json.dumps({"sheet": demo(name)})

            def post(path: str = "/api/size", body: str = body) -> None:
                status = _post(connection, path, body)
                if status != 200:
                    raise RuntimeError(f"answer {status}")

            lines.append(median(f"POST /api/size {name}, loopback", post, repeats=REQUESTS, target=0.060))
        live = json.dumps({"sheet": demo(NAMES[0]), "samples": 256})
        lines.append(median("POST /api/size, 256 draws, loopback", lambda: post("/api/size", live), repeats=20))
        return lines


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
            status = _post(connection, "/api/size", body)
            if status != 200:
                errors.append(f"answer {status}")
        except OSError as error:
            errors.append(str(error))
            connection = http.client.HTTPConnection("127.0.0.1", port, timeout=20)
        times.append(time.perf_counter() - started)
        time.sleep(chance.uniform(*pause))


def twenty_users() -> list[Line]:
    """Twenty users at once on the server as it is shipped, sizing after every edit; to loopback only.

    Each sends fifteen requests, one to two seconds apart, then as many twice as fast: three hundred in all, twice.
    """
    lines = []
    with _server(*options()) as port:
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
            hundredths = statistics.quantiles(times, n=100)
            spread = hundredths[74] - hundredths[24]
            lines.append(Line(f"{USERS} users, {said}, no error: median", hundredths[49], spread))
            lines.append(Line(f"{USERS} users, {said}: 95th percentile", hundredths[94], spread, target=target))
    return lines
