"""Controls of a build by hand; what cannot be is said by name."""

from typing import Any

import numpy as np

from gauge_well.sheet import SheetError
from tests.core.systems.controls.builds import CABLE, LEVER, PEDAL, RACK, VACUUM, block, build, part
from tests.core.systems.driveline.builds import check
from tests.support import NumbersCase, context_of, drawn, facts_of, report


def says(found: dict[str, Any], begins: str) -> str:
    return str(check(found, begins)["sentence"])


class Nothing(NumbersCase):
    def test_stated_nothing_is_sentenced(self) -> None:
        found = block(clutch=False)
        self.assertEqual((found["state"], found["checks"]), ("unknown", []))
        self.assertEqual({u["check"] for u in found["unknown"]}, {"throttle_full", "applications"})

    def test_nor_does_a_boat_hold_by_saying_nothing(self) -> None:
        found = report(build(machine={"kind": "boat"}, clutch=False))["systems"]["controls"]
        self.assertEqual((found["state"], [u["check"] for u in found["unknown"]]), ("unknown", ["throttle_full"]))


class Throttle(NumbersCase):
    def test_sixty_eight_of_eighty_five(self) -> None:
        found = block(**CABLE)
        self.assertIn("opens it 68° of 85°", says(found, "throttle_full"))
        self.assertIn("25.6", says(found, "throttle_full"))
        self.assertEqual(check(block(**{**CABLE, "wheel": "25 mm"}), "throttle_full")["state"], "holds")

    def test_cable_too_short(self) -> None:
        found = block(**CABLE, cable="0.8 m", cable_way="0.95 m")
        self.assertIn("150\xa0mm too short", says(found, "cable_short"))
        self.assertTrue(check(found, "cable_short")["danger"])

    def test_one_spring_is_not_enough(self) -> None:
        for count, state in (("0", "short"), ("1", "short"), ("2", "holds")):
            self.assertEqual(check(block(**CABLE, springs=count), "throttle_springs")["state"], state)

    def test_a_spring_behind_too_many_bends(self) -> None:
        """20 N behind 360 degrees that rub 0.25 are 4.2 N: 8 are asked."""
        tight = block(**CABLE, spring="20 N", bends="360 deg", rubs="0.25", drags="8 N")
        self.close(check(tight, "throttle_returns")["capacity"], 20.0 * np.exp(-0.25 * 2.0 * np.pi), rel=1e-6)
        self.assertEqual(check(tight, "throttle_returns")["state"], "short")

    def test_rock_pulls_a_cable_that_ends_on_the_body(self) -> None:
        facts = {**CABLE, "sleeve_ends": "body", "end_over": "400 mm", "slack": "1 mm"}
        raw = build(**facts)
        raw["mounts"] = {**raw["mounts"], "school": "soft"}
        found = report(raw)["systems"]["controls"]
        self.assertIn("as the engine pulls", says(found, "throttle_rocks"))
        self.assertFalse(
            [c for c in block(**{**facts, "sleeve_ends": "engine"})["checks"] if c["id"] == "throttle_rocks"]
        )

    def test_a_pedal_by_wire(self) -> None:
        found = block(throttle="pedal", sensor_sweep="15 deg", sensor_wants="17 deg", tracks="1")
        self.assertEqual(check(found, "sensor_full")["state"], "short")
        self.assertIn("emergency running", says(found, "sensor_tracks"))
        self.assertEqual(block(throttle="pedal", tracks="2", **VACUUM)["state"], "holds")


