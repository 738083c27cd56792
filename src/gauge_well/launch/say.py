"""What the launcher tells: short lines, progress on long steps, plain failures. Answers alone go to standard output."""

from __future__ import annotations

import os
import signal
import subprocess
import sys
import tempfile
import time
from collections.abc import Mapping, Sequence
from contextlib import suppress
from pathlib import Path


class Stop(Exception):
    """Something the person at the keyboard must put right; ``advice`` says how."""

    def __init__(self, what: str, advice: str = "", code: int = 2) -> None:
        super().__init__(what)
        self.what, self.advice, self.code = what, advice, code


def line(text: str) -> None:
    """Tell a line at once; a terminal that was closed hears nothing."""
    with suppress(OSError):
        print(text, file=sys.stderr, flush=True)


def answer(text: str) -> None:
    """Print what was asked for."""
    with suppress(OSError):
        print(text, flush=True)


def run(
    what: str,
    command: Sequence[str],
    *,
    cwd: Path | None = None,
    env: Mapping[str, str] | None = None,
    advice: str = "",
) -> None:
    """Run a long step, with its seconds shown; its own output only when it fails."""
    started = time.monotonic()
    live = sys.stderr.isatty()
    with tempfile.TemporaryFile("w+", errors="replace") as output:
        # A group of its own: broken off, the step ends with all that it started.
        process = subprocess.Popen(
            command, cwd=cwd, env=env, stdout=output, stderr=subprocess.STDOUT, start_new_session=True
        )
        if not live:
            line(f"  {what} ...")
        try:
            while True:
                try:
                    code = process.wait(timeout=0.5)
                    break
                except subprocess.TimeoutExpired:
                    if live:
                        _over(f"  {what} ... {time.monotonic() - started:.0f} s")
        except BaseException:
            with suppress(ProcessLookupError):
                os.killpg(process.pid, signal.SIGTERM)
            process.wait()
            raise
        seconds = time.monotonic() - started
        if live:
            _over(f"  {what}: {seconds:.0f} s      \n")
        if code != 0:
            output.seek(0)
            tail = output.read()[-4000:]
            line(tail.rstrip())
            raise Stop(f"{what} failed (exit {code}).", advice)


def _over(text: str) -> None:
    with suppress(OSError):
        print("\r" + text, end="", file=sys.stderr, flush=True)
