"""A report as pydantic models: the OpenAPI document and the page's types come from here."""

from __future__ import annotations

from typing import Literal

from pydantic import BaseModel, ConfigDict, Field

from gauge_well.sheet.document import UnitsDocument


class Model(BaseModel):
    """Base of everything given out."""

    model_config = ConfigDict(extra="forbid", protected_namespaces=())


class StepOut(Model):
    """A line of working."""

    symbol: str
    name: str
    formula: str
    value: float | None
    kind: str
    shown: str
    inputs: dict[str, float | None]
    source: str
    solved: bool


class NoticeOut(Model):
    """Something to know that is not a limit."""

    code: str
    sentence: str
    field: str
    duty: str
    part: str


StateName = Literal["short", "assumed", "tight", "holds", "unknown"]


class RestsOut(Model):
    """A value nobody stated that a check or a need rests on.

    ``fill``: of the check with it at the end that turns the verdict; ``low``, ``high``: what a need asks at its ends.
    """

    path: str
    sentence: str
    fill: float | None = None
    low: float | None = None
    high: float | None = None


class CheckOut(Model):
    """Demand against capacity for one duty (none for a gate)."""

    id: str
    name: str
    part: str
    duty: str
    check_class: Literal["limit", "cost"] = Field(alias="class")
    scales: Literal["power", "load", "gate"]
    demand: float | None
    capacity: float | None
    unit: str
    fill: float
    fill_code: str
    state: StateName
    danger: bool
    sentence: str
    rests_on: RestsOut | None = None
    fill_low: float | None = None
    fill_high: float | None = None
    holds_probability: float | None = None
    demand_low: float | None = None
    demand_high: float | None = None
    capacity_low: float | None = None
    capacity_high: float | None = None


class Band(Model):
    """5th and 95th percentile of a reach, where tolerance was asked for."""

    reach_low_w: float | None = None
    reach_high_w: float | None = None
    reach_low_code: str | None = None
    reach_high_code: str | None = None
    holds_probability: float | None = None


class OptionValue(Model):
    """One figure of a size that would serve."""

    label: str
    value: float
    unit: str


class OptionOut(Model):
    """One of several sizes that would serve; ``marked`` is the one advised."""

    marked: bool
    values: list[OptionValue]


class ShopOut(Model):
    """A need as it is bought: what, as the headline says it, under which conditions, the next size sold."""

    name: str
    brief: str
    detail: str
    sold: str
    size: float | None
    fact: str


class NeedOut(Model):
    """What the wanted power asks of a part; ``options`` where it is a choice."""

    part: str
    quantity: str
    value: float | None
    unit: str
    sentence: str
    options: list[OptionOut] = []
    low: float | None = None
    high: float | None = None
    rests_on: RestsOut | None = None
    shop: ShopOut | None = None


class CautionOut(Model):
    """A plain warning; ``where`` is the group of facts it stands beside."""

    id: str
    where: str
    text: str


class UnknownOut(Model):
    """A check that cannot be judged and what is missing."""

    check: str
    name: str
    part: str
    missing: list[str]


class GoverningOut(Model):
    """Which check and duty decide."""

    check: str
    duty: str


class SystemOut(Band):
    """A system's block."""

    title: str
    state: StateName
    fill: float | None
    reach_w: float | None
    reach_code: str
    unknown: list[UnknownOut]
    governing: GoverningOut | None
    checks: list[CheckOut]
    figures: dict[str, dict[str, float | None]]
    machine: dict[str, float | None] | None = None
    need: list[NeedOut]
    working: dict[str, list[StepOut]]
    cautions: list[CautionOut]
    decides: list[str] = []
    notices: list[NoticeOut]


class RowOut(Band):
    """A thing a builder can change, with its reach or what it carries."""

    system: str
    part: str
    label: str
    kind: Literal["power", "load", "gate"]
    reach_w: float | None
    reach_code: Literal["value", "above", "below", "gate", "unknown"]
    carries_w: float | None
    needs_w: float | None
    fill: float | None
    fill_code: str
    check: str
    duty: str
    missing: list[str]
    sentence: str
    state: StateName = "unknown"
    rests_on: RestsOut | None = None
    fill_low: float | None = None
    fill_high: float | None = None


class DutyOut(Model):
    """A duty as it was solved."""

    id: str
    name: str
    kind: str
    power_driven: bool
    ambient_k: float
    air_speed_m_s: float
    duration_s: float | None


class NotJudged(Model):
    """A system or duty that was not judged, and why."""

    system: str
    why: str


class ScopeOut(Model):
    """Whether a system is judged, and why not; ``foreign``: such a machine has none of it, or another system judges it;
    ``started``: a part of it is known; ``begin``: facts that begin it."""

    state: Literal["judged", "later", "left_out"]
    why: str
    foreign: bool
    started: bool
    begin: list[str]


class GiveOut(Model):
    """What gives out."""

    system: str
    check: str
    duty: str
    kind: str


class HeadlineOut(Model):
    """The verdict in two sentences."""

    sentence: str
    next: str


class PowerClaim(Model):
    """Whether the power claimed can be believed, by its mean effective pressure."""

    believable: bool
    sentence: str
    bmep_pa: float
    usual_pa: float
    most_pa: float


class FactorOut(Model):
    """A factor on the model as readings left it, and how unsure it is still: its logarithm's standard deviation."""

    id: str
    label: str
    value: float
    sd: float


class MovedCheck(Model):
    """A check that goes by what was measured: its fill and state without."""

    system: str
    check: str
    duty: str
    fill: float
    state: StateName


class MovedRow(Model):
    """A row that goes by what was measured: its reach, or what it carries, without."""

    system: str
    part: str
    kind: str
    reach_w: float | None
    carries_w: float | None


class MeasuredOut(Model):
    """What readings moved: since when they are applied, the headline without them, ``gone``: what was changed since."""

    at: str
    factors: list[FactorOut]
    gone: list[str]
    headline: str
    checks: list[MovedCheck]
    rows: list[MovedRow]


class Report(Band):
    """The report, SI; sentences are in the build's units."""

    format: str
    build: dict[str, str]
    duties: list[DutyOut]
    wanted_w: float | None
    rated_w: float | None
    governed: bool
    claim: PowerClaim | None = None
    state: StateName
    headline: HeadlineOut
    first_to_give: GiveOut | None
    next_to_give: GiveOut | None
    reach_w: float | None
    reach_code: str
    unknown: list[str]
    rests_on: RestsOut | None = None
    measured: MeasuredOut | None = None
    nothing_fitted: bool = False
    not_judged: list[NotJudged]
    rows: list[RowOut]
    systems: dict[str, SystemOut]
    scope: dict[str, ScopeOut]
    notices: list[NoticeOut]
    guesses: int
    stated: int
    units: UnitsDocument
    samples: int | None = None
    clipped_share: float | None = None
