"""Photographs: turned upright, no larger than a screen, without place or camera; what is no picture is refused."""

import io
import struct
import unittest
import zlib

from PIL import Image

from gauge_well.services import builds, photographs
from gauge_well.services.errors import NotFound, Refused
from gauge_well.services.photographs import LARGE, SMALL, made
from tests.database import DatabaseCase
from tests.support import ROAD

ORIENTATION, GPS, MODEL = 0x0112, 0x8825, 0x0110
UPSIDE_ON_ITS_SIDE = 6  # by the standard of cameras' files: to be turned a quarter to the right


def picture(size: tuple[int, int] = (400, 300), kind: str = "JPEG", exif: Image.Exif | None = None) -> bytes:
    """Red on the left, blue on the right."""
    image = Image.new("RGB", size, (200, 20, 20))
    image.paste((20, 20, 200), (size[0] // 2, 0, *size))
    out = io.BytesIO()
    image.save(out, kind, **({"exif": exif} if exif else {}))
    return out.getvalue()


def opened(content: bytes) -> Image.Image:
    return Image.open(io.BytesIO(content))


class Made(unittest.TestCase):
    def test_one_taken_on_its_side_is_turned_upright(self) -> None:
        exif = Image.Exif()
        exif[ORIENTATION] = UPSIDE_ON_ITS_SIDE
        found = made(picture((400, 300), exif=exif))
        self.assertEqual((found.width, found.height), (300, 400))
        # Turned to the right, what was on the left is on top.
        top, bottom = (opened(found.content).getpixel((150, y)) for y in (50, 350))
        self.assertGreater(top[0], top[2])
        self.assertGreater(bottom[2], bottom[0])

    def test_where_and_with_what_it_was_taken_stays_behind(self) -> None:
        exif = Image.Exif()
        exif[MODEL] = "a camera of somebody's"
        exif.get_ifd(GPS)[2] = (47.0, 3.0, 7.0)
        raw = picture(exif=exif)
        self.assertIn(b"somebody", raw)
        found = made(raw)
        for content in (found.content, found.small):
            self.assertEqual(dict(opened(content).getexif()), {})
            self.assertNotIn(b"somebody", content)
            self.assertNotIn(b"Exif", content)

    def test_it_is_no_larger_than_a_screen(self) -> None:
        found = made(picture((5000, 2500)))
        self.assertEqual((found.width, found.height), (LARGE, LARGE // 2))
        self.assertEqual(max(opened(found.small).size), SMALL)
        self.assertLess(len(found.small), len(found.content))
        small = made(picture((60, 40)))
        self.assertEqual((small.width, small.height), (60, 40))

    def test_each_kind_becomes_a_jpeg(self) -> None:
        for kind in ("JPEG", "PNG", "WEBP"):
            self.assertEqual(opened(made(picture(kind=kind)).content).format, "JPEG")
        clear = io.BytesIO()
        Image.new("RGBA", (10, 10), (0, 0, 0, 0)).save(clear, "PNG")
        self.assertEqual(opened(made(clear.getvalue()).content).mode, "RGB")

    def test_what_is_no_picture_is_refused(self) -> None:
        whole = picture()
        for raw in (b"", b"hello", b"<svg xmlns='http://www.w3.org/2000/svg'/>", picture(kind="GIF"), picture(kind="BMP"), whole[:200]):  # fmt: skip
            with self.assertRaises(Refused) as caught:
                made(raw)
            self.assertEqual(caught.exception.field, "photograph")

    def test_a_small_file_of_very_many_pixels_is_refused_unopened(self) -> None:
        def chunk(kind: bytes, data: bytes) -> bytes:
            return struct.pack(">I", len(data)) + kind + data + struct.pack(">I", zlib.crc32(kind + data))

        head = struct.pack(">IIBBBBB", 60_000, 60_000, 8, 2, 0, 0, 0)
        bomb = (
            b"\x89PNG\r\n\x1a\n"
            + chunk(b"IHDR", head)
            + chunk(b"IDAT", zlib.compress(b"\0" * 1000))
            + chunk(b"IEND", b"")
        )
        with self.assertRaises(Refused):
            made(bomb)


class Kept(DatabaseCase):
    def setUp(self) -> None:
        super().setUp()
        self.build = builds.create(self.engine, ROAD)["id"]

    def keep(self, subject: str = "tasks.pickup") -> dict:
        return photographs.keep(self.engine, self.build, subject, "clay", made(picture()))

    def test_kept_listed_looked_at_and_let_go(self) -> None:
        first, second = self.keep(), self.keep("facts.cooling.core.width")
        self.assertEqual([p["id"] for p in photographs.listed(self.engine, self.build)], [second["id"], first["id"]])
        self.assertEqual(opened(photographs.content(self.engine, first["id"], small=False)).size, (400, 300))
        photographs.drop(self.engine, first["id"])
        self.assertEqual([p["id"] for p in photographs.listed(self.engine, self.build)], [second["id"]])
        for gone in (
            lambda: photographs.content(self.engine, first["id"], False),
            lambda: photographs.drop(self.engine, first["id"]),
        ):
            with self.assertRaises(NotFound):
                gone()

    def test_a_copy_has_its_own(self) -> None:
        kept = self.keep()
        copy = builds.copy(self.engine, self.build)["id"]
        found = photographs.listed(self.engine, copy)
        self.assertEqual([(p["subject"], p["note"]) for p in found], [("tasks.pickup", "clay")])
        photographs.drop(self.engine, kept["id"])
        self.assertEqual(len(photographs.listed(self.engine, copy)), 1)

    def test_of_nothing_and_of_no_build_there_is_none(self) -> None:
        for subject in ("lunch", "tasks.", "tasks.<b>", "facts." + "x" * 120):
            with self.assertRaises(Refused):
                self.keep(subject)
        with self.assertRaises(NotFound):
            photographs.keep(self.engine, "nowhere", "tasks.pickup", "", made(picture()))
        builds.delete(self.engine, self.build, 1)
        with self.assertRaises(NotFound):
            photographs.listed(self.engine, self.build)
