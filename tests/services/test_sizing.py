"""Sizing as the page and the command line see it: sentences, facts, vocabulary."""

import re
import unittest

from gauge_well.core.sentence import Sentence
from gauge_well.core.systems import SYSTEMS
from gauge_well.services import models, models_report, render, sizing
from gauge_well.services.errors import NotFound, Refused
from gauge_well.services.models_views import ANSWERS
from gauge_well.services.vocabulary import read_text, vocabulary
from gauge_well.sheet import SheetError
from gauge_well.sheet.demo import NAMES, demo
from gauge_well.sheet.edit import Edit, apply_edit
from gauge_well.units import KINDS, ReadingError
from gauge_well.units.printing import Preference
from tests.core.systems.fit.builds import fitted
from tests.core.systems.weights.test_weights import weighed
from tests.support import ROAD, changed, demo_document, report


class Sentences(unittest.TestCase):
    def test_a_unit_said_once(self) -> None:
        said = Sentence("carries {a} of {b}.", {"a": (71e3, "power"), "b": (87e3, "power")})
        self.assertEqual(render.sentence(said, Preference()), "carries 71 of 87\u00a0kW.")

    def test_different_units_stay(self) -> None:
        said = Sentence("{a} of {b}", {"a": (1.0, "length"), "b": (2.0, "mass")})
        self.assertEqual(render.sentence(said, Preference()), "1000\u00a0mm of 2\u00a0kg")

    def test_every_sentence_is_finished(self) -> None:
        """No brace left open, no nan, no double space, in any units."""
        for name in NAMES:
            for units in ({"system": "metric", "power": "PS"}, {"system": "imperial", "power": "hp"}):
                found = sizing.size_document(demo(name) | {"units": units})
                said = [found["headline"]["sentence"], found["headline"]["next"]]
                for block in found["systems"].values():
                    said += [c["sentence"] for c in block["checks"]] + [n["sentence"] for n in block["need"]]
                    said += [n["sentence"] for n in block["notices"]]
                for sentence in said:
                    self.assertIsNone(re.search(r"[{}]|nan|inf\b|  ", sentence), sentence)

    def test_the_builders_power_unit_is_used(self) -> None:
        said = sizing.size_document(demo("quarry-mule"))["headline"]["sentence"]
        self.assertIn("hp", said)


class Facts(unittest.TestCase):
    def test_given_and_ruled(self) -> None:
        sheet, resolved = sizing.check(ROAD)
        facts = sizing.facts_of(sheet, resolved)
        self.assertEqual(facts["cooling.core.depth"]["evidence"], "guess")
        self.assertEqual(
            (facts["cooling.core.fin_count"]["evidence"], facts["cooling.core.fin_count"]["shown"]), ("rule", "18.1/in")
        )
        self.assertTrue(facts["cooling.core.fin_count"]["note"])
        self.assertNotIn("fuel.main.table", facts)

    def test_a_choice_is_known_by_its_id_however_it_was_made(self) -> None:
        """What else has a meaning depends on it: a page need not guess it from what is shown."""
        facts = sizing.facts_of(*sizing.check(changed(ROAD, fuel__regulator__place="returned")))
        self.assertEqual(
            (facts["fuel.regulator.place"]["text"], facts["fuel.regulator.place"]["evidence"]), ("returned", "sheet")
        )
        self.assertEqual((facts["machine.gearbox"]["text"], facts["machine.gearbox"]["evidence"]), ("manual", "rule"))
        self.assertEqual(facts["cooling.core.fin_count"]["text"], "")

    def test_a_table_keeps_the_words_typed(self) -> None:
        rows = "38 mm, 700 mm, bend\n38 mm, 300 mm, straight\n32 mm, 1 m, 2.4"
        shown = sizing.facts_of(*sizing.check(changed(ROAD, cooling__hose_feed=rows)))["cooling.hose_feed"]["shown"]
        self.assertEqual([row.split(" · ")[-1] for row in shown.split("; ")], ["bend", "straight", "2.4"])

    def test_a_core_refusal_speaks_the_builds_units(self) -> None:
        with self.assertRaises(SheetError) as caught:
            sizing.size_document(
                changed(ROAD, engine__rated_power="900 hp", units={"system": "imperial", "power": "hp"})
            )
        problem = caught.exception.problems[0]
        self.assertEqual((problem.field, problem.read.replace("\u00a0", " ")), ("engine.rated_power", "900 hp"))


