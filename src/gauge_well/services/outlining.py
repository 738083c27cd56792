"""The pan's side view from a file, and to one."""

from __future__ import annotations

import csv
import io
from collections.abc import Callable, Mapping
from typing import Any

import numpy as np

from gauge_well.core.errors import MissingFact
from gauge_well.core.facts import at_likely, spec_at
from gauge_well.core.systems.oil.facts import OilFacts
from gauge_well.core.systems.oil.pan import outline_of
from gauge_well.formats import drawn, outline
from gauge_well.formats.errors import FormatError
from gauge_well.formats.mesh import UNITS
from gauge_well.services.models_report import Model
from gauge_well.services.sizing import check
from gauge_well.sheet import Problem, SheetError
from gauge_well.sheet.tables import read_table
from gauge_well.units import ReadingError
from gauge_well.units.printing import Preference

HEAD = "from the flywheel end [mm], below the rail [mm]"


class OutlineOut(Model):
    """What a file came to: the text of an outline's rows, how many corners, how long and deep [m]."""

    rows: str
    corners: int
    length_m: float
    depth_m: float


def taken(content: bytes, kind: str, unit: str, turned: bool) -> dict[str, Any]:
    """A pan's side view from a file's bytes: its highest corners are the rail, its left end the flywheel's.

    Parameters
    ----------
    content : bytes
    kind : str
        ``dxf``, ``svg``, or ``csv``: from the flywheel end, below the rail in a row.
    unit : str
        What it was drawn in; an SVG with a size in millimetres says so itself.
    turned : bool
        It was drawn with the flywheel on the right.

    Raises
    ------
    SheetError
        For a file that cannot be taken, saying what is wrong and what to do.
    """
    try:
        if kind == "csv":
            points = _listed(content, unit)
        elif kind == "svg":
            points, sized = drawn.read_svg(content)
            points = points * (1.0 if sized else UNITS[unit] / UNITS["mm"]) * UNITS["mm"]
        else:
            points = outline.read_outline(content) * UNITS[unit]
        _bounded(points)
    except FormatError as error:
        raise SheetError([Problem("file", "File", kind, "", error.message)]) from error
    if turned:
        points = points * np.array([-1.0, 1.0])
    points = points - np.array([points[:, 0].min(), points[:, 1].max()])
    rows = [f"{1e3 * x:.1f}, {abs(1e3 * z):.1f}" for x, z in points]
    return {
        "rows": "\n".join([HEAD, *rows]),
        "corners": len(points),
        "length_m": float(np.ptp(points[:, 0])),
        "depth_m": float(np.ptp(points[:, 1])),
    }


def _bounded(points: np.ndarray[Any, Any]) -> None:
    """What fits a pan: rows enough for the table, a size that an engine could have."""
    spec = spec_at(OilFacts, "pan.outline")
    assert spec is not None
    if len(points) > spec.rows:
        raise FormatError("corners", f"The outline has {len(points)} corners; a pan is told by {spec.rows} at most.")
    size = np.ptp(points, axis=0)
    if not (size.min() >= 0.02 and size.max() <= 3.0):
        words = " by ".join(f"{1e3 * float(s):.0f} mm" for s in size)
        raise FormatError("size", f"The outline is {words}: no pan is. Say what it was drawn in.")


def _listed(content: bytes, unit: str) -> np.ndarray[Any, Any]:
    """Rows of (from the flywheel end, below the rail); bare numbers in the unit picked, a header's stands."""
    spec = spec_at(OilFacts, "pan.outline")
    assert spec is not None
    try:
        text = content.decode("utf-8-sig")
        lines = [row for row in text.splitlines() if row.strip()]
        headed = bool(lines) and any(c.isalpha() for c in lines[0]) and not any(c.isdigit() for c in lines[0])
        head = "" if headed else f"from the flywheel end [{unit}], below the rail [{unit}]\n"
        rows, _ = read_table(spec, head + "\n".join(lines), Preference())
    except UnicodeDecodeError as error:
        raise FormatError("unreadable", "This is no text: CSV in UTF-8 is taken.") from error
    except ReadingError as error:
        raise FormatError(error.code, error.message) from error
    points: np.ndarray[Any, Any] = np.array(rows, dtype=float) * np.array([1.0, -1.0])
    crossing = outline.crossed(points)
    if crossing is not None:
        raise FormatError("crosses", f"The outline crosses itself at {1e3 * crossing[0]:.0f} mm. List it once round.")
    return points


def _corners(raw: Mapping[str, Any]) -> list[tuple[float, float]]:
    """The fitted pan's side view [mm], y up; SheetError where it is not known."""
    _, resolved = check(raw)
    try:
        found = outline_of(at_likely(resolved.case.systems["oil"]).pan)
    except MissingFact as error:
        raise SheetError(
            [Problem(error.field, error.field, "", "", "The pan's shape and size are not known yet.")]
        ) from error
    return [(1e3 * float(x), 1e3 * float(z)) for x, z in found]


def _as_csv(raw: Mapping[str, Any]) -> bytes:
    out = io.StringIO()
    writer = csv.writer(out)
    writer.writerow(HEAD.split(", "))
    writer.writerows((f"{x:.1f}", f"{abs(z):.1f}") for x, z in _corners(raw))
    return out.getvalue().encode()


OUT: Mapping[str, tuple[str, Callable[[Mapping[str, Any]], bytes]]] = {
    "csv": ("text/csv", _as_csv),
    "svg": ("image/svg+xml", lambda raw: drawn.write_svg(_corners(raw))),
    "dxf": ("image/vnd.dxf", lambda raw: outline.write_outlines({"pan": _corners(raw)})),
}


def written(raw: Mapping[str, Any], kind: str) -> bytes:
    """The fitted pan's side view as a file of a kind of :data:`OUT`."""
    return OUT[kind][1](raw)
