"""What readings of bathroom scales come to: the unit on a beam, the machine with one end raised."""

from __future__ import annotations

from dataclasses import dataclass

from gauge_well.core.reads import WHEELBASE
from gauge_well.core.statics.weighing import height_raised, on_beam
from gauge_well.core.systems.base import Context, Options
from gauge_well.core.systems.weights.facts import WeightsFacts
from gauge_well.core.typing import likely


@dataclass(frozen=True)
class ScalesView:
    """Of the unit on a beam its mass [kg], its balance point ahead of the bell's face [m], and what that leaves for the
    engine drained and bare of its gearbox [kg]; of the machine with its rear raised its balance point over the ground [m];
    None where not all is read."""

    mass: float | None
    ahead: float | None
    engine: float | None
    height: float | None


def show(context: Context, facts: WeightsFacts, options: Options) -> ScalesView:
    """No options."""
    mass = ahead = engine = height = None
    if facts.beam_front is not None and facts.beam_rear is not None:
        apart = facts.beam_apart if facts.beam_apart is not None else 0.0
        whole, back = on_beam(facts.beam_front, facts.beam_rear, apart)
        mass = likely(whole)
        engine = mass - likely(facts.gearbox)
        if facts.beam_apart is not None and facts.beam_ahead is not None:
            ahead = likely(facts.beam_ahead) - likely(back)
    base, front, rear = context.given.get(WHEELBASE), facts.front, facts.rear
    raised, by = facts.raised_front, facts.raised_by
    if base is not None and front is not None and rear is not None and raised is not None and by is not None:
        weighs, hubs = likely(front) + likely(rear), likely(facts.axle_height)
        height = likely(height_raised(likely(front), likely(raised), weighs, likely(base), likely(by), hubs))
    return ScalesView(mass, ahead, engine, height)
