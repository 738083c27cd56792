"""Quantities as typed in a workshop, and hostile text."""

import unittest
from contextlib import suppress

from gauge_well.units import KINDS, Reading, ReadingError, read
from tests.support import NumbersCase, watched

INCH, PSI, HP, PS = 0.0254, 6894.757293168, 745.69987158, 735.49875


class Typed(NumbersCase):
    CASES = (
        ("11 5/8 in", "length", 11.625 * INCH),
        ('2-1/4"', "length", 2.25 * INCH),
        ("5/16 in", "length", 0.3125 * INCH),
        ("4' 7\"", "length", 55 * INCH),
        ("4 ft 7 in", "length", 55 * INCH),
        ("4' 7 1/2\"", "length", 55.5 * INCH),
        ("3ft", "length", 36 * INCH),
        ("1½ in", "length", 1.5 * INCH),
        ('¾"', "length", 0.75 * INCH),
        ("63 mm", "length", 0.063),
        ("63mm", "length", 0.063),
        ("6,3 cm", "length", 0.063),
        ("1.2 m", "length", 1.2),
        (".5 in", "length", 0.5 * INCH),
        ("1 1/2 in", "length", 1.5 * INCH),
        ("-150 mm", "height", -0.15),
        ("3 gal", "volume", 3 * 3.785411784e-3),
        ("3 imp gal", "volume", 3 * 4.54609e-3),
        ("350 cu in", "displacement", 350 * INCH**3),
        ("1998 cc", "displacement", 1.998e-3),
        ("43.5 psi", "pressure_gauge", 43.5 * PSI),
        ("15 psig", "pressure_gauge", 15 * PSI),
        ("0.9 bar", "pressure_gauge", 0.9e5),
        ("0,9 bar", "pressure_gauge", 0.9e5),
        ("205F", "temperature", 369.2611),
        ("205 °F", "temperature", 369.2611),
        ("38 °C", "temperature", 311.15),
        ("-10 C", "temperature", 263.15),
        ("311 K", "temperature", 311.0),
        ("18 F", "temperature_difference", 10.0),
        ("10 K", "temperature_difference", 10.0),
        ("215 hp", "power", 215 * HP),
        ("215hp", "power", 215 * HP),
        ("215 PS", "power", 215 * PS),
        ("160 kW", "power", 160e3),
        ("118 lb-ft", "torque", 118 * 1.3558179483),
        ("118 ft lbs", "torque", 118 * 1.3558179483),
        ("380 Nm", "torque", 380.0),
        ("440 cc/min", "injector_flow", 440e-6 / 60),
        ("118 L/min", "flow", 118e-3 / 60),
        ("118 lpm", "flow", 118e-3 / 60),
        ("1900 cfm", "air_flow", 1900 * 0.3048**3 / 60),
        ("255 lph", "flow_fuel", 255e-3 / 3600),
        ("1,500 rpm", "speed_rpm", 1500.0),
        ("1500", "speed_rpm", 1500.0),
        ("70 mph", "speed", 70 * 0.44704),
        ("12 knots", "speed", 12 * 1852 / 3600),
        ("14 fpi", "fin_count", 14 / INCH),
        ("14 /in", "fin_count", 14 / INCH),
        ("6 %", "grade", 0.06),
        ("6", "grade", 0.06),
        ("27 degrees", "angle", 0.4712389),
        ("10 min", "time", 600.0),
        ("1.1 ms", "time_short", 1.1e-3),
        ("340 g/kWh", "bsfc", 340e-3 / 3.6e6),
        ("0.5 lb/hp/h", "bsfc", 0.5 * 0.45359237 / (HP * 3600)),
        ("2.5 mm2", "wire_area", 2.5e-6),
        ("2.4 t", "mass", 2400.0),
        ("1e3 kg", "mass", 1000.0),
        ("1.234,5 kg", "mass", 1234.5),
        ("1,234.5 kg", "mass", 1234.5),
        ("1,234,567 W", "power", 1234567.0),
    )

    def test_understood(self) -> None:
        for text, kind, si in self.CASES:
            with self.subTest(text=text, kind=kind):
                self.close(read(text, kind).si, si, rel=1e-6, abs=1e-12)

    def test_case_and_spaces_do_not_matter(self) -> None:
        for text in ("215 HP", " 215  hp ", "215\u00a0hp", "215 Horsepower"):
            self.close(read(text, "power").si, 215 * HP, rel=1e-9)

    def test_counts(self) -> None:
        found = read("2x 11in", "length")
        self.assertEqual((found.count, found.unit), (2, "in"))
        self.close(found.si, 11 * INCH)
        self.assertEqual(read("2 × 300 mm", "length").count, 2)
        self.assertEqual(read("300 mm", "length").count, 1)

    def test_bare_numbers_take_the_builds_unit(self) -> None:
        self.close(read("12", "length").si, 0.012)
        self.close(read("12", "length", "in").si, 12 * INCH)

    def test_reading_keeps_what_was_typed(self) -> None:
        found = read(" 11 5/8 in ", "length")
        self.assertEqual(found, Reading("11 5/8 in", 11.625, "in", found.si, 1))


