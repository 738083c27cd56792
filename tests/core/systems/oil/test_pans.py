"""Pans of every shape against closed forms and random points; pickup by its drop, its mouth, the stick, the crank."""

import math

import numpy as np

from gauge_well.core.errors import CoreError
from gauge_well.core.geometry.free_surface import surface_height, volume_below
from gauge_well.core.systems.oil import covering, dipping, levels
from gauge_well.core.systems.oil.pan import over_floor, pan_of
from gauge_well.core.systems.oil.views import installed
from gauge_well.core.typing import likely
from gauge_well.sheet import SheetError
from tests.core.systems.oil.builds import WET, notice, shown, with_oil
from tests.support import NumbersCase, changed, check_of, context_of, facts_of, report

UP = np.array([0.0, 0.0, 1.0])


def built(**facts: object) -> tuple:
    found = facts_of(with_oil(**facts), "oil")
    return found, pan_of(found)


class Shapes(NumbersCase):
    def test_volumes_by_hand(self) -> None:
        """460 x 240 mm pans to their rail: lengths times depths times width."""
        for shape, more, litres in (
            ("box", {}, 0.46 * 0.24 * 0.14),
            ("front_well", {}, (0.24 * 0.14 + 0.22 * 0.05) * 0.24),
            ("centre_well", {"pan__well_start": "100 mm"}, (0.24 * 0.14 + 0.22 * 0.05) * 0.24),
            (
                "kicked",
                {"pan__kick_width": "60 mm", "pan__kick_height": "50 mm"},
                (0.24 * 0.14 + 0.22 * 0.05) * 0.24 + 2 * 0.06 * 0.05 * 0.24,
            ),
        ):
            at = "200 mm" if shape in ("centre_well", "kicked") else "300 mm" if shape == "front_well" else "120 mm"
            _, pan = built(pan__shape=shape, pickup__x=at, **more)
            self.close(pan.holds, litres, rel=1e-9, note=shape)

    def test_under_any_plane_against_random_points(self) -> None:
        """Half a million points of a kicked-out pan whose floor leans, under a tilted plane: within their own doubt (1 %)."""
        shape = {"pan__kick_width": "60 mm", "pan__kick_height": "50 mm", "pan__floor_roll": "6 deg"}
        _, pan = built(pan__shape="kicked", **shape)
        normal = np.array([0.3, -0.2, math.sqrt(1 - 0.13)])
        rng = np.random.default_rng(5)
        low, high = np.array([0.0, -0.2, -0.18]), np.array([0.46, 0.2, 0.0])
        x, y, z = rng.uniform(low, high, (500_000, 3)).T
        # A point is in it where its height undone of the floor's lean is within the walls that stand there.
        true = z / (1.0 - y * math.tan(math.radians(6.0)) / 0.14)
        deep = np.where(x < 0.24, 0.14, 0.05)
        half = np.where((x < 0.24) & (true < -0.09), 0.18, 0.12)
        inside = (true < 0.0) & (true > -deep) & (np.abs(y) < half)
        under = inside & (x * normal[0] + y * normal[1] + z * normal[2] <= -0.06)
        box = float(np.prod(high - low))
        found = volume_below(pan.body, normal, np.asarray(-0.06))
        self.close(found, under.mean() * box, rel=0.01)

    def test_a_leaning_floor_changes_no_volume_of_a_middle_pan(self) -> None:
        _, flat = built(pan__shape="box")
        _, leant = built(pan__shape="box", pan__floor_roll="8 deg")
        self.close(leant.holds, flat.holds, rel=1e-9)
        self.close(leant.floor, flat.floor, abs=1e-12, note="the pickup stands in the middle")
        _, aside = built(pan__shape="box", pan__floor_roll="8 deg", pickup__y="50 mm")
        self.close(aside.floor, -0.14 + 0.05 * math.tan(math.radians(8.0)), abs=1e-9)

    def test_cannot_be(self) -> None:
        crossed = "0 mm, 0 mm\n0 mm, 150 mm\n400 mm, 0 mm\n400 mm, 150 mm"
        for field, facts in (
            ("oil.pan.outline", {"pan__shape": "outline", "pan__outline": crossed}),
            (
                "oil.old_pan.outline",
                {"old_pan__shape": "outline", "old_pan__outline": crossed, "old_pan__width": "1 m"},
            ),
            ("oil.pickup.x", {"pickup__x": "900 mm"}),
            ("oil.oil_quantity", {"oil_quantity": "60 L"}),
            ("oil.pan.well_length", {"pan__shape": "centre_well", "pan__well_start": "300 mm"}),
        ):
            with self.assertRaises(SheetError) as caught:
                report(with_oil(**facts))
            self.assertEqual([p.field for p in caught.exception.problems], [field])


