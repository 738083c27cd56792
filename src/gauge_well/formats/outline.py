"""Outlines in and out: DXF."""

from __future__ import annotations

import codecs
import io
import itertools
from collections.abc import Mapping, Sequence

import numpy as np
from ezdxf import recover, units
from ezdxf.document import Drawing
from ezdxf.entities.dxfgfx import DXFGraphic
from ezdxf.path import make_path
from numpy.typing import NDArray
from scipy.spatial import ConvexHull, QhullError

from gauge_well.formats.errors import FormatError

Array = NDArray[np.float64]
# Code pages that drawings are written in: read now, before the rights to read them are given up.
for _page in (874, 932, 936, 949, 950, *range(1250, 1259)):
    codecs.lookup(f"cp{_page}")
FLATNESS = 0.5  # mm by which a chord may leave a curve
SAME = 0.05  # mm within which two ends are one
STRIPS = 8
CORNERS_MAX = 400
DRAWN = {"LINE", "LWPOLYLINE", "POLYLINE", "ARC", "CIRCLE", "ELLIPSE", "SPLINE"}


def read_outline(content: bytes) -> Array:
    """The one closed outline of a drawing (n, 2), in its own units.

    Raises
    ------
    FormatError
        For a file that is no DXF, and, by layer and place, for an outline that is open, that crosses itself, and for a
        drawing of none or of several.
    """
    try:
        document, _ = recover.read(io.BytesIO(content))
    except Exception as error:
        raise FormatError("unreadable", f"This is no DXF file that can be read: {error}"[:300]) from error
    found = [e for e in document.modelspace() if e.dxftype() in DRAWN]
    if not found:
        raise FormatError("empty", "There is no line, arc or polyline in this drawing.")
    chains = _chained([_points(entity) for entity in found], [_name(entity) for entity in found])
    if len(chains) > 1:
        names = "; ".join(f"{name}, {len(points)} corners" for points, name in chains[:4])
        raise FormatError("several", f"There are {len(chains)} outlines ({names}): leave the one that is meant.")
    points, name = chains[0]
    return closed(points, f"The outline on {name}", SAME)


def closed(points: Array, called: str, same: float) -> Array:
    """The corners of one outline without the last, which is the first again to within ``same``.

    Raises
    ------
    FormatError
        For one that is open, that has too few corners or too many, or that crosses itself.
    """
    apart = float(np.linalg.norm(points[0] - points[-1]))
    if apart > same:
        raise FormatError(
            "open", f"{called} is open: its ends are {apart:.1f} apart, at {_place(points[-1])}. Close it."
        )
    points = points[:-1]
    if len(points) < 3 or len(points) > CORNERS_MAX:
        raise FormatError("corners", f"{called} has {len(points)} corners; 3 to {CORNERS_MAX} are taken.")
    crossing = crossed(points)
    if crossing is not None:
        raise FormatError("crosses", f"{called} crosses itself at {_place(crossing)}. Draw it once round.")
    return points


def _place(point: Array) -> str:
    return ", ".join(f"{v:.1f}" for v in point)


def _name(entity: DXFGraphic) -> str:
    return f"layer {entity.dxf.layer}"


def _points(entity: DXFGraphic) -> Array:
    points = np.array([(p.x, p.y) for p in make_path(entity).flattening(FLATNESS)])
    keep = np.r_[True, np.linalg.norm(np.diff(points, axis=0), axis=1) > 1e-6]
    return points[keep]


def _chained(parts: list[Array], names: list[str]) -> list[tuple[Array, str]]:
    """Lines and arcs that meet at their ends as one, whichever way each was drawn."""
    chains: list[tuple[Array, str]] = []
    left = list(zip(parts, names, strict=True))
    while left:
        points, name = left.pop(0)
        grown = True
        while grown and np.linalg.norm(points[0] - points[-1]) > SAME:
            grown = False
            for k, (other, _) in enumerate(left):
                for piece in (other, other[::-1]):
                    if np.linalg.norm(points[-1] - piece[0]) <= SAME:
                        points, grown = np.concatenate([points, piece[1:]]), True
                    elif np.linalg.norm(points[0] - piece[-1]) <= SAME:
                        points, grown = np.concatenate([piece[:-1], points]), True
                    if grown:
                        break
                if grown:
                    left.pop(k)
                    break
        chains.append((points, name))
    return chains


def crossed(points: Array) -> Array | None:
    """Where a closed outline crosses itself; None where it does not."""
    ends = np.roll(points, -1, axis=0)
    n = len(points)
    for i in range(n):
        a, d = points[i], ends[i] - points[i]
        j = np.arange(i + 2, n if i else n - 1)
        if not len(j):
            continue
        b, e = points[j], ends[j] - points[j]
        cross = d[0] * e[:, 1] - d[1] * e[:, 0]
        there = np.abs(cross) > 1e-12
        safe = np.where(there, cross, 1.0)
        off = b - a
        t = (off[:, 0] * e[:, 1] - off[:, 1] * e[:, 0]) / safe
        u = (off[:, 0] * d[1] - off[:, 1] * d[0]) / safe
        hit = there & (t > 0.0) & (t < 1.0) & (u > 0.0) & (u < 1.0)
        if hit.any():
            return np.asarray(a + t[np.argmax(hit)] * d)
    return None


def strips(outline: Array) -> list[Array]:
    """An outline as convex pieces: cut along its first axis at its inward corners, each strip as its hull."""
    before, after = np.roll(outline, 1, axis=0), np.roll(outline, -1, axis=0)
    area = 0.5 * float(np.sum(outline[:, 0] * after[:, 1] - outline[:, 1] * after[:, 0]))
    turn = np.cross(
        np.column_stack([outline - before, np.zeros(len(outline))]),
        np.column_stack([after - outline, np.zeros(len(outline))]),
    )[:, 2]
    inward = outline[turn * np.sign(area) < -1e-9, 0]
    low, high = float(outline[:, 0].min()), float(outline[:, 0].max())
    cuts = np.unique(np.round(inward[(inward > low + 1e-6) & (inward < high - 1e-6)], 6))
    if len(cuts) > STRIPS - 1:
        cuts = np.quantile(cuts, np.linspace(0.0, 1.0, STRIPS + 1)[1:-1])
    edges = [low, *cuts.tolist(), high]
    found = []
    for start, end in itertools.pairwise(edges):
        piece = _clipped(_clipped(outline, start, 1.0), end, -1.0)
        try:
            found.append(piece[ConvexHull(piece).vertices])
        except (QhullError, ValueError):
            continue
    return found


def _clipped(outline: Array, at: float, side: float) -> Array:
    """The part of a polygon on one side of a line across its first axis."""
    found = []
    for p, q in zip(outline, np.roll(outline, -1, axis=0), strict=True):
        a, b = side * (p[0] - at), side * (q[0] - at)
        if a >= 0.0:
            found.append(p)
        if a * b < 0.0:
            found.append(p + a / (a - b) * (q - p))
    return np.array(found).reshape(-1, 2)


def write_outlines(layers: Mapping[str, Sequence[tuple[float, float]]]) -> bytes:
    """Closed outlines [mm] by their layers as a DXF drawing."""
    document = Drawing.new("R2010")
    document.units = units.MM
    space = document.modelspace()
    for name, points in layers.items():
        document.layers.add(name)
        space.add_lwpolyline(points, close=True, dxfattribs={"layer": name})
    out = io.StringIO()
    document.write(out)
    return out.getvalue().encode()
