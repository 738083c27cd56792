"""The build sheet: what it keeps, what it fills, what it refuses."""

import copy
import json
import unittest

import jsonschema

from gauge_well.core.facts import fact, specs
from gauge_well.core.systems import SYSTEMS
from gauge_well.services.merging import standing
from gauge_well.services.sizing import size_document
from gauge_well.sheet import FORMAT, Problem, SheetError, load, resolve
from gauge_well.sheet.demo import NAMES, demo
from gauge_well.sheet.schema import json_schema
from gauge_well.sheet.sections import SECTIONS, spec_of
from gauge_well.sheet.upgrade import UPGRADES, upgrade
from tests.support import ROAD, ROOT, NumbersCase, changed


class Kept(NumbersCase):
    def test_original_text_unit_and_value(self) -> None:
        sheet = load(changed(ROAD, cooling__core__width={"text": " 24 3/8 in ", "evidence": "taped"}))
        self.assertEqual(
            standing(sheet.document, "cooling.core.width"),
            {"text": "24 3/8 in", "value": 24.375, "unit": "in", "evidence": "taped"},
        )
        self.close(sheet.sections["cooling"]["core.width"].value, 24.375 * 0.0254, rel=1e-12)

    def test_loading_what_was_kept_changes_nothing(self) -> None:
        for name in NAMES:
            once = load(demo(name)).document
            self.assertEqual(load(copy.deepcopy(once)).document, once)
            self.assertEqual(load(json.loads(json.dumps(once))).document, once)

    def test_a_bare_number_keeps_its_unit_when_the_build_changes_units(self) -> None:
        kept = load(changed(ROAD, cooling__core__width="600")).document
        kept["units"] = {"system": "imperial", "power": "hp"}
        self.close(load(kept).sections["cooling"]["core.width"].value, 0.6, rel=1e-12)
        fresh = changed(ROAD, cooling__core__width="24", units={"system": "imperial", "power": "hp"})
        self.close(load(fresh).sections["cooling"]["core.width"].value, 24 * 0.0254, rel=1e-12)

    def test_numbers_and_short_forms_are_taken(self) -> None:
        sheet = load(changed(ROAD, engine__cylinders=6, machine__mass=1234.5))
        self.close([sheet.sections["engine"]["cylinders"].value, sheet.sections["machine"]["mass"].value], [6, 1234.5])

    def test_evidence_words(self) -> None:
        for typed, kept in (
            ("weighed", "taped"),
            ("tested", "taped"),
            ("measured", "taped"),
            ("sheet", "sheet"),
            (None, "guess"),
        ):
            entry = {"text": "63 mm"} | ({"evidence": typed} if typed else {})
            sheet = load(changed(ROAD, cooling__core__depth=entry))
            self.assertEqual(sheet.sections["cooling"]["core.depth"].evidence, kept)

    def test_a_range_typed_sets_the_tolerance(self) -> None:
        sheet = load(changed(ROAD, cooling__core__depth={"text": "24-28 mm", "evidence": "similar"}))
        fact = sheet.sections["cooling"]["core.depth"]
        assert fact.half is not None
        self.close([fact.value, fact.half.of(fact.value)], [0.026, 0.002], rel=1e-6)
        again = load(copy.deepcopy(sheet.document)).document
        self.assertEqual(again, sheet.document)

    def test_an_injector_rated_by_weight(self) -> None:
        """42 lb/hr of petrol at 745 kg/m3 are 426 cc/min (by hand); without a fuel it is asked for."""
        sheet = load(changed(ROAD, engine__fuel="petrol", fuel__injectors__flow="42 lb/hr"))
        self.close(sheet.sections["fuel"]["injectors.flow"].value * 6e7, 42 * 453.59237 / 60 / 0.745, rel=1e-6)
        self.assertEqual(load(copy.deepcopy(sheet.document)).document, sheet.document)
        with self.assertRaises(SheetError) as caught:
            load(changed(ROAD, engine__fuel=None, fuel__injectors__flow="42 lb/hr"))
        self.assertIn("what fuel", caught.exception.problems[0].message)

    def test_a_small_bare_number_in_a_percentage_is_asked_back(self) -> None:
        for field, text in (("cooling__glycol", "0.45"), ("engine__coolant_share", 0.2), ("fuel__tank_reserve", "1")):
            with self.subTest(field), self.assertRaises(SheetError) as caught:
                load(changed(ROAD, **{field: text}))
            self.assertIn("?", caught.exception.problems[0].message)
        self.close(load(changed(ROAD, cooling__glycol="0.45 %")).sections["cooling"]["glycol"].value, 0.0045, rel=1e-9)
        self.close(load(changed(ROAD, cooling__glycol="45")).sections["cooling"]["glycol"].value, 0.45, rel=1e-9)

    def test_wheel_power_is_taken_back_to_the_crank(self) -> None:
        """210 at the wheels of a rear-driven car are 210 / 0.87 at the crank (common practice), and it is said."""
        raw = changed(ROAD, machine__drive="rear", engine__rated_power="160 whp")
        sheet = load(raw)
        self.close(sheet.sections["engine"]["rated_power"].value, 160 / 0.87 * 745.69987, rel=1e-6)
        self.assertEqual(load(copy.deepcopy(sheet.document)).document, sheet.document)
        said = [n["sentence"] for n in size_document(raw)["notices"]]
        self.assertTrue(any("at the wheels is taken as" in s for s in said), said)

    def test_counts_of_pumps_fans_and_tanks(self) -> None:
        raw = changed(
            ROAD, fuel__main__flow="2x 150 L/h", fuel__tank__volume="2x 40 L", cooling__fan__flow="2x 1000 cfm"
        )
        sections = load(raw).sections
        self.close([sections["fuel"]["main.count"].value, sections["cooling"]["fan.count"].value], [2, 2])
        self.close([sections["fuel"]["main.flow"].value * 3.6e6, sections["fuel"]["tank.volume"].value], [150, 0.08])

    def test_count_typed_with_the_size(self) -> None:
        sheet = load(changed(ROAD, cooling__fan__diameter="2x 11 in"))
        self.close(
            [sheet.sections["cooling"]["fan.diameter"].value, sheet.sections["cooling"]["fan.count"].value],
            [11 * 0.0254, 2],
        )

    def test_tolerance_is_kept(self) -> None:
        sheet = load(changed(ROAD, cooling__core__depth={"text": "26 mm", "tolerance": "1 mm"}))
        self.assertEqual(standing(sheet.document, "cooling.core.depth")["tolerance"], "1 mm")

    def test_tables_by_any_mark(self) -> None:
        rows = ((2e5, 200e-3 / 3600), (3e5, 180e-3 / 3600))
        for text in (
            "2 bar, 200 L/h\n3 bar, 180 L/h",
            "2 bar; 200 L/h\n\n3 bar;180 L/h",
            "2 bar\t200 lph\n3 bar | 180 lph",
        ):
            found = load(changed(ROAD, fuel__main__table=text)).sections["fuel"]["main.table"].value
            self.close(found, rows, rel=1e-12)
        found = load(changed(ROAD, fuel__main__table=[["2 bar", "200 L/h"], ["3 bar", "180 L/h"]]))
        self.close(found.sections["fuel"]["main.table"].value, rows, rel=1e-12)


