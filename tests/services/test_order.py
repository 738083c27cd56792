"""The order of work as the page gets it: of every demo build, from little, with things that are late, as files."""

import copy
import csv
import io
import unittest
from datetime import date
from typing import Any

from icalendar import Calendar

from gauge_well.services import builds
from gauge_well.services.models_order import OrderOut
from gauge_well.services.options import options_of
from gauge_well.services.order import order_of
from gauge_well.services.order_files import calendar, tasks_csv, things_csv
from gauge_well.services.sizing import check, size_document
from gauge_well.sheet import SheetError
from gauge_well.sheet.demo import NAMES, demo
from tests.database import DatabaseCase
from tests.support import ROAD

TODAY = date(2026, 11, 29)


def road(**work: Any) -> dict[str, Any]:
    return ROAD | {"work": work}


ADAPTER = {"id": "adapter", "title": "Adapter plate", "state": "ordered", "price": "€420", "task": "trial_flywheel"}


class Orders(unittest.TestCase):
    def test_every_demo_build_has_a_plan_half_done(self) -> None:
        for name in NAMES:
            order = OrderOut.model_validate(order_of(demo(name), TODAY))
            done = sum(t.state == "done" for t in order.tasks) / len(order.tasks)
            self.assertTrue(0.2 < done < 0.6, (name, done))
            self.assertTrue(any(t.state == "ready" for t in order.tasks), name)
            self.assertEqual(order.against, [], name)
            assert order.first is not None
            self.assertLessEqual(order.first.low, order.first.likely)
            self.assertLessEqual(order.first.likely, order.first.high)
            self.assertTrue(order.budget.likely_sum > 0 and order.budget.limit, name)

    def test_of_a_build_nobody_said_anything_of_the_dates_say_what_they_rest_on(self) -> None:
        order = order_of(ROAD, TODAY)
        said = {r["path"] for r in order["rests"]}
        self.assertEqual(said, {"work.tasks", "work.weekday", "work.weekend", "work.hands", "work.choices", "parts"})
        self.assertTrue(order["headline"].startswith("Today, alone:"))
        self.assertEqual((order["holds"], order["done"]), ("", 0))
        self.assertEqual(order["budget"]["sentence"], "Nothing has a price yet.")
        stated = order_of(road(weekday="3 h", weekend="6 h", hands=2), TODAY)
        self.assertEqual({r["path"] for r in stated["rests"]}, {"work.tasks", "work.choices", "parts"})

    def test_what_is_late_is_said_and_what_is_usual_named(self) -> None:
        late = order_of(road(buys=[ADAPTER | {"due": "2026-11-20"}]), TODAY)
        thing = next(t for t in late["things"] if t["id"] == "buy_adapter")
        self.assertEqual((thing["late_days"], thing["awaited"], thing["usual"]), (9, True, False))
        usual = order_of(road(buys=[ADAPTER]), TODAY)
        self.assertIn("work.buys.adapter.lead", {r["path"] for r in usual["rests"]})

    def test_a_thing_far_off_holds_the_end_and_the_headline_says_when(self) -> None:
        order = order_of(road(buys=[ADAPTER | {"due": "2027-06-01"}]), TODAY)
        self.assertEqual(order["holds"], "The end waits for adapter plate: due Tuesday 1 June.")
        self.assertGreater(order["first"]["likely"], "2027-06-01")
        wanted = order_of(road(buys=[ADAPTER | {"state": "wanted", "lead": "90 days"}]), TODAY)
        self.assertTrue(wanted["holds"].endswith("if ordered today."), wanted["holds"])

    def test_a_part_of_the_build_is_waited_for_too(self) -> None:
        raw = check(ROAD)[0].document
        for part in raw["parts"]:
            if part.get("role") == "cooling.core":
                part["keep"] = {"state": "ordered", "due": "2027-03-01"}
        order = order_of(raw, TODAY)
        core = next(t for t in order["tasks"] if t["id"] == "core")
        self.assertEqual(len(core["held_things"]), 1)
        self.assertGreaterEqual(core["day"], "2027-03-01")

    def test_money_over_the_limit_says_in_how_many_cases(self) -> None:
        buys = [{"id": f"b{n}", "title": f"Thing {n}", "state": "wanted", "price": "€90-160"} for n in range(10)]
        order = order_of(road(limit="1300", buys=buys), TODAY)
        self.assertTrue(0.0 < order["budget"]["over"] < 1.0)
        self.assertIn("over €1,300 in", order["budget"]["sentence"])
        unpriced = order_of(road(limit="1300", buys=[*buys, {"id": "x", "title": "X", "state": "wanted"}]), TODAY)
        self.assertIn("1 without a price", unpriced["budget"]["sentence"])

    def test_each_broken_arc_is_there_before_it_is_ticked(self) -> None:
        order = order_of(road(front_pipe="first"), TODAY)
        task = next(t for t in order["tasks"] if t["id"] == "engine_in")
        missing = {b["missing"]: b for b in task["breaks"]}
        self.assertIn("pipe_laid", missing)
        self.assertGreater(missing["pipe_laid"]["undo_h"], 4.0)

    def test_out_of_order_is_told(self) -> None:
        done = [{"id": id, "done": "2026-11-01"} for id in ("engine_in",)]
        self.assertTrue(any(b["missing"] == "look_round" for b in order_of(road(tasks=done), TODAY)["against"]))

    def test_no_work_before_a_day_begins_on_it(self) -> None:
        order = order_of(road(start="2027-02-01"), TODAY)
        self.assertEqual(order["today"], "2027-02-01")
        self.assertTrue(all(t["day"] >= "2027-02-01" for t in order["tasks"] if t["day"]))

    def test_all_done_is_all_done(self) -> None:
        ids = [t["id"] for t in order_of(ROAD, TODAY)["tasks"]]
        order = order_of(road(tasks=[{"id": id, "done": "2026-11-01"} for id in ids]), TODAY)
        self.assertEqual((order["headline"], order["ends"], order["left_h"]), ("All of it is done.", "", 0.0))

    def test_days_that_are_odd_are_answered(self) -> None:
        done = [{"id": "paint", "done": "2099-12-31"}, {"id": "drain", "done": "1990-01-01"}]
        far = ADAPTER | {"due": "2099-01-01"}
        for today in (date(1990, 1, 1), TODAY, date(2099, 12, 31)):
            order = order_of(road(tasks=done, buys=[far], start="1991-01-01"), today)
            self.assertTrue(order["ends"], today)

    def test_a_week_without_hours_is_refused(self) -> None:
        with self.assertRaises(SheetError) as caught:
            order_of(road(weekday="0 h", weekend="0 h"), TODAY)
        self.assertEqual(caught.exception.problems[0].field, "work.weekday")


