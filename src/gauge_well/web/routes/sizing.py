"""Sizing without keeping: the report, an instrument's data, reading typed text, the vocabulary."""

from __future__ import annotations

from typing import Literal

from flask import Response, jsonify
from pydantic import BaseModel, Field, FiniteFloat

from gauge_well.services import sizing, vocabulary
from gauge_well.services.models import Instrument, ReadOut, SheetIn
from gauge_well.services.models_report import Report
from gauge_well.sheet.document import UnitsDocument
from gauge_well.units.printing import Preference
from gauge_well.web import jobs
from gauge_well.web.api import Strict, answers, blueprint

bp = blueprint("sizing")


class SizeRequest(Strict):
    """A sheet to size."""

    sheet: SheetIn
    explain: str = Field(default="governing", max_length=40)
    samples: Literal[0, 256, 512, 1024, 2048] = Field(default=0, description="Draws for bands; 0 for none")


class InstrumentRequest(Strict):
    """A sheet and what the instrument is set to."""

    sheet: SheetIn
    options: dict[str, FiniteFloat] = Field(default_factory=dict, max_length=40)


class ReadRequest(Strict):
    """Typed text and the kind it should be."""

    text: str = Field(max_length=200)
    kind: str = Field(max_length=40)
    units: UnitsDocument = Field(default_factory=UnitsDocument)


class StationPath(BaseModel):
    """Which station."""

    system: str = Field(min_length=1, max_length=40)


@bp.post("/size", responses=answers(Report))
def size(body: SizeRequest) -> Response:
    """Size a sheet."""
    if body.samples:
        return jsonify(jobs.work("sure_report", body.sheet, body.explain, body.samples))
    return jsonify(sizing.size_document(body.sheet, body.explain))


@bp.post("/instrument/<system>", responses=answers(Instrument, 404))
def instrument(path: StationPath, body: InstrumentRequest) -> Response:
    """Data of a station's plot."""
    return jsonify({"data": sizing.instrument(body.sheet, path.system, body.options)})


@bp.post("/read", responses=answers(ReadOut))
def read(body: ReadRequest) -> Response:
    """Read typed text as a quantity."""
    return jsonify(vocabulary.read_text(body.text, body.kind, Preference(body.units.system, body.units.power)))


@bp.get("/vocabulary", responses=answers(vocabulary.Vocabulary))
def words() -> Response:
    """Sections, fields, kinds and units."""
    return jsonify(vocabulary.vocabulary().model_dump())
