"""The built pages, read once: no address leads to the disk, and whoever serves them need not read the folder."""

from __future__ import annotations

import hashlib
import mimetypes
from dataclasses import dataclass
from pathlib import Path

from flask import Response, request

ASSETS_SECONDS = 31536000
INDEX = "index.html"


@dataclass(frozen=True)
class Page:
    """One file."""

    content: bytes
    media: str
    tag: str


def read_pages(folder: Path) -> dict[str, Page]:
    """Every file of a folder by its address; none where it is not built."""
    found: dict[str, Page] = {}
    for path in folder.rglob("*") if folder.is_dir() else ():
        if path.is_file() and not path.name.startswith("."):
            content = path.read_bytes()
            media = mimetypes.guess_type(path.name)[0] or "application/octet-stream"
            tag = hashlib.sha256(content).hexdigest()[:20]
            found[path.relative_to(folder).as_posix()] = Page(content, media, tag)
    return found


def answer(pages: dict[str, Page], address: str) -> Response | None:
    """The file at an address, or the page whose own router knows it; None where there is nothing."""
    page = pages.get(address)
    if page is None:
        if address.startswith("assets/") or INDEX not in pages:
            return None
        address, page = INDEX, pages[INDEX]
    response = Response(page.content, mimetype=page.media)
    response.set_etag(page.tag)
    if address.startswith("assets/"):
        response.headers["Cache-Control"] = f"public, max-age={ASSETS_SECONDS}"
    else:
        response.headers["Cache-Control"] = "no-cache"
    return response.make_conditional(request)  # type: ignore[return-value]
