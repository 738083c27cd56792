"""Measure next: the estimator against known answers, an interaction, and whole builds."""

import numpy as np
from scipy.integrate import quad
from scipy.stats import multivariate_normal, norm, qmc

from gauge_well.core.run import measure, runs
from gauge_well.core.run.sampling import draw
from gauge_well.core.systems import SYSTEMS
from gauge_well.core.ways import way_of
from gauge_well.sheet.sections import DUTY, SECTIONS
from tests.support import ROAD, NumbersCase, case_of, changed, demo_document

EXACT = {"tolerance": "0 %", "evidence": "taped"}


def normal_draws(columns: int, count: int = 4096) -> np.ndarray:
    return norm.ppf(qmc.Sobol(columns, scramble=True, rng=np.random.default_rng(3)).random(count)).T


class Estimator(NumbersCase):
    def test_a_sum_of_normals(self) -> None:
        """V = m + sum a x > 0 with x_i held at 0: the two verdicts are orthants of a bivariate normal.

        P(differ) = P(S > -m) + P(S_i > -m) - 2 P(both), from SciPy's bivariate normal; 0.012 absolute.
        """
        a, m = np.array([1.0, 0.5, 0.2]), -0.6
        x = normal_draws(3)
        truth = (m + a @ x) > 0.0
        for i in range(3):
            held = a.copy()
            held[i] = 0.0
            s, r = np.sqrt((a**2).sum()), np.sqrt((held**2).sum())
            both = multivariate_normal.cdf([m / s, m / r], cov=[[1.0, r / s], [r / s, 1.0]])
            exact = norm.cdf(m / s) + norm.cdf(m / r) - 2.0 * both
            with self.subTest(a=a[i]):
                self.close(measure.changes(truth, (m + held @ x) > 0.0), exact, abs=0.012)

    def test_an_interaction_that_one_at_a_time_misses(self) -> None:
        """V = x y > 1: neither alone, about (0, 0), ever changes the verdict, yet each decides it with the other.

        P(x y > 1) = 2 int_0^inf phi(x) Phi(-1/x) dx, by SciPy's quadrature; 0.012 absolute.
        """
        x, y = normal_draws(2)
        alone = [(x * 0.0) > 1.0, (0.0 * y) > 1.0]
        self.assertFalse(np.any(alone))
        exact = 2.0 * quad(lambda t: norm.pdf(t) * norm.cdf(-1.0 / t), 1e-9, 9.0)[0]
        truth = (x * y) > 1.0
        for held in alone:
            self.close(measure.changes(truth, held), exact, abs=0.012)

    def test_several_systems_count_once(self) -> None:
        truth = np.array([[True, False, False], [False, False, True]])
        held = np.array([[False, False, False], [True, False, True]])
        self.close(measure.changes(truth, held), 1.0 / 3.0, abs=1e-12)

    def test_where_a_verdict_turns(self) -> None:
        """Over above 3 of a fact spread evenly to 10, with nothing else: turns at 3, an eighth's half off at most."""
        values = np.random.default_rng(1).permutation(np.linspace(0.0, 10.0, 1024))
        found = measure.either_way(values, values > 3.0)
        self.close(found.turns_at, 3.0, abs=0.05)
        self.assertEqual((found.holds_low, found.holds_high), (1.0, 0.0))

    def test_a_verdict_that_does_not_turn(self) -> None:
        values = np.linspace(0.0, 1.0, 512)
        self.assertIsNone(measure.either_way(values, np.zeros(512, dtype=bool)).turns_at)

    def test_the_reach_spread_of_one_fact(self) -> None:
        """ln reach = 0.1 z1 + 0.3 z2: the half-range of each is its own share alone (arithmetic); 5 %."""
        z = np.concatenate([[[0.0], [0.0]], normal_draws(2, 1024)], axis=1)
        reach = 100.0 * np.exp(0.1 * z[0] + 0.3 * z[1])
        for i, slope in enumerate((0.1, 0.3)):
            exact = 100.0 * np.expm1(1.959964 * slope)
            self.close(measure.reach_spread(reach, z[i]), exact, rel=0.05)

    def test_no_spread_where_the_reach_has_no_end(self) -> None:
        self.assertIsNone(measure.reach_spread(np.full(65, np.inf), np.zeros(65)))


