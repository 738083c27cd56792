"""Tolerances by the product's table, and draws against what their distributions say."""

from dataclasses import dataclass, make_dataclass, replace
from dataclasses import fields as dataclass_fields

import numpy as np
from scipy.stats import truncnorm

from gauge_well.core.facts import Spec, entries, quantity
from gauge_well.core.run import runs, sampling
from gauge_well.core.run.sampling import draw
from gauge_well.core.systems.oil.facts import OilFacts
from gauge_well.core.tolerance import BY_KIND, CUT, HALF, MODEL_FACTORS, ROWS, Half, Known, half_of, spread
from gauge_well.sheet.demo import NAMES
from gauge_well.sheet.sections import SECTIONS
from gauge_well.units import KINDS
from tests.support import ROAD, NumbersCase, case_of, changed, demo_document

LENGTH, FLOW = Spec("Length", "length", 0.0, 10.0), Spec("Flow", "flow", 0.0, 1.0)


class Table(NumbersCase):
    def test_half_ranges_as_the_product_states_them(self) -> None:
        """The table of the design: kind, evidence, value, half-range."""
        for kind, evidence, value, half in (
            ("length", "taped", 0.1, 0.002),
            ("length", "taped", 0.6, 0.006),
            ("length", "sheet", 0.1, 0.001),
            ("length", "guess", 0.6, 0.18),
            ("flow", "similar", 1e-4, 1.5e-5),
            ("injector_flow", "sheet", 1e-5, 3e-7),
            ("pressure_gauge", "taped", 1e5, 5e3),
            ("pressure_gauge", "taped", 3e5, 9e3),
            ("mass", "taped", 1400.0, 14.0),
            ("temperature", "rule", 361.0, 8.0),
            ("fin_count", "guess", 700.0, 210.0),
            ("bsfc", "rule", 8e-8, 9.6e-9),
            ("angle", "sheet", 0.1, np.radians(1.0)),
            ("speed_rpm", "similar", 6000.0, 300.0),
            ("acceleration", "rule", 5.0, 0.2 * 9.80665),
        ):
            with self.subTest(kind, evidence=evidence):
                self.close(half_of(Spec("", kind), Known(evidence)).of(value), half, rel=1e-9)

    def test_every_kind_of_quantity_has_a_row_or_is_exact(self) -> None:
        self.assertLessEqual(set(BY_KIND), set(KINDS))
        self.assertLessEqual(set(BY_KIND.values()), set(ROWS))
        for section in SECTIONS.values():
            for name, spec in section.specs.items():
                with self.subTest(name):
                    self.assertIn(spec.spread or "exact", ROWS)

    def test_doubt_never_falls_with_worse_evidence(self) -> None:
        for name, row in ROWS.items():
            halves = [row.by(e).of(1.0) for e in ("similar", "rule", "guess")]
            self.assertEqual(halves, sorted(halves), name)

    def test_the_builders_own_stands_in_place(self) -> None:
        self.close(half_of(LENGTH, Known("guess", Half(least=0.003))).of(0.6), 0.003)

    def test_what_is_asked_is_exact(self) -> None:
        drawn = draw(case_of(ROAD), 4)
        for path in ("duties.grade.speed", "duties.grade.ambient", "engine.coolant_limit", "fuel.main.count"):
            self.assertNotIn(path, drawn.z)


