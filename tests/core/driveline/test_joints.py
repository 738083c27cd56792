"""Cross joints: the exact relation, pins of crosses, the workshop's series, each against another."""

import numpy as np

from gauge_well.core.driveline import joints
from tests.support import NumbersCase

DEGREE = np.pi / 180.0


def line(*falls: float, left: tuple[float, ...] = ()) -> list[np.ndarray]:
    plans = left or (0.0,) * len(falls)
    return [joints.direction(f * DEGREE, p * DEGREE) for f, p in zip(falls, plans, strict=True)]


def spun(lines: list[np.ndarray], phases: list[float]) -> np.ndarray:
    """Speed out over in through a turn, by differences of the pins' angles."""
    turned = np.linspace(0.0, 2.0 * np.pi, 181)
    step = 1e-5
    a, b = (joints.exact(lines, phases, turned + d) for d in (-step, step))
    return np.asarray(np.angle(np.exp(1j * (b - a))) / (2.0 * step))


class OneJoint(NumbersCase):
    def test_pins_turn_as_the_closed_form(self) -> None:
        """Published (handbooks of universal joints): cos b / (1 - sin2 b cos2 t), its ends 1/cos b and cos b."""
        for bent in (6.0, 20.0, 35.0):
            found = spun(line(0.0, bent), [])
            self.close(found.max(), 1.0 / np.cos(bent * DEGREE), rel=1e-3)
            self.close(found.min(), np.cos(bent * DEGREE), rel=1e-3)
            turned = np.linspace(0.0, 2.0 * np.pi, 181)
            whole = joints.ratio(bent * DEGREE, turned)
            self.close(np.sort(found)[::30], np.sort(whole)[::30], rel=1e-4)

    def test_six_degrees_swing_half_a_percent(self) -> None:
        """Six degrees swing 0.55 % either way (common practice)."""
        self.close(joints.ratio(6.0 * DEGREE, 0.0) - 1.0, 0.0055, rel=0.01)

    def test_a_straight_one_turns_evenly(self) -> None:
        self.close(spun(line(3.0, 3.0), []), 1.0, rel=1e-9)


class Series(NumbersCase):
    def left(self, lines: list[np.ndarray], phases: list[float]) -> float:
        return float(joints.residual(joints.bends(lines), phases))

    def swings(self, lines: list[np.ndarray], phases: list[float]) -> float:
        """The one joint that swings as much, by exact kinematics: (max - min) / 2 is b^2 / 2."""
        found = spun(lines, phases)
        return float(np.sqrt(found.max() - found.min()))

    def test_equal_bends_in_a_plane_cancel(self) -> None:
        for ends in ((0.0, 5.0, 0.0), (0.0, 5.0, 10.0)):
            self.assertLess(self.left(line(*ends), [0.0]), 1e-6)
            self.assertLess(self.swings(line(*ends), [0.0]), 2e-3)

    def test_they_leave_the_root_of_the_squares(self) -> None:
        """5 and 3 degrees leave 4; 3 and 3 with forks 10 degrees out 1.77 (sqrt(2 sin 10) x 3): by hand."""
        self.close(self.left(line(0.0, 5.0, 8.0), [0.0]), 4.0 * DEGREE, rel=1e-3)
        self.close(
            self.left(line(0.0, 3.0, 0.0), [10.0 * DEGREE]),
            3.0 * DEGREE * np.sqrt(2.0 * np.sin(10.0 * DEGREE)),
            rel=1e-3,
        )

    def test_against_the_pins(self) -> None:
        """The series is of small angles: one in a hundred of the exact at these."""
        cases = [
            (line(3.0, 5.0, 2.0), [0.0]),
            (line(2.0, 6.0, 1.0, left=(0.0, 4.0, 0.0)), [0.0]),
            (line(2.0, 6.0, 1.0, left=(0.0, 4.0, 1.0)), [0.3]),
            (line(3.0, 3.8, 5.2, 2.6), [0.0, 0.0]),
            (line(1.0, 4.0, 7.0, 2.0, left=(0.0, 1.0, -2.0, 0.0)), [0.0, 0.5]),
        ]
        for lines, phases in cases:
            self.close(self.left(lines, phases), self.swings(lines, phases), rel=0.02)

    def test_forks_square_to_each_other_add(self) -> None:
        """Forks a quarter turn out double what they should cancel."""
        self.close(self.left(line(0.0, 4.0, 0.0), [0.5 * np.pi]), np.sqrt(2.0) * 4.0 * DEGREE, rel=1e-3)

    def test_side_and_plan_are_one_angle(self) -> None:
        bent = np.abs(joints.bends(line(0.0, 3.0, left=(0.0, 4.0))))[0]
        self.close(bent, 5.0 * DEGREE, rel=3e-3)

    def test_it_is_shaken_by_the_square_of_its_speed(self) -> None:
        """4.0 degrees at 3,000 rev/min: (314.16 x 0.0698)^2 = 481 rad/s2, by hand."""
        self.close(joints.acceleration(4.0 * DEGREE, 3000.0), 481.0, rel=2e-3)
        self.close(joints.acceleration(4.0 * DEGREE, 6000.0), 4.0 * 481.0, rel=2e-3)
