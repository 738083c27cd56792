"""Convex solids against a general collision library, against the hull of their differences, and by hand."""

import itertools
import unittest

import fcl
import numpy as np
from scipy.spatial import ConvexHull
from scipy.spatial.transform import Rotation

from gauge_well.core.geometry import gjk
from gauge_well.core.geometry.convex import Convex, ball, box, capsule, cylinder, hull_of, near, padded, prism, ring
from gauge_well.core.geometry.separating import bound, depth, parting, stacked
from gauge_well.core.geometry.shifted import shifts_of
from tests.support import NumbersCase

MANY = 600


def turned(rng: np.random.Generator) -> np.ndarray:
    return Rotation.random(random_state=int(rng.integers(1 << 30))).as_matrix()


def boxes(rng: np.random.Generator) -> tuple[list[Convex], list[fcl.CollisionObject]]:
    """Boxes of some tenths of a metre, anyhow turned, and the same as the library's."""
    own, others = [], []
    for _ in range(MANY):
        low, high = -rng.uniform(0.02, 0.4, 3), rng.uniform(0.02, 0.4, 3)
        turn, at = turned(rng), rng.uniform(-0.8, 0.8, 3)
        own.append(box(low, high).moved(turn, at))
        placed = fcl.Transform(turn, at + turn @ (0.5 * (low + high)))
        others.append(fcl.CollisionObject(fcl.Box(*(high - low)), placed))
    return own, others


def differences(a: Convex, b: Convex) -> float:
    """Nought's place to the hull of {b - a}: below nought by how deep they are in each other, above it at most how far apart."""
    return float(ConvexHull((b.points[:, None] - a.points[None]).reshape(-1, 3)).equations[:, 3].max())


