"""Tables as they are typed, pasted from a sheet, or read from a file."""

import unittest

from gauge_well.sheet import SheetError, load
from gauge_well.sheet.sections import SECTIONS
from gauge_well.sheet.tables import read_table
from gauge_well.units import ReadingError
from gauge_well.units.printing import Preference
from tests.core.systems.fuel.builds import FIVE, with_fuel
from tests.support import NumbersCase, case_of

PUMP = SECTIONS["fuel"].specs["main.table"]
PIPES = SECTIONS["cooling"].specs["hose_feed"]
METRIC, IMPERIAL = Preference("metric", "kW"), Preference("imperial", "hp")
TWO = [[3e5, 190 / 3.6e6], [4e5, 175 / 3.6e6]]


class Read(NumbersCase):
    def rows(self, text: str, prefer: Preference = METRIC) -> list:
        return [list(row) for row in read_table(PUMP, text, prefer)[0]]

    def test_the_same_table_by_every_mark(self) -> None:
        for text in (
            "3 bar, 190 L/h\n4 bar, 175 L/h",
            "3 bar; 190 L/h\n4 bar; 175 L/h",
            "3 bar\t190 L/h\n4 bar\t175 L/h",
            "pressure [bar];flow [L/h]\n3,0;190\n4,0;175",
            "Pressure (bar),Flow (L/h)\n3.0,190\n4.0,175",
            "pressure bar, flow L/h\n3, 190\n4, 175",
            "\n300, 190\n\n400, 175\n",
        ):
            with self.subTest(text):
                self.close(self.rows(text), TWO, rel=1e-12)

    def test_columns_the_other_way_round(self) -> None:
        """A header that names them puts them in order."""
        self.close(self.rows("flow [L/h];pressure [bar]\n190;3\n175;4"), TWO, rel=1e-12)

    def test_a_header_without_units_takes_the_builds(self) -> None:
        self.close(self.rows("pressure;flow\n300;190"), [[3e5, 190 / 3.6e6]], rel=1e-12)
        self.close(
            self.rows("pressure;flow\n43.5;50", IMPERIAL), [[43.5 * 6894.757, 50 * 3.785412e-3 / 3600]], rel=1e-5
        )

    def test_every_row_may_have_its_own_unit(self) -> None:
        """43.511 psi is 3 bar; 50.19 US gallons an hour are 190 L."""
        self.close(self.rows("43.5113 psi, 50.1927 gal/h\n4 bar, 175 L/h"), TWO, rel=1e-5)
        self.close(self.rows("0, 220 L/h\n3 bar, 190 L/h")[0][0], 0.0)

    def test_words_stand_among_numbers(self) -> None:
        rows, _ = read_table(PIPES, "63 mm, 1 m, bend\n63 mm, 0.5 m, 3", METRIC)
        self.close(rows[1][2], 3.0)

    def test_the_text_is_kept(self) -> None:
        self.assertEqual(read_table(PUMP, " p [bar];q [L/h]\n\n3;190 ", METRIC)[1], ["p [bar];q [L/h]", "3;190"])


class Refused(unittest.TestCase):
    def reading(self, text: str) -> ReadingError:
        with self.assertRaises(ReadingError) as caught:
            read_table(PUMP, text, METRIC)
        return caught.exception

    def test_mixed_units_name_row_and_column(self) -> None:
        found = self.reading("3 bar, 190 L/h\n4, 175 L/h")
        self.assertEqual(found.code, "mixed_units")
        self.assertIn("Row 2, pressure: 4 has no unit", found.message)

    def test_a_unit_of_another_kind(self) -> None:
        self.assertIn("Row 1, flow", self.reading("3 bar, 190 kg").message)
        self.assertIn("The header, flow", self.reading("pressure [bar];flow [kg]\n3;190").message)

    def test_shapes(self) -> None:
        self.assertEqual(self.reading("").code, "empty")
        self.assertEqual(self.reading("pressure;flow").code, "empty")
        self.assertEqual(self.reading("3 bar, 190 L/h, 7 A").code, "columns")
        self.assertEqual(self.reading("\n".join(f"{i + 1} kPa, 190 L/h" for i in range(61))).code, "too_long")

    def test_a_problem_names_the_field(self) -> None:
        with self.assertRaises(SheetError) as caught:
            load(with_fuel(FIVE, main__table="3 bar, 190 L/h\n4, 175 L/h"))
        self.assertEqual(caught.exception.problems[0].field, "fuel.main.table")

    def test_from_a_file_into_the_case(self) -> None:
        raw = with_fuel(FIVE, main__table="pressure [bar];flow [L/h]\n3;190\n4;175")
        self.assertEqual(len(case_of(raw).systems["fuel"].main.table), 2)