class Filled(NumbersCase):
    def test_fitted_parts_are_never_filled(self) -> None:
        """A core, fan, pump or injector that nobody stated stays unknown."""
        bare = {"format": FORMAT, "machine": {"kind": "truck"}, "engine": ROAD["engine"], "duties": ROAD["duties"]}
        resolved = resolve(load(bare))
        for id, system in SYSTEMS.items():
            for name, spec in specs(system.facts).items():
                if spec.part:
                    self.assertNotIn(f"{id}.{name}", resolved.rules)
                    self.assertIsNone(fact(resolved.case.systems[id], name), name)

    def test_given_facts_are_never_overruled(self) -> None:
        for name in NAMES:
            sheet = load(demo(name))
            resolved = resolve(sheet)
            given = {f"{id}.{n}" for id, facts in sheet.sections.items() for n in facts}
            self.assertEqual(given & set(resolved.rules), set())

    def test_rules_say_what_they_rest_on_and_lie_in_range(self) -> None:
        for name in NAMES:
            resolved = resolve(load(demo(name)))
            for path, rule in resolved.rules.items():
                spec = spec_of(path)
                assert spec is not None, path
                self.assertTrue(rule.note and rule.source, path)
                if spec.kind == "choice":
                    self.assertIn(rule.value, spec.choices or {}, path)
                elif spec.kind not in ("text", "table"):
                    self.between(rule.value, spec.low, spec.high, path)

    def test_guesses_are_counted(self) -> None:
        resolved = resolve(load(changed(ROAD, cooling__core__depth={"text": "26 mm", "evidence": "taped"})))
        self.assertEqual(resolved.guesses, resolved.stated - 1)


