"""How a system declares what it needs to know: one specification a field, used by every edge."""

from __future__ import annotations

import dataclasses
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass
from functools import cache, lru_cache
from operator import attrgetter
from typing import Any, TypeVar

import numpy as np

from gauge_well.core.errors import MissingFact
from gauge_well.core.typing import Value, likely

When = tuple[str, tuple[str, ...]]
F = TypeVar("F")


ADDED = "+"  # in place of a count's field: 2x 40 L are 80 L


@dataclass(frozen=True)
class Spec:
    """What may stand in one field.

    Parameters
    ----------
    label : str
        As a builder says it.
    kind : str
        A quantity kind (``length``, ``power`` ...), ``choice``, ``text`` or ``table``.
    low, high : float
        Allowed SI range, ends included, for quantities.
    choices : mapping id -> label
    columns : kinds of the columns of a table.
    words : mapping
        What may be typed in words in a table's last column.
    part : str
        The part in a system that the field belongs to, where it is one of the facts without which nothing is known of
        that part; it is never filled by rule.
    follows : str
        The field behind which it stands and without which its label says little ("at").
    needed : bool
        Of a kind's facts: one without which nothing is known of such a part.
    help : str
        How it is found out in a workshop, or what the rule takes.
    count_field : str
        Field that receives the count of ``2x 11 in``; :data:`ADDED` where so many are simply added up.
    spread : str
        Row of the tolerance table it goes by, where that is not its kind's; ``exact`` for what is asked,
        chosen or counted rather than measured.
    when, also : (field, choices), optional
        The field has a meaning only where a choice of its section, or another's as ``section.field``, stands at one of
        these; of a kind's facts, a choice of the same part. Both, where both are given.
    rows : int
        A table holds at most.
    signed : bool
        A table's numbers may be below nought: they say where, not how much.
    fine : bool
        A detail no builder is asked for, whatever rests on it (fins).
    """

    label: str
    kind: str
    low: float = -float("inf")
    high: float = float("inf")
    choices: Mapping[str, str] | None = None
    columns: tuple[tuple[str, str], ...] = ()
    part: str = ""
    group: str = ""
    help: str = ""
    count_field: str = ""
    words: Mapping[str, float] | None = None
    spread: str = ""
    when: When | None = None
    also: When | None = None
    fine: bool = False
    needed: bool = False
    follows: str = ""
    rows: int = 60
    signed: bool = False


# Where one stands with the tape, in the order of a round.
PLACES: Mapping[str, str] = {
    "hand": "Part in hand",
    "stand": "Engine on its stand",
    "above": "Bay from above",
    "under": "Under the machine",
    "tank": "At the tank",
    "running": "Engine running",
    "papers": "Plates and papers",
}


@dataclass(frozen=True)
class Way:
    """How a fact is measured in a workshop: where one stands (:data:`PLACES`) and what one does there."""

    place: str
    how: str


def quantity(
    label: str,
    kind: str,
    low: float,
    high: float,
    *,
    needed: bool = False,
    group: str = "",
    help: str = "",
    count_field: str = "",
    spread: str = "",
    when: When | None = None,
    also: When | None = None,
    fine: bool = False,
    follows: str = "",
) -> Any:
    """Declare a quantity field of a facts class."""
    spec = Spec(
        label,
        kind,
        low,
        high,
        needed=needed,
        group=group,
        help=help,
        count_field=count_field,
        spread=spread,
        when=when,
        also=also,
        fine=fine,
        follows=follows,
    )
    return dataclasses.field(default=None, metadata={"spec": spec})


def choice(
    label: str,
    choices: Mapping[str, str],
    *,
    needed: bool = False,
    group: str = "",
    help: str = "",
    when: When | None = None,
    also: When | None = None,
) -> Any:
    """Declare a field that takes one of a closed table."""
    spec = Spec(label, "choice", choices=choices, needed=needed, group=group, help=help, when=when, also=also)
    return dataclasses.field(default=None, metadata={"spec": spec})


def text(label: str, *, group: str = "", help: str = "") -> Any:
    """Declare a free text field."""
    return dataclasses.field(default=None, metadata={"spec": Spec(label, "text", group=group, help=help)})


def table(
    label: str,
    columns: tuple[tuple[str, str], ...],
    *,
    needed: bool = False,
    group: str = "",
    help: str = "",
    words: Mapping[str, float] | None = None,
    spread: str = "",
    when: When | None = None,
    also: When | None = None,
    rows: int = 60,
    signed: bool = False,
) -> Any:
    """Declare a table of rows; ``columns`` are (name, kind)."""
    spec = Spec(
        label,
        "table",
        columns=columns,
        needed=needed,
        group=group,
        help=help,
        words=words,
        spread=spread,
        when=when,
        also=also,
        rows=rows,
        signed=signed,
    )
    return dataclasses.field(default=None, metadata={"spec": spec})


