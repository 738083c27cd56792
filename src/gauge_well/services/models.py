"""What services give out, as pydantic models: the OpenAPI document and the page's types come from here."""

from __future__ import annotations

from typing import Annotated, Any, Literal

from pydantic import Field, WithJsonSchema

from gauge_well.core.evidence import Known, Stated
from gauge_well.services.models_report import Model, NeedOut, Report, StateName

# A build's document: shaped by the sheet's own schema, which the OpenAPI document puts in place of this mark.
SheetIn = Annotated[dict[str, Any], WithJsonSchema({"type": "object", "title": "x-sheet-whole"})]
# As it is kept: a newer program may have written it.
SheetKept = Annotated[dict[str, Any], WithJsonSchema({"type": "object", "title": "x-sheet-kept"})]


class ProblemEntry(Model):
    """One field that is wrong: of a request, or of a document that does not stand."""

    field: str
    label: str
    read: str
    allowed: str
    message: str


class ClaimOut(Model):
    """A value not in use."""

    text: str
    shown: str
    evidence: Stated
    source: str = ""
    date: str = ""


class FactOut(Model):
    """A fact as the page shows it: given by the builder, with what was typed, or supplied by rule, a choice then by its id."""

    path: str
    text: str
    shown: str
    si: float | None
    evidence: Known
    unit: str | None = None
    tolerance: str | None = None
    note: str = ""
    source: str = ""
    date: str = ""
    half: str = ""
    claims: list[ClaimOut] = []


class BuildOut(Model):
    """A build with everything the page needs in one answer.

    One whose document does not stand today has ``problems``, its raw document and no report.
    """

    id: str
    name: str
    revision: int
    updated_at: str
    document: SheetKept
    facts: dict[str, FactOut]
    report: Report | None
    problems: list[ProblemEntry]
    stands_on: str = Field(
        description="What all of it follows from; sent back as `holds`, the next answer is less what it shares."
    )
    since: str | None = Field(description="What the answer is the difference to; null where it is whole.")
    gone: list[str] = Field(description="Facts of that one that are no more.")


class Card(Model):
    """A build on the shelf."""

    id: str
    name: str
    notes: str
    kind: str
    revision: int
    updated_at: str
    sentence: str
    state: StateName
    wells: dict[str, float | None]


class Shelf(Model):
    """A page of builds, last changed first; ``more`` leads to the next, ``count`` is of all."""

    builds: list[Card]
    more: str
    count: int


class InBin(Model):
    """A deleted build that can still be brought back."""

    id: str
    name: str
    deleted_at: str
    kept_until: str


class Bin(Model):
    """Deleted builds, last deleted first."""

    builds: list[InBin]


class NewestOut(Model):
    """Number of a build's newest revision, and the server's clock."""

    revision: int
    now: str


class RevisionOut(Model):
    """One revision of a build."""

    revision: int
    note: str
    name: str
    verdict: str
    created_at: str


class Revisions(Model):
    """History of a build, newest first; ``rule`` says which are kept."""

    revisions: list[RevisionOut]
    rule: str


class RevisionDocument(Model):
    """One revision as it was kept."""

    id: str
    revision: int
    document: SheetKept


class ReadOut(Model):
    """What was understood of typed text."""

    text: str
    shown: str
    value: float
    unit: str
    si: float
    count: int


class EditOut(Model):
    """One edit a change is made of."""

    path: str
    text: str | None
    evidence: Stated | None
    action: Literal["set", "fit"] = "set"


class ChangeOut(Model):
    """A change worth trying, run: what it buys, what else it moves, what it breaks."""

    id: str
    system: str
    part: str
    label: str
    whole: str
    gain: str
    own: str
    holds: bool
    mends: bool
    mended: bool
    matters: bool
    school: bool
    rejected: bool
    buys: float
    headroom_w: float | None
    sure: float | None
    others: list[str]
    beside: list[str]
    broken: list[str]
    worse: list[str]
    price: str | None
    price_total: float | None
    edits: list[EditOut]


class MeasureOut(Model):
    """A fact worth measuring."""

    path: str
    label: str
    section: str
    shown: str
    evidence: str
    chance: float
    alone: float
    system: str
    sentence: str
    spread_w: float | None
    place: str
    how: str
    kind: str


class ModelSpreadOut(Model):
    """What no tape settles."""

    model: float
    left: float
    reach_low_w: float | None
    reach_high_w: float | None
    sentence: str


class ExploreEvent(Model):
    """One line of the stream: which fields are there depends on ``event``."""

    event: Literal["report", "progress", "changes", "measure", "unknown", "done"]
    report: Report | None = None
    what: str | None = None
    done: int | None = None
    of: int | None = None
    singles: list[ChangeOut] | None = None
    pairs: list[ChangeOut] | None = None
    three: ChangeOut | None = None
    verdict: str | None = None
    sure: float | None = None
    next: list[MeasureOut] | None = None
    model: ModelSpreadOut | None = None
    missing: list[str] | None = None


class RoundItem(Model):
    """One thing to measure."""

    path: str
    label: str
    section: str
    kind: str
    shown: str
    half: str
    evidence: str
    how: str


class RoundPlace(Model):
    """Where one stands, and what is measured from there."""

    id: str
    title: str
    items: list[RoundItem]


class Round(Model):
    """A measuring round."""

    name: str
    places: list[RoundPlace]


class EndOut(Model):
    """One end of what holds; ``also`` is stated with its text, which is empty where none holds."""

    si: float
    shown: str
    text: str
    also: list[EditOut]
    gives: str


class SolvedOut(Model):
    """Values of a fact at which the wanted power holds."""

    path: str
    label: str
    low: EndOut | None
    high: EndOut | None
    sure_low: EndOut | None
    sure_high: EndOut | None
    touches: list[str]
    stuck: list[str]


class NeedRow(NeedOut):
    """A need with its system."""

    system: str
    title: str


class NeedSheet(Model):
    """Every need of a build, with bands."""

    needs: list[NeedRow]


class ComparedField(Model):
    """A fact that parts are told apart by."""

    name: str
    label: str
    kind: str
    choices: dict[str, str]


class ComparedFigure(Model):
    """A figure parts are told apart by; ``more``: more of it is better."""

    figure: str
    label: str
    kind: str
    more: bool


class ComparedFact(Model):
    """What is stated of a part."""

    text: str
    shown: str


class ComparedPart(Model):
    """What is fitted, or a part of the yard run in its place."""

    id: str
    fitted: bool
    name: str
    price: str | None
    source: str
    why: str
    duty_id: str
    duty: str
    fill: float | None
    figures: dict[str, float | None]
    breaks: list[str]
    beside: dict[str, str]
    facts: dict[str, ComparedFact]


class SideBySide(Model):
    """Parts side by side in one place; ``more`` of the yard are not shown."""

    title: str
    place: str
    kind: str
    fields: list[ComparedField]
    figures: list[ComparedFigure]
    columns: list[ComparedPart]
    more: int
    missing: list[str]


class MapAxis(Model):
    """One axis of a map, SI."""

    label: str
    kind: str
    values: list[float]


class MapLine(Model):
    """Where a fill is met: y for each x, null where it is not."""

    fill: float
    y: list[float | None]


class MapOut(Model):
    """A duty's heat over two of its conditions; ``missing`` names what cannot be done without."""

    missing: str
    kind: str
    x: MapAxis | None = None
    y: MapAxis | None = None
    lines: list[MapLine] | None = None
    over_above: bool | None = None
    all_over: list[bool] | None = None
    weak_from: float | None = None