class Refused(unittest.TestCase):
    def refused(self, raw: object, *fields: str) -> SheetError:
        with self.assertRaises(SheetError) as caught:
            load(raw)  # type: ignore[arg-type]
        self.assertLessEqual(set(fields), {p.field for p in caught.exception.problems})
        for problem in caught.exception.problems:
            self.assertTrue(problem.message)
        return caught.exception

    def test_absurd_values_name_field_reading_and_range(self) -> None:
        for path, text in (
            ("machine__mass", "-1400 kg"),
            ("engine__rated_speed", "0 rpm"),
            ("engine__rated_power", "10 MW"),
            ("cooling__core__width", "40 m"),
            ("cooling__glycol", "95 %"),
            ("engine__ethanol_share", "120 %"),
            ("fuel__injectors__count", "0"),
        ):
            field = path.replace("__", ".")
            found = self.refused(changed(ROAD, **{path: text}), field).problems[0]
            self.assertEqual(found.read, text)
            self.assertIn(" to ", found.allowed)

    def test_all_problems_are_named_at_once(self) -> None:
        raw = changed(ROAD, machine__mass="heavy", cooling__core__width="12 psi", fuel__main__flow="")
        self.assertEqual(len(self.refused(raw, "machine.mass", "cooling.core.width").problems), 2)

    def test_misspelt_fields_are_not_lost_silently(self) -> None:
        self.refused(changed(ROAD, cooling__core_widht="600 mm"), "cooling.core_widht")
        self.refused(changed(ROAD, coolant={}), "coolant")

    def test_wrong_shapes(self) -> None:
        for raw in ([], "sheet", None, 4):
            self.refused(raw, "")
        self.refused(changed(ROAD, engine=[]), "engine")
        self.refused(changed(ROAD, duties={}), "duties")
        self.refused(changed(ROAD, engine__fuel="coal"), "engine.fuel")
        self.refused(changed(ROAD, cooling__core__width={"text": ["600 mm"]}))
        self.refused(changed(ROAD, cooling__core__width=True))

    def test_duties(self) -> None:
        twice = [{"id": "a", "kind": "pull"}, {"id": "a", "kind": "idle"}]
        self.refused(changed(ROAD, duties=twice), "duties.a")
        self.refused(changed(ROAD, duties=[{"id": "Not Good", "kind": "pull"}]))
        self.refused(changed(ROAD, duties=[{"id": f"d{i}", "kind": "pull"} for i in range(40)]), "duties")

    def test_counts_where_none_make_sense(self) -> None:
        self.refused(changed(ROAD, cooling__core__width="2x 300 mm"), "cooling.core.width")

    def test_tables(self) -> None:
        for text in ("3 bar", "3 bar, 1 L/h, 4", "3 bar, x", "3 bar, -1 L/h", "\n", "3 bar, 1 L/h\n" * 100):
            self.refused(changed(ROAD, fuel__main__table=text), "fuel.main.table")

    def test_tolerances(self) -> None:
        for text in ("3 bar", "-1 mm", "some"):
            self.refused(changed(ROAD, cooling__core__depth={"text": "26 mm", "tolerance": text}), "cooling.core.depth")

    def test_long_and_deep(self) -> None:
        self.refused(changed(ROAD, machine__mass="1" * 10_000))
        self.refused(changed(ROAD, notes="x" * 10_000), "notes")


