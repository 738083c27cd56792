"""Oil: coverage against the trade's figures, temperature by hand, pressure, suction, edges."""

import dataclasses
from functools import partial

import numpy as np
from scipy import optimize

from gauge_well.core.errors import CoreError
from gauge_well.core.geometry.frames import apparent_up, engine_to_vehicle
from gauge_well.core.media import oils
from gauge_well.core.systems.cooling.gauge import core_shed_at
from gauge_well.core.systems.cooling.model import pick_fan, plant_of, prepare
from gauge_well.core.systems.oil import covering, feeding, need, warmth
from gauge_well.core.systems.oil.pan import pan_of
from gauge_well.core.typing import likely
from gauge_well.sheet import SheetError
from tests.support import ROAD, NumbersCase, calls, changed, check_of, context_of, drawn, facts_of, report, row_of

# The worked pan: rear well 220 x 250 mm, 90 deep, shallow front 300 mm; 5.5 L all of it in the pan.
PAN = {
    "pan.shape": "rear_well",
    "pan.length": "520 mm",
    "pan.width": "250 mm",
    "pan.depth": "90 mm",
    "pan.well_length": "220 mm",
    "pan.shallow_depth": "0 mm",
    "pickup.x": "110 mm",
    "pickup.clearance": "8 mm",
    "oil_quantity": "5.5 L",
    "oil_up": "0 L",
    "pan.baffle": "none",
    "cooler.into": "none",
}
OIL = changed(ROAD, oil=PAN)
UPRIGHT = engine_to_vehicle(0.0, 0.0, 0.0)


def pan(**paths: object) -> tuple:
    facts = facts_of(changed(OIL, **{f"oil__{k}": v for k, v in paths.items()}), "oil")
    return facts, pan_of(facts)


class Coverage(NumbersCase):
    def test_worked_pan(self) -> None:
        """Oil over the pickup 86 mm at rest, 39 at 0.3 g of braking, 6 at 0.5, bare at 1 g (common practice; 3 mm)."""
        _, body = pan()
        up = apparent_up(-np.array([0.0, 0.3, 0.5]), 0.0, 0.0)
        self.close(covering.head(body, up, 5.5e-3) * 1e3, [86.0, 39.0, 6.0], abs=3.0)
        self.assertLess(float(covering.head(body, apparent_up(-1.0, 0.0, 0.0), 5.5e-3)), -0.05)
        self.between(covering.covered(body, UPRIGHT, 5.5e-3, -1.0, 0.0), 0.45, 0.58, "fails by about 0.55 g")

    def test_head_is_nought_at_the_covered_acceleration(self) -> None:
        _, body = pan()
        for f, s in covering.DIRECTIONS.values():
            g = float(covering.covered(body, UPRIGHT, 5.5e-3, f, s))
            if 0.0 < g < covering.G_MOST:
                self.close(covering.head(body, apparent_up(g * f, g * s, 0.0), 5.5e-3), 0.0, abs=1e-5)

    def test_a_turned_engine_turns_its_rose(self) -> None:
        """What a lengthwise engine covers braking, a rear-facing one covers pulling away, a transverse one cornering."""
        _, body = pan()
        braking = covering.covered(body, UPRIGHT, 5.5e-3, -1.0, 0.0)
        self.close(covering.covered(body, engine_to_vehicle(np.pi, 0.0, 0.0), 5.5e-3, 1.0, 0.0), braking, abs=1e-3)
        self.close(covering.covered(body, engine_to_vehicle(np.pi / 2, 0.0, 0.0), 5.5e-3, 0.0, -1.0), braking, abs=1e-3)

    def test_more_oil_covers_more(self) -> None:
        _, body = pan()
        self.rising([float(covering.covered(body, UPRIGHT, v, -1.0, 0.0)) for v in (3.5e-3, 4.5e-3, 5.5e-3, 7e-3)])

    def test_bare_at_rest_and_never_bare(self) -> None:
        _, body = pan()
        self.close(covering.covered(body, UPRIGHT, 1e-4, -1.0, 0.0), 0.0)
        _, deep = pan(
            pan__shape="box",
            pan__length="80 mm",
            pan__width="60 mm",
            pan__depth="900 mm",
            pickup__x="40 mm",
            oil_quantity="4.5 L",
        )
        self.close(covering.covered(deep, UPRIGHT, 4.3e-3, -1.0, 0.0), covering.G_MOST)

    def test_climbing_counts_against_pulling_away(self) -> None:
        _, body = pan()
        level = float(covering.covered(body, UPRIGHT, 5.5e-3, -1.0, 0.0))
        self.assertGreater(float(covering.covered(body, UPRIGHT, 5.5e-3, -1.0, 0.0, 0.15)), level)
        self.assertLess(float(covering.covered(body, UPRIGHT, 5.5e-3, -1.0, 0.0, -0.15)), level)

    def test_a_rose_for_three_quantities_is_one_pass(self) -> None:
        """Three quantities in 72 directions take as many calls as one in two."""
        _, body = pan()
        angle = np.linspace(0.0, 2 * np.pi, 72, endpoint=False)
        three = np.array([4e-3, 5e-3, 6e-3])[:, None]
        rose = partial(covering.covered, body, UPRIGHT, three, np.cos(angle), np.sin(angle))
        few = partial(covering.covered, body, UPRIGHT, 5e-3, np.cos(angle[:2]), np.sin(angle[:2]))
        self.assertLess(calls(rose), 2.0 * calls(few))
        found = rose()
        self.assertEqual(found.shape, (3, 72))
        self.close(found[:, 1:36], found[:, :36:-1], abs=2e-3, note="a middle pickup covers left as right")


