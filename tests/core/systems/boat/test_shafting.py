"""Repower, propeller, coupling and beds by hand; engine room, vapour and flooding."""

import numpy as np

from gauge_well.core.heat import enclosure
from gauge_well.core.systems.boat import safety, shafting
from tests.core.systems.boat.builds import boat
from tests.support import NumbersCase, check_of, context_of, drawn, facts_of, report

OLD = {"old_power": "26 kW", "old_speed": "2800 rpm", "old_ratio": "2", "old_reached": "2800 rpm"}
READ = {
    "felt_at": "120 mm",
    "face_top": "0.10 mm",
    "face_bottom": "-0.06 mm",
    "rim_top": "0.22 mm",
    "rim_bottom": "-0.10 mm",
}


def both(**facts: str | None):  # type: ignore[no-untyped-def]
    made = boat(**facts)
    return context_of(made), facts_of(made, "boat")


def codes(**facts: str | None) -> set[str]:
    return {n["code"] for n in report(boat(**facts))["systems"]["boat"]["notices"]}


class Propeller(NumbersCase):
    def test_repower_by_hand(self) -> None:
        """26 kW at 2,800 through 2 : 1, then 30 at 3,000 through 2 : 1: 115 % of the power, 108 % of the torque."""
        found = shafting.repower(*both(**OLD))
        assert found is not None
        self.close(float(found.new_power / found.old_power), 30 / 26, rel=1e-9)
        self.close(float(found.new_torque / found.old_torque), 30 / 26 * 2800 / 3000, rel=1e-6)

    def test_what_the_old_one_takes_now(self) -> None:
        """The cubic: 26 x .96 kW at 1,400 are 30.7 at 1,500, over the 28.8 there are: rated revs are not reached."""
        found = shafting.loaded(*both(**OLD))
        assert found is not None
        self.close(float(found.takes), 26e3 * 0.96 * (1500 / 1400) ** 3, rel=1e-6)
        self.assertLess(float(found.reached), 3000.0)
        # There the engine gives just what it takes.
        context, facts = both(**OLD)
        gives = float(shafting.shaft_power(facts, context.engine.full_load_power(found.reached, context.wanted)))
        self.close(gives, float(found.takes) * (float(found.reached) / 3000.0) ** 3, rel=2e-3)

    def test_judged(self) -> None:
        """A propeller that held the old engine at 2,300 holds the new one far under its revs; a light one is for nothing."""
        heavy = {**OLD, "old_reached": "2300 rpm"}
        self.assertEqual(check_of(report(boat(**heavy)), "boat", "propeller")["state"], "short")
        self.assertIn("underloaded", codes(**{**OLD, "old_power": "18 kW"}))
        self.assertIn("old_revs", codes(**{**OLD, "old_reached": None}))

    def test_slower_gear_mends_it(self) -> None:
        """The ratio the remedy names lets it reach its revs."""
        made = boat(**{**OLD, "old_reached": "2500 rpm"})
        from gauge_well.core.systems.boat.remedies import candidates

        found = next(c for c in candidates(context_of(made), facts_of(made, "boat")) if c.id == "gear")
        ratio = found.changes["boat.gear_ratio"]
        again = report(boat(**{**OLD, "old_reached": "2500 rpm"}, gear_ratio=f"{ratio}"))
        self.assertEqual(check_of(again, "boat", "propeller")["state"], "holds")

    def test_shaft(self) -> None:
        """30 kW x .96 at 1,500 through 35 mm: 16 T / pi d^3 over 46.7 MPa (by hand)."""
        check = check_of(report(boat()), "boat", "shaft", "full")
        torque = 30e3 * 0.96 / (1500 * np.pi / 30)
        self.close(check["fill"], 16 * torque / (np.pi * 0.035**3) / (140e6 / 3), rel=1e-4)

    def test_tips_slip_and_room(self) -> None:
        self.assertIn("tips", codes(propeller="600 mm"))
        self.assertIn("slip", codes(pitch="20 in"))
        self.assertIn("aperture", codes(propeller_most="300 mm"))
        self.assertLessEqual({"tilt", "steep"}, codes(shaft_angle="16 deg"))

    def test_view(self) -> None:
        view = drawn("boat", "propeller", *both(**OLD, propeller="17 in", pitch="11 in"))
        self.assertTrue(view["repitched"].endswith(" in"))
        self.assertEqual(len(view["takes"]), len(view["speeds"]))


