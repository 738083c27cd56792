"""What readings of whole builds teach, what is kept of it, and what a build that goes by it says: against readings made with other
factors, against the march second by second, and against what it was before."""

import unittest
from dataclasses import replace

import numpy as np

from gauge_well.core.case import with_values
from gauge_well.core.drive import course, made
from gauge_well.core.drive.tables import Day
from gauge_well.core.fitted.doing import Doing, duty_of, lasting
from gauge_well.core.fitted.factors import applied, factors_of, home_of, measured
from gauge_well.core.fitted.kept import Kept, is_sound, kept_of, standing
from gauge_well.core.fitted.lesson import learn
from gauge_well.core.fitted.predict import HALVES, WHATS, Reading, predict, widened
from gauge_well.core.measured import Measured
from gauge_well.core.run.contexts import make_context
from gauge_well.core.run.runs import run
from gauge_well.core.run.sampling import draw
from gauge_well.core.tolerance import Known
from tests.core.drive.test_march import drive
from tests.core.start.made import build

CLIMBS = ((110.0, 0.0), (50.0, 0.08), (80.0, 0.05), (70.0, 0.07))


def truck_readings(truth, noise=0.0, whats=tuple(WHATS)):
    """A truck's gauges on four roads, its factors other than 1."""
    case = build("quarry-mule")
    factors = factors_of(case)
    doings = [duty_of(case, Doing(ambient=298.15, speed=v / 3.6, grade=g)) for v, g in CLIMBS]
    plain = [Reading(f"{w}{k}", w, 370.0, HALVES[w], d) for k, d in enumerate(doings) for w in whats]
    theta = np.array([[truth.get(f.id, 1.0) for f in factors]])
    values = predict(case, plain, factors, theta)[0] + noise * np.random.default_rng(3).normal(size=len(plain))
    return case, factors, [replace(r, value=float(v)) for r, v in zip(plain, values, strict=True)]


