"""size(case) -> report: runs the engine and the systems, finds what gives out first."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from functools import partial
from typing import Any

import numpy as np

from gauge_well.core.case import BuildCase
from gauge_well.core.checks import CheckClass, State
from gauge_well.core.engine import plausibility
from gauge_well.core.errors import CoreError, MissingFact
from gauge_well.core.facts import specs
from gauge_well.core.names import named
from gauge_well.core.run import headline
from gauge_well.core.run.assumptions import UNTRIED, assumed
from gauge_well.core.run.blocks import GOVERNING, block_of, check_dicts, engine_block, refused_block, row_of, rows_of
from gauge_well.core.run.contexts import make_context, validate
from gauge_well.core.run.graph import judged
from gauge_well.core.run.memory import MEMORY, Memory, Same
from gauge_well.core.run.reach import seek
from gauge_well.core.run.runs import Key
from gauge_well.core.run.sampling import SECTIONS
from gauge_well.core.run.solved import Solved
from gauge_well.core.sentence import Sentence
from gauge_well.core.systems import NOT_BUILT, SYSTEMS
from gauge_well.core.systems.base import Beside, Context, System
from gauge_well.core.typing import likely

REPORT_FORMAT = "gauge-well-report/1"


def size(
    case: BuildCase, *, explain: str = GOVERNING, checked: bool = False, memory: Memory = MEMORY
) -> dict[str, Any]:
    """Size a build; what was worked for the same values is taken from ``memory``.

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
        context, missing = make_context(case, engine=engine, memory=memory)
    except MissingFact as error:
        return base | _nothing_known(error)
    rests = assumed(case, memory)
    claimed = plausibility.figures(context.engine, context.wanted)
    boost, stroke = (
        path in case.known and case.known[path].evidence != "rule" for path in ("engine.boost", "engine.stroke")
    )
    # More may be wanted than is claimed: that is a wish, and no claim.
    rated = likely(context.engine.rated_power)
    of_claim = claimed if context.wanted == rated else plausibility.figures(context.engine, rated)
    claim = plausibility.claim(context.engine, rated, of_claim, boost, stroke)
    blocks: dict[str, Any] = {"engine": engine_block(context, explain, rests.get("engine", UNTRIED), claimed)}
    not_judged = [{"system": name, "why": "not built yet"} for name in NOT_BUILT]
    for system in SYSTEMS.values():
        why = system.applies(case.machine)
        if why is not None:
            not_judged.append({"system": system.title, "why": why})
    solved = judged(context, case, memory)
    seek([s for s in solved.values() if s.refusal is None], context)
    rows: list[dict[str, Any]] = []
    for id, s in solved.items():
        try:
            if s.refusal is not None:
                raise s.refusal
            beneath = rests.get(id, UNTRIED)
            blocks[id], own = s.once(("block", explain, Same(beneath)), partial(block_of, s, beneath, explain))
            rows += own
        except CoreError as error:
            blocks[id] = refused_block(SYSTEMS[id], error)
            continue
        if s.result.not_judged:
            not_judged.append({"system": SYSTEMS[id].title, "why": s.result.not_judged})
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


@dataclass(frozen=True)
class Outline:
    """A build sized for comparison: rows, limits and what lies beside them, without words or working."""

    case: BuildCase
    context: Context
    rows: Sequence[Mapping[str, Any]]
    checks: Mapping[Key, Mapping[str, Any]]
    beside: Mapping[str, Beside]
    solved: Mapping[str, Solved]

    def sentence(self, key: Key) -> Sentence:
        """What a check says for a duty (none for a gate)."""
        system, id, duty = key
        for check in self.solved[system].checks:
            if check.id == id:
                names = [c.id for c in self.context.duties.cases]
                return check.sentences()[names.index(duty) if duty else 0]
        return Sentence("")


def outline(case: BuildCase, memory: Memory = MEMORY) -> Outline:
    """Size a build as :func:`size` does, for comparison with another.

    Raises
    ------
    CoreError
        For values that :func:`validate` refuses, or an engine not known well enough.
    """
    context, _ = make_context(case, engine=validate(case), memory=memory)
    solved = {id: s for id, s in judged(context, case, memory).items() if s.refusal is None}
    seek(list(solved.values()), context)
    rows: list[Mapping[str, Any]] = []
    checks: dict[Key, Mapping[str, Any]] = {}
    beside: dict[str, Beside] = {}
    for id, s in solved.items():
        own = s.once("outline", partial(_outlined, s))
        rows += own.rows
        checks |= own.checks
        beside |= {f"{id}.{b.id}": b for b in s.beside}
    return Outline(case, context, rows, checks, beside, solved)


@dataclass(frozen=True)
class Outlined:
    """Rows and checks of one system, without words."""

    rows: Sequence[Mapping[str, Any]]
    checks: Mapping[Key, Mapping[str, Any]]


def _outlined(solved: Solved) -> Outlined:
    id = solved.system.id
    dicts = check_dicts(solved.checks, solved.context, id, said=False)
    rows = rows_of(solved, dicts) + _cost_rows(solved.system, dicts)
    return Outlined(rows, {(id, c["id"], c["duty"]): c for c in dicts})


def _cost_rows(system: System, dicts: Sequence[Mapping[str, Any]]) -> list[dict[str, Any]]:
    """What only costs, by part: a row of the fullest duty, for comparison alone."""
    rows = []
    for part in dict.fromkeys(c["part"] for c in dicts if c["class"] == CheckClass.COST.value):
        entry = max((c for c in dicts if c["part"] == part and c["class"] == "cost"), key=lambda c: c["fill"])
        rows.append(row_of(system, part, entry["name"], "cost", entry, reach_code="cost"))
    return rows


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