class Files(unittest.TestCase):
    def test_tasks_as_csv(self) -> None:
        raw = road(tasks=[{"id": "mine", "title": "=1+1", "after": ["weld"], "note": "@home"}])
        rows = list(csv.DictReader(io.StringIO(tasks_csv(raw, TODAY))))
        order = order_of(raw, TODAY)
        self.assertEqual(len(rows), len(order["tasks"]))
        mine = next(row for row in rows if row["Task"].endswith("1+1"))
        # What begins like a formula is none in a spreadsheet.
        self.assertEqual((mine["Task"], mine["Note"]), ("'=1+1", "'@home"))
        self.assertIn("Weld mounts", mine["Comes after"])

    def test_things_as_csv(self) -> None:
        rows = list(csv.DictReader(io.StringIO(things_csv(road(buys=[ADAPTER | {"due": "2026-12-24"}]), TODAY))))
        adapter = next(row for row in rows if row["Thing"] == "Adapter plate")
        self.assertEqual(
            (adapter["Price"], adapter["Due"], adapter["Likely there"]), ("€420", "2026-12-24", "2026-12-24")
        )

    def test_a_calendar_is_read_back_by_its_library(self) -> None:
        raw = road(buys=[ADAPTER | {"due": "2026-12-24"}])
        order = order_of(raw, TODAY)
        events = list(Calendar.from_ical(calendar(raw, TODAY)).walk("VEVENT"))
        self.assertEqual(len(events), len([t for t in order["tasks"] if t["state"] != "done"]) + 1)
        self.assertEqual(len({str(e["uid"]) for e in events}), len(events))
        self.assertTrue(all(e.decoded("dtend") > e.decoded("dtstart") for e in events if "dtend" in e))
        there = next(e for e in events if "likely there" in str(e["summary"]))
        self.assertEqual(there.decoded("dtstart"), date(2026, 12, 24))
        first = min(events, key=lambda e: str(e.decoded("dtstart")))
        self.assertGreaterEqual(str(first.decoded("dtstart")), "2026-11-29")


class Rings(DatabaseCase):
    def test_a_ring_is_refused_when_it_is_made_and_nothing_is_lost(self) -> None:
        made = builds.create(self.engine, ROAD)
        edit = {"path": "work.tasks.gaps.after", "text": "weld"}
        with self.assertRaises(SheetError) as caught:
            builds.edit(self.engine, made["id"], 1, [edit])
        self.assertIn("ring", caught.exception.problems[0].message)
        self.assertIn("Weld mounts and brackets", caught.exception.problems[0].message)
        self.assertEqual(builds.get(self.engine, made["id"])["document"], made["document"])

    def test_two_phones_tick_two_tasks_on_one_revision(self) -> None:
        made = builds.create(self.engine, ROAD)
        for task in ("use", "driveline_known"):
            path = f"work.tasks.{task}.done"
            after = builds.edit(self.engine, made["id"], 1, [{"path": path, "text": "2026-11-29"}])
        self.assertEqual([t["id"] for t in after["document"]["work"]["tasks"]], ["use", "driveline_known"])


