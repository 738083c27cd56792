"""Fuel: demand, pump and injector arithmetic by hand, suction, idle, needs, edges."""

import numpy as np

from gauge_well.core.errors import CoreError
from gauge_well.core.facts import entries
from gauge_well.core.media import fuels
from gauge_well.core.systems.base import Candidate
from gauge_well.core.systems.fuel import injectors as inj
from gauge_well.core.systems.fuel import need, remedies
from gauge_well.core.systems.fuel.circuit import burned, demand
from gauge_well.core.systems.fuel.network import network_of
from gauge_well.core.systems.fuel.pump import PumpCurve, curve_of, pump_of
from gauge_well.core.typing import likely
from gauge_well.sheet import SheetError
from tests.core.systems.fuel.builds import DIESEL, FIVE, POT, circuit, with_fuel
from tests.support import ROAD, NumbersCase, changed, check_of, context_of, facts_of, report, row_of


class Injectors(NumbersCase):
    def duty(self, **paths: object) -> float:
        return float(check_of(report(changed(FIVE, **paths)), "fuel", "injector_duty", "pull")["demand"])

    def test_worked_example(self) -> None:
        """68 kg/h is 304 cc/min for each of five: 55 % of the cycle, 60 % with 1 ms at 6000 (common practice)."""
        self.close(self.duty(fuel__injectors__dead_time="0 ms"), 304.3 / 550.0, rel=2e-3)
        self.close(self.duty(fuel__injectors__dead_time="1 ms"), 304.3 / 550.0 + 0.05, rel=2e-3)

    def test_flow_goes_with_the_root_of_pressure(self) -> None:
        """4 bar in place of 3: sqrt(4/3) times the flow, by hand."""
        self.close(
            self.duty(fuel__injectors__dead_time="0", fuel__regulator__pressure="4 bar") * np.sqrt(4 / 3),
            self.duty(fuel__injectors__dead_time="0"),
            rel=1e-6,
        )

    def test_fixed_rail_loses_flow_under_boost(self) -> None:
        """0.8 bar of boost leaves 2.2 of 3 bar."""
        fixed = self.duty(fuel__injectors__dead_time="0", fuel__regulator__reference="atmosphere")
        self.close(fixed / self.duty(fuel__injectors__dead_time="0"), np.sqrt(3.0 / 2.2), rel=1e-6)
        notes = report(changed(FIVE, fuel__regulator__reference="atmosphere"))["systems"]["fuel"]["notices"]
        self.assertIn("fixed_rail", {n["code"] for n in notes})

    def test_rail_below_the_manifold(self) -> None:
        raw = changed(FIVE, fuel__regulator__reference="atmosphere", fuel__regulator__pressure="0.5 bar")
        found = check_of(report(raw), "fuel", "injector_duty", "pull")
        self.close(found["fill"], 9.99)
        self.assertIn("no fuel", found["sentence"])

    def test_ceiling_schools(self) -> None:
        fills = [
            check_of(report(changed(FIVE, fuel__ceiling=c)), "fuel", "injector_duty", "pull")["fill"]
            for c in ("80", "85", "90")
        ]
        self.close(np.array(fills) * [0.80, 0.85, 0.90], [self.duty()] * 3, rel=1e-9)

    def test_dead_headed_rail_gives_up_the_line(self) -> None:
        context, c = circuit(changed(FIVE, fuel__regulator__place="dead_headed", fuel__line__bore="5 mm"))
        found = inj.injectors(context, c, context.peak)
        taken = demand(context.peak, c)
        # The filter stands ahead of a regulator at the tank.
        self.close(found.pressure, 3e5 - (c.line_drop(taken) - c.filter_drop(taken)), rel=1e-9)

    def test_dead_time_by_volts(self) -> None:
        """1 ms at 13.5 V is near 1.25 at 12 and 1.7 at 10 V (common practice, within 5 %); a table stands as it is."""
        _, c = circuit(FIVE)
        times = [likely(inj.dead_time(c, v)) * 1e3 for v in (13.5, 12.0, 10.0)]
        self.close(times, [1.0, 1.25, 1.7], rel=0.05)
        _, given = circuit(with_fuel(FIVE, injectors__dead_table="14 V, 0.9 ms\n12 V, 1.3 ms\n8 V, 2.9 ms"))
        self.close(
            [likely(inj.dead_time(given, v)) * 1e3 for v in (14, 13, 12, 10, 8)], [0.9, 1.1, 1.3, 2.1, 2.9], rel=1e-9
        )

    def test_batch_fire_pays_its_dead_time_twice(self) -> None:
        """Opened at every turn: 5 % of a cycle at 6000 with 1 ms becomes 10 (arithmetic)."""
        duties = [self.duty(fuel__injector_firing=way) for way in ("once", "twice")]
        self.close(duties[1] - duties[0], 0.05, rel=2e-3)

    def test_throttle_body_opens_at_every_intake(self) -> None:
        """Two injectors for a V8: each opens for four intakes a cycle; 1 ms at 5000 is 4.17 %, four times that."""
        raw = changed(FIVE, engine__cylinders="8", engine__rated_speed="5000 rpm", fuel__injectors__count="2")
        raw = with_fuel(raw, injector_firing="throttle", injectors__flow="1500 cc/min")
        context, c = circuit(raw)
        self.close(inj.openings(context, c), 4.0)
        self.close(inj.injectors(context, c, context.peak).dead_share[0, 2, 0], 4 * 1e-3 * 5000 / 120, rel=1e-6)

    def test_a_second_set_adds_its_flow(self) -> None:
        both = self.duty(fuel__staged__flow="550 cc/min", fuel__injectors__dead_time="0")
        self.close(both, self.duty(fuel__injectors__dead_time="0") / 2, rel=1e-9)

    def test_idle_pulse_by_hand(self) -> None:
        """Fuel an idling cycle, over cylinders and injector flow: 0.9 to 1.1 kg/h of a 2.5 L four (common practice)
        at 380 cc/min is 2.2 ms at 800 rpm; four times the injector leaves a quarter and hunts."""
        context, c = circuit(with_fuel(ROAD, regulator__reference="manifold"))
        found = inj.idle_pulse(context, c)
        idle = c.idle
        by_hand = burned(idle, c.fuel) / (idle.speed / 120) / 4 / (380 / 6e7)
        self.close(found.open, by_hand, rel=1e-9)
        self.between(likely(idle.fuel_mass_flow) * 3600, 0.8, 1.3)
        big = check_of(report(with_fuel(ROAD, injectors__flow="1520 cc/min")), "fuel", "idle_pulse")
        self.assertGreater(big["fill"], 1.0)
        self.assertIn("Too big to idle", big["sentence"])
        self.assertEqual(big["class"], "cost")

    def test_the_largest_that_idles_just_idles(self) -> None:
        context, c = circuit(FIVE)
        largest = float(np.min(inj.idle_pulse(context, c).largest))
        raw = with_fuel(FIVE, injectors__flow=f"{largest * 6e7:.6f} cc/min")
        self.close(check_of(report(raw), "fuel", "idle_pulse")["fill"], 1.0, rel=1e-6)

    def test_others_are_not_judged(self) -> None:
        for way in ("direct", "carburettor"):
            found = report(changed(ROAD, fuel__injection=way, fuel__regulator__pressure=None))
            self.assertNotIn("injector_duty", {c["id"] for c in found["systems"]["fuel"]["checks"]})
            self.assertIn("injectors_not_judged", {n["code"] for n in found["systems"]["fuel"]["notices"]})


