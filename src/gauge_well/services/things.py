"""Everything on the list of a build: parts and what else is bought, how each stands, what waits for it, what it costs."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from datetime import date

from gauge_well.core.parts import KINDS
from gauge_well.core.work.money import OPEN, ORDERED, PAID, Cost
from gauge_well.core.work.said import Awaited
from gauge_well.core.work.span import Span, certain
from gauge_well.core.work.task import Task
from gauge_well.core.work.trade import task_for
from gauge_well.sheet import Sheet
from gauge_well.sheet.reading import PartFacts
from gauge_well.sheet.spans import lead_of, money_of
from gauge_well.sheet.work import Buy
from gauge_well.sheet.work_document import BUY_KINDS

# What is neither there nor dated: days until it is (common practice), and those of what is past its day.
USUAL_LEAD = Span(4.0, 12.0, 28.0)
OVERDUE = Span(1.0, 4.0, 14.0)
FOLLOWED = 2000  # days: what is due later is told as then
AWAITED = ("wanted", "ordered", "make")
UNDER_WAY = ("ordered", "make")


@dataclass(frozen=True, kw_only=True)
class Thing:
    """One of them; ``days``: until it is there, none where it is or nobody said that it is not."""

    id: str
    path: str
    label: str
    kind: str
    place: str
    row: str
    fitted: bool
    state: str
    source: str
    price_text: str
    price: Span | None
    lead_text: str
    due: date | None
    note: str
    tasks: tuple[str, ...]
    days: Span | None
    usual: bool
    late: int
    buy: Buy | None = None

    @property
    def system(self) -> str:
        """The system it belongs to; empty where it is of none."""
        return self.place.partition(".")[0]

    def awaited(self) -> Awaited | None:
        """As the schedule takes it."""
        if self.days is None or not self.tasks:
            return None
        return Awaited(
            id=self.id,
            label=self.label,
            tasks=self.tasks,
            days=self.days,
            dated=self.due is not None,
            ordered=self.state in UNDER_WAY,
            late=self.late,
        )

    def cost(self) -> Cost:
        """As the budget takes it."""
        state = {"have": PAID, "ordered": ORDERED}.get(self.state, OPEN)
        return Cost(self.id, self.price, state)


def things_of(sheet: Sheet, have: Mapping[str, Task], today: date) -> list[Thing]:
    """Parts in their order, those that fill a place first, then what else is bought."""
    fitted = [part for part in sheet.parts if part.place is not None]
    yard = [part for part in sheet.parts if part.place is None and part.keep.get("state") not in (None, "donor")]
    found = [_part(part, have, today) for part in (*fitted, *yard)]
    return found + [_bought(buy, have, today) for buy in sheet.work.buys]


def _part(part: PartFacts, have: Mapping[str, Task], today: date) -> Thing:
    keep, place = part.keep, part.place
    lead = lead_of(keep["lead"]) if keep.get("lead") else None
    due = date.fromisoformat(keep["due"]) if keep.get("due") else None
    task = task_for(place.path, have) if place is not None else None
    days, usual, late = _until(keep.get("state", ""), lead, due, today)
    return Thing(
        id=f"part_{part.id}",
        path=f"parts.{part.id}.keep",
        label=part.name or (place.role.label if place is not None else KINDS[part.kind].label),
        kind=KINDS[part.kind].label,
        place="" if place is None else place.path,
        row="" if place is None else place.role.row,
        fitted=place is not None,
        state=keep.get("state", ""),
        source=keep.get("from", ""),
        price_text=keep.get("price", ""),
        price=money_of(keep["price"]) if keep.get("price") else None,
        lead_text=keep.get("lead", ""),
        due=due,
        note=keep.get("note", ""),
        tasks=(task,) if task else (),
        days=days,
        usual=usual,
        late=late,
    )


def _bought(buy: Buy, have: Mapping[str, Task], today: date) -> Thing:
    days, usual, late = _until(buy.state, buy.lead, buy.due, today)
    return Thing(
        id=f"buy_{buy.id}",
        path=f"work.buys.{buy.id}",
        label=buy.title,
        kind=BUY_KINDS[buy.kind],
        place="",
        row="",
        fitted=False,
        state=buy.state,
        source=buy.source,
        price_text=buy.price_text,
        price=buy.price,
        lead_text=buy.lead_text,
        due=buy.due,
        note=buy.note,
        tasks=(buy.task,) if buy.task in have else (),
        days=days,
        usual=usual,
        late=late,
        buy=buy,
    )


def _until(state: str, lead: Span | None, due: date | None, today: date) -> tuple[Span | None, bool, int]:
    """Days until it is there, whether that is a usual time, and days it is late."""
    if state not in AWAITED:
        return None, False, 0
    if due is not None:
        ahead = min((due - today).days, FOLLOWED)
        return (certain(float(ahead)), False, 0) if ahead >= 0 else (OVERDUE, False, -ahead)
    return (lead, False, 0) if lead is not None else (USUAL_LEAD, True, 0)


def sign_of(things: Iterable[Thing]) -> str:
    """The money's sign, where prices are typed with one before them."""
    for thing in things:
        head = thing.price_text.strip()[:1]
        if head and not head.isalnum() and head not in ".,-":
            return head
    return ""
