"""Gaps by hand, over rock, bounce, lock, bump and heat; what is kept; what others come to know."""

import unittest
from typing import Any

import numpy as np

from gauge_well.core.case import fact_at
from gauge_well.core.run import contexts
from gauge_well.core.systems.fit.gaps import GROWTH, Close, Pose, Turned, gaps, placed_unit, pose_of, scene_of, worst
from gauge_well.core.systems.fit.rooms import solved
from tests.core.systems.fit.builds import FIVE, fitted, solid, with_things
from tests.support import ROAD, NumbersCase, case_of, changed, check_of, report


def close_by(raw: dict[str, Any]) -> dict[str, Close]:
    """Each pair at its worst, by its name."""
    case = case_of(raw)
    context, _ = contexts.make_context(case)
    found = solved(context, case.systems["fit"])
    return {item.name: item for item in worst(found.scene, found.found)}


class ByHand(NumbersCase):
    """Heat grows the engine by a thousandth: its far ends by some tenths of a millimetre, no more."""

    def test_cover_and_bonnet(self) -> None:
        """Edge 850 and frame 20 over it, crank at 400 and cover 385 over that: 85 mm."""
        self.close(close_by(fitted())["Cover and bonnet"].gap, 0.085, abs=5e-4)

    def test_pan_and_crossmember(self) -> None:
        """Crank at 400, shallow pan 120 under it, crossmember's top at 240: 40 mm."""
        self.close(close_by(fitted())["Pan and crossmember"].gap, 0.040, abs=5e-4)

    def test_bell_and_tunnel(self) -> None:
        """Half of 420 less the bell's 160, which a sixteen-sided prism holds by a fiftieth: 47 to 50 mm."""
        self.between(close_by(fitted(fit__from_panel="380 mm"))["Bell and tunnel"].gap, 0.0465, 0.050)

    def test_belt_and_stack(self) -> None:
        """Pulley 260 behind the panel, the stack 130 deep: 130 mm."""
        self.close(close_by(fitted())["Belt drive and radiator stack"].gap, 0.130, abs=5e-4)

    def test_the_side_and_the_rail(self) -> None:
        """Half of 860 between the rails less 260, at the rail's height; crank 10 to the left takes that off."""
        at = {"fit__bay__rail_top": "620 mm"}
        self.close(close_by(fitted(**at))["Left side and left rail"].gap, 0.170, abs=5e-4)
        left = fitted(**at, fit__crank_left="10 mm")
        self.close(close_by(left)["Left side and left rail"].gap, 0.160, abs=5e-4)

    def test_heat_grows_it(self) -> None:
        """385 less the axis' 96 over the crank, by 80 K of 12e-6: 0.28 mm off the bonnet."""
        grown = 0.085 - close_by(fitted())["Cover and bonnet"].gap
        self.close(grown, GROWTH * (0.385 - 0.25 * 0.385), abs=2e-5)

    def test_exhaust_grows_more(self) -> None:
        """A manifold 160 across: 17e-6 of 450 K are 1.2 mm nearer the rail, beside the engine's own."""
        box = {
            "ahead": "300 mm",
            "over": "300 mm",
            "long": "200 mm",
            "wide": "160 mm",
            "high": "60 mm",
            "left": "240 mm",
        }
        kinds = (solid(what, "unit", shape="box", **box) for what in ("manifold", "accessory"))
        hot, cool = (close_by(with_things(fitted(fit__bay__rail_top="760 mm"), thing)) for thing in kinds)
        grown = cool["Accessory and left rail"].gap - hot["Manifold and left rail"].gap
        self.close(grown, 17e-6 * 450.0 * 0.16, abs=1e-4)

    def test_in_each_other(self) -> None:
        """A cover 500 high stands 30 mm in the bonnet."""
        item = close_by(fitted(fit__unit__cover="500 mm"))["Cover and bonnet"]
        self.close(item.gap, -0.030, abs=5e-4)


