"""Friction and pumping by hand from the published forms."""

import numpy as np

from gauge_well.core.engine import friction
from tests.support import NumbersCase


class Friction(NumbersCase):
    def test_petrol(self) -> None:
        """0.97 + 0.15 k + 0.05 k2 bar: 1.87 at 3000 rev/min (Heywood, ch. 13)."""
        self.close(friction.fmep_petrol(3000.0), 1.87e5, rel=1e-12)

    def test_diesel(self) -> None:
        """75 + 48 k + 0.4 Sp2 kPa: 2000 rev/min and 8 m/s give 196.6 (Heywood, ch. 13)."""
        self.close(friction.fmep_diesel(2000.0, 8.0), 196.6e3, rel=1e-12)

    def test_pumping_vanishes_at_load(self) -> None:
        self.close(friction.pmep_petrol(np.array([0.0, 5e5, 11e5])), [0.75e5, 0.40e5, 0.0], abs=1.0)
