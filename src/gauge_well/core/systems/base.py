"""What a system is: the same doors for every one."""

from __future__ import annotations

from collections.abc import Callable, Hashable, Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass, field
from typing import Any, TypeVar

import numpy as np

from gauge_well.core.checks import Check, Unknown
from gauge_well.core.duty.facts import MachineFacts
from gauge_well.core.duty.model import Duties
from gauge_well.core.engine.model import Engine, Operation, operate
from gauge_well.core.errors import CoreError
from gauge_well.core.facts import Rule, Way
from gauge_well.core.reads import ROOMS, Declared
from gauge_well.core.sentence import Sentence
from gauge_well.core.typing import Array, Value, as_array
from gauge_well.core.validity import Look, Notice
from gauge_well.core.working import Step

T = TypeVar("T")


@dataclass(frozen=True)
class Laid:
    """A run that some system tells of and someone must lay: where it is stated, its name, what it is, its length and bore [m]."""

    path: str
    name: str
    what: str
    length: float | None
    bore: float | None


@dataclass(frozen=True, eq=False, kw_only=True)
class Context:
    """What every system is given: the engine, the duties and both operating points.

    ``mean`` serves heat, ``peak`` serves flow; both at the wanted power. ``given`` is what systems hand
    to each other (oil heat to the coolant), by figure name; ``doubts`` are samples of model factors. ``in_air``: the
    same build with other air outside of each duty [K]. ``token`` stands for all that ``mean`` and ``peak`` were worked from.
    ``laid``: runs of hose, pipe and wire that somebody stated in any system.
    """

    engine: Engine
    machine: MachineFacts
    installation: Any
    duties: Duties
    wanted: float
    mean: Operation
    peak: Operation
    given: Mapping[str, Array] = field(default_factory=dict)
    doubts: Mapping[str, Array] = field(default_factory=dict)
    in_air: Callable[[Array], Context] | None = None
    token: Hashable = None
    laid: tuple[Laid, ...] = ()
    memory: dict[str, tuple[tuple[object, ...], Any]] = field(default_factory=dict)

    def remember(self, name: str, stands_on: tuple[object, ...], work: Callable[[], T]) -> T:
        """What was worked already from the very same objects, else worked now.

        For what a system needs both to hand on and to judge; the last of each name is kept.
        """
        kept = self.memory.get(name)
        if kept is not None and all(a is b for a, b in zip(kept[0], stands_on, strict=True)):
            found: T = kept[1]
            return found
        fresh = work()
        self.memory[name] = (stands_on, fresh)
        return fresh

    def room(self, name: str) -> Value | None:
        """A gap or height of the installation [m]: as taped, else as fit comes to it; None where neither is known."""
        taped: Value | None = getattr(self.installation, name)
        return self.told(ROOMS[name]) if taped is None else taped

    def told(self, figure: str) -> Array | None:
        """What another system hands on; None where it does not, or without end: where it does not know."""
        found = self.given.get(figure)
        return found if found is not None and bool(np.isfinite(found).all()) else None

    def doubt(self, factor: str) -> Value:
        """What a model factor is multiplied by: 1, or its samples."""
        return self.doubts.get(factor, 1.0)

    def gearbox_heat(self, op: Operation) -> Array:
        """What the gearbox turns into heat [W] at a power: it goes with that."""
        return np.asarray(self.duties.column("gearbox_heat") * over(op.power, self.mean.power))

    @property
    def own_coolant_heat(self) -> Array:
        """Heat to coolant at the engine's own rated power [W].

        What belongs to the engine (its pump, its jackets) follows this, not the power wanted of it, so
        that it stays the same while reach is sought.
        """
        return np.asarray(self.mean.rated_coolant * (self.engine.rated_power / self.wanted))

    @property
    def own_fuel_flow(self) -> Array:
        """Fuel burned at the engine's own rated power [m3/s]."""
        return np.asarray(self.engine.bsfc * self.engine.rated_power / self.engine.fuel.density)


def over(power: Value, wanted: Value) -> Array:
    """A power over that at the wanted one; 1 where a duty asks none, for there is nothing to scale."""
    base = as_array(wanted)
    return np.where(base > 0.0, as_array(power) / np.where(base > 0.0, base, 1.0), 1.0)


