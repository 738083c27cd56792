"""Readings, drives and recordings over HTTP."""

import csv
import io

from tests.services.test_recordings import gpx
from tests.support import ROAD
from tests.web.test_api import ApiCase

BYTES = "application/octet-stream"


class Readings(ApiCase):
    def send(self, path: str, data: bytes, media: str = BYTES, **query: str):
        return self.client.post(path, query_string=query, data=data, content_type=media)

    def test_the_page_and_a_drive(self) -> None:
        page = self.client.post("/api/readings", json={"sheet": ROAD}).get_json()
        self.assertTrue(page["drives"])
        drive = self.client.post(
            "/api/readings/drive", json={"sheet": ROAD, "drive": page["drives"][0]["id"]}
        ).get_json()
        self.assertGreater(drive["distance"], 1e4)
        self.assertEqual(
            self.client.post("/api/readings/drive", json={"sheet": ROAD, "drive": "moon"}).status_code, 422
        )
        missing = {"sheet": ROAD, "recording": "0123456789abcdef"}
        self.assertEqual(self.client.post("/api/readings/drive", json=missing).status_code, 404)

    def test_a_file_is_looked_into_kept_driven_and_let_go(self) -> None:
        build = self.client.post("/api/builds", json={"sheet": ROAD}).get_json()["id"]
        told = self.send("/api/recordings/read", gpx(), kind="gpx").get_json()
        self.assertEqual((told["seconds"], told["found"]), (199.0, ["Height", "Road speed"]))
        kept = self.send("/api/recordings", gpx(), kind="gpx", build=build, name="Pass")
        self.assertEqual(kept.status_code, 201)
        id = kept.get_json()["id"]
        listed = self.client.get(f"/api/builds/{build}/recordings").get_json()["recordings"]
        self.assertEqual([r["name"] for r in listed], ["Pass"])
        drive = self.client.post("/api/readings/drive", json={"sheet": ROAD, "recording": id}).get_json()
        self.assertEqual((drive["label"], drive["logged"]), ("Pass", False))
        rows = list(csv.reader(io.StringIO(self.client.get(f"/api/recordings/{id}").text)))
        self.assertEqual(rows[0][0], "time [s]")
        self.assertEqual(self.client.delete(f"/api/recordings/{id}").status_code, 204)
        self.assertEqual(self.client.get(f"/api/recordings/{id}").status_code, 404)
        self.assertEqual(self.send("/api/recordings", gpx(), kind="gpx", build="none").status_code, 404)

    def test_hostile_and_foreign_files_are_refused_in_words(self) -> None:
        bomb = b'<?xml version="1.0"?><!DOCTYPE g [<!ENTITY a "aa"><!ENTITY b "&a;&a;">]><gpx>&b;</gpx>'
        for kind, data in (
            ("gpx", bomb),
            ("gpx", b"<a>" * 60 + b"</a>" * 60),
            ("csv", b"\x00\x01\x02"),
            ("csv", b"a,b\n1,2\n"),
            ("csv", b""),
        ):
            answer = self.send("/api/recordings/read", data, kind=kind)
            self.assertIn(answer.status_code, (400, 422), data[:20])
            self.assertTrue(
                answer.get_json()["problems"][0]["message"] if "problems" in answer.get_json() else answer.get_json()
            )
        self.assertEqual(self.send("/api/recordings/read", gpx(), kind="fit").status_code, 422)
        self.assertEqual(self.send("/api/recordings/read", gpx(), media="text/plain", kind="gpx").status_code, 415)

    def test_the_simulated_loggers_file_reads_back(self) -> None:
        asked = {"sheet": ROAD, "drive": "pass_road", "fault": "blocked"}
        log = self.client.post("/api/readings/logger.csv", json=asked)
        self.assertEqual(log.mimetype, "text/csv")
        told = self.send("/api/recordings/read", log.data, kind="csv").get_json()
        self.assertEqual(told["dead"], [])
        self.assertIn("Coolant", told["found"])
        self.assertEqual(self.client.post("/api/readings/logger.csv", json=asked | {"fault": "imps"}).status_code, 422)

    def test_nobody_on_a_port_is_said(self) -> None:
        self.assertEqual(self.client.post("/api/readings/listen", json={"port": 1}).status_code, 422)
        answer = self.client.post("/api/readings/listen", json={"port": 65535})
        self.assertEqual(answer.status_code, 422)
        self.assertIn("65535", answer.get_json()["problems"][0]["message"])

    def test_since_when(self) -> None:
        build = self.client.post("/api/builds", json={"sheet": ROAD}).get_json()["id"]
        self.assertEqual(self.client.get(f"/api/builds/{build}/since").get_json()["changes"], [])
        self.assertEqual(self.client.get("/api/builds/none/since").status_code, 404)
