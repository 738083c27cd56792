"""Fuel: injector and pump arithmetic by hand, the pump's working point against a scalar search, suction, edges."""

import numpy as np
from scipy.optimize import brentq

from gauge_well.core.errors import CoreError
from gauge_well.core.flow.pipe import pressure_drop
from gauge_well.core.media import fuels
from gauge_well.core.systems.fuel import model, need
from gauge_well.core.systems.fuel.instrument import instrument
from gauge_well.core.systems.fuel.pump import PumpCurve, curve_of
from gauge_well.core.typing import likely
from gauge_well.sheet import SheetError
from tests.support import ROAD, NumbersCase, changed, check_of, context_of, facts_of, report, row_of

# The worked example: 200 kW turbo five, 340 g/kWh, 550 cc/min at 3 bar each.
FIVE = changed(
    ROAD,
    engine={
        "fuel": "petrol",
        "aspiration": "turbo",
        "displacement": "2.5 L",
        "cylinders": "5",
        "rated_power": "200 kW",
        "rated_speed": "6000 rpm",
        "bsfc": "340 g/kWh",
        "boost": "0.8 bar",
    },
    fuel__injector_flow="550 cc/min",
    fuel__injector_pressure="3 bar",
    fuel__rail_pressure="3 bar",
)


def circuit(raw: dict) -> tuple:
    context, facts = context_of(raw), facts_of(raw, "fuel")
    return context, facts, model.circuit_of(context, facts)


class Injectors(NumbersCase):
    def duty(self, **paths: object) -> float:
        return float(report(changed(FIVE, **paths))["systems"]["fuel"]["figures"]["pull"]["injector_duty"])

    def test_worked_example(self) -> None:
        """68 kg/h is 304 cc/min for each of five: 55 % of the cycle, 60 % with 1 ms at 6000 (common practice)."""
        self.close(self.duty(fuel__dead_time="0 ms"), 304.3 / 550.0, rel=2e-3)
        self.close(self.duty(fuel__dead_time="1 ms"), 304.3 / 550.0 + 0.05, rel=2e-3)

    def test_flow_goes_with_the_root_of_pressure(self) -> None:
        """4 bar in place of 3: sqrt(4/3) times the flow, by hand."""
        self.close(
            self.duty(fuel__dead_time="0", fuel__rail_pressure="4 bar") * np.sqrt(4 / 3),
            self.duty(fuel__dead_time="0"),
            rel=1e-6,
        )

    def test_fixed_rail_loses_flow_under_boost(self) -> None:
        """0.8 bar of boost leaves 2.2 of 3 bar."""
        fixed = self.duty(fuel__dead_time="0", fuel__reference="atmosphere")
        self.close(fixed / self.duty(fuel__dead_time="0"), np.sqrt(3.0 / 2.2), rel=1e-6)
        notes = report(changed(FIVE, fuel__reference="atmosphere"))["systems"]["fuel"]["notices"]
        self.assertIn("fixed_rail", {n["code"] for n in notes})

    def test_rail_below_the_manifold(self) -> None:
        raw = changed(FIVE, fuel__reference="atmosphere", fuel__rail_pressure="0.5 bar")
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
        context, facts, c = circuit(changed(FIVE, fuel__rail="dead_headed", fuel__line_bore="5 mm"))
        found = model.injectors(c, context.peak, context)
        lost = model.line_drop(c, model.demand(context.peak, c.fuel, facts))
        self.close(found.pressure, 3e5 - lost, rel=1e-9)

    def test_others_are_not_judged(self) -> None:
        for way in ("direct", "carburettor"):
            found = report(changed(ROAD, fuel__injection=way, fuel__rail_pressure=None))
            self.assertNotIn("injector_duty", {c["id"] for c in found["systems"]["fuel"]["checks"]})
            self.assertIn("injectors_not_judged", {n["code"] for n in found["systems"]["fuel"]["notices"]})


