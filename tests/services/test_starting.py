"""A first start and the search for a fault as the page is given them."""

import csv
import io
import unittest

from gauge_well.services import faults, starting
from gauge_well.sheet import SheetError
from gauge_well.sheet.demo import NAMES, demo
from tests.support import ROAD

MULE = "quarry-mule"


def all_proved(found) -> bool:
    return all(h["proved"] for h in found["holds"])


def with_start(**start):
    return demo(MULE) | {"start": start}


class Starting(unittest.TestCase):
    def test_every_build_of_the_demo_in_every_place(self) -> None:
        for name in NAMES:
            for place in ("machine", "hose", "dry"):
                found = starting.start_of(demo(name) | {"start": {"place": place}})
                self.assertEqual(found["place"], place)
                self.assertTrue(found["holds"] and found["steps"] and found["expected"] and found["thresholds"], name)
                self.assertTrue(found["symptoms"] and found["filling"] and found["run_in"])
                for e in found["expected"]:
                    for fact in (*e["rests"], *e["missing"]):
                        self.assertTrue(fact["label"] and fact["path"], (name, e["id"]))

    def test_what_nobody_said_is_said_to_be_so(self) -> None:
        found = starting.start_of(with_start())
        self.assertFalse(found["place_stated"] or found["air_stated"])
        said = starting.start_of(with_start(place="machine", air="4 °C"))
        self.assertTrue(said["place_stated"] and said["air_stated"])
        self.assertAlmostEqual(said["air"], 277.15, places=6)
        colder = {e["id"]: e for e in said["expected"]}["opens"]["likely"]
        self.assertGreater(colder, {e["id"]: e for e in found["expected"]}["opens"]["likely"])

    def test_locks_open_one_by_one(self) -> None:
        locks = starting.start_of(with_start())["holds"]
        found = starting.start_of(with_start(holds=[{"id": f"machine_{h['id']}", "signed": "K"} for h in locks[1:]]))
        self.assertEqual([h["id"] for h in found["holds"] if not h["proved"]], [locks[0]["id"]])
        whole = starting.start_of(with_start(holds=[{"id": f"machine_{h['id']}", "signed": "K"} for h in locks]))
        self.assertTrue(all_proved(whole))

    def test_what_was_proved_on_the_stand_opens_nothing_in_the_machine(self) -> None:
        held = [{"id": "hose_oil", "signed": "K"}]
        for place, proved in (("hose", True), ("machine", False)):
            found = starting.start_of(with_start(place=place, holds=held))
            self.assertEqual(next(h["proved"] for h in found["holds"] if h["id"] == "oil"), proved)

    def test_what_was_measured_must_prove_it(self) -> None:
        for value, proved in (("6.1 L", True), ("3 L", False)):
            found = starting.start_of(with_start(holds=[{"id": "machine_oil", "signed": "K", "value": value}]))
            oil = next(h for h in found["holds"] if h["id"] == "oil")
            self.assertEqual((oil["proved"], oil["wrong"]), (proved, not proved))

    def test_a_hold_of_the_order_is_signed_there_too(self) -> None:
        document = with_start() | {"work": {"tasks": [{"id": "fuel_tight", "done": "2026-11-20", "signed": "both"}]}}
        fuel = next(h for h in starting.start_of(document)["holds"] if h["id"] == "fuel")
        self.assertEqual((fuel["proved"], fuel["by_order"], fuel["signed"]), (True, True, "both"))

    def test_alarms_as_csv_in_the_builds_units(self) -> None:
        rows = list(csv.DictReader(io.StringIO(starting.thresholds_csv(demo(MULE)))))
        coolant = next(r for r in rows if r["quantity"] == "Coolant")
        self.assertEqual((coolant["unit"], coolant["side"]), ("°C", "over"))
        inches = list(
            csv.DictReader(
                io.StringIO(starting.thresholds_csv(demo(MULE) | {"units": {"system": "imperial", "power": "hp"}}))
            )
        )
        hot = next(r for r in inches if r["quantity"] == "Coolant")
        self.assertAlmostEqual(float(hot["alarm"]), float(coolant["alarm"]) * 1.8 + 32.0, delta=1.0)

    def test_an_engine_of_which_nothing_is_known_still_has_its_locks(self) -> None:
        bare = {"format": ROAD.get("format", "gauge-well-build/2"), "name": "Bare", "machine": {"kind": "road_car"}}
        found = starting.start_of(bare)
        self.assertTrue(found["holds"] and found["missing"])
        self.assertFalse(found["expected"])
        with self.assertRaisesRegex(SheetError, "no alarm can be worked"):
            starting.thresholds_csv(bare)


