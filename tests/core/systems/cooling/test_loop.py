"""The coolant's loop: roots against a bracketing solver, losses against a general fluids library, what follows by hand."""

from dataclasses import replace

import fluids
import numpy as np
from scipy.optimize import brentq

from gauge_well.core.facts import with_facts
from gauge_well.core.media import coolant
from gauge_well.core.run.sampling import draw
from gauge_well.core.systems.cooling.heights import Spot, bleed_points, spots
from gauge_well.core.systems.cooling.loop import LIFTS, Loop, hole, loop_of, narrowest, pressures, run_loss, tube_loss
from gauge_well.core.systems.cooling.model import core_of, plant_of
from tests.support import ROAD, NumbersCase, case_of, changed, context_of, facts_of, report

RHO, MU = 1010.0, 0.62e-3
FLOW = 0.002
PLAIN = Loop(
    speed=1.0,
    head=128e3,
    own=48e3 / FLOW**2,
    engine=48e3 / FLOW**2,
    tubes_a=1e6,
    tubes_b=5e8,
    feed=2.2e9,
    back=2.2e9,
    thermostat=10e3 / FLOW**2,
    restrictor=0.0,
    bypass=3e-6,
    bypass_shuts=True,
    heater=1.7e-6,
    density=RHO,
)
GIVEN = changed(ROAD, cooling__coolant_flow="120 L/min", cooling__coolant_flow_speed="6000 rpm")


def plant(raw: dict):
    return plant_of(context_of(raw), facts_of(raw, "cooling"))


