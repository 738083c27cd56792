"""Shape of a first start's record: what was proved, when what ran, what was read and seen."""

from __future__ import annotations

from typing import Literal

from pydantic import Field

from gauge_well.core.start.faults.symptoms import SYMPTOMS
from gauge_well.core.start.setting import PLACES
from gauge_well.sheet.work_document import Id, Strict

HOLDS_MAX, RUNS_MAX, READINGS_MAX, LOOKS_MAX = 40, 200, 500, 120
MOMENT = r"^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}:\d{2}(\.\d{1,6})?Z$"

Moment = Field(default=None, pattern=MOMENT, description="When, by the server's clock: 2026-11-29T09:14:03Z")
Read = Field(default=None, max_length=40, description="As read, with its unit: 71 °C")


class HoldDocument(Strict):
    """A hold that was proved, by its place and name: on the stand it is another than in the machine."""

    id: str = Field(pattern=rf"^({'|'.join(PLACES)})_[a-z0-9_]{{1,32}}$", description="Place and hold: machine_oil")
    signed: str | None = Field(default=None, max_length=60, description="Who proved it")
    at: str | None = Moment
    value: str | None = Read
    began: str | None = Moment
    note: str | None = Field(default=None, max_length=400)


class RunDocument(Strict):
    """One go at a step: a try of cranking, a run, an hour's cooling."""

    id: str = Id
    place: Literal[tuple(PLACES)] | None = None  # type: ignore[valid-type]
    step: str | None = Field(default=None, max_length=40)
    began: str | None = Moment
    ended: str | None = Moment
    pace: str | None = Field(
        default=None, pattern=r"^\d{1,3}$", description="So many times as fast: the simulated engine's"
    )
    note: str | None = Field(default=None, max_length=400, description="What ended it, what was seen")


class ReadingDocument(Strict):
    """A reading that was taken; ``made_up``: off the simulated engine."""

    id: str = Id
    what: str | None = Field(default=None, max_length=40)
    value: str | None = Read
    at: str | None = Moment
    run: str | None = Field(default=None, max_length=40)
    made_up: Literal["yes"] | None = None


class LookDocument(Strict):
    """A check of the search for a fault: its group and name, what was read or seen."""

    id: str = Field(pattern=r"^[a-z]+__[a-z0-9_]{1,40}$", description="Group and check: cooling__gauge")
    value: str | None = Field(default=None, max_length=80)
    at: str | None = Moment


class StartDocument(Strict):
    """The record of a first start."""

    place: Literal[tuple(PLACES)] | None = None  # type: ignore[valid-type]
    air: str | None = Field(default=None, max_length=40, description="Air of the day: 12 °C")
    symptom: Literal[tuple(s.id for s in SYMPTOMS)] | None = None  # type: ignore[valid-type]
    holds: list[HoldDocument] = Field(default_factory=list, max_length=HOLDS_MAX)
    runs: list[RunDocument] = Field(default_factory=list, max_length=RUNS_MAX)
    readings: list[ReadingDocument] = Field(default_factory=list, max_length=READINGS_MAX)
    looks: list[LookDocument] = Field(default_factory=list, max_length=LOOKS_MAX)
    note: str | None = Field(default=None, max_length=1000)
