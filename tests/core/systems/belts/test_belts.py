"""Belts: length and window by walking the arm, tension by work, grip by integrating the capstan, what cannot be said by name."""

import numpy as np
from scipy.integrate import solve_ivp

from gauge_well.core.geometry.belt import route
from gauge_well.core.systems import SYSTEMS
from gauge_well.core.systems.belts import grip, need, way
from tests.core.systems.belts.builds import FRONT, front
from tests.support import NumbersCase, check_of, context_of, drawn, facts_of, report

TWO = (("crank", 0, 0, 140, "grooved"), ("alternator", -200, 0, 60, "grooved"))


def worked(*rows, **facts):  # type: ignore[no-untyped-def]
    made = front(*rows, **facts)
    context, own = context_of(made), facts_of(made, "belts")
    found = way.way_of(context, own, "first")
    return context, own, found


class Length(NumbersCase):
    def test_two_pulleys_by_hand(self) -> None:
        """140 and 60 mm at 200 mm, cord 2 mm over the ribs: open belt, 2 C cos a + (D + d) pi / 2 + (D - d) a."""
        _, _, found = worked(*TWO)
        big, small, apart = 0.144, 0.064, 0.2
        lean = np.arcsin((big - small) / 2 / apart)
        cord = 2 * apart * np.cos(lean) + (big + small) * np.pi / 2 + (big - small) * lean
        self.close(float(found.route.length[0]), cord, rel=1e-9)
        self.close(float(found.effective[0]), cord - 2 * np.pi * 0.002, rel=1e-9)
        self.close(np.degrees(found.route.wraps[:, 0]).tolist(), [203.07, 156.93], abs=0.01)

    def test_a_vee_belt_is_told_by_its_outside(self) -> None:
        """ISO 4183, narrow section: the datum line lies 2 mm inside the rim, the outside length 4 pi mm over the datum length."""
        _, _, found = worked(*TWO, belts__first__section="vee")
        self.close(float(found.route.radius[0, 0]), 0.068, rel=1e-9)
        self.close(float(found.effective[0] - found.route.length[0]), 0.004 * np.pi, rel=1e-9)

    def test_what_a_slot_takes_up(self) -> None:
        """30 mm of belt in the slot, 4 mm off as made at either end, 0.7 % of stretch at the long end."""
        _, _, found = worked(*TWO, belts__first__slot="30 mm")
        low, high = (float(v[0]) for v in way.window(found))
        now = float(found.effective[0])
        self.close(low, now - 0.015 + 0.004, rel=1e-9)
        self.close(high, (now + 0.015) / 1.007 - 0.004, rel=1e-9)

    def test_the_arm_walked_step_by_step(self) -> None:
        """Inside 15 % of its travel at either end: lengths there by putting the pulley where the arm swings it."""
        _, _, found = worked()
        low, high = (float(v[0]) for v in way.window(found))
        x, y, r, s = (v[:, 0].copy() for v in (found.route.x, found.route.y, found.route.radius, found.route.sense))
        reach, stands = np.hypot(x[4] + 0.147, y[4] - 0.167), np.arctan2(y[4] - 0.167, x[4] + 0.147)
        ends = []
        for share in (-0.7, 0.7):
            at = stands + share * np.radians(20.0)
            x[4], y[4] = -0.147 + reach * np.cos(at), 0.167 + reach * np.sin(at)
            ends.append(route(*(v[:, None] for v in (x, y, r, s))).length[0] - 2 * np.pi * 0.002)
        # The steps of the arm lie within a hundredth of its travel.
        self.close(low, min(ends) + 0.004, abs=4e-4)
        self.close(high, max(ends) / 1.007 - 0.004, abs=4e-4)

    def test_lengths_sold(self) -> None:
        self.assertEqual(way.sold(1.508, 1.536), [1.51, 1.515, 1.52, 1.525, 1.53, 1.535])
        self.assertEqual(way.sold(1.511, 1.513), [])


