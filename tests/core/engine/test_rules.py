"""What the engine's rules fill in where nothing is stated: it must fit the engine it serves."""

from gauge_well.core.engine.facts import fill
from gauge_well.core.systems.oil.rules import fill as oil_rules
from gauge_well.services.sizing import size_document
from tests.support import ROAD, NumbersCase, changed


class Cylinders(NumbersCase):
    # Fuel, size [L], what such an engine has (common practice).
    USUAL = (
        ("petrol", 0.2, 1),
        ("petrol", 0.6, 2),
        ("petrol", 1.0, 3),
        ("petrol", 1.4, 4),
        ("petrol", 2.0, 4),
        ("petrol", 3.0, 6),
        ("petrol", 5.0, 8),
        ("petrol", 6.2, 8),
        ("diesel", 0.5, 1),
        ("diesel", 0.9, 2),
        ("diesel", 1.3, 3),
        ("diesel", 2.2, 4),
        ("diesel", 4.0, 4),
        ("diesel", 9.0, 6),
        ("diesel", 16.0, 8),
        ("diesel", 30.0, 12),
    )

    def test_by_size_and_fuel(self) -> None:
        for fuel, litres, count in self.USUAL:
            rule = fill({"fuel": fuel, "displacement": litres * 1e-3}, {})["cylinders"]
            self.assertEqual(rule.value, count, f"{fuel}, {litres} L")
            self.assertIn("L", rule.note)

    def test_what_is_stated_stands(self) -> None:
        self.assertNotIn("cylinders", fill({"fuel": "petrol", "displacement": 5e-3, "cylinders": 4.0}, {}))

    def test_an_injector_for_each(self) -> None:
        """A large engine's fuel is shared by eight, not by four twice as big."""
        raw = changed(ROAD, engine__displacement="5.0 L", engine__rated_power="200 kW", engine__rated_speed="5000 rpm")
        needs = size_document(raw)["systems"]["fuel"]["need"]
        said = next(n["sentence"] for n in needs if n["part"] == "injectors")
        self.assertTrue(said.startswith("8 injectors"), said)


class Oil(NumbersCase):
    # Fuel, size [L], rated [rev/min], oil in such an engine and its pickup's bore (common practice).
    USUAL = (
        ("petrol", 0.35, 4500.0, (1.2, 2.2), (7.0, 13.0)),
        ("petrol", 1.4, 6000.0, (3.0, 4.5), (12.0, 20.0)),
        ("petrol", 2.0, 6200.0, (3.8, 5.5), (14.0, 22.0)),
        ("petrol", 6.2, 5900.0, (6.5, 9.5), (20.0, 30.0)),
        ("diesel", 0.5, 2200.0, (1.4, 2.4), (7.0, 13.0)),
        ("diesel", 2.2, 3800.0, (5.5, 8.0), (16.0, 24.0)),
        ("diesel", 9.0, 1900.0, (18.0, 30.0), (18.0, 32.0)),
    )

    def test_fits_the_engine(self) -> None:
        for fuel, litres, rated, oil, bore in self.USUAL:
            engine = {"fuel": fuel, "displacement": litres * 1e-3, "rated_speed": rated}
            rules = oil_rules({}, {"engine": engine})
            self.between(rules["oil_quantity"].value * 1e3, *oil, f"{fuel} {litres} L")
            self.between(rules["pickup.bore"].value * 1e3, *bore, f"{fuel} {litres} L")
            # Enough for 10 psi each 1000 rpm, at any speed an engine is rated at.
            self.assertGreater(rules["pump.relief"].value, 68.9 * rated)
            self.assertLess(rules["oil_up"].value, 0.25 * rules["oil_quantity"].value)

    def test_no_plain_v8_is_condemned_by_its_pickup(self) -> None:
        for power, speed, size in (("280 kW", "5900 rpm", "6.2 L"), ("500 kW", "7200 rpm", "5.0 L")):
            raw = changed(ROAD, engine__rated_power=power, engine__rated_speed=speed, engine__displacement=size)
            raw["oil"] = {}
            for check in size_document(raw)["systems"]["oil"]["checks"]:
                if check["id"] == "oil_suction":
                    self.assertLess(check["fill"], 0.7)
