"""Schedules against every order there is, and against a second method: a linear program over quarter hours."""

import itertools
import unittest

import numpy as np
from scipy.optimize import Bounds, LinearConstraint, milp

from gauge_well.core.work.clock import Clock
from gauge_well.core.work.said import Week
from gauge_well.core.work.schedule import Work, ends_at, made, placed, serial
from gauge_well.core.work.solver import GRID, grid, held, shortest
from gauge_well.core.work.task import Task
from tests.core.work.making import ALWAYS, SUNDAY, WEEKLY, task, work

CLOSE = 1e-6


def fixture(rng: np.random.Generator, count: int, hands: int, clock: Clock = ALWAYS) -> Work:
    """A made-up network: each task waits for some of those before it; some want two, some the hoist, some dry."""
    tasks: list[Task] = []
    for n in range(count):
        before = [t.id for t in tasks if rng.random() < 0.25]
        dries = 0.5 * rng.integers(1, 8) if rng.random() < 0.2 else 0.0
        hours = 0.25 * rng.integers(1, 9)
        tasks.append(
            task(f"t{n}", hours, *before, hands=2 if rng.random() < 0.3 else 1, lift=rng.random() < 0.3, lag=dries)
        )
    return work(*tasks, hands=hands, clock=clock)


def every_order(given: Work) -> float:
    """The least end of all orders, each task as early as what it waits for, its hands and the hoist allow (serial scheme)."""
    ids = list(given.by_id)
    best = float("inf")
    for order in itertools.permutations(ids):
        place = {id: n for n, id in enumerate(order)}
        if any(place[b] > place[id] for id in ids for b in given.waits[id]):
            continue
        slots: dict[str, tuple[float, float]] = {}
        for id in order:
            first = max([0.0, *(slots[b][1] + given.by_id[b].lag for b in given.waits[id])])
            for begin in sorted({first, *(end for _, end in slots.values() if end > first)}):
                if fits(given, id, begin, slots):
                    slots[id] = begin, begin + given.hours[id]
                    break
        best = min(best, max(end for _, end in slots.values()))
    return best


def fits(given: Work, id: str, begin: float, slots: dict[str, tuple[float, float]]) -> bool:
    end = begin + given.hours[id]
    beside = [o for o, (a, b) in slots.items() if a < end - CLOSE and b > begin + CLOSE]
    if given.by_id[id].lift and any(given.by_id[o].lift for o in beside):
        return False
    times = [begin, *(slots[o][0] for o in beside if slots[o][0] > begin)]
    taken = [sum(given.takes(given.by_id[o]) for o in beside if slots[o][0] <= t + CLOSE < slots[o][1]) for t in times]
    return max(taken) + given.takes(given.by_id[id]) <= given.hands


def by_program(given: Work, most: int) -> float:
    """Least end by a mixed-integer program: one binary a task and quarter hour at which it begins (time-indexed form)."""
    ids = list(given.by_id)
    size = {id: grid(given.hours[id]) for id in ids}
    column = {(id, t): n for n, (id, t) in enumerate(itertools.product(ids, range(most)))}
    end = len(column)
    rows, low, high = [], [], []

    def add(terms: dict[int, float], least: float, largest: float) -> None:
        row = np.zeros(end + 1)
        for n, value in terms.items():
            row[n] = value
        rows.append(row)
        low.append(least)
        high.append(largest)

    for id in ids:
        add({column[id, t]: 1.0 for t in range(most)}, 1.0, 1.0)
        add({end: 1.0} | {column[id, t]: -(t + size[id]) for t in range(most)}, 0.0, np.inf)
        for before in given.waits[id]:
            wait = size[before] + grid(given.by_id[before].lag)
            add({column[id, t]: t for t in range(most)} | {column[before, t]: -t for t in range(most)}, wait, np.inf)
    for t in range(most):
        running = {id: [column[id, s] for s in range(max(0, t - size[id] + 1), t + 1)] for id in ids}
        add({n: given.takes(given.by_id[id]) for id in ids for n in running[id]}, 0.0, given.hands)
        add({n: 1.0 for id in ids if given.by_id[id].lift for n in running[id]}, 0.0, 1.0)
    cost = np.zeros(end + 1)
    cost[end] = 1.0
    bounds = Bounds(np.zeros(end + 1), np.append(np.ones(end), np.inf))
    whole = np.append(np.ones(end), 0.0)
    found = milp(cost, constraints=LinearConstraint(np.array(rows), low, high), bounds=bounds, integrality=whole)
    return GRID * float(found.fun)


