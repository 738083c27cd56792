"""What nobody typed and still decides: seen, and never a sentence."""

from typing import Any

import numpy as np

from gauge_well.core.case import fact_at, with_value
from gauge_well.core.checks import State
from gauge_well.core.run import assumptions, sizing
from gauge_well.core.tolerance import HALF, Known, spread, supposed
from tests.support import ROAD, NumbersCase, case_of, changed, check_of, demo_document, report

OPEN = {"id": "open", "name": "Open road", "kind": "road", "speed": "90 km/h", "ambient": "34 C"}
# A small diesel in a light open car: whether it holds 90 km/h hangs on a drag area nobody gave.
BUGGY: dict[str, Any] = {
    "name": "Buggy",
    "machine": {"kind": "off_road", "mass": "820 kg"},
    "engine": {
        "fuel": "diesel",
        "aspiration": "natural",
        "rated_power": "17 kW",
        "rated_speed": "3400 rpm",
        "displacement": "0.9 L",
    },
    "duties": [OPEN],
}


class Sentenced(NumbersCase):
    """A rule may not give a headline; the same value typed may."""

    def test_what_a_rule_decides_is_assumed(self) -> None:
        found = report(BUGGY)
        check = check_of(found, "engine", "enough", "open")
        self.assertGreater(check["fill"], 1.0)
        self.assertEqual(check["state"], "assumed")
        self.assertEqual(check["rests_on"]["path"], "machine.drag_area")
        self.assertLessEqual(check["rests_on"]["fill"], 1.0)
        self.assertIn("drag area", check["rests_on"]["sentence"].lower())
        self.assertIsNone(found["first_to_give"])
        self.assertNotIn("weak", found["headline"]["sentence"].lower())
        self.assertRegex(found["headline"]["next"], r"^Check one thing: .*taken as")
        self.assertEqual(found["rests_on"]["path"], "machine.drag_area")

    def test_the_same_value_typed_sentences(self) -> None:
        taken = float(fact_at(case_of(BUGGY), "machine.drag_area"))
        found = report(changed(BUGGY, machine__drag_area=f"{taken} m2"))
        self.assertEqual(check_of(found, "engine", "enough", "open")["state"], "short")
        self.assertEqual(found["state"], "short")
        self.assertIn("Too weak for the open road", found["headline"]["sentence"])

    def test_far_over_is_no_matter_of_one_value(self) -> None:
        found = report(changed(BUGGY, duties=[OPEN | {"speed": "120 km/h"}]))
        self.assertEqual(check_of(found, "engine", "enough", "open")["state"], "short")

    def test_what_is_short_by_what_was_stated_leads(self) -> None:
        """A pump that is too small and a drag area nobody gave: the pump."""
        pump = {"fuel__main__flow": "5 L/h", "fuel__main__pressure": "25 kPa"}
        pull = {"id": "pull", "name": "Pull", "kind": "pull", "ambient": "34 C"}
        found = report(changed(BUGGY, duties=[OPEN, pull], **pump))
        self.assertEqual(found["state"], "short")
        self.assertEqual(found["first_to_give"]["system"], "fuel")
        self.assertIn("fuel pump", found["headline"]["sentence"])

    def test_nothing_you_stated_gives_out(self) -> None:
        """All that is fitted holds, and only a value by rule breaks it."""
        found = report(
            changed(
                ROAD,
                duties=[OPEN],
                machine={"kind": "road_car", "mass": "1300 kg"},
                engine__rated_power="12 kW",
            )
        )
        self.assertEqual(check_of(found, "engine", "enough", "open")["state"], "assumed")
        self.assertEqual(found["state"], "assumed")
        self.assertEqual(found["headline"]["sentence"], "Nothing you stated gives out.")
        self.assertIsNone(found["first_to_give"])

    def test_a_row_short_by_an_assumption_stands_out_of_the_reach(self) -> None:
        rows = [r for r in report(BUGGY)["rows"] if r["state"] == "assumed"]
        self.assertEqual([r for r in rows if r["rests_on"] is None], [])


