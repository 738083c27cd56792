"""Runs the tests and the checks; closes with one line of counts.

``python -m tests [--fast] [--checks] [name ...]``: with ``--fast`` the folders that need neither database nor
browser, with ``--checks`` style and types besides; names of modules, classes or tests narrow it to those.
"""

from __future__ import annotations

import sys
import time
from collections.abc import Sequence
from dataclasses import replace
from pathlib import Path

from gauge_well.launch import setup
from tests.runner import Check, Module, run_all

HERE = Path(__file__).parent
SLOW = ("store", "services", "web", "cli", "launch", "browser")


def modules_of(fast: bool, names: Sequence[str]) -> list[Module]:
    """What is run: each file of tests there is, or those that ``names`` speak of.

    Every file is run whole and must hold a test: nothing has to be listed anywhere to be found.
    """
    files = sorted(HERE.rglob("test_*.py"))
    found = [Module(".".join(file.relative_to(HERE.parent).with_suffix("").parts)) for file in files]
    if not names:
        return [m for m in found if not (fast and m.stage in SLOW)]
    asked = [replace(m, names=tuple(m.asked(names))) for m in found if m.asked(names)]
    for name in names:
        if not any(m.asked([name]) for m in found):
            raise SystemExit(f"There are no tests called {name}.")
    return asked


def checks(fast: bool) -> list[Check]:
    """Style and types; the pages' too unless ``fast``."""
    python, root = sys.executable, str(HERE.parent)
    listed = [
        Check("types (mypy)", (python, "-m", "mypy"), root),
        Check("style (ruff)", (python, "-m", "ruff", "check", "."), root),
    ]
    if fast:
        return listed
    pages = str(HERE.parent / "frontend")
    return listed + [
        Check(f"{what} ({tool})", (setup.node_packages(), "run", "--silent", script), pages)
        for what, tool, script in (
            ("page style", "eslint", "lint"),
            ("page types", "vue-tsc", "types"),
            ("page logic", "vitest", "unit"),
        )
    ]


def main(arguments: list[str]) -> int:
    """Run and report; 0 when every test and check passed."""
    fast = "--fast" in arguments
    names = [a for a in arguments if not a.startswith("-")]
    began = time.monotonic()
    work: list[Module | Check] = [*modules_of(fast, names)]
    if "--checks" in arguments:
        work += checks(fast)
    tally = run_all(work, lambda text: print(text, flush=True))
    tally.report(time.monotonic() - began)
    return 0 if tally.passed and not tally.failed else 1


if __name__ == "__main__":
    sys.exit(main(sys.argv[1:]))
