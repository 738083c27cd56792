"""Every error as ``application/problem+json``; nothing of the program's inside reaches a user."""

from __future__ import annotations

import logging
from collections.abc import Mapping
from typing import Any

from flask import Flask, Response, jsonify, request
from sqlalchemy.exc import DataError, DBAPIError, IntegrityError, TimeoutError
from werkzeug.exceptions import HTTPException

from gauge_well.services.errors import NotFound, Refused, Stale
from gauge_well.sheet import SheetError
from gauge_well.units import ReadingError
from gauge_well.web.bench import Broken, Busy, HungUp

log = logging.getLogger("gauge_well.web")
# What a database that answers may refuse, by its SQLSTATE. One that a newer program made is opened read-only.
REFUSALS: Mapping[str | None, tuple[str, str]] = {
    "53100": ("full", "The disk is full: nothing can be kept until there is room."),
    "25006": (
        "newer",
        "The database was made by a newer Gauge Well: builds can be looked at and saved as files, not changed.",
    ),
}


def problem(status: int, code: str, title: str, **extra: Any) -> Response:
    """A problem document (RFC 9457)."""
    response = jsonify({"type": f"urn:gauge-well:{code}", "title": title, "status": status, "code": code, **extra})
    response.status_code = status
    response.content_type = "application/problem+json"
    return response


def _entry(field: str, message: str, read: str = "", allowed: str = "", label: str = "") -> dict[str, str]:
    return {"field": field, "label": label, "read": read, "allowed": allowed, "message": message}


def sheet_problem(error: SheetError) -> Response:
    """422 with each field, what was read and what is allowed."""
    problems = [vars(p) for p in error.problems]
    return problem(422, "sheet", error.problems[0].message, problems=problems)


def validation_problem(error: Any) -> Response:
    """422 for a request of the wrong shape; the input itself is not echoed."""
    problems = [
        _entry(".".join(map(str, item["loc"])), item["msg"], label=str(item["loc"][-1]) if item["loc"] else "")
        for item in error.errors(include_input=False, include_url=False, include_context=False)
    ]
    return problem(422, "shape", "The request has the wrong shape.", problems=problems)


def register(app: Flask) -> None:
    """Attach the error handlers."""

    @app.errorhandler(SheetError)
    def on_sheet(error: SheetError) -> Response:
        return sheet_problem(error)

    @app.errorhandler(ReadingError)
    def on_reading(error: ReadingError) -> Response:
        entry = _entry("text", error.message, error.read[:80], error.allowed)
        return problem(422, "reading", error.message, problems=[entry])

    @app.errorhandler(Refused)
    def on_refused(error: Refused) -> Response:
        entry = _entry(error.field, error.message, error.read, error.allowed)
        return problem(422, error.field, error.message, problems=[entry])

    @app.errorhandler(NotFound)
    def on_missing(error: NotFound) -> Response:
        return problem(404, "not_found", f"There is no such {error.what}.")

    @app.errorhandler(Stale)
    def on_stale(error: Stale) -> Response:
        title = "This build was changed elsewhere since you opened it."
        return problem(409, "stale", title, current=error.current, yours=error.yours)

    @app.errorhandler(Busy)
    def on_busy(error: Busy) -> Response:
        response = problem(503, "busy", "Too much is being worked just now; what you typed is safe. Try again shortly.")
        response.headers["Retry-After"] = str(error.seconds)
        return response

    @app.errorhandler(HungUp)
    def on_hung_up(error: HungUp) -> Response:
        return problem(503, "hung_up", "Nobody waits for this any more.")

    @app.errorhandler(Broken)
    def on_broken(error: Broken) -> Response:
        log.error("a job ended at %s: %s", request.path, error)
        return problem(503, "job", "The work was broken off before it was done. Try again.")

    @app.errorhandler(DataError)
    @app.errorhandler(IntegrityError)
    def on_bad_data(error: DBAPIError) -> Response:
        log.error("not kept at %s %s: %s", request.method, request.path, error)
        return problem(422, "data", "This cannot be kept as it is. Nothing was changed.")

    @app.errorhandler(TimeoutError)
    @app.errorhandler(DBAPIError)
    def on_database(error: Exception) -> Response:
        log.error("database: %s", error)
        state = getattr(getattr(error, "orig", None), "sqlstate", None)
        code, said = REFUSALS.get(state, ("database", "The database does not answer."))
        response = problem(503, code, said)
        if code != "newer":  # waiting does not mend that
            response.headers["Retry-After"] = "3"
        return response

    @app.errorhandler(HTTPException)
    def on_http(error: HTTPException) -> Response:
        status = error.code or 500
        if error.response is not None:
            return error.response  # type: ignore[return-value]
        return problem(status, f"http_{status}", error.name)

    @app.errorhandler(Exception)
    def on_bug(error: Exception) -> Response:
        log.exception("unhandled error at %s %s", request.method, request.path)
        return problem(500, "bug", "The program failed on this request. Look again at what is kept before you go on.")
