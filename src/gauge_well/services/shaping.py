"""Shapes of things from files, and the whole scene as files: points, outlines, meshes."""

from __future__ import annotations

import csv
import io
from collections.abc import Callable, Mapping, Sequence
from typing import Any

import numpy as np
from numpy.typing import NDArray

from gauge_well.core.errors import MissingFact
from gauge_well.core.facts import spec_at
from gauge_well.core.run import contexts
from gauge_well.core.run.memory import MEMORY
from gauge_well.core.systems.fit.facts import FitFacts
from gauge_well.core.systems.fit.gaps import Posed
from gauge_well.core.systems.fit.rooms import solved
from gauge_well.core.systems.fit.views import lie
from gauge_well.formats import mesh, outline
from gauge_well.formats.errors import FormatError
from gauge_well.services.models_report import Model
from gauge_well.services.sizing import check
from gauge_well.sheet import Problem, SheetError
from gauge_well.sheet.tables import read_table
from gauge_well.units import ReadingError
from gauge_well.units.printing import Preference

Array = NDArray[np.float64]
BYTES_MAX = 8 * 1024 * 1024
FIT = "fit"
COLUMNS = "piece, ahead [mm], left [mm], over [mm]"


class ShapeOut(Model):
    """What a file came to: the text of a thing's points, and how it was taken."""

    points: str
    pieces: int
    corners: int
    faces: int
    size_m: tuple[float, float, float]
    fat: float | None


# Planes in which an outline may be drawn: places of its two axes, and of the one it is carried along.
PLANES: Mapping[str, tuple[int, int, int]] = {"side": (0, 2, 1), "front": (1, 2, 0), "plan": (0, 1, 2)}


def taken(content: bytes, kind: str, unit: str, plane: str, start: float, end: float) -> dict[str, Any]:
    """A shape from a file's bytes.

    Parameters
    ----------
    content : bytes
    kind : str
        ``stl``, ``obj``, ``dxf``, or ``csv``: piece, ahead, left, over in a row.
    unit : str
        What it was drawn in.
    plane : str
        Of an outline: seen from the ``side``, the ``front`` or above (``plan``).
    start, end : float
        Of an outline: from where to where it is carried along the third axis [m].

    Raises
    ------
    SheetError
        For a file that cannot be taken, saying what is wrong and what to do.
    """
    try:
        if kind == "csv":
            found = _listed(content, unit)
        elif kind == "dxf":
            found = _carried(outline.read_outline(content) * mesh.UNITS[unit], plane, start, end)
        else:
            found = mesh.read_mesh(content, kind, unit)
    except FormatError as error:
        raise SheetError([Problem("file", "File", kind, "", error.message)]) from error
    every = np.concatenate(list(found.corners))
    across = every.max(axis=0) - every.min(axis=0)
    fine = 1 if across.max() < 0.1 else 0  # a tenth of a millimetre only where that is something
    rows = [
        f"{k}, " + ", ".join(f"{1e3 * v:.{fine}f}" for v in corner)
        for k, corners in enumerate(found.corners, 1)
        for corner in corners
    ]
    return {
        "points": "\n".join([COLUMNS, *rows]),
        "pieces": len(found.corners),
        "corners": len(every),
        "faces": found.faces,
        "size_m": [float(v) for v in across],
        "fat": found.fat,
    }


def _listed(content: bytes, unit: str) -> mesh.Pieces:
    """Corners in rows, each with its piece; bare numbers in the unit picked, whatever a header says otherwise stands."""
    spec = spec_at(FitFacts, "solids.any.points")
    assert spec is not None
    try:
        lines = content.decode("utf-8-sig").splitlines()
        head = (
            ""
            if lines and any(c.isalpha() for c in lines[0])
            else f"piece, ahead [{unit}], left [{unit}], over [{unit}]\n"
        )
        rows, _ = read_table(spec, head + "\n".join(lines), Preference())
    except UnicodeDecodeError as error:
        raise FormatError("unreadable", "This is no text: CSV in UTF-8 is taken.") from error
    except ReadingError as error:
        raise FormatError(error.code, error.message) from error
    points = np.array(rows, dtype=float)
    return mesh.Pieces([points[points[:, 0] == piece, 1:] for piece in np.unique(points[:, 0])], 0, None)


