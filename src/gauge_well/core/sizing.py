"""size(case) -> report: runs the engine and the systems, finds what gives out first."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from contextlib import suppress
from dataclasses import dataclass
from typing import Any

import numpy as np

from gauge_well.core import headline
from gauge_well.core.assumptions import assumed
from gauge_well.core.blocks import GOVERNING, block_of, check_dicts, engine_block, refused_block, row_of, rows_of
from gauge_well.core.case import BuildCase
from gauge_well.core.checks import CheckClass, State
from gauge_well.core.contexts import hand_on, make_context, validate
from gauge_well.core.engine import plausibility
from gauge_well.core.errors import CoreError, MissingFact
from gauge_well.core.explore import Reach, ReachKey, reaches
from gauge_well.core.facts import specs
from gauge_well.core.names import named
from gauge_well.core.sampling import SECTIONS
from gauge_well.core.sentence import Sentence
from gauge_well.core.systems import NOT_BUILT, SYSTEMS
from gauge_well.core.systems.base import Beside, Context, Result, System
from gauge_well.core.typing import likely

REPORT_FORMAT = "gauge-well-report/1"


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
    blocks: dict[str, Any] = {"engine": engine_block(context, explain, rests, claimed)}
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
            blocks[system.id] = refused_block(system, error)
    found, refused = _reaches(solved, context)
    blocks |= {id: refused_block(SYSTEMS[id], error) for id, error in refused.items()}
    rows: list[dict[str, Any]] = []
    for id, result in solved.items():
        try:
            blocks[id], own = block_of(SYSTEMS[id], context, result, found, rests, explain)
            rows += own
        except CoreError as error:
            blocks[id] = refused_block(SYSTEMS[id], error)
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
            dicts = check_dicts(own, context, id, said=False)
            rows += rows_of(SYSTEMS[id], own, dicts, found, context, result) + _cost_rows(SYSTEMS[id], dicts)
            checks |= {(id, c["id"], c["duty"]): c for c in dicts}
            beside |= {f"{id}.{b.id}": b for b in result.beside()}
    return Outline(case, context, rows, checks, beside, solved)


def _cost_rows(system: System, dicts: Sequence[Mapping[str, Any]]) -> list[dict[str, Any]]:
    """What only costs, by part: a row of the fullest duty, for comparison alone."""
    rows = []
    for part in dict.fromkeys(c["part"] for c in dicts if c["class"] == CheckClass.COST.value):
        entry = max((c for c in dicts if c["part"] == part and c["class"] == "cost"), key=lambda c: c["fill"])
        rows.append(row_of(system, part, entry["name"], "cost", entry, reach_code="cost"))
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
