"""A body on springs: by moments, by another eigensolver, by a general minimiser, by textbook facts."""

import unittest

import numpy as np
from scipy.linalg import eig
from scipy.optimize import minimize

from gauge_well.core.elastic.modes import modes, transmissibility
from gauge_well.core.elastic.mounted import arms, free, moved, pitch_axis, roll_axis, stiffness
from gauge_well.core.elastic.stops import energy, forces, settle
from tests.support import NumbersCase

G = 9.80665


def three(rng: np.random.Generator | None = None) -> tuple[np.ndarray, np.ndarray]:
    """Three mounts about a centre of mass, all of one stiffness upright, half of it sideways."""
    at = np.array([[0.30, 0.28, -0.1], [0.30, -0.28, -0.1], [-0.55, 0.0, -0.1]])
    if rng is not None:
        at = at + rng.normal(0.0, 0.05, at.shape)
    return at, np.tile([90e3, 90e3, 180e3], 3)


class Statics(NumbersCase):
    def test_three_mounts_by_moments(self) -> None:
        """Three upright forces carry a weight by moments alone, whatever the springs: about the tail, and left is right."""
        at, rates = three()
        weight = 240.0 * G
        b = arms(at)
        q = moved(stiffness(b, rates), np.array([[0.0, 0.0, -weight, 0.0, 0.0, 0.0]]))[0]
        upright = -(b @ q * rates)[2::3]
        front = weight * 0.55 / 0.85
        self.close(upright, [0.5 * front, 0.5 * front, weight - front], rel=1e-9)

    def test_a_moment_is_held_by_the_stance(self) -> None:
        """About the crank: so much over the distance apart, one pressed and one pulled."""
        at, rates = three()
        b = arms(at)
        q = moved(stiffness(b, rates), np.array([[0.0, 0.0, 0.0, 1000.0, 0.0, 0.0]]))[0]
        f = -(b @ q * rates).reshape(3, 3)
        # The moments of all three about the centre of mass balance it.
        self.close(np.cross(at, f).sum(axis=0), [-1000.0, 0.0, 0.0], abs=1e-6)
        self.close(f.sum(axis=0), [0.0, 0.0, 0.0], abs=1e-6)
        self.assertLess(f[0, 2] * f[1, 2], 0.0)

    def test_axes(self) -> None:
        """Two pairs at one height and as far ahead as behind: it rolls and pitches about lines through that height."""
        at = np.array([[0.4, 0.3, -0.12], [0.4, -0.3, -0.12], [-0.4, 0.3, -0.12], [-0.4, -0.3, -0.12]])
        k = stiffness(arms(at), np.tile([60e3, 90e3, 150e3], 4))
        self.close(roll_axis(k), [0.0, -0.12], abs=1e-12)
        self.close(pitch_axis(k), [0.0, -0.12], abs=1e-12)

    def test_what_holds_nothing(self) -> None:
        """In a line it turns about that line; with metal springs too."""
        line = np.array([[0.4, 0.0, 0.1], [0.0, 0.0, 0.1], [-0.5, 0.0, 0.1]])
        for rate in (1e4, 1e8):
            self.assertTrue(free(stiffness(arms(line), np.full(9, rate)), 0.9))
            self.assertFalse(free(stiffness(arms(three()[0]), np.full(9, rate)), 0.9))