class Learned(unittest.TestCase):
    def test_what_was_other_is_found_within_its_own_doubt(self) -> None:
        truth = {"heat": 1.1, "core": 0.85, "flow": 0.9}
        case, factors, readings = truck_readings(truth, noise=0.8)
        found = learn(case, readings)
        for k, factor in enumerate(factors):
            off = abs(np.log(found.fitted.mean[k] / truth.get(factor.id, 1.0)))
            # Twice what it says it is unsure of.
            self.assertLess(off, 2.0 * found.fitted.sd[k] + 0.02, factor.id)
        self.assertLess(found.residual, 1.5)
        self.assertGreater(found.residual_before, 5.0 * found.residual)
        self.assertGreater(found.effective, 100.0)

    def test_after_the_fit_what_was_read_lies_in_its_band_and_the_band_is_narrower(self) -> None:
        case, _, readings = truck_readings({"core": 0.8}, noise=0.5)
        for told in learn(case, readings).foretold:
            self.assertLess(told.after[2] - told.after[1], 0.6 * (told.before[2] - told.before[1]))
            self.assertLess(abs(told.after[0] - told.reading.value), told.reading.half)

    def test_a_gauge_that_lies_is_weighed_down_and_hardly_moves_the_rest(self) -> None:
        case, _, readings = truck_readings({"core": 0.85}, whats=("coolant",))
        honest = learn(case, readings)
        liar = replace(readings[0], id="liar", value=readings[0].value + 30.0)
        found = learn(case, [*readings, liar])
        self.assertLess(found.foretold[-1].weight, 0.1)
        self.assertGreater(min(f.weight for f in found.foretold[:-1]), 0.8)
        np.testing.assert_allclose(found.fitted.mode, honest.fitted.mode, atol=0.35)

    def test_a_thermostat_that_is_shut_teaches_nothing(self) -> None:
        case = build("quarry-mule")
        cold = Reading("a", "coolant", 340.0, 3.0, lasting(dict(case.duties)["motorway"], 280.0))
        found = learn(case, [cold])
        self.assertIsNone(found.foretold[0].weight)
        self.assertEqual(found.foretold[0].why, "shut")
        np.testing.assert_allclose(found.fitted.learned, 0.0, atol=1e-12)
        self.assertIsNone(widened(case, cold))

    def test_with_nothing_read_it_says_what_to_read_first(self) -> None:
        found = learn(build("quarry-mule"), [])
        self.assertTrue(found.useful)
        self.assertEqual(found.shift.before, found.shift.after)
        falls = [u.falls for u in found.useful]
        self.assertEqual(falls, sorted(falls, reverse=True))

    def test_what_was_advised_to_be_read_does_make_it_surer_by_that(self) -> None:
        case = build("quarry-mule")
        first = learn(case, [])
        best = first.useful[0]
        told = Reading("a", best.what, 370.0, HALVES[best.what], best.doing)
        value = float(predict(case, [told], first.factors, np.ones((1, len(first.factors))))[0, 0])
        after = learn(case, [replace(told, value=value)])
        nudge = 1e-3 * np.eye(len(first.factors))

        def fill(x):
            own = applied(case, measured(first.factors, x * first.fitted.sds, np.eye(len(first.factors)) * 1e-12))
            return next(
                c for c in run(draw(own, 1, facts=False, model=False)).limits if c.key == first.shift.limit.key
            ).fill[0]

        slope = np.array([(fill(row) - fill(-row)) / 2e-3 for row in nudge])
        spread = [np.sqrt(slope @ c @ slope) for c in (first.fitted.covariance, after.fitted.covariance)]
        # The same fall as by the covariances themselves, to a twentieth (a thermostat widens it a little).
        self.assertAlmostEqual(1.0 - spread[1] / spread[0], best.falls, delta=0.06)

    def test_a_boat_learns_of_its_exchanger(self) -> None:
        case = build("reed-otter")
        factors = factors_of(case)
        doing = [duty_of(case, Doing(ambient=298.15, engine_speed=n, speed=5.0)) for n in (2600.0, 2900.0, 3000.0)]
        plain = [Reading(f"r{k}", "coolant", 360.0, 2.0, d) for k, d in enumerate(doing)]
        theta = np.array([[0.6 if f.id == "cooler" else 1.0 for f in factors]])
        values = predict(case, plain, factors, theta)[0]
        found = learn(case, [replace(r, value=float(v)) for r, v in zip(plain, values, strict=True)])
        self.assertLess(found.fitted.mean[[f.id for f in factors].index("cooler")], 0.95)
        self.assertNotIn("core", [f.id for f in factors])