class Schedules(unittest.TestCase):
    def assert_can_be_worked(self, given: Work, begins: dict[str, float]) -> None:
        self.assertEqual(set(begins), set(given.by_id))
        for id, waits in given.waits.items():
            for before in waits:
                self.assertGreaterEqual(begins[id], given.free(before, begins[before] + given.hours[before]) - CLOSE)
        for id in begins:
            others = {o: (begins[o], begins[o] + given.hours[o]) for o in begins if o != id}
            self.assertTrue(fits(given, id, begins[id], others), id)

    def test_the_solver_finds_the_least_of_every_order(self) -> None:
        rng = np.random.default_rng(5)
        for hands in (1, 2):
            for _ in range(6):
                given = fixture(rng, 6, hands)
                found = shortest(given)
                self.assert_can_be_worked(given, dict(found.begins))
                self.assertTrue(found.proved)
                self.assertAlmostEqual(ends_at(given, found.begins), every_order(given), places=6)

    def test_the_solver_agrees_with_a_linear_program(self) -> None:
        rng = np.random.default_rng(8)
        for hands in (1, 2):
            given = fixture(rng, 9, hands)
            found = shortest(given)
            most = grid(ends_at(given, serial(given))) + 1
            self.assertAlmostEqual(ends_at(given, found.begins), by_program(given, most), places=6)

    def test_quick_schedules_can_be_worked_and_are_never_shorter(self) -> None:
        rng = np.random.default_rng(13)
        for hands in (1, 2, 3):
            for clock in (ALWAYS, WEEKLY):
                given = fixture(rng, 14, hands, clock)
                for patient in (False, True):
                    self.assert_can_be_worked(given, placed(given, list(given.by_id), patient))
                quick, best = serial(given), shortest(given)
                self.assert_can_be_worked(given, quick)
                self.assert_can_be_worked(given, dict(best.begins))
                self.assertLessEqual(ends_at(given, best.begins), ends_at(given, quick) + CLOSE)

    def test_paint_dries_while_nobody_works(self) -> None:
        # Eight hours on a Sunday end at five; what dries for 24 h is dry on Monday at five, before the evening's two hours.
        given = work(task("paint", 8.0, lag=24.0), task("fit", 2.0, "paint"), clock=WEEKLY)
        slots = made(given, shortest(given).begins).slots
        self.assertEqual((slots["paint"].begin, slots["paint"].end), (9.0, 17.0))
        self.assertEqual((slots["fit"].begin, slots["fit"].end), (24.0 + 18.0, 24.0 + 20.0))

    def test_a_part_that_is_not_there_is_waited_for(self) -> None:
        given = work(task("bolt", 1.0), task("rest", 3.0), clock=WEEKLY, ready={"bolt": 6 * 24.0})
        begins = shortest(given).begins
        self.assertEqual(given.clock.day(made(given, begins).slots["bolt"].begin).isoformat(), "2026-12-05")

    def test_a_task_for_two_is_done_by_one_with_a_helper_and_alone_at_that_time(self) -> None:
        given = work(task("lift", 2.0, hands=2), task("wire", 2.0), hands=1)
        self.assertAlmostEqual(ends_at(given, shortest(given).begins), 4.0)

    def test_of_ends_alike_the_hoist_is_kept_shorter(self) -> None:
        # Two lifts and a long task between nothing: the second lift may go right behind the first.
        given = work(task("a", 1.0, lift=True), task("long", 6.0, "a"), task("b", 1.0, lift=True), hands=2)
        found = shortest(given)
        self.assertAlmostEqual(ends_at(given, found.begins), 7.0)
        self.assertAlmostEqual(held(given, found.begins), 2.0)

    def test_hours_off_the_grid_are_settled_as_they_are(self) -> None:
        given = work(task("a", 0.6), task("b", 0.7, "a"), clock=Clock(SUNDAY, Week(weekday=24.0, weekend=24.0)))
        self.assertAlmostEqual(ends_at(given, shortest(given).begins), 1.3)

    def test_nothing_left_is_no_schedule(self) -> None:
        given = Work((), {}, {}, 1, ALWAYS)
        self.assertEqual(shortest(given).begins, {})
        self.assertEqual(made(given, {}).end, 0.0)