class Demand(NumbersCase):
    def test_power_times_consumption(self) -> None:
        found = report(FIVE)["systems"]["fuel"]["figures"]["pull"]
        self.close(found["fuel_mass_flow_kg_s"], 200.0 * 0.340 / 3600, rel=1e-6)
        self.close(found["fuel_volume_flow_m3_s"], 200.0 * 0.340 / 3600 / 745.0, rel=1e-6)

    def test_mechanical_diesel_pumps_what_it_spills(self) -> None:
        """Burning 45 % of what is lifted: demand is flow over 0.45."""
        context, c = circuit(DIESEL)
        self.close(demand(context.peak, c), burned(context.peak, c.fuel) / 0.45, rel=1e-12)

    def test_burned_share_by_pump(self) -> None:
        """A ratio by kind of injection pump between 0.2 and 0.9 (common practice)."""
        shares = [
            facts_of(with_fuel(DIESEL, injection_pump=kind, burned_share=None), "fuel").burned_share
            for kind in ("inline", "rotary", "single", "unit")
        ]
        self.between(shares, 0.2, 0.9)
        self.assertEqual(len(set(shares)), 4)


class Pump(NumbersCase):
    CURVE = PumpCurve(np.array([2e5, 3e5, 5e5]), np.array([70e-6, 60e-6, 30e-6]), False)

    def test_table(self) -> None:
        p = np.array([2e5, 2.5e5, 4e5, 5e5, 6e5, 9e5])
        self.close(self.CURVE.flow_at(p, 1.0) * 1e6, [70, 65, 45, 30, 15, 0], abs=1e-9)

    def test_voltage(self) -> None:
        """Q(p, V) = r q(p/r): at 12 of 13.5 V and 2.667 bar, 0.889 of the flow at 3 bar; by hand."""
        r = 12.0 / 13.5
        self.close(self.CURVE.flow_at(3e5 * r, r), r * 60e-6, rel=1e-12)

    def test_inverse(self) -> None:
        q = np.array([5e-6, 30e-6, 45e-6, 66e-6, 71e-6])
        for r in (0.8, 1.0, 1.1):
            self.close(self.CURVE.flow_at(self.CURVE.pressure_at(q, r), r), q, rel=1e-12)

    def test_side_by_side(self) -> None:
        one, two = (
            curve_of(facts_of(changed(ROAD, fuel__main__count=str(n)), "fuel").main, "fuel.main") for n in (1, 2)
        )
        self.close(two.flow, 2 * one.flow, rel=1e-12)

    def test_one_point_says_so(self) -> None:
        raw = changed(ROAD, fuel__main__flow_2=None, fuel__main__pressure_2=None)
        self.assertIn("pump_one_point", {n["code"] for n in report(raw)["systems"]["fuel"]["notices"]})

    def test_of_one_point_no_more_is_counted(self) -> None:
        """What a pump gives at less pressure than the figure on it nobody stated: at most a thousandth more."""
        raw = changed(ROAD, fuel__main__flow="120 L/h", fuel__main__pressure="4 bar")
        curve = curve_of(
            facts_of(changed(raw, fuel__main__flow_2=None, fuel__main__pressure_2=None), "fuel").main, "fuel.main"
        )
        self.close(curve.flow_at(4e5, 1.0), 120 / 3.6e6, rel=1e-9)
        self.close(curve.flow_at(2e5, 1.0), 120 / 3.6e6, rel=2e-3)
        self.assertLess(float(curve.flow_at(5e5, 1.0)), 0.9 * 120 / 3.6e6)

    def test_wire_costs_volts(self) -> None:
        """5 m there and back at 10 A: copper of 14 AWG has 8.29 ohm a km at 20 degC (handbook table), warm at 60 degC
        0.39 % more each kelvin and 3 % for joints: 0.989 V; 2.5 mm2 0.83 V; at the rated pressure."""
        warm = changed(ROAD, fuel__main__current="10 A", fuel__fuel_temperature="40 C")
        thin = pump_of(facts_of(changed(warm, fuel__wire__area="14 AWG"), "fuel"))
        self.close(13.8 - thin.motor.volts(3e5), 10 * 2 * 5 * 8.29e-3 * (1 + 40 * 3.93e-3) * 1.03, rel=2e-3)
        pump = pump_of(facts_of(warm, "fuel"))
        self.close(pump.motor.volts(3e5), 13.8 - 0.822, abs=2e-3)
        self.close(pump.motor.amps(3e5), 10.0, rel=1e-12)
        self.close(pump.motor.amps(0.0), 5.0, rel=1e-12)

    def test_relief(self) -> None:
        """All below its setting, half at 5 % over, nothing from 10 % over (common practice)."""
        pump = pump_of(facts_of(with_fuel(ROAD, main__relief="4 bar"), "fuel"))
        free = pump_of(facts_of(ROAD, "fuel"))
        self.close(pump.flow(3.9e5), free.flow(3.9e5), rel=1e-12)
        self.close(pump.flow(4.2e5), 0.5 * free.flow(4.2e5), rel=1e-9)
        self.close(pump.flow(4.41e5), 0.0)
        notes = report(with_fuel(ROAD, main__relief="3 bar"))["systems"]["fuel"]["notices"]
        self.assertIn("relief_opens", {n["code"] for n in notes})

    def test_wear(self) -> None:
        worn, new = (
            check_of(report(with_fuel(FIVE, main__wear=w)), "fuel", "pump_flow", "pull")["capacity"]
            for w in ("25 %", None)
        )
        self.between(worn / new, 0.74, 0.77)

    def test_catch_test_finds_the_wear(self) -> None:
        """0.5 L in 20 s is 90 L/h; at 3 bar and 13.5 V the table has 120: it gives three quarters."""
        raw = with_fuel(
            ROAD,
            main__catch_volume="0.5 L",
            main__catch_time="20 s",
            main__catch_pressure="3 bar",
            main__catch_voltage="13.5 V",
        )
        self.close(pump_of(facts_of(raw, "fuel")).health, 0.75, rel=1e-9)
        # At 12 V the table's own flow is r q(p / r): r = 0.889, 3.375 bar, 114.4 L/h, times r 101.7.
        low = pump_of(facts_of(with_fuel(raw, main__catch_voltage="12 V"), "fuel"))
        self.close(low.health, 90.0 / (12 / 13.5 * (120 - 30 * 0.375 / 2)), rel=1e-6)

    def test_one_of_two_runs_below_its_stage(self) -> None:
        """Two pumps, the second from half load: at cruise one runs on half the amps; full load has both."""
        raw = with_fuel(FIVE, main__count="2", pump_staging="demand", stage_load="50 %", main__current="6 A")
        context, c = circuit(raw)
        point = network_of(context, c).at(context.peak)
        self.between(point.amps[0, 0, 0], 5.0, 8.0)
        self.between(point.amps[0, 2, 0], 11.0, 16.0)
        gate = check_of(report(raw), "fuel", "stage_flow")
        # 45.6 of 91.3 L/h with a fifth in reserve on one pump of some 113 L/h against 3.2 bar.
        self.close(gate["demand"], 0.5 * 1.2 * 200.0 * 0.340 / 3600 / 745.0, rel=1e-6)
        self.between(gate["capacity"] * 3.6e6, 100.0, 125.0)

    def test_cannot_reach_the_rail(self) -> None:
        raw = changed(
            ROAD,
            fuel__main__flow="80 L/h",
            fuel__main__pressure="0.3 bar",
            fuel__main__flow_2="20 L/h",
            fuel__main__pressure_2="0.6 bar",
        )
        found = check_of(report(raw), "fuel", "pump_flow", "pull")
        self.close([found["capacity"], found["fill"]], [0.0, 9.99])
        self.assertIn("cannot reach", found["sentence"])

    def test_reserve_schools(self) -> None:
        demands = [
            check_of(report(changed(ROAD, fuel__reserve=r)), "fuel", "pump_flow", "pull")["demand"]
            for r in ("10", "20", "30")
        ]
        self.close(np.array(demands) / demands[1] * 1.2, [1.1, 1.2, 1.3], rel=1e-9)

    def test_tables_that_rise_are_refused(self) -> None:
        cases = {
            "fuel.main.table": {"fuel__main__table": "3 bar, 100 L/h\n4 bar, 120 L/h"},
            "fuel.main.flow_2": {"fuel__main__flow_2": "200 L/h"},
        }
        for field, paths in cases.items():
            with self.assertRaises(SheetError) as caught:
                report(changed(ROAD, **paths))
            self.assertEqual(caught.exception.problems[0].field, field)
        with self.assertRaises(SheetError):
            report(changed(ROAD, fuel__main__table="3 bar, 100 L/h"))

    def test_missing_pump_is_unknown_with_a_need(self) -> None:
        found = report(changed(ROAD, fuel={"injectors.flow": "380 cc/min"}))
        block = found["systems"]["fuel"]
        self.assertEqual(block["unknown"][0]["missing"], ["fuel.main.flow", "fuel.main.pressure"])
        self.assertEqual(row_of(found, "pump", "power")["reach_code"], "unknown")
        self.assertIn("injector_duty", {c["id"] for c in block["checks"]})


