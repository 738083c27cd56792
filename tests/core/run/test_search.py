"""The search against running every pick there is."""

import itertools
import unittest
from collections.abc import Sequence

import numpy as np

from gauge_well.core.run.search import Cheapest, Pick, Step, Tried, cheapest


class Problem:
    """Made-up failures: each of some groups of places fails for some of what stands in them, better no dearer."""

    def __init__(self, rng: np.random.Generator, places: int, options: int, groups: int, holds: float) -> None:
        self.costs = [[float(c) for c in rng.integers(0, 30, options)] for _ in range(places)]
        self.groups = []
        for _ in range(groups):
            held = frozenset(int(i) for i in rng.choice(places, rng.integers(1, 4), replace=False))
            self.groups.append((held, rng.random((options,) * len(held)) > holds))
        self.run_picks: list[Pick] = []

    def fails(self, pick: Pick) -> list[frozenset[int]]:
        return [held for held, bad in self.groups if bad[tuple(pick[i] for i in sorted(held))]]

    def run(self, picks: Sequence[Pick]) -> Tried:
        self.run_picks += picks
        return [self.fails(pick) for pick in picks]

    def every(self) -> float:
        """The least cost of all that do not fail."""
        sizes = [range(len(own)) for own in self.costs]
        good = (p for p in itertools.product(*sizes) if not self.fails(p))
        return min((sum(own[n] for own, n in zip(self.costs, p, strict=True)) for p in good), default=float("inf"))

    def found(self, most: int = 100_000, batch: int = 1) -> Cheapest:
        *steps, last = cheapest(self.costs, self.run, most, batch)
        assert isinstance(last, Cheapest)
        assert all(isinstance(step, Step) for step in steps)
        return last


class Searches(unittest.TestCase):
    def test_it_finds_the_least_of_all(self) -> None:
        rng = np.random.default_rng(2)
        for holds in (0.3, 0.6, 0.9):
            for _ in range(15):
                problem = Problem(rng, 5, 4, 6, holds)
                found = problem.found()
                self.assertEqual(found.cost, problem.every())
                self.assertTrue(found.proved)
                if found.pick is not None:
                    self.assertEqual(problem.fails(found.pick), [])

    def test_several_at_once_come_to_the_same(self) -> None:
        rng = np.random.default_rng(4)
        for _ in range(10):
            problem = Problem(rng, 4, 4, 5, 0.5)
            self.assertEqual(problem.found(batch=1).cost, problem.found(batch=7).cost)

    def test_what_hangs_on_few_places_is_not_run_again_and_again(self) -> None:
        # One place fails but for its dearest: of 5 x 5 x 5 x 5 picks no more are run than that place has things.
        problem = Problem(np.random.default_rng(6), 4, 5, 0, 1.0)
        bad = np.ones(5, bool)
        bad[int(np.argmax(problem.costs[2]))] = False
        problem.groups = [(frozenset({2}), bad)]
        self.assertEqual(problem.found().cost, problem.every())
        self.assertLessEqual(len(problem.run_picks), 5)

    def test_what_fails_whatever_is_picked_ends_at_once(self) -> None:
        problem = Problem(np.random.default_rng(7), 4, 5, 0, 1.0)
        problem.groups = [(frozenset(), np.array(True))]
        self.assertEqual((problem.found().pick, len(problem.run_picks)), (None, 1))

    def test_a_search_that_is_stopped_says_so(self) -> None:
        problem = Problem(np.random.default_rng(8), 4, 4, 8, 0.05)
        found = problem.found(most=3)
        self.assertEqual((found.pick, found.tried, found.proved), (None, 3, False))

    def test_of_no_places_there_is_the_empty_pick(self) -> None:
        problem = Problem(np.random.default_rng(9), 4, 2, 0, 1.0)
        problem.costs = []
        self.assertEqual((problem.found().pick, problem.found().cost), ((), 0.0))
