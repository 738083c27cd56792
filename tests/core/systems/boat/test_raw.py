"""Raw water: flow, suction, warmth and mix by hand; faults named; what cannot be sucked."""

import numpy as np

from gauge_well.core.media.coolant import saturation_pressure_water
from gauge_well.core.systems.boat import need, raw
from gauge_well.core.typing import likely
from gauge_well.sheet import SheetError
from tests.core.systems.boat.builds import boat
from tests.support import NumbersCase, check_of, context_of, drawn, facts_of, report


def both(**facts: str | None):  # type: ignore[no-untyped-def]
    made = boat(**facts)
    return context_of(made), facts_of(made, "boat")


class Flow(NumbersCase):
    def test_by_its_volume_a_turn(self) -> None:
        """20 cc at 3,000 rev/min, .9 filled, .85 of it left: 45.9 L/min."""
        context, facts = both()
        self.close(6e4 * float(raw.flow(context, facts)[0, 1, 0]), 20e-3 * 3000 * 0.9 * 0.85, rel=1e-6)

    def test_by_its_sheet(self) -> None:
        """60 L/min at 1,500 of its own, half as fast as the engine: the same at 3,000 of the engine, less its wear."""
        context, facts = both(
            raw_pump__displacement=None,
            raw_pump__flow="60 L/min",
            raw_pump__flow_speed="1500 rpm",
            raw_pump__ratio="0.5",
        )
        self.close(6e4 * float(raw.flow(context, facts)[0, 1, 0]), 60 * 0.85, rel=1e-6)

    def test_the_rule_and_the_heat(self) -> None:
        """1.2 L/min a kW; the heat alone asks Q / (rho c dT) to 55 C, and less than the rule in a cool sea (common practice)."""
        context, facts = both()
        self.close(6e4 * float(raw.by_rule(context)), 36.0, rel=1e-9)
        heat = float(raw.heat(context, facts, context.mean)[0, 1, 0])
        self.close(float(raw.for_heat(context, facts, context.mean)[0, 1, 0]), heat / (1020 * 4000 * 35), rel=1e-6)
        self.assertLess(float(raw.for_heat(context, facts, context.mean).max()), float(raw.by_rule(context)))


class Suction(NumbersCase):
    def test_the_trades_example(self) -> None:
        """143 L/min, 1.2 m of lift, K 9: 38 mm 2.1 m/s and 33 kPa, 32 mm 3.0 m/s and 53, 45 mm 22 (common practice; 8 %,
        the hose's own friction being counted in that K)."""
        moves = np.asarray(0.143 / 60)
        for bore, kpa in (("38 mm", 33.0), ("32 mm", 53.0), ("45 mm", 22.7)):
            _, facts = both(
                pump_over="1.2 m",
                suction__bore=bore,
                intake__bore=bore,
                suction__length="0.05 m",
                suction__loss="2",
                intake__loss="1",
            )
            self.close(1e-3 * float(raw.suction(facts, moves).total), kpa, rel=0.08)

    def test_half_blocked_is_four_times_its_strainer(self) -> None:
        context, facts = both()
        found = raw.suction(facts, raw.flow(context, facts))
        self.close(found.blocked, 4.0 * found.strainer, rel=1e-9)
        self.close(found.total - found.clean, 3.0 * found.strainer, rel=1e-9)

    def test_lift_is_a_column(self) -> None:
        """A metre is 10 kPa."""
        context, facts = both(pump_over="1 m")
        self.close(raw.suction(facts, raw.flow(context, facts)).lift, 1020 * 9.80665, rel=1e-9)

    def test_beyond_what_the_air_pushes(self) -> None:
        """Through 8 mm no such flow comes: it cannot suck, by that name; a starved impeller is short before."""
        check = check_of(report(boat(suction__bore="9 mm", intake__bore="9 mm")), "boat", "suction")
        self.assertEqual((check["fill_code"], check["state"], check["fill"]), ("cannot_suck", "short", 9.99))
        self.assertIn("the air outside pushes", check["sentence"])
        narrow = check_of(report(boat(suction__bore="20 mm", intake__bore="20 mm")), "boat", "suction")
        self.assertEqual((narrow["fill_code"], narrow["state"]), ("", "short"))
        self.assertEqual(check_of(report(boat()), "boat", "suction")["state"], "holds")

    def test_what_the_air_pushes(self) -> None:
        context, _ = both()
        pushed = float(raw.air_pushes(context)[0, 0, 0])
        self.close(pushed, 101325.0 - float(saturation_pressure_water(293.15)), rel=1e-9)


