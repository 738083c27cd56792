"""The engine in its duties, and what systems hand each other: what every system is worked in."""

from __future__ import annotations

from collections.abc import Collection, Mapping
from dataclasses import replace

import numpy as np

from gauge_well.core.case import BuildCase
from gauge_well.core.duty import model as duty_model
from gauge_well.core.engine import facts as engine_facts
from gauge_well.core.engine import plausibility
from gauge_well.core.engine.model import Engine, engine_of
from gauge_well.core.errors import CoreError, MissingFact
from gauge_well.core.systems import SYSTEMS
from gauge_well.core.systems.base import Context, points
from gauge_well.core.typing import Array, duty_values, likely


def validate(case: BuildCase) -> Engine | None:
    """Raise :class:`CoreError` for values no build can have; missing ones are fine.

    Returns the engine where enough is known of it.
    """
    engine_facts.refuse(case.engine)
    duty_model.refuse(case.duties)
    for system in SYSTEMS.values():
        system.refuse(case.systems[system.id])
    try:
        engine = engine_of(case.engine)
    except MissingFact:
        return None
    duty_model.refuse_speeds(case.duties, likely(engine.rated_speed))
    plausibility.refuse(engine, likely(engine.rated_power))
    if case.wanted is not None and case.wanted != engine.rated_power:
        try:
            plausibility.refuse(engine, case.wanted)
        except CoreError as error:
            raise CoreError(error.code, "wanted", case.wanted, error.limit, error.message) from error
    return engine


def make_context(
    case: BuildCase, engine: Engine | None = None, doubts: Mapping[str, Array] | None = None
) -> tuple[Context, dict[str, str]]:
    """Solve engine and duties; returns the context and the duties left out with what they lack."""
    engine = engine or engine_of(case.engine)
    wanted = case.wanted if case.wanted is not None else likely(engine.rated_power)
    duties, missing = duty_model.solve(case.duties, case.machine, engine, wanted)
    if not duties.cases:
        raise MissingFact(next(iter(missing.values()), "duties"))
    mean, peak = points(engine, duties, wanted, 1.0)
    context = Context(engine, case.machine, case.installation, duties, wanted, mean, peak, doubts=doubts or {})

    def in_air(ambient: Array) -> Context:
        at = {c.id: t for c, t in zip(duties.cases, duty_values(ambient, len(duties.cases)), strict=True)}
        there = tuple((id, replace(facts, ambient=at.get(id, facts.ambient))) for id, facts in case.duties)
        return make_context(replace(case, duties=there), engine)[0]

    return replace(hand_on(context, case)[0], in_air=in_air), missing


def hand_on(context: Context, case: BuildCase, again: Collection[str] | None = None) -> tuple[Context, set[str]]:
    """The context with what systems give each other, in the order of work, and the figures that moved by it.

    ``again``: those whose facts changed; they and whoever takes what they move are asked, the rest is left as it is.
    """
    moved: set[str] = set()
    for id, system in SYSTEMS.items():
        untouched = again is not None and id not in again and moved.isdisjoint(system.declares.takes)
        if untouched or system.applies(case.machine) is not None:
            continue
        given, known = system.gives(context, case.systems[id]), context.given
        new = {n for n in system.declares.gives if not _alike(given.get(n), known.get(n))}
        if new:
            moved |= new
            kept = {n: v for n, v in known.items() if n not in new}
            context = replace(context, given=kept | {n: v for n, v in given.items() if n in new})
    return context, moved


def _alike(new: Array | None, old: Array | None) -> bool:
    if new is None or old is None:
        return new is old
    return np.array_equal(new, old)
