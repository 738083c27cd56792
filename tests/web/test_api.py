"""The API over a real database: every route, every refusal, as ``application/problem+json``."""

import json
import re
import unittest
from typing import Any
from unittest.mock import patch

from flask.testing import FlaskClient
from werkzeug.test import TestResponse

from gauge_well.services import models, models_report, shelf
from gauge_well.web.app import create_app
from gauge_well.web.pages import read_pages
from tests.database import DatabaseCase
from tests.support import ROAD, ROOT, changed

EDIT = {"edits": [{"path": "machine.mass", "text": "1500 kg"}]}
STARTER = {
    "kind": "van",
    "fuel": "diesel",
    "power": "110 kW",
    "speed": "3800",
    "displacement": "2.2 L",
    "mass": "1900 kg",
}


class ApiCase(DatabaseCase):
    client: FlaskClient

    @classmethod
    def setUpClass(cls) -> None:
        super().setUpClass()
        cls.app = create_app(cls.url, {})
        cls.client = cls.app.test_client()

    @classmethod
    def tearDownClass(cls) -> None:
        cls.app.extensions["gauge_well_engine"].dispose()
        super().tearDownClass()

    def problem(self, response: TestResponse, status: int, code: str | None = None) -> dict[str, Any]:
        self.assertEqual(response.status_code, status, response.text[:300])
        self.assertEqual(response.mimetype, "application/problem+json")
        body = response.get_json()
        self.assertTrue(body["title"])
        self.assertEqual(body["status"], status)
        if code is not None:
            self.assertEqual(body["code"], code)
        for word in ("Traceback", 'File "', "site-packages", "psycopg", "sqlalchemy"):
            self.assertNotIn(word, response.text)
        return dict(body)

    def make(self) -> dict[str, Any]:
        response = self.client.post("/api/builds", json={"sheet": ROAD})
        self.assertEqual(response.status_code, 201)
        return dict(response.get_json())


class Builds(ApiCase):
    def test_made_from_five_facts(self) -> None:
        response = self.client.post("/api/builds", json={"starter": STARTER})
        self.assertEqual(response.status_code, 201)
        self.assertEqual(response.headers["ETag"], '"1"')
        body = response.get_json()
        self.assertEqual(body["report"]["state"], "unknown")
        self.assertTrue(body["report"]["systems"]["cooling"]["need"])
        self.assertEqual(self.client.get(f"/api/builds/{body['id']}").get_json()["document"], body["document"])

    def test_five_facts_with_a_bad_one(self) -> None:
        for text in ("lots", "12 psi"):
            response = self.client.post("/api/builds", json={"starter": STARTER | {"power": text}})
            entry = self.problem(response, 422, "sheet")["problems"][0]
            self.assertEqual(entry["field"], "engine.rated_power")
            self.assertIn(entry["read"], text)
            self.assertTrue(entry["allowed"])

    def test_edit_needs_the_revision(self) -> None:
        made = self.make()
        self.problem(self.client.patch(f"/api/builds/{made['id']}", json=EDIT), 428, "if_match")
        for value in ("x", "-1", '"99999999999"'):
            self.problem(self.client.patch(f"/api/builds/{made['id']}", json=EDIT, headers={"If-Match": value}), 428)
        response = self.client.patch(f"/api/builds/{made['id']}", json=EDIT, headers={"If-Match": '"1"'})
        self.assertEqual((response.status_code, response.headers["ETag"]), (200, '"2"'))

    def test_stale_is_409_with_both_versions(self) -> None:
        made = self.make()
        url, headers = f"/api/builds/{made['id']}", {"If-Match": '"1"'}
        self.client.patch(url, json=EDIT, headers=headers)
        mine = {"edits": [{"path": "machine.mass", "text": "1777 kg"}]}
        body = self.problem(self.client.patch(url, json=mine, headers=headers), 409, "stale")
        self.assertEqual(body["current"]["facts"]["machine.mass"]["text"], "1500 kg")
        self.assertEqual(body["yours"]["machine"]["mass"]["text"], "1777 kg")
        self.problem(self.client.put(url, json={"sheet": ROAD}, headers=headers), 409, "stale")
        self.problem(self.client.post(f"{url}/revisions/1/bring-back", headers=headers), 409, "stale")

    def test_copy_delete_undo_history(self) -> None:
        made = self.make()
        url = f"/api/builds/{made['id']}"
        copied = self.client.post(f"{url}/copy", json={"name": None}).get_json()
        self.assertIn("(copy)", copied["name"])
        self.assertEqual(self.client.delete(url, headers={"If-Match": '"1"'}).status_code, 204)
        self.problem(self.client.get(url), 404, "not_found")
        self.assertEqual(self.client.post(f"{url}/undelete").status_code, 200)
        self.client.patch(url, json=EDIT, headers={"If-Match": '"1"'})
        history = self.client.get(f"{url}/revisions").get_json()["revisions"]
        self.assertEqual([r["revision"] for r in history], [2, 1])
        back = self.client.post(f"{url}/revisions/1/bring-back", headers={"If-Match": '"2"'})
        self.assertEqual(back.get_json()["document"], made["document"])
        shelf = self.client.get("/api/builds").get_json()["builds"]
        self.assertLessEqual({made["id"], copied["id"]}, {c["id"] for c in shelf})

    def test_replace(self) -> None:
        made = self.make()
        sheet = changed(ROAD, name="Replaced")
        response = self.client.put(f"/api/builds/{made['id']}", json={"sheet": sheet}, headers={"If-Match": '"1"'})
        self.assertEqual(response.get_json()["name"], "Replaced")

    def test_unknown_builds_on_every_route(self) -> None:
        headers = {"If-Match": '"1"'}
        for method, path, body in (
            ("get", "", None),
            ("patch", "", EDIT),
            ("put", "", {"sheet": ROAD}),
            ("delete", "", None),
            ("post", "/undelete", None),
            ("post", "/copy", {}),
            ("get", "/revisions", None),
            ("post", "/revisions/1/bring-back", None),
        ):
            response = getattr(self.client, method)(f"/api/builds/none{path}", json=body, headers=headers)
            with self.subTest(method=method, path=path):
                self.problem(response, 404, "not_found")

    def test_explained_duty(self) -> None:
        made = self.make()
        body = self.client.get(f"/api/builds/{made['id']}?explain=grade").get_json()
        self.assertEqual(set(body["report"]["systems"]["cooling"]["working"]), {"grade"})


