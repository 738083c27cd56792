"""What of a log may be fitted: stretches in which the load holds, what jumps out and back, gauges that wander over days."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.tolerance import HALF
from gauge_well.core.typing import Array

OVER = 120.0  # s of a stretch
MOVES = 6.0  # K that a temperature moves at most in it (common practice)
LOAD_HELD, SPEED_HELD = 0.15, 0.25  # of its mean: half a stretch's power from the other's, and how far speed wavers
SLOW = 1.0  # m/s under which a speed is none to waver
SPIKE, SPIKE_WIDE = 6.0, 11  # times the usual wander round a median of so many seconds, past which it is no reading
APART = 30.0  # s between two samples of a slow logger, past which what lies between is not known
SMOOTH = 15  # s over which a logged temperature is averaged before it is judged steady
TELLS = 2.0  # standard deviations of a slope over days, from which drift is told
DAY = 86400.0  # s


@dataclass(frozen=True)
class Stretch:
    """A stretch of a log in which the load holds: its first second and the one past its last; the mean of each temperature in it
    [K], and how fast it moves [K/s]."""

    begin: int
    end: int
    means: Mapping[str, float]
    rates: Mapping[str, float]


def without_spikes(values: Array) -> Array:
    """A channel with what jumps out and back taken out (not a number): further than six times the usual wander, by the
    median absolute deviation, from a running median of eleven seconds."""
    found = np.array(values, dtype=np.float64)
    known = np.flatnonzero(np.isfinite(found))
    if known.size < SPIKE_WIDE:
        return found
    own = found[known]
    half = SPIKE_WIDE // 2
    padded = np.pad(own, half, mode="reflect")
    middle = np.median(np.lib.stride_tricks.sliding_window_view(padded, SPIKE_WIDE), axis=1)
    off = np.abs(own - middle)
    # 1.4826 of the median deviation is the standard deviation of normal noise.
    usual = max(1.4826 * float(np.median(off)), 1e-3 * float(np.ptp(middle)), 1e-9)
    found[known[off > SPIKE * usual]] = np.nan
    return found


def bridged(values: Array) -> Array:
    """A channel of a slow logger each second: on a straight line between what was logged no further apart than half a minute."""
    there = np.flatnonzero(np.isfinite(values))
    if there.size < 2:
        return np.array(values, dtype=np.float64)
    at = np.arange(values.size)
    next_ = np.minimum(np.searchsorted(there, at), there.size - 1)
    near = (there[next_] - there[np.maximum(next_ - 1, 0)] <= APART) & (at >= there[0]) & (at <= there[-1])
    return np.where(near, np.interp(at, there, values[there]), values)


def smoothed(values: Array) -> Array:
    """Each second's mean over a quarter of a minute of what is there; not a number where nothing is."""
    there = np.isfinite(values)
    kernel = np.ones(SMOOTH)
    count = np.convolve(there.astype(float), kernel, mode="same")
    total = np.convolve(np.where(there, values, 0.0), kernel, mode="same")
    with np.errstate(invalid="ignore", divide="ignore"):
        return np.where(count >= SMOOTH / 3.0, total / count, np.nan)


def stretches(temperatures: Mapping[str, Array], power: Array, speed: Array) -> list[Stretch]:
    """Stretches of two minutes in which power [W] and speed [m/s] hold and no temperature [K] runs away; one after another, none
    shares a second.

    A temperature may move slowly: what it stores is told by its rate, the slope of a straight line through the stretch. Power may
    waver within a stretch, for metal and coolant do not follow it; it may not drift. A channel with gaps is left out of that
    stretch.
    """
    width = int(OVER)
    found: list[Stretch] = []
    begin = 0
    while begin + width <= power.size:
        rows = slice(begin, begin + width)
        own = {name: values[rows] for name, values in temperatures.items() if np.isfinite(values[rows]).all()}
        if own and _holds(power[rows], speed[rows]) and all(float(np.ptp(v)) < MOVES for v in own.values()):
            seconds = np.arange(width) - 0.5 * (width - 1)
            rates = {name: float(seconds @ v / (seconds @ seconds)) for name, v in own.items()}
            found.append(Stretch(begin, begin + width, {name: float(np.mean(v)) for name, v in own.items()}, rates))
            begin += width
        else:
            begin += width // 4
    return found


def _holds(power: Array, speed: Array) -> bool:
    half = power.size // 2
    first, second = float(np.mean(power[:half])), float(np.mean(power[half:]))
    steady = abs(first - second) <= LOAD_HELD * max(0.5 * (first + second), 1.0)
    return steady and float(np.std(speed)) <= max(SPEED_HELD * float(np.mean(speed)), SLOW)


@dataclass(frozen=True)
class Drift:
    """A residual over days: its slope [K for 100 days] and how unsure that is (1 sd); ``told`` where it stands out of it."""

    slope: float
    sd: float

    @property
    def told(self) -> bool:
        """Whether it is worth a word."""
        return abs(self.slope) > TELLS * self.sd


def drift(moments: Sequence[float], residuals: Sequence[float], halves: Sequence[float]) -> Drift | None:
    """Straight line through residuals [K] over moments [s], weighted by their gauges' half-ranges, 95 %; None of fewer than three,
    or all of one day.

    Its standard deviation is the larger of what the gauges say and what the residuals scatter about the line.
    """
    t = np.asarray(moments, dtype=np.float64) / DAY / 100.0
    y, sd = np.asarray(residuals, dtype=np.float64), np.asarray(halves, dtype=np.float64) / HALF
    if t.size < 3 or float(np.ptp(t)) * 100.0 < 1.0:
        return None
    weight = 1.0 / sd**2
    middle = float(np.average(t, weights=weight))
    spread = float(np.sum(weight * (t - middle) ** 2))
    slope = float(np.sum(weight * (t - middle) * y)) / spread
    left = y - np.average(y, weights=weight) - slope * (t - middle)
    scatter = float(np.sum(weight * left**2)) / max(t.size - 2, 1)
    return Drift(slope, float(np.sqrt(max(scatter, 1.0) / spread)))
