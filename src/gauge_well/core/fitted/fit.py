"""Factors fitted to readings: Gauss and Newton's method under Student's tails, Laplace's covariance, the same draws before and
after, what is learned and what is not to be told apart."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import dataclass
from functools import cached_property

import numpy as np
from scipy.special import gammaln

from gauge_well.core.fitted.factors import Factor
from gauge_well.core.tolerance import HALF
from gauge_well.core.typing import Array

TAILS = 4.0  # degrees of freedom of a reading (lange1989)
NUDGE = 0.15  # standard deviations of the prior that a slope is taken over
ROUNDS, SETTLED = 25, 1e-3  # standard deviations of the prior
SHARES = 0.5 ** np.arange(8)  # of a step

Model = Callable[[Array], Array]
"""Factors (sample, factor) -> what each reading would be (sample, reading)."""


@dataclass(frozen=True, eq=False)
class Fitted:
    """Factors after readings, in standard deviations of their prior logarithm.

    ``mode`` (factor,); ``covariance`` (factor, factor); ``slopes`` (reading, factor): of the readings, in scales of their gauges, at
    the mode; ``weights`` (reading,): how far each counts; ``residuals`` (reading,) in scales.
    """

    factors: Sequence[Factor]
    mode: Array
    covariance: Array
    slopes: Array
    weights: Array
    residuals: Array

    @property
    def sds(self) -> Array:
        """Prior standard deviations of the logarithms (factor,)."""
        return np.array([f.sd for f in self.factors])

    @property
    def mean(self) -> Array:
        """Each factor at the mode (factor,)."""
        return np.asarray(np.exp(self.mode * self.sds))

    @property
    def sd(self) -> Array:
        """How unsure each is still, as a share of it (factor,)."""
        return np.asarray(np.sqrt(np.diag(self.covariance)) * self.sds)

    @property
    def learned(self) -> Array:
        """Share of each factor's prior variance that the readings took away (factor,)."""
        return np.clip(1.0 - np.diag(self.covariance), 0.0, 1.0)

    @property
    def top(self) -> float:
        """Weight of a reading that lies on the model."""
        return (TAILS + 1.0) / TAILS

    @cached_property
    def singular(self) -> Array:
        """Singular values of the slopes: how many combinations of the factors the readings tell, and how well."""
        return np.asarray(np.linalg.svd(self.slopes, compute_uv=False))

    def draws(self, z: Array) -> Array:
        """Factors over draws of independent normals (sample, factor): the prior's own draws carried over, so that before and
        after are told on the same ones; the first, which is nought, is the mode."""
        lower = np.linalg.cholesky(self.covariance)
        return np.asarray(np.exp((self.mode + z @ lower.T) * self.sds))


def _scaled_loss(residuals: Array) -> Array:
    """``(nu + 1)/2 ln(1 + r^2/nu)`` summed over the readings (last axis)."""
    return np.asarray(0.5 * (TAILS + 1.0) * np.sum(np.log1p(residuals**2 / TAILS), axis=-1))


def nudged(x: Array) -> Array:
    """Factors (factor,) [standard deviations of their prior] as they stand, then each a nudge up, then each a nudge down
    (1 + 2 factor, factor): what :func:`slopes_over` is taken from."""
    steps = NUDGE * np.eye(x.size)
    return np.vstack([x[None], x + steps, x - steps])


def slopes_over(asked: Array) -> Array:
    """Slopes over the factors (factor, ...) of what was worked at each of :func:`nudged` (1 + 2 factor, ...)."""
    count = len(asked) // 2
    return np.asarray((asked[1 : 1 + count] - asked[1 + count :]) / (2.0 * NUDGE))