class Network(NumbersCase):
    def test_against_a_bracketing_solver(self) -> None:
        """Branches in parallel, pump and engine in series, written anew in the pressure across the branches."""
        for speed in (0.2, 1.0, 1.4):
            for lift in (0.01, 0.3, 1.0):
                loop = replace(PLAIN, speed=speed)

                def branch(dp: float, loop: Loop = loop, lift: float = lift) -> tuple[float, float]:
                    b = loop.feed + loop.back + loop.tubes_b + loop.thermostat / lift**2
                    core = (-loop.tubes_a + np.sqrt(loop.tubes_a**2 + 4 * b * dp)) / (2 * b)
                    return core, core + (loop.bypass * (1 - lift) + loop.heater) * np.sqrt(dp)

                def rest(dp: float, loop: Loop = loop) -> float:
                    return dp + (loop.own + loop.engine) * branch(dp)[1] ** 2 - loop.head * loop.speed**2

                dp = brentq(rest, 0.0, 3e5, xtol=1e-9)
                drop, core, whole = loop.solve(lift)
                self.close(drop, dp, abs=0.2, note=f"{speed} {lift}")
                self.close([core, whole], branch(dp), rel=1e-5, note=f"{speed} {lift}")

    def test_pump_laws(self) -> None:
        """With square losses alone the flow goes with the speed, the pressure with its square."""
        loop = replace(PLAIN, tubes_a=0.0)
        one, two = loop.solve(1.0), replace(loop, speed=2.0).solve(1.0)
        self.close(two[1] / one[1], 2.0, rel=1e-5)
        self.close(two[0] / one[0], 4.0, rel=1e-5)

    def test_looked_up_by_lift(self) -> None:
        """Between its solved lifts the table stands within 0.5 % of full flow, and meets them; it never falls."""
        loop = replace(PLAIN, speed=np.full((1, 1, 1), 1.0))
        lifts = np.linspace(0.002, 1.0, 300).reshape(-1, 1, 1, 1)
        found = loop.radiator_flow(lifts).ravel()
        exact = np.array([float(loop.solve(v)[1].ravel()[0]) for v in lifts.ravel()])
        self.close(found, exact, abs=0.005 * exact[-1])
        self.close(loop.radiator_flow(LIFTS.reshape(-1, 1, 1, 1)).ravel(), loop.by_lift.ravel(), rel=1e-9)
        self.rising(found)

    def test_what_is_measured_here_comes_out(self) -> None:
        """120 L/min at 6,000 rev/min through this core: just that, whatever the hoses."""
        for more in ({}, {"cooling__hose__bore": "32 mm"}, {"cooling__core__passes": "2"}):
            raw = changed(
                GIVEN, duties=[{"id": "d", "kind": "typed", "engine_power": "90 kW", "engine_speed": "6000 rpm"}]
            )
            self.close(plant(changed(raw, **more)).flow, 0.002, rel=1e-5)

    def test_a_pump_known_by_its_pressure(self) -> None:
        """Shut off it raises what is stated, and this loop still lets the measured flow through."""
        raw = changed(
            GIVEN,
            cooling__pump__pressure="150 kPa",
            duties=[{"id": "d", "kind": "typed", "engine_power": "90 kW", "engine_speed": "6000 rpm"}],
        )
        found = plant(raw)
        self.close(found.loop.head, 150e3, rel=1e-9)
        self.close(found.flow, 0.002, rel=1e-5)

    def test_the_makers_flow_gives_way_to_the_loop(self) -> None:
        """Stated for a usual loop it falls behind narrow hoses and two passes."""
        maker = changed(GIVEN, cooling__coolant_flow_is="maker")
        flows = [
            float(plant(changed(maker, **{f"cooling__{k}": v for k, v in more.items()})).flow[0, 2, 0])
            for more in ({"hose.bore": "45 mm"}, {"hose.bore": "38 mm"}, {"hose.bore": "25 mm"})
        ]
        self.falling(flows)

    def test_smaller_pulley(self) -> None:
        """A tenth more speed gives a tenth more flow, within the tubes' laminar part."""
        flows = [float(plant(changed(GIVEN, cooling__pump__ratio=r)).flow[0, 2, 0]) for r in ("1", "1.1")]
        self.close(flows[1] / flows[0], 1.1, rel=0.02)

    def test_electric_pump_does_not_follow_the_engine(self) -> None:
        flow = plant(changed(GIVEN, cooling__pump__drive="electric")).flow
        self.assertEqual(np.unique(np.round(np.ravel(flow), 9)).size, 1)

    def test_every_sample_converges(self) -> None:
        drawn = draw(case_of(GIVEN), 512)
        from gauge_well.core.run.contexts import make_context

        context, _ = make_context(drawn.case, doubts=drawn.doubts)
        loop = plant_of(context, drawn.case.systems["cooling"]).loop
        drop, _, whole = loop.solve(1.0)
        rest = drop + (loop.own + loop.engine) * whole**2 - loop.head * np.asarray(loop.speed) ** 2
        self.assertLess(float(np.max(np.abs(rest) / np.max(loop.head))), 1e-4)
        self.assertTrue(bool(np.isfinite(whole).all()))

    def test_no_hop_as_a_hose_is_dragged(self) -> None:
        bores = np.linspace(0.02, 0.06, 120).reshape(-1, 1, 1)
        facts = with_facts(facts_of(ROAD, "cooling"), {"hose.bore": bores})
        loop = loop_of(core_of(facts), facts, 0.53, 380.0, (FLOW, 6000.0), 6000.0, 3000.0, False)
        flow = loop.solve(1.0)[1].ravel()
        self.rising(flow)
        self.assertLess(float(np.max(np.diff(flow) / flow[1:])), 0.06)


