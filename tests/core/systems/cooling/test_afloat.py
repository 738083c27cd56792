"""A boat's coolant: exchanger and keel cooler against their own balance, fouling, the sea they hold to; scope."""

import numpy as np

from gauge_well.core.heat.exchanger import heat_a_kelvin, keel_coefficient
from gauge_well.core.systems.cooling import afloat
from tests.core.systems.boat.builds import boat
from tests.support import NumbersCase, check_of, context_of, drawn, facts_of, report

KEEL = {"machine__cooled_by": "keel", "cooling__exchanger__conductance": None}


def needs_of(found: dict) -> dict:
    return {n["quantity"]: n["value"] for n in found["systems"]["cooling"]["need"]}


class Exchanger(NumbersCase):
    def test_the_steady_balance(self) -> None:
        """A lasting duty carries effectiveness x smaller stream x (limit - raw water), with what the oil takes back: by hand from
        the report's own temperatures."""
        figures = report(boat())["systems"]["cooling"]["figures"]["cruise"]
        raw = report(boat())["systems"]["boat"]["figures"]["cruise"]["raw_water_flow_m3_s"] * 1020 * 4000
        self.close(figures["exchanger_ua_w_k"], 1200 * 0.8, rel=1e-9)
        # The coolant's stream from its flow, 3,500 J/kgK and 1,030 kg/m3 (4 %).
        rate = figures["coolant_volume_flow_m3_s"] * 1030 * 3500
        carried = float(heat_a_kelvin("tube", 960.0, rate, raw)) * (figures["coolant_limit_k"] - figures["raw_in_k"])
        self.close(figures["heat_carried_w"], carried, rel=0.04)

    def test_fouled_gives_less(self) -> None:
        clean, fouled = (
            check_of(report(boat(cooling__fouled=f)), "cooling", "heat", "full")["capacity"] for f in ("100 %", "40 %")
        )
        self.between(fouled / clean, 0.35, 0.75)

    def test_at_the_limiting_sea_it_just_holds(self) -> None:
        """The sea set there fills it to the brim (2 K in a hundred)."""
        most = report(boat(cooling__exchanger__conductance="700 W/K"))["systems"]["cooling"]["figures"]["full"][
            "limiting_sea_k"
        ]
        made = boat(cooling__exchanger__conductance="700 W/K")
        if 275.0 < most < 312.0:
            made["duties"][1]["sea"] = f"{most - 273.15:.3f} C"
            self.close(check_of(report(made), "cooling", "heat", "full")["fill"], 1.0, abs=0.02)
        else:
            self.assertLess(check_of(report(made), "cooling", "heat", "full")["fill"], 1.0)

    def test_what_is_asked_just_does(self) -> None:
        """An exchanger of the need's size is full to the brim in its hardest duty (2 %)."""
        wanted = needs_of(report(boat()))["exchanger_ua"]
        found = report(boat(cooling__exchanger__conductance=f"{wanted:.2f} W/K"))["systems"]["cooling"]["checks"]
        self.close(max(c["fill"] for c in found if c["id"] == "heat"), 1.0, abs=0.02)

    def test_unknown_names_what_is_missing(self) -> None:
        """The exchanger, or the raw-water pump."""
        found = report(boat(raw_pump__displacement=None))["systems"]["cooling"]
        self.assertEqual(found["unknown"][0]["missing"], ["boat.raw_pump.displacement"])
        bare = report(boat(cooling=None))
        self.assertFalse(bare["scope"]["cooling"]["started"])

    def test_gives_the_raw_water_its_heat(self) -> None:
        """What goes overboard is what the coolant makes, and the gear's."""
        found = report(boat())["systems"]
        made = found["cooling"]["figures"]["full"]["heat_made_w"]
        gear = 0.03 * 30e3
        self.close(found["boat"]["figures"]["full"]["raw_water_heat_w"], made + gear, rel=1e-6)

    def test_car_facts_are_gone(self) -> None:
        """No core, no fan, no opening is asked of a boat."""
        found = report(boat(cooling=None))["systems"]["cooling"]
        self.assertFalse([f for u in found["unknown"] for f in u["missing"] if ".core." in f or ".fan." in f])
        self.assertFalse({"core_face", "fan_free_air"} & set(needs_of(report(boat(cooling=None)))))


class Keel(NumbersCase):
    def test_the_quay_decides(self) -> None:
        """Held still it carries a third of what it does under way."""
        made = boat(**KEEL, cooling__keel_area="1.2 m2")
        made["duties"].append({"id": "quay", "kind": "bollard", "ambient": "25 C", "sea": "20 C"})
        found = report(made)
        still, away = (check_of(found, "cooling", "heat", d) for d in ("quay", "cruise"))
        self.assertGreater(still["fill"], away["fill"])
        self.between(still["capacity"] / away["capacity"], 0.2, 0.5)
        # A standing row of its own: what the need asks serves there.
        made["cooling"]["keel_area"] = f"{needs_of(found)['keel_area']:.4f} m2"
        self.close(
            max(c["fill"] for c in report(made)["systems"]["cooling"]["checks"] if c["id"] == "heat"), 1.0, abs=0.02
        )

    def test_by_hand(self) -> None:
        """``C (1 - exp(-UA/C)) (limit - sea)`` with no end to the sea."""
        made = boat(**KEEL, cooling__keel_area="1.2 m2")
        context, facts = context_of(made), facts_of(made, "cooling")
        found = afloat.solved(context, facts)
        ua = 1.2 * keel_coefficient(context.duties.column("asked_speed"))
        rate = found.coolant_rate
        self.close(found.rate, rate * (1 - np.exp(-ua / rate)), rel=1e-9)

    def test_paint(self) -> None:
        bare, painted = (
            check_of(
                report(boat(**KEEL, cooling__keel_area="1.2 m2", cooling__keel_painted=p)), "cooling", "heat", "full"
            )["fill"]
            for p in ("no", "yes")
        )
        self.assertGreater(painted, 1.4 * bare)

    def test_no_duty_stands_still(self) -> None:
        codes = {n["code"] for n in report(boat(**KEEL, cooling__keel_area="2 m2"))["systems"]["cooling"]["notices"]}
        self.assertIn("keel_still", codes)


class Drawn(NumbersCase):
    def test_views(self) -> None:
        """More left is cooler; faster asks less outside."""
        made = boat()
        view = drawn("cooling", "afloat", context_of(made), facts_of(made, "cooling"), {"duty": 1.0})
        self.assertTrue(np.all(np.diff(view["by_share"]) <= 1e-9) or len(view["by_share"]) == 0)
        keel = boat(**KEEL, cooling__keel_area="1.2 m2")
        view = drawn("cooling", "afloat", context_of(keel), facts_of(keel, "cooling"))
        self.assertTrue(np.all(np.diff(view["by_speed"]) <= 0))
        self.assertEqual(len(view["rows"]), 2)

    def test_scope(self) -> None:
        """A road car has no boat in it, nor is told so; a wet exhaust is no exhaust left unjudged."""
        from tests.support import ROAD

        road = report(ROAD)
        self.assertNotIn("Boat", {n["system"] for n in road["not_judged"]})
        self.assertTrue(road["scope"]["boat"]["foreign"])
        self.assertNotIn("Exhaust", {n["system"] for n in report(boat())["not_judged"]})
