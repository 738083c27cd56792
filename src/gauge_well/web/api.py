"""The one module that knows the OpenAPI library: application class, what routes declare."""

from __future__ import annotations

from collections.abc import Callable
from http import HTTPStatus
from typing import Any

from flask import request
from flask.json.provider import DefaultJSONProvider
from flask_openapi import APIBlueprint, Info, OpenAPI
from pydantic import BaseModel, ConfigDict, Field

from gauge_well import __version__
from gauge_well.services.models import BuildOut, ProblemEntry, SheetKept
from gauge_well.web.problems import validation_problem

OPENAPI_VERSION = "3.1.0"


class Problem(BaseModel):
    """Any error."""

    type: str
    title: str
    status: int
    code: str
    problems: list[ProblemEntry] = []


class StaleProblem(Problem):
    """A write made from an older revision: the build as it stands, and as it would have been."""

    current: BuildOut
    yours: SheetKept | None


class Strict(BaseModel):
    """A request's body; unknown members are refused."""

    model_config = ConfigDict(extra="forbid")


class Fence(BaseModel):
    """The revision a write was made from."""

    if_match: str | None = Field(default=None, alias="If-Match", description="Revision this was made from")

    @property
    def revision(self) -> int | None:
        """Its number; None where it is absent or no number."""
        value = (self.if_match or "").strip().strip('"')
        return int(value) if value.isascii() and value.isdigit() and len(value) < 10 else None


class StrictJSON(DefaultJSONProvider):
    """JSON without NaN, and with the keys in the order the report gives them."""

    sort_keys = False
    compact = True

    def dumps(self, obj: Any, **kwargs: Any) -> str:
        kwargs.setdefault("allow_nan", False)
        return super().dumps(obj, **kwargs)


# Models that answers are made of: their schemas are worked once, when the document is asked for, not at every start.
ANSWERED: set[type[BaseModel]] = {Problem, StaleProblem}


def _answer(status: int, model: type[BaseModel]) -> dict[str, Any]:
    ANSWERED.add(model)
    schema = {"$ref": f"#/components/schemas/{model.__name__}"}
    return {"description": HTTPStatus(status).phrase, "content": {"application/json": {"schema": schema}}}


def answers(model: type[BaseModel] | None, *refusals: int, status: int = 200) -> dict[str | int | HTTPStatus, Any]:
    """What a route answers: a model, and the refusals that are its own; those any may meet are added to all."""
    found: dict[str | int | HTTPStatus, Any] = {status: model and _answer(status, model)}
    return found | {code: _answer(code, StaleProblem if code == 409 else Problem) for code in refusals}


def plain(media: str, said: str, schema: dict[str, Any] | None = None) -> dict[str, Any]:
    """An answer that is no JSON model."""
    return {"description": said, "content": {media: {"schema": schema or {"type": "string"}}}}


def make_app() -> OpenAPI:
    """A bare application that answers with problems."""
    app = OpenAPI(
        "gauge_well",
        info=Info(title="Gauge Well", version=__version__),
        validation_error_status=422,
        validation_error_callback=validation_problem,
        doc_ui=False,
        static_folder=None,
    )
    app.openapi_version = OPENAPI_VERSION
    app.json = StrictJSON(app)
    return app


def blueprint(name: str) -> APIBlueprint:
    """Routes of one resource under /api."""
    return APIBlueprint(name, __name__, url_prefix="/api")


def hung_up() -> Callable[[], bool]:
    """Tells, also after this request's answer has begun, whether whoever asked has hung up."""
    asked: Callable[[], bool] = request.environ.get("waitress.client_disconnected", lambda: False)
    return asked


__all__ = ["APIBlueprint", "Fence", "OpenAPI", "Strict", "answers", "blueprint", "hung_up", "make_app", "plain"]
