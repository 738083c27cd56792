"""Meshes and outlines from files, and the scene out to files: read back by the libraries that read such files."""

import csv
import io
import unittest
from typing import Any

import ezdxf
import numpy as np
import trimesh
from ezdxf import recover
from scipy.spatial import ConvexHull

from gauge_well.formats.errors import FormatError
from gauge_well.formats.mesh import CORNERS, FACES_MAX, PIECES, read_mesh
from gauge_well.formats.outline import crossed, read_outline, strips
from gauge_well.services.shaping import COLUMNS, taken, written
from gauge_well.services.sizing import size_document
from gauge_well.sheet import SheetError
from tests.core.systems.fit.builds import fitted, solid, with_things
from tests.support import ROAD, NumbersCase, demo_document


def stl(mesh: trimesh.Trimesh) -> bytes:
    return bytes(mesh.export(file_type="stl"))


def dxf(*drawn: tuple[str, Any]) -> bytes:
    """A drawing of polylines, lines and circles."""
    document = ezdxf.new()
    space = document.modelspace()
    for kind, what in drawn:
        if kind == "closed":
            space.add_lwpolyline(what, close=True, dxfattribs={"layer": "bracket"})
        elif kind == "open":
            space.add_lwpolyline(what, dxfattribs={"layer": "bracket"})
        elif kind == "line":
            space.add_line(*what)
        else:
            space.add_circle(*what)
    out = io.StringIO()
    document.write(out)
    return out.getvalue().encode()


def holds(pieces: list[np.ndarray], points: np.ndarray) -> float:
    """How far [m] the worst of some points lies outside all pieces."""
    outside = [(points @ (e := ConvexHull(p).equations)[:, :3].T + e[:, 3]).max(axis=1) for p in pieces]
    return float(np.min(outside, axis=0).max())


class Meshes(NumbersCase):
    def test_a_block_is_itself(self) -> None:
        found = read_mesh(stl(trimesh.creation.box([200, 100, 50])), "stl", "mm")
        self.assertEqual((len(found.corners), len(found.corners[0]), found.faces), (1, 8, 12))
        self.close(np.ptp(found.corners[0], axis=0), [0.2, 0.1, 0.05], abs=1e-9)
        self.close(found.fat, 1.0, abs=1e-9)

    def test_inches(self) -> None:
        found = read_mesh(stl(trimesh.creation.box([4, 2, 1])), "stl", "in")
        self.close(np.ptp(found.corners[0], axis=0), [0.1016, 0.0508, 0.0254], abs=1e-7)

    def test_what_is_hollow_is_cut_and_all_of_it_held(self) -> None:
        """A ring of 200 mm: pieces round its hole, every corner of the mesh within a millimetre of one."""
        ring = trimesh.creation.torus(80, 20, major_sections=60, minor_sections=30)
        found = read_mesh(stl(ring), "stl", "mm")
        self.between(len(found.corners), 3, PIECES)
        self.assertLessEqual(sum(len(c) for c in found.corners), CORNERS)
        self.assertLess(holds(list(found.corners), 1e-3 * np.asarray(ring.vertices)), 1e-3)
        # The hole is a hole: no piece holds its middle.
        self.assertGreater(holds(list(found.corners), np.zeros((1, 3))), 0.02)

    def test_an_angle_of_two_boxes(self) -> None:
        parts = [trimesh.creation.box([200, 40, 40]), trimesh.creation.box([40, 40, 200])]
        parts[1].apply_translation([80, 0, 80])
        found = read_mesh(stl(trimesh.util.concatenate(parts)), "stl", "mm")
        self.assertGreater(len(found.corners), 1)
        self.assertGreater(holds(list(found.corners), np.array([[-0.06, 0.0, 0.12]])), 0.01, "the corner is free")

    def test_a_hundred_thousand_faces(self) -> None:
        """Taken in, as few corners that hold them, no more than a sixth fat."""
        ball = trimesh.creation.uv_sphere(radius=60, count=[170, 170])
        self.assertGreater(len(ball.faces), 100_000)
        found = read_mesh(stl(ball), "stl", "mm")
        self.assertEqual(len(found.corners), 1)
        self.assertLessEqual(len(found.corners[0]), CORNERS)
        self.assertLess(holds(list(found.corners), 1e-3 * np.asarray(ball.vertices)), 2e-4)

    def test_obj(self) -> None:
        text = "v 0 0 0\nv 100 0 0\nv 0 100 0\nv 0 0 100\nf 1 3 2\nf 1 2 4\nf 1 4 3\nf 2 3 4\n"
        found = read_mesh(text.encode(), "obj", "mm")
        self.assertEqual(len(found.corners[0]), 4)

    def test_refused_in_words(self) -> None:
        flat = b"v 0 0 0\nv 100 0 0\nv 0 100 0\nv 100 100 0\nf 1 2 3\nf 2 4 3\n"
        huge = stl(trimesh.creation.box([200, 100, 50]))
        for content, kind, unit, code in (
            (b"this is no mesh", "stl", "mm", "unreadable"),
            (b"v 1 2 3\n", "obj", "mm", "empty"),
            (flat, "obj", "mm", "flat"),
            (huge, "stl", "m", "size"),
            (b"v nan 0 0\nv 1 0 0\nv 0 1 0\nf 1 2 3\n", "obj", "mm", "not_finite"),
        ):
            with self.assertRaises(FormatError) as caught:
                read_mesh(content, kind, unit)
            self.assertIn(caught.exception.code, (code, "empty" if code in ("unreadable", "not_finite") else code))

    def test_too_fine_says_what_to_do(self) -> None:
        grid = trimesh.creation.icosphere(subdivisions=7)
        self.assertGreater(len(grid.faces), FACES_MAX)
        with self.assertRaises(FormatError) as caught:
            read_mesh(stl(grid), "stl", "cm")
        self.assertIn("reduce the mesh", caught.exception.message)


