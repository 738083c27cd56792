"""``./gw test``: set up, check style and types, run the tests."""

from __future__ import annotations

import os
import subprocess
import tempfile
from pathlib import Path

from gauge_well.launch import say, setup
from gauge_well.launch.cluster import Cluster
from gauge_well.launch.places import PYTHON, ROOT, environment


def _checks(fast: bool) -> None:
    python = str(PYTHON)
    say.run("Style (ruff)", [python, "-m", "ruff", "check", "."], cwd=ROOT)
    say.run("Types (mypy)", [python, "-m", "mypy"], cwd=ROOT, env=environment())
    if not fast:
        npm = setup.node_packages()
        for what, script in (
            ("Page style (eslint)", "lint"),
            ("Page types (vue-tsc)", "types"),
            ("Page logic (vitest)", "unit"),
        ):
            say.run(what, [npm, "run", "--silent", script], cwd=ROOT / "frontend")


def _suite(arguments: list[str], extra: dict[str, str]) -> int:
    command = [str(PYTHON), "-W", "error", "-m", "tests", *arguments]
    return subprocess.run(command, cwd=ROOT, env=environment() | extra, check=False).returncode


def run_tests(fast: bool, names: list[str]) -> int:
    """Everything, or with ``fast`` what needs neither database nor browser."""
    setup.everything(dev=True, browser=not fast, database=not fast, pages=not fast)
    if not names:
        _checks(fast)
    if fast:
        return _suite(["--fast", *names], {})
    folder = Path(tempfile.mkdtemp(prefix="gauge-well-test-"))
    folder.chmod(0o755)
    cluster = Cluster(folder / "state", durable=False)
    try:
        cluster.make()
        return _suite(names, {"GAUGE_WELL_TEST_SERVER": cluster.start()})
    finally:
        cluster.remove()
        if folder.exists():
            os.rmdir(folder)
