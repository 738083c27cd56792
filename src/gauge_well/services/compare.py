"""Parts that might be fitted, side by side on the same duties."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

import numpy as np

from gauge_well.core.errors import CoreError, MissingFact
from gauge_well.core.run.sizing import Outline, outline
from gauge_well.core.systems import SYSTEMS
from gauge_well.core.systems.base import Compare
from gauge_well.core.typing import duty_values
from gauge_well.services.errors import NotFound
from gauge_well.services.sizing import check
from gauge_well.sheet import Sheet, SheetError, load, resolve
from gauge_well.sheet.edit import Edit, apply_edit
from gauge_well.sheet.reading import CandidateFacts
from gauge_well.sheet.sections import SECTIONS
from gauge_well.units import show


def compared(raw: Mapping[str, Any], system: str) -> dict[str, Any]:
    """What is fitted and each candidate, run on the build; NotFound where parts of that system are not compared."""
    compare = SYSTEMS[system].compare if system in SYSTEMS else None
    if compare is None:
        raise NotFound("comparison")
    sheet, resolved = check(raw)
    try:
        before = outline(resolved.case)
    except MissingFact as error:
        return {"title": compare.title, "fields": [], "figures": [], "columns": [], "missing": [error.field]}
    columns = [_column("", "as fitted", None, before, before, system, compare, sheet)]
    for candidate in sheet.candidates.get(system, ()):
        columns.append(_tried(candidate, before, system, compare, sheet))
    specs = SECTIONS[system].specs
    for column, facts in zip(
        columns, [sheet.sections[system], *(c.facts for c in sheet.candidates.get(system, ()))], strict=True
    ):
        column["facts"] = {
            name: {"text": facts[name].text, "shown": _shown(name, facts[name].value, system, sheet)}
            for name in compare.fields
            if name in facts
        }
    return {
        "title": compare.title,
        "fields": [
            {"name": n, "label": specs[n].label.strip(), "kind": specs[n].kind, "choices": dict(specs[n].choices or {})}
            for n in compare.fields
        ],
        "figures": [{"figure": f.figure, "label": f.label, "kind": f.kind, "more": f.more} for f in compare.figures],
        "columns": columns,
        "missing": [],
    }


def _shown(name: str, value: Any, system: str, sheet: Sheet) -> str:
    spec = SECTIONS[system].specs[name]
    if spec.kind == "table":
        return f"{len(value)} rows"
    if spec.kind == "choice":
        return (spec.choices or {}).get(value, str(value))
    return str(value) if spec.kind == "text" else show(float(value), spec.kind, sheet.prefer)


def fit_edits(candidate: CandidateFacts, system: str, sheet: Sheet) -> tuple[Edit, ...]:
    """What fitting a candidate sets, as edits of the sheet; what was the fitted part's own goes with it."""
    compare, given = SYSTEMS[system].compare, sheet.sections[system]
    replaces = compare.replaces if compare is not None else {}
    gone = dict.fromkeys(other for name in candidate.facts for other in replaces.get(name, ()))
    cleared = [Edit(f"{system}.{name}", None) for name in gone if name in given and name not in candidate.facts]
    specs = SECTIONS[system].specs
    stated = [
        Edit(f"{system}.{name}", fact.text, fact.evidence if specs[name].kind not in ("choice", "text") else None)
        for name, fact in candidate.facts.items()
    ]
    return (*cleared, *stated)


def _tried(candidate: CandidateFacts, before: Outline, system: str, compare: Compare, sheet: Sheet) -> dict[str, Any]:
    edits = fit_edits(candidate, system, sheet)
    document = sheet.document
    for edit in edits:
        document = apply_edit(document, edit)
    try:
        after = outline(resolve(load(document)).case)
    except SheetError as error:
        return _cannot(candidate, error.problems[0].message)
    except CoreError as error:
        return _cannot(candidate, error.message)
    column = _column(candidate.id, candidate.name, candidate.price, before, after, system, compare, sheet)
    return column | {"edits": [{"path": e.path, "text": e.text, "evidence": e.evidence} for e in edits]}


def _cannot(candidate: CandidateFacts, why: str) -> dict[str, Any]:
    return {
        "id": candidate.id,
        "name": candidate.name,
        "price": candidate.price,
        "why": why,
        "duty_id": "",
        "duty": "",
        "fill": None,
        "figures": {},
        "breaks": [],
        "beside": {},
        "edits": [],
    }


def _column(
    id: str, name: str, price: str | None, before: Outline, after: Outline, system: str, compare: Compare, sheet: Sheet
) -> dict[str, Any]:
    """One part: its governing duty's figures, its fullest limit, and what else on the build it breaks."""
    rows = [r for r in after.rows if r.system == system and r.kind != "cost"]
    worst = max((r for r in rows if r.fill is not None), key=lambda r: r.fill or 0.0, default=None)
    driven = [r for r in rows if r.duty and r.fill is not None]
    governing = max(driven, key=lambda r: r.fill or 0.0, default=None)
    names = [c.id for c in after.context.duties.cases]
    index = names.index(governing.duty) if governing else 0
    solved = after.solved.get(system)
    figures = solved.figures if solved is not None else {}
    values: dict[str, float | None] = {}
    for item in compare.figures:
        found = figures.get(item.figure)
        number = None if found is None else duty_values(found, len(names))[index]
        values[item.figure] = number if number is not None and np.isfinite(number) else None
    over = [(key, c) for key, c in after.checks.items() if c.short]
    broken = [c.name for key, c in over if key not in before.checks or before.checks[key].fill <= 1.0]
    missing = [field for u in (solved.result.unknown if solved is not None else ()) for field in u.missing]
    return {
        "id": id,
        "name": name,
        "price": price,
        "why": f"{', '.join(missing)} missing" if missing else "",
        "duty_id": after.context.duties.cases[index].id,
        "duty": after.context.duties.cases[index].name,
        "fill": worst.fill if worst else None,
        "figures": values,
        "breaks": list(dict.fromkeys(broken)),
        "beside": {
            b.label: show(b.value, b.kind, sheet.prefer) for key, b in after.beside.items() if key.startswith(system)
        },
        "edits": [],
    }
