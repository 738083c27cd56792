"""Builds: create, edit, copy, rename, delete with undo. What is answered is worked before it is kept."""

from __future__ import annotations

import logging
import uuid
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import UTC, datetime
from typing import Any

from sqlalchemy import Engine, func, select, update
from sqlalchemy.orm import Session

from gauge_well.core.run.blocks import GOVERNING
from gauge_well.services import belongings, difference, history, merging, sizing
from gauge_well.services.errors import NotFound, Stale
from gauge_well.services.shelf import card_of, empty_bin, fingerprint, stamp
from gauge_well.sheet import Problem, Sheet, SheetError, load
from gauge_well.sheet.demo import NAMES, demo
from gauge_well.sheet.document import copied
from gauge_well.sheet.edit import Edit, apply_edit
from gauge_well.sheet.upgrade import upgrade
from gauge_well.store.models import Build, Revision
from gauge_well.store.session import transaction

log = logging.getLogger("gauge_well.services")


@dataclass(frozen=True)
class Worked:
    """A document that stands, and what is answered of it."""

    document: dict[str, Any]
    facts: dict[str, dict[str, Any]]
    report: dict[str, Any]

    @property
    def verdict(self) -> str:
        """Its headline, as the history keeps it."""
        return str(self.report["headline"]["sentence"])[:500]

    def on_shelf(self) -> dict[str, Any]:
        """Columns that are kept with the document."""
        return {
            "document": self.document,
            "card": card_of(self.document, self.report),
            "card_made": fingerprint(),
        }


def _work(raw: Mapping[str, Any] | Sheet, explain: str = GOVERNING) -> Worked:
    """All that is answered of a document; SheetError where it does not stand."""
    sheet, resolved = sizing.check(raw)
    report = sizing.report_of(sheet, resolved, explain)
    return Worked(sheet.document, sizing.facts_of(sheet, resolved), report)


def _answer(build: Build, worked: Worked, held: str | None = None) -> dict[str, Any]:
    whole = {
        "id": build.id,
        "name": worked.document["name"],
        "revision": build.revision,
        "updated_at": stamp(build.updated_at),
        "document": worked.document,
        "facts": worked.facts,
        "report": worked.report,
        "problems": [],
        "stands_on": difference.stands_on(worked.document),
    }
    return difference.given(whole, held)


def read(build: Build, explain: str = GOVERNING) -> dict[str, Any]:
    """Everything the page needs of a stored build.

    One that today's rules refuse, that a newer program wrote or that the program fails on is given with its raw
    document, without a report and with what is wrong.
    """
    try:
        return _answer(build, _work(build.document, explain))
    except SheetError as error:
        problems = error.problems
    except Exception:
        log.exception("build %s could not be worked", build.id)
        message = "The program fails on this build. Its document and history are whole."
        problems = [Problem("", "Build", "", "", message)]
    return {
        "id": build.id,
        "name": str(build.document.get("name", ""))[:80],
        "revision": build.revision,
        "updated_at": stamp(build.updated_at),
        "document": build.document,
        "facts": {},
        "report": None,
        "problems": [vars(p) for p in problems],
        "stands_on": "",
        "since": None,
        "gone": [],
    }


def find(session: Session, id: str, *, deleted: bool = False, lock: bool = False) -> Build:
    """One build; NotFound otherwise. ``lock``: nobody else writes it until this transaction ends."""
    query = select(Build).where(Build.id == id)
    build = session.scalar(query.with_for_update() if lock else query)
    if build is None or (build.deleted_at is not None and not deleted):
        raise NotFound
    return build


def _insert(session: Session, worked: Worked, note: str, id: str | None = None) -> Build:
    build = Build(id=id or uuid.uuid4().hex[:12], revision=1, **worked.on_shelf())
    session.add(build)
    session.flush()
    session.add(
        Revision(build_id=build.id, revision=1, document=worked.document, note=note[:200], verdict=worked.verdict)
    )
    session.flush()
    session.refresh(build)
    return build


def create(engine: Engine, raw: Mapping[str, Any], note: str = "made") -> dict[str, Any]:
    """Keep a new build; SheetError when its document does not stand."""
    worked = _work(raw)
    with transaction(engine) as session:
        build = _insert(session, worked, note)
    return _answer(build, worked)


def newest(engine: Engine, id: str) -> dict[str, Any]:
    """Number of a build's newest revision, and the server's clock; NotFound otherwise."""
    query = select(Build.revision).where(Build.id == id, Build.deleted_at.is_(None))
    with transaction(engine) as session:
        revision = session.scalar(query)
    if revision is None:
        raise NotFound
    return {"revision": revision, "now": stamp(datetime.now(UTC))}


def get(engine: Engine, id: str, explain: str = GOVERNING) -> dict[str, Any]:
    """One build; NotFound otherwise."""
    with transaction(engine) as session:
        build = find(session, id)
    return read(build, explain)


def _write(session: Session, build: Build, worked: Worked, note: str) -> None:
    number = build.revision + 1
    changed = {"revision": number, "updated_at": func.now()} | worked.on_shelf()
    session.execute(update(Build).where(Build.id == build.id).values(changed))
    session.add(
        Revision(build_id=build.id, revision=number, document=worked.document, note=note[:200], verdict=worked.verdict)
    )
    session.flush()
    if number % history.COMPACT_EVERY == 0:
        history.compact(session, build.id, number)
    session.refresh(build)


