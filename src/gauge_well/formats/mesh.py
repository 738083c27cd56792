"""Meshes in and out: STL and OBJ, taken in as a few convex pieces that hold all of it."""

from __future__ import annotations

import io
import itertools
from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np
import trimesh
from numpy.typing import NDArray
from scipy.spatial import ConvexHull, HalfspaceIntersection, QhullError
from trimesh.exchange.obj import export_obj
from trimesh.exchange.stl import export_stl

from gauge_well.formats.errors import FormatError

Array = NDArray[np.float64]
FACES_MAX = 200_000
PIECES, CORNERS = 8, 160  # all together
SOLID = 0.85  # of its hull's volume from which a thing is as good as convex
COARSE, MANY = 5_000, 1_500  # faces, corners
FIRST = 16  # pieces it is cut in before those that hold little air between them are joined again
WORTH = 0.03  # of the whole hull's volume that joining two may add while there are few enough
UNITS: Mapping[str, float] = {"mm": 1e-3, "cm": 1e-2, "m": 1.0, "in": 0.0254}
LARGEST, SMALLEST = 20.0, 1e-3  # m across, outside which the unit is likely wrong
_CUBE = [np.array(d, dtype=float) for d in itertools.product((-1, 0, 1), repeat=3) if any(d)]
# Faces and corners of a cube: a hull with these normals has 24 corners at most; with the edges' too it has 48.
FEW = np.array([d / np.linalg.norm(d) for d in _CUBE if abs(d).sum() != 2])
_TURN = np.pi * (3.0 - np.sqrt(5.0)) * np.arange(700)
_UP = 1.0 - 2.0 * (np.arange(700) + 0.5) / 700
WAYS = np.column_stack([np.sqrt(1.0 - _UP**2) * np.cos(_TURN), np.sqrt(1.0 - _UP**2) * np.sin(_TURN), _UP])
MORE = np.array([d / np.linalg.norm(d) for d in _CUBE])


@dataclass(frozen=True)
class Pieces:
    """A shape as convex pieces, each by its corners (n, 3) [m]; ``faces`` it had, and how much larger all pieces
    together are than it (1: none), where that can be told."""

    corners: Sequence[Array]
    faces: int
    fat: float | None