class Mouth(NumbersCase):
    def test_over_the_floor_by_its_drop(self) -> None:
        """132 mm below the block, a pan 140 deep on a gasket of 1: nine over its floor."""
        facts, pan = built(pickup__drop="132 mm", gasket="1 mm")
        self.close(over_floor(facts, pan), 0.009, abs=1e-9)
        self.close(pan.pickup[2], 0.001 - 0.132, abs=1e-9)

    def test_a_mouth_in_the_floor_is_said_by_name(self) -> None:
        """A pickup made for a deeper pan: 150 mm down over 140 of pan, and the spacer that clears it is a remedy."""
        found = check_of(report(with_oil(pickup__drop="150 mm")), "oil", "pickup_floor")
        self.assertGreater(found["fill"], 2.0)
        self.assertIn("a spacer under the pan", found["sentence"])
        self.close(
            check_of(report(with_oil(pickup__drop="150 mm", gasket="16 mm")), "oil", "pickup_floor")["fill"], 0.0
        )

    def test_its_lean_against_the_floor(self) -> None:
        """Eight degrees of mouth on a floor of three are five apart; both alike are parallel."""
        facts, pan = built(pickup__mouth_roll="8 deg", pan__floor_roll="3 deg")
        self.close(np.degrees(covering.mouth_tilt(facts, pan)), 5.0, abs=1e-6)
        facts, pan = built(pickup__mouth_roll="3 deg", pan__floor_roll="3 deg")
        self.close(covering.mouth_tilt(facts, pan), 0.0, abs=1e-6)
        facts, pan = built(pickup__mouth_roll="10 deg", pickup__mouth_pitch="10 deg")
        self.close(covering.mouth_tilt(facts, pan), math.atan(math.hypot(*[math.tan(math.radians(10))] * 2)), abs=1e-9)

    def test_a_leaning_mouth_wants_half_its_width_more(self) -> None:
        """50 mm across at ten degrees: its upper edge stands 25 sin 10 = 4.3 mm higher."""
        raw = with_oil(pickup__mouth="50 mm")
        leant = changed(raw, oil__pickup__mouth_roll="10 deg")
        (context, facts), (other, leaning) = ((context_of(r), facts_of(r, "oil")) for r in (raw, leant))
        straight = covering.cover(context, facts, pan_of(facts))
        self.close(
            covering.cover(other, leaning, pan_of(leaning)) - straight, 0.025 * math.sin(math.radians(10.0)), abs=1e-9
        )

    def test_a_parallel_one_covers_more(self) -> None:
        view = shown(WET, "installed")
        self.close(np.degrees(view.mouth.tilt), 5.0, abs=1e-6)
        for now, parallel in zip(view.mouth.now, view.mouth.parallel, strict=True):
            self.assertGreaterEqual(parallel, now)
        self.assertGreater(sum(view.mouth.parallel), sum(view.mouth.now))


