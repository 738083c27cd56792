"""What stands beside a hot pipe: how hot it gets, behind which shield, running and after a stop."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from scipy.special import sici

from gauge_well.core.flow.gas_pipe import EMISSIVITY, STEFAN_BOLTZMANN
from gauge_well.core.typing import Array, Value, as_array

ABSORBS = 0.9  # of paint, rubber and plastic (incropera2007, table A.11)
MOVING, STANDING = 12.0, 8.0  # W/m2K from a small thing to the air, on the move and at rest (common practice)
STEPS = 8
SIDES = 40.0  # W/m2K both sides of a warm sheet together (common practice)


@dataclass(frozen=True)
class Thing:
    """Something beside a pipe: pipe's radius outside, gap between their outsides, the thing's own width [m]; a plate (a
    floor, a cover) rather than a long thin thing, what such a sheet conducts along itself, ``k t`` [W/K]."""

    radius: Value
    gap: Value
    size: Value
    plate: bool
    sheet: float = 0.0

    @property
    def surfaces(self) -> float:
        """Surface that gives heat away over the width that takes it."""
        return 2.0 if self.plate else float(np.pi)

    @property
    def distance(self) -> Array:
        """Pipe's middle to the thing's middle, a plate's face [m]."""
        return np.asarray(as_array(self.radius) + self.gap + (0.0 if self.plate else 0.5 * as_array(self.size)))

    @property
    def view(self) -> Array:
        """What it takes of the pipe's emission, over its own width: ``arcsin(R/H)`` a long thin thing, that sees the pipe
        under twice that angle; ``R/H`` a plate right under it (incropera2007, table 13.1, thin beside the distance), less
        what the sheet leads aside."""
        share = np.minimum(as_array(self.radius) / self.distance, 1.0)
        return np.asarray(share * self.keeps if self.plate else np.arcsin(share))

    @property
    def keeps(self) -> Array:
        """Share of the heat right under the pipe that a sheet does not lead aside."""
        return kept_under(self.distance, self.sheet)


def kept_under(distance: Value, sheet: float) -> Array:
    """Share of a rise right under a pipe that is left where a sheet leads heat aside: ``q/(1 + (x/H)^2)`` on a fin that gives
    away on both sides (incropera2007, ch. 3), ``integral of e^-u / (1 + (z u)^2)``, z the fin's length over H.

    Parameters
    ----------
    distance : float or array
        Pipe's middle to the sheet [m].
    sheet : float
        Conductivity times thickness [W/K]; nought leads nothing.
    """
    if sheet <= 0.0:
        return np.ones_like(as_array(distance))
    w = as_array(distance) / np.sqrt(sheet / SIDES)
    sine, cosine = sici(w)
    return np.asarray(w * (cosine * np.sin(w) + (0.5 * np.pi - sine) * np.cos(w)))


def settles(received: Value, bay: Value, film: Value, absorbs: Value = ABSORBS) -> Array:
    """Temperature [K] at which a surface gives away what it receives: ``q = h (T - Tb) + a sigma (T^4 - Tb^4)``.

    Parameters
    ----------
    received : float or array
        Taken up, over the surface that gives away [W/m2].
    bay : float or array
        Air and walls round it [K].
    film : float or array
        To the air [W/m2K].
    """
    b, rate = as_array(bay), as_array(absorbs) * STEFAN_BOLTZMANN
    known = as_array(received) + film * b + rate * b**4
    t = b + as_array(received) / (film + 4.0 * rate * b**3)
    for _ in range(STEPS):
        cube = rate * t * t * t
        t = (known + 3.0 * cube * t) / (film + 4.0 * cube)
    return np.asarray(t)


def received(thing: Thing, pipe: Value, emits: Value = EMISSIVITY) -> Array:
    """What a thing takes up of a bare pipe at a temperature [K], over the surface that gives it away [W/m2]."""
    return np.asarray(as_array(emits) * STEFAN_BOLTZMANN * as_array(pipe) ** 4 * ABSORBS * thing.view / thing.surfaces)


def beside(thing: Thing, pipe: Value, bay: Value, film: Value, emits: Value = EMISSIVITY) -> Array:
    """Temperature [K] of a thing beside a bare pipe."""
    return settles(received(thing, pipe, emits), bay, film)


