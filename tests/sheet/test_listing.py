"""A list of parts as CSV and from it; one repeated, one split."""

from typing import Any

from gauge_well.services.export import listed
from gauge_well.sheet import SheetError, listing, load
from gauge_well.sheet.edit import Edit, apply_edit
from gauge_well.sheet.parts import in_place
from gauge_well.sheet.sections import PLACES
from tests.support import NumbersCase, demo_document, report

PIECES = PLACES["exhaust.pieces"]


def truck() -> dict[str, Any]:
    return load(demo_document("quarry-mule")).document


def refused(text: str) -> str:
    try:
        listing.taken(PIECES, text)
    except SheetError as error:
        return error.problems[0].message
    raise AssertionError("it was taken")


class Both(NumbersCase):
    def test_out_and_in_is_the_same_run(self) -> None:
        """Texts as typed; the back pressure to the last digit."""
        text = listed(truck(), "exhaust.pieces")
        self.assertTrue(text.startswith("piece,diameter,length,bends,joint\r\n"))
        again = apply_edit(truck(), Edit("exhaust.pieces", text, action="list"))
        self.assertEqual(listing.written(again, PIECES), text)
        figures = [report(raw)["systems"]["exhaust"]["figures"]["pull"] for raw in (truck(), again)]
        self.close(*(f["exhaust_back_pressure_pa"] for f in figures), rel=1e-12)

    def test_heads_as_the_page_calls_them_and_units(self) -> None:
        """Bare numbers in the head's unit; choices by their words; names of parts."""
        text = "name,It is,Outside [in],Length [mm],Bends\nFront,pipe,2.5,900,90 deg\n,Flex,3,150,\n"
        first, second = listing.taken(PIECES, text)
        self.assertEqual((first["name"], first["facts"]["diameter"]["text"]), ("Front", "2.5 in"))
        self.assertEqual(second["facts"]["piece"], "flex")
        self.assertNotIn("bends", second["facts"])

    def test_what_is_odd_is_named(self) -> None:
        self.assertIn("no rows", refused("piece,length\n"))
        self.assertIn("“colour”", refused("piece,colour\npipe,red\n"))
        self.assertIn("Row 2, piece: “trumpet”", refused("piece,length\npipe,1 m\ntrumpet,1 m\n"))
        self.assertIn("Row 1 has 3 cells", refused("piece,length\npipe,1 m,2\n"))
        self.assertIn("too many", refused("length\n" + "1 m\n" * 251))
        with self.assertRaises(SheetError):
            listed(truck(), "oil.pan")

    def test_what_cannot_be_read_leaves_the_run_as_it_was(self) -> None:
        """The edit is taken; the sheet it makes is refused by the field."""
        raw = apply_edit(truck(), Edit("exhaust.pieces", "diameter,length\n63.5 mm,long\n", action="list"))
        with self.assertRaises(SheetError) as caught:
            load(raw)
        self.assertEqual(caught.exception.problems[0].field, "exhaust.pieces.pipe.length")


class Twice(NumbersCase):
    def act(self, action: str) -> list[dict[str, Any]]:
        raw = truck()
        id = in_place(raw, PIECES)[3]["id"]
        return in_place(apply_edit(raw, Edit(f"parts.{id}", action=action)), PIECES)

    def test_split_shares_what_adds_up(self) -> None:
        """1,200 mm with 90 degrees: two of 600 with 45, one behind the other, known as it was."""
        pieces = self.act("split")
        self.assertEqual(len(pieces), 7)
        for piece in pieces[3:5]:
            facts = piece["facts"]
            self.assertEqual(
                (facts["length"]["text"], facts["bends"]["text"], facts["length"]["evidence"]),
                ("600 mm", "45 deg", "taped"),
            )

    def test_repeated_right_behind_it(self) -> None:
        pieces = self.act("repeat")
        self.assertEqual(pieces[3]["facts"], pieces[4]["facts"])
        self.assertNotEqual(pieces[3]["id"], pieces[4]["id"])

    def test_only_one_of_a_list(self) -> None:
        raw = truck()
        core = next(p["id"] for p in raw["parts"] if p.get("role") == "cooling.core")
        for action in ("repeat", "split"):
            with self.assertRaises(SheetError):
                apply_edit(raw, Edit(f"parts.{core}", action=action))
        with self.assertRaises(SheetError):
            apply_edit(raw, Edit("oil.pan", "x\n1", action="list"))
