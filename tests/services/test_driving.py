"""Drives of whole builds: shipped ones, logs in their own units with what is wrong in them, the worst minutes as a duty."""

import unittest

import numpy as np

from gauge_well.services import driving, recordings
from gauge_well.services.errors import Refused
from gauge_well.services.readings import readings_of
from gauge_well.services.sizing import size_document
from gauge_well.sheet.demo import demo
from gauge_well.sheet.edit import Edit, apply_edit


def edited(document: dict, edits: list[dict]) -> dict:
    for e in edits:
        document = apply_edit(document, Edit(e["path"], e["text"], e.get("evidence")))
    return document


def logged(document: dict, fault: str = "", drive: str = "pass_road", change=lambda rows: rows) -> dict:
    rows = change(driving.logged_rows(document, drive, fault))
    raw = "\n".join(",".join(row) for row in rows).encode()
    kept = recordings.packed(raw, "csv", "")
    return driving.drive_of(document, "abcdef0123456789", "A log", kept[4], kept[1])


class Shipped(unittest.TestCase):
    def test_the_pass_road_names_its_worst_moments(self) -> None:
        found = driving.drive_of(demo("quarry-mule"), "pass_road")
        worst = {w["what"]: w for w in found["worst"]}
        top = max(v for s in found["series"] if s["id"] == "coolant" for v in s["foretold"])
        self.assertAlmostEqual(worst["coolant"]["value"], top, delta=1.0)
        self.assertIn("°C", worst["coolant"]["sentence"])
        self.assertTrue(900.0 < found["climbed"] < 1300.0)
        self.assertFalse(found["ambient_stated"])
        # common practice: a truck of two tonnes over a pass takes some 12 to 22 L on 100 km.
        self.assertTrue(12.0 < 1e8 * found["fuel_volume"] / found["distance"] < 22.0)

    def test_its_worst_minutes_become_a_duty_that_is_judged(self) -> None:
        document = demo("quarry-mule")
        found = driving.drive_of(document, "pass_road")
        after = size_document(edited(document, found["keep"]))
        self.assertIn("drive_1", [d["id"] for d in after["duties"]])
        heat = next(c for c in after["systems"]["cooling"]["checks"] if c["id"] == "heat" and c["duty"] == "drive_1")
        self.assertTrue(0.3 < heat["fill"] < 1.2)
        again = driving.drive_of(edited(document, found["keep"]), "pass_road")
        self.assertTrue(again["keep"][0]["path"].endswith("drive_2"))

    def test_a_harbour_day_and_what_cannot_be_driven(self) -> None:
        found = driving.drive_of(demo("reed-otter"), "harbour_day")
        self.assertFalse(found["missing"])
        self.assertLess(found["climbed"], 1.0)
        bare = {
            "format": "gauge-well-build/2",
            "name": "Bare",
            "machine": {"kind": "van"},
            "engine": {"fuel": "diesel"},
        }
        self.assertTrue(driving.drive_of(bare, "pass_road")["missing"])
        with self.assertRaises(Refused):
            driving.drive_of(demo("reed-otter"), "no_such")

    def test_it_goes_by_what_was_measured(self) -> None:
        document = demo("quarry-mule") | {
            "readings": {
                "taken": [
                    {
                        "id": "a",
                        "what": "coolant",
                        "value": "125 °C",
                        "speed": "60 km/h",
                        "grade": "7 %",
                        "air": "20 °C",
                    }
                ]
            }
        }
        used = document
        for e in readings_of(document)["keep"]:
            used = apply_edit(used, Edit(e["path"], e["text"], action=e["action"]))
        tops = [
            next(w["value"] for w in driving.drive_of(d, "pass_road")["worst"] if w["what"] == "coolant")
            for d in (document, used)
        ]
        self.assertGreater(tops[1], tops[0] + 5.0)


