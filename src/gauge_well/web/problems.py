"""Every error as ``application/problem+json``; nothing of the program's inside reaches a user."""

from __future__ import annotations

import logging
from typing import Any

from flask import Flask, Response, jsonify, request
from sqlalchemy.exc import DBAPIError, OperationalError, TimeoutError
from werkzeug.exceptions import HTTPException

from gauge_well.services.builds import NotFound, Stale
from gauge_well.sheet import SheetError
from gauge_well.units import ReadingError

log = logging.getLogger("gauge_well.web")


def problem(status: int, code: str, title: str, **extra: Any) -> Response:
    """A problem document (RFC 9457)."""
    response = jsonify({"type": f"urn:gauge-well:{code}", "title": title, "status": status, "code": code, **extra})
    response.status_code = status
    response.content_type = "application/problem+json"
    return response


def sheet_problem(error: SheetError) -> Response:
    """422 with each field, what was read and what is allowed."""
    problems = [vars(p) for p in error.problems]
    return problem(422, "sheet", error.problems[0].message, problems=problems)


def validation_problem(error: Any) -> Response:
    """422 for a body of the wrong shape; the input itself is not echoed."""
    problems = [
        {
            "field": ".".join(str(p) for p in item["loc"]),
            "label": str(item["loc"][-1]) if item["loc"] else "",
            "read": "",
            "allowed": "",
            "message": item["msg"],
        }
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
        entry = {
            "field": "text",
            "label": "",
            "read": error.read[:80],
            "allowed": error.allowed,
            "message": error.message,
        }
        return problem(422, "reading", error.message, problems=[entry])

    @app.errorhandler(NotFound)
    def on_missing(error: NotFound) -> Response:
        return problem(404, "not_found", "There is no such build.")

    @app.errorhandler(Stale)
    def on_stale(error: Stale) -> Response:
        return problem(
            409,
            "stale",
            "This build was changed elsewhere since you opened it.",
            current=error.current,
            yours=error.yours,
        )

    @app.errorhandler(OperationalError)
    @app.errorhandler(TimeoutError)
    @app.errorhandler(DBAPIError)
    def on_database(error: Exception) -> Response:
        log.error("database: %s", error)
        return problem(503, "database", "The database does not answer. What you typed is kept on this page; try again.")

    @app.errorhandler(HTTPException)
    def on_http(error: HTTPException) -> Response:
        status = error.code or 500
        if error.response is not None:
            return error.response  # type: ignore[return-value]
        return problem(status, f"http_{status}", error.name)

    @app.errorhandler(Exception)
    def on_bug(error: Exception) -> Response:
        log.exception("unhandled error at %s %s", request.method, request.path)
        return problem(500, "bug", "The program failed on this request. Nothing was changed.")
