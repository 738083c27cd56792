"""Causes and the next check against SciPy's own distributions, integrals and a Monte Carlo."""

import unittest

import numpy as np
from scipy import integrate, stats

from gauge_well.core.start.faults import infer
from gauge_well.core.start.faults.cause import Check, Effort, When
from tests.core.start.made import field

ALONE = [[4.0, 0.0], [0.0, 9.0]]
SHARED = [[104.0, 100.0], [100.0, 109.0]]  # a doubt of the model's, 10, that both gauges share


class Belief(unittest.TestCase):
    def test_it_is_bayes_with_a_students_density(self) -> None:
        means, common = [[0.0, 0.0], [5.0, 3.0], [-4.0, 8.0]], [5.0, 2.0, 3.0]
        found = infer.believe(field(means, SHARED, common), {"q0": 3.0, "q1": 4.0})
        density = np.array([stats.multivariate_t(m, SHARED, df=infer.TAILS).pdf([3.0, 4.0]) for m in means])
        expected = np.array(common) * density / np.sum(np.array(common) * density)
        np.testing.assert_allclose(found.cause, expected, rtol=1e-12)

    def test_one_gauge_alone_is_the_marginal_of_both(self) -> None:
        made = field([[0.0, 0.0], [6.0, 3.0]], SHARED, [1.0, 1.0])
        found = infer.believe(made, {"q1": 5.0})
        density = [stats.t(infer.TAILS, loc=m, scale=np.sqrt(109.0)).pdf(5.0) for m in (0.0, 3.0)]
        np.testing.assert_allclose(found.cause, np.array(density) / sum(density), rtol=1e-12)

    def test_what_is_seen_is_multiplied_in(self) -> None:
        look = Check("look", "Look", "", 1.0, outcomes=("yes", "no"))
        made = field([[0.0], [0.0]], [[1.0]], [3.0, 1.0], checks=(look,), chance=[[[0.1, 0.9]], [[0.8, 0.2]]])
        # By hand: 3 x .1 against 1 x .8.
        np.testing.assert_allclose(infer.believe(made, {"look": "yes"}).cause, [0.3 / 1.1, 0.8 / 1.1])
        with self.assertRaises(ValueError):
            infer.believe(made, {"look": "perhaps"})
        with self.assertRaises(KeyError):
            infer.believe(made, {"nothing": 1.0})

    def test_a_shared_doubt_lets_a_second_gauge_accuse_the_first(self) -> None:
        # A pump that makes half leaves both gauges low; a wrong gauge only its own. With the model's doubt shared the two
        # readings differ by far more than gauges do; taken as independent, each alone says little (common practice).
        means = [[150.0, 150.0], [75.0, 75.0], [75.0, 150.0]]  # sound, worn pump, gauge wrong
        common = [20.0, 1.0, 3.0]
        together = infer.believe(field(means, [[929.0, 900.0], [900.0, 904.0]], common), {"q0": 75.0, "q1": 150.0})
        apart = infer.believe(field(means, [[929.0, 0.0], [0.0, 904.0]], common), {"q0": 75.0, "q1": 150.0})
        self.assertGreater(together.cause[2], 0.9)
        self.assertLess(apart.cause[2], 0.75)

    def test_a_reading_that_no_cause_comes_near_is_not_explained(self) -> None:
        made = field([[0.0, 0.0], [5.0, 3.0]], ALONE, [1.0, 1.0])
        self.assertTrue(infer.believe(made, {"q0": 2.0}).explained)
        far = infer.believe(made, {"q0": 40.0})
        self.assertFalse(far.explained)
        self.assertEqual(infer.answer(made, far, ("idle",)).kind, "strange")

    def test_without_a_reading_the_common_ones_stand(self) -> None:
        np.testing.assert_allclose(infer.believe(field([[0.0], [1.0]], [[1.0]], [3.0, 1.0]), {}).cause, [0.75, 0.25])


