"""Shafts that whirl and twist, a flywheel that bursts, a clutch, a half-shaft, gears: each against a second method."""

from unittest import mock

import numpy as np
from scipy.integrate import solve_ivp
from scipy.linalg import eigh_tridiagonal

from gauge_well.core.driveline import clutch, gears, halfshaft, shaft
from gauge_well.core.driveline.gears import Road, Train
from tests.core.systems.driveline.builds import build
from tests.support import NumbersCase, context_of


def whirl_by_differences(length: float, outside: float, inside: float, points: int = 800) -> float:
    """First whirling speed [rev/min] of a beam on two hinges: of those its stiffness is the square of the string's second
    difference, so its frequency is the string's eigenvalue times sqrt(EI / rho A)."""
    h = length / points
    n = points - 1
    low = float(
        eigh_tridiagonal(np.full(n, 2.0 / h**2), np.full(n - 1, -1.0 / h**2), select="i", select_range=(0, 0))[0][0]
    )
    inertia = np.pi / 64.0 * (outside**4 - inside**4)
    area = np.pi / 4.0 * (outside**2 - inside**2)
    return float(low * np.sqrt(207e9 * inertia / (7850.0 * area)) * 30.0 / np.pi)


class Whirling(NumbersCase):
    def test_against_finite_differences(self) -> None:
        for length, outside, wall in ((1.4, 0.0635, 0.0016), (1.7, 0.0762, 0.0021), (0.9, 0.05, 0.025)):
            inside = outside - 2.0 * wall
            self.close(shaft.critical(length, outside, inside), whirl_by_differences(length, outside, inside), rel=1e-4)

    def test_a_longer_one_whirls_sooner_by_the_square(self) -> None:
        self.close(shaft.critical(2.8, 0.07, 0.066) / shaft.critical(1.4, 0.07, 0.066), 0.25, rel=1e-12)


class Twisting(NumbersCase):
    def test_by_hand(self) -> None:
        """1,500 N m on 28 mm: 16 x 1,500 / (pi x 0.028^3) = 348 MPa."""
        self.close(shaft.twisting(1500.0, 0.028), 348e6, rel=2e-3)

    def test_against_the_sum_over_rings(self) -> None:
        """Shear that grows with the radius and adds up to the torque."""
        outer, inner, torque = 0.035, 0.031, 900.0
        r = np.linspace(inner, outer, 20001)
        polar = np.trapezoid(2.0 * np.pi * r**3, r)
        self.close(shaft.twisting(torque, 2.0 * outer, 2.0 * inner), torque * outer / polar, rel=1e-6)


class Bursting(NumbersCase):
    def test_against_the_ring_in_differences(self) -> None:
        """Equilibrium of a turning ring in 2,000 steps, free at both edges: (r s_r)' = s_t - rho w^2 r^2, plane stress."""
        a, b, rho, nu, w = 0.02, 0.145, 7200.0, 0.26, 733.0

        def grows(r: float, y: np.ndarray) -> list[float]:
            # y: radial displacement over modulus, radial stress; hoop follows from both.
            u, radial = y
            hoop = nu * radial + u / r
            return [radial - nu * hoop, (hoop - radial) / r - rho * w**2 * r]

        def edge(u: float) -> tuple[float, float]:
            found = solve_ivp(grows, (a, b), [u, 0.0], rtol=1e-10, atol=1e-3)
            return float(found.y[1, -1]), u / a

        (low, _), (high, _) = edge(0.0), edge(1e6)
        own = -low * 1e6 / (high - low)
        self.close(shaft.rim(2.0 * b, 2.0 * a, w * 30.0 / np.pi, rho, nu), edge(own)[1], rel=1e-4)


class Holding(NumbersCase):
    def test_worn_in_discs(self) -> None:
        """Wear even: pressure goes with 1/r, so a ring of it makes mu F r at the mean radius. 228 mm, 6.5 kN: 371 N m;
        240 mm, 8.5 kN: 510 (common practice)."""
        outer, inner, force, mu = 0.12, 0.08, 8500.0, 0.3
        r = np.linspace(inner, outer, 4001)
        pressure = force / (2.0 * np.pi * (outer - inner)) / r
        torque = 2.0 * mu * np.trapezoid(pressure * 2.0 * np.pi * r * r, r)
        self.close(clutch.holds(2.0, mu, force, 2.0 * outer, 2.0 * inner), torque, rel=1e-6)
        self.close(torque, 510.0, rel=1e-6)


