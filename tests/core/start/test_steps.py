"""Holds, steps, filling, running in and thresholds: of every kind of machine, and where it is started."""

import unittest

from gauge_well.core.start import filling, holds, steps, thresholds
from gauge_well.core.start.faults.cooling import COOLING
from gauge_well.core.start.setting import PLACES, Setting
from gauge_well.core.typing import likely
from gauge_well.core.work.trade import TRADE
from tests.core.start.made import bare, build, with_facts

BOAT = {
    "kind": "boat",
    "fuel": "diesel",
    "injection": "direct",
    "waterline": "9 m",
    "power": "30 kW",
    "speed": "2800",
    "mass": "5000 kg",
}
DIESEL = {"kind": "tractor", "fuel": "diesel", "injection": "indirect", "power": "25 kW", "speed": "2400"}


def ids(found):
    return [f.id for f in found]


class Holds(unittest.TestCase):
    def test_each_is_proved_somehow_and_those_of_the_work_are_its_tasks(self) -> None:
        for case in (bare(), bare(**BOAT), bare(**DIESEL), build("thistle-kite"), build("dripping-well")):
            for place in PLACES:
                found = holds.holds(case, Setting(place))
                self.assertEqual(len(set(ids(found))), len(found))
                self.assertLessEqual({"oil", "fuel", "stop", "outdoors", "extinguisher", "throttle"}, set(ids(found)))
                for hold in found:
                    self.assertTrue(hold.proof.template)
                    self.assertTrue(not hold.task or hold.task in TRADE, hold.task)

    def test_a_diesel_has_its_air_shut_off_and_a_petrol_not(self) -> None:
        self.assertIn("air_shut", ids(holds.holds(bare(**DIESEL), Setting())))
        self.assertNotIn("air_shut", ids(holds.holds(bare(), Setting())))

    def test_air_is_never_put_on_lines_that_held_fuel(self) -> None:
        own = next(h for h in holds.holds(bare(), Setting()) if h.id == "fuel")
        self.assertIn("Never air on a line or a tank that has held fuel", own.caution)
        # common practice: 20 to 50 kPa of air, five minutes.
        self.assertTrue(20e3 <= own.target <= 50e3)
        self.assertEqual(own.waits, 300.0)
        self.assertTrue(holds.comes_to(own, own.target))
        self.assertFalse(holds.comes_to(own, own.target - 2e3))

    def test_gas_is_tested_by_who_is_licensed(self) -> None:
        own = next(h for h in holds.holds(bare(fuel="lpg"), Setting()) if h.id == "fuel")
        self.assertIn("licensed", own.proof.template)
        self.assertEqual(ids(holds.holds(bare(fuel="lpg"), Setting())).count("fuel"), 1)

    def test_oil_is_proved_by_measure(self) -> None:
        case = build("quarry-mule")
        own = next(h for h in holds.holds(case, Setting()) if h.id == "oil")
        quantity = likely(case.systems["oil"].oil_quantity)
        self.assertTrue(holds.comes_to(own, quantity))
        self.assertFalse(holds.comes_to(own, 0.8 * quantity))
        self.assertFalse(holds.comes_to(own, 1.3 * quantity))
        self.assertIsNone(holds.comes_to(next(h for h in holds.holds(case, Setting()) if h.id == "stop"), 1.0))


class Steps(unittest.TestCase):
    def test_in_the_machine_and_on_the_stand(self) -> None:
        machine = ids(steps.steps(build("quarry-mule"), Setting()))
        self.assertEqual(machine, ["prime", "fuel", "first", "long", "cool", "retorque"])
        self.assertEqual(ids(steps.steps(build("salt-heron"), Setting()))[2], "glow")
        self.assertEqual(ids(steps.steps(build("quarry-mule"), Setting("dry")))[-1], "dry")

    def test_lengths_are_the_trades(self) -> None:
        found = {s.id: s for s in steps.steps(build("quarry-mule"), Setting())}
        # common practice: 15 s of cranking and a minute's rest; 15 to 20 s; 10 to 20 min.
        self.assertEqual((found["prime"].most, found["prime"].rest), (15.0, 60.0))
        self.assertEqual((found["first"].least, found["first"].most), (15.0, 20.0))
        self.assertEqual((found["long"].least, found["long"].most), (600.0, 1200.0))
        self.assertTrue(found["first"].shouts and found["long"].shouts)

    def test_a_dry_run_is_half_a_minute_at_most(self) -> None:
        for name in ("quarry-mule", "salt-heron", "dripping-well"):
            dry = steps.steps(build(name), Setting("dry"))[-1]
            # common practice: 20 to 30 s.
            self.assertLessEqual(dry.most, 30.0)
            self.assertLessEqual(dry.least, dry.most)

    def test_petrol_sprays_from_open_holes(self) -> None:
        case = bare()
        prime = steps.steps(case, Setting())[0]
        self.assertTrue("ignition off" in prime.caution.lower())
        self.assertIn("Stop held", steps.steps(bare(**DIESEL), Setting())[0].caution)

    def test_gas_has_no_primer(self) -> None:
        fuel = steps.steps(bare(fuel="lpg"), Setting())[1]
        self.assertEqual(fuel.label, "Gas to the engine")


