"""A core known by one test point: the test met again, what it does to the build, what is refused."""

import numpy as np

from gauge_well.core.errors import CoreError
from gauge_well.core.heat import radiator
from gauge_well.core.media import coolant
from gauge_well.core.run import measure, runs
from gauge_well.core.run.sampling import draw
from gauge_well.core.systems.cooling import SYSTEM, tested
from gauge_well.core.systems.cooling.model import core_of
from gauge_well.core.ways import way_of
from gauge_well.services import explore
from gauge_well.sheet import SheetError
from tests.support import ROAD, NumbersCase, case_of, changed, check_of, facts_of, report

# A 0.24 m2, 26 mm core: 60 K between inlets, 8 m/s, 120 L/min.
POINT = {
    "core.test_air_speed": "8 m/s",
    "core.test_coolant_flow": "120 L/min",
    "core.test_difference": "60 K",
}


def with_test(heat: str, **more: object) -> dict:
    return changed(ROAD, **{f"cooling__{k}": v for k, v in (POINT | {"core.test_heat": heat} | more).items()})


GLYCOL = coolant.mass_share(0.5)


class Point(NumbersCase):
    def test_the_test_is_met_again(self) -> None:
        """At its own air, coolant and difference the core sheds what the test says, to 0.01 %."""
        for kilowatts in (30.0, 45.0, 60.0):
            facts = facts_of(with_test(f"{kilowatts} kW"), "cooling")
            core = core_of(facts)
            scale = tested.scale_of(core, facts, GLYCOL)
            self.close(tested.heat_at(core, facts, GLYCOL, scale), 1e3 * kilowatts, rel=1e-4)

    def test_what_its_sizes_say_is_a_scale_of_one(self) -> None:
        """A core that sheds just what the correlations say of it as new is scaled by 1."""
        facts = facts_of(with_test("45 kW"), "cooling")
        core = core_of(facts)
        side = radiator.air_side(core, 1.204 * 8.0 * core.face, 293.15 + 0.3 * 60.0)
        fluid = radiator.coolant_side(core, 0.002, 353.15, GLYCOL)
        new = float(radiator.shed(core, side, fluid, 353.15, 293.15, 1.0).heat)
        again = facts_of(with_test(f"{new / 1e3:.9f} kW"), "cooling")
        self.close(tested.scale_of(core, again, GLYCOL), 1.0, abs=1e-4)

    def test_the_trades_band(self) -> None:
        """0.25 m2, 26 mm at 8 m/s and 62.5 K sheds 48 to 70 kW (common practice): scaled to 55, between 0.7 and 1.4."""
        facts = facts_of(
            with_test("55 kW", **{"core.test_difference": "62.5 K", "core.width": "625 mm", "core.height": "400 mm"}),
            "cooling",
        )
        self.between(tested.scale_of(core_of(facts), facts, GLYCOL), 0.7, 1.4)

    def test_more_on_test_carries_more(self) -> None:
        fills = [check_of(report(with_test(f"{q} kW")), "cooling", "heat", "grade")["fill"] for q in (30, 40, 50, 60)]
        self.falling(fills)

    def test_samples_are_met_too(self) -> None:
        drawn = draw(case_of(with_test("45 kW")), 64)
        facts = drawn.case.systems["cooling"]
        core = core_of(facts)
        scale = tested.scale_of(core, facts, GLYCOL)
        self.close(tested.heat_at(core, facts, GLYCOL, scale) / facts.core.test_heat, 1.0, abs=1e-3)


