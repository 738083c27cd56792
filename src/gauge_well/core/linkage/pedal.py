"""A clutch pedal on its way to the release bearing, by fluid or by cable."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from gauge_well.core.typing import Array, Value, as_array


@dataclass(frozen=True)
class Linked:
    """A pedal's pad and what it moves: travel of the pad [m], of that lost before anything moves [m]; pad over rod; fluid: area of
    the slave over the master's (1 for a cable); fork or lever at the bell over its bearing; share of the force that comes through."""

    travel: Value
    lost: Value
    ratio: Value
    areas: Value
    fork: Value
    through: Value


def moves(link: Linked, gives: Value = 0.0) -> Array:
    """Way of the bearing [m], ``gives`` [m] of the master's lost as its bracket bends: ``((travel - lost) / ratio - gives) / areas / fork``."""
    rod = (as_array(link.travel) - as_array(link.lost)) / as_array(link.ratio) - as_array(gives)
    return np.asarray(np.maximum(rod, 0.0) / as_array(link.areas) / as_array(link.fork))


def slave(link: Linked, gives: Value = 0.0) -> Array:
    """Way of the slave or the cable's end [m]."""
    return np.asarray(moves(link, gives) * as_array(link.fork))


def pad_force(link: Linked, bearing: Value) -> Array:
    """Force at the pad [N] for one at the bearing [N]: the work balances, less what rubs."""
    return np.asarray(
        as_array(bearing) / as_array(link.fork) / as_array(link.areas) / as_array(link.ratio) / as_array(link.through)
    )


def rod_force(link: Linked, bearing: Value) -> Array:
    """Force in the pedal's rod or cable [N], which its bracket takes up."""
    return np.asarray(pad_force(link, bearing) * as_array(link.ratio))


def areas(slave_bore: Value, master_bore: Value) -> Array:
    """Slave's area over the master's."""
    return np.asarray((as_array(slave_bore) / as_array(master_bore)) ** 2)
