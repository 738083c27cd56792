"""Edits a field at a time, and builds from five facts."""

import unittest
from typing import Any

from gauge_well.core.duty.facts import MACHINES, task_kind
from gauge_well.core.media.fuels import FUELS
from gauge_well.services.merging import standing
from gauge_well.sheet import SheetError, load
from gauge_well.sheet.edit import Edit, apply_edit
from gauge_well.sheet.starter import starter
from tests.support import ROAD, changed, report


class Editing(unittest.TestCase):
    def setUp(self) -> None:
        self.document = load(ROAD).document

    def edited(self, path: str, text: str | None, evidence: str | None = None) -> dict:
        return load(apply_edit(self.document, Edit(path, text, evidence))).document

    def test_sets_and_takes_out(self) -> None:
        found = self.edited("cooling.core.depth", "2 1/4 in")
        self.assertEqual(standing(found, "cooling.core.depth")["unit"], "in")
        self.assertIsNone(standing(self.edited("cooling.core.depth", None), "cooling.core.depth"))
        self.assertIsNone(standing(self.edited("cooling.core.depth", "  "), "cooling.core.depth"))

    def test_the_document_given_stays_as_it_was(self) -> None:
        before = str(self.document)
        self.edited("cooling.core.depth", "30 mm")
        self.edited("duties.grade.speed", "70 km/h")
        self.assertEqual(str(self.document), before)

    def test_evidence_stays_unless_changed(self) -> None:
        taped = load(apply_edit(self.document, Edit("cooling.core.depth", "26 mm", "taped"))).document
        self.assertEqual(standing(taped, "cooling.core.depth")["evidence"], "taped")
        again = load(apply_edit(taped, Edit("cooling.core.depth", "26 mm", None))).document
        self.assertEqual(standing(again, "cooling.core.depth")["evidence"], "taped")
        # Another number is not what was taped.
        other = load(apply_edit(taped, Edit("cooling.core.depth", "27 mm", None))).document
        self.assertEqual(standing(other, "cooling.core.depth")["evidence"], "guess")

    def test_units_may_change_without_a_value_changing(self) -> None:
        document = load(apply_edit(self.document, Edit("cooling.core.depth", "26", None))).document
        imperial = load(apply_edit(document, Edit("units.system", "imperial", None))).document
        relabelled = load(apply_edit(imperial, Edit("cooling.core.depth", "26", "taped"))).document
        self.assertAlmostEqual(load(relabelled).sections["cooling"]["core.depth"].value, 0.026)

    def test_duties_come_and_go(self) -> None:
        added = self.edited("duties.idle_1", "idle")
        self.assertEqual([d["id"] for d in added["duties"]], ["motorway", "grade", "pull", "idle_1"])
        gone = load(apply_edit(added, Edit("duties.grade", None, None))).document
        self.assertEqual([d["id"] for d in gone["duties"]], ["motorway", "pull", "idle_1"])

    def test_name_notes_units_wanted(self) -> None:
        self.assertEqual(self.edited("name", "Red")["name"], "Red")
        self.assertEqual(self.edited("notes", "n")["notes"], "n")
        self.assertEqual(self.edited("wanted", "130 kW")["wanted"]["unit"], "kW")
        with self.assertRaises(SheetError):
            self.edited("units.system", "cubits")

    def test_refused(self) -> None:
        for path, text in (
            ("cooling.nothing", "1"),
            ("nowhere.at_all", "1"),
            ("duties.none.speed", "70 km/h"),
            ("duties.grade", "road"),
            ("__class__", "x"),
            ("a.b.c.d", "x"),
            ("", "x"),
        ):
            with self.subTest(path), self.assertRaises(SheetError):
                self.edited(path, text)