class Refusals(ApiCase):
    def test_malformed_json_is_400(self) -> None:
        for data in ("{", "", "nul", '{"sheet": }', "[" * 100_000, "\x00"):
            response = self.client.post("/api/size", data=data, content_type="application/json")
            self.assertIn(response.status_code, (400, 422), data[:20])
            self.problem(response, response.status_code)
        self.problem(self.client.post("/api/size", data="{", content_type="application/json"), 400, "malformed")

    def test_wrong_type_is_415(self) -> None:
        for kind in ("text/plain", "application/x-www-form-urlencoded", "application/xml"):
            self.problem(self.client.post("/api/size", data="{}", content_type=kind), 415, "media_type")

    def test_wrong_shape_is_422(self) -> None:
        for body in ([], "sheet", 4, None, {}, {"sheet": []}, {"sheet": {}, "more": 1}, {"sheet": {"engine": 4}}):
            self.problem(self.client.post("/api/size", json=body), 422)
        self.problem(self.client.post("/api/builds", json={}), 422, "shape")
        self.problem(self.client.post("/api/builds", json={"sheet": {}, "starter": STARTER}), 422, "shape")
        made = self.make()
        for body in (
            {"edits": []},
            {"edits": [{"text": "x"}]},
            {"edits": [{"path": "name", "text": "x", "evidence": "rule"}]},
        ):
            self.problem(self.client.patch(f"/api/builds/{made['id']}", json=body, headers={"If-Match": '"1"'}), 422)

    def test_nan_and_huge_numbers_in_json(self) -> None:
        for text in ('{"sheet": {"machine": {"mass": NaN}}}', '{"sheet": {"machine": {"mass": 1e999}}}'):
            response = self.client.post("/api/size", data=text, content_type="application/json")
            self.problem(response, response.status_code)
            self.assertIn(response.status_code, (400, 422))

    def test_too_large_is_413(self) -> None:
        data = json.dumps({"sheet": {"notes": "x" * 600_000}})
        self.problem(self.client.post("/api/size", data=data, content_type="application/json"), 413)

    def test_absurd_values_name_the_field(self) -> None:
        for path, text in (
            ("machine__mass", "-5 kg"),
            ("engine__rated_speed", "0 rpm"),
            ("engine__rated_power", "10 MW"),
            ("engine__rated_power", "500 kW"),
        ):
            body = self.problem(
                self.client.post("/api/size", json={"sheet": changed(ROAD, **{path: text})}), 422, "sheet"
            )
            entry = body["problems"][0]
            self.assertEqual(entry["field"], path.replace("__", "."))
            self.assertTrue(entry["read"] and entry["allowed"] and entry["message"])

    def test_no_such_address_or_method(self) -> None:
        self.problem(self.client.get("/api/nothing"), 404)
        self.problem(self.client.put("/api/size", json={}), 405)
        self.problem(self.client.post("/api/view/cooling/nothing", json={"sheet": ROAD}), 404)
        self.problem(self.client.post("/api/read", json={"text": "1", "kind": "nothing"}), 422, "kind")
        self.problem(self.client.post("/api/read", json={"text": "12 psi", "kind": "length"}), 422, "reading")

    def test_a_bug_shows_nothing_of_the_inside(self) -> None:
        def broken(*args: object) -> None:
            raise ZeroDivisionError("secret")

        original, shelf.shelf = shelf.shelf, broken  # type: ignore[assignment]
        try:
            with self.assertLogs("gauge_well.web", "ERROR"):
                body = self.problem(self.client.get("/api/builds"), 500, "bug")
            self.assertNotIn("secret", json.dumps(body))
        finally:
            shelf.shelf = original


