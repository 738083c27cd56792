"""Runs the tests and closes with one line of counts.

``python -m tests [--fast] [module ...]``: with ``--fast`` the folders that need neither database nor
browser.
"""

from __future__ import annotations

import sys
import unittest
from pathlib import Path

HERE = Path(__file__).parent
SLOW = ("store", "services", "web", "cli", "launch", "browser")


def suites(fast: bool, names: list[str]) -> unittest.TestSuite:
    """Tests asked for; every folder otherwise."""
    loader = unittest.TestLoader()
    if names:
        return loader.loadTestsFromNames(names)
    suite = unittest.TestSuite()
    for folder in sorted(p for p in HERE.iterdir() if (p / "__init__.py").exists()):
        if not (fast and folder.name in SLOW):
            suite.addTests(loader.discover(str(folder), top_level_dir=str(HERE.parent)))
    return suite


def main(arguments: list[str]) -> int:
    """Run and report; 0 when every test passed."""
    fast = "--fast" in arguments
    names = [a for a in arguments if not a.startswith("-")]
    result = unittest.TextTestRunner(verbosity=1, warnings="error").run(suites(fast, names))
    failed = len(result.failures) + len(result.errors) + len(result.unexpectedSuccesses)
    passed = result.testsRun - failed - len(result.skipped)
    skipped = f", {len(result.skipped)} skipped" if result.skipped else ""
    print(f"{passed} passed, {failed} failed{skipped}", flush=True)
    return 0 if result.wasSuccessful() and result.testsRun else 1


sys.exit(main(sys.argv[1:]))
