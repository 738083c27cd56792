"""Shape of what is read of a build that runs: readings, what they taught, days of driving, a logbook, what is to be mended."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Literal

from pydantic import Field

from gauge_well.core.fitted.predict import WHATS
from gauge_well.core.systems import SYSTEMS
from gauge_well.sheet.start_document import Moment, Read
from gauge_well.sheet.work_document import Date, Id, Strict

TAKEN_MAX, FACTORS_MAX, BOOK_MAX, MENDS_MAX, RECIPES_MAX = 400, 12, 400, 80, 20
RECORDING = r"^[a-z0-9]{1,20}$"

# What a line of the logbook says.
KINDS: Mapping[str, str] = {"drive": "a drive", "fuel": "fuel put in", "change": "a change made", "note": "a note"}


class TakenDocument(Strict):
    """A reading while nothing moved: what it was, and what the machine did."""

    id: str = Id
    what: Literal[tuple(WHATS)] | None = None  # type: ignore[valid-type]
    value: str | None = Read
    half: str | None = Field(default=None, max_length=40, description="How far the gauge may be off: 3 °C")
    at: str | None = Moment
    duty: str | None = Field(default=None, max_length=40, description="A duty of the build that it was doing")
    speed: str | None = Read
    grade: str | None = Read
    engine_speed: str | None = Read
    power: str | None = Read
    air: str | None = Read
    altitude: str | None = Read
    sea: str | None = Read
    rises: str | None = Field(default=None, max_length=40, description="How far it rose in a minute: 2 K")
    coolant_rises: str | None = Field(default=None, max_length=40, description="How far the coolant rose in a minute")
    tow: Literal["yes"] | None = None
    note: str | None = Field(default=None, max_length=200)
    recording: str | None = Field(default=None, pattern=RECORDING, description="The recording it was found in")
    left_out: Literal["yes"] | None = Field(default=None, description="Kept, and not fitted")
    homes: str | None = Field(
        default=None, max_length=200, description="The parts it was read with: core:1a2b3c4d fan:..."
    )


class FactorDocument(Strict):
    """A factor as a fit left it; ``home``: the part it is of."""

    id: str = Id
    mode: str | None = Field(default=None, max_length=24, description="Logarithm of the factor")
    row: str | None = Field(default=None, max_length=300, description="Its row of the covariance's lower root")
    home: str | None = Field(default=None, pattern=r"^[0-9a-f]{8}$")


class BookDocument(Strict):
    """A line of the logbook; ``distance`` and ``hours`` as the machine's own counters stand."""

    id: str = Id
    kind: Literal[tuple(KINDS)] | None = None  # type: ignore[valid-type]
    at: str | None = Date
    distance: str | None = Read
    hours: str | None = Read
    fuel: str | None = Field(default=None, max_length=40, description="Put in: 41 L")
    hottest: str | None = Field(default=None, max_length=40, description="The most the coolant showed")
    text: str | None = Field(default=None, max_length=400)


class MendDocument(Strict):
    """Something to be mended; ``remedy``: of the changes that the build's own model tried."""

    id: str = Id
    text: str | None = Field(default=None, max_length=200)
    system: Literal[tuple(SYSTEMS)] | None = None  # type: ignore[valid-type]
    gains: str | None = Field(default=None, max_length=200, description="By how much it mends, as it was worked")
    done: str | None = Date


class RecipeDocument(Strict):
    """How the columns of a logger's files are read; ``heads``: by which such a file is known again."""

    id: str = Id
    heads: str | None = Field(default=None, max_length=4000)
    columns: str | None = Field(
        default=None, max_length=4000, description="coolant in °C; -; rpm in rpm, a column each"
    )


class ReadingsDocument(Strict):
    """What is read of a build that runs. ``applied``: since when its verdicts go by what was measured."""

    air: str | None = Field(default=None, max_length=40, description="Air that drives are made in: 25 °C")
    begins: Literal["warm", "cold"] | None = None
    tow: Literal["yes"] | None = None
    applied: str | None = Moment
    taken: list[TakenDocument] = Field(default_factory=list, max_length=TAKEN_MAX)
    factors: list[FactorDocument] = Field(default_factory=list, max_length=FACTORS_MAX)
    book: list[BookDocument] = Field(default_factory=list, max_length=BOOK_MAX)
    mends: list[MendDocument] = Field(default_factory=list, max_length=MENDS_MAX)
    recipes: list[RecipeDocument] = Field(default_factory=list, max_length=RECIPES_MAX)
