"""Oils against published data and the relation's own points."""

import numpy as np

from gauge_well.core.media.oils import OILS, density, viscosity_walther
from tests.support import NumbersCase, table


class Oils(NumbersCase):
    def test_against_a_makers_table(self) -> None:
        """8 %: oils of one grade differ by as much."""
        for row in table("oil_viscosity.csv"):
            found = viscosity_walther(OILS["15w40"], row["celsius"] + 273.15) * 1e6
            self.close(found, row["viscosity"], rel=0.08)

    def test_through_both_points(self) -> None:
        for oil in OILS.values():
            self.close(viscosity_walther(oil, np.array([313.15, 373.15])), [oil.at_40, oil.at_100], rel=1e-9)
            self.falling(viscosity_walther(oil, np.linspace(255.0, 440.0, 30)), oil.id)

    def test_thicker_grades_are_thicker_hot(self) -> None:
        """SAE J300 at 100 degC, mm2/s: 20 6.9 to 9.3, 30 to 12.5, 40 to 16.3, 50 to 21.9, 60 to 26.1; gear oil 90 of
        SAE J306 13.5 to 18.5."""
        bands = {"20": (6.9, 9.3), "30": (9.3, 12.5), "40": (12.5, 16.3), "50": (16.3, 21.9), "60": (21.9, 26.1)}
        self.assertEqual(len(OILS), 18)
        for id, oil in OILS.items():
            low, high = {"90": (13.5, 18.5), **bands}[id[-2:]]
            self.between(oil.at_100 * 1e6, low, high, id)

    def test_density(self) -> None:
        self.close(density(373.15), 820.0, abs=6.0, note="about 6 % lighter at 100 degC (common practice)")