class Independent(NumbersCase):
    """Each figure is what a fresh run with that one value moved says."""

    def at_end(self, case: Any, taken: assumptions.Taken, sign: float) -> Any:
        z = np.array([0.0, sign * HALF])
        moved = spread(taken.spec, Known("rule", supposed(taken.spec)), taken.value, z)
        assert moved is not None
        return with_value(case, taken.path, float(moved[1]))

    def test_fills_at_the_end_that_turns(self) -> None:
        tried = 0
        for raw in (BUGGY, demo_document("quarry-mule"), demo_document("chalk-hare"), demo_document("reed-otter")):
            case = case_of(raw)
            found = assumptions.assumed(case)
            saves = {key: rest for own in found.values() for key, rest in own.saves.items()}
            breaks = {key: rest for own in found.values() for key, rest in own.breaks.items()}
            for key, rest in (saves | breaks).items():
                fills = []
                for sign in (-1.0, 1.0):
                    whole = sizing.size(self.at_end(case, rest.taken, sign), explain="none", checked=True)
                    own = (c for c in whole.systems[key[0]].checks if (c.id, c.duty) == key[1:])
                    fills.append(next(own).fill)
                best = min(fills) if key in saves else max(fills)
                with self.subTest(raw["name"], key=key, path=rest.taken.path):
                    # A run of samples takes table heads from all of them at once: 0.2 %.
                    self.close(rest.fill or 0.0, best, rel=2e-3)
                tried += 1
        self.assertGreaterEqual(tried, 3)

    def test_needs_at_both_ends(self) -> None:
        case = case_of(
            changed(BUGGY, duties=[{"id": "up", "name": "Up", "kind": "road", "speed": "30 km/h", "grade": "8 %"}])
        )
        found = assumptions.assumed(case)["cooling"].needs["core_fan", "core_face"]
        asked = []
        for sign in (-1.0, 1.0):
            whole = sizing.size(self.at_end(case, found.taken, sign), explain="none", checked=True)
            need = next(n for n in whole.systems["cooling"].need if n.quantity == "core_face")
            asked.append(need.value)
        self.close([found.low or 0.0, found.high or 0.0], sorted(asked), rel=5e-3)
        # Hotter air asks more core: nobody gave the air of that duty.
        self.assertEqual(found.taken.path, "duties.up.ambient")


class Stateable(NumbersCase):
    def paths(self, raw: dict[str, Any]) -> set[str]:
        return {t.path for t in assumptions.stateable(case_of(raw))}

    def test_what_a_builder_can_say(self) -> None:
        found = self.paths(ROAD)
        self.assertLessEqual({"fuel.regulator.pressure", "engine.thermostat", "cooling.hose.bore"}, found)

    def test_what_only_a_bench_tells_is_not_asked(self) -> None:
        found = self.paths(ROAD)
        for path in found:
            self.assertNotIn(
                path.split(".")[-1], ("bsfc", "coolant_share", "excess_air", "louvre_angle", "rolling_resistance")
            )

    def test_what_is_stated_is_none(self) -> None:
        self.assertNotIn("fuel.regulator.pressure", self.paths(changed(ROAD, fuel__regulator__pressure="300 kPa")))

    def test_air_over_the_core_follows_the_speed(self) -> None:
        self.assertNotIn("duties.open.air_speed", self.paths(changed(ROAD, duties=[OPEN])))

    def test_nothing_known_rests_on_nothing(self) -> None:
        self.assertEqual(assumptions.assumed(case_of({"name": "x", "engine": {"fuel": "diesel"}})), {})


class Demo(NumbersCase):
    def test_no_demo_build_is_sentenced_by_a_rule(self) -> None:
        for name in ("quarry-mule", "chalk-hare", "dripping-well", "reed-otter"):
            found = report(demo_document(name))
            with self.subTest(name):
                self.assertNotEqual(found["state"], State.ASSUMED.value)
