"""Readings, factors and the logbook in a sheet: edits, what is refused, what a fit that is applied does to a case."""

import unittest
from datetime import UTC, datetime

from gauge_well.sheet import SheetError, load, resolve
from gauge_well.sheet.demo import demo
from gauge_well.sheet.edit import Edit, apply_edit
from tests.support import ROAD, edited

AT = "2026-11-29T09:14:03Z"


class Readings(unittest.TestCase):
    def test_a_reading_is_written_field_by_field(self) -> None:
        found = load(edited(
            ("readings.taken.a.what", "coolant"), ("readings.taken.a.value", "205 °F"), ("readings.taken.a.speed", "60 mph"),
            ("readings.taken.a.grade", "6 %"), ("readings.taken.a.air", "22 °C"), ("readings.taken.a.at", AT),
            ("readings.taken.a.rises", "3 K"), ("readings.taken.a.homes", "core:1a2b3c4d fan:00000000"),
            ("readings.air", "25 °C"), ("readings.begins", "cold"),
        )).readings  # fmt: skip
        taken = found.taken[0]
        self.assertAlmostEqual(taken.value, (205.0 - 32.0) * 5.0 / 9.0 + 273.15, places=9)
        self.assertAlmostEqual(taken.speed, 60.0 * 0.44704, places=9)
        self.assertAlmostEqual(taken.rises, 0.05, places=12)
        self.assertEqual((taken.half, taken.grade, taken.at), (3.0, 0.06, datetime(2026, 11, 29, 9, 14, 3, tzinfo=UTC)))
        self.assertEqual(dict(taken.homes), {"core": "1a2b3c4d", "fan": "00000000"})
        self.assertEqual((found.begins, round(found.air, 2)), ("cold", 298.15))

    def test_the_logbook_and_the_mend_list(self) -> None:
        found = load(edited(
            ("readings.book.a.kind", "fuel"), ("readings.book.a.at", "2026-11-20"), ("readings.book.a.distance", "41,230 km"),
            ("readings.book.a.fuel", "41 L"), ("readings.book.b.hours", "312 h"), ("readings.mends.m.text", "weeps"),
            ("readings.mends.m.done", "2026-11-21"),
        )).readings  # fmt: skip
        self.assertAlmostEqual(found.book[0].distance, 41_230e3)
        self.assertAlmostEqual(found.book[0].fuel, 0.041)
        self.assertAlmostEqual(found.book[1].hours, 312 * 3600.0)
        self.assertEqual((found.mends[0].text, found.mends[0].done.isoformat()), ("weeps", "2026-11-21"))

    def test_what_is_taken_out_leaves_nothing_behind(self) -> None:
        document = edited(("readings.taken.a.value", "90 °C"))
        self.assertNotIn("readings", edited(("readings.taken.a", None), document=document, action="remove"))
        self.assertNotIn("readings", load(dict(ROAD)).document)

    def test_what_cannot_be_read_is_refused_by_its_field(self) -> None:
        for path, text in (
            ("readings.taken.a.value", "hot"),
            ("readings.taken.a.value", "900 °C"),
            ("readings.taken.a.half", "0 K"),
            ("readings.taken.a.speed", "600 km/h"),
            ("readings.taken.a.at", "2026-02-30T10:00:00Z"),
            ("readings.air", "90 °C"),
            ("readings.book.a.at", "soon"),
            ("readings.book.a.fuel", "a splash"),
            ("readings.factors.heat.mode", "much"),
            ("readings.factors.heat.row", "0.1 0.2"),
        ):
            with self.assertRaises(SheetError, msg=f"{path} {text}") as told:
                load(edited((path, text)))
            self.assertTrue(told.exception.problems[0].field.startswith(".".join(path.split(".")[:2])), path)
        for path in ("readings.taken.a.what", "readings.book.a.kind", "readings.begins", "readings.taken.a.recording"):
            with self.assertRaises(SheetError, msg=path):
                load(edited((path, "Parsnips!")))


class Applied(unittest.TestCase):
    def document(self, applied: bool = True):
        case = resolve(load(demo("quarry-mule"))).case
        from gauge_well.core.fitted.factors import factors_of, home_of

        factors = [f for f in factors_of(case) if f.id in ("heat", "core")]
        edits = []
        for k, f in enumerate(factors):
            edits += [
                (f"readings.factors.{f.id}.mode", "0.1"),
                (f"readings.factors.{f.id}.row", " ".join(["0.01"] * k + ["0.03"])),
                (f"readings.factors.{f.id}.home", home_of(case, f)),
            ]
        if applied:
            edits.append(("readings.applied", AT))
        return edited(*edits, document=demo("quarry-mule"))

    def test_only_what_is_applied_moves_the_case(self) -> None:
        kept, used = (resolve(load(self.document(a))) for a in (False, True))
        self.assertIsNone(kept.case.measured)
        self.assertEqual([f.id for f in used.case.measured.factors], ["heat", "core"])
        times = used.case.engine.coolant_share / used.unmeasured.engine.coolant_share
        self.assertAlmostEqual(times, 1.1051709180756477, places=12)  # e^0.1
        self.assertEqual(used.gone, ())

    def test_one_of_another_core_is_gone(self) -> None:
        changed = apply_edit(self.document(), Edit("cooling.core.width", "600 mm", "taped"))
        found = resolve(load(changed))
        self.assertEqual((found.gone, [f.id for f in found.case.measured.factors]), (("core",), ["heat"]))

    def test_taken_off_it_is_as_before(self) -> None:
        plain = resolve(load(demo("quarry-mule"))).case
        off = resolve(load(edited(("readings.applied", None), document=self.document())))
        self.assertEqual(off.case.engine, plain.engine)
        self.assertIsNone(off.case.measured)
