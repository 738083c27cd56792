"""The exhaust piece by piece: banks, pulses, ovals, steps, layouts, neighbours, ground, gas, the cut list."""

import numpy as np

from gauge_well.core.systems.exhaust import cutting, ground, growth, layouts, model, pieces, primaries, tubes, warmth
from gauge_well.sheet import SheetError
from tests.core.systems.exhaust.test_exhaust import EIGHT
from tests.support import NumbersCase, changed, check_of, context_of, drawn, facts_of, report

Row = dict[str, str]


def laid(*rows: Row, base: dict | None = None, **facts: str) -> dict:
    """A run of pieces, 63.5 mm and 1 m each where not said otherwise."""
    raw = changed(base or EIGHT, exhaust=facts)
    run = [{"role": "exhaust.pieces", "facts": {"diameter": "63.5 mm", "length": "1 m"} | row} for row in rows]
    return raw | {"parts": [*raw.get("parts", []), *run]}


def beside(raw: dict, **facts: str) -> dict:
    return raw | {"parts": [*raw["parts"], {"role": "exhaust.neighbours", "facts": facts}]}


def marched(raw: dict) -> model.Marched:
    context, facts = context_of(raw), facts_of(raw, "exhaust")
    return model.march(context, facts, pieces.segments_of(facts, context.engine), context.peak)


def back(raw: dict) -> float:
    return float(marched(raw).back_pressure.max())


def notices(raw: dict) -> set[str]:
    return {n["code"] for n in report(raw)["systems"]["exhaust"]["notices"]}


class Banks(NumbersCase):
    ONE = ({}, {"piece": "merge", "length": "0.1 m", "diameter": "76.2 mm"}, {"diameter": "76.2 mm"})

    def test_alike_banks_are_the_merged_run(self) -> None:
        """The same piece stated for each bank is the half that both share."""
        _, merge, rest = self.ONE
        apart = laid({"bank": "left"}, {"bank": "right"}, merge, rest)
        shared = laid({}, merge, rest, layout="merged", merge_after="1")
        self.close(back(apart), back(shared), rel=1e-6)
        self.assertEqual(len(marched(apart).banks), 2)

    def test_unlike_banks_are_marched_apart(self) -> None:
        """Each ends in what is common; the longer one has more; the common piece's entry is the same for both."""
        _, merge, rest = self.ONE
        found = marched(laid({"bank": "left", "length": "2.5 m"}, {"bank": "right", "length": "0.4 m"}, merge, rest))
        left, right = (float(b.max()) for b in found.banks)
        self.assertGreater(left, 1.3 * right)
        self.close(float(found.mean_pressure.max()), 0.5 * (left + right), rel=1e-9)
        own = {p.segment.bank: p for p in found.pieces if p.segment.bank}
        self.close(own["left"].downstream, own["right"].downstream, rel=1e-9)
        self.assertIn(
            "banks_differ",
            notices(laid({"bank": "left", "length": "2.5 m"}, {"bank": "right", "length": "0.4 m"}, merge, rest)),
        )

    def test_pulses_up_to_the_crossover(self) -> None:
        """A cross-plane eight's bank loses 1.22 times in every piece but what follows a crossover (common practice)."""
        plain = laid({}, {}, {}, layout="twin")
        pulsing = changed(plain, exhaust={"layout": "twin", "firing": "cross"}) | {"parts": plain["parts"]}
        crossed = laid({}, {"piece": "crossover", "length": "0.2 m"}, {}, layout="twin", firing="cross")
        forms = [s.form for s in pieces.segments_of(facts_of(pulsing, "exhaust"), context_of(pulsing).engine)]
        self.close(forms, [1.217] * 3, abs=0.002)
        after = [s.form for s in pieces.segments_of(facts_of(crossed, "exhaust"), context_of(crossed).engine)]
        self.close(after, [1.217, 1.0, 1.0], abs=0.002)
        # More in every piece, and denser gas for it farther up: a little over the factor itself.
        self.between(back(pulsing) / back(plain), 1.10, 1.32)

    def test_behind_a_turbine_nothing_pulses(self) -> None:
        raw = laid({}, {}, layout="twin", firing="cross", base=changed(EIGHT, engine__aspiration="turbo"))
        facts = facts_of(raw, "exhaust")
        self.assertEqual(pieces.bank_form(facts, context_of(raw).engine), 1.0)

    def test_primaries_carry_a_cylinder_each(self) -> None:
        """An eighth of the gas in each of eight, all of one cylinder's pulse."""
        rows = (
            {"piece": "primaries", "diameter": "41 mm", "length": "0.8 m"},
            {"piece": "collector", "length": "0.1 m"},
        )
        raw = laid(*rows, {})
        first = pieces.segments_of(facts_of(raw, "exhaust"), context_of(raw).engine)[0]
        self.close([first.share, first.form, first.tubes], [1 / 8, 3.70, 8], abs=0.01)
        self.assertIn("primaries", notices(raw))


