"""What is refused before any route: foreign hosts and sites, bodies that are no JSON."""

from __future__ import annotations

import os
from collections.abc import Mapping
from urllib.parse import urlsplit

from flask import Flask, Response, request
from werkzeug.exceptions import RequestEntityTooLarge, SecurityError

from gauge_well.services.photographs import PHOTO_MAX
from gauge_well.services.recordings import FILE_MAX
from gauge_well.services.shaping import BYTES_MAX
from gauge_well.web.documents import BYTES, CATALOGUE, PHOTOGRAPHS, RAW, RECORDINGS
from gauge_well.web.problems import problem

BODY_MAX = 512 * 1024
OWN_HOSTS = ("localhost", "127.0.0.1")
# By the address a file is sent to: bytes that are taken, and what to do about more; of all others a shape's.
FILES: Mapping[str, tuple[int, str]] = {
    PHOTOGRAPHS: (PHOTO_MAX, "take the photograph smaller"),
    CATALOGUE: (BYTES_MAX, "save it with fewer rows"),
    **dict.fromkeys(RECORDINGS, (FILE_MAX, "log fewer rows a second, or cut it in two")),
}
READS = ("GET", "HEAD", "OPTIONS")


def trusted_hosts() -> list[str]:
    """Hosts that are served: loopback's names, and those of ``GAUGE_WELL_HOSTS``, parted by commas."""
    more = os.environ.get("GAUGE_WELL_HOSTS", "").split(",")
    return [*OWN_HOSTS, *(host.strip() for host in more if host.strip())]


def register(app: Flask) -> None:
    """Attach the checks, in the order they are made."""
    app.config["TRUSTED_HOSTS"] = trusted_hosts()
    app.config["MAX_CONTENT_LENGTH"] = BODY_MAX
    for check in (_host, _site, _body):
        app.before_request(check)


def _host() -> Response | None:
    try:
        _ = request.host
    except SecurityError:
        return problem(400, "host", "This address is not served here.")
    return None


def _site() -> Response | None:
    """A page of another site may send requests here with the user's own browser: they are not taken."""
    if request.method in READS:
        return None
    fetched = request.headers.get("Sec-Fetch-Site")
    origin = request.headers.get("Origin")
    foreign = fetched not in (None, "same-origin", "none")
    foreign |= origin is not None and urlsplit(origin).netloc != request.host
    return problem(403, "site", "Requests from other sites are not taken.") if foreign else None


def _body() -> Response | None:
    """JSON is parsed before anything looks at it: wrong type 415, malformed 400."""
    if request.method not in ("POST", "PATCH", "PUT") or not request.path.startswith("/api/"):
        return None
    if request.content_length in (None, 0) and "chunked" not in request.headers.get("Transfer-Encoding", ""):
        return None
    if request.path in RAW:
        return _raw()
    if request.mimetype != "application/json":
        return problem(415, "media_type", "Send JSON (content type application/json).")
    try:
        body = request.get_json()
    except RecursionError:
        return problem(400, "malformed", "The JSON is nested too deep.")
    except RequestEntityTooLarge:
        return problem(413, "too_large", f"The request is larger than {BODY_MAX // 1024} kB.")
    except Exception:
        return problem(400, "malformed", "The request is not well-formed JSON.")
    if not isinstance(body, dict):
        return problem(422, "shape", "The request must be a JSON object.")
    return None


def _raw() -> Response | None:
    """A file's bytes, read here so that too many are refused in words."""
    if request.mimetype != BYTES:
        return problem(415, "media_type", f"Send the file's bytes (content type {BYTES}).")
    most, smaller = FILES.get(request.path, (BYTES_MAX, "save a mesh as binary STL, or with fewer faces"))
    request.max_content_length = most
    try:
        request.get_data()
    except RequestEntityTooLarge:
        words = f"The file is larger than {most // 1024**2} MB: {smaller}."
        return problem(413, "too_large", words)
    return None
