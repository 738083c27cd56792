"""Riding out an uncovered pickup: what a trap door holds and an accumulator gives, in seconds."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from gauge_well.core.media import oils
from gauge_well.core.parts.accumulator import FAST, oil_given
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.oil import feeding
from gauge_well.core.systems.oil.facts import OilFacts
from gauge_well.core.typing import Array, as_array

TRAPPED = 0.7  # of what a trap door's box holds comes before its pickup draws air (common practice)


@dataclass(frozen=True)
class Ride:
    """Oil there is while the pan's own is elsewhere [m3], and how long it lasts in each duty [s], (1, duty, sample)."""

    held: Array
    given: Array
    seconds: Array


def ride(context: Context, facts: OilFacts) -> Ride | None:
    """What is held and given, over what the pump draws at each duty's speed, hot; None where neither is fitted."""
    box = facts.pan.held if facts.pan.baffle == "trap" else None
    charged = facts.accumulator.volume
    if box is None and charged is None:
        return None
    flow = feeding.hot_flow(context, facts)
    held = as_array(0.0) if box is None else TRAPPED * as_array(box)
    given = as_array(0.0)
    if charged is not None and facts.accumulator.precharge is not None and facts.accumulator.spent is not None:
        leak = feeding.leak_of(context, facts)
        pressure = feeding.gauge_pressure(facts, leak, context.mean.speed, oils.T_100)
        high = leak.relief if pressure is None else pressure
        given = oil_given(charged, facts.accumulator.precharge, high, facts.accumulator.spent, FAST)
    return Ride(held, given, np.asarray((held + given) / np.maximum(flow, 1e-9)))
