"""From readings to causes: a Student likelihood in which gauges of one quantity share the model's doubt, and the next
check by what it tells."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np
from scipy.special import gammaln

from gauge_well.core.start.faults.cause import SOUND, Effort, Foretold
from gauge_well.core.typing import Array

TAILS = 5.0  # degrees of freedom: a reading in ten is worse than its gauge's word (lange1989)
NODES = 801
REACH, CLOSE = 9.0, 4.0  # scales on either side of what is foretold that are summed over, and closely
A_MINUTE = 0.02  # bits that a minute of work has to tell (common practice)
WORTH = 0.75  # of the best check's worth from which one that takes nothing but a look goes first (common practice)
DANGER_TELLS = 0.4  # of the best check's worth, from which any safe one goes before one that can hurt
LEAST = 1e-6  # chance of a variant under which it tells nothing
STRANGE = 3.0  # scales off, from which a reading is not explained

Readings = Mapping[str, float | str]


@dataclass(frozen=True)
class Belief:
    """What is believed of the causes after some readings.

    ``variant`` (variant,): chances; ``cause`` (cause,); ``explained``: whether at least one cause, at some size, comes
    within three scales of every reading.
    """

    variant: Array
    cause: Array
    explained: bool

    def ranked(self) -> list[int]:
        """Causes, the likeliest first."""
        return [int(at) for at in np.argsort(-self.cause, kind="stable")]


def _taken(field: Foretold, readings: Readings) -> tuple[list[int], Array, list[tuple[int, int]]]:
    """Places of the gauges read, what they read, and (check, outcome) of what was seen.

    Raises
    ------
    KeyError
        For a check there is none of.
    ValueError
        For an outcome that a check does not have.
    """
    gauges, values, seen = [], [], []
    for id, value in readings.items():
        at = field.at(id)
        if isinstance(value, str):
            seen.append((at, field.checks[at].outcomes.index(value)))
        else:
            gauges.append(at)
            values.append(value)
    return gauges, np.array(values, dtype=np.float64), seen


def _log_t(squared: Array, log_det: Array, size: int, tails: Array | float) -> Array:
    """Log density of a multivariate Student-t at a squared distance, its scale's log determinant given."""
    half = 0.5 * (tails + size)
    return np.asarray(
        gammaln(half)
        - gammaln(0.5 * np.asarray(tails))
        - 0.5 * size * np.log(tails * np.pi)
        - 0.5 * log_det
        - half * np.log1p(squared / tails)
    )


def believe(field: Foretold, readings: Readings) -> Belief:
    """Bayes over the variants.

    ``log p = log t_5(y; mean, spread) + sum log chance`` of what was seen. Where nothing is read the prior stands.
    """
    gauges, values, seen = _taken(field, readings)
    log = np.log(field.prior)
    worst = np.zeros(field.prior.size)
    if gauges:
        away = values - field.mean[:, gauges]
        own = field.spread[:, gauges][:, :, gauges]
        squared = np.einsum("vi,vi->v", away, np.linalg.solve(own, away[..., None])[..., 0])
        log = log + _log_t(squared, np.linalg.slogdet(own)[1], len(gauges), TAILS)
        worst = np.max(np.abs(away) / np.sqrt(np.diagonal(own, axis1=1, axis2=2)), axis=1)
    for at, outcome in seen:
        log = log + np.log(field.chance[:, at, outcome])
    chances = np.exp(log - log.max())
    chances = chances / chances.sum()
    return Belief(chances, field.by_cause(chances), bool(np.min(worst) <= STRANGE))


def entropy(chances: Array) -> Array:
    """Bits of doubt in chances on the first axis."""
    safe = np.where(chances > 0.0, chances, 1.0)
    return np.asarray(-np.sum(chances * np.log2(safe), axis=0))


def _predicted(field: Foretold, readings: Readings, at: int) -> tuple[Array, Array, float]:
    """Middle, scale (variant,) and tails of what a gauge will read, given what others did: the t's own conditional."""
    gauges, values, _ = _taken(field, readings)
    middle, scale = field.mean[:, at], field.spread[:, at, at]
    if not gauges:
        return middle, np.sqrt(scale), TAILS
    away = values - field.mean[:, gauges]
    own = field.spread[:, gauges][:, :, gauges]
    across = field.spread[:, gauges][:, :, at]
    weights = np.linalg.solve(own, across[..., None])[..., 0]
    squared = np.einsum("vi,vi->v", away, np.linalg.solve(own, away[..., None])[..., 0])
    left = np.maximum(scale - np.einsum("vi,vi->v", across, weights), 1e-12 * scale)
    tails = TAILS + len(gauges)
    wider = (TAILS + squared) / tails
    return middle + np.einsum("vi,vi->v", weights, away), np.sqrt(wider * left), tails


def predicted(field: Foretold, readings: Readings, at: int) -> tuple[Array, Array]:
    """Middle and scale of what a gauge will read of each variant (variant,), given what others did."""
    middle, scale, _ = _predicted(field, readings, at)
    return middle, scale