class Lists(unittest.TestCase):
    def test_what_is_listed_from_here_or_called_alike_is_not_asked_again(self) -> None:
        buys = [{"id": "renew_pump", "title": "Pump"}, {"id": "x", "title": "Spark plugs", "price": "40"}]
        found = {w["id"]: w for w in order_of(road(buys=buys), TODAY)["wanted"]}
        self.assertEqual((found["renew_pump"]["listed"], found["renew_pump"]["priced"]), ("buy_renew_pump", False))
        self.assertEqual((found["renew_plugs"]["listed"], found["renew_plugs"]["priced"]), ("buy_x", True))
        self.assertEqual(found["renew_thermostat"]["listed"], "")

    def test_ways_stand_beside_each_other(self) -> None:
        ways = {
            "make": {"cost": "60-95", "hours": "6-9-18 h", "redo": "0-50 %"},
            "buy": {"cost": "210-260", "hours": "2 h", "wait": "5-9 days"},
        }
        order = order_of(road(rate="12", buys=[{"id": "m", "title": "Mounts", "ways": ways}]), TODAY)
        found = next(t for t in order["things"] if t["id"] == "buy_m")["ways"]
        self.assertEqual({w["id"] for w in found}, {"make", "buy"})
        self.assertTrue(found[0]["cheapest"])
        self.assertTrue(next(w for w in found if w["id"] == "make")["wide"])
        self.assertEqual(order["rate"], 12.0)

    def test_a_kit_says_what_it_lacks(self) -> None:
        kit = {"id": "k", "title": "Mount kit", "kit": "mounts", "holds": ["sides", "rubbers"]}
        thing = next(t for t in order_of(road(buys=[kit]), TODAY)["things"] if t["id"] == "buy_k")
        self.assertIn("bolts of their class", thing["lacks"])
        self.assertNotIn("rubbers", thing["lacks"])

    def test_fasteners_say_their_usual_torque(self) -> None:
        rows = [
            {"id": "a", "title": "Bell", "thread": "M10", "grade": "8.8", "torque": "46 Nm", "gauged": "yes"},
            {"id": "b", "title": "Pan", "thread": "M6", "grade": "8.8", "torque": "24 Nm"},
            {"id": "c", "title": "Old", "thread": "3/8-24"},
        ]
        bell, pan, old = order_of(road(fasteners=rows), TODAY)["fasteners"]
        self.assertTrue(bell["usual"] and not bell["wrong"] and bell["gauged"])
        self.assertTrue(pan["wrong"] and not pan["gauged"])
        self.assertEqual((old["usual"], old["wrong"]), ("", ""))
        with self.assertRaises(SheetError) as caught:
            order_of(road(fasteners=[rows[0] | {"torque": "tight"}]), TODAY)
        self.assertEqual(caught.exception.problems[0].field, "work.fasteners.a.torque")

    def test_engines_stand_side_by_side_each_run_on_this_machine(self) -> None:
        big = {"id": "big", "title": "Six", "rated_power": "190 kW", "rated_speed": "6200 rpm", "displacement": "4.0 L", "price": "900", "parts": "300-500"}  # fmt: skip
        bold = {"id": "bold", "title": "Bold", "rated_power": "400 kW", "rated_speed": "6200 rpm", "displacement": "2.0 L"}  # fmt: skip
        odd = {"id": "odd", "title": "Odd", "rated_power": "lots"}
        found = options_of(road(options=[big, bold, odd]), TODAY)
        own, first, second, third = found["options"]
        self.assertTrue(own["own"] and own["sentence"])
        # The same as the build with that engine put in.
        alone = copy.deepcopy(ROAD)
        alone["engine"] = {k: ROAD["engine"][k] for k in ("fuel", "aspiration")} | {
            k: big[k] for k in ("rated_power", "rated_speed", "displacement")
        }
        self.assertEqual(first["sentence"], size_document(alone, "none")["headline"]["sentence"])
        self.assertEqual((first["price"], first["price_likely"]), ("1,200 to 1,400", 1280.0))
        self.assertFalse(second["believable"])
        self.assertTrue(third["problem"])
        self.assertIn("gearbox route with its price", found["unpriced"])
        self.assertTrue(found["advice"].startswith("Not yet"))
