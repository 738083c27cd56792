"""Medians of repeated calls, and one table of them."""

from __future__ import annotations

import statistics
import time
from collections.abc import Callable
from dataclasses import dataclass

from gauge_well.core.run.memory import ANSWERS, MEMORY

WARM_UP = 5


@dataclass(frozen=True)
class Line:
    """One measurement: median seconds of a call, its target and what it is compared with."""

    name: str
    seconds: float
    spread: float
    target: float | None = None
    reference: float | None = None


def median(name: str, call: Callable[[], object], *, repeats: int = 40, target: float | None = None) -> Line:
    """Median of ``repeats`` calls after a warm-up, nothing of one remembered in the next; spread is the upper quartile
    less the lower."""
    for _ in range(WARM_UP):
        call()
    seconds = []
    for _ in range(repeats):
        MEMORY.forget()
        ANSWERS.forget()
        started = time.perf_counter()
        call()
        seconds.append(time.perf_counter() - started)
    low, middle, high = statistics.quantiles(seconds, n=4)
    return Line(name, middle, high - low, target)


def against(line: Line, reference: Line, times: float = 1.0) -> Line:
    """The line with the time another way would take for the same work."""
    return Line(line.name, line.seconds, line.spread, line.target, reference.seconds * times)


def table(lines: list[Line]) -> str:
    """Lines as a table for people."""
    rows = [f"{'what':52} {'median':>9} {'quartiles':>10} {'target':>9} {'reference':>11} {'ratio':>8}"]
    for line in lines:
        target = f"{1e3 * line.target:.0f} ms" if line.target else ""
        if line.target:
            target += " ok" if line.seconds <= line.target else " OVER"
        reference = f"{1e3 * line.reference:.1f} ms" if line.reference else ""
        ratio = f"{line.reference / line.seconds:.0f} x" if line.reference else ""
        spread = f"{1e3 * line.spread:.1f} ms"
        rows.append(f"{line.name:52} {1e3 * line.seconds:6.1f} ms {spread:>10} {target:>9} {reference:>11} {ratio:>8}")
    return "\n".join(rows)
