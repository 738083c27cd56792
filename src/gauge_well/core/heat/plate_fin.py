"""Plain plate fins on round staggered tubes: heat transfer, friction, fin efficiency."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from gauge_well.core.typing import Array, Value, as_array, clip
from gauge_well.core.validity import Range

REYNOLDS = Range(
    "Air between the tubes of the core, as a Reynolds number,",
    300.0,
    20000.0,
    "wang2000",
    below="So slow that its heat is taken to fall with the flow: count on no more than that.",
    above="So fast that the fins' heat is carried on past what was measured: a test of the core would tell.",
)
HELD = REYNOLDS.low
# The cores it was fitted on; from memory.
TUBE = Range(
    "The tube of the core",
    6.35e-3,
    12.7e-3,
    "wang2000",
    below="Tubes so thin were not measured: one test point of this core would tell.",
    above="Tubes so thick were not measured: one test point of this core would tell.",
    kind="length",
)
PITCH = Range(
    "The pitch of the fins of the core",
    1.19e-3,
    8.7e-3,
    "wang2000",
    below="Fins so close were not measured: a test of the core would tell.",
    kind="length",
)
ACROSS = Range(
    "Tube to tube across the core",
    17.7e-3,
    31.75e-3,
    "wang2000",
    below="Tubes so close were not measured: a test of the core would tell.",
    above="Tubes so far apart were not measured: a test of the core would tell.",
    kind="length",
)
ALONG = Range(
    "Row to row in the core",
    12.4e-3,
    27.5e-3,
    "wang2000",
    below="Rows so close were not measured: a test of the core would tell.",
    above="Rows so far apart were not measured: a test of the core would tell.",
    kind="length",
)


@dataclass(frozen=True)
class PlateFin:
    """Geometry of round tubes through plain plates; lengths in metres."""

    fin_pitch: Value
    fin_thickness: Value
    tube_diameter: Value
    pitch_across: Value
    pitch_along: Value
    rows: Value

    @property
    def collar(self) -> Array:
        """Diameter over the fin's collar [m]."""
        return as_array(self.tube_diameter) + 2.0 * as_array(self.fin_thickness)

    @property
    def sigma(self) -> Array:
        """Least free area over face area."""
        return (1.0 - as_array(self.fin_thickness) / self.fin_pitch) * (1.0 - self.collar / self.pitch_across)

    @property
    def fin_density(self) -> Array:
        """Both faces of the fins over the core's volume [m2/m3]."""
        hole = np.pi * self.collar**2 / (4.0 * as_array(self.pitch_across) * self.pitch_along)
        return np.asarray(2.0 / as_array(self.fin_pitch) * (1.0 - hole))

    @property
    def tube_density(self) -> Array:
        """Bare tube between fins over the core's volume [m2/m3]."""
        bare = 1.0 - as_array(self.fin_thickness) / self.fin_pitch
        return np.asarray(np.pi * self.collar * bare / (as_array(self.pitch_across) * self.pitch_along))

    @property
    def hydraulic_diameter(self) -> Array:
        """Of the air's passages [m]: four least areas times depth over the surface."""
        return 4.0 * self.sigma / (self.fin_density + self.tube_density)


def j_wang_chi_chang(reynolds: Value, fin: PlateFin) -> Array:
    """Colburn factor (wang2000), Reynolds number on collar diameter and minimum-area velocity.

    Fitted for 300 < Re < 20000 and 1 to 6 rows; held below. One row has a form of its own.
    """
    re = np.maximum(as_array(reynolds), HELD)
    ln = np.log(re)
    fp, dc, dh = as_array(fin.fin_pitch), fin.collar, fin.hydraulic_diameter
    pt, pl, n = as_array(fin.pitch_across), as_array(fin.pitch_along), as_array(fin.rows)
    one = (
        0.108
        * re**-0.29
        * (pt / pl) ** (1.9 - 0.23 * ln)
        * (fp / dc) ** -1.084
        * (fp / dh) ** -0.786
        * (fp / pt) ** (-0.236 + 0.126 * ln)
    )
    p3 = -0.361 - 0.042 * n / ln + 0.158 * np.log(n * (fp / dc) ** 0.41)
    p4 = -1.224 - 0.076 * (pl / dh) ** 1.42 / ln
    p5 = -0.083 + 0.058 * n / ln
    p6 = -5.735 + 1.21 * np.log(re / n)
    more = 0.086 * re**p3 * n**p4 * (fp / dc) ** p5 * (fp / dh) ** p6 * (fp / pt) ** -0.93
    return np.asarray(np.where(n < 1.5, one, more))


def f_wang_chi_chang(reynolds: Value, fin: PlateFin) -> Array:
    """Fanning friction factor (wang2000); below Re 300 it goes on as 1/Re."""
    re = np.maximum(as_array(reynolds), 1e-6)
    held = np.maximum(re, HELD)
    ln = np.log(held)
    ratio, tight = as_array(fin.pitch_across) / fin.pitch_along, as_array(fin.fin_pitch) / fin.collar
    f1 = -0.764 + 0.739 * ratio + 0.177 * tight - 0.00758 / as_array(fin.rows)
    f2 = -15.689 + 64.021 / ln
    f3 = 1.696 - 15.695 / ln
    return np.asarray(0.0267 * held**f1 * ratio**f2 * tight**f3 * held / re)


def fin_efficiency_schmidt(coefficient: Value, fin: PlateFin, conductivity: Value) -> Array:
    """Efficiency of a plate shared by staggered round tubes (schmidt1949): a round fin of equal worth.

    ``tanh(m r phi) / (m r phi)``, ``phi = (R/r - 1)(1 + 0.35 ln(R/r))``,
    ``R/r = 1.27 (X_M/r) sqrt(X_L/X_M - 0.3)``, r half the collar, X_M half the pitch across, X_L half the
    diagonal.
    """
    r = fin.collar / 2.0
    x_m = as_array(fin.pitch_across) / 2.0
    x_l = np.sqrt(x_m**2 + as_array(fin.pitch_along) ** 2) / 2.0
    ratio = 1.27 * x_m / r * np.sqrt(clip(x_l / x_m - 0.3, 0.05, np.inf))
    phi = (ratio - 1.0) * (1.0 + 0.35 * np.log(ratio))
    m = np.sqrt(2.0 * as_array(coefficient) / (as_array(conductivity) * fin.fin_thickness))
    x = np.maximum(m * r * phi, 1e-9)
    return np.asarray(np.tanh(x) / x)
