"""The wet exhaust: heights, siphon, drain-back, cranking and lift by hand; what lets the sea in is said, as a danger."""

import numpy as np

from gauge_well.core.systems.boat import wet
from gauge_well.core.typing import likely
from tests.core.systems.boat.builds import boat
from tests.support import NumbersCase, check_of, context_of, drawn, facts_of, report

DEG = np.pi / 180.0


def both(**facts: str | None):  # type: ignore[no-untyped-def]
    made = boat(**facts)
    return context_of(made), facts_of(made, "boat")


def notices(found: dict) -> set[str]:
    return {n["code"] for n in found["systems"]["boat"]["notices"]}


class Heights(NumbersCase):
    def test_least_by_hand(self) -> None:
        """The port, 400 mm up and half a metre aft: cos 20 cos 5 of its height less .5 sin 5, bow high."""
        context, facts = both()
        found = wet.least(context, wet.crest(facts)[1])
        self.close(likely(found.value), 0.4 * np.cos(20 * DEG) * np.cos(5 * DEG) - 0.5 * np.sin(5 * DEG), abs=1e-6)
        self.close(likely(found.rest), 0.4, rel=1e-9)
        self.assertIn("stern down", found.position)

    def test_a_riser_takes_the_ports_place(self) -> None:
        _, facts = both(riser_over="700 mm")
        self.assertEqual(wet.crest(facts)[0], "riser")

    def test_sitting_deeper(self) -> None:
        level, deep = (likely(wet.least(*_top(**f)).value) for f in ({}, {"machine__sinkage": "60 mm"}))
        self.close(level - deep, 0.06, abs=1e-9)

    def test_a_duty_that_heels_more_counts(self) -> None:
        made = boat()
        made["duties"][0]["heel"] = "30 deg"
        self.close(float(np.max(np.asarray(wet.leans(context_of(made))[1].heel))), 30 * DEG, rel=1e-6)


def _top(**facts: str):  # type: ignore[no-untyped-def]
    context, own = both(**facts)
    return context, wet.crest(own)[1]