class Shapes(NumbersCase):
    def test_pressed_flat_it_loses_more_and_stands_lower(self) -> None:
        round_, oval = laid({}, {}), laid({"shape": "oval", "height": "42 mm"}, {"shape": "oval", "height": "42 mm"})
        self.between(back(oval) / back(round_), 1.1, 2.5)
        first = pieces.segments_of(facts_of(oval, "exhaust"))[0]
        self.close(first.upright, 0.042)

    def test_a_step_by_hand(self) -> None:
        """63.5 to 76.2 mm of 1.5 mm wall: ``(1 - (60.5/73.2)^2)^2`` = .1005 on the first; a narrowing on the second."""
        up = pieces.segments_of(facts_of(laid({}, {"diameter": "76.2 mm"}), "exhaust"))
        self.close([up[0].step, up[1].step], [0.1005, 0.0], abs=2e-4)
        down = pieces.segments_of(facts_of(laid({"diameter": "76.2 mm"}, {}), "exhaust"))
        self.close([down[0].step, down[1].step], [0.0, 0.8 * np.sin(np.pi / 12) * (1 - (60.5 / 73.2) ** 2)], abs=2e-4)

    def test_a_cone_in_place_of_a_step(self) -> None:
        """12 degrees lose about a quarter of the step (common practice)."""
        wide = {"diameter": "76.2 mm"}
        cone = {"piece": "cone", "diameter": "63.5 mm", "end": "76.2 mm", "length": "60 mm"}
        segments = pieces.segments_of(facts_of(laid({}, cone, wide), "exhaust"))
        self.between(float(segments[1].part) / 0.1005, 0.2, 0.35)
        self.close([segments[0].step, segments[2].step], 0.0)
        self.assertIn("cone_end", notices(laid({}, {"piece": "cone"}, wide)))

    def test_coverings(self) -> None:
        """Wrap keeps the gas hot and what the outside gives off low; a coating in between (common practice)."""
        found = [marched(laid({"covering": c}, {})) for c in ("bare", "coated", "wrapped")]
        self.rising([float(m.tip.max()) for m in found])
        self.falling([m.pieces[0].segment.emissivity * float(m.pieces[0].surface.max()) ** 4 for m in found])

    def test_metal_under_wrap(self) -> None:
        """50 to 100 K hotter than bare or more (common practice), said of plain steel; bare it is its outside."""
        bare, wrapped = (marched(laid({"covering": c}, {})).pieces[0] for c in ("bare", "wrapped"))
        self.close(growth.metal(bare), bare.surface, rel=1e-12)
        self.assertGreater(float(growth.metal(wrapped).max()), float(growth.metal(bare).max()) + 50.0)
        self.assertLess(float(growth.metal(wrapped).max()), float(wrapped.warm.max()))
        self.assertIn("wrapped", notices(laid({"covering": "wrapped"}, {})))
        self.assertNotIn("wrapped", notices(laid({"covering": "wrapped", "material": "stainless"}, {})))

    def test_growth_by_hand(self) -> None:
        """1 m at 500 K over cold: 6.0 mm of mild steel, 8.75 of stainless (common practice)."""
        for material, each in (("mild", 6.0e-3), ("stainless", 8.75e-3)):
            piece = marched(laid({"material": material}, {})).pieces[0]
            over = growth.metal(piece) - growth.COLD
            self.close(growth.grown(piece) * 500.0 / over, each, rel=1e-9)

    def test_every_size_at_once_is_each_size(self) -> None:
        """All tubes in one march against each marched by itself: 1e-9."""
        raw = laid({}, {"piece": "chambered"}, {"bends": "90 deg"})
        context, facts = context_of(raw), facts_of(raw, "exhaust")
        sizes = tubes.at_every_size(context, facts)
        for i in (6, 8, 10):
            one = model.march(context, facts, tubes.own_size(sizes.segments, i), context.peak)
            self.close(sizes.back[i, 0], one.back_pressure.max(), rel=1e-9)


