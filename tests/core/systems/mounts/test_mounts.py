"""Mounts and brackets of whole builds: by moments, by grip, by what the trade knows of them."""

import unittest
from dataclasses import replace
from typing import Any

import numpy as np

from gauge_well.core.case import fact_at, with_values
from gauge_well.core.errors import CoreError
from gauge_well.core.run import contexts
from gauge_well.core.run.sampling import draw
from gauge_well.core.systems import SYSTEMS
from gauge_well.core.systems.mounts.loads import torque_of
from gauge_well.core.systems.mounts.model import held
from tests.core.systems.mounts.builds import THREE, bracket, mount, on
from tests.support import ROAD, NumbersCase, case_of, changed, context_of, report

G = 9.80665


def figures(raw: dict[str, Any], system: str = "mounts") -> dict[str, float]:
    return next(iter(report(raw)["systems"][system]["figures"].values()))


def check(raw: dict[str, Any], id: str) -> dict[str, Any]:
    return next(c for c in report(raw)["systems"]["mounts"]["checks"] if c["id"] == id)


def notice(raw: dict[str, Any], code: str, system: str = "mounts") -> str:
    return next((n["sentence"] for n in report(raw)["systems"][system]["notices"] if n["code"] == code), "")


class Loads(NumbersCase):
    def test_at_rest_by_moments(self) -> None:
        """218 kg (160 dressed and filled 1.05, 50 of gearbox) 200 ahead of the bell's face: 800 of 1,100 mm from the tail on the
        pair in front."""
        found = figures(on(*THREE))
        weight = (160.0 * 1.05 + 50.0) * G
        self.close(found["mount_load_n[mount]"], 0.5 * weight * 800.0 / 1100.0, rel=2e-3)
        self.close(found["mount_load_n[mount_3]"], weight * 300.0 / 1100.0, rel=2e-3)

    def test_the_gearbox_output_turns_it(self) -> None:
        """Lengthwise it reacts what comes out of the gearbox, not what the engine makes, and no more than the tyres take:
        .95 of 48 % of 1,400 kg, 1.2 times as it squats, on a radius of .485 x 640, over 4."""
        found = figures(on(*THREE, mounts__grip="3"))
        context = context_of(on(*THREE))
        self.close(found["reacted_torque_n_m"], 3.5 * float(context.engine.curve.torques.max()), rel=1e-3)
        capped = 0.95 * 0.48 * 1400.0 * G * 1.2 * 0.485 * 0.640 / 4.0
        self.close(figures(on(*THREE))["reacted_torque_n_m"], min(capped, found["reacted_torque_n_m"]), rel=2e-3)

    def test_one_is_pulled(self) -> None:
        """Held by a stance of 560 mm: so much off one side and on the other; the side that lifts is said."""
        raw = on(*THREE, mounts__grip="3")
        found, context = figures(raw), context_of(raw)
        own = held(context, case_of(raw).systems["mounts"])
        first = own.torqued.carried[0, 0, :, 2]
        rest = own.shocked.carried[0, 0, :, 2]
        self.close(first.sum(), rest.sum(), rel=1e-6)
        self.assertLess(first[0], 0.0)
        self.assertIn("Mount 1 is pulled up", notice(raw, "pulled"))
        self.assertGreater(found["rock_rad"], 0.0)

    def test_across_it_is_the_axle(self) -> None:
        """Transverse with its differential the axle's torque turns it, against the wheels: about the crank's line, which lies
        across; lengthwise with a transaxle the same nods it."""
        for lie, axis in (("front_trans", 0), ("mid", 1)):
            raw = on(
                *THREE, installation__lie=lie, installation__engine_yaw=None, machine__drive="front", mounts__grip="3"
            )
            context, facts = context_of(raw), case_of(raw).systems["mounts"]
            own = held(context, facts)
            torque = torque_of(context, facts, own.stood)
            self.close(torque.output / torque.engine, 3.5 * 4.0, rel=1e-6)
            self.close(abs(own.torque.across[0, axis]), 1.0, abs=1e-6)
            self.assertEqual(own.nods, axis == 1)

    def test_shock_is_so_many_times_the_weight(self) -> None:
        """3 g down on made roads: three times what stands at rest, until a stop shares it otherwise."""
        raw = on(*THREE)
        own = held(context_of(raw), case_of(raw).systems["mounts"])
        bump = own.shocked.carried[0, own.shocked.names.index("over a bump"), :, 2]
        self.close(bump.sum(), 3.0 * own.shocked.carried[0, 0, :, 2].sum(), rel=1e-6)

    def test_stops_hold_it(self) -> None:
        """Past their stops they are ten times as stiff: near ones rock less than far ones."""
        near, far = (
            on(*(mount(*at, travel=t) for at in ((500, 280), (500, -280), (-600, 0)))) for t in ("2 mm", "30 mm")
        )
        self.assertLess(figures(near)["rock_rad"], 0.7 * figures(far)["rock_rad"])
        self.assertEqual(check(near, "stops")["class"], "cost")

    def test_a_boat_s_thrust(self) -> None:
        """Half of its power over its speed, in its feet."""
        raw = on(
            *(mount(x, y) for x in (400, -100) for y in (220, -220)),
            machine={"kind": "boat", "mass": "3 t"},
            duties=[{"id": "full", "kind": "boat"}],
            mounts__takes_thrust="engine",
            mounts__thrust_speed="18 km/h",
            mounts__thrust_share="50 %",
            installation__lie="boat",
        )
        self.close(figures(raw)["thrust_n"], 0.5 * 125e3 / 5.0, rel=1e-6)
        self.assertNotIn("thrust_n", figures({**raw, "mounts": {**raw["mounts"], "takes_thrust": "shaft"}}))