class Outlines(NumbersCase):
    ANGLE = ((0, 0), (200, 0), (200, 100), (120, 100), (120, 40), (0, 40))

    def test_an_angle_in_strips(self) -> None:
        """Cut at its one inward corner; the strips' areas are the whole's, 120 x 40 + 80 x 100."""
        points = read_outline(dxf(("closed", self.ANGLE)))
        found = strips(points)
        self.assertEqual(len(found), 2)
        self.close(sum(ConvexHull(p).volume for p in found), 120 * 40 + 80 * 100, rel=0.35)

    def test_lines_that_meet_are_one(self) -> None:
        lines = [
            ("line", (a, b))
            for a, b in (((0, 0), (50, 0)), ((50, 30), (50, 0)), ((50, 30), (0, 30)), ((0, 0), (0, 30)))
        ]
        self.assertEqual(len(read_outline(dxf(*lines))), 4)

    def test_a_circle(self) -> None:
        points = read_outline(dxf(("circle", ((10, 20), 30))))
        self.close(
            np.linalg.norm(points - [10, 20], axis=1), np.full(len(points), 30.0), abs=0.01
        )  # curves are cubics there

    def test_refused_by_name(self) -> None:
        for drawn, code, words in (
            (dxf(("open", ((0, 0), (200, 0), (200, 100)))), "open", "bracket is open: its ends are 223.6 apart"),
            (
                dxf(("closed", ((0, 0), (100, 100), (100, 0), (0, 100)))),
                "crosses",
                "bracket crosses itself at 50.0, 50.0",
            ),
            (dxf(("closed", self.ANGLE), ("circle", ((500, 0), 20))), "several", "2 outlines"),
            (dxf(), "empty", "no line"),
            (b"not a drawing", "unreadable", "no DXF"),
        ):
            with self.assertRaises(FormatError) as caught:
                read_outline(drawn)
            self.assertEqual(caught.exception.code, code)
            self.assertIn(words, caught.exception.message)

    def test_crossing(self) -> None:
        """None of a square; a bow tie at its middle."""
        square = np.array([(0, 0), (1, 0), (1, 1), (0, 1)], dtype=float)
        self.assertIsNone(crossed(square))
        at = crossed(square[[0, 2, 1, 3]])
        assert at is not None
        self.close(at, [0.5, 0.5], abs=1e-12)