class Ways(NumbersCase):
    def rows(self, **facts: str) -> dict:
        raw = laid({"bends": "90 deg"}, {"piece": "chambered"}, {"bends": "180 deg"}, {}, **facts)
        return {w.id: w for w in layouts.laid(context_of(raw), facts_of(raw, "exhaust"))}

    def test_one_two_crossed_and_at_the_side(self) -> None:
        """Two pipes cost least and weigh twice; a side exit as long as stated costs and weighs less than the whole."""
        found = self.rows(firing="cross", side_length="2 m")
        self.assertTrue(found["twin"].cost < found["merged"].cost < found["single"].cost)
        self.assertLess(found["crossover"].cost, found["twin"].cost)
        self.close(found["twin"].mass, 2 * found["single"].mass, rel=1e-9)
        self.assertLess(found["side"].mass, 0.75 * found["single"].mass)
        self.assertTrue(found["single"].fitted)
        self.assertGreater(found["twin"].pipes, found["side"].pipes)

    def test_a_crossover_saves_at_most_what_pulses_cost(self) -> None:
        """At most 18 % of what lies behind it (common practice)."""
        found = self.rows(firing="cross")
        self.between(1 - found["crossover"].back_pressure / found["twin"].back_pressure, 0.0, 0.18)

    def test_schools_beside_it(self) -> None:
        """224 kW: 2.2 cfm a hp and 115 cfm a square inch ask 68.7 mm of bore; 60 hp a square inch 64.1 (by hand)."""
        self.close(tubes.by_flow(224e3, 1.0), 0.0687 + 0.003, abs=3e-4)
        self.close(tubes.by_area(224e3, 1.0), np.sqrt(4 * 224e3 / 745.7 / 60 / np.pi) * 0.0254 + 0.003, abs=3e-4)

    def test_primaries(self) -> None:
        """.50 L at 6,000: 36.6 mm at 95 m/s, 35.8 by the old rule (common practice)."""
        self.close(primaries.primary_bore(0.5e-3, 6000.0), 0.0366, abs=1e-4)
        self.close(primaries.primary_bore_by_rule(0.5e-3, 6000.0), 0.0358, abs=1e-4)
        self.close(primaries.gas_speed(0.5e-3, 6000.0, 0.0366), 95.0, abs=0.5)