class Pull(NumbersCase):
    def test_the_arm_pulls_as_its_spring_does_work(self) -> None:
        """A small swing: what the spring gives is what the belt's tension takes over the length it yields."""
        _, _, found = worked()
        arm = way.arm_of(found)
        tension = float(np.ravel(grip.arm_pull(found, np.array([[0.0]])))[0])
        step = 1e-5
        x, y, r, s = (v[:, 0].copy() for v in (found.route.x, found.route.y, found.route.radius, found.route.sense))
        at = arm.stands + step
        x[4], y[4] = -0.147 + arm.reach * np.cos(at), 0.167 + arm.reach * np.sin(at)
        yields = route(*(v[:, None] for v in (x, y, r, s))).length[0] - float(found.route.length[0])
        self.close(tension * abs(yields), 24.0 * step, rel=5e-3)

    def test_two_pulleys_on_locked_centres(self) -> None:
        """Mean tension as set; across the alternator P / v; on the crank the same, so one over and one under the mean."""
        context, own, found = worked(*TWO, belts__blip="0 rpm", belts__first__tension="60 N")
        got = grip.worked(context, own, found)
        speed = 800 * np.pi / 30 * 0.072
        across = 700 / 0.55 / speed
        self.close(float(got.belt[0, 0]), speed, rel=1e-9)
        tight, slack = float(got.ahead[1, 0, 0]), float(got.ahead[0, 0, 0])
        self.close(tight - slack, across, rel=1e-9)
        self.close((tight + slack) / 2, 360.0, rel=1e-9)

    def test_spinning_up(self) -> None:
        """2.5 kg at 35 mm through 144 / 64, 3,000 rev/min in a second at 800: J a r^2 w."""
        context, own, found = worked(*TWO)
        still = grip.worked(*worked(*TWO, belts__blip="0 rpm"))
        spun = float(grip.worked(context, own, found).powers[1, 0, 0] - still.powers[1, 0, 0])
        ratio = 144 / 64
        self.close(spun, 2.5 * 0.035**2 * (3000 * np.pi / 30) * ratio**2 * (800 * np.pi / 30), rel=1e-9)

    def test_grip_by_integrating_the_capstan(self) -> None:
        """dT = mu (T - m v^2) d theta from the slack to the tight side: the angle it needs, against the wrap there is."""
        context, own, found = worked()
        got = grip.worked(context, own, found)
        for at, mu in ((3, 1.0), (2, 0.3), (0, 1.0)):
            for j in (0, 7, 14):
                flung = float(got.mass[0] * got.belt[j, 0] ** 2)
                ends = sorted((float(got.ahead[at, j, 0]), float(got.ahead[(at + 1) % 5, j, 0])))

                def there(_, t, high=ends[1]):  # type: ignore[no-untyped-def]
                    return t[0] - high

                there.terminal = True
                run = solve_ivp(
                    lambda _, t, f=flung, m=mu: [m * (t[0] - f)],
                    (0, 200),
                    [ends[0]],
                    events=there,
                    rtol=1e-9,
                    atol=1e-9,
                )
                held = min(float(found.route.wraps[at, 0]) / run.t[-1], grip.HELD_MOST)
                self.close(held, float(got.margins[at, j, 0]), rel=1e-5)

    def test_a_hub_bears_both_its_spans(self) -> None:
        """Half a turn bears their sum: of two equal pulleys twice the mean of what grips."""
        rows = (("crank", 0, 0, 100, "grooved"), ("alternator", -200, 0, 100, "grooved"))
        got = grip.worked(*worked(*rows, belts__blip="0 rpm"))
        flung = float(got.mass[0] * got.belt[0, 0] ** 2)
        self.close(float(got.hubs[1, 0, 0]), float(got.ahead[:, 0, 0].sum()) - 2 * flung, rel=1e-9)

    def test_fast_locked_centres_lose_what_an_arm_keeps(self) -> None:
        """At the limit m v^2 eats the grip of locked centres, not of a sprung arm (common practice)."""
        kept = grip.worked(*worked()).margins[2, -1, 0]
        locked = [row for row in FRONT if row[0] != "tensioner"]
        lost = grip.worked(*worked(*locked)).margins[2, -1, 0]
        self.assertLess(lost, 0.6 * kept)


