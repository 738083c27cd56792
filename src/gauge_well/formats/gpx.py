"""A GPX track's fixes: times, degrees, heights. What a hostile file would do with its markup is refused before it is read."""

from __future__ import annotations

import io
from dataclasses import dataclass
from datetime import datetime

import numpy as np
from defusedxml.common import DefusedXmlException  # type: ignore[import-untyped]
from defusedxml.ElementTree import ParseError, iterparse  # type: ignore[import-untyped]

from gauge_well.formats.errors import FormatError
from gauge_well.formats.log import as_utc

BYTES_MAX = 64 * 1024 * 1024
FIXES_MAX, DEEPEST = 500_000, 24
POINTS = ("trkpt", "rtept")


@dataclass(frozen=True, eq=False)
class Fixes:
    """Fixes of a track: seconds since the first, latitude and longitude in degrees, height [m], not a number where none stands."""

    time: np.ndarray
    latitude: np.ndarray
    longitude: np.ndarray
    height: np.ndarray
    begins: datetime | None


def fixes_of(raw: bytes) -> Fixes:
    """Read a GPX file.

    Raises
    ------
    FormatError
        Where it is none, has no fix with a time, too many, or markup that no track needs (entities, a document type, depth).
    """
    if len(raw) > BYTES_MAX:
        raise FormatError("size", f"The track has {len(raw) // 1024**2} MB: {BYTES_MAX // 1024**2} MB are the most.")
    rows: list[tuple[float, float, float, float]] = []
    first: datetime | None = None
    depth = 0
    try:
        for event, element in iterparse(io.BytesIO(raw), events=("start", "end"), forbid_dtd=True):
            depth += 1 if event == "start" else -1
            if depth > DEEPEST:
                raise FormatError("depth", "The track's markup is nested deeper than any track's.")
            if event == "start" or _name(element) not in POINTS:
                continue
            moment = _moment(_under(element, "time"))
            if moment is not None:
                first = first or moment
                place = (_number(element.get("lat")), _number(element.get("lon")), _number(_under(element, "ele")))
                rows.append(((moment - first).total_seconds(), *place))
            if len(rows) > FIXES_MAX:
                raise FormatError("rows", f"The track has more than {FIXES_MAX} fixes.")
            element.clear()
    except FormatError:
        raise
    except DefusedXmlException:
        raise FormatError("markup", "The track holds a document type or entities: no track needs them.") from None
    except (ParseError, ValueError, LookupError):
        raise FormatError("gpx", "This is no GPX file that can be read.") from None
    if len(rows) < 3:
        raise FormatError("gpx", "The track has too few fixes with a time.")
    time, latitude, longitude, height = (np.array(c) for c in zip(*rows, strict=True))
    return Fixes(time, latitude, longitude, height, first)


def _name(element: object) -> str:
    tag: str = element.tag  # type: ignore[attr-defined]
    return tag.rpartition("}")[2]


def _under(element: object, name: str) -> str | None:
    for child in element:  # type: ignore[attr-defined]
        if _name(child) == name:
            text: str | None = child.text
            return text
    return None


def _number(text: str | None) -> float:
    return float(text) if text else float("nan")


def _moment(text: str | None) -> datetime | None:
    if not text:
        return None
    return as_utc(datetime.fromisoformat(text.strip()))
