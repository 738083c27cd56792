"""Photographs of a build."""

from __future__ import annotations

from typing import Literal

from flask import Response, current_app, jsonify, request
from pydantic import BaseModel, Field

from gauge_well.services import photographs
from gauge_well.services.photographs import PhotographOut, PhotographsOut
from gauge_well.web import jobs
from gauge_well.web.api import answers, blueprint
from gauge_well.web.documents import BINARY
from gauge_well.web.routes.builds import BuildPath

bp = blueprint("photographs")
MISSING = 404


class PhotographQuery(BaseModel):
    """What a photograph is of, and a line on it."""

    build: str = Field(min_length=1, max_length=40)
    subject: str = Field(max_length=100, description="tasks.pickup, buys.adapter, parts.core or facts.engine.stroke")
    note: str = Field(default="", max_length=200)


class PhotographPath(BaseModel):
    """Which photograph."""

    photograph: str = Field(min_length=1, max_length=20)


class SizeQuery(BaseModel):
    """How large."""

    size: Literal["large", "small"] = "large"


@bp.post("/photographs", responses=answers(PhotographOut, MISSING, status=201))
def keep(query: PhotographQuery) -> Response:
    """Keep a photograph from a file's bytes: turned upright, made smaller, without where it was taken."""
    photographs.subject_of(query.subject)
    made = jobs.work("photograph", request.get_data())
    engine = current_app.extensions["gauge_well_engine"]
    response = jsonify(photographs.keep(engine, query.build, query.subject, query.note, made))
    response.status_code = 201
    return response


@bp.get("/builds/<id>/photographs", responses=answers(PhotographsOut, MISSING))
def of_build(path: BuildPath) -> Response:
    """Photographs of a build, the newest first."""
    return jsonify({"photographs": photographs.listed(current_app.extensions["gauge_well_engine"], path.id)})


_JPEG = {"description": "A JPEG", "content": {"image/jpeg": {"schema": BINARY}}}


@bp.get("/photographs/<photograph>", responses=answers(None, MISSING) | {200: _JPEG})
def content(path: PhotographPath, query: SizeQuery) -> Response:
    """A photograph; it never changes."""
    found = photographs.content(current_app.extensions["gauge_well_engine"], path.photograph, query.size == "small")
    headers = {"Cache-Control": "private, max-age=31536000, immutable", "X-Content-Type-Options": "nosniff"}
    return Response(found, mimetype="image/jpeg", headers=headers)


@bp.delete("/photographs/<photograph>", responses=answers(None, MISSING, status=204))
def drop(path: PhotographPath) -> tuple[str, int]:
    """Delete a photograph."""
    photographs.drop(current_app.extensions["gauge_well_engine"], path.photograph)
    return "", 204
