"""The two-node answer against an integrator at tight tolerance, and against the exponential by hand."""

import numpy as np
from scipy.integrate import solve_ivp

from gauge_well.core.heat.two_node import respond
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
