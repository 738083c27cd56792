"""Photographs of facts, parts and tasks: checked, turned upright, no larger than a screen, without where they were taken."""

from __future__ import annotations

import io
import re
import warnings
from dataclasses import dataclass
from typing import Any

from PIL import Image, ImageOps, UnidentifiedImageError
from sqlalchemy import Engine, select

from gauge_well.services import belongings
from gauge_well.services.errors import NotFound, Refused
from gauge_well.services.models_report import Model
from gauge_well.services.shelf import stamp
from gauge_well.store.models import Photograph
from gauge_well.store.session import transaction

PHOTO_MAX = 24 * 1024 * 1024  # bytes of a file: a phone's largest
PIXELS_MAX = 120_000_000
LARGE, SMALL = 1800, 320  # px of the longer side, as kept
QUALITY = 82
COUNT_MAX = 400  # of a build
FORMATS = ("JPEG", "PNG", "WEBP")
ALLOWED = "JPEG, PNG or WebP"
# What a photograph is of: a task, a thing on the list, a part, a fact.
SUBJECT = re.compile(r"^(tasks|buys|parts|facts)\.[a-z0-9_.]{1,90}$")


class PhotographOut(Model):
    """A photograph; ``subject``: what it is of, as ``tasks.pickup``, ``parts.core`` or ``facts.cooling.core.width``."""

    id: str
    subject: str
    note: str
    width: int
    height: int
    created_at: str


class PhotographsOut(Model):
    """Photographs of a build, the newest first."""

    photographs: list[PhotographOut]


@dataclass(frozen=True)
class Made:
    """A photograph as it is kept: JPEG, large and small."""

    content: bytes
    small: bytes
    width: int
    height: int


def made(raw: bytes) -> Made:
    """A file's bytes as they are kept; nothing of the file's own data but the picture goes along.

    Raises
    ------
    Refused
        Where it is no picture, one of another kind, or too large to be opened.
    """
    try:
        with warnings.catch_warnings():
            # A picture past this many pixels is refused below, in words.
            warnings.simplefilter("ignore", Image.DecompressionBombWarning)
            with Image.open(io.BytesIO(raw), formats=FORMATS) as image:
                width, height = image.size
                if width * height > PIXELS_MAX:
                    raise _refused(f"{width} x {height} pixels", "The picture has too many pixels.")
                image.draft("RGB", (LARGE, LARGE))  # a JPEG is opened no larger than it is kept
                upright = ImageOps.exif_transpose(image).convert("RGB")
    except UnidentifiedImageError:
        raise _refused("a file", f"This is no picture that is known here: send {ALLOWED}.") from None
    except (OSError, ValueError, SyntaxError, Image.DecompressionBombError):
        raise _refused("a picture", "The picture is damaged: it cannot be opened.") from None
    upright.thumbnail((LARGE, LARGE))
    small = upright.copy()
    small.thumbnail((SMALL, SMALL))
    return Made(_jpeg(upright), _jpeg(small), *upright.size)


def _refused(read: str, message: str) -> Refused:
    return Refused("photograph", read, ALLOWED, message)


def _jpeg(image: Image.Image) -> bytes:
    out = io.BytesIO()
    # A picture of its own: what the file carried with it (place, camera, preview) stays behind.
    plain = Image.new("RGB", image.size)
    plain.paste(image)
    plain.save(out, "JPEG", quality=QUALITY, optimize=True)
    return out.getvalue()


def _plain(photo: Photograph) -> dict[str, Any]:
    return {
        "id": photo.id,
        "subject": photo.subject,
        "note": photo.note,
        "width": photo.width,
        "height": photo.height,
        "created_at": stamp(photo.created_at),
    }


def subject_of(text: str) -> str:
    """A subject that can be kept; Refused otherwise."""
    if not SUBJECT.match(text):
        raise Refused(
            "subject",
            text[:60],
            "tasks.pickup, parts.core, facts.engine.stroke",
            "There is nothing of that name to photograph.",
        )
    return text


def keep(engine: Engine, build: str, subject: str, note: str, photo: Made) -> dict[str, Any]:
    """Keep a photograph; NotFound where there is no such build, Refused where it has as many as it may."""
    with transaction(engine) as session:
        belongings.has_room(session, Photograph, build, COUNT_MAX, "photograph")
        kept = Photograph(
            id=belongings.new_id(),
            build_id=build,
            subject=subject_of(subject),
            note=note[:200],
            width=photo.width,
            height=photo.height,
            content=photo.content,
            small=photo.small,
        )
        return _plain(belongings.added(session, kept))


def listed(engine: Engine, build: str) -> list[dict[str, Any]]:
    """Photographs of a build, the newest first."""
    with transaction(engine) as session:
        return [_plain(photo) for photo in belongings.newest(session, Photograph, build)]


def content(engine: Engine, id: str, small: bool) -> bytes:
    """A photograph's JPEG; NotFound where there is none."""
    column = Photograph.small if small else Photograph.content
    with transaction(engine) as session:
        found = session.scalar(select(column).where(Photograph.id == id))
    if found is None:
        raise NotFound("photograph")
    return bytes(found)


def drop(engine: Engine, id: str) -> None:
    """Delete a photograph; NotFound where there is none."""
    belongings.drop(engine, Photograph, id, "photograph")