class Logs(unittest.TestCase):
    def test_a_sound_log_lies_on_what_is_foretold(self) -> None:
        found = logged(demo("quarry-mule"))
        coolant = next(s for s in found["series"] if s["id"] == "coolant")
        # Its engine is a little other than the model; its gauge has its noise.
        self.assertLess(coolant["rms"], 6.0)
        self.assertTrue(found["stretches"])

    def test_a_blocked_core_is_read_before_it_is_foretold_and_its_stretches_teach_it(self) -> None:
        document = demo("quarry-mule")
        found = logged(document, "blocked")
        self.assertEqual(found["worst"][0]["what"], "logged_coolant")
        self.assertTrue(found["worst"][0]["over"])
        self.assertIn("is foretold there", found["worst"][0]["sentence"])
        used = edited(document, [e for s in found["stretches"] for e in s["edits"]])
        told = {f["id"]: f for f in readings_of(used)["factors"]}
        self.assertLess(told["core"]["value"] / told["heat"]["value"], 0.75)

    def test_a_loose_plug_and_a_dead_sender_are_named_and_do_not_move_the_rest(self) -> None:
        loose, dead = (logged(demo("quarry-mule"), f) for f in ("spikes", "dead"))
        coolant = next(s for s in loose["series"] if s["id"] == "coolant")
        self.assertEqual(coolant["spikes"], 9)
        self.assertLess(max(v for v in coolant["logged"] if v is not None), 400.0)
        self.assertEqual(dead["dead"], ["Oil temperature"])
        self.assertFalse([s for s in dead["stretches"] if "oil temperature" in s["says"]])

    def test_a_logger_that_samples_now_and_then(self) -> None:
        """Every ten seconds: as hot, and stretches as well. Every forty: drawn, but nothing is made of it."""
        every = logged(demo("quarry-mule"))
        ten = logged(demo("quarry-mule"), change=lambda rows: [rows[0], *rows[1::10]])
        forty = logged(demo("quarry-mule"), change=lambda rows: [rows[0], *rows[1::40]])
        hottest = [f["worst"][0]["value"] for f in (every, ten)]
        self.assertAlmostEqual(*hottest, delta=1.0)
        self.assertTrue(ten["stretches"])
        self.assertFalse([w for w in forty["worst"] if w["what"].startswith("logged")])

    def test_gaps_and_words_in_its_cells(self) -> None:
        def torn(rows):
            kept = [row if k % 7 else [*row[:4], "n/a", *row[5:]] for k, row in enumerate(rows[1:])]
            return [rows[0], *kept[:900], *kept[1100:]]

        found = logged(demo("quarry-mule"), change=torn)
        self.assertGreater(found["gaps"], 100.0)
        self.assertTrue(found["stretches"])

    def test_air_that_was_logged_is_the_days(self) -> None:
        found = logged(
            demo("quarry-mule"),
            change=lambda rows: [[*r, "Ambient (degC)" if k == 0 else "31"] for k, r in enumerate(rows)],
        )
        self.assertTrue(found["ambient_stated"])
        self.assertAlmostEqual(found["ambient"], 304.15, places=6)

    def test_what_is_no_drive_is_refused(self) -> None:
        raw = b"time,oil temp\n" + b"\n".join(b"%d,80" % k for k in range(100))
        with self.assertRaises(Refused) as told:
            driving.drive_of(demo("quarry-mule"), "x", "A log", recordings.packed(raw, "csv", "")[4])
        self.assertIn("no speed", told.exception.message)
        with self.assertRaises(Refused):
            driving.logged_rows(demo("quarry-mule"), "pass_road", "gremlins")


class Columns(unittest.TestCase):
    RAW = b"t,A,B,C\n" + b"\n".join(b"%d,%d,%d,%d" % (k, 150 + k, 20, 7) for k in range(200))

    def test_a_recipe_maps_what_no_head_says(self) -> None:
        found = recordings.read(self.RAW, "csv", "time in s; coolant in F; speed in mph; -")
        np.testing.assert_allclose(
            found.channels["coolant"][:2], [(150 - 32) / 1.8 + 273.15, (151 - 32) / 1.8 + 273.15]
        )
        np.testing.assert_allclose(found.channels["speed"], 20 * 0.44704)
        self.assertEqual(found.told.dead, ["Road speed"])
        self.assertEqual(found.told.heads, "t;A;B;C")

    def test_what_a_recipe_cannot_mean_is_refused(self) -> None:
        for text, said in (
            ("time in s; coolant in F", "columns"),
            ("time in s; soup in F; -; -", "soup"),
            ("time in s; coolant in bar; -; -", "bar"),
            ("time in s; coolant in F; coolant in C; -", "coolant"),
            ("-; coolant in F; -; -", "time"),
        ):
            with self.assertRaises(Refused, msg=text) as told:
                recordings.read(self.RAW, "csv", text)
            self.assertIn(said, f"{told.exception.read} {told.exception.message}")