class Moving(unittest.TestCase):
    def test_a_reading_on_the_way_up_is_the_marchs_own(self) -> None:
        """A truck that climbs: half-way to its end the coolant read with its rate is what the march has there."""
        case = build("quarry-mule")
        track = drive(15.0, 0.06, 1500)
        found = course.along(case, track, Day(303.15))
        coolant, oil = found.marched.coolant, found.marched.oil
        at = int(np.argmax(coolant > coolant[0] + 0.6 * (coolant.max() - coolant[0])))
        told = Doing(
            ambient=303.15, altitude=float(np.mean(track.height)), speed=15.0, engine_speed=float(found.engine_speed[at]),
            power=float(found.power[at]),
        )  # fmt: skip
        doing = duty_of(case, told)
        rate, oil_rate = (float(v[at + 5] - v[at - 5]) / 10.0 for v in (coolant, oil))
        self.assertGreater(60.0 * rate, 1.0)
        factors = factors_of(case)
        readings = [
            Reading("moving", "coolant", 370.0, 3.0, doing, rate, rate),
            Reading("still", "coolant", 370.0, 3.0, doing),
            Reading("oil", "oil", 370.0, 3.0, doing, oil_rate, rate),
        ]
        moving, still, warm = predict(case, readings, factors, np.ones((1, len(factors))))[0]
        # One lump of metal, coolant and oil against three nodes and the wax's lag.
        self.assertAlmostEqual(moving, coolant[at], delta=1.0)
        self.assertGreater(still - coolant[at], 4.0)
        self.assertAlmostEqual(warm, oil[at], delta=1.5)

    def test_where_nothing_moves_any_more_a_drive_is_the_duty_that_lasts(self) -> None:
        for speed, grade in ((15.0, 0.05), (25.0, 0.02), (10.0, 0.08)):
            case = build("quarry-mule")
            track = drive(speed, grade, 2400)
            found = course.along(case, track, Day(298.15))
            doing = duty_of(
                case, Doing(ambient=298.15, altitude=float(np.mean(track.height)), speed=speed, grade=grade)
            )
            told = [Reading(w, w, 370.0, 3.0, doing) for w in ("coolant", "oil")]
            factors = factors_of(case)
            coolant, oil = predict(case, told, factors, np.ones((1, len(factors))))[0]
            # Tables stand between speeds, powers and temperatures.
            self.assertAlmostEqual(found.marched.coolant[-1], coolant, delta=0.5, msg=f"{speed} {grade}")
            self.assertAlmostEqual(found.marched.oil[-1], oil, delta=0.7, msg=f"{speed} {grade}")

    def test_what_moves_fast_counts_less(self) -> None:
        case = build("quarry-mule")
        doing = dict(case.duties)["motorway"]
        still, moves = (Reading("a", "oil", 380.0, 3.0, doing, r) for r in (0.0, 0.1))
        self.assertEqual(widened(case, still), 3.0)
        self.assertGreater(widened(case, moves), 4.0)


class Kepts(unittest.TestCase):
    def setUp(self) -> None:
        self.case, self.factors, readings = truck_readings({"heat": 1.1, "core": 0.85})
        self.lesson = learn(self.case, readings)
        self.kept = kept_of(self.case, self.lesson)

    def test_what_is_kept_is_what_was_fitted(self) -> None:
        found = standing(self.case, self.kept).measured
        np.testing.assert_allclose(
            np.log(found.likely()[:, 0]), self.lesson.fitted.mode * self.lesson.fitted.sds, atol=1e-5
        )
        z = np.random.default_rng(1).normal(size=(len(self.factors), 20_000))
        drawn = np.log(found.values(list(z)))
        sds = self.lesson.fitted.sds
        wanted = self.lesson.fitted.covariance * np.outer(sds, sds)
        np.testing.assert_allclose(np.cov(drawn), wanted, atol=0.05 * np.abs(wanted).max())

    def test_another_core_is_a_guess_again_and_the_rest_keeps_its_own_doubt(self) -> None:
        other = with_values(self.case, {"cooling.core.width": 0.5})
        found = standing(other, self.kept)
        self.assertEqual(found.gone, ("core",))
        left = [f.id for f in found.measured.factors]
        self.assertEqual(left, [f.id for f in self.factors if f.id != "core"])
        # The marginal of a normal is its own rows and columns (mvn).
        stays = [k for k, f in enumerate(self.factors) if f.id != "core"]
        sds = self.lesson.fitted.sds
        whole = self.lesson.fitted.covariance * np.outer(sds, sds)
        rows = [np.pad(f.row, (0, len(stays) - len(f.row))) for f in found.measured.factors]
        np.testing.assert_allclose(np.array(rows) @ np.array(rows).T, whole[np.ix_(stays, stays)], atol=1e-5)

    def test_what_rules_supply_may_move_without_being_another_part(self) -> None:
        fan = next(f for f in self.factors if f.id == "fan")
        moved = with_values(self.case, {"cooling.fan.flow": 0.8})
        self.assertEqual(self.case.known["cooling.fan.flow"].evidence, "rule")
        self.assertEqual(home_of(self.case, fan), home_of(moved, fan))
        stated = replace(moved, known={**moved.known, "cooling.fan.flow": Known("sheet")})
        self.assertNotEqual(home_of(self.case, fan), home_of(stated, fan))

    def test_rows_that_make_no_root_are_told(self) -> None:
        self.assertTrue(is_sound(self.kept))
        self.assertTrue(is_sound([]))
        for spoilt in (
            [Kept("heat", 0.0, (), "a")],
            [Kept("heat", 0.0, (0.0,), "a")],
            [Kept("heat", float("nan"), (0.1,), "a")],
            [Kept("heat", 9.0, (0.1,), "a")],
            [Kept("heat", 0.0, (0.1,), "a"), Kept("core", 0.0, (0.1,), "b")],
        ):
            self.assertFalse(is_sound(spoilt), spoilt)


