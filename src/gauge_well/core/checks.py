"""Demand against capacity: one set of rules for every system, as the product defines them."""

from __future__ import annotations

from collections.abc import Callable, Collection, Mapping, Sequence
from dataclasses import dataclass, replace
from enum import StrEnum

import numpy as np

from gauge_well.core.sentence import Sentence
from gauge_well.core.typing import Array, Value, as_array, clip, likely

FILL_MAX = 9.99
MOST_COST = 0.10  # of the power, that a cost is drawn against
LEAST_NEEDED = 1e-9  # what is kept to nothing at all: touching is at the brim, over it beyond


class CheckClass(StrEnum):
    """``limit`` alone makes a state; ``cost`` works and loses. A rule of thumb is a notice."""

    LIMIT = "limit"
    COST = "cost"


class Scales(StrEnum):
    """What a check's fill follows."""

    POWER = "power"
    LOAD = "load"
    GATE = "gate"


class State(StrEnum):
    """The five states; ``assumed``: short only by a value nobody stated; ``tight`` needs a tolerance run."""

    SHORT = "short"
    ASSUMED = "assumed"
    TIGHT = "tight"
    HOLDS = "holds"
    UNKNOWN = "unknown"


@dataclass(frozen=True, kw_only=True)
class Check:
    """A demand held against a capacity over (power step, duty, sample).

    Parameters
    ----------
    id, name, part : str
        ``part`` is the thing a builder can change; checks of one part share a row.
    check_class : CheckClass
    scales : Scales or None
        None: each duty decides (power-driven duties scale with power, load-driven with load).
    demand, capacity : float or array
        In ``kind``'s SI unit; broadcast to (power step, duty, sample).
    fill : array
    code : str
        Fill code at the edges, empty when ordinary.
    judged : sequence of bool
        Which duties this check speaks of.
    sentences : callable
        One sentence a duty, at the wanted power; called where they are shown.
    """

    id: str
    name: str
    part: str
    check_class: CheckClass
    scales: Scales | None
    kind: str
    demand: Value
    capacity: Value
    fill: Array
    code: str = ""
    judged: Sequence[bool] | None = None
    sentences: Callable[[], Sequence[Sentence]] = tuple
    danger: bool = False


@dataclass(frozen=True)
class Unknown:
    """A check that cannot be judged, and the facts that are missing."""

    id: str
    name: str
    part: str
    missing: tuple[str, ...]


def ratio_fill(demand: Value, capacity: Value) -> Array:
    """Fill D / C clamped to 0..9.99; a capacity at or below nought is over any brim.

    Parameters
    ----------
    demand, capacity : float or array
        Same unit, broadcastable.

    Returns
    -------
    array
        Fill, 1 at the limit. Never NaN or infinite.
    """
    d, c = as_array(demand), as_array(capacity)
    there = c > 0.0
    fill = np.maximum(np.where(there, d / np.where(there, c, 1.0), np.where(d > 0.0, FILL_MAX, 0.0)), 0.0)
    # A comparison with NaN is false, so that it too reads as over any brim.
    return np.where(fill < FILL_MAX, fill, FILL_MAX)


def gap_fill(actual: Value, needed: Value) -> Array:
    """Fill 2 - a/n of a gap, clearance, head or level.

    Nought when twice the need is there, 1 at the need, 2 when touching, beyond in interference.
    """
    return clip(2.0 - as_array(actual) / np.maximum(needed, LEAST_NEEDED), 0.0, FILL_MAX)


def worst_of(states: Collection[State], unknown: bool = False) -> State:
    """State of a system, or of a whole build, by those of its limits and whether any is unknown."""
    if State.SHORT in states:
        return State.SHORT
    if unknown or State.UNKNOWN in states:
        return State.UNKNOWN
    return next((s for s in (State.ASSUMED, State.TIGHT) if s in states), State.HOLDS)