@dataclass(frozen=True)
class Kind:
    """A kind of part: what is known of such a thing, and how it is measured in a workshop."""

    id: str
    label: str
    facts: type[Any]
    ways: Mapping[str, Way]
    # Facts that two halves of such a part share between them, where it can be cut in two.
    parts_in_two: tuple[str, ...] = ()


@dataclass(frozen=True)
class Role:
    """A place in a system that one part fills.

    Parameters
    ----------
    kind : Kind
        Of the part that fills it.
    label : str
        The place as a builder says it.
    group : str
        Group in which its facts stand; empty: the groups of the kind.
    asks : tuple of str
        What is asked of a part here, where that is not all the kind knows.
    labels, helps, limits : mapping
        Of its facts, where here they are called, explained or bounded otherwise.
    when, also : (field, choices), optional
        The place is there only where a choice of the section, or of another, stands at one of these; ``when`` takes the
        place of a kind's own, ``also`` stands beside them.
    needs : tuple of str, optional
        Facts without which nothing is known of a part here, where those are not the kind's own.
    row : str
        Row of the report in which a part here is judged.
    """

    kind: Kind
    label: str
    group: str = ""
    asks: tuple[str, ...] = ()
    labels: Mapping[str, str] = dataclasses.field(default_factory=dict)
    helps: Mapping[str, str] = dataclasses.field(default_factory=dict)
    limits: Mapping[str, tuple[float, float]] = dataclasses.field(default_factory=dict)
    when: When | None = None
    also: When | None = None
    needs: tuple[str, ...] | None = None
    row: str = ""

    @property
    def names(self) -> Sequence[str]:
        """Facts that are asked of a part here."""
        return self.asks or tuple(specs(self.kind.facts))

    def own(self, name: str) -> Spec:
        """A kind's specification as it stands here, by the part's own names."""
        spec = specs(self.kind.facts)[name]
        low, high = self.limits.get(name, (spec.low, spec.high))
        return dataclasses.replace(
            spec,
            label=self.labels.get(name, spec.label),
            help=self.helps.get(name, spec.help),
            low=low,
            high=high,
            group=self.group or spec.group,
            count_field=spec.count_field if spec.count_field in (ADDED, *self.names) else "",
        )

    def of(self, name: str, id: str) -> Spec:
        """The same by the section's names, where this place's name is ``id``."""
        spec = self.own(name)
        within = spec.when if spec.when is None else (f"{id}.{spec.when[0]}", spec.when[1])
        counted = spec.count_field
        return dataclasses.replace(
            spec,
            part=id if (spec.needed if self.needs is None else name in self.needs) else "",
            count_field=f"{id}.{counted}" if counted and counted != ADDED else counted,
            when=self.when or within,
            also=self.also or spec.also,
        )


def role(kind: Kind, label: str, **options: Any) -> Any:
    """Declare a place that one part of a kind fills; its facts are addressed as ``place.fact``. Options: of :class:`Role`."""
    return dataclasses.field(default=kind.facts(), metadata={"role": Role(kind, label, **options)})


Several = tuple[tuple[str, F], ...]  # parts in order, each by its id


def several(kind: Kind, label: str, **options: Any) -> Any:
    """Declare a place that several parts of a kind fill in order; their facts are addressed as ``place.id.fact``."""
    return dataclasses.field(default=(), metadata={"several": Role(kind, label, **options)})


_PLACES: dict[tuple[str, type[Any]], Mapping[str, Role]] = {}


def roles(facts_class: type[Any]) -> Mapping[str, Role]:
    """Return the places of a facts class that one part fills, by name."""
    return _places("role", facts_class)


def _places(how: str, facts_class: type[Any]) -> Mapping[str, Role]:
    if (how, facts_class) not in _PLACES:
        found = {f.name: f.metadata[how] for f in dataclasses.fields(facts_class) if how in f.metadata}
        _PLACES[how, facts_class] = found
    return _PLACES[how, facts_class]


def lists(facts_class: type[Any]) -> Mapping[str, Role]:
    """Return the places of a facts class that several parts fill, by name."""
    return _places("several", facts_class)


_SPECS: dict[type[Any], Mapping[str, Spec]] = {}


def specs(facts_class: type[Any]) -> Mapping[str, Spec]:
    """Return field name -> specification of a facts class; what belongs to the part in a role as ``role.field``."""
    if facts_class in _SPECS:
        return _SPECS[facts_class]
    found: dict[str, Spec] = {}
    for f in dataclasses.fields(facts_class):
        if "spec" in f.metadata:
            found[f.name] = f.metadata["spec"]
        elif "role" in f.metadata:
            place: Role = f.metadata["role"]
            found |= {f"{f.name}.{name}": place.of(name, f.name) for name in place.names}
    _SPECS[facts_class] = found
    return found


