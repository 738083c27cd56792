"""Priming by hand: volumes over what a pump moves."""

import math
import unittest

from gauge_well.core.errors import MissingFact
from gauge_well.core.start import priming
from gauge_well.core.typing import likely
from tests.core.start.made import bare, build, with_facts

AIR = 288.15


class Priming(unittest.TestCase):
    def test_oil_fills_the_suction_at_half_and_the_galleries_at_most_of_its_flow(self) -> None:
        case = build("quarry-mule")
        facts = case.systems["oil"]
        found = priming.oil(case, AIR)
        moves = likely(facts.pump.displacement) * found.speed / 60.0 * likely(facts.pump.worn or 1.0)
        suction = math.pi / 4.0 * likely(facts.pickup.bore) ** 2 * likely(facts.pickup.length)
        dry = found.to_fill - suction
        self.assertAlmostEqual(found.seconds, suction / (0.5 * moves) + dry / (0.85 * moves), places=9)
        self.assertAlmostEqual(found.turns, found.seconds * found.speed / 60.0, places=9)
        self.assertEqual(found.tries, math.ceil(found.seconds / 15.0))
        self.assertGreaterEqual(found.most_tries, max(3, found.tries))

    def test_a_slow_crank_is_given_more_goes_than_it_needs(self) -> None:
        slow = priming.oil(with_facts("quarry-mule", oil={"crank_speed": "60 rpm"}), AIR)
        self.assertGreater(slow.tries, 3)
        self.assertEqual(slow.most_tries, slow.tries + 1)

    def test_fuel_by_an_electric_pump(self) -> None:
        case = build("quarry-mule")
        facts = case.systems["fuel"]
        found = priming.fuel(case, AIR)
        pipes = sum(
            math.pi / 4.0 * likely(line.bore) ** 2 * likely(line.length) for line in (facts.line, facts.suction)
        )
        self.assertAlmostEqual(found.to_fill, pipes + 0.25e-3, places=9)
        self.assertIsNone(found.strokes)
        self.assertEqual(found.keys, max(round(found.seconds / 2.0), 1))
        # An electric pump of a road engine moves a litre or two a minute: the lines are full in seconds, not minutes.
        self.assertTrue(3.0 < found.seconds < 60.0, found.seconds)

    def test_fuel_by_hand_counts_strokes_of_six_cubic_centimetres(self) -> None:
        found = priming.fuel(build("salt-heron"), AIR)
        self.assertEqual(found.strokes, round(found.to_fill / 6e-6))
        self.assertIsNone(found.seconds)

    def test_what_is_missing_is_named(self) -> None:
        with self.assertRaises(MissingFact) as told:
            priming.fuel(bare(), AIR)
        self.assertTrue(told.exception.field.startswith("fuel."))
