"""The bench: long jobs in processes of their own, so many at once and so many waiting, no more.

A web process hands a job over a socket and passes on what comes back. The bench forks a process a job from one that
has all modules loaded; a job whose asker hangs up is ended. So light routes never wait for a core or a thread that
long work holds.
"""

from __future__ import annotations

import ctypes
import logging
import os
import pickle
import select
import selectors
import signal
import socket
from collections import deque
from collections.abc import Callable, Iterator, Mapping
from contextlib import suppress
from multiprocessing.connection import Client, Connection
from pathlib import Path
from typing import Any, Protocol

WAITING_EACH = 4  # jobs in the queue for each that runs
JOB_SECONDS = 120
HAND_OVER_SECONDS = 5
RETRY_SECONDS = 10
NICE = 10  # long work steps back for light
LOOK_SECONDS = 0.5
HUNG_UP = select.POLLRDHUP | select.POLLHUP | select.POLLERR
PR_SET_PDEATHSIG = 1

log = logging.getLogger("gauge_well.web")
Jobs = Mapping[str, Callable[..., Iterator[Any]]]


class Busy(RuntimeError):
    """As much is being worked and waiting as may be; ``seconds`` until another try makes sense."""

    def __init__(self, seconds: int = RETRY_SECONDS) -> None:
        super().__init__("busy")
        self.seconds = seconds


class Broken(RuntimeError):
    """A job's process ended before it was done."""


class HungUp(RuntimeError):
    """Whoever asked is gone."""


class Runner(Protocol):
    """Where jobs are run."""

    def stream(self, name: str, args: tuple[Any, ...], gone: Callable[[], bool]) -> Iterator[Any]:
        """What a job gives, as it comes."""


class Here:
    """Jobs run in this very process: where there is no bench."""

    def __init__(self, jobs: Callable[[], Jobs]) -> None:
        self._jobs = jobs

    def stream(self, name: str, args: tuple[Any, ...], gone: Callable[[], bool]) -> Iterator[Any]:
        """What a job gives, as it comes."""
        yield from self._jobs()[name](*args)


class Bench:
    """Jobs run at a bench that listens on a socket."""

    def __init__(self, address: str) -> None:
        self.address = address

    def stream(self, name: str, args: tuple[Any, ...], gone: Callable[[], bool]) -> Iterator[Any]:
        """What a job gives, as it comes; raises what the job raised, Busy or Broken."""
        try:
            connection = Client(self.address, "AF_UNIX")
        except OSError as error:
            raise Broken(f"no bench: {error}") from error
        with connection:
            try:
                connection.send((name, args))
                while True:
                    while not connection.poll(LOOK_SECONDS):
                        if gone():
                            return
                    what, item = connection.recv()
                    if what == "item":
                        yield item
                    elif what == "end":
                        return
                    elif what == "busy":
                        raise Busy(item)
                    else:
                        raise item
            except (EOFError, BrokenPipeError, ConnectionResetError) as error:
                raise Broken(name) from error


def end_with_parent(parent: int) -> None:
    """Have the kernel end this process when its parent, of a process id, ends (Linux)."""
    ctypes.CDLL(None).prctl(PR_SET_PDEATHSIG, signal.SIGTERM)
    if os.getppid() != parent:
        os._exit(1)


def _run(held: socket.socket, jobs: Jobs) -> None:
    """In a process of its own: read a job, give what it gives."""
    signal.alarm(JOB_SECONDS)
    os.nice(NICE)
    connection = Connection(held.detach())
    if not connection.poll(HAND_OVER_SECONDS):
        return
    name, args = connection.recv()
    # Whoever hangs up ends the job: nothing else is ever sent this way.
    try:
        for item in jobs[name](*args):
            connection.send(("item", item))
            if connection.poll():
                return
        connection.send(("end", None))
    except (BrokenPipeError, ConnectionResetError):
        return
    except Exception as error:
        with suppress(BrokenPipeError, ConnectionResetError):
            connection.send(("error", _passed_on(name, error)))


def _passed_on(name: str, error: Exception) -> Exception:
    """An error as it can pass to another process; one that is the program's own is logged here, where it was made."""
    if not type(error).__module__.startswith("gauge_well."):
        log.error("job %s", name, exc_info=error)
    try:
        again = pickle.loads(pickle.dumps(error))
    except Exception:
        return RuntimeError(f"{type(error).__name__}: {error}")
    return error if isinstance(again, type(error)) else RuntimeError(str(error))


class Desk:
    """The bench's own side: takes jobs in, starts them as there is room."""

    def __init__(self, listener: socket.socket, jobs: Jobs, running: int) -> None:
        self.listener, self.jobs, self.most = listener, jobs, running
        self.waiting: deque[socket.socket] = deque()
        self.refused: deque[Connection] = deque(maxlen=32)
        self.running: dict[int, int] = {}  # pidfd -> pid
        self.selector = selectors.DefaultSelector()
        self.selector.register(listener, selectors.EVENT_READ)

    def serve(self) -> None:
        """Until this process is ended."""
        while True:
            for key, _ in self.selector.select():
                if key.fileobj is self.listener:
                    self._take()
                else:
                    self._end(key.fd)
            self._start()

    def _take(self) -> None:
        try:
            held, _ = self.listener.accept()
        except OSError:
            return
        self._forget_gone()
        if len(self.running) + len(self.waiting) >= self.most * (1 + WAITING_EACH):
            connection = Connection(held.detach())
            with suppress(OSError):
                connection.send(("busy", RETRY_SECONDS))
            # Closed before it has read the job, its asker would see a broken line instead of the answer.
            self.refused.append(connection)
            return
        self.waiting.append(held)

    def _forget_gone(self) -> None:
        """Those who hung up while they waited give their place away."""
        poll = select.poll()
        for held in self.waiting:
            poll.register(held, HUNG_UP)
        gone = {fd for fd, _ in poll.poll(0)}
        for held in [h for h in self.waiting if h.fileno() in gone]:
            self.waiting.remove(held)
            held.close()

    def _start(self) -> None:
        while self.waiting and len(self.running) < self.most:
            self._forget_gone()
            if not self.waiting:
                return
            held = self.waiting.popleft()
            desk = os.getpid()
            child = os.fork()
            if child == 0:
                code = 1
                try:
                    end_with_parent(desk)
                    self.listener.close()
                    for other in self.waiting:
                        other.close()
                    _run(held, self.jobs)
                    code = 0
                finally:
                    os._exit(code)
            held.close()
            fd = os.pidfd_open(child)
            self.running[fd] = child
            self.selector.register(fd, selectors.EVENT_READ)

    def _end(self, fd: int) -> None:
        self.selector.unregister(fd)
        os.close(fd)
        with suppress(ChildProcessError):
            os.waitpid(self.running.pop(fd), 0)


def listen(folder: Path) -> socket.socket:
    """Socket of a bench in a private folder."""
    listener = socket.socket(socket.AF_UNIX, socket.SOCK_STREAM)
    listener.bind(str(folder / "bench"))
    listener.listen(64)
    return listener


def serve(listener: socket.socket, jobs: Jobs, running: int) -> None:
    """Serve a bench with so many jobs at once."""
    Desk(listener, jobs, running).serve()