def edit(
    engine: Engine, id: str, revision: int, edits: Sequence[Mapping[str, Any]], held: str | None = None
) -> dict[str, Any]:
    """Apply edits made on ``revision`` to a build.

    Where others have changed it since, they are taken if they touch other facts, or leave it as it stands. With
    ``held``, what an answer that the asker has stood on, only what differs from that one is given.

    Raises
    ------
    NotFound, Stale, SheetError
        Stale carries the build as it stands and as it would have been.
    """
    made = [Edit(**{k: v for k, v in item.items() if v is not None}) for item in edits]
    with transaction(engine) as session:
        build = find(session, id, lock=True)
        behind = build.revision != revision
        try:
            before = upgrade(copied(build.document))
            document = before
            for item in made:
                document = apply_edit(document, item)
            sheet = load(document)
        except SheetError:
            if behind and not _apart(session, build, revision, made):
                raise Stale(read(build), None) from None
            raise
        if sheet.document == before:
            return read(build)
        if behind and not _apart(session, build, revision, made):
            raise Stale(read(build), sheet.document)
        worked = _work(sheet)
        _write(session, build, worked, _note(edits))
    return _answer(build, worked, held)


def _apart(session: Session, build: Build, revision: int, edits: Sequence[Edit]) -> bool:
    base = session.get(Revision, (build.id, revision))
    now = upgrade(dict(build.document))
    return merging.apart(edits, upgrade(dict(base.document)) if base is not None else None, now)


# What the history says of a part.
DONE: Mapping[str, str] = {
    "add": "one more",
    "remove": "let go",
    "copy": "copied",
    "fit": "{text} fitted",
    "take": "taken out to the yard",
    "move": "moved",
    "repeat": "one more like it",
    "split": "cut in two",
    "list": "all of them from a list",
}


# What edits of what is read of a build are called, by the beginning of the first's path.
READ = {
    "readings.factors.": "Readings fitted: the verdicts go by them",
    "readings.taken.": "Readings",
    "readings.book.": "Logbook",
    "readings.mends.": "Mend list",
    "readings.recipes.": "How a log's columns are read",
}


def _note(edits: Sequence[Mapping[str, Any]]) -> str:
    first = edits[0]
    path = str(first["path"])
    if path == "readings.applied":
        return "Readings: the verdicts go by them" if first.get("text") else "Readings: taken off the verdicts"
    read = next((said for beginning, said in READ.items() if path.startswith(beginning)), None)
    if read is not None:
        return read
    more = f" and {len(edits) - 1} more" if len(edits) > 1 else ""
    done = DONE.get(str(first.get("action")), "{text}" if first.get("text") else "taken out")
    text = done.format(text=first.get("text") or "").replace("\n", "; ")
    return f"{path}: {text[:80]}{more}"


def replace(engine: Engine, id: str, revision: int, raw: Mapping[str, Any], note: str) -> dict[str, Any]:
    """Replace the whole document of a build made from ``revision``."""
    worked = _work(raw)
    with transaction(engine) as session:
        build = find(session, id, lock=True)
        if build.revision != revision:
            raise Stale(read(build), worked.document)
        _write(session, build, worked, note)
    return _answer(build, worked)


def copy(engine: Engine, id: str, name: str | None = None) -> dict[str, Any]:
    """A new build with the same document; SheetError, and no copy, where it does not stand."""
    with transaction(engine) as session:
        document = copied(find(session, id).document)
        document["name"] = (name or f"{document.get('name', '')} (copy)")[:80]
        worked = _work(document)
        build = _insert(session, worked, f"copied from {id}")
        belongings.copied(session, id, build.id)
    return _answer(build, worked)


def delete(engine: Engine, id: str, revision: int) -> None:
    """Put a build seen at ``revision`` into the bin; :func:`undelete` brings it back for a while."""
    with transaction(engine) as session:
        build = find(session, id, lock=True)
        if build.revision != revision:
            raise Stale(read(build), None)
        session.execute(update(Build).where(Build.id == build.id).values(deleted_at=func.now()))
    empty_bin(engine)


def undelete(engine: Engine, id: str) -> dict[str, Any]:
    """Bring a deleted build back."""
    with transaction(engine) as session:
        build = find(session, id, deleted=True, lock=True)
        session.execute(update(Build).where(Build.id == build.id).values(deleted_at=None))
        session.refresh(build)
    return read(build)


def bring_back(engine: Engine, id: str, revision: int, wanted: int) -> dict[str, Any]:
    """Make an earlier revision the newest; NotFound when there is none of that number."""
    document = history.document_of(engine, id, wanted)
    return replace(engine, id, revision, document, f"back to revision {wanted}")


def load_demos(engine: Engine) -> list[str]:
    """Put the demo builds on the shelf where they never were; ones deleted or edited stay so."""
    made = []
    with transaction(engine) as session:
        there = set(session.scalars(select(Build.id).where(Build.id.in_(NAMES))).all())
        for name in NAMES:
            if name not in there:
                _insert(session, _work(demo(name)), "demo", name)
                made.append(name)
    return made