class Losses(NumbersCase):
    def test_straight_hose_against_the_library(self) -> None:
        """Darcy-Weisbach with the library's Churchill friction; mouth 0.5 and end 1."""
        bore, length = 0.038, 1.4
        v = FLOW / (np.pi / 4 * bore**2)
        friction = fluids.friction.Churchill_1977(RHO * v * bore / MU, 3e-6 / bore)
        expected = (friction * length / bore + 0.8 + 1.5) * 0.5 * RHO * v * v
        self.close(run_loss([(bore, length, 0.8)], FLOW, RHO, MU) * FLOW**2, expected, rel=1e-6)

    def test_steps_of_bore_against_the_library(self) -> None:
        """Sudden narrowing by Crane, widening by the library's Borda-Carnot form, less what the pieces lose by themselves."""
        big, small = 0.045, 0.032
        v = FLOW / (np.pi / 4 * small**2)
        for rows, factor in (
            ([(big, 1e-9, 0.0), (small, 1e-9, 0.0)], fluids.contraction_sharp(big, small, method="Crane")),
            ([(small, 1e-9, 0.0), (big, 1e-9, 0.0)], fluids.diffuser_sharp(small, big)),
        ):
            ends = 0.0
            for at, (bore, _, _) in enumerate(rows):
                speed = FLOW / (np.pi / 4 * bore**2)
                ends += (0.5 if at == 0 else 1.0) * 0.5 * RHO * speed**2
            found = run_loss(rows, FLOW, RHO, MU) * FLOW**2 - ends
            self.close(found, factor * 0.5 * RHO * v * v, rel=1e-4)

    def test_tubes_against_the_library(self) -> None:
        """Friction of the tubes by the library at the flow, where the square form is matched, and at a third of it:
        between them the tubes go from laminar to turbulent, and the square form stands within a fifth."""
        core = core_of(facts_of(ROAD, "cooling"))
        a, b = tube_loss(core, FLOW, RHO, MU)
        for q in (FLOW, FLOW / 3):
            v = q / float(core.coolant_area)
            d = float(core.hydraulic_diameter)
            friction = fluids.friction.Churchill_1977(RHO * v * d / MU, 1.5e-6 / d)
            expected = (friction * float(core.tube_length) / d + 1.5) * 0.5 * RHO * v * v
            self.close(a * q + b * q * q, expected, rel=1e-6 if q == FLOW else 0.2, note=f"{q}")

    def test_hole(self) -> None:
        """20 mm, 120 L/min: v = 6.37 m/s through Cd 0.62, dp = 1/2 rho (v/Cd)^2, by hand."""
        self.close(hole(0.020, RHO) * FLOW**2, 0.5 * RHO * (6.3662 / 0.62) ** 2, rel=1e-4)

    def test_pieces_said_in_words(self) -> None:
        raw = changed(ROAD, cooling__hose_feed="38 mm, 0.6 m, bend\n28 mm, 2 m, straight\n38 mm, 200 mm, tee")
        facts = facts_of(raw, "cooling")
        self.close([row[2] for row in facts.hose_feed], [0.4, 0.0, 0.6])
        self.close(narrowest(facts), 0.028)
        wide = plant(changed(ROAD, cooling__coolant_flow_is="maker"))
        narrow = plant(changed(raw, cooling__coolant_flow_is="maker"))
        self.assertLess(float(narrow.flow[0, 0, 0]), float(wide.flow[0, 0, 0]))


