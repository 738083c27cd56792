"""What back pressure costs, and where it ends."""

from __future__ import annotations

import numpy as np

from gauge_well.core.engine.model import Engine
from gauge_well.core.systems.exhaust.facts import COSTS, GATE_SHUT, MOST, MOST_COST, ExhaustFacts
from gauge_well.core.typing import Array, likely


def cost_rate(engine: Engine) -> float:
    """Share of its power an engine loses to each pascal: 1.5 % each 10 kPa unboosted, 1.0 a petrol turbo with its gate
    open, 5 with it shut, 1.6 a turbo diesel (common practice)."""
    breathing = engine.facts.aspiration
    if engine.fuel.spark and breathing == "turbo" and engine.facts.wastegate == "shut":
        return GATE_SHUT
    return COSTS[engine.fuel.spark, breathing]


def limit_of(engine: Engine, facts: ExhaustFacts) -> tuple[float, bool]:
    """Back pressure [Pa] past which the exhaust does not serve, and whether the maker gave it.

    Without a maker's figure back pressure only costs, up to 60 kPa or a tenth of the power; with the gate shut it
    never is more than a cost up to 60 kPa.
    """
    if facts.tolerated is not None:
        return likely(facts.tolerated), True
    rate = cost_rate(engine)
    return (MOST if rate == GATE_SHUT else min(MOST, MOST_COST / rate)), False


def power_cost(engine: Engine, back_pressure: Array, power: Array) -> Array:
    """Power lost to back pressure [W]."""
    return np.asarray(power * cost_rate(engine) * np.maximum(back_pressure, 0.0))
