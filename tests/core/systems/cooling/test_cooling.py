"""Cooling as a whole: consistency of limit, duration and gauge, edges, needs."""

import numpy as np

from gauge_well.core.facts import with_facts
from gauge_well.core.systems.cooling import model, need
from gauge_well.core.systems.cooling.gauge import air_to_boil, shed_at, shown
from gauge_well.core.systems.cooling.model import heat_made, plant_of, prepare
from gauge_well.core.typing import likely
from tests.support import (
    ROAD,
    NumbersCase,
    changed,
    check_of,
    context_of,
    demo_document,
    drawn,
    facts_of,
    report,
    row_of,
)

STEADY = changed(
    ROAD,
    duties=[
        {"id": "idle", "kind": "idle", "ambient": "35 C"},
        {"id": "road", "kind": "road", "speed": "100 km/h", "ambient": "35 C"},
        {"id": "climb", "kind": "road", "speed": "70 km/h", "grade": "9 %", "ambient": "40 C"},
        {"id": "work", "kind": "work", "power_share": "90 %", "air_speed": "50 km/h", "ambient": "30 C"},
    ],
)


def solved(raw: dict) -> tuple:
    context = context_of(raw)
    facts = facts_of(raw, "cooling")
    return context, facts, prepare(context, plant_of(context, facts))


class Limit(NumbersCase):
    def test_the_smaller_of_boiling_and_the_engine(self) -> None:
        """Open system: boiling, 108 degC, less 10 K; capped: the engine's own 115 degC (common practice)."""
        _, _, open_ = solved(changed(STEADY, cooling__cap_pressure="0"))
        self.close(open_.plant.limit - 273.15, 98.0, abs=1.5)
        _, _, capped = solved(STEADY)
        self.close(capped.plant.limit - 273.15, 115.0, abs=1e-6)

    def test_altitude_lowers_an_open_systems_limit(self) -> None:
        """Water boils about 1 K lower for every 300 m (common practice)."""
        high = changed(STEADY, cooling__cap_pressure="0")
        for duty in high["duties"]:
            duty["altitude"] = "1500 m"
        _, _, low = solved(changed(STEADY, cooling__cap_pressure="0"))
        _, _, up = solved(high)
        self.close(low.plant.limit - up.plant.limit, 5.0, abs=0.8)

    def test_a_fresh_run_at_the_limiting_ambient_is_at_the_brim(self) -> None:
        """Typed in as the air outside it gives a fill of one, to half a kelvin: drag, gear, oil and all."""
        compared = 0
        for raw in (STEADY, demo_document("quarry-mule"), demo_document("chalk-hare")):
            figures = report(raw)["systems"]["cooling"]["figures"]
            for duty in raw["duties"]:
                at = figures[duty["id"]]["limiting_ambient_k"]
                if not 225.0 < at < 334.0:
                    continue
                compared += 1
                moved = [d | ({"ambient": f"{at:.4f} K"} if d is duty else {}) for d in raw["duties"]]
                check = check_of(report(changed(raw, duties=moved)), "cooling", "heat", duty["id"])
                # A kelvin of air is a part of what the coolant has over it.
                with self.subTest(raw.get("name", "road"), duty=duty["id"]):
                    self.close(check["fill"], 1.0, abs=0.5 / (375.0 - at) + 1e-4)
        self.assertGreaterEqual(compared, 6)

    def test_hotter_air_carries_less(self) -> None:
        context, _, first = solved(STEADY)
        carried = [
            prepare(context.in_air(np.full((1, 4, 1), t)), first.plant).capacity for t in (283.15, 303.15, 323.15)
        ]
        for duty in range(4):
            self.falling([c[0, duty, 0] for c in carried])

    def test_air_over_the_limit(self) -> None:
        hot = changed(STEADY, engine__coolant_limit="78 C", engine__thermostat="60 C")
        hot["duties"] = [{"id": "cold_start", "kind": "pull", "ambient": "60 C", "start": "soaked", "duration": "1 s"}]
        found = check_of(report(hot), "cooling", "heat", "cold_start")
        self.assertLessEqual(found["fill"], 9.99)