class Schools(NumbersCase):
    def test_soft_rocks_and_firm_shakes(self) -> None:
        """The firmer the less it rocks and the more of the shake passes (common practice)."""
        raw = on(*THREE)
        rows = SYSTEMS["mounts"].views["schools"].show(context_of(raw), case_of(raw).systems["mounts"], {}).rows
        by = {r.id: r for r in rows}
        self.falling([by[s].rock for s in ("soft", "firm", "poly", "solid")])
        self.rising([by[s].shake for s in ("soft", "firm", "poly")])
        self.rising([by[s].mode for s in ("soft", "firm", "poly", "solid")])
        # Rubber chosen for its load sinks 3 to 6 mm (common practice).
        self.between([by["soft"].sink, by["firm"].sink], 0.0024, 0.0068)

    def test_until_they_are_stated_usual_ones_stand_in(self) -> None:
        """For the rock and for what is needed; for no verdict."""
        raw = on()
        found = report(raw)["systems"]["mounts"]
        self.assertEqual((found["state"], found["checks"]), ("unknown", []))
        self.assertEqual(found["unknown"][0]["missing"], ["mounts.mounts"])
        self.assertGreater(figures(raw)["rock_rad"], 0.01)
        self.assertTrue(found["need"])
        self.assertLess(figures(changed(raw, mounts__school="poly"))["rock_rad"], figures(raw)["rock_rad"])

    def test_sunk_less_they_are_stiffer(self) -> None:
        """Measured to sink half as far, they rock less."""
        soft, stiff = (figures(on(mounts__sink=s)) for s in ("6 mm", "3 mm"))
        self.close(stiff["static_sink_m"] / soft["static_sink_m"], 0.5, rel=0.02)
        self.assertLess(stiff["rock_rad"], soft["rock_rad"])


