"""Sizing a sheet: document in, report out, no database."""

from __future__ import annotations

from collections.abc import Mapping
from functools import partial
from typing import Any

from gauge_well.core.engine.report import CurvesView, speed_sweep
from gauge_well.core.errors import CoreError, MissingFact
from gauge_well.core.evidence import RULE
from gauge_well.core.facts import Spec
from gauge_well.core.reads import ENGINE
from gauge_well.core.report import Block, Report, Row
from gauge_well.core.run import contexts, sizing
from gauge_well.core.run.blocks import GOVERNING
from gauge_well.core.run.memory import MEMORY, Same
from gauge_well.core.run.sampling import SAMPLES_LIVE, draw
from gauge_well.core.systems import SYSTEMS
from gauge_well.core.systems.base import Context, Options, View
from gauge_well.core.tolerance import half_of
from gauge_well.services import looked, measured, render
from gauge_well.services.changing import edits_of, offered
from gauge_well.services.errors import NotFound
from gauge_well.services.planning import prove
from gauge_well.sheet import Problem, Resolved, Sheet, SheetError, load, resolve
from gauge_well.sheet.reading import DIFFERENCES, WHEEL, Fact
from gauge_well.sheet.sections import spec_of
from gauge_well.units import show
from gauge_well.units.printing import Preference
from gauge_well.units.table import UNITS


def refused(error: CoreError, sheet: Sheet) -> SheetError:
    """A core refusal as a sheet problem, its value printed in the build's units."""
    spec = spec_of(error.field)
    shown = str(error.value)[:80]
    if spec is not None and isinstance(error.value, float | int) and spec.kind not in ("choice", "text", "table"):
        shown = show(float(error.value), spec.kind, sheet.prefer)
    label = spec.label.strip() if spec else error.field
    return SheetError([Problem(error.field, label, shown, error.limit, error.message)])


def check(raw: Mapping[str, Any] | Sheet) -> tuple[Sheet, Resolved]:
    """Read, resolve and validate a document, or a sheet that was read; SheetError names every problem."""
    sheet = raw if isinstance(raw, Sheet) else load(raw)
    resolved = resolve(sheet)
    try:
        contexts.validate(resolved.case)
    except CoreError as error:
        raise refused(error, sheet) from error
    prove(sheet, resolved.case)
    looked.prove(sheet, resolved.case)
    return sheet, resolved


USUAL = "usual for such a machine; nobody said it"


def report_of(sheet: Sheet, resolved: Resolved, explain: str = GOVERNING) -> dict[str, Any]:
    """Plain report of a checked sheet."""
    found = sizing.size(resolved.case, explain=explain, checked=True)
    report: dict[str, Any] = _plain(found, sheet.prefer)
    report["notices"] += _at_the_wheels(sheet)
    return report | {
        "measured": measured.told(sheet, resolved, found),
        "guesses": resolved.guesses,
        "stated": resolved.stated,
        "units": {"system": sheet.prefer.system, "power": sheet.prefer.power},
    }


def _plain(found: Report, prefer: Preference) -> dict[str, Any]:
    """A report as plain JSON; blocks and rows that were printed before are taken as they were."""

    def printed(item: Block | Row) -> Any:
        return MEMORY.recall(("plain", Same(item), prefer), partial(render.plain, item, prefer))

    apart = ("name", "systems", "rows", "verdict")
    rest = {key: value for key, value in vars(found).items() if key not in apart} | vars(found.verdict)
    plain: dict[str, Any] = render.plain(rest, prefer)
    return plain | {
        "build": {"name": found.name},
        "systems": {id: printed(block) for id, block in found.systems.items()},
        "rows": [printed(row) for row in found.rows],
        "notices": [],
    }


def _at_the_wheels(sheet: Sheet) -> list[dict[str, Any]]:
    """What a power typed as wheel power was taken for."""
    found = []
    powers = {f"engine.{name}": fact for name, fact in sheet.sections["engine"].items()} | {"wanted": sheet.wanted}
    for path, fact in powers.items():
        if fact is None or fact.unit != WHEEL or fact.typed_value is None:
            continue
        crank = show(float(fact.value), "power", sheet.prefer)
        share = fact.typed_value * UNITS[WHEEL].factor / float(fact.value)
        said = f"{fact.text} at the wheels is taken as {crank} at the crank: {show(share, 'share')} reaches them."
        found.append({"code": "wheel_power", "sentence": said, "field": path, "duty": "", "part": ""})
    return found


def size_document(raw: Mapping[str, Any], explain: str = GOVERNING) -> dict[str, Any]:
    """Report of a raw document."""
    sheet, resolved = check(raw)
    return report_of(sheet, resolved, explain)


