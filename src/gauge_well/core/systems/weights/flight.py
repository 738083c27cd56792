"""A light aircraft's moments: advisory arithmetic on its papers' own figures, and nothing else."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.facts import need
from gauge_well.core.parts.item import ABOARD, BURNED, IN
from gauge_well.core.statics.axles import inside
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.weights.facts import WeightsFacts
from gauge_well.core.systems.weights.ledger import Entry, lines, unit_arm, unit_of
from gauge_well.core.typing import as_array, likely


@dataclass(frozen=True)
class State:
    """A state of loading: mass [kg], arm behind the datum [m], whether the envelope holds it; None without an envelope."""

    name: str
    mass: float
    arm: float
    inside: bool | None


@dataclass(frozen=True)
class Moments:
    """The lines and the states they come to, in order: empty after the swap, aboard with full tanks, tanks burned out."""

    entries: Sequence[Entry]
    states: Sequence[State]


def moments(context: Context, facts: WeightsFacts) -> Moments:
    """Mass and arm in each state; MissingFact without the empty weight and its arm."""
    empty = likely(need(facts.empty, "weights.empty"))
    arm = likely(need(facts.empty_arm, "weights.empty_arm"))
    entries = [Entry("empty", "Empty, by its papers", IN, as_array(empty), as_array(arm), None)]
    at = unit_arm(context, facts)
    if at is not None:
        entries.append(Entry("unit", "New engine", IN, unit_of(context, facts).mass, as_array(at[0]), None))
    entries += lines(facts)
    states = []
    for name, left_out in (
        ("empty after the swap", (ABOARD, BURNED)),
        ("aboard, tanks full", ()),
        ("aboard, tanks burned out", (BURNED,)),
    ):
        own = [(likely(e.mass), likely(e.arm)) for e in entries if e.goes not in left_out]
        mass = sum(m for m, _ in own)
        at_arm = sum(m * a for m, a in own) / mass if mass > 0.0 else 0.0
        states.append(State(name, mass, at_arm, _inside(facts, at_arm, mass)))
    return Moments(entries, states)


def corners(facts: WeightsFacts) -> list[tuple[float, float]]:
    """The envelope's corners (arm [m], mass [kg])."""
    return [(likely(arm), likely(mass)) for arm, mass in facts.envelope or ()]


def _inside(facts: WeightsFacts, arm: float, mass: float) -> bool | None:
    return inside(np.array(corners(facts)), arm, mass) if facts.envelope else None
