"""``./gw demo`` and ``./gw serve``: database, migrations, demo builds, web server."""

from __future__ import annotations

import os
import signal
import socket
import subprocess
import time
import urllib.error
import urllib.request
from collections.abc import Iterator
from contextlib import contextmanager, suppress
from pathlib import Path
from types import FrameType

from gauge_well.launch import say, setup
from gauge_well.launch.cluster import DATABASE, Cluster
from gauge_well.launch.places import PYTHON, ROOT, environment, state_folder

HOST = "127.0.0.1"
WAIT_SECONDS = 40
# Browsers keep their connections, each to one worker: more workers than cores even out who got many.
WORKERS, THREADS = 4, 2


def check_port(port: int) -> None:
    """Stop when the port is taken."""
    with socket.socket() as probe:
        probe.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
        try:
            probe.bind((HOST, port))
        except OSError as error:
            raise say.Stop(
                f"Port {port} is taken by another program.", f"Choose another: ./gw demo --port {port + 1}", 3
            ) from error


@contextmanager
def only_one(folder: Path, port: int) -> Iterator[None]:
    """Hold the state folder; Stop when another start of ours already does."""
    lock = folder / "running"
    with suppress(OSError, ValueError):
        pid, where = lock.read_text().split()
        os.kill(int(pid), 0)
        raise say.Stop(
            f"Gauge Well already runs from this folder, at http://{HOST}:{where}/",
            "Open that address, or stop it with Ctrl-C where it was started.",
            3,
        )
    lock.write_text(f"{os.getpid()} {port}")
    try:
        yield
    finally:
        lock.unlink(missing_ok=True)


def manage(url: str, *arguments: str) -> None:
    """Run one of the program's own commands in its environment."""
    env = environment() | {"DATABASE_URL": url}
    result = subprocess.run(
        [str(PYTHON), "-m", "gauge_well.cli", *arguments],
        env=env,
        cwd=ROOT,
        check=False,
        capture_output=True,
        text=True,
    )
    if result.returncode != 0:
        raise say.Stop(
            (result.stderr or result.stdout).strip()[-800:],
            "Check DATABASE_URL." if "DATABASE_URL" in os.environ else "",
        )


def serve(port: int, *, demos: bool, workers: int = WORKERS) -> int:
    """Start everything, wait for Ctrl-C, stop what was started."""
    setup.everything(dev=False, browser=False, database="DATABASE_URL" not in os.environ)
    check_port(port)
    given = os.environ.get("DATABASE_URL")
    shelf = ["--demos"] if demos else []
    if given:
        manage(given, "prepare", *shelf)
        return _web(given, port, workers)
    cluster = Cluster(state_folder())
    cluster.make()
    with only_one(cluster.folder, port):
        try:
            base = cluster.start()
            manage(base + "postgres", "prepare", "--make", DATABASE, *shelf)
            return _web(base + DATABASE, port, workers)
        finally:
            cluster.stop()


def options(workers: int = WORKERS) -> list[str]:
    """How the web server is run.

    Connections are kept for half a minute: closed sooner, an edit made after a pause would meet a closed one.
    """
    kept = ["--threads", str(THREADS), "--keep-alive", "30", "--timeout", "60", "--preload"]
    return ["--workers", str(workers), *kept]


def _web(url: str, port: int, workers: int) -> int:
    address = ["--bind", f"{HOST}:{port}", "--log-level", "warning"]
    command = [str(PYTHON), "-m", "gunicorn", *options(workers), *address, "gauge_well.web.app:create_app()"]
    # A session of its own: Ctrl-C reaches this process, which then stops the server in order.
    server = subprocess.Popen(command, env=environment() | {"DATABASE_URL": url}, cwd=ROOT, start_new_session=True)
    stop = _on_signals()
    try:
        _wait(server, port)
        say.line(f"\n  Gauge Well is at http://{HOST}:{port}/   (Ctrl-C stops it)\n")
        while not stop and server.poll() is None:
            time.sleep(0.2)
        if not stop:
            raise say.Stop("The web server ended by itself.", "The lines above say why.")
        return 0
    finally:
        if server.poll() is None:
            server.terminate()
            try:
                server.wait(timeout=20)
            except subprocess.TimeoutExpired:
                server.kill()


def _on_signals() -> list[int]:
    seen: list[int] = []

    def note(number: int, frame: FrameType | None) -> None:
        seen.append(number)

    signal.signal(signal.SIGINT, note)
    signal.signal(signal.SIGTERM, note)
    return seen


def _wait(server: subprocess.Popen[bytes], port: int) -> None:
    deadline = time.monotonic() + WAIT_SECONDS
    while time.monotonic() < deadline:
        if server.poll() is not None:
            raise say.Stop("The web server did not start.", "The lines above say why.")
        with (
            suppress(urllib.error.URLError, OSError),
            urllib.request.urlopen(f"http://{HOST}:{port}/api/health", timeout=2),
        ):
            return
        time.sleep(0.2)
    raise say.Stop("The web server does not answer.", "Look at the lines above, or try ./gw doctor.")