class Brakes(NumbersCase):
    def test_three_at_sea_one_at_two_thousand(self) -> None:
        """65 kPa, 6 L, 1.1 L each: 3; at 2,000 m the manifold keeps its own pressure: 43 kPa, 1 (common practice)."""
        for high, whole in (("0 m", 3), ("2000 m", 1)):
            self.assertEqual(int(check(block(**VACUUM, high=high), "applications")["capacity"]), whole)

    def test_a_long_cam_and_a_reservoir(self) -> None:
        """38 kPa hold none; 3 L more on 65 kPa hold five."""
        self.assertEqual(int(check(block(**{**VACUUM, "depth": "38 kPa"}), "applications")["capacity"]), 0)
        self.assertEqual(int(check(block(**VACUUM, reservoir="3 L"), "applications")["capacity"]), 5)

    def test_the_reservoir_that_is_asked_holds_three(self) -> None:
        weak = {**VACUUM, "depth": "55 kPa"}
        asked = next(n for n in block(**weak)["need"] if n["part"] == "vacuum")["value"]
        self.close(check(block(**weak, reservoir=f"{1e3 * asked:.4f} L"), "applications")["capacity"], 3.0, rel=1e-3)

    def test_vacuum_for_none(self) -> None:
        self.assertIn("Nothing makes vacuum", says(block(source="none"), "applications"))
        raw = build(source="manifold", clutch=False)
        raw["engine"] = {**raw["engine"], "fuel": "diesel"}
        found = report(raw)["systems"]["controls"]
        self.assertIn("makes no vacuum", says(found, "applications"))
        self.assertTrue(check(found, "applications")["danger"])

    def test_valve_and_hose(self) -> None:
        self.assertTrue(check(block(**VACUUM, valve="no"), "valve")["danger"])
        self.assertEqual(check(block(**VACUUM, hose="6 mm"), "vacuum_hose")["class"], "cost")

    def test_moved_lines_are_bled_the_longest_first(self) -> None:
        notes = {n["code"]: n["sentence"] for n in block(lines_moved="yes", master_at="front_right")["notices"]}
        self.assertIn("rear left, rear right, front left, front right", notes["bleeds"])
        self.assertIn("licensed", notes["inspection"])
        self.assertNotIn("inspection", [n["code"] for n in block(lines_moved="yes", inspected="yes")["notices"]])

    def test_a_boat_has_none(self) -> None:
        found = report(build(machine={"kind": "boat"}, clutch=False, source="none"))["systems"]["controls"]
        self.assertFalse([c for c in found["checks"] if c["part"] in ("vacuum", "steering", "brakes")])


class Clutch(NumbersCase):
    def test_way_and_weight(self) -> None:
        """12.04 mm of the 12.5 the stack asks: it does not free; fingers of 1,900 N through 1.8 and 6: 176 N."""
        found = block(**PEDAL)
        self.close(check(found, "clutch_way")["capacity"], 0.130 / 6.0 / 1.8, rel=1e-9)
        self.close(check(found, "clutch_way")["demand"], 12.5e-3, abs=1e-9)
        self.assertEqual(check(found, "clutch_way")["state"], "short")

    def test_what_the_pedal_moves_goes_back_to_the_stack(self) -> None:
        """The stack's own stroke is not stated: it comes from the pedal."""
        made = report(build(**PEDAL))["systems"]["driveline"]
        self.close(check(made, "bearing_frees")["capacity"], 0.130 / 6.0 / 1.8, rel=1e-9)

    def test_never_touches_by_the_pedal(self) -> None:
        raw = build(**{**PEDAL, "pad": "40 mm"})
        raw["driveline"] = {**raw["driveline"], "adapter": "16 mm"}
        self.assertIn("never touches", says(report(raw)["systems"]["driveline"], "bearing_free"))

    def test_a_bracket_under_a_heavier_clutch(self) -> None:
        found = block(**PEDAL, bracket_bears="900 N")
        self.assertIn("welds pop", says(found, "clutch_bracket"))
        bends = block(**{**PEDAL, "gives": "4 mm"})
        self.assertEqual(
            (check(bends, "clutch_bends")["class"], check(bends, "clutch_bends")["state"]), ("cost", "short")
        )

    def test_pipes_that_do_not_join(self) -> None:
        self.assertIn("in", says(block(**PEDAL, pipe_end="m_10x1", slave_port="m_12x1_5"), "clutch_pipe"))
        self.assertFalse(
            [c for c in block(**PEDAL, pipe_end="m_10x1", slave_port="m_10x1")["checks"] if c["id"] == "clutch_pipe"]
        )

    def test_cable(self) -> None:
        facts = {k: v for k, v in PEDAL.items() if k not in ("master", "slave")}
        found = block(**facts, release="cable", clutch_cable="0.7 m", clutch_way="0.8 m")
        self.assertIn("100\xa0mm too short", says(found, "clutch_cable"))
        self.close(check(found, "clutch_way")["capacity"], 0.130 / 6.0 / 1.8, rel=1e-9)

    def test_an_automatic_has_no_pedal(self) -> None:
        found = block(machine={"gearbox": "automatic"}, clutch=False, **PEDAL)
        self.assertFalse([c for c in found["checks"] if c["part"] == "clutch_pedal"])

    def test_masters_beside_each_other(self) -> None:
        raw = build(**PEDAL)
        view = drawn("controls", "clutch", context_of(raw), facts_of(raw, "controls"))
        rows = view["masters"]
        self.rising([r["moves"] for r in rows])
        self.rising([r["pad"] for r in rows])
        self.assertEqual([r["there"] for r in rows].count(True), 1)


