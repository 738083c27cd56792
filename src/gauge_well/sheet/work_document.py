"""Shape of what is said of the work: tasks, what is bought, decisions, hours and hands."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any, Literal

from pydantic import BaseModel, ConfigDict, Field, create_model

from gauge_well.core.work.task import STAGES
from gauge_well.core.work.traits import CHOICES

ID = r"^[a-z0-9_]{1,40}$"
DATE = r"^\d{4}-\d{2}-\d{2}$"
TASKS_MAX = 300
BUYS_MAX = 300
ARCS_MAX = 20
HANDS_MAX = 4

Date = Field(default=None, pattern=DATE, description="2026-11-24")
Id = Field(pattern=ID, description="Short name, used in paths")


class Strict(BaseModel):
    """Unknown fields are refused, so that a misspelt one is not silently lost."""

    model_config = ConfigDict(extra="forbid")


class TaskDocument(Strict):
    """Of one task of the work; one that the trade's network has not is the builder's own, and has a title."""

    id: str = Id
    title: str | None = Field(default=None, max_length=80)
    stage: Literal[tuple(STAGES)] | None = Field(default=None, description="Stretch of the work it belongs to")  # type: ignore[valid-type]
    why: str | None = Field(default=None, max_length=200)
    hours: str | None = Field(default=None, max_length=40, description="3 h, or least, likely and most: 2-3-6 h")
    hands: int | None = Field(default=None, ge=1, le=HANDS_MAX)
    lift: Literal["yes", "no"] | None = Field(default=None, description="Takes the hoist")
    dries: str | None = Field(default=None, max_length=40, description="What passes by itself afterwards: 24 h")
    after: list[str] | None = Field(default=None, max_length=ARCS_MAX, description="Tasks that must be done before it")
    free_of: list[str] | None = Field(default=None, max_length=ARCS_MAX, description="Tasks it need not wait for here")
    done: str | None = Date
    signed: str | None = Field(default=None, max_length=60, description="Who proved a hold")
    note: str | None = Field(default=None, max_length=400)
    left_out: Literal["yes"] | None = Field(default=None, description="Not done on this build")


# What a thing on the list is.
BUY_KINDS: Mapping[str, str] = {
    "part": "part",
    "material": "material",
    "fastener": "fastener",
    "tool": "tool, bought or rented",
    "service": "work sent out",
    "paper": "papers and fees",
}
BUY_STATES: Mapping[str, str] = {
    "have": "have it",
    "wanted": "wanted",
    "ordered": "ordered",
    "donor": "on the donor",
    "make": "to make",
}


class BuyDocument(Strict):
    """Something bought that is no part of a system: an adapter, gaskets, paint, a day's hoist, an inspection."""

    id: str = Id
    title: str = Field(max_length=80)
    kind: Literal["part", "material", "fastener", "tool", "service", "paper"] | None = None
    state: Literal["have", "wanted", "ordered", "donor", "make"] | None = None
    source: str | None = Field(default=None, alias="from", max_length=80, description="From whom")
    price: str | None = Field(default=None, max_length=20, description="120, or 100-150")
    lead: str | None = Field(default=None, max_length=40, description="Until it is there: 10 days, 2-3 weeks")
    due: str | None = Date
    task: str | None = Field(default=None, max_length=40, description="The task that cannot begin without it")
    note: str | None = Field(default=None, max_length=400)


class _Work(Strict):
    tasks: list[TaskDocument] = Field(default_factory=list, max_length=TASKS_MAX)
    buys: list[BuyDocument] = Field(default_factory=list, max_length=BUYS_MAX)
    weekday: str | None = Field(default=None, max_length=20, description="Working hours of a weekday: 2 h")
    weekend: str | None = Field(default=None, max_length=20, description="Of a day of the weekend: 8 h")
    hands: int | None = Field(default=None, ge=1, le=HANDS_MAX, description="People who usually work on it")
    limit: str | None = Field(default=None, max_length=20, description="Most it may cost: 4800")
    rate: str | None = Field(default=None, max_length=20, description="What an hour of one's own is worth: 12")
    start: str | None = Field(default=None, pattern=DATE, description="No work before: 2026-12-05")


_CHOICES: dict[str, Any] = {
    name: (Literal[tuple(choice.sides)] | None, Field(default=None, description=choice.label))
    for name, choice in CHOICES.items()
}
WorkDocument: type[_Work] = create_model(
    "WorkDocument", __base__=_Work, __doc__="What is said of the work.", **_CHOICES
)