class Beside(NumbersCase):
    RUN = laid({}, {}, {})

    def test_a_loom_that_is_too_near(self) -> None:
        near = beside(self.RUN, what="loom", along="0.5 m", gap="8 mm")
        far = beside(self.RUN, what="loom", along="0.5 m", gap="300 mm")
        fills = [check_of(report(raw), "exhaust", "heat_neighbour")["fill"] for raw in (near, far)]
        self.assertGreater(fills[0], fills[1])
        shielded = beside(self.RUN, what="loom", along="0.5 m", gap="8 mm", shield="bright")
        self.assertLess(check_of(report(shielded), "exhaust", "heat_neighbour")["fill"], fills[0])

    def test_the_gap_it_needs(self) -> None:
        """Laid there, it just stays at its limit in its worst duty, running and stopped: 3 K between the gaps tried."""
        raw = beside(self.RUN, what="loom", along="0.5 m", gap="20 mm")
        context, facts = context_of(raw), facts_of(raw, "exhaust")
        at = warmth.known(context, facts, marched(raw))[0]
        gap = warmth.gap_wanted(context, at)
        assert gap is not None
        there = beside(self.RUN, what="loom", along="0.5 m", gap=f"{1e3 * gap:.2f} mm")
        check = check_of(report(there), "exhaust", "heat_neighbour")
        self.close(check["demand"], check["capacity"], abs=3.0)

    def test_worked_heat_takes_the_rules_place(self) -> None:
        """With a loom's heat worked its 75 mm are a guide; fuel's 100 mm stay a limit."""
        raw = changed(self.RUN, installation__exhaust_loom="60 mm") | {"parts": self.RUN["parts"]}
        self.assertTrue(any(c["id"] == "pipe_loom" for c in report(raw)["systems"]["exhaust"]["checks"]))
        raw = beside(raw, what="loom", along="0.5 m", gap="60 mm")
        self.assertFalse(any(c["id"] == "pipe_loom" for c in report(raw)["systems"]["exhaust"]["checks"]))
        fuel = beside(self.RUN, what="fuel_line", along="2.5 m", gap="60 mm", shield="bright")
        check = check_of(report(fuel), "exhaust", "gap_neighbour")
        self.assertEqual((check["state"], check["danger"]), ("short", True))

    def test_one_not_stated_whole_is_unknown_by_name(self) -> None:
        found = report(beside(self.RUN, what="loom", gap="60 mm"))["systems"]["exhaust"]["unknown"]
        self.assertEqual(found[0]["missing"], ["exhaust.neighbours.neighbour.along"])

    def test_a_short_duty_reaches_less(self) -> None:
        """20 s of full throttle against ten minutes of it."""
        long = changed(self.RUN, duties=[{"id": "p", "kind": "pull", "duration": "10 min"}]) | {
            "parts": self.RUN["parts"]
        }
        temperatures = []
        for raw in (self.RUN, long):
            raw = beside(raw, what="loom", along="0.5 m", gap="40 mm")
            context, facts = context_of(raw), facts_of(raw, "exhaust")
            at = next(iter(warmth.placed(context, facts, marched(raw))))
            assert isinstance(at, warmth.Placed)
            temperatures.append(float(warmth.warmed(context, at).running.max()))
        self.rising(temperatures)

    def test_the_bay_may_be_stated(self) -> None:
        raw = beside(laid({}, {}, {}, bay_moving="60 K", bay_standing="60 K"), what="loom", along="0.5 m", gap="60 mm")
        cool = beside(laid({}, {}, {}, bay_moving="5 K", bay_standing="5 K"), what="loom", along="0.5 m", gap="60 mm")
        hot, cold = (
            report(r)["systems"]["exhaust"]["figures"]["p"]["neighbour_temperature_k[neighbour]"] for r in (raw, cool)
        )
        self.assertGreater(hot, cold + 20.0)

    def test_the_view_says_what_eases_it(self) -> None:
        raw = beside(self.RUN, what="loom", along="0.5 m", gap="20 mm")
        view = drawn("exhaust", "heat", context_of(raw), facts_of(raw, "exhaust"), {"duty": 0.0})
        one = view["beside"][0]
        self.assertEqual({e["id"] for e in one["eased"]}, {"bright", "weathered", "wrap", "coat"})
        self.assertLess(min(e["hottest"] for e in one["eased"]), one["running"])
        self.assertLess(min(e["gap"] for e in one["eased"]), one["gap_needed"])
        self.falling(one["by_gap"])


