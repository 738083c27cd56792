"""The engine in its duties, and what systems hand each other: what every system is worked in."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field, replace
from typing import Any

from gauge_well.core.case import BuildCase
from gauge_well.core.duty import model as duty_model
from gauge_well.core.duty.model import Duties
from gauge_well.core.engine import facts as engine_facts
from gauge_well.core.engine import plausibility
from gauge_well.core.engine.model import Engine, Operation, engine_of
from gauge_well.core.errors import CoreError, MissingFact
from gauge_well.core.reads import ENGINE
from gauge_well.core.run.graph import hand_on, reader
from gauge_well.core.run.laid import laid
from gauge_well.core.run.memory import Memory, by_value, digest
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


@dataclass(frozen=True, eq=False)
class Operating:
    """The engine at every duty, for the values it reads, and what was remembered of it since."""

    token: bytes
    mean: Operation
    peak: Operation
    memory: dict[str, tuple[tuple[object, ...], Any]] = field(default_factory=dict)


@dataclass(frozen=True)
class Base:
    """The engine and its duties, before anything is fitted; ``missing``: duties left out, with what they lack."""

    engine: Engine
    duties: Duties
    missing: Mapping[str, str]
    wanted: float
    operating: Operating


def _base(case: BuildCase, doubts: Mapping[str, Array], memory: Memory, weight: int, engine: Engine | None) -> Base:
    """Engine and duties of a case; MissingFact where too little is known of either."""
    doubtful = by_value(tuple(doubts.items()))

    def work() -> Base:
        own = engine or engine_of(case.engine)
        wanted = case.wanted if case.wanted is not None else likely(own.rated_power)
        duties, missing = duty_model.solve(case.duties, case.machine, own, wanted)
        if not duties.cases:
            raise MissingFact(next(iter(missing.values()), "duties"))
        token = digest((reader(ENGINE)(case), wanted, doubtful))
        at = memory.recall(token, lambda: Operating(token, *points(own, duties, wanted, 1.0)), weight)
        return Base(own, duties, missing, wanted, at)

    stands_on = by_value((case.engine, case.machine, case.duties, case.wanted)), doubtful
    return memory.recall(("base", *stands_on), work, weight)


def make_context(
    case: BuildCase,
    *,
    engine: Engine | None = None,
    doubts: Mapping[str, Array] | None = None,
    memory: Memory | None = None,
    columns: int = 1,
) -> tuple[Context, Mapping[str, str]]:
    """The context of a case with all that is handed on, and the duties left out with what they lack.

    Parameters
    ----------
    case : BuildCase
    engine : Engine, optional
        The case's own, where it is there already.
    doubts : mapping, optional
        Samples of model factors; of a build on which something was measured that, where none are given.
    memory : Memory, optional
        What was worked before; nothing is taken from elsewhere without it.
    columns : int
        Samples the case stands in, the likely one among them.

    Raises
    ------
    MissingFact
        Where not enough is known of the engine, or of any duty.
    """
    if not doubts:
        doubts = {} if case.measured is None else case.measured.doubts(case.measured.likely())
    memory = memory if memory is not None else Memory(0)
    base = _base(case, doubts, memory, columns, engine)
    at = base.operating

    def in_air(ambient: Array) -> Context:
        count = len(base.duties.cases)
        of = {c.id: t for c, t in zip(base.duties.cases, duty_values(ambient, count), strict=True)}
        there = tuple((id, replace(facts, ambient=of.get(id, facts.ambient))) for id, facts in case.duties)
        return make_context(replace(case, duties=there), engine=base.engine)[0]

    context = Context(
        engine=base.engine,
        machine=case.machine,
        installation=case.installation,
        duties=base.duties,
        wanted=base.wanted,
        mean=at.mean,
        peak=at.peak,
        doubts=doubts,
        in_air=in_air,
        token=at.token,
        laid=laid(case),
        memory=at.memory,
    )
    return hand_on(context, case, memory, columns), base.missing
