"""Pin lists as they come: read, what is odd named, nothing lost."""

from unittest import TestCase

from gauge_well.core.electrical.signals import SIGNALS
from gauge_well.services import pins
from gauge_well.sheet import SheetError, load
from gauge_well.sheet.demo import demo
from gauge_well.sheet.edit import Edit, apply_edit

KNOWN = [s.words[0] for s in SIGNALS.values() if s.words]


def long_list() -> str:
    """A hundred and twenty lines: a head, blank lines, pins that stand twice, names nobody knows, cells too many."""
    lines = ["Connector\tPin\tWire\tFunction\tStatus"]
    for n in range(1, 104):
        name = KNOWN[n % len(KNOWN)] if n % 9 else f"mystery box {n}"
        pin = n if n % 17 else n - 1
        lines.append(f"{'A' if n < 60 else 'B'}\t{pin}\tbrown/white\t{name}\t{('ok', '', 'dead', 'maybe')[n % 4]}")
        if n % 8 == 0:
            lines.append("" if n % 16 else "\t\t\t\t")
    lines += ["\t\tred\tlambda heater", "C\t7", "C\t8\tblue\tfan relay\tok\tbehind the dash", "C\t9\tgreen\tknock"]
    assert len(lines) == 120, len(lines)
    return "\n".join(lines)


class Long(TestCase):
    def setUp(self) -> None:
        self.found = pins.read(long_list().encode())

    def test_every_line_is_there(self) -> None:
        self.assertEqual(self.found.lines, 120)
        self.assertEqual(self.found.blank, 12)
        self.assertEqual(len(self.found.pins), 120 - 1 - 12)
        self.assertEqual([p.line for p in self.found.pins], sorted(p.line for p in self.found.pins))

    def test_what_is_odd_is_named(self) -> None:
        twice = [p for p in self.found.pins if any("again" in o for o in p.odd)]
        self.assertEqual(len(twice), 6)
        self.assertTrue(all("as on line" in " ".join(p.odd) for p in twice))
        unknown = [p for p in self.found.pins if any("not known" in o for o in p.odd)]
        self.assertEqual([p.says for p in unknown if p.what != "other"], [])
        self.assertEqual(len(unknown), 103 // 9)
        self.assertTrue(all("mystery box" in p.says for p in unknown))
        self.assertIn("has no pin", next(p for p in self.found.pins if p.says == "lambda heater").odd)
        self.assertIn(
            "says nothing of what it is for", next(p for p in self.found.pins if p.pin == "7" and p.plug == "C").odd
        )
        self.assertTrue(any("blank" in o for o in self.found.odd))

    def test_nothing_is_lost(self) -> None:
        """Words not understood and cells too many stand in what it is called."""
        maybe = [p for p in self.found.pins if any("maybe" in o for o in p.odd)]
        self.assertTrue(maybe and all("maybe" in p.says for p in maybe))
        self.assertIn("behind the dash", next(p for p in self.found.pins if p.pin == "8" and p.plug == "C").says)

    def test_it_goes_onto_the_sheet(self) -> None:
        edit = Edit(path="electrics.signals", action="list", text=self.found.csv, evidence="sheet")
        document = apply_edit(load(demo("reed-otter")).document, edit)
        made = [p for p in document["parts"] if p.get("role") == "electrics.signals"]
        self.assertEqual(len(made), len(self.found.pins))
        self.assertEqual([p["facts"].get("pin", "") for p in made], [p.pin for p in self.found.pins])


class Kinds(TestCase):
    def test_without_a_head(self) -> None:
        found = pins.read(b"A1;BR/WS;coolant temp\nA2;RT;fuel pump relay\nB3;SW;injector 1\n")
        self.assertEqual([(p.pin, p.colour, p.what) for p in found.pins], [("A1", "BR/WS", "coolant_temperature"), ("A2", "RT", "pump"), ("B3", "SW", "injectors")])  # fmt: skip

    def test_a_column_of_names_alone(self) -> None:
        self.assertEqual(
            [p.what for p in pins.read(b"crank sensor ckp\nknock sensor\n").pins], ["crank_position", "knock"]
        )

    def test_states_and_sources(self) -> None:
        found = pins.read(
            b"pin,function,source,state\n1,speed,mimicked,untested\n2,fan,real,works\n3,brake,missing,does not\n"
        )
        self.assertEqual([(p.source, p.state) for p in found.pins], [("mimicked", "untested"), ("real", "works"), ("missing", "broken")])  # fmt: skip

    def test_what_is_no_list_is_refused(self) -> None:
        for raw, word in ((b"", "no lines"), (b" \n;;\n", "no lines"), (b"x" * 50_000, "too many"), (b"1,knock\n" * 400, "too many")):  # fmt: skip
            with self.assertRaises(SheetError) as caught:
                pins.read(raw)
            self.assertIn(word, str(caught.exception))

    def test_bytes_of_no_text_are_read_as_they_can_be(self) -> None:
        self.assertEqual(len(pins.read(b"1,\xff\xfe knock\n2,\x00fan\n").pins), 2)
