"""What it costs to go against the order: the trade's costliest arcs, each caught when it is broken (common practice)."""

import unittest

from gauge_well.core.work.broken import breaks, out_of_order
from gauge_well.core.work.network import Network, chosen
from gauge_well.core.work.trade import TASKS
from tests.core.work.making import task
from tests.core.work.test_network import traits

# What must come first, before what, and whether breaking it costs hours, or something that no hours bring back.
COSTLIEST = (
    ("pipe_laid", "engine_in", "hours"),
    ("clear_way", "engine_in", "hours"),
    ("cut", "paint", "hours"),
    ("gaps", "weld", "hours"),
    ("gearbox_route", "order_long", "lost"),
    ("take_list", "donor_gone", "lost"),
    ("circuits", "donor_gone", "lost"),
    ("controls_free", "donor_gone", "lost"),
    ("circuits", "run_in", "hours"),
)


class Costliest(unittest.TestCase):
    def setUp(self) -> None:
        self.network = Network(chosen(TASKS, traits(donor="whole", front_pipe="first")))

    def done_but(self, missing: str, later: str) -> set[str]:
        """All that a task waits for, but for one."""
        return set(self.network.upstream(later)) - {missing}

    def test_each_is_caught_at_the_moment_it_is_broken(self) -> None:
        for missing, later, cost in COSTLIEST:
            found = {b.missing.id: b for b in breaks(self.network, self.done_but(missing, later), later)}
            self.assertIn(missing, found, (missing, later))
            broken = found[missing]
            self.assertTrue(broken.why, (missing, later))
            if cost == "hours":
                self.assertGreater(broken.undo, broken.missing.hours.likely, (missing, later))
                self.assertEqual(broken.redone[-1].id, later)
            else:
                self.assertTrue(broken.missing.lost or broken.task.lost, (missing, later))

    def test_beds_come_before_paint_in_a_boat(self) -> None:
        from gauge_well.sheet.demo import demo

        network = Network(chosen(TASKS, traits(demo("reed-otter"), beds="new", paint="painted")))
        done = set(network.upstream("paint")) - {"beds"}
        self.assertEqual(breaks(network, done, "paint")[0].missing.id, "beds")

    def test_in_order_nothing_is_said(self) -> None:
        for later in ("engine_in", "paint", "weld", "donor_gone"):
            self.assertEqual(breaks(self.network, set(self.network.upstream(later)), later), [])

    def test_what_was_done_out_of_order_is_told_until_it_is_mended(self) -> None:
        done = self.done_but("clear_way", "engine_in") | {"engine_in"}
        self.assertEqual(
            [(b.task.id, b.missing.id) for b in out_of_order(self.network, done)],
            [("look_round", "clear_way"), ("engine_in", "clear_way")][::-1],
        )
        self.assertEqual(out_of_order(self.network, done | {"clear_way"}), [])

    def test_it_costs_more_the_more_was_built_on_it(self) -> None:
        done = self.done_but("pipe_laid", "engine_in")
        before = next(b for b in breaks(self.network, done, "engine_in") if b.missing.id == "pipe_laid").undo
        later = next(
            b for b in out_of_order(self.network, done | {"engine_in", "snug", "coolant"}) if b.task.id == "engine_in"
        )
        self.assertGreater(later.undo, before)


class Undo(unittest.TestCase):
    def test_hours_are_of_the_task_and_all_done_on_it_since(self) -> None:
        network = Network(
            (
                task("pipe", 0.5),
                task("engine", 4.0, "pipe"),
                task("mounts", 1.0, "engine"),
                task("shafts", 2.0, "mounts"),
                task("other", 3.0),
            )
        )
        found = breaks(network, {"mounts", "other"}, "engine")
        self.assertEqual(len(found), 1)
        # Taken apart and done again: one and a half of 4 and 1 h; the shafts are not in yet.
        self.assertAlmostEqual(found[0].undo, 1.5 * 5.0)
        self.assertEqual([t.id for t in found[0].redone], ["mounts", "engine"])

    def test_of_a_row_only_the_nearest_is_told(self) -> None:
        network = Network((task("a", 1.0), task("b", 1.0, "a"), task("c", 1.0, "b")))
        self.assertEqual([b.missing.id for b in breaks(network, set(), "c")], ["b"])
        self.assertEqual([(b.missing.id, b.why) for b in breaks(network, {"b"}, "c")], [("a", "")])