class Starter(unittest.TestCase):
    def test_every_machine_on_every_fuel_is_sized(self) -> None:
        tasks = {"road": "800 kg", "boat": "70 %", "work": "42 C"}
        for kind in MACHINES:
            for fuel in FUELS:
                raw = starter(
                    name="",
                    kind=kind,
                    fuel=fuel,
                    power="55 kW",
                    speed="3600 rpm",
                    displacement="2.6 L",
                    mass="1500 kg",
                    task=tasks[task_kind(kind)],
                )
                with self.subTest(kind=kind, fuel=fuel):
                    found = report(raw)
                    # Nothing is fitted, and no duty is supposed that the engine cannot do: nothing fails.
                    self.assertIn(found["state"], ("unknown", "short"))
                    over = {c["id"] for s in found["systems"].values() for c in s["checks"] if c["fill"] > 1}
                    self.assertEqual(over, set())
                    self.assertTrue(found["systems"]["fuel"]["need"])
                    if kind != "boat":
                        self.assertTrue(found["systems"]["cooling"]["need"])

    def test_the_task_goes_where_it_belongs(self) -> None:
        def make(kind: str, task: str) -> dict:
            return starter(
                name="n",
                kind=kind,
                fuel="diesel",
                power="50 kW",
                speed="3000",
                displacement="2.5 L",
                mass="",
                task=task,
            )

        self.assertEqual(make("van", "900 kg")["machine"]["trailer_mass"]["text"], "900 kg")
        guess = {"evidence": "guess"}
        self.assertEqual(make("boat", "60 %")["duties"][1]["speed_share"], {"text": "60 %"} | guess)
        self.assertEqual(make("tractor", "44 C")["duties"][0]["ambient"], {"text": "44 C"} | guess)
        # What nobody said is there, and says so.
        self.assertEqual(make("boat", "")["duties"][1]["speed_share"]["evidence"], "rule")

    def test_what_nobody_said_is_supposed(self) -> None:
        raw = starter(
            kind="road_car",
            fuel="petrol",
            power="75 kW",
            speed="6000",
            displacement="1.4 L",
            climb="9 %",
            hottest="31 C",
        )
        grade = next(d for d in raw["duties"] if d["id"] == "grade")
        self.assertEqual((grade["grade"], grade["ambient"]["text"]), ({"text": "9 %", "evidence": "guess"}, "31 C"))
        self.assertEqual(grade["duration"]["evidence"], "rule")
        kept = load(raw).document
        typed = load(apply_edit(kept, Edit("duties.grade.duration", grade["duration"]["text"], None))).document
        stated = next(d for d in typed["duties"] if d["id"] == "grade")
        self.assertEqual(stated["duration"]["evidence"], "guess", "typed, it is supposed no more")

    def test_no_speed_is_supposed_that_the_engine_cannot_hold(self) -> None:
        """15 kW hold a car at about 100 km/h, not 120 (common practice)."""
        raw = starter(kind="road_car", fuel="petrol", power="15 kW", speed="5000", displacement="0.6 L", mass="700 kg")
        speeds = {d["id"]: float(d["speed"]["text"].split()[0]) for d in raw["duties"] if d["kind"] == "road"}
        self.assertTrue(80.0 <= speeds["motorway"] <= 105.0, speeds)
        self.assertLess(speeds["grade"], 80.0)
        over = [c for s in report(raw)["systems"].values() for c in s["checks"] if c["fill"] > 1]
        self.assertEqual([c["id"] for c in over if c["id"] == "enough"], [])

    def test_how_it_gets_in_is_stated(self) -> None:
        raw = starter(
            kind="van", fuel="diesel", injection="indirect", power="55 kW", speed="4200", displacement="2.2 L"
        )
        self.assertEqual((raw["fuel"]["injection"], raw["engine"]["chamber"]), ("mechanical", "indirect"))

    def test_a_choice_not_on_the_list(self) -> None:
        with self.assertRaises(SheetError) as caught:
            starter(name="", kind="submarine", fuel="petrol", power="1", speed="1", displacement="1", mass="", task="")
        self.assertEqual(caught.exception.problems[0].field, "kind")


