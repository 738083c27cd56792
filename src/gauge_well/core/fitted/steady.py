"""What of a log may be fitted: stretches in which nothing moves, readings that stand apart, gauges that wander over days."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.tolerance import HALF
from gauge_well.core.typing import Array

STEADY, OVER = 1.0, 60.0  # K that a temperature moves at most in so many seconds (common practice)
SLOW_OVER = 240.0  # s for oil: its mass follows some minutes behind (common practice)
LOAD_STEADY = 0.15  # of its mean that power may move meanwhile (common practice)
SPIKE, SPIKE_WIDE = 6.0, 11  # times the usual wander round a median of so many seconds, past which it is no reading
TELLS = 2.0  # standard deviations of a slope over days, from which drift is told
DAY = 86400.0  # s


@dataclass(frozen=True)
class Stretch:
    """A steady stretch of a log: its first second and the one past its last, and the mean of each channel in it."""

    begin: int
    end: int
    means: Mapping[str, float]


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


def steady(temperatures: Mapping[str, Array], power: Array) -> list[Stretch]:
    """Stretches of a minute and more in which no temperature [K] moves a kelvin and power [W] stays; longest whole ones.

    A second is steady where every channel that is known stays within a kelvin over the minute up to it.
    """
    width = int(OVER)
    if power.size <= width or not temperatures:
        return []
    still = np.ones(power.size - width, dtype=bool)
    for values in temperatures.values():
        windows = np.lib.stride_tricks.sliding_window_view(values, width + 1)
        still &= np.isfinite(windows).all(axis=1) & (np.ptp(windows, axis=1) < STEADY)
    loads = np.lib.stride_tricks.sliding_window_view(power, width + 1)
    mean = np.maximum(np.abs(loads.mean(axis=1)), 1.0)
    still &= np.std(loads, axis=1) < LOAD_STEADY * mean
    edges = np.flatnonzero(np.diff(np.concatenate([[0], still.astype(int), [0]])))
    found: list[Stretch] = []
    for begin, end in zip(edges[::2], edges[1::2], strict=True):
        rows = slice(int(begin), int(end) + width)
        means = {name: float(np.mean(values[rows])) for name, values in temperatures.items()}
        stretch = Stretch(int(begin), int(end) + width, means)
        # A second is read once: of two that share some the longer stays.
        if found and stretch.begin < found[-1].end:
            if stretch.end - stretch.begin > found[-1].end - found[-1].begin:
                found[-1] = stretch
            continue
        found.append(stretch)
    return found


def settled(stretch: Stretch, values: Array) -> float | None:
    """Mean of what moves slowly [K] over the last of a stretch; None where the stretch is too short for it to have settled, or it
    still moves."""
    begin = stretch.end - int(SLOW_OVER)
    own = values[max(begin, 0) : stretch.end]
    if begin < stretch.begin or not np.isfinite(own).all() or float(np.ptp(own)) >= STEADY:
        return None
    return float(np.mean(own))


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
