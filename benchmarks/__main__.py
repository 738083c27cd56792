"""``./gw speed``: all benchmarks, one table."""

from __future__ import annotations

import os
import platform

from benchmarks.certainty import certainty
from benchmarks.cooling import cooling
from benchmarks.core import belts, builds, core_points, geometry
from benchmarks.counts import counted, counts
from benchmarks.fit import fit
from benchmarks.fuel import fuel
from benchmarks.mounts import mounts
from benchmarks.pages import delays, sizes
from benchmarks.readings import readings
from benchmarks.start import start
from benchmarks.timing import table
from benchmarks.web import big_shelf, size_over_http, starvation, twenty_users
from benchmarks.work import work


def main() -> None:
    """Measure and print."""
    print(f"Python {platform.python_version()}, {os.cpu_count()} cores, {platform.machine()}\n")
    print(counted([*counts(), *sizes()]), end="\n\n")
    core = (
        *builds(),
        *core_points(),
        *geometry(),
        *belts(),
        *certainty(),
        *cooling(),
        *fuel(),
        *fit(),
        *mounts(),
        *work(),
        *start(),
        *readings(),
    )
    print(table([*core, *size_over_http(), *big_shelf(), *twenty_users(), *starvation(), *delays()]))


if __name__ == "__main__":
    main()
