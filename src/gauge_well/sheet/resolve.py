"""From a sheet to an SI case: facts given, and the rest filled by the core's rules."""

from __future__ import annotations

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass
from typing import Any

from gauge_well.core.case import BuildCase
from gauge_well.core.duty.facts import DutyFacts
from gauge_well.core.evidence import GUESS, RULE
from gauge_well.core.facts import Rule, built
from gauge_well.core.fitted.factors import applied
from gauge_well.core.fitted.kept import standing
from gauge_well.core.systems import SYSTEMS
from gauge_well.core.tolerance import Half, Known
from gauge_well.sheet.reading import Fact, Sheet
from gauge_well.sheet.sections import DUTY, SECTIONS, Section


@dataclass(frozen=True)
class Resolved:
    """A case, and by dotted path what the rules supplied. ``unmeasured``: the case without what readings taught of it; ``gone``:
    factors that are of parts it no longer has."""

    case: BuildCase
    unmeasured: BuildCase
    gone: tuple[str, ...]
    rules: Mapping[str, Rule]
    guesses: int
    stated: int


def _fill(
    section: Section,
    facts: Mapping[str, Fact],
    context: Mapping[str, Any],
    listed: Mapping[str, Sequence[str]] | None = None,
) -> tuple[dict[str, Any], dict[str, Rule]]:
    """Facts given and ruled of one section; a place that several parts fill is given as their ids."""
    given = {name: fact.value for name, fact in facts.items()} | dict(listed or {})
    rules = section.fill(given, {**context, "evidence": {name: fact.evidence for name, fact in facts.items()}})
    values = {name: fact.value for name, fact in facts.items()}
    return {name: rule.value for name, rule in rules.items()} | values, rules


def facts_by_path(sheet: Sheet) -> Iterator[tuple[str, Fact]]:
    """Every fact given but the power wanted, by dotted path."""
    for id, facts in sheet.sections.items():
        yield from ((f"{id}.{name}", fact) for name, fact in facts.items())
    for key, facts in sheet.duties:
        yield from ((f"duties.{key}.{name}", fact) for name, fact in facts.items())


def known_of(fact: Fact) -> Known:
    """How a fact is known: its evidence, and the builder's own tolerance where he gave one."""
    return Known(fact.evidence, fact.half)


def resolve(sheet: Sheet) -> Resolved:
    """Apply the rules in order: machine, engine, duties, installation, then the systems."""
    context: dict[str, dict[str, Any]] = {}
    rules: dict[str, Rule] = {}
    # A boat's hull and speed go by its power: the machine's rules see what is stated of the engine.
    context["engine"] = {name: fact.value for name, fact in sheet.sections["engine"].items()}
    for id in ("machine", "engine"):
        context[id], ruled = _fill(SECTIONS[id], sheet.sections[id], context)
        rules |= {f"{id}.{name}": rule for name, rule in ruled.items()}
    duties: list[tuple[str, DutyFacts]] = []
    flat: dict[str, Any] = {}
    for key, facts in sheet.duties:
        values, ruled = _fill(DUTY, facts, context)
        duties.append((key, DutyFacts(**values)))
        flat |= {f"{key}.{name}": value for name, value in values.items()}
        rules |= {f"duties.{key}.{name}": rule for name, rule in ruled.items()}
    context["duties"] = flat
    # A rule may go by what is stated elsewhere, whichever system is filled first.
    context |= {id: {name: fact.value for name, fact in sheet.sections[id].items()} for id in SYSTEMS}
    for id in ("installation", *SYSTEMS):
        context[id], ruled = _fill(SECTIONS[id], sheet.sections[id], context, sheet.listed(id))
        rules |= {f"{id}.{name}": rule for name, rule in ruled.items()}
    known = {path: Known(RULE, Half() if rule.exact else None) for path, rule in rules.items()} | {
        path: known_of(fact) for path, fact in facts_by_path(sheet)
    }
    made = {id: built(SECTIONS[id].facts, context[id], sheet.listed(id)) for id in SECTIONS}
    case = BuildCase(
        name=sheet.name,
        engine=made["engine"],
        machine=made["machine"],
        installation=made["installation"],
        duties=tuple(duties),
        systems={id: made[id] for id in SYSTEMS},
        wanted=sheet.wanted.value if sheet.wanted else None,
        known=known,
        scope=sheet.scope,
    )
    stated = [
        fact
        for facts in (*sheet.sections.values(), *(facts for _, facts in sheet.duties))
        for fact in facts.values()
        if (fact.unit is not None or isinstance(fact.value, tuple)) and fact.evidence != RULE
    ]
    found = standing(case, sheet.readings.factors)
    goes_by = found.measured if sheet.readings.applied is not None else None
    own = case if goes_by is None else applied(case, goes_by)
    return Resolved(own, case, found.gone, rules, sum(f.evidence == GUESS for f in stated), len(stated))