class Suction(NumbersCase):
    def test_head_by_hand(self) -> None:
        """0.5 m of lift costs 745 x 9.80665 x 0.5 = 3.65 kPa of petrol."""
        _, low = circuit(changed(ROAD, fuel__suction_lift="0"))
        _, high = circuit(changed(ROAD, fuel__suction_lift="0.5 m"))
        self.close(high.suction_drop(2e-5) - low.suction_drop(2e-5), 3653.0, rel=1e-3)

    def test_hot_petrol_cannot_be_sucked(self) -> None:
        """Petrol at 60 degC stands over atmospheric pressure: no capacity at all."""
        found = check_of(report(changed(ROAD, fuel__fuel_temperature="60 C")), "fuel", "suction", "pull")
        self.assertEqual((found["fill"], found["fill_code"]), (9.99, "cannot_suck"))

    def test_summer_grade_where_days_are_hot(self) -> None:
        """E10 of 65 kPa is sold near 55 where days pass 30 degC (common practice); one's own figure rules."""
        hot, mild = (
            changed(ROAD, engine__fuel="petrol_e10", duties=[{"id": "p", "kind": "pull", "ambient": t}])
            for t in ("35 C", "20 C")
        )
        self.close([facts_of(r, "fuel").reid_pressure for r in (hot, mild)], [55.25e3, 65e3], rel=1e-9)
        self.close(facts_of(changed(hot, fuel__reid_pressure="70 kPa"), "fuel").reid_pressure, 70e3)
        self.assertIsNone(
            facts_of(changed(ROAD, engine__fuel="diesel", engine__rated_power="60 kW", fuel={}), "fuel").reid_pressure
        )

    def test_altitude_leaves_less(self) -> None:
        high = changed(ROAD, duties=[{"id": "pull", "kind": "pull", "ambient": "35 C", "altitude": "2500 m"}])
        found = [check_of(report(r), "fuel", "suction", "pull")["capacity"] for r in (ROAD, high)]
        self.assertLess(found[1], found[0])

    def test_margin_is_vapour_pressure_and_ten_kilopascal(self) -> None:
        """Ten more where the pump draws; none where it lies in the fuel and a bubble rises from it."""
        for place, more in (("tank", 0.0), ("outside", 10e3)):
            raw = changed(ROAD, fuel__pump_place=place)
            found = check_of(report(raw), "fuel", "suction", "pull")
            _, c = circuit(raw)
            least = fuels.vapour_pressure(c.fuel, c.temperature, 0.85 * 60e3) + more
            self.close(found["capacity"], 101325.0 - likely(least), rel=1e-9)


