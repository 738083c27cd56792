"""Cross joints: how unevenly a line of them turns, by exact kinematics and by the series that a workshop uses."""

from __future__ import annotations

import itertools
from collections.abc import Sequence

import numpy as np

from gauge_well.core.typing import Array, Value, as_array


def ratio(angle: Value, turned: Value) -> Array:
    """Speed out over speed in of one joint bent by ``angle`` [rad], its driving pin ``turned`` [rad] from square to the bend:
    ``cos b / (1 - sin^2 b cos^2 t)`` (schmelz1992, ch. 1). Exact."""
    b = as_array(angle)
    return np.asarray(np.cos(b) / (1.0 - np.sin(b) ** 2 * np.cos(as_array(turned)) ** 2))


def direction(falls: Value, left: Value) -> Array:
    """Unit vectors (3, ...) along lines that fall and bear left as they run rearward [rad]; rearward, left, up."""
    a, b = np.broadcast_arrays(np.tan(as_array(left)), -np.tan(as_array(falls)))
    v = np.stack([np.ones_like(a), a, b])
    return np.asarray(v / np.sqrt((v**2).sum(axis=0)))


def together(lines: Sequence[Array]) -> list[Array]:
    """Lines over their own samples as lines over all of them, (3, ...) each."""
    shape = np.broadcast_shapes(*(line.shape[1:] for line in lines))
    return [widened(line, shape) for line in lines]


def widened(line: Array, shape: tuple[int, ...]) -> Array:
    """One line as (3, *shape)."""
    return np.broadcast_to(line.reshape(line.shape + (1,) * (len(shape) - line.ndim + 1)), (3, *shape))


def between(first: Array, second: Array) -> Array:
    """Angle [rad] between two unit vectors (3, ...)."""
    cross = np.sqrt((np.cross(first, second, axis=0) ** 2).sum(axis=0))
    return np.asarray(np.arctan2(cross, (first * second).sum(axis=0)))


def bends(lines: Sequence[Array]) -> Array:
    """Angle at each joint of a line of shafts, as a complex number (joint, ...) that also says in which plane it is bent: real
    in plan, imaginary upright [rad]."""
    found = []
    for a, b in itertools.pairwise(lines):
        plane = np.arctan2(b[2] / b[0] - a[2] / a[0], b[1] / b[0] - a[1] / a[0])
        found.append(between(a, b) * np.exp(1j * plane))
    return np.stack(found)


def residual(bent: Array, phases: Sequence[Value]) -> Array:
    """The one joint [rad] that turns as unevenly as a line of them: ``sqrt |sum +-b^2 e^(2i phase)|`` (schmelz1992, ch. 1).

    Parameters
    ----------
    bent : array of complex, (joint, ...)
        As :func:`bends` gives them.
    phases : sequence
        By how much the forks of each shaft between two joints are out of line [rad]; one fewer than joints.
    """
    total = np.zeros(bent.shape[1:], dtype=complex)
    turned = as_array(0.0)
    for k, bend in enumerate(bent):
        if k:
            turned = turned + as_array(phases[k - 1])
        total = total + (-1.0) ** k * np.abs(bend) ** 2 * np.exp(2j * (np.angle(bend) - turned))
    return np.asarray(np.sqrt(np.abs(total)))


def exact(lines: Sequence[Array], phases: Sequence[float], turned: Array) -> Array:
    """Angle [rad] of the last shaft while the first turns evenly through ``turned`` [rad], by the pins of every cross.

    A cross keeps its two pins square to each other, one in each fork: the driven pin is square to the driving one and to its
    own shaft. Forks of a shaft in line have parallel pins. Vectors of :func:`direction` without samples.
    """
    first = np.asarray(lines[0], dtype=float)
    pin = _round(first, turned)
    for k, (into, out) in enumerate(itertools.pairwise(lines)):
        if k:
            pin = _turn(pin, into, phases[k - 1])
        pin = np.cross(out, pin)
        pin /= np.linalg.norm(pin, axis=-1, keepdims=True)
    last = np.asarray(lines[-1], dtype=float)
    x, y = _frame(last)
    return np.asarray(np.unwrap(np.arctan2(pin @ y, pin @ x)))


def uneven(lines: Sequence[Array], phases: Sequence[float], points: int = 73) -> tuple[list[float], list[float]]:
    """Turned [rad] and speed out over speed in of a line through one turn, by exact kinematics."""
    step = 1e-4
    turned = np.linspace(0.0, 2.0 * np.pi, points)
    ends = [exact(lines, phases, turned + d) for d in (-step, step)]
    speed = np.angle(np.exp(1j * (ends[1] - ends[0]))) / (2.0 * step)
    return turned.tolist(), speed.tolist()


def _frame(axis: Array) -> tuple[Array, Array]:
    x = np.cross([0.0, 1.0, 0.0], axis)
    x /= np.linalg.norm(x)
    return x, np.cross(axis, x)


def _round(axis: Array, turned: Array) -> Array:
    x, y = _frame(axis)
    return np.asarray(np.cos(turned)[:, None] * x + np.sin(turned)[:, None] * y)


def _turn(pin: Array, axis: Array, by: float) -> Array:
    return np.asarray(np.cos(by) * pin + np.sin(by) * np.cross(axis, pin))


def acceleration(angle: Value, speed: Value) -> Array:
    """Greatest ``w^2 b^2`` [rad/s2] of a shaft turning ``speed`` [rev/min] behind a joint bent by ``angle`` [rad]."""
    return np.asarray((as_array(speed) * np.pi / 30.0) ** 2 * as_array(angle) ** 2)
