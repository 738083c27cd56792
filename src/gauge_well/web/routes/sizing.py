"""Sizing without keeping: the report, an instrument's data, reading typed text, the vocabulary."""

from __future__ import annotations

from typing import Literal

from flask import Response, jsonify
from pydantic import Field, FiniteFloat

from gauge_well.services import sizing, vocabulary
from gauge_well.services.models import ReadOut, SheetIn
from gauge_well.services.models_report import Report
from gauge_well.services.models_views import ANSWERS
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


class ViewRequest(Strict):
    """A sheet and what the drawing is set to."""

    sheet: SheetIn
    options: dict[str, FiniteFloat] = Field(default_factory=dict, max_length=40)


class ReadRequest(Strict):
    """Typed text and the kind it should be."""

    text: str = Field(max_length=200)
    kind: str = Field(max_length=40)
    units: UnitsDocument = Field(default_factory=UnitsDocument)


@bp.post("/size", responses=answers(Report))
def size(body: SizeRequest) -> Response:
    """Size a sheet."""
    if body.samples:
        return jsonify(jobs.work("sure_report", body.sheet, body.explain, body.samples))
    return jsonify(sizing.size_document(body.sheet, body.explain))


def _drawing(station: str, name: str) -> None:
    """A route for each drawing, so that each has an answer of its own kind."""

    def drawing(body: ViewRequest) -> Response:
        return jsonify(sizing.view(body.sheet, station, name, body.options))

    drawing.__name__ = f"view_{station}_{name}"
    drawing.__doc__ = f"The {name} drawing of the {station}."
    bp.post(f"/view/{station}/{name}", responses=answers(ANSWERS[station, name]))(drawing)


for _station, _name in ANSWERS:
    _drawing(_station, _name)


@bp.post("/read", responses=answers(ReadOut))
def read(body: ReadRequest) -> Response:
    """Read typed text as a quantity."""
    return jsonify(vocabulary.read_text(body.text, body.kind, Preference(body.units.system, body.units.power)))


@bp.get("/vocabulary", responses=answers(vocabulary.Vocabulary))
def words() -> Response:
    """Sections, fields, kinds and units."""
    return jsonify(vocabulary.vocabulary().model_dump())
