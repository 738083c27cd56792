"""What a first start gives out, as pydantic models."""

from __future__ import annotations

from typing import Literal

from gauge_well.services.models_report import Model


class UnstatedOut(Model):
    """A fact that something rests on, or lacks; ``shown``: what a rule takes for it."""

    path: str
    label: str
    shown: str = ""


class PlaceOut(Model):
    """Where a start may be done."""

    id: str
    label: str


class HoldOut(Model):
    """A hold: how it is proved, what must come of it [SI], and how it stands.

    ``task``: of the order of work, signed with it; ``by_order``: it was signed there. ``wrong``: what was measured does not
    prove it.
    """

    id: str
    label: str
    proof: str
    task: str
    kind: str
    target: float | None
    least: float | None
    most: float | None
    waits: float
    caution: str
    proved: bool
    by_order: bool
    signed: str
    at: str | None
    began: str | None
    value: str
    wrong: bool


class StartStepOut(Model):
    """A step: how long it runs and rests [s], what ends it, how many goes it had."""

    id: str
    label: str
    do: str
    least: float | None
    most: float | None
    rest: float
    tries: int
    runs: bool
    shouts: list[str]
    look: list[str]
    caution: str
    missing: list[UnstatedOut]
    rests: list[UnstatedOut]


class PointOut(Model):
    """A point of a curve: time [s] or oil temperature [K], the likely value and its band [SI]."""

    at: float
    value: float
    low: float
    high: float


class ExpectedOut(Model):
    """What a gauge should read [SI], and where the engine is stopped."""

    id: str
    label: str
    kind: str
    steps: list[str]
    how: str
    likely: float | None
    low: float | None
    high: float | None
    least: float | None
    most: float | None
    after: float
    curve: list[PointOut]
    by_oil: list[PointOut]
    missing: list[UnstatedOut]
    rests: list[UnstatedOut]
    stops_after: float | None


class TakenOut(Model):
    """A reading that was taken, read [SI]."""

    id: str
    value: float | None


class OrderedOut(Model):
    """One of some ordered checks."""

    do: str
    reads: str
    otherwise: str


class SymptomOut(Model):
    """Something that is noticed; ``worked`` on the model, or ordered checks. ``group``: of the model's faults."""

    id: str
    label: str
    at_once: str
    group: str
    worked: bool
    steps: list[OrderedOut]


class PourOut(Model):
    """A step of filling, of running in, or of what is done again."""

    id: str
    label: str
    do: str


class AirlockOut(Model):
    """What the gauge shows [K], sound and with air in it."""

    idle: float
    idle_air: float
    duty: str
    loaded: float | None
    loaded_air: float | None


class ThresholdOut(Model):
    """An alarm and a cut [SI]."""

    id: str
    label: str
    kind: str
    under: bool
    alarm: float
    cut: float | None
    delay: float
    above_speed: float
    why: str


class CauseOut(Model):
    """A cause that can be played on the simulated engine."""

    group: str
    title: str
    id: str
    label: str
    whole: bool


class StartOut(Model):
    """All that the page of a first start shows. ``now``: the server's clock."""

    now: str
    place: str
    place_stated: bool
    places: list[PlaceOut]
    air: float
    air_stated: bool
    holds: list[HoldOut]
    steps: list[StartStepOut]
    expected: list[ExpectedOut]
    taken: list[TakenOut]
    missing: list[UnstatedOut]
    symptom: str
    symptoms: list[SymptomOut]
    filling: list[PourOut]
    airlock: AirlockOut | None
    airlock_missing: list[UnstatedOut]
    thresholds: list[ThresholdOut]
    run_in: list[PourOut]
    again: list[PourOut]
    causes: list[CauseOut]


class BeliefOut(Model):
    """A cause and how many of a hundred such cases are it; ``mend``: what is done."""

    id: str
    label: str
    mend: str
    chance: float


class ForeseenOut(Model):
    """What a check would read if a cause were it [SI], or how often each outcome is seen."""

    cause: str
    label: str
    value: float | None
    low: float | None
    high: float | None
    outcomes: list[float]


class NextOut(Model):
    """A check that is left: ``leaves`` of the causes open now; what each of the likeliest causes would show."""

    id: str
    label: str
    how: str
    minutes: float
    when: str
    effort: Literal["free", "tool", "apart"]
    danger: str
    kind: str
    outcomes: list[str]
    leaves: float
    tells: float
    foreseen: list[ForeseenOut]


class LookOut(Model):
    """A check that was done."""

    id: str
    label: str
    text: str


class FaultsOut(Model):
    """What may be wrong after what was looked at. ``open``: how many causes it is still between."""

    symptom: str
    group: str
    worked: bool
    missing: list[UnstatedOut]
    answer: Literal["strange", "sound", "found", "open", ""]
    says: str
    under: str
    open: float
    causes: list[BeliefOut]
    load: list[str]
    load_duty: str
    next: list[NextOut]
    done: list[LookOut]
    ordered: list[OrderedOut]


class StartEvent(Model):
    """A line of the simulated engine: what its checks would find, then its gauges [SI] over time [s]."""

    event: Literal["engine", "row"]
    time: float
    shows: dict[str, float]
    looks: dict[str, str]
