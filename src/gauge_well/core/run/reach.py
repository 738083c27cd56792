"""Reach: how much power each check stands, found by running the model again."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import TYPE_CHECKING

import numpy as np

from gauge_well.core.checks import FILL_MAX, Scales
from gauge_well.core.engine.model import Operation
from gauge_well.core.systems.base import Context, points
from gauge_well.core.typing import Array, clip

if TYPE_CHECKING:
    from gauge_well.core.run.solved import Solved

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


def _scanned(context: Context) -> tuple[Operation, Operation]:
    """The scan's operating points, kept with the engine's operation."""
    return context.remember("scan", (context.mean, context.peak), lambda: at_factors(context, SCAN))


ReachKey = tuple[int, int, int]  # which of those sought together, check, duty


def _fills(sought: Sequence[Solved], context: Context, factors: Array) -> dict[tuple[int, int], Array]:
    """Fill of each check that power can change, (factor, duty)."""
    mean, peak = _scanned(context) if factors is SCAN else at_factors(context, factors)
    return {
        (n, i): np.broadcast_to(check.fill, np.broadcast_shapes(check.fill.shape, mean.power.shape))[..., 0]
        for n, solved in enumerate(sought)
        for i, check in enumerate(solved.result.checks(mean, peak))
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


def seek(systems: Sequence[Solved], context: Context) -> None:
    """Leave with each system the reach of every check in every duty, where it is not there yet; all at once."""
    sought = [solved for solved in systems if solved.reach is None]
    found: list[dict[tuple[int, int], Reach]] = [{} for _ in sought]
    for (n, check, duty), reach in (_reaches(sought, context) if sought else {}).items():
        found[n][check, duty] = reach
    for solved, own in zip(sought, found, strict=True):
        solved.reach = own


def _reaches(sought: Sequence[Solved], context: Context) -> dict[ReachKey, Reach]:
    """Lowest up-crossing of the brim for each check and duty.

    Scan nine log-spaced powers from 0.1 to 4 times, then refine ln fill against ln power by
    bracketed regula falsi, all pairs at once.
    """
    found: dict[ReachKey, Reach] = {}
    pairs: list[ReachKey] = []
    ends: list[tuple[float, float, float, float, float]] = []
    x = np.log(SCAN)
    for (which, check), fills in _fills(sought, context, SCAN).items():
        for duty in range(len(context.duties.cases)):
            g = np.log(clip(fills[:, duty], 1e-9, FILL_MAX))
            up = np.flatnonzero((g[:-1] <= 0.0) & (g[1:] > 0.0))
            if g[0] > 0.0 or not up.size:
                found[which, check, duty] = Reach("below" if g[0] > 0.0 else "above", None)
                continue
            i = int(up[0])
            pairs.append((which, check, duty))
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
        fill_at = _fills(sought, context, np.exp(middle))
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