class Checks(NumbersCase):
    def test_without_a_baffle_it_is_short(self) -> None:
        raw = changed(OIL, duties=[{"id": "run", "kind": "run", "ambient": "20 C"}])
        found = check_of(report(raw), "oil", "pickup")
        self.assertGreater(found["fill"], 1.0)
        self.assertIn("braking", found["sentence"])
        self.assertEqual(report(raw)["first_to_give"]["check"], "pickup")

    def test_a_makers_baffle_not_known_is_not_called_short(self) -> None:
        raw = changed(OIL, oil__pan__baffle=None, duties=[{"id": "run", "kind": "run", "ambient": "20 C"}])
        block = report(raw)["systems"]["oil"]
        self.assertEqual(block["unknown"][0]["missing"], ["oil.pan.baffle"])
        self.assertNotIn("pickup", {c["id"] for c in block["checks"]})

    def test_a_baffle_brings_no_oil_to_a_pickup_bare_at_rest(self) -> None:
        """Standing on 50 % of grade with 3 L in it the worked pan's pickup is bare: short, whatever the baffle is good for."""
        steep = [{"id": "s", "kind": "road", "speed": "10 km/h", "grade": "-50 %", "ambient": "20 C"}]
        for baffle in ({"pan.baffle": None, "pan.baffle_g": "1.4 g"}, {"pan.baffle": None}):
            pan = PAN | baffle | {"oil_quantity": "3 L"}
            found = check_of(report(changed(OIL, oil=pan, duties=steep)), "oil", "pickup")
            self.assertEqual(found["fill"], 9.99)
            self.assertIn("it wants", found["sentence"])

    def test_what_a_mouth_wants_over_it(self) -> None:
        """40 L/min into a 50 mm mouth 8 mm up: 0.53 m/s in the ring, 10 + 14 = 24 mm (by hand)."""
        raw = changed(
            OIL,
            oil={"pump.displacement": "40 cc", "pickup.mouth": "50 mm", "pump.relief_returns": "sump"},
            duties=[{"id": "t", "kind": "typed", "engine_power": "5 kW", "engine_speed": "1000 rpm"}],
        )
        context, facts = context_of(raw), facts_of(raw, "oil")
        self.close(covering.cover(context, facts, None), 0.0243, abs=2e-4)
        bare, wanted = (
            covering.covered(pan()[1], UPRIGHT, 5.5e-3, -1.0, 0.0, over=over)
            for over in (0.0, covering.cover(context, facts, None))
        )
        self.assertLess(float(wanted[0, 0]), float(bare))

    def test_a_baffles_stated_figure_counts(self) -> None:
        raw = changed(
            OIL,
            oil__pan__baffle=None,
            oil__pan__baffle_g="1.4 g",
            duties=[{"id": "run", "kind": "run", "ambient": "20 C"}],
        )
        self.close(check_of(report(raw), "oil", "pickup")["capacity"], 1.4 * 9.80665, rel=1e-6)

    def test_room_round_the_pan(self) -> None:
        """120 mm kept on the road: 90 mm is 2 - 90/120 = 1.25."""
        raw = changed(OIL, installation__pan_ground="90 mm", installation__pan_steering="30 mm")
        self.close(check_of(report(raw), "oil", "ground")["fill"], 1.25, abs=1e-9)
        self.close(check_of(report(raw), "oil", "steering")["fill"], 0.5, abs=1e-9)

    def test_missing_pan(self) -> None:
        block = report(changed(ROAD, oil={}))["systems"]["oil"]
        self.assertEqual(
            set(block["unknown"][0]["missing"]),
            {"oil.pan.shape", "oil.pickup.x", "oil.pan.length", "oil.pan.width", "oil.pan.depth"},
        )
        self.assertLessEqual({"oil_quantity", "oil_over_floor"}, {n["quantity"] for n in block["need"]})

    def test_cannot_be(self) -> None:
        crossed = {"pan.shape": "outline", "pan.outline": "0 mm, 0 mm\n400 mm, 150 mm\n400 mm, 0 mm\n0 mm, 150 mm"}
        for field, paths in (
            ("oil.pan.outline", crossed),
            ("oil.pickup.x", {"pickup.x": "700 mm"}),
            ("oil.pickup.y", {"pickup.y": "300 mm"}),
            ("oil.oil_quantity", {"oil_quantity": "60 L"}),
            ("oil.pan.well_length", {"pan.well_length": "600 mm"}),
        ):
            with self.assertRaises(SheetError) as caught:
                report(changed(OIL, **{f"oil__{k}": v for k, v in paths.items()}))
            self.assertEqual(caught.exception.problems[0].field, field)
            self.assertTrue(caught.exception.problems[0].allowed)

    def test_own_outline_is_the_preset(self) -> None:
        """The worked pan typed corner by corner holds the same and covers the same."""
        own = {
            "pan.shape": "outline",
            "pan.outline": "0 mm, 0 mm\n0 mm, 90 mm\n220 mm, 90 mm\n220 mm, 0 mm\n520 mm, 0 mm",
        }
        _, preset = pan(pan__shallow_depth="20 mm")
        _, typed = pan(
            **own
            | {"pan.outline": "0 mm, 0 mm\n0 mm, 90 mm\n220 mm, 90 mm\n220 mm, 20 mm\n520 mm, 20 mm\n520 mm, 0 mm"}
        )
        self.close(typed.holds, preset.holds, rel=1e-12)
        self.close(
            covering.covered(typed, UPRIGHT, 5e-3, -1.0, 0.0),
            covering.covered(preset, UPRIGHT, 5e-3, -1.0, 0.0),
            abs=1e-4,
        )

    def test_widths_by_station(self) -> None:
        """A pan half as wide at one end holds three quarters."""
        _, plain = pan(pan__shape="box")
        _, tapered = pan(pan__shape="box", pan__widths="0 mm, 250 mm\n520 mm, 125 mm")
        self.close(tapered.holds / plain.holds, 0.75, rel=1e-9)


