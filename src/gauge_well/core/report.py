"""The report: what a sized build is told, in frozen types. SI, with sentences and steps still to be printed."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from gauge_well.core.sentence import Sentence
from gauge_well.core.systems.base import Caution
from gauge_well.core.validity import Notice
from gauge_well.core.working import Step

REPORT_FORMAT = "gauge-well-report/2"


@dataclass(frozen=True)
class Rests:
    """A value nobody stated, on which a check or a need rests.

    ``fill``: of the check with the value at the end that turns its verdict; ``low`` and ``high``: of a need at either
    end.
    """

    path: str
    sentence: Sentence
    fill: float | None
    low: float | None
    high: float | None


@dataclass(frozen=True)
class CheckEntry:
    """A check in one duty; a gate once, without a duty."""

    id: str
    name: str
    part: str
    duty: str
    class_: str
    scales: str
    demand: float
    capacity: float
    unit: str
    fill: float
    fill_code: str
    state: str
    rests_on: Rests | None
    danger: bool
    sentence: Sentence

    @property
    def short(self) -> bool:
        """Whether a limit is over its brim."""
        return self.class_ == "limit" and self.fill > 1.0


@dataclass(frozen=True)
class Row:
    """A part that can be changed, and one way its fill goes.

    ``kind``: power, load, gate, and for comparison alone cost. ``reach_w``: power at its brim; ``carries_w`` of
    ``needs_w`` where a load drives it; ``reach_code`` where no power says it.
    """

    system: str
    part: str
    label: str
    kind: str
    reach_w: float | None
    reach_code: str
    carries_w: float | None
    needs_w: float | None
    fill: float | None
    fill_code: str
    check: str
    duty: str
    missing: Sequence[str]
    sentence: Sentence
    state: str
    rests_on: Rests | None


@dataclass(frozen=True)
class UnknownEntry:
    """A check that cannot be judged, with the facts it waits for."""

    check: str
    name: str
    part: str
    missing: Sequence[str]


@dataclass(frozen=True)
class Figure:
    """One figure of an option."""

    label: str
    value: float
    unit: str


@dataclass(frozen=True)
class OptionEntry:
    """One of several sizes that serve; ``marked``: the one advised."""

    marked: bool
    values: Sequence[Figure]


@dataclass(frozen=True)
class ShopEntry:
    """How a need stands in the list to buy from."""

    name: str
    brief: Sentence
    detail: Sentence
    sold: Sentence
    size: float | None
    fact: str


@dataclass(frozen=True)
class NeedEntry:
    """What the wanted power asks of a part."""

    part: str
    quantity: str
    value: float | None
    unit: str
    sentence: Sentence
    options: Sequence[OptionEntry]
    low: float | None
    high: float | None
    rests_on: Rests | None
    shop: ShopEntry | None


@dataclass(frozen=True)
class Governing:
    """The check and the duty that decide a system."""

    check: str
    duty: str


@dataclass(frozen=True)
class Block:
    """One system's part of the report; ``machine``: the engine's figures of the whole machine."""

    title: str
    state: str
    fill: float | None
    reach_w: float | None
    reach_code: str
    unknown: Sequence[UnknownEntry]
    governing: Governing | None
    checks: Sequence[CheckEntry]
    figures: Mapping[str, Mapping[str, float]]
    need: Sequence[NeedEntry]
    working: Mapping[str, Sequence[Step]]
    cautions: Sequence[Caution]
    decides: Sequence[str]
    notices: Sequence[Notice]
    machine: Mapping[str, float] | None = None


@dataclass(frozen=True)
class Headline:
    """The verdict in a sentence, and what is next."""

    sentence: Sentence
    next: Sentence


@dataclass(frozen=True)
class Where:
    """The row that gives out."""

    system: str
    check: str
    duty: str
    kind: str


@dataclass(frozen=True, kw_only=True)
class Verdict:
    """What the whole build comes to."""

    state: str
    headline: Headline
    first_to_give: Where | None
    next_to_give: Where | None
    reach_w: float | None
    reach_code: str
    unknown: Sequence[str]
    rests_on: Rests | None
    nothing_fitted: bool


@dataclass(frozen=True)
class DutyEntry:
    """A duty as it was worked; ``duration_s`` None where it goes on for ever."""

    id: str
    name: str
    kind: str
    power_driven: bool
    ambient_k: float
    air_speed_m_s: float
    duration_s: float | None


@dataclass(frozen=True)
class ClaimEntry:
    """Whether the power claimed can be believed, by its mean effective pressure."""

    believable: bool
    sentence: Sentence
    bmep_pa: float
    usual_pa: float
    most_pa: float


@dataclass(frozen=True)
class ScopeEntry:
    """Whether a system is judged, and why not; ``foreign``: such a machine has none of it, or another system judges it;
    ``started``: a part of it is known; ``begin``: facts that begin it."""

    state: str
    why: str
    foreign: bool
    started: bool
    begin: Sequence[str]


@dataclass(frozen=True)
class NotJudged:
    """A system or a duty left out, and why."""

    system: str
    why: str


@dataclass(frozen=True)
class Report:
    """A sized build."""

    name: str
    duties: Sequence[DutyEntry]
    wanted_w: float | None
    rated_w: float | None
    governed: bool
    claim: ClaimEntry | None
    not_judged: Sequence[NotJudged]
    rows: Sequence[Row]
    systems: Mapping[str, Block]
    scope: Mapping[str, ScopeEntry]
    verdict: Verdict
    format: str = REPORT_FORMAT
