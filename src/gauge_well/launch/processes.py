"""Processes of ours: ended with us whatever ends us, known again later, their words kept in bounded files."""

from __future__ import annotations

import logging
import logging.handlers
import os
import pwd
import signal
import subprocess
import threading
import time
from collections.abc import Mapping, Sequence
from contextlib import suppress
from pathlib import Path

LOG_BYTES, LOGS_KEPT = 1_000_000, 2
logging.raiseExceptions = False  # a full disk must not end whoever writes a log


class Log:
    """A bounded file that takes what processes say."""

    def __init__(self, file: Path) -> None:
        self.file = file
        self._handler = logging.handlers.RotatingFileHandler(
            file, maxBytes=LOG_BYTES, backupCount=LOGS_KEPT, encoding="utf-8", errors="replace", delay=True
        )

    def pipe(self) -> int:
        """Descriptor to write to; lines that come are kept until it is closed everywhere."""
        self.file.parent.mkdir(parents=True, exist_ok=True)
        read, write = os.pipe()
        threading.Thread(target=self._keep, args=(read,), daemon=True).start()
        return write

    def _keep(self, read: int) -> None:
        with os.fdopen(read, encoding="utf-8", errors="replace") as lines:
            for said in lines:
                self._handler.handle(logging.LogRecord("", 0, "", 0, said.rstrip("\n"), None, None))
        self._handler.close()  # opened again by the next that speaks

    def tail(self, length: int = 600) -> str:
        """Its end."""
        try:
            return self.file.read_text(encoding="utf-8", errors="replace").strip()[-length:]
        except OSError:
            return ""


def start(
    command: Sequence[str],
    log: Log | None,
    *,
    user: str | None = None,
    end_with: signal.Signals = signal.SIGTERM,
    env: Mapping[str, str] | None = None,
    pass_fds: Sequence[int] = (),
    cwd: Path | str = "/",
    stdin: int = subprocess.DEVNULL,
) -> subprocess.Popen[bytes]:
    """Start a process that the kernel ends with a signal when we end; as another user where one is named.

    What it says goes to a log, or where our own words go.
    """
    prefix = ["setpriv", f"--pdeathsig={end_with.name.removeprefix('SIG')}"]
    if user is not None:
        entry = pwd.getpwnam(user)
        prefix += [f"--reuid={entry.pw_uid}", f"--regid={entry.pw_gid}", "--init-groups"]
    write = log.pipe() if log is not None else os.dup(2)
    try:
        return subprocess.Popen(
            [*prefix, "--", *command],
            stdin=stdin,
            stdout=write,
            stderr=write,
            env=env,
            cwd=cwd,
            pass_fds=pass_fds,
            start_new_session=True,
        )
    finally:
        os.close(write)


def end(process: subprocess.Popen[bytes], number: signal.Signals, seconds: float) -> None:
    """End a process by a signal, and for good where it takes too long."""
    if process.poll() is not None:
        return
    process.send_signal(number)
    try:
        process.wait(seconds)
    except subprocess.TimeoutExpired:
        process.kill()
        process.wait()


def works_in(pid: int, folder: Path) -> bool:
    """Whether a process lives and has a folder as its own: a number in a file may be a stranger's by now."""
    try:
        return Path(os.readlink(f"/proc/{pid}/cwd")) == folder.resolve()
    except OSError:
        return False


def end_stranded(pid: int, folder: Path, number: signal.Signals, seconds: float) -> None:
    """End a process that an earlier start left behind in a folder."""
    deadline = time.monotonic() + seconds
    with suppress(ProcessLookupError):
        os.kill(pid, number)
        while works_in(pid, folder) and time.monotonic() < deadline:
            time.sleep(0.05)
        if works_in(pid, folder):
            os.kill(pid, signal.SIGKILL)
