"""The run graph: steps in the order in which they take from each other, each worked once for the values it reads.

A step is what a system hands on, or its judging. What it reads, takes and gives is declared; the order follows. A ring
of steps cannot be worked and is refused where the graph is made.
"""

from __future__ import annotations

from collections.abc import Callable, Collection, Hashable, Mapping, Sequence
from dataclasses import dataclass, replace
from functools import cache, partial
from graphlib import CycleError, TopologicalSorter
from operator import attrgetter, is_
from typing import TypeVar

from gauge_well.core.case import BuildCase
from gauge_well.core.reads import ENGINE, ENGINE_DECLARES, OPERATION, ROOMS, Declared, key_of
from gauge_well.core.run.memory import Memory, by_value
from gauge_well.core.run.scope import JUDGED, judging, scope_of
from gauge_well.core.run.solved import Solved
from gauge_well.core.systems import SYSTEMS
from gauge_well.core.systems.base import Context, System
from gauge_well.core.typing import Array, as_array, likely

T = TypeVar("T")
LATELY = 4  # keys a reader keeps: the build's, and those of the builds tried beside it
GIVEN = 40  # figures handed on are so much smaller than what they are worked from


@dataclass(frozen=True)
class Step:
    """One step of one system: one by which it hands on, or its judging, which gives nothing."""

    system: str
    takes: frozenset[str]
    gives: frozenset[str] = frozenset()
    work: Callable[..., Mapping[str, Array]] | None = None


def steps_of(declared: Mapping[str, Declared]) -> list[Step]:
    """Steps by which each system hands on, and its judging; what nobody takes is not worked."""
    hands = [Step(id, h.takes, h.gives, h.work) for id, d in declared.items() for h in d.hands]
    taken = frozenset[str]().union(*(d.asks for d in declared.values()))
    return [s for s in hands if s.gives & taken] + [Step(id, d.takes) for id, d in declared.items()]


def ordered(steps: Sequence[Step]) -> list[Step]:
    """Steps so that each comes after all it takes from.

    Raises
    ------
    ValueError
        For a ring of steps, named.
    """
    givers = {figure: step for step in steps for figure in step.gives}
    # In the order given where nothing asks for another, so that a run is the same every time.
    sorter = TopologicalSorter({step: [givers[f] for f in sorted(step.takes) if f in givers] for step in steps})
    try:
        return list(sorter.static_order())
    except CycleError as error:
        ring = " > ".join(step.system for step in error.args[1])
        raise ValueError(f"steps that wait for each other: {ring}") from error


@cache
def declarations() -> Mapping[str, Declared]:
    """Every step's, the engine's first."""
    return {ENGINE: ENGINE_DECLARES, **{id: system.declares for id, system in SYSTEMS.items()}}


@cache
def handing() -> list[Step]:
    """Steps that hand on, in their order."""
    return [step for step in ordered(steps_of({id: s.declares for id, s in SYSTEMS.items()})) if step.gives]


def readers(path: str) -> frozenset[str]:
    """Systems, the engine among them, that read a fact themselves."""
    key = key_of(path)
    own = key.split(".")[0]
    found = {id for id, d in declarations().items() if key in d.reads or (id == own and id in SYSTEMS)}
    if own in SYSTEMS and key.split(".")[1] in SYSTEMS[own].lays:
        found |= {id for id, system in SYSTEMS.items() if system.sees_laid}
    return frozenset(found)


def takers(figures: Collection[str]) -> frozenset[str]:
    """Systems that take any of some figures."""
    return frozenset(id for id, d in declarations().items() if not d.asks.isdisjoint(figures))


@cache
def affected(path: str) -> frozenset[str]:
    """Systems that a fact reaches, by its readers and by what they hand on."""
    found: frozenset[str] = frozenset()
    more = readers(path)
    while not more <= found:
        found |= more
        more = takers([figure for id in found for figure in declarations()[id].gives])
    return found


