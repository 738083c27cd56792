"""Parts that might be fitted, side by side on the same duties."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

import numpy as np

from gauge_well.core.errors import CoreError, MissingFact
from gauge_well.core.facts import Spec
from gauge_well.core.run.sizing import Outline, outline
from gauge_well.core.systems import SYSTEMS
from gauge_well.core.systems.base import Compare
from gauge_well.core.typing import duty_values
from gauge_well.services.errors import NotFound
from gauge_well.services.sizing import check
from gauge_well.sheet import Sheet, SheetError, load, resolve
from gauge_well.sheet.edit import Edit, apply_edit
from gauge_well.sheet.reading import PartFacts
from gauge_well.sheet.sections import PLACES, Place
from gauge_well.units import show

MOST = 5  # parts beside what is fitted


def place_named(path: str) -> Place:
    """A place whose parts are compared; NotFound where there is none of that name."""
    place = PLACES.get(path)
    compare = SYSTEMS[place.section].compare if place is not None and place.section in SYSTEMS else None
    if place is None or compare is None or place.name not in compare.places:
        raise NotFound("comparison")
    return place


def compared(raw: Mapping[str, Any], path: str) -> dict[str, Any]:
    """What fills a place and each part of the yard that could, run on the build; NotFound where such are not compared."""
    place = place_named(path)
    compare = SYSTEMS[place.section].compare
    assert compare is not None
    sheet, resolved = check(raw)
    fields = [_field(name, place) for name in place.role.names]
    head = {"title": f"{place.role.label} side by side", "place": path, "kind": place.role.kind.id}
    fitting = [part for part in sheet.yard if part.kind == place.role.kind.id]
    try:
        before = outline(resolved.case)
    except MissingFact as error:
        return head | {"fields": [], "figures": [], "columns": [], "more": 0, "missing": [error.field]}
    fitted = next((part for part in sheet.parts if part.place == place), None)
    columns = [_column(fitted, before, before, place, compare, sheet)]
    columns += [_tried(part, before, place, compare, sheet) for part in fitting[:MOST]]
    return head | {
        "fields": fields,
        "figures": [{"figure": f.figure, "label": f.label, "kind": f.kind, "more": f.more} for f in compare.figures],
        "columns": columns,
        "more": max(len(fitting) - MOST, 0),
        "missing": [],
    }


def _field(name: str, place: Place) -> dict[str, Any]:
    spec = place.role.own(name)
    return {"name": name, "label": spec.label.strip(), "kind": spec.kind, "choices": dict(spec.choices or {})}


def _facts(part: PartFacts | None, place: Place, sheet: Sheet) -> dict[str, dict[str, str]]:
    return {
        name: {"text": fact.text, "shown": _shown(place.role.own(name), fact.value, sheet)}
        for name, fact in (part.facts.items() if part is not None else ())
        if name in place.role.names
    }


def _shown(spec: Spec, value: Any, sheet: Sheet) -> str:
    if spec.kind == "table":
        return f"{len(value)} rows"
    if spec.kind == "choice":
        return (spec.choices or {}).get(value, str(value))
    return str(value) if spec.kind == "text" else show(float(value), spec.kind, sheet.prefer)


def _tried(part: PartFacts, before: Outline, place: Place, compare: Compare, sheet: Sheet) -> dict[str, Any]:
    try:
        after = outline(resolve(load(apply_edit(sheet.document, fitting(part, place)))).case)
    except SheetError as error:
        return _head(part, place, sheet) | {"why": error.problems[0].message}
    except CoreError as error:
        return _head(part, place, sheet) | {"why": error.message}
    return _column(part, before, after, place, compare, sheet)


def fitting(part: PartFacts, place: Place) -> Edit:
    """The edit that fits a part of the yard."""
    return Edit(place.path, part.id, action="fit")


def _head(part: PartFacts | None, place: Place, sheet: Sheet) -> dict[str, Any]:
    """A column of which nothing is worked."""
    return {
        "id": part.id if part is not None else "",
        "fitted": part is None or part.place == place,
        "name": part.name if part is not None else "",
        "price": part.keep.get("price") if part is not None else None,
        "source": part.keep.get("from", "") if part is not None else "",
        "why": "",
        "duty_id": "",
        "duty": "",
        "fill": None,
        "figures": {},
        "breaks": [],
        "beside": {},
        "facts": _facts(part, place, sheet),
    }


def _governing(found: Outline, system: str) -> str:
    """Duty of a system's fullest limit; empty where none is known."""
    driven = [r for r in found.rows if r.system == system and r.kind != "cost" and r.duty and r.fill is not None]
    worst = max(driven, key=lambda r: r.fill or 0.0, default=None)
    return "" if worst is None else worst.duty


def _column(
    part: PartFacts | None, before: Outline, after: Outline, place: Place, compare: Compare, sheet: Sheet
) -> dict[str, Any]:
    """One part: its governing duty's figures, its fullest limit, and what else on the build it breaks."""
    system = place.section
    rows = [r for r in after.rows if r.system == system and r.kind != "cost"]
    worst = max((r for r in rows if r.fill is not None), key=lambda r: r.fill or 0.0, default=None)
    own = _governing(after, system)
    # All at one duty: that which governs what is fitted, or the part itself where nothing is.
    governing = _governing(before, system) or own
    names = [c.id for c in after.context.duties.cases]
    index = names.index(governing) if governing else 0
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
    return _head(part, place, sheet) | {
        "why": f"{', '.join(missing)} missing" if missing else "",
        "duty_id": after.context.duties.cases[index].id,
        "duty": after.context.duties.cases[names.index(own)].name if own else "",
        "fill": worst.fill if worst else None,
        "figures": values,
        "breaks": list(dict.fromkeys(broken)),
        "beside": {
            b.label: show(b.value, b.kind, sheet.prefer) for key, b in after.beside.items() if key.startswith(system)
        },
    }
