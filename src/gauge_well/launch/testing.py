"""``./gw test``: set up, check style and types, run the tests."""

from __future__ import annotations

import os
import subprocess
import tempfile
import time
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path

from gauge_well.launch import say, setup
from gauge_well.launch.cluster import Cluster
from gauge_well.launch.places import PYTHON, ROOT, environment


def _suite(arguments: list[str], extra: dict[str, str]) -> int:
    command = [str(PYTHON), "-W", "error", "-m", "tests", *arguments]
    return subprocess.run(command, cwd=ROOT, env=environment() | extra, check=False).returncode


@contextmanager
def _server() -> Iterator[dict[str, str]]:
    """A database server for tests alone, gone afterwards; what tells them of it."""
    folder = Path(tempfile.mkdtemp(prefix="gauge-well-test-"))
    folder.chmod(0o755)
    cluster = Cluster(folder / "state", durable=False)
    try:
        cluster.make()
        yield {"GAUGE_WELL_TEST_SERVER": cluster.start()}
    finally:
        cluster.remove()
        if folder.exists():
            os.rmdir(folder)


def fuzz(arguments: list[str]) -> int:
    """Calls and sheets at random, for as long as asked."""
    setup.everything(dev=True, browser=False, pages=False)
    with _server() as extra:
        command = [str(PYTHON), "-W", "error", "-m", "tests.fuzzing", *arguments]
        return subprocess.run(command, cwd=ROOT, env=environment() | extra, check=False).returncode


def run_tests(fast: bool, names: list[str]) -> int:
    """Everything, or with ``fast`` what needs neither database nor browser."""
    began = time.monotonic()
    setup.everything(dev=True, browser=not fast, database=not fast, pages=not fast)
    say.line(f"  Set up in {time.monotonic() - began:.0f} s")
    asked = [*(["--fast"] if fast else []), *(names or ["--checks"])]
    if fast:
        return _suite(asked, {})
    with _server() as extra:
        return _suite(asked, extra)
