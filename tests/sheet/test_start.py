"""A first start's record in a sheet: edits, what is refused, what is kept."""

import unittest
from datetime import UTC, datetime

from gauge_well.sheet import SheetError, load
from gauge_well.sheet.edit import Edit, apply_edit
from tests.support import ROAD, edited

AT = "2026-11-29T09:14:03Z"


class Start(unittest.TestCase):
    def test_a_record_is_written_field_by_field(self) -> None:
        document = edited(
            ("start.place", "machine"), ("start.air", "8 °C"), ("start.holds.machine_oil.signed", "K"), ("start.holds.machine_oil.at", AT),
            ("start.runs.a.step", "first"), ("start.runs.a.began", AT), ("start.runs.a.pace", "10"),
            ("start.readings.b.what", "coolant"), ("start.readings.b.value", "71 °C"), ("start.readings.b.run", "a"),
            ("start.looks.cooling__gauge.value", "112 °C"), ("start.symptom", "hot_idle"), ("start.note", "dry day"),
        )  # fmt: skip
        found = load(document).start
        self.assertEqual((found.place, found.symptom, found.note), ("machine", "hot_idle", "dry day"))
        self.assertAlmostEqual(found.air, 281.15, places=9)
        self.assertEqual(found.holds[0].signed, "K")
        self.assertEqual(found.runs[0].began, datetime(2026, 11, 29, 9, 14, 3, tzinfo=UTC))
        self.assertEqual(found.runs[0].pace, 10)
        self.assertEqual(
            (found.readings[0].what, found.readings[0].text, found.readings[0].run), ("coolant", "71 °C", "a")
        )
        self.assertEqual((found.looks[0].group, found.looks[0].check), ("cooling", "gauge"))

    def test_what_is_taken_out_leaves_nothing_behind(self) -> None:
        document = edited(("start.readings.b.value", "71 °C"))
        self.assertNotIn("start", edited(("start.readings.b", None), document=document, action="remove"))
        self.assertNotIn("start", edited(("start.air", ""), document=edited(("start.air", "8 °C"))))
        self.assertNotIn("start", load(dict(ROAD)).document)

    def test_two_phones_readings_stand_side_by_side(self) -> None:
        document = edited(("start.readings.a.value", "70 °C"), ("start.readings.b.value", "71 °C"))
        self.assertEqual([r.id for r in load(document).start.readings], ["a", "b"])

    def test_what_cannot_be_read_is_refused_by_its_field(self) -> None:
        for path, text in (
            ("start.air", "90 °C"),
            ("start.air", "soup"),
            ("start.holds.machine_oil.value", "six litres of it"),
            ("start.holds.machine_oil.at", "yesterday"),
            ("start.holds.machine_oil.at", "1815-06-18T10:00:00Z"),
            ("start.holds.machine_oil.at", "2026-02-30T10:00:00Z"),
            ("start.place", "kitchen"),
            ("start.symptom", "gremlins"),
            ("start.runs.a.pace", "fast"),
        ):
            with self.subTest(path, text=text), self.assertRaises(SheetError) as told:
                load(edited((path, text)))
            self.assertTrue(told.exception.problems[0].field.startswith("start."), told.exception.problems)
        document = edited(("start.readings.b.what", "coolant"), ("start.readings.b.value", "parsnips"))
        with self.assertRaises(SheetError) as told:
            load(document)
        self.assertEqual(told.exception.problems[0].field, "start.readings.b.value")

    def test_paths_there_are_none_of_are_refused(self) -> None:
        for path in (
            "start.nothing",
            "start.readings",
            "start.readings.b.nothing",
            "start.readings.b.value.more",
            "start.readings.B!.value",
        ):
            with self.subTest(path), self.assertRaises(SheetError):
                apply_edit(dict(ROAD), Edit(path, "1"))

    def test_a_list_is_bounded(self) -> None:
        document = dict(ROAD) | {"start": {"runs": [{"id": f"r{n}", "step": "prime"} for n in range(200)]}}
        with self.assertRaises(SheetError):
            apply_edit(document, Edit("start.runs.more.step", "prime"))
