"""From a raw document to a sheet whose every fact has been read and found allowed."""

from __future__ import annotations

import json
import re
from collections.abc import Callable, Iterator, Mapping, Sequence
from dataclasses import dataclass, field, replace
from functools import cache
from typing import Any

from pydantic import ValidationError

from gauge_well.core.duty.facts import DRIVES
from gauge_well.core.evidence import evidence_of
from gauge_well.core.facts import ADDED, Spec, specs
from gauge_well.core.media.fuels import FUELS, burning
from gauge_well.core.parts import KINDS
from gauge_well.core.tolerance import Half
from gauge_well.sheet.document import BuildDocument
from gauge_well.sheet.errors import Problem, SheetError
from gauge_well.sheet.parts import named
from gauge_well.sheet.readings import ReadingsFacts, read_readings
from gauge_well.sheet.sections import DUTY, PLACES, SECTIONS, WANTED, Place
from gauge_well.sheet.spans import lead_of, money_of
from gauge_well.sheet.start import StartFacts, read_start
from gauge_well.sheet.tables import read_table
from gauge_well.sheet.upgrade import upgrade
from gauge_well.sheet.work import WorkFacts, date_of, read_work
from gauge_well.units import Reading, ReadingError, read, show, unit_for
from gauge_well.units.printing import Preference, exact
from gauge_well.units.reading import parse_decimal
from gauge_well.units.table import UNITS


@dataclass(frozen=True)
class Claim:
    """A value not in use: SI, as typed, how it is known, who says so and when."""

    value: float
    text: str
    evidence: str
    source: str | None = None
    date: str | None = None


@dataclass(frozen=True, kw_only=True)
class Fact:
    """A fact that was read: SI value (or choice, text, rows) and how it is known."""

    value: Any
    text: str
    evidence: str
    unit: str | None = None
    typed_value: float | None = None
    tolerance: str | None = None
    half: Half | None = None
    source: str | None = None
    date: str | None = None
    claims: tuple[Claim, ...] = ()


@dataclass(frozen=True)
class PartFacts:
    """A part: what is known of it, and the place it fills; on the yard where it fills none."""

    id: str
    kind: str
    name: str
    place: Place | None
    facts: Mapping[str, Fact]
    keep: Mapping[str, str] = field(default_factory=dict)

    @property
    def path(self) -> str:
        """What the paths of its facts begin with."""
        if self.place is None:
            return f"parts.{self.id}"
        return f"{self.place.path}.{self.id}" if self.place.many else self.place.path


@dataclass(frozen=True, kw_only=True)
class Sheet:
    """A document with its facts read. ``document`` is the normal form that is kept.

    ``sections``: by section and name, those of the parts in its places with them; ``parts``: all of them, in order.
    """

    name: str
    prefer: Preference
    wanted: Fact | None
    sections: Mapping[str, Mapping[str, Fact]]
    duties: tuple[tuple[str, Mapping[str, Fact]], ...]
    document: dict[str, Any]
    parts: tuple[PartFacts, ...]
    scope: Mapping[str, str]
    work: WorkFacts
    start: StartFacts
    readings: ReadingsFacts

    def listed(self, section: str) -> dict[str, tuple[str, ...]]:
        """Ids of the parts in each place of a section that several fill, in order."""
        found: dict[str, tuple[str, ...]] = {}
        for part in self.parts:
            if part.place is not None and part.place.many and part.place.section == section:
                found[part.place.name] = (*found.get(part.place.name, ()), part.id)
        return found

    @property
    def yard(self) -> tuple[PartFacts, ...]:
        """Parts that fill no place."""
        return tuple(part for part in self.parts if part.place is None)


