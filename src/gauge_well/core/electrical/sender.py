"""A sender's resistance against a gauge that wants another: what it then reads, and the resistors that bring them together.

One network of two: ``R = 1 / (1/Rp + 1/(Rs + Rx))``, one resistor in line with the sender and one across both.
"""

from __future__ import annotations

from dataclasses import dataclass
from functools import cached_property

import numpy as np
from scipy.optimize import least_squares

from gauge_well.core.typing import Array, Value, as_array

E24 = np.array([1.0, 1.1, 1.2, 1.3, 1.5, 1.6, 1.8, 2.0, 2.2, 2.4, 2.7, 3.0, 3.3, 3.6, 3.9, 4.3, 4.7, 5.1, 5.6, 6.2, 6.8, 7.5, 8.2, 9.1])  # fmt: skip
POINTS = 41  # places over the range at which readings are compared
LEAST_OHM, MOST_OHM = 0.1, 1e7  # a resistor under the first is none, one over the second is an open end
ENDS, COARSE = (1e-3, 1e3), 40  # of the sender's middle ohm, between which resistors are mapped; so many a side
BOTTOMS = 3  # of the map's best places, gone down from


@dataclass(frozen=True)
class Curve:
    """Ohm over readings, both ways; between points and beyond the ends straight.

    Parameters
    ----------
    readings : array (n,)
        What is measured, SI, in rising order.
    ohms : array (n,)
        Rising or falling throughout, above nought.
    warm : bool
        A temperature [K]: straight in ln R over 1/T, as a thermistor is, so that two points do.
    """

    readings: Array
    ohms: Array
    warm: bool = False

    @cached_property
    def falls(self) -> bool:
        """Whether its ohms fall as the reading rises."""
        return bool(self.ohms[-1] < self.ohms[0])

    def ohm(self, reading: Value) -> Array:
        """Ohm at a reading."""
        return self._out(_straight(self._x(as_array(reading)), self._x(self.readings), self._y(self.ohms)))

    def reading(self, ohm: Value) -> Array:
        """Reading at so many ohm."""
        order = -1 if self.falls else 1
        found = _straight(self._y(as_array(ohm)), self._y(self.ohms)[::order], self._x(self.readings)[::order])
        # A warm curve ends at no heat at all: what lies past it reads as far as a number goes.
        return np.asarray(-1.0 / np.minimum(found, -1e-4)) if self.warm else found

    def _x(self, readings: Array) -> Array:
        return np.asarray(-1.0 / readings) if self.warm else readings

    def _y(self, ohms: Array) -> Array:
        return np.log(np.maximum(ohms, 1e-6)) if self.warm else ohms

    def _out(self, y: Array) -> Array:
        return np.exp(y) if self.warm else np.asarray(np.maximum(y, 0.0))


def _straight(at: Array, x: Array, y: Array) -> Array:
    """Between points straight, beyond the ends on at their slope; x rising."""
    step = np.clip(np.searchsorted(x, at) - 1, 0, len(x) - 2)
    slope = (y[step + 1] - y[step]) / (x[step + 1] - x[step])
    return np.asarray(y[step] + slope * (at - x[step]))


def seen(ohm: Value, series: float, parallel: float) -> Array:
    """Ohm that a gauge sees of a sender with one resistor in line and one across; ``parallel`` infinite: none."""
    line = as_array(ohm) + series
    return np.asarray(1.0 / (1.0 / np.maximum(line, 1e-9) + 1.0 / parallel))


@dataclass(frozen=True)
class Read:
    """What a gauge reads over its range.

    ``true`` and ``reads`` (n,) in the quantity's own unit; ``error`` their difference, ``worst`` of it and ``rms``.
    """

    true: Array
    reads: Array

    @property
    def error(self) -> Array:
        """Reads over true."""
        return np.asarray(self.reads - self.true)

    @property
    def worst(self) -> float:
        """Largest error either way, with its sign."""
        error = self.error
        return float(error[int(np.argmax(np.abs(error)))])

    @property
    def rms(self) -> float:
        """Root of its mean square."""
        return float(np.sqrt(np.mean(self.error**2)))