class Motions(NumbersCase):
    def test_rock_turns_about_the_elastic_axis(self) -> None:
        """Left side's outer, upper corner, 260 out and 167 over an axis 96 over the crank: by 2 degrees in reverse it
        comes 5.7 mm nearer the rail, by hand from the turned corner; about the crank itself it would be 9."""
        at = {"fit__bay__rail_top": "700 mm", "fit__bay__rails": "700 mm"}
        still, rocked = close_by(fitted(**at)), close_by(fitted(**at, fit__rock="2 deg"))
        rock, name = np.deg2rad(2.0), "Left side and left rail"
        over = 0.45 * 0.385 + 0.09 - 0.25 * 0.385
        out = 0.26 * np.cos(rock) + over * np.sin(rock)
        self.close(still[name].gap - rocked[name].gap, out - 0.26, abs=5e-4)
        self.assertIn("reverse", rocked[name].position)

    def test_an_axle_s_torque_nods_it(self) -> None:
        """Two degrees about a line across it, 240 ahead of the bell's face and 96 over the crank: the cover's front upper
        edge, 513 ahead and 385 over, comes up by its turned corner, front up as in reverse."""
        still, nods = close_by(fitted()), close_by(fitted(fit__rock="2 deg", fit__rocks="nod"))
        rock, name = np.deg2rad(2.0), "Cover and bonnet"
        ahead, over = 0.95 * (0.6 - 0.06) - 0.4 * 0.6, 0.385 - 0.09625
        up = ahead * np.sin(rock) - over * (1.0 - np.cos(rock))
        self.close(still[name].gap - nods[name].gap, up, abs=8e-4)
        self.assertIn("reverse", nods[name].position)

    def test_two_degrees_at_450_mm(self) -> None:
        """16 mm (the design's own figure, by sin)."""
        self.close(0.45 * np.sin(np.deg2rad(2.0)), 0.0157, abs=1e-4)

    def test_bounce(self) -> None:
        """8 mm up takes 8 off the bonnet, 8 down as many off the crossmember."""
        still, found = close_by(fitted()), close_by(fitted(fit__bounce="8 mm"))
        for name, word in (("Cover and bonnet", "lifted"), ("Pan and crossmember", "sunk")):
            self.close(still[name].gap - found[name].gap, 0.008, abs=1e-6)
            self.assertIn(word, found[name].position)

    def test_a_beam_comes_up_with_the_wheels(self) -> None:
        """Its top at 150 under a pan's floor at 200 (the well's) leaves 50 at rest, and at 60 of bump is 10 in it."""
        beam = {"fit__bay__beam": "yes", "fit__bay__beam_top": "150 mm", "fit__bay__bump": "60 mm"}
        raw = fitted(**beam, fit__unit__well="whole", fit__bay__member_top="100 mm")
        item = close_by(raw)["Pan's well and axle beam"]
        self.close(item.gap, -0.010, abs=5e-4)
        self.assertIn("full bump", item.position)

    def test_full_lock_moves_what_steers(self) -> None:
        """A rod's end 200 to the left of a thing on the engine comes 75 nearer at full lock."""
        rod = solid(
            "metal",
            "steer",
            shape="box",
            ahead="0.2 m",
            left="560 mm",
            over="400 mm",
            long="40 mm",
            wide="40 mm",
            high="40 mm",
        )
        raw = with_things(fitted(fit__steering__travel="75 mm", fit__bay__rail_top="200 mm"), rod)
        item = (
            close_by(raw)["Other metal and other metal"]
            if False
            else next(c for n, c in close_by(raw).items() if "other metal" in n)
        )
        self.assertIn("full lock right", item.position)

    def test_what_hangs_follows_the_engine_at_its_first_end(self) -> None:
        """A pipe from the engine to a hanger: rocked, its first end moves, its last stays."""
        pipe = solid(
            "pipe",
            "hung",
            shape="round",
            ahead="100 mm",
            left="-200 mm",
            over="-100 mm",
            diameter="60 mm",
            to_ahead="-900 mm",
            to_left="0 mm",
            to_over="-50 mm",
        )
        case = case_of(with_things(fitted(fit__rock="3 deg"), pipe))
        scene = scene_of(case.systems["fit"], Turned("front_long", 0.0, 0.0, 0.0, 0.12))
        at = scene.pose.rotation, scene.pose.shift
        still, rocked = (placed_unit(scene, at, scene.stances[k])[-1].points for k in (0, 1))
        self.assertGreater(float(np.linalg.norm(rocked[0] - still[0])), 0.005)
        self.close(rocked[1], still[1], abs=1e-12)


