"""Oil on its way and back: held and given, filter, cooler, gauges, returns, breather, priming; by hand and by a fluids library."""

import math

import fluids
import numpy as np
from scipy import integrate, optimize

from gauge_well.core.heat.coarse_core import coarse_core, oil_conductance
from gauge_well.core.media import oils
from gauge_well.core.parts.accumulator import FAST, SLOW, oil_given, oil_held
from gauge_well.core.systems.oil import breathing, circuit, covering, feeding, priming, returns, surge, warmth
from gauge_well.core.systems.oil.pan import pan_of
from gauge_well.core.typing import likely
from tests.core.systems.oil.builds import WET, notice, shown, with_oil
from tests.support import NumbersCase, changed, check_of, context_of, facts_of, report

LITRES = 6e4  # L/min in a m3/s
READ = with_oil(hot_pressure="4 bar", hot_pressure_speed="4000 rpm", pump__relief="6 bar")


class Held(NumbersCase):
    def test_accumulator_by_the_gas_law(self) -> None:
        """3.0 L, 70 kPa of gas, 450 to 150 kPa: 1.1, 0.86 and 0.70 L at n of 1.0, 1.2 and 1.4 (common practice; 2 %)."""
        found = [float(oil_given(3e-3, 70e3, 450e3, 150e3, n)) for n in (1.0, 1.2, 1.4)]
        self.close(np.array(found) * 1e3, [1.12, 0.86, 0.70], rel=0.02)

    def test_against_the_gas_followed_step_by_step(self) -> None:
        """dV/dp = -V / (n p) from charged to spent, the charge itself slow: an integrator gives the same."""
        p0, p1, p2 = 171.325e3, 551.325e3, 251.325e3
        for n in (SLOW, 1.2, FAST):
            start = 3e-3 * p0 / p1
            run = integrate.solve_ivp(lambda p, v, n=n: -v / (n * p), (p1, p2), [start], rtol=1e-10, atol=1e-14)
            self.close(oil_given(3e-3, 70e3, 450e3, 150e3, n), run.y[0, -1] - start, rel=1e-7)
        self.close(oil_held(3e-3, 70e3, 450e3), 3e-3 - 3e-3 * p0 / p1, rel=1e-12)

    def test_nothing_is_given_under_its_gas_or_over_its_charge(self) -> None:
        self.close(oil_given(3e-3, 500e3, 450e3, 150e3, FAST), 0.0)
        self.close(oil_given(3e-3, 70e3, 150e3, 450e3, FAST), 0.0)

    def test_seconds_by_hand(self) -> None:
        """A box of 0.8 L gives seven tenths; 11 cc a turn at 3,000 rpm draw 0.55 L/s: a second of it."""
        raw = changed(
            with_oil(
                pan__baffle="trap",
                pan__baffle_g=None,
                pan__held="0.8 L",
                pump__displacement="11 cc",
                pump__relief_returns="sump",
            ),
            duties=[{"id": "t", "kind": "typed", "engine_power": "20 kW", "engine_speed": "3000 rpm"}],
        )
        found = surge.ride(context_of(raw), facts_of(raw, "oil"))
        assert found is not None
        self.close(found.seconds, 0.56 / 0.55, rel=1e-9)

    def test_what_an_accumulator_holds_the_pan_lacks(self) -> None:
        with_one = facts_of(with_oil(accumulator__volume="2.8 L", pump__relief="5 bar"), "oil")
        without = facts_of(with_oil(), "oil")
        self.close(covering.in_sump(without) - covering.in_sump(with_one), oil_held(2.8e-3, 70e3, 500e3), rel=1e-9)

    def test_ridden_out_or_not(self) -> None:
        """A pan that uncovers in the run is short without; with a large enough box it holds, and says its seconds."""
        run = [{"id": "run", "kind": "run", "ambient": "20 C"}]
        bare = changed(with_oil(pan__baffle="none", pan__baffle_g=None, oil_quantity="4 L"), duties=run)
        self.assertEqual(check_of(report(bare), "oil", "pickup")["state"], "short")
        boxed = changed(bare, oil__pan__baffle="trap", oil__pan__held="6 L", oil__thrown="2 s")
        found = check_of(report(boxed), "oil", "ride_out")
        self.assertEqual(found["state"], "holds")
        self.assertIn("rides out", found["sentence"])
        self.assertNotIn("pickup", {c["id"] for c in report(boxed)["systems"]["oil"]["checks"]})
        small = changed(boxed, oil__pan__held="0.1 L")
        self.assertEqual(check_of(report(small), "oil", "ride_out")["state"], "short")

    def test_three_seconds_nobody_stated_are_only_assumed(self) -> None:
        """Just short by three seconds that a rule took: it rests on a value that can be stated."""
        run = [{"id": "run", "kind": "run", "ambient": "20 C"}]
        bare = changed(with_oil(pan__baffle="none", pan__baffle_g=None, oil_quantity="4 L"), duties=run)
        boxed = changed(bare, oil__pan__baffle="trap", oil__pan__held="1 L")
        lasts = check_of(report(boxed), "oil", "ride_out")["capacity"]
        near = changed(boxed, oil__pan__held=f"{2.85 / lasts:.3f} L")
        found = check_of(report(near), "oil", "ride_out")
        self.assertEqual(found["state"], "assumed")
        self.assertIn(found["rests_on"]["path"], ("oil.thrown", "oil.pump.displacement"))


