"""Networks: rings named, order kept through tasks a build has not, and what each build has."""

import itertools
import unittest
from typing import Any

import numpy as np

from gauge_well.core.errors import CoreError
from gauge_well.core.work.network import Network, chosen
from gauge_well.core.work.plan import planned
from gauge_well.core.work.said import Said, TaskSaid
from gauge_well.core.work.span import certain
from gauge_well.core.work.task import STAGES
from gauge_well.core.work.trade import OF_SYSTEM, TASKS
from gauge_well.core.work.traits import CHOICES, Traits, by_rule, traits_of
from gauge_well.sheet import load, resolve
from gauge_well.sheet.demo import NAMES, demo
from gauge_well.sheet.sections import PLACES
from tests.core.work.making import task
from tests.support import ROAD, changed


def traits(raw: dict[str, Any] | None = None, **said: str) -> Traits:
    return traits_of(resolve(load(raw or ROAD)).case, said)


def reached(tasks: Any) -> dict[tuple[str, str], bool]:
    """Who comes before whom, by powers of the matrix of arcs."""
    ids = [t.id for t in tasks]
    at = {id: n for n, id in enumerate(ids)}
    matrix = np.eye(len(ids), dtype=bool)
    for t in tasks:
        for arc in t.after:
            if arc.before in at:
                matrix[at[arc.before], at[t.id]] = True
    for _ in range(8):
        matrix = matrix @ matrix
    return {(a, b): bool(matrix[at[a], at[b]]) for a, b in itertools.permutations(ids, 2)}


class Rings(unittest.TestCase):
    def test_a_ring_is_refused_and_named(self) -> None:
        with self.assertRaises(CoreError) as caught:
            Network((task("weld", 1, "paint"), task("paint", 1, "cut"), task("cut", 1, "weld"), task("free", 1)))
        error = caught.exception
        self.assertEqual((error.code, sorted(error.value)), ("ring", ["cut", "paint", "weld"]))
        for title in ("Weld", "Paint", "Cut"):
            self.assertIn(title, str(error))
        self.assertNotIn("Free", str(error))

    def test_a_task_that_waits_for_itself_is_a_ring(self) -> None:
        with self.assertRaises(CoreError) as caught:
            Network((task("weld", 1, "weld"),))
        self.assertEqual(caught.exception.code, "ring")

    def test_an_arc_to_nowhere_is_refused(self) -> None:
        with self.assertRaises(CoreError) as caught:
            Network((task("weld", 1, "nothing"),))
        self.assertEqual(caught.exception.code, "unknown_task")

    def test_an_own_arc_that_makes_a_ring_is_refused_by_name(self) -> None:
        with self.assertRaises(CoreError) as caught:
            planned(traits(), Said(tasks={"gaps": TaskSaid(id="gaps", after=("weld",))}))
        self.assertIn("Weld mounts", str(caught.exception))

    def test_an_own_arc_to_nowhere_is_refused(self) -> None:
        with self.assertRaises(CoreError) as caught:
            planned(traits(), Said(tasks={"weld": TaskSaid(id="weld", after=("wled",))}))
        self.assertEqual(caught.exception.field, "work.tasks.weld.after")


