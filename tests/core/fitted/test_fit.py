"""The fit against a chain of samples and adaptive integrals, and a build's own factors found again from made readings."""

import unittest

import numpy as np
from scipy import integrate, stats

from gauge_well.core.duty.facts import DutyFacts
from gauge_well.core.errors import CoreError
from gauge_well.core.fitted.doing import Doing, duty_of
from gauge_well.core.fitted.factors import Factor, factors_of
from gauge_well.core.fitted.fit import effective, fit, log_posterior, next_reading
from gauge_well.core.fitted.predict import Reading, predict
from tests.core.start.made import build

TWO = (Factor("a", "a", 1.3), Factor("b", "b", 1.2))
HALVES = np.tile([4.0, 4.0, 6.0], 4)
VALUES = np.tile([92.0, 112.0, 58.0], 4) + np.random.default_rng(0).normal(size=12) * HALVES / 2.0


def small(theta):
    """Three gauges that go by two factors, bent, each read four times."""
    a, b = theta[:, 0], theta[:, 1]
    return np.tile(np.stack([90.0 * a / b**0.3, 100.0 * a**1.4, 50.0 * b * a**0.5], axis=1), 4)


class Small(unittest.TestCase):
    def setUp(self) -> None:
        self.fitted = fit(small, VALUES, HALVES, TWO)

    def test_the_mode_is_the_highest_point(self) -> None:
        here = log_posterior(small, VALUES, HALVES, self.fitted.mode[None], TWO)[0]
        rng = np.random.default_rng(1)
        there = log_posterior(small, VALUES, HALVES, self.fitted.mode + 0.05 * rng.normal(size=(500, 2)), TWO)
        self.assertGreaterEqual(here + 1e-6, there.max())

    def test_mean_and_spread_are_the_integrals(self) -> None:
        def density(b, a):
            return float(np.exp(log_posterior(small, VALUES, HALVES, np.array([[a, b]]), TWO)[0] - top))

        top = log_posterior(small, VALUES, HALVES, self.fitted.mode[None], TWO)[0]
        ends = [
            (m - 6.0 * s, m + 6.0 * s)
            for m, s in zip(self.fitted.mode, np.sqrt(np.diag(self.fitted.covariance)), strict=True)
        ]

        def over(f):
            return integrate.dblquad(lambda b, a: f(a, b) * density(b, a), *ends[0], *ends[1], epsabs=1e-7)[0]

        whole = over(lambda a, b: 1.0)
        for k in range(2):
            mean = over(lambda a, b, k=k: (a, b)[k]) / whole
            var = over(lambda a, b, k=k, m=mean: ((a, b)[k] - m) ** 2) / whole
            sd = np.sqrt(self.fitted.covariance[k, k])
            # Laplace's bell beside the true density of a dozen readings: a seventh of its width, a seventh of its breadth.
            self.assertAlmostEqual(self.fitted.mode[k], mean, delta=0.15 * sd)
            self.assertAlmostEqual(np.sqrt(var) / sd, 1.0, delta=0.15)

    def test_mean_and_spread_are_a_chains(self) -> None:
        rng = np.random.default_rng(2)
        at, now = self.fitted.mode.copy(), float(log_posterior(small, VALUES, HALVES, self.fitted.mode[None], TWO)[0])
        lower, kept = np.linalg.cholesky(self.fitted.covariance), []
        for _ in range(12_000):
            tried = at + 1.2 * lower @ rng.normal(size=2)
            then = float(log_posterior(small, VALUES, HALVES, tried[None], TWO)[0])
            if np.log(rng.random()) < then - now:
                at, now = tried, then
            kept.append(at)
        chain = np.array(kept[2000:])
        sd = np.sqrt(np.diag(self.fitted.covariance))
        np.testing.assert_allclose(chain.mean(axis=0), self.fitted.mode, atol=0.2 * sd.max())
        np.testing.assert_allclose(chain.std(axis=0) / sd, 1.0, atol=0.2)

    def test_draws_are_the_bell_and_most_of_them_count(self) -> None:
        z = np.vstack([np.zeros(2), np.random.default_rng(3).normal(size=(1024, 2))])
        drawn = np.log(self.fitted.draws(z)) / self.fitted.sds
        np.testing.assert_allclose(drawn[0], self.fitted.mode, atol=1e-12)
        np.testing.assert_allclose(np.cov(drawn[1:].T), self.fitted.covariance, atol=0.1 * self.fitted.covariance.max())
        found = effective(self.fitted, small, VALUES, HALVES, z[1:])
        self.assertTrue(200.0 < found <= 1024.0, found)

    def test_an_outlier_hardly_weighs(self) -> None:
        more = np.concatenate([VALUES, [VALUES[0] + 40.0]])
        wide = np.concatenate([HALVES, [4.0]])
        found = fit(lambda t: np.concatenate([small(t), small(t)[:, :1]], axis=1), more, wide, TWO)
        self.assertLess(found.weights[12], 0.05)
        np.testing.assert_allclose(found.mode, self.fitted.mode, atol=0.25)

    def test_without_readings_that_move_it_nothing_is_learned(self) -> None:
        found = fit(lambda t: np.full((len(t), 1), 90.0), np.array([95.0]), np.array([4.0]), TWO)
        np.testing.assert_allclose(found.learned, 0.0, atol=1e-9)
        np.testing.assert_allclose(found.mode, 0.0, atol=1e-9)

    def test_two_that_go_together_are_one(self) -> None:
        found = fit(lambda t: 90.0 * (t[:, :1] * t[:, 1:]), np.array([99.0]), np.array([1.0]), TWO)
        self.assertLess(found.singular[1:].sum(), 1e-6) if found.singular.size > 1 else None
        self.assertEqual(np.linalg.matrix_rank(found.slopes, tol=1e-6), 1)
        # Their product is known to the gauge; neither of them is.
        product = found.sds @ found.covariance @ found.sds
        self.assertLess(np.sqrt(product), 0.02)
        self.assertTrue(np.all(found.learned < 0.9))

    def test_the_next_reading_is_the_one_that_makes_it_surest(self) -> None:
        slopes = np.array([[0.0, 0.0], [2.0, 0.0], [0.0, 3.0]])
        verdict = np.array([0.2, 5.0])
        order = next_reading(self.fitted, slopes, verdict)
        self.assertEqual(order[0].at, 2)
        self.assertEqual(order[-1].at, 0)
        self.assertAlmostEqual(order[-1].falls, 0.0, places=12)
        # The same by the normal equations with that reading's row put in.
        c = np.linalg.inv(np.linalg.inv(self.fitted.covariance) + np.outer(slopes[2], slopes[2]))
        expected = 1.0 - np.sqrt(verdict @ c @ verdict / (verdict @ self.fitted.covariance @ verdict))
        self.assertAlmostEqual(order[0].falls, expected, places=9)


