"""Hot gas in pipes: compressible relations of a fluids library, a scalar surface balance, bends."""

import fluids
import numpy as np
from scipy.optimize import brentq

from gauge_well.core.flow import gas_pipe
from gauge_well.core.media import air
from tests.support import NumbersCase


def one(value: float) -> np.ndarray:
    """One point."""
    return np.asarray(value)


class Pressure(NumbersCase):
    def test_against_isothermal_compressible_flow(self) -> None:
        """The library's flow between two pressures, marched back in pieces: 0.5 % of the drop."""
        t, p2, length, bore = 900.0, 101325.0, 2.0, 0.06
        for p1 in (1.05e5, 1.2e5, 1.35e5):
            rho = p1 / (air.R_AIR * t)
            flow = fluids.compressible.isothermal_gas(rho=rho, fd=0.02, P1=p1, P2=p2, L=length, D=bore)
            p = one(p2)
            for _ in range(8):
                # The loss factor carries the friction, so that both take the same one.
                found = gas_pipe.lose_pressure(
                    one(flow), one(t), one(t), p, bore, 1e-9, 0.02 * length / 8 / bore, 45e-6
                )
                p = found.upstream
            self.close(p - p2, p1 - p2, rel=5e-3)

    def test_single_step_is_near_many(self) -> None:
        """A whole piece in one step against ten: 1 % of the drop at Mach 0.3."""
        flow, t = one(0.18), one(950.0)
        whole = gas_pipe.lose_pressure(flow, t, t, one(101325.0), 0.06, 1.0, 1.0, 45e-6).upstream
        p = one(101325.0)
        for _ in range(10):
            p = gas_pipe.lose_pressure(flow, t, t, p, 0.06, 0.1, 0.1, 45e-6).upstream
        self.close((whole - 101325.0) / (p - 101325.0), 1.0, abs=0.01)

    def test_cooling_gas_slows_and_gives_pressure_back(self) -> None:
        flow, p = one(0.15), one(101325.0)
        even = gas_pipe.lose_pressure(flow, one(800.0), one(800.0), p, 0.06, 1.0, 0.0, 45e-6)
        cooling = gas_pipe.lose_pressure(flow, one(900.0), one(700.0), p, 0.06, 1.0, 0.0, 45e-6)
        self.assertLess(float(cooling.acceleration), float(even.acceleration))

    def test_choked_tip(self) -> None:
        """G sqrt(R T / gamma): the pressure at which the gas leaves at the speed of sound."""
        t, bore = one(1000.0), 0.03
        flow = one(0.4)
        p = gas_pipe.sonic_pressure(flow, t, bore)
        speed = flow / (np.pi / 4 * bore**2) / (p / (air.R_AIR * t))
        self.close(speed / np.sqrt(gas_pipe.GAMMA * air.R_AIR * t), 1.0, rel=1e-9)


class Heat(NumbersCase):
    def test_surface_against_a_scalar_balance(self) -> None:
        """Inside to surface equals surface to air and radiation, found anew by a bracketing search."""
        for flow, start in ((0.02, 700.0), (0.2, 1150.0)):
            found = gas_pipe.lose_heat(one(flow), one(1180.0), one(start), 0.06, 0.0015, 0.5, one(310.0))
            re = flow / (np.pi / 4 * 0.06**2) * 0.06 / float(air.viscosity(start))
            f8 = (0.79 * np.log(re) - 1.64) ** -2 / 8
            nu = f8 * (re - 1000) * 0.71 / (1 + 12.7 * np.sqrt(f8) * (0.71 ** (2 / 3) - 1))
            h = 1.6 * nu * float(air.conductivity(start)) / 0.06

            def balance(t: float, h: float = h, start: float = start) -> float:
                return h * 0.06 / 0.063 * (start - t) - 25 * (t - 310) - 0.8 * 5.670374e-8 * (t**4 - 310**4)

            self.close(found.surface, brentq(balance, 310, start), abs=0.05)

    def test_heat_loss_by_hand(self) -> None:
        """A short piece: flux at its start times its outside; the gas cools by that over m cp."""
        found = gas_pipe.lose_heat(one(0.1), one(1180.0), one(1000.0), 0.06, 0.0015, 0.01, one(300.0))
        ts = float(found.surface)
        flux = 25 * (ts - 300) + 0.8 * 5.670374e-8 * (ts**4 - 300**4)
        self.close(found.heat, flux * np.pi * 0.063 * 0.01, rel=5e-3)
        self.close(1000.0 - found.end, float(found.heat) / (0.1 * 1180.0), rel=1e-9)

    def test_lagged_is_hotter_downstream_and_cooler_outside(self) -> None:
        bare, lagged = (
            gas_pipe.lose_heat(one(0.1), one(1180.0), one(1000.0), 0.06, 0.0015, 1.0, one(300.0), r)
            for r in (0.0, 0.13)
        )
        self.assertGreater(float(lagged.end), float(bare.end))
        self.assertLess(float(lagged.surface), float(bare.surface))

    def test_long_pipe_ends_at_the_air(self) -> None:
        found = gas_pipe.lose_heat(one(0.01), one(1180.0), one(900.0), 0.06, 0.0015, 500.0, one(300.0))
        self.close(found.end, 300.0, abs=0.1)


class Bends(NumbersCase):
    def test_against_the_library(self) -> None:
        """The library's Crane method for a right angle, 20 %: it interpolates otherwise between radii."""
        for ratio in (1.0, 1.5, 2.0, 3.0):
            friction = float(gas_pipe.friction_rough(45e-6 / 0.06))
            expected = fluids.bend_rounded(Di=0.06, angle=90.0, fd=friction, bend_diameters=ratio, method="Crane")
            self.close(gas_pipe.bend_loss_crane(np.pi / 2, ratio, friction), expected, rel=0.2)

    def test_rough_friction(self) -> None:
        """Complete turbulence: Colebrook's limit."""
        self.close(gas_pipe.friction_rough(1e-3), (2 * np.log10(3.7 / 1e-3)) ** -2, rel=1e-9)
