"""Shapes and lists in and out: a file's bytes to a thing's points, a pan's side view or pins, scene and side view to a file."""

from __future__ import annotations

from typing import Literal

from flask import Response, jsonify, request
from pydantic import BaseModel, Field, FiniteFloat

from gauge_well.services import export, outlining, pins
from gauge_well.services.outlining import OutlineOut
from gauge_well.services.pins import PinsOut
from gauge_well.services.shaping import OUT, ShapeOut
from gauge_well.web import jobs
from gauge_well.web.api import answers, blueprint
from gauge_well.web.documents import BINARY
from gauge_well.web.routes.explore import SheetRequest

bp = blueprint("shapes")


class ShapeQuery(BaseModel):
    """How a file is to be read: what it was drawn in; of an outline, its plane and from where to where it is carried [m]."""

    kind: Literal["stl", "obj", "dxf", "csv"]
    unit: Literal["mm", "cm", "m", "in"] = "mm"
    plane: Literal["side", "front", "plan"] = "side"
    start: FiniteFloat = Field(default=-0.05, ge=-20.0, le=20.0)
    end: FiniteFloat = Field(default=0.05, ge=-20.0, le=20.0)


class OutPath(BaseModel):
    """Kind of file."""

    kind: Literal["stl", "obj", "csv", "dxf"]


@bp.post("/shape", responses=answers(ShapeOut))
def shape(query: ShapeQuery) -> Response:
    """A thing's points from the bytes of an STL, OBJ, DXF or CSV file, sent as they are."""
    return jsonify(jobs.work("shape", request.get_data(), query.kind, query.unit, query.plane, query.start, query.end))


class ListPath(BaseModel):
    """A place that several parts fill."""

    place: str = Field(max_length=60)


@bp.post("/list/<place>", responses={200: {"description": "CSV", "content": {"text/csv": {"schema": BINARY}}}})
def listed(path: ListPath, body: SheetRequest) -> Response:
    """The parts of a place that several fill, as CSV: a part a row, as they were typed."""
    return Response(export.listed(body.sheet, path.place), mimetype="text/csv")


@bp.post("/pins", responses=answers(PinsOut))
def pins_read() -> Response:
    """A pin list from its text, sent as it is: each line with what it is taken to be, and what is odd."""
    return jsonify(pins.read(request.get_data()).model_dump())


FILES = {media: {"schema": BINARY} for media, _ in OUT.values()}


@bp.post("/scene/<kind>", responses={200: {"description": "A file in millimetres", "content": FILES}})
def scene(path: OutPath, body: SheetRequest) -> Response:
    """Everything in its place as a file."""
    return Response(jobs.work("scene", body.sheet, path.kind), mimetype=OUT[path.kind][0])


class OutlineQuery(BaseModel):
    """How a side view is to be read: its kind, what it was drawn in, and whether the flywheel was drawn on the right."""

    kind: Literal["dxf", "svg", "csv"]
    unit: Literal["mm", "cm", "m", "in"] = "mm"
    turned: bool = False


class OutlinePath(BaseModel):
    """Kind of file."""

    kind: Literal["csv", "svg", "dxf"]


@bp.post("/outline", responses=answers(OutlineOut))
def outline(query: OutlineQuery) -> Response:
    """A pan's side view from the bytes of a DXF, SVG or CSV file, sent as they are."""
    return jsonify(jobs.work("outline", request.get_data(), query.kind, query.unit, query.turned))


PANS = {media: {"schema": BINARY} for media, _ in outlining.OUT.values()}


@bp.post("/outline/<kind>", responses={200: {"description": "A file in millimetres", "content": PANS}})
def outlined(path: OutlinePath, body: SheetRequest) -> Response:
    """The fitted pan's side view as a file."""
    return Response(jobs.work("outlined", body.sheet, path.kind), mimetype=outlining.OUT[path.kind][0])
