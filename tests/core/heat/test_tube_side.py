"""Heat transfer in tubes against published tables and a general library."""

import numpy as np
from ht.conv_internal import Nu_laminar_rectangular_Shan_London, turbulent_Gnielinski

from gauge_well.core.heat import tube_side
from tests.support import NumbersCase, table


class TubeSide(NumbersCase):
    def test_rectangles_against_the_table(self) -> None:
        for row in table("rectangle_incropera_8_1.csv"):
            self.close(tube_side.nusselt_rectangle_shah_london(1.0 / row["ratio"]), row["nusselt"], rel=0.006)
        self.close(tube_side.nusselt_rectangle_shah_london(0.0), 7.54, abs=0.005)

    def test_rectangle_shape_against_the_library(self) -> None:
        """The library holds the uniform-flux form; both fall alike from plates to the square."""
        for aspect in (0.0, 0.2, 0.5, 1.0):
            flux = Nu_laminar_rectangular_Shan_London(aspect)
            self.between(flux / tube_side.nusselt_rectangle_shah_london(aspect), 1.05, 1.25)

    def test_gnielinski_against_the_library(self) -> None:
        for re in (4e3, 1e4, 1e5):
            for pr in (1.5, 7.0, 20.0):
                friction = float(tube_side.friction_petukhov(re))
                self.close(tube_side.nusselt_gnielinski(re, pr), turbulent_Gnielinski(re, pr, friction), rel=1e-9)

    def test_petukhov_friction(self) -> None:
        """Moody chart, smooth tubes: 0.0309 at Re 1e4, 0.0180 at 1e5 (Incropera, fig. 8.3); 3 %."""
        self.close(tube_side.friction_petukhov(np.array([1e4, 1e5])), [0.0309, 0.0180], rel=0.03)

    def test_no_jump_anywhere(self) -> None:
        """A half per cent step of Reynolds number never moves the Nusselt number by more than 2.5 %."""
        re = np.geomspace(50.0, 3e4, 1200)
        nu = tube_side.nusselt_tube(re, 8.0, tube_side.nusselt_rectangle_shah_london(0.1), 0.005)
        self.assertTrue(bool(np.all(np.diff(nu) > 0.0)))
        self.assertLess(float(np.max(np.diff(np.log(nu)))), 0.025)

    def test_entry_raises_laminar_heat_transfer(self) -> None:
        """Long tubes reach the developed value; short ones follow Leveque's cube root."""
        developed = float(tube_side.nusselt_rectangle_shah_london(0.1))
        self.close(tube_side.nusselt_tube(500.0, 8.0, developed, 1e-9), developed, rel=1e-4)
        short = tube_side.nusselt_laminar_entry(developed, 1e6)
        self.close(short, 1.615 * 1e6 ** (1 / 3), rel=0.01)
