"""``./gw speed``: all benchmarks, one table."""

from __future__ import annotations

import os
import platform

from benchmarks.core import builds, core_points, geometry
from benchmarks.timing import table
from benchmarks.web import size_over_http


def main() -> None:
    """Measure and print."""
    print(f"Python {platform.python_version()}, {os.cpu_count()} cores, {platform.machine()}\n")
    print(table([*builds(), *core_points(), *geometry(), *size_over_http()]))


if __name__ == "__main__":
    main()