class Joined(NumbersCase):
    def test_fit_rocks_as_they_let_it(self) -> None:
        """What fit shows is what the mounts give; what was measured stands."""
        five = {
            "fit__unit__length": "600 mm",
            "fit__unit__cover": "385 mm",
            "fit__bay__length": "950 mm",
            "fit__bay__rails": "860 mm",
            "fit__bay__edge": "850 mm",
        }
        raw = on(*THREE, **five)
        self.close(figures(raw, "fit")["rock_angle_deg"], np.degrees(figures(raw)["rock_rad"]), rel=1e-6)
        taped = changed(raw, fit__rock="1 deg")
        self.close(figures(taped, "fit")["rock_angle_deg"], 1.0, rel=1e-6)
        away = {**raw, "scope": {"mounts": "left_out"}}
        self.close(figures(away, "fit")["rock_angle_deg"], 0.0, abs=1e-9)

    def test_weighed_axles_cap_the_torque(self) -> None:
        """What the ledger leaves on the driven wheels, in place of a share of the machine."""
        axles = {"weights__front": "700 kg", "weights__rear": "500 kg", "weights__unit_arm": "0 mm"}
        light = figures(on(*THREE, **axles))["reacted_torque_n_m"]
        self.close(light, 0.95 * 500.0 * G * 1.2 * 0.485 * 0.640 / 4.0, rel=2e-3)

    def test_draws_are_each_alone(self) -> None:
        """Of 48 draws six worked by themselves: every load, every move."""
        case = case_of(on(*THREE, bracket(holds="1")))
        # The engine as it is likely: its draws stretch one curve.
        drawn = replace(draw(case, 48, model=False).case, engine=case.engine)
        own = held(contexts.make_context(drawn)[0], drawn.systems["mounts"])
        self.assertEqual(len(own.rock), 49)
        for n in (0, 1, 7, 20, 33, 48):
            values = {path: fact_at(drawn, path) for path in drawn.known}
            one = with_values(drawn, {p: float(np.ravel(v)[n]) for p, v in values.items() if np.size(v) == 49})
            alone = held(contexts.make_context(one)[0], one.systems["mounts"])
            self.close(own.shocked.carried[n], alone.shocked.carried[0], abs=1e-3)
            self.close(own.torqued.q[n], alone.torqued.q[0], abs=1e-8)
            self.close(own.modes.frequency[n], alone.modes.frequency[0], rel=1e-9)


class Refused(NumbersCase):
    def test_in_a_line(self) -> None:
        raw = on(mount(500, 0), mount(0, 0), mount(-600, 0))
        found = report(raw)
        self.assertEqual(found["systems"]["mounts"]["state"], "short")
        self.assertTrue(check(raw, "in_line")["danger"])
        self.assertIn("stand in a line", found["headline"]["sentence"])

    def test_two(self) -> None:
        self.assertIn("three at least hold an engine", notice(on(mount(500, 280), mount(500, -280)), "few_mounts"))

    def test_a_tube_without_a_bore(self) -> None:
        with self.assertRaises(CoreError) as caught:
            SYSTEMS["mounts"].refuse(
                case_of(on(*THREE, bracket(shape="tube", wide="30 mm", wall="15 mm"))).systems["mounts"]
            )
        self.assertEqual((caught.exception.code, caught.exception.field), ("no_bore", "mounts.brackets.bracket.wall"))

    def test_one_solid_among_rubber_is_said(self) -> None:
        raw = on(*THREE[:2], mount(-600, 0, stuff="solid"))
        self.assertIn("One solid mount among rubber", notice(raw, "one_solid"))


