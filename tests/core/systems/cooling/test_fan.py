"""Fans: the fan laws, tables, stages, engine-driven; operating points against a bracketing solver."""

import numpy as np
from scipy.optimize import brentq

from gauge_well.core.errors import CoreError
from gauge_well.core.facts import with_facts
from gauge_well.core.systems.cooling.air import AirPath, zones
from gauge_well.core.systems.cooling.fan import Curve, curve_of, electric_power, fan_of
from gauge_well.core.systems.cooling.refusals import refuse
from tests.core.systems.cooling.test_air import face_velocity, path
from tests.support import ROAD, NumbersCase, changed, check_of, facts_of, report

PARABOLA = Curve(np.sqrt(np.linspace(0.0, 1.0, 4001)), 1.0 - np.linspace(0.0, 1.0, 4001))
TABLE = ((0.0, 260.0), (0.4, 205.0), (0.7, 130.0), (0.95, 0.0))


def belt(**more: str) -> dict:
    return changed(
        ROAD,
        **{
            "cooling__fan__drive": "belt",
            "cooling__fan__diameter": "430 mm",
            "cooling__fan__flow": "1.6 m3/s",
            "cooling__fan__pressure": "300 Pa",
            "cooling__fan__rating": "rig",
            "cooling__fan__speed": "2400 rpm",
            "cooling__fan__ratio": "1",
            "cooling__fan__clutch": "none",
        }
        | {f"cooling__{k}": v for k, v in more.items()},
    )


class Laws(NumbersCase):
    def test_engine_driven(self) -> None:
        """Half the speed: half the flow, a quarter of the pressure, an eighth of the power (eck1973)."""
        facts = facts_of(belt(), "cooling")
        whole, half = fan_of(facts, 2400.0), fan_of(facts, 1200.0)
        self.close([whole.free_air, whole.shut_off], [1.6, 300.0], rel=1e-9)
        self.close([half.free_air, half.shut_off], [0.8, 75.0], rel=1e-9)
        self.close(half.plate / whole.plate, 0.125, rel=1e-9)

    def test_without_a_clutch_it_never_stops(self) -> None:
        self.close(fan_of(facts_of(belt(), "cooling"), 2400.0).off, 1.0)

    def test_a_clutch_holds_it(self) -> None:
        """A viscous clutch slips a little below its limit and holds the fan to it above (common practice)."""
        facts = facts_of(belt(fan__clutch="viscous", fan__clutch_limit="2600 rpm"), "cooling")
        flows = [float(fan_of(facts, n).free_air) for n in (1000.0, 2000.0, 4000.0, 6000.0)]
        self.close(flows[0], 1.6 * 0.93 * 1000 / 2400, rel=1e-9)
        self.close(flows[2:], 1.6 * 2600 / 2400, rel=1e-9)
        self.close(fan_of(facts, 1000.0).off, 0.0625)

    def test_face_velocity_goes_with_speed(self) -> None:
        """At standstill with all losses square, twice the fan's speed gives twice the air."""
        slow = face_velocity(path(0.0, a=0.0, fan_flow=0.5, fan_pressure=60.0), "full")
        fast = face_velocity(path(0.0, a=0.0, fan_flow=1.0, fan_pressure=240.0), "full")
        self.close(fast, 2.0 * slow, rel=1e-9)

    def test_electric_power(self) -> None:
        """0.5 m3/s at 140 Pa is 70 W of air, 200 W at 0.35; a fan that moves little still takes 0.7 of its plate."""
        fan = fan_of(facts_of(changed(ROAD, cooling__fan__power="220 W"), "cooling"), 2000.0)
        self.close(electric_power(fan, 0.5, 140.0), 200.0, rel=1e-9)
        self.close(electric_power(fan, 0.01, 100.0), 154.0, rel=1e-9)


