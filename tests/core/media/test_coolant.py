"""Glycol and water against a property library, and boiling against steam tables and the trade."""

import numpy as np
from CoolProp.CoolProp import PropsSI

from gauge_well.core.media import coolant
from tests.support import NumbersCase, table

SHARES = (0.0, 0.15, 0.329, 0.527, 0.6)
LIBRARY = {"density": "D", "heat_capacity": "C", "conductivity": "L", "viscosity": "V"}


def library(name: str, celsius: float, share: float) -> float:
    """Property of the mix (the library's incompressible fits after Melinder) or of water."""
    fluid = f"INCOMP::MEG[{share}]" if share > 0 else "Water"
    return float(PropsSI(LIBRARY[name], "T", celsius + 273.15, "P", 5e5, fluid))


class Properties(NumbersCase):
    def test_against_the_library(self) -> None:
        """2 % between the table's points; viscosity 4 %, since it bends most."""
        for share in SHARES:
            for celsius in (22.0, 45.0, 60.0, 83.0, 97.0):
                found = coolant.properties(celsius + 273.15, share)
                for name in LIBRARY:
                    with self.subTest(name=name, share=share, celsius=celsius):
                        rel = 0.04 if name == "viscosity" else 0.02
                        self.close(getattr(found, name), library(name, celsius, share), rel=rel)

    def test_cold(self) -> None:
        """Down to -20 degC where the mix is not frozen: viscosity to 5 %, the rest to 2 %."""
        for share, coldest in ((0.2, -5.0), (0.3, -12.0), (0.4, -19.0), (0.527, -19.0), (0.6, -19.0)):
            for celsius in (coldest, 0.5 * coldest, 5.0, 15.0):
                found = coolant.properties(celsius + 273.15, share)
                for name in LIBRARY:
                    with self.subTest(name=name, share=share, celsius=celsius):
                        rel = 0.05 if name == "viscosity" else 0.02
                        self.close(getattr(found, name), library(name, celsius, share), rel=rel)

    def test_freezing_points(self) -> None:
        """Half by volume about -37 degC, a third -18, water 0 (handbooks; 4 K), and the library's own."""
        for volume, celsius in ((0.0, 0.0), (0.2, -8.5), (0.33, -18.0), (0.4, -25.0), (0.5, -37.0)):
            self.close(coolant.freezing_point(coolant.mass_share(volume)) - 273.15, celsius, abs=4.0)
        for share in (0.15, 0.35, 0.55):
            said = PropsSI("T_freeze", "T", 300.0, "P", 1e5, f"INCOMP::MEG[{share}]")
            self.close(coolant.freezing_point(share), said, abs=1.0)

    def test_carried_on_above_where_tables_stop(self) -> None:
        """Water has properties above 100 degC: the carried-on slopes stay near them at 125 degC."""
        found = coolant.properties(398.15, 0.0)
        self.close(found.density, library("density", 125.0, 0.0), rel=0.01)
        self.close(found.heat_capacity, library("heat_capacity", 125.0, 0.0), rel=0.015)
        self.close(found.viscosity, library("viscosity", 125.0, 0.0), rel=0.06)

    def test_clamped_and_finite(self) -> None:
        found = coolant.properties(np.array([100.0, 253.15, 420.0, 2000.0]), 0.5)
        self.assertTrue(np.all(np.isfinite(found.viscosity)))
        self.close(found.density[0], found.density[1], abs=1e-9)
        self.close(found.density[2], found.density[3], abs=1e-9)

    def test_half_by_volume_is_527_by_mass(self) -> None:
        self.close(coolant.mass_share(0.5), 0.527, abs=5e-4)
        self.close(coolant.mass_share(np.array([0.0, 1.0])), [0.0, 1.0])


class Boiling(NumbersCase):
    def test_water_against_steam_tables(self) -> None:
        for row in table("water_saturation.csv"):
            self.close(coolant.saturation_pressure_water(row["temperature"]), row["pressure"], rel=1e-3)

    def test_water_against_the_library(self) -> None:
        for t in np.linspace(280.0, 450.0, 12):
            self.close(coolant.saturation_pressure_water(t), PropsSI("P", "T", t, "Q", 0, "Water"), rel=2e-4)

    def test_glycol_boils_at_197_degrees(self) -> None:
        """Normal boiling point of ethylene glycol 197.3 degC (handbooks of chemistry); Antoine to 1 %."""
        self.close(coolant.saturation_pressure_glycol(470.45), 101325.0, rel=0.01)

    def test_half_and_half(self) -> None:
        """Common practice: 108 degC open at sea level, about 130 under a 103 kPa cap."""
        share = coolant.mass_share(0.5)
        self.close(coolant.boiling_point(101325.0, share) - 273.15, 108.0, abs=1.5)
        self.close(coolant.boiling_point(101325.0 + 103e3, share) - 273.15, 130.0, abs=1.5)

    def test_inverse_of_the_vapour_pressure(self) -> None:
        p = np.geomspace(2e4, 6e5, 25)[:, None]
        share = np.array([0.0, 0.2, 0.527, 0.6])
        t = coolant.boiling_point(p, share)
        self.close(coolant.vapour_pressure(t, share), np.broadcast_to(p, t.shape), rel=1e-7)

    def test_rises_with_pressure_and_glycol(self) -> None:
        self.rising(coolant.boiling_point(np.array([6e4, 1e5, 2e5]), 0.5))
        self.rising(coolant.boiling_point(1e5, np.array([0.0, 0.3, 0.6])))