class Demand(NumbersCase):
    def test_power_times_consumption(self) -> None:
        found = report(FIVE)["systems"]["fuel"]["figures"]["pull"]
        self.close(found["fuel_mass_flow_kg_s"], 200.0 * 0.340 / 3600, rel=1e-6)
        self.close(found["fuel_volume_flow_m3_s"], 200.0 * 0.340 / 3600 / 745.0, rel=1e-6)

    def test_mechanical_diesel_pumps_what_it_spills(self) -> None:
        """Burning 45 % of what is lifted: demand is flow over 0.45."""
        raw = changed(
            ROAD,
            engine={"fuel": "diesel", "displacement": "3.9 L", "rated_power": "52 kW", "rated_speed": "2200 rpm"},
            duties=[{"id": "w", "kind": "work"}],
            fuel={"burned_share": "45 %"},
        )
        context, facts, c = circuit(raw)
        self.close(model.demand(context.peak, c.fuel, facts), model.burned(context.peak, c.fuel) / 0.45, rel=1e-12)


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
        one, two = (curve_of(facts_of(changed(ROAD, fuel__pump_count=str(n)), "fuel")) for n in (1, 2))
        self.close(two.flow, 2 * one.flow, rel=1e-12)

    def test_one_point_says_so(self) -> None:
        raw = changed(ROAD, fuel__pump_flow_2=None, fuel__pump_pressure_2=None)
        self.assertIn("pump_one_point", {n["code"] for n in report(raw)["systems"]["fuel"]["notices"]})

    def expected_flow(self, circuit_: model.Circuit, curve: PumpCurve, ratio: float, back: float) -> float:
        """Flow where the pump's curve meets rail, line, filter and suction, the relations written out anew."""
        f, rho, nu = circuit_.facts, circuit_.fuel.density, float(circuit_.viscosity)
        design = float(circuit_.design_flow)

        def surplus(q: float) -> float:
            line = float(pressure_drop(q, f.line_bore, f.line_length, rho, nu, f.line_loss))
            suck = float(pressure_drop(q, f.suction_bore, f.suction_length, rho, nu, 1.5))
            suck += f.sieve_drop * q / design + rho * 9.80665 * f.suction_lift
            against = back + f.filter_drop * q / design + suck + (line if f.rail == "returned" else 0.0)
            return float(curve.flow_at(against, ratio)) - q

        return float(brentq(surplus, 1e-9, 1e-4, xtol=1e-14))

    def test_working_point_against_a_scalar_search(self) -> None:
        for rail in ("returned", "dead_headed"):
            raw = changed(FIVE, fuel__rail=rail, fuel__line_bore="6 mm", fuel__pump_place="outside")
            context, facts, c = circuit(raw)
            curve = curve_of(facts)
            point = model.delivery_of(c, curve).at(context.peak)
            for duty, boost in enumerate(np.ravel(context.peak.manifold_gauge)):
                expected = self.expected_flow(c, curve, float(point.voltage_ratio), 3e5 + boost)
                self.close(np.ravel(point.flow)[duty], expected, rel=1e-4, note=rail)

    def test_wire_costs_volts(self) -> None:
        """5 m of 2.5 mm2 there and back at 10 A: 1.9e-8 x 2 x 5 / 2.5e-6 = 0.076 ohm, 0.76 V; by hand."""
        _, facts, c = circuit(changed(ROAD, fuel__pump_current="10 A"))
        voltage, _, _ = model.pump_voltage(c, curve_of(facts))
        self.close(voltage, 13.8 - 0.76, abs=1e-9)

    def test_cannot_reach_the_rail(self) -> None:
        raw = changed(
            ROAD,
            fuel__pump_flow="80 L/h",
            fuel__pump_pressure="0.3 bar",
            fuel__pump_flow_2="20 L/h",
            fuel__pump_pressure_2="0.6 bar",
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
            "fuel.pump_table": {"fuel__pump_table": "3 bar, 100 L/h\n4 bar, 120 L/h"},
            "fuel.pump_flow_2": {"fuel__pump_flow_2": "200 L/h"},
        }
        for field, paths in cases.items():
            with self.assertRaises(SheetError) as caught:
                report(changed(ROAD, **paths))
            self.assertEqual(caught.exception.problems[0].field, field)
        with self.assertRaises(SheetError):
            report(changed(ROAD, fuel__pump_table="3 bar, 100 L/h"))

    def test_missing_pump_is_unknown_with_a_need(self) -> None:
        found = report(changed(ROAD, fuel={"injector_flow": "380 cc/min"}))
        block = found["systems"]["fuel"]
        self.assertEqual(block["unknown"][0]["missing"], ["fuel.pump_flow", "fuel.pump_pressure"])
        self.assertEqual(row_of(found, "pump", "power")["reach_code"], "unknown")
        self.assertIn("injector_duty", {c["id"] for c in block["checks"]})