class Needs(NumbersCase):
    def test_the_needed_injector_just_serves(self) -> None:
        context, c = circuit(FIVE)
        size = {n.quantity: likely(n.value) for n in need.needs(context, c)}["injector_flow"]
        raw = changed(FIVE, fuel__injectors__flow=f"{size * 6e7:.6f} cc/min")
        self.close(row_of(report(raw), "injectors", "power")["fill"], 1.0, abs=1e-4)

    def test_the_needed_pump_just_serves(self) -> None:
        """A pump that gives the needed flow at the needed pressure; 3 %, since a returned rail takes it all."""
        context, c = circuit(FIVE)
        found = {n.quantity: n for n in need.needs(context, c)}["pump_flow"]
        pressure = float(found.sentence.values["p"][0])
        raw = changed(
            FIVE,
            fuel__main__flow=f"{likely(found.value) * 3.6e6:.5f} L/h",
            fuel__main__pressure=f"{pressure / 1e5:.5f} bar",
            fuel__main__flow_2=f"{likely(found.value) * 0.6 * 3.6e6:.5f} L/h",
            fuel__main__pressure_2=f"{pressure * 1.8 / 1e5:.5f} bar",
            fuel__main__voltage="13.3 V",
            fuel__wire__area="50 mm2",
            fuel__supply_voltage="13.3 V",
        )
        self.close(row_of(report(raw), "pump", "power")["fill"], 1.0, abs=0.03)

    def test_bores_by_velocity(self) -> None:
        """The next sold over 2 m/s: 5 mm for the five's 25 mL/s (by hand 4.01), 8 mm for 500 kW (6.35)."""
        for raw, bore in (
            (FIVE, 5e-3),
            (changed(FIVE, engine__rated_power="500 kW", engine__displacement="5 L"), 8e-3),
        ):
            context, c = circuit(raw)
            self.close({n.quantity: likely(n.value) for n in need.needs(context, c)}["line_bore"], bore, rel=1e-9)

    def test_nothing_asked_for_that_nobody_sells(self) -> None:
        """From 6 kW to 500: bores and vents of 4 mm and more."""
        small = {"rated_power": "6 kW", "displacement": "0.35 L", "rated_speed": "3600 rpm"}
        for engine in (small, {"rated_power": "500 kW", "displacement": "5 L"}):
            raw = changed(ROAD, **{f"engine__{k}": v for k, v in engine.items()})
            context, c = circuit(with_fuel(raw, pump_place="outside"))
            found = {n.quantity: likely(n.value) for n in need.needs(context, c)}
            for name in ("line_bore", "suction_bore", "vent_bore"):
                self.between(found[name], 4e-3, 25e-3, name)


