"""Lines of shafts and half-shafts of a build: speeds, slip, travel, what goes in."""

from typing import Any

import numpy as np

from gauge_well.sheet import SheetError
from tests.core.systems.driveline.builds import block, build, check, part
from tests.support import NumbersCase, context_of, drawn, facts_of

SHAFT: dict[str, Any] = {
    "length": "1.4 m",
    "falls": "5 deg",
    "tube": "63.5 mm",
    "wall": "1.65 mm",
    "up": "80 mm",
    "down": "90 mm",
}
ENDS = {"out_falls": "3 deg", "pinion_falls": "2 deg"}
HALF: dict[str, Any] = {"side": "left", "inner_out": "120 mm", "outer_out": "620 mm", "up": "80 mm", "down": "80 mm"}


class Line(NumbersCase):
    def test_bends_and_speed_by_hand(self) -> None:
        """2 and 3 degrees leave the root of five; at 130 km/h on 1.889 m a turn with 3.9 the shaft turns 4,473."""
        found = block(part("shafts", **SHAFT), driven_to="130 km/h", **ENDS)
        self.close(check(found, "whirl_")["demand"], 130.0 / 3.6 / (np.pi * 0.62 * 0.97) * 60.0 * 3.9, rel=1e-6)
        self.close(found["figures"]["road"]["joint_residual_deg"], np.sqrt(5.0), rel=2e-3)

    def test_faster_than_it_may(self) -> None:
        long = {**SHAFT, "length": "1.9 m"}
        found = check(block(part("shafts", **long), driven_to="170 km/h", **ENDS), "whirl_")
        self.assertEqual((found["state"], found["danger"]), ("short", True))

    def test_evenness_is_a_cost(self) -> None:
        found = block(part("shafts", **{**SHAFT, "forks": "20 deg"}), driven_to="130 km/h", **ENDS)
        self.assertEqual((check(found, "uneven_")["class"], check(found, "uneven_")["state"]), ("cost", "short"))

    def test_the_axle_turned_to_match(self) -> None:
        """Its input as the gearbox's output: both joints bend two degrees and nothing is left."""
        found = block(part("shafts", **SHAFT), out_falls="3 deg", pinion_falls="3 deg")
        self.close(found["figures"]["road"]["joint_residual_deg"], 0.0, abs=1e-4)

    def test_slip_by_coordinates(self) -> None:
        """From (1.4 cos 5, -1.4 sin 5) the end rises 80 and drops 90: the length changes."""
        found = block(part("shafts", **SHAFT, slides_in="30 mm", spline="100 mm", engaged="80 mm"), **ENDS)
        at = np.array([1.4 * np.cos(np.radians(5.0)), -1.4 * np.sin(np.radians(5.0))])
        up, down = (np.hypot(at[0], at[1] + z) - 1.4 for z in (0.08, -0.09))
        self.close(check(found, "slides_")["demand"], -up + 0.015, abs=2e-5)
        self.close(check(found, "engaged_")["capacity"], 0.080 - down, abs=2e-5)

    def test_a_spline_that_leaves(self) -> None:
        found = block(part("shafts", **SHAFT, spline="100 mm", engaged="60 mm"), **ENDS)
        self.assertEqual(check(found, "engaged_")["state"], "short")

    def test_a_line_forward_meets_the_gearbox_from_its_other_end(self) -> None:
        """The gearbox falls 3 to the rear, so its front end rises 3 forward; a shaft falling 2 bends 5 there."""
        front = part("shafts", **{**SHAFT, "line": "front", "falls": "2 deg"})
        raw = build(front, machine={"drive": "four", "kind": "off_road"}, out_falls="3 deg", front_falls="-3 deg")
        found = drawn("driveline", "shafts", context_of(raw), facts_of(raw, "driveline"))
        line = found["lines"][0]
        self.close([j["angle"] for j in line["joints"]], np.radians([5.0, 5.0]), rel=1e-6)
        self.close(line["residual"], 0.0, abs=1e-4)

    def test_what_lacks_is_named(self) -> None:
        found = block(part("shafts", length="1 m", falls="3 deg"))
        self.assertEqual(
            next(u for u in found["unknown"] if u["part"] == "shafts")["missing"], ["driveline.pinion_falls"]
        )

    def test_a_wall_thicker_than_its_tube(self) -> None:
        with self.assertRaises(SheetError) as caught:
            block(part("shafts", **{**SHAFT, "wall": "40 mm"}), **ENDS)
        self.assertIn("wall", str(caught.exception))


