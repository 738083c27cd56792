"""The order of work of a build: what now, what must go in first, when it ends, what it costs."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from datetime import date, timedelta
from typing import Any

from gauge_well.core.case import BuildCase
from gauge_well.core.sentence import inside
from gauge_well.core.work.board import Board, Late, Standing, When, board
from gauge_well.core.work.broken import Broken
from gauge_well.core.work.fasteners import drawn
from gauge_well.core.work.lists import KITS, lacks, wanted
from gauge_well.core.work.money import Budget, budget, compared
from gauge_well.core.work.plan import Plan
from gauge_well.core.work.span import Span
from gauge_well.core.work.task import STAGES
from gauge_well.core.work.trade import TRADE
from gauge_well.core.work.traits import CHOICES, Traits, by_rule, traits_of
from gauge_well.services.models_order import (
    ArcOut,
    BreakOut,
    BudgetOut,
    ChoiceOut,
    FastenerOut,
    KitOut,
    MoverOut,
    OrderOut,
    SpanOut,
    ThingOut,
    UsualOut,
    WantedOut,
    WayOut,
    WhenOut,
    WorkTaskOut,
)
from gauge_well.services.planning import plan_of
from gauge_well.services.sizing import check
from gauge_well.services.things import Thing, sign_of, things_of
from gauge_well.sheet import Sheet
from gauge_well.sheet.work import Fastener
from gauge_well.units import show

HOLDS = 0.2  # share of runs from which the end is said to wait for a thing


def order_of(raw: Mapping[str, Any], today: date) -> dict[str, Any]:
    """All that the page shows, as of a day."""
    sheet, resolved = check(raw)
    traits = traits_of(resolved.case, sheet.work.said.choices)
    plan = plan_of(sheet, traits)
    things = things_of(sheet, plan.network.by_id, today)
    start = max(today, sheet.work.start or today)
    awaited = [found for thing in things if (found := thing.awaited()) is not None]
    made = board(plan, sheet.work.said, awaited, start)
    money = budget([thing.cost() for thing in things if _counts(thing)], sheet.work.limit)
    out = OrderOut(
        today=start.isoformat(),
        headline=_headline(made),
        holds=_holding(made, start),
        ends=_ending(made),
        rests=_rests(sheet, made, things, traits),
        stages=dict(STAGES),
        tasks=[_task(plan, made, standing) for standing in made.standing],
        first=_when(made.first),
        end=_when(made.end),
        done=len(plan.done),
        left=len(plan.left),
        left_h=made.left,
        behind_h=made.behind,
        shut=made.shut,
        guessed=made.guessed,
        things=_things(things, made, start, traits, sheet.work.rate or 0.0),
        movers=_movers(made),
        against=[_break(b) for b in made.against],
        hoist_rented=traits.chose("hoist", "rented"),
        lift_days=made.lift_days,
        lift_held=made.lift_held,
        proved=made.proved,
        hands=sheet.work.said.hands,
        weekday_h=sheet.work.said.week.weekday,
        weekend_h=sheet.work.said.week.weekend,
        rate=sheet.work.rate or 0.0,
        budget=_budget(money, sheet.work.limit, sign_of(things)),
        choices=_choices(sheet, resolved.case, traits),
        wanted=wanted_of(traits, things),
        fasteners=[_fastener(f, sheet) for f in sheet.work.fasteners],
        kits=_kits(traits),
    )
    return out.model_dump()


def _counts(thing: Thing) -> bool:
    """Whether the budget counts it: what lies on the donor is paid with the donor, and what stands in the build unsaid is there."""
    return thing.price is not None or thing.state in ("wanted", "ordered", "make")


NUMBERS = ("nothing", "one thing", "two things", "three things", "four things", "five things", "six things")


def _counted(n: int) -> str:
    return NUMBERS[n] if n < len(NUMBERS) else f"{n} things"


def _headline(made: Board) -> str:
    ready = [s for s in made.standing if s.ready]
    alone = sum(s.alone for s in ready)
    if not any(not s.done for s in made.standing):
        return "All of it is done."
    if not ready:
        return "Nothing can be begun today."
    more = f" With two: {_counted(len(ready))}." if len(ready) > alone else ""
    return f"Today, alone: {_counted(alone)}.{more}"


def _holding(made: Board, start: date) -> str:
    """What the end waits for."""
    worst = max(made.late, key=lambda late: late.decides, default=None)
    if worst is None or worst.decides < HOLDS:
        return ""
    return f"The end waits for {inside(worst.thing.label)}: {_due(worst, start)}."


def _due(late: Late, start: date) -> str:
    thing = late.thing
    day = start + timedelta(days=round(thing.days.likely))
    if thing.late:
        days = "a day" if thing.late == 1 else f"{thing.late} days"
        return f"{days} late"
    if thing.dated:
        return f"due {_day(day)}"
    return f"there by {_day(day)}" + ("" if thing.ordered else " if ordered today")


def _day(day: date) -> str:
    return f"{day:%A} {day.day} {day:%B}"


def _ending(made: Board) -> str:
    when, what = (made.first, "First start") if made.first else (made.end, "The end")
    if when is None:
        return ""
    low = (
        f"{when.low.day}" if (when.low.year, when.low.month) == (when.high.year, when.high.month) else _short(when.low)
    )
    span = "" if when.low == when.high else f", between {low} and {_short(when.high)}"
    return f"{what} likely {_short(when.likely)}{span}."


def _short(day: date) -> str:
    return f"{day.day} {day:%B}"


def _rests(sheet: Sheet, made: Board, things: Sequence[Thing], traits: Traits) -> list[UsualOut]:
    """Values nobody stated that the dates rest on."""
    said, stated = sheet.work.said, sheet.work.stated
    found = []
    if made.guessed:
        n = sum(not s.done for s in made.standing)
        words = f"Hours of {made.guessed} of {n} tasks left are usual ones for who has done it before."
        found.append(UsualOut(path="work.tasks", sentence=words))
    if "weekday" not in stated:
        found.append(UsualOut(path="work.weekday", sentence=f"{said.week.weekday:g} h on a weekday: nobody said so."))
    if "weekend" not in stated:
        words = f"{said.week.weekend:g} h on a day of the weekend: nobody said so."
        found.append(UsualOut(path="work.weekend", sentence=words))
    if "hands" not in stated:
        found.append(
            UsualOut(path="work.hands", sentence="One person, a second fetched where two are wanted: nobody said so.")
        )
    undecided = sum(choice.when(traits) and name not in said.choices for name, choice in CHOICES.items())
    if undecided:
        words = f"{undecided} decision{'s' if undecided > 1 else ''} of the work stand{'' if undecided > 1 else 's'} as is usual."
        found.append(UsualOut(path="work.choices", sentence=words))
    left = {s.task.id for s in made.standing if not s.done}
    unsaid = sum(not thing.state and not left.isdisjoint(thing.tasks) for thing in things)
    if unsaid:
        words = f"{unsaid} part{'s' if unsaid > 1 else ''} of which nobody said how they stand are taken as there."
        found.append(UsualOut(path="parts", sentence=words))
    for thing in things:
        if thing.usual and thing.tasks:
            words = f"{thing.label}: nobody said when it comes; one to four weeks are taken."
            found.append(UsualOut(path=f"{thing.path}.lead", sentence=words))
    return found


def _span(span: Span) -> SpanOut:
    return SpanOut(low=span.low, likely=span.likely, high=span.high)


def _task(plan: Plan, made: Board, standing: Standing) -> WorkTaskOut:
    task, network = standing.task, plan.network
    said = plan.said.get(task.id)
    return WorkTaskOut(
        id=task.id,
        title=task.title,
        stage=task.stage,
        branch=task.branch,
        why=task.why,
        hours=_span(task.hours),
        hours_stated=plan.stated(task.id),
        hands=task.hands,
        lift=task.lift,
        lag_h=task.lag,
        lag_why=task.lag_why,
        hold=task.hold,
        tools=list(task.tools),
        materials=list(task.materials),
        covers=task.covers,
        caution=task.caution,
        after=[
            ArcOut(id=arc.before, title=network.by_id[arc.before].title, why=arc.why, done=arc.before in plan.done)
            for arc in task.after
        ],
        opens=list(network.following[task.id]),
        own=task.id not in TRADE,
        state="done" if standing.done else "ready" if standing.ready else "held",
        done=said.done.isoformat() if said and said.done else "",
        signed=said.signed if said else "",
        note=said.note if said else "",
        held_tasks=list(standing.held.tasks),
        held_things=list(standing.held.things),
        begin_h=standing.begin,
        end_h=standing.end,
        dry_h=standing.dry,
        day=standing.likely_by.isoformat() if standing.likely_by else "",
        decides=standing.decides,
        free_decides=standing.free_decides,
        slack_h=standing.slack,
        breaks=[_break(b) for b in standing.breaks],
    )


def _break(broken: Broken) -> BreakOut:
    return BreakOut(
        task=broken.task.id,
        missing=broken.missing.id,
        title=broken.missing.title,
        why=broken.why,
        undo_h=broken.undo,
        lost=broken.missing.lost or broken.task.lost,
        redone=[task.title for task in broken.redone],
        minutes=60.0 * broken.missing.hours.likely,
    )


def _when(when: When | None) -> WhenOut | None:
    if when is None:
        return None
    low, likely, high = when.hours
    return WhenOut(
        low=when.low.isoformat(),
        likely=when.likely.isoformat(),
        high=when.high.isoformat(),
        low_h=low,
        likely_h=likely,
        high_h=high,
        edges=list(when.bins),
        shares=list(when.shares),
    )


def _things(things: Sequence[Thing], made: Board, start: date, traits: Traits, rate: float) -> list[ThingOut]:
    late = {item.thing.id: item for item in made.late}
    found = []
    for thing in things:
        own = late.get(thing.id)
        arrives = "" if thing.days is None else (start + timedelta(days=round(thing.days.likely))).isoformat()
        found.append(
            ThingOut(
                id=thing.id,
                path=thing.path,
                label=thing.label,
                kind=thing.kind,
                system=thing.system,
                place=thing.place,
                fitted=thing.fitted,
                row=thing.row,
                state=thing.state,
                source=thing.source,
                price=thing.price_text,
                lead=thing.lead_text,
                due=thing.due.isoformat() if thing.due else "",
                note=thing.note,
                tasks=list(thing.tasks),
                awaited=thing.days is not None,
                usual=thing.usual,
                arrives=arrives,
                late_days=thing.late,
                decides=own.decides if own else 0.0,
                spare_days=own.spare if own else None,
                week_days=own.week if own else 0.0,
                kit=thing.buy.kit if thing.buy else "",
                holds=sorted(thing.buy.holds) if thing.buy else [],
                lacks=lacks(thing.buy.kit, thing.buy.holds, traits) if thing.buy and thing.buy.kit else [],
                ways=_ways(thing, rate),
            )
        )
    return found


def _movers(made: Board) -> list[MoverOut]:
    when = made.first or made.end
    if when is None:
        return []
    return [
        MoverOut(
            kind=m.kind,
            id=m.id,
            label=m.label,
            sooner=m.sooner,
            day=(when.likely - timedelta(days=m.sooner)).isoformat(),
        )
        for m in made.movers
    ]


def _budget(money: Budget, limit: float | None, sign: str) -> BudgetOut:
    return BudgetOut(
        paid=money.paid,
        ordered=money.ordered,
        open=money.open,
        likely_sum=money.likely_sum,
        mean=money.mean,
        low=money.low,
        high=money.high,
        limit=limit,
        over=money.over,
        unpriced=list(money.unpriced),
        sign=sign,
        sentence=_spent(money, limit, sign),
    )


def _spent(money: Budget, limit: float | None, sign: str) -> str:
    if not money.likely_sum:
        return "Nothing has a price yet."
    band = f"{sign}{money.low:,.0f} to {sign}{money.high:,.0f}"
    missing = f" {len(money.unpriced)} without a price are not in it." if money.unpriced else ""
    if limit is None or money.over is None:
        return f"{band} in all, with what no list names.{missing}"
    if money.over < 0.005:
        return f"{band} in all: within the limit of {sign}{limit:,.0f}.{missing}"
    return f"{band} in all: over {sign}{limit:,.0f} in {100.0 * money.over:.0f} of 100 cases.{missing}"


def _choices(sheet: Sheet, case: BuildCase, traits: Traits) -> list[ChoiceOut]:
    said, rules = sheet.work.said.choices, by_rule(case)
    return [
        ChoiceOut(
            name=name,
            label=choice.label,
            value=traits.choices[name],
            stated=name in said,
            note="" if name in said else rules[name].note,
            sides=dict(choice.sides),
        )
        for name, choice in CHOICES.items()
        if choice.when(traits)
    ]


def _ways(thing: Thing, rate: float) -> list[WayOut]:
    found = compared(thing.buy.ways, rate) if thing.buy else []
    band = max((way.high - way.mean for way in found), default=0.0)
    return [
        WayOut(
            id=way.way.id,
            label=way.way.label,
            mean=way.mean,
            high=way.high,
            hours=way.hours,
            days=way.days,
            cheapest=n == 0 and len(found) > 1,
            wide=len(found) > 1 and band > 0.0 and way.high - way.mean >= band,
        )
        for n, way in enumerate(found)
    ]


def wanted_of(traits: Traits, things: Sequence[Thing]) -> list[WantedOut]:
    """What is easily forgotten, each with the thing on the list that it is: put there from here, or called alike."""
    listed = {thing.buy.id: thing for thing in things if thing.buy} | {thing.label.lower(): thing for thing in things}
    found = []
    for item in wanted(traits):
        thing = listed.get(item.id) or listed.get(item.label.lower())
        found.append(
            WantedOut(
                id=item.id,
                label=item.label,
                group=item.group,
                task=item.task,
                why=item.why,
                listed=thing.id if thing else "",
                priced=thing is not None and thing.price is not None,
            )
        )
    return found


def _kits(traits: Traits) -> dict[str, KitOut]:
    return {
        id: KitOut(label=label, holds={h.id: h.label for h in needs if h.when(traits)})
        for id, (label, needs) in KITS.items()
    }


def _fastener(fastener: Fastener, sheet: Sheet) -> FastenerOut:
    thread = fastener.thread.lower().replace(" ", "")
    found = drawn(thread, fastener.grade, fastener.torque)
    usual = (
        f"{show(found.dry, 'torque', sheet.prefer)} dry, {show(found.oiled, 'torque', sheet.prefer)} oiled"
        if found
        else ""
    )
    return FastenerOut(
        id=fastener.id,
        title=fastener.title,
        count=fastener.count,
        thread=fastener.thread,
        length=fastener.length,
        grade=fastener.grade,
        torque=fastener.torque_text,
        usual=usual,
        wrong=found.wrong if found else "",
        sealant=fastener.sealant,
        gauged=fastener.gauged,
        state=fastener.state,
        task=fastener.task,
    )
