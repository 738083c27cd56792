"""Bands of the end against what is known of sums and of the larger of two, worked by integrals."""

import unittest

import numpy as np
from scipy import integrate, stats

from gauge_well.core.work.schedule import made, serial
from gauge_well.core.work.span import Span, certain
from gauge_well.core.work.uncertain import RUNS, run
from tests.core.work.making import WEEKLY, task, work
from tests.core.work.test_span import beta

FIRST, SECOND, THIRD = Span(2.0, 3.0, 8.0), Span(1.0, 4.0, 5.0), Span(3.0, 3.5, 9.0)


def hours(given):
    return {t.id: t.hours for t in given.tasks}


class Uncertain(unittest.TestCase):
    def test_a_chain_ends_at_the_sum(self) -> None:
        # Mean and variance of a sum are the sums; of 20 terms it is normal (central limit), percentiles by that.
        spans = [FIRST, SECOND, THIRD, FIRST] * 5
        tasks = [task(f"t{n}", span, *([f"t{n - 1}"] if n else [])) for n, span in enumerate(spans)]
        given = work(*tasks)
        found = run(given, hours(given), {})
        mean, sd = sum(s.mean for s in spans), sum(s.variance for s in spans) ** 0.5
        self.assertAlmostEqual(found.end[1:].mean(), mean, delta=4.0 * sd / RUNS**0.5)
        self.assertAlmostEqual(found.end[1:].std(), sd, delta=0.05 * sd)
        for share in (0.1, 0.5, 0.9):
            self.assertAlmostEqual(found.percentile(share), stats.norm(mean, sd).ppf(share), delta=0.1 * sd)
        self.assertEqual(set(found.decides.values()), {1.0})
        self.assertEqual(found.end[0], sum(s.likely for s in spans))

    def test_two_ways_side_by_side_end_at_the_later_and_share_the_deciding(self) -> None:
        given = work(task("a", FIRST), task("b", SECOND), task("last", 1.0, "a", "b"), hands=2)
        found = run(given, hours(given), {})
        a, b = beta(FIRST), beta(SECOND)
        # Mean of the larger of two: the integral of one less the product of their shares below.
        later = integrate.quad(lambda x: 1.0 - a.cdf(x) * b.cdf(x), 0.0, 8.0)[0]
        first = integrate.quad(lambda x: a.pdf(x) * b.cdf(x), FIRST.low, FIRST.high)[0]
        self.assertAlmostEqual(found.end[1:].mean(), later + 1.0, delta=0.08)
        self.assertAlmostEqual(found.decides["a"], first, delta=0.03)
        self.assertAlmostEqual(found.decides["b"], 1.0 - first, delta=0.03)
        # Merging ways end later than the later of their means.
        self.assertGreater(found.end[1:].mean(), max(FIRST.mean, SECOND.mean) + 1.0)

    def test_the_likely_run_is_the_schedule(self) -> None:
        tasks = [task("a", FIRST), task("b", SECOND, "a", lag=24.0), task("c", THIRD), task("d", FIRST, "b", "c")]
        for hands in (1, 2):
            given = work(*tasks, hands=hands, clock=WEEKLY)
            schedule = made(given, serial(given))
            found = run(given, hours(given), {}, schedule.extra)
            self.assertAlmostEqual(found.end[0], schedule.end, places=6)
            for id, slot in schedule.slots.items():
                self.assertAlmostEqual(found.ends[id][0], slot.end, places=6)

    def test_one_pair_of_hands_makes_a_chain_of_all(self) -> None:
        given = work(task("a", FIRST), task("b", SECOND), task("c", THIRD))
        schedule = made(given, serial(given))
        found = run(given, hours(given), {}, schedule.extra)
        self.assertAlmostEqual(found.end[1:].mean(), sum(s.mean for s in (FIRST, SECOND, THIRD)), delta=0.1)

    def test_what_is_awaited_decides_as_often_as_it_is_late(self) -> None:
        # A task of 5 h, and one of 1 h that waits for a thing that comes between the 2nd and the 10th hour.
        arrival = Span(2.0, 4.0, 10.0)
        given = work(task("own", 5.0), task("bolt", 1.0), hands=2)
        found = run(given, hours(given), {"bolt": {"thing": arrival}})
        self.assertAlmostEqual(found.awaits["thing"], 1.0 - beta(arrival).cdf(4.0), delta=0.02)
        self.assertAlmostEqual(found.decides["own"], beta(arrival).cdf(4.0), delta=0.02)

    def test_draws_are_the_same_each_time(self) -> None:
        given = work(task("a", FIRST), task("b", SECOND, "a"))
        np.testing.assert_array_equal(run(given, hours(given), {}).end, run(given, hours(given), {}).end)

    def test_nothing_left_ends_now(self) -> None:
        given = work(task("a", certain(1.0)))
        none = type(given)((), {}, {}, 1, given.clock, 7.0)
        self.assertEqual(set(run(none, {}, {}).end), {7.0})