class _Reader:
    """Reads facts and collects problems, so that all are named at once."""

    def __init__(self, prefer: Preference, density: float = 0.0) -> None:
        self.prefer = prefer
        self.density = density  # of the fuel [kg/m3], nought where it is not known
        self.problems: list[Problem] = []

    def fact(self, path: str, spec: Spec, raw: Any) -> tuple[Fact, Any] | None:
        """Fact and normal form of a raw entry; None when it is absent or a problem."""
        if raw is None or raw == "":
            return None
        if spec.kind in ("choice", "text"):
            return Fact(value=raw, text=str(raw), evidence="sheet"), raw
        try:
            if spec.kind == "table":
                return self._table(spec, raw)
            return self._quantity(spec, raw)
        except ReadingError as error:
            self.problems.append(Problem(path, spec.label.strip(), error.read, error.allowed, error.message))
            return None

    def _quantity(self, spec: Spec, raw: Any) -> tuple[Fact, Any]:
        entry: dict[str, Any] = (
            raw if isinstance(raw, dict) else {"text": f"{raw:g}" if isinstance(raw, float | int) else str(raw)}
        )
        reading = self._read(spec, entry)
        evidence = _evidence(entry)
        normal = _normal(entry, reading, evidence)
        claims, kept = [], []
        for claim in entry.get("claims") or ():
            found = self._read(spec, claim)
            known = _evidence(claim)
            claims.append(Claim(found.si, found.text, known, claim.get("source"), claim.get("date")))
            kept.append(_normal(claim, found, known))
        tolerance = entry.get("tolerance") or _span(reading, spec, self.prefer)
        if tolerance and spec.kind == "count":
            raise ReadingError("tolerance", "What is counted has no tolerance.", tolerance, "no tolerance")
        half = _half(tolerance, spec, reading.si, claims) if tolerance else None
        fact = Fact(
            value=reading.si,
            text=reading.text,
            evidence=evidence,
            unit=reading.unit,
            typed_value=reading.value,
            tolerance=tolerance,
            half=half,
            source=entry.get("source"),
            date=entry.get("date"),
            claims=tuple(claims),
        )
        extra = {"tolerance": tolerance} if tolerance else {}
        return fact, normal | extra | ({"claims": kept} if kept else {})

    def _read(self, spec: Spec, entry: Mapping[str, Any]) -> Reading:
        text = entry["text"].strip()
        default = entry.get("unit") if entry.get("value") is not None else None
        if default is None:
            _ask_share(text, spec)
            default = unit_for(spec.kind, self.prefer).id
        if spec.kind == "injector_flow" and (mass := _MASS_FLOW.match(text)):
            reading = self._by_mass(text, mass[1], mass[2])
        else:
            reading = read(text, spec.kind, default)
        if reading.count != 1 and spec.count_field == ADDED:
            reading = replace(reading, value=reading.value * reading.count, si=reading.si * reading.count, count=1)
        if reading.count != 1 and not spec.count_field:
            raise ReadingError("count", "A count makes no sense here.", text, "one quantity")
        if spec.kind == "count" and not float(reading.si).is_integer():
            raise ReadingError("whole", f"{spec.label.strip()} is counted in whole numbers.", text, "a whole number")
        check_range(spec, reading.si, text, self.prefer)
        return reading

    def _by_mass(self, text: str, number: str, unit: str) -> Reading:
        """An injector rated by weight: ``42 lb/hr``, with the fuel's density."""
        if not self.density:
            raise ReadingError(
                "density", "Say first what fuel it burns: a flow by weight wants its density.", text, "cc/min"
            )
        si = read(f"{number} {unit}", "mass_flow").si / self.density
        cc = UNITS["cc/min"]
        return Reading(text, si / cc.factor, cc.id, si)

    def _table(self, spec: Spec, raw: Any) -> tuple[Fact, Any]:
        if isinstance(raw, list):
            raw = {"text": "\n".join(", ".join(row) for row in raw)}
        entry = raw if isinstance(raw, dict) else {"text": str(raw)}
        rows, lines = read_table(spec, entry["text"], self.prefer)
        evidence = _evidence(entry)
        text = "\n".join(lines)
        return Fact(value=rows, text=text, evidence=evidence), {"text": text, "evidence": evidence}


_MASS_FLOW = re.compile(r"^\s*([\d.,]+)\s*(lbs?\s*/\s*hr?|pph|kg\s*/\s*h)\s*$", re.IGNORECASE)
_BARE = re.compile(r"^[\d.,]+$")
ASKED = ("share", "fill", "grade")  # kinds whose bare numbers are percent
ASKED_UNDER = 2.0


def _ask_share(text: str, spec: Spec) -> None:
    """Raise ReadingError for a bare number that may be a share or a percentage: 0.45."""
    if spec.kind not in ASKED or not _BARE.match(text):
        return
    value = parse_decimal(text)
    if 0.0 < value < ASKED_UNDER:
        low, high = f"{value:g} %", f"{100.0 * value:g} %"
        raise ReadingError("ask", f"{text}: {high} or {low}? Type it with its sign.", text, f"{high} or {low}")


def _span(reading: Reading, spec: Spec, prefer: Preference) -> str | None:
    """Tolerance of a range that was typed, ``75-80 mm``: half of it; None where none was."""
    if reading.half is None:
        return None
    return exact(reading.half, DIFFERENCES.get(spec.kind, spec.kind), prefer)


