"""Round tubes through plates: against an independent relation, a tube-bank library and the exact annular fin."""

import numpy as np
from ht.conv_tube_bank import dP_Zukauskas
from scipy.special import i0, i1, k0, k1

from gauge_well.core.heat import radiator
from gauge_well.core.heat.plate_fin import PlateFin, f_wang_chi_chang, fin_efficiency_schmidt, j_wang_chi_chang
from gauge_well.core.heat.plate_fin_core import PlateFinCore
from gauge_well.core.media import air, coolant
from tests.support import NumbersCase

FIN = PlateFin(2.1e-3, 0.12e-3, 9.5e-3, 25.4e-3, 22e-3, 4.0)
REYNOLDS = np.array([1000.0, 2000.0, 4000.0, 8000.0, 15000.0])


def core(rows: float = 3.0, passes: float = 1.0) -> PlateFinCore:
    fin = PlateFin(2.1e-3, 0.12e-3, 9.5e-3, 25.4e-3, 22e-3, rows)
    return PlateFinCore(0.6, 0.4, rows * 22e-3, passes, rows, 0.0, 0.4e-3, 380.0, fin)


class Relations(NumbersCase):
    def test_heat_transfer_against_gray_and_webb(self) -> None:
        """D. L. Gray, R. L. Webb, 8th Int. Heat Transfer Conf. (1986) 2745 (from memory), four rows:
        j = 0.14 Re^-0.328 (Pt/Pl)^-0.502 (s/D)^0.0312; the two stand within 30 % over the range."""
        collar, gap = 9.74e-3, 2.1e-3 - 0.12e-3
        expected = 0.14 * REYNOLDS**-0.328 * (25.4 / 22) ** -0.502 * (gap / collar) ** 0.0312
        self.between(j_wang_chi_chang(REYNOLDS, FIN) / expected, 0.7, 1.3)

    def test_friction_against_fins_and_tube_bank_apart(self) -> None:
        """Gray and Webb (1986, from memory): fins 0.508 Re^-0.521 (Pt/D)^1.318, tubes as a bank by Zukauskas
        (ht); each on its own area. Published relations differ by a factor of 1.6."""
        rho, mu = 1.1, 2.0e-5
        for re in REYNOLDS[1:]:
            g = re * mu / 9.74e-3
            bank = dP_Zukauskas(re, 4, 25.4e-3, 22e-3, 9.74e-3, rho, g / rho)
            whole = FIN.fin_density + FIN.tube_density
            depth, least = 4 * 22e-3, FIN.sigma
            fins = 0.508 * re**-0.521 * (25.4 / 9.74) ** 1.318
            drop = (fins * FIN.fin_density * depth / least) * g * g / (2 * rho) + bank
            expected = drop * 2 * rho / (g * g) * least / (whole * depth)
            self.between(f_wang_chi_chang(re, FIN) / expected, 0.62, 1.6, f"{re}")

    def test_fin_efficiency_against_the_exact_annulus(self) -> None:
        """Round fin of equal area by Bessel functions (incropera2007, ch. 3); Schmidt's form is good to 3 %."""
        for h in (20.0, 60.0, 150.0):
            inner = 9.74e-3 / 2
            outer = np.sqrt(25.4e-3 * 22e-3 / np.pi)
            m = np.sqrt(2 * h / (190.0 * 0.12e-3))
            a, b = m * inner, m * outer
            top = k1(a) * i1(b) - i1(a) * k1(b)
            exact = 2 * inner / (m * (outer**2 - inner**2)) * top / (i0(a) * k1(b) + k0(a) * i1(b))
            self.close(fin_efficiency_schmidt(h, FIN, 190.0), exact, rel=0.03, note=f"{h}")

    def test_held_and_going_on_below_the_range(self) -> None:
        low = np.geomspace(20.0, 400.0, 300)
        self.close(j_wang_chi_chang(100.0, FIN), j_wang_chi_chang(300.0, FIN), rel=1e-12)
        f = f_wang_chi_chang(low, FIN)
        self.falling(f)
        self.assertLess(float(np.max(np.abs(np.diff(np.log(f))))), 0.02)

    def test_one_row_has_a_form_of_its_own(self) -> None:
        """Fewer rows do better by row at low Reynolds numbers (common practice)."""
        one = PlateFin(2.1e-3, 0.12e-3, 9.5e-3, 25.4e-3, 22e-3, 1.0)
        self.assertGreater(float(j_wang_chi_chang(1500.0, one)), float(j_wang_chi_chang(1500.0, FIN)))


class Core(NumbersCase):
    def test_areas_by_hand(self) -> None:
        """Free area (1 - 9.74/25.4)(1 - 0.12/2.1); tubes 0.4 / 25.4 mm a row, three rows."""
        body = core()
        self.close(body.sigma, (1 - 9.74 / 25.4) * (1 - 0.12 / 2.1), rel=1e-12)
        self.close(body.tubes_in_pass, 0.4 / 25.4e-3 * 3, rel=1e-12)
        self.close(body.coolant_surface, np.pi * 8.7e-3 * 0.6 * 0.4 / 25.4e-3 * 3, rel=1e-12)

    def test_less_than_a_louvred_core_of_the_same_depth(self) -> None:
        """Plain plates shed some 35 to 75 % of louvred fins of the same face, depth and air (common practice)."""
        from tests.core.heat.test_radiator import core as louvred

        found = []
        for body in (core(), louvred(0.066, 0.6, 0.4)):
            rho = air.density(311.15, 101325.0)
            side = radiator.air_side(body, rho * 5.0 * body.face, 330.0)
            fluid = radiator.coolant_side(body, 0.002, 365.0, float(coolant.mass_share(0.5)))
            found.append(float(radiator.shed(body, side, fluid, 368.0, 311.15).heat))
        self.between(found[0] / found[1], 0.35, 0.8)
