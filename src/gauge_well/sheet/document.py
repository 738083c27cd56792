"""Shape of the document as pydantic models, made from the core's facts classes."""

from __future__ import annotations

from typing import Any, Literal

from pydantic import BaseModel, ConfigDict, Field, create_model

from gauge_well.core.facts import Spec
from gauge_well.sheet.sections import DUTY, SECTIONS

FORMAT = "gauge-well-build/1"
TEXT_MAX = 200
TABLE_MAX = 4000
DUTIES_MAX = 12


class Strict(BaseModel):
    """Unknown fields are refused, so that a misspelt fact is not silently lost."""

    model_config = ConfigDict(extra="forbid")


# "rule": put there by the program, as what is usual; nobody said it.
Evidence = Literal["taped", "weighed", "tested", "measured", "sheet", "similar", "guess", "rule"]
CLAIMS_MAX = 8


class ClaimDocument(Strict):
    """A value somebody gives for a fact, with where it comes from and when."""

    text: str = Field(max_length=TEXT_MAX, description="As typed: 11 5/8 in, 63 mm, 205 F")
    evidence: Evidence | None = None
    value: float | None = Field(default=None, description="What was read, in `unit`; the text rules")
    unit: str | None = Field(default=None, max_length=20)
    source: str | None = Field(default=None, max_length=80, description="Who or what says so")
    date: str | None = Field(default=None, pattern=r"^\d{4}-\d{2}-\d{2}$", description="When: 2026-11-24")


class FactDocument(ClaimDocument):
    """A quantity: the claim in use, and any others. Value and unit are what was read."""

    tolerance: str | None = Field(
        default=None, max_length=60, description="Half-range at 95 %: 3 mm, 5 %, or `claims` for how far they differ"
    )
    claims: list[ClaimDocument] | None = Field(default=None, max_length=CLAIMS_MAX, description="Not in use")


class TableDocument(Strict):
    """A table: one row a line, columns parted by a comma, semicolon, tab or bar."""

    text: str = Field(max_length=TABLE_MAX)
    evidence: Evidence | None = None


CANDIDATES_MAX = 5  # of each system


class CandidateDocument(Strict):
    """Parts that might be fitted: what of the section they change. What is not stated stays as fitted."""

    id: str = Field(pattern=r"^[a-z0-9_]{1,20}$")
    name: str = Field(default="", max_length=60)
    price: str | None = Field(default=None, max_length=20)
    facts: dict[str, FactDocument | str | float] = Field(default_factory=dict, max_length=30)


class UnitsDocument(Strict):
    """What bare numbers are read in and values shown in."""

    system: Literal["metric", "imperial"] = "metric"
    power: Literal["kW", "hp", "PS"] = "kW"


Quantity = FactDocument | str | float | None
Table = TableDocument | str | list[list[str]] | None


def _annotation(spec: Spec) -> Any:
    if spec.kind == "choice":
        return Literal[tuple(spec.choices or {})] | None
    if spec.kind == "text":
        return str | None
    return Table if spec.kind == "table" else Quantity


def _field(spec: Spec) -> Any:
    note = spec.label.strip() + (f". {spec.help}" if spec.help else "")
    if spec.kind == "text":
        return Field(default=None, max_length=TEXT_MAX, description=note)
    return Field(default=None, description=note)


def _model(name: str, specs: Any, **extra: Any) -> type[Strict]:
    fields: dict[str, Any] = {key: (_annotation(spec), _field(spec)) for key, spec in specs.items()}
    model: type[Strict] = create_model(name, __base__=Strict, **(extra | fields))
    return model


SECTION_MODELS: dict[str, type[Strict]] = {
    id: _model(f"{section.title}Section", section.specs) for id, section in SECTIONS.items()
}
DutyModel = _model(
    "DutySection",
    DUTY.specs,
    id=(str, Field(pattern=r"^[a-z0-9_]{1,40}$", description="Short name, used in reports")),
)
BuildDocument = create_model(
    "BuildDocument",
    __base__=Strict,
    __doc__="A build sheet.",
    format=(Literal["gauge-well-build/1"], Field(default=FORMAT)),
    name=(str, Field(default="", max_length=80)),
    notes=(str, Field(default="", max_length=4000)),
    units=(UnitsDocument, Field(default_factory=UnitsDocument)),
    candidates=(
        dict[str, list[CandidateDocument]],
        Field(default_factory=dict, max_length=20, description="Parts that might be fitted, by section"),
    ),
    prices=(
        dict[str, str],
        Field(default_factory=dict, max_length=200, description="What a change would cost, by its id: 120"),
    ),
    wanted=(Quantity, Field(default=None, description="Power wanted; rated power otherwise")),
    duties=(list[DutyModel], Field(default_factory=list, max_length=DUTIES_MAX)),  # type: ignore[valid-type]
    **{id: (model, Field(default_factory=model)) for id, model in SECTION_MODELS.items()},  # type: ignore[call-overload]
)
