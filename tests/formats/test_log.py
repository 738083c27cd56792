"""Logs in mixed units with gaps, spikes, a dead channel and a million rows; tracks, and hostile ones."""

import tracemalloc
import unittest

import numpy as np

from gauge_well.formats.errors import FormatError
from gauge_well.formats.gpx import fixes_of
from gauge_well.formats.log import guessed, read_log


def gpx(points: str, head: str = "") -> bytes:
    return f'<?xml version="1.0"?>{head}<gpx version="1.1"><trk><trkseg>{points}</trkseg></trk></gpx>'.encode()


def point(second: int, lat: float = 45.0, ele: str = "<ele>200</ele>") -> str:
    return f'<trkpt lat="{lat}" lon="7.5">{ele}<time>2026-06-01T10:{second // 60:02d}:{second % 60:02d}Z</time></trkpt>'


class Logs(unittest.TestCase):
    def test_mixed_units_by_their_heads(self) -> None:
        raw = b"Time [ms],Coolant (F),Oil Pressure [psi],GPS Speed [mph],RPM,Battery\n0,194,40,60,3000,14.1\n1000,212,40,60,3000,14.1\n"
        found = read_log(raw)
        np.testing.assert_allclose(found.time, [0.0, 1.0])
        np.testing.assert_allclose(found.channels["coolant"], [363.15, 373.15], atol=1e-6)  # 194 and 212 degF
        np.testing.assert_allclose(found.channels["oil_pressure"], 40.0 * 6894.757, rtol=1e-6)
        np.testing.assert_allclose(found.channels["speed"], 60.0 * 0.44704, rtol=1e-9)
        self.assertEqual(found.dead, ("oil_pressure", "speed", "rpm", "volts"))

    def test_a_row_of_units_under_the_heads_and_semicolons_with_commas(self) -> None:
        raw = "Logger 3\nTime;Coolant temp;Oil temp\ns;°C;°F\n0;80,5;176\n0,5;81,5;176\n2;90;212\n".encode()
        found = read_log(raw)
        np.testing.assert_allclose(found.channels["coolant"][[0, 2]], [81.0 + 273.15, 363.15], atol=1e-9)
        self.assertTrue(np.isnan(found.channels["coolant"][1]))
        np.testing.assert_allclose(found.channels["oil_temperature"][[0, 2]], [353.15, 373.15], atol=1e-6)

    def test_clocks_and_dates(self) -> None:
        for a, b in (
            ("0:59:58", "1:00:03"),
            ("59:58.0", "60:03"),
            ("2026-06-01T10:00:00Z", "2026-06-01T12:00:05+02:00"),
        ):
            found = read_log(f"time,rpm\n{a},800\n{b},900\n".encode())
            self.assertEqual(found.time[-1], 5.0, (a, b))
        self.assertEqual(read_log(b"time,rpm\n2026-06-01T10:00:00Z,800\n2026-06-01T10:00:04Z,900\n").begins.hour, 10)

    def test_bad_cells_and_rows_are_left_out_and_counted(self) -> None:
        found = read_log(b"time,coolant,rpm\n0,80,800\nx,80,800\n1,---,810\n2,1e999,820\n-5,80,800\n3\n")
        self.assertEqual((found.rows, found.left_out), (6, 2))
        np.testing.assert_array_equal(np.isnan(found.channels["coolant"]), [False, True, True, True])
        self.assertEqual(found.channels["rpm"][2], 820 * found.channels["rpm"][0] / 800)

    def test_each_channel_is_taken_once_by_the_narrower_name(self) -> None:
        heads = ["Time", "Oil Temp", "Coolant Temp", "Engine RPM", "Vehicle Speed (km/h)", "GPS Speed", "Nonsense"]
        self.assertEqual(
            [c.channel for c in guessed(heads)], ["time", "oil_temperature", "coolant", "rpm", "speed", "", ""]
        )

    def test_a_million_rows_take_the_memory_of_their_seconds(self) -> None:
        raw = b"time [ms],coolant\n" + b"".join(b"%d,%d\n" % (n, 80 + n % 7) for n in range(1_000_000))
        found = read_log(raw)
        self.assertEqual((found.rows, found.time.size), (1_000_000, 1000))
        np.testing.assert_allclose(found.channels["coolant"].mean(), 83.0 + 273.15, atol=0.01)
        peaks = []
        for rows in (20_000, 80_000):
            some = b"time [ms],coolant\n" + b"".join(b"%d,80\n" % (n % 9000) for n in range(rows))
            tracemalloc.start()
            read_log(some)
            peaks.append(tracemalloc.get_traced_memory()[1] - len(some))
            tracemalloc.stop()
        # Four times the rows of the same seconds: the bytes themselves, and no more besides.
        self.assertLess(peaks[1] - peaks[0], 100_000)

    def test_what_is_no_log_is_refused_plainly(self) -> None:
        for raw in (
            b"",
            b"a,b\n1,2\n",
            b"\0\0\0",
            b"time\n1\n2\n",
            b"time,rpm\n",
            b"time,rpm\nx,y\n",
            b'time,rpm\n"' + b"a" * 200_000,
        ):
            with self.subTest(raw[:12]), self.assertRaises(FormatError):
                read_log(raw)


class Tracks(unittest.TestCase):
    def test_fixes_with_times_and_heights(self) -> None:
        found = fixes_of(gpx("".join(point(s, 45.0 + s / 1e4) for s in range(0, 90, 3))))
        np.testing.assert_allclose(found.time, np.arange(0, 90, 3))
        np.testing.assert_allclose(found.latitude[-1], 45.0087)
        self.assertEqual(found.begins.isoformat(), "2026-06-01T10:00:00+00:00")

    def test_a_fix_without_a_height_keeps_its_place_and_one_without_a_time_goes(self) -> None:
        found = fixes_of(gpx(point(0) + point(1, ele="") + '<trkpt lat="1" lon="2"/>' + point(2) + point(3)))
        self.assertEqual(found.time.size, 4)
        self.assertTrue(np.isnan(found.height[1]))

    def test_a_namespace_is_no_hindrance(self) -> None:
        raw = gpx("".join(point(s) for s in range(4))).replace(b"<gpx ", b'<gpx xmlns="urn:track" ')
        self.assertEqual(fixes_of(raw).time.size, 4)

    def test_entities_and_document_types_are_refused(self) -> None:
        bomb = '<!DOCTYPE gpx [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;&a;&a;&a;">]>'
        outside = '<!DOCTYPE gpx [<!ENTITY x SYSTEM "file:///etc/passwd">]>'
        for head in (bomb, outside, "<!DOCTYPE gpx>"):
            with self.assertRaises(FormatError) as told:
                fixes_of(gpx("".join(point(s) for s in range(4)), head))
            self.assertEqual(told.exception.code, "markup")

    def test_depth_is_refused(self) -> None:
        raw = gpx("<a>" * 5000 + "</a>" * 5000)
        with self.assertRaises(FormatError) as told:
            fixes_of(raw)
        self.assertEqual(told.exception.code, "depth")

    def test_what_is_no_track_is_refused(self) -> None:
        for raw in (
            b"",
            b"hello",
            b"<gpx>",
            gpx(""),
            gpx(point(0)),
            gpx('<trkpt lat="north" lon="2"><time>2026-06-01T10:00:00Z</time></trkpt>'),
            b"\xff\xfe\x00",
        ):
            with self.subTest(raw[:20]), self.assertRaises(FormatError):
                fixes_of(raw)
