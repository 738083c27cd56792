"""Working hours against a walk through the calendar, five minutes at a time."""

import unittest
from datetime import date, datetime, timedelta

import numpy as np

from gauge_well.core.errors import CoreError
from gauge_well.core.work.clock import Clock
from gauge_well.core.work.said import Week
from tests.core.work.making import SUNDAY, WEEKLY

FIVE = 1.0 / 12.0


def walked(week: Week, start: date, begin: float, hours: float) -> float:
    """When work begun from a time on is done: an evening of up to five hours begins at six, a longer day at nine."""
    left, at = round(hours / FIVE), round(begin / FIVE)
    while left:
        now = datetime.combine(start, datetime.min.time()) + at * timedelta(minutes=5)
        day = week.weekend if now.weekday() >= 5 else week.weekday
        first = min(18.0 if day <= 5.0 else 9.0, 24.0 - day)
        clock = now.hour + now.minute / 60.0
        left -= first - 1e-9 <= clock < first + day - 1e-9
        at += 1
    return at * FIVE


class Clocks(unittest.TestCase):
    def test_work_goes_on_where_there_are_hours(self) -> None:
        rng = np.random.default_rng(3)
        for week in (Week(weekday=2.0, weekend=8.0), Week(weekday=0.0, weekend=6.0), Week(weekday=8.0, weekend=0.0)):
            clock = Clock(SUNDAY, week)
            for _ in range(60):
                begin, hours = 24.0 * rng.integers(0, 20) + 0.25 * rng.integers(0, 96), 0.25 * rng.integers(1, 80)
                self.assertAlmostEqual(float(clock.after(begin, hours)), walked(week, SUNDAY, begin, hours), places=6)

    def test_what_takes_no_time_is_done_when_it_can_begin(self) -> None:
        # Sunday noon, with hours from nine to five.
        self.assertEqual(float(WEEKLY.after(12.0, 0.0)), 12.0)
        self.assertEqual(float(WEEKLY.after(20.0, 0.0)), 24.0 + 18.0)

    def test_hours_worked_and_the_time_they_are_done_are_each_other_s_inverse(self) -> None:
        worked = np.linspace(0.25, 300.0, 997)
        np.testing.assert_allclose(WEEKLY.worked(WEEKLY.done(worked)), worked, atol=1e-9)

    def test_working_hours_are_no_days(self) -> None:
        # A week of the trade: five evenings of two hours and two days of eight are 26 hours.
        self.assertAlmostEqual(float(WEEKLY.worked(7 * 24.0)), 26.0)
        self.assertEqual(WEEKLY.day(float(WEEKLY.done(26.0))), date(2026, 12, 5))

    def test_a_week_without_hours_is_refused(self) -> None:
        with self.assertRaises(CoreError) as caught:
            Clock(SUNDAY, Week(weekday=0.0, weekend=0.0))
        self.assertEqual(caught.exception.code, "no_hours")