class Versions(unittest.TestCase):
    def test_unknown_formats_are_refused(self) -> None:
        for value in ("gauge-well-build/99", "something", 7):
            with self.assertRaises(SheetError) as caught:
                load(changed(ROAD, format=value))
            self.assertEqual(caught.exception.problems[0].field, "format")

    def test_no_format_is_the_current_one(self) -> None:
        self.assertEqual(load(changed(ROAD, format=None)).document["format"], FORMAT)

    def test_a_step_carries_an_older_one_up(self) -> None:
        UPGRADES["gauge-well-build/0"] = lambda raw: raw | {"format": FORMAT, "name": raw["title"]}  # type: ignore[index]
        try:
            self.assertEqual(upgrade({"format": "gauge-well-build/0", "title": "Old"})["name"], "Old")
        finally:
            del UPGRADES["gauge-well-build/0"]  # type: ignore[attr-defined]


class Schema(unittest.TestCase):
    def test_shipped_schema_is_current(self) -> None:
        shipped = json.loads((ROOT / "docs" / "build-sheet.schema.json").read_text())
        self.assertEqual(shipped, json.loads(json.dumps(json_schema())), "run ./gw types")

    def test_demos_and_what_is_kept_are_valid(self) -> None:
        validator = jsonschema.Draft202012Validator(json_schema())
        for name in NAMES:
            validator.validate(demo(name))
            validator.validate(load(demo(name)).document)

    def test_schema_refuses_what_the_sheet_refuses(self) -> None:
        validator = jsonschema.Draft202012Validator(json_schema())
        for raw in (
            changed(ROAD, engine__fuel="coal"),
            changed(ROAD, cooling__core_widht="1"),
            changed(ROAD, duties={}),
        ):
            self.assertFalse(validator.is_valid(raw))

    def test_the_documents_example_is_sized(self) -> None:
        """The example in docs/build-sheet.md is a sheet that loads, and every section it names exists."""
        text = (ROOT / "docs" / "build-sheet.md").read_text()
        example = text.split("```json", 1)[1].split("```", 1)[0]
        sheet = load(json.loads(example))
        self.assertTrue(sheet.duties)
        for id in SECTIONS:
            self.assertIn(f"`{id}`", text)


class Demos(unittest.TestCase):
    def test_unknown_name(self) -> None:
        with self.assertRaises(KeyError):
            demo("../secrets")


class NotKept(unittest.TestCase):
    """What would be read as something else, or could not be kept."""

    def problem(self, **paths: object) -> Problem:
        with self.assertRaises(SheetError) as caught:
            load(changed(ROAD, **paths))
        return caught.exception.problems[0]

    def test_a_unit_of_another_kind(self) -> None:
        """A value kept with a length's unit was taken as a mass."""
        for unit in ("in", "rpm", "parsec", ""):
            problem = self.problem(machine__mass={"text": "1", "value": 1, "unit": unit or "none"})
            self.assertEqual(problem.field, "machine.mass")
            self.assertIn("unit", problem.message)
        kept = load(changed(ROAD, machine__mass={"text": "3000", "value": 3000, "unit": "lb"}))
        self.assertAlmostEqual(kept.sections["machine"]["mass"].value, 3000 * 0.45359237, places=6)

    def test_counts_are_whole(self) -> None:
        for path, text in (
            ("cooling__fan__count", "2.669"),
            ("fuel__main__count", "1.5"),
            ("engine__cylinders", "7/2"),
        ):
            problem = self.problem(**{path: text})
            self.assertEqual(problem.field, path.replace("__", "."))
            self.assertIn("whole", problem.message)
        self.assertEqual(load(changed(ROAD, cooling__fan__count="2")).sections["cooling"]["fan.count"].value, 2.0)

    def test_no_tolerance_on_a_count(self) -> None:
        problem = self.problem(cooling__fan__count={"text": "2", "tolerance": "10 %"})
        self.assertEqual((problem.field, problem.allowed), ("cooling.fan.count", "no tolerance"))

    def test_a_character_the_database_cannot_hold(self) -> None:
        for field, paths in (
            ("name", {"name": "a\x00b"}),
            ("notes", {"notes": "\x00"}),
            ("engine.name", {"engine__name": "V\x006"}),
            ("prices.a", {"prices": {"a\x00": "12"}}),
        ):
            problem = self.problem(**paths)
            self.assertEqual(problem.field, field)
            self.assertIn("cannot be kept", problem.message)
