"""Bands of fills, states and reaches: against an analytic case, the likely run, and each other."""

import numpy as np
from scipy.stats import norm

from gauge_well.core.checks import State
from gauge_well.core.run import bands, runs, sizing
from gauge_well.core.run.sampling import draw
from gauge_well.services.explore import sure_report
from gauge_well.sheet.demo import NAMES
from gauge_well.sheet.starter import starter
from tests.support import ROAD, NumbersCase, case_of, changed, check_of, demo_document, report


class Percentiles(NumbersCase):
    def test_order_statistics(self) -> None:
        values = np.arange(1.0, 101.0)
        self.assertEqual([runs.percentile(values, p) for p in (0.05, 0.5, 0.95)], [5.0, 50.0, 95.0])

    def test_above_and_below_keep_their_place(self) -> None:
        values = np.array([0.0] * 10 + [50.0] * 60 + [np.inf] * 30)
        self.assertEqual(bands.band_of(values), bands.Band(None, None, "below", "above"))
        values = np.array([0.0] * 4 + [50.0] * 92 + [np.inf] * 4)
        self.assertEqual(bands.band_of(values), bands.Band(50.0, 50.0))

    def test_states(self) -> None:
        fill = np.concatenate([[0.9], np.full(1000, 0.9)])
        self.assertIs(bands.state_of(fill), State.HOLDS)
        over = fill.copy()
        over[1:52] = 1.1
        self.assertIs(bands.state_of(over), State.TIGHT)
        over[0] = 1.01
        self.assertIs(bands.state_of(over), State.SHORT)

    def test_a_gap_against_the_sum_of_its_errors(self) -> None:
        """Room less core, fan and the 10 mm kept: normal, with variances added (arithmetic).

        Every size to 6 mm, so that the gap has 6 x sqrt(3) mm; the chance to 0.02, percentiles to 1.05 mm: the order statistics
        of 1,024 draws have a standard error of 0.35 mm there, of which this is three.
        """
        off = {"tolerance": "6 mm", "evidence": "guess"}
        raw = changed(
            ROAD,
            installation__depth_available={"text": "132 mm", **off},
            cooling__core__depth={"text": "26 mm", **off},
            cooling__fan__depth={"text": "66 mm", **off},
        )
        found = runs.run(draw(case_of(raw), 1024))
        limit = next(x for x in found.limits if x.check == "stack")
        sigma, mean = 6.0 * np.sqrt(3.0) / 1.959964, 30.0
        self.close(np.mean(limit.fill[1:] <= 1.0), norm.sf(25.0, mean, sigma), abs=0.02)
        for share in (0.05, 0.95):
            self.close(1e3 * (limit.end("capacity", share) or 0.0), norm.ppf(share, mean, sigma), abs=1.05)


class AgainstTheLikelyRun(NumbersCase):
    def test_the_first_sample_is_the_report(self) -> None:
        """Every check's fill and every row's reach of the likely sample, to rounding; reach 0.5 %, since
        the report stops at a thousandth of a fill, which some fills cross slowly."""
        for name in NAMES:
            case = case_of(demo_document(name))
            likely = sizing.size(case, explain="none")
            found = runs.run(draw(case, 16))
            fills = {(s, c.id, c.duty): c.fill for s, b in likely.systems.items() for c in b.checks}
            for limit in found.limits:
                with self.subTest(name, key=limit.key):
                    self.close(limit.fill[0], fills[limit.key], abs=1e-9)
            rows = {(r.system, r.part, r.kind): r for r in likely.rows}
            for band in bands.row_reaches(found):
                row = rows[band.system, band.part, band.kind]
                watts = row.reach_w if band.kind == "power" else row.carries_w
                with self.subTest(name, part=band.part, kind=band.kind):
                    if watts is None:
                        self.assertTrue(np.isinf(band.watts[0]) or band.watts[0] == 0.0)
                    else:
                        self.close(band.watts[0], watts, rel=1e-2)

    def test_a_sampled_reach_is_at_the_brim(self) -> None:
        """The model run at every sample's own reach gives that sample a fill of one: 92 of 100, less two standard
        errors of so few draws, within 0.5 % (few enough others for a percentile), all within 5 %, where a fill has
        a corner."""
        for name in NAMES:
            found = runs.run(draw(case_of(demo_document(name)), 64))
            for key, factors in bands.reach_factors(found).items():
                finite = np.isfinite(factors) & (factors > 0.0)
                if not finite.any():
                    continue
                fills = bands._fills(found.solved, found, np.where(finite, factors, 1.0)[None])[key][0]
                with self.subTest(name, key=key):
                    self.close(fills[finite], 1.0, abs=5e-2)
                    error = np.sqrt(0.92 * 0.08 / int(finite.sum()))
                    self.assertGreaterEqual(float(np.mean(np.abs(fills[finite] - 1.0) < 5e-3)), 0.92 - 2.0 * error)