class Shake(NumbersCase):
    def test_against_a_general_eigensolver(self) -> None:
        """Eight random mountings: ``M^-1 K`` by a solver for unsymmetric matrices."""
        rng = np.random.default_rng(5)
        for _ in range(8):
            at, rates = three(rng)
            k = stiffness(arms(at), rates)
            mass, inertia = 230.0, np.array([9.0, 22.0, 20.0])
            heavy = np.concatenate([[mass] * 3, inertia])
            values = np.sort(eig(k / heavy[:, None])[0].real)
            found = modes(k, np.array(mass), inertia)
            self.close(found.frequency, np.sqrt(values) / (2.0 * np.pi), rel=1e-9)
            self.close(found.share.sum(axis=1), np.ones(6), abs=1e-12)

    def test_names(self) -> None:
        """Springs all round the centre of mass part all six: each stands at the root of its own stiffness over its mass."""
        at = np.array([[x, y, z] for x in (0.5, -0.5) for y in (0.3, -0.3) for z in (0.2, -0.2)])
        kx, ky, kz = 20e3, 35e3, 80e3
        found = modes(stiffness(arms(at), np.tile([kx, ky, kz], 8)), np.array(200.0), np.array([8.0, 24.0, 26.0]))
        own = dict(zip(found.names(), found.frequency, strict=True))

        def hertz(k: float, m: float) -> float:
            return float(np.sqrt(k / m) / (2.0 * np.pi))

        want = {
            "fore and aft": hertz(8 * kx, 200.0),
            "sideways": hertz(8 * ky, 200.0),
            "bounce": hertz(8 * kz, 200.0),
            "roll": hertz(8 * (kz * 0.3**2 + ky * 0.2**2), 8.0),
            "pitch": hertz(8 * (kz * 0.5**2 + kx * 0.2**2), 24.0),
            "yaw": hertz(8 * (kx * 0.3**2 + ky * 0.5**2), 26.0),
        }
        self.assertEqual(set(own), set(want))
        for name, f in want.items():
            self.close(own[name], f, rel=1e-9, note=name)
            self.close(found.of(name), f, rel=1e-9, note=name)

    def test_what_passes(self) -> None:
        """Standing still all passes; at root two of its own frequency all passes, however damped; at its own, undamped but for
        a tenth, five times as much; far above by one over the square (thomson1993, fig. 3.5-2)."""
        self.close(transmissibility(0.0, 10.0, 0.1), 1.0, abs=1e-12)
        for damping in (0.02, 0.1, 0.5):
            self.close(transmissibility(10.0 * np.sqrt(2.0), 10.0, damping), 1.0, abs=1e-12)
        self.close(transmissibility(10.0, 10.0, 0.1), np.sqrt(1.0 + 0.04) / 0.2, rel=1e-12)
        self.close(transmissibility(100.0, 10.0, 1e-6), 1.0 / 99.0, rel=1e-6)


class Stops(NumbersCase):
    def test_against_the_least_energy(self) -> None:
        """Forty random loads, most of them onto stops: no place that a general minimiser finds has less energy, and it
        comes to the same."""
        rng = np.random.default_rng(9)
        harder, travel = 10.0, 0.006
        onto = 0
        for _ in range(40):
            at, rates = three(rng)
            b = arms(at)[None]
            load = np.array([0.0, 600.0, -5000.0, 1800.0, 400.0, 200.0]) * rng.normal(0.0, 1.0, 6)
            stop = np.full((1, 9), travel)
            q = settle(b, rates[None], stop, harder, load[None, None])[0, 0]

            def total(x: np.ndarray, b: np.ndarray = b[0], k: np.ndarray = rates, f: np.ndarray = load) -> float:
                return float(1e3 * (energy(b @ x, k, np.full(9, travel), harder) - f @ x))

            best = minimize(total, np.zeros(6), method="BFGS", options={"gtol": 1e-8, "maxiter": 2000})
            u = b[0] @ q
            onto += bool((np.abs(u) > travel).any())
            self.assertLessEqual(total(q), best.fun + 1e-6 * max(abs(best.fun), 1.0))
            self.close(u, b[0] @ best.x, abs=2e-5)
            # What is left over is nothing.
            self.close(load + forces(u, rates, np.full(9, travel), harder) @ b[0], np.zeros(6), abs=1e-4)
        self.assertGreater(onto, 20)

    def test_one_spring_by_hand(self) -> None:
        """2,000 N on 100 N/mm with a stop at 8 mm, ten times stiffer there: 800 N to the stop, 1.2 mm for the rest."""
        at = np.zeros((1, 3))
        b = np.concatenate([arms(at), np.eye(6)[3:]])[None]
        rates = np.array([[1e5, 1e5, 1e5, 1e3, 1e3, 1e3]])
        stop = np.array([[0.008, 0.008, 0.008, 1.0, 1.0, 1.0]])
        q = settle(b, rates, stop, 10.0, np.array([[[0.0, 0.0, -2000.0, 0.0, 0.0, 0.0]]]))
        self.close(q[0, 0, 2], -(0.008 + 1200.0 / 1e6), rel=1e-9)

    def test_many_at_once_are_each_alone(self) -> None:
        rng = np.random.default_rng(2)
        at = np.stack([three(rng)[0] for _ in range(16)])
        b, rates = arms(at), np.broadcast_to(three()[1], (16, 9))
        stop = np.full((16, 9), 0.005)
        load = rng.normal(0.0, 1.0, (16, 4, 6)) * [200.0, 200.0, 6000.0, 2000.0, 500.0, 100.0]
        q = settle(b, rates, stop, 8.0, load)
        for n in range(16):
            for c in range(4):
                alone = settle(b[n : n + 1], rates[n : n + 1], stop[:1], 8.0, load[n : n + 1, c : c + 1])
                self.close(q[n, c], alone[0, 0], abs=1e-9)


if __name__ == "__main__":
    unittest.main()
