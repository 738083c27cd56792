"""Logs and tracks of a build: read from a file, its columns mapped, kept as each second's channels without where it was."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import datetime
from typing import Any, Literal

import numpy as np
from sqlalchemy import Engine, select

from gauge_well.core.drive.track import Track, of_positions, of_speeds
from gauge_well.core.errors import CoreError
from gauge_well.formats import gpx, log
from gauge_well.formats.errors import FormatError
from gauge_well.formats.log import CHANNELS, Column, Log
from gauge_well.formats.recorded import names_of, read_back, unpacked, written
from gauge_well.services import belongings
from gauge_well.services.errors import NotFound, Refused
from gauge_well.services.models_readings import ChannelOut, FileOut, LogColumnOut, RecordingOut
from gauge_well.services.shelf import stamp
from gauge_well.services.starting import moment
from gauge_well.store.models import Recording
from gauge_well.store.session import transaction
from gauge_well.units import KINDS, UNITS

COUNT_MAX = 60  # of a build
CONTENT_MAX = 12 * 1024 * 1024  # bytes, packed
FILE_MAX = log.BYTES_MAX
Kind = Literal["csv", "gpx"]
ALLOWED = "a CSV log of 64 MB at most, or a GPX track"
PLACES = ("latitude", "longitude")


@dataclass(frozen=True)
class Read:
    """A file as it was read: each second's channels [SI], and what is told of it before it is kept."""

    kind: Kind
    time: np.ndarray
    channels: Mapping[str, np.ndarray]
    begins: datetime | None
    told: FileOut


def columns_of(text: str, heads: Sequence[Column]) -> list[Column]:
    """Columns as a recipe has them: ``coolant in degC; -; rpm in rpm``, one a column; Refused where it is none such."""
    said = [part.strip() for part in text.split(";")]
    if len(said) != len(heads):
        raise Refused("columns", f"{len(said)} columns", f"{len(heads)}", "The recipe is of a file with other columns.")
    found = []
    for column, own in zip(heads, said, strict=True):
        channel, _, unit = own.partition(" in ")
        if channel in ("", "-"):
            found.append(Column(column.at, column.head, "", ""))
            continue
        if channel not in CHANNELS:
            raise Refused("columns", channel[:40], ", ".join(CHANNELS), "There is no such channel.")
        if any(c.channel == channel for c in found):
            raise Refused("columns", channel, "a channel once", "Two columns are taken for the same channel.")
        fits = units_of(channel)
        if unit and unit not in fits:
            raise Refused("columns", unit[:20], ", ".join(fits), f"{CHANNELS[channel].label} is in none such.")
        found.append(Column(column.at, column.head, channel, unit or log.unit_of(channel, "")))
    return found


def units_of(channel: str) -> list[str]:
    """Units that a channel's numbers may be in."""
    dimension = KINDS[CHANNELS[channel].kind].dimension
    return [id for id, unit in UNITS.items() if unit.dimension == dimension]


def read(raw: bytes, kind: Kind, columns: str) -> Read:
    """Read a file; Refused in words where it cannot be."""
    try:
        return _gpx(raw) if kind == "gpx" else _csv(raw, columns)
    except FormatError as error:
        raise Refused("file", error.code, ALLOWED, error.message) from None
    except CoreError as error:
        raise Refused("file", str(error.value)[:40], error.limit, error.message) from None


def preview(raw: bytes, kind: Kind, columns: str) -> dict[str, Any]:
    """What a file holds, before it is kept."""
    return read(raw, kind, columns).told.model_dump()


def packed(raw: bytes, kind: Kind, columns: str) -> tuple[Kind, datetime | None, int, list[str], bytes]:
    """A file as it is kept: kind, when it begins, its seconds, its channels, the bytes."""
    found = read(raw, kind, columns)
    content = written(found.time, found.channels)
    if len(content) > CONTENT_MAX:
        raise Refused("file", f"{len(content) // 1024**2} MB packed", "12 MB", "The recording is too long to be kept.")
    return found.kind, found.begins, int(found.time[-1]), sorted(found.channels), content


def _gpx(raw: bytes) -> Read:
    fixes = gpx.fixes_of(raw)
    track = of_positions(fixes.time, fixes.latitude, fixes.longitude, _filled(fixes.height))
    channels = {"speed": track.speed, "height": track.height}
    told = FileOut(
        kind="gpx", heads="", columns=[], channels=[], rows=int(fixes.time.size), left_out=0,
        seconds=float(track.time[-1]), found=names_of(sorted(channels)), dead=[], begins=moment(fixes.begins),
    )  # fmt: skip
    return Read("gpx", track.time, channels, fixes.begins, told)


def _filled(height: np.ndarray) -> np.ndarray:
    """Heights with what is missing put in between; level where none stands."""
    there = np.isfinite(height)
    if not there.any():
        return np.zeros_like(height)
    at = np.arange(height.size)
    return np.asarray(np.interp(at, at[there], height[there]))


