"""What readings, drives and the logbook give out, as pydantic models."""

from __future__ import annotations

from typing import Literal

from gauge_well.services.models_report import FactorOut, Model
from gauge_well.services.models_start import UnstatedOut


class EditLine(Model):
    """One edit of what is kept."""

    path: str
    text: str | None
    action: Literal["set", "remove"] = "set"
    evidence: Literal["taped", "similar"] | None = None


class BandOut(Model):
    """A likely value and the 5th and 95th percentile."""

    likely: float
    low: float
    high: float


class ForetoldOut(Model):
    """A reading beside what is foretold of it [K], by the facts alone and after the fit.

    ``weight``: how far it counts beside one that lies on the model; None where it is not counted, with ``why`` not.
    ``outlier``: it hardly counts. ``rests``: what of its day nobody stated.
    """

    id: str
    what: str
    label: str
    text: str
    value: float | None
    half: float
    at: str | None
    doing: str
    before: BandOut | None
    after: BandOut | None
    weight: float | None
    outlier: bool
    why: str
    rests: str
    left_out: bool
    recording: str


class WhatOut(Model):
    """Something that can be read, and how far a usual gauge of it is off [K]."""

    id: str
    label: str
    half: float


class NamedOut(Model):
    """A thing by its id."""

    id: str
    label: str


class LearnedOut(FactorOut):
    """A factor after the readings shown: ``half`` as a ratio before, ``learned`` of its doubt; ``applied`` as the build has it."""

    half: float
    learned: float
    applied: float | None


class ShiftOut(Model):
    """The verdict that readings move most: its fill before and after, and how many in a hundred hold."""

    system: str
    check: str
    name: str
    duty: str
    before: BandOut
    after: BandOut
    holds_before: float
    holds_after: float


class UsefulOut(Model):
    """What to read next: ``falls`` of the verdict's doubt."""

    what: str
    duty: str
    sentence: str
    falls: float


class DriftOut(Model):
    """A gauge that wanders away from what is foretold [K in a hundred days]."""

    what: str
    label: str
    slope: float
    sd: float
    told: bool


class BookOut(Model):
    """A line of the logbook, read; ``used``: fuel since the last filling for each metre or second of the counter [m2, m3/s]."""

    id: str
    kind: str
    at: str | None
    distance: float | None
    hours: float | None
    fuel: float | None
    hottest: float | None
    per_distance: float | None
    per_hour: float | None
    text: str


class MendOut(Model):
    """Something to be mended."""

    id: str
    text: str
    system: str
    gains: str
    done: str | None


class RecipeOut(Model):
    """How the columns of a logger's files are read."""

    id: str
    heads: str
    columns: str


class ReadingsOut(Model):
    """All that the page shows. ``known`` of the factors' combinations are told by the readings; ``together``: pairs that cannot
    be told apart; ``effective`` draws of ``of`` once they are weighed by the true density; ``keep``: edits that apply the fit,
    empty where just that is applied already; ``homes``: the parts a reading is now taken with."""

    air: float | None
    begins: str
    tow: bool
    whats: list[WhatOut]
    duties: list[NamedOut]
    taken: list[ForetoldOut]
    counted: int
    factors: list[LearnedOut]
    known: int
    together: list[list[str]]
    effective: float
    of: int
    residual_before: float
    residual: float
    shift: ShiftOut | None
    useful: list[UsefulOut]
    drift: list[DriftOut]
    applied: bool
    applied_at: str | None
    gone: list[str]
    keep: list[EditLine]
    homes: str
    missing: list[UnstatedOut]
    book: list[BookOut]
    mends: list[MendOut]
    recipes: list[RecipeOut]
    drives: list[NamedOut]
    faults: list[NamedOut]


class LogColumnOut(Model):
    """A column of a log: its head, one of its cells, the channel it is taken for (empty: none) and the unit of its numbers."""

    head: str
    example: str
    channel: str
    unit: str


class ChannelOut(Model):
    """Something that a log may hold, and units it may be in."""

    id: str
    label: str
    kind: str
    units: list[str]


class FileOut(Model):
    """A file as it was read: rows read and left out, how long it lasts [s], channels that never moved, spikes taken out."""

    kind: Literal["csv", "gpx"]
    heads: str
    columns: list[LogColumnOut]
    channels: list[ChannelOut]
    rows: int
    left_out: int
    seconds: float
    found: list[str]
    dead: list[str]
    begins: str | None


class RecordingOut(Model):
    """A recording that a build keeps."""

    id: str
    name: str
    kind: Literal["csv", "gpx"]
    begins: str | None
    seconds: float
    channels: list[str]
    created_at: str


class RecordingsOut(Model):
    """Recordings of a build, the newest first."""

    recordings: list[RecordingOut]


class WorstOut(Model):
    """A moment of a drive that is the worst in something: when [s], how much [SI], said in words."""

    what: str
    label: str
    at: float
    value: float
    kind: str
    sentence: str
    over: bool


class SeriesOut(Model):
    """Something over a drive's time, as foretold and as logged [SI]; None where it is not known; ``bias`` and ``rms`` of what was
    logged less what was foretold."""

    id: str
    label: str
    kind: str
    foretold: list[float | None]
    logged: list[float | None]
    limit: float | None
    bias: float | None
    rms: float | None
    spikes: int


class StretchOut(Model):
    """A steady stretch of a log: from and to [s], what it reads, and edits that take it as readings."""

    begin: float
    end: float
    says: str
    edits: list[EditLine]


class DriveOut(Model):
    """A drive as it is worked: each ``time`` [s] of its series; fuel burned [kg, m3]; edits that make its worst minutes a duty."""

    id: str
    label: str
    about: str
    logged: bool
    seconds: float
    distance: float
    climbed: float
    fuel: float
    fuel_volume: float
    ambient: float
    ambient_stated: bool
    time: list[float]
    series: list[SeriesOut]
    worst: list[WorstOut]
    stretches: list[StretchOut]
    dead: list[str]
    gaps: float
    duty: str
    keep: list[EditLine]
    missing: list[UnstatedOut]


class SinceNote(Model):
    """A change of a build."""

    revision: int
    note: str
    created_at: str


class SinceOut(Model):
    """What was changed since the verdict last was another; nothing where it never was."""

    now: str
    before: str
    changes: list[SinceNote]
