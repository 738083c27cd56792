"""Changes as edits of a sheet: what the core proposes, and parts of the yard put in the place of what is fitted."""

from __future__ import annotations

from typing import Any

from gauge_well.core.case import BuildCase
from gauge_well.core.facts import Spec
from gauge_well.core.run.scope import judging
from gauge_well.core.run.sizing import Outline, outline
from gauge_well.core.sentence import Sentence
from gauge_well.core.systems.base import Candidate, Offer
from gauge_well.sheet import Sheet, load, resolve
from gauge_well.sheet.edit import Edit, apply_edit
from gauge_well.sheet.reading import PartFacts
from gauge_well.sheet.sections import PLACES, spec_of
from gauge_well.units.printing import exact

SWAPS = 5  # parts of the yard that are tried in one place


def _rows_text(rows: tuple[tuple[float, ...], ...], spec: Spec, sheet: Sheet) -> str:
    words = {value: word for word, value in (spec.words or {}).items()}
    lines = []
    for row in rows:
        cells = [exact(cell, kind, sheet.prefer) for cell, (_, kind) in zip(row, spec.columns, strict=True)]
        if row[-1] in words:
            cells[-1] = words[row[-1]]
        lines.append(", ".join(cells))
    return "\n".join(lines)


def edits_of(candidate: Candidate | Offer, sheet: Sheet) -> tuple[Edit, ...]:
    """A change as edits of the sheet, typed so that they read back as the very values meant.

    What a change sets is known as a maker's figure is; what is offered, as the offer says.
    """
    known = candidate.evidence if isinstance(candidate, Offer) else "sheet"
    edits = []
    for path, value in candidate.changes.items():
        if path in PLACES:
            edits.append(Edit(path, str(value), action="fit"))
            continue
        spec = spec_of(path)
        if spec is None:
            raise KeyError(path)
        if value is None:
            text = None
        elif isinstance(value, tuple):
            text = _rows_text(value, spec, sheet)
        else:
            text = value if isinstance(value, str) else exact(value, spec.kind, sheet.prefer)
        edits.append(Edit(path, text, None if text is None or spec.kind == "choice" else known))
    return tuple(edits)


def changed(sheet: Sheet, edits: tuple[Edit, ...]) -> Outline:
    """The build run again with edits made; SheetError or CoreError where it cannot be."""
    return outline(changed_case(sheet, edits))


def changed_case(sheet: Sheet, edits: tuple[Edit, ...]) -> BuildCase:
    """The case of a sheet with edits made, rules filled anew."""
    document = sheet.document
    for edit in edits:
        document = apply_edit(document, edit)
    return resolve(load(document)).case


def offered(edit: Edit) -> dict[str, Any]:
    """An edit as it is offered to a page."""
    return {"path": edit.path, "text": edit.text, "evidence": edit.evidence, "action": edit.action}


def swaps(sheet: Sheet, case: BuildCase) -> list[tuple[str, Candidate]]:
    """Parts of the yard, each put into every place of its kind in the systems that are judged."""
    found = []
    judged = {system.id for system in judging(case)}
    for place in PLACES.values():
        if place.many or place.section not in judged:
            continue
        fitting = [part for part in sheet.yard if part.kind == place.role.kind.id and part.facts][:SWAPS]
        for part in fitting:
            words = Sentence(f"{place.role.label}: {_name(part)} from the yard")
            change = Candidate(f"fit_{place.name}_{part.id}", place.role.row, words, {place.path: part.id})
            found.append((place.section, change))
    return found


def _name(part: PartFacts) -> str:
    return part.name or part.id.replace("_", " ")


def kept_price(candidate: Candidate, sheet: Sheet) -> str | None:
    """What the part of the yard that a change fits would cost, where that is kept with it."""
    fitted = {value for path, value in candidate.changes.items() if path in PLACES}
    return next((part.keep.get("price") for part in sheet.yard if part.id in fitted), None)