class DeadDatabase(unittest.TestCase):
    def test_503_in_plain_words(self) -> None:
        app = create_app("postgresql://u:p@127.0.0.1:1/none")
        client = app.test_client()
        with self.assertLogs("gauge_well.web", "ERROR"):
            for response in (
                client.get("/api/builds"),
                client.get("/api/health"),
                client.post("/api/builds", json={"sheet": ROAD}),
            ):
                self.assertEqual((response.status_code, response.get_json()["code"]), (503, "database"))
                self.assertNotIn("127.0.0.1", response.text)
        self.assertEqual(client.post("/api/size", json={"sheet": ROAD}).status_code, 200)
        app.extensions["gauge_well_engine"].dispose()


class Sizing(ApiCase):
    def test_size_equals_the_service(self) -> None:
        from gauge_well.services.sizing import size_document

        found = self.client.post("/api/size", json={"sheet": ROAD}).get_json()
        self.assertEqual(found, json.loads(json.dumps(size_document(ROAD))))

    def test_instruments_read_vocabulary_schema(self) -> None:
        for view in ("engine/curves", "cooling/air", "fuel/circuit"):
            body = self.client.post(f"/api/view/{view}", json={"sheet": ROAD, "options": {"duty": 1}}).get_json()
            self.assertTrue(body["data"])
        found = self.client.post("/api/read", json={"text": "11 5/8 in", "kind": "length"}).get_json()
        self.assertEqual((found["unit"], found["count"]), ("in", 1))
        self.assertIn("cooling", self.client.get("/api/vocabulary").get_json()["sections"])
        self.assertEqual(self.client.get("/api/schema").get_json()["$id"], "gauge-well-build/2")

    def test_health(self) -> None:
        self.assertEqual(self.client.get("/api/health").get_json(), {"ok": True, "read_only": False})


class Document(ApiCase):
    def test_openapi_is_the_shipped_one(self) -> None:
        served = self.client.get("/api/openapi.json").get_json()
        shipped = json.loads((ROOT / "frontend" / "src" / "api" / "openapi.json").read_text())
        self.assertEqual(served, shipped, "run ./gw types")
        self.assertEqual(served["openapi"], "3.1.0")

    def test_every_route_is_documented(self) -> None:
        paths = set(self.client.get("/api/openapi.json").get_json()["paths"])
        for rule in self.app.url_map.iter_rules():
            address = re.sub(r"<(\w+)>", r"{\1}", str(rule))
            plain = {"/api/openapi.json", "/api/<path:rest>"}
            if address.startswith("/api/") and address not in plain:
                self.assertIn(address, paths)


