"""Shape of what is said of the work: tasks, what is bought, decisions, hours and hands."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any, Literal

from pydantic import BaseModel, ConfigDict, Field, create_model

from gauge_well.core.work.lists import KITS
from gauge_well.core.work.task import STAGES
from gauge_well.core.work.traits import CHOICES

ID = r"^[a-z0-9_]{1,40}$"
DATE = r"^\d{4}-\d{2}-\d{2}$"
TASKS_MAX = 300
BUYS_MAX = 300
ARCS_MAX = 20
OPTIONS_MAX = 8
HANDS_MAX = 4

Date = Field(default=None, pattern=DATE, description="2026-11-24")
Id = Field(pattern=ID, description="Short name, used in paths")

# How a thing stands with its builder.
STATES: Mapping[str, str] = {
    "have": "have it",
    "wanted": "wanted",
    "ordered": "ordered",
    "donor": "on the donor",
    "make": "to make",
}
State = Literal["have", "wanted", "ordered", "donor", "make"]


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


class WayDocument(Strict):
    """A way to come by a thing: money, hours of one's own, the share done over again, days until it is there."""

    cost: str | None = Field(default=None, max_length=20, description="120, or 100-150")
    hours: str | None = Field(default=None, max_length=40, description="3 h, or 2-3-6 h")
    redo: str | None = Field(default=None, max_length=20, description="Share done over again: 10 %, or 0-20 %")
    wait: str | None = Field(default=None, max_length=40, description="10 days, 2-3 weeks")


class WaysDocument(Strict):
    """Made here, bought ready, or sent out."""

    make: WayDocument | None = None
    buy: WayDocument | None = None
    send: WayDocument | None = None


class FastenerDocument(Strict):
    """A fastener, or several alike in one place."""

    id: str = Id
    title: str = Field(max_length=80, description="Where it goes")
    count: int | None = Field(default=None, ge=1, le=200)
    thread: str | None = Field(default=None, max_length=20, description="M8, M10x1.25, 3/8-24")
    length: str | None = Field(default=None, max_length=20, description="35 mm, under the head")
    grade: Literal["5.8", "8.8", "10.9", "12.9"] | None = None
    torque: str | None = Field(default=None, max_length=20, description="24 N m")
    sealant: str | None = Field(default=None, max_length=60, description="Thread lock, sealant, oil, none")
    gauged: Literal["yes", "no"] | None = Field(
        default=None, description="Held against a gauge, not only read somewhere"
    )
    state: State | None = None
    task: str | None = Field(default=None, max_length=40, description="The task it is for")


OPTION_FACTS: Mapping[str, str] = {
    "rated_power": "Power",
    "rated_speed": "at",
    "peak_torque": "Torque",
    "displacement": "Displacement",
    "dry_mass": "Dry weight",
}


class OptionDocument(Strict):
    """An engine that could be taken instead, held against this machine."""

    id: str = Id
    title: str = Field(max_length=80)
    price: str | None = Field(default=None, max_length=20, description="Of the engine: 900, or 700-1200")
    parts: str | None = Field(default=None, max_length=20, description="Of what it needs besides: 600-900")
    rated_power: str | None = Field(default=None, max_length=40)
    rated_speed: str | None = Field(default=None, max_length=40)
    peak_torque: str | None = Field(default=None, max_length=40)
    displacement: str | None = Field(default=None, max_length=40)
    dry_mass: str | None = Field(default=None, max_length=40)
    aspiration: Literal["natural", "turbo", "supercharged"] | None = None
    fuel: Literal["petrol", "petrol_e10", "e85", "ethanol", "methanol", "diesel", "lpg", "cng"] | None = None
    fits: Literal["yes", "no", "unknown"] | None = Field(default=None, description="Whether it was held into the bay")
    note: str | None = Field(default=None, max_length=400)


class BuyDocument(Strict):
    """Something bought that is no part of a system: an adapter, gaskets, paint, a day's hoist, an inspection."""

    id: str = Id
    title: str = Field(max_length=80)
    kind: Literal["part", "material", "fastener", "tool", "service", "paper"] | None = None
    state: State | None = None
    source: str | None = Field(default=None, alias="from", max_length=80, description="From whom")
    price: str | None = Field(default=None, max_length=20, description="120, or 100-150")
    lead: str | None = Field(default=None, max_length=40, description="Until it is there: 10 days, 2-3 weeks")
    due: str | None = Date
    task: str | None = Field(default=None, max_length=40, description="The task that cannot begin without it")
    note: str | None = Field(default=None, max_length=400)
    kit: Literal[tuple(KITS)] | None = Field(default=None, description="It is a kit for")  # type: ignore[valid-type]
    holds: list[str] | None = Field(default=None, max_length=20, description="What of such a kit it holds")
    ways: WaysDocument | None = Field(default=None, description="Ways to come by it, side by side")


class _Work(Strict):
    tasks: list[TaskDocument] = Field(default_factory=list, max_length=TASKS_MAX)
    buys: list[BuyDocument] = Field(default_factory=list, max_length=BUYS_MAX)
    fasteners: list[FastenerDocument] = Field(default_factory=list, max_length=BUYS_MAX)
    options: list[OptionDocument] = Field(default_factory=list, max_length=OPTIONS_MAX)
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
