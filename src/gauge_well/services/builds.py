"""Builds: create, edit, copy, rename, delete with undo, history."""

from __future__ import annotations

import copy as copying
import uuid
from collections.abc import Mapping, Sequence
from datetime import datetime
from typing import Any

from sqlalchemy import Engine, func, select, update
from sqlalchemy.orm import Session

from gauge_well.services import sizing
from gauge_well.sheet import SheetError, load
from gauge_well.sheet.demo import NAMES, demo
from gauge_well.sheet.edit import Edit, apply_edit
from gauge_well.store.models import Build, Revision
from gauge_well.store.session import transaction


class NotFound(LookupError):
    """There is no such build or revision."""


class Stale(RuntimeError):
    """A write that was made from an older revision; carries both versions."""

    def __init__(self, current: dict[str, Any], yours: dict[str, Any] | None) -> None:
        super().__init__("the build was changed elsewhere")
        self.current, self.yours = current, yours


def build_out(build: Build, explain: str = "governing") -> dict[str, Any]:
    """Everything the page needs of a build."""
    sheet, resolved = sizing.check(build.document)
    return {
        "id": build.id,
        "name": sheet.name,
        "revision": build.revision,
        "updated_at": _stamp(build.updated_at),
        "document": sheet.document,
        "facts": sizing.facts_of(sheet, resolved),
        "report": sizing.report_of(sheet, resolved, explain),
    }


def _stamp(moment: datetime) -> str:
    return moment.isoformat(timespec="seconds")


def _get(session: Session, id: str, *, deleted: bool = False, lock: bool = False) -> Build:
    query = select(Build).where(Build.id == id)
    build = session.scalar(query.with_for_update() if lock else query)
    if build is None or (build.deleted_at is not None and not deleted):
        raise NotFound(id)
    return build


def _insert(session: Session, document: Mapping[str, Any], note: str, id: str | None = None) -> Build:
    build = Build(id=id or uuid.uuid4().hex[:12], document=dict(document), revision=1)
    session.add(build)
    session.flush()
    session.add(Revision(build_id=build.id, revision=1, document=dict(document), note=note))
    session.flush()
    session.refresh(build)
    return build


def create(engine: Engine, raw: Mapping[str, Any], note: str = "made") -> dict[str, Any]:
    """Keep a new build; SheetError when its document does not stand."""
    sheet, _ = sizing.check(raw)
    with transaction(engine) as session:
        build = _insert(session, sheet.document, note)
    return build_out(build)


def get(engine: Engine, id: str, explain: str = "governing") -> dict[str, Any]:
    """One build; NotFound otherwise."""
    with transaction(engine) as session:
        build = _get(session, id)
    return build_out(build, explain)


def shelf(engine: Engine) -> list[dict[str, Any]]:
    """Cards of all builds, last changed first."""
    with transaction(engine) as session:
        builds = session.scalars(
            select(Build).where(Build.deleted_at.is_(None)).order_by(Build.updated_at.desc(), Build.id)
        ).all()
    return [_card(build) for build in builds]


def _card(build: Build) -> dict[str, Any]:
    document = build.document
    base = {
        "id": build.id,
        "name": document.get("name", ""),
        "notes": document.get("notes", ""),
        "kind": document.get("machine", {}).get("kind", ""),
        "revision": build.revision,
        "updated_at": _stamp(build.updated_at),
    }
    try:
        report = sizing.size_document(document, explain="none")
    except SheetError as error:
        # A sheet an older program kept may not stand today; it must still open on the shelf.
        return base | {"sentence": error.problems[0].message, "state": "unknown", "wells": {}}
    return base | {
        "sentence": report["headline"]["sentence"],
        "state": report["state"],
        "wells": {id: b["fill"] for id, b in report["systems"].items() if b["checks"] or b["unknown"]},
    }


def _write(session: Session, build: Build, document: dict[str, Any], note: str) -> None:
    number = build.revision + 1
    session.execute(
        update(Build).where(Build.id == build.id).values(document=document, revision=number, updated_at=func.now())
    )
    session.add(Revision(build_id=build.id, revision=number, document=document, note=note[:200]))
    session.flush()
    session.refresh(build)


