"""Exchangers against a general heat-transfer library; keel coolers against their own resistances and the trade's figures."""

import ht
import numpy as np

from gauge_well.core.heat import exchanger
from tests.support import NumbersCase


class Effectiveness(NumbersCase):
    def test_against_a_library(self) -> None:
        """Counterflow, and one shell with two tube passes (1e-9)."""
        for ntu in (0.05, 0.187, 0.7, 2.0, 5.0):
            for ratio in (0.1, 0.5, 0.846, 0.999):
                plain = ht.effectiveness_from_NTU(NTU=ntu, Cr=ratio, subtype="counterflow")
                self.close(float(exchanger.counterflow_kays(ntu, ratio)), plain, rel=1e-9)
                shell = ht.effectiveness_from_NTU(NTU=ntu, Cr=ratio, subtype="S&T")
                self.close(float(exchanger.shell_kays(ntu, ratio)), shell, rel=1e-9)

    def test_equal_streams(self) -> None:
        """``N / (1 + N)`` where both carry alike (kays1984), and continuous there."""
        self.close(float(exchanger.counterflow_kays(2.0, 1.0)), 2.0 / 3.0, rel=1e-9)
        near, at = (float(exchanger.counterflow_kays(2.0, c)) for c in (1.0 - 2e-6, 1.0))
        self.close(near, at, rel=1e-5)

    def test_heat(self) -> None:
        """66 kW over 53 K from an effectiveness of .16 on 7,783 W/K: UA about 1,450 (common practice; 5 %)."""
        rate = float(exchanger.heat_a_kelvin("tube", 1453.0, 7783.0, 9200.0))
        self.close(53.0 * rate, 66e3, rel=0.05)
        # Which stream is the smaller makes no odds.
        self.close(float(exchanger.heat_a_kelvin("tube", 1453.0, 9200.0, 7783.0)), rate, rel=1e-12)

    def test_never_more_than_the_smaller_stream(self) -> None:
        ua = np.geomspace(1.0, 1e6, 30)
        for pattern in exchanger.PATTERNS:
            found = exchanger.heat_a_kelvin(pattern, ua, 500.0, 900.0)
            self.assertTrue(np.all(np.diff(found) >= -1e-9) and found[-1] <= 500.0 + 1e-9)


class Keel(NumbersCase):
    def test_by_speed(self) -> None:
        """270, 830, 995 and 1,055 W/m2K at rest, 2, 5 and 8 knots (common practice; 3 %)."""
        for knots, wanted in ((0.0, 270.0), (2.0, 830.0), (5.0, 995.0), (8.0, 1055.0)):
            self.close(float(exchanger.keel_coefficient(knots * 0.514444)), wanted, rel=0.03)

    def test_resistances_in_series(self) -> None:
        """At 3 m/s by hand: Re 5e6, Nu .037 Re^.8 Pr^(1/3) (incropera2007), growth 5e-4, coolant 3,000 W/m2K (0.1 %)."""
        nusselt = 0.037 * (3.0 * 1.5 / 0.9e-6) ** 0.8 * 5.9 ** (1 / 3)
        outside = nusselt * 0.61 / 1.5
        self.close(float(exchanger.keel_coefficient(3.0)), 1 / (1 / outside + 5e-4 + 1 / 3000.0), rel=1e-3)
