"""Cooling through time: one duty after another, soaking, breaking; the engine on its stand."""

import numpy as np

from gauge_well.core.errors import CoreError
from gauge_well.core.systems.cooling import bench_run, time
from gauge_well.core.systems.cooling.gauge import shown
from gauge_well.core.systems.cooling.model import heat_made, plant_of, prepare
from gauge_well.core.systems.cooling.views import VIEWS, at_duty
from gauge_well.sheet import SheetError
from tests.support import ROAD, NumbersCase, changed, check_of, context_of, drawn, facts_of, report

LONG = {"id": "long", "name": "Long climb", "kind": "road", "speed": "60 km/h", "grade": "7 %", "ambient": "35 C"}
STEEP = {"id": "steep", "name": "Steep climb", "kind": "road", "speed": "60 km/h", "grade": "12 %", "ambient": "35 C"}


def climbs(first: dict, second: dict) -> dict:
    """Two climbs of four minutes, one straight after the other."""
    duties = [first | {"duration": "240 s"}, second | {"duration": "240 s", "after": first["name"]}]
    return changed(
        ROAD, cooling__core__width="420 mm", cooling__fan__drive="none", cooling__fan__diameter=None, duties=duties
    )


def course(raw: dict, index: int = 0):
    context = context_of(raw)
    one = at_duty(context, index, None)
    cooling = prepare(one, plant_of(one, facts_of(raw, "cooling")))
    return one, cooling, time.course(one, cooling)


class Following(NumbersCase):
    def test_two_climbs_in_reverse_order_end_at_different_temperatures(self) -> None:
        ends = []
        for first, second in ((LONG, STEEP), (STEEP, LONG)):
            found = report(climbs(first, second))["systems"]["cooling"]["figures"]
            ends.append(found[second["id"]]["end_of_duty_k"])
        self.assertGreater(ends[0], ends[1] + 3.0)

    def test_it_starts_where_the_other_ends(self) -> None:
        raw = climbs(STEEP, LONG)
        context = context_of(raw)
        cooling = prepare(context, plant_of(context, facts_of(raw, "cooling")))
        starts = time.chained(context, cooling)
        _, _, first = course(raw)
        self.close(starts.coolant[0, 1, 0], first.trace.coolant[-1, 0], abs=0.05)
        self.close(starts.metal[0, 1, 0], first.trace.metal[-1, 0], abs=0.05)
        self.assertGreater(float(starts.metal[0, 1, 0]), float(starts.coolant[0, 1, 0]))

    def test_a_hotter_start_carries_less(self) -> None:
        alone = changed(climbs(STEEP, LONG), duties=[LONG | {"duration": "240 s"}])
        fills = [check_of(report(r), "cooling", "heat", "long")["fill"] for r in (alone, climbs(STEEP, LONG))]
        self.rising(fills)

    def test_three_in_a_row(self) -> None:
        raw = changed(
            ROAD,
            duties=[
                LONG | {"duration": "120 s", "after": "steep"},
                {"id": "idle", "kind": "idle", "duration": "120 s", "after": "Long climb"},
                STEEP | {"duration": "120 s"},
            ],
        )
        context = context_of(raw)
        starts = time.chained(context, prepare(context, plant_of(context, facts_of(raw, "cooling"))))
        self.assertGreater(float(starts.coolant[0, 0, 0]), float(starts.coolant[0, 2, 0]))
        self.assertNotEqual(float(starts.coolant[0, 1, 0]), float(starts.coolant[0, 0, 0]))

    def test_a_ring_is_refused(self) -> None:
        duties = [LONG | {"after": "Steep climb"}, STEEP | {"after": "long"}]
        with self.assertRaises(SheetError) as caught:
            report(changed(ROAD, duties=duties))
        self.assertIn(caught.exception.problems[0].field, ("duties.long.after", "duties.steep.after"))
        self.assertIn("ring", caught.exception.problems[0].message)

    def test_a_duty_there_is_none_of_is_refused(self) -> None:
        with self.assertRaises(SheetError) as caught:
            report(changed(ROAD, duties=[LONG | {"after": "moon"}]))
        self.assertEqual(caught.exception.problems[0].field, "duties.long.after")


