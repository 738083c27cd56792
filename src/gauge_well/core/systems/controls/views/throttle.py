"""The throttle over its pedal: how far it opens and what flows, on its wheel, on one that is right, on a lever."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.linkage import throttle
from gauge_well.core.systems.base import Context, Options
from gauge_well.core.systems.controls import model
from gauge_well.core.systems.controls.facts import ControlsFacts
from gauge_well.core.typing import likely, likely_or_none

STEPS = 21
LEVER = np.radians(50.0)  # before square, of one that opens sooner (common practice)


@dataclass(frozen=True)
class Way:
    """One way to take the cable: its name, radius [m], share of the bore open at each share of the pedal."""

    name: str
    radius: float
    flows: Sequence[float]


@dataclass(frozen=True)
class ThrottleView:
    """How it is worked; opened of what it turns [rad], way left over [m], the wheel that is right [m]; ways beside each other over
    shares of the pedal; spring behind the bends against what asks it [N]; rock against slack [m]; sensor turned of what it
    wants [rad]."""

    by: str
    opened: float | None
    whole: float
    left: float | None
    wheel: float | None
    right: float | None
    pedal: Sequence[float]
    ways: Sequence[Way]
    spring: float | None
    drags: float | None
    springs: float | None
    rocks: float | None
    slack: float
    sweep: float | None
    wants: float | None
    cable: float | None
    cable_way: float | None


def _way(facts: ControlsFacts, name: str, radius: float, before: float) -> Way:
    pulled = np.linspace(0.0, 1.0, STEPS) * max(likely(facts.pedal_moves or 0.0) - likely(facts.slack), 0.0)
    turned = np.minimum(throttle.opened(pulled, radius, before), likely(facts.opens))
    return Way(name, radius, [float(v) for v in throttle.flows(turned)])


def show(context: Context, facts: ControlsFacts, options: Options) -> ThrottleView:
    """Likely values."""
    opened, left, right = model.opening(facts), model.over_travel(facts), model.wheel_for(facts)
    ways = []
    before = likely(facts.lever_before)
    if facts.wheel is not None and facts.pedal_moves is not None:
        ways.append(_way(facts, "as it is", likely(facts.wheel), before))
    if right is not None:
        ways.append(
            _way(facts, "a wheel that is right", likely(right), 0.0)
            if before <= 0.0
            else _way(facts, "a lever that is right", likely(right), before)
        )
        lever = (likely(facts.pedal_moves or 0.0) - likely(facts.slack)) / float(
            throttle.drawn_for(likely(facts.opens), 1.0, LEVER)
        )
        ways.append(_way(facts, "a lever 50° before square", lever, float(LEVER)))
    back, moved = model.returns(facts), model.rocks(context, facts)
    return ThrottleView(
        by=facts.throttle,
        opened=None if opened is None else min(likely(opened), likely(facts.opens)),
        whole=likely(facts.opens),
        left=likely_or_none(left),
        wheel=likely_or_none(facts.wheel),
        right=likely_or_none(right),
        pedal=np.linspace(0.0, 1.0, STEPS).tolist(),
        ways=ways,
        spring=None if back is None else likely(back[0]),
        drags=None if back is None else likely(back[1]),
        springs=likely_or_none(facts.springs),
        rocks=likely_or_none(moved),
        slack=likely(facts.slack),
        sweep=likely_or_none(facts.sensor_sweep),
        wants=likely_or_none(facts.sensor_wants),
        cable=likely_or_none(facts.cable),
        cable_way=likely_or_none(facts.cable_way),
    )
