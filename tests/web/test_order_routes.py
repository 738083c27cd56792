"""The order of work and photographs over HTTP."""

import csv
import io

from icalendar import Calendar

from gauge_well.services.photographs import PHOTO_MAX
from tests.services.test_photographs import opened, picture
from tests.support import ROAD
from tests.web.test_api import ApiCase

BYTES = "application/octet-stream"


class Order(ApiCase):
    def ask(self, path: str = "", **more: object):
        return self.client.post(f"/api/order{path}", json={"sheet": ROAD, "today": "2026-11-29"} | more)

    def test_the_order_and_its_files(self) -> None:
        order = self.ask().get_json()
        self.assertEqual(order["today"], "2026-11-29")
        self.assertEqual(len(list(csv.reader(io.StringIO(self.ask(".csv").text)))), len(order["tasks"]) + 1)
        self.assertEqual(len(list(csv.reader(io.StringIO(self.ask("/things.csv").text)))), len(order["things"]) + 1)
        self.assertTrue(Calendar.from_ical(self.ask(".ics").data).walk("VEVENT"))

    def test_what_is_refused_names_its_field(self) -> None:
        self.assertEqual(self.ask(today="soon").status_code, 422)
        ring = ROAD | {"work": {"tasks": [{"id": "gaps", "after": ["weld"]}]}}
        answer = self.ask(sheet=ring)
        self.assertEqual(answer.status_code, 422)
        problem = answer.get_json()["problems"][0]
        self.assertTrue(problem["field"].startswith("work.tasks."))
        self.assertIn("ring", problem["message"])


class Photographs(ApiCase):
    def send(self, data: bytes, media: str = BYTES, **query: str):
        return self.client.post("/api/photographs", query_string=query, data=data, content_type=media)

    def test_sent_listed_looked_at_and_let_go(self) -> None:
        build = self.client.post("/api/builds", json={"sheet": ROAD}).get_json()["id"]
        sent = self.send(picture(), build=build, subject="tasks.pickup")
        self.assertEqual(sent.status_code, 201)
        id = sent.get_json()["id"]
        listed = self.client.get(f"/api/builds/{build}/photographs").get_json()["photographs"]
        self.assertEqual([p["id"] for p in listed], [id])
        large = self.client.get(f"/api/photographs/{id}")
        self.assertEqual((large.mimetype, opened(large.data).size), ("image/jpeg", (400, 300)))
        self.assertIn("immutable", large.headers["Cache-Control"])
        self.assertLess(len(self.client.get(f"/api/photographs/{id}?size=small").data), len(large.data))
        self.assertEqual(self.client.delete(f"/api/photographs/{id}").status_code, 204)
        self.assertEqual(self.client.get(f"/api/photographs/{id}").status_code, 404)

    def test_what_is_refused(self) -> None:
        build = self.client.post("/api/builds", json={"sheet": ROAD}).get_json()["id"]
        for data, media, query, status, words in (
            (b"no picture", BYTES, {"build": build, "subject": "tasks.pickup"}, 422, "no picture"),
            (picture(), BYTES, {"build": build, "subject": "lunch"}, 422, "nothing of that name"),
            (picture(), BYTES, {"build": "nowhere", "subject": "tasks.pickup"}, 404, "no such build"),
            (picture(), "image/jpeg", {"build": build, "subject": "tasks.pickup"}, 415, "octet-stream"),
            (b"x" * (PHOTO_MAX + 1), BYTES, {"build": build, "subject": "tasks.pickup"}, 413, "smaller"),
        ):
            answer = self.send(data, media, **query)
            self.assertEqual(answer.status_code, status, answer.text[:200])
            self.assertIn(words, answer.text)
