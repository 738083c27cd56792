"""Speed pulses and their converters by hand."""

from math import pi

import numpy as np

from gauge_well.core.electrical import pulses
from tests.support import NumbersCase


class Pulses(NumbersCase):
    def test_a_kilometre_by_hand(self) -> None:
        """Four teeth before a final drive of 3.9 on tyres of 308 mm."""
        self.close(float(1000.0 * pulses.per_metre(4.0, 3.9, 0.308)), 4 * 3.9 * 1000 / (2 * pi * 0.308), rel=1e-12)

    def test_converters_by_continued_fractions(self) -> None:
        """37/60 = [0; 1, 1, 1, 1, 1, 4, ...]: its convergents 1/2, 2/3, 3/5, 5/8, 8/13, 37/60; with 8 at most 5/8 is nearest."""
        found = {(r.times, r.by): r.error for r in pulses.dividers(37.0 / 60.0)}
        for ratio in ((5, 8), (8, 13), (37, 60)):
            self.assertIn(ratio, found)
            self.close(found[ratio], ratio[0] / ratio[1] * 60 / 37 - 1.0, abs=1e-12)
        errors = [abs(r.error) for r in pulses.dividers(0.123456789)]
        self.assertEqual(errors, sorted(errors, reverse=True))

    def test_the_band(self) -> None:
        """120 may show 136, 40 may show 48: a tenth and 4 km/h (unr39)."""
        for true, most in ((120.0, 136.0), (80.0, 92.0), (40.0, 48.0)):
            self.close(float(pulses.allowed(true / 3.6)) * 3.6, most, rel=1e-9)
        self.assertEqual([round(v * 3.6) for v in np.asarray(pulses.TRIED)], [40, 80, 120])