class Shifter(NumbersCase):
    def test_throw_and_clash_by_gear(self) -> None:
        """Lever of 300 over 60: 10 mm become 50; 60 mm ahead leave 10 in the odd gears."""
        found = block(**LEVER, ahead_gap="60 mm", behind_gap="150 mm")
        self.close(check(found, "throw")["demand"], 0.050, rel=1e-9)
        self.close(check(found, "knob_clash")["capacity"], 0.010, abs=1e-9)
        self.assertIn("In 1", says(found, "knob_clash"))
        self.assertIn("does not go in", says(block(**LEVER, ahead_gap="30 mm"), "knob_clash"))

    def test_gates_count_sideways(self) -> None:
        """45 mm of gate leave 55 of 100 to the left, in first."""
        self.close(check(block(**LEVER, left_gap="100 mm", gate="45 mm"), "knob_clash")["capacity"], 0.055, abs=1e-9)

    def test_where_the_gearbox_puts_it(self) -> None:
        raw = build(**LEVER, lever_behind="600 mm", knob_behind="1000 mm")
        raw["fit"] = {"crank_left": "0 mm", "from_panel": "250 mm", "crank_height": "450 mm"}
        raw["parts"] += [
            {"role": "fit.unit", "facts": {"length": "650 mm", "cover": "450 mm"}},
            {"role": "fit.bay", "facts": {"length": "900 mm", "rails": "800 mm", "edge": "950 mm"}},
        ]
        context, facts = context_of(raw), facts_of(raw, "controls")
        view = drawn("controls", "shifter", context, facts)
        self.close(view["off_behind"], 0.600 - float(np.ravel(context.given["fit_bell_ahead_m"])[0]) - 1.0, abs=1e-9)

    def test_rods_and_rock(self) -> None:
        """Rods from a lever on the body, on soft mounts, far from the rock's line: it jumps out of gear; on the unit it does not."""
        rods = {**LEVER, "shifter": "rods", "rod_over": "-300 mm", "throw": "6 mm"}
        raw = build(**rods, pivot="body")
        raw["mounts"] = {**raw["mounts"], "school": "soft"}
        self.assertIn("jumps out of gear", says(report(raw)["systems"]["controls"], "jumps"))
        self.assertFalse([c for c in block(**rods, pivot="unit")["checks"] if c["id"] == "jumps"])