class Heat(NumbersCase):
    def test_steady_temperature_by_hand(self) -> None:
        """Sum of Q and UA T over sum of UA; with no other way out oil stands 25 K over the coolant at rated heat where
        nothing blows, 40 K in a petrol turbo (common practice)."""
        raw = changed(OIL, duties=[{"id": "w", "kind": "work", "air_speed": "0 km/h", "ambient": "30 C"}])
        context, facts = context_of(raw), facts_of(raw, "oil")
        ways = warmth.ways_out(context, facts, pan_of(facts))
        q = context.mean.heat_to_oil
        expected = (q + ways.block * ways.coolant + ways.pan * ways.ambient) / (ways.block + ways.pan)
        self.close(warmth.temperature(ways, q), expected, rel=1e-9)
        self.close(q / ways.block, 25.0, rel=1e-6)
        blown = context_of(changed(raw, engine__aspiration="turbo"))
        self.close(blown.mean.heat_to_oil / warmth.ways_out(blown, facts, None).block, 40.0, rel=1e-6)

    def test_oil_follows_the_coolant_of_its_duty(self) -> None:
        """A smaller core runs hotter, and the oil with it, kelvin for kelvin times the block's share; a core with room
        to spare leaves it to the thermostat."""
        duty = [{"id": "w", "kind": "road", "speed": "100 km/h", "grade": "6 %", "ambient": "25 C"}]
        small, large, larger = (
            report(changed(OIL, duties=duty, cooling__core__width=w))["systems"] for w in ("450 mm", "700 mm", "900 mm")
        )
        hot = [s["oil"]["figures"]["w"]["oil_temperature_k"] for s in (small, large, larger)]
        gauge = [s["cooling"]["figures"]["w"]["coolant_out_k"] for s in (small, large)]
        self.assertGreater(gauge[0], gauge[1] + 3.0)
        self.between((hot[0] - hot[1]) / (gauge[0] - gauge[1]), 0.6, 1.1)
        self.close(hot[1], hot[2], abs=0.1)

    def test_oil_starts_where_the_duty_before_left_it(self) -> None:
        hard = {"id": "hard", "kind": "work", "air_speed": "40 km/h", "ambient": "40 C", "duration": "60 min"}
        pull = {"id": "pull", "kind": "pull", "ambient": "40 C", "duration": "5 s"}
        warm, after = (
            report(changed(OIL, duties=[hard, pull | more]))["systems"]["oil"]["figures"]
            for more in ({}, {"after": "hard"})
        )
        self.assertGreater(after["pull"]["oil_temperature_k"], warm["pull"]["oil_temperature_k"] + 5.0)
        self.close(after["pull"]["oil_temperature_k"], after["hard"]["oil_temperature_k"], abs=4.0)

    def test_oil_warms_up_from_cold(self) -> None:
        """A short cold duty leaves the oil cold: 2 minutes of cruise at -10 degC."""
        duty = {"id": "m", "kind": "road", "speed": "60 km/h", "ambient": "-10 C", "start": "cold", "duration": "2 min"}
        found = report(changed(OIL, duties=[duty]))["systems"]["oil"]["figures"]["m"]["oil_temperature_k"] - 273.15
        self.between(found, -10.0, 40.0)

    def test_heat_is_not_counted_twice(self) -> None:
        """What goes to the coolant and what goes to the air make up the oil's heat, steady."""
        raw = changed(
            OIL,
            duties=[{"id": "w", "kind": "work", "air_speed": "40 km/h", "ambient": "30 C"}],
            oil__cooler__into="air",
            oil__cooler__conductance="120 W/K",
        )
        context, facts = context_of(raw), facts_of(raw, "oil")
        ways = warmth.ways_out(context, facts, pan_of(facts))
        q = context.mean.heat_to_oil
        for coolant in (ways.coolant, ways.coolant + 20.0):
            at = dataclasses.replace(ways, coolant=coolant)
            found = warmth.hand_over(at)
            brings = found.share * q + found.warmth - found.pull * (coolant - ways.ambient)
            hot = warmth.temperature(at, q)
            self.close(brings + (ways.pan + ways.air) * (hot - ways.ambient), q, rel=1e-6)
            self.close(brings, (ways.block + ways.water) * (hot - coolant), rel=1e-6)

    def test_both_balances_close_at_once(self) -> None:
        """Coolant and oil by a general root finder from what each sheds, against what the gauges show: 0.2 K and 1 K, as
        the oil is told of a coolant that goes straight about its limit."""
        raw = changed(
            OIL,
            duties=[
                {"id": "w", "kind": "typed", "engine_power": "30 kW", "engine_speed": "4000 rpm", "ambient": "38 C"}
            ],
            cooling__core__width="900 mm",
            oil__cooler__into="air",
            oil__cooler__conductance="150 W/K",
        )
        context, facts, cooled = context_of(raw), facts_of(raw, "oil"), facts_of(raw, "cooling")
        ways = warmth.ways_out(context, facts, pan_of(facts))
        own = {n: likely(getattr(ways, n)) for n in ("block", "water", "pan", "air", "ambient")}
        cooling = prepare(context, plant_of(context, cooled))
        full = pick_fan(cooling.airs, -1)
        q_coolant, q_oil = likely(context.mean.heat_to_coolant), likely(context.mean.heat_to_oil)

        def left(at: np.ndarray) -> list[float]:
            coolant, oil = at
            crosses = (own["block"] + own["water"]) * (oil - coolant)
            shed = likely(core_shed_at(cooling, np.full((1, 1, 1), coolant), full))
            return [q_coolant + crosses - shed, q_oil - crosses - (own["pan"] + own["air"]) * (oil - own["ambient"])]

        found = optimize.root(left, [370.0, 390.0])
        self.assertTrue(found.success)
        systems = report(raw)["systems"]
        self.assertGreater(found.x[0], likely(cooling.plant.thermostat) + 12.0, "the thermostat is open")
        self.close(systems["cooling"]["figures"]["w"]["coolant_out_k"], found.x[0], abs=0.2)
        self.close(systems["oil"]["figures"]["w"]["oil_temperature_k"], found.x[1], abs=1.0)

    def test_a_short_pull_does_not_reach_its_steady_heat(self) -> None:
        fills = []
        for length in ("5 s", "20 s", "120 s", "60 min"):
            raw = changed(OIL, duties=[{"id": "p", "kind": "pull", "ambient": "35 C", "duration": length}])
            fills.append(check_of(report(raw), "oil", "oil_temperature", "p")["fill"])
        self.rising(fills)

    def test_coolers(self) -> None:
        duty = [{"id": "w", "kind": "work", "air_speed": "60 km/h", "ambient": "30 C"}]

        def fill(**paths: object) -> tuple[float, float]:
            found = report(changed(OIL, duties=duty, **paths))
            return check_of(found, "oil", "oil_temperature", "w")["fill"], check_of(found, "cooling", "heat", "w")[
                "fill"
            ]

        bare, air = fill(), fill(oil__cooler__into="air", oil__cooler__conductance="150 W/K")
        water = fill(oil__cooler__into="water", oil__cooler__conductance="150 W/K")
        self.assertLess(air[0], bare[0])
        self.assertLess(water[0], bare[0])
        self.assertLess(air[1], bare[1], "air takes heat off the radiator")
        self.assertGreater(water[1], bare[1], "water brings it there")

    def test_a_cooler_without_its_conductance_is_unknown(self) -> None:
        block = report(changed(OIL, oil__cooler__into="air", oil__cooler__conductance=None))["systems"]["oil"]
        self.assertEqual(block["unknown"][0]["missing"], ["oil.cooler.conductance"])

    def test_a_cooler_nobody_spoke_of_is_unknown_where_it_matters(self) -> None:
        """Hot without one: not called short, the need says what to look for. Cool without one: it holds."""
        hard = changed(
            OIL,
            oil__cooler__into=None,
            engine__rated_power="180 kW",
            engine__aspiration="turbo",
            duties=[{"id": "w", "kind": "work", "air_speed": "70 km/h", "ambient": "40 C"}],
        )
        block = report(hard)["systems"]["oil"]
        self.assertIn(["oil.cooler.into"], [u["missing"] for u in block["unknown"]])
        self.assertIn("oil_cooler_conductance", {n["quantity"] for n in block["need"]})
        easy = report(
            changed(
                OIL, oil__cooler__into=None, duties=[{"id": "m", "kind": "road", "speed": "90 km/h", "ambient": "20 C"}]
            )
        )
        self.assertLess(check_of(easy, "oil", "oil_temperature", "m")["fill"], 1.0)

    def test_the_needed_cooler_just_serves(self) -> None:
        raw = changed(
            OIL,
            engine__rated_power="180 kW",
            engine__aspiration="turbo",
            duties=[{"id": "w", "kind": "work", "air_speed": "70 km/h", "ambient": "40 C"}],
        )
        needs = {n["quantity"]: n["value"] for n in report(raw)["systems"]["oil"]["need"]}
        cooled = changed(
            raw, oil__cooler__into="air", oil__cooler__conductance=f"{needs['oil_cooler_conductance']} W/K"
        )
        self.close(check_of(report(cooled), "oil", "oil_temperature", "w")["fill"], 1.0, abs=1e-6)