class Brackets(NumbersCase):
    def test_stress_at_shock(self) -> None:
        """What its mount carries over a bump, on 120 mm: by the handbook's box, 40 x 50 x 3, loaded 20 mm aside."""
        raw = on(*THREE, bracket(holds="1"))
        own = held(context_of(raw), case_of(raw).systems["mounts"])
        force = float(own.shocked.size[0, :, 0].max())
        modulus = (0.040 * 0.050**3 - 0.034 * 0.044**3) / 6.0 / 0.050
        bending = force * 0.12 / modulus
        twist = force * 0.02 / (2.0 * 0.037 * 0.047 * 0.003) + force / (2.0 * 0.050 * 0.003)
        self.close(figures(raw)["bracket_stress_pa[bracket]"], np.hypot(bending, np.sqrt(3.0) * twist), rel=1e-6)
        self.close(check(raw, "shock_bracket")["capacity"], 235e6 / 1.5, rel=1e-9)

    def test_the_throat_that_lasts(self) -> None:
        """With the throat it is said to need its weld is just full; steel of a higher yield changes nothing of that."""
        raw = on(*THREE, bracket(holds="1", throat="2 mm", welder="home"))
        context, facts = context_of(raw), case_of(raw).systems["mounts"]
        row = SYSTEMS["mounts"].views["brackets"].show(context, facts, {}).rows[0]
        lasting = on(*THREE, bracket(holds="1", throat=f"{1e3 * row.throat:.4f} mm", welder="home"))
        self.close(check(lasting, "life_bracket")["fill"], 1.0, abs=2e-3)
        stronger = on(*THREE, bracket(holds="1", throat="2 mm", welder="home", steel="s355"))
        self.close(check(stronger, "life_bracket")["fill"], check(raw, "life_bracket")["fill"], rel=1e-9)
        shop = on(*THREE, bracket(holds="1", throat="2 mm", welder="shop"))
        self.close(check(shop, "life_bracket")["fill"] / check(raw, "life_bracket")["fill"], 0.8, rel=1e-9)

    def test_on_edge_is_ten_times_flat(self) -> None:
        """A plate 60 x 6: its modulus goes with height squared."""
        flat = on(*THREE, bracket(holds="1", shape="flat", wide="60 mm", wall="6 mm", aside="0 mm"))
        edge = on(*THREE, bracket(holds="1", shape="edge", high="60 mm", wall="6 mm", aside="0 mm"))
        ratio = figures(flat)["bracket_stress_pa[bracket]"] / figures(edge)["bracket_stress_pa[bracket]"]
        self.between(ratio, 9.3, 10.0)

    def test_each_section_sold_holds(self) -> None:
        raw = on(*THREE, bracket(holds="1", shape="flat", wide="60 mm", wall="4 mm"))
        view = SYSTEMS["mounts"].views["brackets"].show(context_of(raw), case_of(raw).systems["mounts"], {})
        self.assertGreater(view.rows[0].stress, view.rows[0].allowed)
        for sold in view.rows[0].others:
            self.assertTrue(sold.holds, sold.label)
            self.assertLessEqual(sold.stress, view.rows[0].allowed)
            sizes = {n: f"{1e3 * v:g} mm" for n, v in sold.sets.items()}
            there = on(*THREE, bracket(holds="1", shape=sold.shape, throat="20 mm", **sizes))
            self.assertLessEqual(check(there, "shock_bracket")["fill"], 1.0, sold.label)

    def test_its_reach_is_at_the_brim(self) -> None:
        """At the power it is said to carry the bracket is just full under torque."""
        raw = on(*THREE, bracket(holds="1", wall="2 mm", high="34 mm", wide="30 mm"), mounts__grip="3")
        row = next(r for r in report(raw)["rows"] if r["part"] == "brackets" and r["kind"] == "power")
        self.assertEqual(row["reach_code"], "value")
        there = report({**raw, "wanted": f"{row['reach_w']:.1f} W"})["systems"]["mounts"]["checks"]
        self.close(next(c["fill"] for c in there if c["id"] == "torque_bracket"), 1.0, abs=5e-3)

    def test_bolts(self) -> None:
        """Three M10 of 8.8 at .7 of 33.6 kN and .15 hold 10.6 kN; 10 mm of thread in light alloy is half of what is wanted."""
        raw = on(*THREE, bracket(holds="1", bolted="yes", into="alloy", engaged="10 mm"))
        self.close(check(raw, "slip_bracket")["capacity"], 0.15 * 3 * 0.7 * 580e6 * 58e-6, rel=1e-6)
        self.close(check(raw, "thread_bracket")["fill"], 1.5, rel=1e-6)
        few = on(*THREE, bracket(holds="1", bolted="yes", bolts="2", into="alloy"))
        self.assertIn("fewer than three bolts", notice(few, "few_bolts"))
        loose = on(*THREE, bracket(holds="1", bolted="yes", hole="2 mm", apart="50 mm"))
        self.assertIn("lean", notice(loose, "leans"))

    def test_a_captive_plate(self) -> None:
        """On sheet of 3 mm twice the plate bends it less; twice the sheet a quarter."""
        plates = [
            on(*THREE, bracket(holds="1", bolted="yes", into="captive", arm="50 mm", sheet=t, plate=w, fold="90 mm"))
            for t, w in (("3 mm", "60 mm"), ("3 mm", "120 mm"), ("6 mm", "60 mm"))
        ]
        small, large, thick = (check(p, "bends_bracket")["fill"] for p in plates)
        self.assertLess(large, 0.6 * small)
        self.close(thick, 0.25 * small, rel=1e-6)
        self.assertLess(small, 9.0)

    def test_a_plate_welded_to_sheet(self) -> None:
        """Too small a plate tears its sheet; the one offered holds, a smaller one would not; bolts have no say."""
        facts = {"on_sheet": "yes", "sheet": "2 mm", "fold": "150 mm", "arm": "60 mm"}
        raw = on(*THREE, bracket(holds="1", plate="40 mm", **facts))
        self.assertEqual(check(raw, "bends_bracket")["state"], "short")
        self.assertNotIn("bears_bracket", [c["id"] for c in report(raw)["systems"]["mounts"]["checks"]])
        found = SYSTEMS["mounts"].candidates(context_of(raw), case_of(raw).systems["mounts"])
        width = next(c for c in found if c.id == "plate_bracket").changes["mounts.brackets.bracket.plate"]
        self.assertIsInstance(width, float)
        wide, less = (
            on(*THREE, bracket(holds="1", plate=f"{1e3 * w:.0f} mm", **facts))
            for w in (float(width), float(width) - 0.01)
        )
        self.assertEqual(check(wide, "bends_bracket")["state"], "holds")
        self.assertGreater(check(less, "bends_bracket")["fill"], 1.0)

    def test_a_rubber_that_cracks(self) -> None:
        """Clamped from 40 to 28 mm it is squeezed by three tenths: past a quarter it cracks (common practice)."""
        raw = on(*THREE[:2], mount(-600, 0, free="40 mm", sleeve="28 mm"))
        found = check(raw, "squeeze_mount_3")
        self.close(found["demand"], 0.3, rel=1e-9)
        self.assertEqual(found["state"], "short")
        self.assertIn("works loose", notice(on(*THREE[:2], mount(-600, 0, free="40 mm", sleeve="40 mm")), "loose"))

    def test_what_is_missing_is_named(self) -> None:
        raw = on(*THREE, {"role": "mounts.brackets", "facts": {"shape": "box", "wide": "40 mm"}})
        found = report(raw)["systems"]["mounts"]["unknown"]
        self.assertEqual(
            found[0]["missing"],
            ["mounts.brackets.bracket.wall", "mounts.brackets.bracket.arm", "mounts.brackets.bracket.high"],
        )


