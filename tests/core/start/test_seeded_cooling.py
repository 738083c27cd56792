"""200 seeded engines for each fault of the cooling, at full and half size: the right cause first or second in nine of ten."""

from tests.core.start.seeded import Seeded as _Seeded


class Cooling(_Seeded):
    def test_overheats_at_idle(self) -> None:
        self.hold("hot_idle")