class Draws(NumbersCase):
    def test_normal_percentiles(self) -> None:
        """Against SciPy's truncated normal: 1,024 draws, 1 % of the half-range."""
        drawn = draw(case_of(ROAD), 1024)
        found = drawn.case.systems["cooling"].core.width[1:]
        half = 0.30 * 0.6
        exact = truncnorm(-CUT * HALF, CUT * HALF, loc=0.6, scale=half / HALF)
        for share in (0.05, 0.5, 0.95):
            self.close(runs.percentile(found, share), exact.ppf(share), abs=0.01 * half)

    def test_lognormal_percentiles(self) -> None:
        """Median the likely value, ln-half-range ln 1.5 for a guessed flow; 1 % of the value."""
        drawn = draw(case_of(ROAD), 1024)
        found = np.log(drawn.case.systems["fuel"].main.flow[1:] / (120 / 3.6e6))
        exact = truncnorm(-CUT * HALF, CUT * HALF, scale=np.log(1.5) / HALF)
        for share in (0.05, 0.5, 0.95):
            self.close(runs.percentile(found, share), exact.ppf(share), abs=0.01)

    def test_nothing_is_drawn_beyond_one_and_a_half_half_ranges(self) -> None:
        z = np.array([-CUT * HALF, CUT * HALF])
        self.close(spread(LENGTH, Known("guess"), 1.0, z), [0.55, 1.45], rel=1e-9)
        for drawn in draw(case_of(ROAD), 1024).z.values():
            self.between(drawn, -CUT * HALF - 1e-9, CUT * HALF + 1e-9)

    def test_the_first_is_the_likely(self) -> None:
        case = case_of(ROAD)
        drawn = draw(case, 8)
        self.assertEqual(drawn.case.systems["cooling"].core.width[0], case.systems["cooling"].core.width)
        self.assertTrue(all(z[0] == 0.0 for z in drawn.z.values()))

    def test_seeded(self) -> None:
        """The same build drawn twice is the same, draw for draw, also when the draws are made afresh."""
        one = draw(case_of(ROAD), 256)
        sampling.column.cache_clear()
        two = draw(case_of(ROAD), 256)
        for path, z in one.z.items():
            self.assertTrue(np.array_equal(z, two.z[path]), path)

    def test_common_draws(self) -> None:
        """A part swapped, fitted or better known leaves the draws of all else as they were."""
        base = draw(case_of(ROAD), 64).z
        other = draw(
            case_of(changed(ROAD, cooling__fan__diameter=None, oil__oil_quantity={"text": "6 L", "evidence": "taped"})),
            64,
        ).z
        for path in base.keys() & other.keys():
            self.assertTrue(np.array_equal(base[path], other[path]), path)

    def test_a_new_field_leaves_all_others_draws(self) -> None:
        """A facts class with a field more, put first, and duties in another order: every draw there was stays."""

        @dataclass(frozen=True)
        class More:
            another: float | None = quantity("Another", "length", 0.0, 1.0)

        case = case_of(ROAD)
        base = draw(case, 64).z
        fields = [(f.name, f.type, f) for f in (*dataclass_fields(More), *dataclass_fields(OilFacts))]
        wider = make_dataclass("OilFacts", fields, frozen=True)
        oil = wider(another=0.5, **{f.name: getattr(case.systems["oil"], f.name) for f in dataclass_fields(OilFacts)})
        known = {**case.known, "oil.another": Known("guess")}
        more = replace(case, systems={**case.systems, "oil": oil}, duties=case.duties[::-1], known=known)
        other = draw(more, 64).z
        self.assertEqual(set(other) - set(base), {"oil.another"})
        for path, z in base.items():
            self.assertTrue(np.array_equal(z, other[path]), path)

    def test_a_tables_columns_are_off_together(self) -> None:
        raw = changed(ROAD, cooling__hose_feed="38 mm, 900 mm, bend\n32 mm, 1500 mm, straight")
        rows = draw(case_of(raw), 16).case.systems["cooling"].hose_feed
        self.close(rows[0][1] / 0.9, rows[1][1] / 1.5, rel=1e-12)

    def test_pieces_are_each_taken_by_themselves(self) -> None:
        raw = changed(ROAD, exhaust__pipes="63.5 mm, 900 mm, 90 deg, pipe\n76 mm, 1500 mm, 0 deg, chambered")
        drawn = draw(case_of(raw), 64)
        (_, one), (_, two) = drawn.case.systems["exhaust"].pieces
        self.assertLess(abs(float(np.corrcoef(one.length[1:], two.length[1:])[0, 1])), 0.4)
        self.assertIn("exhaust.pieces.pipe_2.length", drawn.z)

    def test_frozen_facts_stay(self) -> None:
        drawn = draw(case_of(ROAD), 16, frozen=("cooling.core.width",))
        self.assertEqual(drawn.case.systems["cooling"].core.width, 0.6)
        self.assertNotIn("cooling.core.width", drawn.z)

    def test_model_factors_apart_from_facts(self) -> None:
        alone = draw(case_of(ROAD), 16, facts=False)
        self.assertEqual((len(alone.z), len(alone.doubts)), (0, len(MODEL_FACTORS)))
        self.assertEqual(len(draw(case_of(ROAD), 16, model=False).doubts), 0)

    def test_all_demos_draw_within_their_fields(self) -> None:
        for name in NAMES:
            case = draw(case_of(demo_document(name)), 256).case
            for facts in case.systems.values():
                for field, spec, value in entries(facts):
                    if isinstance(value, np.ndarray):
                        with self.subTest(name, field=field):
                            self.between(value, spec.low - 1e-12, spec.high + 1e-12)


class Quality(NumbersCase):
    """Of the draws of everything that varies in a demo build, some two hundred columns."""

    COUNT = 1024

    def columns(self) -> np.ndarray:
        return np.array([z[1:] for z in draw(case_of(demo_document("chalk-hare")), self.COUNT).z.values()])

    def test_mean_and_variance(self) -> None:
        """Of a normal cut at 1.5 half-ranges, by SciPy's: each part of the range is drawn from once, so the mean of
        1,024 stands within a thousandth and the variance within a hundredth."""
        z = self.columns()
        exact = truncnorm(-CUT * HALF, CUT * HALF)
        self.assertGreater(len(z), 100)
        self.close(z.mean(axis=1), exact.mean(), abs=2e-3)
        self.close(z.var(axis=1), exact.var(), rel=0.01)

    def test_no_two_go_together(self) -> None:
        """Independent columns of n have r with a deviation of 1 / sqrt(n): none of all pairs beyond five of them."""
        r = np.corrcoef(self.columns())[np.triu_indices(len(self.columns()), 1)]
        self.close(r.mean(), 0.0, abs=1e-3)
        self.close(r.std(), self.COUNT**-0.5, rel=0.05)
        self.between(r, -5.0 * self.COUNT**-0.5, 5.0 * self.COUNT**-0.5)

    def test_it_integrates_better_than_plain_draws(self) -> None:
        """Mean of exp(sum / sqrt(k)) of six columns is sqrt(e) (lognormal mean); over many sixes the error is well
        under that of as many independent normals, whose deviation is sqrt((e^2 - e) / n)."""
        z, exact = self.columns(), truncnorm(-CUT * HALF, CUT * HALF).std()
        rng = np.random.default_rng(7)
        sixes = (rng.choice(len(z), 6, replace=False) for _ in range(400))
        errors = [np.mean(np.exp(z[six].sum(axis=0) / exact / 6**0.5)) - np.exp(0.5) for six in sixes]
        plain = np.sqrt((np.exp(2.0) - np.exp(1.0)) / self.COUNT)
        self.assertLess(np.sqrt(np.mean(np.square(errors))), 0.75 * plain)