class Taken(NumbersCase):
    def test_points_that_the_sheet_reads(self) -> None:
        """An outline carried 100 mm, put into a bay as text: the check sees it."""
        shape = taken(dxf(("closed", Outlines.ANGLE)), "dxf", "mm", "side", -0.05, 0.05)
        self.assertTrue(shape["points"].startswith(COLUMNS))
        self.close(shape["size_m"], [0.2, 0.1, 0.1], abs=1e-9)
        raw = with_things(
            fitted(fit__crank_height="310 mm"), solid("metal", "body", shape="points", points=shape["points"])
        )
        ids = {c["id"] for c in size_document(raw)["systems"]["fit"]["checks"]}
        self.assertTrue(any(id.startswith("gap_solid") for id in ids), ids)

    def test_corners_in_rows(self) -> None:
        """With a header and without; bare numbers in the unit picked, a header's own stands."""
        rows = "1, 0, 0, 0\n1, 4, 0, 0\n1, 0, 2, 0\n1, -1, 0, 1\n"
        self.close(taken(rows.encode(), "csv", "in", "side", 0, 0)["size_m"], [0.127, 0.0508, 0.0254], abs=1e-9)
        headed = "piece, ahead [mm], left [mm], over [mm]\n" + rows
        self.close(taken(headed.encode(), "csv", "in", "side", 0, 0)["size_m"], [0.005, 0.002, 0.001], abs=1e-9)
        for bad in (b"1, 2\n", b"\xff\xfe1", b""):
            with self.assertRaises(SheetError):
                taken(bad, "csv", "mm", "side", 0, 0)

    def test_a_bad_file_is_a_problem_of_the_file(self) -> None:
        with self.assertRaises(SheetError) as caught:
            taken(b"nothing", "stl", "mm", "side", 0.0, 0.1)
        self.assertEqual(caught.exception.problems[0].field, "file")
        with self.assertRaises(SheetError):
            taken(dxf(("closed", Outlines.ANGLE)), "dxf", "mm", "side", 0.1, 0.1)


class Out(NumbersCase):
    def test_stl_and_obj_come_back(self) -> None:
        """As wide, long and high in millimetres as the rails, walls and floor they hold."""
        raw = demo_document("quarry-mule")
        for kind in ("stl", "obj"):
            mesh = trimesh.load(io.BytesIO(written(raw, kind)), file_type=kind, force="mesh")
            self.assertGreater(len(mesh.faces), 200)
            self.between(np.ptp(mesh.vertices, axis=0), 1000.0, 6000.0)
        self.assertNotIn(b"http", written(raw, "obj"))

    def test_csv(self) -> None:
        rows = list(csv.DictReader(io.StringIO(written(demo_document("quarry-mule"), "csv").decode())))
        cover = [float(r["over_mm"]) for r in rows if r["thing"] == "cover"]
        # Crank at 512 on the pulley, cover 438 over it, nose up by 3 degrees.
        self.between(max(cover), 900.0, 960.0)

    def test_dxf(self) -> None:
        document, auditor = recover.read(io.BytesIO(written(demo_document("quarry-mule"), "dxf")))
        self.assertFalse(auditor.has_errors)
        layers = {e.dxf.layer for e in document.modelspace()}
        self.assertTrue({"side_cover", "front_cover", "plan_cover", "side_bonnet"} <= layers)

    def test_nothing_to_write_yet(self) -> None:
        with self.assertRaises(SheetError):
            written(ROAD, "stl")


if __name__ == "__main__":
    unittest.main()