class Told(unittest.TestCase):
    def test_the_conditional_is_that_of_the_joint_density(self) -> None:
        # The second gauge's density given the first, by integrating SciPy's joint density over the second.
        made = field([[1.0, 2.0]], SHARED, [1.0])
        middle, scale, tails = infer._predicted(made, {"q0": 9.0}, 1)
        joint = stats.multivariate_t([1.0, 2.0], SHARED, df=infer.TAILS)
        whole = integrate.quad(lambda y: joint.pdf([9.0, y]), -200.0, 200.0, limit=400)[0]
        own = stats.t(tails, loc=middle[0], scale=scale[0])
        for y in (-5.0, 4.0, 11.0):
            self.assertAlmostEqual(joint.pdf([9.0, y]) / whole, own.pdf(y), delta=1e-4 * own.pdf(middle[0]))

    def test_information_is_what_a_monte_carlo_finds(self) -> None:
        means, common = [[90.0, 75.0], [110.0, 105.0], [112.0, 25.0], [110.0, 80.0]], [4.0, 2.0, 2.0, 1.0]
        spread = [[16.0, 6.0], [6.0, 36.0]]
        made = field(means, spread, common)
        read = {"q0": 108.0}
        belief = infer.believe(made, read)
        rng = np.random.default_rng(5)
        middle, scale, tails = infer._predicted(made, read, 1)
        which = rng.choice(4, p=belief.cause, size=40_000)
        y = middle[which] + scale[which] * rng.standard_t(tails, size=which.size)
        density = stats.t.pdf((y[None] - middle[:, None]) / scale[:, None], tails) / scale[:, None]
        after = belief.cause[:, None] * density
        after /= after.sum(axis=0)
        told = stats.entropy(belief.cause, base=2) - stats.entropy(after, base=2, axis=0).mean()
        # 40,000 draws of doubts of at most two bits: a hundredth of a bit.
        self.assertAlmostEqual(infer.information(made, read, belief, 1), told, delta=0.02)

    def test_a_look_tells_what_its_outcomes_leave(self) -> None:
        look = Check("look", "Look", "", 1.0, outcomes=("yes", "no"))
        made = field([[0.0], [0.0]], [[1.0]], [1.0, 1.0], checks=(look,), chance=[[[0.1, 0.9]], [[0.8, 0.2]]])
        # Mutual information of a fair coin over that channel, by its definition.
        outcome = np.array([0.45, 0.55])
        noise = 0.5 * (stats.entropy([0.1, 0.9], base=2) + stats.entropy([0.8, 0.2], base=2))
        told = infer.information(made, {}, infer.believe(made, {}), 0)
        self.assertAlmostEqual(told, stats.entropy(outcome, base=2) - noise, places=12)

    def test_a_sharp_gauge_among_wide_ones_is_not_stepped_over(self) -> None:
        made = field([[0.0], [1000.0]], [[1e-4]], [1.0, 1.0])
        # Two causes a thousand scales apart and more: the reading tells all of one bit.
        self.assertAlmostEqual(infer.information(made, {}, infer.believe(made, {}), 0), 1.0, delta=1e-3)

    def test_another_gauge_of_what_was_read_tells_nothing_more(self) -> None:
        made = field([[0.0, 0.0], [10.0, 10.0]], [[100.01, 100.0], [100.0, 100.01]], [1.0, 1.0])
        read = {"q0": 5.0}
        self.assertLess(infer.information(made, read, infer.believe(made, read), 1), 0.01)


class Order(unittest.TestCase):
    def checks(self, *more: Check):
        return field([[0.0] * len(more), [8.0] * len(more)], np.eye(len(more)).tolist(), [1.0, 1.0], checks=more)

    def order(self, *more: Check) -> list[str]:
        made = self.checks(*more)
        return [more[w.check].id for w in infer.next_checks(made, {}, infer.believe(made, {}), ("off", "idle"))]

    def test_free_ones_first_and_what_can_hurt_last(self) -> None:
        tool = Check("tool", "", "", 1.0, effort=Effort.TOOL, kind="ratio")
        free = Check("free", "", "", 5.0, kind="ratio")
        hot = Check("hot", "", "", 0.5, kind="ratio", danger="It scalds.")
        self.assertEqual(self.order(hot, tool, free), ["free", "tool", "hot"])

    def test_minutes_cost(self) -> None:
        short, long = (Check(id, "", "", m, effort=Effort.TOOL, kind="ratio") for id, m in (("s", 1.0), ("l", 20.0)))
        self.assertEqual(self.order(long, short), ["s", "l"])
        made = self.checks(short, long)
        by = {w.check: w for w in infer.next_checks(made, {}, infer.believe(made, {}), ("idle",))}
        self.assertAlmostEqual(by[0].net - by[1].net, 19.0 * infer.A_MINUTE, places=9)

    def test_only_what_may_be_done_now(self) -> None:
        idle, drive = Check("i", "", "", 1.0, kind="ratio"), Check("d", "", "", 1.0, When.GRADE, kind="ratio")
        self.assertEqual(self.order(idle, drive), ["i"])

    def test_what_no_gauge_shows_standing_needs_load(self) -> None:
        idle, drive = Check("i", "", "", 1.0, kind="ratio"), Check("d", "", "", 1.0, When.GRADE, kind="ratio")
        made = field(
            [[0.0, 0.0], [0.5, 20.0], [9.0, 0.0]], [[1.0, 0.0], [0.0, 1.0]], [4.0, 1.0, 1.0], checks=(idle, drive)
        )
        self.assertEqual(infer.hidden(made, ("idle",)), [1])
        self.assertEqual(infer.hidden(made, ("idle", "grade")), [])
        found = infer.answer(made, infer.believe(made, {"i": 0.1}), ("idle",))
        self.assertEqual((found.kind, found.load), ("sound", (1,)))
        seen = infer.answer(made, infer.believe(made, {"i": 9.2}), ("idle",))
        self.assertEqual((seen.kind, seen.first, seen.load), ("found", 2, ()))
