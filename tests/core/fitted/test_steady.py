"""Stretches in which the load holds, spikes and drift against made logs, SciPy's line and the trade."""

import unittest
from itertools import pairwise

import numpy as np
from scipy import stats

from gauge_well.core.fitted.steady import DAY, OVER, bridged, drift, stretches, without_spikes


def log(lasts=1200, **channels):
    time = np.arange(float(lasts))
    return {name: np.asarray(f(time), dtype=float) for name, f in channels.items()}


class Slow(unittest.TestCase):
    def test_between_samples_of_a_slow_logger_lies_a_straight_line(self) -> None:
        values = np.full(101, np.nan)
        values[[10, 20, 50, 90]] = (300.0, 310.0, 340.0, 345.0)
        found = bridged(values)
        np.testing.assert_allclose(found[10:51], 300.0 + np.arange(41.0), rtol=1e-12)
        # Half a minute is the most: what lies between 50 and 90 is not known, nor what lies before and behind.
        self.assertFalse(np.isfinite(np.concatenate([found[:10], found[51:90], found[91:]])).any())
        self.assertEqual(found[90], 345.0)
        alone = np.where(np.arange(9) == 4, 300.0, np.nan)
        np.testing.assert_array_equal(bridged(alone), alone)


class Stretches(unittest.TestCase):
    def test_they_follow_each_other_and_share_no_second(self) -> None:
        found = stretches(log(coolant=lambda t: 380.0 + 0.05 * np.sin(t)), np.full(1200, 30e3), np.full(1200, 20.0))
        self.assertEqual(len(found), 10)
        for one, other in pairwise(found):
            self.assertLessEqual(one.end, other.begin)
            self.assertEqual(one.end - one.begin, int(OVER))
        self.assertAlmostEqual(found[3].means["coolant"], 380.0, delta=0.02)
        self.assertAlmostEqual(found[3].rates["coolant"], 0.0, delta=1e-3)

    def test_what_moves_slowly_is_told_with_its_rate(self) -> None:
        found = stretches(log(coolant=lambda t: 360.0 + 0.03 * t), np.full(1200, 30e3), np.full(1200, 20.0))
        self.assertEqual(len(found), 10)
        for stretch in found:
            # SciPy's line through the same seconds.
            rows = np.arange(stretch.begin, stretch.end)
            line = stats.linregress(rows, 360.0 + 0.03 * rows)
            self.assertAlmostEqual(stretch.rates["coolant"], line.slope, places=9)
            self.assertAlmostEqual(stretch.means["coolant"], 360.0 + 0.03 * rows.mean(), places=9)

    def test_what_runs_away_a_load_that_drifts_or_a_speed_that_wavers_is_none(self) -> None:
        still, load, speed = np.full(600, 370.0), np.full(600, 30e3), np.full(600, 20.0)
        self.assertEqual(stretches(log(600, coolant=lambda t: 330.0 + 0.1 * t), load, speed), [])
        self.assertEqual(stretches({"coolant": still}, load * np.geomspace(1.0, 30.0, 600), speed), [])
        wavers = 10.0 * (1.0 + 0.9 * np.sin(np.arange(600) / 5.0))
        self.assertEqual(stretches({"coolant": still}, load, wavers), [])
        self.assertEqual(stretches({"coolant": still[:60]}, load[:60], speed[:60]), [])

    def test_a_load_that_wavers_within_a_minute_is_one(self) -> None:
        # Metal and coolant follow minutes, not seconds.
        wavers = 30e3 * (1.0 + 0.3 * np.sin(2.0 * np.pi * np.arange(600) / 30.0))
        self.assertEqual(len(stretches({"coolant": np.full(600, 370.0)}, wavers, np.full(600, 20.0))), 5)

    def test_a_channel_with_gaps_is_left_out_of_its_stretch(self) -> None:
        still, holed = np.full(240, 370.0), np.full(240, 380.0)
        holed[30] = np.nan
        found = stretches({"coolant": still, "oil": holed}, np.full(240, 30e3), np.full(240, 20.0))
        self.assertEqual([set(s.means) for s in found], [{"coolant"}, {"coolant", "oil"}])
        self.assertEqual(stretches({"oil": np.full(240, np.nan)}, np.full(240, 30e3), np.full(240, 20.0)), [])


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
