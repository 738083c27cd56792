"""What the engine's rules fill in where nothing is stated: it must fit the engine it serves."""

from gauge_well.core.engine.facts import fill
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