class Coupling(NumbersCase):
    def test_shims(self) -> None:
        """-.49 at 247 mm, -1.36 at 900 (by hand); what is left once they are in is nought."""
        made = both(**READ, feet_front="900 mm", feet_back="247.5 mm")
        found = shafting.aligned(made[1])
        assert found is not None and found.front is not None and found.back is not None
        self.close(1e3 * float(found.front), -1.36, abs=0.005)
        self.close(1e3 * float(found.back), -0.49, abs=0.005)
        view = drawn("boat", "coupling", *made)
        self.assertLess(view["left_over"], 1e-9)

    def test_judged_against_a_tenth_in_a_hundred(self) -> None:
        """.16 mm over 120 against .12: 1.33; offset .16 against .1."""
        found = report(boat(**READ))
        self.close(check_of(found, "boat", "coupling_face")["fill"], 0.16 / 0.12, rel=1e-4)
        self.close(check_of(found, "boat", "coupling_rim")["fill"], 1.6, rel=1e-4)

    def test_half_read_is_not_known(self) -> None:
        found = report(boat(**{**READ, "rim_bottom": None}))["systems"]["boat"]
        self.assertIn("boat.rim_bottom", [f for u in found["unknown"] for f in u["missing"]])
        self.assertNotIn("coupling_face", {c["id"] for c in found["checks"]})

    def test_beds(self) -> None:
        """Soles 30 mm and mounts 70 under the line; 500 mm ahead of a coupling 100 mm under the water, the shaft at 10 degrees."""
        facts = {"feet_front": "500 mm", "feet_back": "100 mm", "feet_under": "30 mm", "mount_height": "70 mm"}
        more = {"coupling_over": "-100 mm", "shaft_angle": "10 deg", "feet_apart": "400 mm", "beds_apart": "360 mm"}
        front = drawn("boat", "coupling", *both(**facts, **more))["beds"][0]
        turn = np.radians(10)
        self.close(front["under"], 0.1, rel=1e-9)
        self.close(front["over"], -0.1 + 0.5 * np.sin(turn) - 0.1 * np.cos(turn), abs=1e-9)
        self.close(front["reach"], -0.02, abs=1e-9)


class Room(NumbersCase):
    def test_a_balance(self) -> None:
        """What engine and exhaust give is what air and walls take, in every duty (1e-9)."""
        context, facts = both(room_skin="6 m2", room_vents="0.05 m2", vents_rise="0.5 m", lining="bare")
        found = safety.room(context, facts, context.mean)
        assert found is not None
        over = found.temperature - context.duties.column("ambient")
        self.close(found.heat, over * (found.air * 1006.0 + found.walls), rel=1e-3)
        _, rises = enclosure.draught(1000.0, enclosure.both_openings(0.05, 0.05), 0.5, 298.15)
        self.assertGreater(float(rises), 0.0)

    def test_lined_is_warmer(self) -> None:
        vents = {"room_skin": "6 m2", "room_vents": "0.05 m2", "vents_rise": "0.5 m"}
        bare, lined = (check_of(report(boat(**vents, lining=l)), "boat", "room_hot")["fill"] for l in ("bare", "lined"))
        self.assertGreater(lined, bare)

    def test_half_stated_asks_the_rest(self) -> None:
        found = report(boat(room_skin="6 m2"))["systems"]["boat"]["unknown"]
        self.assertIn("boat.room_vents", [f for u in found for f in u["missing"]])

    def test_blower(self) -> None:
        """1 m3 (35 cubic feet) 1.5 V = 1.5 m3 a minute; 2.5 m3 3.75; 6 m3 5.8 (cfr33_183; 3 %)."""
        for volume, minute in ((0.9, 1.416), (1.0, 1.5), (2.5, 3.75), (6.0, 5.83)):
            self.close(60 * float(safety.blower_needed(volume)), minute, rel=0.03)

    def test_petrol_is_warned_and_judged(self) -> None:
        petrol = {"engine__fuel": "petrol", "engine__rated_speed": "4000 rpm"}
        self.assertLessEqual({"blower", "ignition_protected"}, codes(**petrol))
        check = check_of(report(boat(**petrol, room_volume="2 m3", blower="0.02 m3/s")), "boat", "blower")
        self.assertEqual((check["state"], check["danger"]), ("short", True))
        self.assertFalse({"blower", "ignition_protected"} & codes())

    def test_an_open_skin_fitting(self) -> None:
        """38 mm, half a metre down: .6 A sqrt(2 g h) = 128 L/min (by hand)."""
        self.close(
            6e4 * float(safety.inflow(0.038, 0.5)), 6e4 * 0.6 * np.pi / 4 * 0.038**2 * np.sqrt(9.80665), rel=1e-9
        )

    def test_a_bilge_pump_as_it_is_piped(self) -> None:
        """Where its falling curve meets lift and friction: put back in, they balance; too high it moves nothing."""
        from gauge_well.core.flow.pipe import pressure_drop
        from gauge_well.core.parts.bilge_pump import CORRUGATED, FITTINGS, BilgePumpFacts, delivers

        own = BilgePumpFacts("automatic", 1e-3, 3.5, 0.025, 3.0, 1.0)
        q = float(delivers(own, "x"))
        line = float(pressure_drop(q, 0.025, 3.0, 1020.0, 0.9e-6, FITTINGS, CORRUGATED))
        self.close(1020 * 9.80665 * (3.5 * (1 - q / 1e-3) - 1.0), line, rel=1e-4)
        self.close(float(delivers(BilgePumpFacts("automatic", 1e-3, 3.5, 0.025, 3.0, 4.0), "x")), 0.0, abs=1e-9)

    def test_hoses_say_what_they_must_be(self) -> None:
        view = drawn("boat", "safety", *both())
        suction = next(h for h in view["hoses"] if h["name"] == "Raw-water suction")
        self.assertEqual(suction["clamps"], 2)
        self.assertTrue(all(h["grade"] and h["shut"] for h in view["hoses"]))
