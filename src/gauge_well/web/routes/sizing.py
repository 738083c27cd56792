"""Sizing without keeping: the report, an instrument's data, reading typed text, the vocabulary."""

from __future__ import annotations

from typing import Any, Literal

from flask import Response, jsonify
from pydantic import BaseModel, ConfigDict, Field

from gauge_well.services import explore, sizing, vocabulary
from gauge_well.services.models import Instrument, ReadOut, Report
from gauge_well.sheet.document import UnitsDocument
from gauge_well.sheet.schema import json_schema
from gauge_well.units.printing import Preference
from gauge_well.web.api import blueprint
from gauge_well.web.problems import problem

bp = blueprint("sizing")


class Strict(BaseModel):
    """Unknown members are refused."""

    model_config = ConfigDict(extra="forbid")


class SizeRequest(Strict):
    """A sheet to size."""

    sheet: dict[str, Any]
    explain: str = Field(default="governing", max_length=40)
    samples: Literal[0, 256, 512, 1024, 2048] = Field(default=0, description="Draws for bands; 0 for none")


class InstrumentRequest(Strict):
    """A sheet and what the instrument is set to."""

    sheet: dict[str, Any]
    options: dict[str, float] = Field(default_factory=dict)


class ReadRequest(Strict):
    """Typed text and the kind it should be."""

    text: str = Field(max_length=200)
    kind: str = Field(max_length=40)
    units: UnitsDocument = Field(default_factory=UnitsDocument)


class StationPath(BaseModel):
    """Which station."""

    system: str


@bp.post("/size", responses={200: Report})
def size(body: SizeRequest) -> Response:
    """Size a sheet."""
    if body.samples:
        return jsonify(explore.sure_report(body.sheet, body.explain, body.samples))
    return jsonify(sizing.size_document(body.sheet, body.explain))


@bp.post("/instrument/<system>", responses={200: Instrument})
def instrument(path: StationPath, body: InstrumentRequest) -> Response:
    """Data of a station's plot."""
    try:
        return jsonify({"data": sizing.instrument(body.sheet, path.system, body.options)})
    except KeyError:
        return problem(404, "not_found", "There is no such station.")


@bp.post("/read", responses={200: ReadOut})
def read(body: ReadRequest) -> Response:
    """Read typed text as a quantity."""
    try:
        return jsonify(vocabulary.read_text(body.text, body.kind, Preference(body.units.system, body.units.power)))
    except KeyError:
        return problem(422, "kind", "There is no such kind of quantity.")


@bp.get("/vocabulary", responses={200: vocabulary.Vocabulary})
def words() -> Response:
    """Sections, fields, kinds and units."""
    return jsonify(vocabulary.vocabulary().model_dump())


@bp.get("/schema")
def schema() -> Response:
    """JSON Schema of a build sheet."""
    return jsonify(json_schema())