class Places(NumbersCase):
    def test_nose_up_lowers_the_bell(self) -> None:
        """The pulley stays where it was taped; 600 behind it 3 degrees are 31.4 mm (by sin)."""
        case = case_of(fitted(installation__engine_pitch="3 deg"))
        pose = pose_of(case.systems["fit"], Turned("front_long", 0.0, np.deg2rad(3.0), 0.0, 0.12))
        self.close(pose.z, 0.4 - 0.6 * np.sin(np.deg2rad(3.0)), abs=1e-9)
        pulley = pose.shift + pose.rotation @ [0.6, 0.0, 0.0]
        panel = fact_at(case, "fit.bay.panel_ahead")
        self.close(pulley, [panel - 0.26, 0.0, 0.4], abs=1e-9)

    def test_every_lie_puts_the_pulley_by_the_wall_it_faces(self) -> None:
        for lie, turn, ahead in (
            ("front_long", 0.0, True),
            ("front_trans", np.pi / 2, True),
            ("rear", np.pi, False),
            ("mid", 0.0, True),
            ("boat", 0.0, True),
            ("tractor", 0.0, True),
        ):
            case = case_of(fitted(installation__lie=lie))
            pose = pose_of(case.systems["fit"], Turned(lie, turn, 0.0, 0.0, 0.12))
            self.assertIsInstance(pose, Pose)
            pulley = pose.shift + pose.rotation @ [0.6, 0.0, 0.0]
            panel, length = fact_at(case, "fit.bay.panel_ahead"), 0.95
            faced = {"rear": -panel, "mid": -panel + length, "boat": -panel + length}.get(lie, panel)
            self.close(abs(faced - pulley[0]), 0.26, abs=1e-9, note=lie)
            self.assertEqual(bool(faced > pulley[0]), ahead, lie)
            self.close(fact_at(case, "installation.engine_yaw"), turn, abs=1e-9)

    def test_a_filter_is_judged_as_it_draws_off(self) -> None:
        """At 30 over the rail's inner face sideways and 90 long, 100 to draw: it meets the rail."""
        can = solid(
            "filter",
            "unit",
            shape="round",
            ahead="300 mm",
            left="160 mm",
            over="-20 mm",
            diameter="80 mm",
            to_ahead="0 mm",
            to_left="90 mm",
            to_over="0 mm",
            withdraw="100 mm",
        )
        found = close_by(with_things(fitted(fit__bay__rail_top="420 mm"), can))
        self.close(found["Filter and left rail"].gap, 0.43 - 0.25 - 0.04, abs=1e-3)
        off = found["Filter drawn off and left rail"]
        self.close(off.gap, 0.43 - 0.35 - 0.04, abs=1e-3)
        self.assertEqual((off.keep, off.position), (0.010, "at rest"))


class Kept(NumbersCase):
    def test_gaps_of_the_trade(self) -> None:
        """mm (common practice): 20 to metal and bonnet, 25 from a belt, 15 to steering and under the pan, 120 of ground."""
        found = close_by(fitted())
        for name, want in (
            ("Cover and bonnet", 20),
            ("Bell and tunnel", 20),
            ("Belt drive and radiator stack", 25),
            ("Pan and steering rack", 15),
            ("Pan and crossmember", 15),
        ):
            self.close(1e3 * found[name].keep, want, abs=1e-9, note=name)
        hose = solid(
            "hose",
            "body",
            shape="round",
            ahead="0 mm",
            left="300 mm",
            over="500 mm",
            diameter="30 mm",
            to_ahead="200 mm",
            to_left="0 mm",
            to_over="0 mm",
        )
        hot = solid(
            "manifold",
            "unit",
            shape="box",
            ahead="300 mm",
            left="200 mm",
            over="150 mm",
            long="300 mm",
            wide="100 mm",
            high="100 mm",
        )
        found = close_by(with_things(fitted(), hose, hot))
        self.close(1e3 * found["Left side and hose"].keep, 25, abs=1e-9)
        self.close(1e3 * found["Manifold and hose"].keep, 75, abs=1e-9)

    def test_a_fan_that_the_belt_drives(self) -> None:
        """Stands 60 before the pulley, 12 are kept of the core (common practice): 260 less 130 less 60 is 70."""
        raw = fitted(cooling__fan__drive="belt", fit__unit__belt_height="100 mm", fit__bay__stack_top="800 mm")
        item = close_by(raw)["Fan and radiator stack"]
        self.close((item.gap, item.keep), (0.070, 0.012), abs=5e-4)

    def test_what_is_kept_can_be_set(self) -> None:
        self.close(close_by(fitted(fit__keep_bonnet="30 mm"))["Cover and bonnet"].keep, 0.030, abs=1e-12)

    def test_the_check_is_fuller_the_nearer(self) -> None:
        """Fill 2 - a / n: 40 of 15 is empty, 15 full, 10 over by a third."""
        for top, want in (("240 mm", 0.0), ("265 mm", 1.0), ("270 mm", 4.0 / 3.0)):
            found = report(fitted(fit__bay__member_top=top))
            self.close(check_of(found, "fit", "gap_member")["fill"], want, abs=0.02, note=top)


