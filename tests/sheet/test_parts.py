"""Parts of a sheet: their places and the yard, edits of them, kinds that no system knows."""

import subprocess
import sys
import unittest
from typing import Any

from gauge_well.core.facts import lists, roles, specs
from gauge_well.core.parts import KINDS
from gauge_well.core.systems import SYSTEMS
from gauge_well.services.merging import standing
from gauge_well.services.sizing import facts_of
from gauge_well.sheet import SheetError, load, resolve
from gauge_well.sheet.document import PARTS_MAX
from gauge_well.sheet.edit import Edit, apply_edit
from tests.support import ROAD, ROOT, changed, report

PIPES = "63.5 mm, 900 mm, 90 deg, pipe\n76 mm, 300 mm, 0 deg, catalyst\n76 mm, 1 m, 0 deg, 2.5"


class Stated(unittest.TestCase):
    def problems(self, raw: dict[str, Any]) -> dict[str, str]:
        with self.assertRaises(SheetError) as caught:
            load(raw)
        return {p.field: p.message for p in caught.exception.problems}

    def parts(self, *parts: dict[str, Any]) -> dict[str, Any]:
        return ROAD | {"parts": [*ROAD["parts"], *parts]}

    def test_kind_and_id_follow_from_the_place(self) -> None:
        kept = {part["role"]: part for part in load(ROAD).document["parts"]}
        self.assertEqual((kept["fuel.main"]["id"], kept["fuel.main"]["kind"]), ("main", "pump"))

    def test_a_part_with_nothing_to_say_is_not_kept(self) -> None:
        document = apply_edit(load(ROAD).document, Edit("fuel.injectors.flow", None))
        self.assertNotIn("fuel.injectors", [p.get("role") for p in load(document).document["parts"]])
        named = apply_edit(document, Edit("parts.injectors.name", "Off the donor"))
        self.assertIn("fuel.injectors", [p.get("role") for p in load(named).document["parts"]])

    def test_what_cannot_be_is_named(self) -> None:
        for raw, field in (
            (self.parts({"kind": "pump", "id": "a", "facts": {"flow": "fast"}}), "parts.a.flow"),
            (self.parts({"kind": "pump", "id": "a", "facts": {"weight": "3 kg"}}), "parts.a.weight"),
            (self.parts({"kind": "fan", "id": "a", "facts": {"shroud": "paper"}}), "parts.a.shroud"),
            (self.parts(*[{"kind": "pump", "id": "twice", "facts": {}}] * 2), "parts.twice"),
            (self.parts({"role": "fuel.main", "facts": {"flow": "1 L/h"}}), "fuel.main"),
            (self.parts({"kind": "pump", "id": "a", "keep": {"price": "dear"}, "facts": {}}), "parts.a.keep.price"),
            (changed(ROAD, exhaust__pipes="2.5 km, 1 m, 0 deg, pipe"), "exhaust.pieces.pipe_2.diameter"),
        ):
            with self.subTest(field):
                self.assertIn(field, self.problems(raw))

    def test_a_kind_or_place_there_is_none_of(self) -> None:
        for part in (
            {"kind": "sail", "id": "a"},
            {"id": "a"},
            {"role": "fuel.sail"},
            {"kind": "fan", "role": "fuel.main"},
            7,
        ):
            with self.subTest(part=part), self.assertRaises(SheetError):
                load(self.parts(part))  # type: ignore[arg-type]

    def test_pieces_stand_in_order(self) -> None:
        sheet = load(changed(ROAD, exhaust__pipes=PIPES))
        pieces = resolve(sheet).case.systems["exhaust"].pieces
        self.assertEqual([id for id, _ in pieces], ["pipe_2", "pipe_3", "pipe_4"])
        self.assertEqual([p.piece for _, p in pieces], ["pipe", "catalyst", "own"])
        self.assertAlmostEqual(pieces[2][1].loss, 2.5)

    def test_what_a_place_does_not_ask_stays_with_the_part(self) -> None:
        """A lift pump is not asked for its relief; put in another place it has it still."""
        raw = changed(ROAD, fuel__lift="series", fuel__lift_pump__flow="90 L/h", fuel__lift_pump__pressure="0.3 bar")
        part = next(p for p in raw["parts"] if p.get("role") == "fuel.lift_pump")
        part["facts"]["relief"] = "6 bar"
        document = load(raw).document
        self.assertIsNone(resolve(load(document)).case.systems["fuel"].lift_pump.relief)
        moved = apply_edit(document, Edit("fuel.main", part_id(document, "fuel.lift_pump"), action="fit"))
        self.assertAlmostEqual(resolve(load(moved)).case.systems["fuel"].main.relief, 6e5)

    def test_facts_of_the_yard_are_shown(self) -> None:
        sheet = load(self.parts({"kind": "pump", "id": "spare", "facts": {"flow": "190 L/h"}}))
        self.assertEqual(facts_of(sheet, resolve(sheet))["parts.spare.flow"]["shown"], "190\u00a0L/h")


