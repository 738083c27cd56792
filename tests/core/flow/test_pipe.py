"""Pipe friction and orifices against a general fluids library and hand-worked limits."""

import fluids
import numpy as np

from gauge_well.core.flow import pipe
from tests.support import NumbersCase


class Friction(NumbersCase):
    def test_against_the_library(self) -> None:
        for re in (10.0, 900.0, 2500.0, 4e3, 3e4, 1e6):
            for rough in (0.0, 1e-4, 0.02):
                expected = fluids.friction.Churchill_1977(re, rough)
                self.close(pipe.friction_factor_churchill(re, rough), expected, rel=1e-9)

    def test_laminar_is_64_over_re(self) -> None:
        re = np.array([1.0, 50.0, 1000.0])
        self.close(pipe.friction_factor_churchill(re, 1e-4), 64.0 / re, rel=1e-3)

    def test_turbulent_against_colebrook(self) -> None:
        """Churchill's form stays within 4 % of Colebrook's, which the library solves."""
        for re in (1e4, 1e5, 1e6):
            colebrook = fluids.friction_factor(Re=re, eD=1e-4, Method="Colebrook")
            self.close(pipe.friction_factor_churchill(re, 1e-4), colebrook, rel=0.04)


class Drain(NumbersCase):
    def test_its_fall_is_the_laminar_drop(self) -> None:
        """The flow let down loses, by the library's Hagen-Poiseuille, what the fall gives."""
        bore, slope, nu, rho, length = 0.012, np.radians(25.0), 1.2e-5, 840.0, 0.4
        q = float(pipe.gravity_flow(bore, slope, nu))
        speed = q / (np.pi / 4 * bore**2)
        re = speed * bore / nu
        lost = fluids.friction_laminar(re) * length / bore * rho * speed**2 / 2
        self.close(lost, rho * 9.80665 * length * np.sin(slope), rel=1e-6)


class Drop(NumbersCase):
    def test_against_the_library(self) -> None:
        q, bore, length, rho, nu = 3e-5, 6e-3, 4.0, 745.0, 0.6e-6
        speed = q / (np.pi / 4 * bore**2)
        expected = fluids.one_phase_dP(
            m=q * rho, rho=rho, mu=nu * rho, D=bore, roughness=1.5e-6, L=length, Method="Churchill_1977"
        )
        fittings = fluids.dP_from_K(5.0, rho, speed)
        self.close(pipe.pressure_drop(q, bore, length, rho, nu), expected, rel=1e-6)
        self.close(pipe.pressure_drop(q, bore, length, rho, nu, 5.0), expected + fittings, rel=1e-6)

    def test_hagen_poiseuille(self) -> None:
        """Laminar: 128 mu L Q / (pi D^4), by hand: diesel at 20 degC, 8 mm, 2 m, 40 L/h."""
        q, nu, rho = 40e-3 / 3600, 3.5e-6, 835.0
        expected = 128 * nu * rho * 2.0 * q / (np.pi * 8e-3**4)
        self.close(pipe.pressure_drop(q, 8e-3, 2.0, rho, nu), expected, rel=1e-3)

    def test_either_way(self) -> None:
        args = (6e-3, 4.0, 745.0, 0.6e-6, 5.0)
        self.close(pipe.pressure_drop(-2e-5, *args), -pipe.pressure_drop(2e-5, *args), rel=1e-12)
        self.close(pipe.pressure_drop(0.0, *args), 0.0, abs=1e-12)


class Orifice(NumbersCase):
    def test_against_the_library(self) -> None:
        """Liquid through a small hole in a large plate: the library's plate at beta 0.1, coefficient 0.62."""
        bore, dp, rho = 3e-3, 20e3, 998.0
        area = np.pi / 4 * bore**2
        expected = (
            fluids.flow_meter.flow_meter_discharge(D=0.03, Do=bore, P1=121325.0, P2=101325.0, rho=rho, C=0.62) / rho
        )
        self.close(pipe.orifice_flow(dp, area, rho), expected, rel=1e-3)

    def test_by_hand(self) -> None:
        """0.62 * 7.07 mm2 * sqrt(2 * 20 kPa / 998): 27.7 mL/s."""
        self.close(pipe.orifice_flow(20e3, 7.0686e-6, 998.0), 27.74e-6, rel=1e-3)
        self.close(pipe.orifice_flow(-20e3, 7.0686e-6, 998.0), -27.74e-6, rel=1e-3)