class Applied(unittest.TestCase):
    def setUp(self) -> None:
        self.case = build("quarry-mule")
        self.factors = factors_of(self.case)
        modes = np.array([{"heat": np.log(1.1), "core": np.log(0.8)}.get(f.id, 0.0) for f in self.factors])
        self.found = measured(self.factors, modes, 0.03**2 * np.eye(len(self.factors)))
        self.own = applied(self.case, self.found)

    def fills(self, case, count=256):
        return {x.key: x.fill for x in run(draw(case, count)).limits}

    def test_the_likely_build_is_the_one_with_its_factors_set(self) -> None:
        by_hand = with_values(self.case, {"engine.coolant_share": 1.1 * self.case.engine.coolant_share})
        context, _ = make_context(by_hand, doubts={"ageing": np.array([0.8])})
        own, _ = make_context(self.own)
        np.testing.assert_allclose(own.mean.heat_to_coolant, context.mean.heat_to_coolant, rtol=1e-12)
        self.assertEqual(float(own.doubt("ageing")[0]), 0.8)

    def test_draws_go_round_what_was_measured_and_no_further(self) -> None:
        before, after = self.fills(self.case), self.fills(self.own)
        key = ("cooling", "heat", "grade")
        self.assertGreater(after[key][0], before[key][0])
        spread = [np.ptp(np.quantile(np.log(f[key][1:]), (0.05, 0.95))) for f in (before, after)]
        self.assertLess(spread[1], spread[0])

    def test_what_it_does_not_touch_is_the_same_to_the_last_draw(self) -> None:
        before, after = self.fills(self.case), self.fills(self.own)
        for key in before:
            if key[0] in ("fuel", "mounts"):
                np.testing.assert_array_equal(before[key], after[key])

    def test_facts_of_its_parts_are_held(self) -> None:
        held = set(draw(self.case, 4).z) - set(draw(self.own, 4).z)
        self.assertTrue({"cooling.core.width", "engine.coolant_share"} <= held, held)
        self.assertTrue(
            all(
                p.startswith(
                    ("cooling.core.", "cooling.fan.", "cooling.pump.", "cooling.coolant_flow", "engine.coolant")
                )
                for p in held
            ),
            held,
        )
        self.assertFalse(Measured(()).holds("cooling.core.width"))

    def test_at_its_likely_value_alone_nothing_varies(self) -> None:
        drawn = draw(self.own, 8, facts=False, model=False)
        self.assertEqual(np.unique(run(drawn).limits[0].fill).size, 1)


class Made(unittest.TestCase):
    def test_the_pass_climbs_and_stops_and_the_harbour_is_level(self) -> None:
        road, harbour = (made.track_of(m) for m in (made.PASS_ROAD, made.HARBOUR_DAY))
        self.assertTrue(900.0 < road.height.max() - road.height[0] < 1300.0)
        self.assertLess(np.abs(road.grade).max(), 0.12)
        self.assertGreater(np.sum(road.speed == 0.0), 300)
        self.assertEqual(np.ptp(harbour.height), 0.0)
        self.assertLessEqual(made.track_of(made.HARBOUR_DAY, 3.0).speed.max(), 3.0)
        # No machine speeds up or stops harder than tyres let it.
        self.assertLess(np.abs(road.acceleration).max(), 4.0)
