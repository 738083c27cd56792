"""Readings, drives and recordings of a build that runs."""

from __future__ import annotations

from datetime import datetime
from typing import Literal

from flask import Response, current_app, jsonify, request
from pydantic import BaseModel, Field
from sqlalchemy import Engine

from gauge_well.services import recordings
from gauge_well.services.listening import HeardEvent, heard
from gauge_well.services.models import SheetIn
from gauge_well.services.models_readings import DriveOut, FileOut, ReadingsOut, RecordingOut, RecordingsOut, SinceOut
from gauge_well.services.since import since
from gauge_well.sheet.readings_document import RECORDING
from gauge_well.web import jobs
from gauge_well.web.api import Strict, answers, blueprint, plain
from gauge_well.web.routes.builds import BuildPath

bp = blueprint("readings")
MISSING = 404


class ReadingsRequest(Strict):
    """A sheet with its readings."""

    sheet: SheetIn


@bp.post("/readings", responses=answers(ReadingsOut))
def readings(body: ReadingsRequest) -> Response:
    """Readings beside what is foretold of them, what they teach, what to read next."""
    return jsonify(jobs.work("readings", body.sheet))


class DriveRequest(Strict):
    """A sheet, and a drive that ships by its id, or a recording."""

    sheet: SheetIn
    drive: str = Field(default="", max_length=20)
    recording: str = Field(default="", pattern=r"^[a-z0-9]{0,20}$")


@bp.post("/readings/drive", responses=answers(DriveOut, MISSING))
def drive(body: DriveRequest) -> Response:
    """A build taken along a drive, what was logged beside what is foretold."""
    if not body.recording:
        return jsonify(jobs.work("drive", body.sheet, body.drive))
    kept = recordings.content(_engine(), body.recording)
    begins: datetime | None = kept.begins
    return jsonify(jobs.work("drive", body.sheet, body.recording, kept.name, kept.content, begins))


class LoggerRequest(Strict):
    """A sheet, a drive that ships, what is wrong; the same seed, the same engine."""

    sheet: SheetIn
    drive: str = Field(max_length=20)
    fault: str = Field(default="", max_length=20)
    seed: int = Field(default=7, ge=0, le=1_000_000)


@bp.post("/readings/logger.csv", responses={200: plain("text/csv", "A made-up log of the build along a drive")})
def logger(body: LoggerRequest) -> Response:
    """The simulated logger's file."""
    return Response(jobs.work("logger", body.sheet, body.drive, body.fault, body.seed), mimetype="text/csv")


class ListenRequest(Strict):
    """Where a logger sends its rows, on this machine."""

    port: int = Field(ge=1024, le=65535)


@bp.post("/readings/listen", responses=answers(HeardEvent))
def listen(body: ListenRequest) -> Response:
    """Rows of a logger on a port of this machine, as they come."""
    # It waits more than it works: the bench is left to what does.
    return jobs.as_lines(heard(body.port))


class FileQuery(BaseModel):
    """How a file is to be read."""

    kind: Literal["csv", "gpx"]
    columns: str = Field(
        default="", max_length=4000, description="What each column is: coolant in C; -; rpm in rpm. Guessed where empty"
    )


@bp.post("/recordings/read", responses=answers(FileOut))
def read(query: FileQuery) -> Response:
    """What a log or a track holds, from the file's bytes, sent as they are."""
    return jsonify(jobs.work("recording_read", request.get_data(), query.kind, query.columns))


class KeepQuery(FileQuery):
    """A file that is kept with a build."""

    build: str = Field(min_length=1, max_length=40)
    name: str = Field(default="", max_length=80)


@bp.post("/recordings", responses=answers(RecordingOut, MISSING, status=201))
def keep(query: KeepQuery) -> Response:
    """Keep a log or a track with a build, without where it was."""
    made = jobs.work("recording_packed", request.get_data(), query.kind, query.columns)
    response = jsonify(recordings.keep(_engine(), query.build, query.name, made))
    response.status_code = 201
    return response


@bp.get("/builds/<id>/recordings", responses=answers(RecordingsOut, MISSING))
def of_build(path: BuildPath) -> Response:
    """Recordings of a build, the newest first."""
    return jsonify({"recordings": recordings.listed(_engine(), path.id)})


class RecordingPath(BaseModel):
    """Which recording."""

    recording: str = Field(pattern=RECORDING)


@bp.get(
    "/recordings/<recording>", responses=answers(None, MISSING) | {200: plain("text/csv", "Each second's channels")}
)
def content(path: RecordingPath) -> Response:
    """A recording as CSV, in SI."""
    return Response(recordings.as_csv(_engine(), path.recording), mimetype="text/csv")


@bp.delete("/recordings/<recording>", responses=answers(None, MISSING, status=204))
def drop(path: RecordingPath) -> tuple[str, int]:
    """Delete a recording."""
    recordings.drop(_engine(), path.recording)
    return "", 204


@bp.get("/builds/<id>/since", responses=answers(SinceOut, MISSING))
def changed_since(path: BuildPath) -> Response:
    """What was changed since the verdict last was another."""
    return jsonify(since(_engine(), path.id))


def _engine() -> Engine:
    engine: Engine = current_app.extensions["gauge_well_engine"]
    return engine
