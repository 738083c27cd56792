"""The root search against SciPy's scalar one, and the table look-up against NumPy's."""

import numpy as np
from scipy.optimize import brentq

from gauge_well.core.roots import find_root, where_falling
from tests.support import NumbersCase


class FindRoot(NumbersCase):
    def test_against_a_scalar_search(self) -> None:
        shift = np.linspace(-3.0, 3.0, 40)

        def cubic(x: np.ndarray) -> np.ndarray:
            return x**3 + x - shift

        found = find_root(cubic, -5.0, 5.0, tolerance=1e-10)
        expected = [brentq(lambda x, s=s: x**3 + x - s, -5, 5, xtol=1e-13) for s in shift]
        self.close(found, expected, abs=1e-9)

    def test_steep_and_flat_together(self) -> None:
        """A thermostat opening: flat, then steep; all points converge in one call."""
        target = np.array([0.5, 5.0, 50.0, 119.0])

        def shed(t: np.ndarray) -> np.ndarray:
            return np.clip((t - 360.0) / 12.0, 0.01, 1.0) * (t - 300.0) - target

        found = find_root(shed, 300.0, 900.0, tolerance=1e-6)
        self.close(shed(found), 0.0, abs=1e-4)

    def test_without_a_root_the_nearer_end(self) -> None:
        found = find_root(lambda x: x + 10.0, np.array([0.0]), np.array([5.0]), tolerance=1e-6)
        self.close(found, 0.0)

    def test_stays_in_the_bracket(self) -> None:
        seen: list[float] = []

        def function(x: np.ndarray) -> np.ndarray:
            seen.extend(np.ravel(x).tolist())
            return np.sign(x - 2.3) * np.abs(x - 2.3) ** 0.2

        found = find_root(function, 0.0, 7.0, tolerance=1e-8)
        self.close(found, 2.3, abs=1e-7)
        self.between(seen, 0.0, 7.0)


class WhereFalling(NumbersCase):
    def test_against_interpolation(self) -> None:
        x = np.linspace(0.0, 4.0, 33)
        y = 10.0 - x**2
        at = np.array([[-20.0, -6.0, 0.0], [3.3, 9.9, 14.0]])
        self.close(where_falling(x, y, at), np.interp(-at, -y, x), abs=1e-12)

    def test_a_table_for_each_sample(self) -> None:
        x = np.linspace(0.0, 1.0, 11)[:, None] * np.array([1.0, 2.0])
        y = 5.0 - x
        self.close(where_falling(x, y, 4.25), [0.75, 0.75], abs=1e-12)
