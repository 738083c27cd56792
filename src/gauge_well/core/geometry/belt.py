"""A belt round pulleys seen from the front: tangents, wraps, spans and length, for many layouts at once."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from gauge_well.core.typing import Array, Value, as_array

TURN = 2.0 * np.pi


@dataclass(frozen=True)
class Route:
    """A belt that runs counter-clockwise through its pulleys' order; axes (pulley, ...).

    ``spans``: from each pulley to the next [m]; ``directions``: of those spans [rad]; ``wraps``: how far it lies round each
    [rad]; ``length`` at the cord [m]; ``closes``: whether there is such a belt at all; ``x``, ``y`` centres, ``radius`` of the
    cord and ``sense`` as they were given.
    """

    spans: Array
    directions: Array
    wraps: Array
    length: Array
    closes: NDArray[np.bool_]
    x: Array
    y: Array
    radius: Array
    sense: Array

    @property
    def leaves(self) -> tuple[Array, Array]:
        """Where each span leaves its pulley [m]."""
        out = self.sense * self.radius
        return self.x + out * np.sin(self.directions), self.y - out * np.cos(self.directions)

    @property
    def meets(self) -> tuple[Array, Array]:
        """Where each span meets the next pulley [m]."""
        x, y, out = (np.roll(v, -1, axis=0) for v in (self.x, self.y, self.sense * self.radius))
        return x + out * np.sin(self.directions), y - out * np.cos(self.directions)


def route(x: Array, y: Array, radius: Array, sense: Array) -> Route:
    """The belt through pulleys in order.

    Parameters
    ----------
    x, y : array (pulley, ...)
        Centres [m], to the right and up as seen from the front.
    radius : array (pulley, ...)
        Of the belt's cord on each [m].
    sense : array (pulley, ...)
        1 where it lies inside the belt (grooved side), -1 where it presses on the back.

    Notes
    -----
    With signed radii R a span of direction theta keeps ``sin(theta - phi) = (R_i - R_j) / D``, phi and D the line of centres;
    exact. There is no such belt where two pulleys that it passes lie too near, or where the turns do not add up to one:
    ``sum s w = 2 pi``.
    """
    x, y, radius, sense = np.broadcast_arrays(as_array(x), as_array(y), as_array(radius), as_array(sense))
    dx, dy = np.roll(x, -1, axis=0) - x, np.roll(y, -1, axis=0) - y
    apart = np.hypot(dx, dy)
    signed = sense * radius
    step = signed - np.roll(signed, -1, axis=0)
    there = apart > np.abs(step) + 1e-9
    ratio = np.where(there, step / np.where(there, apart, 1.0), 0.0)
    directions = np.arctan2(dy, dx) + np.arcsin(ratio)
    spans = np.where(there, apart * np.sqrt(1.0 - ratio**2), 0.0)
    wraps = np.mod(sense * (directions - np.roll(directions, 1, axis=0)), TURN)
    turns = np.sum(sense * wraps, axis=0)
    closes = np.all(there, axis=0) & (np.abs(turns - TURN) < 1e-6)
    length = np.sum(spans + radius * wraps, axis=0)
    return Route(spans, directions, wraps, np.asarray(length), np.asarray(closes), x, y, radius, sense)


def clearance(found: Route, thickness: Value) -> Array:
    """Gap [m] of each span (first axis) to every pulley it does not touch (second axis), its ``thickness`` [m] off; without end to
    its own two."""
    ax, ay = found.leaves
    ux, uy = np.cos(found.directions)[:, None], np.sin(found.directions)[:, None]
    px, py = found.x[None] - ax[:, None], found.y[None] - ay[:, None]
    along = np.clip(px * ux + py * uy, 0.0, found.spans[:, None])
    gap = np.hypot(px - along * ux, py - along * uy) - found.radius[None] - as_array(thickness)
    count = len(found.x)
    own = np.eye(count, dtype=bool) | np.roll(np.eye(count, dtype=bool), 1, axis=1)
    return np.where(own.reshape((count, count) + (1,) * (gap.ndim - 2)), np.inf, gap)


def gradient(found: Route) -> tuple[Array, Array]:
    """How the length goes with each centre [m/m], to the right and up: ``u_in - u_out``, of size ``2 sin(wrap / 2)``."""
    before = np.roll(found.directions, 1, axis=0)
    return np.cos(before) - np.cos(found.directions), np.sin(before) - np.sin(found.directions)