class Distance(NumbersCase):
    def test_boxes_against_a_collision_library(self) -> None:
        """To 2e-13 m where they are apart (its solver set to full precision), and the same ones meet."""
        rng = np.random.default_rng(1)
        (a, other_a), (b, other_b) = boxes(rng), boxes(rng)
        found = gjk.distance(padded(a)[0], padded(b)[0])
        asked = fcl.DistanceRequest(gjk_solver_type=fcl.GJKSolverType.GST_INDEP)
        want = np.array(
            [fcl.distance(p, q, asked, fcl.DistanceResult()) for p, q in zip(other_a, other_b, strict=True)]
        )
        apart = want > 0.0
        self.assertGreater(int(apart.sum()), MANY // 2)
        self.assertGreater(int((~apart).sum()), MANY // 20)
        self.close(found.distance[apart], want[apart], abs=2e-13)
        self.assertTrue(bool(np.array_equal(found.distance > 0.0, apart)))

    def test_capsule_and_box_against_a_collision_library(self) -> None:
        """Within 0.1 mm, nineteen of twenty within 0.01 mm: for round things its own search ends at about that."""
        rng = np.random.default_rng(2)
        a, other = boxes(rng)
        bars, theirs = [], []
        for _ in range(MANY):
            radius, long = rng.uniform(0.01, 0.1), rng.uniform(0.05, 0.5)
            turn, at = turned(rng), rng.uniform(-1.2, 1.2, 3)
            ends = turn @ np.array([0.0, 0.0, 0.5 * long])
            bars.append(capsule(at - ends, at + ends, radius))
            theirs.append(fcl.CollisionObject(fcl.Capsule(radius, long), fcl.Transform(turn, at)))
        points, radii = padded(bars)
        found = gjk.distance(padded(a)[0], points).distance - radii
        asked = fcl.DistanceRequest()
        want = np.array([fcl.distance(p, q, asked, fcl.DistanceResult()) for p, q in zip(other, theirs, strict=True)])
        apart = (want > 1e-4) & (found > 0.0)
        self.assertGreater(int(apart.sum()), MANY // 2)
        off = np.abs(found - want)[apart]
        self.between(off, 0.0, 1e-4)
        self.between(np.quantile(off, 0.95), 0.0, 1e-5)

    def test_nearest_points_lie_on_both_and_are_so_far_apart(self) -> None:
        rng = np.random.default_rng(3)
        a = [cylinder(*rng.uniform(-0.5, 0.5, (2, 3)), 0.05, 0.03) for _ in range(200)]
        b = [cylinder(*rng.uniform(-0.5, 0.5, (2, 3)), 0.08) for _ in range(200)]
        found = gjk.distance(padded(a)[0], padded(b)[0])
        for k in np.flatnonzero(found.distance > 0.0):
            u = found.direction[k]
            self.close(np.linalg.norm(found.second[k] - found.first[k]), found.distance[k], abs=1e-12)
            # A plane square to the way parts them by just that: no two points are nearer.
            self.close((b[k].points @ u).min() - (a[k].points @ u).max(), found.distance[k], abs=1e-10)
            self.assertLessEqual(differences(a[k], b[k]), found.distance[k] + 1e-12)

    def test_by_hand(self) -> None:
        """Corner to corner the diagonal, edge to edge, touching, a point; either way about."""
        unit = box((0, 0, 0), (1, 1, 1))
        others = [
            box((2, 2, 2), (3, 3, 3)),
            box((2, 2, 0), (3, 3, 1)),
            box((1, 0, 0), (2, 1, 1)),
            capsule((0.5, 0.5, 3), (0.5, 0.5, 3), 0.5),
        ]
        want = [np.sqrt(3.0), np.sqrt(2.0), 0.0, 2.0]
        points, _ = padded(others)
        own = np.repeat(unit.points[None], 4, axis=0)
        self.close(gjk.distance(own, points).distance, want, abs=1e-12)
        self.close(gjk.distance(points, own).distance, want, abs=1e-12)


class Depth(NumbersCase):
    def test_against_the_hull_of_differences(self) -> None:
        """Boxes and sixteen-sided cylinders that meet: the least overlap over separating axes, to 1e-12 m."""
        rng = np.random.default_rng(4)
        met = 0
        for _ in range(400):
            a = box(-rng.uniform(0.05, 0.3, 3), rng.uniform(0.05, 0.3, 3)).moved(turned(rng), rng.uniform(-0.2, 0.2, 3))
            b = cylinder(*rng.uniform(-0.4, 0.4, (2, 3)), 0.1)
            want = differences(a, b)
            if want < 0.0:
                met += 1
                found, way = depth(a, b)
                self.close(found, -want, abs=1e-12)
                # Moved so far the way it says, they just touch.
                after = b.shifted(way * (found + 1e-9))
                self.assertGreater(float(gjk.distance(a.points[None], after.points[None]).distance[0]), 0.0)
        self.assertGreater(met, 100)

    def test_a_bar_in_a_box(self) -> None:
        """By hand: a bar of radius 0.1 whose axis lies 0.2 under a box's top must rise 0.3."""
        found, way = depth(capsule((0.2, 0.5, 0.8), (0.8, 0.5, 0.8), 0.1), box((0, 0, 0), (1, 1, 1)))
        self.close(found, 0.3, abs=1e-12)
        self.close(way, [0.0, 0.0, -1.0], abs=1e-12)


class Bounds(NumbersCase):
    def test_a_bound_is_never_above_the_truth(self) -> None:
        """And just the truth along the direction of the nearest points."""
        rng = np.random.default_rng(5)
        (a, _), (b, _) = boxes(rng), boxes(rng)
        first, second = padded(a)[0], padded(b)[0]
        found = gjk.distance(first, second)
        apart = found.distance > 0.0
        ways = stacked([parting(p, q) for p, q in zip(a, b, strict=True)])
        both = np.concatenate([ways, -ways], axis=1)
        self.assertTrue(bool(np.all(bound(first, second, both)[apart] <= found.distance[apart] + 1e-12)))
        own = np.concatenate([both, found.direction[:, None]], axis=1)
        self.close(bound(first, second, own)[apart], found.distance[apart], abs=1e-12)

    def test_shifts_by_their_differences(self) -> None:
        """Over 300 shifts: never above the exact gap, and just it where they meet or face each other."""
        rng = np.random.default_rng(6)
        for _ in range(12):
            a = box((-0.2, -0.1, -0.1), (0.2, 0.1, 0.1)).moved(turned(rng), np.zeros(3))
            b = cylinder((0.5, 0.1, 0.0), (0.9, -0.1, 0.3), 0.1)
            moves = rng.uniform(-0.6, 0.6, (300, 3))
            found = shifts_of(a, b).gaps(moves)
            first = np.stack([a.points + m for m in moves])
            want = gjk.distance(first, np.repeat(b.points[None], len(moves), axis=0)).distance
            for k in np.flatnonzero(want == 0.0):
                self.close(found[k], -depth(a.shifted(moves[k]), b)[0], abs=1e-9)
            apart = want > 0.0
            self.assertTrue(bool(np.all(found[apart] <= want[apart] + 1e-9)))


class Solids(NumbersCase):
    def test_a_cylinder_is_never_thin(self) -> None:
        """A sixteen-sided prism round it: 2 % fat at its corners, and the circle within."""
        corners = ring(0.1)
        self.between(np.linalg.norm(corners, axis=1), 0.1, 0.102)
        angle = np.linspace(0.0, 2.0 * np.pi, 999)
        circle = 0.1 * np.column_stack([np.cos(angle), np.sin(angle)])
        inside = ConvexHull(corners).equations
        self.assertLessEqual(float((circle @ inside[:, :2].T + inside[:, 2]).max()), 1e-12)

    def test_a_ball_is_held(self) -> None:
        rng = np.random.default_rng(7)
        ways = rng.standard_normal((2000, 3))
        ways /= np.linalg.norm(ways, axis=1, keepdims=True)
        self.assertGreaterEqual(float((ball(1.0) @ ways.T).max(axis=0).min()), 1.0)
        self.assertLess(float(np.linalg.norm(ball(1.0), axis=1).max()), 1.13)

    def test_faces_and_edges(self) -> None:
        """A box has three of each, whichever way it is turned; a bar no face and one edge; growing turns none."""
        turn = turned(np.random.default_rng(8))
        solid = box((0, 0, 0), (1, 2, 3))
        self.assertEqual((len(solid.normals), len(solid.edges)), (3, 3))
        moved = solid.moved(1.01 * turn, np.ones(3))
        self.close(np.linalg.norm(moved.normals, axis=1), np.ones(3), abs=1e-12)
        want = {tuple(np.round(np.abs(turn @ n), 9)) for n in np.eye(3)}
        self.assertEqual({tuple(np.round(np.abs(n), 9)) for n in moved.normals}, want)
        bar = capsule((0, 0, 0), (1, 0, 0), 0.1)
        self.assertEqual((len(bar.normals), len(bar.edges)), (0, 1))
        self.assertEqual(len(prism(ring(0.2), 0.0, 1.0).edges), 8 + 1)

    def test_what_is_flat_is_no_solid(self) -> None:
        flat = np.array([(x, y, 0.0) for x, y in itertools.product((0.0, 1.0), repeat=2)])
        with self.assertRaises(ValueError):
            hull_of(flat)
        with self.assertRaises(ValueError):
            hull_of(flat[:3])

    def test_boxes_that_come_near(self) -> None:
        low, high = np.zeros((1, 3)), np.ones((1, 3))
        others = np.array([[1.05, 0.0, 0.0], [1.05, 1.05, 0.0], [0.5, 0.5, 0.5]])
        found = near(low, high, others, others + 1.0, 0.06)
        self.assertEqual(found.tolist(), [[True, False, True]])

    def test_a_straight_way_is_the_hull_of_both_ends(self) -> None:
        swept = box((0, 0, 0), (1, 1, 1)).swept(np.array([3.0, 0.0, 0.0]))
        self.close(ConvexHull(swept.points).volume, 4.0, abs=1e-12)


if __name__ == "__main__":
    unittest.main()
