"""From a log's positions or speeds to speed, grade and acceleration each second."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from scipy.ndimage import uniform_filter1d
from scipy.signal import savgol_filter

from gauge_well.core.errors import CoreError
from gauge_well.core.typing import Array

EARTH = 6_371_008.8  # m, mean radius (IUGG)
SLOPE_POINTS = 5  # over which speed is the slope of distance
HARDEST = 6.0  # m/s2 that no road vehicle or boat changes its speed by: more is a bad fix (common practice)
STANDS = 0.4  # m/s under which it stands: fixes wander
EVERY = 10.0  # m between heights, before the grade is taken
WINDOW = 200.0  # m on either side over which the grade is weighted, 120 to 300 (common practice)
SMOOTHED = 7  # s over which acceleration is a mean
GAP = 30.0  # s without a fix from which what lies between is not known
LEAST, MOST = 10.0, 48.0 * 3600.0  # s a drive lasts


@dataclass(frozen=True)
class Track:
    """A drive each second: time [s] from its first fix, speed [m/s], grade (tan), acceleration [m/s2], distance [m],
    height [m], and whether a second lies in a gap between fixes."""

    time: Array
    speed: Array
    grade: Array
    acceleration: Array
    distance: Array
    height: Array
    gap: np.ndarray

    @property
    def lasts(self) -> float:
        """[s]."""
        return float(self.time[-1])


def haversine(latitude: Array, longitude: Array) -> Array:
    """Distance between fixes that follow each other [m]; latitude and longitude [rad].

    ``2 R asin sqrt(sin^2(dphi/2) + cos phi1 cos phi2 sin^2(dlambda/2))`` (sinnott1984).
    """
    north, east = np.diff(latitude), np.diff(longitude)
    half = np.sin(north / 2.0) ** 2 + np.cos(latitude[:-1]) * np.cos(latitude[1:]) * np.sin(east / 2.0) ** 2
    return np.asarray(2.0 * EARTH * np.arcsin(np.sqrt(np.minimum(half, 1.0))))


def of_positions(time: Array, latitude: Array, longitude: Array, height: Array, window: float = WINDOW) -> Track:
    """A track from fixes: time [s], degrees, metres.

    Fixes that would take more than 6 m/s2 are left out; speed is the slope of distance over five seconds; the grade is
    the slope of heights every 10 m, weighted by a normal curve over ``window`` metres on either side.

    Raises
    ------
    CoreError
        Where fewer than three fixes stand, their times do not rise, or they last too short or too long.
    """
    time, latitude, longitude, height = _rising(time, np.radians(latitude), np.radians(longitude), height)
    kept = _without_spikes(time, latitude, longitude)
    time, latitude, longitude, height = (v[kept] for v in (time, latitude, longitude, height))
    way = np.concatenate([[0.0], np.cumsum(haversine(latitude, longitude))])
    seconds = np.arange(0.0, np.floor(time[-1] - time[0]) + 1.0)
    distance = np.interp(seconds, time - time[0], way)
    speed = np.maximum(savgol_filter(distance, _odd(SLOPE_POINTS, distance.size), 1, deriv=1), 0.0)
    speed = np.where(speed < STANDS, 0.0, speed)
    return _track(seconds, speed, distance, np.interp(distance, way, height), _gaps(time, seconds), window)


def of_speeds(time: Array, speed: Array, height: Array | None = None, window: float = WINDOW) -> Track:
    """A track from logged speeds [m/s], with heights [m] where they are there; level otherwise. CoreError as above."""
    level = np.zeros_like(speed) if height is None else height
    time, speed, level = _rising(time, speed, level)
    seconds = np.arange(0.0, np.floor(time[-1] - time[0]) + 1.0)
    even = np.maximum(np.interp(seconds, time - time[0], speed), 0.0)
    distance = np.concatenate([[0.0], np.cumsum(0.5 * (even[1:] + even[:-1]))])
    heights = np.interp(seconds, time - time[0], level)
    return _track(seconds, even, distance, heights, _gaps(time, seconds), window)


def _track(seconds: Array, speed: Array, distance: Array, height: Array, gap: np.ndarray, window: float) -> Track:
    acceleration = uniform_filter1d(np.gradient(speed), _odd(SMOOTHED, speed.size), mode="nearest")
    return Track(seconds, speed, _grade(distance, height, window), acceleration, distance, height, gap)


def _odd(points: int, size: int) -> int:
    most = size if size % 2 else size - 1
    return max(min(points, most), 3)


def _rising(time: Array, *others: Array) -> tuple[Array, ...]:
    """Fixes whose numbers all stand, in the order of time, one for each moment."""
    good = np.isfinite(time)
    for values in others:
        good &= np.isfinite(values)
    order = np.argsort(time[good], kind="stable")
    ordered = [v[good][order] for v in (time, *others)]
    first = np.concatenate([[True], np.diff(ordered[0]) > 0.0]) if ordered[0].size else np.zeros(0, dtype=bool)
    kept = tuple(v[first] for v in ordered)
    if kept[0].size < 3:
        raise CoreError(
            "few_fixes", "track", int(kept[0].size), "three at least", "The track has too few fixes with a time."
        )
    lasts = float(kept[0][-1] - kept[0][0])
    if not LEAST <= lasts <= MOST:
        raise CoreError("track_time", "track", lasts, f"{LEAST:g} s to {MOST / 3600.0:g} h", "No drive lasts so long.")
    return kept


def _without_spikes(time: Array, latitude: Array, longitude: Array) -> np.ndarray:
    """Fixes that follow the last good one without more than 6 m/s2; a jump that stays is taken after three fixes."""
    kept = np.zeros(time.size, dtype=bool)
    kept[0] = True
    last, speed, refused = 0, 0.0, 0
    for at in range(1, time.size):
        between = float(time[at] - time[last])
        far = float(haversine(latitude[[last, at]], longitude[[last, at]])[0])
        mean = far / between
        # From the last speed, mended by so much a second over half of the way there.
        if mean > speed + HARDEST * between and refused < 3:
            refused += 1
            continue
        kept[at] = True
        last, speed, refused = at, mean, 0
    return kept


def _gaps(time: Array, seconds: Array) -> np.ndarray:
    """Seconds between fixes that lie further apart than 30 s."""
    own = time - time[0]
    after = np.minimum(np.searchsorted(own, seconds), own.size - 1)
    before = np.maximum(after - 1, 0)
    return np.asarray((own[after] - own[before] > GAP) & (own[after] > seconds))


def _grade(distance: Array, height: Array, window: float) -> Array:
    """Slope of height over distance (tan): heights every 10 m, a straight line by weights of a normal curve.

    ``(S0 T1 - S1 T0) / (S0 S2 - S1^2)`` with S the moments of the weights that lie on the track, T those of the heights,
    so that its ends are right too.
    """
    whole = float(distance[-1])
    if whole < 2.0 * EVERY:
        return np.zeros_like(distance)
    places = np.linspace(0.0, whole, max(round(whole / EVERY), 2) + 1)
    every = float(places[1])
    moved = np.concatenate([[True], np.diff(distance) > 0.0])
    heights = np.interp(places, distance[moved], height[moved])
    reach = int(np.ceil(window / every))
    x = np.arange(-reach, reach + 1) * every
    weight = np.exp(-0.5 * (2.0 * x / window) ** 2)

    def moment(values: Array, power: int) -> Array:
        return np.convolve(values, (weight * x**power)[::-1], mode="full")[reach:-reach]

    ones = np.ones_like(heights)
    s0, s1, s2 = (moment(ones, k) for k in range(3))
    t0, t1 = moment(heights, 0), moment(heights, 1)
    slope = (s0 * t1 - s1 * t0) / np.maximum(s0 * s2 - s1**2, 1e-9)
    return np.interp(distance, places, slope)
