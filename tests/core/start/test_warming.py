"""Coolant from cold against SciPy's integrator on the same balance, and by hand where nothing is shed."""

import unittest

import numpy as np
from scipy.integrate import solve_ivp

from gauge_well.core.start import setting, warming
from gauge_well.core.start.warming import Trouble
from tests.core.start.made import build

AIR = 288.15


def stood(name: str, share: float = setting.FAST) -> setting.Stood:
    return setting.stand(setting.idle_case(build(name), AIR, share), 8)


def loop(at: setting.Stood, trouble: Trouble = Trouble()) -> warming.Loop:
    return warming.loop_of(at, at.drawn.case.systems["cooling"], trouble)


class Warming(unittest.TestCase):
    def test_the_curve_is_the_integrators(self) -> None:
        for name in ("quarry-mule", "reed-otter"):
            own = loop(stood(name))
            found = warming.warm([own])
            rows = warming.rows()
            cm, cc, g = (float(getattr(own.body, n)[0]) for n in ("metal", "coolant", "between"))

            def slope(_t, y, own=own, rows=rows, cm=cm, cc=cc, g=g):
                through = g * (y[0] - y[1])
                shed = np.interp(y[1], rows, own.table[:, 0, 0])
                return [(own.made[0] - through) / cm, (through - shed) / cc]

            # Up to where a fan first comes on: no thermostat's edge lies between its points but the table's.
            on = float(own.switches[0][0][0]) if own.switches else 1e3
            last = int(np.argmax(found.coolant[:, 0, 0] >= on - 1.0)) or found.time.size - 1
            done = solve_ivp(
                slope, (0.0, found.time[last]), [AIR, AIR], rtol=1e-8, atol=1e-6, max_step=2.0, dense_output=True
            )
            there = done.sol(found.time[: last + 1])[1]
            # Runge-Kutta of the fourth order in steps of 4 s beside one held to 1e-8: a twentieth of a kelvin.
            self.assertLess(np.max(np.abs(found.coolant[: last + 1, 0, 0] - there)), 0.05, name)

    def test_shut_and_without_skin_all_heat_stays(self) -> None:
        own = loop(stood("quarry-mule"))
        still = warming.Loop(**{**vars(own), "table": 0.0 * own.table})
        found = warming.warm([still], lasts=300.0)
        both = still.body.metal[0] + still.body.coolant[0]
        # By hand: Q t / (Cm + Cc), less what the metal stands over the coolant: Q tau / Cm x Cm / (Cm + Cc).
        q, t = own.made[0], found.time[-1]
        tau = still.body.metal[0] * still.body.coolant[0] / (still.body.between[0] * both)
        expected = AIR + (q * t - q * tau) / both
        self.assertAlmostEqual(found.coolant[-1, 0, 0], expected, delta=0.02)

    def test_a_warm_up_of_a_usual_engine_takes_a_quarter_of_an_hour(self) -> None:
        # common practice: 2.7 L of iron at fast idle on a cool day, ten to twenty minutes to its thermostat.
        own = loop(stood("quarry-mule"))
        opens = warming.opens_after(own, warming.warm([own]))
        self.assertTrue(600.0 < opens[0] < 1200.0, opens[0])
        slow = loop(stood("quarry-mule", 1.0))
        self.assertGreater(warming.opens_after(slow, warming.warm([slow]))[0], opens[0])

    def test_each_trouble_goes_its_way(self) -> None:
        at = stood("quarry-mule", 1.0)
        names = ("sound", "shut", "open", "dead", "hot")
        troubles = (Trouble(), Trouble(lift=0.002), Trouble(lift=1.0), Trouble(fan=0.0), Trouble(heat=3.0))
        loops = [loop(at, t) for t in troubles]
        found = warming.warm(loops)
        end = dict(zip(names, found.coolant[-1, :, 0], strict=True))
        early = dict(zip(names, found.coolant[100, :, 0], strict=True))
        self.assertGreater(end["shut"], end["sound"] + 20.0)
        self.assertGreater(end["dead"], end["sound"] + 10.0)
        self.assertLess(early["open"], early["sound"])
        self.assertGreater(early["hot"], early["sound"])
        # Nothing passes its boiling point.
        self.assertTrue(np.all(found.coolant <= np.stack([w.boiling for w in loops]) + 1e-9))

    def test_what_leaves_the_core_closes_its_balance(self) -> None:
        at = stood("quarry-mule", 1.0)
        own = loop(at)
        hot = np.full(at.samples, 370.0)
        felt = warming.felt(own, hot, np.ones(at.samples, dtype=int))
        taken = np.array([np.interp(370.0, warming.rows(), own.core[:, 1, k]) for k in range(at.samples)])
        flow = np.array([np.interp(370.0, warming.rows(), own.flow[:, k]) for k in range(at.samples)])
        np.testing.assert_allclose((hot - felt.leaves) * flow, taken, rtol=1e-9)
        np.testing.assert_allclose((felt.behind - own.comes[1]) * own.air[1], taken, rtol=1e-9)

    def test_a_shut_thermostats_core_stands_at_the_air(self) -> None:
        at = stood("quarry-mule", 1.0)
        own = loop(at, Trouble(lift=0.002))
        felt = warming.felt(own, np.full(at.samples, 380.0), np.ones(at.samples, dtype=int))
        self.assertLess(felt.leaves[0] - AIR, 12.0)