class Chosen(unittest.TestCase):
    def test_the_whole_table_stands(self) -> None:
        whole = Network(TASKS)
        self.assertEqual(len({t.id for t in TASKS}), len(TASKS))
        self.assertEqual({t.stage for t in whole.tasks}, set(STAGES))

    def test_each_task_says_why_and_each_place_it_names_is_one(self) -> None:
        for t in TASKS:
            self.assertTrue(t.why, t.id)
            self.assertLessEqual(set(t.parts), set(PLACES), t.id)
            # An arc without its reason teaches nobody.
            self.assertTrue(all(arc.why for arc in t.after), t.id)
        ids = {t.id for t in TASKS}
        self.assertLessEqual({id for found in OF_SYSTEM.values() for id in found}, ids)

    def test_what_one_has_not_keeps_the_order_of_what_it_has(self) -> None:
        whole = reached(TASKS)
        for raw in (ROAD, *(demo(name) for name in NAMES)):
            for said in ({}, {"bench": "none", "paint": "left", "gearbox": "after"}, {"donor": "bare", "bench": "dry"}):
                have = chosen(TASKS, traits(raw, **said))
                for pair, before in reached(have).items():
                    self.assertEqual(before, whole[pair], (raw["name"], pair))

    def test_each_side_of_a_decision_moves_a_task(self) -> None:
        boat, turbo = demo("reed-otter"), demo("quarry-mule")
        for name, choice in CHOICES.items():
            if name == "hoist":
                continue  # it decides what its days cost, not what is done
            for raw in (turbo, boat):
                sets = [
                    frozenset((t.id, t.title) for t in chosen(TASKS, traits(raw, **{name: side})))
                    for side in choice.sides
                ]
                if len(set(sets)) > 1:
                    break
            else:
                self.fail(name)

    def test_machines_have_their_own(self) -> None:
        boat = {t.id for t in chosen(TASKS, traits(demo("reed-otter")))}
        car = {t.id for t in chosen(TASKS, traits())}
        still = {t.id for t in chosen(TASKS, traits(demo("dripping-well")))}
        self.assertLessEqual({"beds", "align", "riser", "sea_trial", "shaft_log"}, boat - car)
        self.assertLessEqual({"brakes", "shafts_in", "prop", "gas_test", "core"}, car - boat)
        self.assertFalse({"brakes", "marry", "clutch", "prop"} & still)

    def test_the_loom_is_worked_by_its_school(self) -> None:
        kept = {"electrics__computer": "kept"}
        looms = {
            school: next(
                t for t in chosen(TASKS, traits(changed(ROAD, **kept, electrics__loom=school))) if t.id == "loom"
            )
            for school in ("thinned", "own", "sent")
        }
        self.assertEqual(len({t.title for t in looms.values()}), 3)
        self.assertGreater(looms["own"].hours.likely, looms["thinned"].hours.likely)
        # Sent out it costs days and few hours.
        self.assertLess(looms["sent"].hours.likely, looms["thinned"].hours.likely)
        self.assertGreater(looms["sent"].lag, 24.0)

    def test_a_dry_sump_has_its_tasks(self) -> None:
        dry = {t.id for t in chosen(TASKS, traits(changed(ROAD, oil__sump="dry")))}
        self.assertLessEqual({"dry_sump", "oil_lines"}, dry)

    def test_a_large_engine_takes_longer_to_lift_and_no_longer_to_wire(self) -> None:
        small, large = (
            {t.id: t for t in chosen(TASKS, traits(changed(ROAD, engine__displacement=size)))}
            for size in ("1.0 L", "7.0 L")
        )
        self.assertLess(small["engine_in"].hours.likely, large["engine_in"].hours.likely)
        self.assertEqual(
            small["loom"].hours if "loom" in small else None, large["loom"].hours if "loom" in large else None
        )

    def test_what_rules_decide_is_one_of_the_sides(self) -> None:
        for name in NAMES:
            rules = by_rule(resolve(load(demo(name))).case)
            self.assertEqual(set(rules), set(CHOICES))
            for key, rule in rules.items():
                self.assertIn(rule.value, CHOICES[key].sides)


class Planned(unittest.TestCase):
    def test_own_tasks_stand_in_the_order_they_are_given(self) -> None:
        tasks = {
            "hitch": TaskSaid(id="hitch", title="Hitch moved", after=("weld_exhaust",), hours=certain(2.0)),
            "paint": TaskSaid(id="paint", after=("hitch",)),
        }
        plan = planned(traits(), Said(tasks=tasks))
        self.assertIn("hitch", plan.network.upstream("paint"))
        self.assertIn("weld_exhaust", plan.network.upstream("hitch"))
        self.assertEqual(plan.network.by_id["hitch"].hours.likely, 2.0)

    def test_what_is_left_out_keeps_the_order_round_it(self) -> None:
        plan = planned(traits(), Said(tasks={"paint": TaskSaid(id="paint", left_out=True)}))
        self.assertNotIn("paint", plan.network.by_id)
        self.assertIn("weld", plan.network.upstream("engine_in"))

    def test_an_arc_may_be_let_go(self) -> None:
        plan = planned(traits(), Said(tasks={"trial_fit": TaskSaid(id="trial_fit", free_of=("bench_hose",))}))
        self.assertNotIn("bench_hose", plan.network.before["trial_fit"])

    def test_an_own_task_without_a_title_is_refused(self) -> None:
        with self.assertRaises(CoreError) as caught:
            planned(traits(), Said(tasks={"mine": TaskSaid(id="mine", hours=certain(1.0))}))
        self.assertEqual(caught.exception.field, "work.tasks.mine.title")
