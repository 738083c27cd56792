"""Steady stretches, spikes and drift against made logs, SciPy's line and the trade."""

import unittest

import numpy as np
from scipy import stats

from gauge_well.core.fitted.steady import DAY, drift, steady, without_spikes


class Steady(unittest.TestCase):
    def test_a_stretch_is_found_where_nothing_moves(self) -> None:
        time = np.arange(1200.0)
        coolant = np.where(time < 500, 330.0 + 0.1 * time, 380.0) + 0.05 * np.sin(time)
        found = steady({"coolant": coolant}, np.full(1200, 30e3))
        self.assertEqual(len(found), 1)
        self.assertTrue(490 <= found[0].begin <= 510, found[0])
        self.assertEqual(found[0].end, 1200)
        self.assertAlmostEqual(found[0].means["coolant"], 380.0, delta=0.1)

    def test_a_slow_creep_is_none(self) -> None:
        self.assertEqual(steady({"coolant": 360.0 + np.arange(1200.0) / 50.0}, np.full(1200, 30e3)), [])

    def test_power_that_swings_or_a_gap_is_none(self) -> None:
        still = np.full(600, 370.0)
        swing = 30e3 * (1.0 + 0.5 * np.sin(np.arange(600) / 5.0))
        self.assertEqual(steady({"coolant": still}, swing), [])
        holed = still.copy()
        holed[::40] = np.nan
        self.assertEqual(steady({"coolant": holed}, np.full(600, 30e3)), [])
        self.assertEqual(steady({"coolant": still[:30]}, np.full(30, 30e3)), [])

    def test_every_channel_must_stand(self) -> None:
        still, creeps = np.full(600, 370.0), 380.0 + np.arange(600.0) / 30.0
        self.assertEqual(steady({"coolant": still, "oil": creeps}, np.full(600, 30e3)), [])
        self.assertEqual(len(steady({"coolant": still, "oil": still}, np.full(600, 30e3))), 1)


class Spikes(unittest.TestCase):
    def test_what_jumps_out_and_back_is_no_reading(self) -> None:
        rng = np.random.default_rng(1)
        values = 350.0 + np.arange(600) / 30.0 + 0.2 * rng.normal(size=600)
        spoilt = values.copy()
        spoilt[[100, 101, 300]] = (0.0, 500.0, 420.0)
        found = without_spikes(spoilt)
        self.assertEqual(set(np.flatnonzero(np.isnan(found))), {100, 101, 300})
        np.testing.assert_array_equal(found[~np.isnan(found)], spoilt[~np.isnan(found)])

    def test_a_step_that_stays_is_one(self) -> None:
        values = np.where(np.arange(400) < 200, 350.0, 365.0)
        self.assertFalse(np.isnan(without_spikes(values)).any())

    def test_a_dead_or_short_channel_is_left_alone(self) -> None:
        self.assertFalse(np.isnan(without_spikes(np.full(100, 12.6))).any())
        np.testing.assert_array_equal(without_spikes(np.array([1.0, 99.0, 1.0])), [1.0, 99.0, 1.0])
        self.assertTrue(np.isnan(without_spikes(np.full(50, np.nan))).all())


class Drifts(unittest.TestCase):
    def test_the_line_is_scipys(self) -> None:
        rng = np.random.default_rng(2)
        days = np.sort(rng.uniform(0.0, 200.0, 25))
        off = 3.0 * days / 100.0 + 1.5 * rng.normal(size=25)
        found = drift(days * DAY, off, np.full(25, 2.0))
        line = stats.linregress(days / 100.0, off)
        self.assertAlmostEqual(found.slope, line.slope, places=9)
        self.assertAlmostEqual(found.sd, line.stderr, delta=0.02 * line.stderr)
        self.assertTrue(found.told)

    def test_scatter_alone_is_not_told(self) -> None:
        rng = np.random.default_rng(3)
        told = [drift(np.arange(12) * 10.0 * DAY, rng.normal(size=12), np.full(12, 2.0)).told for _ in range(400)]
        # Two standard deviations of twelve readings: some five to nine in a hundred by chance.
        self.assertLess(np.mean(told), 0.12)

    def test_too_few_or_of_one_day_say_nothing(self) -> None:
        self.assertIsNone(drift([0.0, DAY], [1.0, 2.0], [2.0, 2.0]))
        self.assertIsNone(drift([0.0, 60.0, 120.0], [1.0, 2.0, 3.0], [2.0, 2.0, 2.0]))

    def test_a_sharper_gauge_counts_more(self) -> None:
        found = drift([0.0, 50 * DAY, 100 * DAY], [0.0, 9.0, 1.0], [0.5, 20.0, 0.5])
        self.assertAlmostEqual(found.slope, 1.0, delta=0.05)