class Noise(NumbersCase):
    def test_a_slope_within_its_noise_is_none(self) -> None:
        """Two hundred columns that have nothing to do with the reach: none is listed; one that has is."""
        rng = np.random.default_rng(7)
        z = np.concatenate([np.zeros((201, 1)), rng.standard_normal((201, 256))], axis=1)
        reach = 200e3 * np.exp(0.05 * z[200] + np.concatenate([[0.0], 0.1 * rng.standard_normal(256)]))
        self.assertEqual([i for i in range(200) if measure.reach_spread(reach, z[i]) is not None], [])
        self.close(measure.reach_spread(reach, z[200]), 200e3 * np.expm1(0.05 * 1.96), rel=0.4)

    def test_two_equal_ends_say_nothing(self) -> None:
        found = measure.Either(1.0, 2.0, 0.5, 0.52, None)
        item = measure.Settles("fuel.line.bore", 0.1, "fuel", found, None, None)
        spec = SECTIONS["fuel"].specs["line.bore"]
        self.assertEqual(measure.say(item, spec, "Fuel").template, "")


class OnBuilds(NumbersCase):
    def test_alone_is_what_measuring_one_does(self) -> None:
        """Each of a product's two facts decides only with the other: alone neither turns the verdict, and one that
        by itself straddles the brim does, as often as its own draws lie over it."""
        raw = changed(
            ROAD,
            fuel__main__flow={"text": "118 L/h", "tolerance": "12 %"},
            fuel__main__flow_2=None,
            fuel__main__pressure_2=None,
        )
        case = case_of(raw)
        item = measure.Settles("fuel.main.flow", 0.3, "fuel", None, None, way_of("fuel.main.flow"))
        still = measure.Settles("machine.rolling_resistance", 0.0, "", None, None, None)
        found = measure.alone(case, [item, still], 256)
        drawn = draw(case, 256, frozen=[p for p in draw(case, 1).z if p != "fuel.main.flow"], model=False)
        over = runs.run(drawn).over
        turned = np.any([flags[1:] != flags[0] for flags in over.values()], axis=0)
        self.close(found[0].alone or 0.0, float(np.mean(turned)), abs=1e-12)
        self.assertEqual(found[1].alone, 0.0)

    def settles(self, raw: dict) -> dict[str, measure.Settles]:
        return {s.path: s for _, _, s in measure.settles(case_of(raw), count=256)}

    def test_zero_tolerance_never_appears(self) -> None:
        raw = changed(ROAD, fuel__injectors__flow={"text": "300 cc/min", **EXACT})
        found = self.settles(raw)
        self.assertNotIn("fuel.injectors.flow", found)
        self.assertIn("fuel.injectors.dead_time", found)

    def test_a_product_of_two_guesses(self) -> None:
        """Pump and burned share, each off alone at most by its half-range, hold; both off together do not.

        Fill is the product of both ratios; with half-ranges of 25 % and a likely fill near 0.68 one alone
        reaches 0.86 at the cut's end, both 1.08: one at a time sees nothing, the estimator both.
        """
        off = {"tolerance": "25 %", "evidence": "guess"}
        raw = changed(
            ROAD,
            engine__fuel="diesel",
            engine__aspiration="turbo",
            fuel={
                "injection": "mechanical",
                "burned_share": {"text": "40 %", **off},
                "main.flow": {"text": "150 L/h", **off},
                "main.pressure": {"text": "35 kPa", **EXACT},
                "regulator.pressure": {"text": "35 kPa", **EXACT},
                "line.bore": {"text": "20 mm", **EXACT},
            },
        )
        case = case_of(raw)
        only = {p: k for p, k in case.known.items() if p in ("fuel.burned_share", "fuel.main.flow")}
        case = type(case)(**{**vars(case), "known": only})
        both = runs.run(draw(case, 1024, model=False))
        limit = next(x for x in both.limits if (x.check, x.duty) == ("pump_flow", "pull"))
        # Scale the likely fill to where neither alone passes the brim.
        worst = {p: self._alone(case, p) for p in only}
        joint = float(limit.fill.max())
        brim = 0.5 * (max(worst.values()) + joint)
        self.assertLess(max(worst.values()), joint)
        truth = limit.fill[1:] > brim
        self.assertTrue(truth.any())
        for path in only:
            frozen = runs.run(draw(case, 1024, frozen=(path,), model=False))
            held = next(x for x in frozen.limits if (x.check, x.duty) == ("pump_flow", "pull")).fill[1:] > brim
            self.assertFalse(held.any())
            self.assertGreater(measure.changes(truth, held), 0.0)

    def _alone(self, case: object, path: str) -> float:
        others = [p for p in case.known if p != path]  # type: ignore[attr-defined]
        found = runs.run(draw(case, 1024, frozen=others, model=False))  # type: ignore[arg-type]
        limit = next(x for x in found.limits if (x.check, x.duty) == ("pump_flow", "pull"))
        return float(limit.fill.max())

    def test_holding_together_first_loses_nothing(self) -> None:
        """Facts worked one by one without the screening give the same chances, to one draw of 64."""
        case = case_of(demo_document("reed-otter"))
        found = runs.run(draw(case, 64))
        systems = list(found.over)
        truth = measure._flags(found.over, systems, 64)
        screened = {s.path: s.chance for _, _, s in measure.settles(case, found)}
        for path in (
            "fuel.regulator.pressure",
            "fuel.burned_share",
            "oil.pickup.x",
            "duties.full.cornering",
            "engine.bsfc",
        ):
            frozen = runs.run(draw(case, 64, frozen=(path,)))
            with self.subTest(path):
                self.close(
                    screened[path], measure.changes(truth, measure._flags(frozen.over, systems, 64)), abs=1.01 / 64
                )

    def test_ranked_by_chance_and_never_what_is_taped(self) -> None:
        case = case_of(demo_document("dripping-well"))
        ranked = measure.ranked([s for _, _, s in measure.settles(case)], case.known)
        chances = [round(s.chance, 3) for s in ranked]
        self.assertEqual(chances, sorted(chances, reverse=True))
        self.assertNotIn("taped", {case.known[s.path].evidence for s in ranked})
        self.assertTrue(all(s.way is not None for s in ranked))

    def test_the_models_own_spread_apart(self) -> None:
        """What is left with every measurable fact exact is at least what the model alone leaves, within sampling."""
        found = measure.model_spread(case_of(demo_document("dripping-well")))
        self.assertIn("engine.coolant_share", found.unmeasured)
        self.assertGreaterEqual(found.left, found.model - 0.05)
        self.assertLess(found.reach_low_w or 0.0, found.reach_high_w or 0.0)


class Ways(NumbersCase):
    def test_every_way_is_of_a_field(self) -> None:
        for id, system in SYSTEMS.items():
            self.assertLessEqual(set(system.ways), set(SECTIONS[id].specs), id)
        for path in ("engine.thermostat", "machine.mass", "installation.depth_available", "duties.grade.braking"):
            self.assertIsNotNone(way_of(path), path)

    def test_every_fitted_size_can_be_measured(self) -> None:
        """A fact that a check may wait for says how it is found out."""
        for id, system in SYSTEMS.items():
            for name, spec in SECTIONS[id].specs.items():
                if spec.part and spec.kind not in ("choice", "text"):
                    self.assertIn(name, system.ways, f"{id}.{name}")

    def test_heat_shares_are_left_to_a_logged_run(self) -> None:
        for name in ("bsfc", "coolant_share", "oil_share"):
            self.assertIsNone(way_of(f"engine.{name}"))
        self.assertIn("boat_exponent", DUTY.specs)
        self.assertIsNone(way_of("duties.cruise.boat_exponent"))