def edit(engine: Engine, id: str, revision: int, edits: Sequence[Mapping[str, Any]]) -> dict[str, Any]:
    """Apply edits to a build made from ``revision``.

    Raises
    ------
    NotFound, Stale, SheetError
        Stale carries the build as it stands and as it would have been.
    """
    with transaction(engine) as session:
        build = _get(session, id, lock=True)
        document = copying.deepcopy(build.document)
        for item in edits:
            document = apply_edit(document, Edit(**{k: v for k, v in item.items() if v is not None}))
        if build.revision != revision:
            raise Stale(build_out(build), _loaded(document))
        sheet, _ = sizing.check(document)
        if sheet.document != build.document:
            _write(session, build, sheet.document, _note(edits))
    return build_out(build)


def _loaded(document: Mapping[str, Any]) -> dict[str, Any] | None:
    try:
        return load(document).document
    except SheetError:
        return None


def _note(edits: Sequence[Mapping[str, Any]]) -> str:
    first = edits[0]
    more = f" and {len(edits) - 1} more" if len(edits) > 1 else ""
    text = str(first.get("text") or "taken out").replace("\n", "; ")
    return f"{first['path']}: {text[:80]}{more}"


def replace(engine: Engine, id: str, revision: int, raw: Mapping[str, Any], note: str) -> dict[str, Any]:
    """Replace the whole document of a build made from ``revision``."""
    sheet, _ = sizing.check(raw)
    with transaction(engine) as session:
        build = _get(session, id, lock=True)
        if build.revision != revision:
            raise Stale(build_out(build), sheet.document)
        _write(session, build, sheet.document, note)
    return build_out(build)


def copy(engine: Engine, id: str, name: str | None = None) -> dict[str, Any]:
    """A new build with the same document."""
    with transaction(engine) as session:
        source = _get(session, id)
        document = copying.deepcopy(source.document)
        document["name"] = (name or f"{document.get('name', '')} (copy)")[:80]
        build = _insert(session, document, f"copied from {id}")
    return build_out(build)


def delete(engine: Engine, id: str) -> None:
    """Take a build off the shelf; :func:`undelete` brings it back."""
    with transaction(engine) as session:
        build = _get(session, id, lock=True)
        session.execute(update(Build).where(Build.id == build.id).values(deleted_at=func.now()))


def undelete(engine: Engine, id: str) -> dict[str, Any]:
    """Bring a deleted build back."""
    with transaction(engine) as session:
        build = _get(session, id, deleted=True, lock=True)
        session.execute(update(Build).where(Build.id == build.id).values(deleted_at=None))
        session.refresh(build)
    return build_out(build)


def revisions(engine: Engine, id: str) -> list[dict[str, Any]]:
    """History of a build, newest first."""
    with transaction(engine) as session:
        _get(session, id)
        rows = session.scalars(
            select(Revision).where(Revision.build_id == id).order_by(Revision.revision.desc()).limit(200)
        ).all()
    return [{"revision": r.revision, "note": r.note, "created_at": _stamp(r.created_at)} for r in rows]


def bring_back(engine: Engine, id: str, revision: int, wanted: int) -> dict[str, Any]:
    """Make an earlier revision the newest; NotFound when there is none of that number."""
    with transaction(engine) as session:
        _get(session, id)
        row = session.get(Revision, (id, wanted))
        if row is None:
            raise NotFound(f"{id} revision {wanted}")
        document = dict(row.document)
    return replace(engine, id, revision, document, f"back to revision {wanted}")


def load_demos(engine: Engine) -> list[str]:
    """Put the demo builds on the shelf where they never were; ones deleted or edited stay so."""
    made = []
    with transaction(engine) as session:
        there = set(session.scalars(select(Build.id)).all())
        for name in NAMES:
            if name not in there:
                sheet, _ = sizing.check(demo(name))
                _insert(session, sheet.document, "demo", name)
                made.append(name)
    return made