class Warmth(NumbersCase):
    def test_out(self) -> None:
        """Sea and heat over its flow, by hand; past 55 C its salt scales: short, going with power."""
        context, facts = both()
        heat, moves = raw.heat(context, facts, context.mean), raw.flow(context, facts)
        self.close(raw.out(context, facts, context.mean), 293.15 + heat / (1020 * 4000 * moves), rel=1e-9)
        small = report(boat(raw_pump__displacement="6 cc"))
        check = check_of(small, "boat", "raw_out", "full")
        self.assertEqual((check["state"], check["scales"]), ("short", "power"))
        row = next(r for r in small["rows"] if (r["system"], r["part"]) == ("boat", "raw"))
        self.between(row["reach_w"], 5e3, 30e3)

    def test_a_keel_cooler_leaves_it_the_gears_heat(self) -> None:
        context, facts = both(machine__cooled_by="keel", cooling__keel_area="2 m2")
        gear = context.duties.column("gearbox_heat")
        self.close(raw.heat(context, facts, context.mean), gear, rel=1e-9)
        self.assertNotIn(
            "raw_out", {c["id"] for c in report(boat(machine__cooled_by="keel"))["systems"]["boat"]["checks"]}
        )

    def test_straight_through_the_block(self) -> None:
        """Its limit is 60 C, and the coolant has no station."""
        found = report(boat(machine__cooled_by="direct"))
        self.assertNotIn("cooling", found["systems"])
        self.close(check_of(found, "boat", "raw_out", "full")["capacity"], 333.15 - 293.15, rel=1e-6)

    def test_least_for_the_mix_is_just_enough(self) -> None:
        """A pump that moves just so much mixes to 60 C."""
        context, facts = both()
        least = float(raw.for_mix(context, facts, context.mean)[0, 1, 0])
        cc = 1e6 * least / (3000 / 60 * 0.9 * 0.85)
        again, own = both(raw_pump__displacement=f"{cc:.4f} cc")
        self.close(float(raw.mixed(again, own, again.mean)[0, 1, 0]), 333.15, abs=0.1)

    def test_alarm(self) -> None:
        """15 K over the warm reading, between 65 and 75 C (common practice)."""
        for warm, alarm in ((315.0, 338.15), (328.15, 343.15), (345.0, 348.15)):
            self.close(raw.alarm(warm), alarm, abs=1e-9)


class Asked(NumbersCase):
    def test_needs_stand_with_nothing_stated(self) -> None:
        found = report(boat(boat=None, cooling=None))
        needs = {n["quantity"]: n for n in found["systems"]["boat"]["need"]}
        self.close(6e4 * needs["raw_water_flow"]["value"], 36.0, rel=1e-6)
        self.assertLessEqual(
            {"suction_bore", "wet_hose_bore", "silencer_volume", "riser_height", "siphon_break_height"}, set(needs)
        )
        self.assertFalse(found["scope"]["boat"]["started"])

    def test_a_warm_sea_asks_more_than_the_rule(self) -> None:
        made = boat()
        made["duties"][1]["sea"] = "38 C"
        context, facts = context_of(made), facts_of(made, "boat")
        self.assertGreater(likely(need.wanted_flow(context, facts)), likely(raw.by_rule(context)))

    def test_no_raw_water_aboard(self) -> None:
        """A keel cooler and a dry exhaust want none, and nothing of it is asked or missing."""
        found = report(boat(boat=None, cooling=None, machine__cooled_by="keel", machine__exhaust="dry"))["systems"][
            "boat"
        ]
        self.assertFalse({"raw_water_flow", "suction_bore"} & {n["quantity"] for n in found["need"]})
        self.assertFalse({"raw_out", "suction"} & {u["check"] for u in found["unknown"]})

    def test_two_ways_in_where_no_hose_is_so_wide(self) -> None:
        made = boat(boat=None, engine__rated_power="1400 kW", engine__displacement="60 L", machine__mass="30 t")
        words = next(n["sentence"] for n in report(made)["systems"]["boat"]["need"] if n["quantity"] == "suction_bore")
        self.assertIn("two ways in", words)

    def test_view(self) -> None:
        context, facts = both()
        view = drawn("boat", "raw", context, facts, {"duty": 1.0})
        self.close(view["flow"], float(raw.flow(context, facts)[0, 1, 0]), rel=1e-9)
        self.assertTrue(np.all(np.diff(view["by_bore"]) < 0))

    def test_faults_are_named(self) -> None:
        for field, facts in (
            ("boat.raw_pump.flow_speed", {"raw_pump__flow": "60 L/min"}),
            ("boat.silencer.lip", {"silencer__lip": "310 mm"}),
            ("boat.silencer.lip_left", {"silencer__lip_left": "300 mm"}),
            ("boat.feet_front", {"feet_front": "200 mm", "feet_back": "300 mm"}),
            ("boat.manifold_over", {"manifold_over": "90 m"}),
        ):
            with self.assertRaises(SheetError) as caught:
                report(boat(**facts))
            self.assertEqual(caught.exception.problems[0].field, field)