class Pressures(NumbersCase):
    def test_all_round_adds_up_to_nothing(self) -> None:
        facts = facts_of(ROAD, "cooling")
        loop = plant(ROAD).loop
        p = pressures(loop, facts, 2e5)
        rise = p.pump_outlet - p.pump_inlet
        falls = (p.pump_outlet - p.engine_outlet) + (p.engine_outlet - p.core_inlet)
        falls = falls + (p.core_inlet - p.core_outlet) + (p.core_outlet - p.pump_inlet)
        self.close(rise, falls, abs=1e-6)
        head = loop.head * np.asarray(loop.speed) ** 2 - loop.own * p.whole_flow**2
        self.close(rise, head, rel=1e-5)

    def test_where_the_cap_sits_sets_the_pumps_inlet(self) -> None:
        """On the hot tank it stands lowest, on the cold one higher, with a teed header at the cap's pressure."""
        loop = plant(ROAD).loop
        facts = facts_of(ROAD, "cooling")
        found = [
            float(np.ravel(pressures(loop, replace(facts, header=where), 2e5).pump_inlet)[-1])
            for where in ("core", "core_cold", "remote")
        ]
        self.rising(found)
        self.close(found[2], 2e5)

    def test_restrictor_in_the_main_loop(self) -> None:
        """Never sheds more; the block stands higher (with the pump it had)."""
        raw = changed(ROAD, cooling__coolant_flow_is="maker")
        held = changed(raw, cooling__restrictor="main", cooling__restrictor_bore="16 mm")
        free, tight = plant(raw), plant(held)
        self.assertTrue(bool(np.all(tight.flow < free.flow)))
        before, after = (pressures(p.loop, p.facts, 2e5).block for p in (free, tight))
        self.assertTrue(bool(np.all(after > before)))
        fills = [
            next(
                c["fill"]
                for c in report(r)["systems"]["cooling"]["checks"]
                if (c["id"], c["duty"]) == ("heat", "grade")
            )
            for r in (raw, held)
        ]
        self.rising(fills)

    def test_restrictor_in_the_bypass(self) -> None:
        """With a bypass that stays open the core gets more; with one the thermostat shuts, nothing changes hot."""
        for kind, more in (("always", True), ("closing", False)):
            raw = changed(ROAD, cooling__coolant_flow_is="maker", cooling__bypass=kind)
            held = changed(raw, cooling__restrictor="bypass", cooling__restrictor_bore="6 mm")
            free, tight = (plant(r).flow[0, 0, 0] for r in (raw, held))
            self.assertEqual(bool(tight > free * 1.001), more, kind)

    def test_missing_hole_is_named(self) -> None:
        block = report(changed(ROAD, cooling__restrictor="main"))["systems"]["cooling"]
        self.assertEqual(block["unknown"][0]["missing"], ["cooling.restrictor_bore"])


class Heights(NumbersCase):
    def test_bleed_points(self) -> None:
        """A hump without a vent, and an engine higher than what it leads to; a vented one is none."""
        run = [
            Spot("outlet", 0.90, False),
            Spot("hump", 0.95, False),
            Spot("core", 0.80, False),
            Spot("pump", 0.5, False),
        ]
        self.assertEqual([s.name for s in bleed_points(run)], ["hump"])
        vented = [replace(s, vented=s.name == "hump") for s in run]
        self.assertEqual(bleed_points(vented), [])
        self.assertEqual([s.name for s in bleed_points(run[2:])], ["core"])
        self.assertEqual(bleed_points(run[:1]), [])

    def test_from_the_facts(self) -> None:
        raw = changed(
            ROAD,
            cooling__engine_outlet_height="800 mm",
            cooling__high_points="900 mm, none\n600 mm, none",
            cooling__core_inlet_height="700 mm",
            cooling__pump_inlet_height="500 mm",
            cooling__filler_height="850 mm",
        )
        run = spots(facts_of(raw, "cooling"))
        self.close([s.height for s in run], [0.8, 0.9, 0.6, 0.7, 0.5], abs=1e-9)
        codes = {n["code"] for n in report(raw)["systems"]["cooling"]["notices"]}
        self.assertLessEqual({"bleed_point", "filler_low"}, codes)
        mended = report(changed(raw, cooling__high_points="900 mm, vent", cooling__steam_line="yes"))
        codes = {n["code"] for n in mended["systems"]["cooling"]["notices"]}
        self.assertFalse({"bleed_point", "filler_low"} & codes)


class Heater(NumbersCase):
    def test_counted_on_it_sheds_its_share(self) -> None:
        """80 W/K over the air outside, from coolant at its limit: that much more is carried by a
        lasting duty, less what the core loses by the flow the heater takes (15 %)."""
        shut, wide = (
            report(changed(ROAD, cooling__heater_open=o))["systems"]["cooling"]["figures"]["motorway"]
            for o in ("no", "yes")
        )
        more = 80.0 * (shut["coolant_limit_k"] - 308.15)
        self.close(wide["heat_carried_w"] - shut["heat_carried_w"], more, rel=0.15)
        self.assertGreater(wide["heater_flow_m3_s"], 0.0)

    def test_properties_are_of_the_mix(self) -> None:
        self.close(
            plant(ROAD).loop.density, coolant.properties(plant(ROAD).limit - 3.0, coolant.mass_share(0.5)).density
        )