def part_id(document: dict[str, Any], role: str) -> str:
    return str(next(p["id"] for p in document["parts"] if p.get("role") == role))


class Edited(unittest.TestCase):
    def setUp(self) -> None:
        self.document = load(changed(ROAD, exhaust__pipes=PIPES)).document

    def edit(self, path: str, text: str | None = None, **more: Any) -> None:
        self.document = load(apply_edit(self.document, Edit(path, text, **more))).document

    def part(self, id: str) -> dict[str, Any]:
        return next(p for p in self.document["parts"] if p["id"] == id)

    def test_a_place_that_is_empty_is_given_a_part(self) -> None:
        self.edit("fuel.tank.volume", "60 L")
        self.assertEqual((self.part("tank")["kind"], self.part("tank")["role"]), ("tank", "fuel.tank"))

    def test_the_yard_a_step_at_a_time(self) -> None:
        self.edit("parts.spare", "pump", action="add")
        self.edit("parts.spare.flow", "190 L/h", evidence="sheet")
        self.edit("parts.spare.pressure", "3 bar")
        self.edit("parts.spare.name", "Off the donor")
        for field, text in (("state", "have"), ("from", "donor"), ("price", "40"), ("note", "hums")):
            self.edit(f"parts.spare.keep.{field}", text)
        kept = self.part("spare")
        self.assertEqual(kept["keep"], {"state": "have", "from": "donor", "price": "40", "note": "hums"})
        self.assertEqual((kept["name"], kept["facts"]["flow"]["evidence"]), ("Off the donor", "sheet"))
        self.edit("parts.spare.keep.price", None)
        self.assertNotIn("price", self.part("spare")["keep"])

    def test_a_swap_loses_nothing_and_can_be_taken_back(self) -> None:
        before = report(self.document)
        old = dict(self.part("main"))
        self.edit("parts.spare", "pump", action="add")
        self.edit("parts.spare.flow", "190 L/h")
        self.edit("parts.spare.pressure", "3 bar")
        self.edit("fuel.main", "spare", action="fit")
        self.assertEqual(self.part("spare")["role"], "fuel.main")
        self.assertEqual((self.part("main").get("role"), self.part("main")["facts"]), (None, old["facts"]))
        self.assertNotEqual(report(self.document)["systems"]["fuel"], before["systems"]["fuel"])
        self.edit("fuel.main", "main", action="fit")
        self.assertEqual(report(self.document)["systems"]["fuel"]["checks"], before["systems"]["fuel"]["checks"])

    def test_taken_out_it_is_missing(self) -> None:
        self.edit("fuel.main", action="take")
        self.assertEqual(
            report(self.document)["systems"]["fuel"]["unknown"][0]["missing"], ["fuel.main.flow", "fuel.main.pressure"]
        )

    def test_copies_are_apart(self) -> None:
        self.edit("parts.core", action="copy")
        self.edit("parts.core_2.depth", "56 mm")
        self.assertEqual(
            (self.part("core")["facts"]["depth"]["text"], self.part("core_2")["facts"]["depth"]["text"]),
            ("26 mm", "56 mm"),
        )
        self.assertIn("(copy)", self.part("core_2")["name"])

    def test_pieces_come_go_and_move(self) -> None:
        self.edit("exhaust.pieces", action="add")
        self.assertEqual(standing(self.document, "exhaust.pieces"), ["pipe_2", "pipe_3", "pipe_4", "pipe_5"])
        self.edit("parts.pipe_5", action="move", index=0)
        self.assertEqual(standing(self.document, "exhaust.pieces"), ["pipe_5", "pipe_2", "pipe_3", "pipe_4"])
        self.edit("parts.pipe_3", action="remove")
        self.assertEqual(standing(self.document, "exhaust.pieces"), ["pipe_5", "pipe_2", "pipe_4"])
        self.edit("exhaust.pieces.pipe_5.diameter", "50 mm")
        self.assertEqual(self.part("pipe_5")["facts"]["diameter"]["text"], "50 mm")

    def test_refused(self) -> None:
        for path, text, action in (
            ("parts.none", None, "remove"),
            ("parts.none.flow", "1 L/h", "set"),
            ("parts.main.no_such", "1", "set"),
            ("parts.main.keep.colour", "red", "set"),
            ("parts.main.keep.state", "lost", "set"),
            ("parts.x", "sail", "add"),
            ("fuel.main", "core", "fit"),
            ("fuel.main", "none", "fit"),
            ("fuel.sail", None, "take"),
            ("fuel.main", None, "add"),
            ("exhaust.pieces.none.length", "1 m", "set"),
            ("exhaust.pieces", "1 m", "set"),
        ):
            with self.subTest(path, action=action), self.assertRaises(SheetError):
                apply_edit(self.document, Edit(path, text, action=action))

    def test_so_many_and_no_more(self) -> None:
        self.document["parts"] = [{"id": f"p{i}", "kind": "pump", "facts": {}} for i in range(PARTS_MAX)]
        with self.assertRaises(SheetError):
            apply_edit(self.document, Edit("parts.x", "pump", action="add"))