class ByRule(NumbersCase):
    def ruled(self, **paths: object) -> dict:
        return {name: value for name, _, value in entries(facts_of(changed(ROAD, **paths, fuel={}), "fuel"))}

    def test_the_way_in_by_engine_and_machine(self) -> None:
        """Common practice: a van's turbo diesel is common rail fed at 3 to 5 bar from its tank; small and working
        diesels mechanical, fed as their own injection pump wants; petrol port injection."""
        van = {"machine__kind": "van", "engine__fuel": "diesel", "engine__aspiration": "turbo"}
        small = {"engine__rated_power": "17 kW", "engine__rated_speed": "3400 rpm", "engine__displacement": "0.9 L"}
        working = {"engine__rated_power": "55 kW", "engine__rated_speed": "2300 rpm", "engine__displacement": "4.5 L"}
        natural = {"engine__fuel": "diesel", "engine__aspiration": "natural"}
        for paths, way, pump, pressure in (
            (van | {"engine__rated_power": "110 kW", "engine__rated_speed": "3800 rpm"}, "common_rail", None, 400e3),
            (van | {"engine__rated_power": "80 kW", "engine__rated_speed": "3800 rpm", "engine__era": "old"},
             "mechanical", "rotary", 20e3),
            (natural | small, "mechanical", "single", 10e3),
            (natural | working, "mechanical", "inline", 35e3),
            ({}, "port", None, 300e3),
        ):  # fmt: skip
            found = self.ruled(**paths)
            with self.subTest(way=way, pump=pump):
                self.assertEqual(found["injection"], way)
                self.assertEqual(found["regulator.pressure"], pressure)
                self.assertTrue(pump is None or found["injection_pump"] == pump)

    def test_gravity_feeds_a_small_carburettor(self) -> None:
        """8 kW run from a tank 0.45 m over the bowl (common practice)."""
        small = changed(ROAD, engine__rated_power="8 kW", engine__displacement="0.35 L", engine__rated_speed="3600 rpm")
        small["fuel"] = {"injection": "carburettor", "main.drive": "none", "end_height": "-0.45 m"}
        row = check_of(report(changed(small, duties=[{"id": "p", "kind": "pull"}])), "fuel", "head_flow", "p")
        self.assertLess(row["fill"], 1.0)

    def test_an_engine_driven_pump_has_no_second(self) -> None:
        """One more in parallel cannot be driven; an electric one in its stead can."""
        mechanical = with_fuel(DIESEL, main__drive="engine")
        ids = {c.id for c in remedies.candidates(context_of(mechanical), facts_of(mechanical, "fuel"))}
        self.assertNotIn("pump_count", ids)
        self.assertLessEqual({"pump_1", "electric_pump"}, ids)