def _evidence(entry: Mapping[str, Any]) -> str:
    return evidence_of(entry.get("evidence"))


def _normal(entry: Mapping[str, Any], reading: Reading, evidence: str) -> dict[str, Any]:
    kept = {"text": reading.text, "value": reading.value, "unit": reading.unit, "evidence": evidence}
    return kept | {name: entry[name] for name in ("source", "date") if entry.get(name)}


BY_CLAIMS = "claims"


def _half(text: str, spec: Spec, value: float, claims: Sequence[Claim]) -> Half:
    """Half-range typed, or how far the claims lie from the one in use."""
    if text != BY_CLAIMS:
        return read_tolerance(text, spec)
    if not claims:
        raise ReadingError("tolerance", "There is no other claim to take the tolerance from.", text, "5 % or 3 mm")
    return Half(least=max(abs(claim.value - value) for claim in claims))


def check_range(spec: Spec, si: float, text: str, prefer: Preference) -> None:
    """Raise ReadingError when a value lies outside its field's range."""
    slack = 1e-9 * max(abs(spec.low), abs(spec.high), 1.0) if abs(spec.high) < 1e12 else 0.0
    if spec.low - slack <= si <= spec.high + slack:
        return
    low, high = show(spec.low, spec.kind, prefer), show(spec.high, spec.kind, prefer)
    raise ReadingError(
        "range",
        f"{show(si, spec.kind, prefer)} is outside {low} to {high}.",
        text,
        f"{low} to {high}",
    )


# A tolerance of these is typed as a difference: 3 K, not 3 degrees over freezing.
DIFFERENCES = {"temperature": "temperature_difference", "pressure_absolute": "pressure_difference"}


def read_tolerance(text: str, spec: Spec) -> Half:
    """Half-range at 95 % from what was typed: a share (``5 %``) or a quantity of the field's kind."""
    share = text.strip().endswith("%")
    try:
        value = read(text, "share", "%").si if share else read(text, DIFFERENCES.get(spec.kind, spec.kind)).si
    except ReadingError as error:
        raise ReadingError("tolerance", f"Tolerance: {error.message}", text, "5 % or 3 mm") from error
    if value < 0.0:
        raise ReadingError("tolerance", "A tolerance is nought or more.", text, "5 % or 3 mm")
    return Half(share=value) if share else Half(least=value)


def _shape(raw: Mapping[str, Any]) -> dict[str, Any]:
    try:
        model = BuildDocument.model_validate(raw)
    except ValidationError as error:
        problems: dict[str, Problem] = {}
        for item in error.errors(include_input=True, include_url=False):
            parts = _located(item["loc"], raw)
            path = ".".join(parts)
            allowed = item.get("ctx", {}).get("expected", "")
            given = item.get("input")
            shown = str(given)[:40] if isinstance(given, str | int | float) else type(given).__name__
            problems.setdefault(path, Problem(path, parts[-1] if parts else "", shown, str(allowed), item["msg"]))
        raise SheetError(list(problems.values())) from error
    shaped: dict[str, Any] = model.model_dump(mode="python", exclude_none=True, by_alias=True)
    if "\\u0000" in json.dumps(shaped):
        raise SheetError([_unkept(path) for path in _with_nul(shaped, "")])
    return shaped


def _located(loc: Sequence[Any], raw: Mapping[str, Any]) -> list[str]:
    """Where a problem of shape lies, as the paths of facts say it."""
    parts = [str(p) for p in loc if not _is_model_name(p)]
    if parts[:1] != ["parts"] or len(parts) < 2 or not parts[1].isdigit():
        return parts
    part = raw["parts"][int(parts[1])]
    named = part if isinstance(part, Mapping) else {}
    inner = parts[3:] if parts[2:3] and parts[2] in KINDS else parts[2:]
    place = PLACES.get(str(named.get("role")))
    if inner[:1] == ["facts"] and len(inner) > 1 and place is not None and not place.many:
        return [*place.path.split("."), *inner[1:]]
    return ["parts", str(named.get("id", parts[1]))[:40], *(inner[1:] if inner[:1] == ["facts"] else inner)]


def _unkept(path: str) -> Problem:
    message = "A character of code nought cannot be kept."
    return Problem(path[:100], path.rsplit(".", 1)[-1][:40], "", "text that can be printed", message)