class Suction(NumbersCase):
    def test_head_by_hand(self) -> None:
        """0.5 m of lift costs 745 x 9.80665 x 0.5 = 3.65 kPa of petrol."""
        _, _, low = circuit(changed(ROAD, fuel__suction_lift="0"))
        _, _, high = circuit(changed(ROAD, fuel__suction_lift="0.5 m"))
        self.close(model.suction_drop(high, 2e-5) - model.suction_drop(low, 2e-5), 3653.0, rel=1e-3)

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
        _context, _, c = circuit(ROAD)
        at = model.suction(c, np.full((1, 3, 1), 2e-5))
        self.close(at.least, fuels.vapour_pressure(c.fuel, c.temperature, 0.85 * 60e3) + 10e3, rel=1e-12)


class Needs(NumbersCase):
    def test_the_needed_injector_just_serves(self) -> None:
        context, _facts, c = circuit(FIVE)
        size = {n.quantity: likely(n.value) for n in need.needs(context, c)}["injector_flow"]
        raw = changed(FIVE, fuel__injector_flow=f"{size * 6e7:.6f} cc/min")
        self.close(row_of(report(raw), "injectors", "power")["fill"], 1.0, abs=1e-4)

    def test_the_needed_pump_just_serves(self) -> None:
        """A pump that gives the needed flow at the needed pressure; 3 %, since a returned rail takes it all."""
        context, _facts, c = circuit(FIVE)
        found = {n.quantity: n for n in need.needs(context, c)}["pump_flow"]
        pressure = float(found.sentence.values["p"][0])
        raw = changed(
            FIVE,
            fuel__pump_flow=f"{likely(found.value) * 3.6e6:.5f} L/h",
            fuel__pump_pressure=f"{pressure / 1e5:.5f} bar",
            fuel__pump_flow_2=f"{likely(found.value) * 0.6 * 3.6e6:.5f} L/h",
            fuel__pump_pressure_2=f"{pressure * 1.8 / 1e5:.5f} bar",
            fuel__rating_voltage="13.3 V",
            fuel__wire_area="50 mm2",
            fuel__supply_voltage="13.3 V",
        )
        self.close(row_of(report(raw), "pump", "power")["fill"], 1.0, abs=0.03)

    def test_bores_by_velocity(self) -> None:
        context, _, c = circuit(FIVE)
        bore = {n.quantity: likely(n.value) for n in need.needs(context, c)}["line_bore"]
        flow = 200.0 * 0.340 / 3600 / 745.0
        self.close(flow / (np.pi / 4 * bore**2), 2.0, rel=1e-6)


class Instrument(NumbersCase):
    def test_point_lies_on_both_curves(self) -> None:
        context, facts, _ = circuit(FIVE)
        for options in ({"duty": 2.0}, {"duty": 2.0, "voltage": 10.0}):
            found = instrument(context, facts, options)
            pump = np.array(found["pump"])[::-1]
            q, p = found["point"]["flow"], found["point"]["pressure"]
            self.close(np.interp(q, pump[:, 0], pump[:, 1]), p, rel=0.02)
            self.close(np.interp(q, found["flow"], found["resists"]), p, rel=1e-9)

    def test_fewer_volts_less_flow(self) -> None:
        context, facts, _ = circuit(FIVE)
        self.rising(
            [instrument(context, facts, {"duty": 2.0, "voltage": v})["point"]["flow"] for v in (9.0, 12.0, 14.0)]
        )

    def test_out_of_range(self) -> None:
        context, facts, _ = circuit(FIVE)
        for options in ({"duty": 7.0}, {"voltage": 400.0}):
            with self.assertRaises(CoreError):
                instrument(context, facts, options)
