"""Catalogues read, and the parts search against running every set there is."""

import io
import itertools
import os
import unittest
from unittest.mock import patch

from openpyxl import Workbook

from gauge_well.services.catalogue import CataloguePart, read, sample
from gauge_well.services.errors import Refused
from gauge_well.services.shopping import SCHEDULER, ShopEvent, _slots, fitted_with, outcome, shopped
from gauge_well.services.sizing import check
from gauge_well.sheet import load
from gauge_well.sheet.demo import demo
from tests.support import ROAD, changed

HEAD = "Kind,Name,Price,Flow [L/h],Pressure [bar],Width [mm],Height [mm],Depth [mm],Goes in\n"
SMALL = HEAD + (
    "pump,Pump 90,40,90,3,,,,\n"
    "pump,Pump 130,60,130,3,,,,\n"
    "pump,Pump 200,95,200,3,,,,\n"
    "core,Core small,55,,,420,300,26,Core\n"
    "core,Core large,140,,,640,420,40,Core\n"
    "core,Core wide,120,,,700,380,32,Core\n"
)

# A pump too small, known by one point.
WEAK = changed(ROAD, fuel__main__flow="52 L/h", fuel__main__flow_2=None, fuel__main__pressure_2=None)


def parts(text: str = SMALL) -> list[dict]:
    found = read(text.encode(), "csv")
    assert not found["problems"], found["problems"]
    return found["parts"]


def answer(raw: dict, catalogue: list[dict], places: list[str] | None = None, sure: bool = False) -> dict:
    events = [ShopEvent.model_validate(event) for event in shopped(raw, catalogue, places or [], sure)]
    assert events[0].event == "progress"
    assert events[-1].data is not None
    return events[-1].data.model_dump()


def every(raw: dict, catalogue: list[dict], places: list[str]) -> float:
    """The least cost of all sets that break nothing that some part could mend, each run by itself."""
    sheet, _ = check(raw)
    slots, _ = _slots(sheet.document, [CataloguePart.model_validate(p) for p in catalogue], places, {"cooling", "fuel"})
    sets = list(itertools.product(*(range(len(slot.options)) for slot in slots)))
    found = {pick: outcome(fitted_with(sheet.document, slots, pick), False) for pick in sets}
    left = set.intersection(*(set(o.over) for o in found.values()))
    cost = {p: sum(slot.options[n].cost for slot, n in zip(slots, p, strict=True)) for p in sets}
    return min((cost[p] for p in sets if set(found[p].over) <= left and not found[p].unknown - found[sets[0]].unknown), default=float("inf"))  # fmt: skip


class Searched(unittest.TestCase):
    PLACES = ["fuel.main", "cooling.core"]

    def test_it_finds_what_running_every_set_finds(self) -> None:
        both = changed(WEAK, cooling__core__width="430 mm", cooling__core__height="300 mm")
        for raw in (ROAD, both, WEAK):
            found = answer(raw, parts(), self.PLACES)
            self.assertTrue(found["proved"])
            self.assertEqual(found["cost"] if found["found"] else float("inf"), every(raw, parts(), self.PLACES))

    def test_what_is_found_holds_when_it_is_put_in(self) -> None:
        found = answer(WEAK, parts(), ["fuel.main"])
        self.assertTrue(found["found"])
        pick = found["picks"][0]
        part = next(p for p in parts() if p["id"] == pick["id"])
        raw = changed(WEAK, fuel__main__flow=part["facts"]["flow"], fuel__main__pressure=part["facts"]["pressure"])
        over = {key for key in outcome(load(raw).document, False).over if key[0] == "fuel"}
        self.assertEqual(over, set())
        # What is fitted in its stead does not do, and the search says why.
        stays = next(s for s in found["swaps"] if s["name"] == "what is fitted")
        self.assertTrue(stays["fails"])
        self.assertEqual(stays["more"], -pick["cost"])

    def test_where_nothing_need_be_bought_nothing_is(self) -> None:
        found = answer(ROAD, parts(), ["fuel.main"])
        self.assertEqual((found["cost"], found["found"]), (0.0, True))

    def test_where_no_set_holds_the_nearest_is_told(self) -> None:
        hot = changed(ROAD, cooling__core__width="300 mm", cooling__core__height="200 mm")
        small = parts(HEAD + "core,Core tiny,20,,,310,210,20,Core\n")
        found = answer(hot, small, ["cooling.core"])
        self.assertEqual((found["found"], found["proved"]), (False, True))
        self.assertTrue(found["gives"])

    def test_surely_asks_more_than_likely(self) -> None:
        likely, surely = (answer(WEAK, parts(), ["fuel.main"], sure) for sure in (False, True))
        self.assertTrue(not surely["found"] or surely["cost"] >= likely["cost"])

    def test_without_a_price_a_part_is_named_and_not_tried(self) -> None:
        found = answer(ROAD, parts(SMALL + "pump,Pump free,,150,3,,,,\n"), ["fuel.main"])
        self.assertEqual(found["dropped"], ["Pump free: no price"])

    def test_nothing_for_this_build_is_refused(self) -> None:
        with self.assertRaises(Refused):
            list(shopped(ROAD, parts(HEAD + "pump,Pump,40,90,3,,,,\n"), ["cooling.core"], False))

    def test_the_catalogue_that_ships_is_searched_for_a_demo_build(self) -> None:
        found = answer(demo("chalk-hare"), read(sample(), "csv")["parts"])
        self.assertTrue(found["proved"])
        self.assertLess(found["tried"], 500)