def _carried(points: Array, plane: str, start: float, end: float) -> mesh.Pieces:
    if abs(end - start) < 1e-4:
        raise FormatError("flat", "An outline needs two places between which it is carried: they are the same.")
    first, second, third = PLANES[plane]
    pieces = outline.strips(points)[: mesh.PIECES]
    corners = []
    for piece in pieces:
        most = mesh.CORNERS // (2 * len(pieces))
        if len(piece) > most:
            piece = piece[np.linspace(0, len(piece), most, endpoint=False).astype(int)]
        solid = np.zeros((2 * len(piece), 3))
        solid[:, [first, second]] = np.tile(piece, (2, 1))
        solid[:, third] = np.repeat([start, end], len(piece))
        corners.append(solid)
    return mesh.Pieces(corners, 0, None)


# The scene out ------------------------------------------------------------------------------------


def _scene(raw: Mapping[str, Any]) -> tuple[dict[str, Array], Any]:
    """Every thing by its name with its corners [m], and the drawing; SheetError where it cannot be drawn yet."""
    _, resolved = check(raw)
    facts = resolved.case.systems[FIT]
    try:
        context, _ = contexts.make_context(resolved.case, memory=MEMORY)
        scene = solved(context, facts).scene
    except MissingFact as error:
        problem = Problem(error.field, error.field, "", "", "The engine's outside and its space are not known yet.")
        raise SheetError([problem]) from error
    posed = Posed(scene, scene.pose)
    solids = [
        *zip(scene.unit, posed.unit[0], strict=True),
        *((t, own[0]) for t, own in zip(scene.machine, posed.machine, strict=True)),
    ]
    found = {t.id: s.grown() for t, s in solids if not t.id.endswith(("_off", "_bump"))}
    return found, lie.show(context, facts, {})


def as_mesh(raw: Mapping[str, Any], kind: str) -> bytes:
    """The scene as ``stl`` or ``obj`` in millimetres."""
    return mesh.write_mesh(_scene(raw)[0], kind)


def as_points(raw: Mapping[str, Any]) -> bytes:
    """Corners of everything as CSV in millimetres, in the machine's axes."""
    out = io.StringIO()
    writer = csv.writer(out)
    writer.writerow(["thing", "ahead_mm", "left_mm", "over_mm"])
    for name, corners in _scene(raw)[0].items():
        writer.writerows([name, *(f"{1e3 * v:.2f}" for v in corner)] for corner in corners)
    return out.getvalue().encode()


def as_outlines(raw: Mapping[str, Any]) -> bytes:
    """Outlines from the side, the front and above, a layer for each thing in each, beside each other as DXF."""
    view = _scene(raw)[1]
    layers: dict[str, Sequence[tuple[float, float]]] = {}
    for n, plane in enumerate(("side", "front", "plan")):
        for thing in view.things:
            points = getattr(thing, plane)
            layers[f"{plane}_{thing.id}"] = [(1e3 * x + 6000.0 * n, 1e3 * y) for x, y in points]
    return outline.write_outlines(layers)


OUT: Mapping[str, tuple[str, Callable[[Mapping[str, Any]], bytes]]] = {
    "stl": ("model/stl", lambda raw: as_mesh(raw, "stl")),
    "obj": ("model/obj", lambda raw: as_mesh(raw, "obj")),
    "csv": ("text/csv", as_points),
    "dxf": ("image/vnd.dxf", as_outlines),
}


def written(raw: Mapping[str, Any], kind: str) -> bytes:
    """The scene as a file of a kind of :data:`OUT`."""
    return OUT[kind][1](raw)
