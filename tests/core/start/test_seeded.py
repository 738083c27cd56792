"""200 seeded engines for each fault, at full and half size: the right cause first or second in nine of ten."""

from tests.core.start.seeded import Seeded as _Seeded
from tests.core.start.seeded import searched


class Others(_Seeded):
    def test_low_oil_pressure(self) -> None:
        self.hold("low_oil")

    def test_fuel_pressure_falls(self) -> None:
        self.hold("fuel_falls")

    def test_does_not_crank(self) -> None:
        self.hold("no_crank")

    def test_does_not_charge(self) -> None:
        self.hold("charge")

    def test_a_blocked_core_is_not_seen_idling_and_is_told_to_need_load(self) -> None:
        idle, _ = searched(self.name, "hot_idle", "core", 1.0)
        self.assertGreaterEqual(idle, 0.9)


class Afloat(_Seeded):
    name = "reed-otter"

    def test_steam_in_the_exhaust(self) -> None:
        self.hold("steam")