class Dangers(NumbersCase):
    def test_sound(self) -> None:
        """Every check of the exhaust holds, and is a height or a volume with something to spare."""
        found = report(boat())
        for check in found["systems"]["boat"]["checks"]:
            self.assertLessEqual(check["fill"], 1.0, check["sentence"])

    def test_riser_under_the_waterline(self) -> None:
        found = report(boat(manifold_over="-100 mm", injection_over="-200 mm", silencer_over="-600 mm"))
        check = check_of(found, "boat", "riser")
        self.assertEqual((check["state"], check["danger"]), ("short", True))
        self.assertIn("under the sea", check["sentence"])
        self.assertGreater(check["fill"], 2.0)
        self.assertIn("nothing keeps it out", found["headline"]["sentence"])

    def test_injection_near_the_water_wants_a_break(self) -> None:
        """Nothing said: not known. None: a danger. Before the pump, or below the loop's top: as if there were none, by name."""
        low = {"injection_over": "100 mm"}
        said = report(
            boat(
                **low,
                siphon=None,
                siphon_over=None,
                siphon_aft=None,
                siphon_left=None,
                siphon_sits=None,
                siphon_top=None,
            )
        )
        self.assertIn("boat.siphon", [f for u in said["systems"]["boat"]["unknown"] for f in u["missing"]])
        for facts, words in (
            ({"siphon": "none"}, "nothing breaks the siphon"),
            ({"siphon_sits": "before"}, "ahead of the raw-water pump"),
            ({"siphon_top": "below"}, "below its loop's top"),
        ):
            check = check_of(report(boat(**low, **facts)), "boat", "siphon")
            self.assertEqual((check["state"], check["danger"]), ("short", True))
            self.assertIn(words, check["sentence"])

    def test_injection_well_over_the_water_wants_none(self) -> None:
        found = report(boat(injection_over="380 mm", manifold_over="500 mm", siphon="none"))
        self.assertNotIn("siphon", {c["id"] for c in found["systems"]["boat"]["checks"]})
        self.assertNotIn("siphon", {u["check"] for u in found["systems"]["boat"]["unknown"]})

    def test_a_break_at_its_height(self) -> None:
        """620 mm on the middle: 580 of it left at 20 and 5 degrees; 300 are asked (common practice): 2 - .58/.3, at nought."""
        check = check_of(report(boat()), "boat", "siphon")
        self.close(check["capacity"], 0.62 * np.cos(20 * DEG) * np.cos(5 * DEG), abs=1e-5)
        low = check_of(report(boat(siphon_over="250 mm")), "boat", "siphon")
        self.close(low["fill"], 2 - 0.25 * np.cos(20 * DEG) * np.cos(5 * DEG) / 0.3, abs=1e-4)

    def test_injection_over_the_crest_runs_back(self) -> None:
        check = check_of(report(boat(injection_over="500 mm")), "boat", "elbow")
        self.assertEqual((check["state"], check["danger"]), ("short", True))
        self.assertIn("runs back into the engine", check["sentence"])

    def test_a_silencer_smaller_than_what_runs_back(self) -> None:
        found = report(boat(hose__bore="127 mm", hose__length="3 m"))
        check = check_of(found, "boat", "silencer")
        self.assertEqual((check["state"], check["danger"]), ("short", True))
        self.assertIn("the rest goes to the engine", check["sentence"])

    def test_a_silencer_a_little_small_is_no_danger(self) -> None:
        """It holds what runs back, but no third over."""
        found = check_of(report(boat(hose__bore="102 mm", hose__length="2.7 m")), "boat", "silencer")
        self.assertEqual((found["state"], found["danger"]), ("short", False))

    def test_highest_place_and_outlet(self) -> None:
        self.assertTrue(check_of(report(boat(high_over="200 mm")), "boat", "high_point")["danger"])
        low = check_of(report(boat(outlet_over="-50 mm")), "boat", "outlet")
        self.assertIn("A flap or a valve", low["sentence"])
        self.assertNotIn(
            "outlet", {c["id"] for c in report(boat(outlet_over="-50 mm", flap="valve"))["systems"]["boat"]["checks"]}
        )

    def test_a_low_loop_is_named(self) -> None:
        """The outlet to the side: on one heel the hose rises to it."""
        self.assertIn("low_loop", notices(report(boat(outlet_left="1.6 m", outlet_over="500 mm"))))
        self.assertNotIn("low_loop", notices(report(boat())))


class Volumes(NumbersCase):
    def test_drain_back(self) -> None:
        """2.5 m of 102 mm: 20.4 L (by hand), a third over 26.6."""
        _, facts = both(hose__bore="102 mm", hose__length="2.5 m")
        self.close(1e3 * float(wet.drain_back(facts)), 20.4, abs=0.05)
        self.close(1e3 * wet.SPARE * float(wet.drain_back(facts)), 26.6, abs=0.1)

    def test_usable_leaning(self) -> None:
        """.30 x .40 x .30 to a lip at .22: 26.4 L level; the lip 10 cm off its middle 22.0 at 20 degrees (common practice)."""
        context, facts = both(silencer__lip_left="100 mm", machine__trim="0 deg")
        found = wet.usable(context, facts)
        self.close(1e3 * float(found.rest[0]), 26.4, rel=1e-6)
        self.close(1e3 * float(found.value[0]), 22.0, abs=0.1)

    def test_cranking_flood(self) -> None:
        """What is left over the drain-back, over 20 cc x .9 x 200 a minute: 18.6 L / 3.6 L/min = 310 s."""
        context, facts = both()
        room = 0.0264 - float(wet.drain_back(facts))
        self.close(float(wet.crank_time(context, facts)[0]), room / (20e-6 * 0.9 * 200 / 60), rel=1e-6)

    def test_too_little_time_to_crank(self) -> None:
        found = check_of(report(boat(raw_pump__displacement="250 cc")), "boat", "flood")
        self.assertEqual(found["state"], "short")
        self.assertIn("sea cock", found["sentence"])


