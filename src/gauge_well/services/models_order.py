"""What the order of work gives out, as pydantic models."""

from __future__ import annotations

from typing import Literal

from gauge_well.services.models_report import Model


class SpanOut(Model):
    """Least, likely, most."""

    low: float
    likely: float
    high: float


class ArcOut(Model):
    """What a task waits for, and why."""

    id: str
    title: str
    why: str
    done: bool


class BreakOut(Model):
    """What doing a task before another costs; ``redone`` is undone and done again."""

    task: str
    missing: str
    title: str
    why: str
    undo_h: float
    lost: str
    redone: list[str]
    minutes: float


class WorkTaskOut(Model):
    """A task of the work, how it stands and what it needs.

    ``own``: the builder's; ``begin_h``, ``end_h``, ``dry_h``: calendar hours from midnight of today, of what is left.
    """

    id: str
    title: str
    stage: str
    branch: str
    why: str
    hours: SpanOut
    hours_stated: bool
    hands: int
    lift: bool
    lag_h: float
    lag_why: str
    hold: str
    tools: list[str]
    materials: list[str]
    covers: str
    caution: str
    after: list[ArcOut]
    opens: list[str]
    own: bool
    state: Literal["done", "ready", "held"]
    done: str
    signed: str
    note: str
    held_tasks: list[str]
    held_things: list[str]
    begin_h: float | None
    end_h: float | None
    dry_h: float | None
    day: str
    decides: float
    free_decides: float
    slack_h: float | None
    breaks: list[BreakOut]


class WhenOut(Model):
    """A date with its band; the same in hours from midnight of today, and the share of runs between the edges."""

    low: str
    likely: str
    high: str
    low_h: float
    likely_h: float
    high_h: float
    edges: list[float]
    shares: list[float]


class WayOut(Model):
    """A way to come by a thing: money with hours at their worth and what is done over again; ``wide``: its band is the widest."""

    id: str
    label: str
    mean: float
    high: float
    hours: float
    days: float
    cheapest: bool
    wide: bool


class WantedOut(Model):
    """A thing that is easily forgotten; ``listed``: the thing on the list that it is, empty where it is on none."""

    id: str
    label: str
    group: Literal["take", "renew", "blocker"]
    task: str
    why: str
    listed: str
    priced: bool


class FastenerOut(Model):
    """A fastener on the list; torques in the build's units; ``wrong``: what is wrong with the one typed."""

    id: str
    title: str
    count: int
    thread: str
    length: str
    grade: str
    torque: str
    usual: str
    wrong: str
    sealant: str
    gauged: bool
    state: str
    task: str


class ThingOut(Model):
    """A part or another thing on the list.

    ``path``: where what is kept with it stands, for edits; ``place``: its place in the build, empty for what has none.
    ``usual``: nobody said when it comes, and a usual time is taken. ``week_days``: days the end moves when it is a week later.
    """

    id: str
    path: str
    label: str
    kind: str
    system: str
    place: str
    fitted: bool
    row: str
    state: str
    source: str
    price: str
    lead: str
    due: str
    note: str
    tasks: list[str]
    awaited: bool
    usual: bool
    arrives: str
    late_days: int
    decides: float
    spare_days: int | None
    week_days: float
    kit: str
    holds: list[str]
    lacks: list[str]
    ways: list[WayOut]


class MoverOut(Model):
    """What would bring the first start forward, and to which day."""

    kind: Literal["hands", "weekend", "weekday", "thing"]
    id: str
    label: str
    sooner: int
    day: str


class BudgetOut(Model):
    """Money in all; ``over``: share of cases over the limit."""

    paid: float
    ordered: float
    open: float
    likely_sum: float
    mean: float
    low: float
    high: float
    limit: float | None
    over: float | None
    unpriced: list[str]
    sign: str
    sentence: str


class ChoiceOut(Model):
    """A decision about the work: its side, whether somebody picked it, and why it stands so otherwise."""

    name: str
    label: str
    value: str
    stated: bool
    note: str
    sides: dict[str, str]


class UsualOut(Model):
    """A value nobody stated that the dates rest on, and the field that states it."""

    path: str
    sentence: str


class KitOut(Model):
    """A kind of kit, and what it should hold on this build."""

    label: str
    holds: dict[str, str]


class EngineOptionOut(Model):
    """An engine on this machine: what the build says of it, what it claims, weighs and costs.

    ``own``: the one the build states; ``problem``: why it could not be run; ``heavier_kg``: than that one.
    """

    id: str
    title: str
    own: bool
    problem: str
    sentence: str
    state: str
    power: str
    torque: str
    reach: str
    believable: bool | None
    claim: str
    mass: str
    heavier_kg: float | None
    price_low: float | None
    price_likely: float | None
    price_high: float | None
    price: str
    fits: str
    note: str


class OptionsOut(Model):
    """Engines side by side; ``unpriced``: blockers that nobody has priced yet, by their words."""

    options: list[EngineOptionOut]
    unpriced: list[str]
    advice: str


class OrderOut(Model):
    """The order of work of a build, as of a day."""

    today: str
    headline: str
    holds: str
    ends: str
    rests: list[UsualOut]
    stages: dict[str, str]
    tasks: list[WorkTaskOut]
    first: WhenOut | None
    end: WhenOut | None
    done: int
    left: int
    left_h: float
    behind_h: float
    shut: int
    guessed: int
    things: list[ThingOut]
    movers: list[MoverOut]
    against: list[BreakOut]
    hoist_rented: bool
    lift_days: int
    lift_held: int
    proved: bool
    hands: int
    weekday_h: float
    weekend_h: float
    rate: float
    budget: BudgetOut
    choices: list[ChoiceOut]
    wanted: list[WantedOut]
    fasteners: list[FastenerOut]
    kits: dict[str, KitOut]
