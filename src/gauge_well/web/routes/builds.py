"""Builds kept in the database."""

from __future__ import annotations

from typing import Any, Literal

from flask import Response, current_app, jsonify, request
from pydantic import BaseModel, ConfigDict, Field
from sqlalchemy import Engine

from gauge_well.services import builds
from gauge_well.services.models import BuildOut, Revisions, Shelf
from gauge_well.sheet.document import UnitsDocument
from gauge_well.sheet.starter import starter
from gauge_well.web.api import blueprint
from gauge_well.web.problems import problem

bp = blueprint("builds")


class Strict(BaseModel):
    """Unknown members are refused."""

    model_config = ConfigDict(extra="forbid")


class StarterRequest(Strict):
    """Five facts."""

    name: str = Field(default="", max_length=80)
    kind: str = Field(max_length=40)
    fuel: str = Field(max_length=40)
    aspiration: Literal["", "natural", "turbo", "supercharged"] = ""
    power: str = Field(max_length=200)
    speed: str = Field(max_length=200)
    displacement: str = Field(max_length=200)
    mass: str = Field(default="", max_length=200)
    task: str = Field(default="", max_length=200)
    units: UnitsDocument = Field(default_factory=UnitsDocument)


class CreateRequest(Strict):
    """A new build, from a sheet or from five facts."""

    sheet: dict[str, Any] | None = None
    starter: StarterRequest | None = None


class EditEntry(Strict):
    """One field; text null takes it out."""

    path: str = Field(max_length=100)
    text: str | None = Field(default=None, max_length=4000)
    evidence: Literal["taped", "sheet", "similar", "guess"] | None = None
    tolerance: str | None = Field(default=None, max_length=60)
    action: Literal["set", "measure", "claim", "use", "drop", "tolerance", "price"] = "set"
    index: int = Field(default=0, ge=0, le=50)
    source: str | None = Field(default=None, max_length=80)
    date: str | None = Field(default=None, pattern=r"^\d{4}-\d{2}-\d{2}$")


class EditRequest(Strict):
    """Edits applied together, all or none."""

    edits: list[EditEntry] = Field(min_length=1, max_length=60)


class CopyRequest(Strict):
    """Name of the copy."""

    name: str | None = Field(default=None, max_length=80)


class ReplaceRequest(Strict):
    """A whole document."""

    sheet: dict[str, Any]
    note: str = Field(default="replaced", max_length=200)


class BuildPath(BaseModel):
    """Which build."""

    id: str


class RevisionPath(BaseModel):
    """Which revision of which build."""

    id: str
    revision: int


class BuildQuery(BaseModel):
    """Which duties keep their working."""

    explain: str = Field(default="governing", max_length=40)


def _engine() -> Engine:
    engine: Engine = current_app.extensions["gauge_well_engine"]
    return engine


def _answer(build: dict[str, Any], status: int = 200) -> Response:
    response = jsonify(build)
    response.status_code = status
    response.headers["ETag"] = f'"{build["revision"]}"'
    return response


def _revision() -> int | None:
    """Revision of the If-Match header, None when it is absent or no number."""
    value = request.headers.get("If-Match", "").strip().strip('"')
    return int(value) if value.isascii() and value.isdigit() and len(value) < 10 else None


def _unconditional() -> Response:
    return problem(428, "if_match", "Send the revision this was made from as If-Match.")


@bp.get("/builds", responses={200: Shelf})
def shelf() -> Response:
    """All builds."""
    return jsonify({"builds": builds.shelf(_engine())})


@bp.post("/builds", responses={201: BuildOut})
def create(body: CreateRequest) -> Response:
    """Make a build."""
    if (body.sheet is None) == (body.starter is None):
        return problem(422, "shape", "Send either a sheet or the five facts.")
    raw = body.sheet if body.starter is None else starter(**body.starter.model_dump())
    return _answer(builds.create(_engine(), raw or {}), 201)


@bp.get("/builds/<id>", responses={200: BuildOut})
def get(path: BuildPath, query: BuildQuery) -> Response:
    """One build with its report."""
    return _answer(builds.get(_engine(), path.id, query.explain))


@bp.patch("/builds/<id>", responses={200: BuildOut})
def edit(path: BuildPath, body: EditRequest) -> Response:
    """Edit fields; needs If-Match."""
    revision = _revision()
    if revision is None:
        return _unconditional()
    return _answer(builds.edit(_engine(), path.id, revision, [e.model_dump() for e in body.edits]))


@bp.put("/builds/<id>", responses={200: BuildOut})
def replace(path: BuildPath, body: ReplaceRequest) -> Response:
    """Replace the document; needs If-Match."""
    revision = _revision()
    if revision is None:
        return _unconditional()
    return _answer(builds.replace(_engine(), path.id, revision, body.sheet, body.note))


@bp.delete("/builds/<id>")
def delete(path: BuildPath) -> tuple[str, int]:
    """Take a build off the shelf; it can be brought back."""
    builds.delete(_engine(), path.id)
    return "", 204


@bp.post("/builds/<id>/undelete", responses={200: BuildOut})
def undelete(path: BuildPath) -> Response:
    """Bring a deleted build back."""
    return _answer(builds.undelete(_engine(), path.id))


@bp.post("/builds/<id>/copy", responses={201: BuildOut})
def copy(path: BuildPath, body: CopyRequest) -> Response:
    """Copy a build."""
    return _answer(builds.copy(_engine(), path.id, body.name), 201)


@bp.get("/builds/<id>/revisions", responses={200: Revisions})
def revisions(path: BuildPath) -> Response:
    """History of a build."""
    return jsonify({"revisions": builds.revisions(_engine(), path.id)})


@bp.post("/builds/<id>/revisions/<int:revision>/bring-back", responses={200: BuildOut})
def bring_back(path: RevisionPath) -> Response:
    """Make an earlier revision the newest; needs If-Match."""
    revision = _revision()
    if revision is None:
        return _unconditional()
    return _answer(builds.bring_back(_engine(), path.id, revision, path.revision))
