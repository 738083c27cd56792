"""Welds as lines of a throat's width (blodgett1966), and their life under a spectrum (hobbacher2016)."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.typing import Array, Value, as_array


@dataclass(frozen=True)
class Line:
    """A weld of no width: length [m], its modulus in bending [m2], area it goes round [m2]."""

    length: Array
    modulus: Array
    round: Array


def ring(diameter: Value) -> Line:
    """All round a tube: ``Wu = pi D^2 / 4``."""
    d = as_array(diameter)
    return Line(np.pi * d, np.pi * d**2 / 4.0, np.pi * d**2 / 4.0)


def oblong(width: Value, height: Value) -> Line:
    """All round an oblong, ``height`` [m] along the load: ``Wu = b h + h^2 / 3``."""
    b, h = as_array(width), as_array(height)
    return Line(2.0 * (b + h), b * h + h**2 / 3.0, b * h)


def stress(line: Line, throat: Value, force: Value, arm: Value, aside: Value) -> Array:
    """Stress [Pa] in a weld's throat [m]: bending beside shear and torsion, as vectors."""
    f, a = as_array(force), as_array(throat)
    bending = f * arm / (line.modulus * a)
    shear = f / (line.length * a) + f * aside / (2.0 * line.round * a)
    return np.asarray(np.sqrt(bending**2 + shear**2))


CYCLES, SLOPE = 2e6, 3.0  # at which a class is given, and the slope of its line


def life(klass: Value, stress_range: Value) -> Array:
    """Cycles to failure: ``2e6 (C / ds)^3`` of a class [Pa] at a range [Pa]."""
    return np.asarray(CYCLES * (as_array(klass) / np.maximum(as_array(stress_range), 1.0)) ** SLOPE)


def fatigue_fill(klass: Value, per_g: Value, spectrum: Sequence[tuple[float, float]]) -> Array:
    """Fill of a weld over a spectrum of (cycles, amplitude in g): ``(sum n / N)^(1/3)``, which goes as stress does.

    Damage adds up (miner1945); each load of amplitude ``a`` swings by ``2 a`` times the stress of 1 g, ``per_g`` [Pa].
    """
    damage = sum(cycles / life(klass, 2.0 * g * as_array(per_g)) for cycles, g in spectrum)
    return np.asarray(damage ** (1.0 / SLOPE))
