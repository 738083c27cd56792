"""Axles, springs, slings and hoists by hand."""

import unittest

import numpy as np

from gauge_well.core.statics import axles, sling, weighing
from tests.support import NumbersCase

G = 9.80665


class Axles(NumbersCase):
    def test_on_the_front(self) -> None:
        """100 kg a fifth of the way back: four fifths in front; ahead of the axle more than all of it; behind the rear one
        it lifts the front."""
        self.close(axles.on_front(100.0, 0.5, 2.5), 80.0, rel=1e-12)
        self.close(axles.on_front(100.0, -0.5, 2.5), 120.0, rel=1e-12)
        self.close(axles.on_front(100.0, 3.0, 2.5), -20.0, rel=1e-12)

    def test_sinks(self) -> None:
        """40 kg more on two springs of 20 N/mm: a centimetre."""
        self.close(axles.sinks(40.0, 20e3), 40.0 * G / 40e3, rel=1e-12)

    def test_the_same_frequency(self) -> None:
        """Sprung mass over rate stays the same, and with it ``sqrt(k / m) / 2 pi``."""
        new = axles.same_frequency(22e3, 660.0, 730.0, 80.0)
        before, after = (np.sqrt(2.0 * k / m) for k, m in ((22e3, 580.0), (new, 650.0)))
        self.close(after, before, rel=1e-12)

    def test_inside(self) -> None:
        shape = np.array([[0.3, 300.0], [0.3, 500.0], [0.4, 560.0], [0.5, 560.0], [0.5, 300.0]])
        for x, y, want in (
            (0.4, 400.0, True),
            (0.3, 400.0, True),
            (0.35, 530.0, True),
            (0.33, 540.0, False),
            (0.51, 400.0, False),
            (0.4, 299.0, False),
            (0.5, 560.0, True),
        ):
            self.assertEqual(axles.inside(shape, x, y), want, f"{x} {y}")


class Weighing(NumbersCase):
    def test_on_a_beam(self) -> None:
        """90 and 60 kg, 1.5 m apart: 150 kg, two fifths of the way from the first."""
        mass, at = weighing.on_beam(90.0, 60.0, 1.5)
        self.close([mass, at], [150.0, 0.6], rel=1e-12)

    def test_height_by_turning_it(self) -> None:
        """A mass over the axles' line turned with the wheelbase: the moments about the rear axle, worked anew."""
        mass, base, front, radius, high = 1200.0, 2.6, 640.0, 0.31, 0.56
        behind = base * (1.0 - front / mass)
        for by in (0.2, 0.6, 1.1):
            t = np.arcsin(by / base)
            # Rear raised: what stands over the line of the hubs swings ahead.
            from_rear = (base - behind) * np.cos(t) + (high - radius) * np.sin(t)
            raised = mass * from_rear / (base * np.cos(t))
            self.close(weighing.height_raised(front, raised, mass, base, by, radius), high, rel=1e-9)


class Slings(NumbersCase):
    def test_even_legs(self) -> None:
        """Two legs carry half each over the cosine: 1.04 at 15, 1.15 at 30, 1.41 at 45, 2.0 at 60 degrees (common practice)."""
        for angle, times in ((0.1, 1.0), (15.0, 1.035), (30.0, 1.155), (45.0, 1.414), (60.0, 2.0)):
            a = np.radians(angle)
            for pull in sling.legs(200.0, a, a):
                self.close(pull, 100.0 * G * times, rel=1e-3)

    def test_uneven_legs_balance(self) -> None:
        a, b = np.radians(20.0), np.radians(50.0)
        front, rear = sling.legs(300.0, a, b)
        self.close(front * np.sin(a), rear * np.sin(b), rel=1e-12)
        self.close(front * np.cos(a) + rear * np.cos(b), 300.0 * G, rel=1e-12)

    def test_a_hook_beside_both_eyes_holds_nothing(self) -> None:
        for a, b in ((-0.2, 0.5), (0.5, -0.2), (0.0, 0.0)):
            self.assertTrue(all(np.isinf(pull) for pull in sling.legs(200.0, a, b)))

    def test_hangs(self) -> None:
        """Turned by so much about the hook the balance point hangs plumb under it."""
        aside, over = 0.06, 0.85
        tilt = float(sling.hangs(aside, over))
        self.close(np.degrees(tilt), 4.04, abs=0.01)
        # From the hook to the balance point: back by ``aside``, down by ``over``; front up.
        turn = np.array([[np.cos(tilt), -np.sin(tilt)], [np.sin(tilt), np.cos(tilt)]])
        self.close((turn @ [-aside, -over])[0], 0.0, abs=1e-12)

    def test_a_plate_is_read_at_the_farther_hole(self) -> None:
        plate = ((0.9, 1000.0), (1.3, 500.0), (1.1, 750.0))
        for reach, want in ((0.5, 1000.0), (0.9, 1000.0), (0.95, 750.0), (1.3, 500.0)):
            self.assertEqual(sling.allowed(plate, reach), want)
        self.assertIsNone(sling.allowed(plate, 1.31))


if __name__ == "__main__":
    unittest.main()
