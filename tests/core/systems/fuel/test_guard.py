"""Lean guard, cut-offs, float bowl, cold start, bleeding, change of fuel."""

import numpy as np

from gauge_well.core.flow.pipe import bore_area
from gauge_well.core.media import fuels
from gauge_well.core.media.fuels import FUELS, blend
from gauge_well.core.systems.fuel import change, guard
from gauge_well.core.systems.fuel.facts_guard import STOPS
from gauge_well.core.systems.fuel.network import network_of
from gauge_well.core.systems.fuel.presets import PRESETS
from gauge_well.core.typing import likely
from tests.core.systems.fuel.builds import DIESEL, FIVE, POT, circuit, with_fuel
from tests.support import ROAD, NumbersCase, changed, check_of, drawn, report

CARB = {
    **PRESETS["carburettor"].choices,
    "main.flow": "70 L/h",
    "main.pressure": "0.2 bar",
    "main.flow_2": "20 L/h",
    "main.pressure_2": "0.3 bar",
}


class Lean(NumbersCase):
    def test_cut_by_hand(self) -> None:
        """8 % leaner is 1 / 1.08^2 = 0.857 of the pressure across: 3 bar over 0.8 of boost cuts at 3.37 bar."""
        context, c = circuit(FIVE)
        self.close(guard.cut_pressure(c, context.peak)[0, 2, 0], 0.8e5 + 3e5 / 1.08**2, rel=1e-6)
        self.close(guard.leaner(c, context.peak, 0.8e5 + 3e5 / 1.08**2)[0, 2, 0], 0.08, rel=1e-9)

    def test_leaner_is_hotter(self) -> None:
        """Less is lost unburned: some 15 K hotter for each hundredth of lambda on the rich side (common practice:
        5 to 15)."""
        context, c = circuit(FIVE)
        found = drawn("fuel", "change", context, c.facts, {"duty": 2.0})["guard"]["hotter"]
        self.between(found / 8, 4.0, 16.0)

    def test_no_pressure_is_no_fuel(self) -> None:
        context, c = circuit(FIVE)
        self.close(guard.leaner(c, context.peak, 0.8e5)[0, 2, 0], 9.99)


class CutOffs(NumbersCase):
    def test_nothing_stops_it(self) -> None:
        raw = with_fuel(FIVE, cut_stopped="no", cut_oil="no", cut_impact="no")
        found = check_of(report(raw), "fuel", "cut_off")
        self.assertTrue(found["danger"])
        self.close(found["fill"], 9.99)
        self.assertEqual(report(raw)["first_to_give"]["check"], "cut_off")

    def test_some_do(self) -> None:
        raw = with_fuel(FIVE, cut_stopped="yes", cut_impact="no")
        block = report(raw)["systems"]["fuel"]
        self.assertNotIn("cut_off", {c["id"] for c in block["checks"]})
        self.assertIn("cut_off_gap", {n["code"] for n in block["notices"]})

    def test_battery_gap(self) -> None:
        near, far = (
            check_of(report(with_fuel(FIVE, battery_gap=g)), "fuel", "battery_gap") for g in ("150 mm", "600 mm")
        )
        self.close([near["fill"], far["fill"]], [1.5, 0.0], abs=1e-9)
        self.assertTrue(near["danger"])

    def test_stop_devices(self) -> None:
        """Held on to run: stops when power fails. The others are said to run on."""
        self.assertEqual([id for id, stop in STOPS.items() if stop.safe], ["run"])
        for stop, said in (("run", False), ("stop", True), ("cable", True)):
            codes = {n["code"] for n in report(with_fuel(DIESEL, stop_device=stop))["systems"]["fuel"]["notices"]}
            self.assertEqual("runs_on" in codes, said, stop)


class Bowl(NumbersCase):
    def test_seat_by_hand(self) -> None:
        """2 mm at 20 kPa of petrol: 0.62 x 3.1416e-6 x sqrt(2 x 20e3 / 745) = 14.27e-6 m3/s, 51.4 L/h."""
        _, c = circuit(with_fuel(ROAD, **CARB, needle_bore="2 mm"))
        self.close(guard.seat_flow(c, 20e3) * 3.6e6, 51.4, rel=1e-3)

    def test_a_pump_forces_the_float(self) -> None:
        """70 to 20 L/h over 10 kPa stops at 34 kPa, less 0.3 m of lift (2.2 kPa) 31.8: over 30 of a side-draught,
        under 35 of a down-draught."""
        side, down = (
            check_of(report(with_fuel(ROAD, **CARB, carburettor=kind)), "fuel", "flooding")
            for kind in ("side_draught", "down_draught")
        )
        self.close(down["demand"], 34e3 - 745 * 9.80665 * 0.3, rel=1e-3)
        self.assertGreater(side["fill"], 1.0)
        self.assertLess(down["fill"], 1.0)
        held = check_of(
            report(with_fuel(ROAD, **{**CARB, "carburettor": "side_draught", "regulator.place": "dead_headed"})),
            "fuel",
            "flooding",
        )
        self.close(held["demand"], 21e3)


