"""Who gets in, and what is said to what does not fit: hosts, sites, paths, revisions, options, data."""

import json
import os
from pathlib import Path
from tempfile import TemporaryDirectory
from typing import Any
from unittest import TestCase, mock

from psycopg.errors import DiskFull
from sqlalchemy import text
from sqlalchemy.exc import DataError, OperationalError

from gauge_well.services import builds, history
from gauge_well.web.app import create_app
from gauge_well.web.pages import read_pages
from tests.support import ROAD, changed
from tests.web.test_api import EDIT, STARTER, ApiCase

FENCED = {"If-Match": '"1"'}


class Hosts(ApiCase):
    def test_names_of_loopback_and_no_others(self) -> None:
        for host in ("localhost", "localhost:8765", "127.0.0.1", "127.0.0.1:80"):
            self.assertEqual(self.client.get("/api/vocabulary", headers={"Host": host}).status_code, 200, host)
        for host in ("elsewhere.test", "127.0.0.1.elsewhere.test", "localhost.elsewhere.test:8765", "10.0.0.7"):
            for path in ("/api/builds", "/", "/api/none"):
                self.problem(self.client.get(path, headers={"Host": host}), 400, "host")

    def test_hosts_of_ones_own(self) -> None:
        with mock.patch.dict(os.environ, {"GAUGE_WELL_HOSTS": "garage.test, shed.test"}):
            client = create_app(self.url, {}).test_client()
        for host, status in (("garage.test", 200), ("shed.test:8000", 200), ("barn.test", 400)):
            self.assertEqual(client.get("/api/vocabulary", headers={"Host": host}).status_code, status, host)


class Sites(ApiCase):
    def test_writes_of_other_sites_are_not_taken(self) -> None:
        made = self.make()
        url = f"/api/builds/{made['id']}"
        for headers in (
            {"Origin": "http://elsewhere.test"},
            {"Origin": "null"},
            {"Origin": "http://localhost:9999"},
            {"Sec-Fetch-Site": "cross-site"},
            {"Sec-Fetch-Site": "same-site"},
        ):
            for method, path, body in (
                ("post", "/api/builds", {"sheet": ROAD}),
                ("patch", url, EDIT),
                ("put", url, {"sheet": ROAD}),
                ("delete", url, None),
                ("post", f"{url}/undelete", None),
                ("post", f"{url}/copy", {}),
                ("post", "/api/size", {"sheet": ROAD}),
            ):
                answer = getattr(self.client, method)(path, json=body, headers=headers | FENCED)
                with self.subTest(headers=headers, path=path):
                    self.problem(answer, 403, "site")
        self.assertEqual(builds.get(self.engine, made["id"])["revision"], 1)

    def test_the_pages_own_are(self) -> None:
        for headers in (
            {},
            {"Origin": "http://localhost", "Sec-Fetch-Site": "same-origin"},
            {"Sec-Fetch-Site": "none"},
        ):
            answer = self.client.post("/api/size", json={"sheet": ROAD}, headers=headers)
            self.assertEqual(answer.status_code, 200, headers)


class Fences(ApiCase):
    def test_deleting_needs_the_revision(self) -> None:
        made = self.make()
        url = f"/api/builds/{made['id']}"
        self.problem(self.client.delete(url), 428, "if_match")
        self.client.patch(url, json=EDIT, headers=FENCED)
        stale = self.problem(self.client.delete(url, headers=FENCED), 409, "stale")
        self.assertEqual(stale["current"]["revision"], 2)
        self.assertEqual(self.client.delete(url, headers={"If-Match": '"2"'}).status_code, 204)

    def test_huge_and_odd_revisions(self) -> None:
        made = self.make()
        url = f"/api/builds/{made['id']}/revisions"
        for revision in ("0", "-1", "99999999999999999999", "2147483648", "x", "1.5", "%00"):
            answer = self.client.post(f"{url}/{revision}/bring-back", headers=FENCED)
            self.assertIn(answer.status_code, (404, 422), revision)
            self.problem(answer, answer.status_code)
        self.problem(self.client.post(f"{url}/77/bring-back", headers=FENCED), 404, "not_found")
        self.problem(self.client.get(f"/api/builds/{'x' * 300}"), 422)

    def test_a_name_keeps_a_revision(self) -> None:
        made = self.make()
        url = f"/api/builds/{made['id']}/revisions/1"
        named = self.client.patch(url, json={"name": "As bought"}).get_json()
        self.assertEqual(named["revisions"][0]["name"], "As bought")
        self.assertEqual(self.client.get(url).get_json()["document"], made["document"])
        self.problem(self.client.patch(f"{url}7", json={"name": "x"}), 404)


