"""How sure, what would move it, what to measure next: streamed; solving for a fact; the measuring round."""

from __future__ import annotations

from typing import Literal

from flask import Response, jsonify
from pydantic import BaseModel, Field

from gauge_well.services import explore, maps
from gauge_well.services.models import ExploreEvent, MapOut, NeedSheet, Round, SheetIn, SideBySide, SolvedOut
from gauge_well.services.models_views import EVENTS
from gauge_well.web import jobs
from gauge_well.web.api import Strict, answers, blueprint, plain

bp = blueprint("explore")
Part = Literal["bands", "changes", "measure"]


class ExploreRequest(Strict):
    """A sheet, and what is to be worked on it."""

    sheet: SheetIn
    parts: list[Part] = Field(default=["bands", "changes", "measure"], max_length=3)
    samples: Literal[256, 512, 1024, 2048] = 1024
    explain: str = Field(default="governing", max_length=40)


class SheetRequest(Strict):
    """A sheet."""

    sheet: SheetIn


class SolveRequest(Strict):
    """A sheet and the fact solved for."""

    sheet: SheetIn
    path: str = Field(max_length=100)
    sure: bool = True


@bp.post("/explore", responses=answers(ExploreEvent))
def stream(body: ExploreRequest) -> Response:
    """One event a line as it is worked; close the connection and the rest is dropped."""
    return jobs.streamed("explore", body.sheet, tuple(body.parts), body.samples, body.explain)


def _search(station: str, name: str) -> None:
    """A route for each search, so that each has events of its own kind."""

    def search(body: SheetRequest) -> Response:
        return jobs.streamed("seek", body.sheet, station, name)

    search.__name__ = f"seek_{station}_{name}"
    search.__doc__ = f"The {station}'s search for its {name}: one event a line as it is worked."
    bp.post(f"/seek/{station}/{name}", responses=answers(EVENTS[station, name]))(search)


for _station, _name in EVENTS:
    _search(_station, _name)


@bp.post("/round", responses=answers(Round))
def measuring_round(body: SheetRequest) -> Response:
    """What can be measured, by where one stands."""
    return jsonify(explore.measuring_round(body.sheet))


@bp.post("/solve", responses=answers(SolvedOut))
def solve(body: SolveRequest) -> Response:
    """Values of one fact at which the wanted power holds."""
    return jsonify(jobs.work("solve", body.sheet, body.path, body.sure))


class MapRequest(Strict):
    """A sheet, the duty mapped and which map."""

    sheet: SheetIn
    duty: str = Field(max_length=40)
    kind: Literal["ambient_speed", "ambient_grade", "speed_power"]


@bp.post("/map", responses=answers(MapOut))
def heat_map(body: MapRequest) -> Response:
    """A duty's heat over two of its conditions."""
    return jsonify(maps.heat_map(body.sheet, body.duty, body.kind))


class PlacePath(BaseModel):
    """Which place, as ``section.name``."""

    place: str = Field(min_length=1, max_length=80)


@bp.post("/compare/<place>", responses=answers(SideBySide, 404))
def side_by_side(path: PlacePath, body: SheetRequest) -> Response:
    """What fills a place and the parts of the yard that could, side by side."""
    return jsonify(jobs.work("compare", body.sheet, path.place))


@bp.post("/need", responses=answers(NeedSheet))
def need_sheet(body: SheetRequest) -> Response:
    """Need sheet with bands."""
    return jsonify({"needs": jobs.work("need", body.sheet)})


@bp.post("/need.csv", responses={200: plain("text/csv", "Need sheet with bands")})
def need_csv(body: SheetRequest) -> Response:
    """Need sheet with bands as CSV."""
    return Response(jobs.work("need_csv", body.sheet), mimetype="text/csv")