class Pages(unittest.TestCase):
    def setUp(self) -> None:
        import tempfile
        from pathlib import Path

        self.folder = tempfile.TemporaryDirectory()
        root = Path(self.folder.name)
        (root / "assets").mkdir()
        (root / "index.html").write_text("<title>page</title>")
        (root / "assets" / "a.js").write_text("1")
        (root.parent / "outside.txt").write_text("secret")
        self.app = create_app("postgresql://127.0.0.1:1/none", read_pages(root))
        self.client = self.app.test_client()

    def tearDown(self) -> None:
        self.folder.cleanup()

    def test_any_address_is_the_pages_own(self) -> None:
        for path in ("/", "/new", "/builds/x/cooling"):
            with self.client.get(path) as response:
                self.assertIn("page", response.text)
                self.assertIn("no-cache", response.headers["Cache-Control"])

    def test_assets_are_kept_long_and_missing_ones_are_404(self) -> None:
        with self.client.get("/assets/a.js") as response:
            self.assertIn("max-age=31536000", response.headers["Cache-Control"])
        self.assertEqual(self.client.get("/assets/none.js").status_code, 404)

    def test_nothing_outside_the_folder(self) -> None:
        for path in ("/../outside.txt", "/%2e%2e/outside.txt", "/assets/..%2f..%2foutside.txt"):
            with self.client.get(path) as response:
                self.assertNotIn("secret", response.text)

    def test_headers(self) -> None:
        with self.client.get("/") as response:
            self.assertIn("default-src 'self'", response.headers["Content-Security-Policy"])
            self.assertEqual(response.headers["X-Content-Type-Options"], "nosniff")


class Explore(ApiCase):
    def lines(self, **body: Any) -> list[dict[str, Any]]:
        response = self.client.post("/api/explore", json={"sheet": ROAD, **body})
        self.assertEqual((response.status_code, response.mimetype), (200, "application/x-ndjson"))
        return [json.loads(line) for line in response.text.splitlines()]

    def test_a_stream_of_whole_lines(self) -> None:
        events = self.lines(samples=256)
        self.assertEqual((events[0]["event"], events[-1]["event"]), ("report", "done"))
        self.assertEqual({"changes", "measure", "progress"} - {e["event"] for e in events}, set())
        for event in events:
            models.ExploreEvent.model_validate(event)

    def test_bands_alone(self) -> None:
        events = self.lines(parts=["bands"], samples=256)
        self.assertEqual([e["event"] for e in events], ["report", "done"])
        self.assertEqual(events[0]["report"]["samples"], 256)

    def test_what_is_not_taken_is_not_worked(self) -> None:
        """Closing the answer after its first line stops the work: the generator ends there."""
        taken: list[str] = []

        def events(*args: Any) -> Any:
            for kind in ("report", "progress", "done"):
                taken.append(kind)
                yield {"event": kind}

        with patch("gauge_well.services.explore.explore", events):
            response = self.client.post("/api/explore", json={"sheet": ROAD}, buffered=False)
            next(iter(response.response))  # type: ignore[call-overload]
            response.close()
        self.assertEqual(taken, ["report"])

    def test_who_hung_up_before_anything_was_worked_is_no_fault(self) -> None:
        with patch("gauge_well.services.explore.explore", lambda *args: iter(())), self.assertNoLogs("gauge_well.web"):
            self.problem(self.client.post("/api/explore", json={"sheet": ROAD}), 503)

    def test_a_sheet_that_does_not_stand_is_refused_before_anything_is_sent(self) -> None:
        bad = changed(ROAD, cooling__core__width="wide")
        for path in ("explore", "solve", "round", "need", "need.csv"):
            body: dict[str, Any] = {"sheet": bad} | ({"path": "cooling.core.depth"} if path == "solve" else {})
            with self.subTest(path):
                problem = self.problem(self.client.post(f"/api/{path}", json=body), 422)
                self.assertEqual(problem["problems"][0]["field"], "cooling.core.width")

    def test_odd_requests(self) -> None:
        for body in (
            {"sheet": ROAD, "samples": 100},
            {"sheet": ROAD, "samples": 1e9},
            {"sheet": ROAD, "parts": ["everything"]},
            {"sheet": ROAD, "parts": ["bands"] * 9},
            {"sheet": []},
            {},
        ):
            with self.subTest(body=str(body)[-40:]):
                self.problem(self.client.post("/api/explore", json=body), 422)

    def test_solve(self) -> None:
        response = self.client.post("/api/solve", json={"sheet": ROAD, "path": "fuel.injectors.flow"})
        found = models.SolvedOut.model_validate(response.get_json())
        assert found.low is not None and found.sure_low is not None
        self.assertGreater(found.sure_low.si, found.low.si)

    def test_solve_for_what_is_no_quantity(self) -> None:
        for path in ("cooling.fan.shroud", "no.such", "duties.nobody.air_speed", "x" * 100):
            with self.subTest(path):
                self.problem(self.client.post("/api/solve", json={"sheet": ROAD, "path": path}), 422)

    def test_side_by_side(self) -> None:
        sheet = ROAD | {
            "parts": [*ROAD["parts"], {"id": "a", "kind": "core", "name": "Van", "facts": {"width": "700 mm"}}]
        }
        answer = self.client.post("/api/compare/cooling.core", json={"sheet": sheet}).get_json()
        found = models.SideBySide.model_validate(answer)
        self.assertEqual([c.id for c in found.columns], ["core", "a"])
        for place in ("oil.pickup", "kitchen.sink"):
            self.problem(self.client.post(f"/api/compare/{place}", json={"sheet": sheet}), 404)

    def test_map(self) -> None:
        body = {"sheet": ROAD, "duty": "grade", "kind": "ambient_speed"}
        found = models.MapOut.model_validate(self.client.post("/api/map", json=body).get_json())
        assert found.x is not None and found.lines is not None
        self.assertEqual(len(found.lines[1].y), len(found.x.values))
        self.problem(self.client.post("/api/map", json=body | {"duty": "pull"}), 422)
        self.problem(self.client.post("/api/map", json=body | {"kind": "treasure"}), 422)

    def test_size_with_samples(self) -> None:
        response = self.client.post("/api/size", json={"sheet": ROAD, "samples": 256})
        found = response.get_json()
        self.assertEqual(found["samples"], 256)
        models_report.Report.model_validate(found)
        self.assertIsNotNone(found["systems"]["cooling"]["checks"][0]["holds_probability"])

    def test_need_and_round(self) -> None:
        models.NeedSheet.model_validate(self.client.post("/api/need", json={"sheet": ROAD}).get_json())
        models.Round.model_validate(self.client.post("/api/round", json={"sheet": ROAD}).get_json())
        text = self.client.post("/api/need.csv", json={"sheet": ROAD})
        self.assertEqual(text.mimetype, "text/csv")
        self.assertTrue(text.text.startswith("System,Part"))