class Doubt(NumbersCase):
    def width(self, raw: dict, part: str = "injectors") -> float:
        found = runs.run(draw(case_of(raw), 1024))
        watts = next(r.watts for r in bands.row_reaches(found) if (r.part, r.kind) == (part, "power"))
        ends = [runs.percentile(np.log(watts[1:]), share) for share in (0.05, 0.95)]
        return float(ends[1] - ends[0])

    def test_narrowing_one_tolerance_never_widens_a_band(self) -> None:
        """Injectors' reach with each fact in turn known exactly: never wider by more than 3 % (sampling)."""
        whole = self.width(ROAD)
        for path, value in (
            ("fuel__injectors__flow", "380 cc/min"),
            ("fuel__injectors__dead_time", "1 ms"),
            ("fuel__regulator__pressure", "300 kPa"),
            ("engine__rated_speed", "6000 rpm"),
            ("engine__bsfc", "300 g/kWh"),
        ):
            with self.subTest(path):
                narrow = self.width(changed(ROAD, **{path: {"text": value, "tolerance": "0 %", "evidence": "guess"}}))
                self.assertLessEqual(narrow, 1.03 * whole)

    def test_nothing_in_doubt_has_no_band(self) -> None:
        found = runs.run(draw(case_of(ROAD), 16, facts=False, model=False))
        for limit in found.limits:
            self.close(np.ptp(limit.fill), 0.0, abs=0.0, note=limit.check)

    def test_a_known_share_of_a_known_spread(self) -> None:
        """Fill of injectors is in proportion to 1 / size where there is no dead time: a 5 % size gives
        ln 1.05 x 1.645 / 1.96 either way (arithmetic); 2 % of that."""
        exact = {"tolerance": "0 %", "evidence": "taped"}
        raw = changed(
            ROAD,
            fuel__injectors__flow={"text": "380 cc/min", "tolerance": "5 %", "evidence": "taped"},
            fuel__injectors__dead_time={"text": "0 ms", **exact},
            fuel__regulator__pressure={"text": "300 kPa", **exact},
            engine__bsfc={"text": "300 g/kWh", **exact},
            engine__excess_air={"text": "0.9", **exact},
            engine__displacement={"text": "2.5 L", **exact},
            engine__rated_power={"text": "125 kW", **exact},
            engine__rated_speed={"text": "6000 rpm", **exact},
            engine__idle_speed={"text": "850 rpm", **exact},
            engine__boost={"text": "0 kPa", **exact},
        )
        found = runs.run(draw(case_of(raw), 1024))
        limit = next(x for x in found.limits if (x.check, x.duty) == ("injector_duty", "pull"))
        logs = np.log(limit.fill[1:] / limit.fill[0])
        half = np.log(1.05) * 1.644854 / 1.959964
        self.close([runs.percentile(logs, p) for p in (0.05, 0.95)], [-half, half], abs=0.02 * half)


class Alone(NumbersCase):
    def test_each_fact_alone_may_vary(self) -> None:
        """Whichever fact has samples and whichever has none, the pass works and the first is the likely.

        To 1e-5: the speed at which a weak engine balances is scanned for in other steps where there are samples.
        """
        weak = starter(
            name="", kind="truck", fuel="diesel", power="45 kW", speed="3000", displacement="2 L", mass="", task="2 t"
        )
        for raw in (demo_document("quarry-mule"), demo_document("reed-otter"), weak):
            case = case_of(raw)
            base = runs.run(draw(case, 2, facts=False, model=False))
            still = {x.key: float(x.fill[0]) for x in base.limits}
            paths = list(draw(case, 1).z)
            for path in paths:
                drawn = draw(case, 2, frozen=[p for p in paths if p != path], model=False)
                found = runs.run(drawn)
                with self.subTest(raw["name"], path=path):
                    for limit in found.limits:
                        self.assertEqual(limit.fill.shape, (3,))
                        self.close(limit.fill[0], still[limit.key], abs=2e-5)


class InTheReport(NumbersCase):
    def test_rows_systems_and_checks_carry_bands(self) -> None:
        found = sure_report(demo_document("quarry-mule"), samples=256)
        self.assertEqual(found["samples"], 256)
        for row in found["rows"]:
            if row["kind"] == "power" and row["reach_code"] == "value" and row["reach_low_w"] and row["reach_high_w"]:
                self.assertLess(row["reach_low_w"], row["reach_high_w"], row["part"])
        heat = check_of(found, "cooling", "heat", "grade")
        self.between(heat["holds_probability"], 0.0, 0.5)
        self.assertLess(heat["fill_low"], heat["fill"])
        self.assertGreater(heat["fill_high"], heat["fill"])
        self.assertIn("reach_low_w", found["systems"]["fuel"])

    def test_tight_where_the_likely_value_holds_and_the_tail_does_not(self) -> None:
        found = sure_report(demo_document("dripping-well"), samples=256)
        self.assertEqual({found["systems"][s]["state"] for s in ("cooling", "fuel")}, {"tight"})
        self.assertEqual(found["state"], "tight")

    def test_the_likely_figures_stay_what_they_were(self) -> None:
        """Tolerance adds and takes nothing away."""
        plain = report(ROAD, "none")
        summary = bands.sure(case_of(ROAD), 64)
        assert summary is not None
        merged = bands.merged(plain, summary)
        for before, after in zip(plain["rows"], merged["rows"], strict=True):
            self.assertEqual(before, {k: after[k] for k in before})

    def test_an_engine_not_known_has_none(self) -> None:
        self.assertIsNone(bands.sure(case_of(changed(ROAD, engine__displacement=None)), 16))

    def test_heat_held_back_is_counted(self) -> None:
        found = sure_report(changed(ROAD, engine__coolant_share={"text": "44 %", "evidence": "guess"}), samples=256)
        self.between(found["clipped_share"], 0.01, 1.0)
