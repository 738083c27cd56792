"""Builds kept in the database."""

from __future__ import annotations

from typing import Any, Literal

from flask import Response, current_app, jsonify
from pydantic import BaseModel, Field
from sqlalchemy import Engine

from gauge_well.core.evidence import Stated
from gauge_well.services import builds, history, shelf
from gauge_well.services.models import Bin, BuildOut, NewestOut, RevisionDocument, Revisions, SheetIn, Shelf
from gauge_well.sheet.document import UnitsDocument
from gauge_well.sheet.starter import starter
from gauge_well.web.api import Fence, Strict, answers, blueprint
from gauge_well.web.problems import problem

bp = blueprint("builds")
EDITS_MAX = 320  # of one step: a log's stretches with all that is known of each
MISSING, UNFENCED, STALE = 404, 428, 409


class StarterRequest(Strict):
    """A handful of facts; what is empty is not known."""

    name: str = Field(default="", max_length=80)
    kind: str = Field(max_length=40)
    fuel: str = Field(max_length=40)
    aspiration: Literal["", "natural", "turbo", "supercharged"] = ""
    injection: str = Field(default="", max_length=40)
    power: str = Field(max_length=200)
    speed: str = Field(max_length=200)
    torque: str = Field(default="", max_length=200)
    torque_speed: str = Field(default="", max_length=200)
    displacement: str = Field(max_length=200)
    cylinders: str = Field(default="", max_length=200)
    boost: str = Field(default="", max_length=200)
    mass: str = Field(default="", max_length=200)
    task: str = Field(default="", max_length=200)
    climb: str = Field(default="", max_length=200)
    hottest: str = Field(default="", max_length=200)
    waterline: str = Field(default="", max_length=200)
    heel: str = Field(default="", max_length=200)
    sea: str = Field(default="", max_length=200)
    sails: Literal["", "yes", "no"] = ""
    units: UnitsDocument = Field(default_factory=UnitsDocument)


class CreateRequest(Strict):
    """A new build, from a sheet or from five facts."""

    sheet: SheetIn | None = None
    starter: StarterRequest | None = None


class EditEntry(Strict):
    """One field; text null takes it out."""

    path: str = Field(max_length=100)
    text: str | None = Field(default=None, max_length=16_000)
    evidence: Stated | None = None
    tolerance: str | None = Field(default=None, max_length=60)
    action: Literal[
        "set",
        "measure",
        "claim",
        "use",
        "drop",
        "tolerance",
        "price",
        "add",
        "remove",
        "copy",
        "fit",
        "take",
        "move",
        "repeat",
        "split",
        "list",
    ] = "set"
    index: int = Field(default=0, ge=0, le=200)
    source: str | None = Field(default=None, max_length=80)
    date: str | None = Field(default=None, pattern=r"^\d{4}-\d{2}-\d{2}$")


class EditRequest(Strict):
    """Edits applied together, all or none."""

    edits: list[EditEntry] = Field(min_length=1, max_length=EDITS_MAX)
    holds: str | None = Field(
        default=None, max_length=64, description="`stands_on` of an answer that is held: only what differs is sent."
    )


class CopyRequest(Strict):
    """Name of the copy."""

    name: str | None = Field(default=None, max_length=80)


class NameRequest(Strict):
    """Name of a revision; empty takes it off."""

    name: str = Field(max_length=80)


class ReplaceRequest(Strict):
    """A whole document."""

    sheet: SheetIn
    note: str = Field(default="replaced", max_length=200)


class BuildPath(BaseModel):
    """Which build."""

    id: str = Field(min_length=1, max_length=40)


class RevisionPath(BuildPath):
    """Which revision of which build."""

    revision: int = Field(ge=1, le=2**31 - 1)


class BuildQuery(BaseModel):
    """Which duties keep their working."""

    explain: str = Field(default="governing", max_length=40)


class ShelfQuery(BaseModel):
    """Which page of the shelf."""

    after: str = Field(default="", max_length=100, description="`more` of the page before")
    limit: int = Field(default=shelf.PAGE, ge=1, le=200)


def _engine() -> Engine:
    engine: Engine = current_app.extensions["gauge_well_engine"]
    return engine


def _answer(build: dict[str, Any], status: int = 200) -> Response:
    response = jsonify(build)
    response.status_code = status
    response.headers["ETag"] = f'"{build["revision"]}"'
    return response


