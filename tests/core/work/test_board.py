"""The board: what can be begun, what a late thing does, what is to spare."""

import unittest
from datetime import date

from gauge_well.core.work.board import board, slacks
from gauge_well.core.work.network import Network
from gauge_well.core.work.plan import Plan, planned
from gauge_well.core.work.said import Awaited, Said, TaskSaid, Week
from gauge_well.core.work.schedule import made, serial
from gauge_well.core.work.span import certain
from tests.core.work.making import SUNDAY, task, work
from tests.core.work.test_network import traits

ROUND_THE_CLOCK = Week(weekday=24.0, weekend=24.0)


def small(*tasks, done=(), **said) -> tuple[Plan, Said]:
    words = {id: TaskSaid(id=id, done=date(2026, 11, 1)) for id in done}
    return Plan(Network(tasks), words), Said(tasks=words, week=ROUND_THE_CLOCK, **said)


class Boards(unittest.TestCase):
    def test_ready_is_what_waits_for_nothing(self) -> None:
        plan, said = small(
            task("a", 1.0), task("b", 1.0, "a"), task("c", 1.0, "b"), task("d", 2.0, hands=2), done=("a",)
        )
        adapter = Awaited(id="x", label="X", tasks=("d",), days=certain(3.0))
        found = {s.task.id: s for s in board(plan, said, [adapter], SUNDAY).standing}
        self.assertEqual({id for id, s in found.items() if s.ready}, {"b"})
        self.assertEqual((found["c"].held.tasks, found["d"].held.things), (("b",), ("x",)))
        self.assertTrue(found["a"].done)
        self.assertFalse(found["d"].alone)

    def test_what_is_done_and_not_dry_is_waited_for(self) -> None:
        paint, fit = task("paint", 2.0, lag=24.0), task("fit", 1.0, "paint")
        for done, ready in ((SUNDAY, False), (date(2026, 11, 20), True)):
            words = {"paint": TaskSaid(id="paint", done=done)}
            plan, said = Plan(Network((paint, fit)), words), Said(tasks=words, week=ROUND_THE_CLOCK)
            found = {s.task.id: s for s in board(plan, said, [], SUNDAY).standing}
            self.assertEqual(found["fit"].ready, ready)
            # Done by six in the evening, dry a day later.
            self.assertEqual(found["fit"].begin, 0.0 if ready else 18.0 + 24.0)

    def test_a_late_thing_moves_the_end_a_day_a_day_once_its_spare_is_gone(self) -> None:
        # 48 h of one's own beside a thing of the third day that is then worked at for 24 h: one day to spare with two hands.
        plan, said = small(task("own", 96.0), task("bolt", 24.0), hands=2)
        late = board(plan, said, [Awaited(id="x", label="X", tasks=("bolt",), days=certain(2.0))], SUNDAY).late[0]
        self.assertEqual(late.spare, 1)
        self.assertAlmostEqual(late.week, 6.0)
        self.assertEqual(late.decides, 0.0)

    def test_a_thing_that_comes_last_has_nothing_to_spare(self) -> None:
        plan, said = small(task("own", 24.0), task("bolt", 24.0), hands=2)
        found = board(plan, said, [Awaited(id="x", label="X", tasks=("bolt",), days=certain(9.0))], SUNDAY)
        self.assertEqual((found.late[0].spare, found.late[0].decides), (0, 1.0))
        self.assertAlmostEqual(found.late[0].week, 7.0)
        self.assertEqual(found.behind, 24.0)
        self.assertEqual([(m.kind, m.sooner) for m in found.movers], [("thing", 7)])

    def test_slack_is_what_a_task_may_be_later(self) -> None:
        given = work(task("long", 10.0), task("short", 3.0), task("last", 1.0, "long", "short"), hands=2)
        found = slacks(given, made(given, serial(given)))
        self.assertEqual({id: round(h, 6) for id, h in found.items()}, {"long": 0.0, "short": 7.0, "last": 0.0})

    def test_a_helper_moves_the_end_where_hands_are_short(self) -> None:
        plan, said = small(*(task(f"t{n}", 24.0) for n in range(6)))
        movers = board(plan, said, [], SUNDAY).movers
        self.assertEqual((movers[0].kind, movers[0].sooner), ("hands", 3))

    def test_all_of_the_trade_s_network_can_be_worked_off(self) -> None:
        said = Said()
        plan = planned(traits(), said)
        done: dict[str, TaskSaid] = {}
        while True:
            found = board(Plan(plan.network, done), said, [], SUNDAY)
            ready = [s.task.id for s in found.standing if s.ready]
            if not ready:
                break
            done |= {id: TaskSaid(id=id, done=date(2026, 11, 1)) for id in ready}
        self.assertEqual(set(done), set(plan.network.by_id))
        self.assertEqual((found.left, found.first, found.end, found.shut), (0.0, None, None, 0))
