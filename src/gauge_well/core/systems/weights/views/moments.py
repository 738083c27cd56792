"""An aircraft's moments: lines, states of loading, the envelope stated. Advisory."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from gauge_well.core.errors import CoreError
from gauge_well.core.systems.base import Context, Options
from gauge_well.core.systems.weights.facts import WeightsFacts
from gauge_well.core.systems.weights.flight import State, corners, moments
from gauge_well.core.systems.weights.notices import ADVISORY
from gauge_well.core.typing import likely


@dataclass(frozen=True)
class MomentLine:
    """A line: mass [kg], arm [m], moment [kg m]."""

    id: str
    name: str
    goes: str
    mass: float
    arm: float
    moment: float


@dataclass(frozen=True)
class MomentsView:
    """Lines, states, corners of the envelope (arm [m], mass [kg]), and whose word it is."""

    lines: Sequence[MomentLine]
    states: Sequence[State]
    envelope: Sequence[tuple[float, float]]
    says: str


def show(context: Context, facts: WeightsFacts, options: Options) -> MomentsView:
    """No options; MissingFact without the empty weight and its arm."""
    if context.machine.kind != "aircraft":
        raise CoreError("no_aircraft", "machine.kind", 0.0, "a light aircraft", "Moments are an aircraft's.")
    found = moments(context, facts)
    return MomentsView(
        lines=[MomentLine(e.id, e.name, e.goes, m := likely(e.mass), a := likely(e.arm), m * a) for e in found.entries],
        states=found.states,
        envelope=corners(facts),
        says=ADVISORY,
    )