class Filling(unittest.TestCase):
    def test_the_mix_is_the_volume(self) -> None:
        case = build("salt-heron")
        found = filling.filling(case, Setting(), lambda: COOLING.foretell(case, 288.15))
        mix = next(p for p in found.steps if p.id == "mix").do.values
        self.assertAlmostEqual(mix["mix"][0] + mix["water"][0], mix["all"][0], places=12)
        self.assertAlmostEqual(mix["mix"][0] / mix["all"][0], likely(case.systems["cooling"].glycol), places=12)

    def test_air_is_let_out_where_this_run_has_humps(self) -> None:
        heights = {"engine_outlet_height": "900 mm", "core_inlet_height": "700 mm", "high_points": [["950 mm", "0"]]}
        case = with_facts("chalk-hare", cooling=heights | {"steam_line": "no"})
        found = filling.filling(case, Setting(), lambda: COOLING.foretell(case, 288.15))
        said = next(p for p in found.steps if p.id == "slow").do
        self.assertEqual(said.values["names"], "hump 1")
        plain = filling.filling(bare(), Setting(), lambda: COOLING.foretell(bare(), 288.15))
        self.assertIn("lowest bleed", next(p for p in plain.steps if p.id == "slow").do.template)

    def test_air_in_it_is_hotter_under_load(self) -> None:
        case = build("salt-heron")
        found = filling.filling(case, Setting(), lambda: COOLING.foretell(case, 288.15)).airlock
        self.assertGreater(found.loaded_air, found.loaded + 3.0)

    def test_without_a_core_it_names_it(self) -> None:
        case = bare()
        found = filling.filling(case, Setting(), lambda: COOLING.foretell(case, 288.15))
        self.assertIsNone(found.airlock)
        self.assertEqual(found.missing, ("cooling.core.width",))


class Thresholds(unittest.TestCase):
    def test_alarms_come_before_cuts(self) -> None:
        for name in ("quarry-mule", "salt-heron", "dripping-well", "chalk-hare", "thistle-kite"):
            for t in thresholds.thresholds(build(name), Setting()):
                if t.cut is not None:
                    self.assertTrue(t.alarm > t.cut if t.under else t.alarm < t.cut, (name, t.id))

    def test_the_oils_table_is_ten_pounds_a_thousand(self) -> None:
        rows = [
            t for t in thresholds.thresholds(build("quarry-mule"), Setting()) if t.id.startswith("oil_") and t.under
        ]
        for t in rows:
            self.assertAlmostEqual(t.alarm / 6894.757 / (t.above_speed / 1000.0), 10.0, delta=0.1)
        self.assertEqual(sorted(t.above_speed for t in rows), [t.above_speed for t in rows])

    def test_a_wet_exhaust_has_its_alarm(self) -> None:
        found = {t.id: t for t in thresholds.thresholds(build("salt-heron"), Setting())}
        # common practice: 65 to 75 degC.
        self.assertTrue(338.0 <= found["hose"].alarm <= 348.5)

    def test_mapping_only_where_there_is_something_to_map(self) -> None:
        self.assertIn("map", ids(thresholds.run_in(build("quarry-mule")).stretches))
        self.assertNotIn("map", ids(thresholds.run_in(build("salt-heron")).stretches))
        self.assertNotIn("rollers", ids(thresholds.run_in(build("salt-heron")).stretches))