class Stick(NumbersCase):
    # A box of 400 x 250 mm: 10 mm of oil are a litre.
    BOX = {
        "pan__shape": "box",
        "pan__length": "400 mm",
        "pan__width": "250 mm",
        "pan__depth": "140 mm",
        "pickup__x": "200 mm",
        "oil_quantity": "6 L",
        "dipstick__x": "200 mm",
        "dipstick__seat": "300 mm",
    }

    def marks(self, **more: object) -> levels.Marks:
        raw = with_oil(**self.BOX, **{k: v for k, v in more.items() if not k.startswith("installation")})
        raw = changed(raw, **{k: v for k, v in more.items() if k.startswith("installation")})
        facts = facts_of(raw, "oil")
        found = levels.marks(context_of(raw), facts, pan_of(facts))
        assert found is not None
        return found

    def test_upright_by_hand(self) -> None:
        """Six litres stand 60 mm over the floor, 80 under the rail: 380 mm from a seat 300 over it, low 10 mm lower."""
        found = self.marks()
        self.close([found.full, found.low], [0.380, 0.390], abs=1e-9)

    def test_a_leaning_stick_stretches_its_marks(self) -> None:
        """20 mm apart upright are 21.3 at 20 degrees (1 / cos 20)."""
        found = self.marks(dipstick__lean_left="20 deg", dipstick__between="2 L")
        self.close(found.low - found.full, 0.020 / math.cos(math.radians(20.0)), abs=1e-9)
        self.close(found.low - found.full, 0.0213, abs=5e-5)

    def test_in_the_installed_attitude(self) -> None:
        """A pan rolled ten degrees, the stick in its middle: the surface keeps its middle while no wall's foot is dry."""
        found = self.marks(installation__engine_roll="10 deg")
        self.close(found.full, 0.380, abs=1e-9)
        aside = self.marks(installation__engine_roll="10 deg", dipstick__y="100 mm")
        # Left side up: the seat 100 mm to the left is so much farther over the oil, along a stick square to the rail.
        self.close(aside.full, 0.380 + 0.1 * math.tan(math.radians(10.0)), abs=1e-9)

    def test_pour_and_wait(self) -> None:
        """Read 10 mm lower than the mark: by its measures the pan would hold 5 L to there, six were poured."""
        self.close(self.marks(dipstick__wetted="390 mm").poured, 5e-3, abs=1e-9)
        self.assertIn("measure it again", notice(with_oil(**self.BOX, dipstick__wetted="390 mm"), "poured"))
        self.assertIn("bears the pan out", notice(with_oil(**self.BOX, dipstick__wetted="381 mm"), "poured"))

    def test_levels_to_mark_by(self) -> None:
        raw = with_oil(**self.BOX)
        view = shown(raw, "installed")
        for level in view.levels:
            self.close(level.over_floor, level.volume / 0.1, abs=1e-9)
            self.close(level.below_rail, 0.14 - level.volume / 0.1, abs=1e-9)