def read(**oil: object) -> tuple:
    """Oil facts and what its bearings leak."""
    raw = changed(OIL, oil=oil)
    facts = facts_of(raw, "oil")
    return facts, feeding.leak_of(context_of(raw), facts)


class Hydraulics(NumbersCase):
    def test_one_reading_carries_over_speed_and_heat(self) -> None:
        """Half by thickness, half by inertia: half the speed gives 3/8, double 3 times, to the relief."""
        facts, leak = read(hot_pressure="150 kPa", hot_pressure_speed="2000 rpm", pump__relief="500 kPa")
        self.close(
            feeding.gauge_pressure(facts, leak, np.array([1000.0, 2000.0, 4000.0, 6000.0]), 373.15),
            [56.25e3, 150e3, 450e3, 500e3],
            rel=1e-9,
        )
        oil = oils.OILS["10w40"]
        thin = (
            oils.viscosity_walther(oil, 403.15)
            * oils.density(403.15)
            / (oils.viscosity_walther(oil, 373.15) * oils.density(373.15))
        )
        self.close(feeding.gauge_pressure(facts, leak, 2000.0, 403.15), 75e3 * (1.0 + thin), rel=1e-9)

    def test_a_reading_near_the_relief_is_the_reliefs(self) -> None:
        """60 psi at 6,000 rpm is the rule of 10 psi for each 1000 exactly, and holds, hotter oil or not."""
        for hot in (95.0, 100.0, 115.0):
            facts, leak = read(hot_pressure="60 psi", hot_pressure_speed="6000 rpm")
            has = feeding.gauge_pressure(facts, leak, 6000.0, hot + 273.15)
            asks = feeding.least_pressure(facts, 6000.0, 6000.0)
            self.close(has, asks, rel=1e-3)
        whole = changed(OIL, oil={"hot_pressure": "60 psi", "hot_pressure_speed": "6000 rpm"})
        pull = [{"id": "p", "kind": "pull", "ambient": "30 C", "engine_speed": "6000 rpm"}]
        self.assertLessEqual(check_of(report(changed(whole, duties=pull)), "oil", "oil_pressure", "p")["fill"], 1.0)

    def test_only_what_the_bearings_pass_is_drawn(self) -> None:
        """By rule the relief opens hot at 0.6 of rated speed; what it lets back to the inlet is not sucked again."""
        facts, leak = read(pump__displacement="10 cc")
        self.close(feeding.drawn_flow(facts, leak, np.array([3000.0, 6000.0]), 373.15), [5e-4, 6e-4], rel=1e-6)
        to_sump, leak = read(pump__displacement="10 cc", pump__relief_returns="sump")
        self.close(feeding.drawn_flow(to_sump, leak, 6000.0, 373.15), 1e-3, rel=1e-6)

    def test_how_fast_a_cold_pickup_passes(self) -> None:
        """10W-40 through 16 mm x 0.25 m, 0.15 m up to the pump, 55 kPa left: 1.9 L/min at -20 degC, 10.8 at 0, 32 at
        20, 67 at 100 (worked by hand; a third either way, fittings counted here)."""
        for celsius, litres in ((-20.0, 1.9), (0.0, 10.8), (20.0, 32.0), (100.0, 67.0)):
            facts, leak = read(
                pickup__bore="16 mm", pickup__length="250 mm", pump__displacement="30 cc", pump__relief_returns="sump"
            )
            speed = feeding.suction_speed(facts, leak, celsius + 273.15, 101325.0, 9000.0)
            self.close(30e-3 * speed, litres, rel=0.33, note=f"{celsius} C")

    def test_cold_oil_is_judged(self) -> None:
        cold = [{"id": "m", "kind": "road", "speed": "60 km/h", "ambient": "-25 C"}]
        thick = {"grade": "20w50", "pickup.bore": "12 mm", "pump.relief_returns": "sump", "pickup_lift": "0.2 m"}
        bad, good = (
            check_of(report(changed(OIL, duties=cold, oil=oil)), "oil", "cold_suction")
            for oil in (thick, thick | {"grade": "0w20", "pump.relief_returns": "inlet"})
        )
        self.assertGreater(bad["fill"], 1.0)
        self.assertLess(good["fill"], 1.0)
        self.assertIn("20W-50", bad["sentence"])
        self.assertNotIn("cold_suction", {c["id"] for c in report(OIL)["systems"]["oil"]["checks"]})

    def test_schools_of_least_pressure(self) -> None:
        """10 psi for each 1000 rpm (common practice) is 68.9 kPa."""
        facts = facts_of(OIL, "oil")
        self.close(feeding.least_pressure(facts, 3000.0, 6000.0), 30 * 6894.757, rel=1e-4)
        maker = facts_of(changed(OIL, oil__pressure_school="maker", oil__least_pressure="300 kPa"), "oil")
        self.close(feeding.least_pressure(maker, 6000.0, 6000.0), 300e3, rel=1e-9)

    def test_cold_suction_against_hagen_poiseuille(self) -> None:
        """Laminar at -10 degC: 128 mu L Q / (pi D^4), 2.5 heads and 1000 / Re of fittings (hooper1981), 0.15 m of lift."""
        facts, _ = read(pickup__bore="20 mm", pickup__length="250 mm")
        t, q = 263.15, 8e-5
        nu, rho = float(oils.viscosity_walther(oils.OILS["10w40"], t)), float(oils.density(t))
        speed = q / (np.pi / 4 * 0.02**2)
        fittings = (2.5 + 1000.0 * nu / (speed * 0.02)) * 0.5 * rho * speed**2
        expected = 128 * nu * rho * 0.25 * q / (np.pi * 0.02**4) + fittings + rho * 9.80665 * 0.15
        self.close(feeding.suction_drop(facts, q, t), expected, rel=1e-3)

    def test_pressure_is_judged_only_with_a_reading(self) -> None:
        self.assertIn("pressure_not_judged", {n["code"] for n in report(OIL)["systems"]["oil"]["notices"]})
        read = report(changed(OIL, oil__hot_pressure="3 bar", oil__hot_pressure_speed="3000 rpm"))
        self.assertIn("oil_pressure", {c["id"] for c in read["systems"]["oil"]["checks"]})
        self.assertEqual(row_of(read, "pressure", "load")["system"], "oil")


