"""The network of a build's work, refused in words where what is said of it does not stand."""

from __future__ import annotations

from gauge_well.core.case import BuildCase
from gauge_well.core.errors import CoreError
from gauge_well.core.work.plan import Plan, planned
from gauge_well.core.work.traits import traits_of
from gauge_well.sheet import Problem, Sheet, SheetError


def plan_of(sheet: Sheet, case: BuildCase) -> Plan:
    """The network of a build; SheetError where what is said of it does not stand."""
    try:
        return planned(traits_of(case, sheet.work.said.choices), sheet.work.said)
    except CoreError as error:
        raise SheetError(
            [Problem(error.field, "Order of work", str(error.value)[:80], error.limit, str(error))]
        ) from error
