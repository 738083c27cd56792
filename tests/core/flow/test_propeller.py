"""Propeller and shaft by hand, and the laws they keep."""

import numpy as np

from gauge_well.core.flow import propeller
from tests.support import NumbersCase


class Sizes(NumbersCase):
    def test_diameter(self) -> None:
        """30 horsepower at 1,000 rev/min: 632.7 x 30^.2 / 1000^.6 = 19.8 in (gerr1989, by hand)."""
        self.close(float(propeller.diameter_gerr(30 * 745.7, 1000.0)) / 0.0254, 632.7 * 30**0.2 / 1000**0.6, rel=1e-6)
        self.between(float(propeller.diameter_gerr(30 * 745.7, 1000.0)) / 0.0254, 18.0, 22.0)

    def test_it_keeps_the_cubic_and_the_fifth(self) -> None:
        """P goes with n^3 D^5: the handbook's diameter moves just so."""
        one, other = (float(propeller.diameter_gerr(p, n)) for p, n in ((20e3, 1000.0), (30e3, 1300.0)))
        self.close(20e3 / (1000.0**3 * one**5), 30e3 / (1300.0**3 * other**5), rel=1e-9)

    def test_slip_and_pitch(self) -> None:
        """7 knots: slip .46 (gerr1989, by hand); a pitch for a speed gives that slip back."""
        speed = 7 * 0.514444
        self.close(float(propeller.slip_gerr(speed)), 1.4 / 7**0.57, rel=1e-6)
        pitch = propeller.pitch_for(speed, 1100.0, 0.46)
        self.close(float(pitch), speed / (1100 / 60 * 0.54), rel=1e-9)
        self.close(float(propeller.slip_of(speed, 1100.0, pitch)), 0.46, rel=1e-9)

    def test_cubic(self) -> None:
        self.close(float(propeller.taken(20e3, 1200.0, 1500.0)), 20e3 * 1.25**3, rel=1e-12)

    def test_tips(self) -> None:
        """500 mm at 1,200 rev/min: 31.4 m/s."""
        self.close(float(propeller.tip_speed(0.5, 1200.0)), np.pi * 0.5 * 20.0, rel=1e-9)


class Shaft(NumbersCase):
    def test_stress(self) -> None:
        """28 mm at 1,500 N m: 348 MPa (by hand, ``16 T / pi d^3``)."""
        self.close(1e-6 * float(propeller.shaft_stress(1500.0, 0.028)), 348.0, rel=2e-3)

    def test_size(self) -> None:
        """A shaft as large as asked is sheared by just a third of its yield."""
        for metal, (_, yields) in propeller.SHAFTS.items():
            d = propeller.shaft_for(300.0, metal)
            self.close(float(propeller.shaft_stress(300.0, d)), yields / 3.0, rel=1e-9)

    def test_torque(self) -> None:
        """27 kW at 1,500 rev/min: 171.9 N m."""
        self.close(float(propeller.torque(27e3, 1500.0)), 27e3 / (2 * np.pi * 25.0), rel=1e-9)
