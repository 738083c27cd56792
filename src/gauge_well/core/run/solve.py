"""Solve for one fact: the values of it at which the wanted power holds, likely or surely."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace

import numpy as np
from numpy.typing import NDArray

from gauge_well.core.case import BuildCase, fact_at, with_value
from gauge_well.core.errors import CoreError
from gauge_well.core.facts import Spec
from gauge_well.core.run.bands import HIGH
from gauge_well.core.run.runs import Key, Limit, Run, percentile, run
from gauge_well.core.run.sampling import SAMPLES_LIVE, Drawn, draw
from gauge_well.core.systems import SYSTEMS
from gauge_well.core.tolerance import Known, row_of
from gauge_well.core.typing import Array

GRID = 64
WIDE = 8.0  # times the value, either way, that is searched
CHANGES = 1e-4  # of a fill, below which a fact does not touch a limit
SURE_STEPS = 8
SURE_RATIO = 3.0  # beyond the likely end that a sure one is looked for


@dataclass(frozen=True)
class End:
    """One end of what holds: the value, and the limit that gives out beyond it; None at the search's end."""

    value: float
    gives: Key | None


@dataclass(frozen=True)
class Holds:
    """Values of a fact at which every limit it touches holds.

    ``low`` and ``high`` None where nothing searched holds. ``sure_low``, ``sure_high``: with tolerance, the
    95th percentile of each of those limits at the brim. ``touches`` are the limits the fact changes,
    ``stuck`` those over the brim that it does not.
    """

    low: End | None
    high: End | None
    sure_low: float | None
    sure_high: float | None
    touches: Sequence[Key]
    stuck: Sequence[Key]


def value_of(case: BuildCase, path: str) -> float | None:
    """One fact of a case, None where it is not given."""
    value = fact_at(case, path)
    return None if value is None else float(value)


def search_range(spec: Spec, now: float | None) -> tuple[float, float]:
    """What is searched: eight times either way of what there is, within the field's range."""
    if now is None or now == 0.0:
        return spec.low, spec.high
    a, b = sorted((now / WIDE, now * WIDE))
    return max(spec.low, a), min(spec.high, b)


def _grid(spec: Spec, low: float, high: float, points: int = GRID) -> Array:
    if spec.kind == "count":
        return np.arange(np.ceil(low), np.floor(high) + 1.0)[:points]
    return np.geomspace(low, high, points) if low > 0.0 else np.linspace(low, high, points)


