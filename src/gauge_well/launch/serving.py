"""``./gw demo`` and ``./gw serve``: database, migrations, demo builds, web server; watched until they are stopped."""

from __future__ import annotations

import os
import signal
import socket
import subprocess
import time
import urllib.error
import urllib.request
from collections.abc import Callable, Iterator
from contextlib import contextmanager, suppress
from pathlib import Path
from types import FrameType
from typing import NoReturn

from gauge_well.launch import processes, say, setup
from gauge_well.launch.cluster import DATABASE, OWNER, ROLE, Cluster
from gauge_well.launch.places import PYTHON, ROOT, environment, state_folder

HOST = "127.0.0.1"
WAIT_SECONDS = 40
WEB_STOP_SECONDS = 20
LOOK_SECONDS = 0.2
NEWER = 4  # what `prepare` ends with where the database can be looked at only
# A database that does not come back is tried again ever more seldom; without room on the disk for as long as it takes.
PAUSES = (0.5, 1.0, 2.0, 4.0, 8.0, 15.0, 30.0)
TRIES = 12
NO_ROOM = "No space left on device"


class Ended(SystemExit):
    """Somebody asked us to end."""


@contextmanager
def until_asked() -> Iterator[None]:
    """Signals to end are heard, once, wherever we are: what was started is stopped on the way out."""
    asked: list[int] = []

    def end(number: int, frame: FrameType | None) -> None:
        if not asked:
            asked.append(number)
            raise Ended(0)

    heard = [signal.SIGINT, signal.SIGTERM]
    if signal.getsignal(signal.SIGHUP) is not signal.SIG_IGN:  # as nohup has it
        heard.append(signal.SIGHUP)
    before = {number: signal.signal(number, end) for number in heard}
    try:
        yield
    finally:
        for number, handler in before.items():
            signal.signal(number, handler)


def own_server() -> str | None:
    """Address of a database server of one's own, where one is given."""
    return os.environ.get("DATABASE_URL") or None


def check_port(port: int) -> None:
    """Stop for a number that is no port."""
    if not 1 <= port <= 65535:
        raise say.Stop(f"{port} is no port.", "Give one from 1 to 65535: ./gw demo --port 8765")


def listen(port: int) -> socket.socket:
    """A socket that listens on a port of loopback; Stop when it is taken."""
    listening = socket.socket()
    listening.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
    try:
        listening.bind((HOST, port))
        listening.listen(1024)
    except PermissionError as error:
        listening.close()
        raise say.Stop(f"Port {port} may not be used by you.", "Give one over 1023: ./gw demo --port 8765") from error
    except OSError as error:
        listening.close()
        other = port + 1 if port < 65535 else 8765
        raise say.Stop(
            f"Port {port} is taken by another program.", f"Choose another: ./gw demo --port {other}", 3
        ) from error
    return listening


def manage(url: str, *arguments: str, extra: dict[str, str] | None = None, allowed: tuple[int, ...] = (0,)) -> int:
    """Run one of the program's own commands in its environment; its exit code where it is allowed, Stop otherwise."""
    env = environment() | {"DATABASE_URL": url} | (extra or {})
    command = [str(PYTHON), "-m", "gauge_well.cli", *arguments]
    result = subprocess.run(command, env=env, cwd=ROOT, check=False, capture_output=True, text=True)
    said = (result.stderr or result.stdout).strip()[-800:].removeprefix("Error: ")
    if result.returncode not in allowed:
        raise say.Stop(said, "Check DATABASE_URL." if own_server() else "")
    if said:
        say.line(f"  {said}")
    return result.returncode


def serve(port: int, *, demos: bool) -> int:
    """Start everything, wait until asked to end, stop what was started."""
    check_port(port)
    shelf = ["--demos"] if demos else []
    given = own_server()
    with until_asked():
        setup.everything(dev=False, browser=False, database=given is None, user=True)
        if given:
            with listen(port) as listening:
                web = Web(given, listening, None)
                return _watched(web, None, lambda: manage(given, "prepare", *shelf, allowed=(0, NEWER)))
        cluster = Cluster(state_folder())
        with cluster.alone(port), listen(port) as listening:
            cluster.make()
            try:
                owner = cluster.start()
                url = cluster.url(ROLE, cluster.role_password()) + DATABASE
                web = Web(url, listening, processes.Log(cluster.folder / "log" / "web.log"))
                return _watched(web, cluster, lambda: prepare(cluster, owner, *shelf))
            finally:
                cluster.stop()


def prepare(cluster: Cluster, owner: str, *arguments: str) -> int:
    """Bring a cluster's database up to date and open it to the application; 0, or NEWER."""
    secret = {"GAUGE_WELL_ROLE_PASSWORD": cluster.role_password()}
    options = ["--make", DATABASE, "--role", ROLE, *arguments]
    return manage(owner + "postgres", "prepare", *options, extra=secret, allowed=(0, NEWER))


SERVE, READ_ONLY = b"serve\n", b"read only\n"


