"""A core of round tubes through plain plate fins: the old copper-and-brass pattern, and stationary plant."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from functools import cached_property

import numpy as np

from gauge_well.core.heat import plate_fin
from gauge_well.core.heat.plate_fin import PlateFin, f_wang_chi_chang, fin_efficiency_schmidt, j_wang_chi_chang
from gauge_well.core.heat.radiator import RadiatorCore
from gauge_well.core.typing import Array, Value, as_array
from gauge_well.core.validity import Range

NUSSELT_ROUND = 3.66  # laminar, constant wall temperature (incropera2007, ch. 8)


@dataclass(frozen=True)
class PlateFinCore(RadiatorCore):
    """Round tubes, staggered, through plain plates (wang2000)."""

    fin: PlateFin

    @property
    def reynolds(self) -> Range:
        """On the diameter over the collar (wang2000)."""
        return plate_fin.REYNOLDS

    @property
    def built(self) -> Sequence[tuple[Range, Value, str]]:
        """Tubes and fins (wang2000)."""
        fin = self.fin
        return (
            (plate_fin.TUBE, fin.tube_diameter, "tube_diameter"),
            (plate_fin.PITCH, fin.fin_pitch, "fin_count"),
            (plate_fin.ACROSS, fin.pitch_across, "tube_across"),
            (plate_fin.ALONG, fin.pitch_along, "tube_along"),
        )

    @property
    def tube_pitch(self) -> Value:
        """Tube to tube across the air [m]."""
        return self.fin.pitch_across

    @property
    def reynolds_length(self) -> Value:
        """Diameter over the collar [m]."""
        return self.fin.collar

    @cached_property
    def sigma(self) -> Array:
        """Least free area over face area."""
        return self.fin.sigma

    @cached_property
    def fin_area(self) -> Array:
        """Both faces of all fins [m2]."""
        return self.fin.fin_density * self.face * self.depth

    @cached_property
    def tube_area(self) -> Array:
        """Tube surface left bare between fins [m2]."""
        return self.fin.tube_density * self.face * self.depth

    @cached_property
    def hydraulic_diameter(self) -> Array:
        """Inside of a tube [m]."""
        return as_array(self.fin.tube_diameter) - 2.0 * as_array(self.wall)

    @cached_property
    def tube_passage(self) -> Array:
        """Flow area of one tube [m2]."""
        return np.asarray(np.pi / 4.0 * self.hydraulic_diameter**2)

    @property
    def nusselt_laminar(self) -> Array:
        """Of a round tube."""
        return np.asarray(NUSSELT_ROUND)

    def j(self, reynolds: Value) -> Array:
        """Colburn factor (wang2000)."""
        return j_wang_chi_chang(reynolds, self.fin)

    def f(self, reynolds: Value, hydraulic_diameter: Value) -> Array:
        """Fanning friction factor (wang2000)."""
        return f_wang_chi_chang(reynolds, self.fin)

    def fin_efficiency(self, coefficient: Value) -> Array:
        """Of the plates (schmidt1949)."""
        return fin_efficiency_schmidt(coefficient, self.fin, self.conductivity)
