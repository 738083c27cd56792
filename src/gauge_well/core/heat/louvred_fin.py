"""Louvred fins: heat transfer, friction, fin efficiency."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from gauge_well.core.typing import Array, Value, as_array, clip
from gauge_well.core.validity import Range

REYNOLDS = Range(
    "Air in the louvres of the core, as a Reynolds number,",
    100.0,
    3000.0,
    "chang1997",
    below="So slow that its heat is taken to fall with the flow: count on no more than that.",
    above="So fast that the fins' heat is carried on past what was measured: a test of the core would tell.",
)
# The cores it was fitted on; from memory.
DEPTH = Range(
    "The depth of the core",
    0.0156,
    0.0574,
    "chang1997",
    below="Shallower cores were not measured: one test point of this core would tell.",
    above="Deeper cores were not measured: the last of the depth likely sheds less than said; a test would tell.",
    kind="length",
)
PITCH = Range(
    "The pitch of the fins of the core",
    0.51e-3,
    3.33e-3,
    "chang1997",
    above="Fins so far apart were not measured: a test of the core would tell.",
    kind="length",
)
LOUVRE_PITCH = Range(
    "The pitch of the louvres",
    0.5e-3,
    3.0e-3,
    "chang1997",
    above="Louvres so far apart were not measured: a test of the core would tell.",
    kind="length",
)
LOUVRE_ANGLE = Range(
    "The angle of the louvres",
    8.4 * np.pi / 180.0,
    35.0 * np.pi / 180.0,
    "chang1997",
    below="Louvres so flat were not measured: a test of the core would tell.",
    above="Louvres so steep were not measured: a test of the core would tell.",
    kind="angle",
)


@dataclass(frozen=True, kw_only=True)
class LouvredFin:
    """Geometry of a flat-tube louvred-fin core; lengths in metres, the angle in degrees."""

    fin_pitch: Value
    fin_length: Value
    fin_thickness: Value
    louvre_pitch: Value
    louvre_length: Value
    louvre_angle: Value
    tube_height: Value
    tube_depth: Value

    @property
    def tube_pitch(self) -> Value:
        """Tube pitch [m]: one fin and one tube."""
        return self.fin_length + self.tube_height


def j_chang_wang(reynolds: Value, fin: LouvredFin) -> Array:
    """Colburn factor (chang1997), Reynolds number on louvre pitch and minimum-area velocity.

    Fitted for 100 < Re < 3000; below 100 it is held (the correlation turns up there).
    """
    re = np.maximum(as_array(reynolds), 100.0)
    lp = fin.louvre_pitch
    shape = (
        (as_array(fin.louvre_angle) / 90.0) ** 0.27
        * (as_array(fin.fin_pitch) / lp) ** -0.14
        * (as_array(fin.fin_length) / lp) ** -0.29
        * (as_array(fin.tube_depth) / lp) ** -0.23
        * (as_array(fin.louvre_length) / lp) ** 0.68
        * (as_array(fin.tube_pitch) / lp) ** -0.28
        * (as_array(fin.fin_thickness) / lp) ** -0.05
    )
    return np.asarray(re**-0.49 * shape)


def _f_low(re: Array, fin: LouvredFin, hydraulic_diameter: Value) -> Array:
    lp, fp = as_array(fin.louvre_pitch), as_array(fin.fin_pitch)
    dm, tp = as_array(fin.tube_height), as_array(fin.tube_pitch)
    dh = as_array(hydraulic_diameter)
    f1 = 14.39 * re ** (-0.805 * fp / fin.fin_length) * np.log(1.0 + fp / lp) ** 3.04
    f2 = np.log((fin.fin_thickness / fp) ** 0.48 + 0.9) ** -1.435 * (dh / lp) ** -3.01 * np.log(0.5 * re) ** -3.01
    f3 = (
        (fp / fin.louvre_length) ** -0.308
        * (fin.tube_depth / as_array(fin.louvre_length)) ** -0.308
        * np.exp(-0.1167 * tp / dm)
        * as_array(fin.louvre_angle) ** 0.35
    )
    return np.asarray(f1 * f2 * f3)


def _f_high(re: Array, fin: LouvredFin, hydraulic_diameter: Value) -> Array:
    lp, fp = as_array(fin.louvre_pitch), as_array(fin.fin_pitch)
    dm, tp = as_array(fin.tube_height), as_array(fin.tube_pitch)
    angle, dh = as_array(fin.louvre_angle), as_array(hydraulic_diameter)
    f1 = 4.97 * re ** (0.6049 - 1.064 / angle**0.2) * np.log((fin.fin_thickness / fp) ** 0.5 + 0.9) ** -0.527
    f2 = ((dh / lp) * np.log(0.3 * re)) ** -2.966 * (fp / fin.louvre_length) ** (-0.7931 * tp / (tp - dm))
    f3 = (tp / dm) ** -0.0446 * np.log(1.2 + (lp / fp) ** 1.4) ** -3.553 * angle**-0.477
    return np.asarray(f1 * f2 * f3)


def f_chang(reynolds: Value, fin: LouvredFin, hydraulic_diameter: Value) -> Array:
    """Fanning friction factor (chang2000), blended between Re 130 and 230 (chang2006).

    Below Re 60 it goes on as 1/Re; other published correlations stand at 0.65 to 1.4 of it.
    """
    re = np.maximum(as_array(reynolds), 1e-6)
    held = np.maximum(re, 60.0)
    low = _f_low(np.minimum(held, 130.0), fin, hydraulic_diameter)
    high = _f_high(np.maximum(held, 230.0), fin, hydraulic_diameter)
    w = clip(3.6 - 0.02 * held, -1.0, 1.0)
    blend = np.sqrt(((1.0 + w) * low**2 + (1.0 - w) * high**2) / 2.0)
    return np.asarray(blend * held / re)


def fin_efficiency(coefficient: Value, fin: LouvredFin, conductivity: Value) -> Array:
    """Efficiency of a fin fed from both tubes: ``tanh(mL)/(mL)``, half the fin height
    (incropera2007, ch. 3)."""
    thickness = as_array(fin.fin_thickness)
    m = np.sqrt(2.0 * as_array(coefficient) / (as_array(conductivity) * thickness) * (1.0 + thickness / fin.tube_depth))
    x = m * (as_array(fin.fin_length) / 2.0 - thickness)
    return np.asarray(np.tanh(x) / x)
