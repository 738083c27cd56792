"""Torque on its way out: the clutch and the gearbox reach with the power, the tyres cap what is behind them."""

from gauge_well.services import sizing
from tests.core.systems.driveline.builds import CLUTCH, block, build, check, part
from tests.support import NumbersCase, context_of, drawn, facts_of

FOUR = {"drive": "four", "kind": "off_road"}


class Clutch(NumbersCase):
    def test_torque_with_its_reserve(self) -> None:
        """290 N m and three tenths are 377; 240 by 160, 8.5 kN hold 510 (common practice)."""
        found = check(block(**CLUTCH), "clutch")
        self.close([found["demand"], found["capacity"]], [377.0, 510.0], rel=1e-9)

    def test_its_reach_is_its_share(self) -> None:
        """Torque goes with power: it reaches 510 / 377 of 160 kW."""
        rows = sizing.size_document(build(**CLUTCH))["rows"]
        own = next(r for r in rows if r["system"] == "driveline" and r["part"] == "clutch")
        self.close(own["reach_w"], 160e3 * 510.0 / 377.0, rel=1e-3)

    def test_reserve_is_a_school(self) -> None:
        weak = {**CLUTCH, "clutch__clamp": "6.1 kN"}
        self.assertEqual(
            [check(block(**weak, reserve=s), "clutch")["state"] for s in ("light", "road", "tow")],
            ["holds", "short", "short"],
        )

    def test_the_cover_that_is_asked(self) -> None:
        """377 N m on 240 by 160: 377 / (2 x 0.3 x 0.1) = 6,283 N."""
        needs = block(**{k: v for k, v in CLUTCH.items() if k != "clutch__clamp"})["need"]
        self.close(next(n["value"] for n in needs if n["quantity"] == "clamp"), 6283.0, rel=1e-3)


class Gearbox(NumbersCase):
    def test_its_rating(self) -> None:
        self.assertEqual([check(block(rating=r), "rating")["state"] for r in ("280 Nm", "300 Nm")], ["short", "holds"])
        codes = [[n["code"] for n in block(rating=r)["notices"]] for r in ("300 Nm", "340 Nm")]
        self.assertIn("rating_near", codes[0])
        self.assertNotIn("rating_near", codes[1])


class Axle(NumbersCase):
    def test_capped_by_the_tyres(self) -> None:
        """650 kg on the rear, 1.2 as it squats, 0.95 of grip on 300 mm: 2,180 N m, under 290 x 3.5 x 3.9 x 2; one of two wheels
        half of it: 16 T / (pi d^3) on 28 mm is 253 MPa."""
        half = part(
            "halves", side="left", inner_out="120 mm", outer_out="620 mm", up="80 mm", down="80 mm", thick="28 mm"
        )
        found = block(half, part("members", what="differential", rated="2500 Nm"))
        self.close(check(found, "member_")["demand"], 650.0 * 9.80665 * 1.2 * 0.95 * 0.3, rel=1e-6)
        self.close(check(found, "twist_")["demand"], 16.0 * 1090.0 / (3.14159 * 0.028**3), rel=2e-3)

    def test_locked_one_wheel_takes_it_all(self) -> None:
        hub = part("members", what="hub", rated="2500 Nm")
        shares = [check(block(hub, locks=lock), "member_")["demand"] for lock in ("open", "locked")]
        self.close(shares[1] / shares[0], 2.0, rel=1e-9)

    def test_not_capped_it_reaches(self) -> None:
        """On 3 of grip the tyres hold it: 290 x 3.5 x 2 at the shaft; of 2,500 N m it reaches 2,500 / 2,030 of 160 kW."""
        raw = build(part("members", what="joint", rated="2500 Nm"))
        raw["mounts"] = {**raw["mounts"], "grip": "3", "axle": "3000 kg"}
        rows = sizing.size_document(raw)["rows"]
        own = next(r for r in rows if r["system"] == "driveline" and r["part"] == "members")
        self.close(own["reach_w"], 160e3 * 2500.0 / (290.0 * 3.5 * 2.0), rel=1e-3)

    def test_an_axle_left_out(self) -> None:
        """Behind an open centre differential nothing moves; locked, the other axle carries all."""
        found = block(machine=FOUR, axle_out="front", centre="open")
        self.assertIn("does not move", check(found, "axle_out")["sentence"])
        found = block(machine=FOUR, axle_out="front", centre="locked")
        self.assertFalse([c for c in found["checks"] if c["id"] == "axle_out"])
        self.assertIn("axle_out", [n["code"] for n in found["notices"]])

    def test_front_members_of_a_rear_drive_are_not_judged(self) -> None:
        self.assertFalse(
            [
                c
                for c in block(part("members", what="hub", axle="front", rated="10 Nm"))["checks"]
                if c["id"].startswith("member_")
            ]
        )

    def test_places_go_down_by_hand(self) -> None:
        raw = build()
        found = drawn("driveline", "carried", context_of(raw), facts_of(raw, "driveline"))
        self.close(found["places"][0]["torque"], 290.0, rel=1e-9)


class Oil(NumbersCase):
    def test_settles_by_hand(self) -> None:
        """Two hundredths of what goes through, over what case and cooler give, each to what cools it."""
        raw = build(box_cooler="air", cooler_gives="40 W/K", case_gives="20 W/K")
        context, facts = context_of(raw), facts_of(raw, "driveline")
        found = drawn("driveline", "oil", context, facts)
        for row in found["duties"]:
            self.close(row["settles"], 298.15 + row["heat"] / 60.0, rel=1e-9)

    def test_a_cooler_that_is_stated_is_a_limit(self) -> None:
        hot = {"gearbox": "automatic_slipping"}
        weak = block(machine=hot, box_cooler="air", cooler_gives="5 W/K")
        self.assertEqual((check(weak, "box_oil")["class"], check(weak, "box_oil")["state"]), ("limit", "short"))
        asked = next(n for n in weak["need"] if n["part"] == "box_oil")["value"]
        self.assertEqual(
            check(block(machine=hot, box_cooler="air", cooler_gives=f"{asked * 1.01:.1f} W/K"), "box_oil")["state"],
            "holds",
        )

    def test_nobody_is_sentenced_by_a_case(self) -> None:
        self.assertFalse(
            [c for c in block(machine={"gearbox": "automatic_slipping"})["checks"] if c["part"] == "box_oil"]
        )

    def test_lines_by_hand(self) -> None:
        """128 mu L Q / (pi d^4) of 4 m of 8 mm at 6 L/min: 31 kPa."""
        found = block(box_cooler="air", cooler_gives="40 W/K", line_bore="8 mm", line_long="4 m", box_flow="6 L/min")
        self.close(check(found, "box_lines")["demand"], 128 * 0.0078 * 4.0 * 1e-4 / (3.14159265 * 0.008**4), rel=1e-6)