CONDITIONS = tuple(
    Doing(power=power, engine_speed=turns, speed=speed, ambient=air)
    for power, turns, speed, air in (
        (20e3, 2400.0, 3.0, 300.0),
        (30e3, 2800.0, 12.0, 300.0),
        (36e3, 3000.0, 20.0, 298.0),
        (45e3, 3500.0, 28.0, 295.0),
        (16e3, 2000.0, 0.5, 303.0),
    )
)


class Build(unittest.TestCase):
    def made(self, truth, noise=0.0, seed=4):
        """Readings of a build whose factors are other than 1, two gauges in each condition."""
        case = build("quarry-mule")
        plain = [
            Reading(f"r{k}", what, 350.0, 3.0, duty_of(case, c))
            for k, c in enumerate(CONDITIONS)
            for what in ("coolant", "outlet")
        ]
        factors = factors_of(case)
        theta = np.ones((1, len(factors)))
        for id, value in truth.items():
            theta[0, [f.id for f in factors].index(id)] = value
        values = predict(case, plain, factors, theta)[0] + noise * np.random.default_rng(seed).normal(size=len(plain))
        return case, factors, plain, values

    def test_factors_are_found_again(self) -> None:
        case, factors, readings, values = self.made({"core": 0.85, "flow": 1.15}, noise=0.8)
        found = fit(lambda t: predict(case, readings, factors, t), values, np.full(values.size, 2.0), factors)
        ids = [f.id for f in factors]
        for id, truth in (("core", 0.85), ("flow", 1.15)):
            k = ids.index(id)
            # Within two of what the fit itself says it is unsure of.
            self.assertLess(abs(np.log(found.mean[k] / truth)), 2.0 * found.sd[k] + 0.02, id)
        # How well the core sheds against what it is given is one combination: that is known far better than either.
        between = np.zeros(len(ids))
        between[ids.index("core")], between[ids.index("heat")] = (
            found.sds[ids.index("core")],
            -found.sds[ids.index("heat")],
        )
        before = np.sqrt(between @ between)
        self.assertLess(np.sqrt(between @ found.covariance @ between), 0.6 * before)
        self.assertGreater(int(np.sum(found.singular > 1.0)), 1)

    def test_what_no_reading_shows_stays_as_it_was(self) -> None:
        case, factors, readings, values = self.made({})
        found = fit(lambda t: predict(case, readings, factors, t), values, np.full(values.size, 3.0), factors)
        oil = [f.id for f in factors].index("oil")
        self.assertLess(found.learned[oil], 0.3)
        np.testing.assert_allclose(found.mode, 0.0, atol=0.05)

    def test_all_at_once_is_as_one_by_one(self) -> None:
        case, factors, readings, _ = self.made({})
        theta = np.exp(0.1 * np.random.default_rng(5).normal(size=(4, len(factors))))
        together = predict(case, readings, factors, np.vstack([np.ones((1, len(factors))), theta]))[1:]
        alone = np.vstack(
            [predict(case, readings, factors, np.vstack([np.ones((1, len(factors))), row]))[1] for row in theta]
        )
        np.testing.assert_allclose(together, alone, atol=0.05)

    def test_what_is_no_reading_is_refused(self) -> None:
        with self.assertRaises(CoreError):
            Reading("a", "parsnips", 350.0, 3.0, DutyFacts())
        with self.assertRaises(CoreError):
            Reading("a", "coolant", 350.0, 0.0, DutyFacts())


class Priors(unittest.TestCase):
    def test_half_ranges_are_of_95_in_100(self) -> None:
        for f in factors_of(build("quarry-mule")):
            self.assertAlmostEqual(float(stats.norm(0.0, f.sd).cdf(np.log(f.half))), 0.975, places=9)