class Said(NumbersCase):
    def system(self, *rows, **facts):  # type: ignore[no-untyped-def]
        return report(front(*rows, **facts))

    def test_a_front_that_serves(self) -> None:
        found = self.system(belts__first__owned="1535 mm")
        self.assertEqual({c["state"] for c in found["systems"]["belts"]["checks"]}, {"holds"})

    def test_no_way_is_said_by_name(self) -> None:
        near = [*FRONT[:4], ("tensioner", -60, 60, 76, "back")]
        found = check_of(self.system(*near), "belts", "first_way")
        self.assertEqual(found["fill_code"], "no_way")
        self.assertIn("crank", found["sentence"])
        turned = [FRONT[0], *reversed(FRONT[1:])]
        self.assertEqual(check_of(self.system(*turned), "belts", "first_way")["fill_code"], "no_way")

    def test_a_belt_too_long_and_one_moved_to_serve(self) -> None:
        found = self.system(belts__first__owned="1575 mm")
        self.assertEqual(check_of(found, "belts", "first_length")["state"], "short")
        made = front(belts__first__owned="1575 mm")
        tried = SYSTEMS["belts"].candidates(context_of(made), facts_of(made, "belts"))
        moved = next(c for c in tried if c.id.startswith("first_move_"))
        rows = []
        for i, row in enumerate(FRONT):
            to = {k.rpartition(".")[2]: 1000 * v for k, v in moved.changes.items() if k.split(".")[2] in _id(made, i)}
            rows.append((row[0], to.get("right", row[1]), to.get("up", row[2]), *row[3:]))
        again = self.system(*rows, belts__first__owned="1575 mm")
        self.assertEqual(check_of(again, "belts", "first_length")["state"], "holds")

    def test_an_arm_along_the_belt_is_at_its_dead_point(self) -> None:
        made = front(arm={"pivot_right": "-190 mm", "pivot_up": "55 mm", "spring": "24 Nm", "travel": "40 deg"})
        found = check_of(report(made), "belts", "first_dead")
        self.assertEqual((found["fill_code"], found["state"]), ("dead_point", "short"))

    def test_hardly_any_wrap_and_nearly_a_turn(self) -> None:
        rows = (
            ("crank", 0, 0, 140, "grooved"),
            ("other", 160, 73, 60, "grooved"),
            ("alternator", 320, 200, 60, "grooved"),
        )
        codes = {n["code"] for n in self.system(*rows)["systems"]["belts"]["notices"]}
        self.assertIn("wrap_none", codes)

    def test_the_tensioner_on_the_tight_side(self) -> None:
        """The crank turns clockwise seen from the front and pulls the belt in on its right (common practice)."""
        rows = (
            ("crank", 0, 0, 140, "grooved"),
            ("tensioner", 90, 130, 76, "back"),
            ("alternator", 190, 255, 60, "grooved"),
            ("steering", -185, 235, 130, "grooved"),
        )
        made = front(*rows, arm={"pivot_right": "150 mm", "pivot_up": "60 mm"})
        codes = {n["code"] for n in report(made)["systems"]["belts"]["notices"]}
        self.assertIn("arm_tight", codes)
        self.assertNotIn("arm_tight", {n["code"] for n in self.system()["systems"]["belts"]["notices"]})

    def test_what_turns_too_fast_gets_a_larger_pulley(self) -> None:
        small = [*FRONT[:3], ("alternator", -190, 255, 44, "grooved"), FRONT[4]]
        found = self.system(*small)
        self.assertEqual(check_of(found, "belts", "first_driven")["state"], "short")

    def test_a_bracket_that_bears_less_than_the_belt_pulls(self) -> None:
        """A hub bears some hundreds of newtons (common practice); a bracket good for 50 does not."""
        weak = [(*row, {"bracket": "50 N"}) if row[0] == "alternator" else row for row in FRONT]
        found = [c for c in self.system(*weak)["systems"]["belts"]["checks"] if c["id"].startswith("first_bracket")]
        self.assertEqual([c["state"] for c in found], ["short"])
        self.between(found[0]["demand"], 200.0, 2000.0)

    def test_nothing_stated_asks_nothing(self) -> None:
        made = front()
        made["parts"] = []
        found = report(made)["systems"]["belts"]
        self.assertEqual((found["state"], found["checks"]), ("unknown", []))
        none = report({**made, "belts": {"count": "none"}})["systems"]["belts"]
        self.assertEqual((none["unknown"], none["need"]), ([], []))

    def test_a_second_belt_has_its_own_row(self) -> None:
        rows = [
            *FRONT,
            ("crank", 0, 0, 120, "grooved", {"on": "second"}),
            ("aircon", 180, -60, 120, "grooved", {"on": "second"}),
        ]
        found = self.system(*rows)
        self.assertEqual({c["part"] for c in found["systems"]["belts"]["checks"]}, {"first", "second"})

    def test_a_low_one_keeps_off_the_ground(self) -> None:
        """Crank at 350 mm, an air-conditioning 150 mm under it on 120 mm: 350 - 150 - 60 and the belt, over what the ground keeps."""
        rows = [
            *FRONT,
            ("aircon", 100, -150, 120, "grooved", {"on": "second"}),
            ("crank", 0, 0, 120, "grooved", {"on": "second"}),
        ]
        found = self.system(
            *rows,
            fit__placed="stated",
            fit__crank_height="350 mm",
            fit__from_panel="200 mm",
            fit__unit__length="550 mm",
            fit__unit__cover="400 mm",
            fit__bay__length="900 mm",
            fit__bay__rails="800 mm",
            fit__bay__edge="900 mm",
            installation__ground_needed="170 mm",
        )
        check = check_of(found, "belts", "second_ground")
        self.assertEqual(check["state"], "short")
        self.close(check["capacity"], 0.35 - 0.15 - 0.062 - 0.0045, abs=0.012)
        bumped = check_of(found, "belts", "second_bump")
        self.close(bumped["capacity"], check["capacity"] - context_of(front()).given["fit_bump_m"], rel=1e-6)


