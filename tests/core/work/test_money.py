"""Money against convolution of densities, and ways to come by a thing against means of products."""

import unittest

import numpy as np

from gauge_well.core.work.fasteners import drawn as drawn_to
from gauge_well.core.work.money import OPEN, ORDERED, PAID, RUNS, UNLISTED, Cost, Way, budget, compared, drawn
from gauge_well.core.work.span import Span, certain
from tests.core.work.test_span import beta

PRICES = (Span(80.0, 100.0, 180.0), Span(200.0, 240.0, 420.0), Span(30.0, 60.0, 70.0), Span(300.0, 300.0, 700.0))
STEP = 0.5


def convolved(spans) -> tuple[np.ndarray, np.ndarray]:
    """Values and shares below of a sum, its densities folded one with another on a grid."""
    density, low = np.ones(1), 0.0
    for span in spans:
        edges = np.arange(span.low, span.high + STEP, STEP)
        density = np.convolve(density, np.diff(beta(span).cdf(edges)))
        low += span.low + 0.5 * STEP
    return low + STEP * np.arange(density.size), np.cumsum(density)


class Budgets(unittest.TestCase):
    def costs(self) -> list[Cost]:
        return [Cost(f"c{n}", price, OPEN) for n, price in enumerate(PRICES)]

    def test_the_sum_is_that_of_convolved_densities(self) -> None:
        values, below = convolved(PRICES)
        found = drawn(self.costs(), unlisted=certain(0.0), runs=40_000)[1:]
        for share in (0.1, 0.5, 0.9):
            expected = float(np.interp(share, below, values))
            self.assertAlmostEqual(np.percentile(found, 100.0 * share), expected, delta=0.01 * expected)
        limit = 760.0
        self.assertAlmostEqual((found > limit).mean(), 1.0 - float(np.interp(limit, values, below)), delta=0.02)

    def test_likely_prices_add_up_to_too_little(self) -> None:
        found = budget(self.costs(), 900.0)
        mean = sum(price.mean for price in PRICES)
        self.assertGreater(mean, found.likely_sum)
        # What no list names comes on top: means of a product of what does not hang together.
        self.assertAlmostEqual(found.mean, mean * (1.0 + UNLISTED.mean), delta=0.01 * mean)
        self.assertLess(found.low, found.mean)
        self.assertLess(found.mean, found.high)

    def test_what_is_paid_is_known_and_draws_no_more(self) -> None:
        found = budget([Cost("a", Span(80.0, 100.0, 180.0), PAID)], 100.0)
        self.assertEqual((found.low, found.high, found.paid, found.over), (100.0, 100.0, 100.0, 0.0))

    def test_each_stands_with_its_state_and_without_a_price_is_named(self) -> None:
        found = budget(
            [
                Cost("a", certain(10.0), PAID),
                Cost("b", certain(20.0), ORDERED),
                Cost("c", certain(40.0), OPEN),
                Cost("d", None, OPEN),
            ],
            None,
        )
        self.assertEqual((found.paid, found.ordered, found.open, found.likely_sum), (10.0, 20.0, 40.0, 70.0))
        self.assertEqual((found.unpriced, found.over), (("d",), None))


class Ways(unittest.TestCase):
    WAYS = (
        Way("make", "made here", Span(30.0, 45.0, 90.0), Span(6.0, 9.0, 20.0), Span(0.0, 0.1, 0.6), certain(0.0)),
        Way("buy", "a kit", Span(190.0, 210.0, 240.0), Span(1.0, 2.0, 4.0), certain(0.0), Span(5.0, 7.0, 21.0)),
    )

    def test_money_is_cost_and_hours_done_over_again(self) -> None:
        for found in compared(self.WAYS, 12.0):
            way = found.way
            # Cost, hours and what is done over again do not hang together: the mean of the product is that of their means.
            mean = (way.cost.mean + 12.0 * way.hours.mean) * (1.0 + way.redo.mean)
            spread = (way.cost.variance + 144.0 * way.hours.variance) ** 0.5
            self.assertAlmostEqual(found.mean, mean, delta=6.0 * max(spread, 10.0) / RUNS**0.5)
            self.assertGreater(found.high, found.mean)
            self.assertAlmostEqual(found.hours, way.hours.mean * (1.0 + way.redo.mean))

    def test_the_cheapest_is_told_first_and_hours_that_are_worth_nothing_change_it(self) -> None:
        self.assertEqual([c.way.id for c in compared(self.WAYS, 0.0)], ["make", "buy"])
        self.assertEqual([c.way.id for c in compared(self.WAYS, 40.0)], ["buy", "make"])


class Fasteners(unittest.TestCase):
    def test_usual_torques_are_those_of_the_workshop_tables(self) -> None:
        # Dry torques of class 8.8, coarse: M8 25, M10 49, M12 85 N m (common practice), within a fifth.
        for thread, usual in (("m8", 25.0), ("m10", 49.0), ("m12", 85.0)):
            found = drawn_to(thread, "8.8", None)
            assert found is not None
            self.assertAlmostEqual(found.dry, usual, delta=0.2 * usual)
            self.assertLess(found.oiled, found.dry)

    def test_a_torque_of_a_size_larger_is_refused_and_a_gentle_one_is_not(self) -> None:
        for typed, wrong in ((10.0, False), (24.0, False), (49.0, True)):
            found = drawn_to("m8", "8.8", typed)
            assert found is not None
            self.assertEqual(bool(found.wrong), wrong, typed)

    def test_what_is_not_known_is_not_judged(self) -> None:
        self.assertIsNone(drawn_to("3/8-24", "8.8", 40.0))
        self.assertIsNone(drawn_to("m8", "", 40.0))