class Along(NumbersCase):
    def test_filter_by_darcy_to_its_bypass(self) -> None:
        """25 kPa hot at rated flow: half at half the flow, four times as thick four times as much, never over 100 kPa."""
        facts = facts_of(READ, "oil")
        hot = oils.T_100
        self.close(circuit.filter_drop(facts, 1e-3, 1e-3, hot), 25e3, rel=1e-9)
        self.close(circuit.filter_drop(facts, 5e-4, 1e-3, hot), 12.5e3, rel=1e-9)
        self.close(
            circuit.filter_drop(facts, 5e-4, 1e-3, 340.0), 12.5e3 * likely(feeding.thinness(facts, 340.0)), rel=1e-9
        )
        self.close(circuit.filter_drop(facts, 1e-3, 1e-3, 280.0), 100e3)

    def test_share_through_a_cold_cooler_by_another_root_finder(self) -> None:
        """60 kPa hot is over a megapascal at 20 degC, so that the bypass is open and a tenth or so passes."""
        facts = facts_of(READ, "oil")
        self.close(circuit.cooler_drop(facts, 1e-3, 1e-3, oils.T_100), 60e3, rel=1e-9)
        self.assertGreater(float(circuit.cooler_drop(facts, 1e-3, 1e-3, 293.15)), 1e6)
        piped = facts_of(changed(READ, oil__cooler_line__bore="10 mm", oil__cooler_line__length="3 m"), "oil")
        for own in (facts, piped):
            other = optimize.brentq(lambda s, f=own: circuit.cooler_drop(f, s * 1e-3, 1e-3, 293.15) - 150e3, 1e-6, 1.0)
            self.close(circuit.cooled_share(own, 1e-3, 1e-3, 293.15), other, abs=2e-5)
            self.between(circuit.cooled_share(own, 1e-3, 1e-3, 293.15), 0.03, 0.2)
        self.close(circuit.cooled_share(facts, 1e-3, 1e-3, oils.T_100), 1.0)

    def test_cooler_hoses_against_a_fluids_library(self) -> None:
        """10 mm bore, 3 m, 30 L/min of hot oil: Darcy-Weisbach with the library's friction factor (2 %)."""
        facts = facts_of(
            changed(READ, oil__cooler_line__bore="10 mm", oil__cooler_line__length="3 m", oil__cooler_line__loss="0"),
            "oil",
        )
        flow, t = 30.0 / LITRES, oils.T_100
        nu = float(oils.viscosity_walther(feeding.oil_of(facts), t))
        speed = flow / (math.pi / 4 * 0.01**2)
        re = fluids.Reynolds(V=speed, D=0.01, nu=nu)
        k = fluids.K_from_f(fluids.friction_factor(re, eD=1.5e-4), L=3.0, D=0.01) + feeding.PICKUP_SLOW / re
        library = k * 0.5 * float(oils.density(t)) * speed**2
        self.close(circuit.cooler_drop(facts, flow, flow, t) - 60e3, library, rel=0.02)

    def test_a_gauge_reads_where_it_is_teed_in(self) -> None:
        """A sandwich plate reads the filter's loss more than the gallery: 4 bar there are less in the gallery, and a
        reading at the head says more of it."""
        leaks = {}
        for place in ("gallery", "sandwich", "head"):
            raw = changed(READ, oil__gauge_at=place)
            leaks[place] = likely(feeding.leak_of(context_of(raw), facts_of(raw, "oil")).pressure)
        self.close(leaks["gallery"], 400e3)
        self.close(leaks["sandwich"], 400e3 - 25e3 * 4000 / 6000, rel=1e-9)
        self.close(leaks["head"], 400e3 / 0.7, rel=1e-9)
        raw = changed(READ, oil__gauge_at="sandwich")
        way = circuit.way(context_of(raw), facts_of(raw, "oil"), 4000.0, oils.T_100)
        assert way is not None
        self.close(way.at("sandwich"), 400e3, rel=0.01, note="and reads again what was read")

    def test_a_switch_at_the_head_flickers_at_a_hot_idle(self) -> None:
        raw = changed(READ, oil__switch_at="head", oil__switch_opens="0.5 bar")
        self.assertIn("its lamp will flicker", notice(raw, "switch_flickers"))
        self.assertEqual(notice(changed(raw, oil__switch_opens="0.05 bar"), "switch_flickers"), "")

    def test_a_relief_under_the_rule_at_every_speed(self) -> None:
        low = with_oil(pump__relief="0.55 bar")
        self.assertIn("at every speed from idle up", notice(low, "relief_low"))
        self.assertIn("over 4", notice(with_oil(pump__relief="3 bar"), "relief_low"))
        self.assertEqual(notice(with_oil(), "relief_low"), "")

    def test_fuel_in_the_oil(self) -> None:
        """Five in a hundred take a fifth or more off a 10W-40 at 100 degC (common practice 20 to 30 %); none changes nothing."""
        clean = oils.OILS["10w40"]
        thin = float(oils.diluted(clean, 0.05).at_100) / float(clean.at_100)
        self.between(thin, 0.70, 0.85)
        self.close(oils.diluted(clean, 0.0).at_100, clean.at_100, rel=1e-9)
        self.close(oils.diluted(clean, 1.0).at_100, oils.FUEL_100, rel=1e-9)
        with_fuel = changed(READ, oil__dilution="5 %")
        hot = [
            feeding.gauge_pressure(
                facts_of(r, "oil"), feeding.leak_of(context_of(r), facts_of(r, "oil")), 2000.0, oils.T_100
            )
            for r in (READ, with_fuel)
        ]
        self.assertLess(likely(hot[1]), likely(hot[0]))

    def test_pump_by_its_ratio_and_wear(self) -> None:
        facts = facts_of(with_oil(pump__displacement="12 cc", pump__ratio="0.8", pump__worn="90 %"), "oil")
        self.close(feeding.pump_flow(facts, 3000.0) * LITRES, 12e-3 * 3000 * 0.8 * 0.9, rel=1e-9)

    def test_thresholds_are_the_rule_and_half_of_it(self) -> None:
        """10 psi for each 1000 rpm: 68.95 kPa for each, stopped at half."""
        for line in shown(READ, "circuit").thresholds:
            self.close(line.warn, 68.95e3 * line.speed / 1000.0, rel=1e-4)
            self.close(line.stop, 0.5 * line.warn, rel=1e-12)


