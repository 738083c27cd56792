"""Parts of a report: each system's block, its checks, its rows."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

import numpy as np

from gauge_well.core.checks import Check, CheckClass, Scales, State, worst_of
from gauge_well.core.engine import plausibility
from gauge_well.core.engine import report as engine_report
from gauge_well.core.errors import CoreError
from gauge_well.core.names import named
from gauge_well.core.reads import ENGINE
from gauge_well.core.report import (
    Block,
    CheckEntry,
    Figure,
    Governing,
    NeedEntry,
    OptionEntry,
    Rests,
    Row,
    ShopEntry,
    UnknownEntry,
)
from gauge_well.core.run.assumptions import UNTRIED, Assumptions, Rest
from gauge_well.core.run.claims import contradicted
from gauge_well.core.run.reach import Reach
from gauge_well.core.run.solved import Solved
from gauge_well.core.sentence import Sentence
from gauge_well.core.systems.base import Context, Need, RowName, System
from gauge_well.core.typing import as_array, duty_values, likely
from gauge_well.core.validity import Notice, looked

GOVERNING = "governing"


def engine_block(context: Context, explain: str, rests: Assumptions, claimed: Mapping[str, float]) -> Block:
    """The engine's part of the report."""
    duties = context.duties
    check = engine_report.enough(duties)
    checks = entries_of([check], context, ENGINE, rests) if check is not None else []
    worst = max(checks, key=lambda c: c.fill, default=None)
    count = len(duties.cases)
    figures = {k: duty_values(v, count) for k, v in engine_report.figures(context.mean).items()}
    notes = plausibility.notices(context.engine, claimed)
    if bool(np.any(context.mean.clipped)):
        notes.append(
            Notice(
                "heat_clipped",
                Sentence(
                    "Heat to coolant and oil was held back by the energy balance in some duties: check the shares."
                ),
            )
        )
    notes += engine_report.thin_air(context.engine, duties)
    notes += looked(engine_report.looks(context.engine, context.mean), duties.named)
    return Block(
        title="Engine",
        state=worst_of({State(c.state) for c in checks}).value,
        fill=worst.fill if worst else None,
        reach_w=None,
        reach_code="none",
        unknown=[],
        governing=Governing("enough", worst.duty) if worst else None,
        checks=checks,
        figures=_by_duty(figures, context),
        need=[],
        working={
            duties.cases[i].id: engine_report.steps(
                context.engine, context.mean, i, duties.cases[i], duties.vehicle, context.wanted
            )
            for i in _explained(context, explain, worst.duty if worst else duties.cases[-1].id)
        },
        cautions=[],
        decides=rests.decides,
        notices=notes,
        machine=engine_report.machine_figures(context.engine, duties, context.wanted, claimed, context.machine),
    )


def _explained(context: Context, explain: str, governing: str) -> list[int]:
    wanted = governing or context.duties.cases[-1].id if explain == GOVERNING else explain
    return [i for i, c in enumerate(context.duties.cases) if explain == "all" or c.id == wanted]


def _by_duty(figures: Mapping[str, Sequence[float]], context: Context) -> dict[str, dict[str, float]]:
    return {
        case.id: {name: values[i] for name, values in figures.items()} for i, case in enumerate(context.duties.cases)
    }


def _scales(check: Check, power_driven: bool) -> Scales:
    if check.scales is not None:
        return check.scales
    return Scales.POWER if power_driven else Scales.LOAD


