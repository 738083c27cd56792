"""Tank: pickup cover against a box's closed form, endurance, vent, filler, heat; hottest fuel."""

from dataclasses import replace

import numpy as np
from scipy.integrate import solve_ivp

from gauge_well.core.facts import fact, with_facts
from gauge_well.core.media import fuels
from gauge_well.core.systems.fuel import tank
from gauge_well.core.systems.fuel.network import network_of
from gauge_well.core.typing import likely
from tests.core.systems.fuel.builds import DIESEL, FIVE, POT, circuit, with_fuel
from tests.support import ROAD, NumbersCase, changed, check_of, facts_of, report

BOX = {
    "tank.length": "800 mm",
    "tank.width": "500 mm",
    "tank.height": "200 mm",
    "tank.pickup_height": "10 mm",
    "tank.pickup_in": "open",
}


def volume_under(slope: float, length: float, width: float, height: float, at: float, over: float) -> float:
    """Fuel under a surface of ``slope`` along the box through a point ``over`` its floor at ``at`` from the middle:
    the area under a straight line cut to the box, by fine sums."""
    x = (np.arange(200_000) + 0.5) / 200_000 * length - length / 2
    return float(np.mean(np.clip(over + slope * (x - at), 0.0, height)) * length * width)


class Cover(NumbersCase):
    def test_level_is_length_by_width_by_height(self) -> None:
        _, c = circuit(with_fuel(FIVE, **BOX))
        self.close(tank.to_cover(tank.tank_of(c), np.array([0.0, 0.0, 1.0])), 0.8 * 0.5 * 0.010, rel=1e-9)

    def test_tilted_against_fine_sums(self) -> None:
        """Braking 0.5 g throws it forward: the surface falls by half to the rear; pickup in the middle, ahead, behind."""
        for at in (0.0, 0.3, -0.3):
            _, c = circuit(with_fuel(FIVE, **BOX, tank__pickup_x=f"{at * 1e3:.0f} mm"))
            built = tank.tank_of(c)
            for g in (0.1, 0.5, 1.0):
                normal = np.array([-g, 0.0, 1.0]) / np.hypot(g, 1.0)
                expected = volume_under(g, 0.8, 0.5, 0.2, at, 0.010)
                self.close(tank.to_cover(built, normal), expected, rel=1e-4, note=f"{at} {g}")

    def test_the_worst_direction_of_a_duty_counts(self) -> None:
        """A pickup at the rear wall is bared by braking; at the front wall by pulling away and the climb."""
        duties = [
            {"id": "p", "kind": "pull", "ambient": "30 C", "braking": "0.6 g", "pulling": "0 g", "cornering": "0 g"}
        ]
        rear, front = (
            check_of(report(changed(with_fuel(FIVE, **BOX, tank__pickup_x=x), duties=duties)), "fuel", "tank_cover")
            for x in ("-390 mm", "390 mm")
        )
        self.close(rear["demand"], volume_under(0.6, 0.8, 0.5, 0.2, -0.39, 0.010), rel=1e-4)
        self.close(front["demand"], 0.8 * 0.5 * 0.010, rel=1e-6)
        self.assertIn("draws air in", rear["sentence"])

    def test_a_pot_rides_out_the_bends(self) -> None:
        """With a pot only grade and heel count: on the level no more than at rest."""
        raw = changed(with_fuel(FIVE, **BOX, **POT), duties=[{"id": "p", "kind": "pull", "ambient": "30 C"}])
        self.close(check_of(report(raw), "fuel", "tank_cover")["demand"], 0.8 * 0.5 * 0.010, rel=1e-6)

    def test_a_float_bowl_rides_out_the_bends(self) -> None:
        duties = [{"id": "p", "kind": "pull", "ambient": "30 C"}]
        raw = changed(with_fuel(FIVE, **BOX, injection="carburettor"), duties=duties)
        self.close(check_of(report(raw), "fuel", "tank_cover")["demand"], 0.8 * 0.5 * 0.010, rel=1e-6)

    def test_heel_both_ways(self) -> None:
        """A pickup left of the middle is bared when the boat leans right, 15 degrees."""
        duties = [
            {
                "id": "b",
                "kind": "boat",
                "speed_share": "70 %",
                "heel": "15 deg",
                "ambient": "30 C",
                "braking": "0 g",
                "pulling": "0 g",
                "cornering": "0 g",
            }
        ]
        raw = changed(with_fuel(DIESEL, **BOX, tank__pickup_y="200 mm"), machine={"kind": "boat"}, duties=duties)
        expected = volume_under(np.tan(np.radians(15)), 0.5, 0.8, 0.2, -0.2, 0.010)
        self.close(check_of(report(raw), "fuel", "tank_cover")["demand"], expected, rel=1e-4)

    def test_samples_keep_their_own_tank(self) -> None:
        """A tank known in samples gives each sample what the single tank gives."""
        _, c = circuit(with_fuel(FIVE, **BOX))
        three = {"tank.length": (0.7, 0.8, 0.9), "tank.width": (0.4, 0.5, 0.6), "tank.height": (0.2, 0.3, 0.25)}
        for names in (("tank.length",), ("tank.width",), ("tank.height",), tuple(three)):
            sides = {name: np.array(three[name]) for name in names}
            sampled = replace(c, facts=with_facts(c.facts, sides))
            found = tank.to_cover(tank.tank_of(sampled), np.array([[0.0, 0.0, 1.0]]))
            length, width = (sides.get(n, fact(c.facts, n)) for n in ("tank.length", "tank.width"))
            self.close(found, length * width * 0.010, rel=1e-9, note=str(names))


