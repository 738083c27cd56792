"""The ledger, line by line, and what stands on the axles before and after."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from gauge_well.core.statics.axles import on_front
from gauge_well.core.systems.base import Context, Options
from gauge_well.core.systems.weights.facts import WeightsFacts
from gauge_well.core.systems.weights.ledger import ends, ledger
from gauge_well.core.typing import Value, likely, likely_or_none


@dataclass(frozen=True)
class Line:
    """A line: mass [kg], negative of what comes out, arm behind the front axle [m], how much of it the front axle takes
    [kg]."""

    id: str
    name: str
    goes: str
    mass: float
    arm: float
    front: float


@dataclass(frozen=True)
class Axle:
    """An axle before, stripped, and after [kg]; plate [kg]; ride lost [m], spring at the wheel now and of the same
    frequency [N/m]; None where nobody says."""

    end: str
    before: float
    stripped: float
    after: float
    plate: float | None
    sinks: float | None
    spring: float | None
    same: float | None


@dataclass(frozen=True)
class LedgerView:
    """Lines and axles; the whole machine [kg], its balance point behind the front axle and over the ground [m], the axles
    apart [m], the balance point stripped [m]; stands behind the front axle [m]."""

    lines: Sequence[Line]
    axles: Sequence[Axle]
    before: float
    mass: float
    cg_x: float
    cg_z: float
    wheelbase: float
    stripped_x: float
    stands: tuple[float, float] | None


def show(context: Context, facts: WeightsFacts, options: Options) -> LedgerView:
    """No options; MissingFact names what nobody weighed."""
    found = ledger(context, facts)
    stripped = found.with_out_only()
    bare = {"front": stripped.front_after, "rear": stripped.rear_after}
    axles = [
        Axle(
            end=end.name,
            before=likely(end.before),
            stripped=likely(bare[end.name]),
            after=likely(end.after),
            plate=_number(end.plate),
            sinks=_number(end.sinks),
            spring=_number(end.rate),
            same=_number(end.same),
        )
        for end in ends(facts, found)
    ]
    ahead, behind = facts.stand_front, facts.stand_rear
    return LedgerView(
        lines=[
            Line(e.id, e.name, e.goes, likely(e.mass), likely(e.arm), likely(on_front(e.mass, e.arm, found.wheelbase)))
            for e in found.entries
        ],
        axles=axles,
        before=likely(found.front + found.rear),
        mass=likely(found.mass),
        cg_x=likely(found.cg_x),
        cg_z=likely(found.cg_z),
        wheelbase=likely(found.wheelbase),
        stripped_x=likely(stripped.cg_x),
        stands=None if ahead is None or behind is None else (likely(ahead), likely(behind)),
    )


def _number(value: Value | None) -> float | None:
    return likely_or_none(value)
