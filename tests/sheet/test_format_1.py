"""Sheets of format 1: every fact finds its part, and the verdict is the same."""

import json
from pathlib import Path
from typing import Any

from gauge_well.core.facts import lists, roles, specs
from gauge_well.core.systems import SYSTEMS
from gauge_well.services.sizing import size_document
from gauge_well.sheet import FORMAT, SheetError, load
from gauge_well.sheet.demo import NAMES, demo
from gauge_well.sheet.format_1 import MOVED, path_now
from gauge_well.sheet.sections import PLACES
from tests.support import DATA, NumbersCase, check_of

OLD = DATA / "format_1"


# The demo builds of then.
THEN = tuple(name for name in NAMES if (OLD / f"{name}.json").exists())


def old(name: str) -> dict[str, Any]:
    return dict(json.loads(Path(OLD / f"{name}.json").read_text()))


def bare(**sections: Any) -> dict[str, Any]:
    return {"format": "gauge-well-build/1", **sections}


# Facts learnt since, by section; and of a piece of the exhaust.
LEARNT = {
    "oil": {"crank_height", "head_drains", "catch_can"},
    "exhaust": {"low_behind", "ramp", "cabin_from", "cabin_to", "tip_past"},
    "machine": {"waterline_length", "hull", "sails", "top_speed", "heel", "trim", "cooled_by", "exhaust"},
}
PIECES_LEARNT = {"joint"}
KNEW = {"cooling", "fuel", "oil", "exhaust"}  # the systems that format 1 knew


def known_then(raw: dict[str, Any]) -> dict[str, Any]:
    """A build without what came after format 1."""
    found = {key: value for key, value in raw.items() if key not in SYSTEMS.keys() - KNEW}
    places = set(MOVED) | {"exhaust.pieces"}
    if raw["machine"]["kind"] == "boat":
        found.pop("cooling", None)  # a boat had none then, and no sea
        found["duties"] = [{n: v for n, v in duty.items() if n != "sea"} for duty in raw["duties"]]
    found["parts"] = [p for p in raw.get("parts", []) if p.get("role", "oil.pan") in places]
    found |= {
        section: {name: fact for name, fact in found[section].items() if name not in learnt}
        for section, learnt in LEARNT.items()
        if section in found
    }
    found["parts"] = [
        part | {"facts": {n: f for n, f in part.get("facts", {}).items() if n not in PIECES_LEARNT}}
        for part in found["parts"]
    ]
    return found


