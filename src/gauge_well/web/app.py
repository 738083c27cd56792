"""Application factory: API under /api, the built pages everywhere else."""

from __future__ import annotations

import os
import sys
from pathlib import Path

from flask import Response, jsonify

from gauge_well.store.session import make_engine
from gauge_well.web import guards, problems
from gauge_well.web.api import ANSWERED, OpenAPI, make_app
from gauge_well.web.bench import Here, Runner
from gauge_well.web.documents import true_document
from gauge_well.web.jobs import JOBS
from gauge_well.web.pages import Page, answer, read_pages
from gauge_well.web.routes import builds, explore, house, order, photographs, readings, shapes, sizing, start

# Sizing is all computation: threads of one process that take turns every few milliseconds all end late. A turn
# as long as a sizing lets each end before the next begins.
TURN_SECONDS = 0.05
POLICY = (
    "default-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data:; font-src 'self'; "
    "frame-ancestors 'none'; base-uri 'self'"
)


def pages_folder() -> Path:
    """Where the built pages are."""
    return Path(__file__).resolve().parents[3] / "frontend" / "dist"


def create_app(
    database_url: str | None = None,
    pages: dict[str, Page] | None = None,
    runner: Runner | None = None,
    *,
    read_only: bool = False,
) -> OpenAPI:
    """Build the application; the database is not touched until a request needs it.

    ``pages`` are the built ones; they are read where none are given. ``runner`` works long jobs; they are worked in
    this process where there is none. ``read_only``: a newer program made the database.
    """
    sys.setswitchinterval(TURN_SECONDS)
    app = make_app()
    url = database_url or os.environ.get("DATABASE_URL") or "postgresql://127.0.0.1/gauge_well"
    app.config["READ_ONLY"] = read_only
    app.extensions["gauge_well_engine"] = make_engine(url, read_only=read_only)
    app.extensions["gauge_well_bench"] = runner or Here(lambda: JOBS)
    guards.register(app)
    problems.register(app)
    for routes in (sizing, explore, order, start, readings, builds, photographs, house, shapes):
        app.register_api(routes.bp)
    _serve(app, read_pages(pages_folder()) if pages is None else pages)
    return app


def api_document(app: OpenAPI) -> dict[str, object]:
    """The OpenAPI document."""
    return true_document(app.api_doc, ANSWERED)


def _serve(app: OpenAPI, pages: dict[str, Page]) -> None:
    document: list[dict[str, object]] = []

    @app.route("/api/openapi.json")
    def openapi() -> Response:
        if not document:
            document.append(api_document(app))
        return jsonify(document[0])

    @app.route("/api/<path:rest>", methods=["GET", "POST"])
    def no_api(rest: str) -> Response:
        return problems.problem(404, "not_found", "There is nothing at this address.")

    @app.route("/", defaults={"path": ""})
    @app.route("/<path:path>")
    def page(path: str) -> Response:
        return answer(pages, path) or problems.problem(404, "not_found", "There is nothing at this address.")

    @app.after_request
    def harden(response: Response) -> Response:
        response.headers.setdefault("X-Content-Type-Options", "nosniff")
        response.headers.setdefault("Referrer-Policy", "same-origin")
        response.headers.setdefault("Content-Security-Policy", POLICY)
        if (response.mimetype or "").endswith("json"):
            response.headers.setdefault("Cache-Control", "no-store")
        return response