class TurboReturn(NumbersCase):
    def drained(self, **facts: str) -> dict:
        return report(changed(OIL, oil={"drain.bore": "16 mm", "drain.slope": "30 deg"} | facts))

    def test_asked_only_where_it_is_told(self) -> None:
        self.assertNotIn("turbo_drain_flow", {c["id"] for c in report(OIL)["systems"]["oil"]["checks"]})

    def test_flow_by_hand(self) -> None:
        """A quarter of pi g sin 30 0.016^4 / (128 nu), with the report's own viscosity."""
        found = self.drained(turbo_oil_flow="2.5 L/min")
        check = check_of(found, "oil", "turbo_drain_flow")
        figures = found["systems"]["oil"]["figures"].values()
        thick = max(f["oil_viscosity_m2_s"] for f in figures)
        self.close(check["capacity"], 0.25 * np.pi * 9.80665 * 0.5 * 0.016**4 / (128 * thick), rel=1e-9)
        self.close(check["fill"], 2.5e-3 / 60 / check["capacity"], rel=1e-9)

    def test_flat_return_fails(self) -> None:
        """15 degrees at least (common practice); a level one lets nothing down."""
        fall = check_of(self.drained(drain__slope="15 deg", turbo_oil_flow="2 L/min"), "oil", "turbo_drain_slope")
        self.close(fall["fill"], 1.0, abs=1e-9)
        level = self.drained(drain__slope="0 deg", turbo_oil_flow="2 L/min")
        self.assertEqual(check_of(level, "oil", "turbo_drain_flow")["fill_code"], "level")
        self.assertEqual(row_of(level, "drain", "gate")["reach_code"], "gate")