class Steering(NumbersCase):
    COLUMN = (("20 deg", "0 deg"), ("45 deg", "0 deg"), ("30 deg", "0 deg"))

    def pieces(self, *own: tuple[str, str]) -> list[dict[str, Any]]:
        return [part("columns", falls=falls, forks=forks) for falls, forks in own]

    def test_twenty_five_and_fifteen(self) -> None:
        """25 and 15 degrees in line: (0.436^2 - 0.262^2) / 2, 6 % either way; alike with forks 15 out: 5 % (common practice)."""
        found = check(block(*self.pieces(*self.COLUMN)), "column_even")
        self.close(found["demand"], 0.5 * (np.radians(25.0) ** 2 - np.radians(15.0) ** 2), rel=1e-6)
        alike = block(*self.pieces(("20 deg", "0 deg"), ("45 deg", "15 deg"), ("20 deg", "0 deg")))
        self.close(check(alike, "column_even")["demand"], 0.05, rel=0.02)

    def test_a_joint_too_far(self) -> None:
        self.assertEqual(
            check(block(*self.pieces(("10 deg", "0 deg"), ("50 deg", "0 deg"))), "column_joint")["state"], "short"
        )

    def test_collapse_and_room(self) -> None:
        self.assertTrue(check(block(collapses="no"), "collapse")["danger"])
        self.assertEqual(
            [check(block(column_gap=g), "column_gap")["state"] for g in ("10 mm", "15 mm")], ["short", "holds"]
        )

    def test_bump_steer_is_a_cost(self) -> None:
        found = check(block(**RACK), "bump_steer")
        self.close(np.degrees(found["demand"]), 0.76, rel=0.02)
        self.assertEqual((found["class"], found["state"]), ("cost", "short"))

    def test_pump(self) -> None:
        """8 cm3 at 800, 0.85 kept: 5.4 L/min; 150 cm3 over 3 turns at 1.3 a second: 3.9."""
        pump = {"steers": "donor", "pump_swept": "8 cc", "box_swept": "150 cc", "turns": "3"}
        found = check(block(**pump), "steer_flow")
        self.close([found["capacity"] * 6e4, found["demand"] * 6e4], [5.44, 3.9], rel=1e-3)
        over = block(**pump, relief="120 bar", box_most="100 bar")
        self.assertTrue(check(over, "steer_relief")["danger"])


class Aids(NumbersCase):
    def test_missing_travel_and_vacuum(self) -> None:
        self.assertIn("burns its clutches", says(block(part("aids", what="kickdown", has="no")), "aid_"))
        short = block(part("aids", what="kickdown", has="yes", wants="40 mm", gets="30 mm"))
        self.assertEqual(check(short, "aid_")["state"], "short")
        weak = block(part("aids", what="modulator", has="yes", depth="50 kPa"), **{**VACUUM, "depth": "38 kPa"})
        self.assertEqual(check(weak, "aid_")["state"], "short")
        self.assertEqual(check(block(part("aids", what="cruise", has="no")), "aid_")["class"], "cost")
        self.assertFalse(block(part("aids", what="cruise", has="without"))["checks"])

    def test_done_without_on_purpose_is_not_said_to_fail(self) -> None:
        raw = build(
            part("aids", what="cruise", has="without"), part("aids", what="choke", has="no"), part("aids", what="hand")
        )
        rows = drawn("controls", "aids", context_of(raw), facts_of(raw, "controls"))["aids"]
        self.assertEqual([r["serves"] for r in rows], [None, False, None])
        self.assertEqual([r["said"] for r in rows], ["", "no: it does not start cold", "not known"])

    def test_usual_ones_nobody_listed(self) -> None:
        raw = build(machine={"gearbox": "automatic"}, clutch=False)
        raw["engine"] = {**raw["engine"], "fuel": "diesel"}
        view = drawn("controls", "aids", context_of(raw), facts_of(raw, "controls"))
        self.assertEqual([key for key, _ in view["unsaid"]], ["kickdown", "lockup", "stop"])


class Refused(NumbersCase):
    def test_by_name(self) -> None:
        for facts, words in (
            ({"pad": "100 mm", "pad_lost": "100 mm"}, "pad_lost"),
            ({"lowered": "90 mm", "rod": "60 mm"}, "rod"),
        ):
            with self.assertRaises(SheetError) as caught:
                block(**facts)
            self.assertIn(words, str(caught.exception))