def _pass(case: BuildCase, path: str, values: Array) -> Run:
    """One pass over trial values, which stand where samples do behind the value there is.

    What is decided once for all of them is decided for the build as it stands.
    """
    now = value_of(case, path)
    first = values[values.size // 2] if now is None else now
    trial = with_value(case, path, np.concatenate([[first], values]))
    return run(Drawn(replace(trial, wanted=wanted_of(case)), values.size, {}, {}))


def _allowed(case: BuildCase, path: str, values: Array) -> NDArray[np.bool_]:
    """Which values no system refuses outright (a well as long as its pan)."""

    def refused(value: float) -> bool:
        trial = with_value(case, path, value)
        try:
            for id, system in SYSTEMS.items():
                if id == path.split(".")[0]:
                    system.refuse(trial.systems[id])
        except CoreError:
            return True
        return False

    if not refused(float(values[0])) and not refused(float(values[-1])):
        return np.ones(values.size, dtype=bool)
    return np.array([not refused(float(v)) for v in values])


def wanted_of(case: BuildCase) -> float | None:
    """What is wanted of it [W]: as stated, else its engine's rated power."""
    rated = case.engine.rated_power
    return case.wanted if case.wanted is not None else None if rated is None else float(rated)


def _touched(limits: Sequence[Limit]) -> list[Limit]:
    return [x for x in limits if float(np.ptp(np.minimum(x.fill[1:], 3.0))) > CHANGES]


def _intervals(holds: NDArray[np.bool_]) -> tuple[int, int] | None:
    """Longest run of True: first and last index."""
    best: tuple[int, int] | None = None
    start = None
    for i, ok in enumerate([*holds.tolist(), False]):
        if ok and start is None:
            start = i
        elif not ok and start is not None:
            if best is None or i - 1 - start > best[1] - best[0]:
                best = (start, i - 1)
            start = None
    return best


def solve_for(case: BuildCase, path: str, spec: Spec, *, sure: bool = True) -> Holds:
    """Find the values of one fact at which all the limits it touches hold.

    Parameters
    ----------
    case : BuildCase
        A fact not given is searched over its field's whole range.
    path : str
        Dotted, of a quantity.
    spec : Spec
    sure : bool
        Also find where they hold with tolerance.

    Notes
    -----
    A row of trial values stands where samples do, so that one pass works them all; each end is then
    closed in on with a second row. Rule-filled values stay what they are for the build as it stands.
    """
    low, high = search_range(spec, value_of(case, path))
    grid = _grid(spec, low, high)
    found = _pass(case, path, grid)
    touched = _touched(found.limits)
    # What no value of this fact brings under the brim waits for something else.
    keys = [x.key for x in touched if bool((x.fill[1:] <= 1.0).any())]
    touched = [x for x in touched if x.key in keys]
    stuck = [x.key for x in found.limits if x.key not in keys and bool((x.fill[1:] > 1.0).all())]
    if not touched:
        return Holds(None, None, None, None, [], stuck)
    holds = np.all([x.fill[1:] <= 1.0 for x in touched], axis=0) & _allowed(case, path, grid)
    span = _intervals(holds)
    if span is None:
        return Holds(None, None, None, None, keys, stuck)
    first, last = span
    lower = _close(case, path, spec, keys, grid, first, first - 1)
    upper = _close(case, path, spec, keys, grid, last, last + 1)
    ends = (None, None) if not sure else _sure(case, path, spec, keys, lower, upper)
    return Holds(lower, upper, ends[0], ends[1], keys, stuck)


def _close(case: BuildCase, path: str, spec: Spec, keys: Sequence[Key], grid: Array, inside: int, outside: int) -> End:
    """Close in on one end between a value that holds and its neighbour that does not."""
    if not 0 <= outside < grid.size:
        return End(float(grid[inside]), None)
    if spec.kind == "count":
        return End(float(grid[inside]), _worst(_pass(case, path, grid), keys, outside))
    a, b = float(grid[inside]), float(grid[outside])
    gives: Key | None = None
    for _ in range(2):
        row = np.linspace(a, b, GRID)
        found = _pass(case, path, row)
        can = _allowed(case, path, row)
        ok = np.all([x.fill[1:] <= 1.0 for x in found.limits if x.key in keys], axis=0) & can
        step = int(np.argmin(ok)) if not ok.all() else row.size - 1
        gives = _worst(found, keys, step) if can[step] else None
        a, b = float(row[max(step - 1, 0)]), float(row[step])
    return End(a, gives)


def _worst(found: Run, keys: Sequence[Key], at: int) -> Key:
    return max((x for x in found.limits if x.key in keys), key=lambda x: float(x.fill[1 + at])).key


def _sure(
    case: BuildCase, path: str, spec: Spec, keys: Sequence[Key], lower: End, upper: End
) -> tuple[float | None, float | None]:
    """Ends with tolerance: by halving from the likely end towards the middle of what holds."""
    known = case.known.get(path) or Known("sheet")
    case = replace(case, known={**case.known, path: known})

    def holds(value: float) -> bool:
        found = run(draw(with_value(case, path, value), SAMPLES_LIVE))
        return all(percentile(x.fill[1:], HIGH) <= 1.0 for x in found.limits if x.key in keys)

    ratio = row_of(spec).ratio and lower.value > 0.0
    inner = min(upper.value, lower.value * SURE_RATIO) if ratio else upper.value
    middle = float(np.sqrt(inner * lower.value)) if ratio else 0.5 * (inner + lower.value)
    ends: list[float | None] = []
    for end, far in ((lower, inner), (upper, max(lower.value, upper.value / SURE_RATIO) if ratio else lower.value)):
        # An end that nothing sets needs no surety of its own.
        start = end.value
        good = start if holds(start) else next((v for v in (middle, far) if holds(v)), None)
        if good is None or good == start:
            ends.append(good)
            continue
        bad = start
        for _ in range(SURE_STEPS):
            half = float(np.sqrt(good * bad)) if ratio else 0.5 * (good + bad)
            good, bad = (half, bad) if holds(half) else (good, half)
        ends.append(good)
    return ends[0], ends[1]
