"""Three points against the beta distribution of a reference library (scipy.stats)."""

import unittest

import numpy as np
from scipy import stats

from gauge_well.core.errors import CoreError
from gauge_well.core.work.span import Span, certain

SPANS = (Span(2.0, 3.0, 6.0), Span(1.0, 1.0, 4.0), Span(0.0, 5.0, 5.0), Span(0.25, 0.5, 8.0))


def beta(span: Span) -> stats.rv_continuous:
    """PERT's beta: both shapes by the likely value (Malcolm, Roseboom, Clark, Fazar 1959; from memory)."""
    width = span.high - span.low
    a = 1.0 + 4.0 * (span.likely - span.low) / width
    return stats.beta(a, 6.0 - a, loc=span.low, scale=width)


class Spans(unittest.TestCase):
    def test_mean_and_variance_are_the_distribution_s(self) -> None:
        for span in SPANS:
            self.assertAlmostEqual(span.mean, beta(span).mean(), places=12)
            self.assertAlmostEqual(span.variance, beta(span).var(), places=12)

    def test_draws_follow_it(self) -> None:
        for span in SPANS:
            drawn = span.drawn(np.random.default_rng(1), 20_000)[1:]
            # Kolmogorov's distance of 20,000 draws is under .0115 in 99 of 100 seeds.
            self.assertLess(stats.kstest(drawn, beta(span).cdf).statistic, 0.0115)

    def test_the_likely_value_is_drawn_first(self) -> None:
        self.assertEqual(Span(2.0, 3.0, 6.0).drawn(np.random.default_rng(1), 5)[0], 3.0)

    def test_what_is_certain_is_drawn_as_it_is(self) -> None:
        self.assertEqual(set(certain(4.0).drawn(np.random.default_rng(1), 9)), {4.0})
        self.assertEqual((certain(4.0).mean, certain(4.0).variance), (4.0, 0.0))

    def test_points_out_of_order_are_refused(self) -> None:
        for points in ((3.0, 2.0, 6.0), (1.0, 5.0, 4.0), (-1.0, 2.0, 3.0), (1.0, 2.0, float("inf"))):
            with self.assertRaises(CoreError):
                Span(*points)
