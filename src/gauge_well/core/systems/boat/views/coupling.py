"""The coupling as the dial read it, what each pair of feet is moved by, what is left then; beds under the feet."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from gauge_well.core.strength import coupling
from gauge_well.core.systems.base import Context, Options, duty_asked
from gauge_well.core.systems.boat import shafting
from gauge_well.core.systems.boat.facts import BoatFacts
from gauge_well.core.typing import Array, likely, likely_or_none


@dataclass(frozen=True)
class Feet:
    """A pair of feet: ahead of the coupling's face, up and to the left by so much [m]; None where it cannot be said."""

    name: str
    ahead: float | None
    up: float | None
    left: float | None


@dataclass(frozen=True)
class Bed:
    """A bed under a pair of feet [m]: its top under the shaft's line and over the waterline, what a bracket reaches inward."""

    name: str
    ahead: float
    under: float
    over: float | None
    reach: float | None


@dataclass(frozen=True)
class CouplingView:
    """Offset [m] and angle [rad] upright and in plan, diameter felt [m], what is let pass; feet and beds; what face and rim would
    read once they were moved [m]; readings still missing."""

    offset: float | None
    angle: float | None
    plan_offset: float | None
    plan_angle: float | None
    across: float | None
    face_most: float
    rim_most: float
    feet: Sequence[Feet]
    left_over: float | None
    beds: Sequence[Bed]
    missing: Sequence[str]


def _number(value: Array | None) -> float | None:
    return likely_or_none(value)


def show(context: Context, facts: BoatFacts, options: Options) -> CouplingView:
    """Readings into shims."""
    duty_asked(context, options)
    found = shafting.aligned(facts)
    across = likely_or_none(facts.felt_at)
    feet, left_over = [], None
    if found is not None:
        rows = (
            ("Front feet", facts.feet_front, found.front, found.front_left),
            ("Back feet", facts.feet_back, found.back, found.back_left),
        )
        feet = [Feet(name, likely_or_none(at), _number(up), _number(left)) for name, at, up, left in rows]
        if (
            found.front is not None
            and found.back is not None
            and facts.feet_front is not None
            and facts.feet_back is not None
        ):
            after = coupling.moved(found.upright, found.front, found.back, facts.feet_front, facts.feet_back)
            face, rim = coupling.readings(after, 0.1 if facts.felt_at is None else facts.felt_at)
            left_over = max(abs(likely(face)), abs(likely(rim)))
    return CouplingView(
        offset=None if found is None else likely(found.upright.offset),
        angle=None if found is None else likely(found.upright.angle),
        plan_offset=None if found is None or found.plan is None else likely(found.plan.offset),
        plan_angle=None if found is None or found.plan is None else likely(found.plan.angle),
        across=across,
        face_most=coupling.GOOD * (across or 0.1),
        rim_most=shafting.OFFSET,
        feet=feet,
        left_over=left_over,
        beds=[Bed(b.name, b.ahead, b.under, b.over, b.reach) for b in shafting.beds(context, facts)],
        missing=list(shafting.coupling_missing(facts)),
    )
