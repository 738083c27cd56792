"""Lifting: what hangs from the hook, how it hangs, what each leg pulls, what stands and tables must carry."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from gauge_well.core.statics import sling
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.weights.facts import WeightsFacts
from gauge_well.core.systems.weights.ledger import unit_of
from gauge_well.core.typing import Array, as_array, likely

DIRT = 1.25  # oil, dirt, what was forgotten, a jerk (common practice)
STANDS = 1.5  # a stand's rating over what it holds (common practice)
STEEP = np.pi / 4.0  # rad off upright beyond which a leg pulls more than it carries
ABOVE = 0.05  # m that eyes and ring stand over the balance point at least (common practice)
EYES = 0.15  # m that lifting eyes stand over the balance point where nobody says (common practice)


@dataclass(frozen=True)
class Hung:
    """What hangs from the hook: mass [kg], balance point (ahead, over) and ring (ahead, over) from bell's face and crank
    [m]."""

    mass: Array
    ahead: Array
    over: Array
    ring_ahead: Array
    ring_over: Array

    @property
    def tilt(self) -> Array:
        """How far the front hangs up [rad]."""
        return sling.hangs(self.ring_ahead - self.ahead, self.ring_over - self.over)

    @property
    def shift(self) -> Array:
        """How far ahead the ring must go to hang level [m]."""
        return np.asarray(self.ahead - self.ring_ahead)


def hung(context: Context, facts: WeightsFacts) -> Hung:
    """Engine with or without gearbox; the ring over the balance point where nobody says where it is."""
    unit = unit_of(context, facts)
    mass, ahead = unit.mass, unit.ahead
    if facts.with_gearbox == "engine":
        # Both together balance where they do: what is left when the gearbox is off lies farther ahead.
        mass = unit.mass - facts.gearbox
        ahead = (unit.ahead * unit.mass + as_array(facts.gearbox) * facts.gearbox_behind) / mass
    eyes = as_array(facts.lift_over) if facts.lift_over is not None else unit.over + EYES
    at = as_array(facts.ring_ahead) if facts.ring_ahead is not None else ahead
    return Hung(mass, as_array(ahead), unit.over, at, eyes + facts.ring)


@dataclass(frozen=True)
class Legs:
    """Each leg's pull [N] and how far it stands off upright [rad]; ``carry``: pull of the one that pulls most, where of four
    straps two carry."""

    front: Array
    rear: Array
    front_off: Array
    rear_off: Array

    @property
    def most(self) -> Array:
        """Pull of the one that pulls most [N]."""
        return np.maximum(self.front, self.rear)

    @property
    def steepest(self) -> float:
        """The flatter leg's angle off upright [rad]."""
        return max(likely(self.front_off), likely(self.rear_off))


def legs_of(facts: WeightsFacts, load: Hung) -> Legs | None:
    """The sling's legs with the load level; None where the eyes are not stated."""
    if facts.lift_front is None or facts.lift_rear is None:
        return None
    front = np.arctan2(as_array(facts.lift_front) - load.ring_ahead, facts.ring)
    rear = np.arctan2(load.ring_ahead - facts.lift_rear, facts.ring)
    pull_front, pull_rear = sling.legs(load.mass, front, rear)
    return Legs(pull_front, pull_rear, front, rear)
