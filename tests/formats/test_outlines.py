"""A pan's side view from SVG, DXF and CSV, and back: read by libraries that read such files; hostile ones refused."""

import io

import ezdxf
import numpy as np
from ezdxf import recover
from svgelements import SVG, Path

from gauge_well.formats.drawn import SVG_MAX, read_svg, write_svg
from gauge_well.formats.errors import FormatError
from gauge_well.services.outlining import taken, written
from gauge_well.sheet import SheetError
from tests.core.systems.oil.builds import with_oil
from tests.support import NumbersCase

# A pan with its well at the rear, y up, rail at the top.
PAN = [(0, 0), (0, -140), (240, -140), (240, -50), (460, -50), (460, 0)]
ROWS = ["0.0, 0.0", "0.0, 140.0", "240.0, 140.0", "240.0, 50.0", "460.0, 50.0", "460.0, 0.0"]


def svg(path: str, size: str = 'width="480mm" height="160mm" viewBox="0 0 480 160"') -> bytes:
    return f'<svg xmlns="http://www.w3.org/2000/svg" {size}><path d="{path}"/></svg>'.encode()


CORNERS = "M10 10V150H250V60H470V10Z"


def rows(content: bytes, kind: str, unit: str = "mm", turned: bool = False) -> list[str]:
    return str(taken(content, kind, unit, turned)["rows"]).splitlines()[1:]


class In(NumbersCase):
    def test_svg_at_its_own_size(self) -> None:
        """Drawn at true size it is taken so, whatever unit was picked; its place on the sheet does not matter."""
        self.assertEqual(rows(svg(CORNERS), "svg", "in"), ROWS)

    def test_svg_in_a_picked_unit(self) -> None:
        """Without a size of its own numbers are in the unit picked: 46 cm are 460 mm."""
        small = "M1 1V15H25V6H47V1Z"
        self.assertEqual(rows(svg(small, 'viewBox="0 0 48 16"'), "svg", "cm"), ROWS)

    def test_svg_scaled_and_moved(self) -> None:
        content = (
            svg(CORNERS)
            .replace(b"<path", b'<g transform="translate(30 5) scale(2)"><path')
            .replace(b"/></svg>", b"/></g></svg>")
        )
        found, sized = read_svg(content)
        self.assertTrue(sized)
        self.close(np.ptp(found, axis=0), [920.0, 280.0], abs=1e-3)

    def test_curves_become_chords(self) -> None:
        """A half circle of 50 mm radius at the floor: as deep as it is, its area within a hundredth."""
        found, _ = read_svg(svg("M0 0H100V40A50 50 0 0 1 0 40Z"))
        self.close(np.ptp(found[:, 1]), 90.0, rel=0.01)
        x, y = found.T
        area = 0.5 * abs(float(np.dot(x, np.roll(y, -1)) - np.dot(y, np.roll(x, -1))))
        self.close(area, 4000.0 + np.pi * 2500.0 / 2.0, rel=0.01)

    def test_dxf_and_turned(self) -> None:
        document = ezdxf.new()
        document.modelspace().add_lwpolyline(PAN, close=True)
        out = io.StringIO()
        document.write(out)
        self.assertEqual(rows(out.getvalue().encode(), "dxf"), ROWS)
        turned = rows(out.getvalue().encode(), "dxf", turned=True)
        self.assertEqual(
            sorted(turned),
            sorted(["460.0, 0.0", "460.0, 140.0", "220.0, 140.0", "220.0, 50.0", "0.0, 50.0", "0.0, 0.0"]),
        )

    def test_csv_in_inches_and_headed(self) -> None:
        self.assertEqual(
            rows(b"0, 0\n0, 5\n10, 5\n10, 0\n", "csv", "in"), ["0.0, 0.0", "0.0, 127.0", "254.0, 127.0", "254.0, 0.0"]
        )
        self.assertEqual(rows(b'0 mm, 0\n0 mm, 5 1/2"\n10", 5 1/2"\n10", 0\n', "csv")[1], "0.0, 139.7")

    def test_what_it_comes_to(self) -> None:
        found = taken(svg(CORNERS), "svg", "mm", False)
        self.assertEqual(found["corners"], 6)
        self.close([found["length_m"], found["depth_m"]], [0.46, 0.14], abs=1e-6)


class Refused(NumbersCase):
    def refused(self, content: bytes, kind: str, words: str) -> None:
        with self.assertRaises(SheetError) as caught:
            taken(content, kind, "mm", False)
        self.assertIn(words, caught.exception.problems[0].message)
        self.assertEqual(caught.exception.problems[0].field, "file")

    def test_by_what_is_wrong(self) -> None:
        for content, kind, words in (
            (svg("M0 0L100 50L100 0L0 50Z"), "svg", "crosses itself"),
            (svg("M0 0V50H100"), "svg", "is open"),
            (svg(CORNERS + "M0 0V5H5Z"), "svg", "2 outlines"),
            (svg(""), "svg", "no path"),
            (svg("M0 0V5H5V0Z"), "svg", "no pan is"),
            (b"not a drawing", "svg", "be read"),
            (b"nothing", "dxf", "DXF"),
            (b"\xff\xfe\x00", "csv", "UTF-8"),
            (b"0, 0\n400, 150\n400, 0\n0, 150\n", "csv", "crosses itself"),
            (b"0, 0\n0, deep\n", "csv", ""),
        ):
            self.refused(content, kind, words)

    def test_hostile(self) -> None:
        """Entities that would grow, files outside, copies of copies, more than is taken: refused before they are read."""
        bomb = b'<!DOCTYPE svg [<!ENTITY a "' + b"ha" * 50 + b'"><!ENTITY b "&a;&a;&a;&a;">]>' + svg(CORNERS)
        for content in (
            bomb,
            b'<?xml version="1.0"?><!DOCTYPE svg [<!ENTITY x SYSTEM "file:///etc/hostname">]>' + svg(CORNERS),
            svg(CORNERS).replace(b"<path", b'<g id="a"><path').replace(b"/></svg>", b'/></g><use href="#a"/></svg>'),
            svg(CORNERS).replace(b"<path", b'<image href="http://127.0.0.1/x.svg"/><path'),
        ):
            self.refused(content, "svg", "draw the outline itself")
        with self.assertRaises(FormatError) as caught:
            read_svg(b" " * (SVG_MAX + 1))
        self.assertEqual(caught.exception.code, "too_large")
        self.refused(svg("M0 0" + "".join(f"L{i} {100 + i % 2}" for i in range(1, 300)) + "L300 0Z"), "svg", "corners")


class Out(NumbersCase):
    RAW = with_oil()

    def test_read_back_by_libraries(self) -> None:
        drawing, _ = recover.read(io.BytesIO(written(self.RAW, "dxf")))
        (line,) = drawing.modelspace().query("LWPOLYLINE")
        self.close(np.array([p[:2] for p in line.get_points()]), PAN, abs=0.01)
        (path,) = [
            e for e in SVG.parse(io.BytesIO(written(self.RAW, "svg")), ppi=25.4).elements() if isinstance(e, Path)
        ]
        x0, y0, x1, y1 = path.bbox()
        self.close([x1 - x0, y1 - y0], [460.0, 140.0], abs=0.05)

    def test_round_trip(self) -> None:
        for kind in ("csv", "svg", "dxf"):
            self.assertEqual(rows(written(self.RAW, kind), kind), ROWS, kind)
        self.assertIn(b'width="', write_svg(PAN))

    def test_nothing_to_write(self) -> None:
        with self.assertRaises(SheetError):
            written(with_oil(pan__depth=None), "svg")
