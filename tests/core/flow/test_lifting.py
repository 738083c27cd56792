"""Water lifted by gas: friction against a library, weight and acceleration by hand, the whole against a second relation."""

import numpy as np
from fluids.two_phase import Friedel, Muller_Steinhagen_Heck

from gauge_well.core.flow import lifting
from tests.support import NumbersCase

RHO, MU = 1020.0, 0.9e-6 * 1020.0


class Friction(NumbersCase):
    def test_against_a_library(self) -> None:
        """Müller-Steinhagen and Heck, its own friction factor (3 %)."""
        for bore, gas, water in ((0.051, 0.05, 1.0), (0.102, 0.148, 2.2), (0.076, 0.148, 0.7)):
            plain = Muller_Steinhagen_Heck(
                m=gas + water,
                x=gas / (gas + water),
                rhol=RHO,
                rhog=1.1,
                mul=MU,
                mug=2e-5,
                D=bore,
                roughness=3e-6,
                L=2.0,
            )
            self.close(float(lifting.friction_muller(gas, 1.1, water, bore, 2.0)), plain, rel=0.03)

    def test_gas_alone_and_water_alone(self) -> None:
        """At either end it is the one fluid's own Darcy-Weisbach loss (churchill1977): x 1 and 0."""
        for gas, water in ((0.05, 0.0), (0.0, 1.0)):
            plain = Muller_Steinhagen_Heck(
                m=gas + water, x=float(gas > 0), rhol=RHO, rhog=1.1, mul=MU, mug=2e-5, D=0.051, roughness=3e-6, L=2.0
            )
            self.close(float(lifting.friction_muller(gas, 1.1, water, 0.051, 2.0)), plain, rel=0.03)


class Lift(NumbersCase):
    def test_the_trades_figures(self) -> None:
        """1.2 m, .148 kg/s of gas and 132 L/min: 102 mm about 4.0 kPa, 76 mm about 8.1, 127 mm about 3.1 (common practice;
        15 %), against 12.1 for the full column."""
        for bore, kpa in ((0.102, 4.0), (0.076, 8.1), (0.127, 3.1)):
            found = lifting.lift(0.148, 1.07, 2.2, bore, 1.2, 1.2)
            self.close(1e-3 * float(found.total), kpa, rel=0.15)
        self.close(1e-3 * float(lifting.full_column(1.2)), 12.1, rel=0.01)

    def test_against_a_second_relation(self) -> None:
        """Friedel's friction for Müller-Steinhagen's, the same void: within a quarter at three bores."""
        for bore in (0.063, 0.076, 0.102):
            found = lifting.lift(0.08, 1.07, 0.7, bore, 1.0, 2.0)
            other = Friedel(
                m=0.78, x=0.08 / 0.78, rhol=RHO, rhog=1.07, mul=MU, mug=2e-5, sigma=0.07, D=bore, roughness=3e-6, L=2.0
            )
            self.close(float(found.weight + found.acceleration) + other, float(found.total), rel=0.25)

    def test_void_by_hand(self) -> None:
        """Zuber and Findlay: j_g 10, j 10.5 m/s in 80 mm: 10 / (12.6 + .35 sqrt(g .08))."""
        self.close(
            float(lifting.void_zuber(10.0, 10.5, 0.08)), 10.0 / (12.6 + 0.35 * np.sqrt(9.80665 * 0.08)), rel=1e-9
        )

    def test_momentum_of_both(self) -> None:
        """Each fluid's own ``rho j^2 / share``, by hand."""
        area = np.pi / 4 * 0.08**2
        found = lifting.lift(0.06, 1.1, 0.5, 0.08, 1.0, 1.0)
        void = float(found.void)
        gas, water = 0.06 / 1.1 / area, 0.5 / RHO / area
        self.close(float(found.acceleration), 1.1 * gas**2 / void + RHO * water**2 / (1 - void), rel=1e-9)

    def test_slow_gas_surges(self) -> None:
        """Wallis number ``j_g sqrt(rho_g / (g D rho_w))``: under a half at idle, over at speed."""
        idle, full = (lifting.lift(g, 1.1, 0.3, 0.102, 1.0, 2.0) for g in (0.02, 0.148))
        self.assertLess(float(idle.wallis), lifting.SURGES)
        self.assertGreater(float(full.wallis), lifting.SURGES)
