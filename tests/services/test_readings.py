"""The page of readings: foretold beside read, the fit kept by its own edits, what moved and what it was before."""

import unittest

from gauge_well.services.readings import readings_of
from gauge_well.services.sizing import size_document
from gauge_well.sheet.demo import demo
from gauge_well.sheet.edit import Edit, apply_edit

DAY = "2026-11-{:02d}T10:00:00Z"


def read(*taken: dict, name: str = "quarry-mule", **more: object) -> dict:
    return demo(name) | {
        "readings": {"air": "22 °C", "taken": [{"id": f"r{k}", **t} for k, t in enumerate(taken)], **more}
    }


def kept(document: dict, edits: list[dict]) -> dict:
    for e in edits:
        document = apply_edit(document, Edit(e["path"], e["text"], action=e["action"]))
    return document


CLIMB = {"speed": "60 km/h", "grade": "7 %"}
HOT = [{"what": "coolant", "value": "118 °C", **CLIMB}, {"what": "coolant", "value": "110 °C", "duty": "motorway"}]


class Page(unittest.TestCase):
    def test_readings_stand_beside_what_is_foretold(self) -> None:
        found = readings_of(read(*HOT))
        for taken in found["taken"]:
            self.assertLess(taken["before"]["likely"], taken["value"])
            self.assertLess(
                abs(taken["after"]["likely"] - taken["value"]), abs(taken["before"]["likely"] - taken["value"])
            )
        self.assertEqual(found["counted"], 2)
        self.assertLess(found["residual"], found["residual_before"])
        self.assertGreater(found["shift"]["after"]["likely"], found["shift"]["before"]["likely"])

    def test_what_is_not_fitted_says_why(self) -> None:
        found = readings_of(read(
            {"what": "coolant", "value": "60 °C", "duty": "motorway"},
            {"what": "coolant", "value": "100 °C", "duty": "gone"},
            {"what": "coolant", "value": "100 °C", "power": "40 hp"},
            {"what": "coolant", "value": "100 °C", "duty": "motorway", "left_out": "yes"},
            {"what": "coolant", "value": "100 °C", "duty": "motorway", "homes": "core:deadbeef"},
            {"what": "coolant"},
        ))  # fmt: skip
        why = [t["why"] for t in found["taken"]]
        for said, text in zip(
            why, ("thermostat", "no more", "engine speed", "left out", "radiator", "not read"), strict=True
        ):
            self.assertIn(text, said)
        self.assertEqual((found["counted"], found["keep"]), (0, []))

    def test_air_nobody_stated_is_named_at_its_reading(self) -> None:
        found = readings_of(read(HOT[0], air=""))
        self.assertIn("air taken as 20", found["taken"][0]["rests"])
        self.assertEqual(readings_of(read(HOT[0]))["taken"][0]["rests"], "")

    def test_the_fit_is_kept_by_its_own_edits_and_is_then_the_one_applied(self) -> None:
        document = read(*HOT)
        found = readings_of(document)
        used = kept(document, found["keep"])
        again = readings_of(used)
        self.assertTrue(again["applied"])
        self.assertEqual(again["keep"], [])
        for factor in again["factors"]:
            self.assertAlmostEqual(factor["applied"], factor["value"], places=4)
        # One reading more is another fit.
        more = apply_edit(used, Edit("readings.taken.x.what", "coolant"))
        more = apply_edit(
            apply_edit(more, Edit("readings.taken.x.value", "104 °C")), Edit("readings.taken.x.duty", "motorway")
        )
        self.assertTrue(readings_of(more)["keep"])

    def test_what_moved_is_said_with_what_it_was_and_taken_off_is_as_before(self) -> None:
        document = read(*HOT)
        before = size_document(document)
        used = kept(document, readings_of(document)["keep"])
        after = size_document(used)
        self.assertIsNone(before["measured"])
        told = after["measured"]
        self.assertEqual(told["headline"], before["headline"]["sentence"])
        fills = {(c["system"], c["check"], c["duty"]): c["fill"] for c in told["checks"]}
        for id in ("cooling", "oil"):
            for was, now in zip(before["systems"][id]["checks"], after["systems"][id]["checks"], strict=True):
                key = (id, was["id"], was["duty"])
                if abs(was["fill"] - now["fill"]) > 0.005:
                    self.assertEqual(fills[key], was["fill"])
                else:
                    self.assertNotIn(key, fills)
        self.assertFalse([c for c in told["checks"] if c["system"] in ("fuel", "mounts", "belts")])
        off = size_document(kept(used, [{"path": "readings.applied", "text": None, "action": "set"}]))
        self.assertEqual(off["headline"], before["headline"])
        self.assertEqual(off["rows"], before["rows"])

    def test_another_core_is_a_guess_again_and_said_to_be(self) -> None:
        document = read(*HOT)
        used = kept(document, readings_of(document)["keep"])
        other = apply_edit(used, Edit("cooling.core.width", "600 mm", "taped"))
        self.assertEqual(size_document(other)["measured"]["gone"], ["the radiator"])
        self.assertEqual(readings_of(other)["gone"], ["the radiator"])

    def test_a_gauge_that_wanders_is_told(self) -> None:
        taken = [
            {
                "what": "coolant",
                "value": f"{101 + 0.6 * k:.1f} °C",
                "at": DAY.format(1 + 2 * k),
                "half": "1 K",
                "duty": "motorway",
            }
            for k in range(12)
        ]
        found = readings_of(read(*taken))["drift"][0]
        # 0.6 K in two days.
        self.assertAlmostEqual(found["slope"], 30.0, delta=1.0)
        self.assertTrue(found["told"])

    def test_fuel_by_the_counters(self) -> None:
        book = [
            {"id": "b", "kind": "fuel", "at": "2026-11-20", "distance": "10,500 km", "fuel": "60 L"},
            {"id": "a", "kind": "fuel", "at": "2026-11-10", "distance": "10,000 km", "fuel": "20 L"},
            {"id": "c", "kind": "drive", "at": "2026-11-21", "hottest": "101 °C"},
        ]
        found = readings_of(read(book=book))["book"]
        self.assertEqual([b["id"] for b in found], ["a", "b", "c"])
        self.assertIsNone(found[0]["per_distance"])
        self.assertAlmostEqual(1e8 * found[1]["per_distance"], 12.0, places=9)  # 60 L over 500 km

    def test_a_boat_and_a_build_of_which_little_is_known(self) -> None:
        boat = readings_of(read({"what": "coolant", "value": "92 °C", "engine_speed": "3000 rpm"}, name="reed-otter"))
        self.assertIn("cooler", [f["id"] for f in boat["factors"]])
        self.assertEqual(boat["counted"], 1)
        bare = {
            "format": "gauge-well-build/2",
            "name": "Bare",
            "machine": {"kind": "van"},
            "engine": {"fuel": "diesel"},
        }
        self.assertFalse(readings_of(bare)["useful"])
        taken = {"taken": [{"id": "a", "what": "coolant", "value": "95 °C"}]}
        self.assertTrue(readings_of(bare | {"readings": taken})["missing"])