class Halves(NumbersCase):
    def test_forty_aside_and_sixty_up(self) -> None:
        """40 mm to one side makes one 40 longer and the other as much shorter; 60 higher bends it more at droop."""
        needs = block(
            part("halves", **{**HALF, "inner_out": "160 mm"}),
            part("halves", **{**HALF, "side": "right", "inner_out": "80 mm"}),
        )["need"]
        left, right = (n["value"] for n in needs if n["part"] == "halves")
        self.close(right - left, 0.080, abs=1e-3)
        low, high = (
            check(block(part("halves", **HALF, inner_over=over)), "inner_")["demand"] for over in ("0 mm", "60 mm")
        )
        self.close([low, high], np.arctan([0.08 / 0.5, 0.14 / 0.5]), rel=1e-6)

    def test_the_one_there(self) -> None:
        """Right at its middle, or 25 mm long: it bottoms."""
        asked = next(n for n in block(part("halves", **HALF))["need"] if n["part"] == "halves")["value"]
        for off, state in ((0.0, "holds"), (0.025, "short")):
            found = check(block(part("halves", **HALF, owned=f"{1e3 * (asked + off):.1f} mm")), "length_")
            self.assertEqual(found["state"], state)
        self.assertIn("bottoms", found["sentence"])

    def test_two_alike_are_told_apart(self) -> None:
        twice = [part("members", what="hub", rated="9000 Nm"), part("members", what="hub", rated="8000 Nm")]
        found = block(*twice, part("halves", **HALF), part("halves", **HALF))
        names = {c["name"] for c in found["checks"] if c["id"].startswith(("member_", "inner_"))}
        halves = {f"Left rear half-shaft {n}, inner joint" for n in (1, 2)}
        self.assertEqual(names, {"Rear hub and wheel bearing 1", "Rear hub and wheel bearing 2"} | halves)

    def test_going_in_with_the_engine_there(self) -> None:
        for room, state in (("40 mm", "short"), ("80 mm", "holds")):
            found = check(block(part("halves", **HALF, stub="60 mm", room=room)), "goes_in_")
            self.assertEqual(found["state"], state)
            if state == "short":
                self.assertIn("does not go in", found["sentence"])

    def test_lock_and_travel_together(self) -> None:
        """Two bends square to each other: cos = cos a cos b."""
        found = check(block(part("halves", **HALF, steers="yes", lock="35 deg"), machine={"drive": "front"}), "outer_")
        bent = np.arctan(0.08 / 0.5)
        self.close(found["demand"], np.arccos(np.cos(bent) * np.cos(np.radians(35.0))), rel=1e-6)

    def test_taped_on_the_unit_it_follows_fit(self) -> None:
        """Moved 20 mm to the left with the crank, the left inner joint stands 20 farther out, the right one as much nearer."""

        def out(side: str, left: str) -> float:
            raw = build(
                part("halves", **{**HALF, "side": side}, taped="unit", inner_behind="250 mm", inner_over="-60 mm")
            )
            raw["fit"] = {"crank_left": left, "from_panel": "250 mm", "crank_height": "450 mm"}
            raw["parts"] += [
                {"role": "fit.unit", "facts": {"length": "650 mm", "cover": "450 mm"}},
                {"role": "fit.bay", "facts": {"length": "900 mm", "rails": "800 mm", "edge": "950 mm"}},
            ]
            view = drawn("driveline", "halves", context_of(raw), facts_of(raw, "driveline"))
            return float(view["halves"][0]["across"])

        self.close(out("left", "0 mm") - out("left", "20 mm"), 0.020, abs=1e-6)
        self.close(out("right", "20 mm") - out("right", "0 mm"), 0.020, abs=1e-6)

    def test_arm_too_short_is_refused(self) -> None:
        with self.assertRaises(SheetError) as caught:
            block(part("halves", **HALF, arm="70 mm"))
        self.assertIn("arm", str(caught.exception))