class Warmth(NumbersCase):
    def test_a_plate_holds_eighty_degrees(self) -> None:
        """On a freezing cruise a large air cooler takes the oil far down; a plate keeps it at 80, or as warm as it gets shut."""
        cold = [{"id": "c", "kind": "road", "speed": "80 km/h", "ambient": "-15 C"}]
        raw = changed(with_oil(cooler__conductance="400 W/K"), duties=cold)
        found = {}
        for plate in ("none", "plate"):
            build = changed(raw, oil__cooler__plate=plate)
            context, facts = context_of(build), facts_of(build, "oil")
            ways = warmth.ways_out(context, facts, pan_of(facts))
            found[plate] = float(np.squeeze(warmth.temperature(ways, context.mean.heat_to_oil)))
            q, ua_c = float(np.squeeze(context.mean.heat_to_oil)), float(np.squeeze(ways.block))
            air, pan = (float(np.squeeze(v)) for v in (ways.air, ways.pan))
            sinks = ua_c * float(np.squeeze(ways.coolant)) + pan * 258.15
            steady = {s: (q + sinks + s * air * 258.15) / (ua_c + pan + s * air) for s in (1.0, 0.1)}
        self.close(found["none"], steady[1.0], abs=1e-6)
        self.close(found["plate"], max(steady[1.0], min(353.15, steady[0.1])), abs=1e-6)
        self.assertGreater(found["plate"], found["none"] + 5.0)
        self.assertIn("a thermostat plate", notice(raw, "oil_stays_cold"))

    def test_a_cooler_by_its_core(self) -> None:
        """330 x 200 x 50 mm, what is sold as a large one, conducts 100 to 200 W/K at 5 m/s (common practice)."""
        self.between(oil_conductance(coarse_core(0.33, 0.2, 0.05), 5.0), 100.0, 200.0)
        self.rising([float(oil_conductance(coarse_core(0.33, 0.2, 0.05), v)) for v in (1.0, 3.0, 6.0, 12.0)])
        raw = changed(
            with_oil(cooler__conductance=None),
            cooling__oil_cooler__width="330 mm",
            cooling__oil_cooler__height="200 mm",
            cooling__oil_cooler__depth="50 mm",
        )
        facts = facts_of(raw, "oil")
        self.close(facts.cooler.conductance, float(oil_conductance(coarse_core(0.33, 0.2, 0.05), 5.0)), rel=1e-9)


