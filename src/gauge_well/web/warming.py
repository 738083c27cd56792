"""What libraries load only when it is first asked for, asked for once while it may still be read."""

from __future__ import annotations

import io
import os
from collections.abc import Iterator

from openpyxl import Workbook  # type: ignore[import-untyped]
from PIL import Image

from gauge_well.services import catalogue, photographs, shopping
from gauge_well.services.shelf import fingerprint
from gauge_well.sheet.demo import NAMES, demo
from gauge_well.web.api import OpenAPI

TODAY = "2026-11-29"


def warm_up(app: OpenAPI) -> None:
    """Ask a little of everything."""
    fingerprint()
    client = app.test_client()
    sheet = demo(NAMES[0])
    for path in ("/api/vocabulary", "/api/health", "/api/openapi.json", "/"):
        client.get(path)
    client.post("/api/size", json={"sheet": sheet})
    client.post("/api/size", json={"sheet": sheet, "samples": 256})
    client.post("/api/order.ics", json={"sheet": sheet, "today": TODAY})
    client.post("/api/start/faults", json={"sheet": sheet | {"start": {"symptom": "no_crank"}}})
    for picture in _pictures():
        photographs.made(picture)
    catalogue.read(catalogue.sample(), "csv")
    catalogue.read(_workbook(), "xlsx")
    if os.environ.get(shopping.SCHEDULER):
        import distributed  # noqa: F401
    app.extensions["gauge_well_engine"].dispose()


def _pictures() -> Iterator[bytes]:
    """A small picture of each kind that is taken."""
    for kind in photographs.FORMATS:
        out = io.BytesIO()
        Image.new("RGB", (8, 8)).save(out, kind)
        yield out.getvalue()


def _workbook() -> bytes:
    """A workbook with one part."""
    book = Workbook()
    for row in (("Kind", "Name", "Flow"), ("pump", "Pump", 90.5)):
        book.active.append(row)
    out = io.BytesIO()
    book.save(out)
    return out.getvalue()
