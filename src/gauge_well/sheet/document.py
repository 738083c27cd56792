"""Shape of the document as pydantic models, made from the core's facts classes."""

from __future__ import annotations

import json
from functools import reduce
from operator import or_
from typing import Annotated, Any, Literal, TypeVar

from pydantic import Field, create_model
from typing_extensions import TypeAliasType

from gauge_well.core.evidence import Written
from gauge_well.core.facts import Kind, Spec, specs
from gauge_well.core.parts import KINDS
from gauge_well.core.systems import SYSTEMS
from gauge_well.sheet.readings_document import ReadingsDocument
from gauge_well.sheet.sections import DUTY, PLACES, SECTIONS
from gauge_well.sheet.start_document import StartDocument
from gauge_well.sheet.work_document import DATE, State, Strict, WorkDocument

FORMAT = "gauge-well-build/2"
TEXT_MAX = 200
TABLE_MAX = 4000
DUTIES_MAX = 12


# "rule": put there by the program, as what is usual; nobody said it.
CLAIMS_MAX = 8


class ClaimDocument(Strict):
    """A value somebody gives for a fact, with where it comes from and when."""

    text: str = Field(max_length=TEXT_MAX, description="As typed: 11 5/8 in, 63 mm, 205 F")
    evidence: Written | None = None
    value: float | None = Field(default=None, description="What was read, in `unit`; the text rules")
    unit: str | None = Field(default=None, max_length=20)
    source: str | None = Field(default=None, max_length=80, description="Who or what says so")
    date: str | None = Field(default=None, pattern=DATE, description="When: 2026-11-24")


class FactDocument(ClaimDocument):
    """A quantity: the claim in use, and any others. Value and unit are what was read."""

    tolerance: str | None = Field(
        default=None, max_length=60, description="Half-range at 95 %: 3 mm, 5 %, or `claims` for how far they differ"
    )
    claims: list[ClaimDocument] | None = Field(default=None, max_length=CLAIMS_MAX, description="Not in use")


class TableDocument(Strict):
    """A table: one row a line, columns parted by a comma, semicolon, tab or bar."""

    text: str = Field(max_length=TABLE_MAX)
    evidence: Written | None = None


T = TypeVar("T")


def copied(document: T) -> T:
    """A document, or a piece of one, of its own: all of it is JSON, which its own reader copies fastest."""
    made: T = json.loads(json.dumps(document))
    return made


PARTS_MAX = 400


class KeepDocument(Strict):
    """How a part stands with its builder."""

    state: State | None = None
    source: str | None = Field(default=None, alias="from", max_length=80, description="Where it came or will come from")
    price: str | None = Field(
        default=None, max_length=20, description="120, or 100-150, with a money's sign or without"
    )
    lead: str | None = Field(default=None, max_length=40, description="Until it is there: 10 days, 2-3 weeks")
    due: str | None = Field(default=None, pattern=DATE, description="The day it is due: 2026-12-05")
    note: str | None = Field(default=None, max_length=400)


class UnitsDocument(Strict):
    """What bare numbers are read in and values shown in."""

    system: Literal["metric", "imperial"] = "metric"
    power: Literal["kW", "hp", "PS"] = "kW"


Quantity = TypeAliasType("Quantity", FactDocument | str | float | None)
Table = TypeAliasType("Table", TableDocument | str | list[list[str]] | None)


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
    id: _model(f"{section.title}Section", {n: spec for n, spec in section.specs.items() if "." not in n})
    for id, section in SECTIONS.items()
}
ScopeDocument = create_model(
    "ScopeDocument",
    __base__=Strict,
    __doc__="What the builder says of a system; by kind of machine otherwise.",
    **{id: (Literal["judged", "later", "left_out"] | None, Field(default=None)) for id in SYSTEMS},  # type: ignore[call-overload]
)
DutyModel = _model(
    "DutySection",
    DUTY.specs,
    id=(str, Field(pattern=r"^[a-z0-9_]{1,40}$", description="Short name, used in reports")),
)


def _part(kind: Kind) -> type[Strict]:
    name = kind.id.title().replace("_", "")
    filled = tuple(path for path, place in PLACES.items() if place.role.kind.id == kind.id)
    facts = _model(f"{name}Facts", specs(kind.facts))
    fields: dict[str, Any] = {
        "id": (str, Field(pattern=r"^[a-z0-9_]{1,40}$", description="Short name, used in paths")),
        "kind": (Literal[kind.id], Field()),
        "role": (
            Literal[filled] | None if filled else None,
            Field(default=None, description="The place it fills; none: on the yard"),
        ),
        "name": (str, Field(default="", max_length=60)),
        "facts": (facts, Field(default_factory=facts)),
        "keep": (KeepDocument | None, Field(default=None)),
    }
    model: type[Strict] = create_model(f"{name}Part", __base__=Strict, __doc__=f"{kind.label}.", **fields)
    return model


PART_MODELS: dict[str, type[Strict]] = {id: _part(kind) for id, kind in KINDS.items()}
PartDocument: Any = Annotated[reduce(or_, PART_MODELS.values()), Field(discriminator="kind")]
BuildDocument = create_model(
    "BuildDocument",
    __base__=Strict,
    __doc__="A build sheet.",
    format=(Literal["gauge-well-build/2"], Field(default=FORMAT)),
    name=(str, Field(default="", max_length=80)),
    notes=(str, Field(default="", max_length=4000)),
    units=(UnitsDocument, Field(default_factory=UnitsDocument)),
    prices=(
        dict[str, str],
        Field(default_factory=dict, max_length=200, description="What a change would cost, by its id: 120"),
    ),
    wanted=(Quantity, Field(default=None, description="Power wanted; rated power otherwise")),
    scope=(ScopeDocument, Field(default_factory=ScopeDocument)),
    duties=(list[DutyModel], Field(default_factory=list, max_length=DUTIES_MAX)),  # type: ignore[valid-type]
    work=(
        WorkDocument | None,
        Field(default=None, description="The order of work: what is done, bought, decided"),
    ),
    start=(
        StartDocument | None,
        Field(default=None, description="The record of a first start: what was proved, run, read"),
    ),
    readings=(
        ReadingsDocument | None,
        Field(default=None, description="What is read of it as it runs: readings, a logbook, what is to be mended"),
    ),
    parts=(
        list[PartDocument],
        Field(default_factory=list, max_length=PARTS_MAX, description="In order where a place holds several"),
    ),
    **{id: (model, Field(default_factory=model)) for id, model in SECTION_MODELS.items()},  # type: ignore[call-overload]
)