class Gauge(NumbersCase):
    def test_shown_temperature_balances(self) -> None:
        """Heat shed at the shown temperature, thermostat where it then stands, is heat made."""
        context, _, c = solved(changed(STEADY, cooling__fan__drive="none", cooling__fan__diameter=None))
        heat = heat_made(context, c, context.mean)
        seen = shown(c, heat)
        off = model.pick_fan(c.airs, 0)
        shed = shed_at(c, seen.steady, off)
        self.close((shed / heat)[0, 1:, 0], 1.0, abs=0.01)

    def test_fill_one_is_the_limit_on_the_gauge(self) -> None:
        """A steady duty with a fill just under one reads just under its limit, and the other way round."""
        _context, _, c = solved(STEADY)
        heat = c.capacity * 0.999
        self.close(shown(c, heat).steady, np.broadcast_to(c.plant.limit, heat.shape), abs=0.4)

    def test_air_to_boil(self) -> None:
        """With the heat for which the air outside is just the air to boil, the gauge of a lasting duty settles at
        boiling, to 3 K of some 95: the core sheds a little better there than at the limit its conductance is taken
        at, thinner coolant in its tubes."""
        _context, _, c = solved(STEADY)
        heat = c.conductance * (c.plant.boiling - c.sink)
        self.close(air_to_boil(c, heat), np.broadcast_to(c.ambient, heat.shape), abs=1e-9)
        self.close(shown(c, heat).steady, np.broadcast_to(c.plant.boiling, heat.shape), abs=3.0)
        self.falling(np.ravel(air_to_boil(c, heat * np.array([0.5, 1.0, 1.5])[:, None, None])[:, 1]))

    def test_more_heat_reads_hotter(self) -> None:
        """But for half the fan's own band: a fan that never stops holds the lower end of it."""
        context, _, c = solved(STEADY)
        heat = heat_made(context, c, context.mean) * np.array([0.2, 0.6, 1.0, 1.4, 2.5])[:, None, None]
        steady = shown(c, heat).steady
        self.assertTrue(
            bool(np.all(np.diff(steady, axis=0) > -0.5 * (c.plant.facts.fan_on - c.plant.facts.fan_off) - 0.02))
        )

    def test_the_fan_shares_its_time(self) -> None:
        context, _, c = solved(STEADY)
        seen = shown(c, heat_made(context, c, context.mean))
        self.between(seen.fan_share, 0.0, 1.0)
        facts = c.plant.facts
        sharing = (seen.fan_share > 0.0) & (seen.fan_share < 1.0)
        self.assertTrue(bool(np.any(sharing)), seen.fan_share)
        self.close(seen.steady[sharing], 0.5 * (facts.fan_on + facts.fan_off), abs=1e-6)


class Duration(NumbersCase):
    def test_a_pull_raises_a_sound_car_by_about_seven_kelvin(self) -> None:
        """220 kW, 20 s from warm (common practice; 4 to 13, oil heat by way of the block counted)."""
        raw = changed(
            ROAD,
            engine__rated_power="220 kW",
            engine__displacement="3 L",
            engine__aspiration="turbo",
            cooling__core__depth="40 mm",
            cooling__core__width="680 mm",
            duties=[{"id": "pull", "kind": "pull", "ambient": "35 C"}],
        )
        figures = report(raw)["systems"]["cooling"]["figures"]["pull"]
        start = 361.15 + 2.0
        self.between(figures["end_of_duty_k"] - start, 4.0, 13.0)

    def test_longer_carries_less(self) -> None:
        lengths = ("10 s", "60 s", "5 min", "60 min", None)
        carried = []
        for length in lengths:
            duty = {"id": "d", "kind": "work", "air_speed": "60 km/h", "ambient": "35 C"}
            carried.append(report(changed(ROAD, duties=[duty | ({"duration": length} if length else {})])))
        values = [r["systems"]["cooling"]["figures"]["d"]["heat_carried_w"] for r in carried]
        self.falling(values[:4])
        self.close(values[3], values[4], rel=1e-3)
        self.close(values[4], carried[4]["systems"]["cooling"]["figures"]["d"]["heat_shed_w"], rel=1e-6)

    def test_cooler_start_carries_more(self) -> None:
        fills = []
        for start in ("cold", "cool", "warm", "soaked"):
            raw = changed(ROAD, duties=[{"id": "d", "kind": "pull", "ambient": "35 C", "start": start}])
            fills.append(check_of(report(raw), "cooling", "heat", "d")["fill"])
        self.rising(fills)