class Gas(NumbersCase):
    def test_liquid_parts_are_not_judged(self) -> None:
        """LPG and natural gas: no pump, suction, injector or line is judged, and the report says so."""
        for fuel in ("lpg", "cng"):
            raw = changed(ROAD, engine__fuel=fuel, engine__rated_power="90 kW")
            raw["fuel"] = {}
            found = report(raw)
            block = found["systems"]["fuel"]
            self.assertEqual(([], "unknown"), (block["checks"], block["state"]))
            self.assertIn("Fuel", {n["system"] for n in found["not_judged"]})
            self.assertEqual([n["quantity"] for n in block["need"]], ["gas_flow"])

    def test_in_petrol_parts_it_is_a_danger(self) -> None:
        raw = changed(ROAD, engine__fuel="lpg", engine__rated_power="90 kW", fuel__injection="port")
        found = report(raw)
        self.assertTrue(check_of(found, "fuel", "gas_in_petrol_parts")["danger"])
        self.assertIn("petrol parts", found["headline"]["sentence"])


class Rail(NumbersCase):
    def test_injectors_want_a_regulator(self) -> None:
        notes = {
            n["code"]: n["field"]
            for n in report(with_fuel(FIVE, regulator__place="free"))["systems"]["fuel"]["notices"]
        }
        self.assertEqual(notes["no_regulator"], "fuel.regulator.place")

    def test_a_blend_over_the_whole_is_refused_by_name(self) -> None:
        with self.assertRaises(SheetError) as caught:
            report(changed(FIVE, engine__ethanol_share="120 %"))
        self.assertEqual(caught.exception.problems[0].field, "engine.ethanol_share")
        self.assertIn("120", caught.exception.problems[0].read)

    def test_lift_pump_table_that_rises_is_refused(self) -> None:
        with self.assertRaises(CoreError) as caught:
            raw = with_fuel(FIVE, lift="pot", lift_pump__table="0.1 bar, 80 L/h\n0.3 bar, 90 L/h")
            curve_of(facts_of(raw, "fuel").lift_pump, "fuel.lift_pump")
        self.assertEqual((caught.exception.code, caught.exception.field), ("table_not_falling", "fuel.lift_pump.table"))

    def test_one_row_of_dead_times_is_refused(self) -> None:
        with self.assertRaises(SheetError) as caught:
            report(with_fuel(FIVE, injectors__dead_table="12 V, 1.2 ms"))
        self.assertEqual(caught.exception.problems[0].field, "fuel.injectors.dead_table")


