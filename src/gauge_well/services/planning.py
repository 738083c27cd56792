"""The network of a build's work, refused in words where what is said of it does not stand."""

from __future__ import annotations

from gauge_well.core.case import BuildCase
from gauge_well.core.errors import CoreError
from gauge_well.core.work.plan import Plan, planned
from gauge_well.core.work.trade import TRADE
from gauge_well.core.work.traits import Traits, traits_of
from gauge_well.sheet import Problem, Sheet, SheetError


def plan_of(sheet: Sheet, traits: Traits) -> Plan:
    """The network of a build; SheetError where what is said of it does not stand."""
    try:
        return planned(traits, sheet.work.said)
    except CoreError as error:
        raise SheetError(
            [Problem(error.field, "Order of work", str(error.value)[:80], error.limit, str(error))]
        ) from error


def prove(sheet: Sheet, case: BuildCase) -> None:
    """Refuse a network that does not stand when it is made, not when it is looked at: by tasks or arcs of one's own alone,
    for the trade's stand."""
    if any(said.after or id not in TRADE for id, said in sheet.work.said.tasks.items()):
        plan_of(sheet, traits_of(case, sheet.work.said.choices))
