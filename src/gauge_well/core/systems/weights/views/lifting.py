"""How the unit hangs, side on, and what carries it."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.media.air import GRAVITY
from gauge_well.core.statics import sling
from gauge_well.core.systems.base import Context, Options
from gauge_well.core.systems.weights.facts import WeightsFacts
from gauge_well.core.systems.weights.lifting import DIRT, STANDS, hung, legs_of
from gauge_well.core.typing import likely, likely_or_none

Spot = tuple[float, float]
ANGLES = (0.0, 15.0, 30.0, 45.0, 60.0)


@dataclass(frozen=True)
class Leg:
    """A leg of the sling: its eye (ahead, over) [m], how far off upright [rad], how long it must be so that all hangs level
    [m], its pull as a mass [kg]; None where it cannot hold."""

    eye: Spot
    off: float
    level: float
    pull: float | None


@dataclass(frozen=True)
class LiftingView:
    """What hangs [kg] and with dirt [kg]; balance point and ring (ahead, over) from bell's face and crank [m]; tilt [rad],
    front up; how far ahead the ring must go [m]; the legs; what the hoist's plate allows [kg] at its reach [m]; ratings to look
    for [kg]; what one leg of two pulls over half the load, by its angle."""

    mass: float
    heavy: float
    balance: Spot
    ring: Spot
    tilt: float
    shift: float
    legs: Sequence[Leg]
    allowed: float | None
    reach: float | None
    leg_rating: float
    stand_rating: float
    pulls: Sequence[Spot]
    four: bool


def show(context: Context, facts: WeightsFacts, options: Options) -> LiftingView:
    """No options."""
    load = hung(context, facts)
    found = legs_of(facts, load)
    legs = []
    if found is not None:
        over = likely(load.ring_over) - likely(facts.ring)
        for ahead, off, pull in (
            (facts.lift_front, found.front_off, found.front),
            (facts.lift_rear, found.rear_off, found.rear),
        ):
            there = likely(pull) / GRAVITY
            eye = likely(ahead if ahead is not None else 0.0)
            level = float(np.hypot(eye - likely(load.ahead), likely(facts.ring)))
            legs.append(Leg((eye, over), likely(off), level, there if np.isfinite(there) else None))
    plate, reach = facts.hoist.plate, facts.hoist.reach
    heavy = likely(load.mass) * DIRT
    return LiftingView(
        mass=likely(load.mass),
        heavy=heavy,
        balance=(likely(load.ahead), likely(load.over)),
        ring=(likely(load.ring_ahead), likely(load.ring_over)),
        tilt=likely(load.tilt),
        shift=likely(load.shift),
        legs=legs,
        allowed=sling.allowed(plate, likely(reach)) if plate and reach is not None else None,
        reach=likely_or_none(reach),
        leg_rating=heavy / float(np.sqrt(2.0)),
        stand_rating=likely(load.mass) * STANDS,
        pulls=[(a, float(1.0 / np.cos(np.radians(a)))) for a in ANGLES],
        four=facts.legs == "four",
    )
