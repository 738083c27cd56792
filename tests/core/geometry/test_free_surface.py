"""The free surface against closed forms, Monte Carlo, and properties."""

import numpy as np

from gauge_well.core.errors import CoreError
from gauge_well.core.geometry.frames import apparent_up, engine_to_vehicle, to_engine
from gauge_well.core.geometry.free_surface import Body, check_polygon, prism, surface_height, volume_below
from tests.support import NumbersCase

BOX = prism(np.array([[0.0, 0.0], [0.4, 0.0], [0.4, 0.2], [0.0, 0.2]]), [(0.0, 0.3), (0.4, 0.3)])
L, W, H = 0.4, 0.3, 0.2


def box_volume(n: np.ndarray, d: float) -> float:
    """Closed form of a box under a plane: sum over corners of (-1)^k max(0, d - n.v)^3 / (6 nx ny nz)."""
    total = 0.0
    for i, x in enumerate((0.0, L)):
        for j, y in enumerate((-W / 2, W / 2)):
            for k, z in enumerate((0.0, H)):
                # For a negative component the corner order turns round, which the sign of the product covers.
                total += (-1) ** (i + j + k) * max(0.0, d - n @ np.array([x, y, z])) ** 3
    return float(total / (6.0 * np.prod(n)))


class Volumes(NumbersCase):
    def test_box_against_the_closed_form(self) -> None:
        rng = np.random.default_rng(7)
        for _ in range(60):
            n = rng.normal(size=3)
            n /= np.linalg.norm(n)
            if np.min(np.abs(n)) < 0.05:
                continue
            for share in (0.02, 0.3, 0.5, 0.8, 0.99):
                d = float(surface_height(BOX, n, np.asarray(share * BOX.volume)))
                self.close(box_volume(n, d), share * L * W * H, rel=1e-9)

    def test_box_level_and_leaning_on_one_edge(self) -> None:
        """Level: depth is volume over floor. At 45 degrees with part of the floor dry: a wedge, by hand."""
        self.close(surface_height(BOX, np.array([0.0, 0.0, 1.0]), np.asarray(0.012)), 0.1, abs=1e-12)
        n = np.array([-1.0, 0.0, 1.0]) / np.sqrt(2.0)
        # Oil lies in the far corner: a triangle of legs s, s across the width: V = W s^2 / 2.
        s = 0.1
        d = (-L + s) / np.sqrt(2.0)
        self.close(surface_height(BOX, n, np.asarray(W * s**2 / 2)), d, abs=1e-10)

    def test_all_of_it_and_none(self) -> None:
        for n in (np.array([0.0, 0.0, 1.0]), np.array([0.6, 0.0, 0.8])):
            self.close(volume_below(BOX, n, np.asarray(9.0)), BOX.volume, rel=1e-12)
            self.close(volume_below(BOX, n, np.asarray(-9.0)), 0.0)
        self.close(BOX.volume, L * W * H, rel=1e-12)

    def test_one_tetrahedron(self) -> None:
        """Cut half way up from its corner: one eighth; from its base: seven eighths."""
        body = Body(np.array([[[0.0, 0.0, 0.0], [1.0, 0.0, 0.0], [0.0, 1.0, 0.0], [0.0, 0.0, 1.0]]]))
        self.close(body.volume, 1 / 6)
        self.close(volume_below(body, np.array([0.0, 0.0, 1.0]), np.asarray(0.5)), 7 / 48, rel=1e-12)
        self.close(volume_below(body, np.array([0.0, 0.0, -1.0]), np.asarray(-0.5)), 1 / 48, rel=1e-12)