def _csv(raw: bytes, columns: str) -> Read:
    guessed, example, heads = log.heads_of(raw)
    own = columns_of(columns, guessed) if columns else guessed
    found = log.read_log(raw, own)
    channels = _without_places(found)
    told = FileOut(
        kind="csv",
        heads=heads,
        columns=[
            LogColumnOut(head=c.head, example=example[k] if k < len(example) else "", channel=c.channel, unit=c.unit)
            for k, c in enumerate(own)
        ],
        channels=[ChannelOut(id=id, label=c.label, kind=c.kind, units=units_of(id)) for id, c in CHANNELS.items()],
        rows=found.rows,
        left_out=found.left_out,
        seconds=float(found.time[-1]),
        found=names_of(sorted(channels)),
        dead=names_of(found.dead),
        begins=moment(found.begins),
    )
    return Read("csv", found.time, channels, found.begins, told)


def _without_places(found: Log) -> Mapping[str, np.ndarray]:
    """Channels with places turned to speed and height: where it was is nobody's business."""
    channels = {id: values for id, values in found.channels.items() if id not in PLACES}
    if not set(PLACES) <= set(found.channels) or "speed" in channels:
        return channels
    height = _filled(channels.get("height", np.full(found.time.size, np.nan)))
    degrees = [np.degrees(found.channels[id]) for id in PLACES]
    there = np.isfinite(degrees[0]) & np.isfinite(degrees[1])
    if there.sum() < 3:
        return channels
    first = int(np.argmax(there))
    track = of_positions(found.time[there], degrees[0][there], degrees[1][there], height[there])
    speed = np.full(found.time.size, np.nan)
    speed[first : first + track.speed.size] = track.speed
    return {**channels, "speed": speed}


@dataclass(frozen=True, eq=False)
class Logged:
    """A recording as a drive: its track, engine speed where it was logged, and channels on the track's seconds [SI]."""

    track: Track
    turns: np.ndarray | None
    channels: Mapping[str, np.ndarray]


def as_drive(content: bytes) -> Logged:
    """A recording as a drive. CoreError where it holds neither speed nor engine speed."""
    time, channels = read_back(content)
    speed, rpm = channels.get("speed"), channels.get("rpm")
    known = [v for v in (speed, rpm) if v is not None and np.isfinite(v).sum() >= 3]
    if not known:
        raise CoreError(
            "no_speed", "recording", "no speed", "speed or engine speed", "The log holds no speed and no engine speed."
        )
    along = known[0]
    there = np.isfinite(along)
    first = int(np.argmax(there))
    height = _filled(channels.get("height", np.full(time.size, np.nan)))
    moved = along if speed is along else np.zeros(time.size)
    track = of_speeds(time[there], moved[there], height[there])
    rows = slice(first, first + track.time.size)
    turns = None
    if rpm is not None and np.isfinite(rpm[rows]).sum() >= 3:
        turns = np.maximum(_filled(rpm[rows]), 0.0)
    return Logged(track, turns, {id: values[rows] for id, values in channels.items()})


# Kept ---------------------------------------------------------------------------------------------


def _plain(kept: Recording) -> dict[str, Any]:
    return RecordingOut(
        id=kept.id,
        name=kept.name,
        kind=kept.kind,
        begins=None if kept.begins is None else moment(kept.begins),
        seconds=float(kept.seconds),
        channels=names_of(kept.channels),
        created_at=stamp(kept.created_at),
    ).model_dump()


def keep(
    engine: Engine, build: str, name: str, made: tuple[Kind, datetime | None, int, list[str], bytes]
) -> dict[str, Any]:
    """Keep a recording; NotFound where there is no such build, Refused where it has as many as it may."""
    kind, begins, seconds, channels, content = made
    with transaction(engine) as session:
        belongings.has_room(session, Recording, build, COUNT_MAX, "recording")
        kept = Recording(
            id=belongings.new_id(), build_id=build, name=name.strip()[:80] or "A drive", kind=kind, begins=begins,
            seconds=seconds, channels=channels, content=content,
        )  # fmt: skip
        return _plain(belongings.added(session, kept))


def listed(engine: Engine, build: str) -> list[dict[str, Any]]:
    """Recordings of a build, the newest first."""
    with transaction(engine) as session:
        return [_plain(kept) for kept in belongings.newest(session, Recording, build)]


@dataclass(frozen=True)
class Kept:
    """A recording as it is kept: its name, when it begins, its bytes, packed."""

    name: str
    begins: datetime | None
    content: bytes


def content(engine: Engine, id: str) -> Kept:
    """A recording; NotFound where there is none."""
    columns = (Recording.name, Recording.begins, Recording.content)
    with transaction(engine) as session:
        found = session.execute(select(*columns).where(Recording.id == id)).first()
    if found is None:
        raise NotFound("recording")
    return Kept(found[0], found[1], bytes(found[2]))


def as_csv(engine: Engine, id: str) -> bytes:
    """A recording as CSV; NotFound where there is none."""
    return unpacked(content(engine, id).content)


def drop(engine: Engine, id: str) -> None:
    """Delete a recording; NotFound where there is none."""
    belongings.drop(engine, Recording, id, "recording")