def span(sender: Curve, gauge: Curve) -> Array:
    """Readings that both know, ``POINTS`` of them; empty where they share none."""
    low = max(float(sender.readings[0]), float(gauge.readings[0]))
    high = min(float(sender.readings[-1]), float(gauge.readings[-1]))
    return np.linspace(low, high, POINTS) if high > low else np.zeros(0)


def reads(sender: Curve, gauge: Curve, series: float = 0.0, parallel: float = np.inf, at: Array | None = None) -> Read:
    """What the gauge reads of a sender through a network."""
    true = span(sender, gauge) if at is None else at
    return Read(true, gauge.reading(seen(sender.ohm(true), series, parallel)))


@dataclass(frozen=True)
class Match:
    """Resistors that match: in line, across (infinite: none) [ohm], and what the gauge then reads."""

    series: float
    parallel: float
    read: Read


def contrary(sender: Curve, gauge: Curve) -> bool:
    """Whether one rises where the other falls: no resistors turn that round."""
    return sender.falls != gauge.falls


def constant(sender: Curve, gauge: Curve) -> float:
    """Error that the best needle standing still has, as a share of the range: what is left where none match."""
    true = span(sender, gauge)
    return float(np.std(true) / (true[-1] - true[0]))


def match(sender: Curve, gauge: Curve) -> Match | None:
    """Resistors by least squares of readings over the range both know; None where no resistors can.

    Sought in their logarithms: the best places of a coarse map, then each to its bottom.
    """
    true = span(sender, gauge)
    if not true.size or contrary(sender, gauge):
        return None
    middle, wide = float(np.median(sender.ohm(true))), float(true[-1] - true[0])

    def off(log: Array) -> Array:
        return reads(sender, gauge, float(np.exp(log[0])), float(np.exp(log[1])), true).error / wide

    tried = middle * np.geomspace(*ENDS, COARSE)
    line = sender.ohm(true) + tried[:, None, None]
    shown = gauge.reading(1.0 / (1.0 / line + 1.0 / tried[:, None]))
    cost = np.sum(((shown - true) / wide) ** 2, axis=2)
    ends = np.log([LEAST_OHM * 0.1, LEAST_OHM]), np.log([MOST_OHM, MOST_OHM * 10.0])
    best = None
    for flat in np.argsort(cost, axis=None)[:: COARSE // 2][:BOTTOMS]:
        begin = np.log([tried[flat // COARSE], tried[flat % COARSE]])
        begin = np.clip(begin, ends[0] + 1e-6, ends[1] - 1e-6)
        found = least_squares(off, begin, bounds=ends, xtol=1e-7, ftol=1e-7)
        if best is None or found.cost < best.cost:
            best = found
    assert best is not None
    series, parallel = (float(v) for v in np.exp(best.x))
    series = 0.0 if series < LEAST_OHM else series
    parallel = np.inf if parallel > MOST_OHM else parallel
    return Match(series, parallel, reads(sender, gauge, series, parallel, true))


def sold(ohm: float) -> float:
    """The nearest resistor of the series of twenty-four (iec60063); none for none."""
    if ohm <= 0.0 or not np.isfinite(ohm):
        return ohm
    decade = 10.0 ** np.floor(np.log10(ohm))
    values = np.concatenate([E24, [10.0]]) * decade
    return float(values[int(np.argmin(np.abs(np.log(values / ohm))))])


def heats(ohms: Array, series: float, parallel: float, volts: float) -> tuple[float, float]:
    """Most that the two resistors turn to heat [W], in line and across, with all the volts over them: at worst, for a gauge
    keeps some for itself."""
    through = volts / np.maximum(ohms + series, 1e-9)
    across = volts**2 / parallel if np.isfinite(parallel) and parallel > 0.0 else 0.0
    return float(np.max(through**2) * series), float(across)


def through_pull_up(sensor: Curve, at: Value, own: float, table: float) -> Array:
    """Reading that a controller comes to, whose table is for another pull-up than the sensor hangs on.

    ``v = R / (R + own)``, taken for ``R' / (R' + table)``: it believes ``R' = R table / own``.
    """
    return sensor.reading(sensor.ohm(at) * table / own)


def beside(one: float, other: float) -> float:
    """Pull-up of a sensor that two controllers feed at once: both side by side [ohm]."""
    return one * other / (one + other)
