"""``POST /api/size`` over loopback: one gunicorn worker, one client, a bounded number of requests."""

from __future__ import annotations

import http.client
import json
import os
import subprocess
import sys
import time

from benchmarks.timing import Line, median
from gauge_well.launch.cluster import free_port
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


def size_over_http() -> list[Line]:
    """Median of a whole request, one demo a line."""
    port = free_port()
    command = [sys.executable, "-m", "gunicorn", "--bind", f"127.0.0.1:{port}", "--log-level", "error"]
    # Sizing asks no database: none is started.
    env = os.environ | {"DATABASE_URL": "postgresql://127.0.0.1:1/none"}
    server = subprocess.Popen([*command, "gauge_well.web.app:create_app()"], env=env)
    try:
        _wait(port)
        connection = http.client.HTTPConnection("127.0.0.1", port, timeout=10)
        lines = []
        for name in NAMES:
            body = json.dumps({"sheet": demo(name)})

            def post(body: str = body) -> None:
                connection.request("POST", "/api/size", body, {"Content-Type": "application/json"})
                answer = connection.getresponse()
                answer.read()
                if answer.status != 200:
                    raise RuntimeError(f"answer {answer.status}")

            lines.append(median(f"POST /api/size {name}, loopback", post, repeats=REQUESTS, target=0.060))
        return lines
    finally:
        server.terminate()
        server.wait(timeout=20)