class Back(NumbersCase):
    def test_two_holes_of_a_head(self) -> None:
        """Two of 12 mm, 120 long, 20 mm standing: 6.1 L/min at 100 degC, 4.6 at 60, 1.3 at 20 of 10W-40 (common practice; 3 %)."""
        facts = facts_of(
            with_oil(head_drain__bore="12 mm", head_drain__length="120 mm", head_drains="2", grade="10w40"), "oil"
        )
        found = [float(returns.head_drain(facts, t)) * LITRES for t in (373.15, 333.15, 293.15)]
        self.close(found, [6.1, 4.6, 1.3], rel=0.04)

    def test_a_hole_against_a_fluids_library(self) -> None:
        """The library's laminar friction and the same K give the flow whose loss is the head it stands under (0.1 %)."""
        for nu in (14e-6, 60e-6, 240e-6):
            q = float(returns.hole_flow(0.012, 0.12, 0.02, nu))
            speed = q / (math.pi / 4 * 0.012**2)
            re = fluids.Reynolds(V=speed, D=0.012, nu=nu)
            k = fluids.K_from_f(fluids.friction_laminar(re), L=0.12, D=0.012) + returns.HEAD_LOSS + 1.0
            self.close(fluids.head_from_K(K=k, V=speed), 0.14, rel=1e-3)

    def test_from_which_oil_they_keep_up(self) -> None:
        facts = facts_of(with_oil(head_drain__bore="12 mm", head_drain__length="120 mm", head_drains="2"), "oil")
        warm = returns.drains_from(facts)
        assert warm is not None
        self.close(returns.head_drain(facts, warm), returns.FEED, rel=2e-3)

    def test_a_turbos_return_over_the_oil(self) -> None:
        """Six litres in 400 x 250 x 140 stand 80 mm under the rail: entering 40 under it is 40 over the oil, 90 under is drowned."""
        raw = changed(
            with_oil(
                pan__shape="box",
                pan__length="400 mm",
                pan__width="250 mm",
                pickup__x="200 mm",
                oil_quantity="6 L",
                oil_up="0 L",
                drain_enters="-40 mm",
            ),
            engine__aspiration="turbo",
        )
        found = check_of(report(raw), "oil", "turbo_drain_level")
        self.close(found["capacity"], 0.040, abs=1e-6)
        self.assertEqual(found["state"], "holds")
        drowned = check_of(report(changed(raw, oil__drain_enters="-90 mm")), "oil", "turbo_drain_level")
        self.assertEqual(drowned["state"], "short")
        self.assertIn("under the oil", drowned["sentence"])

    def test_a_head_thrown_to_one_side(self) -> None:
        """160 mm across with 20 standing runs dry at the far wall at 2 x 20 / 160 = 0.25 g; returns on both sides last."""
        raw = with_oil(head_width="160 mm", head_side="left")
        thrown = returns.head_pan(facts_of(raw, "oil"))
        assert thrown is not None
        pan, volume = thrown
        # A left turn throws it to the right, off the left wall's returns.
        found = covering.covered(pan, np.eye(3), volume, 0.0, 1.0)
        self.close(found, 0.25 / 0.98, abs=3e-3)
        self.close(covering.covered(pan, np.eye(3), volume, 0.0, -1.0), covering.G_MOST)
        self.assertIn(
            "stand dry from",
            notice(changed(raw, duties=[{"id": "run", "kind": "run", "ambient": "20 C"}]), "head_thrown"),
        )

    def test_breather_against_a_fluids_library(self) -> None:
        """136 L/min through a metre of 16 mm: the library's friction, K 9 with the way out (2 %)."""
        facts = facts_of(with_oil(breather__bore="16 mm", breather__length="1 m", breather__loss="8"), "oil")
        flow, rho = 136.0 / LITRES, breathing.density()
        mu = 1.458e-6 * breathing.HOT**1.5 / (breathing.HOT + 110.4)
        speed = flow / (math.pi / 4 * 0.016**2)
        re = fluids.Reynolds(V=speed, D=0.016, rho=rho, mu=mu)
        k = fluids.K_from_f(fluids.friction_factor(re, eD=1.5e-6 / 0.016), L=1.0, D=0.016) + 9.0
        self.close(breathing.crankcase(facts, np.asarray(flow)), k * 0.5 * rho * speed**2, rel=0.02)

    def test_blow_by_measured_or_by_its_air(self) -> None:
        raw = with_oil()
        context, facts = context_of(raw), facts_of(raw, "oil")
        new = breathing.blow_by(facts, context.peak, worn=False)
        self.close(new * breathing.density(), 0.008 * context.peak.air_mass_flow, rel=1e-12)
        self.close(breathing.blow_by(facts, context.peak, worn=True), 3.0 * new, rel=1e-12)
        told = facts_of(with_oil(blow_by="90 L/min"), "oil")
        self.close(breathing.blow_by(told, context.peak, worn=True), 90.0 / LITRES, rel=1e-9)

    def test_a_narrow_breather_is_short_and_the_next_is_a_remedy(self) -> None:
        found = check_of(report(with_oil(breather__bore="10 mm")), "oil", "breather", "pull")
        self.assertEqual(found["state"], "short")
        self.assertIn("worn rings", found["sentence"])
        self.assertEqual(
            check_of(report(with_oil(breather__bore="32 mm")), "oil", "breather", "pull")["state"], "holds"
        )


