"""The house itself: whether it is well, the sheet's schema, every build as files."""

from __future__ import annotations

from flask import Response, current_app, jsonify
from pydantic import BaseModel
from sqlalchemy import text

from gauge_well.services.export import all_builds
from gauge_well.sheet.schema import json_schema
from gauge_well.web.api import answers, blueprint, plain

bp = blueprint("house")


class Health(BaseModel):
    """The program and its database answer; ``read_only`` where a newer program made the database."""

    ok: bool
    read_only: bool


@bp.get("/health", responses=answers(Health))
def health() -> Response:
    """Whether the program and its database answer."""
    with current_app.extensions["gauge_well_engine"].connect() as connection:
        connection.execute(text("SELECT 1"))
    return jsonify({"ok": True, "read_only": current_app.config["READ_ONLY"]})


@bp.get("/schema", responses={200: plain("application/json", "JSON Schema of a build sheet", {"type": "object"})})
def schema() -> Response:
    """JSON Schema of a build sheet."""
    return jsonify(json_schema())


@bp.get("/export", responses={200: plain("application/zip", "Every build as a JSON file, in a ZIP archive")})
def export() -> Response:
    """All builds as files."""
    content = all_builds(current_app.extensions["gauge_well_engine"])
    headers = {"Content-Disposition": 'attachment; filename="gauge-well-builds.zip"', "Cache-Control": "no-store"}
    return Response(content, mimetype="application/zip", headers=headers)