class Kinds(unittest.TestCase):
    def test_every_place_takes_a_kind_there_is(self) -> None:
        for system in SYSTEMS.values():
            for name, place in {**roles(system.facts), **lists(system.facts)}.items():
                with self.subTest(f"{system.id}.{name}"):
                    self.assertIs(KINDS[place.kind.id], place.kind)
                    self.assertLessEqual(set(place.names), set(specs(place.kind.facts)))
                    self.assertLessEqual(
                        {*place.labels, *place.helps, *place.limits, *(place.needs or ())}, set(place.names)
                    )
                    self.assertIn(place.row, system.parts)

    def test_one_that_no_system_knows_lies_on_the_yard(self) -> None:
        """A kind is one module: the sheet, its schema, edits and the vocabulary have it without a system."""
        code = """
from dataclasses import dataclass
from gauge_well.core import parts
from gauge_well.core.facts import Kind, Way, quantity
@dataclass(frozen=True)
class MountFacts:
    stiffness: float | None = quantity("Stiffness", "ratio", 0.0, 10.0)
parts.KINDS["mount"] = Kind("mount", "Mount", MountFacts, {"stiffness": Way("hand", "Press it.")})
from gauge_well.services.sizing import facts_of
from gauge_well.services.vocabulary import vocabulary
from gauge_well.sheet import load, resolve
from gauge_well.sheet.edit import Edit, apply_edit
from gauge_well.sheet.schema import json_schema
document = apply_edit(load({}).document, Edit("parts.left", "mount", action="add"))
sheet = load(apply_edit(document, Edit("parts.left.stiffness", "2.5")))
assert sheet.yard[0].facts["stiffness"].value == 2.5
assert facts_of(sheet, resolve(sheet))["parts.left.stiffness"]["si"] == 2.5
assert "MountPart" in json_schema()["$defs"] and vocabulary().part_kinds["mount"].fields[0].label == "Stiffness"
"""
        done = subprocess.run(
            [sys.executable, "-c", code], cwd=ROOT / "src", capture_output=True, text=True, check=False
        )
        self.assertEqual(done.returncode, 0, done.stderr[-1500:])
