"""The first start."""

from __future__ import annotations

from flask import Response, jsonify
from pydantic import Field

from gauge_well.services.models import SheetIn
from gauge_well.services.models_start import FaultsOut, StartEvent, StartOut
from gauge_well.web import jobs
from gauge_well.web.api import Strict, answers, blueprint, plain

bp = blueprint("start")


class StartRequest(Strict):
    """A sheet with its record of a first start."""

    sheet: SheetIn


@bp.post("/start", responses=answers(StartOut))
def start(body: StartRequest) -> Response:
    """What is proved before, what each gauge should read, when to stop."""
    return jsonify(jobs.work("start", body.sheet))


@bp.post("/start/faults", responses=answers(FaultsOut))
def faults(body: StartRequest) -> Response:
    """Causes of the symptom that is noticed, and the next check."""
    return jsonify(jobs.work("faults", body.sheet))


@bp.post("/start/thresholds.csv", responses={200: plain("text/csv", "Alarms and cuts")})
def thresholds(body: StartRequest) -> Response:
    """Alarms and cuts as CSV."""
    return Response(jobs.work("thresholds_csv", body.sheet), mimetype="text/csv")


class EngineRequest(Strict):
    """A sheet, and what is wrong with the simulated engine; the same seed, the same engine."""

    sheet: SheetIn
    group: str = Field(default="", max_length=20)
    cause: str = Field(default="", max_length=40)
    size: float = Field(default=1.0, ge=0.5, le=1.0)
    seed: int | None = Field(default=None, ge=0, le=1_000_000)


@bp.post("/start/engine", responses=answers(StartEvent))
def engine(body: EngineRequest) -> Response:
    """A simulated engine's gauges through a long run: one event a line."""
    return jobs.streamed("play", body.sheet, body.group, body.cause, body.size, body.seed)
