"""How the unit shakes on its mounts: its six ways by name, and what passes over the engine's speed."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.elastic.modes import transmissibility
from gauge_well.core.systems.base import Context, Options
from gauge_well.core.systems.mounts.facts import MountsFacts
from gauge_well.core.systems.mounts.model import DAMPED, held, shake
from gauge_well.core.typing import likely

POINTS = 60
SLOW, QUICK = 0.4, 3.0  # of idle, where the plot begins and ends: cranking lies below


@dataclass(frozen=True)
class Mode:
    """A way of shaking: name, frequency [Hz], speed at which the engine's firing meets it [rev/min]."""

    name: str
    frequency: float
    speed: float


@dataclass(frozen=True)
class ShakeView:
    """Modes, the slowest first; share that passes about the crank over the engine's speed [rev/min]; idle [rev/min], its
    firing [Hz] and share."""

    modes: Sequence[Mode]
    speed: Sequence[float]
    passes: Sequence[float]
    idle: float
    firing: float
    at_idle: float


def show(context: Context, facts: MountsFacts, options: Options) -> ShakeView:
    """No options; CoreError for mounts that hold nothing."""
    found = held(context, facts)
    idle = likely(context.engine.facts.idle_speed)
    one = context.engine.facts.firing(1.0)
    speeds = np.linspace(SLOW * idle, QUICK * idle, POINTS)
    own = found.modes.frequency.reshape(-1, 6)[0]
    return ShakeView(
        modes=[Mode(n, float(f), float(f / one)) for n, f in zip(found.modes.names(), own, strict=True)],
        speed=[float(s) for s in speeds],
        passes=[float(v) for v in transmissibility(speeds * one, likely(found.modes.of("roll")), DAMPED)],
        idle=idle,
        firing=context.engine.facts.firing(idle),
        at_idle=likely(shake(context, found)),
    )