class Tables(NumbersCase):
    def test_drawn_on_to_both_axes(self) -> None:
        """(0.2, 200) and (0.6, 100): straight on to 250 Pa shut off and 1 m3/s free."""
        curve, free, shut = curve_of(((0.2, 200.0), (0.6, 100.0)))
        self.close([free, shut], [1.0, 250.0], rel=1e-9)
        self.close(curve.at(np.array([0.0, 0.4, 0.8, 1.0])), [1.0, 0.6, 0.2, 0.0], abs=1e-12)

    def test_a_tabulated_parabola_is_the_parabola(self) -> None:
        for q in (0.0, 280.0):
            for share in (0.3, 1.0):
                closed = face_velocity(path(q, share), "full")
                self.close(face_velocity(path(q, share, curve=PARABOLA), "full"), closed, abs=2e-3, note=f"{q} {share}")

    def test_operating_point_against_a_bracketing_solver(self) -> None:
        """The same straight pieces and losses, written anew in face velocity."""
        curve, free, shut = curve_of(TABLE)
        for q in (0.0, 60.0, 400.0):
            p = path(q, fan_flow=float(free), fan_pressure=float(shut), curve=curve)

            def rest(u: float, p: AirPath = p, q: float = q) -> float:
                hot = u * p.face * p.density / p.density_hot
                x = hot / float(free)
                if x <= 1.0:
                    rise = float(np.interp(x, curve.flow, curve.pressure)) * float(shut)
                else:
                    rise = float(shut) * (1.0 - x * x)
                out = 0.5 * p.exit_loss * p.density_hot * (hot / p.exit_area) ** 2 - 0.1 * q
                return p.ram * q + rise - p.a * u - p.b * u * u - out

            self.close(face_velocity(p, "full"), brentq(rest, 0.0, 30.0, xtol=1e-12), abs=1e-5, note=f"{q}")

    def test_refused(self) -> None:
        """A curve whose pressure rises again, or of one point, is named."""
        for rows in ("0 m3/s, 260 Pa\n0.4 m3/s, 270 Pa", "0.4 m3/s, 100 Pa", "0.4 m3/s, 200 Pa\n0.3 m3/s, 100 Pa"):
            with self.assertRaises(CoreError) as caught:
                refuse(_typed(rows))
            self.assertEqual((caught.exception.code, caught.exception.field), ("fan_table", "cooling.fan.table"))


def _typed(rows: str):
    found = tuple(tuple(float(cell.strip().split()[0]) for cell in line.split(",")) for line in rows.splitlines())
    return with_facts(facts_of(ROAD, "cooling"), {"fan.table": found})


class Stages(NumbersCase):
    def test_half_the_fans_move_less_than_all(self) -> None:
        for shroud in ("full", "flaps", "none"):
            flows = [
                float(face_velocity(path(20.0, share, running=running), shroud))
                for share, running in ((0.0, 1.0), (1.0, 0.5), (1.0, 1.0))
            ]
            self.rising(flows, shroud)

    def test_half_the_fans_against_a_bracketing_solver(self) -> None:
        """Half turn, half let air through backwards: one pressure over both (full shroud, standstill)."""
        p = path(0.0, running=0.5)

        def through(rise: float) -> float:
            share = rise / p.fan_pressure
            turning = np.sign(1 - share) * np.sqrt(abs(1 - share))
            return p.fan_flow * 0.5 * (turning - np.sign(share) * np.sqrt(abs(share)))

        def rest(rise: float) -> float:
            hot = through(rise)
            u = hot * p.density_hot / p.density / p.face
            out = 0.5 * p.exit_loss * p.density_hot * (hot / p.exit_area) * abs(hot / p.exit_area)
            return rise - p.a * u - p.b * u * abs(u) - out

        rise = brentq(rest, -50.0, p.fan_pressure, xtol=1e-10)
        expected = through(rise) * p.density_hot / p.density / p.face
        self.close(zones(p, "full").fan, expected, abs=1e-5)

    def test_staged_fans_settle_between(self) -> None:
        """One of two fans is enough at idle: the gauge stands at the first's thresholds, not the second's."""
        staged = changed(
            ROAD,
            cooling__fan__diameter="2x 300 mm",
            cooling__fan_stages="staged",
            cooling__condenser_front="no",
            duties=[{"id": "idle", "kind": "idle", "ambient": "38 C", "air_conditioning": "yes"}],
        )
        found = report(staged)["systems"]["cooling"]["figures"]["idle"]
        together = report(changed(staged, cooling__fan_stages="together"))["systems"]["cooling"]["figures"]["idle"]
        self.between(found["fan_share"], 0.01, 0.6)
        self.close(found["heat_shed_w"], together["heat_shed_w"], rel=1e-6)
        self.close(found["coolant_out_k"], together["coolant_out_k"], abs=1e-6)


class Kinds(NumbersCase):
    def test_engine_driven_serves_better_fast_than_idling(self) -> None:
        duties = [
            {"id": "slow", "kind": "typed", "engine_power": "20 kW", "engine_speed": "900 rpm", "ambient": "35 C"},
            {"id": "fast", "kind": "typed", "engine_power": "20 kW", "engine_speed": "3000 rpm", "ambient": "35 C"},
        ]
        figures = report(changed(belt(), duties=duties))["systems"]["cooling"]["figures"]
        self.assertGreater(figures["fast"]["core_air_mass_flow_kg_s"], 2.0 * figures["slow"]["core_air_mass_flow_kg_s"])

    def test_missing_diameter_is_named(self) -> None:
        block = report(changed(belt(), cooling__fan__diameter=None))["systems"]["cooling"]
        self.assertIn("cooling.fan.diameter", block["unknown"][0]["missing"])

    def test_the_fan_on_the_engine_is_the_moving_thing(self) -> None:
        """160 - 26 - 70 mm: 64 left to the fan."""
        found = report(belt(fan__depth="70 mm"))
        self.close(check_of(found, "cooling", "stack")["capacity"], 0.064, abs=1e-9)
