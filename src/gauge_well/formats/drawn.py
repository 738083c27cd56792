"""Outlines in and out: SVG."""

from __future__ import annotations

import io
import re
from collections.abc import Sequence

import numpy as np
from numpy.typing import NDArray
from svgelements import SVG, Close, Line, Move, Path, Shape

from gauge_well.formats.errors import FormatError
from gauge_well.formats.outline import closed

Array = NDArray[np.float64]
SVG_MAX = 1024 * 1024
SHAPES_MAX = 200
CURVE = 12  # chords to a curve
SAME = 1e-6
MM_PER_INCH = 25.4
# What makes a small file large, or reaches outside it: entities, and copies of copies.
HOSTILE = re.compile(rb"<!(?:DOCTYPE|ENTITY)|<\s*(?:\w+:)?use\b|<\s*(?:\w+:)?image\b", re.IGNORECASE)
PHYSICAL = re.compile(rb"<\s*(?:\w+:)?svg\b[^>]*\bwidth\s*=\s*[\"']\s*[\d.]+\s*(?:mm|cm|in|pt|pc|q)\b", re.IGNORECASE)


def read_svg(content: bytes) -> tuple[Array, bool]:
    """The one closed outline of a drawing (n, 2), y up, and whether its size is in millimetres (else in its own units).

    Raises
    ------
    FormatError
        For a file that is no SVG, that is too large, that has entities or copies in it; for a drawing of none or of
        several outlines, of an open one, or one that crosses itself.
    """
    if len(content) > SVG_MAX:
        raise FormatError(
            "too_large", f"An SVG of {SVG_MAX // 1024} kB at most is taken: leave the outline alone in it."
        )
    found = HOSTILE.search(content)
    if found is not None:
        what = found.group().decode(errors="replace")
        raise FormatError("unreadable", f"This SVG has {what} in it: draw the outline itself.")
    try:
        shapes = [
            s for s in SVG.parse(io.BytesIO(content), reify=True, ppi=MM_PER_INCH).elements() if isinstance(s, Shape)
        ]
        if len(shapes) > SHAPES_MAX:
            raise FormatError("several", f"There are {len(shapes)} shapes: leave the one that is meant.")
        parts = [points for shape in shapes for points in _subpaths(Path(shape))]
    except FormatError:
        raise
    except Exception as error:
        raise FormatError("unreadable", f"This is no SVG file that can be read: {error}"[:300]) from error
    parts = [p for p in parts if len(p) > 1]
    if not parts:
        raise FormatError("empty", "There is no path, line or polygon in this drawing.")
    if len(parts) > 1:
        raise FormatError("several", f"There are {len(parts)} outlines: leave the one that is meant.")
    if not np.isfinite(parts[0]).all():
        raise FormatError("unreadable", "A corner of the outline is no number.")
    points = closed(parts[0], "The outline", SAME)
    return points * np.array([1.0, -1.0]), PHYSICAL.search(content) is not None


def _subpaths(path: Path) -> list[Array]:
    """Each run of a path as its corners, curves as chords."""
    found: list[list[tuple[float, float]]] = []
    for segment in path:
        if isinstance(segment, Move):
            found.append([])
        if segment.end is None or not found:
            continue
        straight = isinstance(segment, Move | Line | Close)
        steps = (1.0,) if straight else tuple(np.linspace(0.0, 1.0, CURVE + 1)[1:])
        for step in steps:
            at = segment.end if straight else segment.point(step)
            here = (float(at.x), float(at.y))
            if not found[-1] or np.hypot(here[0] - found[-1][-1][0], here[1] - found[-1][-1][1]) > SAME:
                found[-1].append(here)
    return [np.array(points) for points in found if points]


def write_svg(points: Sequence[tuple[float, float]]) -> bytes:
    """One closed outline [mm], y up, at its true size."""
    corners = np.array(points) * np.array([1.0, -1.0])
    low, high = corners.min(axis=0) - 5.0, corners.max(axis=0) + 5.0
    wide, tall = (float(v) for v in high - low)
    path = "M" + "L".join(f"{x:.2f} {y:.2f}" for x, y in corners) + "Z"
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" width="{wide:.2f}mm" height="{tall:.2f}mm" '
        f'viewBox="{low[0]:.2f} {low[1]:.2f} {wide:.2f} {tall:.2f}">'
        f'<path d="{path}" fill="none" stroke="#20302f" stroke-width="0.5"/></svg>\n'
    ).encode()