class Travel(NumbersCase):
    def test_against_points_in_space(self) -> None:
        """Inner joint 40 mm up, 20 behind; outer on an arm of 400 whose pivot is 30 over the wheel: by coordinates."""
        swing = halfshaft.Swing(0.12, 0.04, 0.02, 0.62, 0.40, 0.03)
        travel = np.linspace(-0.08, 0.09, 9)
        found = halfshaft.travelled(swing, travel)
        pivot = np.array([0.62 - np.sqrt(0.40**2 - 0.03**2), 0.03])
        for z, length, angle in zip(travel, found.length, found.inner, strict=True):
            outer = np.array([pivot[0] + np.sqrt(0.40**2 - (z - pivot[1]) ** 2), z, 0.0])
            inner = np.array([0.12, 0.04, 0.02])
            way = outer - inner
            self.close(length, np.linalg.norm(way), rel=1e-12)
            self.close(angle, np.arccos(way[0] / np.linalg.norm(way)), rel=1e-9)

    def test_a_wheel_without_an_arm_goes_straight(self) -> None:
        found = halfshaft.travelled(halfshaft.Swing(0.1, 0.0, 0.0, 0.6, np.inf, 0.0), np.array([0.0, 0.1]))
        self.close(found.length, [0.5, np.hypot(0.5, 0.1)], rel=1e-12)


class Gears(NumbersCase):
    TRAIN = Train([3.5, 2.05, 1.4, 1.0, 0.8], 1.0, 3.9, 0.62)
    ROAD = Road(1300.0, 0.65, 0.012, 1.2, 0.87, 1e9)

    def setUp(self) -> None:
        self.context = context_of(build())
        self.engine, self.wanted = self.context.engine, self.context.wanted

    def test_speed_and_revs_by_hand(self) -> None:
        """One turn of a 620 mm tyre, three hundredths less rolling, is 1.889 m: 100 km/h in a gear of 1.0 are
        27.78 / 1.889 x 60 x 3.9 = 3,441 rev/min."""
        self.close(self.TRAIN.per_speed[3] * 100.0 / 3.6, 3441.0, rel=2e-3)

    def test_grade_by_hand(self) -> None:
        """A force of (0.012 + 0.2) m g at a crawl holds a grade of a fifth, nearly: sines and cosines counted."""
        angle = np.arctan(0.2)
        force = 1300.0 * 9.80665 * (np.sin(angle) + 0.012 * np.cos(angle))
        self.close(gears.grade_of(force, self.ROAD, 0.0), 0.2, rel=1e-9)

    def test_time_against_an_integrator(self) -> None:
        """m' dv/dt = F - R in one gear from 15 to 35 m/s, by an adaptive Runge-Kutta."""
        one = Train([1.4], 1.0, 3.9, 0.62)
        mass = 1300.0 * (1.04 + 0.0025 * (1.4 * 3.9) ** 2)

        def grows(t: float, v: np.ndarray) -> np.ndarray:
            pull = gears.pull(self.engine, self.wanted, one, self.ROAD, v)[0]
            return np.asarray((pull - self.ROAD.resists(v)) / mass)

        def there(t: float, v: np.ndarray) -> float:
            return float(v[0]) - 35.0

        there.terminal = True  # type: ignore[attr-defined]
        found = solve_ivp(grows, (0.0, 200.0), [15.0], events=there, rtol=1e-8)
        own = gears.seconds(self.engine, self.wanted, one, self.ROAD, 15.0, 35.0, 0.5, [0])
        assert own is not None
        self.close(own, found.t_events[0][0], rel=2e-3)

    def test_a_change_of_gear_takes_its_time(self) -> None:
        quick, slow = (gears.seconds(self.engine, self.wanted, self.TRAIN, self.ROAD, 0.0, 27.8, s) for s in (0.0, 0.5))
        assert quick is not None and slow is not None
        changes = (slow - quick) / 0.5
        self.close(changes, round(changes), abs=1e-9)
        self.assertGreaterEqual(changes, 1.0)

    def test_what_it_never_reaches(self) -> None:
        self.assertIsNone(gears.seconds(self.engine, self.wanted, self.TRAIN, self.ROAD, 20.0, 100.0, 0.5))

    def test_a_gear_is_left_where_the_next_pulls_as_hard(self) -> None:
        """Torque flat to a point, then falling as 1/n^3: gears of 2 and 1 cross where T(n) = T(n/2)/2."""
        with mock.patch.object(
            gears, "torque", lambda engine, wanted, n: np.minimum(1.0, (4000.0 / np.asarray(n)) ** 3)
        ):
            found = gears.shift_points(self.engine, self.wanted, Train([2.0, 1.0], 1.0, 1.0, 0.6))
        self.close(found[0], 4000.0 * 2.0 ** (1.0 / 3.0), rel=2e-3)
        with mock.patch.object(gears, "torque", lambda engine, wanted, n: np.ones_like(n)):
            self.assertEqual(gears.shift_points(self.engine, self.wanted, Train([2.0, 1.0], 1.0, 1.0, 0.6)), [6500.0])

    def test_tyres_hold_back_the_lowest_gear(self) -> None:
        road = Road(1300.0, 0.65, 0.012, 1.2, 0.87, 5000.0)
        self.assertEqual(float(gears.pull(self.engine, self.wanted, self.TRAIN, road, np.array([8.0]))[0, 0]), 5000.0)
