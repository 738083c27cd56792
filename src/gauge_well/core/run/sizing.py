"""size(case) -> report: runs the engine and the systems, finds what gives out first."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from functools import partial

import numpy as np

from gauge_well.core.case import BuildCase
from gauge_well.core.checks import CheckClass
from gauge_well.core.engine import plausibility
from gauge_well.core.errors import CoreError, MissingFact
from gauge_well.core.evidence import RULE
from gauge_well.core.names import named
from gauge_well.core.reads import ENGINE
from gauge_well.core.report import Block, CheckEntry, ClaimEntry, DutyEntry, NotJudged, Report, Row, ScopeEntry
from gauge_well.core.run import headline
from gauge_well.core.run.assumptions import UNTRIED, assumed
from gauge_well.core.run.blocks import GOVERNING, block_of, engine_block, entries_of, refused_block, row_of, rows_of
from gauge_well.core.run.contexts import make_context, validate
from gauge_well.core.run.graph import judged
from gauge_well.core.run.memory import MEMORY, Memory, Same
from gauge_well.core.run.reach import seek
from gauge_well.core.run.runs import Key
from gauge_well.core.run.scope import JUDGED, Scope, begun, scope_of
from gauge_well.core.run.solved import Solved
from gauge_well.core.sentence import Sentence
from gauge_well.core.systems import SYSTEMS
from gauge_well.core.systems.base import Beside, Context, System
from gauge_well.core.typing import likely


def size(case: BuildCase, *, explain: str = GOVERNING, checked: bool = False, memory: Memory = MEMORY) -> Report:
    """Size a build; what was worked for the same values is taken from ``memory``.

    Parameters
    ----------
    case : BuildCase
    explain : str
        Which duties keep their working: ``"governing"`` (each system's fullest), ``"all"``,
        ``"none"`` or a duty's id.
    checked : bool
        The case has passed :func:`validate` already.

    Raises
    ------
    CoreError
        Only for values that :func:`validate` refuses. A missing fact gives ``unknown``.
    """
    engine = None if checked else validate(case)
    try:
        context, missing = make_context(case, engine=engine, memory=memory)
    except MissingFact as error:
        return _nothing_known(case, error)
    rests = assumed(case, memory)
    claimed = plausibility.figures(context.engine, context.wanted)
    claim = _claim(case, context, claimed)
    blocks = {ENGINE: engine_block(context, explain, rests.get(ENGINE, UNTRIED), claimed)}
    scopes = {id: scope_of(system, case) for id, system in SYSTEMS.items()}
    left_out = [NotJudged(SYSTEMS[id].title, s.why) for id, s in scopes.items() if s.state != JUDGED and not s.foreign]
    solved = judged(context, case, memory)
    seek([s for s in solved.values() if s.refusal is None], context)
    started = begun(case)
    rows: list[Row] = []
    for id, s in solved.items():
        try:
            if s.refusal is not None:
                raise s.refusal
            beneath = rests.get(id, UNTRIED)
            blocks[id], own = s.once(("block", explain, Same(beneath)), partial(block_of, s, beneath, explain))
            # What nobody has begun is one line of its own, not a row for each of its parts; where nothing is, all are.
            rows += [r for r in own if r.reach_code != "unknown" or id in started or not started]
        except CoreError as error:
            blocks[id] = refused_block(SYSTEMS[id], error)
            continue
        if s.result.not_judged:
            left_out.append(NotJudged(SYSTEMS[id].title, s.result.not_judged))
    called = {id: facts.name or id for id, facts in case.duties}
    left_out += [NotJudged(f"Duty: {called[id]}", f"{named(field)} is not given") for id, field in missing.items()]
    return Report(
        name=case.name,
        duties=[
            DutyEntry(
                id=c.id,
                name=c.name,
                kind=c.kind,
                power_driven=c.power_driven,
                ambient_k=c.ambient,
                air_speed_m_s=likely(c.air_speed),
                duration_s=None if np.isinf(c.duration) else c.duration,
            )
            for c in context.duties.cases
        ],
        wanted_w=context.wanted,
        rated_w=likely(context.engine.rated_power),
        governed=context.engine.facts.governed == "yes",
        claim=ClaimEntry(claim.believable, claim.sentence, claim.bmep, claim.usual, claim.most),
        not_judged=left_out,
        rows=rows,
        systems=blocks,
        scope={id: _scope_entry(scope, blocks.get(id), id in started) for id, scope in scopes.items()},
        verdict=headline.compose(context, blocks, rows, claim, started),
    )


BEGIN = 3  # facts that are named to begin a system


def _scope_entry(scope: Scope, block: Block | None, started: bool) -> ScopeEntry:
    """How a system stands in the build."""
    asked = dict.fromkeys(field for u in (block.unknown if block is not None else ()) for field in u.missing)
    return ScopeEntry(scope.state, scope.why, scope.foreign, started, [] if started else list(asked)[:BEGIN])


def _claim(case: BuildCase, context: Context, claimed: Mapping[str, float]) -> plausibility.Claim:
    """The claim read; more may be wanted than is claimed: that is a wish, and no claim."""
    boost, stroke = (
        path in case.known and case.known[path].evidence != RULE for path in ("engine.boost", "engine.stroke")
    )
    rated = likely(context.engine.rated_power)
    figures = claimed if context.wanted == rated else plausibility.figures(context.engine, rated)
    return plausibility.claim(context.engine, rated, figures, boost, stroke)


@dataclass(frozen=True)
class Outline:
    """A build sized for comparison: rows, limits and what lies beside them, without words or working."""

    case: BuildCase
    context: Context
    rows: Sequence[Row]
    checks: Mapping[Key, CheckEntry]
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
    rows: list[Row] = []
    checks: dict[Key, CheckEntry] = {}
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

    rows: Sequence[Row]
    checks: Mapping[Key, CheckEntry]


def _outlined(solved: Solved) -> Outlined:
    id = solved.system.id
    entries = entries_of(solved.checks, solved.context, id, said=False)
    rows = rows_of(solved, entries) + _cost_rows(solved.system, entries)
    return Outlined(rows, {(id, c.id, c.duty): c for c in entries})


def _cost_rows(system: System, entries: Sequence[CheckEntry]) -> list[Row]:
    """What only costs, by part: a row of the fullest duty, for comparison alone."""
    costs = [c for c in entries if c.class_ == CheckClass.COST.value]
    fullest = [max((c for c in costs if c.part == part), key=lambda c: c.fill) for part in {c.part: 0 for c in costs}]
    return [row_of(system, entry.name, "cost", entry, reach_code="cost") for entry in fullest]


def _nothing_known(case: BuildCase, error: MissingFact) -> Report:
    return Report(
        name=case.name,
        duties=[],
        wanted_w=None,
        rated_w=None,
        governed=False,
        claim=None,
        not_judged=[],
        rows=[],
        systems={},
        scope={id: _scope_entry(scope_of(s, case), None, id in begun(case)) for id, s in SYSTEMS.items()},
        verdict=headline.left_out(error.field),
    )
