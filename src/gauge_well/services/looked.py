"""What was read and seen at a first start, read by what was looked at; refused in words where it cannot be."""

from __future__ import annotations

from gauge_well.core.case import BuildCase
from gauge_well.core.start.faults.cause import Check
from gauge_well.core.start.faults.symptoms import GROUPS
from gauge_well.sheet import Problem, Sheet, SheetError
from gauge_well.sheet.start import LookSaid, usual_unit
from gauge_well.units import ReadingError, read
from gauge_well.units.printing import Preference


def value_of(path: str, label: str, text: str, kind: str, prefer: Preference) -> float | None:
    """A typed reading [SI]; None where nothing is typed. SheetError names the field."""
    if not text.strip():
        return None
    try:
        return read(text, kind, usual_unit(kind, prefer)).si
    except ReadingError as error:
        raise SheetError([Problem(path, label, error.read or text[:40], error.allowed, error.message)]) from error


def looked(sheet: Sheet, look: LookSaid, check: Check) -> float | str:
    """What a check came to: a number [SI], or one of its outcomes. SheetError names the field."""
    path = f"start.looks.{look.id}.value"
    if check.kind:
        value = value_of(path, check.label, look.text, check.kind, sheet.prefer)
        assert value is not None
        return value
    if look.text not in check.outcomes:
        allowed = ", ".join(check.outcomes)
        raise SheetError([Problem(path, check.label, look.text[:40], allowed, "It is none of what can be seen there.")])
    return look.text


def prove(sheet: Sheet, case: BuildCase) -> None:
    """Refuse what cannot be read when it is typed, not when it is looked at."""
    for group in {look.group for look in sheet.start.looks}:
        if group not in GROUPS:
            raise SheetError(
                [Problem(f"start.looks.{group}", "Check", group, ", ".join(GROUPS), "There is no such check.")]
            )
        by_id = {check.id: check for check in GROUPS[group].checks(case)}
        for look in sheet.start.looks:
            if look.group == group and look.check in by_id and look.text.strip():
                looked(sheet, look, by_id[look.check])