class Needs(NumbersCase):
    def test_the_needed_quantity_just_covers(self) -> None:
        raw = changed(
            OIL, duties=[{"id": "m", "kind": "road", "speed": "80 km/h", "braking": "0.4 g", "ambient": "20 C"}]
        )
        context, facts = context_of(raw), facts_of(raw, "oil")
        pan = pan_of(facts)
        ways = warmth.ways_out(context, facts, pan)
        wanted = need.needs(context, facts, covering.coverage(context, facts, pan), ways)[0].value
        wanted = likely(wanted)
        again = changed(raw, oil__oil_quantity=f"{wanted * 1e3:.6f} L")
        self.close(check_of(report(again), "oil", "pickup")["fill"], 1.0, abs=2e-3)


class ColdSuction(NumbersCase):
    def test_what_is_lost_there_leaves_55_kpa(self) -> None:
        """A thin long pipe in thick oil: laminar, so Hagen-Poiseuille gives the speed by hand but for the fittings."""
        facts, leak = read(
            pickup__bore="12 mm",
            pickup__length="1 m",
            pump__displacement="30 cc",
            pickup_lift="0 mm",
            pump__relief_returns="sump",
        )
        speed = feeding.suction_speed(facts, leak, 283.15, 101325.0, 9000.0)
        oil = oils.OILS[facts.grade]
        nu, rho = float(oils.viscosity_walther(oil, 283.15)), float(oils.density(283.15))
        q = 30e-6 * speed / 60
        pipe = 128 * nu * rho * q / (np.pi * 0.012**4)
        v = q / (np.pi / 4 * 0.012**2)
        fittings = (feeding.PICKUP_LOSS + feeding.PICKUP_SLOW * nu / (v * 0.012)) * rho * v**2 / 2
        self.close(pipe + fittings, 101325 - 55e3, rel=2e-3)

    def test_a_wide_pipe_passes_all(self) -> None:
        facts, leak = read(pickup__bore="40 mm", pickup__length="0.1 m")
        self.close(feeding.suction_speed(facts, leak, 373.15, 101325.0, 6000.0), 6000.0, rel=1e-6)