def points(engine: Engine, duties: Duties, wanted: Value, factor: Value) -> tuple[Operation, Operation]:
    """Mean and peak operation of every duty with the powers scaled by ``factor``.

    One pass where no duty's peak differs from its mean.
    """
    ambient, pressure = duties.column("ambient"), duties.column("pressure")
    power, speed, wide_open = (duties.column(n) for n in ("power", "engine_speed", "wide_open"))
    mean = operate(engine, wanted, power * factor, speed, ambient, pressure, wide_open)
    if not any(c.peaks for c in duties.cases):
        return mean, mean
    peak = operate(engine, wanted, duties.column("peak_power") * factor, duties.column("peak_speed"), ambient, pressure)
    return mean, peak


@dataclass(frozen=True)
class Option:
    """One of several sizes that would serve: what it comes to, (label, value, kind); ``marked`` is the one advised."""

    values: Sequence[tuple[str, float, str]]
    marked: bool


@dataclass(frozen=True)
class Shopping:
    """How a need stands in the first answer, which is a list to buy from.

    Parameters
    ----------
    name : str
        What is bought.
    brief : Sentence
        As the headline says it, after "160 kW takes"; empty where another need says it too.
    detail : Sentence
        Under which conditions: depth, pressure, shroud.
    sold : Sentence
        The next size sold, or what is done where none is so large.
    size : float or None
        That size in the need's own unit; None where none is so large.
    fact : str
        What is typed first of one that is there, as ``section.field``.
    takes : tuple of (path, value, kind)
        What the need itself takes for parts not stated.
    """

    name: str
    brief: Sentence
    detail: Sentence
    sold: Sentence
    size: float | None
    fact: str
    takes: tuple[tuple[str, float, str], ...] = ()


@dataclass(frozen=True)
class Need:
    """What the wanted power asks of a part, fitted or not; ``value`` may be samples, the likely first.

    ``options`` where it is a choice and not one size under a line; ``shop`` where it is one of the first things bought;
    ``band`` where the ends are known otherwise than by samples.
    """

    part: str
    quantity: str
    value: Value
    kind: str
    sentence: Sentence
    options: Sequence[Option] = ()
    shop: Shopping | None = None
    band: tuple[float, float] | None = None


@dataclass(frozen=True)
class Candidate:
    """One change worth trying: what is set to what.

    ``changes`` maps a path to an SI value, a choice's id, a table's rows, or None for what goes back to its
    rule. ``label`` says it as a builder would. ``school``: nothing on the machine is changed, only how it is
    judged. ``of``: the system it is a change of, where it sets facts of none (the engine's idle).
    """

    id: str
    part: str
    label: Sentence
    changes: Mapping[str, float | str | tuple[tuple[float, ...], ...] | None]
    school: bool = False
    of: str = ""


@dataclass(frozen=True)
class Compared:
    """A figure by which parts are told apart, at the duty that governs what is fitted; ``more``: more of it is better."""

    figure: str
    label: str
    kind: str
    more: bool


@dataclass(frozen=True)
class Compare:
    """Parts side by side: the places they would fill, and the figures they are told apart by."""

    places: Sequence[str]
    figures: Sequence[Compared]


@dataclass(frozen=True)
class Beside:
    """Something a change alters beside the fills: current, mass, room."""

    id: str
    label: str
    value: float
    kind: str


@dataclass(frozen=True)
class Caution:
    """A plain warning with what to do; ``where`` is the group of facts it stands beside."""

    id: str
    where: str
    text: str


Options = Mapping[str, float]


@dataclass(frozen=True)
class Offer:
    """Facts that others come to, to be set as they stand: path -> SI value, and how they are known."""

    changes: Mapping[str, float]
    evidence: str


def offers_nothing(facts: Any) -> Offer | None:
    """Of a drawing that sets no facts."""
    return None


@dataclass(frozen=True)
class View:
    """A drawing of a station, by name: the dataclass it gives, and how it is made of context, facts and options.

    ``show`` raises MissingFact for what cannot be drawn yet, CoreError for an option out of range. ``offer``: what the
    facts come to that others are still missing. ``drawn``: it is made of the facts' draws, the likely ones first.
    """

    gives: type[Any]
    show: Callable[[Context, Any, Options], Any]
    offer: Callable[[Any], Offer | None] = offers_nothing
    drawn: bool = False