class Data(ApiCase):
    def test_nul_is_named_and_nothing_is_kept(self) -> None:
        before = len(self.client.get("/api/builds").get_json()["builds"])
        for body in ({"sheet": changed(ROAD, name="a\x00b")}, {"starter": STARTER | {"name": "\x00"}}):
            problem = self.problem(self.client.post("/api/builds", json=body), 422, "sheet")
            self.assertEqual(problem["problems"][0]["field"], "name")
        made = self.make()
        edit = {"edits": [{"path": "notes", "text": "\x00"}]}
        answer = self.client.patch(f"/api/builds/{made['id']}", json=edit, headers=FENCED)
        self.assertEqual(self.problem(answer, 422, "sheet")["problems"][0]["field"], "notes")
        self.assertEqual(len(self.client.get("/api/builds").get_json()["builds"]), before + 1)

    def test_a_unit_of_another_kind(self) -> None:
        sheet = changed(ROAD, machine__mass={"text": "1", "value": 1, "unit": "in"})
        problem = self.problem(self.client.post("/api/size", json={"sheet": sheet}), 422, "sheet")
        self.assertEqual(problem["problems"][0]["field"], "machine.mass")

    def test_options_that_are_no_numbers(self) -> None:
        for value in ("NaN", "Infinity", "-Infinity", "1e999"):
            for option in ("duty", "air_speed"):
                data = f'{{"sheet": {json.dumps(ROAD)}, "options": {{"{option}": {value}}}}}'
                for view in ("cooling/air", "fuel/circuit", "oil/pan", "exhaust/pipe", "engine/curves"):
                    answer = self.client.post(f"/api/view/{view}", data=data, content_type="application/json")
                    problem = self.problem(answer, 422, "shape")
                    self.assertIn(option, problem["problems"][0]["field"])

    def test_options_past_what_there_is(self) -> None:
        for value in (1e300, -1e300, 99.0, -1.0, 0.5):
            for option in ("duty", "air_speed"):
                for view in ("cooling/air", "fuel/circuit", "oil/pan", "exhaust/pipe", "engine/curves"):
                    body = {"sheet": ROAD, "options": {option: value}}
                    answer = self.client.post(f"/api/view/{view}", json=body)
                    self.assertIn(answer.status_code, (200, 422), f"{view} {option} {value}")

    def test_a_key_error_inside_is_no_missing_station(self) -> None:
        with (
            mock.patch("gauge_well.core.run.contexts.make_context", side_effect=KeyError("inside")),
            self.assertLogs("gauge_well.web", "ERROR"),
        ):
            answer = self.client.post("/api/view/cooling/air", json={"sheet": ROAD})
        self.problem(answer, 500, "bug")
        self.problem(self.client.post("/api/view/kitchen/sink", json={"sheet": ROAD}), 404, "not_found")

    def test_bad_data_is_not_a_dead_database(self) -> None:
        for error, status, code in ((DataError, 422, "data"), (OperationalError, 503, "database")):
            with (
                mock.patch.object(
                    history, "revisions", side_effect=error("SELECT", {"secret": "typed"}, Exception("x"))
                ),
                self.assertLogs("gauge_well.web", "ERROR"),
            ):
                self.problem(self.client.get("/api/builds/x/revisions"), status, code)

    def test_a_full_disk_is_said(self) -> None:
        with (
            mock.patch.object(history, "revisions", side_effect=OperationalError("INSERT", {}, DiskFull("no space"))),
            self.assertLogs("gauge_well.web", "ERROR"),
        ):
            problem = self.problem(self.client.get("/api/builds/x/revisions"), 503, "full")
        self.assertIn("disk is full", problem["title"])

    def test_no_500_says_that_nothing_was_changed(self) -> None:
        with (
            mock.patch.object(history, "revisions", side_effect=ZeroDivisionError),
            self.assertLogs("gauge_well.web", "ERROR"),
        ):
            problem = self.problem(self.client.get("/api/builds/x/revisions"), 500, "bug")
        self.assertNotIn("othing was changed", problem["title"])

    def test_what_was_typed_is_not_logged(self) -> None:
        secret = "the red coupe in the barn"
        with (
            self.assertLogs("gauge_well.web", "ERROR") as logged,
            mock.patch.object(builds, "_note", return_value="x\x00"),
        ):
            made = self.make()
            edit = {"edits": [{"path": "notes", "text": secret}]}
            answer = self.client.patch(f"/api/builds/{made['id']}", json=edit, headers=FENCED)
        self.assertIn(answer.status_code, (422, 503))
        self.assertNotIn(secret, "\n".join(logged.output))