def _shown(spec: Spec, value: Any, sheet: Sheet) -> tuple[str, float | None]:
    if spec.kind == "choice":
        return (spec.choices or {}).get(value, str(value)), None
    if spec.kind == "text":
        return str(value), None
    if spec.kind == "table":
        named = {value: word for word, value in (spec.words or {}).items()}
        rows = [
            [show(cell, kind, sheet.prefer) for cell, (_, kind) in zip(row, spec.columns, strict=True)] for row in value
        ]
        for row, cells in zip(value, rows, strict=True):
            cells[-1] = named.get(row[-1], cells[-1])
        return "; ".join(" · ".join(cells) for cells in rows), None
    number = float(value)
    return show(number, spec.kind, sheet.prefer), number


def _half(spec: Spec, resolved: Resolved, path: str, si: float | None, sheet: Sheet) -> str:
    """Half-range at 95 % that the fact is taken to have, as shown; empty where it is exact."""
    known = resolved.case.known.get(path)
    if known is None or si is None:
        return ""
    half = half_of(spec, known).of(si)
    if half <= 0.0:
        return ""
    kind = DIFFERENCES.get(spec.kind, spec.kind)
    return "± " + show(half, kind, sheet.prefer)


def facts_of(sheet: Sheet, resolved: Resolved) -> dict[str, dict[str, Any]]:
    """Every fact by path, given or ruled, as the page shows it."""
    given: dict[str, Fact] = {
        f"{id}.{name}": fact for id, facts in sheet.sections.items() for name, fact in facts.items()
    }
    given |= {f"duties.{key}.{name}": fact for key, facts in sheet.duties for name, fact in facts.items()}
    if sheet.wanted:
        given["wanted"] = sheet.wanted
    kinds = {f"{part.path}.{name}": part.kind for part in sheet.yard for name in part.facts}
    given |= {f"{part.path}.{name}": fact for part in sheet.yard for name, fact in part.facts.items()}
    found: dict[str, dict[str, Any]] = {}
    for path, fact in given.items():
        spec = spec_of(path, kinds.get(path, ""))
        if spec is None:
            continue
        shown, si = _shown(spec, fact.value, sheet)
        found[path] = {
            "path": path,
            "text": fact.text,
            "shown": shown,
            "si": si,
            "evidence": fact.evidence,
            "note": USUAL if fact.evidence == RULE else "",
            "unit": fact.unit,
            "tolerance": fact.tolerance,
            "source": fact.source or "",
            "date": fact.date or "",
            "half": _half(spec, resolved, path, si, sheet),
            "claims": [
                {
                    "text": claim.text,
                    "shown": show(claim.value, spec.kind, sheet.prefer),
                    "evidence": claim.evidence,
                    "source": claim.source or "",
                    "date": claim.date or "",
                }
                for claim in fact.claims
            ],
        }
    for path, rule in resolved.rules.items():
        spec = spec_of(path)
        if spec is None:
            continue
        shown, si = _shown(spec, rule.value, sheet)
        found[path] = {
            "path": path,
            # A choice that a rule made decides what else has a meaning, as a stated one does.
            "text": rule.value if spec.kind == "choice" else "",
            "shown": shown,
            "si": si,
            "evidence": RULE,
            "note": rule.note,
            "source": rule.source,
            "half": _half(spec, resolved, path, si, sheet),
        }
    return found


def _curves(context: Context, facts: Any, options: Options) -> CurvesView:
    case = context.duties.cases[-1]
    return speed_sweep(context.engine, context.wanted, case.ambient, case.pressure)


# Drawings by station and name.
VIEWS: Mapping[tuple[str, str], View] = {
    (ENGINE, "curves"): View(CurvesView, _curves),
    **{(id, name): view for id, system in SYSTEMS.items() for name, view in system.views.items()},
}


def view(raw: Mapping[str, Any], station: str, name: str, options: Options) -> dict[str, Any]:
    """A station's drawing: ``data``, or what is ``unknown`` for it, and ``edits`` that its facts come to; NotFound when there
    is none of that name."""
    if (station, name) not in VIEWS:
        raise NotFound("drawing")
    sheet, resolved = check(raw)
    facts, drawing = resolved.case.systems.get(station), VIEWS[station, name]
    foreign = SYSTEMS[station].applies(resolved.case.machine) if station in SYSTEMS else None
    if foreign is not None:
        kind = resolved.case.machine.kind or ""
        message = f"No drawing of that: {foreign}."
        raise refused(CoreError("not_judged", "machine.kind", kind, "a machine that has it", message), sheet)
    offer = drawing.offer(facts)
    edits = [] if offer is None else [offered(edit) for edit in edits_of(offer, sheet)]
    try:
        if drawing.drawn:
            drawn = draw(resolved.case, SAMPLES_LIVE)
            facts = drawn.case.systems[station]
            context, _ = contexts.make_context(drawn.case, doubts=drawn.doubts, memory=MEMORY, columns=1 + drawn.count)
        else:
            context, _ = contexts.make_context(resolved.case, memory=MEMORY)
        found = drawing.show(context, facts, options)
    except MissingFact as error:
        return {"data": None, "unknown": [error.field], "edits": edits}
    except CoreError as error:
        raise refused(error, sheet) from error
    return {"data": render.plain(found, sheet.prefer), "unknown": [], "edits": edits}