def _unconditional() -> Response:
    return problem(428, "if_match", "Send the revision this was made from as If-Match.")


@bp.get("/builds", responses=answers(Shelf))
def on_shelf(query: ShelfQuery) -> Response:
    """Builds, a page at a time."""
    return jsonify(shelf.shelf(_engine(), query.after, query.limit))


@bp.post("/builds", responses=answers(BuildOut, status=201))
def create(body: CreateRequest) -> Response:
    """Make a build."""
    if (body.sheet is None) == (body.starter is None):
        return problem(422, "shape", "Send either a sheet or the five facts.")
    raw = body.sheet if body.starter is None else starter(**body.starter.model_dump())
    return _answer(builds.create(_engine(), raw or {}), 201)


@bp.get("/bin", responses=answers(Bin))
def in_bin() -> Response:
    """Deleted builds that can be brought back."""
    return jsonify({"builds": shelf.in_bin(_engine())})


@bp.get("/builds/<id>/newest", responses=answers(NewestOut, MISSING))
def newest(path: BuildPath) -> Response:
    """Whether another window or phone has written the build, and what its clocks go by."""
    return jsonify(builds.newest(_engine(), path.id))


@bp.get("/builds/<id>", responses=answers(BuildOut, MISSING))
def get(path: BuildPath, query: BuildQuery) -> Response:
    """One build with its report."""
    return _answer(builds.get(_engine(), path.id, query.explain))


@bp.patch("/builds/<id>", responses=answers(BuildOut, MISSING, UNFENCED, STALE))
def edit(path: BuildPath, body: EditRequest, header: Fence) -> Response:
    """Edit fields. Made on an older revision, they are taken where nobody else changed the same."""
    if header.revision is None:
        return _unconditional()
    return _answer(builds.edit(_engine(), path.id, header.revision, [e.model_dump() for e in body.edits], body.holds))


@bp.put("/builds/<id>", responses=answers(BuildOut, MISSING, UNFENCED, STALE))
def replace(path: BuildPath, body: ReplaceRequest, header: Fence) -> Response:
    """Replace the document."""
    if header.revision is None:
        return _unconditional()
    return _answer(builds.replace(_engine(), path.id, header.revision, body.sheet, body.note))


@bp.delete("/builds/<id>", responses=answers(None, MISSING, UNFENCED, STALE, status=204))
def delete(path: BuildPath, header: Fence) -> Response | tuple[str, int]:
    """Put a build into the bin; it can be brought back for a while."""
    if header.revision is None:
        return _unconditional()
    builds.delete(_engine(), path.id, header.revision)
    return "", 204


@bp.post("/builds/<id>/undelete", responses=answers(BuildOut, MISSING))
def undelete(path: BuildPath) -> Response:
    """Bring a deleted build back."""
    return _answer(builds.undelete(_engine(), path.id))


@bp.post("/builds/<id>/copy", responses=answers(BuildOut, MISSING, status=201))
def copy(path: BuildPath, body: CopyRequest) -> Response:
    """Copy a build."""
    return _answer(builds.copy(_engine(), path.id, body.name), 201)


@bp.get("/builds/<id>/revisions", responses=answers(Revisions, MISSING))
def revisions(path: BuildPath) -> Response:
    """History of a build."""
    return jsonify(history.revisions(_engine(), path.id))


@bp.get("/builds/<id>/revisions/<revision>", responses=answers(RevisionDocument, MISSING))
def revision_document(path: RevisionPath) -> Response:
    """One revision as it was kept."""
    document = history.document_of(_engine(), path.id, path.revision)
    return jsonify({"id": path.id, "revision": path.revision, "document": document})


@bp.patch("/builds/<id>/revisions/<revision>", responses=answers(Revisions, MISSING))
def name_revision(path: RevisionPath, body: NameRequest) -> Response:
    """Name a revision, which keeps it for good."""
    return jsonify(history.name_revision(_engine(), path.id, path.revision, body.name))


@bp.post("/builds/<id>/revisions/<revision>/bring-back", responses=answers(BuildOut, MISSING, UNFENCED, STALE))
def bring_back(path: RevisionPath, header: Fence) -> Response:
    """Make an earlier revision the newest."""
    if header.revision is None:
        return _unconditional()
    return _answer(builds.bring_back(_engine(), path.id, header.revision, path.revision))
