"""Sections, welds, fatigue, bolts, sheet: against handbook cases and sums over strips."""

import unittest

import numpy as np

from gauge_well.core.strength import bolt, section, sheet, weld
from tests.support import NumbersCase

MPA = 1e6


def second_moment(width_at: object, low: float, high: float) -> tuple[float, float]:
    """Area moment about its own centre line, and the farthest edge, by strips of a section ``width_at(y)``."""
    edges = np.linspace(low, high, 40001)
    y, dy = 0.5 * (edges[1:] + edges[:-1]), edges[1] - edges[0]
    area = np.array([width_at(v) for v in y]) * dy  # type: ignore[operator]
    middle = (area * y).sum() / area.sum()
    return float((area * (y - middle) ** 2).sum()), max(high - middle, middle - low)


class Sections(NumbersCase):
    def test_bending_by_strips(self) -> None:
        d, w = 0.040, 0.003

        def tube(y: float) -> float:
            return 2.0 * float(np.sqrt(max(0.25 * d**2 - y**2, 0.0)) - np.sqrt(max((0.5 * d - w) ** 2 - y**2, 0.0)))

        for found, (i, c) in (
            (section.plate(0.060, 0.006), second_moment(lambda y: 0.060, 0.0, 0.006)),
            (section.plate(0.006, 0.060), second_moment(lambda y: 0.006, 0.0, 0.060)),
            (section.tube(d, w), second_moment(tube, -0.5 * d, 0.5 * d)),
            (
                section.box(0.040, 0.050, 0.003),
                second_moment(lambda y: 0.040 if abs(y) > 0.022 else 0.006, -0.025, 0.025),
            ),
            (
                section.gusseted(0.060, 0.006, 0.040, 0.006),
                second_moment(lambda y: 0.060 if y > 0.040 else 0.006, 0.0, 0.046),
            ),
        ):
            self.close(found.modulus, i / c, rel=1e-4)

    def test_twist(self) -> None:
        """A round tube by Bredt against its polar moment, ``T r / J`` at the middle of its wall: within 1 % for a thin one; of
        a strip ``3 T / (b t^2)`` (shigley2004, ch. 4)."""
        d, w = 0.050, 0.002
        j = np.pi / 32.0 * (d**4 - (d - 2 * w) ** 4)
        self.close(section.tube(d, w).twist, 0.5 * (d - w) / j, rel=0.01)
        self.close(section.plate(0.060, 0.006).twist, 3.0 / (0.060 * 0.006**2), rel=1e-12)
        # A closed box twists far less than the same metal laid flat.
        self.assertLess(19.0 * float(section.box(0.04, 0.05, 0.003).twist), float(section.plate(0.174, 0.003).twist))

    def test_together(self) -> None:
        """Without twist or shear it is the bending; shear alone counts root three (von Mises)."""
        whole = section.Section(np.array(1e-6), np.array(1.0), np.array(0.0), np.array(1e9))
        self.close(section.equivalent(whole, 1000.0, 0.1, 0.0), 100 * MPA, rel=1e-6)
        shear = section.Section(np.array(1e9), np.array(1.0), np.array(0.0), np.array(1e-5))
        self.close(section.equivalent(shear, 1000.0, 0.0, 0.0), np.sqrt(3.0) * 100 * MPA, rel=1e-6)