def gate(
    id: str,
    name: str,
    part: str,
    demand: Value,
    capacity: Value,
    kind: str,
    words: str,
    more: Callable[[], dict[str, tuple[float, str] | str]] = dict,
    *,
    fill: Array | None = None,
    cost: bool = False,
    danger: bool = False,
) -> Check:
    """A gate, or a cost, that no power changes: ``words`` say {demand}, {capacity} and what ``more`` gives.

    ``fill`` is D / C where none is given.
    """

    def said() -> Sequence[Sentence]:
        values = {"demand": (likely(demand), kind), "capacity": (likely(capacity), kind)}
        return (Sentence(words, {**values, **more()}),)

    return Check(
        id=id,
        name=name,
        part=part,
        check_class=CheckClass.COST if cost else CheckClass.LIMIT,
        scales=Scales.GATE,
        kind=kind,
        demand=demand,
        capacity=capacity,
        fill=ratio_fill(demand, capacity) if fill is None else fill,
        sentences=said,
        danger=danger,
    )


def never(
    id: str,
    name: str,
    part: str,
    words: str,
    *,
    code: str = "",
    danger: bool = False,
    cost: bool = False,
    sizes: Mapping[str, float] | None = None,
) -> Check:
    """What cannot be, or may not, whatever it amounts to: over any brim, in so many words; ``sizes`` are what they name [m]."""
    said: dict[str, tuple[float, str] | str] = {"why": words}
    if sizes:
        said = {key: (value, "size") for key, value in sizes.items()}
    check = gate(
        id, name, part, 1.0, 0.0, "count", words if sizes else "{why}", lambda: {**said}, fill=as_array(FILL_MAX), cost=cost, danger=danger
    )  # fmt: skip
    return replace(check, code=code)


def gap_gate(id: str, name: str, part: str, gap: Value | None, kept: Value | None, danger: bool = False) -> list[Check]:
    """A measured gap against the one kept [m], whatever the power; nothing where either is not known."""
    if gap is None or kept is None:
        return []
    limit, fill = CheckClass.LIMIT, gap_fill(gap, kept)

    def said() -> Sequence[Sentence]:
        return (Sentence("{gap}; keep {kept}.", {"gap": (likely(gap), "size"), "kept": (likely(kept), "size")}),)

    return [
        Check(
            id=id,
            name=name,
            part=part,
            check_class=limit,
            scales=Scales.GATE,
            kind="height",
            demand=kept,
            capacity=gap,
            fill=fill,
            sentences=said,
            danger=danger,
        )
    ]


def hot_gate(
    id: str,
    name: str,
    part: str,
    hot: Array,
    sink: Array,
    limit: Value,
    said: Callable[[int], Sentence],
    danger: bool = False,
) -> Check:
    """A temperature over its sink against its limit over it, in the worst duty, whatever power is sought.

    Parameters
    ----------
    hot, sink : array
        Over (power step, duty, sample) [K].
    limit : float or array
        [K].
    said : callable
        Place of the worst duty -> what is said of it.
    """
    demand, capacity = np.broadcast_arrays(hot - sink, as_array(limit) - sink)
    fill = ratio_fill(demand, capacity)
    at = int(np.argmax(fill.reshape(-1, *fill.shape[-2:])[0, :, 0]))
    demand, capacity, fill = (v[..., at : at + 1, :] for v in (demand, capacity, fill))
    return Check(
        id=id,
        name=name,
        part=part,
        check_class=CheckClass.LIMIT,
        scales=Scales.GATE,
        kind="temperature_difference",
        demand=demand,
        capacity=capacity,
        fill=fill,
        sentences=lambda: (said(at),),
        danger=danger,
    )


def power_cost(
    id: str, name: str, part: str, lost: Array, power: Array, sentences: Callable[[], Sequence[Sentence]]
) -> Check:
    """Power lost [W] beside a tenth of what is made [W]: a cost, that never makes a state."""
    most = MOST_COST * power
    return Check(
        id=id,
        name=name,
        part=part,
        check_class=CheckClass.COST,
        scales=None,
        kind="power",
        demand=lost,
        capacity=most,
        fill=ratio_fill(lost, most),
        sentences=sentences,
    )
