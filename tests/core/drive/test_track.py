"""Tracks against made ones of known grade and speed."""

import unittest

import numpy as np

from gauge_well.core.drive import track
from gauge_well.core.errors import CoreError

NORTH = np.degrees(1.0 / track.EARTH)  # a metre northward, in degrees


def climbed(grade, speed=20.0, lasts=600, noise=0.0, seed=1):
    """Fixes a second apart up a road of a grade, to the north."""
    time = np.arange(lasts + 1.0)
    way = speed * time
    rise = np.cumsum(np.concatenate([[0.0], np.diff(way) * np.broadcast_to(grade, time.size)[1:]]))
    return (
        time,
        45.0 + way * NORTH,
        np.full(time.size, 7.0),
        rise + noise * np.random.default_rng(seed).normal(size=time.size),
    )


class Track(unittest.TestCase):
    def test_distances_are_those_of_the_sphere(self) -> None:
        # A degree of longitude on the equator, and of latitude anywhere: 111.195 km of a sphere of 6,371.0088 km.
        one = np.radians([0.0, 1.0])
        self.assertAlmostEqual(float(track.haversine(np.zeros(2), one)[0]), 111_195.08, delta=0.5)
        self.assertAlmostEqual(float(track.haversine(one, np.zeros(2))[0]), 111_195.08, delta=0.5)
        # London to Paris by the cosine law on the same sphere, which serves so far apart.
        a, b = np.radians([51.5074, 48.8566]), np.radians([-0.1278, 2.3522])
        cosine = np.sin(a[0]) * np.sin(a[1]) + np.cos(a[0]) * np.cos(a[1]) * np.cos(b[1] - b[0])
        self.assertAlmostEqual(float(track.haversine(a, b)[0]), track.EARTH * np.arccos(cosine), delta=0.5)

    def test_speed_and_grade_of_a_steady_climb(self) -> None:
        found = track.of_positions(*climbed(0.06))
        np.testing.assert_allclose(found.speed, 20.0, rtol=1e-6)
        np.testing.assert_allclose(found.grade, 0.06, atol=1e-6)  # its ends too
        np.testing.assert_allclose(found.acceleration, 0.0, atol=1e-6)
        self.assertAlmostEqual(found.distance[-1], 12_000.0, delta=0.1)

    def test_noise_of_three_metres_costs_a_percent_of_grade(self) -> None:
        # The window of 200 m: some 1 % of grade of error from 3 m of noise a fix; 300 m less, 120 m more.
        off = {}
        for window in (120.0, 200.0, 300.0):
            found = track.of_positions(*climbed(0.05, noise=3.0), window=window)
            off[window] = float(np.std(found.grade - 0.05))
        self.assertLess(off[200.0], 0.012)
        self.assertGreater(off[120.0], off[200.0])
        self.assertGreater(off[200.0], off[300.0])

    def test_a_change_of_grade_is_followed_within_the_window(self) -> None:
        time = np.arange(601.0)
        grade = np.where(time < 300, 0.0, 0.08)
        found = track.of_positions(*climbed(grade))
        self.assertAlmostEqual(found.grade[270], 0.0, delta=0.001)
        self.assertAlmostEqual(found.grade[330], 0.08, delta=0.001)

    def test_a_spike_is_left_out(self) -> None:
        time, latitude, longitude, height = climbed(0.0)
        latitude[200] += 500.0 * NORTH
        found = track.of_positions(time, latitude, longitude, height)
        self.assertLess(found.speed.max(), 21.0)
        self.assertAlmostEqual(found.distance[-1], 12_000.0, delta=1.0)

    def test_a_stop_stays_a_stop(self) -> None:
        time, latitude, longitude, height = climbed(0.0, lasts=300)
        stood = np.minimum(latitude, latitude[150])
        rng = np.random.default_rng(2)
        found = track.of_positions(time, stood + 0.2 * rng.normal(size=time.size) * NORTH, longitude, height)
        self.assertGreater(np.mean(found.speed[170:] == 0.0), 0.5)
        self.assertLess(found.speed[170:].max(), 1.5)

    def test_a_gap_is_known_as_one(self) -> None:
        time, latitude, longitude, height = climbed(0.0)
        kept = (time < 100) | (time > 180)
        found = track.of_positions(time[kept], latitude[kept], longitude[kept], height[kept])
        self.assertTrue(found.gap[140])
        self.assertFalse(found.gap[90] or found.gap[200])
        self.assertEqual(found.time.size, 601)

    def test_speeds_alone_make_a_level_track(self) -> None:
        time = np.arange(0.0, 61.0, 2.0)
        found = track.of_speeds(time, 0.5 * time)
        np.testing.assert_allclose(found.speed, 0.5 * found.time, atol=1e-9)
        np.testing.assert_allclose(found.acceleration[5:-5], 0.5, atol=1e-9)
        self.assertAlmostEqual(found.distance[-1], 0.25 * 60.0**2, delta=0.5)
        self.assertTrue(np.all(found.grade == 0.0))

    def test_fixes_out_of_order_twice_or_without_a_number_are_put_right(self) -> None:
        time, latitude, longitude, height = climbed(0.03)
        order = np.random.default_rng(3).permutation(time.size)
        broken = [np.concatenate([v[order], v[:3]]) for v in (time, latitude, longitude, height)]
        broken[3][10] = np.nan
        found = track.of_positions(*broken)
        np.testing.assert_allclose(found.grade, 0.03, atol=1e-3)

    def test_what_is_no_drive_is_refused(self) -> None:
        one = np.array([0.0, 1.0])
        for time in (one, np.array([5.0, 5.0, 5.0]), np.array([0.0, 1.0, 3.0]), np.array([0.0, 1e6, 2e6])):
            with self.assertRaises(CoreError):
                track.of_positions(time, np.zeros(time.size), np.zeros(time.size), np.zeros(time.size))
