"""What can be typed and chosen: sections, fields, kinds and units, for the page and the docs."""

from __future__ import annotations

from typing import Any

from gauge_well.core.duty.facts import KINDS as DUTY_KINDS
from gauge_well.core.duty.facts import MACHINES, TASKS, task_kind
from gauge_well.core.evidence import EVIDENCE, Known
from gauge_well.core.facts import Spec, specs
from gauge_well.core.media.fuels import FUELS
from gauge_well.core.parts import KINDS as KINDS_OF_PARTS
from gauge_well.core.run.graph import readers
from gauge_well.core.systems import ASKED, SYSTEMS
from gauge_well.services.errors import Refused
from gauge_well.services.models_report import Model
from gauge_well.sheet.sections import DUTY, PLACES, SECTIONS, WANTED, Place
from gauge_well.sheet.starter import INJECTIONS
from gauge_well.sheet.work_document import STATES
from gauge_well.units import KINDS, UNITS, read, show, unit_for
from gauge_well.units.printing import POWERS, Preference

BENCH = "bench"


class FieldOut(Model):
    """One field of a section."""

    name: str
    station: str
    label: str
    kind: str
    group: str
    part: str
    help: str
    choices: dict[str, str] | None
    columns: list[list[str]]
    when: dict[str, list[str]]


class SectionOut(Model):
    """One block of the sheet."""

    id: str
    title: str
    fields: list[FieldOut]


class KindOut(Model):
    """A kind of part, and what is known of one."""

    label: str
    fields: list[FieldOut]


class PlaceOut(Model):
    """A place that a part fills, or several in order; facts by the part's own names, as they are called there."""

    section: str
    label: str
    kind: str
    many: bool
    fields: list[FieldOut]


class DisplayOut(Model):
    """How a kind is shown: ``(SI - offset) / factor``."""

    unit: str
    symbol: str
    factor: float
    offset: float
    digits: int
    decimals: int


class TaskOut(Model):
    """The fifth fact of a new build, by kind of machine."""

    label: str
    hint: str


class EvidenceOut(Model):
    """A way of knowing: in full, and in a word beside a value."""

    id: Known
    label: str
    word: str


class Vocabulary(Model):
    """Everything the page must know before it shows a build."""

    sections: dict[str, SectionOut]
    wanted: FieldOut
    kinds: dict[str, dict[str, DisplayOut]]
    evidence: list[EvidenceOut]
    machines: dict[str, str]
    tasks: dict[str, TaskOut]
    injections: dict[str, str]
    fuels: dict[str, str]
    duty_kinds: dict[str, str]
    systems: dict[str, str]
    asked: list[str]
    compared: dict[str, list[str]]
    part_kinds: dict[str, KindOut]
    places: dict[str, PlaceOut]
    states: dict[str, str]


def _field(name: str, spec: Spec, station: str) -> FieldOut:
    return FieldOut(
        station=station,
        name=name,
        label=spec.label.strip(),
        kind=spec.kind,
        group=spec.group,
        part=spec.part,
        help=spec.help,
        choices=dict(spec.choices) if spec.choices is not None else None,
        columns=[list(column) for column in spec.columns],
        when={name: list(choices) for when in (spec.when, spec.also) if when is not None for name, choices in (when,)},
    )


def station_of(section: str, name: str) -> str:
    """Where a fact is typed: on its system's station, what several read of the installation at the first of them."""
    if section == "machine":
        return "duties"
    if section != "installation":
        return section
    reads = readers(f"{section}.{name}")
    return next((id for id in SYSTEMS if id in reads), BENCH)


def _home(kind: str) -> str:
    """Where parts of a kind that fill no place are seen: at the first station that has one for them."""
    return next((place.section for place in PLACES.values() if place.role.kind.id == kind), BENCH)


def _place(place: Place) -> PlaceOut:
    return PlaceOut(
        section=place.section,
        label=place.role.label,
        kind=place.role.kind.id,
        many=place.many,
        fields=[_field(name, place.role.own(name), place.section) for name in place.role.names],
    )


def _display(kind_id: str, prefer: Preference) -> DisplayOut:
    kind, unit = KINDS[kind_id], unit_for(kind_id, prefer)
    return DisplayOut(
        unit=unit.id,
        symbol=unit.symbol,
        factor=unit.factor,
        offset=0.0 if kind.difference else unit.offset,
        digits=kind.digits,
        decimals=kind.decimals,
    )


def vocabulary() -> Vocabulary:
    """The whole vocabulary; ``kinds`` by ``system/power``."""
    sections = {
        s.id: SectionOut(
            id=s.id, title=s.title, fields=[_field(n, spec, station_of(s.id, n)) for n, spec in s.specs.items()]
        )
        for s in (*SECTIONS.values(), DUTY)
    }
    kinds = {
        f"{system}/{power}": {id: _display(id, Preference(system, power)) for id in KINDS}
        for system in ("metric", "imperial")
        for power in POWERS
    }
    return Vocabulary(
        sections=sections,
        wanted=_field("wanted", WANTED, BENCH),
        kinds=kinds,
        evidence=[{"id": id, "label": e.label, "word": e.word} for id, e in EVIDENCE.items()],
        machines={k: v[0] for k, v in MACHINES.items()},
        injections={k: label for k, (label, _) in INJECTIONS.items()},
        tasks={k: TaskOut(**vars(TASKS[task_kind(k)])) for k in MACHINES},
        fuels={k: f.label for k, f in FUELS.items()},
        duty_kinds=dict(DUTY_KINDS),
        systems={id: s.title for id, s in SYSTEMS.items()},
        asked=list(ASKED),
        compared={id: [f"{id}.{p}" for p in s.compare.places] for id, s in SYSTEMS.items() if s.compare is not None},
        part_kinds={
            id: KindOut(label=k.label, fields=[_field(n, spec, _home(id)) for n, spec in specs(k.facts).items()])
            for id, k in KINDS_OF_PARTS.items()
        },
        places={path: _place(place) for path, place in PLACES.items()},
        states=dict(STATES),
    )


def read_text(text: str, kind: str, prefer: Preference) -> dict[str, Any]:
    """What is understood of typed text; Refused for an unknown kind, ReadingError otherwise."""
    if kind not in KINDS:
        raise Refused("kind", kind[:40], ", ".join(KINDS), "There is no such kind of quantity.")
    reading = read(text, kind, unit_for(kind, prefer).id)
    shown = show(reading.si, kind, prefer)
    return {
        "text": reading.text,
        "shown": shown,
        "value": reading.value,
        "unit": UNITS[reading.unit].symbol,
        "si": reading.si,
        "count": reading.count,
    }