class Worth(NumbersCase):
    def width(self, raw: dict) -> float:
        found = runs.run(draw(case_of(raw), 512))
        fill = next(x.fill for x in found.limits if (x.check, x.duty) == ("heat", "grade"))
        return float(np.log(runs.percentile(fill[1:], 0.95) / runs.percentile(fill[1:], 0.05)))

    def test_a_taped_test_is_surer_than_guessed_fins(self) -> None:
        taped = {k: {"text": v, "evidence": "taped"} for k, v in (POINT | {"core.test_heat": "45 kW"}).items()}
        known = changed(ROAD, **{f"cooling__{k}": v for k, v in taped.items()})
        self.assertLess(self.width(known), self.width(ROAD))

    def test_fins_matter_less_with_a_test(self) -> None:
        """Which measurement would narrow a half-known radiator: its fins without a test, hardly with one."""
        half = changed(
            ROAD, cooling__core__fin_count={"text": "18 /in", "evidence": "guess"}, cooling__core__height="300 mm"
        )
        spread = {}
        for name, raw in (
            ("bare", half),
            (
                "tested",
                changed(
                    half,
                    **{
                        f"cooling__{k}": {"text": v, "evidence": "taped"}
                        for k, v in (POINT | {"core.test_heat": "36 kW"}).items()
                    },
                ),
            ),
        ):
            found = runs.run(draw(case_of(raw), 512))
            fill = next(x.fill for x in found.limits if (x.check, x.duty) == ("heat", "grade"))
            z = found.drawn.z["cooling.core.fin_count"]
            spread[name] = abs(float(np.corrcoef(z[1:], np.log(fill[1:]))[0, 1]))
        self.assertLess(spread["tested"], spread["bare"])

    def test_a_half_known_radiator_says_what_would_narrow_it(self) -> None:
        """Face taped, depth guessed, the rest by rule: an answer with its band, and the core's own facts to measure."""
        raw = changed(
            ROAD,
            cooling__core__width={"text": "450 mm", "evidence": "taped"},
            cooling__core__height={"text": "330 mm", "evidence": "taped"},
            cooling__core__depth={"text": "32 mm", "evidence": "guess"},
            duties=ROAD["duties"][1:2],
        )
        check = check_of(explore.sure_report(raw, samples=256), "cooling", "heat", "grade")
        self.assertLess(check["fill_low"], 0.95 * check["fill"])
        self.assertGreater(check["fill_high"], 1.05 * check["fill"])
        case = case_of(raw)
        found = [item for _, _, item in measure.settles(case)]
        listed = [s.path for s in measure.ranked(found, case.known)]
        self.assertIn("cooling.core.depth", listed)
        self.assertIn("cooling.core.fin_count", listed)
        self.assertNotIn("cooling.core.width", listed)

    def test_it_can_be_asked_for(self) -> None:
        for name in tested.FIELDS:
            self.assertIsNotNone(way_of(f"cooling.core.{name}"))


class Refused(NumbersCase):
    def test_what_no_core_sheds(self) -> None:
        for heat in ("400 kW", "1 kW"):
            with self.subTest(heat), self.assertRaises(SheetError) as caught:
                report(with_test(heat))
            self.assertEqual(caught.exception.problems[0].field, "cooling.core.test_heat")

    def test_the_core_says_so_itself(self) -> None:
        with self.assertRaises(CoreError) as caught:
            SYSTEM.refuse(facts_of(with_test("400 kW"), "cooling"))
        self.assertEqual(
            (caught.exception.code, caught.exception.field), ("test_not_believable", "cooling.core.test_heat")
        )

    def test_half_a_test_is_not_used_and_said(self) -> None:
        found = report(changed(ROAD, cooling__core__test_heat="45 kW"))
        plain = report(ROAD)
        self.close(
            check_of(found, "cooling", "heat", "grade")["fill"],
            check_of(plain, "cooling", "heat", "grade")["fill"],
            abs=1e-12,
        )
        notices = [n for n in found["systems"]["cooling"]["notices"] if n["code"] == "test_incomplete"]
        self.assertIn("air speed", notices[0]["sentence"])

    def test_its_step_is_in_the_working(self) -> None:
        steps = {s["symbol"]: s for s in report(with_test("45 kW"))["systems"]["cooling"]["working"]["grade"]}
        self.assertTrue(steps["s"]["solved"])
        self.assertTrue(steps["UA"]["formula"].startswith("s * "))
