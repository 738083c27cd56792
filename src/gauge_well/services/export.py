"""Out in open formats: every build as a ZIP archive of JSON documents, a list of parts as CSV."""

from __future__ import annotations

import io
import json
import re
import zipfile
from collections.abc import Mapping
from typing import Any

from sqlalchemy import Engine, select

from gauge_well.services.shelf import stamp
from gauge_well.sheet import Problem, SheetError, listing
from gauge_well.sheet.parts import named
from gauge_well.sheet.sections import PLACES
from gauge_well.sheet.upgrade import upgrade
from gauge_well.store.models import Build
from gauge_well.store.session import transaction

BATCH = 200
STAMP = (2026, 1, 1, 0, 0, 0)  # the archive of the same builds is the same


def file_name(name: str, id: str) -> str:
    """Name of a build's file: what it is called, and its id, which is its own."""
    word = re.sub(r"[^a-z0-9]+", "-", name.lower()).strip("-")[:60]
    return f"{word}-{id}.json" if word and word != id else f"{id}.json"


def listed(raw: Mapping[str, Any], path: str) -> str:
    """The parts of a place that several fill, as CSV; SheetError where there is no such place."""
    place = PLACES.get(path)
    if place is None or not place.many:
        raise SheetError([Problem(path, path, "", "a place of several parts", "There is no such list.")])
    return listing.written(named(upgrade(dict(raw))), place)


def all_builds(engine: Engine) -> bytes:
    """Archive of every build on the shelf as it is kept, whether it stands today or not, with a list of them."""
    out = io.BytesIO()
    listed = []
    with transaction(engine) as session, zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as archive:
        query = select(Build.id, Build.document, Build.revision, Build.updated_at)
        query = query.where(Build.deleted_at.is_(None)).order_by(Build.id)
        for row in session.execute(query.execution_options(yield_per=BATCH)):
            name = file_name(str(row.document.get("name", "")), row.id)
            listed.append({"file": name, "id": row.id, "revision": row.revision, "updated_at": stamp(row.updated_at)})
            content = json.dumps(row.document, indent=1, ensure_ascii=False)
            archive.writestr(zipfile.ZipInfo(name, STAMP), content, zipfile.ZIP_DEFLATED)
        index = json.dumps({"format": "gauge-well-export/1", "builds": listed}, indent=1, ensure_ascii=False)
        archive.writestr(zipfile.ZipInfo("builds.json", STAMP), index, zipfile.ZIP_DEFLATED)
    return out.getvalue()