class Opened(NumbersCase):
    def test_the_demos_as_they_were_are_the_demos_as_they_are(self) -> None:
        """All they say of what is fitted; on the yard there lay nothing then, and nobody spoke of the work."""
        self.assertEqual(len(THEN), 4)
        for name in THEN:
            then, now = load(old(name)).document, load(known_then(demo(name))).document
            now["parts"] = [part for part in now["parts"] if "role" in part]
            now.pop("work")
            now.pop("start", None)
            self.assertEqual(then, now, name)

    def test_with_the_same_verdict(self) -> None:
        for name in THEN:
            then, now = size_document(old(name)), size_document(known_then(demo(name)))
            for part in ("headline", "state", "reach_w", "rows"):
                self.assertEqual(then[part], now[part], f"{name} {part}")

    def test_every_fact_has_its_place(self) -> None:
        for path, moved in MOVED.items():
            self.assertLessEqual(set(moved), set(PLACES[path].role.names), path)
        new = {
            f"{system.id}.{name}.{fact}"
            for system in SYSTEMS.values()
            for name, place in roles(system.facts).items()
            for fact in place.names
            if system.id in KNEW
        }
        # What parts learnt since is of no older sheet.
        self.assertLessEqual({f"{path}.{name}" for path, moved in MOVED.items() for name in moved}, new)
        self.assertEqual(
            {n for s in SYSTEMS.values() if s.id in KNEW for n in lists(s.facts)}, {"pieces", "neighbours"}
        )
        for system in SYSTEMS.values():
            own = {name for name in specs(system.facts) if "." not in name}
            gone = {old for path, moved in MOVED.items() if path.startswith(f"{system.id}.") for old in moved.values()}
            self.assertEqual(own & gone, set())

    def test_paths_of_then_are_known_by_todays(self) -> None:
        for then, now in (
            ("fuel.pump_flow", "fuel.main.flow"),
            ("cooling.condenser", "cooling.condenser_front"),
            ("oil.relief_pressure", "oil.pump.relief"),
            ("fuel.relief_pressure", "fuel.main.relief"),
            ("machine.mass", "machine.mass"),
            ("name", "name"),
        ):
            self.assertEqual(path_now(then), now)

    def test_a_sheet_that_names_no_format_and_speaks_as_then(self) -> None:
        found = load({"fuel": {"pump_flow": "120 L/h", "pump_pressure": "3 bar"}}).document
        self.assertEqual((found["format"], found["parts"][0]["role"]), (FORMAT, "fuel.main"))
        self.assertEqual(load({"fuel": {"injection": "port"}}).document["format"], FORMAT)

    def test_claims_sources_and_tolerances_come_along(self) -> None:
        fact = {
            "text": "26 mm",
            "evidence": "taped",
            "source": "me",
            "tolerance": "1 mm",
            "claims": [{"text": "28 mm"}],
        }
        kept = load(bare(cooling={"core_depth": fact})).document["parts"][0]["facts"]["depth"]
        self.assertEqual((kept["source"], kept["tolerance"], kept["claims"][0]["text"]), ("me", "1 mm", "28 mm"))

    def test_pipes_of_a_table_become_pieces(self) -> None:
        """With a header, in inches, one by its loss factor; the back pressure of the quarry truck stays what it was."""
        text = "outside [in]; length [mm]; bends [deg]; part\n2.5;900;90;pipe\n3;300;0;2.5"
        parts = load(bare(exhaust={"pipes": {"text": text, "evidence": "taped"}})).document["parts"]
        self.assertEqual([p["role"] for p in parts], ["exhaust.pieces"] * 2)
        first, second = (p["facts"] for p in parts)
        self.assertEqual((first["diameter"]["text"], first["piece"]), ("2.5 in", "pipe"))
        self.assertEqual((second["length"]["value"], second["piece"], second["loss"]["value"]), (300.0, "own", 2.5))
        self.assertEqual(first["bends"]["evidence"], "taped")
        lost = check_of(size_document(old("quarry-mule")), "exhaust", "back_pressure", "pull")["demand"]
        # As 0.4.0 showed it, and the step from 63.5 to 76.2 mm that is counted since: a tenth of a head of 10 kPa.
        self.close(lost, 33.6e3 + 1.0e3, rel=5e-3, note="33.6 kPa and the step")

    def test_candidates_go_to_the_yard(self) -> None:
        raw = bare(
            fuel={"pump_flow": "120 L/h", "pump_pressure": "3 bar", "pump_wear": "20 %"},
            candidates={
                "fuel": [
                    {"id": "a", "name": "Donor", "price": "40", "facts": {"pump_flow": "190 L/h", "reserve": "30"}}
                ],
                "cooling": [
                    {"id": "b", "name": "Van", "facts": {"core_width": "700 mm", "fan_kind": {"text": "belt"}}}
                ],
            },
        )
        sheet = load(raw)
        by_kind = {part.kind: part for part in sheet.yard}
        self.assertEqual({part.name for part in sheet.yard}, {"Donor", "Van"})
        pump = by_kind["pump"]
        # What was not said of it stayed as fitted; what was the fitted pump's own did not.
        self.assertEqual(
            (pump.facts["flow"].text, pump.facts["pressure"].text, "wear" in pump.facts), ("190 L/h", "3 bar", False)
        )
        self.assertEqual(pump.keep["price"], "40")
        kept = next(p for p in sheet.document["parts"] if p["kind"] == "pump" and "role" not in p)
        self.assertIn("reserve 30", kept["keep"]["note"])
        self.assertEqual((by_kind["core"].facts["width"].text, by_kind["fan"].facts["drive"].text), ("700 mm", "belt"))

    def test_what_was_wrong_is_named_where_it_is_now(self) -> None:
        for raw, field in (
            (bare(cooling={"core_width": "90 m"}), "cooling.core.width"),
            (bare(cooling={"shroud": "paper"}), "cooling.fan.shroud"),
            (bare(cooling={"core_weight": "3 kg"}), "cooling.core_weight"),
            (bare(exhaust={"pipes": "63 mm, x"}), "exhaust.pipes"),
            (bare(exhaust={"pipes": 7}), "exhaust.pipes"),
            (bare(cooling=7), "cooling"),
        ):
            with self.subTest(field), self.assertRaises(SheetError) as caught:
                load(raw)
            self.assertEqual(caught.exception.problems[0].field, field)

    def test_one_of_a_newer_program_says_so(self) -> None:
        with self.assertRaises(SheetError) as caught:
            load({"format": "gauge-well-build/9"})
        self.assertIn("newer program", caught.exception.problems[0].message)