class Room(NumbersCase):
    def test_ramps(self) -> None:
        """150, 120 and 90 mm midway in 2.6 m clear 13.2, 10.5 and 7.9 degrees (common practice)."""
        for height, degrees in ((0.150, 13.2), (0.120, 10.5), (0.090, 7.9)):
            self.close(np.degrees(ground.clears(height, 1.3, 1.3)), degrees, abs=0.05)

    def test_a_ramp_is_judged_at_the_bump_stop(self) -> None:
        raw = laid({}, {}, ramp="15 deg")
        raw = changed(raw, installation__exhaust_ground="160 mm") | {"parts": raw["parts"]}
        check = check_of(report(raw), "exhaust", "pipe_ramp")
        self.assertIn(check["state"], ("short", "assumed"))
        self.assertIn("bump", check["sentence"])

    def test_water_in_a_loop(self) -> None:
        self.assertIn("closed_loop", notices(laid({}, {}, tip_over="1.2 m")))
        self.assertNotIn("closed_loop", notices(laid({}, {}, tip_over="1.2 m", drained="yes")))

    def test_bends_longer_than_their_piece(self) -> None:
        """180 degrees at 1.5 times 63.5 mm are 299 mm of arc; the piece is 200 (by hand)."""
        raw = laid({"bends": "180 deg", "length": "200 mm"}, {})
        self.close(cutting.arc(pieces.segments_of(facts_of(raw, "exhaust"))[0])[0], 0.299, abs=1e-3)
        self.assertIn("bends_long", notices(raw))

    def test_faults_are_named(self) -> None:
        for field, row in (
            ("exhaust.pieces.pipe.bend_ratio", {"bend_ratio": "0.4"}),
            ("exhaust.pieces.pipe.height", {"shape": "oval", "height": "90 mm"}),
            ("exhaust.pieces.pipe.end", {"piece": "cone", "end": "12 mm", "wall": "6 mm"}),
        ):
            with self.assertRaises(SheetError) as caught:
                report(laid(row, {}))
            self.assertEqual(caught.exception.problems[0].field, field)
        with self.assertRaises(SheetError) as caught:
            report(laid({}, {}, cabin_from="2 m", cabin_to="1 m"))
        self.assertEqual(caught.exception.problems[0].field, "exhaust.cabin_to")

    def test_gas_is_ranked(self) -> None:
        """A slip joint under the cabin before a flange behind it; a tip short of the body is said."""
        rows = ({}, {"joint": "slip"}, {"joint": "flange"})
        raw = laid(*rows, cabin_from="0.5 m", cabin_to="1.6 m", tip_past="-80 mm")
        view = drawn("exhaust", "heat", context_of(raw), facts_of(raw, "exhaust"), {"duty": 0.0})
        places = [leak["place"] for leak in view["leaks"]]
        names = [leak["name"] for leak in view["leaks"]]
        slip, flange = (next(i for i, n in enumerate(names) if n.startswith(w)) for w in ("slip", "flange"))
        self.assertLess(slip, flange)
        self.assertEqual((places[slip], places[flange]), ("under the cabin", "behind the cabin"))
        self.assertLessEqual({"tip_short", "cabin_gas"}, notices(raw))


class Cuts(NumbersCase):
    def test_a_known_run_by_hand(self) -> None:
        """76.2 x 1.5 mm: 1 m with 90 degrees at 1.5 D, turned 180 against the next of 45; a flex on a flange.

        Arcs 179.5 and 89.8 mm; plain tube pi 74.7 1.5 7850 mm3 = 2.763 kg a metre.
        """
        tube = {"diameter": "76.2 mm"}
        raw = laid(
            tube | {"bends": "90 deg"},
            tube | {"piece": "flex", "length": "150 mm", "joint": "flange"},
            tube | {"bends": "45 deg", "turn": "180 deg", "length": "600 mm"},
        )
        found = cutting.cut_list(pieces.segments_of(facts_of(raw, "exhaust")))
        self.assertEqual([c.what for c in found.cuts], ["straight", "bend", "flex", "straight", "bend"])
        self.close([1e3 * c.length for c in found.cuts], [1000 - 179.5, 179.5, 150.0, 600 - 89.8, 89.8], abs=0.1)
        self.close(1e3 * (found.cuts[1].radius or 0), 114.3, abs=1e-6)
        self.close(np.degrees(found.cuts[4].turn or 0), 180.0)
        self.assertEqual((found.welds, found.joints), (3, 1))
        self.close(found.mass, 2.763 * (1.0 + 0.6 + 1.5 * 0.15), rel=1e-3)
