"""Factors against their definitions and a general units library."""

import pint

from gauge_well.units import KINDS, UNITS
from gauge_well.units.table import spellings_of
from tests.support import NumbersCase, table

DEFINED = ("in", "ft", "mi", "lb", "psi", "gal", "impgal", "hp", "PS", "lbft", "kn", "cfm")
# Our id -> the library's expression, to its base unit.
LIBRARY = {
    "mm": "mm",
    "cm": "cm",
    "m": "m",
    "km": "km",
    "in": "inch",
    "ft": "foot",
    "mi": "mile",
    "thou": "thou",
    "imppint": "imperial_pint",
    "longton": "long_ton",
    "shortton": "short_ton",
    "daNm": "daN*m",
    "kg/cm2": "kilogram_force/cm**2",
    "mmH2O": "kilogram_force/m**2",
    "mm2": "mm**2",
    "cm2": "cm**2",
    "in2": "inch**2",
    "ft2": "foot**2",
    "cc": "cm**3",
    "L": "liter",
    "cuin": "inch**3",
    "gal": "gallon",
    "impgal": "imperial_gallon",
    "qt": "quart",
    "pint": "pint",
    "g": "gram",
    "t": "metric_ton",
    "lb": "pound",
    "cwt": "long_hundredweight",
    "kW": "kW",
    "hp": "horsepower",
    "PS": "metric_horsepower",
    "Nm": "N*m",
    "lbft": "force_pound*foot",
    "kgm": "kilogram_force*meter",
    "kPa": "kPa",
    "MPa": "MPa",
    "mbar": "mbar",
    "bar": "bar",
    "psi": "psi",
    "atm": "atm",
    "inHg": "inch_Hg",
    "inH2O": "inch_H2O",
    "L/min": "liter/min",
    "L/h": "liter/hour",
    "cc/min": "cm**3/min",
    "m3/h": "m**3/hour",
    "gal/min": "gallon/min",
    "gal/h": "gallon/hour",
    "impgal/min": "imperial_gallon/min",
    "cfm": "foot**3/min",
    "g/s": "g/s",
    "kg/h": "kg/hour",
    "lb/h": "pound/hour",
    "lb/min": "pound/min",
    "km/h": "km/hour",
    "mph": "mile/hour",
    "kn": "knot",
    "ft/s": "foot/s",
    "g/kWh": "g/(kW*hour)",
    "lb/hph": "pound/(horsepower*hour)",
    "/in": "1/inch",
    "/cm": "1/cm",
    "deg": "degree",
    "min": "min",
    "h": "hour",
    "ms": "ms",
    "g0": "standard_gravity",
}


class Factors(NumbersCase):
    def test_definitions(self) -> None:
        for row, id in zip(table("units_by_definition.csv"), DEFINED, strict=True):
            self.close(UNITS[id].factor, row["si"], rel=1e-10, note=id)

    def test_against_the_library(self) -> None:
        """1e-6; columns of water and mercury are the conventional ones."""
        registry = pint.UnitRegistry()
        for id, expression in LIBRARY.items():
            quantity = registry.Quantity(1.0, expression).to_base_units()
            factor = quantity.magnitude
            if UNITS[id].dimension in ("mass", "mass_flow", "torque", "bsfc"):
                factor = (
                    registry.Quantity(1.0, expression)
                    .to({"mass": "kg", "mass_flow": "kg/s", "torque": "N*m", "bsfc": "kg/J"}[UNITS[id].dimension])
                    .magnitude
                )
            self.close(UNITS[id].factor, factor, rel=1e-6, note=id)

    def test_temperature_scales(self) -> None:
        """Water freezes at 32 and boils at 212 degF; -40 is the same on both."""
        for celsius, fahrenheit in ((0.0, 32.0), (100.0, 212.0), (-40.0, -40.0)):
            c, f = UNITS["C"], UNITS["F"]
            self.close(celsius * c.factor + c.offset, fahrenheit * f.factor + f.offset, abs=1e-9)

    def test_both_horsepowers_and_both_gallons_stay_apart(self) -> None:
        self.close(UNITS["hp"].factor / UNITS["PS"].factor, 1.01387, rel=1e-5)
        self.close(UNITS["impgal"].factor / UNITS["gal"].factor, 1.20095, rel=1e-5)


class Vocabulary(NumbersCase):
    def test_every_kind_has_its_units(self) -> None:
        for kind in KINDS.values():
            for unit in (kind.metric, kind.imperial):
                self.assertEqual(UNITS[unit].dimension, kind.dimension, kind.id)

    def test_no_spelling_means_two_things(self) -> None:
        for dimension in {u.dimension for u in UNITS.values()}:
            seen: dict[str, str] = {}
            for unit in UNITS.values():
                if unit.dimension != dimension:
                    continue
                for spelling in {s.lower() for s in unit.spellings}:
                    self.assertNotIn(spelling, seen, f"{spelling} of {dimension}")
                    seen[spelling] = unit.id
            self.assertEqual(set(spellings_of(dimension)), set(seen))
