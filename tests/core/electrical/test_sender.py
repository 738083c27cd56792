"""Senders against gauges: resistors against a grid of them, curves and pull-ups by hand."""

import numpy as np

from gauge_well.core.electrical import sender as s
from tests.support import NumbersCase


def ntc(ohm: float, beta: float, *celsius: float) -> s.Curve:
    """A thermistor by its beta from 25 degC (common practice)."""
    kelvin = np.array(celsius) + 273.15
    return s.Curve(kelvin, ohm * np.exp(beta * (1.0 / kelvin - 1.0 / 298.15)), True)


LEVEL = s.Curve(np.array([0.0, 1.0]), np.array([0.5, 90.0]))
GAUGE = s.Curve(np.array([0.0, 1.0]), np.array([10.0, 73.0]))


class Curves(NumbersCase):
    def test_two_points_of_a_thermistor_give_all(self) -> None:
        """Its beta law between and beyond them."""
        two, all_ = ntc(1800.0, 3500.0, 20.0, 100.0), ntc(1800.0, 3500.0, 0.0, 60.0, 130.0)
        for t in (0.0, 45.0, 60.0, 120.0):
            self.close(float(two.ohm(t + 273.15)), float(all_.ohm(t + 273.15)), rel=1e-6)
            self.close(float(two.reading(two.ohm(t + 273.15))), t + 273.15, rel=1e-9)

    def test_a_line_runs_both_ways(self) -> None:
        for falls in (False, True):
            ohms = np.array([10.0, 40.0, 180.0])
            curve = s.Curve(np.array([0.0, 2.0, 10.0]), ohms[::-1] if falls else ohms)
            self.assertEqual(curve.falls, falls)
            for at in (-0.5, 0.0, 1.0, 2.0, 7.0, 10.0):
                self.close(float(curve.reading(curve.ohm(at))), at, abs=1e-9)


class Networks(NumbersCase):
    def test_one_in_line_one_across_by_hand(self) -> None:
        """30 ohm and 20 in its line are 50; 200 across leave 40."""
        self.close(float(s.seen(30.0, 20.0, 200.0)), 40.0, rel=1e-12)
        self.close(float(s.seen(30.0, 0.0, np.inf)), 30.0, rel=1e-12)

    def test_the_best_of_a_grid_is_no_better(self) -> None:
        """Every pair of 140 x 140 resistors over seven decades, by readings' squares."""
        cases = [(LEVEL, GAUGE), (ntc(1800.0, 3500.0, 0.0, 130.0), ntc(1300.0, 3300.0, 60.0, 110.0)), (ntc(2500.0, 3400.0, 10.0, 120.0), ntc(700.0, 3900.0, 40.0, 120.0))]  # fmt: skip
        for own, gauge in cases:
            found = s.match(own, gauge)
            assert found is not None
            true = s.span(own, gauge)
            tried = np.concatenate([[1e-9], np.geomspace(0.1, 1e6, 139)])
            line = own.ohm(true) + tried[:, None, None]
            shown = gauge.reading(1.0 / (1.0 / line + 1.0 / np.geomspace(0.1, 1e6, 140)[:, None]))
            best = float(np.min(np.sqrt(np.mean((shown - true) ** 2, axis=2))))
            self.assertLessEqual(found.read.rms, best * (1.0 + 1e-6))
            self.assertGreater(found.read.rms, 0.5 * best)  # and no other answer than the grid's

    def test_like_and_like_need_none(self) -> None:
        found = s.match(GAUGE, GAUGE)
        assert found is not None
        self.assertLess(found.read.rms, 1e-3)

    def test_against_each_other_none_can(self) -> None:
        other = s.Curve(GAUGE.readings, GAUGE.ohms[::-1])
        self.assertTrue(s.contrary(LEVEL, other))
        self.assertIsNone(s.match(LEVEL, other))
        # The best standing needle: the deviation of even readings over their range, 1/sqrt(12), of forty-one places.
        self.close(s.constant(LEVEL, other), 1.0 / np.sqrt(12.0) * np.sqrt(42.0 / 40.0), rel=1e-9)

    def test_sold_values(self) -> None:
        """The series of twenty-four (iec60063): 989 is bought as 1,000, 640 as 620, 0.97 as 1."""
        for asked, sold in ((989.0, 1000.0), (640.0, 620.0), (0.97, 1.0), (4.5, 4.7), (0.0, 0.0)):
            self.close(s.sold(asked), sold, rel=1e-9, abs=1e-12)
        self.assertEqual(s.sold(np.inf), np.inf)

    def test_heat_by_hand(self) -> None:
        """10 V over 5 in line and a sender's 20 at least: 0.4 A, 0.8 W; over 100 across: 1 W."""
        line, across = s.heats(np.array([20.0, 200.0]), 5.0, 100.0, 10.0)
        self.close(line, 0.8, rel=1e-9)
        self.close(across, 1.0, rel=1e-9)


class PullUps(NumbersCase):
    def test_a_table_for_another_pull_up(self) -> None:
        """On 2.49 k with a table for 1.0 k its ohms look 1 / 2.49 of themselves: by the beta law that is a hotter place."""
        sensor = ntc(2500.0, 3400.0, 0.0, 130.0)
        for t in (20.0, 90.0):
            hot = 1.0 / (1.0 / (t + 273.15) - np.log(2.49) / 3400.0)
            self.close(float(s.through_pull_up(sensor, t + 273.15, 2490.0, 1000.0)), hot, rel=1e-9)
        cold = float(s.through_pull_up(sensor, 363.15, 1000.0, 2490.0))
        self.assertLess(cold, 363.15)  # the other way round it reads cold
        self.close(s.beside(1000.0, 1000.0), 500.0, rel=1e-12)
