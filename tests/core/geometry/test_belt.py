"""The belt's way against the hull of discs, finite differences and hand cases; lines at a level."""

import numpy as np
from scipy.spatial import ConvexHull

from gauge_well.core.geometry.belt import clearance, gradient, route
from gauge_well.core.geometry.level import level_lines
from tests.support import NumbersCase


def one(x, y, r, s):  # type: ignore[no-untyped-def]
    return route(*(np.array(v, dtype=float)[:, None] for v in (x, y, r, s)))


# Crank, steering, water pump on its back, alternator, tensioner on its back [m].
MIXED = (
    [0.0, 0.185, 0.015, -0.19, -0.112],
    [0.0, 0.235, 0.175, 0.255, 0.09],
    [0.072, 0.067, 0.064, 0.031, 0.039],
    [1, 1, -1, 1, -1],
)


class Way(NumbersCase):
    def test_two_equal_pulleys(self) -> None:
        """Two of r at a distance d: 2 d + 2 pi r, half a turn each."""
        found = one([0, 0.4], [0, 0], [0.05, 0.05], [1, 1])
        self.close(found.length[0], 0.8 + 0.1 * np.pi, rel=1e-12)
        self.close(found.wraps[:, 0].tolist(), [np.pi, np.pi], rel=1e-12)
        self.assertTrue(found.closes[0])

    def test_all_inside_it_is_the_hull_of_discs(self) -> None:
        chance = np.random.default_rng(5)
        turns = np.linspace(0.0, 2.0 * np.pi, 20001)[:-1]
        for count in (3, 4, 5, 6):
            at = np.arange(count) * 2.0 * np.pi / count
            x, y = 0.3 * np.cos(at), 0.3 * np.sin(at)
            r = chance.uniform(0.02, 0.08, count)
            found = one(x, y, r, np.ones(count))
            rim = np.stack([x[:, None] + r[:, None] * np.cos(turns), y[:, None] + r[:, None] * np.sin(turns)], -1)
            self.assertTrue(found.closes[0])
            self.close(found.length[0], ConvexHull(rim.reshape(-1, 2)).area, rel=1e-6)

    def test_a_tight_string_pulled_straight_is_no_longer(self) -> None:
        """Of a mixed way every span is perpendicular to the radii at its ends, and wraps with their signs make one turn."""
        found = one(*MIXED)
        (ax, ay), (bx, by) = found.leaves, found.meets
        for i in range(5):
            j = (i + 1) % 5
            span = np.array([bx[i, 0] - ax[i, 0], by[i, 0] - ay[i, 0]])
            for k, (px, py) in ((i, (ax, ay)), (j, (bx, by))):
                arm = np.array([px[i, 0] - found.x[k, 0], py[i, 0] - found.y[k, 0]])
                self.close(float(span @ arm), 0.0, abs=1e-15)
                self.close(float(np.hypot(*arm)), found.radius[k, 0], rel=1e-9)
            self.close(float(np.hypot(*span)), found.spans[i, 0], rel=1e-9)
        self.close(float(np.sum(found.sense * found.wraps)), 2.0 * np.pi, rel=1e-9)

    def test_moving_any_pulley_either_way_by_finite_differences(self) -> None:
        right, up = gradient(one(*MIXED))
        step = 1e-6
        for i in range(5):
            for axis, told in ((0, right), (1, up)):
                ends = []
                for by in (step, -step):
                    moved = [list(v) for v in MIXED]
                    moved[axis][i] += by
                    ends.append(one(*moved).length[0])
                self.close((ends[0] - ends[1]) / (2.0 * step), told[i, 0], rel=1e-5, abs=1e-8)
            self.close(np.hypot(right[i, 0], up[i, 0]), 2.0 * np.sin(one(*MIXED).wraps[i, 0] / 2.0), rel=1e-9)

    def test_no_way_through_pulleys_that_touch_or_an_order_turned_round(self) -> None:
        self.assertFalse(one([0, 0.05], [0, 0], [0.1, 0.02], [1, 1]).closes[0])
        self.assertFalse(one([0, 0.1, 0.05], [0, 0, 0.2], [0.06, 0.06, 0.04], [1, -1, 1]).closes[0])
        self.assertFalse(one([0, 0.0, 0.3], [0, 0.3, 0], [0.05, 0.05, 0.05], [1, 1, 1]).closes[0])
        self.assertTrue(one([0, 0.3, 0.0], [0, 0, 0.3], [0.05, 0.05, 0.05], [1, 1, 1]).closes[0])

    def test_a_span_passes_the_third_by_what_is_left(self) -> None:
        """Crank and one straight above it, 50 mm both; a third at 120 mm to the left of the run on that side, 30 mm."""
        found = one([0, 0, -0.2], [0, 0.4, 0.2], [0.05, 0.05, 0.03], [1, 1, 1])
        gap = clearance(found, 0.005)
        self.assertEqual(gap.shape, (3, 3, 1))
        # From crank to the upper one the belt runs straight up at x = 50 mm; the third's rim is 220 mm away, less 5 mm.
        self.close(gap[0, 2, 0], 0.25 - 0.03 - 0.005, rel=1e-9)
        self.assertTrue(np.isinf(gap[0, 0, 0]) and np.isinf(gap[0, 1, 0]))

    def test_many_layouts_at_once_are_each_alone(self) -> None:
        chance = np.random.default_rng(2)
        x, y = (np.repeat(np.array(v, dtype=float)[:, None], 50, axis=1) for v in MIXED[:2])
        x[3] += chance.uniform(-0.05, 0.05, 50)
        y[3] += chance.uniform(-0.05, 0.05, 50)
        r, s = (np.array(v, dtype=float)[:, None] for v in MIXED[2:])
        many = route(x, y, r, s)
        for k in range(50):
            self.close(route(x[:, k : k + 1], y[:, k : k + 1], r, s).length[0], many.length[k], rel=1e-12)


class Level(NumbersCase):
    def test_a_circle(self) -> None:
        """Where x^2 + y^2 is 1, every piece lies on the unit circle within the grid's own curve, all round."""
        x = np.linspace(-1.5, 1.5, 121)
        pieces = np.array(level_lines(x, x, x[None] ** 2 + x[:, None] ** 2, 1.0))
        ends = pieces.reshape(-1, 2)
        self.assertLess(np.abs(np.hypot(*ends.T) - 1.0).max(), 2e-4)
        self.close(np.hypot(*(pieces[:, 2:] - pieces[:, :2]).T).sum(), 2.0 * np.pi, rel=1e-3)

    def test_unknown_corners_have_no_line(self) -> None:
        values = np.array([[0.0, 0.0], [2.0, np.nan]])
        self.assertEqual(len(level_lines(np.array([0.0, 1.0]), np.array([0.0, 1.0]), values, 1.0)), 0)