class Addresses(TestCase):
    """The pages are read once: no address leads to the disk."""

    def setUp(self) -> None:
        holder = TemporaryDirectory()
        self.addCleanup(holder.cleanup)
        root = Path(holder.name) / "dist"
        (root / "assets").mkdir(parents=True)
        (root / "index.html").write_text("<title>page</title>")
        (root / "assets" / "a.js").write_text("1")
        (root / ".stamp").write_text("secret")
        (root.parent / "outside.txt").write_text("secret")
        self.client = create_app("postgresql://127.0.0.1:1/none", read_pages(root)).test_client()

    def test_a_file_outside_is_told_like_one_that_is_not_there(self) -> None:
        for there, not_there in (
            ("/../outside.txt", "/../nowhere.txt"),
            ("/%2e%2e/outside.txt", "/%2e%2e/nowhere.txt"),
            ("/..%2foutside.txt", "/..%2fnowhere.txt"),
            ("/assets/../../outside.txt", "/assets/../../nowhere.txt"),
            ("//etc/passwd", "//etc/nothing"),
        ):
            a, b = self.client.get(there), self.client.get(not_there)
            self.assertEqual((a.status_code, a.text), (b.status_code, b.text), there)
            self.assertNotIn("secret", a.text)
        self.assertNotIn("secret", self.client.get("/.stamp").text)

    def test_long_and_odd_addresses(self) -> None:
        for path in ("/" + "x" * 300, "/" + "x/" * 500, "/%00", "/a%00b", "/assets/%00.js", "/assets/" + "y" * 300):
            self.assertIn(self.client.get(path).status_code, (200, 404), path[:20])

    def test_kept_by_its_tag(self) -> None:
        first = self.client.get("/")
        again = self.client.get("/", headers={"If-None-Match": first.headers["ETag"]})
        self.assertEqual((again.status_code, again.data), (304, b""))


class Document(ApiCase):
    def operations(self) -> list[tuple[str, str, dict[str, Any]]]:
        document = self.client.get("/api/openapi.json").get_json()
        return [(path, m, op) for path, methods in document["paths"].items() for m, op in methods.items()]

    def test_every_refusal_is_a_problem(self) -> None:
        for path, method, operation in self.operations():
            for status, answer in operation["responses"].items():
                if int(status) >= 400:
                    self.assertEqual(list(answer["content"]), ["application/problem+json"], f"{method} {path} {status}")

    def test_every_write_of_a_build_names_its_fence(self) -> None:
        fenced = {
            (method, path)
            for path, method, operation in self.operations()
            for parameter in operation.get("parameters", ())
            if parameter["name"] == "If-Match" and parameter["required"]
        }
        build = "/api/builds/{id}"
        self.assertEqual(
            fenced,
            {(m, build) for m in ("patch", "put", "delete")} | {("post", build + "/revisions/{revision}/bring-back")},
        )

    def test_sheets_have_the_sheets_own_schema(self) -> None:
        schemas = self.client.get("/api/openapi.json").get_json()["components"]["schemas"]
        self.assertEqual(schemas["SizeRequest"]["properties"]["sheet"], {"$ref": "#/components/schemas/BuildDocument"})
        self.assertIn("cooling", schemas["BuildDocument"]["properties"])
        self.assertNotIn("x-sheet", json.dumps(schemas))


class ReadOnly(ApiCase):
    """A database that a newer program made is looked at, not written."""

    def test_looked_at_and_saved_only(self) -> None:
        made = self.make()
        app = create_app(self.url, {}, read_only=True)
        self.addCleanup(app.extensions["gauge_well_engine"].dispose)
        client, url = app.test_client(), f"/api/builds/{made['id']}"
        for path in ("/api/builds", url, f"{url}/revisions", f"{url}/revisions/1", "/api/export", "/api/bin"):
            self.assertEqual(client.get(path).status_code, 200, path)
        self.assertTrue(client.get("/api/health").get_json()["read_only"])
        self.assertEqual(client.post("/api/size", json={"sheet": ROAD}).status_code, 200)
        for method, path, body in (
            ("patch", url, EDIT),
            ("post", "/api/builds", {"sheet": ROAD}),
            ("delete", url, None),
            ("post", f"{url}/copy", {}),
        ):
            with self.assertLogs("gauge_well.web", "ERROR"):
                answer = getattr(client, method)(path, json=body, headers=FENCED)
            self.problem(answer, 503, "newer")
            self.assertNotIn("Retry-After", answer.headers)
        with app.extensions["gauge_well_engine"].connect() as connection:
            self.assertEqual(connection.scalar(text("SHOW transaction_read_only")), "on")
