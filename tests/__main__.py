"""Runs the tests and the checks; closes with one line of counts.

``python -m tests [--fast] [--checks] [name ...]``: with ``--fast`` the folders that need neither database nor
browser, with ``--checks`` style and types besides; names of modules, classes or tests narrow it to those.
"""

from __future__ import annotations

import sys
import time
import unittest
from collections.abc import Iterator, Sequence
from pathlib import Path

from gauge_well.launch import setup
from tests.runner import Check, Module, each, run_all

HERE = Path(__file__).parent
SLOW = ("store", "services", "web", "cli", "launch", "browser")


def found(names: Sequence[str] = ()) -> dict[str, list[str]]:
    """Ids of all tests there are under ``tests``, by module; with ``names`` those at or under one of them."""
    loader = unittest.TestLoader()
    suite = loader.discover(str(HERE), top_level_dir=str(HERE.parent))
    if loader.errors:
        raise SystemExit("\n".join(str(error) for error in loader.errors))
    modules: dict[str, list[str]] = {}
    for test in each(suite):
        if not names or any(f"{test.id()}.".startswith(f"{name}.") for name in names):
            modules.setdefault(type(test).__module__, []).append(test.id())
    return modules


def units(fast: bool, names: Sequence[str]) -> Iterator[Module]:
    """What is run, a module each."""
    for module, tests in found(names).items():
        folder = module.split(".")[1]
        if names:
            yield Module(module, len(tests), tuple(tests))
        elif not (fast and folder in SLOW):
            yield Module(module, len(tests), (module,))


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
    work: list[Module | Check] = [*units(fast, names)]
    if "--checks" in arguments:
        work += checks(fast)
    tally = run_all(work, lambda text: print(text, flush=True))
    tally.report(time.monotonic() - began)
    return 0 if tally.passed and not tally.failed else 1


if __name__ == "__main__":
    sys.exit(main(sys.argv[1:]))