class Others(NumbersCase):
    """What oil, exhaust and cooling come to know where nobody taped it."""

    def test_pan_over_the_ground(self) -> None:
        """Crank at 400, well 200 under it: 200 mm at rest, whatever the mounts do."""
        found = report(fitted(fit__bounce="8 mm"))
        self.close(check_of(found, "oil", "ground")["capacity"], 0.200, abs=5e-4)
        self.close(check_of(found, "oil", "crossmember")["capacity"], 0.040, abs=5e-4)

    def test_the_tape_stands(self) -> None:
        """And where the two differ both are said."""
        found = report(fitted(installation__pan_ground="150 mm"))
        self.close(check_of(found, "oil", "ground")["capacity"], 0.150, abs=1e-9)
        said = [n["sentence"] for n in found["systems"]["oil"]["notices"] if n["code"] == "claim"]
        self.assertEqual(len(said), 1)
        self.assertRegex(said[0], r"150\s?mm.* 200\s?mm")
        agreed = report(fitted(installation__pan_ground="203 mm"))
        self.assertEqual([n for n in agreed["systems"]["oil"]["notices"] if n["code"] == "claim"], [])

    def test_room_ahead_of_the_pulley(self) -> None:
        raw = fitted(installation__depth_available=None)
        found = report(raw)
        want = report(changed(ROAD, installation__depth_available="260 mm"))
        self.close(
            check_of(found, "cooling", "stack")["capacity"], check_of(want, "cooling", "stack")["capacity"], abs=1e-9
        )

    def test_no_place_stated_tells_nobody(self) -> None:
        found = report(changed(ROAD, fit=FIVE, installation__depth_available=None))
        ids = {c["id"] for c in found["systems"]["oil"]["checks"]} | {
            c["id"] for c in found["systems"]["cooling"]["checks"]
        }
        self.assertFalse(ids & {"ground", "crossmember", "stack"})
        self.assertIn("place", [n["code"] for n in found["systems"]["fit"]["notices"]])


class FewFacts(NumbersCase):
    def test_five_tapes_give_an_answer_that_nobody_typed_short(self) -> None:
        """Of every lie and size: what was not taped is taken so that it just goes in, and says so."""
        for kind, lie, sizes in (
            ("road_car", "front_long", {}),
            ("road_car", "front_trans", {"bay__rails": "960 mm"}),
            ("hillclimb", "mid", {"bay__length": "1450 mm"}),
            ("hillclimb", "rear", {}),
            ("truck", "front_long", {"bay__edge": "1050 mm"}),
            ("tractor", "tractor", {"bay__edge": "1350 mm", "bay__rails": "620 mm"}),
        ):
            raw = changed(
                ROAD, fit=FIVE, machine__kind=kind, installation__lie=lie, **{f"fit__{k}": v for k, v in sizes.items()}
            )
            block = report(raw)["systems"]["fit"]
            self.assertIn(
                block["state"],
                ("holds", "assumed"),
                f"{kind} {lie} {[c['sentence'] for c in block['checks'] if c['state'] == 'short']}",
            )

    def test_what_cannot_go_in_is_short_by_what_was_taped(self) -> None:
        """An engine higher than the bonnet over the floor, one longer than its bay."""
        for path, value, check in (
            ("fit__unit__cover", "900 mm", "gap_bonnet"),
            ("fit__unit__length", "1400 mm", "gap_bulkhead"),
        ):
            found = report(changed(ROAD, fit=FIVE, **{path: value}))
            self.assertEqual(check_of(found, "fit", check)["state"], "short", path)

    def test_four_tapes_say_which_is_missing(self) -> None:
        block = report(changed(ROAD, fit={k: v for k, v in FIVE.items() if k != "bay.edge"}))["systems"]["fit"]
        self.assertEqual([u["missing"] for u in block["unknown"]], [["fit.bay.edge"]])

    def test_nothing_stated_is_not_started(self) -> None:
        found = report(ROAD)
        self.assertFalse(found["scope"]["fit"]["started"])
        self.assertEqual(found["state"], report(changed(ROAD, scope={"fit": "left_out"}))["state"])


class Gone(unittest.TestCase):
    def test_gaps_of_nothing_near(self) -> None:
        """A space of metres all round: no pair is near, and nothing fails of that."""
        raw = fitted(
            fit__bay__length="7 m",
            fit__bay__rails="3.5 m",
            fit__bay__wings="4.5 m",
            fit__bay__edge="3.9 m",
            fit__crank_height="2 m",
            fit__from_panel="3 m",
        )
        case = case_of(raw)
        context, _ = contexts.make_context(case)
        found = solved(context, case.systems["fit"])
        self.assertGreaterEqual(len(gaps(found.scene).gap), 0)
        self.assertNotEqual(report(raw)["systems"]["fit"]["state"], "short")