class Reader:
    """All that one system reads of a build but what it is given, as a key."""

    def __init__(self, id: str, declared: Declared) -> None:
        by_section: dict[str, list[str]] = {}
        for path in sorted(declared.reads):
            section, _, name = path.partition(".")
            by_section.setdefault(section, []).append(name)
        self._id = id
        self._duties = attrgetter("name", *by_section.pop("duties", ()))
        self._sections = [(section, attrgetter(*names)) for section, names in by_section.items()]
        self._lately: tuple[tuple[tuple[object, ...], Hashable], ...] = ()

    def __call__(self, case: BuildCase) -> Hashable:
        """What it reads in a case; duties by their names too, which sentences say."""
        # Facts never change: of the very same objects it is the same key, and samples need no second digest.
        read: list[object] = [case.systems.get(self._id), *(getattr(case, section) for section, _ in self._sections)]
        for duty in case.duties:
            read += duty
        for there, key in self._lately:
            if len(there) == len(read) and all(map(is_, there, read)):
                return key
        fresh = self._key(case)
        self._lately = ((tuple(read), fresh), *self._lately[: LATELY - 1])
        return fresh

    def _key(self, case: BuildCase) -> Hashable:
        return by_value(
            (
                self._id,
                case.systems.get(self._id),
                tuple(get(getattr(case, section)) for section, get in self._sections),
                tuple((id, self._duties(facts)) for id, facts in case.duties),
            )
        )


@cache
def reader(id: str) -> Reader:
    """The reader of a system, or of the engine in its duties."""
    return Reader(id, declarations()[id])


def _given(context: Context, takes: frozenset[str]) -> Hashable:
    return tuple(by_value(context.given.get(figure)) for figure in sorted(takes - {OPERATION}))


def hand_on(context: Context, case: BuildCase, memory: Memory, columns: int = 1) -> Context:
    """The context with what systems give each other, in the order of the graph; ``columns``: samples it stands in."""
    for step in handing():
        system = SYSTEMS[step.system]
        if scope_of(system, case).state != JUDGED:
            continue
        key = ("hands", step.gives, context.token, reader(system.id)(case), _given(context, step.takes))
        assert step.work is not None
        found = memory.recall(key, partial(step.work, context, case.systems[system.id]), 1 + columns // GIVEN)
        context = replace(context, given={**context.given, **_beside_tapes(found, case)})
    return context


def _beside_tapes(found: Mapping[str, Array], case: BuildCase) -> Mapping[str, Array]:
    """What is handed on, of a room that was taped the likely size alone: it is only held against the tape, and its draws
    move nobody."""
    taped = [f for name, f in ROOMS.items() if f in found and getattr(case.installation, name) is not None]
    return {**found, **{figure: as_array(likely(found[figure])) for figure in taped}} if taped else found


def judged(context: Context, case: BuildCase, memory: Memory, columns: int = 1) -> dict[str, Solved]:
    """Every system that is judged in this machine, solved in a context with all that is handed on."""
    found: dict[str, Solved] = {}
    for system in judging(case):
        work = partial(Solved, system, context, case.systems[system.id])
        found[system.id] = memory.recall(_key(system, context, case), work, columns)
    return found


def asked(
    context: Context, case: BuildCase, memory: Memory, answers: Memory, name: Hashable, ask: Callable[[Solved], T]
) -> dict[str, T]:
    """One small answer of every system, remembered by itself in ``answers``.

    For builds that are looked at once and never again: a system that must be solved for it is not kept.
    """

    def work(system: System, key: Hashable) -> T:
        there: Solved | None = memory.find(key)
        return ask(there if there is not None else Solved(system, context, case.systems[system.id]))

    found: dict[str, T] = {}
    for system in judging(case):
        key = _key(system, context, case)
        found[system.id] = answers.recall((name, key), partial(work, system, key))
    return found


def _key(system: System, context: Context, case: BuildCase) -> Hashable:
    seen = context.laid if system.sees_laid else ()
    return "judged", context.token, reader(system.id)(case), _given(context, system.declares.takes), seen


def forget() -> None:
    """Ask the systems anew: another of them has come or gone."""
    for known in (declarations, handing, affected, reader):
        known.cache_clear()


handing()  # a ring is refused at import