def fit(model: Model, values: Array, halves: Array, factors: Sequence[Factor]) -> Fitted:
    """Maximum a posteriori of the factors and Laplace's covariance there.

    Parameters
    ----------
    model : callable
        Factors (sample, factor) -> readings (sample, reading); asked once a round, for all slopes at once.
    values, halves : array, (reading,)
        What was read, and the gauges' half-ranges, 95 %.

    Notes
    -----
    Minimises ``sum (nu+1)/2 ln(1 + r^2/nu) + x.x/2`` with r in scales of the gauges and x in standard deviations of the prior's
    logarithm, by Gauss-Newton with weights ``(nu+1)/(nu+r^2)``, the largest half of a step that gains. The covariance takes the
    loss's own second derivative, ``(nu+1)(nu-r^2)/(nu+r^2)^2``, no less than nought.
    """
    scale = np.asarray(halves) / HALF
    sds = np.array([f.sd for f in factors])
    count = len(factors)

    def residuals(x: Array) -> Array:
        return np.asarray((model(np.exp(np.atleast_2d(x) * sds)) - values) / scale)

    def objective(x: Array, r: Array) -> float:
        return float(_scaled_loss(r) + 0.5 * x @ x)

    x = np.zeros(count)
    r, slopes = np.zeros(values.size), np.zeros((values.size, count))
    for _ in range(ROUNDS):
        asked = residuals(nudged(x))
        r, slopes = asked[0], slopes_over(asked).T
        weights = (TAILS + 1.0) / (TAILS + r**2)
        normal = slopes.T @ (weights[:, None] * slopes) + np.eye(count)
        step = -np.linalg.solve(normal, slopes.T @ (weights * r) + x)
        # The step and its halves are asked all at once: a model of arrays takes them for the price of one.
        tried = x + SHARES[:, None] * step
        gains = np.array([objective(t, own) for t, own in zip(tried, residuals(tried), strict=True)])
        gained = np.flatnonzero(gains <= objective(x, r))
        if gained.size == 0:
            break
        x = tried[gained[0]]
        if float(np.max(np.abs(SHARES[gained[0]] * step))) < SETTLED:
            break
    asked = residuals(nudged(x))
    r, slopes = asked[0], slopes_over(asked).T
    bend = np.maximum((TAILS + 1.0) * (TAILS - r**2) / (TAILS + r**2) ** 2, 0.0)
    covariance = np.linalg.inv(slopes.T @ (bend[:, None] * slopes) + np.eye(count))
    return Fitted(tuple(factors), x, covariance, slopes, (TAILS + 1.0) / (TAILS + r**2), r)


def log_posterior(model: Model, values: Array, halves: Array, x: Array, factors: Sequence[Factor]) -> Array:
    """Of factors in standard deviations of their prior (sample, factor), but for a constant."""
    sds = np.array([f.sd for f in factors])
    r = (model(np.exp(x * sds)) - values) / (np.asarray(halves) / HALF)
    own = gammaln(0.5 * (TAILS + 1.0)) - gammaln(0.5 * TAILS)
    return np.asarray(-_scaled_loss(r) - 0.5 * np.sum(x**2, axis=-1) + own * r.shape[-1])


def effective(fitted: Fitted, model: Model, values: Array, halves: Array, z: Array) -> float:
    """How many of the draws count once they are weighed by the true density over Laplace's: ``(sum w)^2 / sum w^2``."""
    x = fitted.mode + z @ np.linalg.cholesky(fitted.covariance).T
    true = log_posterior(model, values, halves, x, fitted.factors)
    weights = np.exp((true + 0.5 * np.sum(z**2, axis=-1)) - np.max(true + 0.5 * np.sum(z**2, axis=-1)))
    return float(weights.sum() ** 2 / np.sum(weights**2))


@dataclass(frozen=True)
class Worth:
    """A reading that could be taken next: by how much of itself it makes a verdict surer."""

    at: int
    falls: float


def next_reading(fitted: Fitted, slopes: Array, verdict: Array) -> list[Worth]:
    """Readings that could be taken, the most useful first.

    Parameters
    ----------
    slopes : array, (candidate, factor)
        Of each in scales of its gauge, by the factors in standard deviations of their prior.
    verdict : array, (factor,)
        Slope of what is to be known surer.

    ``var' = var - (v.C.s)^2 / (1 + s.C.s)`` of the verdict's variance after a reading (one more row of normal equations).
    """
    c = fitted.covariance
    before = float(verdict @ c @ verdict)
    gained = (slopes @ c @ verdict) ** 2 / (1.0 + np.einsum("ij,jk,ik->i", slopes, c, slopes))
    falls = 1.0 - np.sqrt(np.maximum(before - gained, 0.0) / max(before, 1e-300))
    return sorted((Worth(at, float(f)) for at, f in enumerate(falls)), key=lambda w: -w.falls)