def entries_of(
    checks: Sequence[Check], context: Context, system: str, rests: Assumptions = UNTRIED, said: bool = True
) -> list[CheckEntry]:
    """One entry a check and duty; a gate has one entry without a duty. Sentences are made where they are ``said``."""
    names = dict(context.duties.named)
    found = []
    count = len(context.duties.cases)
    for check in checks:
        gate = check.scales is Scales.GATE
        columns = 1 if gate else count
        sentences = check.sentences() if said else ()
        demand, capacity, fill = (duty_values(as_array(v), columns) for v in (check.demand, check.capacity, check.fill))
        for i in range(columns):
            if check.judged is not None and not check.judged[i]:
                continue
            case = context.duties.cases[i]
            key = (system, check.id, "" if gate else case.id)
            limit, over = check.check_class is CheckClass.LIMIT, fill[i] > 1.0
            found.append(
                CheckEntry(
                    id=check.id,
                    name=check.name,
                    part=check.part,
                    duty=key[2],
                    class_=check.check_class.value,
                    scales=_scales(check, case.power_driven).value,
                    demand=demand[i],
                    capacity=capacity[i],
                    unit=check.kind,
                    fill=fill[i],
                    fill_code=check.code if capacity[i] <= 0.0 else "",
                    state=(State.HOLDS if not over else State.ASSUMED if key in rests.saves else State.SHORT).value,
                    rests_on=_rests(rests.of(key), names) if limit else None,
                    danger=check.danger,
                    sentence=sentences[i] if i < len(sentences) else Sentence(""),
                )
            )
    return found


def _rests(rest: Rest | None, names: Mapping[str, str]) -> Rests | None:
    """A value nobody stated, as the report has it."""
    if rest is None:
        return None
    return Rests(rest.taken.path, rest.taken.said(names), rest.fill, rest.low, rest.high)


def block_of(solved: Solved, rests: Assumptions, explain: str = GOVERNING) -> tuple[Block, list[Row]]:
    """One system's part of the report, and its rows."""
    system, context, result = solved.system, solved.context, solved.result
    checks = entries_of(solved.checks, context, system.id, rests)
    rows = rows_of(solved, checks)
    states = {State(c.state) for c in checks if c.class_ == "limit"}
    # What only costs governs where there is no limit to.
    binding = [c for c in checks if c.class_ == "limit"] or checks
    # What is short by what was stated governs before what is short by an assumption.
    worst = max(binding, key=lambda c: (c.state == State.SHORT.value, c.fill), default=None)
    names = dict(context.duties.named)
    power_rows = [r for r in rows if r.kind == "power" and r.reach_code != "unknown" and r.state != State.ASSUMED.value]
    reach = min((r.reach_w for r in power_rows if r.reach_w is not None), default=None)
    codes = {r.reach_code for r in power_rows}
    count = len(context.duties.cases)
    block = Block(
        title=system.title,
        state=worst_of(states, bool(result.unknown) or bool(result.not_judged)).value,
        fill=worst.fill if worst else None,
        reach_w=reach,
        reach_code="value"
        if reach is not None
        else ("below" if "below" in codes else "above" if "above" in codes else "unknown"),
        unknown=[UnknownEntry(u.id, u.name, u.part, u.missing) for u in result.unknown],
        governing=Governing(worst.id, worst.duty) if worst else None,
        checks=checks,
        figures=_by_duty({k: duty_values(v, count) for k, v in solved.figures.items()}, context),
        need=[
            _need(n, rests.needs.get((n.part, n.quantity)), names)
            for n in (solved.needs if rests.asked is None else rests.asked)
        ],
        working={
            context.duties.cases[i].id: result.working(i)
            for i in _explained(context, explain, worst.duty if worst else "")
        },
        cautions=system.cautions,
        decides=rests.decides,
        notices=[
            *result.notices(),
            *contradicted(context, solved.system.declares.takes),
            *looked(result.looks(), context.duties.named),
        ],
    )
    return block, rows


def _need(item: Need, rest: Rest | None, names: Mapping[str, str]) -> NeedEntry:
    number = likely(item.value)
    low, high = item.band or (None, None)
    shop = item.shop
    return NeedEntry(
        part=item.part,
        quantity=item.quantity,
        value=number if np.isfinite(number) else None,
        unit=item.kind,
        sentence=item.sentence,
        options=[OptionEntry(o.marked, [Figure(*v) for v in o.values]) for o in item.options],
        low=low,
        high=high,
        rests_on=_rests(rest, names),
        shop=None if shop is None else ShopEntry(shop.name, shop.brief, shop.detail, shop.sold, shop.size, shop.fact),
    )


