"""The one module that knows the OpenAPI library: application class, body checks, documents."""

from __future__ import annotations

from typing import Any

from flask import Response, request
from flask.json.provider import DefaultJSONProvider
from flask_openapi import APIBlueprint, Info, OpenAPI
from pydantic import BaseModel

from gauge_well import __version__
from gauge_well.web.problems import problem, validation_problem

OPENAPI_VERSION = "3.1.0"
BODY_MAX = 512 * 1024


class ProblemEntry(BaseModel):
    """One field a request was wrong about."""

    field: str
    label: str
    read: str
    allowed: str
    message: str


class Problem(BaseModel):
    """Any error."""

    type: str
    title: str
    status: int
    code: str
    problems: list[ProblemEntry] = []


class StrictJSON(DefaultJSONProvider):
    """JSON without NaN, and with the keys in the order the report gives them."""

    sort_keys = False
    compact = True

    def dumps(self, obj: Any, **kwargs: Any) -> str:
        kwargs.setdefault("allow_nan", False)
        return super().dumps(obj, **kwargs)


def make_app(static_folder: str | None) -> OpenAPI:
    """A bare application that answers with problems."""
    app = OpenAPI(
        "gauge_well",
        info=Info(title="Gauge Well", version=__version__),
        validation_error_status=422,
        validation_error_model=Problem,
        validation_error_callback=validation_problem,
        doc_ui=False,
        static_folder=static_folder,
        static_url_path="/_unused",
    )
    app.openapi_version = OPENAPI_VERSION
    app.json = StrictJSON(app)
    app.config["MAX_CONTENT_LENGTH"] = BODY_MAX
    app.before_request(_check_body)
    return app


def _check_body() -> Response | None:
    """JSON is parsed before the library looks at it: wrong type 415, malformed 400."""
    if request.method not in ("POST", "PATCH", "PUT") or not request.path.startswith("/api/"):
        return None
    if request.content_length in (None, 0):
        return None
    if request.mimetype != "application/json":
        return problem(415, "media_type", "Send JSON (content type application/json).")
    try:
        body = request.get_json()
    except RecursionError:
        return problem(400, "malformed", "The JSON is nested too deep.")
    except Exception as error:
        if getattr(error, "code", 400) == 413:
            return problem(413, "too_large", f"The request is larger than {BODY_MAX // 1024} kB.")
        return problem(400, "malformed", "The request is not well-formed JSON.")
    if not isinstance(body, dict):
        return problem(422, "shape", "The request must be a JSON object.")
    return None


def blueprint(name: str) -> APIBlueprint:
    """Routes of one resource under /api."""
    return APIBlueprint(name, __name__, url_prefix="/api")


__all__ = ["APIBlueprint", "OpenAPI", "Problem", "blueprint", "make_app"]
