"""A recording as it is kept: read back as it was, open to any reader of CSV, bounded."""

import csv
import gzip
import io
import unittest

import numpy as np

from gauge_well.formats import recorded
from gauge_well.formats.errors import FormatError


class Recorded(unittest.TestCase):
    def setUp(self) -> None:
        rng = np.random.default_rng(1)
        self.time = np.arange(600.0)
        self.channels = {"coolant": 360.0 + rng.normal(size=600), "speed": rng.uniform(0.0, 40.0, 600)}
        self.channels["coolant"][100:130] = np.nan

    def test_it_is_read_back(self) -> None:
        time, channels = recorded.read_back(recorded.written(self.time, self.channels))
        np.testing.assert_array_equal(time, self.time)
        for name, values in self.channels.items():
            np.testing.assert_allclose(channels[name], values, rtol=1e-6)

    def test_any_reader_of_csv_has_its_heads_and_units(self) -> None:
        rows = list(csv.reader(io.StringIO(gzip.decompress(recorded.written(self.time, self.channels)).decode())))
        self.assertEqual(rows[0], ["time [s]", "coolant [K]", "speed [m/s]"])
        self.assertEqual(len(rows), 601)

    def test_the_same_is_the_same_bytes(self) -> None:
        self.assertEqual(recorded.written(self.time, self.channels), recorded.written(self.time, self.channels))

    def test_what_is_none_of_ours_or_too_large_is_refused(self) -> None:
        with self.assertRaises(FormatError):
            recorded.read_back(gzip.compress(b"soup,salt\n1,2\n"))
        bomb = gzip.compress(b"0" * (recorded.UNPACKED_MAX + 1))
        self.assertLess(len(bomb), 200_000)
        with self.assertRaises(FormatError) as told:
            recorded.unpacked(bomb)
        self.assertEqual(told.exception.code, "size")
