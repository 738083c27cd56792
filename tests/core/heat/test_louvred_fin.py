"""Louvred fins against independent published relations, continuity and a boundary-value solution."""

import numpy as np
from scipy.integrate import solve_bvp

from gauge_well.core.heat.louvred_fin import LouvredFin, f_chang, fin_efficiency, j_chang_wang
from tests.support import NumbersCase

FIN = LouvredFin(
    fin_pitch=1.4e-3,
    fin_length=8e-3,
    fin_thickness=0.08e-3,
    louvre_pitch=1.2e-3,
    louvre_length=6.6e-3,
    louvre_angle=27.0,
    tube_height=2e-3,
    tube_depth=26e-3,
)
DH = 2.4e-3


class LouvredFins(NumbersCase):
    def test_heat_transfer_against_the_short_form(self) -> None:
        """The same authors' one-line fit of all their cores, 0.425 Re^-0.496 (from memory), scatters 30 %."""
        re = np.array([100.0, 300.0, 1000.0, 3000.0])
        self.between(j_chang_wang(re, FIN) / (0.425 * re**-0.496), 0.7, 1.3)

    def test_against_an_older_relation(self) -> None:
        """Davenport (1983), from memory, on louvre Reynolds number and louvre height h, fin length H (mm):
        j = 0.249 Re^-0.42 h^0.33 H^0.26 (Ll/H)^1.1, f = 5.47 Re^-0.72 h^0.37 Lp^0.2 H^0.23 (Ll/H)^0.89.
        Published relations stand within 0.65 to 1.4 of each other."""
        h, length = 1.2 * np.sin(np.radians(27.0)), 8.0
        share = 6.6 / length
        re = np.array([150.0, 250.0, 400.0])
        j = 0.249 * re**-0.42 * h**0.33 * length**0.26 * share**1.1
        f = 5.47 * re**-0.72 * h**0.37 * 1.2**0.2 * length**0.23 * share**0.89
        self.between(j / j_chang_wang(re, FIN), 0.65, 1.4)
        self.between(f / f_chang(re, FIN, DH), 0.65, 1.4)

    def test_against_a_later_relation(self) -> None:
        """M.-H. Kim, C. W. Bullard, Int. J. Refrigeration 25 (2002) 390-400 (from memory), 100 < Re < 600:
        j = Re^-0.487 (th/90)^0.257 (Fp/Lp)^-0.13 (H/Lp)^-0.29 (Fd/Lp)^-0.235 (Ll/Lp)^0.68 (Tp/Lp)^-0.279 (df/Lp)^-0.05,
        f = Re^-0.781 (th/90)^0.444 (Fp/Lp)^-1.682 (H/Lp)^-1.22 (Fd/Lp)^0.818 (Ll/Lp)^1.97;
        on a core such as theirs (louvres of 1.7 mm, fins 1.4 mm apart, 20 mm deep)."""
        lp = 1.7
        fin = LouvredFin(
            fin_pitch=1.4e-3,
            fin_length=8.15e-3,
            fin_thickness=0.1e-3,
            louvre_pitch=1.7e-3,
            louvre_length=6.4e-3,
            louvre_angle=27.0,
            tube_height=2e-3,
            tube_depth=20e-3,
        )
        dh = 2.24e-3  # four least areas times depth over the surface, by hand
        re = np.array([150.0, 300.0, 550.0])
        angle, pitch, high, deep, long, tubes, thick = (
            27 / 90,
            1.4 / lp,
            8.15 / lp,
            20 / lp,
            6.4 / lp,
            10.15 / lp,
            0.1 / lp,
        )
        j = angle**0.257 * pitch**-0.13 * high**-0.29 * deep**-0.235 * long**0.68 * tubes**-0.279 * thick**-0.05
        f = angle**0.444 * pitch**-1.682 * high**-1.22 * deep**0.818 * long**1.97
        self.between(re**-0.487 * j / j_chang_wang(re, fin), 0.65, 1.4)
        self.between(re**-0.781 * f / f_chang(re, fin, dh), 0.65, 1.4)

    def test_friction_goes_on_smoothly(self) -> None:
        """No jump where the two branches are blended (Re 130 to 230) nor where 1/Re takes over (60)."""
        re = np.geomspace(5.0, 3000.0, 1500)
        f = f_chang(re, FIN, DH)
        self.assertTrue(bool(np.all(np.isfinite(f))))
        self.assertLess(float(np.max(np.abs(np.diff(np.log(f))))), 0.03)

    def test_held_below_the_fitted_range(self) -> None:
        self.close(j_chang_wang(np.array([20.0, 99.0]), FIN), float(j_chang_wang(100.0, FIN)), rel=1e-12)
        self.close(f_chang(30.0, FIN, DH), 2.0 * float(f_chang(60.0, FIN, DH)), rel=1e-12)

    def test_fin_efficiency_against_a_boundary_value_solution(self) -> None:
        """Straight fin, both ends at the tubes: theta'' = m^2 theta, symmetric about the middle."""
        for h in (40.0, 120.0, 400.0):
            m = np.sqrt(2 * h / (190.0 * FIN.fin_thickness) * (1 + FIN.fin_thickness / FIN.tube_depth))
            length = FIN.fin_length / 2 - FIN.fin_thickness
            found = solve_bvp(
                lambda _, y, m=m: np.vstack([y[1], m**2 * y[0]]),
                lambda a, b: np.array([a[0] - 1.0, b[1]]),
                np.linspace(0.0, length, 60),
                np.ones((2, 60)),
                tol=1e-9,
            )
            mean = np.trapezoid(found.sol(np.linspace(0, length, 4001))[0], dx=1.0 / 4000)
            self.close(fin_efficiency(h, FIN, 190.0), mean, abs=1e-6)

    def test_direction_of_every_influence(self) -> None:
        self.falling(j_chang_wang(np.geomspace(100.0, 3000.0, 20), FIN))
        self.falling(fin_efficiency(np.array([20.0, 100.0, 300.0]), FIN, 190.0))
        self.rising(fin_efficiency(100.0, FIN, np.array([60.0, 190.0, 380.0])))
