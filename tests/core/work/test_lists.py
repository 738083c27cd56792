"""What is forgotten, by what a build is (common practice), and what a kit lacks."""

import unittest

from gauge_well.core.work.lists import BLOCKER, KITS, RENEW, TAKE, WANTED, lacks, wanted
from gauge_well.core.work.trade import TASKS
from gauge_well.sheet.demo import demo
from tests.core.work.test_network import traits


class Forgotten(unittest.TestCase):
    def ids(self, raw=None, **said: str) -> set[str]:
        return {item.id for item in wanted(traits(raw, **said))}

    def test_each_names_a_task_and_stands_once(self) -> None:
        tasks = {task.id for task in TASKS}
        self.assertEqual(len({item.id for item in WANTED}), len(WANTED))
        for item in WANTED:
            self.assertIn(item.task, tasks, item.id)
            self.assertIn(item.group, (TAKE, RENEW, BLOCKER))
            self.assertTrue(item.why)

    def test_a_bare_engine_has_no_donor_to_take_from(self) -> None:
        donor, bare = self.ids(donor="whole"), self.ids(donor="bare")
        self.assertIn("take_brackets", donor)
        self.assertFalse({id for id in bare if id.startswith("take_")} - {"take_papers"})

    def test_each_build_is_asked_its_own(self) -> None:
        boat, car = self.ids(demo("reed-otter")), self.ids()
        self.assertIn("block_slip", boat - car)
        self.assertIn("block_inspection", car - boat)
        self.assertIn("renew_glow", boat)
        self.assertIn("renew_plugs", car)
        self.assertIn("block_inspector", self.ids(demo("thistle-kite")))

    def test_the_clutch_pipe_left_on_the_donor_is_asked_for(self) -> None:
        self.assertIn("take_clutch_pipe", self.ids(donor="whole"))


class Kits(unittest.TestCase):
    def test_what_is_not_in_the_box_is_lacking(self) -> None:
        t = traits()
        whole = frozenset(item.id for item in KITS["adapter"][1])
        self.assertEqual(lacks("adapter", whole, t), [])
        self.assertEqual(lacks("adapter", whole - {"starter"}, t), ["starter that meets the ring"])

    def test_what_this_build_does_not_need_it_does_not_lack(self) -> None:
        # A manual gearbox has a clutch and no flexplate.
        found = lacks("adapter", frozenset(), traits())
        self.assertIn("spigot bearing or bush", found)
        self.assertNotIn("flexplate", found)