class Cold(NumbersCase):
    def test_flash_points(self) -> None:
        """Lower limit over the liquid is the flash point: ethanol 13, methanol 11, petrol about -43 degC (Bureau of
        Mines Bulletin 627, from memory; 7 K, since cups differ and petrol is no one substance)."""
        for name, flash in (("ethanol", 13.0), ("methanol", 11.0), ("petrol", -43.0)):
            self.close(float(fuels.coldest_start(FUELS[name], 101325.0)) - 273.15, flash, abs=7.0, note=name)

    def test_more_alcohol_starts_worse(self) -> None:
        """E85 starts to about -15 degC and not much under (common practice)."""
        found = [float(fuels.coldest_start(blend(x), 101325.0)) for x in (0.1, 0.5, 0.85, 1.0)]
        self.rising(found)
        self.close(found[2] - 273.15, -15.0, abs=6.0)

    def test_asked_and_given(self) -> None:
        raw = with_fuel(changed(FIVE, engine__fuel="ethanol"), coldest_start="0 C", injectors__flow="1000 cc/min")
        found = check_of(report(raw), "fuel", "cold_start")
        self.assertGreater(found["fill"], 1.0)
        self.assertIn("too little of it is vapour", found["sentence"])
        warm = with_fuel(raw, coldest_start="20 C")
        self.assertLess(check_of(report(warm), "fuel", "cold_start")["fill"], 1.0)

    def test_boiling_temperature_is_the_inverse(self) -> None:
        for name in ("petrol", "e85", "methanol"):
            fuel = FUELS[name]
            t = np.array([270.0, 300.0, 330.0])
            self.close(fuels.boiling_temperature(fuel, fuels.vapour_pressure(fuel, t)), t, rel=1e-12)
        self.assertTrue(np.isinf(fuels.boiling_temperature(FUELS["diesel"], 1e5)).all())


class Bleeding(NumbersCase):
    def test_order_from_the_tank_forward(self) -> None:
        _, c = circuit(with_fuel(DIESEL, water_bowl="yes", injection_pump="inline"))
        words = " ".join(guard.bleed_order(c))
        places = [words.index(w) for w in ("Tank", "Water bowl", "Filter head", "gallery", "unions")]
        self.rising(places)
        _, rail = circuit(with_fuel(DIESEL, injection="common_rail"))
        self.assertIn("never open", " ".join(guard.bleed_order(rail)))
        self.assertEqual(list(guard.bleed_order(circuit(FIVE)[1])), [])

    def test_priming_by_volume(self) -> None:
        """Lines and filter over the pump's free flow; 6 cc a stroke by hand (common practice)."""
        context, c = circuit(FIVE)
        network = network_of(context, c)
        stands = float(change.line_volume(c) + change.mixing_volume(c))
        self.close(guard.prime_time(network), stands / network.main.flow[-1], rel=1e-12)
        self.between(float(np.ravel(guard.prime_time(network))[0]), 5.0, 60.0)
        self.close(guard.prime_strokes(c), stands / 6e-6, rel=1e-12)


class Change(NumbersCase):
    def test_volumes_by_hand(self) -> None:
        """Lines by bore and length once, filter 4.6 times to a hundredth."""
        _, c = circuit(
            with_fuel(
                FIVE,
                previous_fuel="diesel",
                tank__volume="60 L",
                filter__volume="0.5 L",
                line__bore="8 mm",
                suction__bore="10 mm",
                return_line__bore="8 mm",
            )
        )
        found = change.change_of(c, "petrol")
        assert found is not None
        lines = 2 * float(bore_area(0.008)) * 4.0 + float(bore_area(0.010)) * 0.1
        self.close(found.lines, lines, rel=1e-9)
        self.close(found.purge, lines + 4.605 * 0.5e-3, rel=1e-3)
        self.close(found.share, 1.2 / 60, rel=1e-9)
        assert found.hazard is not None
        self.assertIn("diesel in petrol", found.hazard.text)

    def test_a_pot_stirs_too(self) -> None:
        _, c = circuit(with_fuel(FIVE, **POT, previous_fuel="e85"))
        self.close(change.mixing_volume(c), 0.4e-3 + 1.5e-3, rel=1e-9)

    def test_alcohol_says_what_must_go(self) -> None:
        _, c = circuit(with_fuel(changed(FIVE, engine__fuel="e85"), previous_fuel="petrol"))
        found = change.change_of(c, "e85")
        assert found is not None
        self.assertIn("aluminium", " ".join(found.materials))

    def test_nothing_changes(self) -> None:
        _, c = circuit(FIVE)
        self.assertIsNone(change.change_of(c, "petrol"))
        _, same = circuit(with_fuel(FIVE, previous_fuel="petrol"))
        self.assertIsNone(change.change_of(same, "petrol"))

    def test_every_family_has_its_materials(self) -> None:
        self.assertEqual(set(change.FAMILIES.values()), set(change.MATERIALS))
        self.assertTrue(all(likely(h.share) < 0.5 for h in change.HAZARDS.values()))