class Models(unittest.TestCase):
    def test_a_report_is_what_its_model_says(self) -> None:
        for raw in (*map(demo, NAMES), ROAD, changed(ROAD, cooling={}), changed(ROAD, engine={})):
            models_report.Report.model_validate(report(raw, "all"))

    def test_model_names_are_unique(self) -> None:
        """Two of one name would overwrite each other silently in the OpenAPI document."""
        from gauge_well.services import vocabulary as words
        from gauge_well.sheet import document
        from gauge_well.web import api
        from gauge_well.web.routes import builds
        from gauge_well.web.routes import sizing as routes

        names = [
            name
            for module in (models, words, document, api, builds, routes)
            for name, item in vars(module).items()
            if isinstance(item, type) and item.__module__ == module.__name__ and name != "Strict"
        ]
        self.assertEqual(len(names), len(set(names)))


class Vocabulary(unittest.TestCase):
    def test_everything_a_field_needs(self) -> None:
        words = vocabulary()
        for section in words.sections.values():
            for field in section.fields:
                self.assertTrue(field.label, field.name)
                if field.kind == "choice":
                    self.assertTrue(field.choices, field.name)
                elif field.kind == "table":
                    self.assertTrue(all(kind in KINDS for _, kind in field.columns))
                elif field.kind != "text":
                    self.assertIn(field.kind, KINDS)
        known = [entry.id for entry in words.evidence]
        self.assertEqual(known, ["taped", "sheet", "similar", "rule", "guess"])
        for kinds in words.kinds.values():
            self.assertEqual(set(kinds), set(KINDS))
        self.assertEqual(set(words.tasks), set(words.machines))

    def test_read(self) -> None:
        found = read_text("11 5/8 in", "length", Preference())
        self.assertEqual(found["shown"].replace("\u00a0", " "), "295.3 mm")
        self.assertEqual(read_text("12", "length", Preference("imperial", "hp"))["unit"], "in")
        with self.assertRaises(ReadingError):
            read_text("12 psi", "length", Preference())
        with self.assertRaises(Refused):
            read_text("12", "nonsense", Preference())


class Instruments(unittest.TestCase):
    def test_each_station_has_one(self) -> None:
        self.assertEqual({station for station, _ in sizing.VIEWS}, {"engine", *SYSTEMS})
        for station, name in sizing.VIEWS:
            raw = weighed() if station == "weights" else fitted()
            if name == "moments":
                raw = demo_document("thistle-kite")
            elif station in ("belts", "electrics", "routes", "driveline", "controls"):
                raw = demo_document("quarry-mule")
            elif station == "boat" or name == "afloat":
                raw = demo_document("reed-otter")
            found = sizing.view(raw, station, name, {})
            self.assertEqual(found["unknown"], [])
            ANSWERS[station, name].model_validate(found)
        with self.assertRaises(NotFound):
            sizing.view(ROAD, "cooling", "nothing", {})

    def test_what_is_missing_is_named(self) -> None:
        self.assertEqual(
            sizing.view(changed(ROAD, cooling={}), "cooling", "air", {})["unknown"], ["cooling.core.width"]
        )
        self.assertEqual(sizing.view(changed(ROAD, engine={}), "engine", "curves", {})["unknown"], ["engine.fuel"])
        fuel = sizing.view(changed(ROAD, fuel={}), "fuel", "circuit", {})["data"]
        self.assertEqual(fuel["unknown"], ["fuel.main.flow", "fuel.main.pressure"])

    def test_a_catch_is_offered_as_the_point_of_a_pump_not_known(self) -> None:
        """0.5 L in 15 s is 120 L/h (arithmetic); taken, it is the pump's own figure and nothing is offered any more. What
        an engine drives has no volts."""
        test = {"catch_volume": "0.5 L", "catch_time": "15 s", "catch_pressure": "3 bar", "catch_voltage": "12 V"}
        for drive, ends in (("electric", 3), ("engine", 2)):
            raw = changed(ROAD, **{f"fuel__main__{n}": v for n, v in test.items()}, fuel__main__drive=drive)
            raw = changed(raw, fuel__main__flow=None, fuel__main__pressure=None)
            with self.subTest(drive):
                offered = sizing.view(raw, "fuel", "pumps", {})["edits"]
                self.assertEqual(len(offered), ends)
                self.assertEqual({e["evidence"] for e in offered}, {"taped"})
                document = sizing.check(raw)[0].document
                for e in offered:
                    document = apply_edit(document, Edit(e["path"], e["text"], e["evidence"], action=e["action"]))
                flow = sizing.check(document)[1].case.systems["fuel"].main.flow
                self.assertAlmostEqual(float(flow), 120.0 / 3.6e6, places=10)
                self.assertEqual(sizing.view(document, "fuel", "pumps", {})["edits"], [])