class Primed(NumbersCase):
    def test_by_hand(self) -> None:
        """14 cc a turn at 220 rpm, 0.15 L before the pump and 0.95 behind it: 28 s and 101 turns (common practice)."""
        bore = math.sqrt(4.0 * 0.15e-3 / (math.pi * 0.5))
        raw = with_oil(
            pump__displacement="14 cc",
            priming="plugs_in",
            dry_volume="0.95 L",
            pickup__bore=f"{bore * 1e3:.4f} mm",
            pickup__length="500 mm",
        )
        found = priming.primed(context_of(raw), facts_of(raw, "oil"), 293.15)
        self.close([found.seconds, found.turns], [27.6, 101.3], rel=0.01)
        self.assertEqual(found.tries, 2)
        faster = priming.primed(context_of(raw), facts_of(changed(raw, oil__priming="plugs_out"), "oil"), 293.15)
        self.close(faster.seconds, found.seconds * 220 / 300, rel=1e-9)

    def test_half_a_turn_of_the_pump_for_each(self) -> None:
        """20 cc at half the crank's speed: 39 s (common practice; 2 %)."""
        bore = math.sqrt(4.0 * 0.15e-3 / (math.pi * 0.5))
        raw = with_oil(
            pump__displacement="20 cc",
            pump__ratio="0.5",
            priming="plugs_in",
            dry_volume="0.95 L",
            pickup__bore=f"{bore * 1e3:.4f} mm",
            pickup__length="500 mm",
        )
        self.close(priming.primed(context_of(raw), facts_of(raw, "oil"), 293.15).seconds, 39.0, rel=0.02)

    def test_a_pot_against_hagen_poiseuille(self) -> None:
        """250 kPa through two metres of 6 mm, laminar in cold oil: pi D^4 dp / (128 mu L), less the fittings' little (6 %)."""
        facts = facts_of(with_oil(grade="10w40"), "oil")
        mu = float(oils.viscosity_walther(feeding.oil_of(facts), 278.15) * oils.density(278.15))
        straight = math.pi * 0.006**4 * 250e3 / (128 * mu * 2.0)
        found = priming.pot_flow(facts, 278.15)
        self.close(found, straight, rel=0.06)
        self.assertLess(found, straight)

    def test_every_way_is_shown_with_its_stop_rule(self) -> None:
        view = shown(READ, "priming")
        self.assertEqual([w.id for w in view.ways], ["plugs_in", "plugs_out", "pot"])
        self.assertEqual([w.chosen for w in view.ways], [False, True, False])
        self.assertTrue(all(w.gauge is not None and w.gauge > 0.0 for w in view.ways))
        self.assertIn("nobody in line", " ".join(c["text"] for c in report(READ)["systems"]["oil"]["cautions"]))


class Whole(NumbersCase):
    def test_everything_fitted_is_judged_and_drawn(self) -> None:
        block = report(WET)["systems"]["oil"]
        self.assertEqual(block["unknown"], [])
        self.assertLessEqual(
            {"pickup_floor", "crank_dip", "head_drain", "breather"}, {c["id"] for c in block["checks"]}
        )
        figures = next(iter(block["figures"].values()))
        for name in (
            "dipstick_full_m",
            "rides_out_s",
            "accumulator_oil_m3",
            "blow_by_m3_s",
            "crankcase_pressure_pa",
            "prime_s",
        ):
            self.assertIn(name, figures)
        for view in ("pan", "installed", "circuit", "returns", "sumps", "priming"):
            shown(WET, view)
