"""Heights at heel by hand, and what a leaning box holds, by hand cases and random points."""

import numpy as np

from gauge_well.core.geometry.afloat import Position, box, height_over, held_to_lip, positions, up_in
from tests.support import NumbersCase

DEG = np.pi / 180.0


class Heights(NumbersCase):
    def test_by_hand(self) -> None:
        """620 mm up on the middle stands at 580 at 20 degrees of heel and 5 of trim; 35 cm off the centre loses 120 mm at 20."""
        self.close(
            float(height_over(0.0, 0.0, 0.62, Position(20 * DEG, 5 * DEG, ""))),
            0.62 * np.cos(20 * DEG) * np.cos(5 * DEG),
            rel=1e-9,
        )
        level, over = (float(height_over(0.0, -0.35, 0.5, Position(h * DEG, 0.0, ""))) for h in (0, 20))
        self.close(level - over, 0.35 * np.sin(20 * DEG) + 0.5 * (1 - np.cos(20 * DEG)), rel=1e-9)
        self.close(0.35 * np.sin(20 * DEG), 0.120, abs=0.001)

    def test_a_siphon_break(self) -> None:
        """620 mm up, some 30 cm off and 1 m aft: 452 at 20 and 5 degrees at worst, 392 sitting 60 mm deeper (common practice; 25 mm)."""
        worst = [float(height_over(0.85, 0.15, 0.62, p)) for p in positions(20 * DEG, 5 * DEG)]
        self.close(min(worst), 0.452, abs=0.025)
        laden = [float(height_over(0.85, 0.15, 0.62, p, 0.06)) for p in positions(20 * DEG, 5 * DEG)]
        self.close(min(laden), min(worst) - 0.06, rel=1e-9)

    def test_as_a_rotation(self) -> None:
        """The same as the point's part along the upward direction, to 1e-12: two ways to say a height."""
        rng = np.random.default_rng(3)
        for _ in range(20):
            x, y, z = rng.uniform(-1, 1, 3)
            at = Position(rng.uniform(-0.5, 0.5), rng.uniform(-0.2, 0.2), "")
            self.close(float(height_over(x, y, z, at)), float(up_in(at) @ np.array([x, y, z])), abs=1e-12)


class Boxes(NumbersCase):
    def test_whole(self) -> None:
        self.close(box(0.3, 0.4, 0.5).volume, 0.06, rel=1e-12)

    def test_level(self) -> None:
        """.30 x .40 x .30 with its lip at .22: 26.4 L."""
        held = held_to_lip(0.3, 0.4, 0.3, (0.0, 0.0, 0.22), Position(0.0, 0.0, ""))
        self.close(float(held[0]), 0.0264, rel=1e-9)

    def test_leaning(self) -> None:
        """The lip 10 cm off the middle: 22.0 L at 20 degrees, 19.5 at 30 (common practice; 0.1 L)."""
        for heel, litres in ((20, 22.0), (30, 19.5)):
            held = held_to_lip(0.3, 0.4, 0.3, (0.0, -0.1, 0.22), Position(heel * DEG, 0.0, ""))
            self.close(1e3 * float(held[0]), litres, abs=0.1)

    def test_a_wedge_by_hand(self) -> None:
        """Lip in the middle, heeled but no corner reached: the slice tilts about the lip and holds what it did."""
        held = held_to_lip(0.3, 0.4, 0.3, (0.0, 0.0, 0.15), Position(15 * DEG, 0.0, ""))
        self.close(float(held[0]), 0.3 * 0.4 * 0.15, rel=1e-9)

    def test_against_random_points(self) -> None:
        """200,000 points under the level through the lip (1 %)."""
        rng = np.random.default_rng(5)
        for heel, trim in ((20, 5), (-30, 5), (25, -4)):
            at = Position(heel * DEG, trim * DEG, "")
            lip = (0.05, -0.1, 0.22)
            points = rng.uniform([-0.15, -0.2, 0.0], [0.15, 0.2, 0.3], (200_000, 3))
            up = up_in(at)
            share = float(np.mean(points @ up <= up @ np.array(lip)))
            self.close(float(held_to_lip(0.3, 0.4, 0.3, lip, at)[0]), share * 0.3 * 0.4 * 0.3, rel=0.01)

    def test_samples(self) -> None:
        """Many at once as one by one."""
        lips = np.array([0.1, 0.15, 0.22])
        at = Position(np.array([0.1, 0.2, 0.3]), 0.05, "")
        found = held_to_lip(0.3, 0.4, 0.3, (0.0, 0.05, lips), at)
        for i, lip in enumerate(lips):
            one = held_to_lip(0.3, 0.4, 0.3, (0.0, 0.05, lip), Position(float(np.asarray(at.heel)[i]), 0.05, ""))
            self.close(float(found[i]), float(one[0]), rel=1e-12)
