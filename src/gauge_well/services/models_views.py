"""Answers of the drawings, one model each, made from the dataclasses that the core gives."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any, Literal

from pydantic import create_model

from gauge_well.services.models import EditOut
from gauge_well.services.models_report import Model
from gauge_well.services.seeking import SEEKS
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


def _event(station: str, name: str, gives: type[Any]) -> type[Model]:
    doc = f"One line of the {station}'s search for its {name}: which fields are there depends on `event`."
    fields: dict[str, Any] = {
        "event": (Literal["progress", "answer", "unknown"], ...),
        "what": (str | None, None),
        "done": (int | None, None),
        "of": (int | None, None),
        "data": (gives | None, None),
        "edits": (list[EditOut] | None, None),
        "missing": (list[str] | None, None),
    }
    made: type[Model] = create_model(
        f"{station.capitalize()}{name.capitalize()}Event", __base__=Model, __doc__=doc, **fields
    )
    return made


EVENTS: Mapping[tuple[str, str], type[Model]] = {
    (station, name): _event(station, name, seek.gives) for (station, name), seek in SEEKS.items()
}