class Refused(NumbersCase):
    def refused(self, text: str, kind: str, code: str) -> ReadingError:
        with self.assertRaises(ReadingError) as caught:
            read(text, kind)
        self.assertEqual(caught.exception.code, code, text)
        return caught.exception

    def test_a_unit_of_another_kind(self) -> None:
        found = self.refused("11 psi", "length", "unit")
        self.assertIn("mm", found.allowed)
        for text, kind in (
            ("12 in", "mass"),
            ("3 bar", "temperature"),
            ("5 cfmm", "air_flow"),
            ("5 furlongs", "length"),
        ):
            self.refused(text, kind, "unit")

    def test_gauge_and_absolute_are_not_confused(self) -> None:
        self.refused("30 psia", "pressure_gauge", "reference")
        self.refused("2 bar abs", "pressure_difference", "reference")
        self.refused("2 bar gauge", "pressure_absolute", "reference")
        self.close(read("2 bar abs", "pressure_absolute").si, 2e5)
        self.close(read("2 bar g", "pressure_gauge").si, 2e5)

    def test_not_numbers(self) -> None:
        for text in ("in", "about 3 mm", "NaN", "nan mm", "inf", "Infinity kW", "--3", "1/0 in", "3 1/0 in"):
            with self.subTest(text), self.assertRaises(ReadingError):
                read(text, "length")

    def test_mixed_up_marks(self) -> None:
        for text in ("1.2.3 mm", "1,23,456 mm", "1.23,4.5 mm", "1,2.3,4 mm"):
            with self.subTest(text), self.assertRaises(ReadingError):
                read(text, "length")

    def test_feet_and_inches_that_are_none(self) -> None:
        for text in ("4' 13\"", "4.5' 3\"", "4' 3 mm", "4 in 3 in", "-4' 3\""):
            with self.subTest(text), self.assertRaises(ReadingError):
                read(text, "length")

    def test_nothing(self) -> None:
        self.refused("", "length", "empty")
        self.refused("   ", "length", "empty")

    def test_characters(self) -> None:
        for text in ("3 mm; DROP", "3 <b>", "=3+4", "3 \x00mm", "３ mm", "3 mm\u202e"):
            with self.subTest(text), self.assertRaises(ReadingError):
                read(text, "length")

    def test_hostile_text_is_refused_at_once(self) -> None:
        """Huge exponents, a megabyte of digits, runs made to hang a matcher: none hangs."""
        for text in (
            "1e999",
            "1e-999",
            "9" * 1_000_000,
            "1" + "," * 50,
            "1 " * 25 + "mm",
            "(" * 59,
            "1/" * 29,
            "1e15e15",
            "9" * 55 + " mm",
        ):
            with watched(), suppress(ReadingError):
                self.assertLess(abs(read(text, "length").si), 1e60)

    def test_every_kind_refuses_nonsense_and_says_what_is_understood(self) -> None:
        for kind in KINDS:
            with self.assertRaises(ReadingError) as caught:
                read("12 xyzzy", kind)
            self.assertTrue(caught.exception.allowed, kind)


if __name__ == "__main__":
    unittest.main()


class Sums(unittest.TestCase):
    """Lengths, volumes and weights added up as they are measured: block + pan."""

    def test_added_up(self) -> None:
        for text, kind, si in (
            ("310 + 96 mm", "length", 0.406),
            ("310mm+9.6cm", "length", 0.406),
            ("12 1/2 + 3 3/4 in", "length", 16.25 * 0.0254),
            ("4' 7\" + 2 in", "length", 57.0 * 0.0254),
            ("4.2 + 0.5 L", "volume", 4.7e-3),
            ("120 + 35 kg", "mass", 155.0),
        ):
            with self.subTest(text):
                self.assertAlmostEqual(read(text, kind).si, si, places=12)

    def test_the_text_is_kept_and_the_unit_is_the_lasts(self) -> None:
        found = read("310 + 96 mm", "length")
        self.assertEqual((found.text, found.unit, round(found.value, 9)), ("310 + 96 mm", "mm", 406.0))

    def test_what_cannot_be_added_is_said(self) -> None:
        for text, kind in (
            ("80 + 8 C", "temperature"),
            ("3 + 1 bar", "pressure_gauge"),
            ("1+1+1+1+1+1+1 mm", "length"),
        ):
            with self.subTest(text), self.assertRaises(ReadingError) as caught:
                read(text, kind)
            self.assertEqual(caught.exception.code, "sum")

    def test_a_sign_or_an_exponent_is_no_sum(self) -> None:
        self.assertAlmostEqual(read("+3 mm", "height").si, 0.003)
        self.assertAlmostEqual(read("1e+2 mm", "length").si, 0.1)

    def test_nothing_after_the_plus(self) -> None:
        with self.assertRaises(ReadingError):
            read("310 + mm", "length")