class Shapes(NumbersCase):
    def outline(self, rng: np.random.Generator, corners: int) -> np.ndarray:
        """A star-shaped outline: simple, not convex."""
        angle = np.sort(rng.uniform(0.0, 2 * np.pi, corners)) + np.linspace(0, 1e-6, corners)
        radius = rng.uniform(0.05, 0.2, corners)
        return np.column_stack([0.3 + radius * np.cos(angle), radius * np.sin(angle)])

    def test_against_monte_carlo(self) -> None:
        """Random outlines, widths that change along them, any lie: a million points, to four sigmas."""
        rng = np.random.default_rng(11)
        for _ in range(4):
            points = self.outline(rng, 9)
            stations = [(0.1, 0.2), (0.28, 0.34), (0.5, 0.12)]
            body = prism(points, stations)
            n = rng.normal(size=3)
            n /= np.linalg.norm(n)
            d = float(surface_height(body, n, np.asarray(0.45 * body.volume)))
            low, high = points.min(axis=0), points.max(axis=0)
            count = 1_000_000
            x = rng.uniform(low[0], high[0], count)
            z = rng.uniform(low[1], high[1], count)
            y = rng.uniform(-0.17, 0.17, count)
            inside = np.zeros(count, dtype=bool)
            for p, q in zip(points, np.roll(points, -1, axis=0), strict=True):
                crosses = (p[1] > z) != (q[1] > z)
                with np.errstate(divide="ignore", invalid="ignore"):
                    inside ^= crosses & (x < p[0] + (z - p[1]) / (q[1] - p[1]) * (q[0] - p[0]))
            inside &= np.abs(y) <= 0.5 * np.interp(x, [s[0] for s in stations], [s[1] for s in stations])
            whole = 0.34 * float(np.prod(high - low))
            for hits, expected in (
                (inside, body.volume),
                (inside & (n[0] * x + n[1] * y + n[2] * z <= d), 0.45 * body.volume),
            ):
                share = float(hits.mean())
                sigma = np.sqrt(share * (1 - share) / count) * whole
                self.close(share * whole, expected, abs=4 * sigma)

    def test_volume_is_kept_whichever_way_it_leans(self) -> None:
        """To 1e-9 of it, over directions all round, a quarter turn of yaw among them."""
        body = prism(
            np.array([[0, 0], [0, -0.09], [0.22, -0.09], [0.22, 0], [0.52, 0], [0.52, 0.13], [0, 0.13]]),
            [(0, 0.2), (0.3, 0.27), (0.52, 0.24)],
        )
        volume = np.array([2e-3, 5.5e-3, 9e-3])[:, None]
        angle = np.linspace(0.0, 2 * np.pi, 48, endpoint=False)
        for yaw in (0.0, np.pi / 2):
            up = to_engine(
                apparent_up(0.9 * np.cos(angle), 0.9 * np.sin(angle), 0.0), engine_to_vehicle(yaw, 0.05, -0.1)
            )
            d = surface_height(body, up, volume)
            self.close(volume_below(body, up, d), np.broadcast_to(volume, d.shape), rel=1e-9)

    def test_named_faults(self) -> None:
        with self.assertRaises(CoreError) as caught:
            check_polygon(np.array([[0, 0], [1, 1], [1, 0], [0, 1.0]]), "oil.pan.outline")
        self.assertEqual((caught.exception.code, caught.exception.field), ("outline_crossed", "oil.pan.outline"))
        with self.assertRaises(CoreError):
            check_polygon(np.array([[0, 0], [1, 1.0]]), "oil.pan.outline")
        check_polygon(np.array([[0, 0], [1, 0], [1, 1], [0, 1.0]]), "oil.pan.outline")


class Frames(NumbersCase):
    def test_braking_and_climbing(self) -> None:
        """Braking at 1 g leans the surface 45 degrees, high at the front; climbing is as pulling away."""
        self.close(apparent_up(-1.0, 0.0, 0.0), np.array([-1.0, 0.0, 1.0]) / np.sqrt(2), abs=1e-12)
        climb = apparent_up(0.0, 0.0, 0.0, 0.2)
        pull = apparent_up(0.2, 0.0, 0.0)
        self.close(climb, pull, abs=1e-12)

    def test_turning_gravity_is_tilting_the_engine(self) -> None:
        """A level machine with the engine's front up is a tilted machine with the engine level."""
        tilt = np.arctan(0.15)
        leaning = to_engine(apparent_up(0.0, 0.0, 0.0), engine_to_vehicle(0.0, tilt, 0.0))
        climbing = to_engine(apparent_up(0.0, 0.0, 0.0, 0.15), engine_to_vehicle(0.0, 0.0, 0.0))
        self.close(leaning, climbing, abs=1e-12)
        heeled = to_engine(apparent_up(0.0, 0.0, 0.0, 0.0, 0.2), engine_to_vehicle(0.0, 0.0, 0.0))
        rolled = to_engine(apparent_up(0.0, 0.0, 0.0), engine_to_vehicle(0.0, 0.0, -0.2))
        self.close(heeled, rolled, abs=1e-12)

    def test_a_transverse_engine_brakes_across_its_pan(self) -> None:
        n = to_engine(apparent_up(-0.6, 0.0, 0.0), engine_to_vehicle(np.pi / 2, 0.0, 0.0))
        self.close(n[0], 0.0, abs=1e-12)
        self.assertGreater(abs(float(n[1])), 0.5)

    def test_rotations_are_orthonormal(self) -> None:
        r = engine_to_vehicle(0.7, -0.2, 0.3)
        self.close(r @ r.T, np.eye(3), abs=1e-12)
        self.close(np.linalg.det(r), 1.0, abs=1e-12)