class Course(NumbersCase):
    def test_ends_near_the_gauge_of_a_lasting_duty(self) -> None:
        """Half an hour of a steady duty ends where the balance puts it, or in the fan's band about it."""
        raw = changed(ROAD, duties=[LONG])
        one, cooling, found = course(raw)
        steady = float(shown(cooling, heat_made(one, cooling, one.mean)).steady[0, 0, 0])
        self.close(found.trace.coolant[-1, 0], steady, abs=3.5)

    def test_soak_after_full_load_and_after_idle(self) -> None:
        """Switched off at full load the coolant rises by some 17 K, after idle by 1 to 2 (common practice)."""
        hard = changed(
            ROAD,
            duties=[
                {
                    "id": "d",
                    "kind": "work",
                    "power_share": "100 %",
                    "air_speed": "90 km/h",
                    "ambient": "20 C",
                    "duration": "120 s",
                }
            ],
        )
        soft = changed(ROAD, duties=[{"id": "d", "kind": "idle", "ambient": "20 C", "duration": "20 min"}])
        rises = []
        for raw in (hard, soft):
            _, _, found = course(raw)
            rises.append(float(found.soak.coolant.max() - found.trace.coolant[-1, 0]))
        self.between(rises[0], 10.0, 22.0)
        self.between(rises[1], 0.2, 3.5)

    def test_warm_up_by_hand(self) -> None:
        """With the thermostat shut nearly all heat stays: (Cm + Cc) dT / Q to its opening, within a quarter."""
        one, cooling, found = course(changed(ROAD, duties=[LONG | {"ambient": "10 C"}]))
        heat = float(heat_made(one, cooling, one.mean)[0, 0, 0])
        thermostat = float(np.ravel(cooling.plant.thermostat)[0])
        by_hand = float(np.ravel(cooling.plant.heat_capacity)[0]) * (thermostat - 283.15) / heat
        self.close(found.warm_up.first_over(thermostat), by_hand, rel=0.25)

    def test_what_breaks(self) -> None:
        """At idle a dead fan lasts longest, a shut thermostat less; without the pump only the block's coolant is left."""
        raw = changed(ROAD, duties=[{"id": "d", "kind": "idle", "ambient": "38 C", "air_conditioning": "yes"}])
        one, cooling, found = course(raw)
        times = {f.id: f.to_limit for f in found.failures}
        self.assertEqual(set(times), {"fan", "belt", "thermostat"})
        for failure in found.failures:
            self.assertLess(failure.to_limit, failure.to_boil)
        heat = float(heat_made(one, cooling, one.mean)[0, 0, 0])
        least = float(np.ravel(cooling.plant.metal + 0.5 * cooling.plant.liquid)[0])
        rise = float(np.ravel(cooling.plant.limit)[0]) - float(found.trace.coolant[-1, 0])
        # Nothing shed at all would be the soonest (one lump, by hand).
        self.between(times["belt"], 0.85 * least * rise / heat, 1.6 * least * rise / heat)

    def test_an_electric_pump_has_no_belt_to_lose(self) -> None:
        raw = changed(ROAD, cooling__pump__drive="electric", duties=[LONG])
        _, _, found = course(raw)
        self.assertNotIn("belt", {f.id for f in found.failures})