def refused_block(system: System, error: CoreError) -> Block:
    """The block of a system whose facts cannot be worked: unknown, the fact that stands in the way named."""
    return Block(
        title=system.title,
        state=State.UNKNOWN.value,
        fill=None,
        reach_w=None,
        reach_code="unknown",
        unknown=[UnknownEntry("", system.title, "", [error.field])],
        governing=None,
        checks=[],
        figures={},
        need=[],
        working={},
        cautions=system.cautions,
        decides=[],
        notices=[Notice(error.code, Sentence(error.message.replace(error.field, named(error.field))), error.field)],
    )


def rows_of(solved: Solved, entries: Sequence[CheckEntry]) -> list[Row]:
    """One row for each part a builder can change and each way its fill goes; its reaches have been sought."""
    system, context, checks = solved.system, solved.context, solved.checks
    cases, found = context.duties.cases, solved.reach or {}
    by_key = {(c.id, c.duty): c for c in entries}
    rows: list[Row] = []
    for part, name in system.parts.items():
        label = name.text
        own = [(i, c) for i, c in enumerate(checks) if c.part == part and c.check_class is CheckClass.LIMIT]
        power: list[tuple[tuple[float, float], Check, int, Reach]] = []
        load: list[tuple[tuple[float, float], Check, int, Reach]] = []
        for i, check in own:
            if check.scales is Scales.GATE:
                rows.append(row_of(system, check.name, "gate", by_key[check.id, ""], reach_code="gate"))
                continue
            for d, case in enumerate(cases):
                if check.judged is not None and not check.judged[d]:
                    continue
                reach = found[i, d]
                entry = by_key[check.id, case.id]
                # What is short by an assumption gives way to what is short by what was stated.
                aside = entry.state == State.ASSUMED.value
                rank = 1.0 if aside else 0.0 if entry.fill > 1.0 else 2.0
                if case.power_driven:
                    order = reach.factor if reach.factor is not None else (0.0 if reach.code == "below" else 1e9)
                    # Lowest reach first; among those beyond the scan the fullest.
                    power.append(((rank, order - 1e-6 * entry.fill), check, d, reach))
                else:
                    load.append(((rank, -entry.fill), check, d, reach))
        if power:
            _, check, d, reach = min(power, key=lambda x: x[0])
            entry = by_key[check.id, cases[d].id]
            reaches = None if reach.factor is None else reach.factor * context.wanted
            rows.append(row_of(system, label, "power", entry, reach_code=reach.code, reach_w=reaches))
        if load:
            _, check, d, reach = min(load, key=lambda x: x[0])
            entry, needs = by_key[check.id, cases[d].id], likely(cases[d].power)
            carries = None if reach.factor is None else reach.factor * needs
            rows.append(row_of(system, label, "load", entry, reach_code=reach.code, carries_w=carries, needs_w=needs))
    for item in solved.result.unknown:
        rows.append(
            Row(
                system=system.id,
                part=item.part,
                label=system.parts.get(item.part, RowName(item.name)).text,
                kind="power",
                reach_w=None,
                reach_code="unknown",
                carries_w=None,
                needs_w=None,
                fill=None,
                fill_code="",
                check=item.id,
                duty="",
                missing=item.missing,
                sentence=Sentence(""),
                state=State.UNKNOWN.value,
                rests_on=None,
            )
        )
    return rows


def row_of(
    system: System,
    label: str,
    kind: str,
    entry: CheckEntry,
    *,
    reach_code: str,
    reach_w: float | None = None,
    carries_w: float | None = None,
    needs_w: float | None = None,
) -> Row:
    """A row of the whole build's table; powers [W], ``reach_code`` where no power says it."""
    return Row(
        system=system.id,
        part=entry.part,
        label=label,
        kind=kind,
        reach_w=reach_w,
        reach_code=reach_code,
        carries_w=carries_w,
        needs_w=needs_w,
        fill=entry.fill,
        fill_code=entry.fill_code,
        check=entry.id,
        duty=entry.duty,
        missing=[],
        sentence=entry.sentence,
        state=entry.state,
        rests_on=entry.rests_on,
    )