class Crank(NumbersCase):
    def test_by_hand(self) -> None:
        """Crank 60 mm over the rail, throw 45 and a rod's end 38: 23 mm under the rail; oil 80 under it clears by 57."""
        raw = changed(with_oil(**Stick.BOX, oil_up="0 L", crank_height="60 mm"), engine__stroke="90 mm")
        context, facts = context_of(raw), facts_of(raw, "oil")
        pan = pan_of(facts)
        self.close(dipping.clear(context, facts, pan, UP, 6e-3), 0.057, abs=1e-9)
        # Thrown to one side at 45 degrees the surface's plane is met square.
        n = np.array([0.0, 1.0, 1.0]) / math.sqrt(2.0)
        d = float(surface_height(pan.body, n, np.asarray(6e-3)))
        self.close(dipping.clear(context, facts, pan, n, 6e-3), 0.06 / math.sqrt(2.0) - 0.083 - d, abs=1e-9)

    def test_overfilled_and_dipping_are_said(self) -> None:
        full = changed(
            with_oil(**Stick.BOX | {"oil_quantity": "12 L"}, oil_up="0 L", crank_height="60 mm"), engine__stroke="90 mm"
        )
        found = check_of(report(full), "oil", "crank_dip")
        self.assertEqual(found["state"], "short")
        self.assertIn("dip", found["sentence"])
        near = changed(full, oil__oil_quantity="11.5 L")
        self.assertIn("fill by the stick", notice(near, "overfilled_dips"))

    def test_standing_before_it_starts(self) -> None:
        """Twelve litres stand 20 mm under the rail, the big ends 23: they stand in it by three."""
        raw = changed(with_oil(**Stick.BOX | {"oil_quantity": "12 L"}, crank_height="60 mm"), engine__stroke="90 mm")
        self.assertIn("stand 3\xa0mm in the oil", notice(raw, "standing_dips"))
        self.assertEqual(notice(changed(raw, oil__oil_quantity="11 L"), "standing_dips"), "")

    def test_nothing_is_said_of_a_crank_nobody_measured(self) -> None:
        ids = {c["id"] for c in report(with_oil())["systems"]["oil"]["checks"]}
        self.assertFalse(ids & {"crank_dip", "crank_foam"})


class Installed(NumbersCase):
    def test_a_level_box_is_drawn_as_it_is(self) -> None:
        """Oil of six litres in a box of 400 x 250: 60 mm high from the side and from behind, the whole plan wet."""
        raw = with_oil(**Stick.BOX)
        view = shown(raw, "installed")
        for seen, size in ((view.side, (0.4, 0.06)), (view.end, (0.25, 0.06)), (view.plan, (0.25, 0.4))):
            points = np.array([p for piece in seen.oil for p in piece])
            self.close(np.ptp(points, axis=0), size, abs=2e-4)

    def test_levels_at_another_attitude(self) -> None:
        """Nose up 20 degrees the oil of six litres runs to the flywheel: 200 tan 20 = 73 mm either side of 60, one end dry.
        By the wedge: what stands at the middle is ``sqrt(2 V t / w) - (400 - x) t`` counted from the dry end's line."""
        raw = with_oil(**Stick.BOX)
        context, facts = context_of(raw), facts_of(raw, "oil")
        view = installed.show(context, facts, {"nose": math.radians(20.0)})
        six = [level for level in view.levels if abs(level.volume - 5.6e-3) < 1e-9]
        t = math.tan(math.radians(20.0))
        for level in six:
            long = math.sqrt(2.0 * level.volume / (0.25 * t))
            self.assertLess(long, 0.4)
            self.close(level.over_floor, (long - 0.2) * t, abs=1e-6)
        self.assertTrue(six)
        with self.assertRaises(CoreError):
            installed.show(context, facts, {"lean": 2.0})

    def test_a_transverse_engine_is_seen_across(self) -> None:
        raw = changed(with_oil(**Stick.BOX), installation__engine_yaw="90 deg")
        view = shown(raw, "installed")
        self.close(np.ptp(np.array([p for e in view.side.edges for p in e])[:, 0]), 0.25, abs=2e-4)
        self.close(np.ptp(np.array([p for e in view.end.edges for p in e])[:, 0]), 0.4, abs=2e-4)

    def test_old_beside_new(self) -> None:
        """The old pan's floor under the fitted pickup lies 40 mm below the rail: the mouth, 131 below it, meets it."""
        view = shown(WET, "installed")
        fitted, old = view.pans
        self.close([fitted.depth, old.depth], [0.14, 0.12], abs=1e-9)
        self.close(old.mouth, 0.001 - 0.132 + 0.040, abs=1e-9)
        self.close(old.spacer, 0.006 - old.mouth + 0.001, abs=1e-9)
        self.close(old.holds, (0.2 * 0.12 + 0.26 * 0.04) * 0.24, rel=1e-9)
        self.assertEqual(fitted.spacer, 0.0)
        self.assertGreater(likely(fitted.to_mark), 0.0)
