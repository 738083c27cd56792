"""Recordings of a build in the database: kept, listed, copied with it, let go; where it was is not kept. The logger's line."""

import socket
import threading
import unittest

import numpy as np

from gauge_well.formats.recorded import read_back
from gauge_well.services import builds, listening, recordings
from gauge_well.services.errors import NotFound, Refused
from gauge_well.services.since import since
from gauge_well.sheet.demo import demo
from tests.database import DatabaseCase
from tests.support import ROAD


def gpx(count: int = 200, step: float = 1.35e-4) -> bytes:
    """North along a meridian, so many degrees a second: 15 m/s."""
    fixes = "".join(
        f'<trkpt lat="{47.0 + step * k:.7f}" lon="8.5"><ele>{400 + 0.5 * k}</ele><time>2026-11-20T08:{k // 60:02d}:{k % 60:02d}Z</time></trkpt>'
        for k in range(count)
    )
    return f'<?xml version="1.0"?><gpx xmlns="http://www.topografix.com/GPX/1/1"><trk><trkseg>{fixes}</trkseg></trk></gpx>'.encode()


class Kept(DatabaseCase):
    def setUp(self) -> None:
        super().setUp()
        self.build = builds.create(self.engine, ROAD)["id"]

    def keep(self, name: str = "Over the pass") -> dict:
        return recordings.keep(self.engine, self.build, name, recordings.packed(gpx(), "gpx", ""))

    def test_kept_listed_read_and_let_go(self) -> None:
        kept = self.keep()
        self.assertEqual((kept["name"], kept["seconds"], kept["kind"]), ("Over the pass", 199.0, "gpx"))
        self.assertEqual([r["id"] for r in recordings.listed(self.engine, self.build)], [kept["id"]])
        self.assertIn(b"speed [m/s]", recordings.as_csv(self.engine, kept["id"]))
        recordings.drop(self.engine, kept["id"])
        self.assertEqual(recordings.listed(self.engine, self.build), [])
        with self.assertRaises(NotFound):
            recordings.content(self.engine, kept["id"])
        with self.assertRaises(NotFound):
            recordings.drop(self.engine, kept["id"])
        with self.assertRaises(NotFound):
            recordings.listed(self.engine, "none")

    def test_a_copy_has_its_own(self) -> None:
        kept = self.keep()
        copy = builds.copy(self.engine, self.build)["id"]
        own = recordings.listed(self.engine, copy)[0]
        self.assertNotEqual(own["id"], kept["id"])
        self.assertEqual(
            recordings.content(self.engine, own["id"]).content, recordings.content(self.engine, kept["id"]).content
        )

    def test_where_it_was_is_not_kept(self) -> None:
        _, channels = read_back(recordings.content(self.engine, self.keep()["id"]).content)
        self.assertEqual(set(channels), {"speed", "height"})
        # 1.35e-4 degrees of a meridian on a sphere of 6,371 km.
        np.testing.assert_allclose(np.median(channels["speed"]), np.radians(1.35e-4) * 6.371e6, rtol=0.01)
        rows = b"time,lat,lon,ect\n" + b"\n".join(b"%d,%.7f,8.5,90" % (k, 47.0 + 1.35e-4 * k) for k in range(200))
        found = recordings.read(rows, "csv", "")
        self.assertEqual(set(found.channels), {"speed", "coolant"})
        np.testing.assert_allclose(np.nanmedian(found.channels["speed"]), 15.0, rtol=0.01)

    def test_there_is_an_end_of_them(self) -> None:
        made = recordings.packed(gpx(), "gpx", "")
        for _ in range(recordings.COUNT_MAX):
            recordings.keep(self.engine, self.build, "", made)
        with self.assertRaises(Refused):
            recordings.keep(self.engine, self.build, "", made)

    def test_since_the_verdict_last_was_another(self) -> None:
        build = builds.create(self.engine, demo("quarry-mule"))["id"]
        self.assertEqual(since(self.engine, build)["changes"], [])
        narrower = [{"path": "cooling.core.width", "text": "500 mm", "action": "set"}]
        builds.edit(self.engine, build, 1, narrower, None)
        builds.edit(self.engine, build, 2, [{"path": "notes", "text": "a note", "action": "set"}], None)
        found = since(self.engine, build)
        self.assertNotEqual(found["now"], found["before"])
        self.assertEqual([c["revision"] for c in found["changes"]], [3, 2])


class Listening(unittest.TestCase):
    def test_what_a_logger_sends_is_heard_whole(self) -> None:
        rows = [["time", "ect"], *[[str(k), "90"] for k in range(50)]]
        sending = listening.send(rows, 0.0, 0)
        port = next(sending)
        thread = threading.Thread(target=lambda: list(sending))
        thread.start()
        events = list(listening.heard(port))
        thread.join(5)
        self.assertEqual((events[0]["event"], events[-1]["event"]), ("open", "end"))
        self.assertEqual([line for e in events for line in e["lines"]], [",".join(row) for row in rows])

    def test_nobody_there_is_said_and_long_lines_are_cut(self) -> None:
        with socket.socket() as free:
            free.bind((listening.HOST, 0))
            port = free.getsockname()[1]
        with self.assertRaises(Refused) as told:
            next(listening.heard(port))
        self.assertIn(str(port), told.exception.message)
        sending = listening.send([["x" * 5000], ["a"]], 0.0, 0)
        port = next(sending)
        thread = threading.Thread(target=lambda: list(sending))
        thread.start()
        lines = [line for e in listening.heard(port) for line in e["lines"]]
        thread.join(5)
        self.assertEqual([len(line) for line in lines], [listening.LINE_MAX, 1])