class Remedies(NumbersCase):
    def test_they_do_what_they_say(self) -> None:
        """Each change of a bracket that is too weak is a build that can be sized, and some hold."""
        raw = on(*THREE, bracket(holds="1", shape="flat", wide="60 mm", wall="4 mm", throat="2 mm"))
        case = case_of(raw)
        found = SYSTEMS["mounts"].candidates(context_of(raw), case.systems["mounts"])
        ids = {c.id for c in found}
        self.assertLessEqual({"edge_bracket", "gusset_bracket", "box_bracket", "throat_bracket", "all_poly"}, ids)

    def test_none_where_nothing_holds(self) -> None:
        raw = on(mount(500, 0), mount(0, 0), mount(-600, 0))
        self.assertEqual(SYSTEMS["mounts"].candidates(context_of(raw), case_of(raw).systems["mounts"]), [])


class Odd(NumbersCase):
    def test_the_smallest_and_the_largest(self) -> None:
        """A mower's single and a ship's lighter: usual mounts let either rock by some degrees, and sink by millimetres."""
        for power, size, mass, torque in (("3 kW", "0.2 L", "14 kg", "9 Nm"), ("600 kW", "16 L", "1500 kg", "3000 Nm")):
            raw = changed(
                ROAD,
                engine={
                    "fuel": "diesel",
                    "rated_power": power,
                    "rated_speed": "3600 rpm" if size == "0.2 L" else "2100 rpm",
                    "displacement": size,
                    "dry_mass": mass,
                    "peak_torque": torque,
                },
            )
            found = figures(raw)
            self.between(found["rock_rad"], 0.001, 0.15, power)
            self.between(found["static_sink_m"], 0.002, 0.008, power)
            self.between(found["roll_mode_hz"], 4.0, 30.0, power)


if __name__ == "__main__":
    unittest.main()
