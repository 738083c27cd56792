"""What the fuel station draws: every view of every preset, pump curves, speed range, edges."""

import json

import numpy as np

from gauge_well.core.errors import CoreError
from gauge_well.core.systems.fuel.facts_supply import INJECTIONS
from gauge_well.core.systems.fuel.presets import PRESETS
from gauge_well.core.systems.fuel.views import VIEWS
from tests.core.systems.fuel.builds import DIESEL, FIVE, POT, circuit, with_fuel
from tests.support import ROAD, NumbersCase, changed, check_of, drawn, report

FULL = {
    "tank.length": "800 mm",
    "tank.width": "500 mm",
    "tank.height": "200 mm",
    "tank.vent_bore": "3 mm",
    "tank.filler_bore": "38 mm",
    "previous_fuel": "diesel",
}


class Views(NumbersCase):
    def test_every_view_of_every_preset_is_plain_data(self) -> None:
        for id, preset in PRESETS.items():
            diesel = preset.choices["injection"] in ("mechanical", "common_rail")
            low = preset.choices["injection"] != "port"
            flow = {"main.flow": "90 L/h", "main.pressure": "0.4 bar", "main.flow_2": None, "main.pressure_2": None}
            raw = with_fuel(DIESEL if diesel else ROAD, **{**FULL, **POT, **(flow if low else {}), **preset.choices})
            context, c = circuit(raw)
            for view in VIEWS:
                with self.subTest(id, view=view):
                    found = drawn("fuel", view, context, c.facts)
                    json.dumps(found, allow_nan=False)
                    self.assertFalse(found.get("unknown"))
                    self.assertEqual(sum(p["now"] for p in found.get("presets", [{"now": True}])), 1)

    def test_without_a_pump_the_rest_is_drawn(self) -> None:
        context, c = circuit(changed(ROAD, fuel={"injectors.flow": "380 cc/min"}))
        found = [drawn("fuel", v, context, c.facts) for v in VIEWS]
        self.assertEqual(found[0]["unknown"], ["fuel.main.flow", "fuel.main.pressure"])
        self.assertEqual(found[1]["unknown"], ["fuel.main.pressure"])
        for view in found[2:]:
            self.assertFalse(view.get("unknown"))

    def test_every_way_in_is_drawn_whatever_the_fuel(self) -> None:
        """Also what cannot be: a diesel through gas parts is typed while one fact is changed before the other."""
        for raw in (ROAD, DIESEL):
            for way in INJECTIONS:
                with self.subTest(raw["engine"]["fuel"], way=way):
                    context, c = circuit(with_fuel(raw, injection=way))
                    for view in VIEWS:
                        json.dumps(drawn("fuel", view, context, c.facts), allow_nan=False)

    def test_out_of_range(self) -> None:
        context, c = circuit(FIVE)
        for options in ({"duty": 7.0}, {"voltage": 400.0}):
            with self.assertRaises(CoreError):
                drawn("fuel", "circuit", context, c.facts, options)


class Pumps(NumbersCase):
    def test_point_lies_on_both_curves(self) -> None:
        context, c = circuit(FIVE)
        for options in ({"duty": 2.0}, {"duty": 2.0, "voltage": 13.0}):
            found = drawn("fuel", "pumps", context, c.facts, options)
            pump = np.array(found["pumps"][0]["points"])
            q, p = found["point"]["flow"], found["point"]["pressure"]
            self.close(np.interp(q, pump[:, 0], pump[:, 1]), p, rel=1e-3)
            self.close(np.interp(q, found["flow"], found["resists"]), p, rel=1e-3)

    def test_fewer_volts_less_flow(self) -> None:
        context, c = circuit(FIVE)
        self.rising(
            [
                drawn("fuel", "pumps", context, c.facts, {"duty": 2.0, "voltage": v})["point"]["flow"]
                for v in (11.0, 12.0, 14.0)
            ]
        )

    def test_idle_returns_nearly_all(self) -> None:
        context, c = circuit(FIVE)
        full, idle = drawn("fuel", "pumps", context, c.facts, {"duty": 2.0})["states"]
        self.assertGreater(idle["returned"], 0.95 * idle["through"])
        self.assertGreater(idle["through"], full["through"])

    def test_catch_test_is_brought_to_the_tables_conditions(self) -> None:
        """0.5 L in 20 s at the very conditions of the table: what is caught is what is corrected."""
        raw = with_fuel(
            ROAD,
            main__catch_volume="0.5 L",
            main__catch_time="20 s",
            main__catch_pressure="3 bar",
            main__catch_voltage="13.5 V",
        )
        context, c = circuit(raw)
        found = drawn("fuel", "pumps", context, c.facts, {})["caught"]
        self.close([found["flow"], found["corrected"]], [0.5e-3 / 20] * 2, rel=1e-9)
        self.close([found["new"], found["said"]], [120 / 3.6e6] * 2, rel=1e-9)


class Speeds(NumbersCase):
    def test_rated_speed_is_the_pull(self) -> None:
        """At rated speed the curve passes what the full-throttle pull is judged on."""
        context, c = circuit(FIVE)
        found = drawn("fuel", "speed", context, c.facts, {"duty": 2.0})
        pull = check_of(report(FIVE), "fuel", "injector_duty", "pull")["demand"]
        self.close(np.interp(6000.0, found["speed"], found["injectors"]["share"]), pull, rel=2e-3)
        asked = check_of(report(FIVE), "fuel", "pump_flow", "pull")["demand"]
        self.close(np.interp(6000.0, found["speed"], found["asked"]), asked, rel=2e-3)

    def test_other_fuels_at_the_same_power(self) -> None:
        """E85 1.41 times petrol's volume, methanol 2.03 (common practice)."""
        context, c = circuit(FIVE)
        listed = {f["name"]: f for f in drawn("fuel", "speed", context, c.facts, {})["fuels"]}
        self.close(listed["petrol with 85 % ethanol"]["ratio"], 1.41, abs=0.02)
        self.close(listed["methanol"]["ratio"], 2.03, abs=0.02)
        self.assertTrue(listed["petrol with 0 % ethanol"]["now"])

    def test_a_smaller_set_idles_and_a_larger_one_serves(self) -> None:
        """Of the sizes sold, the smallest that serves is under the ceiling and the one below it is not."""
        context, c = circuit(FIVE)
        sizes = drawn("fuel", "speed", context, c.facts, {"duty": 2.0})["sizes"]
        serves = [s["share"] <= 0.85 for s in sizes]
        self.assertEqual(serves, sorted(serves))
        self.assertEqual(serves.count(False), 1)
        self.falling([s["open"] for s in sizes])