class Web:
    """The web server: its address for people, its process, which loads its modules while the database is prepared."""

    def __init__(self, url: str, listening: socket.socket, log: processes.Log | None) -> None:
        self.port: int = listening.getsockname()[1]
        self.log = log
        self.address = f"http://{HOST}:{self.port}/"
        descriptor = listening.fileno()
        command = [str(PYTHON), "-m", "gauge_well.web.serve", "--socket", str(descriptor), "--parent", str(os.getpid())]
        if os.geteuid() == 0:
            command += ["--user", setup.USER]
        env = environment() | {"DATABASE_URL": url}
        self.process = processes.start(
            [*command, "--wait"], log, env=env, cwd=ROOT, pass_fds=[descriptor], stdin=subprocess.PIPE
        )

    def serve(self, *, read_only: bool) -> None:
        """Have it serve, now that its database is prepared."""
        assert self.process.stdin is not None
        with suppress(BrokenPipeError), self.process.stdin as pipe:
            pipe.write(READ_ONLY if read_only else SERVE)

    def fail(self, what: str) -> NoReturn:
        """Stop, with what the server said last."""
        said = self.log.tail() if self.log else ""
        raise say.Stop(
            f"{what} {said}".strip(), f"More is in {self.log.file}." if self.log else "The lines above say why."
        )

    def wait(self) -> None:
        """Until it answers; Stop when it does not."""
        deadline = time.monotonic() + WAIT_SECONDS
        while time.monotonic() < deadline:
            if self.process.poll() is not None:
                self.fail("The web server did not start.")
            with (
                suppress(urllib.error.URLError, OSError),
                urllib.request.urlopen(f"{self.address}api/health", timeout=2),
            ):
                return
            time.sleep(LOOK_SECONDS)
        self.fail("The web server does not answer.")

    def stop(self) -> None:
        """End it, with all its processes."""
        processes.end(self.process, signal.SIGTERM, WEB_STOP_SECONDS)


def _watched(web: Web, cluster: Cluster | None, prepare: Callable[[], int]) -> int:
    try:
        web.serve(read_only=prepare() == NEWER)
        web.wait()
        say.answer(f"\n  Gauge Well is at {web.address}   (Ctrl-C or ./gw stop stops it)\n")
        while True:
            if web.process.poll() is not None:
                web.fail("The web server ended by itself.")
            if cluster is not None and cluster.process is not None and cluster.process.poll() is not None:
                _bring_back(cluster)
            time.sleep(LOOK_SECONDS)
    finally:
        web.stop()


def _bring_back(cluster: Cluster) -> None:
    """Start a database again that ended by itself; Stop, saying why, where it does not come back."""
    say.line("  The database ended by itself; it is started again. Until then nothing is kept.")
    tries, told = 0, ""
    while True:
        try:
            cluster.start()
            say.line("  The database is back.")
            return
        except say.Stop as stop:
            full = NO_ROOM in stop.what
            tries += 0 if full else 1
            if tries >= TRIES:
                raise
            reason = "the disk is full; it comes back when there is room" if full else _reason(stop.what)
            if reason != told:
                say.line(f"  Not back yet: {reason}. Trying on.")
                told = reason
            time.sleep(PAUSES[min(tries, len(PAUSES) - 1)] if not full else PAUSES[2])


def _reason(said: str) -> str:
    """The line of a log that says why: what was fatal last, else the last."""
    lines = said.splitlines()
    fatal = [line.partition("FATAL: ")[2] or line.partition("PANIC: ")[2] for line in lines]
    return ([f for f in fatal if f] or lines)[-1].strip()[-200:]


def stop() -> int:
    """``./gw stop``: end what runs from this checkout's state folder, or was left behind there."""
    cluster = Cluster(state_folder())
    pid = cluster.holder()
    if pid is None:
        left = cluster.running()
        if left is None:
            say.answer("  Nothing runs from this folder.")
            return 0
        processes.end_stranded(left[0], cluster.data, signal.SIGINT, WEB_STOP_SECONDS)
        say.answer("  A database that was left behind is stopped.")
        return 0
    with suppress(ProcessLookupError):
        os.kill(pid, signal.SIGTERM)
    deadline = time.monotonic() + 3 * WEB_STOP_SECONDS
    while cluster.holder() == pid:
        if time.monotonic() > deadline:
            raise say.Stop(f"It does not end (process {pid}).", f"End it for good: kill -9 {pid}")
        time.sleep(LOOK_SECONDS)
    say.answer("  Stopped.")
    return 0


@contextmanager
def database() -> Iterator[str]:
    """Address of the database as its owner, whether the program runs or not; started for as long as it is used."""
    given = own_server()
    if given:
        yield given
        return
    cluster = Cluster(state_folder())
    if cluster.inspect() != "ready":
        raise say.Stop("There is no database yet.", "./gw demo makes one.")
    live = cluster.running()
    if cluster.holder() is not None and live is not None:
        cluster.port = live[1]
        yield cluster.url(OWNER, cluster.secret.read_text().strip()) + DATABASE
        return
    with until_asked(), cluster.alone(0):
        try:
            yield cluster.start() + DATABASE
        finally:
            cluster.stop()


def keep(command: str, file: Path) -> int:
    """``./gw backup``, ``./gw restore``, ``./gw export``."""
    setup.everything(dev=False, browser=False, pages=False, database=own_server() is None)
    tools = setup.postgres_bin()
    if tools is None and command != "export":
        raise say.Stop("The database's own tools are not installed.", "apt-get install -y postgresql-client")
    cluster = Cluster(state_folder())
    if command == "restore" and own_server() is None and cluster.holder() is not None:
        raise say.Stop("Gauge Well runs from this folder.", "Stop it first: ./gw stop")
    arguments = [command, str(file.resolve())] + (["--tools", str(tools)] if command != "export" else [])
    with database() as url:
        env = environment() | {"DATABASE_URL": url}
        found = subprocess.run(
            [str(PYTHON), "-m", "gauge_well.cli", *arguments],
            env=env,
            cwd=ROOT,
            capture_output=True,
            text=True,
            check=False,
        )
    if found.returncode != 0:
        raise say.Stop(found.stderr.strip()[-600:].removeprefix("Error: "))
    if command == "restore":
        say.answer(
            f"  {found.stdout.strip()} builds are on the shelf. What was there before is kept as {DATABASE}_before."
        )
    else:
        say.answer(f"  Written: {file}")
    return 0