class Parts(NumbersCase):
    def test_missing_core_is_unknown_with_a_need(self) -> None:
        found = report(changed(ROAD, cooling__core__depth=None))
        block = found["systems"]["cooling"]
        self.assertEqual(block["state"], "unknown")
        self.assertEqual(block["unknown"][0]["missing"], ["cooling.core.depth"])
        self.assertIn("core_face", {n["quantity"] for n in block["need"]})
        self.assertEqual(found["systems"]["fuel"]["state"], "holds")
        self.assertIn("cooling.core.depth", found["unknown"])

    def test_all_that_is_missing_is_named(self) -> None:
        block = report(changed(ROAD, cooling={}))["systems"]["cooling"]
        self.assertEqual(
            set(block["unknown"][0]["missing"]),
            {"cooling.core.width", "cooling.core.height", "cooling.core.depth", "cooling.fan.drive"},
        )

    def test_the_needed_core_just_serves(self) -> None:
        """Fitting the face and the fans of the need sheet gives a fill of one, to 4 %."""
        raw = changed(ROAD, duties=ROAD["duties"][1:2], installation={}, cooling={})
        context = context_of(raw)
        needs = {n.quantity: likely(n.value) for n in need.needs(context, facts_of(raw, "cooling"))}
        face = needs["core_face"]
        fitted = {"core.depth": "26 mm", "fan.drive": "puller", "fan.diameter": "300 mm"}
        facts = with_facts(
            facts_of(changed(raw, cooling=fitted), "cooling"),
            {
                "core.width": np.sqrt(1.5 * face),
                "core.height": np.sqrt(face / 1.5),
                "fan.count": 1.0,
                "fan.diameter": 0.8 * np.sqrt(face),
                "fan.flow": need.FAN_SPEED * face,
                "fan.pressure": need.FAN_PRESSURE,
                "fan.rating": "rig",
            },
        )
        c = prepare(context, plant_of(context, facts))
        self.close(heat_made(context, c, context.mean) / c.capacity, 1.0, abs=0.04)

    def test_the_needed_fan_just_serves(self) -> None:
        """On the core that is fitted, in town: the fan asked for and no larger one gives a fill of one, to 3 %; a duty
        at speed asks for none."""
        town = {"id": "t", "kind": "road", "speed": "12 km/h", "ambient": "42 C", "air_conditioning": "yes"}
        raw = changed(ROAD, duties=[town], cooling__core__width="560 mm", cooling__condenser_front="yes")
        fan = next(n for n in report(raw)["systems"]["cooling"]["need"] if n["quantity"] == "fan_free_air")
        with_it = changed(
            raw,
            cooling__fan__flow=f"{fan['value']:.6f} m3/s",
            cooling__fan__pressure=f"{need.FAN_PRESSURE} Pa",
            cooling__fan__rating="rig",
            cooling__fan__diameter="423 mm",
        )
        self.close(check_of(report(with_it), "cooling", "heat", "t")["fill"], 1.0, abs=0.03)
        fast = changed(raw, duties=[{"id": "m", "kind": "road", "speed": "120 km/h", "ambient": "30 C"}])
        fan = next(n for n in report(fast)["systems"]["cooling"]["need"] if n["quantity"] == "fan_free_air")
        self.assertIsNone(fan["value"])

    def test_a_short_pull_is_asked_for_again_and_again(self) -> None:
        """A claim of 150 kW in a sprint car with one pull: the metal swallows 20 s of it, and a core for nothing is not
        asked for; with 0.02 m2 it would boil at the third pull."""
        raw = changed(
            ROAD,
            machine__kind="hillclimb",
            engine__rated_power="150 kW",
            engine__dry_mass="220 kg",
            duties=[{"id": "pull", "kind": "pull", "ambient": "34 C"}],
        )
        raw["cooling"] = {}
        face = next(n for n in report(raw)["systems"]["cooling"]["need"] if n["quantity"] == "core_face")
        self.between(face["value"], 0.06, 0.25)
        self.assertIn("the metal swallows", face["sentence"])

    def test_freezing(self) -> None:
        """Water at -25 degC bursts the block; half and half is good for it, a third is not (handbook freezing points)."""
        cold = [{"id": "m", "kind": "road", "speed": "80 km/h", "ambient": "-25 C"}]
        fills = {
            share: check_of(report(changed(ROAD, duties=cold, cooling__glycol=share)), "cooling", "freezing")["fill"]
            for share in ("0 %", "33 %", "50 %")
        }
        self.assertGreater(fills["0 %"], 2.0)
        self.assertGreater(fills["33 %"], 1.0)
        self.assertEqual(fills["50 %"], 0.0)
        self.assertNotIn("freezing", {c["id"] for c in report(ROAD)["systems"]["cooling"]["checks"]})

    def test_never_hotter_than_boiling_without_saying_so(self) -> None:
        raw = changed(ROAD, cooling__core__width="250 mm", duties=[{"id": "w", "kind": "work", "ambient": "35 C"}])
        found = report(raw)
        figures = found["systems"]["cooling"]["figures"]["w"]
        self.close(figures["coolant_out_k"], figures["boiling_point_k"], abs=1e-9)
        self.assertRegex(check_of(found, "cooling", "heat", "w")["sentence"], r"Boils after \d+")

    def test_no_pressure_under_nothing(self) -> None:
        raw = changed(ROAD, cooling__hose__bore="14 mm", cooling__coolant_flow="150 L/min")
        found = report(raw)
        for figures in found["systems"]["cooling"]["figures"].values():
            self.assertGreaterEqual(figures["pump_inlet_pa"], 0.0)
        self.assertNotIn("-", check_of(found, "cooling", "pump_inlet")["sentence"].split(" on ")[0])

    def test_a_pushing_fans_room_is_ahead_of_the_core(self) -> None:
        """Stated apart: 65 mm of fan in 60 ahead is too much; behind, the core alone stands to the pulley."""
        raw = changed(
            ROAD,
            cooling__fan__drive="pusher",
            cooling__fan__depth="65 mm",
            cooling__fan_gap="0 mm",
            installation__depth_ahead="60 mm",
            installation__depth_available="80 mm",
        )
        found = report(raw)
        self.close(check_of(found, "cooling", "stack_ahead")["fill"], 65 / 60, abs=1e-9)
        self.close(check_of(found, "cooling", "stack")["capacity"], 0.080 - 0.026, abs=1e-9)

    def test_a_flow_typed_as_shown_changes_nothing(self) -> None:
        """By rule it is a rig's; typed back, measured, or from a catalogue."""
        duty = ROAD["duties"][0]["id"]

        def fill(flow: object) -> float:
            return float(check_of(report(changed(ROAD, cooling__fan__flow=flow)), "cooling", "heat", duty)["fill"])

        usual = report(ROAD)["facts"]["cooling.fan.flow"]["shown"] if "facts" in report(ROAD) else "0.95 m3/s"
        by_rule = fill(None)
        self.close(fill({"text": usual, "evidence": "guess"}), by_rule, rel=5e-3)
        self.close(fill({"text": "0.9 m3/s", "evidence": "taped"}) / by_rule, 1.0, abs=0.06)
        self.assertGreater(fill({"text": "0.9 m3/s", "evidence": "sheet"}), 1.1 * by_rule)

    def test_the_thermostat_moves(self) -> None:
        """A short duty from warm sheds less than through a core that stands open all the while; without a thermostat
        all of it."""
        pull = [{"id": "p", "kind": "pull", "ambient": "35 C"}]
        carried = {
            kind: report(changed(ROAD, duties=pull, cooling__thermostat_kind=kind))["systems"]["cooling"]["figures"][
                "p"
            ]
            for kind in (None, "none")
        }
        self.between(carried[None]["heat_carried_w"] / carried["none"]["heat_carried_w"], 0.85, 0.999)

    def test_need_takes_the_thickest_core_the_room_allows(self) -> None:
        self.close(need.reference_depth(facts_of(changed(ROAD, cooling={}), "cooling"), 0.160), 0.056)
        self.close(need.reference_depth(facts_of(changed(ROAD, cooling={}), "cooling"), 0.128), 0.026)
        self.close(need.reference_depth(facts_of(changed(ROAD, cooling={}), "cooling"), None), 0.026)

    def test_depth_to_the_pulley(self) -> None:
        """160 - 26 - 10 - 65 mm leaves 59, twice the 25 kept: fill 0; 100 mm leaves -1: interference."""
        self.close(check_of(report(ROAD), "cooling", "stack")["fill"], 0.0)
        tight = check_of(report(changed(ROAD, installation__depth_available="100 mm")), "cooling", "stack")
        self.close([tight["capacity"], tight["fill"]], [-1e-3, 2.04], abs=1e-9)
        self.assertEqual(tight["state"], "short")

    def test_core_in_its_opening(self) -> None:
        """600 mm in 640 is 94 % of it; 400 mm in 380 does not go in."""
        fits = changed(ROAD, installation__opening_width="640 mm")
        self.close(check_of(report(fits), "cooling", "opening")["fill"], 600 / 640, abs=1e-9)
        high = check_of(report(changed(fits, installation__opening_height="380 mm")), "cooling", "opening")
        self.close(high["fill"], 400 / 380, abs=1e-9)
        self.assertIn("high", high["sentence"])
        self.assertNotIn("opening", {c["id"] for c in report(ROAD)["systems"]["cooling"]["checks"]})

    def test_no_fan_stands_open(self) -> None:
        raw = changed(
            ROAD,
            cooling__fan__drive="none",
            cooling__fan__diameter=None,
            duties=[{"id": "idle", "kind": "idle", "ambient": "38 C"}],
        )
        found = report(raw)
        self.assertGreater(check_of(found, "cooling", "heat", "idle")["fill"], 1.0)
        self.assertIn("no_fan", {n["code"] for n in found["systems"]["cooling"]["notices"]})

    def test_coolers_that_share_the_radiator(self) -> None:
        base = row_of(report(STEADY), "core_fan", "load")["fill"]
        with_oil = row_of(report(changed(STEADY, oil__cooler__into="water")), "core_fan", "load")["fill"]
        slipping = changed(STEADY, cooling__gearbox_cooler="yes", machine__gearbox="automatic_slipping")
        self.assertGreater(with_oil, base)
        self.assertGreater(row_of(report(slipping), "core_fan", "load")["fill"], base)

    def test_fan_thresholds_that_cross_are_refused(self) -> None:
        from gauge_well.sheet import SheetError

        with self.assertRaises(SheetError) as caught:
            report(changed(ROAD, cooling__fan_on="90 C", cooling__fan_off="95 C"))
        self.assertEqual(caught.exception.problems[0].field, "cooling.fan_off")

    def test_a_core_means_nothing_in_a_boat(self) -> None:
        """What a sheet still says of core and fan is not judged: its exchanger is asked for."""
        found = report(changed(ROAD, machine={"kind": "boat"}, duties=[{"id": "d", "kind": "boat"}]))["systems"][
            "cooling"
        ]
        self.assertEqual(found["checks"], [])
        self.assertIn("cooling.exchanger.conductance", found["unknown"][0]["missing"])


class Instrument(NumbersCase):
    def test_operating_point_is_where_the_curves_meet(self) -> None:

        context, facts, _ = solved(STEADY)
        for speed in (0.0, 12.0, 30.0):
            found = drawn("cooling", "air", context, facts, {"duty": 1, "air_speed": speed})
            flow = np.array(found["flow"])
            gap = np.array(found["pushes"]) - np.array(found["resists"])
            crossing = np.interp(0.0, -gap, flow)
            self.close(found["point"]["mass_flow"], crossing, rel=0.01, note=str(speed))

    def test_no_such_duty(self) -> None:
        from gauge_well.core.errors import CoreError

        context, facts, _ = solved(STEADY)
        for options in ({"duty": 9.0}, {"air_speed": 500.0}):
            with self.assertRaises(CoreError):
                drawn("cooling", "air", context, facts, options)