class Welds(NumbersCase):
    def test_lines(self) -> None:
        """The modulus of a line is the sum of its squares over the farthest (blodgett1966, table of welds as lines)."""
        t = np.linspace(0.0, 2.0 * np.pi, 100001)[:-1]
        r = 0.019
        around = (r**2 * np.sin(t) ** 2 * r * (t[1] - t[0])).sum() / r
        self.close(weld.ring(0.038).modulus, around, rel=1e-6)
        b, h = 0.040, 0.050
        sides = 2.0 * (h**3 / 12.0) + 2.0 * b * (0.5 * h) ** 2
        self.close(weld.oblong(b, h).modulus, sides / (0.5 * h), rel=1e-12)

    def test_bending_alone(self) -> None:
        line = weld.oblong(1e-9, 0.100)  # two upright welds
        # 6 M / (2 a l^2) of two welds 100 long, less what shear adds (handbook case).
        found = weld.stress(line, 0.004, 1000.0, 0.5, 0.0)
        bending, shear = 6.0 * 500.0 / (2.0 * 0.004 * 0.1**2), 1000.0 / (2.0 * 0.1 * 0.004)
        self.close(found, np.hypot(bending, shear), rel=1e-6)

    def test_a_class_is_two_million(self) -> None:
        """Swung by its class a detail lasts two million times, by twice as much an eighth of that (hobbacher2016)."""
        self.close(weld.life(36 * MPA, 36 * MPA), 2e6, rel=1e-12)
        self.close(weld.life(36 * MPA, 72 * MPA), 2.5e5, rel=1e-12)

    def test_damage_adds_up(self) -> None:
        """Half a life at one range and half at another is a whole one, and half as much stress half the fill (miner1945)."""
        per_g, klass = 20 * MPA, 36 * MPA
        half = [(0.5 * float(weld.life(klass, 2.0 * g * per_g)), g) for g in (0.5, 1.5)]
        self.close(weld.fatigue_fill(klass, per_g, half), 1.0, rel=1e-12)
        self.close(weld.fatigue_fill(klass, 0.5 * per_g, half), 0.5, rel=1e-12)


class Bolts(NumbersCase):
    def test_preload(self) -> None:
        """Proof loads of 8.8: M8 21.2, M10 33.7, M12 48.9 kN (iso898_1, from memory): seven tenths, within 1 %."""
        for thread, proof in (("m8", 21.2e3), ("m10", 33.7e3), ("m12", 48.9e3)):
            self.close(bolt.preload(thread, "8.8"), 0.7 * proof, rel=0.01)

    def test_torques_of_the_tables(self) -> None:
        """8.8, dry and black: M8 about 24, M10 48, M12 83 N m (common practice); oiled seven tenths."""
        for thread, torque in (("m8", 24.0), ("m10", 48.0), ("m12", 83.0)):
            self.close(bolt.torque(thread, "8.8"), torque, rel=0.05)
        self.close(bolt.torque("m10", "8.8", "oiled") / bolt.torque("m10", "8.8"), 0.7, rel=1e-9)

    def test_slip(self) -> None:
        """Four bolts of 20 kN at .15 hold 12 kN; pulled by 40 half of it; by 80 nothing (shigley2004, ch. 8)."""
        self.close(bolt.slip_fill(6e3, 4.0, 20e3, 0.0, 0.15), 0.5, rel=1e-12)
        self.close(bolt.slip_fill(6e3, 4.0, 20e3, 40e3, 0.15), 1.0, rel=1e-12)
        self.close(bolt.slip_fill(6e3, 4.0, 20e3, 80e3, 0.15), 9.99, abs=1e-12)

    def test_prised(self) -> None:
        """5 kN at 120 mm over two pairs 60 mm apart: 10 kN on the far pair, 5 each."""
        self.close(bolt.prised(5e3, 0.12, 0.06, 4.0), 5e3, rel=1e-12)


class Sheet(NumbersCase):
    def test_ring_plates(self) -> None:
        """``sigma = k P / t^2`` of a plate clamped outside and to a stiff middle (timoshenko1959, table 3, from memory)."""
        for ratio, k in ((1.25, 0.115), (1.5, 0.220), (2.0, 0.405), (3.0, 0.703), (4.0, 0.933), (5.0, 1.13)):
            self.close(sheet.ring_stress(1.0, 1.0, 1.0 / ratio, 1.0), k, rel=0.01)

    def test_goes_with_force_over_thickness_squared(self) -> None:
        one = sheet.ring_stress(1000.0, 0.001, 0.04, 0.12)
        self.close(sheet.ring_stress(3000.0, 0.002, 0.04, 0.12), 0.75 * one, rel=1e-12)

    def test_bearing(self) -> None:
        """8 kN on four M10 in 1 mm sheet: 200 MPa."""
        self.close(sheet.bearing(8e3, 4.0, 0.010, 0.001), 200 * MPA, rel=1e-12)


if __name__ == "__main__":
    unittest.main()