class Scheduled(unittest.TestCase):
    def test_a_scheduler_whose_address_is_given_comes_to_the_same(self) -> None:
        from distributed import LocalCluster

        here = answer(WEAK, parts(), ["fuel.main"])
        with (
            LocalCluster(
                n_workers=1,
                threads_per_worker=1,
                processes=False,
                dashboard_address=None,
                protocol="tcp://",
                host="127.0.0.1",
            ) as cluster,  # fmt: skip
            patch.dict(os.environ, {SCHEDULER: cluster.scheduler_address}),
        ):
            self.assertEqual(answer(WEAK, parts(), ["fuel.main"])["cost"], here["cost"])

    def test_one_that_is_not_reached_is_said_in_words(self) -> None:
        with patch.dict(os.environ, {SCHEDULER: "nonsense"}), self.assertRaises(Refused) as caught:
            list(shopped(ROAD, parts(), ["fuel.main"], False))
        self.assertIn("not reached", caught.exception.message)


class Read(unittest.TestCase):
    def test_the_one_that_ships_is_read_whole(self) -> None:
        found = read(sample(), "csv")
        self.assertEqual(found["problems"], [])
        self.assertGreaterEqual(len(found["parts"]), 20)
        self.assertEqual({p["kind"] for p in found["parts"]}, {"pump", "core", "fan", "injector", "line"})

    def test_a_workbook_says_the_same(self) -> None:
        book = Workbook()
        for row in SMALL.splitlines():
            book.active.append([float(c) if c.replace(".", "").isdigit() else c for c in row.split(",")])
        out = io.BytesIO()
        book.save(out)
        self.assertEqual(read(out.getvalue(), "xlsx")["parts"], parts())

    def test_columns_are_mapped_by_hand(self) -> None:
        text = "A;B;C;D\nPump 90;40;90;3\n"
        found = read(text.encode(), "csv", "name;price;flow;pressure", "pump")
        self.assertEqual((found["parts"][0]["name"], found["parts"][0]["facts"]), ("Pump 90", {"flow": "90", "pressure": "3"}))  # fmt: skip
        with self.assertRaises(Refused):
            read(text.encode(), "csv", "name;price;nonsense", "pump")

    def test_rows_that_do_not_stand_are_named_and_left_out(self) -> None:
        text = (
            SMALL
            + "lorry,Lorry,9,,,,,,\npump,Odd,40,plenty,3,,,,\npump,Bare,40,,,,,,\ncore,Wrong,40,,,400,300,20,Fuel pump\n"
        )
        found = read(text.encode(), "csv")
        self.assertEqual([p["row"] for p in found["problems"]], [8, 9, 10, 11])
        self.assertEqual(len(found["parts"]), 6)

    def test_files_that_are_none_are_refused(self) -> None:
        for raw, kind in ((b"", "csv"), (b"a,b", "csv"), (b"\0\0", "csv"), (b"no zip", "xlsx"), (b"PK\3\4 broken", "xlsx"), (b"x,y\n1,2\n", "csv")):  # fmt: skip
            with self.assertRaises(Refused, msg=raw):
                read(raw, kind)
        with self.assertRaises(Refused):
            read(b"kind,name\n" + b"pump,x\n" * 6000, "csv")