class Stand(NumbersCase):
    def test_reasons_by_hand(self) -> None:
        """150 kg of iron with a light head (620 J/kgK), 5 kW, 4 L of water."""
        raw = changed(ROAD, engine__dry_mass="150 kg", engine__material="iron_light_head")
        found = {r.id: r.seconds for r in bench_run.nothing_fitted(context_of(raw), 5000.0, 5000.0, 0.004, 371.15)}
        self.close(found["dry"], 30.0)
        self.close(found["filled"], 180.0)
        self.close(found["chambers"], 0.15 * 150 * 620 * 75 / (0.6 * 5000), rel=1e-9)
        self.close(found["lump"], (0.5 * 150 * 620 + 4 * 0.983 * 4185) * 78 / 5000, rel=0.01)

    def test_a_filled_run_follows_the_heat(self) -> None:
        """Three minutes idling (common practice); twice the heat, half the time."""
        context = context_of(ROAD)
        times = [
            next(r.seconds for r in bench_run.nothing_fitted(context, q, 5e3, 0.004, 371.15) if r.id == "filled")
            for q in (4e3, 5e3, 10e3)
        ]
        self.close(times, [180.0, 180.0, 90.0], rel=1e-9)

    def test_a_hole_too_small_is_said(self) -> None:
        """Under 2 mm the first flake of rust stops it (common practice); it belongs in the inlet, so that the jacket
        stands open and not at the main's 2 bar."""
        self.assertTrue(bench_run.hose_fed(1500.0, 288.15, 333.15, 200e3).clogs)
        self.assertFalse(bench_run.hose_fed(12e3, 288.15, 333.15, 200e3).clogs)

    def test_hose_by_hand(self) -> None:
        """5 kW over 45 K: 0.0266 kg/s; through Cd 0.62 at 200 kPa (20.1 m/s) a hole of 1.65 mm."""
        fed = bench_run.hose_fed(5000.0, 288.15, 333.15, 200e3)
        self.close(fed.flow * 990.0, 5000 / 4181 / 45, rel=0.01)
        self.close(fed.hole, np.sqrt(4 * fed.flow / (0.62 * 20.1) / np.pi), rel=0.005)

    def test_hotter_outlet_wants_less(self) -> None:
        flows = [bench_run.hose_fed(5000.0, 288.15, t, 200e3).flow for t in (313.15, 333.15, 353.15)]
        self.falling(flows)

    def test_impossible_water_is_refused(self) -> None:
        for options, field in (((5000.0, 300.0, 300.0, 2e5), "outlet"), ((5000.0, 290.0, 330.0, 0.0), "supply")):
            with self.assertRaises(CoreError) as caught:
                bench_run.hose_fed(*options)
            self.assertEqual(caught.exception.field, field)


class Views(NumbersCase):
    def test_every_view_answers(self) -> None:
        context, facts = context_of(ROAD), facts_of(ROAD, "cooling")
        keys = {
            "air": "point",
            "stack": "layers",
            "loop": "pressures",
            "time": "trace",
            "jam": "cases",
            "stand": "reasons",
        }
        self.assertEqual(set(keys), set(VIEWS) - {"afloat"})
        for view, key in keys.items():
            self.assertIn(key, drawn("cooling", view, context, facts, {"duty": 1.0}))

    def test_what_is_missing_is_named(self) -> None:
        bare = facts_of(changed(ROAD, cooling__core__depth=None), "cooling")
        for view in ("air", "loop", "time"):
            self.assertEqual(drawn("cooling", view, context_of(ROAD), bare)["unknown"], ["cooling.core.depth"])

    def test_no_such_view_or_speed(self) -> None:
        context, facts = context_of(ROAD), facts_of(ROAD, "cooling")
        for options, field in (({"duty": 9.0}, "duty"), ({"rpm": 1e5}, "rpm"), ({"outlet": 280.0}, "outlet")):
            with self.assertRaises(CoreError) as caught:
                drawn("cooling", "stand", context, facts, options)
            self.assertEqual(caught.exception.field, field)

    def test_operating_point_moves_with_the_speed_dragged(self) -> None:
        context, facts = context_of(ROAD), facts_of(ROAD, "cooling")
        flows = [
            drawn("cooling", "air", context, facts, {"duty": 1.0, "air_speed": v})["point"]["mass_flow"]
            for v in (0.0, 10.0, 25.0)
        ]
        self.rising(flows)

    def test_the_open_part_is_told(self) -> None:
        facts = facts_of(changed(ROAD, cooling__fan__shroud="none"), "cooling")
        still = drawn("cooling", "air", context_of(ROAD), facts, {"duty": 1.0, "air_speed": 0.0})["zones"]
        fast = drawn("cooling", "air", context_of(ROAD), facts, {"duty": 1.0, "air_speed": 30.0})["zones"]
        self.assertLess(still["open"], 0.0)
        self.assertGreater(still["back_mass_flow"], 0.0)
        self.assertGreater(fast["open"], 0.0)
        self.close(fast["back_mass_flow"], 0.0)

    def test_three_restrictors(self) -> None:
        facts = facts_of(changed(ROAD, cooling__bypass="always"), "cooling")
        main, bypass, outlet = drawn("cooling", "loop", context_of(ROAD), facts, {"duty": 1.0})["restrictors"]
        self.assertLess(main["carries"][1], main["carries"][0])
        self.assertGreater(main["block"][1], main["block"][0])
        self.assertGreater(bypass["flow"][1], bypass["flow"][0])
        self.assertGreater(outlet["outlet"], 288.15)