def _id(made, at):  # type: ignore[no-untyped-def]
    """The place of a pulley in a build, by its order."""
    own = facts_of(made, "belts").pulleys
    return (own[at][0],)


class Asked(NumbersCase):
    def test_ribs_at_idle(self) -> None:
        """Ribs carry what half a turn's wrap holds of 50 N each: e^(pi/1.2) over the slack, twice 50 between them."""
        context = context_of(front())
        ratio = np.exp(np.pi / 1.2)
        each = 100.0 * (ratio - 1) / (ratio + 1)
        speed = 800 * np.pi / 30 * 0.072
        self.close(grip.ribs_for(context, 2000.0, 0.14), 2000.0 / speed / each, rel=1e-9)

    def test_the_alternators_pulley_by_its_limit(self) -> None:
        """18,000 over 6,500 is 2.77: a crank of 140 mm asks 48 mm over the ribs at least (common practice)."""
        made = front()
        asked = {n.quantity: n for n in need.needs(context_of(made), facts_of(made, "belts"))}
        self.close(float(asked["alternator_pulley"].value), 0.144 * 6500 / 18000 - 0.004, rel=1e-9)


class Drawn(NumbersCase):
    def test_a_pulley_dragged_is_the_build_with_it_there(self) -> None:
        made = front()
        context, own = context_of(made), facts_of(made, "belts")
        dragged = drawn("belts", "route", context, own, {"pulley": 3, "right": -0.22, "up": 0.27})
        there = front(*[(*row[:1], -220, 270, *row[3:]) if row[0] == "alternator" else row for row in FRONT])
        still = drawn("belts", "route", context_of(there), facts_of(there, "belts"))
        self.close(dragged["bought"]["now"], still["bought"]["now"], rel=1e-9)
        self.close([p["margin"] for p in dragged["pulleys"]], [p["margin"] for p in still["pulleys"]], rel=1e-9)

    def test_along_the_line_the_belt_there_lies_in_the_middle(self) -> None:
        made = front(belts__first__owned="1575 mm")
        context, own = context_of(made), facts_of(made, "belts")
        places = drawn("belts", "places", context, own, {"pulley": 3})
        self.assertGreater(len(places["line"]), 10)
        for x, y, *_ in places["line"][:: max(len(places["line"]) // 6, 1)]:
            seen = drawn("belts", "route", context, own, {"pulley": 3, "right": x, "up": y})
            self.close(seen["bought"]["now"] - 1.575, places_middle(context, own), abs=2e-4)

    def test_places_that_serve_keep_wraps_and_gaps(self) -> None:
        made = front()
        context, own = context_of(made), facts_of(made, "belts")
        places = drawn("belts", "places", context, own, {"pulley": 3})
        serves = np.array(places["serves"])
        self.assertTrue(0.0 < places["share"] < 1.0)
        rows, columns = np.nonzero(serves)
        now = [p["wrap"] for p in drawn("belts", "route", context, own)["pulleys"]]
        wished = np.radians([120, 90, 100, 120, 60])
        for k in range(0, rows.size, max(rows.size // 8, 1)):
            at = {"pulley": 3, "right": places["xs"][columns[k]], "up": places["ys"][rows[k]]}
            seen = drawn("belts", "route", context, own, at)
            self.assertEqual(seen["why"], "")
            self.assertTrue(
                all(p["wrap"] >= min(w, n) - 1e-6 for p, w, n in zip(seen["pulleys"], wished, now, strict=True))
            )

    def test_presets_close_and_scale(self) -> None:
        made = front(engine__displacement="4 L")
        made["parts"] = []
        view = drawn("belts", "presets", context_of(made), facts_of(made, "belts"))
        self.close(view["crank"], 0.14 * 2 ** (1 / 3), rel=1e-9)
        for preset in view["presets"]:
            rows = [
                (p["what"], 1000 * p["right"], 1000 * p["up"], 1000 * p["diameter"], p["side"])
                for p in preset["pulleys"]
            ]
            self.assertTrue(worked(*rows)[2].closes, preset["id"])


def places_middle(context, own):  # type: ignore[no-untyped-def]
    """By how much the length as it stands lies over the middle of what serves [m]."""
    low, high = (float(v[0]) for v in way.window(way.way_of(context, own, "first")))
    return float(way.way_of(context, own, "first").effective[0]) - (low + high) / 2