def _with_nul(item: Any, path: str) -> Iterator[str]:
    """Paths of texts, and of names, that hold a character of code nought."""
    if isinstance(item, str):
        if "\x00" in item:
            yield path
    elif isinstance(item, Mapping):
        for key, value in item.items():
            if "\x00" in str(key):
                yield f"{path}.{key}".strip(".").replace("\x00", "")
            yield from _with_nul(value, f"{path}.{key}".strip("."))
    elif isinstance(item, Sequence):
        for index, value in enumerate(item):
            yield from _with_nul(value, f"{path}.{index}")


def _is_model_name(part: Any) -> bool:
    return isinstance(part, str) and (part[:1].isupper() or part in ("str", "float", "list[list[str]]", "nullable"))


def load(raw: Mapping[str, Any]) -> Sheet:
    """Read a document.

    Raises
    ------
    SheetError
        Names every field that could not be taken, what was read and what is allowed.
    """
    if not isinstance(raw, Mapping):
        raise SheetError([Problem("", "Sheet", type(raw).__name__, "an object", "A build sheet is a JSON object.")])
    shaped = _shape(named(upgrade(dict(raw))))
    prefer = Preference(**shaped["units"])
    reader = _Reader(prefer, _density(shaped))
    document: dict[str, Any] = {k: shaped[k] for k in ("format", "name", "notes", "units")}
    if shaped["scope"]:
        document["scope"] = shaped["scope"]
    if shaped["prices"]:
        document["prices"] = _prices(reader, shaped["prices"])
    wanted = reader.fact("wanted", WANTED, shaped.get("wanted"))
    if wanted:
        document["wanted"] = wanted[1]
    sections: dict[str, dict[str, Fact]] = {}
    for id, section in SECTIONS.items():
        sections[id], document[id] = _section(reader, id, section.specs, shaped[id])
    duties: list[tuple[str, Mapping[str, Fact]]] = []
    document["duties"] = []
    for entry in shaped["duties"]:
        key = entry.pop("id")
        if key in (d for d, _ in duties):
            reader.problems.append(
                Problem(f"duties.{key}", "Duty", key, "a name of its own", "Two duties have one id.")
            )
            continue
        facts, normal = _section(reader, f"duties.{key}", DUTY.specs, entry)
        duties.append((key, facts))
        document["duties"].append({"id": key} | normal)
    parts = _parts(reader, shaped["parts"], document)
    work, normal, wrong = read_work(shaped.get("work"))
    reader.problems += wrong
    if normal:
        document["work"] = normal
    start, begun, wrong = read_start(shaped.get("start"), prefer)
    reader.problems += wrong
    if begun:
        document["start"] = begun
    readings, told, wrong = read_readings(shaped.get("readings"), prefer)
    reader.problems += wrong
    if told:
        document["readings"] = told
    for part in parts:
        if part.place is not None:
            asked = part.place.role.names
            head = part.path.partition(".")[2]
            own = {f"{head}.{name}": fact for name, fact in part.facts.items() if name in asked}
            sections[part.place.section] |= own
    if reader.problems:
        raise SheetError(reader.problems)
    given = wanted[0] if wanted else None
    at_crank, given = _at_the_crank(sections, given)
    return Sheet(
        name=shaped["name"],
        prefer=prefer,
        wanted=given,
        sections=at_crank,
        duties=tuple(duties),
        document=document,
        parts=parts,
        scope=shaped["scope"],
        work=work,
        start=start,
        readings=readings,
    )


def _density(shaped: Mapping[str, Any]) -> float:
    """Of the fuel that is stated [kg/m3]; nought where none is."""
    fuel = shaped.get("engine", {}).get("fuel")
    return burning(fuel, None).density if fuel in FUELS else 0.0


WHEEL = "whp"


def _at_the_crank(
    sections: Mapping[str, Mapping[str, Fact]], wanted: Fact | None
) -> tuple[dict[str, Mapping[str, Fact]], Fact | None]:
    """Powers typed as wheel power, at the crank: over the share that the driven wheels get."""
    given = {name: fact.value for name, fact in sections["machine"].items()}
    ruled = SECTIONS["machine"].fill(given, {})
    drive = given.get("drive") or (ruled["drive"].value if "drive" in ruled else "rear")
    passed = DRIVES[drive][1]

    def crank(fact: Fact) -> Fact:
        return replace(fact, value=fact.value / passed) if fact.unit == WHEEL else fact

    engine = {name: crank(fact) for name, fact in sections["engine"].items()}
    return {**sections, "engine": engine}, None if wanted is None else crank(wanted)


