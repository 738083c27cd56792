"""Builds that nobody means but somebody types: refused with their field, unknown, or clipped; never an error of the
program's own, drawn within their tolerances or not."""

import warnings
from typing import Any

import numpy as np

from gauge_well.core.run import bands, runs, sizing
from gauge_well.core.run.sampling import draw
from gauge_well.services.sizing import check, size_document
from gauge_well.sheet import SheetError
from gauge_well.sheet.demo import demo
from tests.support import ROAD, NumbersCase, changed


class Refused(NumbersCase):
    def field(self, raw: dict[str, Any]) -> str:
        with self.assertRaises(SheetError) as caught:
            check(raw)
        problem = caught.exception.problems[0]
        self.assertTrue(problem.allowed and problem.message)
        return problem.field

    def test_an_engine_turned_past_three_times_its_rated_speed(self) -> None:
        duties = [{"id": "spin", "kind": "run", "engine_speed": "18001 rpm", "ambient": "20 C"}]
        self.assertEqual(self.field(changed(ROAD, duties=duties)), "duties.spin.engine_speed")
        duties[0]["engine_speed"] = "18000 rpm"
        check(changed(ROAD, duties=duties))

    def test_a_hose_with_no_bore(self) -> None:
        self.assertEqual(self.field(changed(ROAD, cooling__hose_feed="0 mm, 1 m, 1")), "cooling.hose_feed")

    def test_dead_times_twice_at_the_same_volts(self) -> None:
        table = "12 V, 0.9 ms\n12 V, 0.8 ms\n14 V, 0.7 ms"
        self.assertEqual(self.field(changed(ROAD, fuel__injectors__dead_table=table)), "fuel.injectors.dead_table")

    def test_a_pipe_that_is_all_wall(self) -> None:
        self.assertEqual(
            self.field(changed(ROAD, exhaust__pipe__diameter="16 mm", exhaust__pipe__wall="8 mm")),
            "exhaust.pipe.diameter",
        )


class Unknown(NumbersCase):
    def test_the_makers_least_pressure_with_none_given(self) -> None:
        report = size_document(changed(demo("quarry-mule"), oil__pressure_school="maker", oil__least_pressure=None))
        unknown = report["systems"]["oil"]["unknown"]
        self.assertIn(("oil_pressure", ["oil.least_pressure"]), [(u["check"], u["missing"]) for u in unknown])
        self.assertTrue(report["systems"]["fuel"]["checks"], "the other systems are judged")


class Drawn(NumbersCase):
    def test_an_engine_speed_near_the_most(self) -> None:
        """The rated speed drawn low: no sample turns the engine past three times its own."""
        duties = [
            {"id": "spin", "kind": "typed", "engine_speed": "17000 rpm", "engine_power": "20 kW", "ambient": "20 C"}
        ]
        raw = changed(ROAD, duties=duties, engine__rated_speed={"text": "6000 rpm", "evidence": "guess"})
        drawn = draw(check(raw)[1].case, 256)
        found = runs.run(drawn)
        rated = np.asarray(found.context.engine.rated_speed)
        self.assertGreater(17000.0 / rated.min(), 3.0, "the draws reach past it")
        self.assertLessEqual(float(np.max(np.asarray(found.context.duties.cases[0].engine_speed) / rated)), 3.0 + 1e-9)

    def test_a_thin_tube_of_thick_wall(self) -> None:
        raw = changed(
            ROAD,
            exhaust__pipe__diameter={"text": "20 mm", "evidence": "guess"},
            exhaust__pipe__wall={"text": "8 mm", "evidence": "guess"},
        )
        with warnings.catch_warnings():
            warnings.simplefilter("error")
            self.assertIsNotNone(bands.sure(check(raw)[1].case, 256))

    def test_a_duty_that_asks_no_power(self) -> None:
        duties = [
            {"id": "stand", "kind": "typed", "engine_speed": "800 rpm", "engine_power": "0 kW", "ambient": "20 C"},
            {"id": "pull", "kind": "pull", "ambient": "35 C"},
        ]
        case = check(changed(ROAD, duties=duties))[1].case
        with warnings.catch_warnings():
            warnings.simplefilter("error")
            self.assertIsNotNone(bands.sure(case, 64))
            self.assertEqual(sizing.size(case).verdict.state, size_document(changed(ROAD, duties=duties))["state"])