def shield(thing: Thing, pipe: Value, bay: Value, film: Value, dull: Value, emits: Value = EMISSIVITY) -> Array:
    """Temperature [K] of a sheet half-way to a thing, open at both ends: what it takes it gives to both sides.

    Parameters
    ----------
    dull : float or array
        Its emissivity: 0.1 bright, 0.3 weathered (common practice).
    """
    view = as_array(thing.radius) / (as_array(thing.radius) + 0.5 * as_array(thing.gap))
    taken = as_array(emits) * STEFAN_BOLTZMANN * as_array(pipe) ** 4 * dull * view
    return settles(0.5 * taken, bay, film, dull)


def let_by(sheet: Value, bay: Value, dull: Value) -> Array:
    """What a thing takes up behind a sheet at a temperature [K], over the surface that gives it away [W/m2]: half of it sees
    the sheet, as wide as it looks."""
    return np.asarray(0.5 * as_array(dull) * ABSORBS * STEFAN_BOLTZMANN * (as_array(sheet) ** 4 - as_array(bay) ** 4))


def radiates(surface: Value, absorbs: Value) -> Array:
    """What a surface at a temperature [K] gives away by radiation for each kelvin more [W/m2K]: ``4 e sigma T^3``."""
    return np.asarray(4.0 * as_array(absorbs) * STEFAN_BOLTZMANN * as_array(surface) ** 3)


def reached(duration: Value, own: Value, pipe: Value, before: float) -> Array:
    """Share of its lasting rise that a thing reaches within a time: it lags behind a pipe that itself lags.

    Parameters
    ----------
    duration : float or array
        [s]; infinite where it lasts.
    own, pipe : float or array
        Time constants of thing and pipe [s].
    before : float
        Share that both begin at.

    Notes
    -----
    ``1 - (1 - s) (tp e^(-t/tp) - tn e^(-t/tn)) / (tp - tn)``: two lags in turn (incropera2007, ch. 5, lumped nodes).
    """
    tn, tp = as_array(own), as_array(pipe)
    apart = np.where(np.abs(tp - tn) < 1e-3 * tp, 1e-3 * tp, tp - tn)
    tn = tp - apart
    t = as_array(duration)
    lags = (tp * np.exp(-t / tp) - tn * np.exp(-t / tn)) / apart
    return np.asarray(1.0 - (1.0 - before) * lags)


def cools(pipe: Value, bay: Value, film: Value, capacity: Value, step: float, emits: Value = EMISSIVITY) -> Array:
    """A stopped pipe's outside after a ``step`` [s]: implicit, so that it never falls under the bay [K].

    Parameters
    ----------
    film : float or array
        To still air [W/m2K].
    capacity : float or array
        Of its wall [J/m2K].
    """
    t, b = as_array(pipe), as_array(bay)
    rate = step * (film + as_array(emits) * STEFAN_BOLTZMANN * (t + b) * (t**2 + b**2)) / capacity
    return np.asarray((t + rate * b) / (1.0 + rate))


@dataclass(frozen=True)
class Stopped:
    """A pipe and a thing beside it as the engine is stopped: temperatures [K], heat capacity of each surface [J/m2K]."""

    pipe: Value
    thing: Value
    pipe_capacity: Value
    thing_capacity: Value


def after_stop(
    thing: Thing, begins: Stopped, bay: Value, film: Value, pipe_film: Value, dull: Value | None = None
) -> Array:
    """Hottest a thing gets in the minutes after a stop [K]: the pipe cools, the thing takes and gives in still air.

    Parameters
    ----------
    pipe_film : float or array
        Pipe's outside to still air [W/m2K].
    dull : float, optional
        A sheet half-way, in balance throughout.

    Notes
    -----
    Two nodes by implicit steps of 20 s, each linear about where it begins: steady, never over what it goes to.
    """
    b = as_array(bay)
    tp, tt = as_array(begins.pipe), as_array(begins.thing)
    peak = tt
    for _ in range(int(SOAK / SOAK_STEP)):
        tp = cools(tp, b, pipe_film, begins.pipe_capacity, SOAK_STEP)
        if dull is None:
            goes = received(thing, tp)
        else:
            sheet = shield(thing, tp, bay, film, dull)
            goes = let_by(sheet, b, dull)
        gives = as_array(film) + ABSORBS * STEFAN_BOLTZMANN * (tt + b) * (tt**2 + b**2)
        step = SOAK_STEP / as_array(begins.thing_capacity)
        tt = (tt + step * (goes + gives * b)) / (1.0 + step * gives)
        peak = np.maximum(peak, tt)
    return np.asarray(peak)


SOAK, SOAK_STEP = 400.0, 20.0