class Faults(unittest.TestCase):
    def asked(self, noticed: str, **looks: str):
        return faults.faults_of(
            with_start(symptom=noticed, looks=[{"id": id, "value": value} for id, value in looks.items()])
        )

    def test_what_is_noticed_is_read_first(self) -> None:
        found = self.asked("hot_idle")
        self.assertEqual((found["worked"], found["answer"], found["next"][0]["id"]), (True, "", "gauge"))

    def test_each_reading_moves_it(self) -> None:
        hot = self.asked("hot_idle", cooling__gauge="112 °C")
        self.assertEqual(hot["answer"], "open")
        self.assertEqual(hot["done"][0]["text"], "112 °C")
        dead = self.asked(
            "hot_idle",
            cooling__gauge="112 °C",
            cooling__fan_runs="stands",
            cooling__paper="falls",
            cooling__fan_amps="0 A",
        )
        self.assertEqual((dead["answer"], dead["causes"][0]["id"]), ("found", "fan_dead"))
        self.assertLess(dead["open"], hot["open"])
        self.assertIn("Fuse, relay", dead["under"])

    def test_a_sound_one_needs_load_for_the_rest(self) -> None:
        found = self.asked(
            "hot_idle",
            cooling__gauge="93 °C",
            cooling__bubbles="none",
            cooling__paper="drawn on",
            cooling__gauge_cold="15 °C",
        )
        self.assertEqual(found["answer"], "sound")
        self.assertIn("Core half blocked, inside or out", found["load"])
        self.assertIn("Needs load", found["under"])
        self.assertTrue(found["load_duty"])

    def test_what_nothing_explains_is_said_to_be_so(self) -> None:
        found = self.asked("hot_idle", cooling__gauge="5 °C", cooling__head="125 °C", cooling__gauge_cold="60 °C")
        self.assertEqual((found["answer"], found["says"]), ("strange", "None of these explains it."))

    def test_checks_say_what_each_cause_would_show(self) -> None:
        found = self.asked("low_oil", oil__gauge="40 kPa")
        for check in found["next"]:
            self.assertTrue(check["label"] and check["how"] and check["leaves"] >= 1.0)
            self.assertTrue(all((f["value"] is None) == bool(check["outcomes"]) for f in check["foreseen"]))
        danger = [bool(c["danger"]) for c in self.asked("fuel_falls", fuel__rail_heavy="250 kPa")["next"]]
        self.assertTrue(any(danger))

    def test_the_trades_order_where_physics_does_not_work_it(self) -> None:
        found = self.asked("no_fire")
        self.assertFalse(found["worked"])
        self.assertIn("kPa", found["ordered"][1]["reads"])
        self.assertGreaterEqual(len(found["ordered"]), 5)

    def test_what_it_lacks_is_named(self) -> None:
        found = faults.faults_of({**demo("thistle-kite"), "start": {"symptom": "low_oil"}})
        self.assertEqual([m["path"] for m in found["missing"]], ["oil.hot_pressure"])
        self.assertFalse(found["worked"])

    def test_a_look_that_cannot_be_is_refused_by_its_field(self) -> None:
        for id, value in (("cooling__gauge", "parsnips"), ("cooling__paper", "perhaps")):
            with self.assertRaises(SheetError) as told:
                self.asked("hot_idle", **{id: value})
            self.assertEqual(told.exception.problems[0].field, f"start.looks.{id}.value")
        with self.assertRaises(SheetError):
            self.asked("hot_idle", nothing__gauge="1")

    def test_the_simulated_engine_streams_its_looks_and_its_gauges(self) -> None:
        events = list(faults.play(demo(MULE), "cooling", "fan_dead", 1.0, 7))
        self.assertEqual(events[0]["event"], "engine")
        self.assertIn("cooling__gauge", events[0]["looks"])
        self.assertEqual([e["time"] for e in events[1:4]], [0.0, 2.0, 4.0])
        # What its checks find can be entered as it stands.
        looks = {id: value for id, value in events[0]["looks"].items() if id.startswith("cooling__")}
        found = self.asked("hot_idle", **looks)
        self.assertEqual(found["causes"][0]["id"], "fan_dead")
        # Refused before anything is sent.
        for sheet, cause in ((demo(MULE), "parsnip"), ({}, "")):
            with self.assertRaises(SheetError):
                next(faults.play(sheet, "cooling" if cause else "", cause, 1.0, 7))
