"""``python -m gauge_well.web.serve``: web processes and the bench on a socket handed down by whoever starts this.

One process loads everything, gives up root's rights where it has them, and forks: so many web processes, which share
the listening socket, and the bench. A child that ends is made anew. All end with this process, and this one with
whoever started it.
"""

from __future__ import annotations

import argparse
import logging
import os
import pwd
import shutil
import signal
import socket
import sys
import tempfile
import time
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from pathlib import Path
from types import FrameType
from typing import NoReturn

from gauge_well.web import bench
from gauge_well.web.api import OpenAPI
from gauge_well.web.app import create_app
from gauge_well.web.bench import Bench, end_with_parent
from gauge_well.web.channel import server_of
from gauge_well.web.jobs import JOBS
from gauge_well.web.warming import warm_up

WEB = 3
SERVE, READ_ONLY = "serve", "read only"  # what standard input may say
END_SECONDS = 8
QUICK_DEATHS, QUICK_SECONDS = 12, 10.0
log = logging.getLogger("gauge_well.web")


def _give_up_root(user: str) -> None:
    """Go on as another user, with nothing of root's left."""
    entry = pwd.getpwnam(user)
    os.setgroups([])
    os.setgid(entry.pw_gid)
    os.setuid(entry.pw_uid)
    os.environ["HOME"] = "/"


def _stop(number: int, frame: FrameType | None) -> NoReturn:
    raise SystemExit(0)


@contextmanager
def _held() -> Iterator[None]:
    """SIGTERM waits while a process forks: what its handler raises in a hook that runs around a fork, Python ignores."""
    before = signal.pthread_sigmask(signal.SIG_BLOCK, {signal.SIGTERM})
    try:
        yield
    finally:
        signal.pthread_sigmask(signal.SIG_SETMASK, before)


def _child(parent: int, work: Callable[[], None]) -> int:
    """Fork a child that does some work until it is ended; its process id."""
    pid = os.fork()
    if pid:
        return pid
    code = 1
    try:
        signal.signal(signal.SIGTERM, _stop)
        signal.signal(signal.SIGINT, signal.SIG_IGN)
        signal.pthread_sigmask(signal.SIG_UNBLOCK, {signal.SIGTERM})
        end_with_parent(parent)
        work()
        code = 0
    except SystemExit as ended:
        code = int(ended.code or 0)
    except BaseException:
        log.exception("a process of the web server ended")
    finally:
        logging.shutdown()
        os._exit(code)


class Family:
    """The children, kept at their number."""

    def __init__(self, app: OpenAPI, listening: socket.socket, folder: Path, *, web: int, jobs: int) -> None:
        desk = bench.listen(folder)
        app.extensions["gauge_well_bench"] = Bench(str(folder / "bench"))

        def serve_web() -> None:
            desk.close()
            server_of(app, listening).run()

        def serve_jobs() -> None:
            listening.close()
            signal.signal(signal.SIGTERM, signal.SIG_DFL)
            bench.serve(desk, JOBS, jobs)

        self.works = [serve_web] * web + [serve_jobs]
        self.children: dict[int, Callable[[], None]] = {}
        self.deaths: list[float] = []

    def start(self) -> None:
        """Fork those that are not there."""
        there = list(self.children.values())
        with _held():
            for work in self.works:
                if work in there:
                    there.remove(work)
                else:
                    self.children[_child(os.getpid(), work)] = work

    def keep(self) -> None:
        """Wait for a child to end and make it anew; raises where they end as fast as they are made."""
        pid, _ = os.wait()
        if self.children.pop(pid, None) is None:
            return
        now = time.monotonic()
        self.deaths = [t for t in self.deaths if now - t < QUICK_SECONDS] + [now]
        if len(self.deaths) >= QUICK_DEATHS:
            raise RuntimeError("the web server's processes end as soon as they are started")
        log.error("a process of the web server ended; it is started again")
        self.start()

    def end(self) -> None:
        """End the children; those that take too long are killed."""
        for pid in self.children:
            os.kill(pid, signal.SIGTERM)
        deadline = time.monotonic() + END_SECONDS
        while self.children:
            pid, _ = os.waitpid(-1, os.WNOHANG)
            self.children.pop(pid, None)
            if pid == 0:
                if time.monotonic() > deadline:
                    for left in self.children:
                        os.kill(left, signal.SIGKILL)
                    deadline += END_SECONDS
                time.sleep(0.02)


def main(arguments: list[str]) -> int:
    """Serve until SIGTERM, or until whoever started this ends."""
    parser = argparse.ArgumentParser()
    parser.add_argument("--socket", type=int, required=True, help="file descriptor of a listening socket")
    parser.add_argument("--parent", type=int, required=True, help="process id of whoever starts this")
    parser.add_argument("--user", help="who to go on as, where root starts this")
    parser.add_argument("--wait", action="store_true", help="until standard input says how to serve")
    parser.add_argument("--web", type=int, default=WEB, help="web processes")
    parser.add_argument("--jobs", type=int, default=os.cpu_count() or 2, help="long jobs at once")
    options = parser.parse_args(arguments)
    logging.basicConfig(level=logging.WARNING, format="%(asctime)s %(levelname)s %(name)s: %(message)s")
    said = sys.stdin.readline().strip() if options.wait else SERVE
    if said not in (SERVE, READ_ONLY):
        return 0  # whoever started this has thought better of it
    app = create_app(read_only=said == READ_ONLY)
    warm_up(app)
    if options.user and os.geteuid() == 0:
        _give_up_root(options.user)
    signal.signal(signal.SIGTERM, _stop)
    signal.signal(signal.SIGINT, signal.SIG_IGN)
    end_with_parent(options.parent)
    folder = Path(tempfile.mkdtemp(prefix="gauge-well-"))
    listening = socket.socket(fileno=options.socket)
    family = Family(app, listening, folder, web=options.web, jobs=options.jobs)
    try:
        family.start()
        while True:
            family.keep()
    finally:
        signal.signal(signal.SIGTERM, signal.SIG_IGN)
        family.end()
        shutil.rmtree(folder, ignore_errors=True)


if __name__ == "__main__":
    sys.exit(main(sys.argv[1:]))
