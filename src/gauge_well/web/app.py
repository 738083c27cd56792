"""Application factory: API under /api, the built pages everywhere else."""

from __future__ import annotations

import os
import sys
from pathlib import Path

from flask import Response, jsonify, send_from_directory
from sqlalchemy import text

from gauge_well.store.session import make_engine
from gauge_well.web import problems
from gauge_well.web.api import OpenAPI, make_app
from gauge_well.web.routes import builds, explore, sizing

ASSETS_SECONDS = 31536000
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


def create_app(database_url: str | None = None, pages: Path | None = None) -> OpenAPI:
    """Build the application; the database is not touched until a request needs it."""
    folder = pages or pages_folder()
    sys.setswitchinterval(TURN_SECONDS)
    app = make_app(None)
    url = database_url or os.environ.get("DATABASE_URL", "postgresql://127.0.0.1/gauge_well")
    app.extensions["gauge_well_engine"] = make_engine(url)
    problems.register(app)
    app.register_api(sizing.bp)
    app.register_api(explore.bp)
    app.register_api(builds.bp)
    _serve(app, folder)
    return app


def _serve(app: OpenAPI, folder: Path) -> None:
    @app.route("/api/openapi.json")
    def openapi() -> Response:
        return jsonify(app.api_doc)

    @app.route("/api/health")
    def health() -> Response:
        with app.extensions["gauge_well_engine"].connect() as connection:
            connection.execute(text("SELECT 1"))
        return jsonify({"ok": True})

    @app.route("/api/<path:rest>")
    def no_api(rest: str) -> Response:
        return problems.problem(404, "not_found", "There is nothing at this address.")

    @app.route("/", defaults={"path": ""})
    @app.route("/<path:path>")
    def page(path: str) -> Response:
        if path and (folder / path).is_file():
            age = ASSETS_SECONDS if path.startswith("assets/") else 0
            return send_from_directory(folder, path, max_age=age)
        if path.startswith("assets/") or not (folder / "index.html").is_file():
            return problems.problem(404, "not_found", "There is nothing at this address.")
        # Every other address belongs to the page's own router.
        return send_from_directory(folder, "index.html", max_age=0)

    @app.after_request
    def harden(response: Response) -> Response:
        response.headers.setdefault("X-Content-Type-Options", "nosniff")
        response.headers.setdefault("Referrer-Policy", "same-origin")
        response.headers.setdefault("Content-Security-Policy", POLICY)
        if (response.mimetype or "").endswith("json"):
            response.headers.setdefault("Cache-Control", "no-store")
        return response