class Back(NumbersCase):
    def test_sum_and_start(self) -> None:
        """The parts add up; at the start 1.03 m of water stand (by hand)."""
        context, facts = both()
        found = wet.back(context, facts, context.peak)
        self.close(found.total, found.lifted.total + found.fittings + found.down, rel=1e-12)
        self.close(float(found.start), 1020 * 9.80665 * 1.03, rel=1e-9)

    def test_narrower_is_more(self) -> None:
        totals = []
        for bore in ("51 mm", "63 mm", "76 mm"):
            context, facts = both(hose__bore=bore)
            totals.append(float(wet.back(context, facts, context.peak).total[0, 1, 0]))
        self.assertEqual(totals, sorted(totals, reverse=True))

    def test_a_limit_by_how_it_breathes(self) -> None:
        """10 kPa unboosted, 7.5 with a turbo (common practice), going with power; a maker's figure before either."""
        self.close(check_of(report(boat()), "boat", "lift", "full")["capacity"], 10e3, rel=1e-9)
        turbo = boat(engine__aspiration="turbo", engine__boost="0.5 bar")
        self.close(check_of(report(turbo), "boat", "lift", "full")["capacity"], 7.5e3, rel=1e-9)
        self.close(check_of(report(boat(tolerated="6 kPa")), "boat", "lift", "full")["capacity"], 6e3, rel=1e-9)

    def test_dry_is_the_exhausts(self) -> None:
        """No wet check is left; the exhaust's own station judges it, against a marine engine's limit."""
        made = boat(machine__exhaust="dry", exhaust__pipe__diameter="60 mm", exhaust__pipe__length="2 m")
        found = report(made)
        self.assertFalse(
            {"riser", "siphon", "silencer", "lift", "mix"} & {c["id"] for c in found["systems"]["boat"]["checks"]}
        )
        self.close(check_of(found, "exhaust", "back_pressure", "full")["capacity"], 10e3, rel=1e-9)
        self.assertNotIn("exhaust", report(boat())["systems"])


class Drawn(NumbersCase):
    def test_dragged_it_answers(self) -> None:
        """A higher riser is more over the sea, a lower silencer further under it; what is not dragged stays."""
        context, facts = both(riser_over="600 mm")
        now, up = (drawn("boat", "wet", context, facts, o) for o in ({}, {"riser": 0.8}))

        def actual(view: dict, id: str) -> float:
            return next(a["actual"] for a in view["answers"] if a["id"] == id)

        self.close(actual(up, "riser") - actual(now, "riser"), 0.2 * np.cos(20 * DEG) * np.cos(5 * DEG), abs=1e-6)
        self.close(actual(up, "high_point"), actual(now, "high_point"), rel=1e-12)
        low = drawn("boat", "wet", context, facts, {"silencer": -0.3})
        self.assertGreater(actual(low, "water_leg"), actual(now, "water_leg"))

    def test_answers_are_the_checks(self) -> None:
        """As it stands each answer is the report's own fill."""
        made = boat()
        view = drawn("boat", "wet", context_of(made), facts_of(made, "boat"))
        checks = {}
        for check in report(made)["systems"]["boat"]["checks"]:
            checks[check["id"]] = max(check["fill"], checks.get(check["id"], 0.0))
        self.assertGreater(len(view["answers"]), 7)
        for answer in view["answers"]:
            self.close(answer["fill"], checks[answer["id"]], abs=1e-6)

    def test_positions(self) -> None:
        """Heeled, points move as their height says."""
        context, facts = both(high_left="400 mm")
        view = drawn("boat", "wet", context, facts, {"heel": 20 * DEG})
        high = next(s for s in view["spots"] if s["id"] == "high")
        self.close(high["now"], 0.8 * np.cos(20 * DEG) + 0.4 * np.sin(20 * DEG), abs=1e-9)

    def test_what_is_lacking_is_named(self) -> None:
        view = drawn("boat", "wet", *both(high_over=None, silencer__lip=None))
        self.assertLessEqual({"boat.high_over", "boat.silencer.lip"}, set(view["lacks"]))
