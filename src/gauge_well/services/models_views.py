"""Answers of the drawings, one model each, made from the dataclasses that the core gives."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

from pydantic import create_model

from gauge_well.services.models import EditOut
from gauge_well.services.models_report import Model
from gauge_well.services.sizing import VIEWS


def _answer(station: str, name: str, gives: type[Any]) -> type[Model]:
    title = f"{station.capitalize()}{name.capitalize()}Answer"
    doc = f"The {name} drawing of the {station}, SI; null where facts are missing, which `unknown` names; `edits` are what its facts come to."
    fields: dict[str, Any] = {"data": (gives | None, ...), "unknown": (list[str], ...), "edits": (list[EditOut], ...)}
    made: type[Model] = create_model(title, __base__=Model, __doc__=doc, **fields)
    return made


ANSWERS: Mapping[tuple[str, str], type[Model]] = {
    (station, name): _answer(station, name, view.gives) for (station, name), view in VIEWS.items()
}
