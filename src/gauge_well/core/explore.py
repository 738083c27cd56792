"""Reach: how much power each check stands, found by running the model again."""

from __future__ import annotations

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass
from functools import lru_cache

import numpy as np

from gauge_well.core.checks import FILL_MAX, Check, Scales
from gauge_well.core.engine.model import Operation
from gauge_well.core.systems.base import Context, points
from gauge_well.core.typing import Array, clip

SCAN = np.geomspace(0.1, 4.0, 9)
REFINEMENTS = 6
TOLERANCE = 1e-3  # on ln fill


@dataclass(frozen=True)
class Reach:
    """Power factor at the brim: ``factor`` times the base power, or a code at the ends."""

    code: str  # value, above, below
    factor: float | None


def at_factors(context: Context, factors: Array) -> tuple[Operation, Operation]:
    """Both operating points with the power scaled, factors on the power axis or on all three.

    Power-driven duties: the wanted power is scaled. Load-driven duties: the power asked is scaled at
    that engine speed, the wanted power stays. Held: speeds, friction, lambda, rated BSFC.
    """
    f = np.asarray(factors, dtype=float)
    f = f.reshape(-1, 1, 1) if f.ndim == 1 else f
    duties = context.duties
    driven = np.array(duties.power_driven)[None, :, None]
    wanted = np.where(driven, context.wanted * f, context.wanted)
    return points(context.engine, duties, wanted, f)


@lru_cache(maxsize=4)
def _scanned(context: Context) -> tuple[Operation, Operation]:
    """The scan's operating points, kept while changes of one build are compared."""
    return at_factors(context, SCAN)


Judge = Callable[[Operation, Operation], Sequence[Check]]


ReachKey = tuple[str, int, int]  # system, check, duty


def _fills(judges: Mapping[str, Judge], context: Context, factors: Array) -> dict[tuple[str, int], Array]:
    """Fill of each check that power can change, (factor, duty)."""
    mean, peak = _scanned(context) if factors is SCAN else at_factors(context, factors)
    return {
        (id, i): np.broadcast_to(check.fill, np.broadcast_shapes(check.fill.shape, mean.power.shape))[..., 0]
        for id, judge in judges.items()
        for i, check in enumerate(judge(mean, peak))
        if check.scales is not Scales.GATE
    }


def _first_guess(x: Array, g: Array, i: int) -> float:
    """Where ``g`` is nought between points i and i + 1: inverse quadratic through a third point, the
    chord where that leaves the bracket."""
    k = i - 1 if i > 0 else i + 2
    points = (i, i + 1, k)
    guess = 0.0
    for n in points:
        others = [m for m in points if m != n]
        weights = [(g[n] - g[m]) or 1e-300 for m in others]
        guess += x[n] * g[others[0]] * g[others[1]] / (weights[0] * weights[1])
    if x[i] < guess < x[i + 1]:
        return float(guess)
    return float(x[i] - g[i] * (x[i + 1] - x[i]) / (g[i + 1] - g[i]))


def reaches(judges: Mapping[str, Judge], context: Context) -> dict[ReachKey, Reach]:
    """Lowest up-crossing of the brim for each check and duty of all systems.

    Scan nine log-spaced powers from 0.1 to 4 times, then refine ln fill against ln power by
    bracketed regula falsi, all pairs at once.
    """
    found: dict[ReachKey, Reach] = {}
    pairs: list[ReachKey] = []
    ends: list[tuple[float, float, float, float, float]] = []
    x = np.log(SCAN)
    for (system, check), fills in _fills(judges, context, SCAN).items():
        for duty in range(len(context.duties.cases)):
            g = np.log(clip(fills[:, duty], 1e-9, FILL_MAX))
            up = np.flatnonzero((g[:-1] <= 0.0) & (g[1:] > 0.0))
            if g[0] > 0.0 or not up.size:
                found[system, check, duty] = Reach("below" if g[0] > 0.0 else "above", None)
                continue
            i = int(up[0])
            pairs.append((system, check, duty))
            ends.append((x[i], x[i + 1], g[i], g[i + 1], _first_guess(x, g, i)))
    if not pairs:
        return found
    a, b, ga, gb, middle = np.array(ends).T
    last = np.full(a.shape, 2)
    done = np.zeros(a.shape, dtype=bool)
    for step in range(REFINEMENTS):
        if step:
            # One that has converged stays, so that no pair's answer hangs on which others are sought with it.
            middle = np.where(done, middle, a - ga * (b - a) / (gb - ga))
        fill_at = _fills(judges, context, np.exp(middle))
        g = np.log(np.maximum([fill_at[s, c][r, d] for r, (s, c, d) in enumerate(pairs)], 1e-9))
        done |= np.abs(g) < TOLERANCE
        if done.all():
            break
        # Illinois: halve the weight of an end that is kept twice running.
        over = g > 0.0
        again = np.where(over == last, 0.5, 1.0)
        ga, gb, last = np.where(over, ga * again, g), np.where(over, g, gb * again), over
        a, b = np.where(over, a, middle), np.where(over, middle, b)
    for pair, value in zip(pairs, middle, strict=True):
        found[pair] = Reach("value", float(np.exp(value)))
    return found
