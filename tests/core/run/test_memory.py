"""What is remembered is what a fresh run gives, and an edit works only what reads it."""

import threading
import unittest
from typing import Any
from unittest import mock

import numpy as np

from gauge_well.core.case import BuildCase, fact_at, with_value
from gauge_well.core.errors import CoreError
from gauge_well.core.run import graph
from gauge_well.core.run.contexts import validate
from gauge_well.core.run.memory import Memory, Same, by_value
from gauge_well.core.run.runs import run
from gauge_well.core.run.sampling import draw
from gauge_well.core.run.sizing import outline, size
from gauge_well.core.run.solved import Solved
from gauge_well.core.systems import SYSTEMS
from gauge_well.sheet.demo import NAMES
from tests.core.run.test_graph import facts_of, moved
from tests.support import ROAD, case_of, changed, demo_document


class Kept(unittest.TestCase):
    def test_worked_once(self) -> None:
        memory, worked = Memory(3), []
        for key in ("a", "b", "a", "a"):
            self.assertEqual(memory.recall(key, lambda k=key: worked.append(k) or k), key)
        self.assertEqual(worked, ["a", "b"])

    def test_the_least_lately_used_goes_first(self) -> None:
        memory, worked = Memory(6), []
        for key, weight in (("a", 2), ("b", 2), ("a", 2), ("c", 4), ("a", 2), ("b", 2)):
            memory.recall(key, lambda k=key: worked.append(k) or k, weight)
        self.assertEqual(worked, ["a", "b", "c", "b"])

    def test_what_is_drawn_pushes_nothing_likely_out(self) -> None:
        memory, worked = Memory(drawn=6, likely=2), []
        for key, weight in (("a", 1), ("x", 6), ("y", 6), ("a", 1), ("b", 1), ("c", 1), ("a", 1)):
            memory.recall(key, lambda k=key: worked.append(k) or k, weight)
        self.assertEqual(worked, ["a", "x", "y", "b", "c", "a"])

    def test_what_raises_is_not_kept(self) -> None:
        memory = Memory(3)
        with self.assertRaises(CoreError):
            memory.recall("a", mock.Mock(side_effect=CoreError("no", "x", 1, "2", "No.")))
        self.assertEqual(memory.recall("a", lambda: 1), 1)

    def test_nothing_kept_of_nothing(self) -> None:
        memory, worked = Memory(0), []
        for _ in range(2):
            memory.recall("a", lambda: worked.append(1) or 1)
        self.assertEqual(len(worked), 2)

    def test_two_at_once_get_the_same(self) -> None:
        memory, both, found = Memory(9), threading.Barrier(2, timeout=20), []

        def work() -> object:
            both.wait()
            return object()

        threads = [threading.Thread(target=lambda: found.append(memory.recall("a", work))) for _ in range(2)]
        for thread in threads:
            thread.start()
        for thread in threads:
            thread.join()
        self.assertIs(found[0], found[1])

    def test_keys(self) -> None:
        a = np.arange(4.0)
        self.assertEqual(by_value((1.0, a)), by_value((1.0, a.copy())))
        self.assertNotEqual(by_value((1.0, a)), by_value((1.0, a + 1e-12)))
        self.assertNotEqual(by_value(a), by_value(a.reshape(2, 2)))
        self.assertNotEqual(Same(a), Same(a.copy()))
        self.assertEqual(Same(a), Same(a))


def told(case: BuildCase, memory: Memory) -> str:
    """A whole report, every figure to the last digit."""
    try:
        validate(case)
        return repr(size(case, explain="all", memory=memory))
    except CoreError as error:
        return repr(error)


class AsFresh(unittest.TestCase):
    def test_a_report_from_memory_is_a_fresh_one(self) -> None:
        """Each fortieth fact of each demo build moved and moved back, one after another, with all that came before
        remembered."""
        for name in NAMES:
            first = case_of(demo_document(name))
            memory = Memory(40_000)
            before = told(first, memory)
            self.assertEqual(before, told(first, Memory(0)), name)
            facts = [(path, spec, value) for path, spec, value in facts_of(first) if value is not None]
            for path, spec, value in facts[::40]:
                for other in moved(spec, value):
                    with self.subTest(name, path=path):
                        case = with_value(first, path, other)
                        self.assertEqual(told(case, memory), told(case, Memory(0)))
                        self.assertEqual(told(first, memory), before)

    def test_drawn(self) -> None:
        case = case_of(demo_document("quarry-mule"))
        memory = Memory(40_000)
        for path in ("fuel.line.bore", "oil.cooler.conductance", "engine.thermostat"):
            now = fact_at(case, path)
            case = with_value(case, path, 1.01 * now)
            warm, cold = run(draw(case, 64), memory), run(draw(case, 64), Memory(0))
            self.assertEqual([x.key for x in warm.limits], [x.key for x in cold.limits])
            for a, b in zip(warm.limits, cold.limits, strict=True):
                np.testing.assert_array_equal(a.fill, b.fill, str(a.key))


class OnlyWhatReadsIt(unittest.TestCase):
    def solved_after(self, **paths: Any) -> set[str]:
        """Systems that are solved for one edit of a build that is remembered."""
        memory = Memory(40_000)
        outline(case_of(ROAD), memory)
        with mock.patch.object(graph, "Solved", wraps=Solved) as made:
            outline(case_of(changed(ROAD, **paths)), memory)
        return {call.args[0].id for call in made.call_args_list}

    def test_an_edit(self) -> None:
        self.assertEqual(self.solved_after(fuel__injectors__flow="390 cc/min"), {"fuel"})
        self.assertEqual(self.solved_after(exhaust__pipe__length="4.2 m"), {"exhaust", "air"})
        self.assertEqual(self.solved_after(oil__pan__baffle_g="0.8 g"), {"oil"})
        self.assertEqual(
            self.solved_after(cooling__core__width="610 mm"), {"cooling", "oil", "fit", "air"}
        )  # the stack as deep
        self.assertEqual(self.solved_after(engine__bsfc="280 g/kWh"), set(SYSTEMS) - {"boat"})

    def test_what_it_hands_on_stops_where_it_is_the_same(self) -> None:
        """An oil cooler's figure reaches the coolant; the pan's depth, which moves no heat, does not."""
        self.assertEqual(self.solved_after(oil__cooler__conductance="60 W/K"), {"oil", "cooling", "air"})

    def test_nothing_twice(self) -> None:
        self.assertEqual(self.solved_after(), set())
