"""Shapes and searches over HTTP: bytes in, files out, a search told as it goes."""

import io
import json

import trimesh

from tests.core.systems.fit.builds import FIVE, fitted
from tests.support import ROAD, changed, demo_document
from tests.web.test_api import ApiCase

BYTES = "application/octet-stream"


class Shapes(ApiCase):
    def test_a_mesh_in(self) -> None:
        block = bytes(trimesh.creation.box([120, 80, 60]).export(file_type="stl"))
        answer = self.client.post("/api/shape?kind=stl", data=block, content_type=BYTES)
        self.assertEqual(answer.status_code, 200)
        found = answer.get_json()
        self.assertEqual((found["pieces"], found["corners"], found["faces"]), (1, 8, 12))

    def test_what_is_refused(self) -> None:
        for data, media, query, status, words in (
            (b"{}", "application/json", "kind=stl", 415, "octet-stream"),
            (b"no mesh at all", BYTES, "kind=stl", 422, "no face"),
            (b"solid", BYTES, "kind=step", 422, "stl"),
            (b"x" * (8 * 1024 * 1024 + 1), BYTES, "kind=stl", 413, "binary STL"),
        ):
            answer = self.client.post(f"/api/shape?{query}", data=data, content_type=media)
            self.assertEqual(answer.status_code, status, answer.text[:200])
            self.assertIn(words, answer.text)

    def test_the_scene_out(self) -> None:
        for kind in ("stl", "obj", "csv", "dxf"):
            answer = self.client.post(f"/api/scene/{kind}", json={"sheet": demo_document("quarry-mule")})
            self.assertEqual(answer.status_code, 200)
            self.assertGreater(len(answer.data), 5000)
        mesh = trimesh.load(
            io.BytesIO(self.client.post("/api/scene/stl", json={"sheet": fitted()}).data), file_type="stl"
        )
        self.assertGreater(len(mesh.faces), 100)
        refused = self.client.post("/api/scene/stl", json={"sheet": ROAD})
        self.assertEqual((refused.status_code, refused.get_json()["problems"][0]["field"]), (422, "fit.bay.length"))


class Searches(ApiCase):
    def lines(self, path: str, sheet: dict) -> list[dict]:
        answer = self.client.post(path, json={"sheet": sheet})
        self.assertEqual((answer.status_code, answer.mimetype), (200, "application/x-ndjson"))
        return [json.loads(line) for line in answer.text.splitlines()]

    def test_the_best_place(self) -> None:
        told = self.lines("/api/seek/fit/best", fitted(fit__bay__edge="810 mm", fit__crank_height="375 mm"))
        self.assertEqual([t["event"] for t in told], ["progress"] * (len(told) - 1) + ["answer"])
        self.assertGreater(len(told), 6)
        best = told[-1]["data"]
        self.assertGreaterEqual(best["slack"], best["now"])
        self.assertIn("fit.crank_height", {e["path"] for e in told[-1]["edits"]})

    def test_what_is_missing(self) -> None:
        sheet = changed(ROAD, fit={k: v for k, v in FIVE.items() if k != "unit.cover"})
        self.assertEqual(self.lines("/api/seek/fit/best", sheet), [{"event": "unknown", "missing": ["fit.unit.cover"]}])

    def test_every_drawing_answers(self) -> None:
        for name in ("lie", "window", "hands", "doubt"):
            answer = self.client.post(f"/api/view/fit/{name}", json={"sheet": demo_document("quarry-mule")})
            self.assertIsNotNone(answer.get_json()["data"], name)
            bare = self.client.post(f"/api/view/fit/{name}", json={"sheet": ROAD}).get_json()
            self.assertEqual((bare["data"], bare["unknown"]), (None, ["fit.bay.length"]), name)
        far = self.client.post("/api/view/fit/lie", json={"sheet": fitted(), "options": {"ahead": 2.0}})
        self.assertEqual((far.status_code, far.get_json()["problems"][0]["field"]), (422, "ahead"))