def information(field: Foretold, readings: Readings, belief: Belief, at: int) -> float:
    """Bits that a check is expected to tell of the causes: doubt now less the mean of doubt after.

    What is read: summed over 801 points by trapezoid. What is seen: over its outcomes.
    """
    check = field.checks[at]
    now = float(entropy(belief.cause))
    if check.outcomes:
        joint = belief.variant[:, None] * field.chance[:, at, : len(check.outcomes)]
        by_cause = field.by_cause(joint)
        whole = by_cause.sum(axis=0)
        return max(now - float(np.sum(whole * entropy(by_cause / np.maximum(whole, 1e-300)))), 0.0)
    middle, scale, tails = _predicted(field, readings, at)
    rows = np.flatnonzero(belief.variant > LEAST)
    middle, scale = middle[rows, None], scale[rows, None]
    low, high = np.min(middle - REACH * scale), np.max(middle + REACH * scale)
    # Half of the points even, half close round what each variant foretells, so that a sharp gauge is not stepped over.
    even = np.linspace(low, high, NODES // 2)
    own = max((NODES - even.size) // rows.size, 3)
    close = middle + scale * CLOSE * np.linspace(-1.0, 1.0, own) ** 3
    y = np.sort(np.concatenate([even, close.ravel()]))
    log = _log_t(((y - middle) / scale) ** 2, 2.0 * np.log(scale), 1, tails)
    by_cause = field.members[:, rows] @ (belief.variant[rows, None] * np.exp(log))
    whole = by_cause.sum(axis=0)
    after = entropy(by_cause / np.maximum(whole, 1e-300))
    mass = np.trapezoid(whole, y)
    return max(now - float(np.trapezoid(whole * after, y) / mass), 0.0)


@dataclass(frozen=True)
class Worth:
    """A check that is left: bits it tells, and those less what its minutes cost; how many of the causes it leaves."""

    check: int
    bits: float
    net: float
    leaves: float


def next_checks(field: Foretold, readings: Readings, belief: Belief, open_to: Sequence[str]) -> list[Worth]:
    """Checks that are left, the next first.

    By bits less .02 a minute. One that takes nothing but a look goes before where it is worth three quarters of the best; one that
    can hurt comes once nothing safe tells much. ``open_to``: what the engine may do while it is looked at.
    """
    found = []
    now = float(entropy(belief.cause))
    for at, check in enumerate(field.checks):
        if check.id in readings or check.when.value not in open_to:
            continue
        bits = information(field, readings, belief, at)
        found.append(Worth(at, bits, bits - A_MINUTE * check.minutes, 2.0 ** (now - bits)))
    best = max((w.net for w in found), default=0.0)

    def order(worth: Worth) -> tuple[int, float]:
        check = field.checks[worth.check]
        first = check.effort is Effort.FREE and worth.net >= WORTH * best
        enough = worth.net >= DANGER_TELLS * best
        turn = 3 if best <= 0.0 or not enough else 2 if check.danger else 0 if first else 1
        return turn, -worth.net

    return sorted(found, key=order)


SHOWS = 2.0  # scales by which the best reading must part a cause from a sound engine (common practice)
RULED_OUT = 0.2  # of its odds against a sound engine that are left, from which a cause counts as ruled out


def _places(field: Foretold) -> tuple[int, int]:
    """Cause and variant of a sound engine."""
    sound = next(at for at, cause in enumerate(field.causes) if cause.id == SOUND)
    return sound, int(np.flatnonzero(field.cause == sound)[0])


def hidden(field: Foretold, open_to: Sequence[str]) -> list[int]:
    """Variants that no gauge which may be read now parts from a sound engine by two scales."""
    _, zero = _places(field)
    gauges = [k for k, check in enumerate(field.checks) if check.kind and check.when.value in open_to]
    own = np.diagonal(field.spread, axis1=1, axis2=2)[:, gauges]
    apart = np.abs(field.mean[:, gauges] - field.mean[zero, gauges]) / np.sqrt(0.5 * (own + own[zero]))
    worst = apart.max(axis=1, initial=0.0)
    return [int(row) for row in np.flatnonzero(worst < SHOWS) if row != zero]


def not_ruled_out(field: Foretold, belief: Belief, open_to: Sequence[str]) -> list[int]:
    """Causes with a size that no gauge shows now, whose odds against a sound engine have hardly fallen: under load they may
    show."""
    _, zero = _places(field)
    likelier = belief.variant / field.prior
    kept = [row for row in hidden(field, open_to) if likelier[row] > RULED_OUT * likelier[zero]]
    return sorted({int(field.cause[row]) for row in kept})


FOUND = 0.8  # believed of a cause, from which it counts as found


@dataclass(frozen=True)
class Answer:
    """What is said: ``kind`` strange (nothing explains it), sound, found, or open; ``load``: causes that only load can show,
    where it is not found."""

    kind: str
    first: int
    load: tuple[int, ...]


def answer(field: Foretold, belief: Belief, open_to: Sequence[str]) -> Answer:
    """What the readings come to."""
    sound, _ = _places(field)
    first = belief.ranked()[0]
    if not belief.explained:
        return Answer("strange", first, ())
    kind = "sound" if first == sound else "found" if belief.cause[first] >= FOUND else "open"
    load = () if kind == "found" else tuple(at for at in not_ruled_out(field, belief, open_to) if at != first)
    return Answer(kind, first, load)
