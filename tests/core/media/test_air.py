"""Air against the standard atmosphere and handbook tables."""

from CoolProp.CoolProp import PropsSI

from gauge_well.core.media import air
from tests.support import NumbersCase, table


class Air(NumbersCase):
    def test_pressure_over_altitude(self) -> None:
        for row in table("isa.csv"):
            self.close(air.pressure_isa(row["altitude"]), row["pressure"], rel=1e-5)

    def test_transport_properties(self) -> None:
        """Handbooks differ among themselves by 1.5 % at 600 K."""
        for row in table("air_incropera_a4.csv"):
            self.close(air.viscosity(row["temperature"]), row["viscosity"], rel=0.015)
            self.close(air.conductivity(row["temperature"]), row["conductivity"], rel=0.02)

    def test_heat_capacity_is_within_its_claim(self) -> None:
        for t in (250.0, 300.0, 350.0, 400.0):
            self.close(air.CP_AIR, PropsSI("C", "T", t, "P", 101325.0, "Air"), rel=0.01)

    def test_density(self) -> None:
        for t, p in ((288.15, 101325.0), (311.15, 80000.0), (350.0, 101325.0)):
            self.close(air.density(t, p), PropsSI("D", "T", t, "P", p, "Air"), rel=1e-3)
