"""How sure, what would move it, what to measure next: streamed; solving for a fact; the measuring round."""

from __future__ import annotations

import json
from collections.abc import Iterator
from typing import Any, Literal

from flask import Response, jsonify
from pydantic import BaseModel, ConfigDict, Field

from gauge_well.services import compare, explore, maps, need
from gauge_well.services.models import Candidates, ExploreEvent, MapOut, NeedSheet, Round, SolvedOut
from gauge_well.web.api import blueprint
from gauge_well.web.problems import problem

bp = blueprint("explore")
STREAM = "application/x-ndjson"
Part = Literal["bands", "changes", "measure"]


class Strict(BaseModel):
    """Unknown members are refused."""

    model_config = ConfigDict(extra="forbid")


class ExploreRequest(Strict):
    """A sheet, and what is to be worked on it."""

    sheet: dict[str, Any]
    parts: list[Part] = Field(default=["bands", "changes", "measure"], max_length=3)
    samples: Literal[256, 512, 1024, 2048] = 1024
    explain: str = Field(default="governing", max_length=40)


class SheetRequest(Strict):
    """A sheet."""

    sheet: dict[str, Any]


class SolveRequest(Strict):
    """A sheet and the fact solved for."""

    sheet: dict[str, Any]
    path: str = Field(max_length=100)
    sure: bool = True


@bp.post("/explore", responses={200: ExploreEvent})
def stream(body: ExploreRequest) -> Response:
    """One event a line as it is worked; close the connection and the rest is dropped."""
    events = explore.explore(body.sheet, tuple(body.parts), body.samples, body.explain)
    # A sheet that does not stand is refused before anything is sent.
    first = next(events)

    def lines() -> Iterator[str]:
        yield json.dumps(first, allow_nan=False, ensure_ascii=False) + "\n"
        for event in events:
            yield json.dumps(event, allow_nan=False, ensure_ascii=False) + "\n"

    return Response(lines(), mimetype=STREAM, headers={"Cache-Control": "no-store", "X-Accel-Buffering": "no"})


@bp.post("/round", responses={200: Round})
def measuring_round(body: SheetRequest) -> Response:
    """What can be measured, by where one stands."""
    return jsonify(explore.measuring_round(body.sheet))


@bp.post("/solve", responses={200: SolvedOut})
def solve(body: SolveRequest) -> Response:
    """Values of one fact at which the wanted power holds."""
    return jsonify(explore.solve_for(body.sheet, body.path, body.sure))


class MapRequest(Strict):
    """A sheet, the duty mapped and which map."""

    sheet: dict[str, Any]
    duty: str = Field(max_length=40)
    kind: Literal["ambient_speed", "ambient_grade", "speed_power"]


@bp.post("/map", responses={200: MapOut})
def heat_map(body: MapRequest) -> Response:
    """A duty's heat over two of its conditions."""
    return jsonify(maps.heat_map(body.sheet, body.duty, body.kind))


class SystemPath(BaseModel):
    """Which system."""

    system: str


@bp.post("/candidates/<system>", responses={200: Candidates})
def candidates(path: SystemPath, body: SheetRequest) -> Response:
    """Parts that might be fitted, side by side."""
    try:
        return jsonify(compare.compared(body.sheet, path.system))
    except KeyError:
        return problem(404, "not_found", "Parts of that system are not compared.")


@bp.post("/need", responses={200: NeedSheet})
def need_sheet(body: SheetRequest) -> Response:
    """Need sheet with bands."""
    return jsonify({"needs": need.needs_with_bands(body.sheet)})


@bp.post("/need.csv")
def need_csv(body: SheetRequest) -> Response:
    """Need sheet with bands as CSV."""
    return Response(need.as_csv(body.sheet), mimetype="text/csv")
