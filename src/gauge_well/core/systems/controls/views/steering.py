"""Steering: the column's joints and evenness through a turn, toe over the wheel's travel, the pump at idle."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.driveline import joints
from gauge_well.core.linkage import steering
from gauge_well.core.reads import AXLE_FRONT
from gauge_well.core.systems.base import Context, Options
from gauge_well.core.systems.controls import checks_hands, model
from gauge_well.core.systems.controls.facts import STEERS, ControlsFacts
from gauge_well.core.typing import likely, likely_or_none

PLACES = 21


@dataclass(frozen=True)
class SteeringView:
    """Column: bends [rad], unevenness either way, speed out over in through a turn; toe [rad] over travel [m]; pump's flow and what a
    quick turn asks [m3/s], pressure standing wheels ask and its relief's [Pa]."""

    by: str
    bends: Sequence[float]
    bend_most: float
    ripple: float | None
    turned: Sequence[float]
    ratio: Sequence[float]
    travel: Sequence[float]
    toe: Sequence[float]
    toe_most: float
    bump: float
    gives: float | None
    asks: float | None
    pressure: float | None
    relief: float | None


def show(context: Context, facts: ControlsFacts, options: Options) -> SteeringView:
    """Likely values; the column's turn by exact kinematics."""
    found = model.column(facts)
    turned, ratio = _turn(facts) if found is not None else ([], [])
    travel, toe = np.zeros(0), np.zeros(0)
    if facts.lowered is not None and facts.rod is not None and facts.steer_arm is not None:
        travel = np.linspace(-2.0, 2.0, PLACES) * likely(facts.bump)
        toe = steering.toed(likely(facts.lowered), travel, likely(facts.rod), likely(facts.steer_arm))
    flow = model.pump_flow(context, facts)
    pressure = model.pressure_asked(context, facts, context.told(AXLE_FRONT))
    return SteeringView(
        by=STEERS[facts.steers],
        bends=[] if found is None else [likely(a) for a in found.angles],
        bend_most=float(checks_hands.JOINT),
        ripple=None if found is None else likely(found.ripple),
        turned=turned,
        ratio=ratio,
        travel=travel.tolist(),
        toe=toe.tolist(),
        toe_most=float(checks_hands.TOE) * likely(facts.bump),
        bump=likely(facts.bump),
        gives=None if flow is None else likely(flow[0]),
        asks=None if flow is None else likely(flow[1]),
        pressure=likely_or_none(pressure),
        relief=likely_or_none(facts.relief),
    )


def _turn(facts: ControlsFacts) -> tuple[list[float], list[float]]:
    own = [c for _, c in facts.columns]
    ways = [joints.direction(likely(c.falls) if c.falls is not None else 0.0, likely(c.bears_left)) for c in own]
    return joints.uneven(ways, [likely(c.forks) for c in own[1:-1]])
