"""A core of flat tubes and louvred fins."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from functools import cached_property

import numpy as np

from gauge_well.core.heat import louvred_fin
from gauge_well.core.heat.louvred_fin import LouvredFin, f_chang, fin_efficiency, j_chang_wang
from gauge_well.core.heat.radiator import RadiatorCore
from gauge_well.core.heat.tube_side import nusselt_rectangle_shah_london
from gauge_well.core.typing import Array, Value, as_array
from gauge_well.core.validity import Range

ROW_GAP = 0.0015  # m between rows of tubes, common practice


def tube_width(depth: Value, rows: Value) -> Array:
    """Width of a flat tube along the air [m], where ``rows`` share a core's depth."""
    return np.asarray((as_array(depth) - ROW_GAP * (as_array(rows) - 1.0)) / rows)


@dataclass(frozen=True)
class LouvredCore(RadiatorCore):
    """Flat tubes with louvred fins between them (chang1997, chang2000)."""

    fin: LouvredFin

    @property
    def reynolds(self) -> Range:
        """On the louvre pitch (chang1997)."""
        return louvred_fin.REYNOLDS

    @property
    def built(self) -> Sequence[tuple[Range, Value, str]]:
        """Depth, fins and louvres (chang1997)."""
        fin = self.fin
        return (
            (louvred_fin.DEPTH, self.depth, "core_depth"),
            (louvred_fin.PITCH, fin.fin_pitch, "fin_count"),
            (louvred_fin.LOUVRE_PITCH, fin.louvre_pitch, "louvre_pitch"),
            (louvred_fin.LOUVRE_ANGLE, np.deg2rad(fin.louvre_angle), "louvre_angle"),
        )

    @property
    def tube_pitch(self) -> Value:
        """One fin and one tube [m]."""
        return self.fin.tube_pitch

    @property
    def reynolds_length(self) -> Value:
        """Louvre pitch [m]."""
        return self.fin.louvre_pitch

    @cached_property
    def sigma(self) -> Array:
        """Least free area over face area: between tubes and fins."""
        fin = self.fin
        return as_array(fin.fin_length) / fin.tube_pitch * (1.0 - fin.fin_thickness / as_array(fin.fin_pitch))

    @cached_property
    def fin_area(self) -> Array:
        """Both faces of all fins [m2]."""
        fin = self.fin
        return 2.0 * as_array(fin.fin_length) / (as_array(fin.fin_pitch) * fin.tube_pitch) * self.face * self.depth

    @cached_property
    def tube_area(self) -> Array:
        """Tube surface left bare between fins [m2]."""
        fin = self.fin
        bare = 1.0 - as_array(fin.fin_thickness) / fin.fin_pitch
        return 2.0 / as_array(fin.tube_pitch) * bare * self.face * self.depth

    @cached_property
    def _passage(self) -> tuple[Array, Array]:
        high = as_array(self.fin.tube_height) - 2.0 * as_array(self.wall)
        wide = tube_width(self.depth, self.rows) - 2.0 * as_array(self.wall)
        # Doubts of depth and thickness may cross; a tube is a flat one all the same.
        return high, np.maximum(wide, high)

    @cached_property
    def hydraulic_diameter(self) -> Array:
        """Of a tube's passage [m]: four areas over the wetted perimeter."""
        high, wide = self._passage
        return 2.0 * high * wide / (high + wide)

    @cached_property
    def tube_passage(self) -> Array:
        """Flow area of one tube [m2]."""
        high, wide = self._passage
        return high * wide

    @cached_property
    def nusselt_laminar(self) -> Array:
        """Of a rectangle of the passage's sides."""
        high, wide = self._passage
        return nusselt_rectangle_shah_london(high / wide)

    def j(self, reynolds: Value) -> Array:
        """Colburn factor (chang1997)."""
        return j_chang_wang(reynolds, self.fin)

    def f(self, reynolds: Value, hydraulic_diameter: Value) -> Array:
        """Fanning friction factor (chang2000)."""
        return f_chang(reynolds, self.fin, hydraulic_diameter)

    def fin_efficiency(self, coefficient: Value) -> Array:
        """Of a fin fed from both tubes."""
        return fin_efficiency(coefficient, self.fin, self.conductivity)
