"""A logger's line: CSV rows over a socket, sent by the simulated logger, heard by the page. On loopback alone."""

from __future__ import annotations

import socket
import time
from collections.abc import Iterator, Sequence
from typing import Any

from gauge_well.services.errors import Refused
from gauge_well.services.models_report import Model

HOST = "127.0.0.1"
ANSWERS_IN, QUIET = 5.0, 15.0  # s that a logger may take to answer, and be silent
LINES_MAX, LINE_MAX = 200_000, 400
LONGEST = 4 * 3600.0  # s that a logger is listened to
EVERY = 0.5  # s between two events
CHUNK = 65536


class HeardEvent(Model):
    """Lines of a logger, as they came: the first of all is its head."""

    event: str
    lines: list[str]


def heard(port: int) -> Iterator[dict[str, Any]]:
    """Lines of the logger that listens on a port of this machine, until it hangs up.

    Refused where nobody answers there.
    """
    try:
        line = socket.create_connection((HOST, port), timeout=ANSWERS_IN)
    except OSError:
        allowed = "a port that a logger listens on"
        raise Refused("port", str(port), allowed, f"No logger answers on port {port} of this machine.") from None
    with line:
        line.settimeout(QUIET)
        yield {"event": "open", "lines": []}
        begun = sent = time.monotonic()
        rest, count = b"", 0
        waiting: list[str] = []
        while count < LINES_MAX and time.monotonic() - begun < LONGEST:
            try:
                chunk = line.recv(CHUNK)
            except OSError:
                break
            if not chunk:
                break
            *whole, rest = (rest + chunk).split(b"\n")
            rest = rest[-LINE_MAX:]
            waiting += [text[:LINE_MAX].decode("utf-8", "replace").strip() for text in whole]
            if time.monotonic() - sent >= EVERY:
                count, sent = count + len(waiting), time.monotonic()
                yield {"event": "lines", "lines": waiting}
                waiting = []
        yield {"event": "end", "lines": waiting}


def send(rows: Sequence[Sequence[str]], pace: float, port: int) -> Iterator[int]:
    """Wait on a port of this machine for one listener and send it a log, so many rows a second; the port is given first, then how
    many rows were sent."""
    with socket.create_server((HOST, port)) as server:
        yield int(server.getsockname()[1])
        line, _ = server.accept()
        with line:
            for count, row in enumerate(rows, 1):
                line.sendall((",".join(row) + "\n").encode())
                if count > 1 and pace > 0.0:
                    time.sleep(1.0 / pace)
            yield len(rows)
