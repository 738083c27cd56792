"""What is said of the work: read, kept, edited a field at a time, refused in words."""

import unittest

from gauge_well.sheet import SheetError, load
from gauge_well.sheet.edit import Edit, apply_edit
from gauge_well.sheet.spans import hours_of, lead_of, money_of, pause_of
from gauge_well.units import ReadingError
from tests.support import ROAD, edited


class Spans(unittest.TestCase):
    def test_three_points_are_taken_as_typed(self) -> None:
        for text, points in (
            ("2-3-6 h", (2, 3, 6)),
            ("2 - 3 – 6", (2, 3, 6)),
            ("30-45-90 min", (0.5, 0.75, 1.5)),
            ("1,5-2-3 h", (1.5, 2, 3)),
        ):
            found = hours_of(text)
            self.assertEqual((found.low, found.likely, found.high), points)

    def test_one_number_gets_a_band_and_two_a_likely_between(self) -> None:
        one, two = hours_of("4 h"), lead_of("2 to 3 weeks")
        self.assertEqual(one.likely, 4.0)
        self.assertLess(one.low, 4.0)
        self.assertLess(4.0, one.high)
        self.assertEqual((two.low, two.high), (14.0, 21.0))
        self.assertTrue(14.0 < two.likely < 21.0)

    def test_a_pause_is_calendar_time_and_a_day_of_work_eight_hours(self) -> None:
        self.assertEqual(pause_of("2 days"), 48.0)
        self.assertEqual(hours_of("1-1-2 days").low, 8.0)

    def test_a_price_is_known_or_between_two(self) -> None:
        for text in ("120", "€120", "120 EUR", "£ 120.00"):
            self.assertEqual((money_of(text).low, money_of(text).high), (120.0, 120.0))
        self.assertEqual((money_of("€100-150").low, money_of("€100-€150").high), (100.0, 150.0))

    def test_what_is_not_understood_is_refused_with_what_would_be(self) -> None:
        for reading, text in ((hours_of, "soon"), (hours_of, "3 parsecs"), (hours_of, "6-3-2"), (hours_of, "9000 h"), (hours_of, "1" * 50), (lead_of, "next year"), (money_of, "cheap"), (money_of, "150-100"), (money_of, "-5")):  # fmt: skip
            with self.assertRaises(ReadingError) as caught:
                reading(text)
            self.assertTrue(caught.exception.allowed)


