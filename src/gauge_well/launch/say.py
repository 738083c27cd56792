"""What the launcher tells: short lines, progress on long steps, plain failures."""

from __future__ import annotations

import subprocess
import sys
import tempfile
import time
from collections.abc import Mapping, Sequence
from pathlib import Path


class Stop(Exception):
    """Something the person at the keyboard must put right; ``advice`` says how."""

    def __init__(self, what: str, advice: str = "", code: int = 2) -> None:
        super().__init__(what)
        self.what, self.advice, self.code = what, advice, code


def line(text: str) -> None:
    """Print a line at once."""
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
    live = sys.stdout.isatty()
    with tempfile.TemporaryFile("w+", errors="replace") as output:
        process = subprocess.Popen(command, cwd=cwd, env=env, stdout=output, stderr=subprocess.STDOUT)
        if not live:
            line(f"  {what} ...")
        try:
            while True:
                try:
                    code = process.wait(timeout=0.5)
                    break
                except subprocess.TimeoutExpired:
                    if live:
                        print(f"\r  {what} ... {time.monotonic() - started:.0f} s", end="", flush=True)
        except BaseException:
            process.terminate()
            raise
        seconds = time.monotonic() - started
        if live:
            print(f"\r  {what}: {seconds:.0f} s      ", flush=True)
        if code != 0:
            output.seek(0)
            tail = output.read()[-4000:]
            line(tail.rstrip())
            raise Stop(f"{what} failed (exit {code}).", advice)