def read_mesh(content: bytes, kind: str, unit: str) -> Pieces:
    """A mesh as convex pieces.

    Raises
    ------
    FormatError
        For a file that is no such mesh, one of too many faces, one that is flat or of an unlikely size.
    """
    try:
        mesh = trimesh.load(io.BytesIO(content), file_type=kind, force="mesh", process=True)
    except Exception as error:
        raise FormatError("unreadable", f"This is no {kind.upper()} file that can be read: {error}"[:300]) from error
    if not isinstance(mesh, trimesh.Trimesh) or len(mesh.faces) == 0:
        raise FormatError("empty", "There is no face in this file.")
    if len(mesh.faces) > FACES_MAX:
        raise FormatError(
            "too_fine",
            f"{len(mesh.faces):,} faces are more than the {FACES_MAX:,} that are taken: reduce the mesh first, ten "
            "thousand tell as much of a gap.",
        )
    points = np.asarray(mesh.vertices, dtype=float) * UNITS[unit]
    if not np.isfinite(points).all():
        raise FormatError("not_finite", "A corner of this mesh is no number.")
    size = float(np.ptp(points, axis=0).max())
    if not SMALLEST <= size <= LARGEST:
        raise FormatError("size", f"In {unit} this is {size:.3g} m across: pick the unit it was drawn in.")
    volume = abs(float(mesh.volume)) * UNITS[unit] ** 3 if mesh.is_watertight else 0.0
    whole = _hull(points)
    if whole is None:
        raise FormatError("flat", "This mesh lies in one plane: it is no solid.")
    if volume > SOLID * float(ConvexHull(whole).volume):
        pieces = [points]
    else:
        pieces = cut(*_fine(points, np.asarray(mesh.faces), size))
    corners = [_corners(own, CORNERS // len(pieces)) for own in pieces]
    held = sum(float(ConvexHull(c).volume) for c in corners)
    # Pieces of a thick thing's outside may leave its inside hollow: then there is no telling.
    return Pieces(corners, len(mesh.faces), held / volume if 0.0 < volume <= held else None)


def _fine(points: Array, faces: NDArray[np.int_], size: float) -> tuple[Array, NDArray[np.int_]]:
    """A coarse mesh with its faces made small enough to be cut between them."""
    if len(faces) >= COARSE:
        return points, faces
    fine, own = trimesh.remesh.subdivide_to_size(points, faces, size / 10.0)  # type: ignore[no-untyped-call]
    return np.asarray(fine, dtype=float), np.asarray(own)


def cut(points: Array, faces: NDArray[np.int_]) -> list[Array]:
    """Corners of the hulls of a few pieces that together hold all faces with little air: halved again and again along
    their longest side, then joined again where that adds least."""
    beside = trimesh.graph.face_adjacency(faces)  # type: ignore[no-untyped-call]
    pieces = [faces[own] for own in trimesh.graph.connected_components(beside)] or [faces]
    if len(pieces) > FIRST:
        pieces = [faces]
    while len(pieces) < FIRST:
        sizes = [float(np.ptp(points[own].reshape(-1, 3), axis=0).max()) for own in pieces]
        k = int(np.argmax(sizes))
        halves = _halves(points, pieces[k])
        if halves is None:
            break
        pieces[k : k + 1] = halves
    hulls = [h for h in (_hull(points[np.unique(own)]) for own in pieces) if h is not None]
    whole = _hull(points)
    assert whole is not None
    if len(hulls) < len(pieces):
        # A piece of a flat side alone has no volume: it goes with the rest of its mesh.
        hulls = _with_flat(points, pieces, hulls) if hulls else [whole]
    return _joined(hulls, WORTH * float(ConvexHull(whole).volume))


def _halves(points: Array, faces: NDArray[np.int_]) -> tuple[NDArray[np.int_], NDArray[np.int_]] | None:
    middles = points[faces].mean(axis=1)
    axis = int(np.argmax(np.ptp(points[faces].reshape(-1, 3), axis=0)))
    side = middles[:, axis] < 0.5 * (middles[:, axis].min() + middles[:, axis].max())
    return None if side.all() or not side.any() else (faces[side], faces[~side])


def _hull(points: Array) -> Array | None:
    """Corners of a hull; of a very fine one those farthest in many directions, which tell it to a thousandth."""
    if len(points) > MANY:
        points = points[np.unique((points @ WAYS.T).argmax(axis=0))]
    try:
        return np.asarray(points[ConvexHull(points).vertices])
    except QhullError:
        return None


def _with_flat(points: Array, pieces: Sequence[NDArray[np.int_]], hulls: list[Array]) -> list[Array]:
    """Pieces of one plane joined to the nearest of the others."""
    found = list(hulls)
    for own in pieces:
        corners = points[np.unique(own)]
        if _hull(corners) is None and found:
            k = int(np.argmin([np.linalg.norm(h.mean(axis=0) - corners.mean(axis=0)) for h in found]))
            joined = _hull(np.concatenate([found[k], corners]))
            found[k] = found[k] if joined is None else joined
    return found


def _joined(hulls: list[Array], worth: float) -> list[Array]:
    """Joined pair by pair where that adds least air, until they are few and every further one would add much."""
    volume = [float(ConvexHull(h).volume) for h in hulls]
    added: dict[tuple[int, int], tuple[float, Array]] = {}
    alive = list(range(len(hulls)))
    while len(alive) > 1:
        for a, b in itertools.combinations(alive, 2):
            if (a, b) not in added:
                both = _hull(np.concatenate([hulls[a], hulls[b]]))
                assert both is not None
                added[a, b] = float(ConvexHull(both).volume) - volume[a] - volume[b], both
        (a, b), (air, both) = min(
            ((k, v) for k, v in added.items() if k[0] in alive and k[1] in alive), key=lambda item: item[1][0]
        )
        if len(alive) <= PIECES and air > worth:
            break
        alive = [k for k in alive if k not in (a, b)] + [len(hulls)]
        hulls.append(both)
        volume.append(float(ConvexHull(both).volume))
    return [hulls[k] for k in alive]


def _corners(own: Array, most: int) -> Array:
    """Corners of a hull; where they are too many, of a body of fourteen or of twenty-six faces that holds it."""
    hull = _hull(own)
    if hull is not None and len(hull) <= most and len(own) <= MANY:
        return hull
    directions = MORE if most >= 48 else FEW
    reach = (own @ directions.T).max(axis=0)
    body = HalfspaceIntersection(np.column_stack([directions, -reach]), own.mean(axis=0)).intersections
    found = body[ConvexHull(body).vertices]
    # Corners that fall together are one.
    _, first = np.unique(np.round(found, 5), axis=0, return_index=True)
    return np.asarray(found[np.sort(first)])


def write_mesh(solids: Mapping[str, Array], kind: str) -> bytes:
    """Convex solids by their names as one mesh, in millimetres."""
    meshes = {name: trimesh.convex.convex_hull(1e3 * corners) for name, corners in solids.items()}
    if kind == "obj":
        text = str(export_obj(trimesh.Scene(meshes), include_texture=False))  # type: ignore[no-untyped-call]
        lines = ["# millimetres: ahead, left, over", *(line for line in text.splitlines() if not line.startswith("#"))]
        return "\n".join(lines).encode()
    return bytes(export_stl(trimesh.util.concatenate(list(meshes.values()))))
