"""Printing in a build's units, and back again."""

from gauge_well.units import KINDS, read, show, unit_for
from gauge_well.units.printing import POWERS, Preference, convert
from tests.support import NumbersCase

IMPERIAL = Preference("imperial", "hp")


class Printing(NumbersCase):
    def test_as_people_read_it(self) -> None:
        for si, kind, metric, imperial in (
            (311.15, "temperature", "38 °C", "100 °F"),
            (8.0, "temperature_difference", "8 K", "14.4 °F"),
            (160e3, "power", "160 kW", "215 hp"),
            (0.295275, "length", "295.3 mm", "11.62 in"),
            (0.06, "grade", "6 %", "6 %"),
            (0.0, "length", "0 mm", "0 in"),
            (118e-3 / 60, "flow", "118 L/min", "31.2 gal/min"),
            (2400.0, "mass", "2400 kg", "5291 lb"),
            (1800.0, "time", "30 min", "30 min"),
            (90.0, "time", "90 s", "90 s"),
            (9000.0, "time", "2.5 h", "2.5 h"),
            (14 / 0.0254, "fin_count", "14/in", "14/in"),
            (42.9e3, "heat", "42.9 kW", "42.9 kW"),
            (0.7168, "size", "717 mm", "28.2 in"),
            (0.00004, "length", "0.04 mm", "0.001575 in"),
            (9.25e-6, "displacement", "0.00925 L", "0.564 cu in"),
            (9.25e-6, "swept", "9.25 cc", "0.564 cu in"),
        ):
            with self.subTest(kind=kind, si=si):
                self.assertEqual(show(si, kind).replace("\u00a0", " "), metric)
                self.assertEqual(show(si, kind, IMPERIAL).replace("\u00a0", " "), imperial)

    def test_power_follows_its_own_choice(self) -> None:
        self.assertEqual(
            [show(735.49875e2, "power", Preference("metric", p)).split("\u00a0")[1] for p in POWERS], ["kW", "hp", "PS"]
        )
        self.assertEqual(show(735.49875e2, "power", Preference("metric", "PS")), "100\u00a0PS")

    def test_no_minus_nought_and_no_nan(self) -> None:
        self.assertEqual(show(-1e-9, "length"), "0\u00a0mm")
        self.assertTrue(show(float("nan"), "length").startswith("—"))

    def test_what_is_printed_reads_back(self) -> None:
        """To half of the last digit shown, in every kind and system."""
        for prefer in (Preference(), IMPERIAL, Preference("metric", "PS")):
            for kind in KINDS:
                if kind == "time":
                    continue
                for scale in (0.37, 4.2, 61.0):
                    unit = unit_for(kind, prefer)
                    offset = 0.0 if KINDS[kind].difference else unit.offset
                    si = scale * unit.factor + offset
                    with self.subTest(kind=kind, scale=scale, prefer=prefer):
                        back = convert(read(show(si, kind, prefer), kind, unit.id).si, kind, unit)
                        self.close(back, scale, abs=0.5 * 10.0 ** -min(KINDS[kind].decimals, 2) + 1e-9, rel=6e-3)