def spec_at(facts_class: type[Any], name: str) -> Spec | None:
    """Specification of a field, of whichever part of a list too; None where there is none."""
    return _spec_at(facts_class, name)  # type: ignore[arg-type]


@lru_cache(maxsize=8192)  # parts of lists go by any name: bounded
def _spec_at(facts_class: type[Any], name: str) -> Spec | None:
    found = specs(facts_class).get(name)
    if found is None and name.count(".") == 2:
        place, id, inner = name.split(".")
        of = lists(facts_class).get(place)
        if of is not None and inner in of.names:
            return of.of(inner, f"{place}.{id}")
    return found


def entries(facts: Any) -> Iterator[tuple[str, Spec, Any]]:
    """Every fact by its name, with its specification and its value."""
    for name, spec in specs(type(facts)).items():
        yield name, spec, fact(facts, name)
    for place, of in lists(type(facts)).items():
        for id, part in getattr(facts, place):
            for name in of.names:
                yield f"{place}.{id}.{name}", of.of(name, f"{place}.{id}"), getattr(part, name)


def ways_of(facts_class: type[Any], own: Mapping[str, Way]) -> Mapping[str, Way]:
    """How each fact of a system is measured: as its kind of part is, but for what the system itself says."""
    found = {
        f"{id}.{name}": way
        for id, place in roles(facts_class).items()
        for name, way in place.kind.ways.items()
        if f"{id}.{name}" in specs(facts_class)
    }
    return found | dict(own)


@cache
def _getter(name: str) -> attrgetter[Any]:
    return attrgetter(name)


def fact(facts: Any, name: str) -> Any:
    """One fact by its name: ``field``, ``role.field``, ``list.id.field``; KeyError where a list has no such part."""
    if name.count(".") < 2:
        return _getter(name)(facts)
    place, id, inner = name.split(".")
    return getattr(dict(getattr(facts, place))[id], inner)


def with_facts(facts: F, values: Mapping[str, Any]) -> F:
    """Facts with some of them set, by name."""
    own: dict[str, Any] = {}
    parts: dict[str, dict[str, Any]] = {}
    for name, value in values.items():
        place, dot, inner = name.partition(".")
        if dot:
            parts.setdefault(place, {})[inner] = value
        else:
            own[name] = value
    for place, inner_values in parts.items():
        now = getattr(facts, place)
        if not isinstance(now, tuple):
            own[place] = dataclasses.replace(now, **inner_values)
            continue
        by_id: dict[str, dict[str, Any]] = {}
        for name, value in inner_values.items():
            id, _, inner = name.partition(".")
            by_id.setdefault(id, {})[inner] = value
        own[place] = tuple((id, dataclasses.replace(part, **by_id.get(id, {}))) for id, part in now)
    found: F = dataclasses.replace(facts, **own)  # type: ignore[type-var]
    return found


def built(facts_class: type[F], values: Mapping[str, Any], listed: Mapping[str, Sequence[str]]) -> F:
    """Facts of a class from values by name; ``listed``: ids of the parts in each place that several fill."""
    empty = {
        place: tuple((id, of.kind.facts()) for id in listed.get(place, ())) for place, of in lists(facts_class).items()
    }
    return with_facts(facts_class(**empty), values)


@dataclass(frozen=True)
class Rule:
    """A value supplied by the program, with what it rests on; ``exact`` where there is nothing to doubt."""

    value: Any
    note: str
    source: str = "common practice"
    exact: bool = False


def need(value: Value | None, field: str) -> Value:
    """Return ``value``; raise :class:`MissingFact` naming ``field`` when it is not given."""
    if value is None:
        raise MissingFact(field)
    return value


def need_number(value: Value | None, field: str) -> float:
    """One number of a fact, its likely one; raise :class:`MissingFact` naming ``field`` when it is not given."""
    return likely(need(value, field))


def at_likely(facts: F) -> F:
    """A facts object with every array of samples brought back to its likely value, its parts with it."""
    changed: dict[str, Any] = {}
    for name, value in vars(facts).items():
        if value is None or isinstance(value, float | str):
            continue
        if isinstance(value, np.ndarray):
            changed[name] = likely(value)
        elif dataclasses.is_dataclass(value):
            part = at_likely(value)
            if part is not value:
                changed[name] = part
        elif isinstance(value, tuple) and value:
            changed[name] = tuple([_row_at_likely(row) for row in value])
    return dataclasses.replace(facts, **changed) if changed else facts  # type: ignore[type-var]


def _row_at_likely(row: Any) -> Any:
    """A row of a table, or a part of several with its id, without samples."""
    found = [
        at_likely(c) if dataclasses.is_dataclass(c) else likely(c) if isinstance(c, np.ndarray) else c for c in row
    ]
    return tuple(found)


YES_NO: Mapping[str, str] = {"yes": "yes", "no": "no"}