class Instrument(NumbersCase):
    def test_pressure_cold_and_hot(self) -> None:
        """Cold oil stands higher, both are held at the relief, and hot at the duty's speed is the duty's figure."""
        raw = changed(OIL, oil={"hot_pressure": "3 bar", "hot_pressure_speed": "3000 rpm", "pump.relief": "4.5 bar"})
        found = drawn("oil", "pan", context_of(raw), facts_of(raw, "oil"), {"duty": 0.0})
        curves = {k: np.array(found["pressure"][k]) for k in ("speed", "cold", "hot")}
        self.assertTrue(np.all(curves["cold"] >= curves["hot"]))
        self.close(curves["cold"].max(), 450e3, rel=1e-9)
        duty = report(raw)["duties"][0]["id"]
        read = report(raw)["systems"]["oil"]["figures"][duty]["oil_pressure_pa"]
        self.close(np.interp(found["pressure"]["at"], curves["speed"], curves["hot"]), read, rel=5e-3)
        self.assertIsNone(drawn("oil", "pan", context_of(OIL), facts_of(OIL, "oil"), {"duty": 0.0})["pressure"])

    def test_surface_and_rose(self) -> None:
        context, facts = context_of(OIL), facts_of(OIL, "oil")
        found = drawn("oil", "pan", context, facts, {"duty": 0.0, "forward": -0.3, "left": 0.0})
        found = found["pan"]
        self.close(found["head"], 0.039, abs=0.003)
        self.close(found["rest_head"], 0.086, abs=0.002)
        self.assertEqual(len(found["rose"]["covered"]), 72)
        for options in ({"duty": 9.0}, {"forward": 8.0}):
            with self.assertRaises(CoreError):
                drawn("oil", "pan", context, facts, options)
        self.assertEqual(
            drawn("oil", "pan", context, facts_of(changed(ROAD, oil={}), "oil"), {})["unknown"], ["oil.pan.shape"]
        )
