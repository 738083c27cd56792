"""How a system declares what it needs to know: one specification a field, used by every edge."""

from __future__ import annotations

import dataclasses
from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any

import numpy as np

from gauge_well.core.errors import MissingFact
from gauge_well.core.typing import Value, likely

When = tuple[str, tuple[str, ...]]


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
        The fitted part the field belongs to; a part is never filled by rule.
    help : str
        How it is found out in a workshop, or what the rule takes.
    count_field : str
        Field that receives the count of ``2x 11 in``; :data:`ADDED` where so many are simply added up.
    spread : str
        Row of the tolerance table it goes by, where that is not its kind's; ``exact`` for what is asked,
        chosen or counted rather than measured.
    when : (field, choices), optional
        The field has a meaning only where a choice of its section, or another's as ``section.field``, stands at one of
        these.
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
    fine: bool = False


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
    part: str = "",
    group: str = "",
    help: str = "",
    count_field: str = "",
    spread: str = "",
    when: When | None = None,
    fine: bool = False,
) -> Any:
    """Declare a quantity field of a facts class."""
    spec = Spec(
        label,
        kind,
        low,
        high,
        part=part,
        group=group,
        help=help,
        count_field=count_field,
        spread=spread,
        when=when,
        fine=fine,
    )
    return dataclasses.field(default=None, metadata={"spec": spec})


def choice(
    label: str,
    choices: Mapping[str, str],
    *,
    part: str = "",
    group: str = "",
    help: str = "",
    when: When | None = None,
) -> Any:
    """Declare a field that takes one of a closed table."""
    spec = Spec(label, "choice", choices=choices, part=part, group=group, help=help, when=when)
    return dataclasses.field(default=None, metadata={"spec": spec})


def text(label: str, *, group: str = "", help: str = "") -> Any:
    """Declare a free text field."""
    return dataclasses.field(default=None, metadata={"spec": Spec(label, "text", group=group, help=help)})


def table(
    label: str,
    columns: tuple[tuple[str, str], ...],
    *,
    part: str = "",
    group: str = "",
    help: str = "",
    words: Mapping[str, float] | None = None,
    spread: str = "",
    when: When | None = None,
) -> Any:
    """Declare a table of rows; ``columns`` are (name, kind)."""
    spec = Spec(
        label, "table", columns=columns, part=part, group=group, help=help, words=words, spread=spread, when=when
    )
    return dataclasses.field(default=None, metadata={"spec": spec})


_SPECS: dict[type[Any], Mapping[str, Spec]] = {}


def specs(facts_class: type[Any]) -> Mapping[str, Spec]:
    """Return field name -> specification of a facts class."""
    found = _SPECS.get(facts_class)
    if found is None:
        fields = dataclasses.fields(facts_class)
        found = _SPECS[facts_class] = {f.name: f.metadata["spec"] for f in fields if "spec" in f.metadata}
    return found


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


def at_likely(facts: Any) -> Any:
    """A facts object with every array of samples brought back to its likely value."""
    names = [f.name for f in dataclasses.fields(facts)]
    arrays = {n: v for n in names if isinstance(v := getattr(facts, n), np.ndarray)}
    tables = {
        n: tuple(tuple(likely(cell) for cell in row) for row in v)
        for n in names
        if isinstance(v := getattr(facts, n), tuple) and any(isinstance(c, np.ndarray) for row in v for c in row)
    }
    return dataclasses.replace(facts, **{n: likely(v) for n, v in arrays.items()}, **tables)


YES_NO: Mapping[str, str] = {"yes": "yes", "no": "no"}