class Outlines(ApiCase):
    SVG = (
        b'<svg xmlns="http://www.w3.org/2000/svg" width="480mm" viewBox="0 0 480 160"><path d="M0 0V140H460V0Z"/></svg>'
    )

    def test_a_side_view_in(self) -> None:
        answer = self.client.post("/api/outline?kind=svg", data=self.SVG, content_type=BYTES)
        self.assertEqual(answer.status_code, 200)
        found = answer.get_json()
        self.assertEqual(found["corners"], 4)
        self.assertIn("460.0, 140.0", found["rows"])

    def test_what_is_refused(self) -> None:
        for data, media, query, status, words in (
            (b"{}", "application/json", "kind=svg", 415, "octet-stream"),
            (b"no drawing", BYTES, "kind=svg", 422, "SVG"),
            (b"<!DOCTYPE svg>" + self.SVG, BYTES, "kind=svg", 422, "draw the outline itself"),
            (self.SVG, BYTES, "kind=stl", 422, "dxf"),
        ):
            answer = self.client.post(f"/api/outline?{query}", data=data, content_type=media)
            self.assertEqual(answer.status_code, status, words)
            self.assertIn(words, json.dumps(answer.get_json()))

    def test_and_out(self) -> None:
        for kind, media, start in (
            ("csv", "text/csv", b"from"),
            ("svg", "image/svg+xml", b"<svg"),
            ("dxf", "image/vnd.dxf", b"  0"),
        ):
            answer = self.client.post(f"/api/outline/{kind}", json={"sheet": ROAD})
            self.assertEqual((answer.status_code, answer.mimetype), (200, media))
            self.assertTrue(answer.data.startswith(start), kind)
        bare = self.client.post("/api/outline/svg", json={"sheet": changed(ROAD, oil__pan__depth=None)})
        self.assertEqual((bare.status_code, bare.get_json()["problems"][0]["field"]), (422, "oil.pan.depth"))


class Lists(ApiCase):
    def test_a_list_of_parts_as_csv(self) -> None:
        """A head and a part a row; one place, or none of that name, is refused by its name."""
        sheet = {"sheet": demo_document("quarry-mule")}
        answer = self.client.post("/api/list/exhaust.pieces", json=sheet)
        self.assertEqual((answer.status_code, answer.mimetype), (200, "text/csv"))
        self.assertEqual(len(answer.text.splitlines()), 7)
        for place in ("cooling.core", "exhaust.nothing"):
            refused = self.client.post(f"/api/list/{place}", json=sheet)
            self.assertEqual(refused.status_code, 422)
            self.assertIn("no such list", refused.text)

    def test_a_run_kept_from_csv(self) -> None:
        """Long enough for a hundred rows; one that cannot be read leaves the build as it was."""
        made = self.client.post("/api/builds", json={"sheet": demo_document("quarry-mule")}).get_json()
        path, held = f"/api/builds/{made['id']}", {"If-Match": '"1"'}
        rows = "piece,diameter,length,bends\n" + "pipe,63.5 mm,120 mm,0 deg\n" * 90
        edit = {"path": "exhaust.pieces", "text": rows, "action": "list"}
        kept = self.client.patch(path, json={"edits": [edit]}, headers=held)
        self.assertEqual(kept.status_code, 200, kept.text[:200])
        wrong = {**edit, "text": "piece,length\npipe,long\n"}
        refused = self.client.patch(path, json={"edits": [wrong]}, headers={"If-Match": '"2"'})
        self.assertEqual(refused.status_code, 422)
        self.assertIn("exhaust.pieces.pipe.length", refused.text)
        again = self.client.get(path).get_json()
        self.assertEqual(
            (again["revision"], sum(p.get("role") == "exhaust.pieces" for p in again["document"]["parts"])), (2, 90)
        )


class Pins(ApiCase):
    def test_a_list_read_and_one_refused(self) -> None:
        answer = self.client.post("/api/pins", data=b"pin,function\n1,knock\n\n1,flux\n", content_type=BYTES)
        self.assertEqual(answer.status_code, 200)
        found = answer.get_json()
        self.assertEqual([p["what"] for p in found["pins"]], ["knock", "other"])
        self.assertEqual(len(found["pins"][1]["odd"]), 2)
        refused = self.client.post("/api/pins", data=b" \n", content_type=BYTES)
        self.assertEqual(refused.status_code, 422)
        self.assertEqual(refused.get_json()["problems"][0]["field"], "electrics.signals")
        self.assertEqual(self.client.post("/api/pins", json={"text": "1,knock"}).status_code, 415)
