"""Vacuum for a brake booster: how many applications it holds, how soon it comes back."""

from __future__ import annotations

import numpy as np

from gauge_well.core.typing import Array, Value, as_array


def lets_in(diameter: Value, stroke: Value) -> Array:
    """Air [m3] one whole application lets in: ``pi/4 D^2 x stroke``."""
    return np.asarray(np.pi / 4.0 * as_array(diameter) ** 2 * as_array(stroke))


def left(depth: Value, volume: Value, each: Value, times: Value) -> Array:
    """Depth [Pa] after so many applications of ``each`` [m3] on ``volume`` [m3]: ``d (V / (V + Va))^n``, nothing drawn
    meanwhile; air mixed at one temperature."""
    v = as_array(volume)
    return np.asarray(as_array(depth) * (v / (v + as_array(each))) ** as_array(times))


def applications(depth: Value, volume: Value, each: Value, least: Value) -> Array:
    """Whole and parts of applications before the depth passes ``least`` [Pa]: ``ln(d / least) / ln(1 + Va / V)``; nought where it
    starts under it."""
    d, v = np.maximum(as_array(depth), 1.0), as_array(volume)
    return np.asarray(np.maximum(np.log(d / as_array(least)), 0.0) / np.log1p(as_array(each) / v))


def pumped(volume: Value, flow: Value, deepest: Value, start: Value, end: Value, air: Value) -> Array:
    """Seconds for a pump of free flow ``flow`` [m3/s], which falls to nought at ``deepest`` [Pa], to draw ``volume`` [m3] from one
    depth to another [Pa] in air of pressure ``air`` [Pa].

    ``V dd/dt = Q (1 - d/D) (p - d)`` by parts of fractions; without end where the end is not under what it reaches.
    """
    p, most = as_array(air), np.minimum(as_array(deepest), as_array(air) * 0.999)
    a, b = as_array(start), as_array(end)
    reaches = b < most
    b = np.where(reaches, b, 0.0)
    a = np.minimum(a, b)
    gone = np.where(p - most > 1e-6, p - most, 1e-6)
    time = (
        as_array(volume) / as_array(flow) * most / gone * (np.log((most - a) / (most - b)) - np.log((p - a) / (p - b)))
    )
    return np.asarray(np.where(reaches, np.maximum(time, 0.0), np.inf))