def _parts(reader: _Reader, entries: Sequence[Mapping[str, Any]], document: dict[str, Any]) -> tuple[PartFacts, ...]:
    """Parts with their facts read; kept in the document but for those that say nothing."""
    found: list[PartFacts] = []
    kept: list[dict[str, Any]] = []
    for entry in entries:
        id, place, keep = entry["id"], PLACES.get(entry.get("role", "")), entry.get("keep") or {}
        part = PartFacts(id, entry["kind"], entry["name"], place, {}, keep)
        if id in (p.id for p in found):
            reader.problems.append(Problem(f"parts.{id}", "Part", id, "a name of its own", "Two parts have one id."))
            continue
        if place is not None and not place.many and place in (p.place for p in found):
            label = place.role.label
            message = "Two parts fill that place; it takes one: put the other on the yard."
            reader.problems.append(Problem(place.path, label, id, "one part", message))
            continue
        _kept(reader, f"parts.{id}.keep", keep)
        facts, normal = _section(
            reader, part.path, _asked(part.kind, "" if place is None else place.path), entry["facts"]
        )
        if not facts and not entry["name"] and not keep and place is not None and not place.many:
            continue
        found.append(replace(part, facts=facts))
        said = {key: entry[key] for key in ("role", "name") if entry.get(key)}
        kept.append({"id": id, "kind": part.kind} | said | {"facts": normal} | ({"keep": keep} if keep else {}))
    if kept:
        document["parts"] = kept
    return tuple(found)


@cache
def _asked(kind: str, place: str) -> Mapping[str, Spec]:
    """What may be stated of a part: all of its kind, as its place asks it."""
    own = dict(specs(KINDS[kind].facts))
    if place:
        role = PLACES[place].role
        own |= {name: role.own(name) for name in role.names}
    return own


KEPT: Mapping[str, tuple[str, Callable[[str], Any]]] = {
    "price": ("Price", money_of),
    "lead": ("Lead time", lead_of),
    "due": ("Due", date_of),
}


def _kept(reader: _Reader, path: str, keep: Mapping[str, str]) -> None:
    """What stands with a part can be read."""
    for name, (label, reading) in KEPT.items():
        try:
            if keep.get(name):
                reading(keep[name])
        except ReadingError as error:
            reader.problems.append(Problem(f"{path}.{name}", label, keep[name][:40], error.allowed, error.message))


def _prices(reader: _Reader, raw: Mapping[str, str]) -> dict[str, str]:
    """Prices as typed; each must hold a number, whatever the money is called."""
    kept = {}
    for id, text in raw.items():
        try:
            price_of(text)
            kept[id[:PRICE_ID_MAX]] = text.strip()[:PRICE_MAX]
        except ReadingError as error:
            reader.problems.append(Problem(f"prices.{id[:40]}", "Price", text[:40], error.allowed, error.message))
    return kept


PRICE_ID_MAX, PRICE_MAX = 60, 20


def price_of(text: str) -> float:
    """The likely number in a typed price: ``120``, ``120.50``, ``100-150``, with a money's sign or letters round it."""
    if len(text) > PRICE_MAX:
        raise ReadingError("price", f"“{text[:20]}” is not a price.", text[:20], "120 or 120.50")
    return money_of(text).likely


def _section(
    reader: _Reader, path: str, specs: Mapping[str, Spec], raw: Mapping[str, Any]
) -> tuple[dict[str, Fact], dict[str, Any]]:
    facts: dict[str, Fact] = {}
    normal: dict[str, Any] = {}
    given = [(name, specs[name]) for name in specs if raw.get(name) not in (None, "")]
    # A count typed with the quantity (2x 11 in) rules over one in its own field, so it comes last.
    for name, spec in sorted(given, key=lambda item: bool(item[1].count_field)):
        found = reader.fact(f"{path}.{name}", spec, raw[name])
        if found is None:
            continue
        facts[name], normal[name] = found
        if spec.count_field:
            _take_count(reader, facts, normal, specs, spec, found[0])
    return facts, normal


def _take_count(
    reader: _Reader,
    facts: dict[str, Fact],
    normal: dict[str, Any],
    specs: Mapping[str, Spec],
    spec: Spec,
    fact: Fact,
) -> None:
    """``2x 11 in`` also says how many; the count goes to its own field."""
    if spec.count_field == ADDED or _MASS_FLOW.match(fact.text):
        return
    reading = read(fact.text, spec.kind, fact.unit)
    if reading.count == 1:
        return
    counted = reader.fact(
        spec.count_field, specs[spec.count_field], {"text": str(reading.count), "evidence": fact.evidence}
    )
    if counted:
        facts[spec.count_field], normal[spec.count_field] = counted
