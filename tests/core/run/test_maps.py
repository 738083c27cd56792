"""Maps of heat: points against fresh sizings of the duty moved there, monotone, the limit line."""

import numpy as np

from gauge_well.core.errors import CoreError, MissingFact
from gauge_well.core.run import maps
from gauge_well.services.maps import heat_map
from gauge_well.sheet import SheetError
from tests.support import ROAD, NumbersCase, case_of, changed, check_of, demo_document, report


def moved(raw: dict, duty: str, **facts: str) -> dict:
    found = changed(raw)
    for own in found["duties"]:
        if own["id"] == duty:
            own |= facts
    return found


class Points(NumbersCase):
    def test_each_is_a_fresh_sizing_of_the_duty_moved_there(self) -> None:
        """Speed and ambient, grade and ambient, to 1e-6: gear, power, air, oil's share and duration all follow."""
        case = case_of(ROAD)
        by_speed = maps.heat_map(case, "grade", "ambient_speed", side=7)
        by_grade = maps.heat_map(case, "grade", "ambient_grade", side=7)
        for i, j in ((0, 6), (2, 3), (3, 1), (4, 4)):
            for found, name, unit in ((by_speed, "speed", "m/s"), (by_grade, "grade", "")):
                if found.weak[i, j]:
                    continue
                there = {name: f"{found.x[j]:.9f} {unit}".strip(), "ambient": f"{found.y[i] - 273.15:.6f} C"}
                if name == "grade":
                    there["grade"] = f"{100 * found.x[j]:.9f} %"
                fresh = check_of(report(moved(ROAD, "grade", **there)), "cooling", "heat", "grade")["fill"]
                with self.subTest(name, i=i, j=j):
                    self.close(found.fill[i, j], fresh, rel=1e-5)

    def test_wind_by_power(self) -> None:
        """A typed duty moved to its power and wind."""
        raw = changed(ROAD)
        raw["duties"].append(
            {
                "id": "bench",
                "kind": "typed",
                "engine_power": "60 kW",
                "engine_speed": "4000 rpm",
                "ambient": "30 C",
                "air_speed": "10 m/s",
            }
        )
        found = maps.heat_map(case_of(raw), "bench", "speed_power", side=5)
        for i, j in ((1, 1), (3, 2), (4, 4)):
            there = {"engine_power": f"{found.x[j]:.6f} W", "air_speed": f"{found.y[i]:.9f} m/s"}
            fresh = check_of(report(moved(raw, "bench", **there)), "cooling", "heat", "bench")["fill"]
            self.close(found.fill[i, j], fresh, rel=1e-5)

    def test_hotter_air_is_never_easier(self) -> None:
        for kind in ("ambient_speed", "ambient_grade"):
            found = maps.heat_map(case_of(demo_document("quarry-mule")), "grade", kind)
            # But where air that is thinner lets a taller gear hold: a few points of 2,500.
            self.assertLess(int(np.sum(np.diff(found.fill, axis=0) < -1e-9)), 10, kind)

    def test_more_wind_is_never_harder_and_more_power_never_easier(self) -> None:
        found = maps.heat_map(case_of(demo_document("quarry-mule")), "grade", "speed_power")
        self.assertTrue(bool(np.all(np.diff(found.fill, axis=0) <= 1e-6)))
        self.assertTrue(bool(np.all(np.diff(found.fill, axis=1) >= -1e-9)))

    def test_the_limit_line_is_the_limiting_ambient(self) -> None:
        """At the duty's own speed the line passes the limiting ambient of the report, to 0.5 K."""
        raw = demo_document("quarry-mule")
        found = maps.heat_map(case_of(raw), "grade", "ambient_speed", side=100)
        line = np.array([np.nan if y is None else y for y in found.line()])
        block = report(raw)["systems"]["cooling"]["figures"]["grade"]
        own = case_of(raw).duties[[d for d, _ in case_of(raw).duties].index("grade")][1].speed
        self.close(np.interp(own, found.x, line), block["limiting_ambient_k"], abs=0.5)

    def test_an_engine_too_weak_is_marked(self) -> None:
        raw = changed(ROAD, engine__rated_power="45 kW")
        found = maps.heat_map(case_of(raw), "grade", "ambient_grade")
        self.assertTrue(found.weak[:, -1].all())
        self.assertFalse(found.weak[:, 0].any())


class Refused(NumbersCase):
    def test_what_there_is_none_of(self) -> None:
        case = case_of(ROAD)
        for duty, kind in (("grade", "no_such"), ("nobody", "ambient_speed"), ("pull", "ambient_grade")):
            with self.subTest(duty, kind=kind), self.assertRaises(CoreError):
                maps.heat_map(case, duty, kind)

    def test_a_core_that_is_missing_is_named(self) -> None:
        with self.assertRaises(MissingFact) as caught:
            maps.heat_map(case_of(changed(ROAD, cooling__core__width=None)), "grade", "ambient_speed")
        self.assertEqual(caught.exception.field, "cooling.core.width")

    def test_as_the_page_gets_it(self) -> None:
        found = heat_map(demo_document("quarry-mule"), "grade", "ambient_speed")
        self.assertEqual([line["fill"] for line in found["lines"]], [0.8, 1.0, 1.25])
        self.assertTrue(found["over_above"])
        self.assertGreater(found["weak_from"], 20.0)
        self.assertEqual(
            heat_map(changed(ROAD, cooling__core__width=None), "grade", "ambient_speed")["missing"],
            "cooling.core.width",
        )
        with self.assertRaises(SheetError):
            heat_map(ROAD, "pull", "ambient_speed")
        with self.assertRaises(SheetError):
            heat_map(demo_document("reed-otter"), "cruise", "speed_power")
