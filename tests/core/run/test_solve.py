"""Solving for one fact: fresh sizings at, inside and outside the ends."""

from gauge_well.core.case import with_value
from gauge_well.core.checks import State
from gauge_well.core.run import bands, runs
from gauge_well.core.run.sampling import draw
from gauge_well.core.run.solve import solve_for
from gauge_well.services import explore
from gauge_well.sheet import SheetError
from gauge_well.sheet.sections import spec_of
from tests.support import ROAD, NumbersCase, case_of, changed, check_of, report


def solved(raw: dict, path: str, *, sure: bool = False):
    spec = spec_of(path)
    assert spec is not None
    return solve_for(case_of(raw), path, spec, sure=sure)


class Ends(NumbersCase):
    def fill(self, raw: dict, path: str, value: float, key: tuple[str, str, str]) -> float:
        found = runs.run(draw(with_value(case_of(raw), path, value), 1, facts=False, model=False))
        return float(next(x.fill[0] for x in found.limits if x.key == key))

    def test_the_smallest_injector_is_at_the_brim(self) -> None:
        found = solved(ROAD, "fuel.injectors.flow")
        assert found.low is not None and found.low.gives is not None
        self.assertEqual(found.low.gives[:2], ("fuel", "injector_duty"))
        self.close(self.fill(ROAD, "fuel.injectors.flow", found.low.value, found.low.gives), 1.0, abs=1e-3)
        self.assertGreater(self.fill(ROAD, "fuel.injectors.flow", 0.99 * found.low.value, found.low.gives), 1.0)

    def test_too_much_is_judged_too(self) -> None:
        """A core too deep for the room: the deepest leaves 25 mm to the pulley."""
        found = solved(ROAD, "cooling.core.depth")
        assert found.high is not None
        self.assertEqual(found.high.gives, ("cooling", "stack", ""))
        fan = case_of(ROAD).systems["cooling"].fan.depth
        self.close(found.high.value, 0.160 - 0.025 - 0.010 - fan, abs=2e-4)

    def test_counts_are_whole(self) -> None:
        raw = changed(ROAD, fuel__main__flow="40 L/h", fuel__main__flow_2="30 L/h")
        found = solved(raw, "fuel.main.count")
        assert found.low is not None
        self.assertEqual(found.low.value, int(found.low.value))
        self.assertGreater(found.low.value, 1)

    def test_what_touches_nothing_says_so(self) -> None:
        raw = changed(ROAD, fuel__main__table="1 bar, 160 L/h\n5 bar, 100 L/h")
        found = solved(raw, "fuel.main.flow")
        self.assertIsNone(found.low)
        self.assertEqual(list(found.touches), [])

    def test_what_it_cannot_mend_is_named(self) -> None:
        raw = changed(ROAD, fuel__injectors__flow="100 cc/min")
        found = solved(raw, "cooling.core.width")
        self.assertIn(("fuel", "injector_duty", "pull"), list(found.stuck))

    def test_surely_is_further_in_and_is_sure(self) -> None:
        found = solved(ROAD, "fuel.injectors.flow", sure=True)
        assert found.low is not None and found.sure_low is not None
        self.assertGreater(found.sure_low, found.low.value)
        run = runs.run(draw(with_value(case_of(ROAD), "fuel.injectors.flow", found.sure_low), 256))
        limits = [x for x in run.limits if x.check == "injector_duty"]
        self.assertEqual({bands.state_of(x.fill) for x in limits}, {State.HOLDS})
        run = runs.run(draw(with_value(case_of(ROAD), "fuel.injectors.flow", 0.97 * found.sure_low), 256))
        self.assertIn(State.TIGHT, {bands.state_of(x.fill) for x in run.limits if x.check == "injector_duty"})


class AsText(NumbersCase):
    def test_the_text_set_holds_in_a_fresh_sizing(self) -> None:
        """Rounded inwards, and checked with the rules that follow the fact filled again."""
        for path in ("fuel.injectors.flow", "cooling.core.height", "cooling.core.depth", "oil.pan.depth"):
            found = explore.solve_for(ROAD, path, sure=False)
            for end in ("low", "high"):
                if not found[end] or not found[end]["gives"]:
                    continue
                with self.subTest(path, end=end):
                    again = report(changed(ROAD, **{path.replace(".", "__"): found[end]["text"]}))
                    over = {
                        c["name"]
                        for b in again["systems"].values()
                        for c in b["checks"]
                        if c["class"] == "limit" and c["fill"] > 1
                    }
                    self.assertEqual(over, set())

    def test_a_fans_flow_is_set_with_what_it_is(self) -> None:
        """By rule the flow is a rig's; typed as a guess it would be a catalogue's, a quarter less: the text given holds
        with what is stated beside it."""
        raw = changed(
            ROAD, duties=[{"id": "t", "kind": "road", "speed": "10 km/h", "ambient": "46 C", "air_conditioning": "yes"}]
        )
        end = explore.solve_for(raw, "cooling.fan.flow", sure=False)["low"]
        self.assertTrue(end["text"])
        again = changed(raw, cooling__fan__flow={"text": end["text"], "evidence": "guess"})
        for edit in end["also"]:
            again = changed(again, **{edit["path"].replace(".", "__"): edit["text"]})
        self.assertLessEqual(check_of(report(again), "cooling", "heat", "t")["fill"], 1.0)

    def test_what_cannot_be_solved_for_is_refused(self) -> None:
        for path in ("cooling.fan.fan.shroud", "fuel.main.table", "nonsense", "wanted"):
            with self.assertRaises(SheetError) as caught:
                explore.solve_for(ROAD, path)
            self.assertEqual(caught.exception.problems[0].field, path)
