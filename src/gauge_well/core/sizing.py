"""size(case) -> report: runs the engine and the systems, finds what gives out first."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from contextlib import suppress
from dataclasses import dataclass
from typing import Any

import numpy as np

from gauge_well.core import headline
from gauge_well.core.assumptions import Assumptions, Rest, assumed
from gauge_well.core.case import BuildCase
from gauge_well.core.checks import Check, CheckClass, Scales, State, worst_of
from gauge_well.core.contexts import hand_on, make_context, validate
from gauge_well.core.engine import plausibility
from gauge_well.core.engine import report as engine_report
from gauge_well.core.errors import CoreError, MissingFact
from gauge_well.core.explore import Reach, ReachKey, reaches
from gauge_well.core.facts import specs
from gauge_well.core.names import named
from gauge_well.core.reads import ENGINE
from gauge_well.core.sampling import SECTIONS
from gauge_well.core.sentence import Sentence
from gauge_well.core.systems import NOT_BUILT, SYSTEMS
from gauge_well.core.systems.base import Beside, Context, Need, Result, System
from gauge_well.core.typing import as_array, duty_values, likely
from gauge_well.core.validity import Notice, looked

REPORT_FORMAT = "gauge-well-report/1"
GOVERNING = "governing"
UNTRIED = Assumptions()


def size(case: BuildCase, *, explain: str = GOVERNING, checked: bool = False) -> dict[str, Any]:
    """Size a build.

    Parameters
    ----------
    case : BuildCase
    explain : str
        Which duties keep their working: ``"governing"`` (each system's fullest), ``"all"``,
        ``"none"`` or a duty's id.
    checked : bool
        The case has passed :func:`validate` already.

    Returns
    -------
    dict
        The report in SI with :class:`Sentence` and :class:`Step` objects in it.

    Raises
    ------
    CoreError
        Only for values that :func:`validate` refuses. A missing fact gives ``unknown``.
    """
    engine = None if checked else validate(case)
    base: dict[str, Any] = {"format": REPORT_FORMAT, "build": {"name": case.name}}
    try:
        context, missing = make_context(case, engine)
    except MissingFact as error:
        return base | _nothing_known(error)
    rests = assumed(case)
    claimed = plausibility.figures(context.engine, context.wanted)
    boost, stroke = (
        path in case.known and case.known[path].evidence != "rule" for path in ("engine.boost", "engine.stroke")
    )
    # More may be wanted than is claimed: that is a wish, and no claim.
    rated = likely(context.engine.rated_power)
    of_claim = claimed if context.wanted == rated else plausibility.figures(context.engine, rated)
    claim = plausibility.claim(context.engine, rated, of_claim, boost, stroke)
    blocks: dict[str, Any] = {"engine": _engine_block(context, explain, rests, claimed)}
    not_judged = [{"system": name, "why": "not built yet"} for name in NOT_BUILT]
    solved: dict[str, Result] = {}
    for system in SYSTEMS.values():
        why = system.applies(case.machine)
        if why is not None:
            not_judged.append({"system": system.title, "why": why})
            continue
        try:
            solved[system.id] = system.solve(context, case.systems[system.id])
        except CoreError as error:
            blocks[system.id] = _refused_block(system, error)
    found, refused = _reaches(solved, context)
    blocks |= {id: _refused_block(SYSTEMS[id], error) for id, error in refused.items()}
    rows: list[dict[str, Any]] = []
    for id, result in solved.items():
        try:
            blocks[id], own = block_of(SYSTEMS[id], context, result, found, rests, explain)
            rows += own
        except CoreError as error:
            blocks[id] = _refused_block(SYSTEMS[id], error)
    not_judged += [{"system": SYSTEMS[id].title, "why": r.not_judged} for id, r in solved.items() if r.not_judged]
    called = {id: facts.name or id for id, facts in case.duties}
    not_judged += [
        {"system": f"Duty: {called[id]}", "why": f"{named(field)} is not given"} for id, field in missing.items()
    ]
    duties = [
        {
            "id": c.id,
            "name": c.name,
            "kind": c.kind,
            "power_driven": c.power_driven,
            "ambient_k": c.ambient,
            "air_speed_m_s": c.air_speed,
            "duration_s": None if np.isinf(c.duration) else c.duration,
        }
        for c in context.duties.cases
    ]
    return (
        base
        | {
            "duties": duties,
            "wanted_w": context.wanted,
            "rated_w": likely(context.engine.rated_power),
            "governed": context.engine.facts.governed == "yes",
            "claim": {
                "believable": claim.believable,
                "sentence": claim.sentence,
                "bmep_pa": claim.bmep,
                "usual_pa": claim.usual,
                "most_pa": claim.most,
            },
            "not_judged": not_judged,
            "rows": rows,
            "systems": blocks,
            "notices": [],
        }
        | headline.compose(context, blocks, rows, claim, _fitted(case))
    )


def _reaches(solved: dict[str, Result], context: Context) -> tuple[dict[ReachKey, Reach], dict[str, CoreError]]:
    """Reaches of all systems, and those taken out of ``solved`` because they cannot be judged."""
    try:
        return reaches({id: result.checks for id, result in solved.items()}, context), {}
    except CoreError:
        refused: dict[str, CoreError] = {}
        for id, result in list(solved.items()):
            try:
                result.checks(context.mean, context.peak)
            except CoreError as error:
                refused[id] = error
                del solved[id]
        if not refused:
            raise
        return reaches({id: result.checks for id, result in solved.items()}, context), refused


@dataclass(frozen=True)
class Outline:
    """A build sized for comparison: rows, limits and what lies beside them, without words or working."""

    case: BuildCase
    context: Context
    rows: Sequence[Mapping[str, Any]]
    checks: Mapping[tuple[str, str, str], Mapping[str, Any]]
    beside: Mapping[str, Beside]
    results: Mapping[str, Result]

    def sentence(self, key: tuple[str, str, str]) -> Sentence:
        """What a check says for a duty (none for a gate)."""
        system, id, duty = key
        for check in self.results[system].checks(self.context.mean, self.context.peak):
            if check.id == id:
                names = [c.id for c in self.context.duties.cases]
                return check.sentences()[names.index(duty) if duty else 0]
        return Sentence("")


def outline(case: BuildCase, like: Outline | None = None) -> Outline:
    """Size a build as :func:`size` does, for comparison with another.

    Parameters
    ----------
    case : BuildCase
    like : Outline, optional
        A build that differs little: what the same facts gave there is taken over as it is.

    Raises
    ------
    CoreError
        For values that :func:`validate` refuses, or an engine not known well enough.
    """
    context, same = _shared(case, like)
    solved: dict[str, Result] = {}
    for system in SYSTEMS.values():
        if system.applies(case.machine) is None and system.id not in same:
            with suppress(CoreError):
                solved[system.id] = system.solve(context, case.systems[system.id])
    found, _ = _reaches(solved, context)
    rows: list[Mapping[str, Any]] = []
    checks: dict[tuple[str, str, str], Mapping[str, Any]] = {}
    beside: dict[str, Beside] = {}
    for id in SYSTEMS:
        if id in same and like is not None:
            rows += [r for r in like.rows if r["system"] == id]
            checks |= {key: c for key, c in like.checks.items() if key[0] == id}
            beside |= {name: b for name, b in like.beside.items() if name.split(".")[0] == id}
            solved |= {id: like.results[id]} if id in like.results else {}
        elif id in solved:
            result = solved[id]
            own = list(result.checks(context.mean, context.peak))
            dicts = _check_dicts(own, context, id, said=False)
            rows += _rows(SYSTEMS[id], own, dicts, found, context, result) + _cost_rows(SYSTEMS[id], dicts)
            checks |= {(id, c["id"], c["duty"]): c for c in dicts}
            beside |= {f"{id}.{b.id}": b for b in result.beside()}
    return Outline(case, context, rows, checks, beside, solved)


def _cost_rows(system: System, dicts: Sequence[Mapping[str, Any]]) -> list[dict[str, Any]]:
    """What only costs, by part: a row of the fullest duty, for comparison alone."""
    rows = []
    for part in dict.fromkeys(c["part"] for c in dicts if c["class"] == CheckClass.COST.value):
        entry = max((c for c in dicts if c["part"] == part and c["class"] == "cost"), key=lambda c: c["fill"])
        rows.append(_row(system, part, entry["name"], "cost", entry, reach_code="cost"))
    return rows


def _shared(case: BuildCase, like: Outline | None) -> tuple[Context, set[str]]:
    """The context, and the systems whose facts and what they are handed are those of ``like``."""
    before = None if like is None else like.case
    alike = before is not None and all(
        getattr(case, name) == getattr(before, name)
        for name in ("engine", "machine", "installation", "duties", "wanted")
    )
    if like is None or before is None or not alike:
        return make_context(case, validate(case))[0], set()
    same = {id for id, facts in case.systems.items() if facts == before.systems[id]}
    for id in SYSTEMS.keys() - same:
        SYSTEMS[id].refuse(case.systems[id])
    context, moved = hand_on(like.context, case, SYSTEMS.keys() - same)
    return context, {id for id in same if moved.isdisjoint(SYSTEMS[id].declares.takes)}


def _nothing_known(error: MissingFact) -> dict[str, Any]:
    return {
        "duties": [],
        "wanted_w": None,
        "rated_w": None,
        "governed": False,
        "claim": None,
        "rests_on": None,
        "nothing_fitted": False,
        "not_judged": [{"system": name, "why": "not built yet"} for name in NOT_BUILT],
        "rows": [],
        "systems": {},
        "first_to_give": None,
        "next_to_give": None,
        "reach_w": None,
        "reach_code": "unknown",
        "state": State.UNKNOWN.value,
        "unknown": [error.field],
        "headline": headline.left_out(error.field),
        "notices": [],
    }


def _fitted(case: BuildCase) -> bool:
    """Whether any part that is fitted was stated."""
    stated = (p.split(".") for p, known in case.known.items() if known.evidence != "rule" and p.count(".") == 1)
    return any(specs(SECTIONS[section])[name].part for section, name in stated if section in case.systems)


def _engine_block(context: Context, explain: str, rests: Assumptions, claimed: Mapping[str, float]) -> dict[str, Any]:
    duties = context.duties
    check = engine_report.enough(duties)
    checks = _check_dicts([check], context, ENGINE, rests) if check is not None else []
    worst = max(checks, key=lambda c: c["fill"], default=None)
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
    return {
        "title": "Engine",
        "state": worst_of({State(c["state"]) for c in checks}).value,
        "fill": worst["fill"] if worst else None,
        "reach_w": None,
        "reach_code": "none",
        "unknown": [],
        "governing": {"check": "enough", "duty": worst["duty"]} if worst else None,
        "checks": checks,
        "figures": _by_duty(figures, context),
        "machine": engine_report.machine_figures(context.engine, duties, context.wanted, claimed, context.machine),
        "need": [],
        "remedies": [],
        "cautions": [],
        "decides": list(rests.decides.get(ENGINE, ())),
        "working": {
            duties.cases[i].id: engine_report.steps(
                context.engine, context.mean, i, duties.cases[i], duties.vehicle, context.wanted
            )
            for i in _explained(context, explain, worst["duty"] if worst else duties.cases[-1].id)
        },
        "notices": notes,
    }


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


def _check_dicts(
    checks: Sequence[Check], context: Context, system: str, rests: Assumptions = UNTRIED, said: bool = True
) -> list[dict[str, Any]]:
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
                {
                    "id": check.id,
                    "name": check.name,
                    "part": check.part,
                    "duty": key[2],
                    "class": check.check_class.value,
                    "scales": _scales(check, case.power_driven).value,
                    "demand": demand[i],
                    "capacity": capacity[i],
                    "unit": check.kind,
                    "fill": fill[i],
                    "fill_code": check.code if capacity[i] <= 0.0 else "",
                    "state": (State.HOLDS if not over else State.ASSUMED if key in rests.saves else State.SHORT).value,
                    "rests_on": _rests_dict(rests.of(key), names) if limit else None,
                    "danger": check.danger,
                    "sentence": sentences[i] if i < len(sentences) else Sentence(""),
                }
            )
    return found


def _rests_dict(rest: Rest | None, names: Mapping[str, str]) -> dict[str, Any] | None:
    """A value nobody stated, as the report has it."""
    if rest is None:
        return None
    return {
        "path": rest.taken.path,
        "sentence": rest.taken.said(names),
        "fill": rest.fill,
        "low": rest.low,
        "high": rest.high,
    }


def block_of(
    system: System,
    context: Context,
    result: Result,
    found: Mapping[ReachKey, Reach],
    rests: Assumptions,
    explain: str = GOVERNING,
) -> tuple[dict[str, Any], list[dict[str, Any]]]:
    """One system's part of the report, and its rows."""
    checks = list(result.checks(context.mean, context.peak))
    dicts = _check_dicts(checks, context, system.id, rests)
    rows = _rows(system, checks, dicts, found, context, result)
    states = {State(c["state"]) for c in dicts if c["class"] == "limit"}
    # What only costs governs where there is no limit to.
    binding = [c for c in dicts if c["class"] == "limit"] or dicts
    # What is short by what was stated governs before what is short by an assumption.
    worst = max(binding, key=lambda c: (c["state"] == State.SHORT.value, c["fill"]), default=None)
    names = dict(context.duties.named)
    power_rows = [
        r for r in rows if r["kind"] == "power" and r["reach_code"] != "unknown" and r["state"] != State.ASSUMED.value
    ]
    reach = min((r["reach_w"] for r in power_rows if r["reach_w"] is not None), default=None)
    codes = {r["reach_code"] for r in power_rows}
    count = len(context.duties.cases)
    block = {
        "title": system.title,
        "state": worst_of(states, bool(result.unknown) or bool(result.not_judged)).value,
        "fill": worst["fill"] if worst else None,
        "reach_w": reach,
        "reach_code": "value"
        if reach is not None
        else ("below" if "below" in codes else "above" if "above" in codes else "unknown"),
        "unknown": [
            {"check": u.id, "name": u.name, "part": u.part, "missing": list(u.missing)} for u in result.unknown
        ],
        "governing": {"check": worst["id"], "duty": worst["duty"]} if worst else None,
        "checks": dicts,
        "figures": _by_duty({k: duty_values(v, count) for k, v in result.figures().items()}, context),
        "need": [_need_dict(n, rests.needs.get((system.id, n.part, n.quantity)), names) for n in result.needs()],
        "working": {
            context.duties.cases[i].id: result.working(i)
            for i in _explained(context, explain, worst["duty"] if worst else "")
        },
        "remedies": [],
        "cautions": [{"id": c.id, "where": c.where, "text": c.text} for c in system.cautions],
        "decides": list(rests.decides.get(system.id, ())),
        "notices": [*result.notices(), *looked(result.looks(), context.duties.named)],
    }
    return block, rows


def _need_dict(item: Need, rest: Rest | None, names: Mapping[str, str]) -> dict[str, Any]:
    number = likely(item.value)
    low, high = item.band or (None, None)
    shop = item.shop
    value = number if np.isfinite(number) else None
    return {
        "part": item.part,
        "quantity": item.quantity,
        "value": value,
        "unit": item.kind,
        "sentence": item.sentence,
        "options": [
            {"marked": o.marked, "values": [{"label": label, "value": v, "unit": unit} for label, v, unit in o.values]}
            for o in item.options
        ],
        "low": low,
        "high": high,
        "rests_on": _rests_dict(rest, names),
        "shop": None
        if shop is None
        else {
            "name": shop.name,
            "brief": shop.brief,
            "detail": shop.detail,
            "sold": shop.sold,
            "size": shop.size,
            "fact": shop.fact,
        },
    }


def _refused_block(system: System, error: CoreError) -> dict[str, Any]:
    return {
        "title": system.title,
        "state": State.UNKNOWN.value,
        "fill": None,
        "reach_w": None,
        "reach_code": "unknown",
        "unknown": [{"check": "", "name": system.title, "part": "", "missing": [error.field]}],
        "governing": None,
        "checks": [],
        "figures": {},
        "need": [],
        "working": {},
        "remedies": [],
        "cautions": [{"id": c.id, "where": c.where, "text": c.text} for c in system.cautions],
        "decides": [],
        "notices": [Notice(error.code, Sentence(error.message.replace(error.field, named(error.field))), error.field)],
    }


def _rows(
    system: System,
    checks: Sequence[Check],
    dicts: Sequence[Mapping[str, Any]],
    found: Mapping[ReachKey, Reach],
    context: Context,
    result: Result,
) -> list[dict[str, Any]]:
    """One row for each part a builder can change and each way its fill goes."""
    cases = context.duties.cases
    by_key = {(c["id"], c["duty"]): c for c in dicts}
    rows: list[dict[str, Any]] = []
    for part, label in system.parts.items():
        own = [(i, c) for i, c in enumerate(checks) if c.part == part and c.check_class is CheckClass.LIMIT]
        power: list[tuple[tuple[float, float], Check, int, Reach]] = []
        load: list[tuple[tuple[float, float], Check, int, Reach]] = []
        for i, check in own:
            if check.scales is Scales.GATE:
                entry = by_key[check.id, ""]
                rows.append(_row(system, part, check.name, "gate", entry, reach_code="gate"))
                continue
            for d, case in enumerate(cases):
                reach = found[system.id, i, d]
                entry = by_key[check.id, case.id]
                fill = entry["fill"]
                # What is short by an assumption gives way to what is short by what was stated.
                aside = entry["state"] == State.ASSUMED.value
                if case.power_driven:
                    order = reach.factor if reach.factor is not None else (0.0 if reach.code == "below" else 1e9)
                    # Lowest reach first; among those beyond the scan the fullest.
                    rank = 1.0 if aside else 0.0 if fill > 1.0 else 2.0
                    power.append(((rank, order - 1e-6 * fill), check, d, reach))
                else:
                    load.append(((1.0 if aside else 0.0 if fill > 1.0 else 2.0, -fill), check, d, reach))
        if power:
            _, check, d, reach = min(power, key=lambda x: x[0])
            entry = by_key[check.id, cases[d].id]
            rows.append(
                _row(
                    system,
                    part,
                    label,
                    "power",
                    entry,
                    reach_code=reach.code,
                    reach_w=None if reach.factor is None else reach.factor * context.wanted,
                )
            )
        if load:
            _, check, d, reach = min(load, key=lambda x: x[0])
            entry = by_key[check.id, cases[d].id]
            rows.append(
                _row(
                    system,
                    part,
                    label,
                    "load",
                    entry,
                    reach_code=reach.code,
                    carries_w=None if reach.factor is None else reach.factor * likely(cases[d].power),
                    needs_w=likely(cases[d].power),
                )
            )
    for item in result.unknown:
        rows.append(
            {
                "system": system.id,
                "part": item.part,
                "label": system.parts.get(item.part, item.name),
                "kind": "power",
                "reach_w": None,
                "reach_code": "unknown",
                "carries_w": None,
                "needs_w": None,
                "fill": None,
                "fill_code": "",
                "check": item.id,
                "duty": "",
                "missing": list(item.missing),
                "sentence": Sentence(""),
                "state": State.UNKNOWN.value,
                "rests_on": None,
            }
        )
    return rows


def _row(
    system: System,
    part: str,
    label: str,
    kind: str,
    entry: Mapping[str, Any],
    *,
    reach_code: str,
    reach_w: float | None = None,
    carries_w: float | None = None,
    needs_w: float | None = None,
) -> dict[str, Any]:
    return {
        "system": system.id,
        "part": part,
        "label": label,
        "kind": kind,
        "reach_w": reach_w,
        "reach_code": reach_code,
        "carries_w": carries_w,
        "needs_w": needs_w,
        "fill": entry["fill"],
        "fill_code": entry["fill_code"],
        "check": entry["id"],
        "duty": entry["duty"],
        "missing": [],
        "sentence": entry["sentence"],
        "state": entry["state"],
        "rests_on": entry["rests_on"],
    }