class Lasting(NumbersCase):
    def test_endurance_and_range(self) -> None:
        """60 L over 20.1 L/h of the mean burned."""
        raw = with_fuel(ROAD, tank__volume="60 L")
        found = report(raw)["systems"]["fuel"]["figures"]["motorway"]
        context, c = circuit(raw)
        flow = context.mean.fuel_mass_flow[0, 0, 0] / c.fuel.density
        self.close(found["endurance_s"], 0.060 / flow, rel=1e-9)

    def test_the_box_says_what_it_holds(self) -> None:
        """800 x 500 x 200 mm is 80 L, less a twentieth to swell."""
        self.close(facts_of(with_fuel(ROAD, **BOX), "fuel").tank.volume, 0.076, rel=1e-9)
        self.close(facts_of(with_fuel(ROAD, **BOX, tank__volume="70 L"), "fuel").tank.volume, 0.070, rel=1e-9)


class Vent(NumbersCase):
    def test_by_hand(self) -> None:
        """91.3 L/h through 1 mm: 25.4e-6 / (0.62 x 0.785e-6) = 52 m/s; with air at 1.10 to 1.13 kg/m3, 1.5 kPa."""
        found = check_of(report(with_fuel(FIVE, tank__vent_bore="1 mm")), "fuel", "vent", "pull")
        self.between(found["demand"], 1450.0, 1580.0)
        self.assertGreater(found["fill"], 1.0)
        self.assertLess(check_of(report(with_fuel(FIVE, tank__vent_bore="3 mm")), "fuel", "vent", "pull")["fill"], 0.05)

    def test_the_needed_vent_just_serves(self) -> None:
        _, c = circuit(FIVE)
        bore = float(np.ravel(tank.vent_bore(c, 2.5e-5))[0])
        _, fitted = circuit(with_fuel(FIVE, tank__vent_bore=f"{bore * 1e3:.6f} mm"))
        self.close(tank.vent_drop(fitted, 2.5e-5), tank.VENT_MOST, rel=1e-5)

    def test_a_filling_pump_wants_a_neck(self) -> None:
        """40 L/min goes down 38 mm and not down 15 (common practice: 38 to 50 mm necks)."""
        self.assertGreater(float(tank.fill_flow(0.038, 0.4)), 40e-3 / 60)
        self.assertLess(float(tank.fill_flow(0.015, 0.4)), 40e-3 / 60)
        notes = report(with_fuel(FIVE, tank__filler_bore="15 mm"))["systems"]["fuel"]["notices"]
        self.assertIn("slow_filler", {n["code"] for n in notes})


class Heat(NumbersCase):
    def test_march_against_an_integrator(self) -> None:
        """One lump with walls, marched by a general integrator."""
        raw = with_fuel(DIESEL, tank__volume="40 L", tank_reserve="25 %")
        raw = changed(raw, duties=[{"id": "w", "kind": "work", "ambient": "35 C", "duration": "40 min"}])
        context, c = circuit(raw)
        area, heat = 6.6 * 0.040 ** (2 / 3), 900.0
        mass = 0.25 * 0.040 * 835.0 * 2000.0
        march = solve_ivp(
            lambda t, y: [(heat - tank.TANK_STILL * area * (y[0] - 308.15)) / mass], (0, 2400), [308.15], rtol=1e-9
        )
        self.close(tank.tank_end(context, c, np.array([[[heat]]])).flat[0], march.y[0, -1], abs=1e-3)

    def test_heat_of_a_returned_rail(self) -> None:
        """100 W of a hot rail (common practice), and the pump's watts in what goes back."""
        context, c = circuit(with_fuel(FIVE, main__flow="160 L/h", main__flow_2="130 L/h"))
        point = network_of(context, c).at(context.peak)
        back, through = (float(v[0, 2, 0]) for v in (point.returned, point.through))
        by_hand = 100.0 + float((point.volts * point.amps)[0, 2, 0]) * back / through
        self.close(tank.heat_back(point)[0, 2, 0], by_hand, rel=1e-9)

    def test_heat_of_a_spill(self) -> None:
        """What spills x density x heat capacity x 20 K."""
        context, c = circuit(DIESEL)
        point = network_of(context, c).at(context.peak)
        spilled = float(point.taken[0, 0, 0]) * 0.55
        watts = float((point.volts * point.amps).flat[0]) * 0.55
        self.close(tank.heat_back(point).flat[0], spilled * 835.0 * 2000.0 * 20.0 + watts, rel=1e-9)

    def test_dead_headed_sends_back_less_heat(self) -> None:
        heats = [
            report(with_fuel(FIVE, regulator__place=rail))["systems"]["fuel"]["figures"]["motorway"]["tank_heat_w"]
            for rail in ("returned", "dead_headed")
        ]
        self.assertLess(heats[1], 0.6 * heats[0])

    def test_limit_is_where_the_inlet_boils(self) -> None:
        """The vapour pressure at the limit is what the inlet is left with, less 10 kPa for a pump outside the tank."""
        context, c = circuit(with_fuel(FIVE, pump_place="outside"))
        limit = tank.hottest_allowed(c, np.array([[[3e3]]]))
        left = context.duties.column("pressure") - 3e3 - 10e3
        self.close(fuels.vapour_pressure(c.fuel, limit, likely(c.facts.reid_pressure)), left, rel=1e-9)

    def test_ambient_over_the_limit_is_said(self) -> None:
        raw = with_fuel(
            changed(FIVE, duties=[{"id": "p", "kind": "pull", "ambient": "50 C"}]),
            tank__volume="60 L",
            reid_pressure="100 kPa",
        )
        found = check_of(report(raw), "fuel", "tank_hot", "p")
        self.assertEqual((found["fill"], found["fill_code"]), (9.99, "ambient_over_limit"))