class Remedies(NumbersCase):
    def tried(self, raw: dict) -> dict[str, Candidate]:
        context, c = circuit(raw)
        return {candidate.id: candidate for candidate in remedies.candidates(context, c.facts)}

    def test_smaller_injectors_where_idle_hunts(self) -> None:
        self.assertNotIn("smaller", self.tried(FIVE))
        found = self.tried(with_fuel(FIVE, injectors__flow="1500 cc/min"))["smaller"]
        self.close(float(str(found.changes["fuel.injectors.flow"])), 1200 / 6e7, rel=1e-9)

    def test_another_pump_leaves_wear_and_relief_behind(self) -> None:
        found = self.tried(with_fuel(FIVE, main__wear="20 %", main__relief="6 bar"))["pump_1"]
        self.assertEqual([found.changes[f"fuel.main.{n}"] for n in ("wear", "relief", "flow_2")], [None] * 3)

    def test_a_pot_where_a_pump_sucks_from_outside(self) -> None:
        self.assertIn("pot", self.tried(with_fuel(FIVE, pump_place="outside")))
        self.assertNotIn("pot", self.tried(FIVE))
        self.assertIn("lift_pump_1", self.tried(with_fuel(FIVE, **POT)))

    def test_no_pump_is_offered_one(self) -> None:
        raw = with_fuel(DIESEL, main__drive="none", suction_lift="0.5 m", end_height="0.3 m", main__flow=None)
        self.assertIn("electric_lift", self.tried(raw))