class Claims(unittest.TestCase):
    """Several values for one fact, with source and date; one in use."""

    PATH = "cooling.core.depth"

    def setUp(self) -> None:
        self.document = load(ROAD).document

    def edit(self, action: str, text: str | None = None, **more: Any) -> dict[str, Any]:
        self.document = load(apply_edit(self.document, Edit(self.PATH, text, action=action, **more))).document
        fact: dict[str, Any] = standing(self.document, "cooling.core.depth")
        return fact

    def test_a_claim_stands_beside_the_one_in_use(self) -> None:
        fact = self.edit("claim", "28 mm", evidence="sheet", source="catalogue", date="2026-11-20")
        self.assertEqual(fact["text"], "26 mm")
        claim = fact["claims"][0]
        self.assertEqual((claim["text"], claim["source"], claim["date"]), ("28 mm", "catalogue", "2026-11-20"))

    def test_use_swaps_and_loses_nothing(self) -> None:
        self.edit("claim", "28 mm", evidence="sheet", source="catalogue")
        fact = self.edit("use", index=0)
        self.assertEqual((fact["text"], fact["evidence"], fact["source"]), ("28 mm", "sheet", "catalogue"))
        self.assertEqual([c["text"] for c in fact["claims"]], ["26 mm"])

    def test_their_spread_is_a_tolerance(self) -> None:
        self.edit("claim", "29 mm", evidence="sheet")
        self.edit("claim", "25 mm", evidence="guess")
        self.edit("tolerance", "claims")
        fact = load(self.document).sections["cooling"]["core.depth"]
        assert fact.half is not None
        self.assertAlmostEqual(fact.half.of(fact.value), 0.003, places=9)

    def test_the_last_claim_takes_its_tolerance_with_it(self) -> None:
        self.edit("claim", "29 mm")
        self.edit("tolerance", "claims")
        fact = self.edit("drop", index=0)
        self.assertNotIn("claims", fact)
        self.assertNotIn("tolerance", fact)

    def test_a_measurement_keeps_what_was_stated(self) -> None:
        fact = self.edit("measure", "310 - 284 mm".replace("310 - 284", "27.5"), date="2026-11-25")
        self.assertEqual((fact["text"], fact["evidence"], fact["date"]), ("27.5 mm", "taped", "2026-11-25"))
        self.assertEqual([(c["text"], c["evidence"]) for c in fact["claims"]], [("26 mm", "guess")])

    def test_a_value_typed_anew_has_no_old_source(self) -> None:
        self.edit("set", "26 mm", source="catalogue", evidence="sheet")
        self.assertEqual(standing(self.document, "cooling.core.depth")["source"], "catalogue")
        self.assertNotIn("source", self.edit("set", "27 mm"))

    def test_an_own_tolerance_and_back_to_the_table(self) -> None:
        self.edit("tolerance", "3 mm")
        self.assertEqual(load(self.document).sections["cooling"]["core.depth"].tolerance, "3 mm")
        self.edit("tolerance", None)
        self.assertIsNone(load(self.document).sections["cooling"]["core.depth"].tolerance)

    def test_what_cannot_be_is_named(self) -> None:
        for edit, field in (
            (Edit(self.PATH, None, action="use", index=3), self.PATH),
            (Edit(self.PATH, "", action="claim"), self.PATH),
            (Edit(self.PATH, "claims", action="tolerance"), self.PATH),
            (Edit(self.PATH, "wide", action="tolerance"), self.PATH),
            (Edit(self.PATH, "4 m", action="claim"), self.PATH),
            (Edit("cooling.fan.shroud", "full", action="claim"), "cooling.fan.shroud"),
            (Edit("cooling.core.fin_count", "3 %", action="tolerance"), "cooling.core.fin_count"),
        ):
            with self.subTest(edit=edit), self.assertRaises(SheetError) as caught:
                load(apply_edit(self.document, edit))
            self.assertEqual(caught.exception.problems[0].field, field)

    def test_a_temperatures_tolerance_is_a_difference(self) -> None:
        raw = changed(ROAD, engine__thermostat={"text": "88 C", "tolerance": "3 K", "evidence": "taped"})
        half = load(raw).sections["engine"]["thermostat"].half
        assert half is not None
        self.assertAlmostEqual(half.of(361.15), 3.0, places=9)
