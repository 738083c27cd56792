"""The two-node answer against an integrator at tight tolerance, and against the exponential by hand."""

import numpy as np
from scipy.integrate import solve_ivp

from gauge_well.core.heat.two_node import Shut, end_from_shut, respond
from tests.support import NumbersCase

CM, CC, G, U = 45e3, 38e3, 3600.0, 900.0


def integrate(time: float, heat: float, metal: float, coolant: float, sink: float) -> float:
    def rates(_: float, y: list[float]) -> list[float]:
        flow = G * (y[0] - y[1])
        return [(heat - flow) / CM, (flow - U * (y[1] - sink)) / CC]

    found = solve_ivp(rates, (0.0, time), [metal, coolant], method="DOP853", rtol=1e-11, atol=1e-9)
    return float(found.y[1, -1])


class TwoNode(NumbersCase):
    def test_against_the_integrator(self) -> None:
        for time in (1.0, 20.0, 75.0, 600.0):
            for heat, metal, cool, sink in (
                (90e3, 370.0, 363.0, 311.0),
                (0.0, 390.0, 363.0, 311.0),
                (150e3, 343.0, 343.0, 300.0),
            ):
                r = respond(time, CM, CC, G, U)
                own = r.weight_metal * metal + r.weight_coolant * cool + r.weight_sink * sink + r.per_watt * heat
                self.close(own, integrate(time, heat, metal, cool, sink), abs=1e-6, note=f"{time} {heat}")

    def test_for_ever_is_steady(self) -> None:
        r = respond(np.inf, CM, CC, G, U)
        self.close([r.weight_metal, r.weight_coolant, r.weight_sink, r.per_watt], [0.0, 0.0, 1.0, 1.0 / U], abs=1e-9)

    def test_at_once_is_the_start(self) -> None:
        r = respond(0.0, CM, CC, G, U)
        self.close([r.weight_metal, r.weight_coolant, r.weight_sink, r.per_watt], [0.0, 1.0, 0.0, 0.0], abs=1e-12)

    def test_stiff_metal_is_one_lump(self) -> None:
        """With metal tied hard to the coolant both are one lump: T = Ta + Q/U (1 - exp(-t U/C)), by hand."""
        r = respond(100.0, CM, CC, 1e9, U)
        self.close(r.per_watt, (1.0 - np.exp(-100.0 * U / (CM + CC))) / U, rel=1e-4)

    def test_weights_sum_to_one(self) -> None:
        r = respond(np.geomspace(0.1, 1e5, 30), CM, CC, G, U)
        self.close(r.weight_metal + r.weight_coolant + r.weight_sink, 1.0, abs=1e-12)


class FromShut(NumbersCase):
    def integrate(self, time: float, heat: float, start: float, opens: float, sink: float) -> float:
        """Nothing shed under the opening, all of U over it, by DOP853 with an event at the opening; held up to it."""

        def rates(_: float, y: np.ndarray, u: float) -> list[float]:
            flow = G * (y[0] - y[1])
            return [(heat - flow) / CM, (flow - u * (y[1] - sink)) / CC]

        def opening(_: float, y: np.ndarray, u: float) -> float:
            return y[1] - opens

        opening.terminal = True  # type: ignore[attr-defined]
        settings = {"method": "DOP853", "rtol": 1e-11, "atol": 1e-9}
        shut = solve_ivp(rates, (0.0, time), [start, start], events=opening, args=(0.0,), **settings)
        if shut.t[-1] >= time:
            return float(shut.y[1, -1])
        rest = solve_ivp(rates, (shut.t[-1], time), shut.y[:, -1], args=(U,), **settings)
        return max(float(rest.y[1, -1]), opens)

    def test_against_the_integrator(self) -> None:
        for time in (20.0, 75.0, 600.0):
            for heat in (10e3, 60e3, 120e3):
                shut = Shut(np.asarray(343.0), np.asarray(343.0), np.asarray(363.0))
                own = end_from_shut(heat, time, CM, CC, G, U, 303.0, shut)
                self.close(own, self.integrate(time, heat, 343.0, 363.0, 303.0), abs=1e-4, note=f"{time} {heat}")

    def test_open_at_the_start_is_the_plain_answer(self) -> None:
        shut = Shut(np.asarray(370.0), np.asarray(363.0), np.asarray(363.0))
        r = respond(100.0, CM, CC, G, U)
        plain = r.weight_metal * 370.0 + r.weight_coolant * 363.0 + r.weight_sink * 303.0 + r.per_watt * 80e3
        self.close(end_from_shut(80e3, 100.0, CM, CC, G, U, 303.0, shut), plain, abs=1e-6)

    def test_rises_with_heat_without_a_jump(self) -> None:
        shut = Shut(np.asarray(343.0), np.asarray(343.0), np.asarray(363.0))
        heat = np.linspace(1e3, 150e3, 2000)
        end = end_from_shut(heat, 60.0, CM, CC, G, U, 303.0, shut)
        steps = np.diff(end)
        self.assertGreater(float(steps.min()), -1e-6)
        self.assertLess(float(steps.max()), 0.2)