@dataclass(frozen=True)
class Progress:
    """So much of a long search is done, and what it is at."""

    what: str
    done: int
    of: int


@dataclass(frozen=True)
class Seek:
    """A search that takes seconds, by name: the dataclass it comes to, how it is made of context and facts, saying how
    far it is, and what facts the answer comes to."""

    gives: type[Any]
    seek: Callable[[Context, Any], Iterator[Any]]
    offer: Callable[[Any], Offer | None] = offers_nothing


def option(options: Options, name: str, usual: float, low: float, high: float, unit: str = "") -> float:
    """An option of a view.

    Raises
    ------
    CoreError
        Where it is outside what the view can show; ends included.
    """
    value = float(options.get(name, usual))
    if not low <= value <= high:
        raise CoreError("out_of_range", name, value, f"{low:g} to {high:g} {unit}".strip(), "That is out of range.")
    return value


def duty_asked(context: Context, options: Options) -> int:
    """Index of the duty a view is of; the first by default. CoreError where there is none of that number."""
    return int(option(options, "duty", 0, 0, len(context.duties.cases) - 1))


@dataclass(frozen=True)
class Result:
    """A system solved for one context, ready to be asked again at other powers.

    What only a whole report shows is called for, so that samples and remedies do not pay for it. ``not_judged``: why
    it is not, where it is left out for this build.
    """

    checks: Callable[[Operation, Operation], Sequence[Check]]
    unknown: Sequence[Unknown]
    figures: Callable[[], Mapping[str, Array]]
    needs: Callable[[], Sequence[Need]]
    notices: Callable[[], Sequence[Notice]]
    working: Callable[[int], list[Step]]
    beside: Callable[[], Sequence[Beside]] = tuple
    looks: Callable[[], Iterable[Look]] = tuple
    not_judged: str = ""


@dataclass(frozen=True)
class RowName:
    """What a row is called, and whether that is said of several: injectors carry, the pump carries."""

    text: str
    many: bool = False


@dataclass(frozen=True)
class System:
    """One system of the core.

    Parameters
    ----------
    id, title : str
    facts : class
        Frozen dataclass of what it needs to know.
    fill : callable
        (given, context of given and ruled facts by section) -> rules.
    parts : mapping
        Part id -> what its row is called, in the order of rows.
    applies : callable
        Machine -> None, or why the system is not judged.
    refuse : callable
        Facts -> None; raises CoreError for values that contradict each other.
    solve : callable
        (context, facts) -> Result.
    cautions : sequence of Caution
    declares : Declared
        What it reads outside its own facts, takes from other systems and hands to them.
    views : mapping
        Name -> drawing of the station.
    ways : mapping
        Field -> how it is measured in a workshop.
    candidates : callable
        (context, facts) -> changes worth trying.
    compare : Compare
        What parts that might be fitted are told apart by; None where they are not.
    seeks : mapping
        Name -> search of the station that takes seconds.
    asked : int
        Its place in what a builder asks for first of a bare engine.
    lays : mapping
        Places of its own whose parts are runs that must be laid -> what such a run is.
    sees_laid : bool
        Whether it goes by what other systems lay.
    """

    id: str
    title: str
    facts: type[Any]
    fill: Callable[[Mapping[str, Any], Mapping[str, Mapping[str, Any]]], dict[str, Rule]]
    parts: Mapping[str, RowName]
    applies: Callable[[MachineFacts], str | None]
    refuse: Callable[[Any], None]
    solve: Callable[[Context, Any], Result]
    cautions: Sequence[Caution]
    declares: Declared
    views: Mapping[str, View]
    ways: Mapping[str, Way]
    candidates: Callable[[Context, Any], Sequence[Candidate]]
    compare: Compare | None = None
    seeks: Mapping[str, Seek] = field(default_factory=dict)
    asked: int = 99
    lays: Mapping[str, str] = field(default_factory=dict)
    sees_laid: bool = False