class ClaimEdits(ApiCase):
    def patch(self, build: dict[str, Any], **edit: Any) -> TestResponse:
        return self.client.patch(
            f"/api/builds/{build['id']}", json={"edits": [edit]}, headers={"If-Match": f'"{build["revision"]}"'}
        )

    def test_claims_come_back_shown(self) -> None:
        build = self.make()
        build = self.patch(
            build, path="cooling.core.depth", text="1 1/8 in", action="claim", evidence="sheet", source="catalogue"
        ).get_json()
        fact = build["facts"]["cooling.core.depth"]
        self.assertEqual(fact["claims"][0]["shown"], "28.57\u00a0mm")
        self.assertEqual(fact["claims"][0]["source"], "catalogue")
        self.assertEqual(fact["half"], "± 7.8\u00a0mm")
        build = self.patch(build, path="cooling.core.depth", action="use", index=0).get_json()
        self.assertEqual(build["facts"]["cooling.core.depth"]["shown"], "28.57\u00a0mm")
        models.BuildOut.model_validate(build)

    def test_odd_edits_leave_it_as_it_was(self) -> None:
        build = self.make()
        for edit in (
            {"path": "cooling.core.depth", "action": "use", "index": 4},
            {"path": "cooling.core.depth", "action": "use", "index": -1},
            {"path": "cooling.core.depth", "action": "steal"},
            {"path": "cooling.core.depth", "text": "26 mm", "date": "yesterday"},
            {"path": "cooling.core.depth", "text": "26 mm", "source": "x" * 200},
            {"path": "fuel.main.count", "text": "many", "action": "price"},
        ):
            with self.subTest(edit=edit):
                self.problem(self.patch(build, **edit), 422)
        self.assertEqual(self.client.get(f"/api/builds/{build['id']}").get_json()["revision"], build["revision"])
