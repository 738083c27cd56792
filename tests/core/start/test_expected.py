"""What gauges should read, against the trade and against the relations written anew."""

import itertools
import unittest

import numpy as np

from gauge_well.core.start.expected import KIND, READS, expected
from gauge_well.core.start.setting import Setting
from gauge_well.core.typing import likely
from tests.core.start.made import bare, build, with_facts

MULE, OTTER = "quarry-mule", "reed-otter"


def by_id(case, place="machine", air=288.15):
    return {e.id: e for e in expected(case, Setting(place, air))}


class Expected(unittest.TestCase):
    def test_a_band_holds_its_likely_value_and_its_gauges_error(self) -> None:
        for name in (MULE, OTTER, "chalk-hare", "dripping-well", "salt-heron", "thistle-kite"):
            for e in by_id(build(name)).values():
                self.assertEqual(e.kind, KIND[e.id])
                if e.likely is None or e.low is None or e.high is None:
                    continue
                self.assertTrue(e.low <= e.likely <= e.high, (name, e.id))
                error, share = READS.get(e.kind, (0.0, 0.0))
                self.assertGreaterEqual(e.high - e.likely, 0.8 * (error + share * abs(e.likely)) - 1e-9, (name, e.id))
                for p in (*e.curve, *e.by_oil):
                    self.assertTrue(p.low <= p.value <= p.high, (name, e.id))

    def test_oil_is_stopped_under_ten_pounds_for_each_thousand(self) -> None:
        case = build(MULE)
        found = by_id(case)
        # common practice: 10 psi for each 1,000 rev/min; 6,894.757 Pa to the pound.
        least = 10.0 * 6894.757 * likely(case.engine.idle_speed) / 1000.0
        self.assertAlmostEqual(found["oil_warm"].least, least, delta=1.0)
        self.assertEqual(found["oil_warm"].after, 5.0)
        self.assertGreater(found["oil_cold"].likely, found["oil_warm"].likely)
        self.assertGreater(found["oil_warm"].likely, least)

    def test_oil_pressure_falls_as_the_oil_warms(self) -> None:
        for name in (MULE, OTTER):
            values = [p.value for p in by_id(build(name))["oil_warm"].by_oil]
            self.assertTrue(all(a >= b - 1e-6 for a, b in itertools.pairwise(values)), values)

    def test_a_throttled_engine_idles_in_a_deep_manifold(self) -> None:
        # common practice: 55 to 70 kPa under the air outside, warm, a mild cam.
        for name in (MULE, "thistle-kite"):
            e = by_id(build(name))["vacuum"]
            self.assertTrue(50e3 < e.likely < 75e3, (name, e.likely))
        self.assertNotIn("vacuum", by_id(build(OTTER)))  # a diesel has no throttle

    def test_a_rail_held_to_its_manifold_reads_less_by_the_vacuum(self) -> None:
        found = by_id(build(MULE))
        asked = likely(build(MULE).systems["fuel"].regulator.pressure)
        self.assertAlmostEqual(found["rail"].likely, asked - found["vacuum"].likely, delta=0.02 * asked)

    def test_volts_lie_where_a_regulator_holds_them(self) -> None:
        e = by_id(build(MULE))["volts"]
        # common practice: 13.8 to 14.6 V at the posts, stopped under 12.8 two minutes after the start.
        self.assertTrue(13.6 < e.low < e.high < 14.7)
        self.assertEqual((e.least, e.after), (12.8, 120.0))

    def test_the_coolants_curve_starts_at_the_days_air_and_ends_by_its_thermostat(self) -> None:
        case = build(MULE)
        e = by_id(case, air=278.15)["coolant"]
        self.assertAlmostEqual(e.curve[0].value, 278.15, delta=0.01)
        self.assertGreater(e.curve[-1].value, likely(case.engine.thermostat) - 1.0)
        self.assertAlmostEqual(e.most, likely(case.engine.coolant_limit) - 5.0, delta=0.01)
        warm = by_id(case, air=303.15)["opens"]
        self.assertLess(warm.likely, by_id(case, air=278.15)["opens"].likely)

    def test_a_hose_is_set_to_a_bath(self) -> None:
        e = by_id(build(MULE), "hose")["outlet"]
        # common practice: 105 to 110 degF.
        self.assertAlmostEqual((e.low - 273.15) * 1.8 + 32.0, 105.0, delta=0.2)
        self.assertAlmostEqual((e.high - 273.15) * 1.8 + 32.0, 110.0, delta=0.2)
        self.assertNotIn("coolant", by_id(build(MULE), "hose"))

    def test_a_boat_is_stopped_without_water_in_fifteen_seconds(self) -> None:
        e = by_id(build(OTTER))["water"]
        self.assertEqual(e.after, 15.0)
        self.assertTrue(0.0 < e.least < e.low < e.likely)

    def test_what_is_not_known_is_named_and_its_stop_stands(self) -> None:
        found = by_id(bare())
        self.assertEqual(found["oil_warm"].missing, ("oil.hot_pressure",))
        self.assertIsNone(found["oil_warm"].likely)
        self.assertGreater(found["oil_warm"].least, 0.0)
        self.assertIsNotNone(found["coolant"].most)
        self.assertTrue(found["coolant"].missing)

    def test_what_nobody_stated_is_named(self) -> None:
        self.assertIn("engine.thermostat", by_id(build(MULE))["coolant"].rests)
        told = with_facts(MULE, engine={"thermostat": {"text": "82 °C", "evidence": "sheet"}})
        self.assertNotIn("engine.thermostat", by_id(told)["coolant"].rests)

    def test_an_engine_too_small_for_what_is_taken_to_hang_on_it_is_given_no_vacuum(self) -> None:
        e = by_id(bare(power="4 kW", displacement="0.08 L", cylinders="1", speed="7000", mass="150 kg"))["vacuum"]
        self.assertIsNone(e.likely)
        self.assertEqual(e.missing, ("machine.electrical_load",))

    def test_cranking_volts_fall_with_a_small_battery(self) -> None:
        found = by_id(build(MULE))["crank_volts"]
        self.assertTrue(9.0 < found.likely < 12.5)
        self.assertTrue(np.isfinite(found.least))