class Kept(unittest.TestCase):
    def test_nothing_said_is_nothing_kept(self) -> None:
        self.assertNotIn("work", load(ROAD).document)

    def test_a_tick_is_kept_and_taken_off_again(self) -> None:
        ticked = edited(("work.tasks.drain.done", "2026-11-29"), ("work.tasks.drain.note", "in the rain"))
        self.assertEqual(ticked["work"]["tasks"], [{"id": "drain", "done": "2026-11-29", "note": "in the rain"}])
        self.assertEqual(load(ticked).work.said.tasks["drain"].note, "in the rain")
        off = edited(("work.tasks.drain.done", None), ("work.tasks.drain.note", None), document=ticked)
        self.assertNotIn("work", off)

    def test_it_reads_back_as_it_is_kept(self) -> None:
        raw = edited(
            ("work.tasks.hitch.title", "Hitch moved"),
            ("work.tasks.hitch.after", "weld, cut"),
            ("work.tasks.hitch.hours", "1-2-4 h"),
            ("work.tasks.hitch.hands", "2"),
            ("work.tasks.paint.left_out", "yes"),
            ("work.buys.adapter.title", "Adapter"),
            ("work.buys.adapter.from", "a shop"),
            ("work.buys.adapter.price", "€300-420"),
            ("work.buys.adapter.due", "2026-12-10"),
            ("work.weekday", "2 h"),
            ("work.limit", "€4,800"),
            ("work.donor", "whole"),
        )
        sheet = load(raw)
        self.assertEqual(load(sheet.document).document, sheet.document)
        self.assertEqual(sheet.work.said.tasks["hitch"].after, ("weld", "cut"))
        self.assertEqual((sheet.work.said.tasks["hitch"].hands, sheet.work.limit), (2, 4800.0))
        self.assertEqual((sheet.work.buys[0].source, sheet.work.said.choices), ("a shop", {"donor": "whole"}))
        self.assertTrue(sheet.work.said.tasks["paint"].left_out)

    def test_a_thing_is_taken_off_the_list(self) -> None:
        raw = edited(("work.buys.a.title", "A"), ("work.buys.b.title", "B"))
        raw = apply_edit(raw, Edit("work.buys.a", action="remove"))
        self.assertEqual([b["id"] for b in raw["work"]["buys"]], ["b"])

    def test_what_is_wrong_is_named(self) -> None:
        for path, text in (
            ("work.tasks.drain.done", "2026-02-30"),
            ("work.tasks.drain.done", "yesterday"),
            ("work.tasks.drain.done", "0191-03-17"),
            ("work.tasks.drain.hours", "soon"),
            ("work.tasks.drain.dries", "a while"),
            ("work.buys.adapter.lead", "when it comes"),
            ("work.weekday", "25 h"),
            ("work.limit", "little"),
            ("work.start", "2026-13-01"),
            ("work.donor", "stolen"),
            ("work.tasks.drain.stage", "lunch"),
            ("work.tasks.drain.hands", "9"),
        ):
            edits = [(path, text)] + ([("work.buys.adapter.title", "Adapter")] if "buys" in path else [])
            with self.assertRaises(SheetError, msg=path) as caught:
                load(edited(*edits))
            self.assertTrue(
                any(p.field.startswith("work") for p in caught.exception.problems), caught.exception.problems
            )

    def test_edits_of_no_field_are_refused(self) -> None:
        for path, text in (("work.nothing", "1"), ("work.tasks.drain.nothing", "1"), ("work.tasks.drain", "x"), ("work.tasks.Drain!.done", "x"), ("work.tasks.drain.id", "x"), ("work.hands", "two"), ("work.tasks", "x"), ("work.buys.a.source", "x")):  # fmt: skip
            with self.assertRaises(SheetError, msg=path):
                edited((path, text))

    def test_two_of_one_name_are_refused(self) -> None:
        for name, entry in (("tasks", {"id": "a", "title": "A"}), ("buys", {"id": "a", "title": "A"})):
            with self.assertRaises(SheetError):
                load(ROAD | {"work": {name: [entry, entry]}})

    def test_a_part_is_kept_with_its_lead_time_and_its_day(self) -> None:
        raw = load(ROAD).document
        part = next(p["id"] for p in raw["parts"] if p.get("role") == "cooling.core")
        raw = edited((f"parts.{part}.keep.lead", "2-3 weeks"), (f"parts.{part}.keep.due", "2026-12-24"), document=raw)
        self.assertEqual(load(raw).document["parts"][0].get("keep") or next(p["keep"] for p in raw["parts"] if p["id"] == part), {"lead": "2-3 weeks", "due": "2026-12-24"})  # fmt: skip
        for field, text in (("lead", "soon"), ("due", "2026-02-31"), ("price", "cheap")):
            with self.assertRaises(SheetError):
                load(edited((f"parts.{part}.keep.{field}", text), document=raw))


class Lists(unittest.TestCase):
    def test_ways_kits_fasteners_and_engines_are_kept_and_read(self) -> None:
        raw = edited(
            ("work.buys.m.title", "Mounts"),
            ("work.buys.m.ways.make.cost", "60-95"),
            ("work.buys.m.ways.make.redo", "0-50 %"),
            ("work.buys.m.kit", "mounts"),
            ("work.buys.m.holds", "sides, bolts"),
            ("work.fasteners.bell.title", "Bell"),
            ("work.fasteners.bell.count", "6"),
            ("work.fasteners.bell.torque", "46 Nm"),
            ("work.options.six.title", "Six"),
            ("work.options.six.rated_power", "190 hp"),
        )
        work = load(raw).work
        way = work.buys[0].ways[0]
        self.assertEqual((way.cost.low, way.cost.high, way.redo.high), (60.0, 95.0, 0.5))
        self.assertEqual((work.buys[0].kit, work.buys[0].holds), ("mounts", frozenset({"sides", "bolts"})))
        self.assertEqual((work.fasteners[0].count, work.fasteners[0].torque), (6, 46.0))
        self.assertEqual(work.options[0].facts, {"rated_power": "190 hp"})
        self.assertEqual(load(load(raw).document).document, load(raw).document)
        off = edited(("work.buys.m.ways.make.cost", None), ("work.buys.m.ways.make.redo", None), document=raw)
        self.assertNotIn("ways", off["work"]["buys"][0])

    def test_ways_of_nothing_are_refused(self) -> None:
        for path in ("work.buys.m.ways.make.cost", "work.buys.m.ways.steal.cost", "work.buys.m.ways.make.colour", "work.buys.m.ways"):  # fmt: skip
            with self.assertRaises(SheetError, msg=path):
                edited((path, "60"))
